package demo

import (
	"bramblyacre/garden/input"
	"bramblyacre/garden/place"
	"bramblyacre/garden/plot"
)

// at is a rectangle as a grower types it: its middle, its length and breadth.
func at(x, y, width, depth string) place.FormInput {
	return place.FormInput{X: x, Y: y, Width: width, Depth: depth}
}

// beds lie together round the house end of the acre; the rest is meadow.
var beds = []place.BedInput{
	{
		Name:      "Long Bed",
		FormInput: at("17 m", "7 m", "18 m", "3 m"),
		Moisture:  "moist",
		Winter:    "moist",
		Texture:   "loam",
		Drainage:  "free",
		Fertility: "rich",
		SoilDepth: "over 50 cm",
		Mulch:     "6 cm",
		Note:      "Good loam, mulched each autumn.",
	},
	{
		Name: "Wet Corner",
		FormInput: place.FormInput{
			Shape: "polygon",
			Points: []place.Corner{
				{X: "33 m", Y: "7 m"},
				{X: "40 m", Y: "6.4 m"},
				{X: "41 m", Y: "11 m"},
				{X: "38.4 m", Y: "14 m"},
				{X: "33 m", Y: "13.4 m"},
			},
		},
		Moisture:  "wet",
		Winter:    "wet",
		Fertility: "rich",
		Note:      "Below the water butt's overflow.",
	},
	{
		Name:      "Dry Bank",
		FormInput: place.FormInput{X: "12.5 m", Y: "18.4 m", Width: "10 m", Depth: "3.4 m", Turn: -6},
		Moisture:  "dry",
		Texture:   "sandy loam",
		Drainage:  "sharp",
		Fertility: "lean",
		Note:      "Gravel, faces south.",
	},
	{
		Name:      "Terrace Pots",
		FormInput: at("24.6 m", "19 m", "5.4 m", "3 m"),
		Moisture:  "fresh",
		Texture:   "sandy loam",
		Drainage:  "free",
		Fertility: "fair",
		SoilDepth: "30–50 cm",
		SunHours:  new(8.0),
		Edge:      "held",
		Note:      "Pots by the kitchen door.",
	},
	{
		Name:      "North Fence",
		FormInput: at("32 m", "20.8 m", "2.4 m", "9 m"),
		Moisture:  "fresh",
		Texture:   "loam",
		Fertility: "rich",
		SoilDepth: "over 50 cm",
		Note:      "Along the fence, a path on its west side.",
	},
	{
		Name:      "Nut Shade",
		FormInput: place.FormInput{Shape: "ring", X: "40.8 m", Y: "20.6 m", Width: "8 m", Inner: "2.4 m"},
		Moisture:  "fresh",
		Texture:   "silt loam",
		Drainage:  "free",
		Fertility: "fair",
		Note:      "Under the walnut.",
	},
	{
		Name:      "Hedge Foot",
		FormInput: at("17 m", "25.6 m", "18 m", "2.6 m"),
		Moisture:  "moist",
		Fertility: "fair",
		Note:      "Shade of the hedge; the lane beyond it is sprayed.",
	},
	{
		Name:      "South Wall",
		FormInput: at("24.6 m", "15.9 m", "8 m", "1.2 m"),
		Moisture:  "fresh",
		Texture:   "sandy loam",
		Drainage:  "free",
		Fertility: "fair",
		SoilDepth: "over 50 cm",
		Warmth:    "warm",
		Note:      "Under the house's south wall.",
	},
	{
		Name:      "Mint Pot",
		FormInput: place.FormInput{Shape: "round", X: "5.2 m", Y: "23.6 m", Width: "60 cm"},
		Moisture:  "fresh",
		Texture:   "sandy loam",
		Drainage:  "free",
		Fertility: "rich",
		SoilDepth: "30–50 cm",
		Note:      "Empty: the mint went to a friend.",
	},
	{
		Name:      mintCorner,
		FormInput: at("4.4 m", "20.6 m", "2.4 m", "1.6 m"),
		Moisture:  "moist",
		Texture:   "loam",
		Fertility: "rich",
		Note:      "Open ground; the grass about it is left long.",
	},
}

