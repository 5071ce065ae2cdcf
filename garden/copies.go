package garden

import (
	"context"
	"fmt"
	"sync/atomic"

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
func (g *Garden) CopiesKept(ctx context.Context) (int, error) {
	site, err := g.Store.GetSite(ctx)
	return int(site.CopiesKept), err
}

// Copies tells how the plot's file is looked after.
func (g *Garden) Copies(ctx context.Context) (CopiesView, error) {
	kept, err := g.CopiesKept(ctx)
	if err != nil {
		return CopiesView{}, err
	}
	v := CopiesView{Folder: g.Store.Dir(), Kept: kept, Copies: []CopyView{}, Damage: g.Damage(), Trouble: textOf(&g.copyTrouble)}
	if g.Sample {
		v.Folder = ""
	}
	copies, err := store.Copies(g.Store.Dir())
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
func (g *Garden) KeepCopy(ctx context.Context) (CopiesView, error) {
	if _, err := g.Store.KeepByHand(ctx, g.Clock()); err != nil {
		return CopiesView{}, err
	}
	return g.Copies(ctx)
}

// mostCopies is how many nights' copies can be kept.
const mostCopies = 60

// SetCopiesKept changes how many nights' copies are kept.
func (g *Garden) SetCopiesKept(ctx context.Context, kept int) (Entry, error) {
	if kept < 1 || kept > mostCopies {
		return Entry{}, Faults{{Field: "kept", Message: fmt.Sprintf("Keep between 1 and %d nights.", mostCopies)}}
	}
	return g.changeRows(ctx, func(d *draft) (record, error) {
		site, err := d.GetSite(ctx)
		if err != nil {
			return record{}, err
		}
		row := store.PutSiteParams(site)
		row.CopiesKept = int64(kept)
		_, err = siteTable.Put(ctx, d, 1, row)
		return record{kind: "site", summary: fmt.Sprintf("Keeps the copies of %s", counted(float64(kept), "night", "nights"))}, err
	})
}

// SetDamage notes what is wrong with the plot's file, for every screen to say.
func (g *Garden) SetDamage(what string) { g.damage.Store(&what) }

// Damage is what is wrong with the plot's file; empty where nothing is known to be.
func (g *Garden) Damage() string { return textOf(&g.damage) }

// SetCopyTrouble notes why a night's copy could not be kept, empty once one was.
func (g *Garden) SetCopyTrouble(why string) { g.copyTrouble.Store(&why) }

func textOf(at *atomic.Pointer[string]) string {
	if text := at.Load(); text != nil {
		return *text
	}
	return ""
}
