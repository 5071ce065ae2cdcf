package place

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
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// PlotView is the plan of the plot on a day. Places are in metres from its upper
// left corner, to the right and down.
type PlotView struct {
	Day       calendar.Date    `json:"day"`
	WidthM    float64          `json:"widthM"`
	DepthM    float64          `json:"depthM"`
	AreaWords string           `json:"areaWords"`
	Version   say.Version      `json:"version" doc:"Of the plot's place and boundary"`
	ScaleM    float64          `json:"scaleM" doc:"A length for the scale bar"`
	ScaleText string           `json:"scaleText"`
	Boundary  geometry.Polygon `json:"boundary"`
	Drawn     bool             `json:"-"`
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
	Version    say.Version        `json:"version"`
	Name       string             `json:"name"`
	Input      BedInput           `json:"input" doc:"The bed as it would be typed"`
	At         geometry.Point     `json:"at"`
	WidthM     float64            `json:"widthM"`
	DepthM     float64            `json:"depthM"`
	Areas      []geometry.Polygon `json:"areas"`
	Hole       geometry.Polygon   `json:"hole" doc:"A ring's hole; empty for other shapes"`
	SunHours   float64            `json:"sunHours" doc:"Direct sun a day in summer: measured, or else computed"`
	SunWords   string             `json:"-"`
	Moisture   string             `json:"moisture" doc:"The likeliest; empty where nothing is known"`
	WaterFull  float64            `json:"waterFull" doc:"The share of its water that its ground has on the day; below 0 where that is not told"`
	WaterWords string             `json:"waterWords"`
	WarmthC    float64            `json:"warmthC" doc:"How much warmer than the open plot it lies, the mean of its winter nights and its days"`
	WarmthIs   string             `json:"warmthIs"`
	Purpose    string             `json:"purpose" doc:"What the bed is for; empty for nothing in particular"`
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
	Version say.Version        `json:"version"`
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
	view.PlantingBrief
	Middle  geometry.Point      `json:"middle"`
	Outline geometry.Polygon    `json:"outline" doc:"Its part of the bed"`
	WidthM  float64             `json:"widthM" doc:"Of its part of the bed, before the bed's turn"`
	DepthM  float64             `json:"depthM" doc:"Of its part of the bed, before the bed's turn"`
	Spots   []geometry.Point    `json:"spots" doc:"Where each plant stands; the first of them where they are many"`
	PlantM  float64             `json:"plantM" doc:"The width of one plant on the day"`
	Open    bool                `json:"open" doc:"Something may be taken on the day"`
	Fit     float64             `json:"fit" doc:"How well its bed suits it, 0 to 1"`
	Verdict string              `json:"verdict" enum:"well,fairly,hardly,no"`
	FitWhy  string              `json:"fitWhy"`
	Water   string              `json:"water" doc:"The water that it wants"`
	Uses    []string            `json:"uses"`
	Ground  []view.GroundNotice `json:"ground"`
}

// Plot returns the plan on a day.
func (u *Uses) Plot(ctx context.Context, on calendar.Date) (PlotView, error) {
	j, on, err := view.JudgingOn(ctx, u.plot, on)
	if err != nil {
		return PlotView{}, err
	}
	s := j.State
	v := PlotView{
		Day:       on,
		WidthM:    s.Site.WidthM,
		DepthM:    s.Site.DepthM,
		AreaWords: s.Units.Area(s.Boundary.Area()),
		Version:   plot.PlaceVersion(s.Site),
		Beds:      []BedView{},
		Items:     []ItemView{},
		Boundary:  s.Boundary,
		Drawn:     isDrawn(s.Site),
		Bearing:   s.Site.BearingDeg,
		Longitude: s.Site.Longitude,
		Uses:      flora.UseWords,
		MetresPer: 1,
		GroundIn:  s.Units.GroundUnit(),
	}
	v.ScaleM, v.ScaleText = 5, "5 m"
	if s.Units == "us" {
		const foot = 0.3048
		v.MetresPer = foot
		v.ScaleM, v.ScaleText = 20*foot, "20 ft"
	}
	for _, it := range s.Items {
		v.Items = append(v.Items, viewItem(s, it, j))
	}
	for _, bed := range s.Beds {
		b := viewBed(s, bed, on)
		for _, p := range s.StandingIn(bed.ID) {
			b.Plantings = append(b.Plantings, viewPlanted(s, p, bed, j, on))
		}
		v.Beds = append(v.Beds, b)
	}
	return v, nil
}

