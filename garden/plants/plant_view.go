package plants

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/core/identity"
	"bramblyacre/core/spelling"
	"bramblyacre/core/unit"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// PlantView is one plant of the library.
type PlantView struct {
	PlantBrief
	OtherNames  []string             `json:"otherNames" doc:"With their language"`
	Former      []string             `json:"former"`
	SameName    []string             `json:"sameName" doc:"Other plants that share a name with it"`
	Facts       []PlantFact          `json:"facts" doc:"Size, place, cold, roots, spread"`
	Parts       []PlantPart          `json:"parts"`
	Care        []string             `json:"care"`
	Cautions    []string             `json:"cautions"`
	LookAlikes  []view.OwedCheck     `json:"lookAlikes" doc:"The most dangerous first"`
	Years       []PlantYear          `json:"years" doc:"Its year, for each stretch of its life"`
	ForMe       []view.ForMe         `json:"forMe"`
	Memory      []string             `json:"memory"`
	Plantings   []view.PlantingBrief `json:"plantings" doc:"What stands of it on the plot"`
	SeasonStart calendar.Date        `json:"seasonStart"`
	SeasonEnd   calendar.Date        `json:"seasonEnd"`
	Today       calendar.Date        `json:"today"`

	Danger      string                `json:"danger" doc:"What it does to someone who takes it for another plant"`
	Used        bool                  `json:"used" doc:"False for a plant that is never offered for use"`
	Kin         string                `json:"kin" doc:"Where the common name or the genus misleads"`
	Wildlife    string                `json:"wildlife"`
	Watch       string                `json:"watch" doc:"Why it needs watching"`
	Law         string                `json:"law"`
	Propagation []PlantWay            `json:"propagation"`
	Spread      []PlantWay            `json:"spread"`
	Rid         string                `json:"rid" doc:"How it is got rid of; empty for not on record"`
	ThrowAway   string                `json:"throwAway" doc:"How what was taken out is thrown away"`
	Flowering   []PlantFact           `json:"flowering"`
	Native      string                `json:"native" doc:"Where it is native, broadly; empty for not on record"`
	Nuisance    string                `json:"nuisance" doc:"Where it is a nuisance, broadly"`
	Troubles    []PlantTrouble        `json:"troubles"`
	Kinds       []PlantKind           `json:"kinds"`
	Poison      PlantPoison           `json:"poison" doc:"Of a dangerous plant; empty for another"`
	Works       []string              `json:"works" doc:"The works that its figures and cautions rest on"`
	Characters  []view.PlantCharacter `json:"characters" doc:"What it is known by, the musts first"`
	CautionList view.CautionsView     `json:"cautionList" doc:"With whom of the household they are for"`
	Notes       []view.PlantNoteView  `json:"notes"`
	Customs     bool                  `json:"customs" doc:"Customs are switched on"`
	Figures     []FigureView          `json:"figures" doc:"Those that may be replaced by the grower's own"`
	Own         bool                  `json:"own" doc:"The whole plant is the grower's"`
	Fault       string                `json:"fault" doc:"Why an own figure or plant is not in force; empty for none"`
}

// PlantFact is one thing to know of a plant, with what it rests on.
type PlantFact struct {
	Name     string `json:"name"`
	Words    string `json:"words"`
	Standing string `json:"standing"`
}

// PlantPart is a part with its verdict, and when and how it is taken.
type PlantPart struct {
	Name     string      `json:"name"`
	Verdicts []string    `json:"verdicts"`
	Use      string      `json:"use"`
	Standing string      `json:"standing" doc:"Of the use: traditional, studied, disputed; empty for no use"`
	When     string      `json:"when" doc:"Empty where it is not taken"`
	How      string      `json:"how"`
	Hazards  []string    `json:"hazards"`
	Cautions []string    `json:"cautions"`
	Warns    bool        `json:"warns" doc:"The part is poisonous"`
	Keep     []PlantFact `json:"keep" doc:"How it is picked at its best, dried, frozen and made into something"`
}

