package e2e

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"bramblyacre/garden/plot"
	"bramblyacre/garden/season"
)

// seasonPlan is the plan as the server has it, wholly made.
func (b *browser) seasonPlan() (v season.SeasonPlanView) {
	b.t.Helper()
	b.until("the plan to be made", func() bool {
		v = season.SeasonPlanView{}
		check(b.t, json.Unmarshal([]byte(b.fetch("/api/season-plan")), &v))
		return !v.Working && !v.Reckoning
	})
	return v
}

// soonestOf is the first picking of a plan of a part.
func soonestOf(t testing.TB, v season.SeasonPlanView, name string) (of season.PlanStand, first season.PlanPick) {
	t.Helper()
	for _, stand := range v.Stands {
		for _, pick := range stand.Picks {
			if stand.Name == name && (first.Day == 0 || pick.Day < first.Day) {
				of, first = stand, pick
			}
		}
	}
	if first.Day == 0 {
		t.Fatalf("nothing of %s is planned", name)
	}
	return of, first
}

// leaf is where a picking's leaf is drawn, with the width of the whole field.
func (b *browser) leaf(pick season.PlanPick, name string) (x, y, width float64) {
	b.t.Helper()
	at, err := chromedp.Run(b.ctx, chromedp.Evaluate[[3]float64](fmt.Sprintf(`(() => {
		const e = [...document.querySelectorAll("svg [role=button]")].find((one) => one.getAttribute("aria-label").startsWith(%s));
		e.scrollIntoView({block: "center"});
		const r = e.querySelector("rect").getBoundingClientRect(), f = e.closest("svg").getBoundingClientRect();
		return [r.x + r.width / 2, r.y + r.height / 2, f.width]; })()`, quoted(pick.Day.DayMonth()+": "+name))))
	check(b.t, err)
	return at[0], at[1], at[2]
}

// A need is said, the plan is seen, a picking is drawn to another day and tied, Now says so; picked on a phone, the plan
// goes on without it.
func TestASeasonIsPlannedMovedAndPicked(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 1280, 900, "/gather/needs")
	b.sees("6 cups dried")
	b.click("Set what is needed of garden sorrel leaf")
	b.fill("Needed in a year", "a heap")
	b.click("Note it")
	b.sees(`"a heap" is not an amount here`)
	b.fill("Needed in a year", "300 g")
	b.click("Note it")
	b.sees("Needs 300 g of garden sorrel leaf a year, fresh")

	b.click("Plan of the season")
	b.sees("A proposal: not followed yet")
	b.sees("garden sorrel leaf")
	v := b.seasonPlan()
	stand, pick := soonestOf(t, v, "hyssop flowering top")
	b.sees("One more")
	x, y, width := b.leaf(pick, stand.Name)
	b.drag(x, y, x+width*0.06, y)
	b.sees("Leave it where it is")
	b.until("what moving it costs", func() bool {
		text := b.text()
		return strings.Contains(text, "less is covered") || strings.Contains(text, "Covers ") || strings.Contains(text, "It cannot be tied there") || strings.Contains(text, "Brings ")
	})
	// By the keys it goes to the next day, and on to one on which there is time: Wednesday or Friday.
	b.click("Leave it where it is")
	steps := 5 // a Friday to a Wednesday
	if pick.Day.Weekday().String() == "Wednesday" {
		steps = 2
	}
	b.focus(fmt.Sprintf(`svg [role=button][aria-label^="%s: %s"]`, pick.Day.DayMonth(), stand.Name))
	for range steps {
		b.keys(kb.ArrowRight)
	}
	to := pick.Day.AddDays(steps)
	b.sees("Tie it to " + to.DayMonth())
	b.fill("What for", "for the feast")
	b.click("Tie it to " + to.DayMonth())
	b.sees("Tied the picking of hyssop flowering top to " + to.DayMonth())
	b.sees("Followed since 27 May")
	after := b.seasonPlan()
	tied := false
	for _, one := range after.Stands {
		for _, pick := range one.Picks {
			tied = tied || one.Name == stand.Name && pick.Day == to && pick.Tied && pick.Why == "for the feast"
		}
	}
	if !after.Kept || !tied {
		t.Fatalf("it is not tied to %s: %+v", to, after.Stands)
	}
	calendar := b.fetch("/api/files/calendar")
	if !strings.Contains(calendar, "DTSTART;VALUE=DATE:"+strings.ReplaceAll(to.String(), "-", "")) || !strings.Contains(calendar, "for the feast") {
		t.Error("the calendar has no picking that is tied")
	}

	// What is open today is picked on a phone; the plan then needs less.
	sorrel := func() string {
		for _, product := range b.seasonPlan().Products {
			if product.Name == "garden sorrel leaf" {
				return product.Covered
			}
		}
		return ""
	}
	before := sorrel()
	was, err := p.garden.State(t.Context())
	check(t, err)
	phone := open(t, p, 390, 844, "/gather/out")
	phone.sees("One kind at a time")
	phone.click("garden sorrel leaf")
	phone.sees("In the hand:")
	phone.click("grams")
	phone.fill("How many g", "60")
	phone.click("the outer ones")
	phone.click("60 g in the basket")
	phone.until("the picking", func() bool { return strings.Contains(p.newest(t).Summary, "garden sorrel") })
	state, err := p.garden.State(t.Context())
	check(t, err)
	if more := state.TakenGrams("garden-sorrel", "leaf") - was.TakenGrams("garden-sorrel", "leaf"); more < 59 || more > 61 {
		t.Errorf("60 g in the basket are %v g", more)
	}
	b.visit("/gather/plan")
	b.sees("Plan of the season")
	if now := sorrel(); now == "" || before == "" {
		t.Errorf("sorrel is covered as %q, before %q", now, before)
	}
	moved := b.seasonPlan()
	for _, one := range moved.Stands {
		if one.Name != "garden sorrel leaf" {
			continue
		}
		left := 0.0
		for _, pick := range one.Picks {
			left += pick.Grams
		}
		if left > 60/0.6 {
			t.Errorf("240 of 300 g are taken, and %v g are planned", left)
		}
	}
}

