package e2e

import (
	"fmt"
	"math"
	"strconv"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
)

// A job is done, put off or skipped with one click, and each can be undone.
func TestJobsAreAnsweredOnNow(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/")
	b.sees("Behead")
	n := b.jobs()
	b.click("more checks") // of many a few stand for all
	b.until("as many jobs to be done as are said", func() bool {
		return evaluate[int](b, `document.querySelectorAll("section[aria-label=Closing] article, section[aria-label=Open] article").length`) == n
	})
	b.within("Behead sweet cicely, Nut Shade", "Done")
	b.sees("Done: behead sweet cicely in Nut Shade")
	b.sees(fmt.Sprintf("%d jobs", n-1))
	b.click("Undo")
	b.sees(fmt.Sprintf("%d jobs", n))
	b.within("Snip hop young shoot, North Fence", "Not yet")
	b.sees("put off to 30 May")
	b.within("Check sweet cicely, Nut Shade", "Skip")
	b.sees("Skipped: check sweet cicely in Nut Shade")
	b.sees(fmt.Sprintf("%d jobs", n-2))
	// Another day shows its jobs, and has none to answer.
	b.keys("]")
	b.sees("shown, not today")
	b.until("no answers to another day's jobs", func() bool { return !strings.Contains(b.text(), "Not yet") })
}

// within clicks a button of one job's card.
func (b *browser) within(card, button string) {
	b.t.Helper()
	b.locate("article", card)
	clicked, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](fmt.Sprintf(`(() => {
		const card = [...document.querySelectorAll("article")].find((e) => e.getAttribute("aria-label") === %s);
		const button = [...(card?.querySelectorAll("button") ?? [])].find((e) => e.textContent === %s);
		button?.click();
		return Boolean(button); })()`, quoted(card), quoted(button))))
	check(b.t, err)
	if !clicked {
		b.t.Fatalf("the card %q has no button %q", card, button)
	}
}

// A need bounds the allowance, and a wrong one is told at the field.
func TestANeedIsNotedAndBoundsTheAllowance(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/gather/needs")
	b.click("Set what is needed of lovage leaf")
	b.fill("Needed in a year", "heaps")
	b.click("Note it")
	b.sees("Say how much, for example 6 outer stalks")
	b.fill("Needed in a year", "350 g")
	b.click("Note it")
	b.sees("Needs 350 g of lovage leaf a year, fresh")
	b.sees("280 g taken")
	b.click("Windows and baskets")
	b.sees("Up to 3 of 50 outer stalks")
}

// A look from the planting's own page shows at once how the dates moved.
func TestALookShowsHowTheDatesMoved(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/plantings/1")
	b.sees("Lovage · Long Bed")
	b.click("Note what you see")
	b.fill("Height", "tall")
	b.click("Note it")
	b.sees(`"tall" is not a length`)
	b.fill("Height", "4 ft 2 in")
	b.click("in bud")
	b.click("Note it")
	b.sees("Seen, or a slip?") // two weeks before its time
	b.click("Seen so: note it")
	b.sees("Seen in bud on 27 May.")
	b.sees("Now expected")
	b.click("Close")
	b.gone("[role=dialog]")
	b.sees("seen today: in bud, most")
}

// Every look of the application keeps its text readable on its grounds: 4.5 to 1.
func TestTextIsReadableInEveryLook(t *testing.T) {
	t.Parallel()
	b := open(t, samplePlot(t), 1280, 800, "/settings")
	for _, look := range []string{"paper", "dusk", "sunlight"} {
		b.click(look)
		for _, ground := range []string{"paper", "card", "cane", "brambleWash"} {
			for _, text := range []string{"ink", "softInk", "bramble", "clay", "forbid"} {
				if ratio := contrast(b.colour(text), b.colour(ground)); ratio < 4.5 {
					t.Errorf("%s: %s on %s has a contrast of %.2f", look, text, ground, ratio)
				}
			}
		}
		if ratio := contrast(b.colour("onBramble"), b.colour("bramble")); ratio < 4.5 {
			t.Errorf("%s: a button's words have a contrast of %.2f", look, ratio)
		}
	}
}

func (b *browser) colour(role string) string {
	b.t.Helper()
	value, err := chromedp.Run(b.ctx, chromedp.Evaluate[string](fmt.Sprintf("document.documentElement.style.getPropertyValue(%s)", quoted("--"+role))))
	check(b.t, err)
	return strings.TrimSpace(value)
}

// contrast is the contrast ratio of WCAG 2.2 for two colours written #RRGGBB.
func contrast(a, b string) float64 {
	luminance := func(colour string) (sum float64) {
		for i, weight := range []float64{0.2126, 0.7152, 0.0722} {
			part, err := strconv.ParseUint(colour[1+2*i:3+2*i], 16, 8)
			if err != nil {
				return math.NaN()
			}
			c := float64(part) / 255
			if c <= 0.04045 {
				c /= 12.92
			} else {
				c = math.Pow((c+0.055)/1.055, 2.4)
			}
			sum += weight * c
		}
		return sum
	}
	x, y := luminance(a), luminance(b)
	return (math.Max(x, y) + 0.05) / (math.Min(x, y) + 0.05)
}
