package view

// PartOf names a part of a plant: "lovage leaf".
func PartOf(plant, part string) string { return plant + " " + part }
