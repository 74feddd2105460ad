package practice

import (
	"slices"
	"time"

	"evrik/core/refusal"
)

// Status is where a practice stands.
type Status string

// A practice is planned, then open on the floor, then done.
const (
	Planned Status = "planned"
	Open    Status = "open"
	Done    Status = "done"
)

// Action is what a coach does to the clock.
type Action string

// Actions on the clock.
const (
	StartClock Action = "start"
	StopClock  Action = "stop"
	GoToBlock  Action = "block"
	Finish     Action = "finish"
	Reopen     Action = "reopen"
)

// Clock is the state of a practice on the floor. It holds moments, not a
// ticking count, so that it is right after a reload or a crash.
type Clock struct {
	Status Status
	Block  string // id; empty before the first start
	// Before is how long the block had run when the clock was last started or stopped.
	Before time.Duration
	// Since is when the clock was last started; zero while it stands.
	Since time.Time
	// Began is when it was started for the first time; zero before.
	Began time.Time
	// Changed is when it was last touched; zero before.
	Changed time.Time
}

// ClockEvent is one action on a clock.
type ClockEvent struct {
	At     time.Time
	Action Action
	Block  string // that runs from here on
}

// Elapsed is how long the current block has run.
func (c Clock) Elapsed(now time.Time) time.Duration {
	if c.Since.IsZero() {
		return c.Before
	}
	return c.Before + max(0, now.Sub(c.Since))
}

// Apply returns the clock after an action of some moment, which may lie back: a
// device without a network tells it late. What is older than the last action
// changes nothing, and applying an action again changes nothing either. blocks are
// the practice's block ids in order. Errors are refusals.
func (c Clock) Apply(a Action, block string, blocks []string, now time.Time) (Clock, error) {
	if now.Before(c.Changed) {
		return c, nil
	}
	switch a {
	case StartClock, GoToBlock:
		if len(blocks) == 0 {
			return c, refusal.New("practice.no-blocks")
		}
		if block == "" {
			if block = c.Block; !slices.Contains(blocks, block) {
				block = blocks[0]
			}
		}
		if !slices.Contains(blocks, block) {
			return c, refusal.New("practice.block-gone")
		}
		running := a == StartClock || !c.Since.IsZero()
		before := c.Elapsed(now)
		if block != c.Block {
			before = 0
		}
		c = Clock{Status: Open, Block: block, Before: before, Began: c.Began}
		if running {
			c.Since = now
		}
		if running && c.Began.IsZero() {
			c.Began = now
		}
	case StopClock:
		c.Before, c.Since = c.Elapsed(now), time.Time{}
	case Finish:
		c.Before, c.Since, c.Status = c.Elapsed(now), time.Time{}, Done
	case Reopen:
		c.Status = Open
	default:
		return c, refusal.New("practice.clock-action")
	}
	c.Changed = now
	return c, nil
}

// Ran is how long each block's clock ran, by block id, from the actions in order.
func Ran(events []ClockEvent, now time.Time) map[string]time.Duration {
	ran := map[string]time.Duration{}
	block, since := "", time.Time{}
	for _, e := range events {
		if !since.IsZero() {
			ran[block] += e.At.Sub(since)
		}
		running := e.Action == StartClock || e.Action == GoToBlock && !since.IsZero()
		block, since = e.Block, time.Time{}
		if running {
			since = e.At
		}
	}
	if !since.IsZero() {
		ran[block] += max(0, now.Sub(since))
	}
	return ran
}
