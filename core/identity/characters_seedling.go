package identity

// seedlingCharacters are those of a plant that has just come up from seed.
var seedlingCharacters = []Character{
	ofSeedling(
		"seed-leaves",
		"seed leaves",
		"What shape have the two seed leaves?",
		"narrow: Long and narrow, like two blades of grass.",
		"oval: Oval or egg-shaped.",
		"round: Round.",
		"notched: Notched at the tip.",
		"single: There is one, a thread or a blade.",
		"underground: None to be seen: they stay in the ground.",
	),
	ofSeedling(
		"first-leaves",
		"first leaves",
		"How are the first leaves after the seed leaves?",
		"whole: Whole, with a smooth edge.",
		"toothed: Whole, with teeth or scallops.",
		"lobed: Lobed.",
		"three: Of three leaflets.",
		"feather: Feathered.",
		"ferny: Divided twice or more, ferny.",
		"blade: A needle, or a blade like grass.",
	),
}
