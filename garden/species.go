package garden

// SpeciesChoice is a plant that can be planted.
type SpeciesChoice struct {
	ID        string `json:"id"`
	Name      string `json:"name"`
	Botanical string `json:"botanical"`
	Names     string `json:"names" doc:"Every name, for searching"`
	Form      string `json:"form"`
}

// Species lists the library's plants.
func (g *Garden) Species() []SpeciesChoice {
	choices := []SpeciesChoice{}
	for _, s := range g.lib().AllSpecies() {
		names := plain(s.Names.Name + " " + s.Names.Botanical)
		for _, common := range s.Names.Common {
			names += " " + plain(common.Name)
		}
		choices = append(choices, SpeciesChoice{s.ID, capital(s.Names.Name), s.Names.Botanical, names, string(s.Life.Form)})
	}
	return choices
}
