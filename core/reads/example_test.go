package reads_test

import (
	"fmt"

	"evrik/core/court"
	"evrik/core/reads"
)

// The defender goes under a down screen: the cutter stops behind the screener.
func ExampleJudge() {
	floor, _ := court.PresetCourt(court.HighSchool)
	down, _ := reads.ActionByID(reads.Down)
	snapshot := down.Example(floor, reads.Under)
	answer, err := reads.Judge(reads.On(floor), &snapshot)
	if err != nil {
		fmt.Println(err)
		return
	}
	fmt.Printf("%s, %.1f ft clear of %s\n", answer.Cue, answer.Margin, answer.Next)
	fmt.Println(answer.Why)
	fmt.Println(answer.Row.Say)
	// Output:
	// under, 1.5 ft clear of stuck
	// The cutter's defender is 3.8 ft on the far side of the screen, 4.0 ft from the screener.
	// They went under: stop behind the screener's back and shoot it.
}

// A still picture of a big beside the ball does not tell a hedge from a switch.
func ExampleJudge_undecided() {
	floor, _ := court.PresetCourt(court.HighSchool)
	ball, _ := reads.ActionByID(reads.Ball)
	snapshot := ball.Example(floor, reads.Hedge)
	snapshot.Velocity = reads.Vectors{} // nobody says how they move
	answer, _ := reads.Judge(reads.On(floor), &snapshot)
	fmt.Println(answer.State)
	fmt.Println(answer.Note)
	// Output:
	// open
	// Blitz, hard hedge or soft show: watch the big's next step and the guard's next step.
}

// A pop answers drop for a screener who shoots, a roll for everybody.
func ExampleAction_Score() {
	ball, _ := reads.ActionByID(reads.Ball)
	for _, shoots := range []reads.Known{reads.Yes, reads.No} {
		scored, _ := ball.Score(reads.TeamRules{},
			reads.Logged{Cue: reads.Drop, Read: reads.Pop, Role: reads.Screener, Shoots: shoots})
		fmt.Println(scored.Correct, scored.Why)
	}
	// Output:
	// true Pop answers drop: the screener shoots.
	// false Pop is for a screener who shoots.
}
