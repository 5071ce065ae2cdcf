package view

import (
	"bramblyacre/core/identity"
	"bramblyacre/garden/say"
)

// CharacterView is a character with its states to choose from.
type CharacterView struct {
	ID     string      `json:"id"`
	Name   string      `json:"name"`
	Ask    string      `json:"ask"`
	How    string      `json:"how"`
	States []StateView `json:"states"`
	Bits   float64     `json:"bits" doc:"What a look is expected to tell; 0 where it was not worked out"`
}

func ViewCharacter(c identity.Character, bits float64) CharacterView {
	v := CharacterView{ID: c.ID, Name: c.Name, Ask: c.Ask, How: c.How, States: []StateView{}, Bits: say.Round2(bits)}
	for _, state := range c.States {
		v.States = append(v.States, StateView{state.ID, state.Words})
	}
	return v
}
