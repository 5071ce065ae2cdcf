package e2e

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"bramblyacre/garden/input"
	"bramblyacre/garden/place"
	"bramblyacre/garden/say"
	"bramblyacre/garden/spread"
)

// held is how a stand is held, as the server has it.
func (b *browser) held(path string) spread.HoldView {
	b.t.Helper()
	var v spread.HoldView
	check(b.t, json.Unmarshal([]byte(b.fetch(path)), &v))
	return v
}

// saysOfWay is what the picture says of a way of holding.
func (b *browser) saysOfWay(way string) string {
	b.t.Helper()
	said, err := chromedp.Run(b.ctx, chromedp.Evaluate[string](fmt.Sprintf(
		`document.querySelector("svg [role=button][aria-label^=" + JSON.stringify(%s) + "]")?.getAttribute("aria-label") ?? ""`, quoted(way+":"))))
	check(b.t, err)
	return said
}

// A mint is let loose; a board drawn round it on the plan lowers the chance that it gets far, and the page says so.
func TestABarrierIsDrawnAndTheChanceFalls(t *testing.T) {
	t.Parallel()
	p := emptyPlot(t)
	bed, err := p.garden.Place.AddBed(t.Context(), place.BedInput{Name: "Mint bed", FormInput: place.FormInput{X: "10 m", Y: "8 m", Width: "2 m", Depth: "1.4 m"}, Moisture: "moist"})
	check(t, err)
	_, err = p.garden.Place.AddBed(t.Context(), place.BedInput{Name: "Good bed", FormInput: place.FormInput{X: "14 m", Y: "8 m", Width: "2 m", Depth: "1.4 m"}})
	check(t, err)
	in := input.PlantingInput{BedID: bed.Made, SpeciesID: "peppermint", Plants: 1, StartedOn: "2031-05-20", Origin: "division"}
	_, err = p.garden.Place.AddPlanting(t.Context(), in)
	in.Affirmed = say.Questions(err)
	_, err = p.garden.Place.AddPlanting(t.Context(), in)
	check(t, err)

	b := open(t, p, 1280, 900, "/spread/hold/1")
	b.choose("It is not to get", "into Good bed")
	b.sees("into Good bed:")
	before := b.held("/api/plantings/1/hold?target=bed%3A2").Options[0].Out
	b.visit("/plot")
	b.sees("Mint bed")
	b.click("Draw on the plan")
	b.choose("Draw", "Root barrier")
	bedAt, err := chromedp.Run(b.ctx, chromedp.Evaluate[[4]float64](`(() => { const e = document.querySelector("[data-thing=bed-1]"); e.scrollIntoView({block: "center"});
		const r = e.getBoundingClientRect(); return [r.left, r.top, r.right, r.bottom]; })()`))
	check(t, err)
	const round = 14
	left, top, right, bottom := bedAt[0]-round, bedAt[1]-round, bedAt[2]+round, bedAt[3]+round
	for _, point := range [][2]float64{{left, top}, {right, top}, {right, bottom}, {left, bottom}, {left, top}} {
		check(t, chromedp.Do(b.ctx, chromedp.MouseClickXY(point[0], point[1])))
	}
	b.keys(kb.Enter)
	b.sees("Set a root barrier on the plan")
	b.fill("How deep it goes", "deep")
	b.click("Set it")
	b.sees(`"deep" is not a length`)
	b.fill("How deep it goes", "60 cm")
	b.click("Set it")
	b.sees("Drew the root barrier")
	after := b.held("/api/plantings/1/hold?target=bed%3A2").Options[0].Out
	if before < 0.5 || after > before/2 {
		t.Errorf("it gets into the good bed with %v, behind the board with %v", before, after)
	}
	b.visit("/spread/hold/1")
	b.choose("It is not to get", "into Good bed")
	b.until("the page to say so", func() bool { return strings.Contains(b.saysOfWay("let it run"), "within ten years "+say.Chance(after)) })
}

// Heads taken off in time keep seed out of the ground; late, more lies there and more gets out, and the page says what each
// week costs.
func TestBeheadingLateIsSeenToRise(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	var burdock int64
	s, err := p.garden.State(t.Context())
	check(t, err)
	for _, planting := range s.Plantings {
		if planting.SpeciesID == "yarrow" {
			burdock = planting.ID
		}
	}
	path := fmt.Sprintf("/spread/hold/%d", burdock)
	b := open(t, p, 1280, 900, path)
	b.sees("The last day to behead")
	in := b.held("/api/plantings/" + fmt.Sprint(burdock) + "/hold")
	if b.saysOfWay("behead") == "" {
		t.Fatal("beheading is not among the ways")
	}
	late := in.Deadline.Late
	if len(late) < 20 || late[20].Chance <= late[0].Chance {
		t.Fatalf("%+v", late)
	}
	b.sees(late[7].Words)
	after := b.held(fmt.Sprintf("/api/plantings/%d/hold?beheadOn=%s", burdock, in.BeheadOn.AddDays(60)))
	bank := func(v spread.HoldView) string {
		for _, o := range v.Options {
			if len(o.Ways) == 1 && o.Ways[0] == "behead" {
				return o.Bank
			}
		}
		return ""
	}
	if bank(in) == bank(after) {
		t.Errorf("in time and late the same seed lies in the ground: %s", bank(in))
	}
	// Chosen for good, it is the stand's policy, with its jobs; and it is taken back.
	b.clickOn("svg [role=button]", "behead:")
	b.sees("Behead before it seeds")
	b.click("Hold it this way")
	b.sees("This is how it is held")
	b.click("Undo")
	b.until("nothing to be said of it again", func() bool { return b.held("/api/plantings/"+fmt.Sprint(burdock)+"/hold").Policy == "" })
}

