package garden

import (
	"bytes"
	"errors"
	"fmt"
	"image"
	"image/png"
	"slices"
	"strings"
	"testing"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/garden/area"
	"bramblyacre/garden/gather"
	"bramblyacre/garden/identity"
	"bramblyacre/garden/input"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/now"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// unproven plants sweet cicely that came up by itself, and returns its id.
func (p *fixture) unproven() int64 {
	p.t.Helper()
	_, err := p.AddPlanting(p.t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: "sweet-cicely", Plants: 6, StartedOn: "2028-04-10", Origin: "found"})
	check(p.t, err)
	return p.newest().PlantingID
}

func (p *fixture) checked(id int64) identity.CheckView {
	p.t.Helper()
	v, err := p.Identity.Check(p.t.Context(), id, plot.NoDay, "")
	check(p.t, err)
	noNulls(p.t, "a check", v)
	return v
}

// look notes a look on its day, the plot's clock set to it, at what shows then of the
// characters given.
func (p *fixture) look(id int64, day, by string, answers map[string]string) {
	p.t.Helper()
	p.on(day, func() {
		v, err := p.Identity.Check(p.t.Context(), id, plot.NoDay, by)
		check(p.t, err)
		_, err = p.NoteLook(p.t.Context(), id, identity.LookInput{Day: day, By: by, Answers: onlyShowing(v, answers)})
		check(p.t, err)
	})
}

// findLook notes a look at a find on its day, at what shows then.
func (p *fixture) findLook(id int64, day, by string, answers map[string]string) {
	p.t.Helper()
	p.on(day, func() {
		v, err := p.Identity.CheckFind(p.t.Context(), id, plot.NoDay, by)
		check(p.t, err)
		_, err = p.NoteFindLook(p.t.Context(), id, identity.LookInput{Day: day, By: by, Answers: onlyShowing(v, answers)})
		check(p.t, err)
	})
}

// onlyShowing are the answers about what shows on the day of a check.
func onlyShowing(v identity.CheckView, answers map[string]string) map[string]string {
	showing := map[string]string{}
	for id, answer := range answers {
		if slices.Contains(v.Showing, id) {
			showing[id] = answer
		}
	}
	return showing
}

// on does something on another day of the plot.
func (p *fixture) on(day string, act func()) {
	p.t.Helper()
	at, err := calendar.Parse(day)
	check(p.t, err)
	today := *p.today
	*p.today = at
	act()
	*p.today = today
}

func TestAPlantingIsProvedOverTwoLooksAndThenItsWindowOpens(t *testing.T) {
	p := newPlot(t)
	id := p.unproven()
	v := p.checked(id)
	if v.State != "unproven" || len(v.Questions) == 0 || v.LooksOwed != 2 || v.Dangers[0].Name != "hemlock" || v.Dangers[0].RuledOut {
		t.Fatalf("at first: %s, %d questions, %d looks owed, first against %+v", v.State, len(v.Questions), v.LooksOwed, v.Dangers[0])
	}
	if first := v.Questions[0]; len(first.Against) < 10 || len(first.Shows) == 0 || len(first.Others) == 0 {
		t.Errorf("the first question is %+v", first)
	}
	if !slices.ContainsFunc(v.Questions[:4], func(q view.CheckQuestion) bool { return slices.Contains(q.Against, "hemlock") }) {
		t.Errorf("the first four questions are not against hemlock: %+v", v.Questions[:4])
	}
	for _, later := range v.Later {
		if later.When == "" {
			t.Errorf("%s is owed at no time", later.Name)
		}
	}
	s, err := p.Plot.State(t.Context())
	check(t, err)
	if jobs := p.Identity.Part().Jobs.Of(s, s.ByID[id], s.Today); len(jobs) != 1 || !strings.Contains(jobs[0].View.Amount, "characters to look at, first the") || jobs[0].View.Kind != "check" {
		t.Errorf("the jobs are %+v", jobs)
	}
	_, err = p.Gather.NotePicking(t.Context(), id, gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "3"})
	p.refused(err, "part", "identity is not proved", p.entries())
	everything := allSeen(p.Garden, "sweet-cicely")
	p.look(id, "2030-06-20", "Ida", everything)
	if v = p.checked(id); v.State != "unproven" || v.LooksOwed != 1 || !v.Dangers[0].RuledOut || !strings.Contains(v.Proof, "one more whole look") {
		t.Errorf("after one look: %s, %q", v.State, v.Proof)
	}
	p.look(id, "2030-06-22", "Ida", everything)
	if v = p.checked(id); v.State != "unproven" || v.LooksOwed != 1 {
		t.Errorf("two days after: %s, %q", v.State, v.Proof)
	}
	p.look(id, "2030-06-24", "Ida", everything)
	if v = p.checked(id); v.State != "sure" || len(v.Later) != 0 || !strings.HasPrefix(v.Proof, "Sure") {
		t.Errorf("after two: %s, %q", v.State, v.Proof)
	}
	if _, err := p.Gather.NotePicking(t.Context(), id, gather.PickingInput{Day: "2031-05-27", Part: "leaf", Amount: "3"}); err != nil {
		t.Errorf("nothing may be picked of a sure plant: %v", err)
	}
}

