package garden

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/geometry"
	"bramblyacre/core/ground"
	"bramblyacre/core/plan"
	"bramblyacre/core/suitability"
	"bramblyacre/store"
)

// PlotView is the plan of the plot on a day. Places are in metres from its upper
// left corner, to the right and down.
type PlotView struct {
	Day       calendar.Date    `json:"day"`
	WidthM    float64          `json:"widthM"`
	DepthM    float64          `json:"depthM"`
	AreaWords string           `json:"areaWords"`
	Version   Version          `json:"version" doc:"Of the plot's place and boundary"`
	ScaleM    float64          `json:"scaleM" doc:"A length for the scale bar"`
	ScaleText string           `json:"scaleText"`
	Boundary  geometry.Polygon `json:"boundary"`
	Drawn     bool             `json:"boundaryDrawn" doc:"The boundary is drawn, and not the plot's rectangle"`
	Bearing   float64          `json:"bearingDeg" doc:"The way that the upper edge looks, clockwise from true north"`
	Longitude *float64         `json:"longitude,omitempty"`
	MetresPer float64          `json:"metresPerUnit" doc:"The grower's unit of ground in metres, for labels while dragging"`
	GroundIn  string           `json:"groundUnit"`
	Beds      []BedView        `json:"beds"`
	Items     []ItemView       `json:"items"`
	Uses      []string         `json:"uses" doc:"Uses that plants are grouped by"`
}

// BedView is a bed with what stands in it.
type BedView struct {
	ID         int64              `json:"id"`
	Version    Version            `json:"version"`
	Name       string             `json:"name"`
	Input      BedInput           `json:"input" doc:"The bed as it would be typed"`
	At         geometry.Point     `json:"at"`
	WidthM     float64            `json:"widthM"`
	DepthM     float64            `json:"depthM"`
	Areas      []geometry.Polygon `json:"areas"`
	Hole       geometry.Polygon   `json:"hole" doc:"A ring's hole; empty for other shapes"`
	SunHours   float64            `json:"sunHours" doc:"Direct sun a day in summer: measured, or else computed"`
	SunWords   string             `json:"sunWords"`
	Moisture   string             `json:"moisture" doc:"The likeliest; empty where nothing is known"`
	Unsafe     string             `json:"unsafe"`
	UnsafeWhy  string             `json:"unsafeWhy"`
	Note       string             `json:"note"`
	Words      string             `json:"words"`
	Size       string             `json:"size" doc:"6 m by 1.2 m"`
	Area       string             `json:"area"`
	Unknown    int                `json:"unknown" doc:"Aspects of its ground that nobody has said or read anything of"`
	AgainstOne bool               `json:"contradicts" doc:"What was said and read of its ground contradicts itself"`
	Plantings  []PlantedView      `json:"plantings"`
}

// ItemView is a thing on the plan other than a bed.
type ItemView struct {
	ID      int64              `json:"id"`
	Version Version            `json:"version"`
	Kind    string             `json:"kind"`
	Name    string             `json:"name"`
	Input   ItemInput          `json:"input" doc:"The thing as it would be typed"`
	At      geometry.Point     `json:"at"`
	WidthM  float64            `json:"widthM"`
	DepthM  float64            `json:"depthM"`
	Areas   []geometry.Polygon `json:"areas"`
	Path    geometry.Polygon   `json:"path" doc:"A line's points, or an outline closed"`
	ReachM  float64            `json:"reachM" doc:"How far its effect goes beyond its own ground"`
	Poison  bool               `json:"poison" doc:"A tree that poisons the ground within its reach"`
	Shades  bool               `json:"shades"`
	Words   string             `json:"words"`
	Means   string             `json:"means" doc:"What the computation makes of it"`
	Bears   string             `json:"bears" doc:"Which plants are on record as bearing a poisoning tree; empty for others"`
}

