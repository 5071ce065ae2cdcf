package plot

import (
	"encoding/json"
	"errors"
	"fmt"

	"bramblyacre/core/calendar"
	"bramblyacre/core/ground"
	"bramblyacre/core/plan"
	"bramblyacre/store"
)

// The kinds of reading.
const (
	readSign         = "sign"
	readJar          = "jar"
	readRibbon       = "ribbon"
	readInfiltration = "infiltration"
	readPHStrip      = "ph strip"
	readPHMeter      = "ph meter"
	readWorms        = "worms"
	readDepth        = "depth"
)

// ReadingDetail is what was read.
type ReadingDetail struct {
	Sign    string   `json:"sign,omitempty"`
	SandMM  *float64 `json:"sandMm,omitempty"`
	SiltMM  *float64 `json:"siltMm,omitempty"`
	ClayMM  *float64 `json:"clayMm,omitempty"`
	Ribbon  *float64 `json:"ribbonMm,omitempty"`
	Feel    string   `json:"feel,omitempty" doc:"gritty, smooth or neither"`
	NoBall  bool     `json:"noBall,omitempty" doc:"The soil makes no ball at all"`
	FallMM  *float64 `json:"fallMm,omitempty"`
	Minutes *float64 `json:"minutes,omitempty"`
	PH      *float64 `json:"ph,omitempty"`
	Worms   *float64 `json:"worms,omitempty"`
	DepthCm *float64 `json:"depthCm,omitempty"`
}

// readingKind is how one kind of reading is checked and what it says.
type readingKind struct {
	// field is where a fault is told.
	Field    string
	Needs    func(ReadingDetail) map[string]*float64
	Evidence func(t ground.Table, d ReadingDetail, from string) ([]ground.Evidence, error)
}

// ReadingKinds are the signs and tests that can be read of the ground.
var ReadingKinds = map[string]readingKind{
	readSign: {"sign", nil, func(t ground.Table, d ReadingDetail, from string) ([]ground.Evidence, error) {
		if _, known := t.Sign(d.Sign); !known {
			return nil, errors.New("choose a sign from the list")
		}
		return t.Seen(d.Sign, from), nil
	}},
	readJar: {"sandMm", func(d ReadingDetail) map[string]*float64 {
		return map[string]*float64{"sandMm": d.SandMM, "siltMm": d.SiltMM, "clayMm": d.ClayMM}
	}, func(t ground.Table, d ReadingDetail, from string) ([]ground.Evidence, error) {
		return t.JarTest(*d.SandMM, *d.SiltMM, *d.ClayMM, from)
	}},
	readRibbon: {
		"ribbonMm",
		func(d ReadingDetail) map[string]*float64 { return map[string]*float64{"ribbonMm": d.Ribbon} },
		func(t ground.Table, d ReadingDetail, from string) ([]ground.Evidence, error) {
			return t.RibbonTest(*d.Ribbon, d.Feel, !d.NoBall, from)
		},
	},
	readInfiltration: {"fallMm", func(d ReadingDetail) map[string]*float64 {
		return map[string]*float64{"fallMm": d.FallMM, "minutes": d.Minutes}
	}, func(t ground.Table, d ReadingDetail, from string) ([]ground.Evidence, error) {
		return t.InfiltrationTest(*d.FallMM, *d.Minutes, from)
	}},
	readPHStrip: {"ph", needsPH, func(t ground.Table, d ReadingDetail, from string) ([]ground.Evidence, error) {
		return t.PHReading(readPHStrip, *d.PH, from)
	}},
	readPHMeter: {"ph", needsPH, func(t ground.Table, d ReadingDetail, from string) ([]ground.Evidence, error) {
		return t.PHReading(readPHMeter, *d.PH, from)
	}},
	readWorms: {"worms", func(d ReadingDetail) map[string]*float64 { return map[string]*float64{"worms": d.Worms} },
		func(t ground.Table, d ReadingDetail, from string) ([]ground.Evidence, error) {
			return t.WormCount(*d.Worms, from)
		}},
	readDepth: {"depthCm", func(d ReadingDetail) map[string]*float64 { return map[string]*float64{"depthCm": d.DepthCm} },
		func(t ground.Table, d ReadingDetail, from string) ([]ground.Evidence, error) {
			return t.DepthReading(*d.DepthCm, from)
		}},
}

func needsPH(d ReadingDetail) map[string]*float64 { return map[string]*float64{"ph": d.PH} }

// ReadingEvidence is what a stored reading says.
func ReadingEvidence(table ground.Table, row store.Reading) ([]ground.Evidence, error) {
	kind, known := ReadingKinds[row.Kind]
	if !known {
		return nil, fmt.Errorf("reading %d: kind %q is not known", row.ID, row.Kind)
	}
	var detail ReadingDetail
	if err := json.Unmarshal([]byte(row.Detail), &detail); err != nil {
		return nil, fmt.Errorf("reading %d: %w", row.ID, err)
	}
	day, err := calendar.Parse(row.Day)
	if err != nil {
		return nil, fmt.Errorf("reading %d: %w", row.ID, err)
	}
	return kind.Evidence(table, detail, "read on "+day.DayMonth()+fmt.Sprintf(" %d", day.Year()))
}

// believe adds up all evidence of a bed's ground: the grower's words, the signs
// and tests, and what the plan shows.
func (s *State) believe(bed store.Bed, table ground.Table) (map[string]ground.Belief, error) {
	var all []ground.Evidence
	for _, said := range SaidOf(bed) {
		aspect, err := ground.AspectOf(said.Aspect)
		if err != nil {
			return nil, err
		}
		all = append(all, table.SaidToBe(aspect, said.Word, "your word")...)
	}
	for _, row := range s.Readings[bed.ID] {
		evidence, err := ReadingEvidence(table, row)
		if err != nil {
			return nil, err
		}
		all = append(all, evidence...)
	}
	all = append(all, s.waterBeside(bed)...)
	all = append(all, table.TextureSpeaks(all)...)
	beliefs := map[string]ground.Belief{}
	for _, aspect := range ground.Aspects() {
		beliefs[aspect.ID] = ground.Weigh(aspect, all)
	}
	return beliefs, nil
}

// waterBeside is the evidence of a pond, a stream or an overflow whose reach
// touches a bed: a guess in the direction that water takes.
func (s *State) waterBeside(bed store.Bed) []ground.Evidence {
	form := s.Forms[bed.ID]
	if form.Shape == plan.Round {
		return nil // a pot stands above the ground's water
	}
	region := form.Region()
	for _, it := range s.Items {
		if plan.Wets(it.Item.Kind.Kind) && region.Apart(it.Form.Region()) <= it.Item.Traits.Reach(it.Item.Kind) {
			name := ItemName(it.PlanItem.Kind, it.Name) + " wets it"
			wetter := []float64{0.1, 0.4, 1, 1}
			return []ground.Evidence{
				{ID: "water beside", Name: name, From: "the plan", Aspect: ground.Moisture, Likelihood: wetter},
				{ID: "water beside", Name: name, From: "the plan", Aspect: ground.Winter, Likelihood: wetter},
			}
		}
	}
	return nil
}
