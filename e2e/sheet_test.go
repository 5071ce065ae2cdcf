package e2e

import (
	"fmt"
	"testing"

	"bramblyacre/library"
)

// A plant that is on no list is written down from nothing, section by section: what is
// missing is counted at its section, and at last it stands among the others.
func TestANewPlantIsWrittenDownFromNothing(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 900, "/plants/own")
	b.fill("Name", "mill rocket")
	b.fill("Botanical name", "Diplotaxis molendini Inv.")
	b.fill("Family", "Brassicaceae")
	b.fill("Other names", "Mühlenrauke (German)")
	b.choose("Lives", "annual")
	b.choose("Grows as", "herb")
	b.fill("Full-grown in year", "1")
	b.fill("Height, cm", "40 (20 to 60)")
	b.fill("Width, cm", "25 (15 to 35)")
	b.fill("Worth to insects, birds and others", "Small bees.")

	b.visit("/plants/own") // what was begun outlives a page that is dropped
	b.sees("What is begun stands on this device")
	b.sees("mill rocket")

	b.click("Its year")
	b.choose("Days at the station", "Mild maritime")
	b.fill("Sown about", "15 Apr")
	for i, stage := range []struct{ name, day string }{{"shooting", "1 May"}, {"leafing", "12 May"}, {"full leaf", "1 Jun"}, {"first flower", "20 Jun"}, {"ripe", "10 Aug"}, {"dying back", "1 Oct"}, {"resting", "1 Nov"}} {
		b.click("Add a stage")
		at := string(rune('1' + i))
		b.choose("Stage "+at, stage.name)
		b.fill("Day of stage "+at, stage.day)
	}

	b.click("More of it")
	b.click("Add a way to make more")
	b.choose("Way", "seed")
	b.fill("When and how", "In place in spring.")
	b.fill("Months of the north", "March to April")
	b.choose("Seed wants", "light")
	b.fill("Sown deep, mm", "3 (1 to 5)")
	b.click("Add a way it spreads")
	b.choose("By", "seed")
	b.fill("How", "It drops its seed.")

	b.click("Its place")
	b.fill("Sun in summer, h", "5 to 14 (3 to 17)")
	b.fill("Acidity, pH", "6 to 8 (5 to 8.5)")
	for _, mark := range []string{"Moisture fresh: not", "Drainage free: not", "Soil light: not", "Soil medium: not", "Fertility fair: not", "Shelter exposed: not"} {
		b.click(mark)
	}
	b.sees("medium")
	b.fill("Soil depth, cm", "20 (15 to 30)")
	b.fill("Cold it bears, °C", "-8 (-12 to -5)")
	b.choose("Roots", "shallow")
	b.fill("Root reach, cm", "30 (20 to 40)")
	b.choose("It", "seeds about")
	b.choose("To grow it is", "easy")
	b.fill("Why", "It sows itself.")
	b.choose("By hens it is", "not known")

	b.click("Put it in the library")
	b.sees("nothing was changed")

	b.click("Known by")
	b.choose("Taken by mistake it is", "harmless")
	b.click("smell when crushed")
	b.click("Sharp, of mustard or horseradish.")
	b.click("flower form")
	b.click("Four petals in a cross.")

	b.click("Parts")
	b.click("Add a part")
	b.fill("Part", "leaf")
	b.choose("Kind", "leaf")
	b.click("not used")

	b.click("Look-alikes")
	b.click("Add a look-alike")
	b.fill("Name", "wild rocket")
	b.fill("Botanical name", "Diplotaxis tenuifolia (L.) DC.")
	b.choose("It is", "harmless")
	b.fill("What decides, for both plants", "Wild rocket is a perennial.")
	b.fill("Months of the north", "June to August")
	b.fill("On what", "leaf")

	b.click("Put it in the library")
	b.sees("Added the plant mill rocket")
	b.sees("Mühlenrauke (German)")
	b.sees("Sharp, of mustard or horseradish.")
	b.visit("/plants")
	shipped, err := library.Shipped()
	check(t, err)
	withIt := len(shipped.AllSpecies()) + 1
	b.sees(fmt.Sprintf("%d of %d", withIt, withIt))
	b.fill("Any name, however it is spelt", "muhlenrauke")
	b.sees(fmt.Sprintf("1 of %d", withIt))
	b.sees("mill rocket Diplotaxis molendini")
	// Once put, nothing of it stands in the way of the next.
	b.visit("/plants/own")
	b.sees("A plant of your own")
	b.seesNo("What is begun stands")
}

// The form is worked by the keyboard alone: a section, a character, its states, a must.
func TestTheFormIsFilledInByTheKeyboard(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/plants/own/ramsons")
	b.sees("Other names")
	b.focus("nav[aria-label=Sections] button:nth-of-type(5)")
	b.keys("\r")
	b.sees("Taken by mistake it is")
	b.sees("leaf tip")
	b.focus("[role=group][aria-label='leaf tip'] button[aria-expanded]")
	b.keys("\r")
	b.sees("Notched.")
	b.focus("[role=group][aria-label='leaf tip'] button[aria-label='Notched.']")
	b.keys(" ")
	b.until("a second state", func() bool { return b.has("[aria-label='Notched.'][aria-pressed=true]") })
	b.focus("[aria-label='leaf tip has to be seen']")
	b.keys(" ")
	b.until("a must", func() bool { return b.has("[aria-label='leaf tip has to be seen'][aria-pressed=true]") })
	b.sees("What is begun stands on this device")
}
