package demo

import "bramblyacre/garden"

// beds lie together round the house end of the acre; the rest is meadow.
var beds = []garden.BedInput{
	{Name: "Long Bed", X: "17 m", Y: "10 m", Width: "18 m", Depth: "3 m", SunHours: 7, Moisture: "moist", Note: "Good loam, mulched each autumn."},
	{Name: "Wet Corner", X: "36 m", Y: "10 m", Width: "7 m", Depth: "7 m", SunHours: 5, Moisture: "wet", Note: "Below the water butt's overflow."},
	{Name: "Dry Bank", X: "13 m", Y: "17.2 m", Width: "10 m", Depth: "3.4 m", Turn: -6, SunHours: 9, Moisture: "dry", Note: "Gravel, faces south."},
	{Name: "Terrace Pots", X: "24 m", Y: "17 m", Width: "5.4 m", Depth: "3.4 m", SunHours: 8, Moisture: "fresh", Note: "Pots by the kitchen door."},
	{Name: "North Fence", X: "32 m", Y: "20 m", Width: "2.4 m", Depth: "9 m", SunHours: 5, Moisture: "fresh", Note: "Along the fence, a path on its west side."},
	{Name: "Nut Shade", X: "38 m", Y: "20.5 m", Width: "5.5 m", Depth: "7.5 m", SunHours: 4, Moisture: "fresh", Note: "Under a walnut."},
	{Name: "Hedge Foot", X: "17 m", Y: "24 m", Width: "18 m", Depth: "2.6 m", SunHours: 3, Moisture: "moist", Unsafe: "sprayed strip", Note: "Shade of the hedge; the lane beyond it is sprayed."},
}

type planted struct {
	key, bed string
	in       garden.PlantingInput
}

const (
	labelled = "Came labelled from a nursery and agrees with the characters on two visits."
	knownOwn = "Division from a plant grown here for years; two of us checked it in flower."
)

var plantings = []planted{
	{"lovage", "Long Bed", garden.PlantingInput{SpeciesID: "lovage", Plants: 3, StartedOn: "2027-09-20", Origin: "division", Identity: "sure", IdentityNote: knownOwn}},
	{"sorrel", "Long Bed", garden.PlantingInput{SpeciesID: "garden-sorrel", Plants: 24, StartedOn: "2028-04-10", Origin: "seed", Identity: "sure", IdentityNote: labelled}},
	{"valerian", "Long Bed", garden.PlantingInput{SpeciesID: "valerian", Plants: 12, StartedOn: "2029-04-12", Origin: "seed", Identity: "sure", IdentityNote: labelled}},
	{"burdock old", "Long Bed", garden.PlantingInput{SpeciesID: "greater-burdock", Plants: 6, StartedOn: "2030-04-18", Origin: "seed", Identity: "sure", IdentityNote: labelled}},
	{"meadowsweet", "Wet Corner", garden.PlantingInput{SpeciesID: "meadowsweet", Plants: 7, StartedOn: "2028-10-02", Origin: "division", Identity: "sure", IdentityNote: knownOwn}},
	{"valerian wet", "Wet Corner", garden.PlantingInput{SpeciesID: "valerian", Plants: 5, StartedOn: "2030-09-28", Origin: "division", Identity: "sure", IdentityNote: knownOwn}},
	{"sage", "Dry Bank", garden.PlantingInput{SpeciesID: "common-sage", Plants: 9, StartedOn: "2028-05-15", Origin: "bought", Identity: "sure", IdentityNote: labelled}},
	{"sage young", "Terrace Pots", garden.PlantingInput{SpeciesID: "common-sage", Plants: 6, StartedOn: "2030-06-20", Origin: "cutting", Identity: "sure", IdentityNote: knownOwn}},
	{"sorrel pots", "Terrace Pots", garden.PlantingInput{SpeciesID: "garden-sorrel", Plants: 4, StartedOn: "2031-04-06", Origin: "seed", Identity: "sure", IdentityNote: labelled}},
	{"hop", "North Fence", garden.PlantingInput{SpeciesID: "hop", Plants: 2, StartedOn: "2027-10-10", Origin: "division", Identity: "sure", IdentityNote: knownOwn}},
	{"sweet cicely", "Nut Shade", garden.PlantingInput{SpeciesID: "sweet-cicely", Plants: 8, StartedOn: "2028-09-15", Origin: "bought", Identity: "sure", IdentityNote: labelled}},
	{"umbels", "Nut Shade", garden.PlantingInput{SpeciesID: "sweet-cicely", Plants: 5, StartedOn: "2030-04-20", Origin: "volunteer", Identity: "unproven", Note: "Came up by the gate, not near the mothers."}},
	{"burdock young", "Long Bed", garden.PlantingInput{SpeciesID: "greater-burdock", Plants: 10, StartedOn: "2031-04-14", Origin: "seed", Identity: "sure", IdentityNote: labelled}},
	{"meadowsweet hedge", "Hedge Foot", garden.PlantingInput{SpeciesID: "meadowsweet", Plants: 8, StartedOn: "2029-10-05", Origin: "division", Identity: "sure", IdentityNote: knownOwn}},
}

var needs = []garden.NeedInput{
	{SpeciesID: "meadowsweet", Part: "flowering top", Amount: "900 g"},
	{SpeciesID: "common-sage", Part: "leaf", Amount: "600 g"},
}
