package spread

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/core/geometry"
	"bramblyacre/core/plan"
	"bramblyacre/core/spread"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// CameUpView is what came up by itself, each with what to do with it.
type CameUpView struct {
	Groups []CameUpGroup `json:"groups" doc:"The gravest first"`
	Done   []CameUpDone  `json:"done" doc:"What was done with others, the last first"`
	Plan   SpreadPlan    `json:"plan"`
	Beds   []CameUpBed   `json:"beds"`
}

// CameUpBed is a bed that something may be moved into.
type CameUpBed struct {
	ID   int64  `json:"id"`
	Name string `json:"name"`
	Held bool   `json:"held" doc:"Its edge holds what runs"`
}

// CameUpGroup is a group of volunteers or weeds, with its verdict.
type CameUpGroup struct {
	ID        int64        `json:"id"`
	SpeciesID string       `json:"speciesId"`
	Name      string       `json:"name"`
	Where     string       `json:"where"`
	BedID     int64        `json:"bedId" doc:"0 for none"`
	At        *SpreadPoint `json:"at,omitempty"`
	Plants    int          `json:"plants"`
	Seen      string       `json:"seen"`
	Seeding   bool         `json:"seeding"`
	Checked   string       `json:"checked" enum:",it is,it is not"`
	State     string       `json:"state"`
	Note      string       `json:"note"`
	Best      string       `json:"best"`
	Short     string       `json:"short" doc:"What to do with it first, in a few words"`
	Words     string       `json:"words" doc:"What to do with it, in a line"`
	Deeds     []DeedView   `json:"deeds"`
	Waste     string       `json:"waste" doc:"Where what is taken out goes"`
	Gloves    bool         `json:"gloves"`
	Dangerous bool         `json:"dangerous"`
	// Places are where a moved one would be held, the best first.
	Places []DeedPlace `json:"places"`
	Law    LawView     `json:"law"`
	// Eaten is what could be eaten of it once it is proved; empty for nothing.
	Eaten string `json:"eaten"`
}

// DeedView is something that may be done with it, with what speaks for it and against it.
type DeedView struct {
	Deed  string   `json:"deed"`
	Name  string   `json:"name"`
	Goes  bool     `json:"goes"`
	After string   `json:"after" doc:"What has to be done before; empty for nothing"`
	For   []string `json:"for"`
	Not   []string `json:"not"`
}

// DeedPlace is a bed that would hold a moved plant.
type DeedPlace struct {
	BedID int64  `json:"bedId"`
	Bed   string `json:"bed"`
	Why   string `json:"why"`
}

// CameUpDone is what was done with a group.
type CameUpDone struct {
	ID         int64  `json:"id"`
	Words      string `json:"words"`
	PlantingID int64  `json:"plantingId" doc:"The planting that it became; 0 for none"`
}

// CameUp shows what came up by itself, with what to do with each.
func (u *Uses) CameUp(ctx context.Context) (CameUpView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return CameUpView{}, err
	}
	r, err := u.reckon(s)
	if err != nil {
		return CameUpView{}, say.ConflictError{Why: say.Sentence(err.Error())}
	}
	v := CameUpView{Groups: []CameUpGroup{}, Done: []CameUpDone{}, Plan: planView(s, r.ground), Beds: []CameUpBed{}}
	for _, bed := range s.Beds {
		v.Beds = append(v.Beds, CameUpBed{bed.ID, bed.Name, s.EdgeHeld(bed)})
	}
	for _, row := range slices.Backward(plot.Volunteers.Of(s)) {
		if row.EndedOn != nil {
			if row.Deed != "" {
				v.Done = append(v.Done, doneView(s, row))
			}
			continue
		}
		if species, has := s.Lib.Species(row.SpeciesID); has {
			v.Groups = append(v.Groups, r.groupView(row, species))
		}
	}
	const mostDone = 12
	v.Done = v.Done[:min(len(v.Done), mostDone)]
	slices.SortStableFunc(v.Groups, func(a, b CameUpGroup) int { return -say.CompareBools(a.Dangerous, b.Dangerous) })
	return v, nil
}

func doneView(s *plot.State, row store.Volunteer) CameUpDone {
	done := CameUpDone{
		ID: row.ID,
		Words: fmt.Sprintf(
			"%s: %s, %s",
			view.FullDayWords(*row.EndedOn),
			nameOfKind(s, row.SpeciesID),
			doneWords(spread.Deed(row.Deed)),
		),
	}
	if row.PlantingID != nil {
		done.PlantingID = *row.PlantingID
	}
	return done
}