// Without a network a picking stays on the phone, is sent when there is one, and counts once.
func TestABasketIsFilledWithoutANetwork(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 390, 844, "/gather/out")
	b.sees("One kind at a time")
	p.cut.Store(true)
	b.click("lovage leaf")
	b.sees("In the hand:")
	b.click("less")
	b.click("12 outer stalks in the basket")
	b.sees("saved on this device · 1 to send")
	b.click("sweet cicely leaf")
	b.click("On the scale (simulated)")
	b.until("the scale to stand still", func() bool {
		return strings.Contains(b.text(), "g in the basket") && !strings.Contains(b.text(), "g …")
	})
	b.click("g in the basket")
	b.sees("2 to send")
	p.cut.Store(false)
	_, err := chromedp.Run(b.ctx, chromedp.Evaluate[bool](`window.dispatchEvent(new Event("online"))`))
	check(t, err)
	b.sees("all sent")
	b.toLedger()
	b.sees("Picked 12 outer stalks")
	baskets, err := p.garden.Gather.Baskets(t.Context())
	check(t, err)
	today := 0
	for _, basket := range baskets {
		if strings.Contains(basket.Words, "27 May") {
			today++
		}
	}
	if today != 3 { // the sample's own sweet cicely of this morning is one
		t.Errorf("%d pickings are noted, want 3", today)
	}
}

// Two plans are held against each other, and a planning that is asked for anew shows what it has.
func TestAPlanIsHeldAgainstAnother(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 1280, 900, "/gather/plan")
	b.sees("What it covers")
	b.seasonPlan()
	b.click("Compare")
	b.fill("Keep this one as", "Two evenings")
	b.click("Keep a copy")
	b.sees(`Kept the season's plan as "Two evenings"`)
	b.click("Needs and means")
	b.click("Change the drier and the time for picking")
	b.fill("Wednesday", "thirty hours")
	b.click("Note it")
	b.sees("is not a time")
	b.fill("Wednesday", "0")
	b.click("Note it")
	b.sees("Changed the drier and the time for picking")
	b.click("Plan of the season")
	b.seasonPlan()
	b.click("Compare")
	b.click("Two evenings")
	b.sees("This plan")
	b.sees("faint leaves in the field")
	b.click("Follow Two evenings")
	b.sees(`Follows the plan "Two evenings"`)
	v, err := p.garden.Season.Plan(t.Context(), plot.NoDay, 0)
	check(t, err)
	if !v.Kept {
		t.Error("it is not followed")
	}
}

