package calendar

import "testing"

func TestMonthsInTheSouth(t *testing.T) {
	for text, want := range map[string]string{
		"June to October":                    "December to April",
		"from March to June":                 "from September to December",
		"April to June":                      "October to December",
		"in May":                             "in November",
		"May to July":                        "November to January",
		"late August, and again in October.": "late February, and again in April.",
		"Sow Mar to Apr.":                    "Sow Mar to Apr (months of the north).",
		"Mar to Apr":                         "Sep to Oct",
		"in flower":                          "in flower",
		"It may kill.":                       "It may kill.",
		"May be mistaken.":                   "May be mistaken.",
		"Look at the stem in June, when it is tall.": "Look at the stem in June, when it is tall (months of the north).",
		"":         "",
		"all year": "all year",
	} {
		if got := SouthernMonths(text); got != want {
			t.Errorf("SouthernMonths(%q) = %q, want %q", text, got, want)
		}
	}
}
