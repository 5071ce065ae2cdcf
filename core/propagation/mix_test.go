package propagation

import (
	"math"
	"testing"
)

var sixty = Filling{Cells: 60, CellLitres: 0.085, Settling: 0.15, Spill: 0.1, Shrinkage: 0.12}

func TestMixAsWorkedByHand(t *testing.T) {
	fill, err := sixty.Litres()
	if err != nil || math.Abs(fill-6.45) > 0.005 {
		t.Errorf("fill %.3f, %v; want 6.45", fill, err)
	}
	parts, err := sixty.Parts([]float64{3, 2, 1})
	if err != nil {
		t.Fatal(err)
	}
	for i, want := range []float64{3.67, 2.44, 1.22} {
		if math.Abs(parts[i]-want) > 0.005 {
			t.Errorf("part %d: %.3f l; want %.2f", i, parts[i], want)
		}
	}
}

// What is measured out for so many cells fills so many and not one more; a grower who has less
// of one part runs out where that part does.
func TestTheMixLastsForItsCells(t *testing.T) {
	shares := []float64{3, 2, 1}
	parts, err := sixty.Parts(shares)
	if err != nil {
		t.Fatal(err)
	}
	if cells, _, err := sixty.Enough(shares, parts); err != nil || cells != 60 {
		t.Errorf("the parts for 60 cells fill %d, %v", cells, err)
	}
	parts[1] *= 40.5 / 60
	if cells, short, _ := sixty.Enough(shares, parts); cells != 40 || short != 1 {
		t.Errorf("short of the second part: %d cells, part %d; want 40 and 1", cells, short)
	}
}

func TestCellsThatCannotBeFilled(t *testing.T) {
	for name, bad := range map[string]Filling{
		"no cells":         {Cells: 0, CellLitres: 0.1},
		"a cell of 5 l":    {Cells: 6, CellLitres: 5},
		"an empty cell":    {Cells: 6},
		"all of it spills": {Cells: 6, CellLitres: 0.1, Spill: 1},
		"growing by mix":   {Cells: 6, CellLitres: 0.1, Shrinkage: -0.1},
	} {
		if _, err := bad.Litres(); err == nil {
			t.Errorf("%s is taken", name)
		}
	}
	if _, err := sixty.Parts([]float64{3, 0}); err == nil {
		t.Error("a part of nothing is taken")
	}
	if _, err := sixty.Parts(nil); err == nil {
		t.Error("a mix of nothing is taken")
	}
}

func TestRootsInCells(t *testing.T) {
	for _, test := range []struct {
		root, cell float64
		want       RootFit
	}{{8, 10, RootFits}, {10, 10, RootFits}, {12, 10, RootTrim}, {13.3, 10, RootTrim}, {13.4, 10, RootDeeper}} {
		if got := FitRoot(test.root, test.cell, 0.25); got != test.want {
			t.Errorf("a root of %g in %g cm: %s, want %s", test.root, test.cell, got, test.want)
		}
	}
	if got := RootLength(100, 2, 60); got != 60 {
		t.Errorf("a root grows beyond its length: %g", got)
	}
}
