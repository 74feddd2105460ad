package quiz_test

import (
	"fmt"

	"evrik/core/court"
	"evrik/core/motion"
	"evrik/core/quiz"
	"evrik/core/reads"
)

// The same floor, card, step and seed always give the same question.
func ExampleNew() {
	c, _ := court.PresetCourt(court.HighSchool)
	fl := reads.Floor{Court: c, Pace: motion.PaceOf("12-14")}
	card := quiz.Cards(fl)[0]
	item, err := quiz.New(fl, card, 1, 7)
	same, _ := quiz.New(fl, card, 1, 7)
	fmt.Println(item.Right, item.Choices, err, item.Snapshot.Cutter == same.Snapshot.Cutter)
	// Output:
	// curl [curl straight fade backcut clear keep] <nil> true
}
