package gather

import (
	"slices"
	"testing"

	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/view"
	"bramblyacre/library"
)

// Of every part that is taken in the library: every dangerous look-alike that is named
// and that the part can still be told from is asked for at the table, by a character
// that decides, and each character once.
func TestEveryPickedPartIsSortedAgainstItsDangers(t *testing.T) {
	shipped, err := library.Shipped()
	if err != nil {
		t.Fatal(err)
	}
	parts, asked := 0, 0
	for _, species := range shipped.AllSpecies() {
		rules := shipped.Rules(species.ID)
		of := &plot.Planting{Species: species, Rules: rules}
		for _, part := range species.Parts {
			if part.Harvest == nil {
				continue
			}
			parts++
			questions := view.TableQuestions(of, part.Name)
			kind, shows := part.Kind, identity.OnTheTable(part.Kind)
			var against []string
			seen := map[string]bool{}
			for _, q := range questions {
				asked++
				if seen[q.Character.ID] || !shows(q.Character) {
					t.Errorf("%s %s: %s is asked twice, or cannot be seen of a %s", species.ID, part.Name, q.Character.ID, kind)
				}
				seen[q.Character.ID] = true
				against = append(against, q.Against...)
			}
			for _, d := range rules.Dangers {
				can := slices.ContainsFunc(d.Deciding, func(id string) bool { c, _ := identity.CharacterOf(id); return shows(c) })
				if d.Listed && can != slices.Contains(against, d.Name) {
					t.Errorf("%s %s: told from %s at the table %v, asked %v", species.ID, part.Name, d.Name, can, against)
				}
			}
			for _, made := range part.Preparations() {
				if made == "food" && !part.Eaten() || !slices.Contains(part.Verdicts, flora.Preparation) && made != "food" && made != "salve" && made != "bath" {
					t.Errorf("%s %s, which is %v, may be made into %s", species.ID, part.Name, part.Verdicts, made)
				}
			}
		}
	}
	if parts < 120 || asked < 90 {
		t.Errorf("%d parts are taken and %d questions asked", parts, asked)
	}
	if view.TableQuestions(&plot.Planting{Species: &flora.Species{}}, "leaf") != nil {
		t.Error("a part that is not there is asked about")
	}
}

// A poisonous part, or one for other uses only, may be made into nothing; one for the
// outside into nothing to swallow.
func TestWhatMayBeMadeFollowsTheVerdict(t *testing.T) {
	for verdict, want := range map[flora.Verdict][]string{
		flora.EatenRaw: {"food"}, flora.EatenCooked: {"food"}, flora.OutsideOnly: {"salve", "bath"}, flora.OtherUse: {}, flora.NotUsed: {}, flora.Poisonous: {},
	} {
		if got := (flora.Part{Verdicts: []flora.Verdict{verdict}}).Preparations(); !slices.Equal(got, want) {
			t.Errorf("of a part that is %s may be made %v, want %v", verdict, got, want)
		}
	}
	all := flora.Part{Verdicts: []flora.Verdict{flora.EatenRaw, flora.Preparation}}.Preparations()
	if !slices.Equal(all, flora.PreparationWords) {
		t.Errorf("of a part for everything may be made %v", all)
	}
}