func TestAContradictionReopensAndHoldsBackWhatWasPicked(t *testing.T) {
	p := newPlot(t)
	_, err := p.Gather.NotePicking(t.Context(), p.planting, gather.PickingInput{Day: "2031-05-26", Part: "leaf", Amount: "20"})
	check(t, err)
	baskets := func() []gather.BasketView {
		all, err := p.Gather.Baskets(t.Context())
		check(t, err)
		noNulls(t, "baskets", all)
		return all
	}
	basket := baskets()[0]
	if basket.State != "to sort" || len(basket.Questions) == 0 {
		t.Fatalf("a fresh basket is %s with %d questions", basket.State, len(basket.Questions))
	}
	answers := map[string]string{}
	for _, q := range basket.Questions {
		answers[q.ID] = "seen"
	}
	_, err = p.SortPicking(t.Context(), basket.PickingID, gather.SortingInput{By: "Ida", Answers: answers})
	check(t, err)
	if state := baskets()[0].State; state != "fit for use" {
		t.Fatalf("a sorted basket is %s", state)
	}
	p.look(p.planting, "2031-05-27", "Joss", map[string]string{"leaf-joint": "not seen"})
	against := p.newest()
	if v := p.checked(p.planting); v.State != "excluded" || len(v.Against) != 1 || len(v.HeldBack) != 1 {
		t.Errorf("after a contradiction: %s, held back %v", v.State, v.HeldBack)
	}
	held := baskets()[0]
	if held.State != "held back" || !strings.Contains(held.Why, "contradicted") {
		t.Errorf("its basket is %s: %s", held.State, held.Why)
	}
	var conflict say.ConflictError
	if _, err := p.Gather.Label(t.Context(), held.PickingID, ""); !errors.As(err, &conflict) {
		t.Errorf("a label of what is held back: %v", err)
	}
	if _, err := p.Gather.UseFresh(t.Context(), held.PickingID, gather.FreshUseInput{Preparation: "food"}); !errors.As(err, &conflict) {
		t.Errorf("something made of what is held back: %v", err)
	}
	if _, err := p.SortPicking(t.Context(), held.PickingID, gather.SortingInput{By: "Ida", Answers: answers}); !errors.As(err, &conflict) {
		t.Errorf("what is held back was sorted: %v", err)
	}
	if _, err := p.TakeBack(t.Context(), against.ID); err != nil {
		t.Fatal(err)
	}
	if state := baskets()[0].State; state != "fit for use" {
		t.Errorf("with the misreading taken back the basket is %s", state)
	}
}

func TestAStrangerAtTheTableHoldsBackThatBasketOnly(t *testing.T) {
	p := newPlot(t)
	for _, day := range []string{"2031-05-20", "2031-05-26"} {
		_, err := p.Gather.NotePicking(t.Context(), p.planting, gather.PickingInput{Day: day, Part: "leaf", Amount: "10"})
		check(t, err)
	}
	all, err := p.Gather.Baskets(t.Context())
	check(t, err)
	answers := map[string]string{}
	for i, q := range all[0].Questions {
		answers[q.ID] = map[bool]string{true: "not seen", false: "seen"}[i == 0]
	}
	before := p.entries()
	_, err = p.SortPicking(t.Context(), all[0].PickingID, gather.SortingInput{By: "", Answers: answers})
	p.refused(err, "by", "who sorted", before)
	_, err = p.SortPicking(t.Context(), all[0].PickingID, gather.SortingInput{By: "Ida", Answers: map[string]string{"aura": "seen"}})
	p.refused(err, "answers", "no character on record", before)
	_, err = p.SortPicking(t.Context(), all[0].PickingID, gather.SortingInput{By: "Ida", Answers: map[string]string{all[0].Questions[0].ID: "seen"}, Rejected: "9 t"})
	p.refused(err, "rejected", "not a unit of weight", before)
	_, err = p.SortPicking(t.Context(), all[0].PickingID, gather.SortingInput{By: "Ida", Answers: answers})
	check(t, err)
	all, err = p.Gather.Baskets(t.Context())
	check(t, err)
	if all[0].State != "held back" || all[1].State != "to sort" {
		t.Errorf("the baskets are %s and %s", all[0].State, all[1].State)
	}
}

