package e2e

import (
	"strings"
	"testing"
)

// A plant is found by a wrong spelling, its page read, and plants are compared.
func TestAPlantIsFoundByAWrongSpellingAndCompared(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/plants")
	b.sees(ofAll(t, all))
	b.fill("Any name, however it is spelt", "medowsweat")
	b.sees(ofAll(t, 1))
	b.click("meadowsweet")
	b.sees("Mistaken for")
	b.sees("Not in pregnancy or while nursing.")
	b.sees("Ask a doctor or pharmacist before you use any plant as medicine.")
	b.sees("15 plants in Wet Corner and Hedge Foot")
	b.click("Where would it go best")
	b.sees("Where would meadowsweet go best?")

	b.visit("/plants")
	b.fill("Any name, however it is spelt", "xylophone")
	b.sees("No plant of the library is like that.")
	b.fill("Any name, however it is spelt", "salbei")
	b.sees("found as “Echter Salbei”")
	b.visit("/plants")
	b.choose("Grown for", "fibre")
	b.choose("That", "runs")
	b.gone(`a[href="/plants/common-sage"]`) // no fibre of it
	b.click("Compare hop")
	b.choose("Grown for", "any")
	b.choose("That", "any")
	b.choose("Fit for the bed", "Long Bed")
	b.sees("in the asked bed")
	b.click("Compare lovage")
	b.click("Compare 2")
	b.sees("Side by side")
	text := b.text()
	decides, differs := strings.Index(text, "What decides"), strings.Index(text, "What else differs")
	family, same := strings.Index(text, "Cannabaceae"), strings.Index(text, "The same for all")
	if decides < 0 || differs < decides || family < differs || same < family {
		t.Errorf("what differs does not stand first:\n%s", text)
	}
	b.visit("/plants/mandrake")
	b.sees("There is no such plant.")
}
