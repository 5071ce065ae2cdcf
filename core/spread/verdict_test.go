package spread_test

import (
	"slices"
	"testing"

	"bramblyacre/core/flora"
	"bramblyacre/core/spread"
	"bramblyacre/library"
)

// Every species of the library has a whole balance and a whole verdict: a row for each subject, which says its words or
// figure or that it is not on record, and for each deed something that speaks for it or against it.
func TestVerdictRowsAreCompleteForEverySpecies(t *testing.T) {
	lib, err := library.Shipped()
	if err != nil {
		t.Fatal(err)
	}
	for _, s := range lib.AllSpecies() {
		rows := spread.Balance(s)
		if len(rows) != len(spread.Subjects()) {
			t.Fatalf("%s: %d rows", s.ID, len(rows))
		}
		for _, row := range rows {
			said := row.Text != "" || row.Figure != nil || len(row.Parts) > 0
			switch {
			case row.Side == spread.Unknown && row.Weight != 0, row.Side == spread.Neither && row.Weight != 0:
				t.Errorf("%s: %s weighs %d on neither side", s.ID, row.Subject, row.Weight)
			case (row.Side == spread.For || row.Side == spread.Against) && row.Weight == 0:
				t.Errorf("%s: %s is %s and weighs nothing", s.ID, row.Subject, row.Side)
			case row.Side == spread.Against && !said && row.Subject != spread.Harm:
				t.Errorf("%s: %s speaks against it without a word why", s.ID, row.Subject)
			}
		}
		for _, found := range everyFound(s) {
			v := spread.Judge(found)
			if len(v.Deeds) != len(spread.Deeds()) || v.Best == spread.NoDeed || v.Waste == spread.NoWaste {
				t.Fatalf("%s: %+v", s.ID, v)
			}
			for _, d := range v.Deeds {
				if len(d.For)+len(d.Not) == 0 && d.Deed != spread.LeaveIt && d.Deed != spread.LiftIt {
					t.Errorf("%s: nothing speaks for or against %q", s.ID, d.Deed)
				}
			}
		}
	}
}

func everyFound(s *flora.Species) (all []spread.Found) {
	for bits := range 256 {
		is := func(bit int) bool { return bits&(1<<bit) != 0 }
		found := spread.Found{
			Species: s, Checked: is(0), Seeding: is(1), Wanted: is(2), InBed: is(3), Room: is(3), InWay: is(4),
			LawAsked: is(5), LawForbids: is(5) && is(6), HoldingPlace: is(6),
		}
		if is(7) {
			found.Unsafe = "sprayed strip"
		}
		all = append(all, found)
	}
	return all
}

// What must never be said, for every species and everything that may be known of the find.
func TestNoVerdictIsCareless(t *testing.T) {
	lib, err := library.Shipped()
	if err != nil {
		t.Fatal(err)
	}
	for _, s := range lib.AllSpecies() {
		dangerous := s.Identity.Danger == "deadly" || s.Identity.Danger == "poisonous"
		eaten := slices.ContainsFunc(s.Parts, func(p flora.Part) bool {
			return slices.Contains(p.Verdicts, flora.EatenRaw) || slices.Contains(p.Verdicts, flora.EatenCooked)
		})
		grows := false
		for _, way := range s.Spreads {
			grows = grows || way.Regrows != nil && way.Regrows.Value >= 0.15
		}
		for _, found := range everyFound(s) {
			v := spread.Judge(found)
			for _, d := range v.Deeds {
				name := s.ID + ": " + string(d.Deed)
				if !d.Goes {
					continue
				}
				if (found.LawForbids || s.Law != "" && !found.LawAsked) && d.Deed != spread.LiftIt {
					t.Fatalf("a list may forbid it: %s: %+v", name, found)
				}
				switch d.Deed {
				case spread.EatIt:
					if dangerous || !eaten || found.Unsafe != "" || !found.Checked && !d.Later {
						t.Fatalf("%s: %+v", name, found)
					}
				case spread.PotUp, spread.MoveIt:
					if dangerous || !found.Checked && !d.Later || found.LawForbids && s.Law != "" {
						t.Fatalf("%s: %+v", name, found)
					}
				case spread.KeepIt, spread.LeaveIt:
					if dangerous || s.Law != "" && (found.LawForbids || !found.LawAsked) {
						t.Fatalf("%s: %+v", name, found)
					}
				case spread.ChopIt:
					if grows || found.Seeding {
						t.Fatalf("%s: its roots grow again, or seed is set: %+v", name, found)
					}
				}
			}
			if (grows || found.Seeding) && v.Waste == spread.Heap {
				t.Fatalf("%s goes onto the heap: %+v", s.ID, found)
			}
			if found.LawForbids && (v.Best != spread.LiftIt || v.Waste != spread.BagIt) {
				t.Fatalf("%s stands on the household's list: %+v", s.ID, v)
			}
			if dangerous && v.Best != spread.LiftIt {
				t.Fatalf("%s is dangerous, and the best is %q", s.ID, v.Best)
			}
		}
	}
}

// A few finds whose verdict a grower knows.
func TestVerdictsThatAGrowerKnows(t *testing.T) {
	lib, err := library.Shipped()
	if err != nil {
		t.Fatal(err)
	}
	for _, c := range []struct {
		id    string
		found spread.Found
		want  spread.Deed
	}{
		{"chickweed", spread.Found{Checked: true, InBed: true}, spread.EatIt},
		{"hedge-bindweed", spread.Found{InBed: true}, spread.LiftIt},
		{"japanese-knotweed", spread.Found{InBed: true}, spread.LiftIt},
		{"sweet-cicely", spread.Found{Checked: true, Wanted: true, InWay: true}, spread.PotUp},
		{"hemlock", spread.Found{}, spread.LiftIt},
	} {
		s, has := lib.Species(c.id)
		if !has {
			t.Fatalf("%s is not in the library", c.id)
		}
		c.found.Species = s
		if got := spread.Judge(c.found).Best; got != c.want {
			t.Errorf("%s: %q, expected %q", c.id, got, c.want)
		}
	}
}
