package roots

import (
	"context"
	"fmt"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// RootInput is how a stand of roots is taken: its school, what the household saw of it, and how many a year it settled
// on. What is left out is as the lore says.
type RootInput struct {
	School    string   `json:"school"`
	Survival  *float64 `json:"survival,omitempty" doc:"The share that sees the next year, 0 to 1"`
	Offspring *float64 `json:"offspring,omitempty" doc:"Young plants a year beside one of age"`
	Crowns    *float64 `json:"crowns,omitempty" doc:"The share of what goes back that grows on, 0 to 1"`
	Take      *int64   `json:"take,omitempty" doc:"How many a year"`
}

// mostOffspring is how many young plants may grow up beside one in a year.
const mostOffspring = 100

func checkRow(c *say.Checklist, row store.RootStand) {
	switch plot.RootSchool(row.School) {
	case "", plot.WholeRoot, plot.PartRoot:
	default:
		c.Add("school", "Say whole, or part.")
	}
	for field, value := range map[string]*float64{"survival": row.Survival, "crowns": row.Crowns} {
		if value != nil && !(*value >= 0 && *value <= 1) {
			c.Add(field, "A share lies from 0 to 100 %%.")
		}
	}
	if row.Offspring != nil && !(*row.Offspring >= 0 && *row.Offspring <= mostOffspring) {
		c.Add("offspring", "Young plants beside one lie from 0 to %d a year.", mostOffspring)
	}
}

// Settle notes how a stand of roots is taken; no allowance goes beyond what is settled for a year.
func (u *Uses) Settle(
	ctx context.Context, species string, bed int64, seen say.Version, in RootInput,
) (journal.Entry, error) {
	return u.plot.Change(ctx, func(s *plot.State, d *journal.Draft) (journal.Record, error) {
		st, err := standAt(s, species, bed)
		if err != nil {
			return journal.Record{}, err
		}
		if err := seen.IsOf(versionOf(st.row), "how its roots are taken"); err != nil {
			return journal.Record{}, err
		}
		row := store.RootStand{
			School: in.School, Survival: in.Survival, Offspring: in.Offspring, Crowns: in.Crowns, Take: in.Take,
		}
		var c say.Checklist
		checkRow(&c, row)
		if in.School == "" {
			c.Add("school", "Say whole, or part.")
		}
		if in.Take != nil && (*in.Take < 0 || *in.Take > int64(st.count())) {
			c.Add("take", "Of %d plants no more than all can be lifted.", st.count())
		}
		if err := c.Err(); err != nil {
			return journal.Record{}, err
		}
		put := store.PutRootStandParams{
			SpeciesID: species, BedID: bed, School: row.School, Survival: row.Survival, Offspring: row.Offspring,
			Crowns: row.Crowns, Take: row.Take,
		}
		if st.row.ID != 0 {
			put.ID = &st.row.ID
		}
		_, err = plot.RootStandsTable.Put(ctx, d, st.row.ID, put)
		summary := fmt.Sprintf("Settled how %s in %s is taken", say.PartOf(st.species.Names.Name, st.part.Name), st.bed.Name)
		if in.Take != nil {
			summary += fmt.Sprintf(": %d a year", *in.Take)
		}
		return journal.Record{Kind: kindRoots, Summary: summary, Bed: &bed}, err
	})
}