// PlantYear is a usual year of a plant here, from one year of life on.
type PlantYear struct {
	Title   string           `json:"title"`
	Stages  []view.StageBand `json:"stages"`
	Windows []PartWindow     `json:"windows"`
}

// PartWindow is when a part is usually taken.
type PartWindow struct {
	Part  string        `json:"part"`
	Verb  string        `json:"verb"`
	First calendar.Date `json:"first"`
	Last  calendar.Date `json:"last"`
	Words string        `json:"words"`
	// Unproved says in which months of the window the plant cannot be proved.
	Unproved string `json:"unproved" doc:"In which of those months too little shows to prove it, against what; empty for none"`
}

// Plant returns one plant of the library, with its usual year on this plot.
func (u *Uses) Plant(ctx context.Context, id string, on calendar.Date) (PlantView, error) {
	j, on, err := view.JudgingOn(ctx, u.plot, on)
	if err != nil {
		return PlantView{}, err
	}
	species, has := j.Lib.Species(id)
	if !has {
		return PlantView{}, say.NotFoundError{What: "plant in the library"}
	}
	brief, _, err := plantBrief(j, species, on, PlantsFilter{})
	if err != nil {
		return PlantView{}, err
	}
	v := PlantView{
		PlantBrief: brief,
		OtherNames: []string{},
		Former:     view.NonNil(species.Names.Former),
		SameName:   sameNames(j, species),
		Facts:      plantFacts(j.Units, species),
		Parts:      []PlantPart{},
		Care:       []string{},
		Cautions:   []string{},
		LookAlikes: view.ViewLookAlikes(identity.LookAlikes(species)),
		Years:      []PlantYear{},
		ForMe: view.ForMeAnswers(
			j.State,
			species,
		),
		Memory:      view.Memory(j.State, 0, id),
		Plantings:   []view.PlantingBrief{},
		SeasonStart: j.Season.Start,
		SeasonEnd:   j.Season.End,
		Today:       j.Today,
	}
	v.Danger, v.Used, v.Kin = species.Identity.Danger, species.IsUsed(), species.Identity.Kin
	v.Wildlife, v.Watch, v.Law = species.Wildlife, species.Watch, species.Law
	v.Characters, v.CautionList = view.CharactersOf(j.Lib.Rules(id)), view.CautionsOf(j.State, species, "", "")
	v.Propagation, v.Spread = propagationOf(j.Units, species), spreadOf(j.Units, species)
	v.Rid, v.ThrowAway, v.Flowering = species.Hold.Rid, species.Hold.ThrowAway, floweringOf(species)
	v.Native, v.Nuisance = species.Range.Native, species.Range.Nuisance
	v.Troubles, v.Kinds, v.Poison = troublesOf(species), kindsOf(species), poisonOf(species)
	v.Works = worksOf(j.Lib, species)
	v.Notes, v.Customs, v.Figures = view.NotesOn(j.State, id), j.Site.Customs != 0, figuresOf(j.State, species)
	if origin, has := j.Lib.Origin(id); has {
		v.Own = origin.Own
	}
	if err := u.plot.OwnFault(id); err != nil {
		v.Fault = fileFault(err)
	}
	for _, common := range species.Names.Common {
		v.OtherNames = append(v.OtherNames, fmt.Sprintf("%s (%s)", common.Name, common.Language))
	}
	for _, part := range species.Parts {
		v.Parts = append(v.Parts, viewPart(j.State, species, part))
	}
	for _, care := range species.Care {
		v.Care = append(
			v.Care,
			fmt.Sprintf("%s %s, %s. %s", care.Verb, care.What, bandWords(care.From, care.Until), care.Why),
		)
	}
	for _, caution := range species.Cautions {
		about := ""
		if len(caution.Parts) > 0 {
			about = " (" + say.Joined(caution.Parts) + ", " + caution.Route + ")"
		}
		v.Cautions = append(v.Cautions, say.Capital(caution.Who)+about+": "+caution.Text)
	}
	for _, year := range species.Growth.Years {
		view, err := plantYear(j, species, year.From)
		if err != nil {
			return v, err
		}
		v.Years = append(v.Years, view)
	}
	for _, p := range j.Plantings {
		if p.SpeciesID == id {
			v.Plantings = append(v.Plantings, view.Brief(j.State, p, on))
		}
	}
	return v, nil
}