// PlantedView is a planting on the plan.
type PlantedView struct {
	PlantingBrief
	Middle  geometry.Point   `json:"middle"`
	Outline geometry.Polygon `json:"outline" doc:"Its part of the bed"`
	WidthM  float64          `json:"widthM" doc:"Of its part of the bed, before the bed's turn"`
	DepthM  float64          `json:"depthM" doc:"Of its part of the bed, before the bed's turn"`
	Spots   []geometry.Point `json:"spots" doc:"Where each plant stands; the first of them where they are many"`
	PlantM  float64          `json:"plantM" doc:"The width of one plant on the day"`
	Open    bool             `json:"open" doc:"Something may be taken on the day"`
	Fit     float64          `json:"fit" doc:"How well its bed suits it, 0 to 1"`
	Verdict string           `json:"verdict" enum:"well,fairly,hardly,no"`
	FitWhy  string           `json:"fitWhy"`
	Water   string           `json:"water" doc:"The water that it wants"`
	Uses    []string         `json:"uses"`
	Ground  []GroundNotice   `json:"ground"`
}

// PlantingBrief names a planting and says how it stands on a day.
type PlantingBrief struct {
	ID         int64       `json:"id"`
	Version    Version     `json:"version"`
	BedID      int64       `json:"bedId"`
	Bed        string      `json:"bed"`
	SpeciesID  string      `json:"speciesId"`
	Name       string      `json:"name"`
	Botanical  string      `json:"botanical"`
	Plants     int         `json:"plants"`
	PlantWords string      `json:"plantWords" doc:"7 plants, third year, from a division"`
	Identity   string      `json:"identity"`
	Stage      flora.Stage `json:"stage"`
	StageWords string      `json:"stageWords"`
	SeenWords  string      `json:"seenWords"`
	Height     string      `json:"height"`
	Width      string      `json:"width"`
	KeepsLeaf  bool        `json:"keepsLeaf"`
}

// Plot returns the plan on a day.
func (g *Garden) Plot(ctx context.Context, on calendar.Date) (PlotView, error) {
	j, on, err := g.judgingOn(ctx, on)
	if err != nil {
		return PlotView{}, err
	}
	s := j.state
	v := PlotView{
		Day: on, WidthM: s.site.WidthM, DepthM: s.site.DepthM, AreaWords: s.units.Area(s.boundary.Area()), Version: placeVersion(s.site), Beds: []BedView{}, Items: []ItemView{},
		Boundary: s.boundary, Drawn: isDrawn(s.site), Bearing: s.site.BearingDeg, Longitude: s.site.Longitude, Uses: flora.UseWords,
		MetresPer: 1, GroundIn: s.units.GroundUnit(),
	}
	v.ScaleM, v.ScaleText = 5, "5 m"
	if s.units == "us" {
		const foot = 0.3048
		v.MetresPer = foot
		v.ScaleM, v.ScaleText = 20*foot, "20 ft"
	}
	for _, it := range s.items {
		v.Items = append(v.Items, s.viewItem(it, j))
	}
	for _, bed := range s.beds {
		b := s.viewBed(bed)
		for _, p := range s.standingIn(bed.ID) {
			b.Plantings = append(b.Plantings, s.viewPlanted(p, bed, j, on))
		}
		v.Beds = append(v.Beds, b)
	}
	return v, nil
}

