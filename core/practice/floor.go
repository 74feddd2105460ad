package practice

import (
	"slices"
	"strings"

	"evrik/core/drill"
	"evrik/core/refusal"
)

// Presence is how a player takes part in a practice.
type Presence string

// Presences. Away is who has not come, or not yet; hurt players are out for the
// rest.
const (
	Away    Presence = ""
	Here    Presence = "here"
	Limited Presence = "limited" // keeps out of live blocks
	Left    Presence = "left"
	Hurt    Presence = "hurt"
)

// HurtCaution is what is shown when a player is hurt. Your local law, league and
// medical staff come first.
const HurtCaution = "Out of the rest. Pain is not effort: no more drills today. If a blow to the head is suspected, " +
	"sit the player out at once: no return the same day, and later only when a licensed health-care professional has " +
	"cleared it, under your local law. When in doubt, sit them out."

// ChangeKind is what a change on the floor is about.
type ChangeKind string

// Kinds of change.
const (
	SwapSides ChangeKind = "swap" // from here on
	ComeAndGo ChangeKind = "presence"
)

// Change is what happened to a running practice that its order lists follow.
type Change struct {
	Kind ChangeKind
	// Block that ran, and After how many of its reps; empty and 0 between blocks.
	Block string
	After int
	// Player came, went or was limited: Was before, State from here on.
	Player     string
	Was, State Presence
}

// Check refuses a change that makes no sense. Errors are refusals.
func (c Change) Check() error {
	switch {
	case c.Kind == ComeAndGo && c.Player == "":
		return refusal.New("practice.who")
	case c.Kind == SwapSides && c.Block == "":
		return refusal.New("practice.swap-block")
	case c.Kind == ComeAndGo && !slices.Contains([]Presence{Here, Limited, Left, Hurt}, c.State):
		return refusal.New("practice.presence")
	case c.Kind != SwapSides && c.Kind != ComeAndGo:
		return refusal.New("practice.change-kind")
	case c.After < 0 || c.After > maxReps:
		return refusal.New("practice.too-many-reps")
	}
	return nil
}

// maxReps bounds the reps of a block: an hour at six baskets, five seconds each.
const maxReps = drill.MaxMinutes * 60 / drill.MinSeconds * drill.MaxBaskets

// OrderThrough is the order list of a block for who is here now, when changes came
// while the practice ran: reps that were run before a change of their block stand,
// the rest is dealt anew. people are all who may take part, in the roster's order,
// as they are now; states says how each takes part now. Errors are refusals.
func OrderThrough(lib drill.Library, b Block, people []Person, states map[string]Presence,
	changes []Change) (drill.Order, error) {
	was := make(map[string]Presence, len(states))
	for id, state := range states {
		was[id] = state
	}
	for _, c := range slices.Backward(changes) {
		if c.Kind == ComeAndGo {
			was[c.Player] = c.Was
		}
	}
	here := func() (out []Person) {
		for _, p := range people {
			if state := was[p.ID]; state == Here || state == Limited {
				p.Limited = state == Limited
				out = append(out, p)
			}
		}
		return out
	}
	var done []drill.Rep
	var swaps []int
	for _, c := range changes {
		own := c.Block == b.ID
		if c.Kind == SwapSides {
			if own {
				swaps = append(swaps, c.After)
			}
			continue
		}
		if own && c.After > len(done) {
			// What could not be dealt before leaves nothing that was run.
			if o, err := order(lib, b, here(), done); err == nil {
				done = o.Reps[:min(c.After, len(o.Reps))]
			}
		}
		was[c.Player] = c.State
	}
	o, err := order(lib, b, here(), done)
	for i := range o.Reps {
		for _, after := range swaps {
			if o.Reps[i].No > after {
				o.Reps[i].Side = otherSide(o.Reps[i].Side)
			}
		}
	}
	return o, err
}

func order(lib drill.Library, b Block, people []Person, done []drill.Rep) (drill.Order, error) {
	d, st, err := StageOf(lib, b)
	if err != nil {
		return drill.Order{}, err
	}
	in := b.setup(taking(people, b, isLive(st)))
	in.Done = done
	return drill.OrderList(d, st, in)
}

func otherSide(side string) string {
	if side == drill.Left {
		return drill.Right
	}
	return drill.Left
}

// Names lists names as they are said: "a, b and c".
func Names(names []string) string {
	if len(names) < 2 {
		return strings.Join(names, "")
	}
	return strings.Join(names[:len(names)-1], ", ") + " and " + names[len(names)-1]
}

// Progress is the last rep that was logged at each basket of an order list; what
// was logged beyond the list counts from its beginning again.
func Progress(o drill.Order, logged []int) []int {
	last := make([]int, o.Baskets)
	for _, no := range logged {
		if no < 1 || len(o.Reps) == 0 {
			continue
		}
		if b := o.Reps[(no-1)%len(o.Reps)].Basket; b >= 1 && b <= len(last) {
			last[b-1] = max(last[b-1], no)
		}
	}
	return last
}
