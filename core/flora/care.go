package flora

import "fmt"

// Care is a job that the plant's stage calls for, other than a harvest.
type Care struct {
	ID    string `toml:"id"`
	Verb  string `toml:"verb"`
	What  string `toml:"what"`
	From  Stage  `toml:"from"`
	Until Stage  `toml:"until"`
	// MinYear is the first year of life that it is done in, MaxYear the last; 0 for no last.
	MinYear int    `toml:"min_year"`
	MaxYear int    `toml:"max_year,omitempty"`
	Why     string `toml:"why"`
	// Irreversible is true where it cannot be made good once the time is past.
	Irreversible bool   `toml:"irreversible"`
	MinutesEach  Figure `toml:"minutes_each"`
	// Work is what kind of work it is, by a name of care/care.toml; empty where its verb says so.
	Work string `toml:"work,omitempty"`
	// UntilHeight and UntilWidth are the size in cm from which it is no longer done, once both are reached.
	UntilHeight Figure `toml:"until_height,omitempty"`
	UntilWidth  Figure `toml:"until_width,omitempty"`
	// Every is after how many years it is done again; missing where the kind of work says so.
	Every Figure `toml:"every,omitempty"`
	// ByNight is the night in °C before which it is to be done: its days follow the nights, not the stage.
	ByNight Figure `toml:"by_night,omitempty"`
}

// IsIn tells whether it is done in a year of life.
func (c Care) IsIn(year int) bool { return year >= c.MinYear && (c.MaxYear == 0 || year <= c.MaxYear) }

func (s *Species) checkCare(c *checker) {
	for i, care := range s.Care {
		key := fmt.Sprintf("care[%d]", i)
		c.want(identifier.MatchString(care.ID), key+".id", "%q must be lower-case letters, digits and hyphens", care.ID)
		c.want(care.Verb != "" && care.What != "" && care.Why != "", key, "needs verb, what and why")
		c.want(care.MinYear >= 1, key+".min_year", "must be 1 or more")
		c.want(care.MaxYear == 0 || care.MaxYear >= care.MinYear, key+".max_year", "must not be before min_year")
		c.figure(key+".minutes_each", unitMinute, care.MinutesEach, 0, 600)
		for _, f := range []struct {
			name, unit string
			figure     Figure
			low, high  float64
		}{
			{"until_height", unitCentimetre, care.UntilHeight, 1, 1000},
			{"until_width", unitCentimetre, care.UntilWidth, 1, 1000},
			{"every", unitYears, care.Every, 1, 60},
			{"by_night", unitCelsius, care.ByNight, -40, 15},
		} {
			if f.figure != (Figure{}) {
				c.figure(key+"."+f.name, f.unit, f.figure, f.low, f.high)
			}
		}
		s.checkBand(c, key, care.From, care.Until)
	}
}