func (s *state) viewBed(bed store.Bed) BedView {
	form := s.forms[bed.ID]
	region := form.Region()
	b := BedView{
		ID: bed.ID, Version: versionOf(bed), Name: bed.Name, Input: s.bedInput(bed), At: form.At, WidthM: form.Width, DepthM: form.Depth,
		Areas: region.Areas, Hole: nonNil(region.Hole), Unsafe: bed.Unsafe, UnsafeWhy: suitability.UnsafeGround(bed.Unsafe).Why(), Note: bed.Note,
		Area: s.units.Area(form.Area()), Plantings: []PlantedView{},
	}
	hours, measured := s.summerHours(bed)
	b.SunHours, b.SunWords = round1(hours), hoursWords(hours)+" sun"
	if measured {
		b.SunWords += ", measured"
	}
	for _, aspect := range ground.Aspects() {
		belief := s.beliefs[bed.ID][aspect.ID]
		if !belief.Known() {
			b.Unknown++
		} else if aspect.ID == ground.Moisture {
			likely, _ := belief.Likeliest()
			b.Moisture = aspect.Words[likely]
		}
		b.AgainstOne = b.AgainstOne || len(belief.Against) > 0
	}
	b.Words = strings.TrimPrefix(b.Moisture+" · "+hoursWords(hours)+" sun", " · ")
	b.Size = s.sizeWords(form)
	return b
}

// sizeWords say a form's size: "6 m by 1.2 m", "40 cm across".
func (s *state) sizeWords(form plan.Form) string {
	length := s.units.GroundLength
	switch form.Shape {
	case plan.Round:
		return length(form.Width) + " across"
	case plan.Ring:
		return length(form.Width) + " across, its hole " + length(form.Inner)
	case plan.Line:
		return length(geometry.Length(form.Points)) + " long, " + length(form.Width) + " broad"
	}
	return length(form.Width) + " by " + length(form.Depth)
}

func (s *state) viewPlanted(p *planting, bed store.Bed, j judging, on calendar.Date) PlantedView {
	v := PlantedView{
		PlantingBrief: s.brief(p, on), Middle: p.area.middle, Outline: p.area.outline, WidthM: p.area.width, DepthM: p.area.depth, Spots: nonNil(p.spots),
		Water: waterWord(p.species), Uses: nonNil(p.species.Site.Uses), Ground: p.notices(),
	}
	if forecast, year := s.on(p, on); forecast != nil {
		v.PlantM = forecast.SizeOn(p.species, year, on).Width * s.measuredScale(p)
		v.PlantM = math.Min(v.PlantM, 1.2*math.Max(p.area.width, p.area.depth))
	}
	v.Open = s.readyWords(p, on) != ""
	answer := suitability.Judge(p.species, j.place(bed, j.lore, j.lows, p), s.wantedM2(p))
	v.Fit, v.Verdict = round2(answer.Value), verdictOf(answer.Value)
	if worst := answer.Scores[0]; worst.Falls() {
		v.FitWhy = needWords(s.units, p.species, worst)
	}
	return v
}

// bearsWords say which plants of the library are on record as bearing a poisoning
// tree, and which as suffering from it.
func (j judging) bearsWords(tree string) string {
	var bear, suffer []string
	for _, species := range j.species {
		if slices.Contains(species.Site.Bears, tree) {
			bear = append(bear, species.Names.Name)
		}
		if slices.Contains(species.Site.Suffers, tree) {
			suffer = append(suffer, species.Names.Name)
		}
	}
	if len(bear)+len(suffer) == 0 {
		return fmt.Sprintf("Of the library's %d plants, none is on record as bearing it or suffering from it: try one plant first.", len(j.species))
	}
	words := "On record as bearing it: " + cmp.Or(joined(bear), "none") + "."
	return words + " As suffering from it: " + cmp.Or(joined(suffer), "none") + ". Of all others nothing is on record."
}

