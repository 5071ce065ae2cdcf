package keeping

import (
	"errors"
	"fmt"
	"slices"

	"bramblyacre/core/flora"
)

// Lore is what is known of keeping that is of no one species: figures with their standing, and how things are made.
type Lore struct {
	Parts   []PartLore  `toml:"part"`
	Makings []Making    `toml:"making"`
	Liquids []Liquid    `toml:"liquid"`
	Freezer FreezerLore `toml:"freezer"`
	Year    YearLore    `toml:"year"`
}

// PartLore is how a kind of part keeps: Kind is one of flora.DriesWords.
type PartLore struct {
	Kind string `toml:"kind"`
	// Waits is how many hours it may lie in its basket before it spoils.
	Waits flora.Figure `toml:"waits"`
	// Room is the room in ml that a dried gram takes in a jar, FreshRoom that of a fresh one.
	Room      flora.Figure `toml:"room"`
	FreshRoom flora.Figure `toml:"fresh_room"`
	// Drained is which share of its weight is left once it was blanched and drained, Packed the litres that a raw
	// kilogram takes in bags.
	Drained flora.Figure `toml:"drained"`
	Packed  flora.Figure `toml:"packed"`
	// Keeps is how many months it keeps dried where its own file says nothing.
	Keeps flora.Figure `toml:"keeps"`
}

// FreezerLore is what a freezer does: Keeps the months where a part's file says nothing, Water the litres of water for
// a kilogram that is blanched.
type FreezerLore struct {
	Keeps flora.Figure `toml:"keeps"`
	Water flora.Figure `toml:"water"`
}

// YearLore is how unlike years are: Yields is the share by which what plants bear differs from year to year.
type YearLore struct {
	Yields flora.Figure `toml:"yields"`
}

// Liquid is what herb is laid in, or mixed with: Weight is what a ml of it weighs in grams, Strength how many % of
// alcohol or acid are in it.
type Liquid struct {
	ID       string        `toml:"id"`
	Name     string        `toml:"name"`
	Weight   flora.Figure  `toml:"weight"`
	Strength *flora.Figure `toml:"strength,omitempty"`
}

// Making is a way of keeping something.
type Making struct {
	ID   string `toml:"id"`
	Name string `toml:"name"`
	// Of is how it is named with what it is of: "oil of …"; Vessel what it is filled into.
	Of     string `toml:"of"`
	Vessel string `toml:"vessel"`
	// Word is the word of flora.MakingWords whose verdict it needs; empty for what every use allows, as drying.
	Word string `toml:"word,omitempty"`
	// From says from what it is made: fresh, dried, either or oil.
	From string `toml:"from"`
	// Liquid is the id of what it is laid in; empty for none.
	Liquid string `toml:"liquid,omitempty"`
	// Dried and Fresh are the ml of liquid, or the g of what is added dry, for a gram of herb.
	Dried *flora.Figure `toml:"dried,omitempty"`
	Fresh *flora.Figure `toml:"fresh,omitempty"`
	// Added is what is added besides, for each ml or gram of what it is made of: wax to an oil, sugar to a tea.
	Added []Addition `toml:"added,omitempty"`
	// Strength is the least strength of the liquid, in %, at which it keeps; for fresh herb after its water went over.
	Strength *flora.Figure `toml:"strength,omitempty"`
	// Kept is which share comes through the strainer; nil where nothing is strained.
	Kept *flora.Figure `toml:"kept,omitempty"`
	// Days is how long it stands, nil for what is done the same day; Keeps how many months it keeps, nil where its
	// parts say.
	Days  *flora.Figure `toml:"days,omitempty"`
	Keeps *flora.Figure `toml:"keeps,omitempty"`
	// Opened is how many months it keeps once opened, where that is less.
	Opened *flora.Figure `toml:"opened,omitempty"`
	Steps  []Step        `toml:"step"`
	// Cautions are those of the making itself, whatever it is of.
	Cautions []Caution `toml:"caution"`
	// FreshCautions are those besides where fresh herb is used, FreshKeeps how many months it keeps then.
	FreshCautions []Caution     `toml:"fresh_caution,omitempty"`
	FreshKeeps    *flora.Figure `toml:"fresh_keeps,omitempty"`
}

// Addition is what is added to a making: Grams for each gram that it is made of.
type Addition struct {
	Name  string       `toml:"name"`
	Grams flora.Figure `toml:"grams"`
}