func TestALookIsRefusedWithItsReason(t *testing.T) {
	p := newPlot(t)
	before := p.entries()
	good := map[string]string{"leaf-joint": "seen"}
	for _, test := range []struct {
		in           identity.LookInput
		field, words string
	}{
		{identity.LookInput{Day: "2031-05-27", By: " ", Answers: good}, "by", "who looked"},
		{identity.LookInput{Day: "2031-05-27", By: "\u200b.", Answers: good}, "by", "who looked"},
		{identity.LookInput{Day: "2031-05-26", By: "Ida", Answers: good}, "day", "noted on its day"},
		{identity.LookInput{Day: "2031-02-26", Kept: true, By: "Ida", Answers: good}, "day", "kept for longer"},
		{identity.LookInput{Day: "2031-05-27", By: "Ida", Answers: map[string]string{"leaf-joint": "seen", "fruit-colour": "cannot tell"}}, "answers", "not on 27 May"},
		{identity.LookInput{Day: "2031-06-27", By: "Ida", Answers: good}, "day", "has not come yet"},
		{identity.LookInput{Day: "2019-06-27", By: "Ida", Answers: good}, "day", "only began"},
		{identity.LookInput{Day: "2031-05-27", By: "Ida"}, "answers", "at least one"},
		{identity.LookInput{Day: "2031-05-27", By: "Ida", Answers: map[string]string{"leaf-joint": "maybe"}}, "answers", "cannot tell"},
		{identity.LookInput{Day: "2031-05-27", By: "Ida", Answers: map[string]string{"aura": "seen"}}, "answers", "no character on record"},
		{identity.LookInput{Day: "2031-05-27", By: "Ida", Answers: good, Photos: []string{"nothing"}}, "photos", "not kept here"},
	} {
		_, err := p.NoteLook(t.Context(), p.planting, test.in)
		p.refused(err, test.field, test.words, before)
	}
}

func TestPhotographsAreKeptOnceWithTheLook(t *testing.T) {
	p := newPlot(t)
	var picture bytes.Buffer
	check(t, png.Encode(&picture, image.NewGray(image.Rect(0, 0, 8, 6))))
	id, err := p.Identity.KeepPhotograph(t.Context(), picture.Bytes())
	check(t, err)
	again, err := p.Identity.KeepPhotograph(t.Context(), picture.Bytes())
	check(t, err)
	if id != again || len(id) != 64 {
		t.Errorf("the same picture is kept as %s and %s", id, again)
	}
	_, err = p.NoteLook(t.Context(), p.planting, identity.LookInput{Day: "2031-05-27", By: "Ida", Answers: map[string]string{"leaf-joint": "seen"}, Photos: []string{id}})
	check(t, err)
	if v := p.checked(p.planting); len(v.Looks) != 2 || len(v.Looks[0].Photos) != 1 {
		t.Errorf("the looks are %+v", v.Looks)
	}
	photo, err := p.Identity.Photograph(t.Context(), id)
	if err != nil || photo.Kind != "image/png" || !bytes.Equal(photo.Bytes, picture.Bytes()) {
		t.Errorf("kept as %s, %d bytes, %v", photo.Kind, len(photo.Bytes), err)
	}
	if _, err := p.Identity.KeepPhotograph(t.Context(), []byte("not a picture")); !errors.As(err, new(say.Faults)) {
		t.Errorf("a text was kept as a picture: %v", err)
	}
	if _, err := p.Identity.Photograph(t.Context(), strings.Repeat("0", 64)); !errors.As(err, new(say.NotFoundError)) {
		t.Errorf("a picture that is not there: %v", err)
	}
}

