package format

import (
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"math"
	"slices"
	"strings"

	"bramblyacre/core/harvest/season"
)

// MostSeasonBytes is the largest file that a season's problem is read from.
const MostSeasonBytes = 16 << 20

// seasonFile is a season's problem as docs/formats.md describes it.
type seasonFile struct {
	Days     int             `json:"days"`
	TrayArea float64         `json:"tray_area_m2"`
	Minutes  byDay           `json:"minutes"`
	Outing   float64         `json:"outing_worth"`
	Products []seasonProduct `json:"products"`
	Stands   []seasonStand   `json:"stands"`
	Locked   []seasonPick    `json:"locked"`
}

type seasonProduct struct {
	Name   string   `json:"name"`
	Need   float64  `json:"need_g"`
	Weight *float64 `json:"weight"`
	By     *int     `json:"by_day"`
}

type seasonStand struct {
	Name     string   `json:"name"`
	Products []string `json:"products"`
	Full     float64  `json:"full_units"`
	CutShare float64  `json:"cut_share"`
	Floor    float64  `json:"floor_units"`
	Regrowth *float64 `json:"regrowth_days"`
	Missing  float64  `json:"missing_units"`
	Since    float64  `json:"days_since_cut"`
	Grams    float64  `json:"grams_dried"`
	Area     float64  `json:"tray_m2"`
	DryDays  int      `json:"tray_days"`
	Visit    float64  `json:"visit_minutes"`
	Unit     float64  `json:"unit_minutes"`
	Quality  byDay    `json:"quality"`
	Ready    byDay    `json:"ready"`
}

type seasonPick struct {
	Stand string `json:"stand"`
	Day   int    `json:"day"`
	Units int    `json:"units"`
}

// byDay is a number for each day, or one for all of them.
type byDay struct {
	every float64
	each  []float64
	said  bool
}

// UnmarshalJSON reads a number or a list of numbers.
func (d *byDay) UnmarshalJSON(text []byte) error {
	d.said = string(text) != "null"
	if json.Unmarshal(text, &d.every) == nil {
		return nil
	}
	return json.Unmarshal(text, &d.each)
}

func (d *byDay) on(days int) []float64 {
	if d.each != nil || !d.said {
		return d.each
	}
	return slices.Repeat([]float64{d.every}, max(0, min(days, season.MostDays)))
}

// ReadSeason reads a season's problem from JSON. Its error names each place at which something is wrong.
func ReadSeason(r io.Reader) (*season.Problem, error) {
	text, err := io.ReadAll(io.LimitReader(r, MostSeasonBytes+1))
	if err != nil {
		return nil, err
	}
	if len(text) > MostSeasonBytes {
		return nil, fmt.Errorf("the file is larger than %d MB", MostSeasonBytes>>20)
	}
	var file seasonFile
	decoder := json.NewDecoder(strings.NewReader(string(text)))
	decoder.DisallowUnknownFields()
	if err := decoder.Decode(&file); err != nil {
		return nil, fmt.Errorf("this is no season's problem: %w", err)
	}
	if decoder.More() {
		return nil, errors.New("something follows the problem")
	}
	var faults []error
	p := &season.Problem{
		Days:     file.Days,
		TrayArea: file.TrayArea,
		Minutes:  file.Minutes.on(file.Days),
		Outing:   file.Outing,
	}
	product := map[string]int{}
	for i, one := range file.Products {
		if _, twice := product[one.Name]; twice || one.Name == "" {
			faults = append(faults, season.Fault{Where: fmt.Sprintf("products[%d].name", i), Why: "must be there, and once"})
		}
		product[one.Name] = i
		read := season.Product{Name: one.Name, Need: one.Need, Weight: 1, By: -1}
		if one.Weight != nil {
			read.Weight = *one.Weight
		}
		if one.By != nil {
			if read.By = *one.By; read.By < 0 {
				where := fmt.Sprintf("products[%d].by_day", i)
				faults = append(faults, season.Fault{Where: where, Why: "must be a day from 0 on; leave it out where any will do"})
			}
		}
		p.Products = append(p.Products, read)
	}
	stand := map[string]int{}
	for i, one := range file.Stands {
		if _, twice := stand[one.Name]; twice || one.Name == "" {
			faults = append(faults, season.Fault{Where: fmt.Sprintf("stands[%d].name", i), Why: "must be there, and once"})
		}
		stand[one.Name] = i
		read, wrong := one.read(fmt.Sprintf("stands[%d].", i), file.Days, product)
		p.Stands, faults = append(p.Stands, read), append(faults, wrong...)
	}
	for i, one := range file.Locked {
		at, has := stand[one.Stand]
		if !has {
			faults = append(faults, season.Fault{Where: fmt.Sprintf("locked[%d].stand", i), Why: "is none of the stands"})
		}
		p.Locked = append(p.Locked, season.Pick{Stand: at, Day: one.Day, Units: one.Units})
	}
	for _, fault := range p.Check() {
		faults = append(faults, fault)
	}
	if len(faults) > 0 {
		return nil, errors.Join(faults...)
	}
	return p, nil
}

