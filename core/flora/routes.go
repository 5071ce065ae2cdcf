package flora

// RoutesOf are the ways by which each preparation reaches a person, by the words of PreparationWords.
var RoutesOf = map[string][]string{
	"food": {
		"by mouth",
	},
	"tea":      {"by mouth"},
	"tincture": {"by mouth"},
	"vinegar":  {"by mouth"},
	"syrup":    {"by mouth"},
	"honey":    {"by mouth"},
	"infused oil": {
		"on the skin",
		"by mouth",
	},
	"salve": {"on the skin"},
	"bath":  {"on the skin", "breathed"},
	"steam": {"breathed"},
}
