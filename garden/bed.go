package garden

import (
	"context"
	"math"
	"slices"
	"strings"

	"bramblyacre/core/suitability"
	"bramblyacre/store"
)

// moistures are the words for a bed's moisture through the growing months.
var moistures = []string{"dry", "fresh", "moist", "wet"}

// BedInput is what a grower says of a bed. Sizes and places are as typed; x and
// y are the middle of the bed, from the plot's north-west corner to the east
// and to the south.
type BedInput struct {
	Name     string  `json:"name"`
	X        string  `json:"x"`
	Y        string  `json:"y"`
	Width    string  `json:"width"`
	Depth    string  `json:"depth"`
	Turn     float64 `json:"turn,omitempty" doc:"Degrees clockwise"`
	SunHours float64 `json:"sunHours"`
	Moisture string  `json:"moisture"`
	Unsafe   string  `json:"unsafe,omitempty" doc:"A kind of unsafe ground; empty for safe ground"`
	Note     string  `json:"note,omitempty"`
}

// AddBed lays out a bed.
func (g *Garden) AddBed(ctx context.Context, in BedInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		row, err := s.readBed(in, 0)
		if err != nil {
			return record{}, err
		}
		for _, bed := range s.beds {
			row.RoundOrder = max(row.RoundOrder, bed.RoundOrder+1)
		}
		return putBed(ctx, d, 0, row, "Laid out "+row.Name)
	})
}

// ChangeBed changes a bed's name, place, size or conditions.
func (g *Garden) ChangeBed(ctx context.Context, id int64, in BedInput) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		bed, err := s.standingBed(id)
		if err != nil {
			return record{}, err
		}
		row, err := s.readBed(in, id)
		if err != nil {
			return record{}, err
		}
		row.ID, row.RoundOrder = &id, bed.RoundOrder
		return putBed(ctx, d, id, row, "Changed "+row.Name)
	})
}

// RemoveBed takes a bed off the plan. A bed that something stands in is kept.
func (g *Garden) RemoveBed(ctx context.Context, id int64) (Entry, error) {
	return g.change(ctx, func(s *state, d *draft) (record, error) {
		bed, err := s.standingBed(id)
		if err != nil {
			return record{}, err
		}
		var names []string
		for _, p := range s.plantings {
			if p.BedID == id {
				names = append(names, p.species.Names.Name)
			}
		}
		if len(names) > 0 {
			return record{}, ConflictError{capital(joined(names)) + " still stand in " + bed.Name + ". Remove or move them first."}
		}
		row := bedParams(bed)
		today := s.today.String()
		row.RemovedOn = &today
		return putBed(ctx, d, id, row, "Removed "+bed.Name)
	})
}

func putBed(ctx context.Context, d *draft, id int64, row store.PutBedParams, summary string) (record, error) {
	bed, err := put(ctx, d, "beds", id, row, func(r store.Bed) int64 { return r.ID })
	return record{kind: "bed", summary: summary, bed: &bed.ID}, err
}

func bedParams(bed store.Bed) store.PutBedParams {
	return store.PutBedParams{
		ID: &bed.ID, Name: bed.Name, XM: bed.XM, YM: bed.YM, WidthM: bed.WidthM, DepthM: bed.DepthM, TurnDeg: bed.TurnDeg,
		SunHours: bed.SunHours, Moisture: bed.Moisture, Unsafe: bed.Unsafe, Note: bed.Note, RoundOrder: bed.RoundOrder, RemovedOn: bed.RemovedOn,
	}
}

// standingBed returns a bed that has not been removed.
func (s *state) standingBed(id int64) (store.Bed, error) {
	bed, has := s.bedByID[id]
	if !has {
		return bed, NotFoundError{"bed"}
	}
	if bed.RemovedOn != nil {
		return bed, ConflictError{bed.Name + " was removed. Take the removal back in the ledger first."}
	}
	return bed, nil
}

// readBed checks what was entered of a bed; id is 0 for a new one.
func (s *state) readBed(in BedInput, id int64) (store.PutBedParams, error) {
	var c checklist
	ground := s.units.GroundUnit()
	row := store.PutBedParams{
		Name: c.text("name", in.Name, longestName), Note: c.text("note", in.Note, longestNote),
		XM: c.length("x", in.X, ground, 0, s.site.WidthM), YM: c.length("y", in.Y, ground, 0, s.site.DepthM),
		WidthM: c.length("width", in.Width, ground, 0.05, 500), DepthM: c.length("depth", in.Depth, ground, 0.05, 500),
		TurnDeg: math.Mod(in.Turn, 360), SunHours: in.SunHours, Moisture: in.Moisture, Unsafe: in.Unsafe,
	}
	if row.Name == "" {
		c.add("name", "Give the bed a name.")
	}
	for _, bed := range s.beds {
		if bed.ID != id && strings.EqualFold(bed.Name, row.Name) {
			c.add("name", "There is already a bed called %s.", bed.Name)
		}
	}
	if math.IsNaN(row.TurnDeg) {
		c.add("turn", "Write the turn in degrees.")
	}
	if in.SunHours < 0 || in.SunHours > 24 || math.IsNaN(in.SunHours) {
		c.add("sunHours", "Hours of sun lie between 0 and 24.")
	}
	if !slices.Contains(moistures, in.Moisture) {
		c.add("moisture", "Choose dry, fresh, moist or wet.")
	}
	if _, err := suitability.Parse(in.Unsafe); err != nil {
		c.addError("unsafe", err)
	}
	if len(c.faults) == 0 {
		at := store.Bed{XM: row.XM, YM: row.YM, WidthM: row.WidthM, DepthM: row.DepthM, TurnDeg: row.TurnDeg}
		if !insidePlot(at, s.site.WidthM, s.site.DepthM) {
			c.add("x", "The bed reaches outside the plot, which is %s by %s. Move it or make it smaller.",
				s.units.GroundLength(s.site.WidthM), s.units.GroundLength(s.site.DepthM))
		}
	}
	return row, c.err()
}

// insidePlot tells whether all corners of a bed lie on a plot of a width and
// depth in metres. A centimetre is forgiven.
func insidePlot(bed store.Bed, widthM, depthM float64) bool {
	const slack = 0.01
	sin, cos := math.Sincos(bed.TurnDeg * math.Pi / 180)
	for _, corner := range [][2]float64{{-1, -1}, {1, -1}, {1, 1}, {-1, 1}} {
		along, across := corner[0]*bed.WidthM/2, corner[1]*bed.DepthM/2
		x, y := bed.XM+along*cos-across*sin, bed.YM+along*sin+across*cos
		if x < -slack || y < -slack || x > widthM+slack || y > depthM+slack {
			return false
		}
	}
	return true
}
