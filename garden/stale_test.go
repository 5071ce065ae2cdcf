package garden

import (
	"errors"
	"strings"
	"testing"

	"bramblyacre/core/identity"
	gardenidentity "bramblyacre/garden/identity"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// A look is of what was on the page. Sixty plantings are called something else while a page
// is open: none of the looks that were begun before is taken in, by either looker, and none
// proves anything.
func TestALookAtWhatThePlantingIsNoLongerCalledIsNotTakenIn(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	var used []string
	for _, s := range p.Plot.Lib().AllSpecies() {
		if s.IsUsed() && s.Law == "" {
			used = append(used, s.ID)
		}
	}
	const pairs = 60
	if len(used) < pairs+1 {
		t.Fatalf("only %d plants are used", len(used))
	}
	tried, taken := 0, 0
	for i := range pairs {
		was, becomes := used[i], used[i+1]
		in := input.PlantingInput{BedID: p.bed, SpeciesID: was, Plants: 3, StartedOn: "2029-04-10", Origin: "division", Labelled: true, Source: "A label."}
		add := func() (journal.Entry, error) {
			return sayYes(func(affirmed []string) (journal.Entry, error) {
				in.Affirmed = affirmed
				return p.Garden.Place.AddPlanting(ctx, in)
			})
		}
		if _, err := add(); err != nil {
			in.Origin = "seed"
			_, err = add()
			check(t, err)
		}
		id := p.newest().PlantingID
		var looks []gardenidentity.LookInput
		for _, by := range []string{"Ida", "Joss"} {
			page, err := p.Identity.Check(ctx, id, plot.NoDay, by)
			check(t, err)
			answers := map[string]string{}
			for _, character := range page.Showing {
				answers[character] = string(identity.Seen)
			}
			looks = append(looks, page.Look("2031-05-27", by, answers))
		}
		in.SpeciesID, in.Affirmed = becomes, nil
		_, err := p.ChangePlanting(ctx, id, say.AsItStands, in)
		check(t, err)
		before := p.entries()
		for _, look := range looks {
			tried++
			_, err := p.Garden.Identity.NoteLook(ctx, id, look)
			var stale say.StaleError
			if err == nil {
				taken++
			} else if !errors.As(err, &stale) || len(stale.Why) != 1 || !strings.Contains(stale.Why[0], p.name(becomes)) || !strings.Contains(stale.Why[0], p.name(was)) {
				t.Errorf("%s that was %s: %v", becomes, was, err)
			}
		}
		if p.entries() != before {
			t.Errorf("%s that was %s: something was written", becomes, was)
		}
		if v := p.checked(id); v.State == string(identity.Sure) {
			t.Errorf("%s that was %s is sure", becomes, was)
		}
		_, err = p.Place.RemovePlanting(ctx, id)
		check(t, err)
	}
	if taken > 0 || tried != 2*pairs {
		t.Errorf("%d of %d looks were taken in", taken, tried)
	}
	t.Logf("%d stale looks at %d plantings: %d taken in", tried, pairs, taken)
}

func (p *fixture) name(species string) string {
	s, _ := p.Plot.Lib().Species(species)
	return s.Names.Name
}

// A file of the grower's that says something else of a character than the page did: what
// was answered is not written, and the page is told what changed.
func TestALookAtStatesThatAreNoLongerOnRecordIsNotTakenIn(t *testing.T) {
	p := newPlot(t)
	planting, text := ownSorrel(p)
	page, err := p.Identity.Check(t.Context(), planting, plot.NoDay, "Ida")
	check(t, err)
	look := page.Look("2031-05-27", "Ida", map[string]string{"leaf-shape": "seen", "leaf-joint": "seen"})
	changed := strings.Replace(text, `leaf-joint = "papery-sheath"`, `leaf-joint = "broad-sheath"`, 1)
	if changed == text {
		t.Fatal("the file says nothing of the joint")
	}
	_, _, err = p.Plants.PutOwnPlant(t.Context(), say.AsItStands, plants.PlantFileInput{Text: changed})
	check(t, err)
	before := p.entries()
	var stale say.StaleError
	if _, err := p.Garden.Identity.NoteLook(t.Context(), planting, look); !errors.As(err, &stale) || len(stale.Why) != 1 || !strings.Contains(stale.Why[0], "papery") {
		t.Errorf("it is answered %v", err)
	}
	// Sent without what was on the page it is refused, too.
	look.Shown = nil
	if _, err := p.Garden.Identity.NoteLook(t.Context(), planting, look); !errors.As(err, &stale) || len(stale.Why) != 2 {
		t.Errorf("without what was shown: %v", err)
	}
	if p.entries() != before {
		t.Error("something was written")
	}
	// Of what did not change the page speaks truly.
	look = page.Look("2031-05-27", "Ida", map[string]string{"leaf-shape": "seen"})
	_, err = p.Garden.Identity.NoteLook(t.Context(), planting, look)
	check(t, err)
}

// An id is never given out again: the ledger of one planting is never another's, and what
// was taken back can be put back.
func TestAnIDIsNeverGivenOutAgain(t *testing.T) {
	p := newPlot(t)
	ctx := t.Context()
	in := p.goodPlanting()
	_, err := p.Garden.Place.AddPlanting(ctx, in)
	check(t, err)
	first := p.newest()
	_, err = p.TakeBack(ctx, first.ID)
	check(t, err)
	takenBack := p.newest().ID
	in.SpeciesID = "foxglove"
	_, err = sayYes(func(affirmed []string) (journal.Entry, error) {
		in.Affirmed = affirmed
		return p.Garden.Place.AddPlanting(ctx, in)
	})
	check(t, err)
	second := p.newest()
	if second.PlantingID == first.PlantingID {
		t.Fatalf("both are planting %d", first.PlantingID)
	}
	history, err := p.Ledger(ctx, journal.LedgerFilter{PlantingID: second.PlantingID, Most: 50})
	check(t, err)
	if len(history.Lines) != 1 {
		t.Errorf("its history holds %d entries", len(history.Lines))
	}
	_, err = p.TakeBack(ctx, takenBack)
	check(t, err)
	if v, err := p.Place.Planting(ctx, first.PlantingID, plot.NoDay); err != nil || v.SpeciesID != "garden-sorrel" {
		t.Errorf("put back it is %s, %v", v.SpeciesID, err)
	}
}
