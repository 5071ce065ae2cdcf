package e2e

import (
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"

	"bramblyacre/core/calendar"
	"bramblyacre/garden/plot"
	"bramblyacre/garden/say"
	"bramblyacre/garden/weather"
)

// A file of daily weather with three bad lines is shown line by line; nothing of it is noted until they are said to be left
// out, and then the rest is one entry, each day says whose it is, and it can be taken back.
func TestAWeatherFileWithBadLinesOnScreen(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	before := p.garden.Entry()
	file := filepath.Join(t.TempDir(), "gauge.csv")
	check(t, os.WriteFile(file, []byte("date,tmin,tmax,rain\n2031-05-20,3.5,17,0\n2031-05-21,18,9,0\n2031-05-22,4,19,2.5\n2031-07-01,9,21,0\n2031-05-23,cold,20,\n2031-05-24,-1.5,16,11\n"), 0o600))
	b := open(t, p, 1280, 800, "/weather")
	b.sees("a stand-in, not a real one")
	b.click("Bring a file in")
	check(t, chromedp.Do(b.ctx, chromedp.SetUploadFiles("input[aria-label='The file']", []string{file})))
	b.sees("3 can be taken, 3 refused.")
	b.sees("The lowest cannot be above the highest.")
	b.sees("1 July 2031 has not come yet.")
	b.sees("tmin: \"cold\" is not a number.")
	b.sees("3 days from 20 May 2031 to 24 May 2031. 2 days between them are not in the file.")
	if p.garden.Entry() != before {
		t.Error("the preview noted something")
	}
	b.click("Leave the refused lines out")
	b.click("Take 3 in")
	b.sees("Brought in the weather of 3 days from a file")
	b.clickOn("[role=button]", "24 May: lowest -1.5 °C (from a file), highest 16 °C (from a file) and 11 mm of rain (from a file)")
	b.sees("Take the file's away")
	b.click("Type what you read")
	b.fill("Lowest of the night", "12")
	b.fill("Highest of the day", "8")
	b.click("Note it")
	b.sees("The lowest cannot be above the highest.")
	b.fill("Lowest of the night", "-4")
	b.fill("Highest of the day", "")
	b.click("Note it")
	b.sees("lowest -4 °C (typed by you), highest 16 °C (from a file)")
	b.click("Take your reading away")
	b.sees("lowest -1.5 °C (from a file)")
}

// A bed dries in a dry spell and asks for water on Now; it is watered from its page, asks no more, and asks again once that
// is taken back. The hand corrects it.
func TestABedThatDriesIsWateredOnScreen(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	s, err := p.garden.State(t.Context())
	check(t, err)
	for on := s.Today.AddDays(-40); on <= s.Today; on++ {
		_, err := p.garden.Weather.TypeReading(t.Context(), say.AsItStands, weather.DayReadingInput{Day: on.String(), Low: "13 °C", High: "30 °C", Rain: "0 mm"})
		check(t, err)
	}
	v, err := p.garden.Weather.Water(t.Context())
	check(t, err)
	bed := v.Beds[0]
	if bed.Advice != weather.AdviceWater {
		t.Fatalf("after forty dry days %s is %s: %s", bed.Name, bed.Advice, bed.Words)
	}
	b := open(t, p, 1280, 800, "/weather/water")
	b.sees("water now")
	b.clickOn("[aria-pressed]", bed.Name)
	b.click("Note a watering")
	b.fill("How much", "a bucket")
	b.click("Note it")
	b.sees("is not a unit of volume")
	b.fill("How much", bed.Litres)
	b.click("Note it")
	b.sees("Watered " + bed.Name + " with " + bed.Litres)
	b.until("the bed to ask no more", func() bool { return !strings.Contains(b.text(), bed.Words) })
	b.keys("u")
	b.sees("Took back: Watered " + bed.Name)
	b.until("the bed to ask again", func() bool { return strings.Contains(b.text(), bed.Words) })
	b.click("Feel the soil")
	b.choose("How it felt", "moist, a firm ball, the hand stays damp")
	b.click("Note it")
	b.sees("Felt the soil of " + bed.Name)
	b.click("How you water")
	b.fill("What the hose or can brings in a minute", "0 l")
	b.click("Note it")
	b.sees("Type what comes in a minute")
	b.fill("What the hose or can brings in a minute", "8 l")
	b.choose("Soil probe", "a simulated one, that ships with this")
	b.click("Note it")
	b.click("Read the probe (simulated)")
	b.sees("Simulated soil probe in " + bed.Name)
	b.visit("/")
	now, err := p.garden.Now.Now(t.Context(), plot.NoDay)
	check(t, err)
	for _, j := range append(now.Closing, now.Open...) {
		if j.Kind == "water" {
			b.sees(j.Bed)
			return
		}
	}
	t.Error("no bed asks for water on Now after forty dry days")
}

// The climate's page in the south: the year is turned round, and a plant's own limit is told.
func TestTheClimateOnScreen(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/weather/climate")
	b.sees("Nights of frost")
	b.fill("With a plant's own limit", "sweet basil")
	b.click("Sweet basil (Ocimum basilicum L.)")
	b.sees("sweet basil: kills")
	b.visit("/weather?until=2031-03-01")
	b.sees(calendar.Must(2031, 3, 1).DayMonthYear())
}
