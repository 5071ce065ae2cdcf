package e2e

import (
	"bytes"
	"image"
	"image/color"
	"image/jpeg"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"

	"bramblyacre/garden/place"
	"bramblyacre/garden/say"
)

// A night limit raises a job: shown a day of early autumn, Now asks to bring the verbena in before nights that harm it,
// with the days by their chance; its page says so in the care of its year.
func TestANightLimitRaisesAJobOnScreen(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/?on=2031-09-20")
	b.sees("Saturday 20 September")
	b.sees("Bring in lemon verbena")
	b.sees("Before nights of 0 °C: in 1 year of 10 by")
	b.visit("/plantings/21?on=2031-09-20")
	b.sees("Lemon verbena")
	b.sees("Its care this year")
	b.sees("Bring in pots before frost")
}

// photographWithAPlace is a JPEG with where it was taken written beside it.
func photographWithAPlace(t *testing.T) []byte {
	t.Helper()
	picture := image.NewRGBA(image.Rect(0, 0, 900, 600))
	for i := range picture.Pix {
		picture.Pix[i] = 120
	}
	picture.Set(3, 3, color.White)
	var plain bytes.Buffer
	check(t, jpeg.Encode(&plain, picture, nil))
	told := append([]byte{}, plain.Bytes()[:2]...)
	text := "Exif\x00\x00MM\x00*\x00\x00\x00\x08\x00\x00GPS 46.6 N 8.2 E"
	told = append(told, 0xff, 0xe1, 0, byte(len(text)+2))
	told = append(told, text...)
	return append(told, plain.Bytes()[2:]...)
}

// A photograph and a count are noted with a look on the round, on a phone; the picture is kept without its place, stands
// small in the planting's history, and leads to the whole one; a sign of trouble leads to its page.
func TestALookWithAPhotographOnThePhone(t *testing.T) {
	t.Parallel()
	file := filepath.Join(t.TempDir(), "lovage.jpg")
	check(t, os.WriteFile(file, photographWithAPlace(t), 0o600))
	b := open(t, samplePlot(t), 390, 844, "/round")
	b.sees("Lovage")
	b.click("Other signs")
	b.click("aphids")
	b.click("count, photograph…")
	b.fill("How many plants stand?", "none")
	check(t, chromedp.Do(b.ctx, chromedp.SetUploadFiles("input[aria-label=Photographs]", []string{file})))
	b.until("the small picture", func() bool { return b.has("img[alt='Photograph of this look']") })
	b.click("Next: garden sorrel")
	b.sees(`"none" is not a number of plants`)
	b.fill("How many plants stand?", "4")
	b.click("Next: garden sorrel")
	b.sees("Saw lovage in Long Bed: full leaf, most; aphids; counted 4 plants; 1 photograph")
	b.visit("/plantings/1")
	b.sees("What was seen")
	b.sees("full leaf, most; 4 plants; aphids")
	shown, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](`(async () => {
		const small = document.querySelector("section[aria-label='What was seen'] img");
		small.loading = "eager";
		await small.decode();
		return small.naturalWidth === 320 && small.naturalHeight === 213;
	})()`, chromedp.EvalAwaitPromise))
	if err != nil || !shown {
		t.Errorf("the small picture is not shown: %v", err)
	}
	whole, err := chromedp.Run(b.ctx, chromedp.Evaluate[string](`document.querySelector("section[aria-label='What was seen'] a[href^='/api/photographs/']").getAttribute("href")`))
	check(t, err)
	if kept := b.fetch(whole); strings.Contains(kept, "GPS") || len(kept) == 0 {
		t.Error("the picture says where it was taken")
	}
	b.click("aphids")
	b.sees("See to it this week")
	b.sees("Look under the leaf first")
}

// A plot in the south shows any day of its own year, which runs from July: its ribbon, and what stands in it.
func TestADayInTheSouthOnScreen(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	site, err := p.garden.Place.Site(t.Context())
	check(t, err)
	in := place.SiteInput{Name: site.Name, Latitude: -35, ClimateID: "high-plateau-south", Units: "metric", Station: "simulated"}
	_, err = p.garden.Place.SetSite(t.Context(), say.AsItStands, in)
	if asked := say.Questions(err); len(asked) > 0 {
		in.Affirmed = asked
		_, err = p.garden.Place.SetSite(t.Context(), say.AsItStands, in)
	}
	check(t, err)
	b := open(t, p, 1280, 800, "/?on=2033-12-05")
	b.sees("Monday 5 December 2033")
	b.sees("shown: 5 December 2033")
	first := b.textOf("section[aria-label='The year']")
	if july, june := strings.Index(first, "July"), strings.Index(first, "June"); july < 0 || june < july {
		t.Errorf("the ribbon reads %s", first)
	}
	b.click("Show 2034/35")
	b.sees("5 December 2034")
	b.visit("/plantings/1?on=2033-12-05")
	b.sees("on the shown day")
}

// The year behind is told, another year chosen, and the week's list fits one printed page.
func TestTheYearBehindAndTheWeekOnScreen(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/")
	b.click("The year behind")
	b.sees("The year 2030")
	b.sees("stages may have come within the days that were told")
	b.sees("What was taken")
	b.sees("common sage leaf, Dry Bank")
	b.click("2029")
	b.sees("The year 2029")
	b.sees("too dry. Gone within a summer in spite of the can.")
	b.click("The week")
	b.visit("/week")
	b.sees("Tuesday 27 May")
	b.sees("45 of 45 min")
	printed, err := chromedp.Run(b.ctx, chromedp.PrintToPDF())
	check(t, err)
	if pages := bytes.Count(printed, []byte("/Type /Page\n")); pages != 1 {
		t.Errorf("the week's list takes %d pages", pages)
	}
}
