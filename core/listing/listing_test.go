package listing

import (
	"fmt"
	"strings"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
)

var known = map[string]bool{"lords and ladies": true, "jack by the hedge": true, "lily of the valley": true}

func isName(name string) bool { return known[strings.ToLower(name)] }

// What people write, each with what they mean by it.
func TestAListIsReadAsItIsMeant(t *testing.T) {
	for text, want := range map[string][]Entry{
		"3 lovage, 10 ramsons from a division in 2028, a hop at the fence": {
			{Name: "lovage", Count: 3}, {Name: "ramsons", Count: 10, Origin: flora.FromDivision, Since: Since{Said: true, Year: 2028}},
			{Name: "hop", Count: 1, Where: "fence"},
		},
		"two sage and three thyme":                             {{Name: "sage", Count: 2}, {Name: "thyme", Count: 3}},
		"sage & thyme":                                         {{Name: "sage"}, {Name: "thyme"}},
		"lords and ladies by the hedge":                        {{Name: "lords and ladies", Where: "hedge"}},
		"5 jack by the hedge":                                  {{Name: "jack by the hedge", Count: 5}},
		"some lily of the valley":                              {{Name: "lily of the valley", Vague: true}},
		"2.5 m² of ramsons in the nut shade since spring 2029": {{Name: "ramsons", Area: "2.5 m²", Where: "nut shade", Since: Since{Said: true, Year: 2029, Season: "spring"}}},
		"2,5 m2 ramsons":                                       {{Name: "ramsons", Area: "2,5 m2"}},
		"30 sq ft of peppermint":                               {{Name: "peppermint", Area: "30 sq ft"}},
		"half a dozen leeks":                                   {{Name: "leeks", Count: 6}},
		"two dozen chives":                                     {{Name: "chives", Count: 24}},
		"lovage x3":                                            {{Name: "lovage", Count: 3}},
		"lovage (3)\nhop × 2":                                  {{Name: "lovage", Count: 3}, {Name: "hop", Count: 2}},
		"- yarrow, sown in May 2030, in Long Bed":              {{Name: "yarrow", Origin: flora.FromSeed, Where: "Long Bed", Since: Since{Said: true, Year: 2030, Month: time.May}}},
		"4 chives sown on 3 May 2030":                          {{Name: "chives", Count: 4, Origin: flora.FromSeed, Since: Since{Said: true, Year: 2030, Month: time.May, Day: 3}}},
		"a bay bought last autumn":                             {{Name: "bay", Count: 1, Origin: flora.FromBought, Since: Since{Said: true, YearsAgo: 1, Season: "autumn"}}},
		"elder planted ten years ago":                          {{Name: "elder", Since: Since{Said: true, YearsAgo: 10}}},
		"6 mint from Ida":                                      {{Name: "mint", Count: 6, Source: "Ida"}},
		"dandelions that came up by themselves":                {{Name: "dandelions", Origin: flora.FromVolunteer}},
		"a patch of nettles at the compost":                    {{Name: "nettles", Vague: true, Where: "compost"}},
		"1 comfrey from a root cutting 2027-03-04":             {{Name: "comfrey", Count: 1, Origin: flora.FromCutting, Since: Since{Said: true, Year: 2027, Month: time.March, Day: 4}}},
		"":        nil,
		" , ;\n ": nil,
	} {
		got := Read(text, isName)
		if len(got) != len(want) {
			t.Errorf("%q: %d entries %+v, want %d", text, len(got), got, len(want))
			continue
		}
		for i := range want {
			got[i].Text, want[i].Text = "", ""
			if got[i] != want[i] {
				t.Errorf("%q, entry %d:\n got %+v\nwant %+v", text, i, got[i], want[i])
			}
		}
	}
}

// A day is the one that is meant, on either half of the world, and never one that has not come.
func TestSinceIsADayThatHasCome(t *testing.T) {
	today := calendar.Must(2031, time.May, 27)
	for _, test := range []struct {
		since    Since
		southern bool
		want     string
		ok       bool
	}{
		{Since{}, false, "2031-05-27", true},
		{Since{Said: true, Year: 2028}, false, "2028-04-15", true},
		{Since{Said: true, Year: 2028}, true, "2028-10-15", true},
		{Since{Said: true, Year: 2031}, true, "2031-05-27", true}, // its spring is still to come
		{Since{Said: true, YearsAgo: 1, Season: "autumn"}, false, "2030-10-15", true},
		{Since{Said: true, YearsAgo: 1, Season: "autumn"}, true, "2030-04-15", true},
		{Since{Said: true, Year: 2030, Month: time.May, Day: 3}, true, "2030-05-03", true},
		{Since{Said: true, Year: 2030, Month: time.February, Day: 30}, false, "", false},
		{Since{Said: true, Year: 2031, Month: time.June}, false, "", false},
		{Since{Said: true, Year: 2031, Month: time.May, Day: 28}, false, "", false},
		{Since{Said: true, Year: 2035}, false, "", false},
	} {
		got, ok := test.since.On(today, test.southern)
		if ok != test.ok || ok && got.String() != test.want {
			t.Errorf("%+v, southern %v: %s %v, want %s %v", test.since, test.southern, got, ok, test.want, test.ok)
		}
	}
}

// Whatever is written is read without a fault, and nothing of it is lost: every entry keeps its text.
func FuzzRead(f *testing.F) {
	f.Add("3 lovage, 10 ramsons from a division in 2028, a hop at the fence")
	f.Add("a dozen, of and & 2.5 m² x3 (4) since 99 years ago in")
	f.Fuzz(func(t *testing.T, text string) {
		for _, e := range Read(text, isName) {
			if strings.TrimSpace(e.Text) == "" {
				t.Errorf("%q holds an entry of nothing", text)
			}
			if e.Count < 0 || e.Count > 999_999 {
				t.Errorf("%q: %d plants", text, e.Count)
			}
		}
	})
}

func ExampleRead() {
	for _, e := range Read("3 lovage, 10 ramsons from a division in 2028, a hop at the fence", isName) {
		fmt.Printf("%d of %s; %q, %d, %q\n", e.Count, e.Name, e.Origin, e.Since.Year, e.Where)
	}
	// Output:
	// 3 of lovage; "", 0, ""
	// 10 of ramsons; "division", 2028, ""
	// 1 of hop; "", 0, "fence"
}

// A cell of a table holds one thing, in a table's form or in words.
func TestACellIsReadAlone(t *testing.T) {
	today := calendar.Must(2031, time.May, 27)
	for text, want := range map[string]string{
		"2028-04-15": "2028-04-15", "15 April 2028": "2028-04-15", "April 2028": "2028-04-15", "2028": "2028-04-15", "spring 2028": "2028-04-15",
		"3 years ago": "2028-04-15", "last year": "2030-04-15", "1 Sept 2029": "2029-09-01", "the day before": "", "soon": "", "15.4.28": "", "2028-13-01": "",
	} {
		since := ReadSince(text)
		on, ok := since.On(today, false)
		if got := on.String(); (since.Said && ok) != (want != "") || want != "" && got != want {
			t.Errorf("%q: %+v on %s", text, since, got)
		}
	}
	for text, want := range map[string]flora.Origin{
		"seed": flora.FromSeed, "Division": flora.FromDivision, "from a cutting": flora.FromCutting, "self-sown": flora.FromVolunteer,
		"bought": flora.FromBought, "found": flora.FromFound, "root cutting": flora.FromCutting, "magic": "", "": "",
	} {
		if got := ReadOrigin(text); got != want {
			t.Errorf("%q began from %q, want %q", text, got, want)
		}
	}
}
