package e2e

import (
	"context"
	"slices"
	"testing"
	"time"

	"github.com/chromedp/chromedp"
)

// BenchmarkMovingTheYear measures how long the map takes to show another year: from the key until the page is laid out
// again, in milliseconds, as a median and the slowest of ten.
func BenchmarkMovingTheYear(b *testing.B) {
	p := samplePlot(b)
	window, err := chromium()
	check(b, err)
	ctx, stop := chromedp.NewContext(window, chromedp.WithNewBrowserContext())
	defer stop()
	ctx, end := context.WithTimeout(ctx, 5*time.Minute)
	defer end()
	check(b, chromedp.Do(ctx, chromedp.EmulateViewport(1280, 800), focused, chromedp.Navigate(p.url+"/spread")))
	for ready := false; !ready; {
		ready, err = chromedp.Run(ctx, chromedp.Evaluate[bool](`document.querySelector("input[aria-label='Year of the map']") !== null
			&& document.querySelectorAll("svg[aria-label^='The plot from above'] path").length > 40`))
		check(b, err)
		time.Sleep(50 * time.Millisecond)
	}
	time.Sleep(time.Second) // the other years have come
	const move = `(() => {
		const slider = document.querySelector("input[aria-label='Year of the map']");
		const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set;
		const took = [];
		for (let year = 0; year <= 10; year++) {
			const from = performance.now();
			set.call(slider, String(year));
			slider.dispatchEvent(new Event("change", {bubbles: true}));
			document.querySelector("svg[aria-label^='The plot from above']").getBoundingClientRect();
			took.push(performance.now() - from);
		}
		return took.slice(1); })()`
	var all []float64
	for b.Loop() {
		took, err := chromedp.Run(ctx, chromedp.Evaluate[[]float64](move))
		check(b, err)
		all = append(all, took...)
	}
	slices.Sort(all)
	b.ReportMetric(all[len(all)/2], "median-ms")
	b.ReportMetric(all[len(all)-1], "slowest-ms")
	b.ReportMetric(0, "ns/op")
}