func TestWhatIsThisNarrowsAndNeverSaysThatItMayBeEaten(t *testing.T) {
	p := newPlot(t)
	v, err := p.Identity.WhatIsThis(t.Context(), map[string]string{}, nil)
	check(t, err)
	if v.Left != v.All || len(v.Next) == 0 || len(v.Dangers) < 20 {
		t.Errorf("at first %d of %d are left, %d dangerous", v.Left, v.All, len(v.Dangers))
	}
	// A true ramsons, answered by what it shows in the order of the best question.
	ramsons, _ := p.Plot.Lib().Species("ramsons")
	seen := map[string]string{}
	skipped := []string{}
	questions := 0
	for len(v.Next) > 0 && v.Harmless > 1 {
		next := v.Next[0].ID
		if states, has := ramsons.Identity.Shows[next]; has {
			seen[next] = states[0]
		} else {
			skipped = append(skipped, next)
		}
		questions++
		v, err = p.Identity.WhatIsThis(t.Context(), seen, skipped)
		check(t, err)
		noNulls(t, "what is this", v)
		if slices.ContainsFunc(v.Next, func(c view.CharacterView) bool { return c.ID == next }) {
			t.Fatalf("%s is asked again", next)
		}
		for _, forbidden := range []string{" eat", "edible", "safe"} {
			if strings.Contains(v.Words, forbidden) {
				t.Errorf("it says %q", v.Words)
			}
		}
	}
	if len(v.Candidates) != 1 || v.Candidates[0].ID != "ramsons" || !strings.HasPrefix(v.Words, "To be checked as ramsons") || questions > 8 {
		t.Errorf("after %d questions: %+v, %q", questions, v.Candidates, v.Words)
	}
	if _, err := p.Identity.WhatIsThis(t.Context(), map[string]string{"aura": "blue", "sap": "golden"}, nil); !errors.As(err, new(say.Faults)) {
		t.Errorf("characters that are not there: %v", err)
	}
}

func TestAFindIsCheckedLikeAPlanting(t *testing.T) {
	p := newPlot(t)
	before := p.entries()
	_, err := p.Identity.AddFind(t.Context(), identity.FindInput{Day: "2031-05-20", Place: "", SpeciesID: "ramsons"})
	p.refused(err, "place", "where it stands", before)
	_, err = p.Identity.AddFind(t.Context(), identity.FindInput{Day: "2031-05-20", Place: "Behind the shed", SpeciesID: "hemlock"})
	p.refused(err, "speciesId", "Choose a plant that is used", before)
	_, err = p.Identity.AddFind(t.Context(), identity.FindInput{Day: "2031-05-20", Place: "Behind the shed", SpeciesID: "ramsons", Seen: map[string]string{"smell": "garlic"}})
	check(t, err)
	finds, err := p.Identity.Finds(t.Context())
	check(t, err)
	id := finds[0].ID
	for _, day := range []string{"2031-05-20", "2031-05-24"} {
		if v, err := p.Identity.CheckFind(t.Context(), id, plot.NoDay, ""); err != nil || v.State != "unproven" || v.FindID != id {
			t.Errorf("before %s: %s, %v", day, v.State, err)
		}
		p.findLook(id, day, "Ida", allSeen(p.Garden, "ramsons"))
	}
	if finds, _ = p.Identity.Finds(t.Context()); finds[0].State != "sure" {
		t.Errorf("after two looks the find is %s", finds[0].State)
	}
	_, err = p.NoteFindLook(t.Context(), id, identity.LookInput{Day: "2031-05-27", By: "Ida", Answers: map[string]string{"smell": "not seen"}})
	check(t, err)
	if finds, _ = p.Identity.Finds(t.Context()); finds[0].State != "excluded" || !strings.Contains(finds[0].Proof, "Not ramsons") {
		t.Errorf("contradicted, the find is %s", finds[0].State)
	}
	_, err = p.Identity.RemoveFind(t.Context(), id)
	check(t, err)
	if finds, _ = p.Identity.Finds(t.Context()); len(finds) != 0 {
		t.Errorf("%d finds are left", len(finds))
	}
	if _, err := p.Identity.CheckFind(t.Context(), id, plot.NoDay, ""); !errors.As(err, new(say.NotFoundError)) {
		t.Errorf("a find that is off the list: %v", err)
	}
}

