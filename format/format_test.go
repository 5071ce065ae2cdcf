package format

import (
	"bytes"
	"encoding/csv"
	"strings"
	"testing"
	"time"

	ics "github.com/arran4/golang-ical"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/garden/area"
	"bramblyacre/garden/now"
)

func TestCalendarIsReadBackWithWholeDays(t *testing.T) {
	data := now.CalendarData{Name: "Acre", At: time.Date(2031, 5, 27, 6, 0, 0, 0, time.UTC), Events: []area.Event{{
		UID: "w1@brambly-acre", First: calendar.Must(2031, 6, 30), Last: calendar.Must(2031, 7, 4),
		Summary: "Cut meadowsweet; flowering top", Description: strings.Repeat("long, with commas; and\nlines ", 20), Place: "Wet Corner",
	}}}
	var file bytes.Buffer
	if err := WriteCalendar(&file, data); err != nil {
		t.Fatal(err)
	}
	for _, line := range strings.Split(strings.TrimSuffix(file.String(), "\r\n"), "\r\n") {
		if len(line) > 75 || strings.Contains(line, "\n") {
			t.Errorf("the line %q is not folded at 75 octets with CRLF (RFC 5545, 3.1)", line)
		}
	}
	read, err := ics.ParseCalendar(&file)
	if err != nil || len(read.Events()) != 1 {
		t.Fatalf("read back: %v, %v", read, err)
	}
	event := read.Events()[0]
	value := func(name ics.ComponentProperty) string { return event.GetProperty(name).Value }
	if value(ics.ComponentPropertyDtStart) != "20310630" || value(ics.ComponentPropertyDtEnd) != "20310705" {
		t.Errorf("it runs %s to %s; the end is the day after the last", value(ics.ComponentPropertyDtStart), value(ics.ComponentPropertyDtEnd))
	}
	if value(ics.ComponentPropertySummary) != data.Events[0].Summary || value(ics.ComponentPropertyDescription) != data.Events[0].Description {
		t.Errorf("it says %q, %q", value(ics.ComponentPropertySummary), value(ics.ComponentPropertyDescription))
	}
}

func TestTablesAreReadBackWithUnitsInTheHeadings(t *testing.T) {
	height := 92.04
	var looks, pickings bytes.Buffer
	if err := WriteObservations(&looks, []now.ObservationRow{{
		Day: "2031-05-27", Bed: "Wet, \"low\" Corner", Plant: "meadowsweet", Botanical: "Filipendula ulmaria", Stage: flora.InBud, Share: "a third",
		HeightCm: &height, Marks: "dry,mildew", Note: "=cmd()\nsecond line",
	}}); err != nil {
		t.Fatal(err)
	}
	if err := WritePickings(&pickings, []now.PickingRow{{Day: "2031-05-27", Bed: "B", Plant: "p", Part: "leaf", Units: 14, UnitName: "stems", Grams: 308, ShareOfStand: 1.0 / 3, OverAllowance: true}}); err != nil {
		t.Fatal(err)
	}
	if !strings.Contains(looks.String(), "\r\n") {
		t.Error("lines do not end in CRLF (RFC 4180, 2.1)")
	}
	rows, err := csv.NewReader(&looks).ReadAll()
	if err != nil {
		t.Fatal(err)
	}
	got := map[string]string{}
	for i, name := range rows[0] {
		got[name] = rows[1][i]
	}
	for name, want := range map[string]string{"bed": `Wet, "low" Corner`, "stage": "in bud", "stage (BBCH)": "55", "height (cm)": "92.0", "width (cm)": "", "note": "'=cmd()\nsecond line"} {
		if got[name] != want {
			t.Errorf("%s is %q, want %q", name, got[name], want)
		}
	}
	rows, err = csv.NewReader(&pickings).ReadAll()
	if err != nil {
		t.Fatal(err)
	}
	if strings.Join(rows[1], "|") != "2031-05-27|B|p||leaf|14.00|stems|308.0|0.333|true|" || rows[0][7] != "fresh weight (g)" {
		t.Errorf("the picking is written %q under %q", rows[1], rows[0])
	}
}
