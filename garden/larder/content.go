package larder

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/flora"
	"bramblyacre/core/keeping"
	"bramblyacre/core/unit"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
	"bramblyacre/store"
)

// stuff is what a lot is: how it was made, and of which part where it is of one alone.
type stuff struct {
	lot     store.Lot
	making  keeping.Making
	species *flora.Species
	part    flora.Part
	// one is true where it is of one part of one plant that the library knows.
	one bool
}

// stuffOf is what a lot is.
func stuffOf(s *plot.State, lot store.Lot) stuff {
	st := stuff{lot: lot}
	st.making, _ = s.Lib.Keeping().Making(lot.Making)
	if species, has := s.Lib.Species(lot.SpeciesID); has {
		st.species = species
		st.part, st.one = species.Part(lot.Part)
	}
	return st
}

// product is what lots have in common that are the same to whoever uses them.
func (st stuff) product() string { return productKey(st.lot) }

func productKey(lot store.Lot) string {
	if lot.SpeciesID == "" {
		return lot.Making + "//" + strings.ToLower(lot.Name)
	}
	return lot.Making + "/" + lot.SpeciesID + "/" + lot.Part
}

// plain is what it is of: "sage leaf", or the name of a mix.
func (st stuff) plain() string {
	switch {
	case st.species != nil:
		return say.PartOf(st.species.Names.Name, st.lot.Part)
	case st.lot.Name != "":
		return st.lot.Name
	}
	return st.lot.SpeciesID + " " + st.lot.Part
}

// name is what it is called: "sage leaf", "oil of yarrow flowering top", "Evening tea".
func (st stuff) name() string {
	switch {
	case st.lot.Name != "":
		return st.lot.Name
	case st.lot.Making == makingDried || st.making.Of == "":
		return st.plain()
	}
	return st.making.Of + " " + st.plain()
}

// The makings that rules of the larder itself are about.
const (
	makingDried  = "dried"
	makingFrozen = "frozen"
	makingMix    = "mix"
	makingOil    = "oil"
)

// label is how a lot is named among all: "3 of 2031".
func lotLabel(lot store.Lot) string { return fmt.Sprintf("%d of %d", lot.Number, lot.Year) }

// amount says grams as they are measured: a liquid by volume, all else to the gram, so that what went in and what came
// out can be added up.
func amount(s *plot.State, grams, density float64) string {
	const few, kilos = 9.95, 2000
	switch {
	case density > 0:
		return s.Units.Volume(grams / density / 1000)
	case s.Units == unit.Metric && grams >= few && grams < kilos:
		return fmt.Sprintf("%.0f g", grams)
	}
	return s.Units.Weight(grams)
}

// room is the room in ml that grams of it take, at the lore's middle and at its densest; false where that is not known.
func (st stuff) room(s *plot.State, grams float64) (ml, least float64, known bool) {
	if st.lot.Density > 0 {
		return grams / st.lot.Density, grams / st.lot.Density, true
	}
	kind := cmp.Or(st.part.Keep.Dries, "thin leaf")
	lore, has := s.Lib.Keeping().Part(kind)
	if !has {
		return 0, 0, false
	}
	switch st.lot.Making {
	case makingFrozen:
		raw := grams / lore.Drained.Value
		return raw * lore.Packed.Value, raw * lore.Packed.Low, true
	case "powder", "flour":
		const loose, packed = 2.5, 1.3 // ground herb, ml a gram: a guess of ours
		return grams * loose, grams * packed, true
	case "salve":
		return grams, grams, true
	}
	return grams * lore.Room.Value, grams * lore.Room.Low, true
}

// holding is a jar with what is in it.
type holding struct {
	jar store.Jar
	stuff
	// lots are those that were filled into it, in that order.
	lots  []store.Lot
	grams float64
}

// holdingOf is a jar with what is in it; false for one into which nothing was ever filled.
func holdingOf(s *plot.State, jar store.Jar) (h holding, has bool) {
	h.jar = jar
	for _, flow := range s.FlowsOfJar(jar.ID) {
		h.grams += flow.Grams
		if flow.Kind != flowFilled || flow.LotID == nil {
			continue
		}
		if lot, known := s.LotByID(*flow.LotID); known &&
			!slices.ContainsFunc(h.lots, func(l store.Lot) bool { return l.ID == lot.ID }) {
			h.lots = append(h.lots, lot)
		}
	}
	if len(h.lots) == 0 {
		return h, false
	}
	h.grams = max(0, h.grams)
	h.stuff = stuffOf(s, h.lots[0])
	return h, true
}

