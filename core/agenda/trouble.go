package agenda

// Trouble is a sign that is marked on a round, with what it asks for: common horticultural
// knowledge, in a sentence each.
type Trouble struct {
	Mark string
	// Verb and What are the job, Why the reason.
	Verb, What, Why string
	// Days is for how many days after the look it is worth doing, Minutes the work.
	Days    int
	Minutes float64
	// Picking is what to mind where something is picked meanwhile; empty for nothing.
	Picking string
}

var troubles = []Trouble{
	{
		"dry",
		"Water",
		"deeply at the foot, in the evening",
		"One deep soaking reaches the roots; a sprinkling each day does not.",
		5,
		10,
		"",
	},
	{
		"eaten",
		"Look over",
		"at dusk and under the leaves: slugs, caterpillars",
		"What eats it is found where it hides by day, and few are many in a week.",
		10,
		10,
		"Leave what is eaten, and wash the rest.",
	},
	{
		"mildew",
		"Cut out",
		"what is mildewed; give it air and water at the foot",
		"It spreads in still air on dry roots.",
		10,
		10,
		"Take nothing with mildew on it.",
	},
	{
		"rust",
		"Cut out",
		"what is rusted, and burn or bin it",
		"Its spores go on from the compost.",
		10,
		10,
		"Take nothing with rust on it.",
	},
	{"leaning", "Stake", "before wind or rain lays it down", "A stem that is bent over does not right itself.", 7, 5, ""},
	{
		"keeling over",
		"Look at",
		"the stem at the soil: take out what is soft and rotten there, water what is firm and dry",
		"Rot at soil level goes on to the neighbours, soonest among seedlings; thirst and gnawed roots look the same from above.",
		5,
		10,
		"Take nothing of plants that keel over.",
	},
	{"seedlings near", "Weed or pot up", "the seedlings near it", "They are easy now, and rooted in a month.", 21, 10, ""},
	{
		"past the edge",
		"Edge",
		"with a sharp spade, and take out what is past it",
		"What has rooted beyond the edge is a new plant by autumn.",
		21,
		20,
		"",
	},
}

// Troubles lists the signs that are marked on a round, in the order in which they are asked.
func Troubles() []Trouble { return append([]Trouble(nil), troubles...) }

// TroubleOf returns what a mark asks for, and whether it is one.
func TroubleOf(mark string) (Trouble, bool) {
	for _, t := range troubles {
		if t.Mark == mark {
			return t, true
		}
	}
	return Trouble{}, false
}
