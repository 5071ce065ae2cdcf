package garden

import (
	"errors"
	"slices"
	"strings"
	"testing"

	"bramblyacre/core/flora"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/household"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

func (p *fixture) person(name, born string, circumstances ...string) int64 {
	p.t.Helper()
	_, err := p.Household.PutPerson(p.t.Context(), 0, say.AsItStands, household.PersonInput{Name: name, Born: born, Circumstances: circumstances})
	check(p.t, err)
	v, err := p.Household.Household(p.t.Context())
	check(p.t, err)
	return v.People[len(v.People)-1].ID
}

// For every circumstance that can be ticked, a plant of the library has a caution, and
// it names the person who has it: at the picking, on the plant's page and in what is
// said of the part.
func TestCautionsNameWhomTheyAreForInEveryCircumstance(t *testing.T) {
	p := newPlot(t)
	v, err := p.Household.Household(t.Context())
	check(t, err)
	for _, c := range v.Circumstances {
		id := p.person("Robin", "", c.ID)
		s, err := p.Plot.State(t.Context())
		check(t, err)
		named := 0
		for _, species := range s.Lib.AllSpecies() {
			for _, caution := range species.Cautions {
				if !slices.Contains(caution.For(), c.ID) {
					continue
				}
				part := species.Parts[0].Name
				if len(caution.Parts) > 0 {
					part = caution.Parts[0]
				}
				cautions := view.CautionsOf(s, species, part, "")
				if !slices.ContainsFunc(cautions.List, func(v view.CautionView) bool { return v.Text == caution.Text && slices.Contains(v.Names, "Robin") }) {
					t.Errorf("%s, %s: the caution %q does not name Robin", species.ID, c.ID, caution.Text)
				}
				if len(cautions.List[0].Names) == 0 || !strings.Contains(cautions.Here, "Robin") {
					t.Errorf("%s: what is for Robin does not come first", species.ID)
				}
				named++
			}
		}
		if named == 0 {
			t.Errorf("no plant has a caution for %q", c.ID)
		}
		_, err = p.Household.RemovePerson(t.Context(), id)
		check(t, err)
	}
}

func TestAChildIsKnownByAgeAndGrowsOutOfIt(t *testing.T) {
	p := newPlot(t)
	p.person("Pim", "2027-05-28") // three, and four tomorrow
	s, err := p.Plot.State(t.Context())
	check(t, err)
	if age, told := s.AgeOf(s.People[0]); age != 3 || !told {
		t.Errorf("the age is %d, %v", age, told)
	}
	v, err := p.Place.Planting(t.Context(), p.planting, plot.NoDay)
	check(t, err)
	if words := strings.Join(v.Allowance[0].Cautions, "\n"); !strings.HasPrefix(words, "Pim (small child): ") {
		t.Errorf("at the picking: %q", words)
	}
	p.person("Bryn", "2001-01-01")
	s, err = p.Plot.State(t.Context())
	check(t, err)
	if all := s.CircumstancesOf(s.People[1]); len(all) != 0 {
		t.Errorf("a grown person has %v", all)
	}
}

func TestAPreparationBringsItsOwnRouteAndTheLabelItsPeople(t *testing.T) {
	p := newPlot(t)
	p.person("Ida", "1984-02-11", "kidney trouble")
	_, err := p.Gather.NotePicking(t.Context(), p.planting, gather.PickingInput{Day: "2031-05-26", Part: "leaf", Amount: "20"})
	check(t, err)
	all, err := p.Gather.Baskets(t.Context())
	check(t, err)
	if !strings.Contains(all[0].Cautions.Here, "Ida") || !strings.Contains(all[0].Cautions.Ask, "doctor or pharmacist") {
		t.Errorf("the basket says %+v", all[0].Cautions)
	}
	answers := map[string]string{}
	for _, q := range all[0].Questions {
		answers[q.ID] = "seen"
	}
	_, err = p.SortPicking(t.Context(), all[0].PickingID, gather.SortingInput{By: "Ida", Answers: answers})
	check(t, err)
	before := p.entries()
	_, err = p.Gather.UseFresh(t.Context(), all[0].PickingID, gather.FreshUseInput{Preparation: "tincture"})
	p.refused(err, "preparation", "choose from food", before)
	_, err = p.Gather.UseFresh(t.Context(), all[0].PickingID, gather.FreshUseInput{Preparation: "food"})
	check(t, err)
	label, err := p.Gather.Label(t.Context(), all[0].PickingID, "food")
	check(t, err)
	if label.Title != "Garden sorrel" || label.Made != "food" || !strings.HasPrefix(label.Cautions[0], "Ida (kidney trouble)") || label.Ask == "" {
		t.Errorf("the label is %+v", label)
	}
	comfrey, _ := p.Plot.Lib().Species("comfrey")
	s, err := p.Plot.State(t.Context())
	check(t, err)
	for _, c := range view.CautionsOf(s, comfrey, "leaf", "salve").List {
		if c.Route == "by mouth" {
			t.Errorf("a salve warns of swallowing: %s", c.Text)
		}
	}
	if may := comfrey.Parts[0].Preparations(); slices.Contains(may, "tea") || !slices.Contains(may, "salve") {
		t.Errorf("of comfrey leaf may be made %v", may)
	}
	if v := view.CautionsOf(s, &flora.Species{}, "leaf", ""); !strings.HasPrefix(v.None, "No caution on record here") {
		t.Errorf("without a caution it says %q", v.None)
	}
}

func TestPeopleAreRefusedWithTheReason(t *testing.T) {
	p := newPlot(t)
	p.person("Ida", "")
	before := p.entries()
	for _, test := range []struct {
		in           household.PersonInput
		field, words string
	}{
		{household.PersonInput{Name: " "}, "name", "Write a name"},
		{household.PersonInput{Name: "ida"}, "name", "in the household already"},
		{household.PersonInput{Name: "Joss", Born: "soon"}, "born", ""},
		{household.PersonInput{Name: "Joss", Born: "2040-01-01"}, "born", "has not come yet"},
		{household.PersonInput{Name: "Joss", Born: "1700-01-01"}, "born", "too long ago"},
		{household.PersonInput{Name: "Joss", Circumstances: []string{"melancholy"}}, "circumstances", "not one of"},
		{household.PersonInput{Name: "Joss", Circumstances: []string{"small child"}}, "circumstances", "not one of"},
	} {
		_, err := p.Household.PutPerson(t.Context(), 0, say.AsItStands, test.in)
		p.refused(err, test.field, test.words, before)
	}
	if _, err := p.Household.PutPerson(t.Context(), 99, say.AsItStands, household.PersonInput{Name: "Joss"}); !errors.As(err, new(say.NotFoundError)) {
		t.Errorf("someone who is not there was changed: %v", err)
	}
}

func TestCustomsAreTheGrowersOwnAndOffUntilSwitchedOn(t *testing.T) {
	p := newPlot(t)
	custom := plants.PlantNoteInput{Kind: "custom", Author: "Ida's aunt", Text: "Ask leave before lifting."}
	before := p.entries()
	_, err := p.Plants.AddPlantNote(t.Context(), "valerian", custom)
	p.refused(err, "kind", "switched off", before)
	_, err = p.Place.SetCustoms(t.Context(), true)
	check(t, err)
	before = p.entries()
	_, err = p.Plants.AddPlantNote(t.Context(), "valerian", plants.PlantNoteInput{Kind: "custom", Text: "Under the moon."})
	p.refused(err, "author", "whose custom", before)
	for _, author := range []string{"Ida's aunt", "the miller"} {
		custom.Author = author
		_, err = p.Plants.AddPlantNote(t.Context(), "valerian", custom)
		check(t, err)
	}
	_, err = p.Plants.AddPlantNote(t.Context(), "valerian", plants.PlantNoteInput{Kind: "law", Text: "Not listed here in 2031."})
	check(t, err)
	v, err := p.Plants.Plant(t.Context(), "valerian", plot.NoDay)
	check(t, err)
	if len(v.Notes) != 3 || v.Notes[0].Author == v.Notes[1].Author {
		t.Errorf("the notes are %+v", v.Notes)
	}
	_, err = p.Plants.AddPlantNote(t.Context(), "garden-sorrel", custom)
	check(t, err)
	steps := func() []string {
		v, err := p.Place.Planting(t.Context(), p.planting, plot.NoDay)
		check(t, err)
		return v.Allowance[0].Customs
	}
	if at := steps(); len(at) != 1 || at[0] != "the miller: Ask leave before lifting." {
		t.Errorf("at the picking stand %v", at)
	}
	_, err = p.Place.SetCustoms(t.Context(), false)
	check(t, err)
	if at := steps(); len(at) != 0 {
		t.Errorf("switched off, at the picking stand %v", at)
	}
	if v, err = p.Plants.Plant(t.Context(), "valerian", plot.NoDay); err != nil || len(v.Notes) != 1 || v.Notes[0].Kind != "law" {
		t.Errorf("switched off: %+v, %v", v.Notes, err)
	}
	_, err = p.Plants.RemovePlantNote(t.Context(), v.Notes[0].ID)
	check(t, err)
	if _, err := p.Plants.RemovePlantNote(t.Context(), v.Notes[0].ID); !errors.As(err, new(say.NotFoundError)) {
		t.Errorf("a note was taken off twice: %v", err)
	}
}
