package e2e

import (
	"fmt"
	"image"
	"image/png"
	"math/rand/v2"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"

	"bramblyacre/garden/input"
	"bramblyacre/garden/place"
	"bramblyacre/garden/say"
)

// foundSage lays out a bed on an empty plot with a sage in it that was found there, and
// returns where it is shown.
func foundSage(t *testing.T, p *served) string {
	t.Helper()
	_, err := p.garden.Place.AddBed(t.Context(), place.BedInput{Name: "Long Bed", FormInput: place.FormInput{X: "10 m", Y: "5 m", Width: "8 m", Depth: "1.2 m"}, Moisture: "dry"})
	check(t, err)
	_, err = p.garden.Place.AddPlanting(t.Context(), input.PlantingInput{BedID: 1, SpeciesID: "common-sage", Plants: 6, StartedOn: "2028-04-10", Origin: "found"})
	check(t, err)
	return "/plantings/1"
}

// answerAll gives the same answer to every question that the check asks, and returns
// how many there were.
func (b *browser) answerAll(answer string) int {
	b.t.Helper()
	for asked := 0; asked < 40; asked++ {
		if !strings.Contains(b.text(), answer) {
			return asked
		}
		b.click(answer)
	}
	b.t.Fatal("the check asks on and on")
	return 0
}

// An unproven planting is proved over two looks by two people, with a photograph, and
// its window opens.
func TestAPlantingIsProvedOverTwoVisitsAndItsWindowOpens(t *testing.T) {
	t.Parallel()
	p := emptyPlot(t)
	planting := foundSage(t, p)
	b := open(t, p, 1280, 800, planting)
	b.sees("Its identity is not proved.")
	b.seesNo("Up to")
	b.click("Check what it is")
	b.sees("Is it common sage?")
	b.sees("foxglove")
	for i, who := range []string{"Ida", "Joss"} {
		b.fill("Someone else", who)
		b.keys("\r")
		b.sees("seen, as common sage")
		if b.answerAll("seen, as common sage") < 3 {
			t.Error("hardly anything was asked")
		}
		if i == 0 {
			b.attach(t, "Photographs", photograph(t))
			b.until("the photograph to be kept", func() bool {
				there, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](`document.querySelector("img[alt='Photograph of this look']")?.naturalWidth > 0`))
				check(t, err)
				return there
			})
		}
		b.click("Note the look")
		b.sees("Checked common sage in Long Bed")
		if i == 0 {
			b.sees("one more whole look, by another person or at least 3 days later")
			b.sees("Ida has read all of it. A second reading of theirs counts from 30 May; another person's counts now.")
			b.fresh(t, planting)
		}
	}
	b.sees("Sure: ")
	b.sees("every dangerous plant on record is ruled out")
	b.click("Back to the planting")
	b.sees("Up to")
	b.seesNo("Its identity is not proved.")
}

// fresh opens the check of a planting anew: another person looks.
func (b *browser) fresh(t *testing.T, planting string) {
	t.Helper()
	b.visit(planting + "/check")
	b.sees("Ida, 27 May")
}

// attach gives a file to a file field by its name.
func (b *browser) attach(t *testing.T, label, path string) {
	t.Helper()
	check(t, chromedp.Do(b.ctx, chromedp.SetUploadFiles(fmt.Sprintf("input[aria-label=%q]", label), []string{path})))
}

// photograph writes a picture as a phone takes it, of more than 3 MB, and returns where it
// is.
func photograph(t *testing.T) string {
	t.Helper()
	picture := image.NewRGBA(image.Rect(0, 0, 1200, 900))
	rng := rand.New(rand.NewPCG(1, 1)) // noise cannot be pressed
	for i := range picture.Pix {
		picture.Pix[i] = uint8(rng.UintN(256)) | 0x03
	}
	path := filepath.Join(t.TempDir(), "leaf.png")
	file, err := os.Create(path)
	check(t, err)
	check(t, png.Encode(file, picture))
	check(t, file.Close())
	return path
}

// A later look that contradicts reopens the check, and what was picked is held back;
// taken back in the ledger, it is fit again.
func TestAContradictionHoldsBackWhatWasPicked(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/gather")
	b.sees("At the table")
	b.click("Sort it: Common sage leaf")
	b.sees("Every piece of it.")
	b.answerTable()
	b.fill("Who sorted it", "Ida")
	b.click("It is sorted")
	b.sees("Sorted common sage leaf at the table: fit for use")
	b.sees("For Pim here: read before use.")
	b.click("Use it fresh: Common sage leaf")
	b.sees("Ask a doctor or pharmacist")
	b.choose("As", "tea")
	b.click("Note that it is used")
	b.sees("used: tea")

	b.click("Common sage leaf")
	b.click("Look again")
	b.sees("A look now and then keeps it so")
	b.click("not so: it differs")
	b.sees("One character that does not fit ends the check")
	b.click("Note the look")
	b.sees("Not common sage")
	b.sees("Held back: 90 tips")
	b.visit("/gather")
	b.sees("A check contradicted what it was picked as. None of it is for use.")
	b.visit("/ledger")
	b.click("Take back")
	b.sees("Took back: Checked common sage")
	b.visit("/gather")
	b.sees("fit for use")
	b.seesNo("A check contradicted")
}

