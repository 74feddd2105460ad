package practice

import (
	"slices"
	"time"
)

// BlockAt is the block that ran at a moment by a practice's clock, or that ran last before
// it; empty before the first one.
func BlockAt(events []ClockEvent, at time.Time) string {
	block := ""
	for _, e := range events {
		if e.At.After(at) {
			break
		}
		block = e.Block
	}
	return block
}

// leastRun is how long a clock runs at least in a practice that was run by it (assumption).
const leastRun = time.Minute

// AsRun is a plan as it was run: the blocks whose clock ran, each with the minutes it ran
// and with those who were there for it. People are all who were there at some time. states
// says how each takes part at the end, changes who came and went before, the oldest first,
// each in the block that ran. A plan whose clock hardly ran is returned as it is: it was run
// without the app.
func AsRun(p Plan, ran map[string]time.Duration, states map[string]Presence, changes []Change) Plan {
	total := time.Duration(0)
	for _, d := range ran {
		total += d
	}
	if total < leastRun {
		return p
	}
	there := make(map[string]bool, len(states))
	for id, state := range states {
		there[id] = state == Here || state == Limited
	}
	for _, c := range slices.Backward(changes) {
		if c.Kind == ComeAndGo {
			there[c.Player] = c.Was == Here || c.Was == Limited
		}
	}
	blocks := make([]Block, 0, len(p.Blocks))
	for _, b := range p.Blocks {
		took := map[string]bool{}
		note := func() {
			for id, here := range there {
				took[id] = took[id] || here
			}
		}
		note()
		for _, c := range changes {
			if c.Kind == ComeAndGo && c.Block == b.ID {
				there[c.Player] = c.State == Here || c.State == Limited
				note()
			}
		}
		minutes := ran[b.ID].Minutes()
		if minutes <= 0 {
			continue
		}
		b.Minutes = minutes
		// Nobody named means everybody, so that it is left so where everybody was there.
		if named := b.Players; len(named) > 0 || slices.ContainsFunc(p.People, func(who Person) bool { return !took[who.ID] }) {
			b.Players = []string{}
			for _, who := range p.People {
				if took[who.ID] && (len(named) == 0 || slices.Contains(named, who.ID)) {
					b.Players = append(b.Players, who.ID)
				}
			}
			if len(b.Players) == 0 {
				continue
			}
		}
		blocks = append(blocks, b)
	}
	p.Blocks = blocks
	return p
}