func (s *state) viewItem(it item, j judging) ItemView {
	v := ItemView{
		ID: it.ID, Version: versionOf(it.PlanItem), Kind: it.PlanItem.Kind, Name: it.Name, Input: s.itemInput(it), At: it.Form.At, WidthM: it.Form.Width, DepthM: it.Form.Depth,
		Areas: it.Form.Region().Areas, Path: it.Form.Path(), ReachM: it.Item.Traits.Reach(it.Item.Kind), Shades: it.Item.Kind.Shade != plan.NoShade,
		Means: it.Item.Kind.Means, Words: s.sizeWords(it.Form),
	}
	t := it.Item.Traits
	if it.Item.Kind.Has(plan.Height) {
		v.Words += ", " + s.units.GroundLength(t.HeightM) + " high"
	}
	if t.Leaf != "" {
		v.Words += ", " + leafWords(t)
	}
	if kind := it.Item.Kind.Kind; kind == plan.Tree || kind == plan.Hedge || kind == plan.Fence {
		v.Words += ", " + lightWords(it.Item)
	}
	if tree, known := j.lore.Tree(t.Tree); known {
		v.Poison, v.ReachM = true, s.treeReachM(it, tree)-it.Form.Width/2
		v.Words += ". Poisons the ground: " + tree.Why
		v.Bears = j.bearsWords(tree.ID)
	}
	if it.Item.Kind.Kind == plan.Slope {
		v.Words += fmt.Sprintf(", falls %s m in 100 m to the %s", number(t.FallPercent), compassWord(t.FacesDeg))
	}
	if t.Unsafe != "" {
		v.Words += ". " + capital(t.Unsafe) + ": " + suitability.UnsafeGround(t.Unsafe).Why()
	}
	return v
}

// lightWords say how much light a thing lets through, and what that rests on.
func lightWords(it plan.Item) string {
	light := it.Traits.LightThrough(it.Kind)
	least, most := slices.Min(light[:]), slices.Max(light[:])
	words := fmt.Sprintf("lets %.0f %% of the light through", 100*least)
	if most > least {
		words = fmt.Sprintf("lets %.0f %% of the light through in leaf, %.0f %% bare", 100*least, 100*most)
	}
	if it.Traits.LetsThrough == nil {
		words += " (a guess)"
	}
	return words
}

func leafWords(t plan.Traits) string {
	if t.Leaf == plan.Deciduous {
		return fmt.Sprintf("in leaf %s to %s", t.LeafFrom, t.LeafUntil)
	}
	return t.Leaf
}

// brief says how a planting stands on a day.
func (s *state) brief(p *planting, on calendar.Date) PlantingBrief {
	forecast, year := s.on(p, on)
	b := PlantingBrief{
		ID: p.ID, Version: versionOf(p.Planting), BedID: p.BedID, Bed: p.bed.Name, SpeciesID: p.SpeciesID, Name: p.species.Names.Name, Botanical: p.species.Names.Botanical,
		Plants: p.standing(), Identity: string(p.identity), KeepsLeaf: p.species.Life.KeepsLeaf,
		PlantWords: counted(float64(p.standing()), "plant", "plants") + ", " + p.origin.Name,
		SeenWords:  s.seenWords(p),
	}
	if year > 0 { // one that was removed has no year to be in
		b.PlantWords = fmt.Sprintf("%s, %s, %s", counted(float64(p.standing()), "plant", "plants"), yearWords(year), p.origin.Name)
	}
	if forecast == nil {
		b.StageWords = "has lived its life"
		return b
	}
	index, chance := forecast.MostOn(on)
	b.Stage = forecast.Stages[index]
	b.StageWords = b.Stage.String()
	if chance < 0.75 {
		b.StageWords += ", " + inTen(chance)
	}
	size := forecast.SizeOn(p.species, year, on)
	scale := s.measuredScale(p)
	b.Height, b.Width = s.units.PlantLength(size.Height*scale), s.units.PlantLength(size.Width*scale)
	return b
}

// seenWords says when a planting was last looked at.
func (s *state) seenWords(p *planting) string {
	if len(p.sightings) == 0 {
		return "never looked at"
	}
	last := p.sightings[len(p.sightings)-1]
	day := last.Day.DayMonth()
	switch {
	case last.Day == s.today:
		day = "today"
	case last.Day.Year() != s.today.Year():
		day += fmt.Sprintf(" %d", last.Day.Year())
	}
	return fmt.Sprintf("seen %s: %s, %s", day, last.Stage, last.Share)
}
