package spelling_test

import (
	"fmt"

	"bramblyacre/core/spelling"
)

func ExampleDistance() {
	fmt.Println(spelling.Distance("lovege", "lovage"), spelling.Distance("medaow", "meadow"))
	// Output: 1 1
}

func ExamplePlain() {
	fmt.Println(spelling.Plain("Süßdolde") == spelling.Plain("SUSSDOLDE"))
	// Output: true
}
