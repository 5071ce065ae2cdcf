package bench

import (
	"cmp"
	"fmt"
	"slices"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/harvest"
	"bramblyacre/core/parallel"
	"bramblyacre/core/propagation"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// ask is what is wanted: so many of a species, in a bed or anywhere, by a day or whenever.
type ask struct {
	species *flora.Species
	wanted  int
	by      calendar.Date
	bed     *store.Bed
}

// confidence is the chance with which the number to start brings as many as are wanted.
const confidence = 0.9

// variant is one way to answer an ask, in one place.
type variant struct {
	key     string
	row     *flora.Propagation
	way     propagation.WayRow
	attempt propagation.Attempt
	place   *store.RaisingPlace
	lot     *store.SeedLot
	mother  *mother
	group   *store.Volunteer
	// most is how many can be started at most, -1 for no limit; needed how many should be.
	most, needed int
	starts       int
	// possible is false where something that it cannot do without is missing.
	possible    bool
	has, lacks  []string
	outlook     propagation.Outlook
	spans       []propagation.Span
	latest      int
	latestKnown bool
}

// variants are the ways to answer an ask: each row of the species, and for what is raised each kind
// of place that the bench has.
func (u *Uses) variants(s *plot.State, of ask) ([]*variant, error) {
	w, err := u.weathers(s)
	if err != nil {
		return nil, err
	}
	var all []*variant
	windows := u.harvestSpans(s, w, of.species)
	killed := killedBelow(of.species)
	lore := s.Lib.Bench()
	out := lore.Raising.OutDays(w, killed)
	for i := range of.species.Propagations {
		row := &of.species.Propagations[i]
		way, known := propagation.WayOf(row.Way)
		if !known {
			continue
		}
		for _, place := range placesFor(s, row, way) {
			v := &variant{row: row, way: way, place: place, most: -1, possible: true, latest: -1}
			v.key = fmt.Sprintf("%d-%s", i, placeKey(place))
			v.attempt = propagation.Attempt{
				Row: *row, Weathers: w, Lore: lore, By: -1, Wanted: of.wanted, OutOn: out, KilledBelow: killed, Harvests: windows,
			}
			if of.by != plot.NoDay {
				v.attempt.By = w.Index(of.by)
			}
			if place != nil {
				at := asPlace(*place)
				v.attempt.Rise, v.attempt.Grow = &at, &at
			}
			u.equip(s, of, v)
			all = append(all, v)
		}
	}
	parallel.Each(len(all), func(i int) { u.reckon(s, all[i]) })
	return all, nil
}

func placeKey(place *store.RaisingPlace) string {
	if place == nil {
		return "ground"
	}
	return fmt.Sprint(place.ID)
}

// killedBelow is the night that kills a species; nil where none is on record.
func killedBelow(species *flora.Species) *float64 {
	below, has := species.KilledBelow()
	if !has {
		return nil
	}
	return &below.Value
}

// placesFor are the places in which a way can be gone: nil is the open ground.
func placesFor(s *plot.State, row *flora.Propagation, way propagation.WayRow) (found []*store.RaisingPlace) {
	raised := row.SetOutWeeks != nil
	standing := standingPlaces(s)
	first := func(kinds ...propagation.PlaceKind) {
		for _, kind := range kinds {
			for i := range standing {
				if standing[i].Kind == string(kind) {
					found = append(found, &standing[i])
					break
				}
			}
		}
	}
	switch {
	case way.Deed == propagation.Sow:
		if raised {
			first(propagation.IndoorShelf, propagation.ColdHouse, propagation.Outdoors)
			found = found[:min(len(found), 2)] // out of doors where there is no house
		}
		found = append(found, nil)
	case way.Cover:
		first(propagation.WarmBed, propagation.ColdHouse, propagation.IndoorShelf, propagation.Outdoors)
		found = found[:min(len(found), 1)] // how warm a cutting stands moves none of its figures
		if len(found) == 0 {
			found = append(found, nil)
		}
	case raised && way.Mother:
		first(propagation.ColdHouse, propagation.Outdoors)
		found = append(found[:min(len(found), 1)], nil)
	default:
		found = append(found, nil)
	}
	return found
}

// equip finds what a way needs and how much of it there is: seed, a mother, volunteers, cold.
func (u *Uses) equip(s *plot.State, of ask, v *variant) {
	w := v.attempt.Weathers
	today := w.Index(s.Today)
	until := w.Days - 1
	switch v.way.Deed {
	case propagation.Sow:
		u.equipSeed(s, of, v)
		if v.row.Season.Count() > 0 {
			v.spans = monthSpans(w, v.row.Season)
		}
	case propagation.Buy:
		v.has = append(v.has, "nothing is needed but the money and the way there")
		if v.row.Season.Count() > 0 {
			v.spans = monthSpans(w, v.row.Season)
		}
		if v.row.Takes == nil {
			// A bought plant lives when it is brought: what it lacks is to settle.
			takes := flora.Figure{Value: 1, Low: 1, High: 1, Unit: "share", Standing: flora.Guess}
			v.attempt.Row.Takes = &takes
		}
	default:
		if v.way.Way == "volunteers" {
			u.equipVolunteers(s, of, v)
		} else {
			u.equipMother(s, of, v)
		}
		var from *plot.Planting
		if v.mother != nil {
			from = v.mother.planting
		}
		switch {
		case v.row.Stage != nil:
			v.spans = u.stageSpans(s, w, of.species, from, *v.row.Stage, *v.row.Until)
		case v.row.Season.Count() > 0:
			v.spans = monthSpans(w, v.row.Season)
		}
	}
	if v.spans == nil {
		if v.row.Season.Count() == 0 && v.row.Stage == nil {
			v.attempt.Start = today
			v.lacks = append(v.lacks, "its season is not on record: today is taken")
			v.spans = []propagation.Span{{First: today, Last: until}}
			return
		}
		v.possible = false
		v.lacks = append(v.lacks, "its season does not come in the years that are looked at")
		v.attempt.Start = today
		return
	}
	days := propagation.InSpans(v.spans, today, until, 1)
	if len(days) == 0 {
		v.possible = false
		v.lacks = append(v.lacks, "its season does not come in the years that are looked at")
		v.attempt.Start = today
		return
	}
	v.attempt.Start = days[0]
}

// equipSeed finds seed, and the cold it waits for.
func (u *Uses) equipSeed(s *plot.State, of ask, v *variant) {
	best, poor := 0.0, s.Lib.Bench().Seed.Poor.Value
	for _, lot := range standingLots(s, of.species.ID) {
		alive, known := aliveOf(s, lot, s.Today)
		if known && alive[1] < poor {
			v.lacks = append(v.lacks, fmt.Sprintf("the seed %s is too old to rely on", lot.Name))
			continue
		}
		if !known {
			alive[1] = 0.01 // anything known is better
		}
		if seeds, told := seedsOf(lot, v.row); told && seeds < 1 {
			continue
		}
		if v.lot == nil || alive[1] > best {
			best, v.lot = alive[1], &lot
		}
	}
	switch {
	case v.lot == nil:
		v.lacks = append(v.lacks, "no seed of it here: it is bought, or saved")
	default:
		v.attempt.Lot = knownLot(s, *v.lot, s.Today)
		v.has = append(v.has, "seed: "+v.lot.Name)
		if seeds, told := seedsOf(*v.lot, v.row); told {
			v.most = int(seeds)
		}
	}
	cold := v.row.ColdWeeks != nil && v.row.ColdWeeks.Value > 0
	if !cold || v.place == nil {
		return
	}
	for _, kind := range []propagation.PlaceKind{propagation.Refrigerator, propagation.Outdoors, propagation.ColdHouse} {
		for _, row := range standingPlaces(s) {
			if row.Kind == string(kind) && v.attempt.Rest == nil {
				at := asPlace(row)
				v.attempt.Rest = &at
				v.has = append(v.has, fmt.Sprintf("%s of cold: %s", weeksWords(v.row.ColdWeeks), row.Name))
			}
		}
	}
	if v.attempt.Rest == nil {
		v.has = append(v.has, fmt.Sprintf("%s of cold: a tray outdoors, from the winter", weeksWords(v.row.ColdWeeks)))
	}
}

func weeksWords(f *flora.Figure) string {
	if f.Low == f.High {
		return say.Counted(f.Value, "week", "weeks")
	}
	return say.Number(f.Low) + " to " + say.Number(f.High) + " weeks"
}

// equipMother finds who gives pieces.
func (u *Uses) equipMother(s *plot.State, of ask, v *variant) {
	mothers := mothersOf(s, of.species, v.row, s.Today)
	v.mother = mostGiven(mothers)
	if v.mother != nil {
		v.most = v.mother.gives
		v.has = append(v.has, "a mother: "+v.mother.words())
		return
	}
	v.possible, v.most = false, 0
	for _, m := range mothers {
		v.lacks = append(v.lacks, "a mother: "+m.words())
	}
	if len(mothers) == 0 {
		v.lacks = append(v.lacks, "a mother: none stands here")
	}
}

// equipVolunteers finds seedlings that were seen, or mothers about which some are to be expected.
func (u *Uses) equipVolunteers(s *plot.State, of ask, v *variant) {
	for _, group := range plot.Volunteers.Of(s) {
		if group.SpeciesID == of.species.ID && group.EndedOn == nil && (v.group == nil || group.Plants > v.group.Plants) {
			v.group = &group
		}
	}
	if v.group != nil {
		v.most = int(v.group.Plants)
		v.has = append(v.has, fmt.Sprintf("%s seen: %s",
			say.Counted(float64(v.group.Plants), "volunteer", "volunteers"), volunteerPlace(s, *v.group)))
		if v.group.Checked != plot.VolunteerProved {
			v.lacks = append(v.lacks, "what they are is unproven: cut one and check it first")
		}
		return
	}
	if len(mothersThatSeed(s, of.species)) == 0 {
		v.possible, v.most = false, 0
		v.lacks = append(v.lacks, "none was seen, and no mother that set seed stands here")
		return
	}
	if v.row.Gives != nil {
		v.most = int(expectedAbout(s, of.species, v.row))
		v.attempt.There, v.attempt.Mothers = v.row.Gives, expectedAbout(s, of.species, v.row)/max(v.row.Gives.Value, 0.01)
		v.lacks = append(v.lacks, fmt.Sprintf("none was seen yet; about %d may stand about the mothers here", v.most))
		v.possible = v.most > 0
	}
}

// reckon works out how many to start and what comes of it.
func (u *Uses) reckon(s *plot.State, v *variant) {
	const seed = 20_310
	needed, err := v.attempt.StartsFor(confidence, seed)
	if err != nil {
		needed = 0
	}
	v.needed, v.starts = needed, needed
	if v.most >= 0 && (v.starts == 0 || v.starts > v.most) {
		v.starts = v.most
	}
	if v.starts == 0 {
		v.starts = v.attempt.Wanted // not known: what is wanted is shown, and that no chance is told
	}
	if v.most == 0 {
		v.starts = 0
	}
	v.attempt.Started = v.starts
	v.outlook = v.attempt.Look(propagation.Runs, seed)
	if needed > 0 && v.most >= 0 && needed > v.most {
		v.lacks = append(v.lacks, fmt.Sprintf("%d would be started for 9 in 10; there are %d", needed, v.most))
	}
	if v.attempt.By < 0 || !v.outlook.DatesKnown {
		return
	}
	today := v.attempt.Weathers.Index(s.Today)
	const everyDays, scan = 7, 100
	days := propagation.InSpans(v.spans, today, min(v.attempt.By, v.attempt.Weathers.Days-1), everyDays)
	latest := v.attempt
	if start, _, enough := latest.LatestStart(days, confidence, scan, seed); start >= 0 && enough {
		v.latest, v.latestKnown = start, true
	}
}

// harvestSpans are by part the days of the coming years in which it is taken here, of plants of full age.
func (u *Uses) harvestSpans(
	s *plot.State,
	w *propagation.Weathers,
	species *flora.Species,
) map[string][]propagation.Span {
	spans := map[string][]propagation.Span{}
	years := []int{species.FullGrownYear()}
	if years[0] > 1 {
		years = append(years, 1) // a part that is taken of young plants alone
	}
	for _, year := range years {
		forecast, err := s.Typical(species, year)
		if err != nil {
			continue
		}
		const longSettled = 50
		found := map[string][]propagation.Span{}
		for _, window := range harvest.Windows(forecast, species, harvest.Age{Year: year, Seasons: longSettled}) {
			if first, last, opens := window.LikelyDays(); opens {
				found[window.Part.Name] = append(
					found[window.Part.Name],
					propagation.Span{First: w.Index(first), Last: w.Index(last)},
				)
			}
		}
		for part, of := range found {
			if spans[part] == nil {
				spans[part] = yearAfterYear(of)
			}
		}
	}
	return spans
}

// sortVariants puts those that can be gone first, then the better ones by the grower's weights.
func sortVariants(all []*variant, score map[*variant]float64) {
	slices.SortStableFunc(all, func(a, b *variant) int {
		return cmp.Or(
			say.CompareBools(!a.row.IsAdvised(), !b.row.IsAdvised()),
			say.CompareBools(!a.possible, !b.possible),
			cmp.Compare(score[b], score[a]),
		)
	})
}
