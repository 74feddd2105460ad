package practice_test

import (
	"fmt"

	"evrik/core/drill"
	"evrik/core/practice"
)

// A plan is laid out: when each block begins, what it gives everybody, and what is in the way.
func ExampleLayOut() {
	var people []practice.Person
	for i := range 10 {
		people = append(people, practice.Person{ID: fmt.Sprint("player ", i+1)})
	}
	plan := practice.Plan{Minutes: 30, People: people, Terms: practice.DefaultTerms(), Library: drill.NewLibrary(nil),
		Blocks: []practice.Block{
			{ID: "a", Kind: practice.OwnBlock, Title: "Warm-up", Minutes: 10, Baskets: 1},
			{ID: "b", Kind: practice.DrillBlock, Title: "Slot twos", Drill: "slot-twos", Stage: "shown", Minutes: 15,
				Baskets: 2, Seconds: 20},
		}}
	for _, b := range practice.LayOut(plan).Blocks {
		fmt.Printf("at %.0f min: %d reps, %.1f each%s\n", b.Start, b.Reps, b.PerPlayer, b.Problem.Code)
	}
	// Output:
	// at 0 min: 0 reps, 0.0 each
	// at 10 min: 90 reps, 9.0 each
}
