package drill_test

import (
	"fmt"

	"evrik/core/drill"
)

// Five players, one basket, two minutes of two on two: who attacked defends next as far as
// that is fair, and everybody cuts, screens and defends once before anyone does so twice.
func ExampleOrderList() {
	d, _ := drill.ByID("slot-twos")
	stage, _ := d.Stage("live")
	order, err := drill.OrderList(d, stage, drill.Setup{
		Players: []string{"Ada", "Bo", "Cleo", "Dee", "Eli"}, Baskets: 1, Minutes: 2, Seconds: 20, Seed: 1,
	})
	if err != nil {
		fmt.Println(err)
		return
	}
	for _, r := range order.Reps {
		fmt.Printf("%d %s: %s cuts off %s against %s and %s\n", r.No, r.Side, r.Cutter, r.Screener, r.XCutter,
			r.XScreener)
	}
	fmt.Println("largest difference:", order.Spread)
	// Output:
	// 1 right: Cleo cuts off Dee against Eli and Ada
	// 2 right: Ada cuts off Bo against Cleo and Dee
	// 3 right: Eli cuts off Cleo against Ada and Bo
	// 4 left: Dee cuts off Ada against Eli and Bo
	// 5 left: Bo cuts off Eli against Dee and Cleo
	// 6 left: Cleo cuts off Ada against Bo and Eli
	// largest difference: 1
}

// A set-up that cannot be run is answered with what can.
func ExampleOrderList_tooFew() {
	d, _ := drill.ByID("slot-twos")
	stage, _ := d.Stage("live")
	_, err := drill.OrderList(d, stage, drill.Setup{Players: []string{"Ada", "Bo", "Cleo"}, Baskets: 1, Minutes: 10})
	fmt.Println(err)
	// Output:
	// drill.too-few-players: Live: nobody switches, 4, 3, drill.instead-stage: Guided: one defender shows the cue, 2
}
