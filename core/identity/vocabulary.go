package identity

import (
	"fmt"
	"slices"
	"strings"

	"bramblyacre/core/flora"
)

// Character is one thing that can be seen of a plant, with the states it can be in.
type Character struct {
	ID string
	// Name is the word for it, Ask the question put to the grower.
	Name, Ask string
	// How says what to do to see it, where looking is not enough: cut, crush, dig.
	How string
	// From and Until are the stages in which it shows; Always where it shows all year.
	From, Until flora.Stage
	Always      bool
	// Hint is true where it speaks for a plant and never decides: a planted one stands
	// where it was put, and a winter changes what is left of it.
	Hint   bool
	States []CharacterState
}

// CharacterState is one state of a character: its id and a plain sentence.
type CharacterState struct{ ID, Words string }

// State returns the state of an id, and whether the character has it.
func (c Character) State(id string) (CharacterState, bool) {
	for _, s := range c.States {
		if s.ID == id {
			return s, true
		}
	}
	return CharacterState{}, false
}

// Vocabulary lists every character, those of the leaf first.
func Vocabulary() []Character { return vocabulary }

// CharacterOf returns the character of an id, and whether there is one.
func CharacterOf(id string) (Character, bool) {
	at, has := characterAt[id]
	if !has {
		return Character{}, false
	}
	return vocabulary[at], true
}

var characterAt = func() map[string]int {
	at := map[string]int{}
	for i, c := range vocabulary {
		if mark := marks(1) << i; mark == 0 {
			panic("the vocabulary has outgrown marks: a character without a bit would contradict nothing")
		}
		at[c.ID] = i
	}
	return at
}()

// states reads "id: sentence" lines.
func states(lines ...string) []CharacterState {
	all := make([]CharacterState, len(lines))
	for i, line := range lines {
		id, words, _ := strings.Cut(line, ": ")
		all[i] = CharacterState{id, words}
	}
	return all
}

// The seasons in which organs show.
const (
	leafFrom, leafUntil     = flora.Leafing, flora.DyingBack
	stemFrom, stemUntil     = flora.FullLeaf, flora.DyingBack
	flowerFrom, flowerUntil = flora.FirstFlower, flora.SettingSeed
	fruitFrom, fruitUntil   = flora.SettingSeed, flora.DyingBack
)

func ofLeaf(id, name, ask string, lines ...string) Character {
	return Character{ID: id, Name: name, Ask: ask, From: leafFrom, Until: leafUntil, States: states(lines...)}
}

func ofStem(id, name, ask string, lines ...string) Character {
	return Character{ID: id, Name: name, Ask: ask, From: stemFrom, Until: stemUntil, States: states(lines...)}
}

func ofFlower(id, name, ask string, lines ...string) Character {
	return Character{ID: id, Name: name, Ask: ask, From: flowerFrom, Until: flowerUntil, States: states(lines...)}
}

func ofFruit(id, name, ask string, lines ...string) Character {
	return Character{ID: id, Name: name, Ask: ask, From: fruitFrom, Until: fruitUntil, States: states(lines...)}
}

func allYear(id, name, ask string, lines ...string) Character {
	return Character{ID: id, Name: name, Ask: ask, Always: true, States: states(lines...)}
}

// hint makes a character one that never decides.
func (c Character) hint() Character {
	c.Hint = true
	return c
}

// lookedAtBy adds what has to be done to see a character.
func (c Character) lookedAtBy(how string) Character {
	c.How = how
	return c
}

