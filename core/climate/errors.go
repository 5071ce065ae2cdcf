package climate

import "fmt"

func errUpperNotAboveBase(upperC, baseC float64) error {
	return fmt.Errorf("the upper cut-off, %v °C, is not above the base, %v °C", upperC, baseC)
}
