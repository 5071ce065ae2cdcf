package bench

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/calendar"
	"bramblyacre/core/propagation"
	"bramblyacre/core/unit"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// asPlace is a stored place as core takes it.
func asPlace(row store.RaisingPlace) propagation.Place {
	p := propagation.Place{
		ID: row.ID, Name: row.Name, Kind: propagation.PlaceKind(row.Kind), Trays: int(row.Trays), OffsetC: row.OffsetC,
		FloorC: row.FloorC,
	}
	if row.SetC != nil {
		p.SetC = *row.SetC
	}
	return p
}

// standingPlaces are the places that were not given up, in the order of their kinds.
func standingPlaces(s *plot.State) (standing []store.RaisingPlace) {
	for _, kind := range propagation.PlaceKinds {
		for _, row := range places.Of(s) {
			if row.RemovedOn == nil && row.Kind == string(kind) {
				standing = append(standing, row)
			}
		}
	}
	return standing
}

// placeOf returns the place of an id, given up or not.
func placeOf(s *plot.State, id int64) (store.RaisingPlace, bool) {
	return rowOf(places.Of(s), id, func(r store.RaisingPlace) int64 { return r.ID })
}

// rowOf finds a row by its id.
func rowOf[Row any](rows []Row, id int64, idOf func(Row) int64) (row Row, has bool) {
	if i := slices.IndexFunc(rows, func(r Row) bool { return idOf(r) == id }); i >= 0 {
		return rows[i], true
	}
	return row, false
}

// RaisingPlaceInput is a place to raise plants as typed.
type RaisingPlaceInput struct {
	Name  string `json:"name"`
	Kind  string `json:"kind" enum:"indoor shelf,warm bed,cold house,outdoors,refrigerator"`
	Trays int    `json:"trays"`
	// Set is the temperature of a heated or cooled place, Warmer how much warmer than outdoors a
	// house is, Least below which it does not fall, all as typed.
	Set    string   `json:"set,omitempty"`
	Warmer string   `json:"warmer,omitempty"`
	Least  string   `json:"least,omitempty"`
	Light  *float64 `json:"light,omitempty" doc:"Hours of lamplight a day"`
	Note   string   `json:"note,omitempty"`
}

// RaisingPlaceView is a place to raise plants.
type RaisingPlaceView struct {
	ID      int64       `json:"id"`
	Name    string      `json:"name"`
	Kind    string      `json:"kind"`
	Trays   int         `json:"trays"`
	Words   string      `json:"words"`
	Set     string      `json:"set"`
	Warmer  string      `json:"warmer"`
	Least   string      `json:"least"`
	Light   *float64    `json:"light"`
	Note    string      `json:"note"`
	Version say.Version `json:"version"`
}

func viewPlace(s *plot.State, row store.RaisingPlace) RaisingPlaceView {
	v := RaisingPlaceView{
		ID: row.ID, Name: row.Name, Kind: row.Kind, Trays: int(row.Trays), Light: row.LightH, Note: row.Note,
		Version: say.VersionOf(row),
	}
	var words []string
	if propagation.PlaceKind(row.Kind).IsHeld() && row.SetC != nil {
		v.Set = s.Units.Temperature(*row.SetC)
		words = append(words, v.Set)
	} else {
		v.Warmer = strings.TrimSuffix(s.Units.TemperatureDifference(row.OffsetC), " ")
		if row.OffsetC != 0 {
			words = append(words, v.Warmer+" milder than outdoors")
		}
		if row.FloorC != nil {
			v.Least = s.Units.Temperature(*row.FloorC)
			words = append(words, "never below "+v.Least)
		}
	}
	if row.LightH != nil {
		words = append(words, "lamps "+say.Number(*row.LightH)+" h")
	}
	words = append(words, say.Counted(float64(row.Trays), "tray", "trays"))
	v.Words = strings.Join(words, " · ")
	return v
}

