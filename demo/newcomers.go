package demo

import (
	"bramblyacre/garden/input"
	"bramblyacre/garden/now"
)

// newcomers are what the household wrote down this spring, though most of it had stood for years. All came with a label
// but what was divided off a neighbour's.
var newcomers = []planted{
	{"yarrow", "Dry Bank", input.PlantingInput{
		SpeciesID: "yarrow", Plants: 8, StartedOn: "2029-09-20", Origin: "division",
	}},
	{"marjoram", "Dry Bank", input.PlantingInput{
		SpeciesID: "wild-marjoram", Plants: 10, StartedOn: "2029-05-12", Origin: "bought", Labelled: true, Source: nursery,
	}},
	{"st johns wort", "Dry Bank", input.PlantingInput{
		SpeciesID: "st-johns-wort", Plants: 5, StartedOn: "2029-05-12", Origin: "bought", Labelled: true, Source: nursery,
	}},
	{"chives", "Terrace Pots", input.PlantingInput{
		SpeciesID: "chives", Plants: 6, StartedOn: "2028-04-15", Origin: "division",
	}},
	{"verbena", "Terrace Pots", input.PlantingInput{
		SpeciesID: "lemon-verbena", Plants: 2, StartedOn: "2029-06-02", Origin: "bought", Labelled: true, Source: nursery,
	}},
	{"basil", "Terrace Pots", input.PlantingInput{
		SpeciesID: "sweet-basil", Plants: 6, StartedOn: "2031-05-20", Origin: "bought", Labelled: true, Source: nursery,
	}},
	{"lavender", "South Wall", input.PlantingInput{
		SpeciesID: "lavender", Plants: 5, StartedOn: "2028-05-15", Origin: "bought", Labelled: true, Source: nursery,
	}},
	{"thyme", "South Wall", input.PlantingInput{
		SpeciesID: "garden-thyme", Plants: 8, StartedOn: "2029-05-12", Origin: "bought", Labelled: true, Source: nursery,
	}},
	{"coneflower", "South Wall", input.PlantingInput{
		SpeciesID: "purple-coneflower", Plants: 4, StartedOn: "2028-09-24", Origin: "bought", Labelled: true, Source: nursery,
	}},
	{"hyssop", "South Wall", input.PlantingInput{
		SpeciesID: "hyssop", Plants: 4, StartedOn: "2029-05-12", Origin: "bought", Labelled: true, Source: nursery,
	}},
	{"marigold", "South Wall", input.PlantingInput{
		SpeciesID: "pot-marigold", Plants: 12, StartedOn: "2031-04-22", Origin: "seed", Labelled: true, Source: nursery,
	}},
	{"raspberry", "North Fence", input.PlantingInput{
		SpeciesID: "raspberry", Plants: 6, StartedOn: "2028-11-04", Origin: "bought", Labelled: true, Source: nursery,
	}},
	{"blackcurrant", "North Fence", input.PlantingInput{
		SpeciesID: "blackcurrant", Plants: 2, StartedOn: "2027-11-06", Origin: "bought", Labelled: true, Source: nursery,
	}},
	{"ladys mantle", "Nut Shade", input.PlantingInput{
		SpeciesID: "ladys-mantle", Plants: 6, StartedOn: "2029-09-20", Origin: "division",
	}},
	{"violet", "Nut Shade", input.PlantingInput{
		SpeciesID: "sweet-violet", Plants: 14, StartedOn: "2029-09-20", Origin: "division",
	}},
	{"strawberry", "Nut Shade", input.PlantingInput{
		SpeciesID: "wild-strawberry", Plants: 20, StartedOn: "2029-04-22", Origin: "bought", Labelled: true, Source: nursery,
	}},
}

// writtenDown is the day on which they were.
const writtenDown = "2031-04-24"

// newcomerNotes are this spring's looks at them.
var newcomerNotes = []note{
	{day: "2031-05-04", planting: "yarrow", stage: "leafing", share: "most"},
	{day: "2031-05-04", planting: "chives", stage: "full leaf", share: "most"},
	{day: "2031-05-04", planting: "marjoram", stage: "leafing", share: "most"},
	{day: "2031-05-04", planting: "raspberry", stage: "shooting", share: "most"},
	{day: "2031-05-04", planting: "blackcurrant", stage: "leafing", share: "most"},
	{day: "2031-05-04", planting: "violet", stage: "full flower", share: "most"},
	{day: "2031-05-04", planting: "ladys mantle", stage: "leafing", share: "most"},
	{day: "2031-05-18", planting: "yarrow", stage: "full leaf", share: "half"},
	{day: "2031-05-18", planting: "chives", stage: "in bud", share: "most"},
	{day: "2031-05-18", planting: "lavender", stage: "leafing", share: "most"},
	{day: "2031-05-18", planting: "thyme", stage: "full leaf", share: "most"},
	{
		day:      "2031-05-18",
		planting: "coneflower",
		stage:    "leafing",
		share:    "half",
		marks:    []string{"slug holes"},
		note:     "Two of the four, on the wall's side.",
	},
	{day: "2031-05-18", planting: "marigold", stage: "leafing", share: "most"},
	{day: "2031-05-18", planting: "strawberry", stage: "first flower", share: "half"},
	{day: "2031-05-18", planting: "ladys mantle", stage: "full leaf", share: "most"},
	{day: "2031-05-18", planting: "blackcurrant", stage: "first flower", share: "most"},
}

// newcomerLooks are this spring's checks of them: one is enough where a label came and it shows what decides.
var newcomerLooks = []look{
	{day: "2031-05-20", planting: "chives", by: "Ida"},
	{day: "2031-05-21", planting: "lavender", by: "Ida"},
	{day: "2031-05-22", planting: "thyme", by: "Joss"},
	{day: "2031-05-20", planting: "marjoram", by: "Ida"},
	{day: "2031-05-21", planting: "strawberry", by: "Joss"},
	{day: "2031-05-22", planting: "violet", by: "Ida"},
	{day: "2031-05-20", planting: "ladys mantle", by: "Joss"},
	{day: "2031-05-21", planting: "raspberry", by: "Ida"},
	{day: "2031-05-22", planting: "blackcurrant", by: "Joss"},
	{day: "2031-05-20", planting: "hyssop", by: "Ida"},
	{day: "2031-05-21", planting: "yarrow", by: "Joss"},
	{day: "2031-05-22", planting: "st johns wort", by: "Ida"},
	{day: "2031-05-20", planting: "coneflower", by: "Joss"},
	{day: "2031-05-21", planting: "marigold", by: "Ida"},
}

// hours is the time there is for the garden: an hour or so in the evenings, and Saturday.
var hours = now.HoursInput{Minutes: []string{"30", "45", "30", "", "30", "3 h", "1 h"}, NightChance: 2}
