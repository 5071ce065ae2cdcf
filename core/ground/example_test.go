package ground_test

import (
	"fmt"

	"bramblyacre/core/ground"
)

// 50 mm in half an hour is 100 mm an hour: between 2 and 6 inches, moderately rapid by the
// classes of the USDA's manual.
func ExampleInfiltration() {
	rate, class, err := ground.Infiltration(50, 30)
	fmt.Println(rate, class, err)
	// Output: 100 moderately rapid <nil>
}
