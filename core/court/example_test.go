package court_test

import (
	"fmt"

	"evrik/core/court"
)

// A floor is one half of a court in feet, the ring at the origin and half court above it.
func ExamplePresetCourt() {
	c, _ := court.PresetCourt(court.HighSchool)
	wing, _ := c.SpotAt("wingR")
	fmt.Println(c.Contains(wing), c.InsideArc(wing))
	fmt.Println(court.SpotName("wingR"), "mirrored:", court.SpotName(court.MirrorSpot("wingR")))
	fmt.Println(court.FeetInches(c.ArcRadius))
	// Output:
	// true false
	// right wing mirrored: left wing
	// 19' 9"
}
