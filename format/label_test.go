package format

import (
	"bytes"
	"strings"
	"testing"

	"bramblyacre/garden/gather"
)

// A label takes names in any script of the library and any number of cautions, and goes
// on to another page rather than lose one.
func TestALabelHoldsEveryCaution(t *testing.T) {
	label := gather.LabelData{Title: "Süßdolde, Ørnebær", Botanical: "Myrrhis odorata (L.) Scop.", Part: "leaf", Made: "tea", From: "Long Bed", Day: "26 May 2031", Ask: "Ask a doctor or pharmacist.", Cautions: []string{"Ida (blood thinners): not much of it."}}
	pages := func(l gather.LabelData) int {
		var out bytes.Buffer
		if err := WriteLabelPDF(&out, l); err != nil {
			t.Fatal(err)
		}
		if !bytes.HasPrefix(out.Bytes(), []byte("%PDF-")) {
			t.Fatalf("a label begins %q", out.Bytes()[:8])
		}
		return bytes.Count(out.Bytes(), []byte("/Type /Page\n"))
	}
	if n := pages(label); n != 1 {
		t.Errorf("a short label has %d pages", n)
	}
	for range 40 {
		label.Cautions = append(label.Cautions, strings.Repeat("Everyone: only from plants proved sure. ", 3))
	}
	if n := pages(label); n < 2 {
		t.Errorf("forty cautions fit on %d page", n)
	}
}
