package plants

import (
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/core/unit"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/library"
)

// PlantWay is one way to make more of a plant, or by which it gets further by itself.
type PlantWay struct {
	Way     string      `json:"way"`
	How     string      `json:"how" doc:"In a sentence; empty for not on record"`
	Advised bool        `json:"advised" doc:"False for a way that is not to be gone"`
	Facts   []PlantFact `json:"facts" doc:"What is on record of it"`
	Wrong   []string    `json:"wrong" doc:"What goes wrong"`
}

// factList gathers what is on record, each with what it rests on; what is not is left out.
type factList []PlantFact

func (f *factList) figure(name string, figure *flora.Figure, inWords func(low, high float64) string) {
	if figure != nil {
		f.add(name, inWords(figure.Low, figure.High), figure.Standing)
	}
}

func (f *factList) add(name, words string, standing flora.Standing) {
	if words != "" {
		*f = append(*f, PlantFact{name, words, standing.String()})
	}
}

// newFacts begins a list that is never null.
func newFacts() factList { return factList{} }

// span says a range of numbers, one number where both ends are alike, with its unit.
func span(unit string) func(low, high float64) string {
	return func(low, high float64) string {
		text := say.Number(low)
		if high != low {
			text += " to " + say.Number(high)
		}
		return strings.TrimSpace(text + " " + unit)
	}
}

// percent says shares as parts of a hundred.
func percent(low, high float64) string { return span("in 100")(low*100, high*100) }

// propagationOf are the ways to make more of a plant, in the order of the file.
func propagationOf(units unit.System, species *flora.Species) []PlantWay {
	ways := []PlantWay{}
	for _, p := range species.Propagations {
		facts := newFacts()
		facts.add("from", p.From, flora.Usual)
		if p.Season != 0 {
			facts.add("season", p.Season.String(), flora.Usual)
		}
		if p.Stage != nil && p.Until != nil {
			facts.add("stage", bandWords(*p.Stage, *p.Until), flora.Usual)
		}
		facts.figure("seeds a gram", p.SeedsGram, span(""))
		facts.figure("sown", p.Depth, span("mm deep"))
		facts.add("light", lightWords[p.Light], flora.Usual)
		facts.add("before", p.Treat, flora.Usual)
		facts.figure("warm and moist first", p.WarmWeeks, span("weeks"))
		facts.figure("cold and moist first", p.ColdWeeks, span("weeks"))
		facts.figure("comes up above", p.Base, units.Temperatures)
		facts.figure("best at", p.Optimum, units.Temperatures)
		facts.figure("not above", p.Ceiling, units.Temperatures)
		facts.figure("warmth to come up", p.Warmth, span("°C d"))
		facts.figure("comes up", p.ComesUp, percent)
		facts.figure("seed lives", p.SeedLife, span("years"))
		facts.figure("roots", p.Takes, percent)
		facts.figure("rooted in", p.RootsDays, span("days"))
		facts.figure("a mother gives", p.Gives, span(""))
		facts.figure("set out after", p.SetOutWeeks, span("weeks"))
		facts.figure("spacing", p.Spacing, func(low, high float64) string {
			return units.PlantLengths(low/100, high/100)
		})
		for _, part := range species.Parts {
			if year, has := p.FirstHarvest[part.Name]; has {
				facts.figure("first "+part.Name+" after", &year, span("years"))
			}
		}
		ways = append(ways, PlantWay{p.Way, p.How, p.IsAdvised(), facts, view.NonNil(p.Wrong)})
	}
	return ways
}

var lightWords = map[string]string{"light": "wants light", "dark": "wants dark", "either": "light or dark"}

// spreadOf are the ways by which a plant gets further by itself.
func spreadOf(units unit.System, species *flora.Species) []PlantWay {
	ways := []PlantWay{}
	for _, w := range species.Spreads {
		facts := newFacts()
		metres := func(low, high float64) string { return units.PlantLengths(low, high) }
		centimetres := func(low, high float64) string { return units.PlantLengths(low/100, high/100) }
		facts.figure("a year", w.Rate, metres)
		facts.add("hastened by", w.Hastens, flora.Usual)
		facts.figure("a barrier holds it at", w.Barrier, centimetres)
		facts.figure("heads", w.Heads, span(""))
		facts.figure("seeds a head", w.SeedsHead, span(""))
		facts.figure("seed falls within", w.Reach, metres)
		facts.figure("lives in the soil", w.SoilYears, span("years"))
		facts.add("woken by", w.Wakes, flora.Usual)
		facts.figure("pieces that grow again", w.Regrows, percent)
		facts.figure("lies", w.Depth, centimetres)
		ways = append(ways, PlantWay{w.By, w.How, true, facts, []string{}})
	}
	return ways
}