func placeParams(row store.RaisingPlace) store.PutRaisingPlaceParams {
	return store.PutRaisingPlaceParams{
		ID: &row.ID, Name: row.Name, Kind: row.Kind, Trays: row.Trays, SetC: row.SetC, OffsetC: row.OffsetC,
		FloorC: row.FloorC, LightH: row.LightH, Note: row.Note, RemovedOn: row.RemovedOn,
	}
}

// PutPlace adds a place to raise plants, with an id of 0, or changes one.
func (u *Uses) PutPlace(ctx context.Context, id int64, seen say.Version, in RaisingPlaceInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		verb := "Added "
		if id != 0 {
			row, has := placeOf(s, id)
			if !has || row.RemovedOn != nil {
				return journal.Record{}, say.NotFoundError{What: "place"}
			}
			if err := seen.IsOf(say.VersionOf(row), row.Name); err != nil {
				return journal.Record{}, err
			}
			verb = "Changed "
		}
		row, err := readPlace(s, in)
		if err != nil {
			return journal.Record{}, err
		}
		for _, other := range standingPlaces(s) {
			if other.ID != id && strings.EqualFold(other.Name, row.Name) {
				return journal.Record{}, say.Faults{{Field: "name", Message: "There is a place of that name already."}}
			}
		}
		if id != 0 {
			row.ID = &id
		}
		if _, err := placesTable.Put(ctx, d, id, row); err != nil {
			return journal.Record{}, err
		}
		return journal.Record{Kind: kindBench, Summary: fmt.Sprintf("%s%s, a place for %s", verb, row.Name,
			say.Counted(float64(row.Trays), "tray", "trays"))}, nil
	})
}

func readPlace(s *plot.State, in RaisingPlaceInput) (store.PutRaisingPlaceParams, error) {
	var c say.Checklist
	row := store.PutRaisingPlaceParams{
		Name: c.Name(
			"name",
			in.Name,
		), Kind: in.Kind, Trays: int64(in.Trays), LightH: in.Light, Note: c.Text("note", in.Note, say.LongestNote),
	}
	kind := propagation.PlaceKind(in.Kind)
	if !slices.Contains(propagation.PlaceKinds, kind) {
		c.Add("kind", "Choose what kind of place it is.")
		return row, c.Err()
	}
	if kind.IsHeld() {
		set, err := unit.Parse(unit.Temperature, in.Set, temperatureUnit(s))
		if err != nil {
			c.AddError("set", err)
		}
		row.SetC = &set
	} else {
		row.OffsetC = readDifference(s, &c, "warmer", in.Warmer)
		if strings.TrimSpace(in.Least) != "" {
			least, err := unit.Parse(unit.Temperature, in.Least, temperatureUnit(s))
			if err != nil {
				c.AddError("least", err)
			}
			row.FloorC = &least
		}
	}
	if in.Light != nil && !(*in.Light >= 0 && *in.Light <= 24) {
		c.Add("light", "A day has 24 hours.")
	}
	if c.Err() == nil {
		checked := asPlace(store.RaisingPlace{
			Name: row.Name, Kind: row.Kind, Trays: row.Trays, SetC: row.SetC, OffsetC: row.OffsetC, FloorC: row.FloorC,
		})
		if err := checked.Check(); err != nil {
			field := "trays"
			switch {
			case in.Trays < 1 || in.Trays > 500:
			case kind.IsHeld():
				field = "set"
			case row.FloorC != nil && (*row.FloorC < -20 || *row.FloorC > 25):
				field = "least"
			default:
				field = "warmer"
			}
			c.Add(field, "%s", say.Sentence(err.Error()))
		}
	}
	return row, c.Err()
}

func temperatureUnit(s *plot.State) string {
	if s.Units == unit.US {
		return "°F"
	}
	return "°C"
}

