package format

import (
	"bytes"
	"errors"
	"fmt"
	"image"
	"regexp"
	"strings"
	"testing"

	"github.com/boombuler/barcode"
	"github.com/boombuler/barcode/qr"
	"github.com/makiuchi-d/gozxing"
	reader "github.com/makiuchi-d/gozxing/qrcode"

	"bramblyacre/garden/larder"
	"bramblyacre/garden/say"
)

// read reads a square as a phone would, by another's program.
func read(t *testing.T, picture image.Image) string {
	t.Helper()
	bitmap, err := gozxing.NewBinaryBitmapFromImage(picture)
	check(t, err)
	result, err := reader.NewQRCodeReader().Decode(bitmap, map[gozxing.DecodeHintType]any{gozxing.DecodeHintType_PURE_BARCODE: true})
	check(t, err)
	return result.GetText()
}

func TestTheSquareOpensTheLotsPage(t *testing.T) {
	for _, house := range []string{"http://192.168.0.10:8420", "http://[fe80::1]:80", "https://acre.local"} {
		for _, lot := range []int64{1, 38, 50000} {
			code, err := lotSquare(LotAddress(house, lot))
			check(t, err)
			if got, want := read(t, code), fmt.Sprintf("%s/store/lots/%d", house, lot); got != want {
				t.Errorf("it opens %q, want %q", got, want)
			}
		}
	}
	// It is one that another program draws the same way of reading: told apart by one letter.
	other, err := qr.Encode("http://192.168.0.10:8420/store/lots/2", qr.M, qr.Auto)
	check(t, err)
	scaled, err := barcode.Scale(other, squareDots, squareDots)
	check(t, err)
	if read(t, scaled) == LotAddress("http://192.168.0.10:8420", 1) {
		t.Error("two lots have one square")
	}
}

// jarLabel is a label with so many cautions.
func jarLabel(cautions int) larder.LabelData {
	label := larder.LabelData{
		Title: "Valerian", Botanical: []string{"Valeriana officinalis L."}, What: "root, dried",
		Lines: []string{"From Long Bed, picked 20 October 2030", "Lot 18 of 2030, done 23 October 2030", "37 g. Best before October 2032."},
		For:   "Cautions for: pregnant or nursing and drivers.", Ask: "Ask a doctor or pharmacist.", LotID: 18,
	}
	for i := range cautions {
		label.Cautions = append(label.Cautions, fmt.Sprintf("Drivers: caution %d makes drowsy; no driving and no machines afterwards, not the day after either.", i))
	}
	return label
}

var pages = regexp.MustCompile(`/Type /Page\b[^s]`)

func TestLabelsFillSheetsAndSkipWhatIsUsed(t *testing.T) {
	for _, size := range larder.LabelSizes {
		sheet := size.Columns * size.Rows
		for _, tc := range []struct{ labels, skip, want int }{{1, 0, 1}, {sheet, 0, 1}, {sheet + 1, 0, 2}, {1, sheet - 1, 1}, {2, sheet - 1, 2}} {
			var labels []larder.LabelData
			for range tc.labels {
				labels = append(labels, jarLabel(1))
			}
			var out bytes.Buffer
			check(t, WriteJarLabels(&out, size, labels, "http://192.168.0.10:8420", tc.skip))
			if got := len(pages.FindAllString(out.String(), -1)); got != tc.want {
				t.Errorf("%s: %d labels after %d used take %d sheets, want %d", size.ID, tc.labels, tc.skip, got, tc.want)
			}
		}
		// Every label lies on its sheet.
		right := size.Left + float64(size.Columns)*size.LabelWidth + float64(size.Columns-1)*size.GapX
		low := size.Top + float64(size.Rows)*size.LabelHeight + float64(size.Rows-1)*size.GapY
		if right > size.PageWidth+0.1 || low > size.PageHeight+0.1 {
			t.Errorf("%s runs off its sheet: %v × %v on %v × %v", size.ID, right, low, size.PageWidth, size.PageHeight)
		}
	}
}

// What does not fit is never cut off in silence: a label of the house sends to the page behind its square, a gift's is
// refused.
func TestCautionsAreNeverCutOff(t *testing.T) {
	small := larder.LabelSizes[2]
	many := jarLabel(14)
	check(t, WriteJarLabels(&bytes.Buffer{}, small, []larder.LabelData{many}, "http://192.168.0.10:8420", 0))
	gift := many
	gift.Gift = true
	for _, refused := range []struct {
		label larder.LabelData
		house string
	}{{gift, "http://192.168.0.10:8420"}, {many, ""}} {
		err := WriteJarLabels(&bytes.Buffer{}, small, []larder.LabelData{refused.label}, refused.house, 0)
		var faults say.Faults
		if !errors.As(err, &faults) || faults[0].Field != "size" || !strings.Contains(faults[0].Message, "take a larger one") {
			t.Errorf("gift %v: %v", refused.label.Gift, err)
		}
	}
	check(t, WriteJarLabels(&bytes.Buffer{}, larder.LabelSizes[0], []larder.LabelData{{Title: "Mint", What: "leaf", Cautions: gift.Cautions[:5], Gift: true}}, "", 0))
	// Names of any writing, and of signs that no typeface has.
	odd := jarLabel(1)
	odd.Title, odd.What = "薄荷 🌿 "+strings.Repeat("ж", 60), strings.Repeat("unbrokenword", 30)
	check(t, WriteJarLabels(&bytes.Buffer{}, larder.LabelSizes[5], []larder.LabelData{odd}, "", 0))
}

func TestEveryLineOfALabelFitsItsWidth(t *testing.T) {
	press := newPress(labelSheet(larder.LabelSizes[2]))
	press.face("", 8, "x")
	for _, text := range []string{"a", "many words that go on and on over the line", strings.Repeat("w", 90), "one " + strings.Repeat("w", 90) + " two"} {
		var all []string
		for rest := text; rest != ""; {
			var first string
			first, rest = firstLine(press, rest, 40)
			all = append(all, first)
			if press.GetStringWidth(first) > 40 {
				t.Errorf("%q is wider than its line", first)
			}
		}
		if got := strings.Join(all, ""); strings.ReplaceAll(got, " ", "") != strings.ReplaceAll(text, " ", "") {
			t.Errorf("%q became %q", text, got)
		}
	}
}