// keepOf is what is on record of how a part is picked at its best and kept, a line for each deed.
func keepOf(units unit.System, part flora.Part) []PlantFact {
	keep, facts := part.Keep, newFacts()
	facts.add("pick", sentence(keep.Hour, keep.Weather), flora.Usual)
	if part.Harvest != nil {
		var flushes []string
		for _, flush := range part.Harvest.Flushes {
			flushes = append(flushes, flush.Name+" "+flush.Season.String())
		}
		facts.add("ready", sentence(flushes...), flora.Usual)
	}
	facts.add("best", bestOf(keep), flora.Guess)
	facts.add("past", keep.Falls, flora.Usual)
	dry := []string{driesWords[keep.Dries]}
	if keep.Heat != nil {
		dry = append(dry, "at no more than "+units.Temperature(keep.Heat.Value))
	}
	if keep.Water != nil && keep.Dries != "" && keep.Dries != "not dried" {
		dry = append(dry, fmt.Sprintf("%s of 100 g are water", say.Number(keep.Water.Value*100)))
	}
	facts.add("dry", strings.TrimSpace(sentence(dry...)+" "+keep.Done), standingOf(keep.Heat, keep.Water))
	if keep.Months != nil {
		facts.add("keep", sentence(monthsOf(keep.Months), keep.Stored), keep.Months.Standing)
	} else {
		facts.add("keep", keep.Stored, flora.Usual)
	}
	if f := keep.Freeze; f != nil {
		words := []string{}
		if f.Blanch != nil && f.Blanch.High > 0 {
			words = append(words, "blanched for "+span("min")(f.Blanch.Low, f.Blanch.High))
		}
		if f.Months != nil {
			words = append(words, "keeps "+monthsOf(f.Months))
		}
		facts.add("freeze", strings.TrimSpace(f.How+" "+sentence(words...)), standingOf(f.Blanch, f.Months))
	}
	if len(keep.Makings) > 0 {
		facts.add("make", say.Joined(keep.Makings), flora.Usual)
	}
	facts.add("mind", strings.TrimSpace(strings.Join(keep.Handling, " ")+" "+keep.Animals), flora.Usual)
	return facts
}

// sentence joins what is on record of a few things to one sentence; nothing where nothing is.
func sentence(words ...string) string {
	words = slices.DeleteFunc(words, func(w string) bool { return w == "" })
	if len(words) == 0 {
		return ""
	}
	joined := strings.Join(words, ", ")
	return say.Capital(strings.TrimSuffix(joined, ".")) + "."
}

// bestOf is how good a part is by stage, in the order of the year.
func bestOf(keep flora.Keep) string {
	var words []string
	for _, stage := range flora.Stages() {
		if q, has := keep.Quality[stage.String()]; has {
			words = append(words, stage.String()+" "+percent(q.Low, q.High))
		}
	}
	return sentence(words...)
}

func monthsOf(f *flora.Figure) string { return span("months")(f.Low, f.High) }

// standingOf is the least that any of these figures rests on.
func standingOf(figures ...*flora.Figure) flora.Standing {
	for _, f := range figures {
		if f != nil && f.Standing == flora.Guess {
			return flora.Guess
		}
	}
	return flora.Usual
}

var driesWords = map[string]string{
	"thin leaf":  "quickly, as thin leaf",
	"thick leaf": "slowly, as thick leaf",
	"flower":     "as flowers do",
	"seed":       "as seed does",
	"bark":       "as bark does",
	"root":       "as root does, sliced",
	"fruit":      "slowly, as fruit does",
	"not dried":  "it is used fresh",
}

// floweringOf is what is on record of how a plant flowers.
func floweringOf(species *flora.Species) []PlantFact {
	f, facts := species.Flowering, newFacts()
	if f.FirstYear != nil {
		facts.add("first flower", "in its "+say.YearWords(int(f.FirstYear.Value)), f.FirstYear.Standing)
	}
	facts.figure("lasts", f.Lasts, span("days"))
	facts.add("flowers again", f.Again, flora.Usual)
	if f.Once {
		facts.add("then", "it dies once it has flowered", flora.Usual)
	}
	facts.add("sexes", f.Sex, flora.Usual)
	facts.add("to set seed", f.Pollen, flora.Usual)
	return facts
}

// PlantTrouble is what a plant gets.
type PlantTrouble struct {
	Name   string `json:"name"`
	Kind   string `json:"kind"`
	Sign   string `json:"sign"`
	Cause  string `json:"cause"`
	Do     string `json:"do"`
	Urgent string `json:"urgent"`
}

func troublesOf(species *flora.Species) []PlantTrouble {
	troubles := []PlantTrouble{}
	for _, t := range species.Troubles {
		troubles = append(troubles, PlantTrouble(t))
	}
	return troubles
}

// PlantKind is a cultivar, subspecies or cross that matters.
type PlantKind struct {
	Name      string `json:"name"`
	Botanical string `json:"botanical"`
	Rank      string `json:"rank"`
	Matters   string `json:"matters"`
}

func kindsOf(species *flora.Species) []PlantKind {
	kinds := []PlantKind{}
	for _, k := range species.Kinds {
		kinds = append(kinds, PlantKind(k))
	}
	return kinds
}

// PlantPoison is what a dangerous plant does, and what to do first; empty for one that is none.
type PlantPoison struct {
	What  string   `json:"what"`
	Parts []string `json:"parts"`
	Signs string   `json:"signs"`
	Soon  string   `json:"soon"`
	First string   `json:"first"`
}

func poisonOf(species *flora.Species) PlantPoison {
	p := species.Poison
	if p == nil {
		p = &flora.Poison{}
	}
	return PlantPoison{p.What, view.NonNil(p.Parts), p.Signs, p.Soon, p.First}
}

// worksOf are the works that a plant's figures and cautions rest on, in words; one of the
// grower's own that the library does not have stands as it was named.
func worksOf(lib *library.Library, species *flora.Species) []string {
	works := []string{}
	for _, id := range species.Sources() {
		if work, has := lib.Work(id); has {
			id = work.Author + ": " + work.Title
			if work.Year > 0 {
				id += fmt.Sprintf(", %d", work.Year)
			}
		}
		works = append(works, id)
	}
	return works
}
