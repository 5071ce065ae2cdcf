package larder

import (
	"cmp"
	"slices"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/core/keeping"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// origin is where something began that is not to be used, and why.
type origin struct {
	thing keeping.Thing
	// kind is what it is about.
	kind string
	why  string
	// recall is the household's own word, its id 0 where the plot itself tells.
	recall store.Recall
}

// What a thing is held back for.
const (
	holdIdentity = view.HeldIdentity
	holdGround   = view.HeldGround
	holdTable    = view.HeldTable
	holdOwn      = view.HeldOwn
	holdVerdict  = "verdict"
	holdCaution  = "caution"
)

// held is what is held back, and why: by things, the origins that reached each.
type held struct {
	origins []origin
	by      map[keeping.Thing][]int
	// reread are the lots of which a caution changed, with what is new.
	reread map[int64][]string
}

// why is why a thing is held back; empty where it is not.
func (h held) why(t keeping.Thing) string {
	var all []string
	for _, i := range h.by[t] {
		if !slices.Contains(all, h.origins[i].why) {
			all = append(all, h.origins[i].why)
		}
	}
	return strings.Join(all, " ")
}

// whyJar is why a jar is held back: what got into it, or a caution of what is in it that is new.
func (h held) whyJar(j holding) string {
	if why := h.why(keeping.Thing{Kind: keeping.Jar, ID: j.jar.ID}); why != "" {
		return why
	}
	for _, lot := range j.lots {
		if fresh := h.reread[lot.ID]; len(fresh) > 0 {
			return rereadWords
		}
	}
	return ""
}

const rereadWords = "A caution of it is new: read it, and label it anew."

// whyLot is why a lot is held back.
func (h held) whyLot(lot store.Lot) string {
	if why := h.why(keeping.Thing{Kind: keeping.Lot, ID: lot.ID}); why != "" {
		return why
	}
	if len(h.reread[lot.ID]) > 0 {
		return rereadWords
	}
	return ""
}

// heldOf finds everything that is held back, down the line from where it began.
func heldOf(s *plot.State) held {
	h := held{by: map[keeping.Thing][]int{}, reread: map[int64][]string{}}
	h.origins = append(pickingOrigins(s), lotOrigins(s)...)
	for i, from := range h.origins {
		for thing := range keeping.Reached(s.LarderFlows(), from.thing) {
			h.by[thing] = append(h.by[thing], i)
		}
	}
	for thing := range h.by {
		slices.Sort(h.by[thing])
	}
	for _, lot := range mattering(s) {
		if fresh := newCautions(s, lot); len(fresh) > 0 {
			h.reread[lot.ID] = fresh
		}
	}
	return h
}

// mattering are the lots of which something is left: under way, not in a jar yet, or in a jar that stands.
func mattering(s *plot.State) (all []store.Lot) {
	had := map[int64]bool{}
	for _, h := range standing(s) {
		for _, lot := range h.lots {
			if !had[lot.ID] {
				had[lot.ID] = true
				all = append(all, lot)
			}
		}
	}
	for _, lot := range plot.Lots.Of(s) {
		if !had[lot.ID] && isLeft(s, lot) {
			all = append(all, lot)
		}
	}
	return all
}

// isLeft tells whether a lot is under way, or some of it is not in a jar yet.
func isLeft(s *plot.State, lot store.Lot) bool {
	return lot.EndedAt == nil || lot.Grams != nil && *lot.Grams-s.FilledOf(lot.ID) >= leastGrams
}

// pickingOrigins are the pickings in the larder that are not fit for use any more.
func pickingOrigins(s *plot.State) (all []origin) {
	for _, p := range s.EverPlanted {
		fallen := map[string]bool{} // by part, since there are years of pickings of each
		for _, part := range p.Species.Parts {
			fallen[part.Name] = part.Harvest == nil || !mayBeUsed(part)
		}
		for _, picking := range p.Pickings {
			from := origin{thing: keeping.Thing{Kind: keeping.Picking, ID: picking.ID}}
			if gone, has := fallen[picking.Part]; !p.Aside && (gone || !has) {
				from.kind, from.why = holdVerdict, "It is not used any more, by what is known of it now."
			} else {
				from.kind, from.why = view.BasketHolds(s, p, picking)
			}
			if from.kind == "" || s.StoredOf(picking.ID) <= 0 {
				continue
			}
			if from.kind == holdOwn {
				from.recall, _ = s.RecallOf(picking.ID, 0)
			}
			all = append(all, from)
		}
	}
	slices.SortFunc(all, func(a, b origin) int { return cmp.Compare(a.thing.ID, b.thing.ID) })
	return all
}

func mayBeUsed(part flora.Part) bool {
	return !slices.Contains(part.Verdicts, flora.Poisonous) && !slices.Contains(part.Verdicts, flora.NotUsed)
}

// lotOrigins are the lots that the household itself holds back.
func lotOrigins(s *plot.State) (all []origin) {
	for _, recall := range plot.Recalls.Of(s) {
		if recall.UndoneOn != nil || recall.LotID == nil {
			continue
		}
		all = append(all, origin{
			thing:  keeping.Thing{Kind: keeping.Lot, ID: *recall.LotID},
			kind:   holdOwn,
			why:    say.Sentence("Held back since " + view.DayWords(recall.Day) + ": " + recall.Why),
			recall: recall,
		})
	}
	return all
}
