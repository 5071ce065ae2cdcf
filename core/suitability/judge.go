package suitability

import (
	"cmp"
	"math"
	"slices"

	"bramblyacre/core/flora"
	"bramblyacre/core/ground"
)

// Need is one thing that a plant needs of its place.
type Need string

// The needs.
const (
	Sun       Need = "sun"
	Moisture  Need = "moisture"
	Drainage  Need = "drainage"
	Texture   Need = "texture"
	Acidity   Need = "ph"
	Fertility Need = "fertility"
	Depth     Need = "depth"
	Shelter   Need = "shelter"
	Cold      Need = "cold"
	Toxin     Need = "toxin"
	Space     Need = "space"
	Edge      Need = "edge"
)

// Directions in which a place falls short.
const (
	TooLittle = "too little"
	TooMuch   = "too much"
)

// Score is how well a place meets one need.
type Score struct {
	Need Need
	// Value lies between 0, not at all, and 1, in full.
	Value float64
	// Known is false where nothing is known of the place; such a need does not
	// decide.
	Known bool
	// Direction says which way the place falls short, empty where it does not.
	Direction string
	// Range is what the species asks, on the need's numeric scale, and Has the
	// place on it.
	Range flora.Range
	Has   float64
	// Standing is what the species' figure rests on.
	Standing flora.Standing
	// Tree is the poisoning tree that decides, where one does.
	Tree *Tree
	// Unsure is true where a cold limit hangs on how wet the winter ground is,
	// and nothing is known of that.
	Unsure bool
}

// Answer is how well a place suits a species.
type Answer struct {
	// Scores are all needs, the worst known one first.
	Scores []Score
	// Value is the worst known need's score: the law of the minimum.
	Value float64
	// Unknown is how many needs nothing is known of.
	Unknown int
}

// Trapezoid returns the score of a value on a range: 1 between From and To, 0 at
// and beyond Low and High, straight between.
func Trapezoid(value float64, r flora.Range) float64 {
	switch {
	case value >= r.From && value <= r.To:
		return 1
	case value <= r.Low || value >= r.High:
		return 0
	case value < r.From:
		return (value - r.Low) / (r.From - r.Low)
	}
	return (r.High - value) / (r.High - r.To)
}

// ShortBelow is the score, 0 to 1, under which a place falls short of a need.
const ShortBelow = 0.75

// Falls tells whether the place falls short of the need.
func (s Score) Falls() bool { return s.Known && s.Value < ShortBelow }

// Judge returns how well a place suits plants of a species that want an area of
// areaM2 at full size: a score for each need, the worst deciding.
//
// Source: Liebig's law of the minimum; rating by the most limiting factor as in
// FAO 1976, A Framework for Land Evaluation, Soils Bulletin 32.
func Judge(species *flora.Species, place Place, areaM2 float64) Answer {
	site := species.Site
	scores := []Score{
		crisp(Sun, place.SunHours, site.Sun),
		believed(Moisture, place.Ground[ground.Moisture], site.Moisture.On(flora.MoistureWords)),
		believed(Drainage, place.Ground[ground.Drainage], site.Drainage.On(flora.DrainageWords)),
		believed(Texture, place.Ground[ground.Texture], site.Texture.On(flora.TextureWords)),
		believed(Acidity, place.Ground[ground.Acidity], site.Acidity),
		believed(Fertility, place.Ground[ground.Fertility], site.Fertility.On(flora.FertilityWords)),
		believed(Depth, place.Ground[ground.Depth], depthRange(site.SoilDepth)),
		crisp(Shelter, place.Shelter, site.Shelter.On(flora.ShelterWords)),
		winter(species, place),
		poison(species, place),
		space(place.RoomM2, areaM2),
		edge(species, place),
	}
	a := Answer{Value: 1}
	for _, s := range scores {
		if s.Known {
			a.Value = math.Min(a.Value, s.Value)
		} else {
			a.Unknown++
		}
	}
	slices.SortStableFunc(scores, func(x, y Score) int {
		if x.Known != y.Known {
			if x.Known {
				return -1
			}
			return 1
		}
		return cmp.Compare(x.Value, y.Value)
	})
	a.Scores = scores
	return a
}

func crisp(need Need, value float64, r flora.Range) Score {
	s := Score{Need: need, Value: Trapezoid(value, r), Known: true, Range: r, Has: value, Standing: r.Standing}
	s.Direction = direction(value, r)
	return s
}

func direction(value float64, r flora.Range) string {
	switch {
	case value < r.From:
		return TooLittle
	case value > r.To:
		return TooMuch
	}
	return ""
}