// sameNames warn of other plants that share a name: of the library, and of those
// that it is mistaken for. A grower's copy of a plant is the same plant.
func sameNames(j view.Judging, species *flora.Species) []string {
	own := map[string]bool{}
	for _, name := range plot.AllNames(species) {
		own[spelling.Plain(name)] = true
	}
	words := []string{}
	for _, other := range j.Species {
		if other.ID == species.ID || flora.SamePlant(other, species) {
			continue
		}
		for _, name := range plot.AllNames(other) {
			if own[spelling.Plain(name)] {
				words = append(
					words,
					fmt.Sprintf("“%s” is also a name of %s (%s), another plant.", name, other.Names.Name, other.Names.Botanical),
				)
			}
		}
	}
	for _, l := range species.LookAlikes {
		if sharesWord(species, l) {
			words = append(words, fmt.Sprintf("Not %s (%s): %s", l.Name, l.Botanical, l.Decides))
		}
	}
	return words
}

// sharesWord tells whether a look-alike's name ends in the same word as a name of
// the species, as red valerian does.
func sharesWord(species *flora.Species, l flora.LookAlike) bool {
	last := func(name string) string {
		words := strings.Fields(spelling.Plain(name))
		if len(words) == 0 {
			return ""
		}
		return words[len(words)-1]
	}
	return last(l.Name) != "" && last(l.Name) == last(species.Names.Name)
}

func viewPart(s *plot.State, species *flora.Species, part flora.Part) PlantPart {
	v := PlantPart{
		Name:     part.Name,
		Verdicts: []string{},
		Use:      part.Use,
		Standing: part.UseStanding,
		Hazards:  []string{},
		Cautions: view.CautionLines(s, species, part.Name),
		Keep:     keepOf(s.Units, part),
	}
	for _, verdict := range part.Verdicts {
		v.Verdicts = append(v.Verdicts, string(verdict))
		v.Warns = v.Warns || verdict == flora.Poisonous
	}
	if rule := part.Harvest; rule != nil {
		from := say.YearWords(int(rule.MinYear.Value))
		v.When = fmt.Sprintf("%s, from the %s on", bandWords(rule.From, rule.Until), from)
		v.How = fmt.Sprintf(
			"%s %s %s",
			rule.Sign,
			rule.Way,
			fmt.Sprintf(
				"No more than %s; %s is left for %s.",
				say.ShareWords(rule.CutShare.Value),
				say.ShareWords(rule.Floor.Value),
				rule.FloorFor,
			),
		)
		v.Hazards = view.NonNil(rule.Hazards)
	}
	return v
}

// bandWords say a band of stages.
func bandWords(from, until flora.Stage) string { return fmt.Sprintf("from %s until %s", from, until) }

