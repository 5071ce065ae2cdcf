package format

import (
	"bytes"
	"fmt"
	"strings"
	"testing"

	"bramblyacre/garden/season"
)

// sheetOf is a season's sheet with so many days of picking.
func sheetOf(days int) season.Sheet {
	sheet := season.Sheet{Title: "Plan of the season, Acre", Under: "From 27 May 2031.", Foot: "Ask first.", Cover: []string{"Sage leaf: 600 g of 600 g fresh"}}
	for i := range days {
		sheet.Days = append(sheet.Days, season.SheetDay{Day: fmt.Sprintf("Friday %d June", i), Picks: []season.SheetPick{
			{What: "Sage leaf: 40 tips, 90 g", Where: "Dry Bank", Sign: "Firm, grey-green.", Mind: strings.Repeat("Not in pregnancy. ", 6)},
		}})
	}
	return sheet
}

func pagesOf(t *testing.T, sheet season.Sheet) int {
	t.Helper()
	var out bytes.Buffer
	if err := WriteSeasonPDF(&out, sheet, "A4"); err != nil {
		t.Fatal(err)
	}
	if !bytes.HasPrefix(out.Bytes(), []byte("%PDF-")) {
		t.Fatalf("it is no PDF: %.20q", out.Bytes())
	}
	return bytes.Count(out.Bytes(), []byte("/Type /Page\n"))
}

// A season's pickings are on one page, in smaller type where they are many; more than fit in the smallest go on, and
// none is lost.
func TestASeasonIsPrintedOnOnePage(t *testing.T) {
	for _, days := range []int{0, 5, 20} {
		if pages := pagesOf(t, sheetOf(days)); pages != 1 {
			t.Errorf("%d days take %d pages", days, pages)
		}
	}
	if pages := pagesOf(t, sheetOf(200)); pages < 2 {
		t.Errorf("200 days take %d pages", pages)
	}
}

func TestAHostileSeasonIsPrinted(t *testing.T) {
	for _, text := range hostileTexts {
		sheet := sheetOf(1)
		sheet.Title, sheet.Days[0].Picks[0].What, sheet.Cover[0] = text, text, text
		pagesOf(t, sheet)
	}
}
