package e2e

import (
	"context"
	"errors"
	"fmt"
	"io/fs"
	"os"
	"os/exec"
	"strings"
	"testing"
	"testing/fstest"
	"time"

	cdpbrowser "github.com/chromedp/cdproto/browser"
	"github.com/chromedp/cdproto/cdp"
	"github.com/chromedp/cdproto/page"
	"github.com/chromedp/chromedp"

	"bramblyacre/garden/identity"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plot"
	"bramblyacre/web"
)

// newestBy are the newest entries that came from somebody's device.
func (p *served) newestBy(t *testing.T, person string) (lines []journal.LedgerLine) {
	t.Helper()
	ledger, err := p.garden.Ledger(t.Context(), journal.LedgerFilter{Most: 200})
	check(t, err)
	for _, line := range ledger.Lines {
		if line.ByWhom == person && !line.TakenBack {
			lines = append(lines, line)
		}
	}
	return lines
}

// back lets the plot be reached again, and tells the page as a phone does.
func (b *browser) back() {
	b.t.Helper()
	b.plot.cut.Store(false)
	evaluate[bool](b, `window.dispatchEvent(new Event("online"))`)
}

// Two phones walk without a network. Pages are closed and opened, looks, a picking, trouble with a photograph are noted,
// and when the network is back each entry stands once, by whoever's phone it was.
func TestTwoPhonesAreOutWithoutANetwork(t *testing.T) {
	t.Parallel()
	_, house := sharedPlot(t)
	ida := letIn(t, house, "Ida's phone", "Ida", "/")
	joss := letIn(t, house, "Joss's phone", "Joss", "/")
	for _, phone := range []*browser{ida, joss} {
		phone.ready("/api/round", "/api/out-to-pick", "/api/now")
	}
	house.cut.Store(true)

	ida.click("Round")
	ida.click("Next: garden sorrel")
	ida.sees("1 to send")
	ida.click("count, photograph…")
	ida.attach(t, "Photographs", photograph(t))
	ida.until("the picture in small", func() bool { return ida.has(`img[alt="Photograph of this look"]`) })
	ida.click("slug holes")
	ida.click("Next: greater burdock")
	ida.sees("2 to send")

	joss.click("Gather")
	joss.visit("/gather/out")
	joss.click("lovage leaf")
	joss.click("13 outer stalks in the basket")
	joss.sees("1 to send")
	joss.visit("/round")
	joss.sees("as of")
	joss.click("Next: garden sorrel")
	joss.sees("1 to send")

	// The page is closed, and opened again while there is still no network.
	ida.leave()
	ida.visit("/round")
	ida.sees("No way to the plot just now · as of")
	ida.sees("2 to send")
	ida.visit("/settings/kept")
	ida.sees("2 entries to send")
	ida.sees("1 photograph")

	house.cut.Store(false)
	for _, phone := range []*browser{ida, joss} {
		phone.visit("/settings/kept")
		phone.sees("All that was noted here has been sent")
	}
	for person, want := range map[string][]string{
		"Ida":  {"Saw lovage in Long Bed", "Saw garden sorrel in Long Bed"},
		"Joss": {"Picked 13 outer stalks", "Saw lovage in Long Bed"},
	} {
		lines := house.newestBy(t, person)
		if len(lines) != len(want) {
			t.Errorf("%d entries are %s's: %+v", len(lines), person, lines)
		}
		for _, words := range want {
			if n := countIn(lines, words); n != 1 {
				t.Errorf("%q stands %d times as %s's", words, n, person)
			}
		}
	}
	if lines := house.newestBy(t, "Ida"); countIn(lines, "slug holes; 1 photograph") != 1 {
		t.Errorf("trouble with its photograph is not among %+v", lines)
	}
}

func countIn(lines []journal.LedgerLine, words string) (n int) {
	for _, line := range lines {
		if strings.Contains(line.Summary, words) {
			n++
		}
	}
	return n
}

// leave closes what the tab shows.
func (b *browser) leave() {
	b.t.Helper()
	check(b.t, chromedp.Do(b.ctx, chromedp.Navigate("about:blank")))
}