func viewBed(s *plot.State, bed store.Bed, on calendar.Date) BedView {
	form := s.Forms[bed.ID]
	region := form.Region()
	b := BedView{
		ID:        bed.ID,
		Version:   say.VersionOf(bed),
		Name:      bed.Name,
		Input:     bedInput(s, bed),
		At:        form.At,
		WidthM:    form.Width,
		DepthM:    form.Depth,
		Areas:     region.Areas,
		Hole:      view.NonNil(region.Hole),
		Purpose:   bed.Purpose,
		Unsafe:    bed.Unsafe,
		UnsafeWhy: suitability.UnsafeGround(bed.Unsafe).Why(),
		Note:      bed.Note,
		Area:      s.Units.Area(form.Area()),
		Plantings: []PlantedView{},
	}
	hours, measured := s.SummerHours(bed)
	b.SunHours, b.SunWords = say.Round1(hours), say.HoursWords(hours)+" sun"
	if measured {
		b.SunWords += ", measured"
	}
	for _, aspect := range ground.Aspects() {
		belief := s.Beliefs[bed.ID][aspect.ID]
		if !belief.Known() {
			b.Unknown++
		} else if aspect.ID == ground.Moisture {
			likely, _ := belief.Likeliest()
			b.Moisture = aspect.Words[likely]
		}
		b.AgainstOne = b.AgainstOne || len(belief.Against) > 0
	}
	b.Words = strings.TrimPrefix(b.Moisture+" · "+say.HoursWords(hours)+" sun", " · ")
	if bed.Purpose != "" {
		b.Words = "for " + bed.Purpose + " · " + b.Words
	}
	b.Size = sizeWords(s, form)
	b.WaterFull = -1
	if full, words, told := view.WaterOn(s, bed, on); told {
		b.WaterFull, b.WaterWords = full, words
	}
	spot := view.SpotOf(s, bed)
	b.WarmthC, b.WarmthIs = (spot.NightC+spot.DayC)/2, spot.Words
	return b
}

// sizeWords say a form's size: "6 m by 1.2 m", "40 cm across".
func sizeWords(s *plot.State, form plan.Form) string {
	length := s.Units.GroundLength
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

func viewPlanted(s *plot.State, p *plot.Planting, bed store.Bed, j view.Judging, on calendar.Date) PlantedView {
	v := PlantedView{
		PlantingBrief: view.Brief(
			s,
			p,
			on,
		),
		Middle:  p.Area.Middle,
		Outline: p.Area.Outline,
		WidthM:  p.Area.Width,
		DepthM:  p.Area.Depth,
		Spots:   view.NonNil(p.Spots),
		Water:   waterWord(p.Species),
		Uses:    view.NonNil(p.Species.Site.Uses),
		Ground:  view.Notices(p),
	}
	if forecast, year := s.ForecastOn(p, on); forecast != nil {
		v.PlantM = forecast.SizeOn(p.Species, year, on).Width * s.MeasuredScale(p)
		v.PlantM = math.Min(v.PlantM, 1.2*math.Max(p.Area.Width, p.Area.Depth))
	}
	v.Open = view.ReadyWords(s, p, on) != ""
	answer := suitability.Judge(p.Species, j.Place(bed, j.Lore, j.Lows, p), s.WantedM2(p))
	v.Fit, v.Verdict = say.Round2(answer.Value), view.VerdictOf(answer.Value)
	if worst := answer.Scores[0]; worst.Falls() {
		v.FitWhy = view.NeedWords(s.Units, p.Species, worst)
	}
	return v
}

// bearsWords say which plants of the library are on record as bearing a poisoning
// tree, and which as suffering from it.
func bearsWords(j view.Judging, tree string) string {
	var bear, suffer []string
	for _, species := range j.Species {
		if slices.Contains(species.Site.Bears, tree) {
			bear = append(bear, species.Names.Name)
		}
		if slices.Contains(species.Site.Suffers, tree) {
			suffer = append(suffer, species.Names.Name)
		}
	}
	if len(bear)+len(suffer) == 0 {
		return fmt.Sprintf(
			"Of the library's %d plants, none is on record as bearing it or suffering from it: try one plant first.",
			len(j.Species),
		)
	}
	words := "On record as bearing it: " + cmp.Or(say.Joined(bear), "none") + "."
	return words + " As suffering from it: " + cmp.Or(say.Joined(suffer), "none") + ". Of all others nothing is on record."
}

func viewItem(s *plot.State, it plot.Item, j view.Judging) ItemView {
	v := ItemView{
		ID:      it.ID,
		Version: say.VersionOf(it.PlanItem),
		Kind:    it.PlanItem.Kind,
		Name:    it.Name,
		Input:   ItemAsTyped(s, it),
		At:      it.Form.At,
		WidthM:  it.Form.Width,
		DepthM:  it.Form.Depth,
		Areas:   it.Form.Region().Areas,
		Path:    it.Form.Path(),
		ReachM:  it.Item.Traits.Reach(it.Item.Kind),
		Shades:  it.Item.Kind.Shade != plan.NoShade,
		Means:   it.Item.Kind.Means,
		Words:   sizeWords(s, it.Form),
	}
	t := it.Item.Traits
	if it.Item.Kind.Has(plan.Height) {
		v.Words += ", " + s.Units.GroundLength(t.HeightM) + " high"
	}
	if t.Leaf != "" {
		v.Words += ", " + leafWords(t)
	}
	if kind := it.Item.Kind.Kind; kind == plan.Tree || kind == plan.Hedge || kind == plan.Fence {
		v.Words += ", " + lightWords(it.Item)
	}
	if tree, known := j.Lore.Tree(t.Tree); known {
		v.Poison, v.ReachM = true, s.TreeReachM(it, tree)-it.Form.Width/2
		v.Words += ". Poisons the ground: " + tree.Why
		v.Bears = bearsWords(j, tree.ID)
	}
	if it.Item.Kind.Kind == plan.Slope {
		v.Words += fmt.Sprintf(", falls %s m in 100 m to the %s", say.Number(t.FallPercent), compassWord(t.FacesDeg))
	}
	if t.DepthM > 0 {
		v.Words += ", " + s.Units.PlantLength(t.DepthM) + " deep"
	}
	if t.Unsafe != "" {
		v.Words += ". " + say.Capital(t.Unsafe) + ": " + suitability.UnsafeGround(t.Unsafe).Why()
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