func nameOfKind(s *plot.State, id string) string {
	if species, has := s.Lib.Species(id); has {
		return species.Names.Name
	}
	return id
}

// groupView is a group with its verdict.
func (r *reckoning) groupView(row store.Volunteer, species *flora.Species) CameUpGroup {
	s := r.state
	found := r.found(row, species)
	verdict := spread.Judge(found)
	v := CameUpGroup{
		ID: row.ID, SpeciesID: row.SpeciesID, Name: species.Names.Name, Where: placeWords(s, row), Plants: int(row.Plants),
		Seen: "seen " + view.DayWords(row.Day), Seeding: row.Seeding != 0, Checked: row.Checked, Note: row.Note,
		Best: string(verdict.Best), Deeds: []DeedView{}, Gloves: verdict.Gloves, Places: []DeedPlace{},
		Dangerous: flora.IsDangerous(
			species.Identity.Danger,
		), Law: lawOf(s, species.ID), Waste: wasteWords(species, verdict.Waste),
		State: "unproven: taken for it, and nobody has looked at one yet",
	}
	if row.BedID != nil {
		v.BedID = *row.BedID
	}
	if row.X != nil && row.Y != nil {
		v.At = &SpreadPoint{*row.X, *row.Y}
	}
	if row.Checked == plot.VolunteerProved {
		v.State = "one was cut and looked at; a planting of it is checked again before use"
	}
	var eaten []string
	for _, part := range species.Parts {
		if spread.IsFood(part) {
			eaten = append(eaten, part.Name)
		}
	}
	if !v.Dangerous {
		v.Eaten = say.Joined(eaten)
	}
	for _, deed := range verdict.Deeds {
		d := DeedView{Deed: string(deed.Deed), Name: deedName(deed.Deed), Goes: deed.Goes, For: []string{}, Not: []string{}}
		if deed.Later {
			d.After = "Cut one and look at it first."
		}
		for _, reason := range deed.For {
			d.For = append(d.For, reasonWords(species, reason))
		}
		for _, reason := range deed.Not {
			d.Not = append(d.Not, reasonWords(species, reason))
		}
		v.Deeds = append(v.Deeds, d)
		if deed.Deed == verdict.Best {
			v.Words, v.Short = bestWords(species, d), d.Name
			if d.After != "" {
				v.Short = lookFirst
			}
		}
		if deed.Deed == spread.MoveIt && deed.Goes {
			v.Places = r.placesFor(species)
		}
	}
	return v
}

// found is a group as it is judged.
func (r *reckoning) found(row store.Volunteer, species *flora.Species) spread.Found {
	s := r.state
	asked, forbids := s.LawOf(species.ID)
	f := spread.Found{
		Species: species, Checked: row.Checked == plot.VolunteerProved, Seeding: row.Seeding != 0,
		LawAsked: asked, LawForbids: forbids,
		HoldingPlace: len(r.placesFor(species)) > 0,
	}
	for _, p := range s.Plantings {
		f.Wanted = f.Wanted || p.SpeciesID == species.ID && !s.IsToGo(p.ID)
	}
	if row.BedID != nil {
		bed := s.BedByID[*row.BedID]
		f.InBed, f.Room = true, s.RoomM2(bed.ID, nil) > 0.1
		if bed.Unsafe != "" {
			f.Unsafe = bed.Unsafe
		}
	}
	if at, has := placeOf(s, row); has {
		if cell, inside := r.ground.terrain.Grid.CellAt(at); inside {
			f.InWay = r.ground.terrain.Ground[cell] == spread.Path
		}
		for _, it := range s.Items {
			if it.Item.Kind.Kind == plan.UnsafeGround && it.Form.Region().DistanceTo(at) <= it.Item.Traits.Reach(it.Item.Kind) {
				f.Unsafe = it.Item.Traits.Unsafe
			}
		}
	}
	return f
}

// placeOf is where a group stands: where it was shown, else the middle of its bed.
func placeOf(s *plot.State, row store.Volunteer) (geometry.Point, bool) {
	if row.X != nil && row.Y != nil {
		return geometry.Point{X: *row.X, Y: *row.Y}, true
	}
	if row.BedID != nil {
		return s.Forms[*row.BedID].At, true
	}
	return geometry.Point{}, false
}

func placeWords(s *plot.State, row store.Volunteer) string {
	var words []string
	if row.BedID != nil {
		words = append(words, s.BedByID[*row.BedID].Name)
	}
	if row.Place != "" {
		words = append(words, row.Place)
	}
	if len(words) == 0 {
		return "where it is shown on the plan"
	}
	return strings.Join(words, ", ")
}