// believed scores an aspect by the mean over what it may be. Where the likeliest is as the
// species wants it, doubt alone makes no shortfall.
func believed(need Need, b ground.Belief, r flora.Range) Score {
	s := Score{Need: need, Known: b.Known(), Range: r, Standing: r.Standing}
	if !s.Known {
		return s
	}
	below, above := 0.0, 0.0
	for i, chance := range b.Chance {
		value := b.Aspect.Values[i]
		score := Trapezoid(value, r)
		s.Value += chance * score
		switch direction(value, r) {
		case TooLittle:
			below += chance * (1 - score)
		case TooMuch:
			above += chance * (1 - score)
		}
	}
	s.Has = b.Mean()
	if likeliest := b.Aspect.Values[slices.Index(b.Chance, slices.Max(b.Chance))]; direction(likeliest, r) == "" {
		s.Value = math.Max(s.Value, ShortBelow)
	}
	switch {
	case s.Value >= 1-1e-9:
	case below >= above:
		s.Direction = TooLittle
	default:
		s.Direction = TooMuch
	}
	return s
}

// depthRange turns a wanted depth in cm into a range without an upper end.
func depthRange(wanted flora.Figure) flora.Range {
	const deepest = 1000
	return flora.Range{
		Low:      wanted.Low / 2,
		From:     wanted.Value,
		To:       deepest,
		High:     deepest,
		Unit:     "cm",
		Standing: wanted.Standing,
	}
}

// winter scores the share of winters that the species outlives: each winter's
// lowest temperature on the soft end of what it bears. A cold limit that holds
// only in dry ground is mixed by the belief of how wet the winter is. An annual
// meets no winter.
func winter(species *flora.Species, place Place) Score {
	site := species.Site
	s := Score{
		Need:     Cold,
		Known:    len(place.WinterLows) > 0 && species.Life.Form != flora.Annual,
		Standing: site.Cold.Standing,
	}
	if !s.Known {
		return s
	}
	dry := coldRange(site.Cold)
	wet, wetChance := dry, 0.0
	if site.ColdWet != nil {
		wet, wetChance = coldRange(*site.ColdWet), wetWinter(place)
		s.Unsure = !place.Ground[ground.Winter].Known()
		s.Standing = flora.Weakest(s.Standing, site.ColdWet.Standing)
	}
	for _, low := range place.WinterLows {
		s.Value += (wetChance*Trapezoid(low, wet) + (1-wetChance)*Trapezoid(low, dry)) / float64(len(place.WinterLows))
		s.Has += low / float64(len(place.WinterLows))
	}
	s.Range = dry
	if wetChance > 0.5 {
		s.Range = wet
	}
	if s.Value < 1-1e-9 {
		s.Direction = TooLittle
	}
	return s
}

func coldRange(borne flora.Figure) flora.Range {
	const warmest = 60
	return flora.Range{Low: borne.Low, From: borne.High, To: warmest, High: warmest, Unit: "°C", Standing: borne.Standing}
}

// wetWinter is the chance that the ground is moist or wet in winter; where nothing
// speaks for it, even, so that the careful figure counts as much as the other.
func wetWinter(place Place) float64 {
	b := place.Ground[ground.Winter]
	if !b.Known() {
		return 0.5
	}
	chance := 0.0
	for i, c := range b.Chance {
		if b.Aspect.Values[i] >= 2 {
			chance += c
		}
	}
	return chance
}

// The scores of a species under a tree that it suffers from, and under one of
// which nothing is on record.
const (
	suffersScore  = 0.1
	noRecordScore = 0.5
)

// poison scores the trees whose ground it is: full for one that the species
// bears, half where nothing is on record, a tenth where it suffers.
func poison(species *flora.Species, place Place) Score {
	s := Score{
		Need:     Toxin,
		Value:    1,
		Known:    true,
		Has:      1,
		Range:    flora.Range{Low: 0, From: 1, To: 1, High: 2},
		Standing: flora.Usual,
	}
	for _, tree := range place.Trees {
		value := noRecordScore
		switch {
		case slices.Contains(species.Site.Bears, tree.ID):
			value = 1
		case slices.Contains(species.Site.Suffers, tree.ID):
			value = suffersScore
		}
		if value < s.Value || s.Tree == nil {
			s.Value, s.Has, s.Tree = value, value, &tree
		}
	}
	if s.Value < 1 {
		s.Direction = TooLittle
		s.Standing = flora.Guess
	}
	return s
}

// openScore is that of a plant that runs in a bed whose edge does not hold it.
const openScore = 0.45

// edge scores what holds a plant that runs: full for one that does not, and in a
// bed with a held edge.
func edge(species *flora.Species, place Place) Score {
	s := Score{
		Need:     Edge,
		Value:    1,
		Known:    true,
		Has:      1,
		Range:    flora.Range{Low: 0, From: 1, To: 1, High: 2},
		Standing: flora.Usual,
	}
	if species.Site.Spread == "runs" && !place.Held {
		s.Value, s.Has, s.Direction, s.Standing = openScore, openScore, TooLittle, flora.Guess
	}
	return s
}

func space(roomM2, wantedM2 float64) Score {
	s := Score{
		Need:     Space,
		Value:    1,
		Known:    true,
		Has:      roomM2,
		Range:    flora.Range{From: wantedM2, To: math.MaxFloat64, High: math.MaxFloat64, Unit: "m²"},
		Standing: flora.Usual,
	}
	if roomM2 < wantedM2 {
		s.Value = math.Max(0, roomM2) / wantedM2
		s.Direction = TooLittle
	}
	return s
}