// The kinds of what goes into a jar and out of it.
const (
	flowFilled  = "filled"
	flowTaken   = "taken"
	flowGiven   = "given"
	flowThrown  = "thrown"
	flowMade    = "made"
	flowWeighed = "weighed"
)

// standing are the jars that stand with something in them, by their ids.
func standing(s *plot.State) (all []holding) {
	for _, jar := range plot.Jars.Of(s) {
		if jar.EndedOn != nil {
			continue
		}
		if h, has := holdingOf(s, jar); has {
			all = append(all, h)
		}
	}
	return all
}

// partOf is a part of a plant.
type partOf struct {
	species *flora.Species
	part    string
}

// partsIn are the parts of plants that a lot was made of, those of its own jars' lots among them.
func partsIn(s *plot.State, lot store.Lot) (all []partOf) {
	had := map[int64]bool{}
	var add func(lot store.Lot)
	add = func(lot store.Lot) {
		if had[lot.ID] {
			return
		}
		had[lot.ID] = true
		if species, has := s.Lib.Species(lot.SpeciesID); has {
			one := partOf{species, lot.Part}
			if !slices.Contains(all, one) {
				all = append(all, one)
			}
			return
		}
		for _, from := range lotsBefore(s, lot) {
			add(from)
		}
	}
	add(lot)
	return all
}

// lotsBefore are the lots out of whose jars a lot was made.
func lotsBefore(s *plot.State, lot store.Lot) (all []store.Lot) {
	for _, flow := range s.FlowsOfLot(lot.ID) {
		if flow.JarFlowID == nil {
			continue
		}
		out, has := s.JarFlowByID(*flow.JarFlowID)
		if !has {
			continue
		}
		for _, in := range s.FlowsOfJar(out.JarID) {
			if in.ID >= out.ID || in.LotID == nil {
				continue
			}
			if before, known := s.LotByID(*in.LotID); known {
				all = append(all, before)
			}
		}
	}
	return all
}

// cautionsOf are the cautions of what lots are that are in one jar: of each part in them as it is made here, and of the
// making itself, those of fresh herb where any of them is of fresh herb.
func cautionsOf(s *plot.State, lots ...store.Lot) (all []flora.Caution) {
	making, fresh := stuffOf(s, lots[0]).making, false
	var parts []partOf
	for _, lot := range lots {
		fresh = fresh || lot.Fresh != 0
		for _, p := range partsIn(s, lot) {
			if !slices.Contains(parts, p) {
				parts = append(parts, p)
			}
		}
	}
	return append(plantCautions(parts, making), makingCautions(making, fresh)...)
}

// plantCautions are the cautions of parts of plants that are made into something, each with its plant's name where they
// are several.
func plantCautions(parts []partOf, making keeping.Making) (all []flora.Caution) {
	preparation := flora.PreparationOf(making.Word)
	for _, p := range parts {
		for _, caution := range view.ConcernedCautions(p.species, p.part, preparation) {
			if len(parts) > 1 {
				caution.Text = say.Capital(p.species.Names.Name) + ": " + caution.Text
			}
			all = append(all, caution)
		}
	}
	return all
}

func makingCautions(m keeping.Making, fresh bool) (all []flora.Caution) {
	told := m.Cautions
	if fresh {
		told = append(slices.Clone(m.FreshCautions), told...)
	}
	for _, caution := range told {
		all = append(all, flora.Caution{Who: caution.Who, Text: caution.Text, Route: routeOf(m)})
	}
	return all
}

func routeOf(m keeping.Making) string {
	if m.Word == "salve" || m.Word == makingOil {
		return "on the skin"
	}
	return "by mouth"
}

// toldCautions are the cautions of parts of plants made into something as they are kept with a lot, one a line.
func toldCautions(parts []partOf, making keeping.Making) string {
	var lines []string
	for _, p := range parts {
		for _, caution := range view.ConcernedCautions(p.species, p.part, flora.PreparationOf(making.Word)) {
			lines = append(lines, strings.Join([]string{p.species.ID, caution.Who, caution.Route, caution.Text}, "|"))
		}
	}
	slices.Sort(lines)
	return strings.Join(slices.Compact(lines), "\n")
}

// newCautions are the cautions of a lot's plants that were not told when it was made, or last read.
func newCautions(s *plot.State, lot store.Lot) (all []string) {
	now := toldCautions(partsIn(s, lot), stuffOf(s, lot).making)
	if now == lot.Cautions {
		return nil
	}
	told := strings.Split(lot.Cautions, "\n")
	for _, line := range strings.Split(now, "\n") {
		if line != "" && !slices.Contains(told, line) {
			fields := strings.SplitN(line, "|", 4)
			all = append(all, say.Capital(fields[1])+": "+fields[3])
		}
	}
	return all
}
