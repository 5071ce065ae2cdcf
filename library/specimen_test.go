package library

import (
	"fmt"
	"iter"
	"maps"
	"math/rand/v2"
	"slices"
	"testing"
	"time"

	"gonum.org/v1/gonum/stat/combin"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/identity"
)

// perDanger is how many specimens of each dangerous plant are made.
const perDanger = 3_000

func usedAndDangerous(t testing.TB) (l *Library, used, dangerous []*flora.Species) {
	t.Helper()
	l, err := Shipped()
	if err != nil {
		t.Fatal(err)
	}
	for _, s := range l.AllSpecies() {
		if s.IsUsed() {
			used = append(used, s)
		}
		if flora.IsDangerous(s.Identity.Danger) {
			dangerous = append(dangerous, s)
		}
	}
	return l, used, dangerous
}

// asked are the characters that an observer answers who follows the check: those that
// are needed when everything shows.
func asked(rules *identity.Rules) []string {
	var ids []string
	for _, q := range rules.Questions(rules.Judge(nil, false), nil, func(identity.Character) bool { return true }) {
		if q.Needed {
			ids = append(ids, q.Character.ID)
		}
	}
	return ids
}

var visitDay = calendar.Must(2031, time.June, 1)

// judgeTwice judges a plant that two people look at and read alike, misreadings too.
func judgeTwice(rules *identity.Rules, answers map[string]identity.Answer) identity.State {
	return rules.Judge([]identity.Look{{Day: visitDay, By: "Ida", Answers: answers}, {Day: visitDay, By: "Joss", Answers: answers}}, false).State
}

// A specimen of a dangerous plant, with up to three of the asked characters misread as
// what the plant looked for shows, is never sure: not one of thousands of each dangerous
// plant, each checked as another useful one. Where a character is not on record for the
// dangerous plant, it is taken to look like the useful one.
func TestNoDangerousSpecimenIsEverSure(t *testing.T) {
	t.Parallel()
	l, used, dangerous := usedAndDangerous(t)
	rng := rand.New(rand.NewPCG(14, 2031))
	specimens, excluded := 0, 0
	askedOf := map[string][]string{}
	for _, species := range used {
		askedOf[species.ID] = asked(l.Rules(species.ID))
	}
	for _, danger := range dangerous {
		for n := range perDanger {
			species := used[(n+rng.IntN(len(used)))%len(used)]
			if species.ID == danger.ID {
				continue
			}
			rules, ids := l.Rules(species.ID), askedOf[species.ID]
			answers := identity.NewSpecimen(danger.Identity.Shows, rng).Answers(species, ids)
			for id, answer := range answers {
				if answer == identity.CannotTell {
					answers[id] = identity.Seen
				}
			}
			misread(answers, n%4, rng)
			specimens++
			switch judgeTwice(rules, answers) {
			case identity.Sure:
				t.Fatalf("a specimen of %s was sure as %s: %v", danger.ID, species.ID, answers)
			case identity.Excluded:
				excluded++
			}
		}
	}
	t.Logf("%d specimens of %d dangerous plants, up to three characters misread: none sure, %d excluded outright", specimens, len(dangerous), excluded)
	if specimens < perDanger*(len(dangerous)-1) {
		t.Errorf("only %d specimens were made", specimens)
	}
}

// dangerOf is one dangerous plant that another must not be taken for, with what it shows.
type dangerOf struct {
	name  string
	shows flora.Shows
}

// dangersOf are all dangerous plants on record for a useful one: those with pages, and those
// that it alone describes.
func dangersOf(species *flora.Species, dangerous []*flora.Species) (all []dangerOf) {
	for _, danger := range dangerous {
		if danger.ID != species.ID {
			all = append(all, dangerOf{danger.ID, danger.Identity.Shows})
		}
	}
	for _, l := range species.LookAlikes {
		if l.ID == "" && flora.IsDangerous(l.Danger) {
			all = append(all, dangerOf{l.Name, l.Shows})
		}
	}
	return all
}

// mostMisread is how many characters are misread at the most. mostOfEach is how many choices of
// as many are tried for each pair, by how many are misread; where there are fewer, all are.
const mostMisread = 3

var mostOfEach = [mostMisread + 1]int{1, 10, 10, 24}

