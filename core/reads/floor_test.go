package reads

import "evrik/core/court"

// testFloor is the high-school floor on which most tests judge.
var testFloor = func() *Floor {
	c, _ := court.PresetCourt(court.HighSchool)
	return floorOn(c)
}()

func floorOn(c court.Court) *Floor {
	fl := On(c)
	return &fl
}
