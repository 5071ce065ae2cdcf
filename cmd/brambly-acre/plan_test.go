package main

import (
	"encoding/json"
	"os"
	"path/filepath"
	"strings"
	"testing"
)

// A season that can be reckoned by hand: a third of 42 stems of 3 g may be cut, ten fit on the trays for four days, and the
// first day is settled with more than fits.
const sageSeason = `{"days": 10, "tray_area_m2": 0.5, "minutes": 30,
	"products": [{"name": "sage leaf", "need_g": 100}],
	"stands": [{"name": "Dry Bank", "products": ["sage leaf"], "full_units": 42, "cut_share": 0.3333333333333333, "floor_units": 20,
		"grams_dried": 3, "tray_m2": 0.05, "tray_days": 4, "visit_minutes": 5, "unit_minutes": 1, "quality": 1}],
	"locked": [{"stand": "Dry Bank", "day": 0, "units": 12}]}`

func TestPlanOfASeasonFromAFile(t *testing.T) {
	file := filepath.Join(t.TempDir(), "season.json")
	check(t, os.WriteFile(file, []byte(sageSeason), 0o600))
	status, out, errs := run(t, "plan", file)
	if status != 0 {
		t.Fatal(errs)
	}
	var answer struct {
		Plan []struct {
			Stand string
			Day   int
			Units int
			Grams float64 `json:"grams_dried"`
		}
		Worth, Bound float64
		Products     []struct {
			Counts float64 `json:"counts_g"`
		}
		Unkept []struct {
			Units int
			Why   string
		}
	}
	check(t, json.Unmarshal([]byte(out), &answer))
	units := 0
	for _, pick := range answer.Plan {
		units += pick.Units
		if pick.Units > 10 || pick.Grams != 3*float64(pick.Units) || pick.Stand != "Dry Bank" {
			t.Errorf("planned: %+v", pick)
		}
	}
	if units != 14 || answer.Worth != 42 || answer.Bound != 42 || answer.Products[0].Counts != 42 {
		t.Errorf("14 stems are 42 g, and no more can be; it says %s", out)
	}
	if len(answer.Unkept) != 1 || answer.Unkept[0].Units != 12 || !strings.Contains(answer.Unkept[0].Why, "tray_area") {
		t.Errorf("twelve do not fit on trays for ten: %+v", answer.Unkept)
	}
}

// What is wrong is said by its place, all of it at once, and nothing is planned.
func TestASeasonsFileThatCannotBe(t *testing.T) {
	file := filepath.Join(t.TempDir(), "season.json")
	for name, c := range map[string]struct{ old, with, says string }{
		"no plan":         {sageSeason, "sage", "no season's problem"},
		"unknown key":     {`"days"`, `"weeks"`, "weeks"},
		"no days":         {`"days": 10`, `"days": 0`, "days: must lie from 1 to 731"},
		"too few minutes": {`"minutes": 30`, `"minutes": [30, 30]`, "minutes: must have one number for each of the 10 days, not 2"},
		"a share":         {`"cut_share": 0.3333333333333333`, `"cut_share": 1.4`, "stands[0].cut_share: must lie from 0 to 1"},
		"another product": {`["sage leaf"]`, `["thyme"]`, "stands[0].products[0]"},
		"no regrowth":     {`"quality"`, `"regrowth_days": 0, "quality"`, "stands[0].regrowth_days: must be above 0"},
		"a day before":    {`"need_g": 100`, `"need_g": 100, "by_day": -3`, "products[0].by_day"},
		"another stand":   {`"stand": "Dry Bank"`, `"stand": "Wet Bank"`, "locked[0].stand"},
		"more after it":   {`"units": 12}]}`, `"units": 12}]} {}`, "something follows"},
	} {
		check(t, os.WriteFile(file, []byte(strings.Replace(sageSeason, c.old, c.with, 1)), 0o600))
		if status, out, errs := run(t, "plan", file); status != 1 || out != "" || !strings.Contains(errs, c.says) {
			t.Errorf("%s: status %d, says %q and %q, want %q", name, status, out, errs, c.says)
		}
	}
	if status, _, errs := run(t, "plan"); status != 2 || !strings.Contains(errs, "one file") {
		t.Errorf("without a file: status %d, %s", status, errs)
	}
}

// An outing that must bring ten is not worth the two stems that are left for a second one: by hand, ten fit at once and are
// 30, four more are 12 less the outing's 10; of an outing that must bring 13 only the first is worth it.
func TestAnOutingHasItsPriceInTheFile(t *testing.T) {
	for price, want := range map[string]float64{"10": 30 - 10 + 12 - 10, "13": 30 - 13} {
		file := filepath.Join(t.TempDir(), "season.json")
		text := strings.Replace(sageSeason, `"minutes": 30,`, `"minutes": 30, "outing_worth": `+price+`,`, 1)
		text = strings.Replace(text, `"locked": [{"stand": "Dry Bank", "day": 0, "units": 12}]`, `"locked": []`, 1)
		check(t, os.WriteFile(file, []byte(text), 0o600))
		status, out, errs := run(t, "plan", file)
		if status != 0 {
			t.Fatal(errs)
		}
		var answer struct{ Worth, Bound float64 }
		check(t, json.Unmarshal([]byte(out), &answer))
		if answer.Worth != want || answer.Bound != want {
			t.Errorf("at %s an outing it brings %v of at most %v, want %v", price, answer.Worth, answer.Bound, want)
		}
	}
	file := filepath.Join(t.TempDir(), "season.json")
	check(t, os.WriteFile(file, []byte(strings.Replace(sageSeason, `"minutes": 30,`, `"minutes": 30, "outing_worth": -1,`, 1)), 0o600))
	if status, _, errs := run(t, "plan", file); status == 0 || !strings.Contains(errs, "outing") {
		t.Errorf("an outing that brings something by itself is taken: %q", errs)
	}
}