// answerTable answers every question at the table with "all of it".
func (b *browser) answerTable() {
	b.t.Helper()
	count, err := chromedp.Run(b.ctx, chromedp.Evaluate[int](`(() => { const all = [...document.querySelectorAll("button[aria-label$=': seen']")]; all.forEach((e) => e.click()); return all.length; })()`))
	check(b.t, err)
	if count == 0 {
		b.t.Error("nothing was asked at the table")
	}
}

// A strange plant is narrowed down, becomes a find, and its check begins.
func TestAFindIsNarrowedDownAndItsCheckBegins(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/what")
	b.sees("plants are on record")
	b.choose("Look at", "smell when crushed")
	b.click("Of garlic or onion.")
	b.sees("It can still be")
	b.choose("Look at", "leaf veins")
	b.click("Side by side from base to tip.")
	b.sees("To be checked as ramsons. That is no proof")
	b.seesNo("edible")
	b.click("Check as this: ramsons")
	b.click("Begin the check")
	b.sees("Say where it stands.")
	b.fill("Where does it stand", "Behind the shed")
	b.click("Begin the check")
	b.sees("Is it ramsons?")
	b.sees("lily of the valley")
	b.click("cannot tell")
	b.visit("/what")
	b.sees("Behind the shed")
	b.click("Take off Behind the shed")
	b.seesNo("Finds being checked")
	b.click("Undo")
	b.sees("Finds being checked")
	b.visit("/")
	b.click("more checks")
	b.click("Check the find, as ramsons")
	b.sees("Is it ramsons?")
	b.click("Set it")
	b.sees("Choose a bed of the plan.")
	b.choose("Bed", "Nut Shade")
	b.fill("Plants", "4")
	b.click("Set it")
	b.sees("Set the find Behind the shed as ramsons, 4 plants, in Nut Shade")
}

// Every state of every character has a drawing of its own.
func TestEveryStateIsDrawn(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/characters")
	b.sees("first leaves")
	drawn, err := chromedp.Run(b.ctx, chromedp.Evaluate[map[string]string](`Object.fromEntries([...document.querySelectorAll("main section")].flatMap((section) =>
		[...section.querySelectorAll("svg")].map((svg) => [section.id + " " + svg.getAttribute("aria-label"), svg.innerHTML])))`))
	check(t, err)
	states, alike := 0, map[string]string{}
	for _, character := range b.plot.garden.Identity.Characters() {
		for _, state := range character.States {
			states++
			drawing := drawn[character.ID+" "+state.Words]
			if drawing == "" {
				t.Errorf("%s %s has no drawing", character.ID, state.ID)
				continue
			}
			if other, twice := alike[character.ID+drawing]; twice {
				t.Errorf("%s: %s and %s are drawn alike", character.ID, state.ID, other)
			}
			alike[character.ID+drawing] = state.ID
		}
	}
	if states < 350 || len(drawn) != states {
		t.Errorf("%d states, %d drawings", states, len(drawn))
	}
}

func TestAPairIsPractised(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/practice")
	b.sees("pairs are due")
	b.sees("on your plot")
	b.click("Practise sweet cicely or hemlock")
	b.sees("Choose what to look at")
	b.click("smell when crushed")
	b.sees("1 look so far")
	decision := "it is not"
	if strings.Contains(b.text(), "Of aniseed.") {
		decision = "it is sweet cicely"
	}
	b.click(decision)
	b.sees("Right. It was")
	b.sees("Box 2 of 6; back on 30 May")
	b.sees("What decided")
	b.click("Another of these two")
	b.click("it is not")
	b.sees("An expert would have looked at")
	b.click("All pairs")
	b.sees("2 right")
}

// Someone of the household is named at the picking; their circumstance is changed.
func TestTheHouseholdIsNamedWhereTheActIs(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/settings")
	b.click("Add someone")
	b.click("Add them")
	b.sees("Write a name.")
	b.fill("Name", "Bryn")
	b.sees("Name of the plot")
	b.click("kidney trouble, or kidney stones")
	b.click("Add them")
	b.sees("Added Bryn to the household")
	b.visit("/gather")
	b.click("Pick garden sorrel leaf, Long Bed")
	b.sees("Bryn (kidney trouble): Rich in oxalate")
}

