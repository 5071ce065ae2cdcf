package bench

import (
	"bramblyacre/core/calendar"
	"bramblyacre/core/flora"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
)

// AskInput is what is wanted: a wish by its id, or a plant with a number.
type AskInput struct {
	Wish    int64
	Species string
	Plants  int
	By      string
	BedID   int64
}

// mostWanted is the most plants of a kind that anybody wants at once here, mostWantedYears how far
// off the day may be by which they are to stand.
const (
	mostWanted      = 5000
	mostWantedYears = 10
)

// readAsk reads what is asked.
func readAsk(s *plot.State, in AskInput) (ask, error) {
	if in.Wish != 0 {
		wish, has := wishOf(s, in.Wish)
		if !has {
			return ask{}, say.NotFoundError{What: "wish"}
		}
		in.Species, in.Plants = wish.SpeciesID, int(wish.Plants)
		if wish.BedID != nil {
			in.BedID = *wish.BedID
		}
		if wish.ByDay != nil {
			in.By = *wish.ByDay
		}
	}
	var c say.Checklist
	of := ask{wanted: in.Plants, by: plot.NoDay}
	of.species, _ = s.Lib.Species(in.Species)
	checkWanted(&c, s, in.Species, in.Plants)
	switch {
	case in.By == "":
	case in.Wish != 0: // a wish on record may have grown late
		of.by, _ = calendar.Parse(in.By)
	default:
		of.by = readDayWanted(&c, s, in.By)
	}
	if in.BedID != 0 {
		bed, has := s.BedByID[in.BedID]
		if !has {
			c.Add("bedId", "Choose a bed of the plan.")
		}
		of.bed = &bed
	}
	return of, c.Err()
}

// checkWanted checks which plant is wanted and how many of it.
func checkWanted(c *say.Checklist, s *plot.State, speciesID string, plants int) {
	species, has := s.Lib.Species(speciesID)
	switch {
	case !has:
		c.Add("speciesId", "Choose a plant of the library.")
	case isNeverRaised(species):
		c.Add("speciesId", "%s", neverRaisedWords(species))
	}
	if plants < 1 || plants > mostWanted {
		c.Add("plants", "Say how many, from 1 to %d.", mostWanted)
	}
}

// readDayWanted reads the day by which plants are to stand: one to come.
func readDayWanted(c *say.Checklist, s *plot.State, text string) calendar.Date {
	day, err := calendar.Parse(text)
	switch {
	case err != nil:
		c.Add("by", "This is not a whole day. Type one like 27 May 2031.")
		return plot.NoDay
	case day <= s.Today:
		c.Add("by", "%s is no day to come. Say a later one, or none.", day.DayMonthYear())
	case day > s.Today.AddDays(mostWantedYears*366):
		c.Add("by", "That is too far off: no more than %d years.", mostWantedYears)
	}
	return day
}

// isNeverRaised tells whether a plant kills and is good for nothing here: no way is told to make
// more of it.
func isNeverRaised(species *flora.Species) bool {
	return species.Identity.Danger == "deadly" && !species.IsUsed()
}

func neverRaisedWords(species *flora.Species) string {
	return say.Capital(
		species.Names.Name,
	) + " is deadly, and nothing of it is used. It is never raised here: know it, to leave it alone."
}