// placesFor are the beds that would hold a moved plant of a kind: any with room for one that stays, one whose edge
// holds for one that runs; those that suit it first.
func (r *reckoning) placesFor(species *flora.Species) []DeedPlace {
	s, all := r.state, []DeedPlace{}
	poor := r.poorFor(s, species)
	runs := species.Site.Spread == "runs"
	for _, suits := range []bool{true, false} {
		for i, bed := range s.Beds {
			held := s.EdgeHeld(bed)
			if poor[i] == suits || runs && !held || s.RoomM2(bed.ID, nil) < 0.1 || bed.Unsafe != "" {
				continue
			}
			why := "room for it"
			if held {
				why += ", its edge holds"
			}
			if !suits {
				why += "; does not suit it well"
			}
			all = append(all, DeedPlace{bed.ID, bed.Name, why})
		}
	}
	return all
}

func deedName(deed spread.Deed) string {
	switch deed {
	case spread.KeepIt:
		return "Keep it where it stands"
	case spread.PotUp:
		return "Pot it up"
	case spread.EatIt:
		return "Eat it up"
	case spread.MoveIt:
		return "Move it"
	case spread.LeaveIt:
		return "Leave it as cover"
	case spread.ChopIt:
		return "Chop it, and leave it lying"
	}
	return "Lift it whole"
}

// lookFirst is what is said of an unproven find before anything that it may be good for.
const lookFirst = "Look at one first"

func bestWords(species *flora.Species, d DeedView) string {
	words := d.Name
	if d.After != "" {
		words = fmt.Sprintf(
			"%s: nobody has. Once it is sure to be %s, %s",
			lookFirst,
			species.Names.Name,
			say.LowerFirst(d.Name),
		)
	}
	if len(d.For) > 0 {
		words += ": " + strings.Join(d.For, "; ")
	}
	return words + "."
}

// wasteWords say where what is taken out goes.
func wasteWords(species *flora.Species, waste spread.Waste) string {
	switch waste {
	case spread.Heap:
		return "Onto the heap, before it sets seed."
	case spread.BagIt:
		return "Into a bag, closed, and as your local authority says. Never onto the heap, never given away."
	}
	words := "Never onto the heap alive: dry it on a wall until it snaps, or drown it in a closed tub for a season."
	if species.Hold.ThrowAway != "" {
		words = "Never onto the heap alive. " + species.Hold.ThrowAway
	}
	return words
}

// reasonWords say why a deed goes or does not.
func reasonWords(species *flora.Species, reason spread.Reason) string {
	figure := func(words string) string {
		if regrows, known := spread.Regrows(species); known {
			return fmt.Sprintf("%s (%.0f %% of pieces, %s)", words, 100*regrows.Value, regrows.Standing)
		}
		return words
	}
	switch reason {
	case spread.IsDangerous:
		return "it is " + species.Identity.Danger
	case spread.IsUnproven:
		return "it is unproven"
	case spread.IsListed:
		return "it stands on your list"
	case spread.AskLaw:
		return "a list may forbid it: look yours up first"
	case spread.UnsafeHere:
		return "it grows on unsafe ground"
	case spread.SomeEaten:
		var parts []string
		for _, part := range species.Parts {
			if spread.IsFood(part) {
				parts = append(parts, part.Name)
			}
		}
		return say.Joined(parts) + " " + map[bool]string{true: "is", false: "are"}[len(parts) == 1] + " eaten"
	case spread.Roots:
		return figure("what is left of its roots grows again")
	case spread.RootsDie:
		return "its roots do not grow again"
	case spread.RunsAway:
		return "it runs"
	case spread.StaysPut:
		return "it does not run"
	case spread.FeedsInsects:
		return "insects or birds come to it"
	case spread.DeadlyAlike:
		var names []string
		for _, l := range species.LookAlikes {
			if l.Danger == "deadly" {
				names = append(names, l.Name)
			}
		}
		return "deadly plants look like it: " + say.Joined(names)
	case spread.LastsInGround:
		if way := spread.SeedWay(species); way != nil {
			return fmt.Sprintf(
				"its seed lasts about %s years in the ground (%s)",
				say.Number(way.SoilYears.Value),
				way.SoilYears.Standing,
			)
		}
	case spread.HurtsHands:
		return "it hurts bare hands"
	case spread.NoPlaceHolds:
		return "no bed here would hold it"
	}
	return string(reason)
}

func dayOrToday(text string, today calendar.Date) calendar.Date {
	if day, err := calendar.Parse(text); err == nil {
		return day
	}
	return today
}
