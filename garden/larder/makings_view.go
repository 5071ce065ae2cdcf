package larder

import (
	"context"
	"slices"

	"bramblyacre/core/flora"
	"bramblyacre/core/keeping"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// MakingsView is what may be made, and of what there is.
type MakingsView struct {
	Makings []MakingView `json:"makings"`
	// Baskets are fit for use and lie in their baskets, Jars stand and may go into something.
	Baskets []FromView `json:"baskets"`
	Jars    []FromView `json:"jars"`
	// Plants are the plants with their parts, for what is bought and for recipes.
	Plants []PlantParts `json:"plants"`
}

// MakingView is a way of keeping.
type MakingView struct {
	ID       string   `json:"id"`
	Name     string   `json:"name"`
	Vessel   string   `json:"vessel"`
	Liquid   string   `json:"liquid" doc:"What it is laid in; empty for none"`
	Strength string   `json:"strength" doc:"As it stands on the bottle; empty where that says nothing"`
	Days     int      `json:"days" doc:"How long it stands; 0 for done the same day"`
	Bags     bool     `json:"bags" doc:"It goes into bags"`
	Mix      bool     `json:"mix" doc:"Of several parts, with a name of its own"`
	Cautions []string `json:"cautions" doc:"Of the making itself"`
}

// FromView is what something can be made of.
type FromView struct {
	PickingID int64  `json:"pickingId"`
	JarID     int64  `json:"jarId"`
	SpeciesID string `json:"speciesId"`
	Part      string `json:"part"`
	Name      string `json:"name"`
	Left      string `json:"left"`
	From      string `json:"from"`
	// MayMake are the makings that its verdict and its state allow, Suits those that it is known to suit.
	MayMake []string `json:"mayMake"`
	Suits   []string `json:"suits"`
	Why     string   `json:"why" doc:"Why nothing may be made of it; empty else"`
}

// PlantParts is a plant with the parts of it that are used.
type PlantParts struct {
	ID    string   `json:"id"`
	Name  string   `json:"name"`
	Parts []string `json:"parts"`
}

// Makings returns what may be made, and of what.
func (u *Uses) Makings(ctx context.Context) (MakingsView, error) {
	s, err := u.plot.State(ctx)
	if err != nil {
		return MakingsView{}, err
	}
	v := MakingsView{Makings: []MakingView{}, Baskets: []FromView{}, Jars: []FromView{}, Plants: []PlantParts{}}
	lore := s.Lib.Keeping()
	for _, m := range lore.Makings {
		if m.ID == makingDried {
			continue
		}
		v.Makings = append(v.Makings, viewMaking(lore, m))
	}
	for _, b := range baskets(s) {
		part := b.part
		f := FromView{
			PickingID: b.Picking.ID, SpeciesID: b.Planting.SpeciesID, Part: b.Picking.Part,
			Name: say.PartOf(b.Planting.Species.Names.Name, b.Picking.Part), Left: amount(s, b.left, 0),
			From: pickedWords(b.PickedFrom), MayMake: []string{}, Suits: []string{},
		}
		if state, why := view.BasketState(s, b.Planting, b.Picking); state != view.BasketFit {
			f.Why = why
		} else {
			f.MayMake, f.Suits = mayMakeOf(lore, []flora.Part{part}, "fresh"), suitsOf(lore, part)
		}
		v.Baskets = append(v.Baskets, f)
	}
	hold := heldOf(s)
	for _, h := range standing(s) {
		v.Jars = append(v.Jars, fromJar(s, hold, h))
	}
	slices.SortStableFunc(v.Jars, func(a, b FromView) int { return say.CompareTexts(a.Name, b.Name, a.From, b.From) })
	for _, species := range s.Lib.AllSpecies() {
		plant := PlantParts{ID: species.ID, Name: species.Names.Name, Parts: []string{}}
		for _, part := range species.Parts {
			if mayBeUsed(part) && len(part.Preparations()) > 0 {
				plant.Parts = append(plant.Parts, part.Name)
			}
		}
		if len(plant.Parts) > 0 {
			v.Plants = append(v.Plants, plant)
		}
	}
	slices.SortStableFunc(v.Plants, func(a, b PlantParts) int { return say.CompareTexts(a.Name, b.Name, a.ID, b.ID) })
	return v, nil
}

func fromJar(s *plot.State, hold held, h holding) FromView {
	f := FromView{
		JarID: h.jar.ID, SpeciesID: h.lot.SpeciesID, Part: h.lot.Part, Name: h.name(), MayMake: []string{}, Suits: []string{},
		Left: amount(s, h.grams, h.lot.Density), From: "lot " + lotLabel(h.lot), Why: hold.whyJar(h),
	}
	if f.Why != "" {
		return f
	}
	var parts []flora.Part
	for _, lot := range h.lots {
		for _, p := range partsIn(s, lot) {
			if part, has := p.species.Part(p.part); has {
				parts = append(parts, part)
			}
		}
	}
	state := ""
	switch h.lot.Making {
	case makingDried, makingMix:
		state = "dried"
	case makingFrozen:
		state = "thawed"
	case makingOil:
		state = "oil"
	}
	f.MayMake = mayMakeOf(s.Lib.Keeping(), parts, state)
	if h.one {
		f.Suits = suitsOf(s.Lib.Keeping(), h.part)
	}
	return f
}

// mayMakeOf are the makings that the verdicts of parts allow, for what is fresh, thawed, dried or an oil.
func mayMakeOf(lore *keeping.Lore, parts []flora.Part, state string) []string {
	may := []string{}
	for _, m := range lore.Makings {
		fresh, dried := m.Takes()
		fits := state == "fresh" && fresh || state == "thawed" && fresh && m.ID != makingFrozen ||
			state == "dried" && dried && m.ID != makingDried ||
			state == "oil" && m.From == "oil"
		for _, part := range parts {
			fits = fits && mayBeUsed(part) && (m.Word == "" || part.MayMake(m.Word))
		}
		if fits && len(parts) > 0 && m.ID != makingDried {
			may = append(may, m.ID)
		}
	}
	return may
}

// suitsOf are the makings that a part is known to suit.
func suitsOf(lore *keeping.Lore, part flora.Part) []string {
	suits := []string{}
	for _, m := range lore.Makings {
		if m.Word != "" && slices.Contains(part.Keep.Makings, m.Word) {
			suits = append(suits, m.ID)
		}
	}
	return suits
}

func viewMaking(lore *keeping.Lore, m keeping.Making) MakingView {
	v := MakingView{
		ID: m.ID, Name: m.Name, Vessel: m.Vessel, Bags: m.ID == makingFrozen, Mix: m.ID == makingMix, Cautions: []string{},
	}
	if liquid, wet := lore.Liquid(m.Liquid); wet {
		v.Liquid = liquid.Name
		if m.Strength != nil && liquid.Strength != nil {
			v.Strength = say.Number(liquid.Strength.Value)
		}
	}
	if m.Days != nil {
		v.Days = int(m.Days.Value)
	}
	for _, caution := range m.Cautions {
		v.Cautions = append(v.Cautions, say.Capital(caution.Who)+": "+caution.Text)
	}
	return v
}