// read is a stand as the planning takes it.
func (one seasonStand) read(at string, days int, product map[string]int) (s season.Stand, faults []error) {
	s = season.Stand{
		Name: one.Name, Full: one.Full, CutShare: one.CutShare, Floor: one.Floor, Missing: one.Missing, Grams: one.Grams,
		Area: one.Area, DryDays: one.DryDays, VisitMinutes: one.Visit, UnitMinutes: one.Unit,
		Quality: one.Quality.on(days), Ready: one.Ready.on(days),
	}
	if len(one.Products) == 0 {
		faults = append(faults, season.Fault{Where: at + "products", Why: "must name at least one of the products"})
	}
	for i, name := range one.Products {
		index, has := product[name]
		if !has || slices.Contains(s.Products, index) {
			where := fmt.Sprintf("%sproducts[%d]", at, i)
			faults = append(faults, season.Fault{Where: where, Why: "must be one of the products, and once"})
			continue
		}
		s.Products = append(s.Products, index)
	}
	if one.Regrowth == nil {
		return s, faults
	}
	if !(*one.Regrowth > 0) || math.IsInf(*one.Regrowth, 0) {
		return s, append(
			faults,
			season.Fault{Where: at + "regrowth_days", Why: "must be above 0; leave it out where nothing grows again"},
		)
	}
	for t := range max(0, min(days, season.MostDays)) {
		s.Grown = append(s.Grown, float64(t) / *one.Regrowth)
	}
	s.Since = max(0, one.Since) / *one.Regrowth
	return s, faults
}

// seasonPlan is a plan as it is written.
type seasonPlan struct {
	Plan     []plannedPick    `json:"plan"`
	Worth    float64          `json:"worth"`
	Bound    float64          `json:"bound"`
	Products []plannedProduct `json:"products"`
	Unkept   []unkeptPick     `json:"unkept,omitempty"`
}

type plannedPick struct {
	seasonPick
	Grams float64 `json:"grams_dried"`
}

type plannedProduct struct {
	Name string  `json:"name"`
	Need float64 `json:"need_g"`
	Got  float64 `json:"counts_g"`
}

type unkeptPick struct {
	seasonPick
	Why string `json:"why"`
}

// WriteSeason writes a plan as JSON, with what it is worth, what no plan can be worth more than, and which settled
// pickings could not be kept.
func WriteSeason(w io.Writer, p *season.Problem, plan season.Plan, unkept []season.Unkept) error {
	file := seasonPlan{Plan: []plannedPick{}, Worth: plan.Worth, Bound: plan.Bound, Products: []plannedProduct{}}
	named := func(pick season.Pick) seasonPick { return seasonPick{p.Stands[pick.Stand].Name, pick.Day, pick.Units} }
	for _, pick := range plan.Picks {
		file.Plan = append(file.Plan, plannedPick{named(pick), float64(pick.Units) * p.Stands[pick.Stand].Grams})
	}
	for i, product := range p.Products {
		file.Products = append(file.Products, plannedProduct{product.Name, product.Need, plan.Got[i]})
	}
	for _, one := range unkept {
		file.Unkept = append(file.Unkept, unkeptPick{named(one.Pick), one.Why.Error()})
	}
	encoder := json.NewEncoder(w)
	encoder.SetIndent("", "  ")
	return encoder.Encode(file)
}
