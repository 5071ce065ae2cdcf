package identity

import "slices"

// tableCharacters are the characters that a picked part of each kind still shows on the
// table.
var tableCharacters = map[string][]string{
	"leaf": {
		"smell",
		"leaf-base",
		"leaf-veins",
		"leaf-surface",
		"leaf-underside",
		"leaf-build",
		"leaf-shape",
		"leaf-margin",
		"leaf-tip",
		"sap",
	},
	"root": {"root-form", "root-inside", "smell", "sap"},
	"stem": {"stem-section", "stem-fill", "stem-mark", "stem-surface", "hair-place", "smell", "sap"},
	"top": {
		"smell",
		"flower-form",
		"flower-parts",
		"flower-colour",
		"flower-group",
		"leaf-order",
		"leaf-build",
		"leaf-surface",
		"leaf-shape",
		"stem-section",
		"stem-fill",
		"stem-surface",
		"leaf-margin",
		"leaf-underside",
		"leaf-joint",
		"sap",
		"whorl-count",
		"bracts",
		"hair-place",
	},
	"flower": {"flower-form", "flower-parts", "flower-colour", "bracts", "flower-group"},
	"fruit":  {"fruit", "fruit-colour"},
	"pad":    {"leaf-build", "sap", "stem-surface"},
}

// tableKind puts the other kinds of parts with one of those.
var tableKind = map[string]string{
	"shoot":   "top",
	"whole":   "top",
	"rhizome": "root",
	"bulb":    "root",
	"seed":    "fruit",
	"pod":     "fruit",
	"bark":    "stem",
}

// OnTheTable returns which characters a picked part of a kind still shows on the table; the
// kinds are those of flora.PartKinds.
func OnTheTable(partKind string) func(Character) bool {
	if other, has := tableKind[partKind]; has {
		partKind = other
	}
	return func(c Character) bool { return slices.Contains(tableCharacters[partKind], c.ID) }
}