// things stand about the beds, the neighbour's trees and the lane among them.
var things = []place.ItemInput{
	{Kind: "building", Name: "House", FormInput: at("24.6 m", "12.6 m", "8 m", "5 m"), Height: "6 m"},
	{
		Kind:      "tree",
		Name:      "Walnut",
		FormInput: place.FormInput{Shape: "round", X: "40.8 m", Y: "20.6 m", Width: "10 m"},
		Height:    "11 m",
		CrownBase: "3 m",
		Leaf:      "deciduous",
		LeafFrom:  5,
		LeafUntil: 10,
		Tree:      "walnut",
	},
	{
		Kind: "hedge",
		Name: "South hedge",
		FormInput: place.FormInput{
			Shape:  "line",
			Width:  "1.2 m",
			Points: []place.Corner{{X: "6 m", Y: "28.2 m"}, {X: "28.6 m", Y: "28.2 m"}},
		},
		Height:    "2.4 m",
		Leaf:      "deciduous",
		LeafFrom:  4,
		LeafUntil: 10,
	},
	{
		Kind: "fence",
		Name: "Board fence",
		FormInput: place.FormInput{
			Shape:  "line",
			Width:  "10 cm",
			Points: []place.Corner{{X: "33.4 m", Y: "15.4 m"}, {X: "33.4 m", Y: "26.4 m"}},
		},
		Height: "1.8 m",
	},
	{
		Kind: "path",
		Name: "Fence path",
		FormInput: place.FormInput{
			Shape:  "line",
			Width:  "1 m",
			Points: []place.Corner{{X: "30.2 m", Y: "4 m"}, {X: "30.2 m", Y: "29 m"}},
		},
	},
	{
		Kind: "path",
		Name: "Lane",
		FormInput: place.FormInput{
			Shape:  "line",
			Width:  "2.6 m",
			Points: []place.Corner{{X: "2 m", Y: "31.2 m"}, {X: "46 m", Y: "31.2 m"}},
		},
	},
	{
		Kind: "unsafe ground",
		Name: "Lane verge",
		FormInput: place.FormInput{
			Shape:  "line",
			Width:  "2.6 m",
			Points: []place.Corner{{X: "2 m", Y: "31.2 m"}, {X: "46 m", Y: "31.2 m"}},
		},
		Unsafe: "sprayed strip",
		Reach:  "4 m",
	},
	{
		Kind:      "overflow",
		Name:      "Butt's overflow",
		FormInput: place.FormInput{Shape: "round", X: "31.8 m", Y: "9.4 m", Width: "1 m"},
		Reach:     "1.2 m",
	},
	{
		Kind:        "slope",
		Name:        "Bank",
		FormInput:   at("12.5 m", "18.4 m", "13 m", "6 m"),
		FallPercent: new(16.0),
		FacesDeg:    new(190.0),
	},
	{
		Kind:      "tree",
		Name:      "Neighbour's spruce",
		FormInput: place.FormInput{Shape: "round", X: "5.4 m", Y: "13 m", Width: "4 m"},
		Height:    "12 m",
		CrownBase: "1 m",
		Leaf:      "evergreen",
	},
	{
		Kind: "pond",
		Name: "Frog pond",
		FormInput: place.FormInput{
			Shape: "polygon",
			Points: []place.Corner{
				{X: "43.4 m", Y: "8.4 m"},
				{X: "46 m", Y: "8 m"},
				{X: "47 m", Y: "10.2 m"},
				{X: "45.4 m", Y: "12 m"},
				{X: "43.2 m", Y: "11 m"},
			},
		},
	},
}

// signs were read and tests made on the beds.
var signs = []struct {
	bed string
	in  place.ReadingInput
}{
	{"Wet Corner", place.ReadingInput{Day: "2029-03-18", Kind: "sign", ReadingDetail: plot.ReadingDetail{Sign: "rushes"}}},
	{
		"Wet Corner",
		place.ReadingInput{
			Day:           "2029-04-22",
			Kind:          "infiltration",
			ReadingDetail: plot.ReadingDetail{FallMM: new(2.0), Minutes: new(30.0)},
			Note:          "In a tin without ends, wetted the day before.",
		},
	},
	{
		"Long Bed",
		place.ReadingInput{
			Day:           "2029-04-22",
			Kind:          "jar",
			ReadingDetail: plot.ReadingDetail{SandMM: new(46.0), SiltMM: new(44.0), ClayMM: new(18.0)},
		},
	},
	{"Long Bed", place.ReadingInput{Day: "2029-04-22", Kind: "ph strip", ReadingDetail: plot.ReadingDetail{PH: new(6.5)}}},
	{
		"Long Bed",
		place.ReadingInput{Day: "2029-04-22", Kind: "worms", ReadingDetail: plot.ReadingDetail{Worms: new(14.0)}},
	},
	{
		"Hedge Foot",
		place.ReadingInput{Day: "2029-05-20", Kind: "sign", ReadingDetail: plot.ReadingDetail{Sign: "green-moss"}},
	},
	{
		"Hedge Foot",
		place.ReadingInput{
			Day:           "2030-07-06",
			Kind:          "sign",
			ReadingDetail: plot.ReadingDetail{Sign: "cracked-clay"},
			Note:          "The east end, after three dry weeks.",
		},
	},
	{"Dry Bank", place.ReadingInput{Day: "2029-05-20", Kind: "sign", ReadingDetail: plot.ReadingDetail{Sign: "dusty"}}},
	{"Dry Bank", place.ReadingInput{Day: "2029-05-20", Kind: "sign", ReadingDetail: plot.ReadingDetail{Sign: "fizzes"}}},
	{
		"Nut Shade",
		place.ReadingInput{
			Day:           "2030-05-11",
			Kind:          "ribbon",
			ReadingDetail: plot.ReadingDetail{Ribbon: new(18.0), Feel: "smooth"},
		},
	},
}