var vocabulary = []Character{
	ofLeaf("leaf-order", "leaf arrangement", "How do the leaves stand on the stem?",
		"alternate: One leaf at each joint, to this side and that.",
		"opposite: Two leaves at each joint, facing each other.",
		"whorled: Three or more leaves round each joint, like spokes.",
		"basal: All leaves come from the ground.",
		"tufted: Leaves in bunches on short spurs or at the branch ends.",
		"leafless: No leaves to speak of: green stems or pads instead."),
	ofLeaf(
		"whorl-count",
		"leaves in a whorl",
		"How many leaves stand in one whorl?",
		"three: Three.",
		"four: Four.",
		"five-six: Five or six.",
		"seven-more: Seven or more.",
		"no-whorl: There is no whorl.",
	),
	ofLeaf("leaf-build", "leaf division", "Is the leaf whole or divided?",
		"whole: One undivided blade.",
		"fan-lobed: Cut into lobes that spread like the fingers of a hand.",
		"side-lobed: Cut into lobes along both sides.",
		"three: Three leaflets.",
		"fan: Five or more leaflets from one point.",
		"feather: Leaflets in two rows along a stalk.",
		"twice-feather: Divided twice or more, ferny.",
		"needle: A needle.",
		"scale: A small scale, or a bare joint.",
		"pad: No leaf: a flat fleshy pad."),
	ofLeaf("leaf-shape", "leaf shape", "What outline has the blade, or one leaflet?",
		"line: Long and very narrow, sides side by side.",
		"sword: Long, stiff and tapering from the base.",
		"lance: Narrow, widest below the middle.",
		"oval: Widest in the middle, about twice as long as wide.",
		"egg: Widest toward the base.",
		"spoon: Widest toward the tip.",
		"heart: Heart-shaped, notched where the stalk joins.",
		"kidney: Wider than long, notched at the stalk.",
		"round: Round.",
		"arrow: Like an arrow head, barbs pointing back or out.",
		"triangle: Three-cornered.",
		"diamond: Four-cornered."),
	ofLeaf("leaf-margin", "leaf margin", "What is the edge of the leaf like?",
		"smooth: Smooth.",
		"wavy: Wavy, without teeth.",
		"fine-toothed: Finely and evenly toothed.",
		"coarse-toothed: Coarsely or unevenly toothed.",
		"scalloped: Scalloped, with round teeth.",
		"spiny: With spines on the edge."),
	ofLeaf("leaf-base", "leaf base", "How does the blade meet the stem?",
		"stalk-narrowed: Narrowed into a stalk.",
		"stalk-rounded: Rounded, on a clear stalk.",
		"stalk-notched: Notched, on a clear stalk.",
		"stalkless: Without a stalk.",
		"clasping: Clasping the stem with two ears.",
		"running-down: Running down the stem as a wing.",
		"sheath: With a sheath round the stem.",
		"joined: Joined round the stem with its pair."),
	ofLeaf("leaf-joint", "leaf joint", "What sits where the leaf stalk joins the stem?",
		"bare: Nothing.",
		"papery-sheath: A thin papery tube round the stem.",
		"broad-sheath: A broad, swollen sheath.",
		"leafy-wings: A pair of small leafy wings.",
		"thorn: A thorn or spine."),
	ofLeaf(
		"leaf-tip",
		"leaf tip",
		"How does the leaf end?",
		"pointed: In a point.",
		"drawn-out: In a long drawn-out tip.",
		"blunt: Blunt or rounded.",
		"notched: Notched.",
		"spine: In a sharp spine.",
	),
	ofLeaf("leaf-surface", "leaf surface", "How does the upper side feel and look?",
		"bald: Without hairs, smooth.",
		"glossy: Without hairs and shining.",
		"waxy: With a waxy, bluish or mealy bloom.",
		"fleshy: Thick and juicy.",
		"downy: Softly downy.",
		"woolly: Thickly woolly or felted.",
		"bristly: Rough with bristles.",
		"stinging: With hairs that sting.",
		"sticky: Sticky with small glands.",
		"wrinkled: Wrinkled or puckered, like a net."),
	ofLeaf(
		"leaf-underside",
		"leaf underside",
		"What colour is the underside?",
		"green: Green, like the upper side or paler.",
		"white: White or silvery.",
		"grey: Grey.",
		"purple: Purple or reddish.",
		"rusty: Rusty brown.",
	),
	ofLeaf(
		"hair-place",
		"where the hairs run",
		"Where on the stem are hairs?",
		"none: Nowhere.",
		"all-round: All round.",
		"one-line: In one line along the stem.",
		"two-lines: In two lines.",
		"edges: Only on ridges or edges.",
	),
	ofLeaf(
		"leaf-veins",
		"leaf veins",
		"How do the main veins run?",
		"side-by-side: Side by side from base to tip.",
		"feather: From a midrib to the sides.",
		"fan: Like a fan from the stalk.",
		"arched: Arched from base to tip.",
		"hidden: None to be seen.",
	),
	ofLeaf(
		"smell",
		"smell when crushed",
		"What does a crushed leaf smell of?",
		"none: Of nothing, or of plain green.",
		"mint: Of mint.",
		"lemon: Of lemon.",
		"aniseed: Of aniseed.",
		"garlic: Of garlic or onion.",
		"mouse: Of mice, musty.",
		"celery: Of celery or lovage.",
		"carrot: Of carrot or parsley.",
		"rank: Rank, unpleasant.",
		"hay: Of new hay, sweet.",
		"cucumber: Of cucumber.",
		"camphor: Of sage, camphor or bitter spice.",
		"mustard: Sharp, of mustard or horseradish.",
		"apple: Of apple.",
		"honey: Sweet, of honey or almond.",
		"resin: Of resin.",
		"thyme: Of thyme or oregano.",
	).lookedAtBy("Crush a leaf and smell it; wash your hands after."),
	ofLeaf(
		"sap",
		"sap",
		"What comes out of a cut stalk?",
		"clear: Clear or hardly any.",
		"milky: White and milky.",
		"yellow: Yellow or orange.",
		"red: Red.",
		"slimy: Clear and slimy.",
		"foamy: Foaming when rubbed with water.",
	).lookedAtBy("Cut a leaf stalk, with gloves, squeeze it, and look at the cut."),
	ofStem(
		"stem-section",
		"stem section",
		"What shape is the stem when cut across?",
		"round: Round.",
		"square: Square.",
		"ridged: Ridged or grooved.",
		"three-sided: Three-sided.",
		"flat: Flat.",
		"winged: With thin wings.",
	).lookedAtBy("Cut a stem across."),
	ofStem(
		"stem-fill",
		"stem inside",
		"What is inside the stem?",
		"hollow: Hollow.",
		"solid: Solid.",
		"pith: Filled with white pith.",
		"chambered: With cross walls like a ladder.",
	).lookedAtBy("Cut a stem lengthwise."),
	ofStem(
		"stem-mark",
		"stem marks",
		"Is the stem marked?",
		"plain: Plain green, or flushed evenly.",
		"purple-spots: With purple spots or blotches.",
		"red-streaks: With red or purple streaks.",
		"white-bloom: With a white bloom that rubs off.",
		"woody: Brown or grey wood.",
	),
	ofStem(
		"stem-surface",
		"stem surface",
		"How does the stem feel?",
		"smooth: Smooth, without hairs.",
		"downy: Downy or softly hairy.",
		"bristly: With stiff bristles.",
		"clinging: Rough with hooks that cling.",
		"prickly: With prickles, thorns or spines.",
		"stinging: With hairs that sting.",
		"corky: Corky or warty.",
	),
	ofFlower("flower-form", "flower form", "How is one flower built?",
		"daisy: A daisy: rays round a disc.",
		"rays: A dandelion: rays only.",
		"button: A button or brush: no rays.",
		"cross: Four petals in a cross.",
		"open: Open, with free petals like a wild rose or buttercup.",
		"star: A small star, petals joined below or pointed.",
		"bell: A bell or cup that hangs or stands.",
		"trumpet: A trumpet or funnel.",
		"lipped: Two-lipped.",
		"hooded: With a hood or helmet.",
		"spurred: With a spur behind.",
		"pea: A pea flower.",
		"six: Six equal petals.",
		"cup-glands: A small green cup with glands, no petals.",
		"catkin: A catkin or cone.",
		"tiny: Tiny and green or brown, without petals."),
	ofFlower("flower-parts", "number of petals", "How many petals or lobes?",
		"three: Three.", "four: Four.", "five: Five.", "six: Six.", "many: Seven or more.", "none: None to count."),
	ofFlower(
		"flower-colour",
		"flower colour",
		"What colour are the flowers?",
		"white: White.",
		"cream: Cream.",
		"yellow: Yellow.",
		"orange: Orange.",
		"pink: Pink.",
		"red: Red.",
		"purple: Purple or violet.",
		"blue: Blue.",
		"green: Green.",
		"brown: Brown or dull red.",
	).lookedAtBy("Of a daisy, the rays round the disc; if it has none, the disc."),
	ofFlower("flower-group", "how the flowers are grouped", "How do the flowers stand together?",
		"one: One to a stem.",
		"few: A few to a stem, loosely.",
		"spike: Close in a spike.",
		"raceme: On short stalks along a stem.",
		"one-sided: All to one side of the stem.",
		"umbel: In umbels: stalks like the ribs of an umbrella.",
		"flat: In a flat or domed cluster, stalks from different heights.",
		"ball: In a ball or dense head.",
		"rings: In rings round the stem.",
		"plume: In a loose plume.",
		"in-axils: In the leaf joints."),
	ofFlower("heads", "heads per stem", "How many heads or flowers does one unbranched stem carry?",
		"one: One.", "many: Several or many."),
	ofFlower(
		"bracts",
		"bracts",
		"What stands below the flowers or umbel?",
		"none: Nothing, or it falls early.",
		"few: A few small narrow ones.",
		"many: A ring of many narrow ones.",
		"hanging: Long ones that hang down on one side.",
		"divided: A ring of divided ones.",
		"leafy: Leaf-like ones.",
		"hooked: Hooked ones.",
		"black-tipped: Ones with black tips.",
		"showy: White or coloured ones like petals.",
	),
	ofFlower(
		"leaf-and-flower",
		"leaf and flower",
		"Are leaves there when it flowers?",
		"together: Leaves and flowers together.",
		"flower-first: Flowers before the leaves.",
		"flower-alone: Flowers in autumn, leaves only in spring.",
	),
	ofFruit(
		"fruit",
		"fruit or seed",
		"What is the fruit?",
		"berry: A juicy berry.",
		"stone: A juicy fruit with a stone.",
		"hip: A hip.",
		"compound: A berry of many beads.",
		"pod: A pod.",
		"capsule: A dry capsule.",
		"nutlets: Four nutlets in a cup.",
		"nut: A small dry nut or grain.",
		"winged: Winged.",
		"parachute: With a parachute of hairs.",
		"bur: A bur with hooks.",
		"twin-ribbed: A dry twin fruit with ribs.",
		"cone: A papery cone.",
		"follicles: Several dry pods together.",
		"spiny-capsule: A spiny capsule.",
	),
	ofFruit(
		"fruit-colour",
		"fruit colour",
		"What colour is the ripe fruit?",
		"black: Black.",
		"blue: Blue or purple.",
		"red: Red.",
		"orange: Orange or yellow.",
		"white: White.",
		"brown: Brown or straw.",
		"green: Green.",
	),
	allYear(
		"root-form",
		"root",
		"What is the root like?",
		"tap: One main root going down.",
		"fibres: A bunch of thin fibres.",
		"rhizome: A creeping rootstock.",
		"runners: Thin running stems, underground or on it.",
		"tubers: Tubers, or a bunch of swollen roots.",
		"bulb: A bulb.",
		"corm: A solid corm.",
		"woody: Woody roots.",
	).lookedAtBy("Dig beside one plant."),
	allYear(
		"root-inside",
		"root inside",
		"What colour is the root inside?",
		"white: White or cream.",
		"yellow: Yellow.",
		"orange: Orange.",
		"brown: Brown.",
		"red: Red or purple.",
		"chambered: Hollow, with chambers.",
	).lookedAtBy("Cut the root, with gloves."),
	allYear(
		"growth",
		"growth habit",
		"How does it grow?",
		"upright: Upright stems.",
		"clump: A clump or tuft.",
		"rosette: A flat rosette.",
		"mat: A mat that creeps and roots.",
		"sprawling: Sprawling or trailing.",
		"twining: Twining or climbing.",
		"bush: A bush.",
		"tree: A tree.",
		"pads: A stack of pads or a spiny trunk.",
	),
	allYear(
		"winter-leaf",
		"leaf in winter",
		"What is left of it in winter?",
		"gone: Nothing above ground.",
		"rosette: A green rosette or low shoots.",
		"green: It keeps its leaf.",
		"bare: Bare twigs.",
		"dead: It has died.",
	).hint(),
	allYear(
		"habitat",
		"where it grows",
		"Where does it stand by its own choice?",
		"wet: Wet ground or water's edge.",
		"meadow: Grass and meadow.",
		"wood: Woodland or hedge shade.",
		"dry: Dry, stony or sandy ground.",
		"disturbed: Dug or trodden ground.",
		"desert: Desert or semi-desert.",
		"mountain: Mountain slopes.",
		"coast: By the sea.",
		"garden: Gardens only.",
	).hint(),
}

// CheckShows returns what is wrong with a record of characters: an unknown
// character, an unknown state, or one without states.
func CheckShows(key string, shows flora.Shows) []flora.Problem {
	var problems []flora.Problem
	for _, id := range shows.Characters() {
		character, has := CharacterOf(id)
		if !has {
			problems = append(problems, flora.Problem{Key: key + "." + id, What: "is not a character of the vocabulary"})
			continue
		}
		for _, state := range shows[id] {
			if _, has := character.State(state); !has {
				problems = append(
					problems,
					flora.Problem{
						Key:  key + "." + id,
						What: fmt.Sprintf("%q is not a state of it; use one of %s", state, strings.Join(stateIDs(character), ", ")),
					},
				)
			}
		}
		if len(shows[id]) == 0 {
			problems = append(problems, flora.Problem{Key: key + "." + id, What: "names no state"})
		}
	}
	return problems
}

func stateIDs(c Character) []string {
	ids := make([]string, len(c.States))
	for i, s := range c.States {
		ids[i] = s.ID
	}
	slices.Sort(ids)
	return ids
}
