package offense_test

import (
	"fmt"

	"evrik/core/court"
	"evrik/core/offense"
	"evrik/core/reads"
)

func gym() reads.Floor {
	c, _ := court.PresetCourt(court.HighSchool)
	return reads.On(c)
}

// An offense of one's own is parts and choices; it is ready when it goes round.
func ExampleOffense_Ready() {
	o, _ := offense.ByID("free")
	o.Name = "Ball screens"
	o.Parts = []offense.Part{{ID: "ball", Weight: 1}}
	_, err := o.Ready(gym().Court)
	fmt.Println(err)
	o.Parts = append(o.Parts, offense.Part{ID: "denied", Weight: 1})
	_, err = o.Ready(gym().Court)
	fmt.Println(err)
	// Output:
	// offense.nothing-denied: a pass from the top to the right wing
	// <nil>
}

// Some passes are watched, and the same seed gives the same ones.
func ExampleFloor_Watch() {
	f := offense.NewFloor(gym())
	o, _ := offense.ByID("cut")
	run, _ := f.Watch(o, f.Begin(o), 2, offense.Guarding{}, 1)
	for _, p := range run.Passes {
		fmt.Printf("player %d to player %d. %s.\n", p.From+1, p.To+1, p.Answer)
	}
	fmt.Println(len(run.Violations), "rules broken")
	// Output:
	// player 3 to player 2. Cut through, the others fill.
	// player 2 to player 1. Cut through, the others fill.
	// 0 rules broken
}

// A drill is cut out of a pass: those who are in it, on their spots.
func ExampleFloor_CutOut() {
	f := offense.NewFloor(gym())
	o, _ := offense.ByID("cont")
	d, err := f.CutOut(o, offense.Moment{Standing: f.Begin(o), Aim: "wingL", Answer: "away"})
	fmt.Println(d.Name, err)
	for _, p := range d.Positions {
		fmt.Println(p.Name, "on the", p.Spot)
	}
	// Output:
	// Screen-away continuity: Screen away <nil>
	// Cutter on the wingR
	// Screener on the top
	// Next one on the cornerR
	// Passer on the wingL
}

// Actions are in the order to teach them: the base action first, counters later.
func ExampleOffense_Actions() {
	o, _ := offense.ByID("entry")
	fmt.Println(o.Actions())
	// Output: [back cross down flare]
}