// Every pair of a dangerous plant and a useful one, with a label and without, two people who
// misread alike: whatever up to three characters are misread, with all that both show read
// rightly and everything else that was asked answered "cannot tell", or not at all, it is
// never sure.
func TestNoThreeMisreadingsMakeADangerousPlantSure(t *testing.T) {
	t.Parallel()
	l, used, dangerous := usedAndDangerous(t)
	rng := rand.New(rand.NewPCG(12, 3))
	cases, pairs := map[int]int{}, 0
	for _, species := range used {
		rules := l.Rules(species.ID)
		for _, danger := range dangersOf(species, dangerous) {
			pairs++
			shared, apart := answersOf(species.Identity.Shows, danger.shows)
			for misread := range mostMisread + 1 {
				for chosen := range choices(len(apart), misread, mostOfEach[misread], rng) {
					for _, rest := range []identity.Answer{identity.CannotTell, ""} {
						answers := maps.Clone(shared)
						if rest != "" {
							for _, id := range apart {
								answers[id] = rest
							}
						}
						for _, i := range chosen {
							answers[apart[i]] = identity.Seen
						}
						looks := []identity.Look{{Day: visitDay, By: "Ida", Answers: answers}, {Day: visitDay.AddDays(9), By: "Joss", Answers: answers}}
						for _, labelled := range []bool{false, true} {
							cases[misread]++
							if f := rules.Judge(looks, labelled); f.State == identity.Sure {
								t.Fatalf("%s is sure as %s, labelled %v, misread %v", danger.name, species.ID, labelled, answers)
							}
						}
					}
				}
			}
		}
	}
	t.Logf("%d pairs of %d useful plants; cases by characters misread %v: none sure", pairs, len(used), cases)
	if pairs < len(used)*(len(dangerous)-2) || cases[mostMisread] < 40*pairs {
		t.Errorf("only %d pairs and %v cases were tried", pairs, cases)
	}
}

// choices are k of n, each once where there are no more than most, else as many at random.
func choices(n, k, most int, rng *rand.Rand) iter.Seq[[]int] {
	return func(yield func([]int) bool) {
		if combin.Binomial(n, min(k, n)) <= most {
			for _, chosen := range combin.Combinations(n, min(k, n)) {
				if !yield(chosen) {
					return
				}
			}
			return
		}
		for range most {
			if !yield(rng.Perm(n)[:k]) {
				return
			}
		}
	}
}

// answersOf are what a specimen of another plant shows of a species: what agrees, and the
// characters that tell them apart. One that is not on record for the other agrees.
func answersOf(species, other flora.Shows) (agrees map[string]identity.Answer, apart []string) {
	agrees = map[string]identity.Answer{}
	apart = identity.Apart(species, other)
	for id := range species {
		if !slices.Contains(apart, id) {
			agrees[id] = identity.Seen
		}
	}
	return agrees, apart
}

// A plant of the grower's own is held to no less: with any useful plant's description and
// the fewest musts that are taken, no dangerous plant is sure by a label and up to three
// characters misread. Musts that tell nothing are refused.
func TestAnOwnPlantOpensNoGate(t *testing.T) {
	l, used, dangerous := usedAndDangerous(t)
	taken, refused := 0, 0
	for _, species := range used {
		for size := 1; size <= 3; size++ {
			own := *species
			own.ID = "gate-plant"
			own.LookAlikes = []flora.LookAlike{{Name: "a nuisance", Botanical: "Nullus nullus", Danger: "harmless", Decides: "Nothing.", When: calendar.AllYear}}
			musts := species.Identity.Shows.Characters()
			for from := 0; from+size <= len(musts); from += size {
				own.Identity.Musts = musts[from : from+size]
				if err := l.tells(&own); err != nil {
					refused++
					continue
				}
				taken++
				rules := identity.NewRules(&own, l.ordered, true)
				for _, danger := range dangerous {
					if flora.SamePlant(&own, danger) {
						continue
					}
					agrees, apart := answersOf(own.Identity.Shows, danger.Identity.Shows)
					for i := 0; i+2 < len(apart); i += 3 {
						answers := maps.Clone(agrees)
						for _, id := range apart[i : i+3] {
							answers[id] = identity.Seen
						}
						if f := rules.Judge([]identity.Look{{Day: visitDay, By: "Ida", Answers: answers}}, true); f.State == identity.Sure {
							t.Fatalf("%s is sure as a copy of %s with the musts %v", danger.ID, species.ID, own.Identity.Musts)
						}
					}
				}
			}
		}
	}
	t.Logf("%d own plants taken, %d refused for musts that tell too little", taken, refused)
	if taken == 0 || refused == 0 {
		t.Error("one of the two never happened")
	}
}

