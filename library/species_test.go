package library

import (
	"slices"
	"strings"
	"testing"

	"bramblyacre/core/calendar"
	"bramblyacre/core/climate"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/core/phenology"
)

func allSpecies(t testing.TB) (*Library, []*flora.Species) {
	t.Helper()
	l, err := Shipped()
	if err != nil {
		t.Fatal(err)
	}
	return l, l.AllSpecies()
}

// A plant that is looked at once in every stage of its life, for what shows then and
// nothing else, is sure at its end: no plant that is used is kept unproven for ever. One
// that came labelled is sure no later.
func TestEveryUsedPlantCanBeProvedInTheCourseOfItsLife(t *testing.T) {
	l, all := allSpecies(t)
	for _, s := range all {
		if !s.IsUsed() {
			continue
		}
		rules := l.Rules(s.ID)
		var looks []identity.Look
		free, labelled := 0, 0 // after how many looks it is sure
		for _, year := range s.Growth.Years {
			for i, rule := range year.Stages {
				answers := map[string]identity.Answer{}
				for _, id := range s.Identity.Shows.Characters() {
					if character, _ := identity.CharacterOf(id); identity.SightOf(s, rule.Stage).Shows(character) {
						answers[id] = identity.Seen
					}
				}
				looks = append(looks, identity.Look{Day: visitDay.AddDays(365*year.From + 20*i), By: "Ida", Answers: answers})
				if free == 0 && rules.Judge(looks, false).State == identity.Sure {
					free = len(looks)
				}
				if labelled == 0 && rules.Judge(looks, true).State == identity.Sure {
					labelled = len(looks)
				}
			}
		}
		if f := rules.Judge(looks, false); free == 0 {
			t.Errorf("%s stays %s after %d looks: owed %v, %d dangers, %d looks", s.ID, f.State, len(looks), f.MustsOwed, len(f.DangersOwed), f.LooksOwed)
		}
		if labelled == 0 || labelled > free {
			t.Errorf("%s is sure after %d looks, and with a label after %d", s.ID, free, labelled)
		}
	}
}

// Where a plant is told by a course, it comes into its stages at that station within a
// fortnight of the day that the course gives, in the mean of many seasons: in all of
// the climates, and in both hemispheres.
func TestEveryCourseComesBackAtItsStation(t *testing.T) {
	l, all := allSpecies(t)
	ensembles := map[string]*climate.Ensemble{}
	south, checked := 0, 0
	for _, s := range all {
		station, has := l.Climate(s.Growth.At)
		if !has {
			continue
		}
		season := calendar.SeasonOf(station.Latitude, calendar.Must(2031, 6, 30))
		if station.Latitude < 0 {
			south++
		}
		weather := ensembles[station.ID]
		if weather == nil {
			g, err := climate.NewGenerator(station)
			if err != nil {
				t.Fatal(err)
			}
			if weather, err = climate.NewEnsemble(g, season, season.Start, nil, 40, 7); err != nil {
				t.Fatal(err)
			}
			ensembles[station.ID] = weather
		}
		daylight, err := phenology.NewDaylight(station.Latitude, season)
		if err != nil {
			t.Fatal(err)
		}
		for _, year := range s.Growth.Years {
			started := season.Start.AddDays(-1)
			if year.IsSown {
				started = season.Start.AddDays(year.SownAfter)
			}
			of := year.From // a plant that is too young to flower does not run through the whole course
			if first := s.Flowering.FirstYear; first != nil && of > 1 {
				of = max(of, int(first.Value))
			}
			plan, err := phenology.NewPlan(s, of, daylight, started)
			if err != nil {
				t.Errorf("%s: %v", s.ID, err)
				continue
			}
			forecast := plan.Forecast(weather, phenology.PriorPace(), nil)
			for i, entry := range strings.Split(year.Course, ", ") {
				want, err := phenology.CourseDay(entry, season)
				if err != nil {
					t.Errorf("%s: %v", s.ID, err)
					continue
				}
				checked++
				off := forecast.Dates(i + 1).P50.DaysSince(want)
				if off > 14 || off < -14 {
					t.Errorf("%s, from year %d at %s: %s comes %d days late", s.ID, year.From, station.ID, entry, off)
				}
			}
		}
	}
	if south < 4 || checked < 1000 || len(ensembles) < 7 {
		t.Errorf("%d stages at %d stations, %d plants of the south", checked, len(ensembles), south)
	}
}