// The grower's own figure is put, marked, and taken back; a copy of a plant with a
// mistake is refused by its key, and put without it.
func TestOwnFiguresAndOwnPlants(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/plants/lovage")
	b.click("Measure one yourself")
	b.click("Measure height")
	b.fill("height", "tall")
	b.click("Keep")
	b.sees("Write a number with its unit")
	b.fill("height", "151 (140 to 160) cm")
	b.click("Keep")
	b.sees("measured here")
	b.sees("The library says 180 (130 to 230) cm usual")
	b.click("Back to the library’s height")
	b.sees("Went back to the library's height")

	b.visit("/plants/own")
	b.fill("Begin with a copy of", "levist")
	b.click("Lovage (Levisticum officinale W.D.J.Koch)")
	b.sees("lovage, own")
	b.fill("Height, cm", "tall")
	b.click("Put it in the library")
	b.sees("nothing was changed")
	b.sees("is not a figure")
	b.fill("Height, cm", "151 (140 to 160)")
	b.click("Known by")
	b.click("smell when crushed")
	b.click("Of celery or lovage.")
	b.click("Put it in the library")
	b.sees("is not among what it shows")
	b.click("Of celery or lovage.")
	b.click("Cautions")
	b.click("Add a caution")
	b.choose("For", "nursing")
	b.fill("Caution", "Seldom.")
	b.click("Put it in the library")
	b.sees("Added the plant lovage, own")
	b.sees("height 140 to 160 cm")
	b.click("Change your plant")
	b.click("Cautions")
	b.sees("nursing · by mouth · Seldom.")
}

// A plant's file is seen, broken, refused with its line, mended and turned back into
// the form.
func TestAPlantsFileAndItsFormAreOne(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/plants/own/ramsons")
	b.click("See it as a file")
	b.sees("Fill in the form")
	b.replaceInFile(t, "[size]", "[size")
	b.click("Fill in the form")
	b.sees("line ")
	b.sees("Fill in the form")
	b.replaceInFile(t, "[size\n", "[size]\n")
	b.replaceInFile(t, "ramsons, own", "mill garlic")
	b.click("Fill in the form")
	b.sees("mill garlic")
	b.click("Its year")
	b.click("From year 2 of its life")
	b.fill("Day of stage 2", "32 Mar")
	b.click("Put it in the library")
	b.sees("growth, year 2, course")
	b.fill("Day of stage 2", "9 Mar")
	b.click("Put it in the library")
	b.sees("Added the plant mill garlic")
}

// replaceInFile changes the text of a plant's file as typing would.
func (b *browser) replaceInFile(t *testing.T, old, new string) {
	t.Helper()
	changed, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](fmt.Sprintf(`(() => {
		const e = document.querySelector("textarea");
		const set = Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, "value").set;
		const before = e.value;
		set.call(e, before.replace(%s, %s));
		e.dispatchEvent(new Event("input", { bubbles: true }));
		return e.value !== before;
	})()`, quoted(old), quoted(new))))
	check(t, err)
	if !changed {
		t.Errorf("the file does not hold %q", old)
	}
}

// The check asks for what tells a plant from those that kill: of ground elder, among other
// things, the shape of its leaf stalk, drawn beside theirs. One that is round and hollow ends it.
func TestACheckAsksForTheCharactersThatDecide(t *testing.T) {
	t.Parallel()
	p := emptyPlot(t)
	_, err := p.garden.Place.AddBed(t.Context(), place.BedInput{Name: "Hedge", FormInput: place.FormInput{X: "10 m", Y: "5 m", Width: "8 m", Depth: "1.2 m"}, Moisture: "moist"})
	check(t, err)
	in := input.PlantingInput{BedID: 1, SpeciesID: "ground-elder", Plants: 6, StartedOn: "2028-04-10", Origin: "found"}
	_, err = p.garden.Place.AddPlanting(t.Context(), in)
	in.Affirmed = say.Questions(err) // it runs
	_, err = p.garden.Place.AddPlanting(t.Context(), in)
	check(t, err)
	b := open(t, p, 1280, 800, "/plantings/1/check")
	b.sees("Is it ground elder?")
	b.fill("Someone else", "Ida")
	b.keys("\r")
	b.sees("seen, as ground elder")
	for asked := 0; !strings.Contains(b.text(), "What shape is a lower leaf stalk when cut across?"); asked++ {
		if asked > 20 {
			t.Fatal("the leaf stalk is not asked for")
		}
		b.click("seen, as ground elder")
	}
	b.sees("Cut a lower leaf stalk across, in the middle, with gloves.")
	b.sees("Three-sided.")
	b.sees("A round hollow tube.")
	b.click("not so: it differs")
	b.sees("One character that does not fit ends the check: it is not ground elder.")
}

// A dangerous plant says what to do first, what shows and how soon; a useful one in which months
// it cannot be proved; and either says of what nothing is on record.
func TestAPlantsPageSaysWhatToDoFirstAndWhatIsNotKnown(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/plants/hemlock")
	b.sees("Do first. Call the emergency number at once")
	b.sees("How soon. Within half an hour to two hours.")
	b.sees("the poison centre knows what to do")

	b.visit("/plants/water-hemlock")
	b.sees("What it gets")
	b.sees("Not on record.")
	b.sees("Poisonous Plants in Britain and their Effects on Animals and Man")
	b.visit("/plants/garden-angelica")
	b.sees("too little shows to tell it from")
	b.sees("it dies once it has flowered")
	b.click("All ")
	b.sees("bracts under its parts")
}
