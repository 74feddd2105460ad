package csvcell_test

import (
	"fmt"

	"evrik/core/csvcell"
)

// A name that a spreadsheet would run as a formula is written as text.
func ExampleHarmless() {
	fmt.Println(csvcell.Harmless("=1+1"))
	fmt.Println(csvcell.Harmless("Noor"))
	// Output:
	// '=1+1
	// Noor
}