// What the rules of the trade ask of every plant, whoever wrote it down.
func TestEveryPlantHoldsToTheRulesOfTheTrade(t *testing.T) {
	_, all := allSpecies(t)
	words := map[string]string{}
	for _, s := range all {
		for i, part := range s.Parts {
			for _, other := range s.Parts[:i] {
				if other.Name == part.Name {
					t.Errorf("%s has two parts called %s", s.ID, part.Name)
				}
			}
			if part.Harvest == nil {
				continue
			}
			// What runs comes again from every bit that is left.
			if part.Harvest.TakesPlant && s.Life.Form == flora.Perennial && s.Site.Spread != "runs" && part.Harvest.CutShare.Value > 0.34 {
				t.Errorf("%s %s: %v of the stand is lifted", s.ID, part.Name, part.Harvest.CutShare.Value)
			}
			dug := part.Kind == "root" || part.Kind == "rhizome" || part.Kind == "bulb"
			if dug && s.Life.Form == flora.Perennial && part.Harvest.MinYear.Value < 1 {
				t.Errorf("%s %s is lifted in year %v", s.ID, part.Name, part.Harvest.MinYear.Value)
			}
			if part.Kind == "bark" && part.Harvest.Floor.Value < 0.7 {
				t.Errorf("%s: of the bark only %v is left", s.ID, part.Harvest.Floor.Value)
			}
		}
		for _, caution := range s.Cautions {
			for _, number := range []string{" mg", " ml", " drops", " grams a day", " cups", "per day"} {
				if strings.Contains(caution.Text, number) {
					t.Errorf("%s: a caution gives an amount: %q", s.ID, caution.Text)
				}
			}
			for _, promise := range []string{"is safe", "cures", "heals"} {
				if strings.Contains(strings.ToLower(caution.Text), promise) {
					t.Errorf("%s: a caution promises: %q", s.ID, caution.Text)
				}
			}
		}
		for _, l := range s.LookAlikes {
			if l.ID == s.ID {
				t.Errorf("%s is its own look-alike", s.ID)
			}
		}
		if name, twice := words[s.Names.Botanical]; twice {
			t.Errorf("%s and %s are one plant", name, s.ID)
		}
		words[s.Names.Botanical] = s.ID
		if s.IsUsed() && s.Identity.Danger == "poisonous" && !slices.ContainsFunc(s.Cautions, func(c flora.Caution) bool { return c.Route == "by mouth" && c.Who == flora.Everyone }) {
			t.Errorf("%s is poisonous by mouth and warns nobody", s.ID)
		}
	}
}

// Every plant that is eaten says something to those who are pregnant or to everyone, or
// it was left out by mistake; dangerous plants warn everyone by mouth.
func TestNobodyIsLeftUnwarned(t *testing.T) {
	_, all := allSpecies(t)
	for _, s := range all {
		warns := func(who ...string) bool {
			return slices.ContainsFunc(s.Cautions, func(c flora.Caution) bool {
				return slices.ContainsFunc(c.For(), func(one string) bool { return slices.Contains(who, one) })
			})
		}
		eaten := slices.ContainsFunc(s.Parts, flora.Part.Eaten)
		if eaten && !warns("pregnant", flora.Everyone, "other allergy") {
			t.Errorf("%s is taken by mouth, and no caution is for the pregnant or for everyone", s.ID)
		}
		if flora.IsDangerous(s.Identity.Danger) && !warns(flora.Everyone) {
			t.Errorf("%s is %s and does not warn everyone", s.ID, s.Identity.Danger)
		}
		if s.Names.Family == "Asteraceae" && eaten && !warns("daisy-family allergy") {
			t.Errorf("%s is of the daisy family and does not say so to the allergic", s.ID)
		}
		if s.Names.Family == "Apiaceae" && eaten && !warns("celery allergy") {
			t.Errorf("%s is kin of celery and does not say so to the allergic", s.ID)
		}
	}
}

// What is usual is told for every kind of part, in its own units, and leaves enough.
func TestTheUsualFiguresAreWhole(t *testing.T) {
	l, _ := allSpecies(t)
	for _, kind := range flora.PartKinds {
		u, has := l.usual.Kinds[kind]
		if !has {
			t.Errorf("nothing is usual for a %s", kind)
			continue
		}
		if u.Verb == "" || u.One == "" || u.Many == "" || u.Way == "" || u.FloorFor == "" || u.Water.Unit != "share" || u.MinYear.Unit != "year of life" || u.MinutesEach.Unit != "min" {
			t.Errorf("%s: %+v", kind, u)
		}
		if u.CutShare.Value+u.Floor.Value > 1 || u.CutShare.Standing != flora.Usual {
			t.Errorf("of a %s usually %v is taken and %v left", kind, u.CutShare.Value, u.Floor.Value)
		}
	}
	if len(l.usual.Kinds) != len(flora.PartKinds) {
		t.Errorf("%d kinds have usual figures, %d are known", len(l.usual.Kinds), len(flora.PartKinds))
	}
}