// A find becomes a planting with its looks: sure if it was proved, owed what it owed if
// A look at a find comes when it was found or later, and neither comes from another age:
// a slip of the year must not count as another day.
func TestAFindIsNotLookedAtBeforeItWasFound(t *testing.T) {
	p := newPlot(t)
	before := p.entries()
	for day, want := range map[string]string{"0001-01-01": "too long ago", "2032-01-01": "not come yet", "2031-02-30": "not a whole day"} {
		_, err := p.Identity.AddFind(t.Context(), identity.FindInput{Day: day, Place: "By the gate", SpeciesID: "yarrow"})
		p.refused(err, "day", want, before)
	}
	_, err := p.Identity.AddFind(t.Context(), identity.FindInput{Day: "2031-05-20", Place: "By the gate", SpeciesID: "yarrow"})
	check(t, err)
	finds, err := p.Identity.Finds(t.Context())
	check(t, err)
	before = p.entries()
	leaf := map[string]string{"smell": "seen", "leaf-build": "seen"}
	for _, kept := range []bool{false, true} {
		for day, want := range map[string]string{"2031-05-19": "only found on 2031-05-20", "1031-05-27": "too long ago"} {
			_, err := p.NoteFindLook(t.Context(), finds[0].ID, identity.LookInput{Day: day, Kept: kept, By: "Ida", Answers: leaf})
			p.refused(err, "day", want, before)
		}
	}
	_, err = p.NoteFindLook(t.Context(), finds[0].ID, identity.LookInput{Day: "2031-05-20", Kept: true, By: "Ida", Answers: leaf})
	check(t, err)
}

// What was seen of a plant under one name proves nothing under another: called another
// plant, it is unproven until it is looked at as that, and called what it was, proved
// again.
func TestAPlantCalledAnotherIsUnprovenAgain(t *testing.T) {
	p := newPlot(t)
	in := input.PlantingInput{BedID: p.bed, SpeciesID: "fennel", Plants: 3, StartedOn: "2029-04-10", Origin: "found"}
	_, err := p.AddPlanting(t.Context(), in)
	check(t, err)
	id := p.newest().PlantingID
	for _, by := range []string{"Ida", "Joss"} {
		p.look(id, "2030-06-20", by, allSeen(p.Garden, "fennel"))
		p.look(id, "2030-08-01", by, allSeen(p.Garden, "fennel"))
		p.look(id, "2030-09-20", by, allSeen(p.Garden, "fennel"))
	}
	state := func() string {
		v, err := p.Place.Planting(t.Context(), id, plot.NoDay)
		check(t, err)
		return v.Identity
	}
	if got := state(); got != "sure" {
		t.Fatalf("seen in all it is %s", got)
	}
	for _, other := range []string{"sweet-cicely", "lovage", "garden-angelica", "ground-elder", "watercress", "yarrow"} {
		in.SpeciesID = other
		_, err = p.ChangePlanting(t.Context(), id, say.AsItStands, in)
		check(t, err)
		if got := state(); got == "sure" {
			t.Errorf("what was proved as fennel is sure as %s", other)
		}
	}
	in.SpeciesID = "fennel"
	_, err = p.ChangePlanting(t.Context(), id, say.AsItStands, in)
	check(t, err)
	if got := state(); got != "sure" {
		t.Errorf("called fennel again it is %s", got)
	}
}

// An own plant that is changed after it was proved keeps only what still holds.
func TestAnOwnPlantChangedAfterTheLooksKeepsWhatHolds(t *testing.T) {
	p := newPlot(t)
	copied, err := p.Plants.CopyOf(t.Context(), "fennel")
	check(t, err)
	_, own, err := p.Plants.PutOwnPlant(t.Context(), say.AsItStands, plants.PlantFileInput{Text: copied.Text})
	check(t, err)
	_, err = p.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: own, Plants: 3, StartedOn: "2029-04-10", Origin: "found"})
	check(t, err)
	id := p.newest().PlantingID
	for _, by := range []string{"Ida", "Joss"} {
		p.look(id, "2030-06-20", by, allSeen(p.Garden, own))
		p.look(id, "2030-08-01", by, allSeen(p.Garden, own))
		p.look(id, "2030-09-20", by, allSeen(p.Garden, own))
	}
	for _, step := range []struct{ smell, want string }{{"aniseed, lemon", "sure"}, {"lemon", "unproven"}, {"aniseed", "sure"}} {
		_, _, err = p.Plants.PutOwnPlant(t.Context(), say.AsItStands, plants.PlantFileInput{Text: strings.Replace(copied.Text, `smell = "aniseed"`, fmt.Sprintf("smell = %q", step.smell), 1)})
		check(t, err)
		v, err := p.Place.Planting(t.Context(), id, plot.NoDay)
		check(t, err)
		if v.Identity != step.want {
			t.Errorf("said to smell of %s it is %s, want %s", step.smell, v.Identity, step.want)
		}
	}
}

