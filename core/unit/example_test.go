package unit_test

import (
	"fmt"

	"bramblyacre/core/unit"
)

func ExampleParse() {
	for _, text := range []string{"45 cm", "18 in", "5' 4\"", "1.5"} {
		metres, err := unit.Parse(unit.Length, text, "m")
		fmt.Printf("%s is %.4f m %v\n", text, metres, err)
	}
	// Output:
	// 45 cm is 0.4500 m <nil>
	// 18 in is 0.4572 m <nil>
	// 5' 4" is 1.6256 m <nil>
	// 1.5 is 1.5000 m <nil>
}

func ExampleSystem_Weight() {
	fmt.Println(unit.Metric.Weight(992), "or", unit.US.Weight(992.23))
	// Output: 990 g or 2 lb 3 oz
}