// Several ways are tried together, the line is drawn by keys, and the least work under it is said.
func TestWaysAreTriedTogetherUnderALine(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 900, "/spread/hold/2")
	b.sees("This is how it is held")
	b.click("into a pot")
	b.click("mow round it")
	b.sees("into a pot and mow round it")
	b.until("what both together do", func() bool { return b.saysOfWay("into a pot and mow round it") != "" })
	b.sees("less than 1 in 10, your line")
	b.focus("[role=slider][aria-label^='Your line']")
	b.keys(kb.ArrowUp + kb.ArrowUp + kb.ArrowUp)
	b.sees("less than 1 in 5, your line")
	b.sees("· least")
	b.choose("It is not to get", "under the Fence path")
	b.sees("under the Fence path:")
}

// Chickweed among the marigolds: unproven it is for no use; it is set down to be eaten, and its page says that it is to go
// and what is owed before.
func TestAWeedIsEatenOnScreen(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 1280, 900, "/spread/came-up?group=1")
	b.sees("chickweed, South Wall")
	b.click("Set it down to be proved")
	b.fill("How many", "600")
	b.click("Note it")
	b.sees("From 1 to the 60 that were seen there.")
	b.fill("How many", "60")
	b.click("Note it")
	b.sees("60 plants of chickweed that came up: to be eaten once it is proved")
	b.clickOn("a", "chickweed, to be eaten once it is proved")
	b.sees("unproven")
	s, err := p.garden.State(t.Context())
	check(t, err)
	made := false
	for _, planting := range s.Plantings {
		made = made || planting.SpeciesID == "chickweed" && s.IsToGo(planting.ID) && planting.Plants == 60
	}
	if !made {
		t.Error("no planting of chickweed is to go")
	}
	b.visit("/spread/came-up")
	b.click("Note what came up")
	b.fill("About how many", "4")
	b.click("Note it")
	b.sees("Choose a plant of the library")
}

// The map is moved through the years by keys, another stand is chosen, and what is seen out there is noted by a touch.
func TestTheMapMovesThroughTheYears(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 1280, 900, "/spread")
	b.sees("All that spreads")
	b.sees("May 2034: peppermint")
	b.focus("input[aria-label='Year of the map']")
	b.keys(kb.ArrowRight)
	b.sees("May 2035: peppermint")
	b.keys(kb.ArrowRight)
	b.sees("May 2036: peppermint")
	b.clickOn("[aria-pressed]", "ground elder, Hedge Foot")
	b.sees("May 2036: ground elder")
	b.click("Here it came up")
	b.sees("Touch the map")
	at, err := chromedp.Run(b.ctx, chromedp.Evaluate[[2]float64](`(() => { const e = document.querySelector("svg[aria-label^='The plot from above']"); e.scrollIntoView({block: "center"});
		const r = e.getBoundingClientRect(); return [r.left + r.width * 0.42, r.top + r.height * 0.86]; })()`))
	check(t, err)
	check(t, chromedp.Do(b.ctx, chromedp.MouseClickXY(at[0], at[1])))
	b.sees("how far has it come?")
	b.click("Note it")
	b.sees("seen, the farthest it has come")
	b.sees("by what was seen of it")
	b.click("If nothing is done")
	b.sees("As each is held")
}

// The law is the grower's own list: what was looked up is kept with its day, and changes what may be done.
func TestTheLawIsLookedUpOnScreen(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 900, "/spread/came-up?group=3")
	b.sees("hedge bindweed, at the foot of the Board fence")
	b.sees("a list may forbid it: look yours up first")
	b.click("I looked it up")
	b.choose("What you found", "it does not stand there")
	b.fill("Which list, and where", "The parish's, at the library")
	b.click("Note it")
	b.sees("It does not stand on your list, as you found on 27 May 2031.")
	b.sees("The parish's, at the library")
	b.until("nothing to be forbidden", func() bool { return !strings.Contains(b.text(), "look yours up first") })
	b.visit("/spread/balance?species=hedge-bindweed")
	b.sees("It does not stand on your list, as you found on 27 May 2031.")
	b.sees("how fast it goes")
}

// A weed is put against a crop, and hens are planned for a bed once its crop is over and what stays is fenced.
func TestACropAndItsBedOnScreen(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 900, "/spread/overtaken")
	b.sees("pot marigold against chickweed")
	b.choose("Crop", "sweet basil, Terrace Pots")
	b.fill("Weed in it", "fat hen")
	b.clickOn("[role=option]", "Fat hen")
	b.click("Tell the days")
	b.sees("sweet basil against fat hen")
	b.sees("Clearing it today:")
	b.visit("/spread/after?bed=4")
	b.sees("Terrace Pots")
	b.click("Plan the animals")
	b.fill("How many", "0")
	b.click("Plan it")
	b.sees("From 1 to 500.")
	b.fill("How many", "3")
	b.click("Plan it")
	b.sees("Will all of it be fenced or lifted first?")
	b.click("Yes, it will be")
	b.sees("3 hens are to clear Terrace Pots")
	b.click("It is over")
	b.sees("Hens in Terrace Pots: over")
}

// On a phone what is chosen from a long list comes into view.
func TestWhatIsChosenComesIntoViewOnAPhone(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 390, 844, "/spread/after")
	b.sees("Free from 21 June on")
	b.click("Mint Corner")
	b.until("the chosen bed's page is in view", func() bool {
		in, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](`[...document.querySelectorAll("h2")].some((e) =>
			e.textContent === "Mint Corner" && e.getBoundingClientRect().top >= 0 && e.getBoundingClientRect().top < 500)`))
		return err == nil && in
	})
}