// A stand of roots of mixed ages: the school is chosen, a take is tried and settled, and the year of the rotation shown.
func TestRootsAreSettled(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 1280, 900, "/gather/roots")
	b.sees("4 in the fifth year")
	b.click("A part, the rest goes back")
	b.sees("broken into every year")
	b.click("The whole plant")
	b.click("What you saw")
	b.fill("Of 100 plants, alive a year on", "120")
	b.sees("A number from 0 to 100")
	b.fill("Of 100 plants, alive a year on", "99")
	b.click("Reckon with it")
	b.until("more to be borne", func() bool { return !strings.Contains(b.textOf("main"), "1 of 19 a year") })
	b.click("2 a year: kept")
	b.sees("Settle on 2 a year")
	b.click("Settle on 2 a year")
	b.sees("Settled how valerian root in Long Bed is taken: 2 a year")
	b.sees("Settled: 2 a year")
	b.click("2034")
	b.sees("In 2034")
	s, err := p.garden.State(t.Context())
	check(t, err)
	row, has := s.RootStandOf("valerian", 1)
	if !has || row.Take == nil || *row.Take != 2 || row.Survival == nil || *row.Survival != 0.99 {
		t.Errorf("settled is %+v, %v", row, has)
	}
}

// What a year asks for and what there is to make do with: bad input is told at its field and loses nothing, and what was
// noted stands there, and can be taken off.
func TestNeedsAndMeansAreSaid(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 1280, 900, "/gather/needs")
	b.sees("5 trays of 0.12 m², 35 °C, with a fan")
	b.click("Add a feast or market")
	b.fill("What for", "Harvest supper")
	b.choose("Of what", "common sage leaf")
	b.fill("How much", "3 jars dried")
	b.click("Note it")
	b.sees("What does one jar of dried common sage leaf weigh?")
	b.fill("One cup or jar of it weighs", "20 g")
	b.click("Note it")
	b.sees("of common sage leaf, fresh, must be ready")
	b.sees("Harvest supper: 3 jars dried of common sage leaf by 27 May 2031")
	b.click("Take off: Harvest supper")
	b.sees("Harvest supper asks for nothing any more")
	b.click("Take off: 9–17 August")
	b.sees("Somebody is always there.")
	b.click("Change the drier and the time for picking")
	b.fill("Trays in the drier", "many")
	b.click("Note it")
	b.sees("Count the trays")
	b.fill("Trays in the drier", "0")
	b.click("Note it")
	b.sees("There is no drier.")
	b.click("Plan of the season")
	b.sees("There is no drier.")
}

// A share is left for bees on the planting's own page, and bounds what may be taken.
func TestAShareIsLeftForBees(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 1280, 900, "/plantings/1")
	b.sees("What may be taken today")
	b.click("Why")
	b.click("What stays of the leaf")
	b.fill("Of 100 stay", "90")
	b.click("Note it")
	b.sees("Say for whom it stays")
	b.fill("For whom", "hoverflies")
	b.click("Note it")
	b.sees("90 % of lovage leaf stays for hoverflies")
	b.sees("90 % stays for hoverflies: your own rule.")
	s, err := p.garden.State(t.Context())
	check(t, err)
	if row, has := s.KeptShareOf(1, "leaf"); !has || row.Share != 0.9 {
		t.Errorf("the rule is %+v, %v", row, has)
	}
}

// At the table it is said what was done with a basket, and to everyone who has not had it yet: a little first, once.
func TestABasketIsWashedAndTastedALittleFirst(t *testing.T) {
	t.Parallel()
	p := samplePlot(t)
	b := open(t, p, 1280, 900, "/gather")
	b.click("Sort it: Common sage leaf")
	b.fill("Who sorted it", "Ida")
	b.clickEach("button[aria-label$=': seen']")
	b.click("washed")
	b.click("spun")
	b.click("It is sorted")
	b.sees("washed, spun")
	b.click("Use it fresh: Common sage leaf")
	b.sees("Joss has not had common sage leaf yet")
	b.click("Said to Joss")
	b.sees("Said to Joss: a little of common sage leaf first")
	b.seesNo("Joss has not had common sage leaf yet")
	b.sees("Ida has not had common sage leaf yet")
}
