package motion_test

import (
	"fmt"

	"evrik/core/motion"
)

// How long somebody of an age takes for a distance, from a standing start.
func ExampleRunner_TimeTo() {
	for _, ages := range []string{"7-8", "9-11", "12-14"} {
		fmt.Printf("%s: %.2f s for 20 ft\n", ages, motion.PaceOf(ages).Sprinting().TimeTo(20))
	}
	// Output:
	// 7-8: 1.70 s for 20 ft
	// 9-11: 1.58 s for 20 ft
	// 12-14: 1.45 s for 20 ft
}
