package propagation

import (
	"errors"
	"fmt"
	"math"
)

// LargestCell is the most that a cell to raise a seedling in holds, in litres; what is larger
// is a pot to grow on in, or a slip of the pen.
const LargestCell = 2.0

// Filling is how cells are filled.
type Filling struct {
	Cells int
	// CellLitres is what one cell holds.
	CellLitres float64
	// Settling is the share that is topped up after the tray was knocked down, Spill the share
	// that falls beside it, Shrinkage the share by which the parts lose when mixed, all 0–1.
	Settling, Spill, Shrinkage float64
}

// Check returns an error for what cannot be filled.
func (f Filling) Check() error {
	switch {
	case f.Cells < 1:
		return errors.New("there must be 1 cell or more")
	case f.Cells > MostStarts:
		return fmt.Errorf("there cannot be more than %d cells", MostStarts)
	case !(f.CellLitres > 0):
		return errors.New("a cell must hold more than nothing")
	case f.CellLitres > LargestCell:
		return fmt.Errorf("a cell holds at most %g l; what is larger is a pot", LargestCell)
	}
	for name, share := range map[string]float64{
		"settling": f.Settling, "spill": f.Spill, "shrinkage": f.Shrinkage,
	} {
		if !(share >= 0 && share < 1) {
			return fmt.Errorf("%s must be a share from 0 to less than 1", name)
		}
	}
	return nil
}

// Litres is the mix that goes into the cells, in litres: they are filled, knocked down and
// topped up, and some falls beside them.
func (f Filling) Litres() (float64, error) {
	if err := f.Check(); err != nil {
		return 0, err
	}
	return float64(f.Cells) * f.CellLitres * (1 + f.Settling) * (1 + f.Spill), nil
}

// Parts is how much of each part is measured out, in litres, by the parts' shares: before they
// are mixed, for they lose volume when fine falls between coarse.
func (f Filling) Parts(shares []float64) ([]float64, error) {
	fill, err := f.Litres()
	if err != nil {
		return nil, err
	}
	if len(shares) == 0 {
		return nil, errors.New("a mix needs a part or more")
	}
	sum := 0.0
	for _, share := range shares {
		if !(share > 0) || math.IsInf(share, 0) {
			return nil, errors.New("every part of a mix must be above 0")
		}
		sum += share
	}
	litres := make([]float64, len(shares))
	for i, share := range shares {
		litres[i] = fill / (1 - f.Shrinkage) * share / sum
	}
	return litres, nil
}

// Enough returns how many cells parts that are at hand, in litres, fill by the parts' shares:
// the part that runs out first decides, and its index is told. It is what a grower asks whose
// mix ran out at the fortieth cell.
func (f Filling) Enough(shares, litres []float64) (cells, short int, err error) {
	one := f
	one.Cells = 1
	each, err := one.Parts(shares)
	if err != nil {
		return 0, 0, err
	}
	if len(litres) != len(shares) {
		return 0, 0, errors.New("say of each part how much is at hand")
	}
	cells = math.MaxInt
	for i := range each {
		if fills := int(litres[i]/each[i] + 1e-9); fills < cells {
			cells, short = max(fills, 0), i
		}
	}
	return cells, short, nil
}
