package reads_test

import (
	"fmt"

	"evrik/core/court"
	"evrik/core/reads"
)

// The defender goes under a down screen: the cutter stops behind the screener.
func ExampleJudge() {
	floor, _ := court.PresetCourt(court.HighSchool)
	down, _ := reads.ScreenByID(reads.Down)
	situation := down.Example(floor, reads.Under)
	answer, err := reads.Judge(reads.On(floor), &situation)
	if err != nil {
		fmt.Println(err)
		return
	}
	fmt.Printf("%s, %.1f ft clear of %s\n", answer.Cue, answer.Margin, answer.Next)
	fmt.Println(answer.Why)
	fmt.Println(answer.Row.Say)
	// Output:
	// under, 1.5 ft clear of stuck
	// The cutter's man is 3.8 ft on the far side of the screen, 4.0 ft from the screener.
	// He went under: stop behind the screener's back and shoot it.
}