// A find stands among the jobs while something that is owed shows, and nowhere once it
// is sure, contradicted or off the list.
func TestTheCheckOfAFindIsAmongTheJobs(t *testing.T) {
	p := newPlot(t)
	job := func(on calendar.Date) (found area.JobView) {
		v, err := p.Now.Now(t.Context(), on)
		check(t, err)
		for _, list := range [][]area.JobView{v.Closing, v.Open, v.Coming} {
			for _, j := range list {
				if j.FindID != 0 {
					found = j
				}
			}
		}
		return found
	}
	if j := job(plot.NoDay); j.FindID != 0 {
		t.Fatalf("without a find: %+v", j)
	}
	_, err := p.Identity.AddFind(t.Context(), identity.FindInput{Day: "2031-05-20", Place: "Behind the shed", SpeciesID: "ramsons"})
	check(t, err)
	j := job(plot.NoDay)
	if j.Kind != "check" || j.What != "the find, as ramsons" || j.Bed != "Behind the shed" || !strings.Contains(j.Amount, "characters to look at, first the") || j.Deadline != "before use" {
		t.Errorf("the job is %+v", j)
	}
	if winter := job(calendar.Must(2031, time.November, 20)); winter.Amount == j.Amount {
		t.Error("as much shows in winter as in May")
	}
	if _, err := p.Now.AnswerJob(t.Context(), j.Key, now.Skip); !errors.As(err, new(say.NotFoundError)) {
		t.Errorf("skipped: %v", err)
	}
	for i, day := range []string{"2031-05-20", "2031-05-27"} {
		p.findLook(j.FindID, day, "Ida", allSeen(p.Garden, "ramsons"))
		if still := job(plot.NoDay).FindID != 0; still && i == 1 {
			t.Error("a sure find is to be checked")
		}
	}
	_, err = p.NoteFindLook(t.Context(), j.FindID, identity.LookInput{Day: "2031-05-27", By: "Ida", Answers: map[string]string{"smell": "not seen"}})
	check(t, err)
	if job(plot.NoDay).FindID != 0 {
		t.Error("a contradicted find is to be checked")
	}
	_, err = p.Identity.AddFind(t.Context(), identity.FindInput{Day: "2031-05-20", Place: "By the gate", SpeciesID: "yarrow"})
	check(t, err)
	gate := job(plot.NoDay)
	if gate.Bed != "By the gate" {
		t.Fatalf("the second find: %+v", gate)
	}
	_, err = p.Identity.RemoveFind(t.Context(), gate.FindID)
	check(t, err)
	if job(plot.NoDay).FindID != 0 {
		t.Error("a find off the list is to be checked")
	}
}

// not. Taken back, it is a find again.
func TestAFindBecomesAPlantingWithItsLooks(t *testing.T) {
	p := newPlot(t)
	_, err := p.Identity.AddFind(t.Context(), identity.FindInput{Day: "2031-05-20", Place: "Behind the shed", SpeciesID: "ramsons"})
	check(t, err)
	finds, err := p.Identity.Finds(t.Context())
	check(t, err)
	id := finds[0].ID
	for _, day := range []string{"2031-05-20", "2031-05-24"} {
		p.findLook(id, day, "Ida", allSeen(p.Garden, "ramsons"))
	}
	before := p.entries()
	_, err = p.Identity.PlantFind(t.Context(), id, identity.FindPlantingInput{BedID: 99, Plants: 4})
	p.refused(err, "bedId", "Choose a bed", before)
	_, err = p.Identity.PlantFind(t.Context(), id, identity.FindPlantingInput{BedID: p.bed})
	p.refused(err, "plants", "how many plants", before)
	entry, err := p.Identity.PlantFind(t.Context(), id, identity.FindPlantingInput{BedID: p.bed, Plants: 4})
	check(t, err)
	v := p.checked(p.newest().PlantingID)
	if v.State != "sure" || len(v.Looks) != 2 || v.SpeciesID != "ramsons" {
		t.Errorf("the planting is %s after %d looks", v.State, len(v.Looks))
	}
	if finds, _ = p.Identity.Finds(t.Context()); len(finds) != 0 {
		t.Errorf("%d finds are left", len(finds))
	}
	if _, err := p.Identity.PlantFind(t.Context(), id, identity.FindPlantingInput{BedID: p.bed, Plants: 4}); !errors.As(err, new(say.NotFoundError)) {
		t.Errorf("it was planted twice: %v", err)
	}
	_, err = p.TakeBack(t.Context(), entry.ID)
	check(t, err)
	if finds, _ = p.Identity.Finds(t.Context()); len(finds) != 1 || finds[0].State != "sure" {
		t.Errorf("taken back, the finds are %+v", finds)
	}
}