// What the plot refuses when it comes is kept with its reason, asked about or mended, and taken in then.
func TestARefusedEntryIsMended(t *testing.T) {
	t.Parallel()
	here, house := sharedPlot(t)
	ida := letIn(t, house, "Ida's phone", "Ida", "/round")
	ida.sees("0 of 35 seen")
	ida.ready("/api/out-to-pick", "/api/round")
	house.cut.Store(true)
	ida.click("count, photograph…")
	ida.fill("How many plants stand?", "three")
	ida.click("Next: garden sorrel")
	ida.sees("1 to send")
	ida.visit("/gather/out")
	ida.click("lovage leaf")
	ida.click("13 outer stalks in the basket")
	ida.sees("1 to send")
	// Meanwhile Joss takes all of it at the machine.
	b := open(t, here, 1280, 800, "/gather/out")
	b.click("lovage leaf")
	b.click("outer stalks in the basket")
	b.until("the basket", func() bool { return strings.Contains(here.newest(t).Summary, "Picked") })

	ida.back()
	ida.sees("was not taken in")
	ida.click("Mend")
	ida.sees("Nothing more may be taken now.")
	ida.click("It was so: note it")
	ida.seesNo("Nothing more may be taken now.")
	ida.sees(`"three" is not a number of plants`)
	ida.click("Mend it")
	ida.keepsToTheRules(1280, 320, 390)
	ida.fill("How many plants stand", "3")
	ida.click("Send it again")
	ida.sees("All that was noted here has been sent")
	lines := house.newestBy(t, "Ida")
	if len(lines) != 2 || countIn(lines, "Picked 13 outer stalks") != 1 || countIn(lines, "Saw lovage in Long Bed") != 1 {
		t.Errorf("Ida's entries are %+v", lines)
	}
}

// A tray is counted on two phones without a network: neither writes over the other unseen.
func TestATrayCountedTwiceIsNotWrittenOver(t *testing.T) {
	t.Parallel()
	here, house := sharedPlot(t)
	tray := here.trayWithSeedlings(t)
	path := fmt.Sprintf("/bench/trays/%d", tray.ID)
	ida, joss := letIn(t, house, "Ida's phone", "Ida", path), letIn(t, house, "Joss's phone", "Joss", path)
	before := here.standing(t, tray.ID)
	for _, phone := range []*browser{ida, joss} {
		phone.ready("/api" + strings.TrimPrefix(path, "/bench"))
	}
	for i, phone := range []*browser{ida, joss} {
		phone.until("the tray", func() bool { return phone.has("[aria-label^='Cell ']") })
		house.cut.Store(true)
		phone.click(fmt.Sprintf("Cell %d: ", tray.sown[i]+1))
		phone.click("Note 1 cell")
		phone.sees("Kept on this device")
		phone.leave()
		house.cut.Store(false)
	}
	ida.visit("/settings/kept")
	ida.sees("All that was noted here has been sent")
	joss.visit("/settings/kept")
	joss.sees("Not taken in by the plot")
	joss.click("Note it on the tray as it is now")
	joss.sees("All that was noted here has been sent")
	if after := here.standing(t, tray.ID); after != before+2 {
		t.Errorf("%d cells are up before, %d after two were counted", before, after)
	}
}

// sownTray is a tray with cells in which nothing came up yet.
type sownTray struct {
	ID   int64
	sown []int
}

func (p *served) trayWithSeedlings(t *testing.T) sownTray {
	t.Helper()
	trays, err := p.garden.Bench.Trays(t.Context())
	check(t, err)
	for _, tray := range trays.Trays {
		v, err := p.garden.Bench.Tray(t.Context(), tray.ID)
		check(t, err)
		found := sownTray{ID: tray.ID}
		for i, cell := range v.Cells {
			if cell.State == "sown" {
				found.sown = append(found.sown, i)
			}
		}
		if len(found.sown) > 1 {
			return found
		}
	}
	t.Fatal("the sample has no tray with cells to come up")
	return sownTray{}
}

func (p *served) standing(t *testing.T, tray int64) (up int) {
	t.Helper()
	v, err := p.garden.Bench.Tray(t.Context(), tray)
	check(t, err)
	for _, cell := range v.Cells {
		if cell.State == "up" {
			up++
		}
	}
	return up
}

