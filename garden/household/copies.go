package household

import (
	"context"
	"fmt"

	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// CopyView is a copy of the plot that lies in its folder.
type CopyView struct {
	Name  string `json:"name"`
	Path  string `json:"path"`
	Words string `json:"words" doc:"When it was made, and how large it is"`
	Night bool   `json:"night" doc:"One of the nights', which give way to newer ones"`
}

// CopiesView is how the plot's file is looked after.
type CopiesView struct {
	Folder  string     `json:"folder" doc:"The folder that the plot is kept in; empty for the sample plot, which is made anew at every start"`
	Kept    int        `json:"kept" doc:"How many nights' copies are kept"`
	Copies  []CopyView `json:"copies" doc:"The newest first"`
	Trouble string     `json:"trouble" doc:"Why the last night's copy could not be kept; empty where it was"`
	Damage  string     `json:"damage" doc:"What is wrong with the plot's file, and what to do; empty where nothing is"`
}

// CopiesKept is how many nights' copies are kept. It does not work the plot out.
func (u *Uses) CopiesKept(ctx context.Context) (int, error) {
	site, err := u.plot.Store.GetSite(ctx)
	return int(site.CopiesKept), err
}

// Copies tells how the plot's file is looked after.
func (u *Uses) Copies(ctx context.Context) (CopiesView, error) {
	kept, err := u.CopiesKept(ctx)
	if err != nil {
		return CopiesView{}, err
	}
	v := CopiesView{
		Folder:  u.plot.Store.Dir(),
		Kept:    kept,
		Copies:  []CopyView{},
		Damage:  u.plot.Damage(),
		Trouble: u.plot.CopyTrouble(),
	}
	if u.plot.Sample {
		v.Folder = ""
	}
	copies, err := store.Copies(u.plot.Store.Dir())
	for _, c := range copies {
		why := map[bool]string{true: "for the night", false: "kept until you delete it"}[c.Night]
		words := fmt.Sprintf("%s · %s · %s", c.At.Local().Format("2 January 2006, 15:04"), why, byteWords(c.Bytes))
		v.Copies = append(v.Copies, CopyView{c.Name, c.Path, words, c.Night})
	}
	if err != nil && v.Trouble == "" {
		v.Trouble = "The copies cannot be listed: " + err.Error()
	}
	return v, nil
}

func byteWords(n int64) string {
	const kilo, mega = 1000, 1000 * 1000
	if n < mega {
		return fmt.Sprintf("%d kB", (n+kilo-1)/kilo)
	}
	return fmt.Sprintf("%.1f MB", float64(n)/mega)
}

// KeepCopy keeps a copy of the plot as it stands, which does not give way to others.
func (u *Uses) KeepCopy(ctx context.Context) (CopiesView, error) {
	if _, err := u.plot.Store.KeepByHand(ctx, u.plot.Clock()); err != nil {
		return CopiesView{}, err
	}
	return u.Copies(ctx)
}

// mostCopies is how many nights' copies can be kept.
const mostCopies = 60

// SetCopiesKept changes how many nights' copies are kept.
func (u *Uses) SetCopiesKept(ctx context.Context, kept int) (journal.Entry, error) {
	if kept < 1 || kept > mostCopies {
		return journal.Entry{}, say.Faults{{Field: "kept", Message: fmt.Sprintf("Keep between 1 and %d nights.", mostCopies)}}
	}
	return u.plot.ChangeRows(ctx, func(d *journal.Draft) (journal.Record, error) {
		site, err := d.GetSite(ctx)
		if err != nil {
			return journal.Record{}, err
		}
		row := store.PutSiteParams(site)
		row.CopiesKept = int64(kept)
		_, err = plot.SiteTable.Put(ctx, d, 1, row)
		return journal.Record{
			Kind:    "site",
			Summary: fmt.Sprintf("Keeps the copies of %s", say.Counted(float64(kept), "night", "nights")),
		}, err
	})
}
