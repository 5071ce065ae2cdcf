package plants

import (
	"bramblyacre/core/flora"
	"bramblyacre/garden/say"
	"bramblyacre/garden/view"
)

// PlantWords are the words that a plant's sheet is filled in with, field by field.
type PlantWords struct {
	NewVersion    say.Version             `json:"newVersion" doc:"The version of a file that is not there yet"`
	Forms         []string                `json:"forms"`
	Habits        []string                `json:"habits"`
	Stages        []string                `json:"stages" doc:"In the order of a year"`
	Stations      []StationWord           `json:"stations"`
	Moisture      []string                `json:"moisture" doc:"The scales of a place, least first"`
	Drainage      []string                `json:"drainage"`
	Texture       []string                `json:"texture"`
	Fertility     []string                `json:"fertility"`
	Shelter       []string                `json:"shelter"`
	Roots         []string                `json:"roots"`
	Spreads       []string                `json:"spreads"`
	Uses          []string                `json:"uses"`
	Eases         []string                `json:"eases"`
	Hens          []string                `json:"hens"`
	Dangers       []string                `json:"dangers"`
	Organs        []string                `json:"organs"`
	Kinds         []string                `json:"kinds" doc:"Of parts"`
	Verdicts      []string                `json:"verdicts"`
	UseStandings  []string                `json:"useStandings"`
	Routes        []string                `json:"routes"`
	Preparations  []string                `json:"preparations"`
	Circumstances []view.CircumstanceView `json:"circumstances" doc:"Whom a caution may be for"`
	Ways          []string                `json:"ways" doc:"Of making more"`
	Light         []string                `json:"light"`
	SpreadsBy     []string                `json:"spreadsBy"`
	TroubleKinds  []string                `json:"troubleKinds"`
	Urgent        []string                `json:"urgent"`
	Again         []string                `json:"again" doc:"Of flowering"`
	Sexes         []string                `json:"sexes"`
	Ranks         []string                `json:"ranks" doc:"Of cultivars, subspecies and crosses"`
	Dries         []string                `json:"dries"`
	Makings       []string                `json:"makings"`
	Frosts        []string                `json:"frosts" doc:"What a frost does"`
	Works         []string                `json:"works" doc:"Kinds of work"`
}

// StationWord is a station whose usual year a course can be told at.
type StationWord struct {
	ID   string `json:"id"`
	Name string `json:"name"`
}

// PlantWords lists the words of every field that has a set of them.
func (u *Uses) PlantWords() PlantWords {
	w := PlantWords{
		NewVersion:    say.VersionOf(nil),
		Forms:         flora.FormWords,
		Habits:        flora.HabitWords,
		Moisture:      flora.MoistureWords,
		Drainage:      flora.DrainageWords,
		Texture:       flora.TextureWords,
		Fertility:     flora.FertilityWords,
		Shelter:       flora.ShelterWords,
		Roots:         flora.RootWords,
		Spreads:       flora.SpreadWords,
		Uses:          flora.UseWords,
		Eases:         flora.EaseWords,
		Hens:          flora.HensWords,
		Dangers:       flora.DangerWords,
		Organs:        flora.OrganWords,
		Kinds:         flora.PartKinds,
		Verdicts:      flora.VerdictWords,
		UseStandings:  flora.UseStandingWords,
		Routes:        flora.CautionRoutes,
		Preparations:  flora.PreparationWords,
		Circumstances: []view.CircumstanceView{{ID: flora.Everyone, Ask: flora.Everyone}},
		Ways:          flora.PropagationWays,
		Light:         flora.LightWords,
		SpreadsBy:     flora.SpreadBy,
		TroubleKinds:  flora.TroubleKinds,
		Urgent:        flora.UrgentWords,
		Again:         flora.AgainWords,
		Sexes:         flora.SexWords,
		Ranks:         flora.KindRanks,
		Dries:         flora.DriesWords,
		Makings:       flora.MakingWords,
		Frosts:        flora.FrostWords,
	}
	for _, work := range u.plot.Lib().Care().Works {
		w.Works = append(w.Works, work.Name)
	}
	for _, stage := range flora.Stages() {
		w.Stages = append(w.Stages, stage.String())
	}
	for _, station := range u.plot.Library.Climates() {
		w.Stations = append(w.Stations, StationWord{station.ID, station.Name})
	}
	for _, c := range flora.Circumstances() {
		w.Circumstances = append(w.Circumstances, view.CircumstanceView{ID: c.ID, Ask: c.Name})
	}
	return w
}