func closeBrowser(ctx context.Context, t *chromedp.Target) (none chromedp.Void, err error) {
	_, err = cdp.Call(ctx, t, cdpbrowser.Close, cdp.Empty{})
	return none, err
}

// A picking is sorted at the table, and a plant is checked, without a network: both are sent as of that day, and prove what they
// would have proved.
func TestTheTableAndACheckWorkWithoutANetwork(t *testing.T) {
	t.Parallel()
	_, house := sharedPlot(t)
	b := letIn(t, house, "Ida's phone", "Ida", "/")
	const check = "/plantings/12/check"
	b.ready("/api/baskets", "/api"+check+"?by=Ida")
	house.cut.Store(true)
	b.visit("/gather")
	b.click("Sort it: Common sage leaf")
	b.sees("Every piece of it.")
	b.answerTable()
	b.click("It is sorted")
	b.sees("1 entry to send")
	b.visit(check)
	b.sees("Is it sweet cicely?")
	asked := b.answerAll("seen, as sweet cicely")
	b.click("Note the look")
	b.sees("2 entries to send")
	house.cut.Store(false)
	b.visit("/settings/kept")
	b.sees("All that was noted here has been sent")
	lines := house.newestBy(t, "Ida")
	if len(lines) != 2 || countIn(lines, "Sorted common sage leaf at the table: fit for use") != 1 ||
		countIn(lines, fmt.Sprintf("Checked sweet cicely in Nut Shade: %d characters", asked)) != 1 {
		t.Errorf("Ida's entries are %+v", lines)
	}
}

// Two people's looks from two devices are two: a plant that needs two readings is proven by them.
func TestTwoPeoplesLooksFromTwoDevicesAreTwo(t *testing.T) {
	t.Parallel()
	here := emptyPlot(t)
	house := toHouse(t, here)
	path := foundSage(t, here) + "/check"
	const id = 1
	before := house.checkOf(t, id)
	for _, person := range []string{"Wren", "Hale"} {
		phone := letIn(t, house, person+"'s phone", person, path)
		phone.sees("Is it")
		phone.until(person+" to look", func() bool {
			return evaluate[bool](phone, `[...document.querySelectorAll("[aria-pressed=true]")].some((e) => e.textContent === `+quoted(person)+`)`)
		})
		if phone.answerAll("seen, as common sage") > 0 {
			phone.click("Note the look")
			phone.until("the look", func() bool { return len(house.newestBy(t, person)) == 1 })
		}
	}
	after := house.checkOf(t, id)
	if before.State == "sure" || after.State != "sure" {
		t.Errorf("it is %s before, and %s after two people's looks", before.State, after.State)
	}
}

func (p *served) checkOf(t *testing.T, id int64) identity.CheckView {
	t.Helper()
	v, err := p.garden.Identity.Check(t.Context(), id, plot.NoDay, "")
	check(t, err)
	return v
}

// The queue survives a browser that is killed the moment after.
func TestTheQueueSurvivesAKilledBrowser(t *testing.T) {
	t.Parallel()
	_, house := sharedPlot(t)
	profile := t.TempDir()
	code, err := house.sharing.House.Invite("")
	check(t, err)
	b, kill := ownChromium(t, house, profile)
	b.visit("/pair?code=" + code.Text)
	b.pairs("Phone", "Ida")
	// Browsers write their cookies within half a minute, or when they are closed.
	check(t, chromedp.Do(b.ctx, closeBrowser))
	time.Sleep(3 * time.Second)
	kill()
	b, kill = ownChromium(t, house, profile)
	b.visit("/round")
	b.ready("/api/round")
	b.sees("0 of 35 seen")
	house.cut.Store(true)
	b.click("Next: garden sorrel")
	b.sees("1 to send")
	kill()

	again, end := ownChromium(t, house, profile)
	defer end()
	again.visit("/settings/kept") // still without a network
	again.sees("1 entry to send")
	house.cut.Store(false)
	again.visit("/settings/kept")
	again.sees("All that was noted here has been sent")
	if n := countIn(house.newestBy(t, "Ida"), "Saw lovage"); n != 1 {
		t.Errorf("the look stands %d times", n)
	}
}

