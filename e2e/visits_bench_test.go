package e2e

import (
	"sync/atomic"
	"testing"
	"time"

	"github.com/chromedp/cdproto/network"
	"github.com/chromedp/chromedp"
)

// settles is how long a phone takes along what it needs outdoors, after its first visit.
const settles = 12 * time.Second

// BenchmarkVisits measures, on a phone of the house, what its first visit transfers until Now stands, what it fetches after that to
// be outdoors without a network, and how long the second visit takes until Now is shown from the device, in a browser whose
// processor is slowed four times. Figures are means.
func BenchmarkVisits(b *testing.B) {
	const now = `section[aria-label="Closing"]`
	_, house := sharedPlot(b)
	var first, along, second, n float64
	for b.Loop() {
		phone, transferred := measuredPhone(b, house)
		phone.until("Now", func() bool { return phone.has(now) })
		phone.until("its first picture", func() bool {
			return evaluate[bool](phone, `performance.getEntriesByName("first-contentful-paint").length > 0`)
		})
		first += evaluate[float64](phone, `(() => {
			const shown = performance.getEntriesByName("first-contentful-paint")[0].startTime;
			return performance.getEntriesByType("navigation").concat(performance.getEntriesByType("resource"))
				.filter((one) => one.startTime < shown).reduce((sum, one) => sum + one.transferSize, 0) / 1000; })()`)
		phone.ready("/api/now", "/api/site", "/api/ribbon", "/api/likenesses")
		time.Sleep(settles)
		along += float64(transferred.Load()) / 1000
		check(b, chromedp.Do(phone.ctx, chromedp.Navigate("about:blank")))
		second += pictureIn(b, phone.ctx, house.url+"/", now)
		n++
		check(b, chromedp.Cancel(phone.ctx))
	}
	b.ReportMetric(first/n, "kB-first")
	b.ReportMetric(along/n, "kB-along")
	b.ReportMetric(second/n, "second-ms")
	b.ReportMetric(0, "ns/op")
}

// measuredPhone is a phone that is let in, and counts what it is sent from then on.
func measuredPhone(b *testing.B, house *served) (*browser, *atomic.Int64) {
	b.Helper()
	code, err := house.sharing.House.Invite("")
	check(b, err)
	window, err := chromium()
	check(b, err)
	ctx, stop := chromedp.NewContext(window, chromedp.WithNewBrowserContext())
	b.Cleanup(stop)
	phone := &browser{t: b, ctx: ctx, plot: house}
	var transferred atomic.Int64
	check(b, chromedp.Listen(ctx, func(event any) {
		if done, is := event.(*network.EventLoadingFinished); is {
			transferred.Add(int64(done.EncodedDataLength))
		}
	}))
	check(b, chromedp.Do(ctx, chromedp.EmulateViewport(390, 844), focused))
	phone.visit("/pair?code=" + code.Text)
	transferred.Store(0)
	phone.pairs("Phone", "Ida")
	return phone, &transferred
}
