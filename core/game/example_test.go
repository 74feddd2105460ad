package game_test

import (
	"fmt"

	"evrik/core/game"
	"evrik/core/reads"
)

// What an opponent who mostly drops asks of the handler at a ball screen; what is asked is counted per part in it.
func ExampleDemand() {
	mixes := []game.Mix{{Family: game.Ball, Shares: []game.Share{{Cue: reads.Drop, Percent: 70},
		{Cue: reads.Switch, Percent: 30}}}}
	asks := game.Asks([]string{reads.Ball}, reads.TeamRules{}, mixes)
	for _, ask := range asks {
		if ask.Share > 0 {
			fmt.Printf("%s, %.0f%%: %s %s\n", ask.Cue.Name(), 100*ask.Share, ask.Roles[0], ask.Reads[0])
		}
	}
	fmt.Printf("to attack the big: %.0f%%\n", 100*game.Demand(asks)[reads.AttackBig])
	// Output:
	// Drop, 70%: handler pullup
	// Switch, 30%: handler attackbig
	// to attack the big: 30%
}