// A false label does not help a look-alike either: with one, and up to three characters
// misread, no specimen of a dangerous look-alike that the useful plant names is sure.
func TestNoDangerousLookAlikeIsSureByALabel(t *testing.T) {
	t.Parallel()
	l, used, _ := usedAndDangerous(t)
	rng := rand.New(rand.NewPCG(21, 5))
	const each = 600
	pairs := 0
	for _, species := range used {
		rules := l.Rules(species.ID)
		ids := asked(rules)
		for _, lookAlike := range species.LookAlikes {
			if !flora.IsDangerous(lookAlike.Danger) {
				continue
			}
			shows := lookAlike.Shows
			if other, has := l.Species(lookAlike.ID); has {
				shows = other.Identity.Shows
			}
			pairs++
			for n := range each {
				answers := identity.NewSpecimen(shows, rng).Answers(species, ids)
				for id, answer := range answers {
					if answer == identity.CannotTell {
						answers[id] = identity.Seen
					}
				}
				misread(answers, n%4, rng)
				if f := rules.Judge([]identity.Look{{Day: visitDay, By: "Ida", Answers: answers}}, true); f.State == identity.Sure {
					t.Fatalf("a specimen of %s was sure as %s by its label: %v", lookAlike.Name, species.ID, answers)
				}
			}
		}
	}
	if pairs < 70 {
		t.Errorf("only %d pairs were tried", pairs)
	}
}

// misread turns up to n answers that speak against the plant into ones that speak for
// it: the worst that misreading can do.
func misread(answers map[string]identity.Answer, n int, rng *rand.Rand) {
	var against []string
	for _, c := range identity.Vocabulary() {
		if answers[c.ID] == identity.NotSeen {
			against = append(against, c.ID)
		}
	}
	rng.Shuffle(len(against), func(i, j int) { against[i], against[j] = against[j], against[i] })
	for _, id := range against[:min(n, len(against))] {
		answers[id] = identity.Seen
	}
}

// The price of that strictness: a true plant is sure if nothing is misread, and with
// one or two characters misread it is sure only where they were not asked for.
func TestATruePlantIsSureUnlessItIsMisread(t *testing.T) {
	l, used, _ := usedAndDangerous(t)
	rng := rand.New(rand.NewPCG(3, 9))
	const each = 300
	for wrong := range 3 {
		sure, all, questions := 0, 0, 0
		for _, species := range used {
			rules := l.Rules(species.ID)
			ids := asked(rules)
			questions += len(ids)
			for range each {
				plant := identity.NewSpecimen(species.Identity.Shows, rng)
				for range wrong {
					character := identity.Vocabulary()[rng.IntN(len(identity.Vocabulary()))]
					plant[character.ID] = character.States[rng.IntN(len(character.States))].ID
				}
				all++
				if judgeTwice(rules, plant.Answers(species, ids)) == identity.Sure {
					sure++
				}
			}
		}
		share := float64(sure) / float64(all)
		t.Logf("%d of all characters misread: %.1f %% of true plants are sure; %.1f questions each", wrong, 100*share, float64(questions)/float64(len(used)))
		if wrong == 0 && share < 1 {
			t.Errorf("a true plant, rightly read, is sure in %.3f", share)
		}
		if wrong > 0 && (share >= 1 || share < 0.4) {
			t.Errorf("with %d misread, %.3f are sure", wrong, share)
		}
	}
}

// BenchmarkNextBestQuestion finds it among the library's species, and among as many as
// ten thousand, those of the library over and over.
func BenchmarkNextBestQuestion(b *testing.B) {
	l, _, _ := usedAndDangerous(b)
	for _, n := range []int{len(l.AllSpecies()), 10_000} {
		var all []*flora.Species
		for i := range n {
			all = append(all, l.AllSpecies()[i%len(l.AllSpecies())])
		}
		catalogue := identity.NewCatalogue(all)
		b.Run(fmt.Sprint(n, " species"), func(b *testing.B) {
			for b.Loop() {
				found := catalogue.Find(map[string]string{"flower-parts": "five"})
				catalogue.Next(found, map[string]bool{"flower-parts": true}, func(identity.Character) bool { return true })
			}
		})
	}
}

func BenchmarkJudge(b *testing.B) {
	l, _, _ := usedAndDangerous(b)
	rules := l.Rules("sweet-cicely")
	answers := map[string]identity.Answer{}
	for _, id := range asked(rules) {
		answers[id] = identity.Seen
	}
	for b.Loop() {
		judgeTwice(rules, answers)
	}
}