// plantFacts are what to know of a plant's size and place.
func plantFacts(units unit.System, s *flora.Species) []PlantFact {
	length := func(f flora.Figure) string {
		return units.PlantLengths(f.Low/100, f.High/100)
	}
	words := func(r flora.WordRange) string {
		text := r.From
		if r.To != r.From {
			text += " to " + r.To
		}
		if r.Low != r.From || r.High != r.To {
			text += fmt.Sprintf("; bears %s to %s", r.Low, r.High)
		}
		return text
	}
	cold := "bears about " + units.Temperature(s.Site.Cold.Value)
	if s.Site.ColdNote != "" {
		cold += "; " + s.Site.ColdNote
	}
	sun := fmt.Sprintf("%s to %s h a day in summer", say.Number(s.Site.Sun.From), say.Number(s.Site.Sun.To))
	if s.Site.Sun.To >= 13 {
		sun = fmt.Sprintf("%s h a day in summer or more", say.Number(s.Site.Sun.From))
	}
	return []PlantFact{
		{"height", length(s.Size.Height), s.Size.Height.Standing.String()},
		{"width", length(s.Size.Width), s.Size.Width.Standing.String()},
		{"full-grown", "in its " + say.YearWords(int(s.Life.FullAge.Value)), s.Life.FullAge.Standing.String()},
		{"sun", sun, s.Site.Sun.Standing.String()},
		{"moisture", words(s.Site.Moisture), s.Site.Moisture.Standing.String()},
		{"drainage", words(s.Site.Drainage), s.Site.Drainage.Standing.String()},
		{"soil", words(s.Site.Texture), s.Site.Texture.Standing.String()},
		{
			"pH",
			fmt.Sprintf("%s to %s", say.Number(s.Site.Acidity.From), say.Number(s.Site.Acidity.To)),
			s.Site.Acidity.Standing.String(),
		},
		{"fertility", words(s.Site.Fertility), s.Site.Fertility.Standing.String()},
		{"shelter", words(s.Site.Shelter), s.Site.Shelter.Standing.String()},
		{"winter cold", cold, s.Site.Cold.Standing.String()},
		{
			"roots",
			fmt.Sprintf("%s, reaching %s", s.Site.Roots, units.PlantLength(s.Site.RootReach.Value/100)),
			s.Site.RootReach.Standing.String(),
		},
		{"spread", s.Site.Spread + ". " + s.Site.SpreadNote, flora.Usual.String()},
		{"grown for", grownFor(s), flora.Usual.String()},
	}
}

// grownFor says what a plant is grown for.
func grownFor(s *flora.Species) string {
	if len(s.Site.Uses) == 0 {
		return "nothing: it is not grown for use"
	}
	return say.Joined(s.Site.Uses)
}

// plantYear is the usual year of a species here from one year of life on.
func plantYear(j view.Judging, species *flora.Species, from int) (PlantYear, error) {
	year := from
	if next := slices.IndexFunc(species.Growth.Years, func(y flora.YearOfLife) bool { return y.From > from }); next < 0 {
		year = max(from, species.FullGrownYear())
	}
	forecast, err := j.Typical(species, year)
	if err != nil {
		return PlantYear{}, err
	}
	v := PlantYear{Title: say.Capital(say.YearWords(year)), Stages: []view.StageBand{}, Windows: []PartWindow{}}
	if year != from {
		v.Title = say.Capital(say.YearWords(from)) + " and later"
	}
	for k, stage := range forecast.Stages {
		if k > 0 {
			dates := say.ViewDates(forecast.Dates(k))
			v.Stages = append(
				v.Stages,
				view.StageBand{Stage: stage, BBCH: stage.BBCH(), Dates: dates, Past: dates.P50 <= j.Today},
			)
		}
	}
	rules := j.Lib.Rules(species.ID)
	const longSettled = 50 // no window is held back for having been set lately
	for _, w := range harvest.Windows(forecast, species, harvest.Age{Year: year, Seasons: longSettled}) {
		first, last, opens := w.LikelyDays()
		if !opens {
			continue
		}
		v.Windows = append(
			v.Windows,
			PartWindow{
				w.Part.Name,
				w.Part.Harvest.Verb,
				first,
				last,
				strings.TrimSpace(fmt.Sprintf("%s %s, %s %s", w.Part.Harvest.Verb, w.Part.Name, calendar.Span(first, last), w.Flush)),
				unprovedWords(rules, forecast, first, last),
			},
		)
	}
	return v, nil
}