func TestADangerousPlantIsNeverOfferedWhateverIsNoted(t *testing.T) {
	p := newPlot(t)
	for _, species := range p.Plot.Lib().AllSpecies() {
		if species.IsUsed() {
			continue
		}
		_, err := sayYes(func(affirmed []string) (journal.Entry, error) {
			return p.Garden.Place.AddPlanting(t.Context(), input.PlantingInput{BedID: p.bed, SpeciesID: species.ID, Plants: 3, StartedOn: "2029-04-10", Origin: "bought", Labelled: true, Source: "Label.", Affirmed: affirmed})
		})
		check(t, err)
		id := p.newest().PlantingID
		p.look(id, "2031-05-20", "Ida", allSeen(p.Garden, species.ID))
		p.look(id, "2031-05-27", "Joss", allSeen(p.Garden, species.ID))
		v, err := p.Place.Planting(t.Context(), id, plot.NoDay)
		check(t, err)
		s, err := p.Plot.State(t.Context())
		check(t, err)
		if len(p.Identity.Part().Jobs.Of(s, s.ByID[id], s.Today)) != 0 {
			t.Errorf("%s is to be checked, and never used", species.ID)
		}
		if v.Identity == "sure" || len(v.Allowance) != 0 || len(v.Windows) != 0 {
			t.Errorf("%s is %s with %d allowances", species.ID, v.Identity, len(v.Allowance))
		}
		if !slices.Contains(flora.DangerWords, species.Identity.Danger) {
			t.Errorf("%s is %q", species.ID, species.Identity.Danger)
		}
	}
}

// A planting that was called sure before there was a check counts as one that came
// labelled: it is held back until one look agrees, and nothing of it is lost.
func TestAPlantingCalledSureBeforeThereWasACheckIsHeldUntilALookAgrees(t *testing.T) {
	today := day
	g, s := emptyGarden(t, &today)
	_, err := g.Place.AddBed(t.Context(), goodBed())
	check(t, err)
	check(t, s.InTransaction(t.Context(), func(q *store.Queries) error {
		_, err := q.PutPlanting(t.Context(), store.PutPlantingParams{BedID: 1, SpeciesID: "garden-sorrel", Plants: 9, CountedOn: "2029-04-10", StartedOn: "2029-04-10", Origin: "seed", Identity: "sure", IdentityNote: "The nursery's label."})
		return err
	}))
	fresh, err := Open(t.Context(), plot.Options{Store: s, Library: g.Plot.Library, PinnedTo: &today, Seasons: fewSeasons})
	check(t, err)
	v, err := fresh.Place.Planting(t.Context(), 1, plot.NoDay)
	check(t, err)
	if v.Identity != "unproven" || !v.Labelled || v.Source != "The nursery's label." || v.Allowance[0].Offered {
		t.Errorf("it is %s, labelled %v by %q", v.Identity, v.Labelled, v.Source)
	}
	asked, err := fresh.Identity.Check(t.Context(), 1, plot.NoDay, "Ida")
	check(t, err)
	_, err = fresh.Identity.NoteLook(t.Context(), 1, asked.Look("2031-05-27", "Ida", onlyShowing(asked, allSeen(fresh, "garden-sorrel"))))
	check(t, err)
	if v, err = fresh.Place.Planting(t.Context(), 1, plot.NoDay); err != nil || v.Identity != "sure" || !v.Allowance[0].Offered {
		t.Errorf("after a look that agrees it is %s, %v: %s", v.Identity, err, v.Proof)
	}
}