// ownChromium is a browser of its own with a profile on the disk, and how it is killed.
func ownChromium(t *testing.T, p *served, profile string) (*browser, func()) {
	t.Helper()
	options := append(chromedp.DefaultExecAllocatorOptions[:],
		chromedp.Flag("no-sandbox", true), chromedp.Flag("disable-gpu", true), chromedp.Flag("disable-background-networking", true),
		chromedp.Flag("disable-component-update", true), chromedp.Flag("disable-sync", true),
		chromedp.Flag("ignore-certificate-errors-spki-list", trusted()), chromedp.UserDataDir(profile),
	)
	var process *exec.Cmd
	options = append(options, chromedp.ModifyCmdFunc(func(cmd *exec.Cmd) { process = cmd }))
	allocator, stopAllocator := chromedp.NewExecAllocator(context.Background(), options...)
	ctx, stop := chromedp.NewContext(allocator)
	t.Cleanup(func() { stop(); stopAllocator() })
	check(t, chromedp.Do(ctx, chromedp.EmulateViewport(390, 844), focused))
	return &browser{t: t, ctx: ctx, plot: p}, func() {
		if err := process.Process.Kill(); err != nil && !errors.Is(err, os.ErrProcessDone) {
			t.Error(err)
		}
		stop()
		stopAllocator()
		// What of it still holds the profile goes with it.
		time.Sleep(time.Second)
	}
}

// After an update the old page is not opened where the plot can be reached, and what an older build was told is not read.
func TestAfterAnUpdateTheOldPageIsNotOpened(t *testing.T) {
	t.Parallel()
	_, house := sharedPlot(t)
	b := letIn(t, house, "Phone", "Ida", "/")
	b.sees("Closing")
	b.ready("/api/now")
	front, err := web.Front()
	check(t, err)
	worker, err := fs.ReadFile(front, "worker.js")
	check(t, err)
	updated := houseHandler(t, house, fstest.MapFS{
		"index.html": {Data: []byte("<!doctype html><title>A newer build</title>")}, "worker.js": {Data: worker},
	})
	house.other.Store(&updated)
	b.visit("/")
	b.until("the new page", func() bool { return evaluate[string](b, "document.title") == "A newer build" })
	// Once it was opened, it is the one that opens without a network.
	house.cut.Store(true)
	b.visit("/")
	if title := evaluate[string](b, "document.title"); title != "A newer build" {
		t.Errorf("without a network the page is %q", title)
	}
}

// The second visit opens with what Now looked like last, marked as of when it was and not to be touched, until the program and
// the plot's own answer are there; on another page, and on a device that was put out, there is none.
func TestTheSecondVisitOpensWithNowAsItWas(t *testing.T) {
	t.Parallel()
	_, house := sharedPlot(t)
	b := letIn(t, house, "Phone", "Ida", "/")
	b.sees("Closing")
	b.ready("/api/now", "/acre-picture")
	watch := func(ctx context.Context, tab *chromedp.Target) (none chromedp.Void, err error) {
		_, err = cdp.Call(ctx, tab, page.AddScriptToEvaluateOnNewDocument, page.AddScriptToEvaluateOnNewDocumentParams{Source: `
			document.addEventListener("DOMContentLoaded", () => {
				const picture = document.querySelector("[data-picture]");
				window.opened = picture ? (picture.inert ? "inert " : "") + picture.innerText : "nothing"; });`})
		return none, err
	}
	check(t, chromedp.Do(b.ctx, watch))
	b.visit("/")
	opened := evaluate[string](b, "window.opened")
	for _, words := range []string{"inert ", "as of ", "until the plot answers", "Closing"} {
		if !strings.Contains(opened, words) {
			t.Errorf("the page opens with %.400q, without %q", opened, words)
		}
	}
	b.until("the page itself", func() bool { return !b.has("[data-picture]") && b.has("section[aria-label=Closing]") })
	b.seesNo("until the plot answers")
	b.visit("/round")
	if opened := evaluate[string](b, "window.opened"); opened != "nothing" {
		t.Errorf("the Round opens with %.200q", opened)
	}
	check(t, house.sharing.House.PutOut(t.Context(), house.sharing.House.Devices()[0].ID))
	b.visit("/plot")
	b.sees("Pair this device with the plot")
	b.visit("/")
	b.sees("Pair this device with the plot")
}