type planted struct {
	key, bed string
	in       input.PlantingInput
}

// nursery is whose label the bought plants and seed came with.
const nursery = "Label of the seed and plant swap at the mill"

var plantings = []planted{
	{
		"lovage",
		"Long Bed",
		input.PlantingInput{SpeciesID: "lovage", Plants: 3, StartedOn: "2027-09-20", Origin: "division"},
	},
	{
		"sorrel",
		"Long Bed",
		input.PlantingInput{
			SpeciesID: "garden-sorrel",
			Plants:    24,
			StartedOn: "2028-04-10",
			Origin:    "seed",
			Labelled:  true,
			Source:    nursery,
		},
	},
	{
		"valerian",
		"Long Bed",
		input.PlantingInput{
			SpeciesID: "valerian",
			Plants:    12,
			StartedOn: "2029-04-12",
			Origin:    "seed",
			Labelled:  true,
			Source:    nursery,
		},
	},
	{
		"burdock old",
		"Long Bed",
		input.PlantingInput{
			SpeciesID: "greater-burdock",
			Plants:    6,
			StartedOn: "2030-04-18",
			Origin:    "seed",
			Labelled:  true,
			Source:    nursery,
		},
	},
	{
		"meadowsweet",
		"Wet Corner",
		input.PlantingInput{SpeciesID: "meadowsweet", Plants: 7, StartedOn: "2028-10-02", Origin: "division"},
	},
	{
		"valerian wet",
		"Wet Corner",
		input.PlantingInput{SpeciesID: "valerian", Plants: 5, StartedOn: "2030-09-28", Origin: "division"},
	},
	{
		"sage",
		"Dry Bank",
		input.PlantingInput{
			SpeciesID: "common-sage",
			Plants:    9,
			StartedOn: "2028-05-15",
			Origin:    "bought",
			Labelled:  true,
			Source:    nursery,
		},
	},
	{
		"sage young",
		"Terrace Pots",
		input.PlantingInput{SpeciesID: "common-sage", Plants: 6, StartedOn: "2030-06-20", Origin: "cutting"},
	},
	{
		"sorrel pots",
		"Terrace Pots",
		input.PlantingInput{
			SpeciesID: "garden-sorrel",
			Plants:    4,
			StartedOn: "2031-04-06",
			Origin:    "seed",
			Labelled:  true,
			Source:    nursery,
		},
	},
	{"hop", "North Fence", input.PlantingInput{SpeciesID: "hop", Plants: 2, StartedOn: "2027-10-10", Origin: "division"}},
	{
		"sweet cicely",
		"Nut Shade",
		input.PlantingInput{
			SpeciesID: "sweet-cicely",
			Plants:    8,
			StartedOn: "2028-09-15",
			Origin:    "bought",
			Labelled:  true,
			Source:    nursery,
		},
	},
	{
		"umbels",
		"Nut Shade",
		input.PlantingInput{
			SpeciesID: "sweet-cicely",
			Plants:    5,
			StartedOn: "2030-04-20",
			Origin:    "volunteer",
			Note:      "Came up by the gate, not near the mothers.",
		},
	},
	{
		"burdock young",
		"Long Bed",
		input.PlantingInput{
			SpeciesID: "greater-burdock",
			Plants:    10,
			StartedOn: "2031-04-14",
			Origin:    "seed",
			Labelled:  true,
			Source:    nursery,
		},
	},
	{
		"meadowsweet hedge",
		"Hedge Foot",
		input.PlantingInput{SpeciesID: "meadowsweet", Plants: 8, StartedOn: "2029-10-05", Origin: "division"},
	},
}

// lost are plantings that failed: the plot remembers them.
var lost = []struct {
	planted
	gone, cause, note string
}{
	{
		planted{
			"valerian bank",
			"Dry Bank",
			input.PlantingInput{
				SpeciesID: "valerian",
				Plants:    6,
				StartedOn: "2029-04-14",
				Origin:    "bought",
				Labelled:  true,
				Source:    nursery,
			},
		},
		"2029-08-20",
		"too dry",
		"Gone within a summer in spite of the can.",
	},
	{
		planted{
			"sage corner",
			"Wet Corner",
			input.PlantingInput{
				SpeciesID: "common-sage",
				Plants:    2,
				StartedOn: "2029-06-02",
				Origin:    "bought",
				Labelled:  true,
				Source:    nursery,
			},
		},
		"2030-03-24",
		"rotted",
		"Stood in water all winter.",
	},
}