// Step is something to do while a thing is made.
type Step struct {
	ID   string `toml:"id"`
	Text string `toml:"text"`
	// After is how many days after the beginning it is done; Every how many days later it is done again, until the end.
	After int `toml:"after,omitempty"`
	Every int `toml:"every,omitempty"`
	// Last is true for what is done on the day it has stood long enough.
	Last    bool    `toml:"last,omitempty"`
	Minutes float64 `toml:"minutes"`
	// Unless is how the household may leave it out: a word that it may be left out by, as washing.
	Unless string `toml:"unless,omitempty"`
}

// Caution is a usual caution of a making: for whom, in the words of a plant's caution, and what.
type Caution struct {
	Who  string `toml:"who"`
	Text string `toml:"text"`
}

// fromWords are what a thing may be made from.
var fromWords = []string{"fresh", "dried", "either", "oil"}

// Part returns how a kind of part keeps, and whether that is on record.
func (l *Lore) Part(kind string) (PartLore, bool) {
	at := slices.IndexFunc(l.Parts, func(p PartLore) bool { return p.Kind == kind })
	if at < 0 {
		return PartLore{}, false
	}
	return l.Parts[at], true
}

// Making returns a making by its id.
func (l *Lore) Making(id string) (Making, bool) {
	at := slices.IndexFunc(l.Makings, func(m Making) bool { return m.ID == id })
	if at < 0 {
		return Making{}, false
	}
	return l.Makings[at], true
}

// Liquid returns a liquid by its id.
func (l *Lore) Liquid(id string) (Liquid, bool) {
	at := slices.IndexFunc(l.Liquids, func(m Liquid) bool { return m.ID == id })
	if at < 0 {
		return Liquid{}, false
	}
	return l.Liquids[at], true
}

// Takes tells whether a making is made from what is fresh, and whether from what is dried.
func (m Making) Takes() (fresh, dried bool) {
	return m.From == "fresh" || m.From == "either", m.From == "dried" || m.From == "either"
}

// ML is the liquid for a gram of herb, dried or fresh; false where it is not made so.
func (m Making) ML(dried bool) (flora.Figure, bool) {
	figure := m.Fresh
	if dried {
		figure = m.Dried
	}
	if figure == nil {
		return flora.Figure{}, false
	}
	return *figure, true
}

// Check returns an error where the lore cannot be.
func (l *Lore) Check() error {
	had := map[string]bool{}
	for _, p := range l.Parts {
		if !slices.Contains(flora.DriesWords, p.Kind) || had[p.Kind] {
			return fmt.Errorf("part: %q must be one of the ways in which parts dry, and once", p.Kind)
		}
		had[p.Kind] = true
	}
	if len(had) != len(flora.DriesWords) {
		return errors.New("part: each way in which parts dry must be there")
	}
	for _, m := range l.Makings {
		if m.ID == "" || m.Name == "" || m.Of == "" || m.Vessel == "" || had[m.ID] {
			return fmt.Errorf(
				"making %q: needs an id of its own, a name, how it is named with what it is of, and a vessel",
				m.ID,
			)
		}
		had[m.ID] = true
		if err := m.check(l); err != nil {
			return fmt.Errorf("making %s: %w", m.ID, err)
		}
	}
	return nil
}

func (m Making) check(l *Lore) error {
	if !slices.Contains(fromWords, m.From) {
		return fmt.Errorf("from: %q must be one of %v", m.From, fromWords)
	}
	if m.Word != "" && !slices.Contains(flora.MakingWords, m.Word) {
		return fmt.Errorf("word: %q must be one of %v", m.Word, flora.MakingWords)
	}
	if _, has := l.Liquid(m.Liquid); m.Liquid != "" && !has {
		return fmt.Errorf("liquid: there is no %q", m.Liquid)
	}
	if m.Liquid != "" && m.Dried == nil && m.Fresh == nil {
		return errors.New("how much liquid a gram takes is missing")
	}
	if len(m.Cautions) == 0 {
		return errors.New("its cautions are missing")
	}
	last := 0
	for _, step := range m.Steps {
		switch {
		case step.ID == "" || step.Text == "" || !(step.Minutes > 0):
			return errors.New("step: needs an id, a text and minutes")
		case step.After < 0 || step.Every < 0:
			return errors.New("step: days are not below 0")
		case step.Last:
			last++
		}
	}
	if m.Days != nil && last == 0 {
		return errors.New("step: what stands for days has a step for its last")
	}
	return nil
}
