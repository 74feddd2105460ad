package practice

import (
	"slices"
	"time"
)

// BlockAt returns the id of the block that was running at a moment, or that ran last before
// it. It is empty before the first start.
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

// AsRun returns a plan as it was run: only the blocks whose clock ran, with the minutes they
// ran and the players who took part in each. p.People must hold everybody who was there at
// any time. states says how each player takes part at the end; changes lists who came and
// went, oldest first, each with the block that was running. A plan whose clock ran for less
// than a minute is returned unchanged: the coach ran it without the app.
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
		if named := b.Players; len(named) > 0 || slices.ContainsFunc(p.People,
			func(who Person) bool { return !took[who.ID] }) {
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