// readDifference reads how much warmer somewhere is, in °C; nothing said is not at all.
func readDifference(s *plot.State, c *say.Checklist, field, text string) float64 {
	if strings.TrimSpace(text) == "" {
		return 0
	}
	number, rest, err := unit.SplitNumber(strings.TrimSpace(text))
	rest = strings.ToLower(strings.TrimSpace(rest))
	switch {
	case err != nil || !slices.Contains([]string{"", "°c", "c", "°f", "f", "°"}, rest):
		c.Add(field, "Write how many degrees, for example 3 °C.")
		return 0
	case strings.HasSuffix(rest, "f"), !strings.HasSuffix(rest, "c") && s.Units == unit.US:
		return number * 5 / 9
	}
	return number
}

// GiveUpPlace takes a place off the bench. It is refused while a batch stands in it or is to.
func (u *Uses) GiveUpPlace(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, has := placeOf(s, id)
		if !has || row.RemovedOn != nil {
			return journal.Record{}, say.NotFoundError{What: "place"}
		}
		for _, b := range openBatches(s) {
			for _, stay := range staysOf(b) {
				if stay.Place == id && stay.Until > s.Today {
					return journal.Record{}, say.ConflictError{
						Why: fmt.Sprintf("%s stands in %s, or is to. Move it first.", say.Capital(batchName(s, b)), row.Name),
					}
				}
			}
		}
		today := s.Today.String()
		row.RemovedOn = &today
		_, err := placesTable.Put(ctx, d, id, placeParams(row))
		return journal.Record{Kind: kindBench, Summary: "Gave up " + row.Name}, err
	})
}

// KeptRoomInput is room that food crops have first call on.
type KeptRoomInput struct {
	PlaceID int64  `json:"placeId"`
	Name    string `json:"name"`
	Trays   int    `json:"trays"`
	From    string `json:"from" doc:"A day; its year does not matter"`
	Until   string `json:"until" doc:"A day; its year does not matter"`
}

// KeepRoom keeps room for food crops in a place, from a day to a day of every year.
func (u *Uses) KeepRoom(ctx context.Context, in KeptRoomInput) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		var c say.Checklist
		row := store.PutKeptRoomParams{PlaceID: in.PlaceID, Name: c.Name("name", in.Name), Trays: int64(in.Trays)}
		place, has := placeOf(s, in.PlaceID)
		if !has || place.RemovedOn != nil {
			c.Add("placeId", "Choose a place of the bench.")
		}
		if in.Trays < 1 || has && in.Trays > int(place.Trays) {
			c.Add("trays", "From 1 tray to the %d that %s has room for.", max(1, place.Trays), place.Name)
		}
		row.FromDay = readDayOfYear(&c, "from", in.From)
		row.UntilDay = readDayOfYear(&c, "until", in.Until)
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		_, err := keptRoomsTable.Put(ctx, d, 0, row)
		return journal.Record{Kind: kindBench, Summary: fmt.Sprintf("Kept %s in %s for %s",
			say.Counted(float64(in.Trays), "tray", "trays"), place.Name, row.Name)}, err
	})
}

func readDayOfYear(c *say.Checklist, field, text string) string {
	day, err := calendar.Parse(text)
	if err != nil {
		c.Add(field, "This is not a whole day. Type one like 27 May 2031.")
		return ""
	}
	return day.String()[len("2031-"):]
}

// FreeRoom gives room back that was kept.
func (u *Uses) FreeRoom(ctx context.Context, id int64) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		row, has := rowOf(keptRooms.Of(s), id, func(r store.KeptRoom) int64 { return r.ID })
		if !has || row.RemovedOn != nil {
			return journal.Record{}, say.NotFoundError{What: "kept room"}
		}
		today := s.Today.String()
		_, err := keptRoomsTable.Put(ctx, d, id, store.PutKeptRoomParams{
			ID: &row.ID, PlaceID: row.PlaceID, Name: row.Name, Trays: row.Trays, FromDay: row.FromDay, UntilDay: row.UntilDay,
			RemovedOn: &today,
		})
		return journal.Record{Kind: kindBench, Summary: "Gave back the room kept for " + row.Name}, err
	})
}
