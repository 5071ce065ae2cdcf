package e2e

import (
	"context"
	"net/http"
	"net/http/httptest"
	"os"
	"path/filepath"
	"slices"
	"testing"
	"time"

	"github.com/chromedp/cdproto/cdp"
	"github.com/chromedp/cdproto/emulation"
	"github.com/chromedp/cdproto/page"
	"github.com/chromedp/chromedp"
)

// slower is by how much the processor is slowed: a phone beside a desk.
const slower = 4

// BenchmarkFirstPicture measures, in a browser that has nothing kept and on a processor slowed four times, how
// long each main page takes to its first useful picture, beside an empty page of the same React and MUI in the
// same run. Its figures are medians, in milliseconds, and their share of the empty page's.
func BenchmarkFirstPicture(b *testing.B) {
	empty := filepath.Join("..", "web", "bare", "dist")
	if _, err := os.Stat(filepath.Join(empty, "index.html")); err != nil {
		b.Skip("the empty page is not built: make test builds it")
	}
	bare := httptest.NewServer(http.FileServer(http.Dir(empty)))
	defer bare.Close()
	p := samplePlot(b)
	pages := []struct{ name, url, shows string }{
		{"empty", bare.URL + "/", "h1"},
		{"now", p.url + "/", `section[aria-label="Open"]`},
		{"plot", p.url + "/plot", "[data-planting]"},
		{"plants", p.url + "/plants", `a[href="/plants/agrimony"]`},
		{"round", p.url + "/round", `[role="group"][aria-label="Stage"]`},
	}
	took := map[string][]float64{}
	for b.Loop() {
		for _, one := range pages {
			took[one.name] = append(took[one.name], firstPicture(b, one.url, one.shows))
		}
	}
	median := func(name string) float64 {
		all := slices.Sorted(slices.Values(took[name]))
		return all[len(all)/2]
	}
	for _, one := range pages {
		b.ReportMetric(median(one.name), one.name+"-ms")
		if one.name != "empty" {
			b.ReportMetric(median(one.name)/median("empty"), one.name+"/empty")
		}
	}
	b.ReportMetric(0, "ns/op")
}

// firstPicture is how many milliseconds after it is asked for a page has drawn an element.
func firstPicture(b *testing.B, url, shows string) float64 {
	b.Helper()
	window, err := chromium()
	check(b, err)
	ctx, stop := chromedp.NewContext(window, chromedp.WithNewBrowserContext())
	defer stop()
	return pictureIn(b, ctx, url, shows)
}

// pictureIn is the same in a tab that may have kept something.
func pictureIn(b *testing.B, tab context.Context, url, shows string) float64 {
	b.Helper()
	ctx, end := context.WithTimeout(tab, 2*time.Minute)
	defer end()
	watch := `const seek = () => document.querySelector(` + quoted(shows) + `)
		? requestAnimationFrame(() => requestAnimationFrame(() => { window.firstPicture = performance.now(); }))
		: requestAnimationFrame(seek);
		requestAnimationFrame(seek);`
	prepare := func(ctx context.Context, t *chromedp.Target) (none chromedp.Void, err error) {
		if _, err = cdp.Call(ctx, t, page.AddScriptToEvaluateOnNewDocument, page.AddScriptToEvaluateOnNewDocumentParams{Source: watch}); err != nil {
			return none, err
		}
		_, err = cdp.Call(ctx, t, emulation.SetCPUThrottlingRate, emulation.SetCPUThrottlingRateParams{Rate: slower})
		return none, err
	}
	check(b, chromedp.Do(ctx, chromedp.EmulateViewport(1280, 800), focused, prepare, chromedp.Navigate(url)))
	for {
		at, err := chromedp.Run(ctx, chromedp.Evaluate[float64]("window.firstPicture ?? 0"))
		check(b, err)
		if at > 0 {
			return at
		}
		time.Sleep(150 * time.Millisecond)
	}
}
