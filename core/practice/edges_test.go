package practice

import (
	"fmt"
	"strings"
	"testing"
	"time"

	"evrik/core/drill"
)

// Limits hold at their own value: a block of the shortest and the longest length is not told
// off, a practice of just the short length warms up in full, water just in time is in time.
func TestLimitsHoldAtTheirValue(t *testing.T) {
	warns := func(minutes float64) bool {
		p := evening()
		p.Blocks[1].Minutes = minutes
		p.Aim(Aims{Outlooks: fresh(p.People)})
		for _, w := range LayOut(p).Warnings {
			if strings.Contains(w.Text, "too short to settle") {
				return true
			}
		}
		return false
	}
	for minutes, want := range map[float64]bool{ShortBlock - 1: true, ShortBlock: false, LongBlock: false,
		LongBlock + 1: true} {
		if warns(minutes) != want {
			t.Errorf("a block of %v min: told off %v", minutes, !want)
		}
	}
	warm := func(practice, first float64) bool {
		p := evening()
		p.Minutes, p.Blocks[0].Minutes = practice, first
		p.Aim(Aims{Outlooks: fresh(p.People)})
		return ruleOf(t, LayOut(p), "warm-up").Kept
	}
	least := float64(evening().Rules().WarmUp)
	if !warm(ShortPractice, least) || warm(ShortPractice, least-1) || !warm(ShortPractice-1, (least+1)/2) {
		t.Error("the warm-up is halved at the wrong length of a practice")
	}
	water := func(minutes float64) bool {
		p := evening()
		p.Blocks = []Block{block("a", OwnBlock, minutes, ""), block("w", WaterBlock, 2, ""),
			block("b", OwnBlock, 5, "")}
		p.Aim(Aims{Outlooks: fresh(p.People)})
		return ruleOf(t, LayOut(p), "water").Kept
	}
	limit := float64(evening().Rules().Water)
	if !water(limit) || water(limit+1) || !water(limit-1) {
		t.Errorf("without water for %v min", limit)
	}
	jobs := func(n int) error {
		b := block("b", DrillBlock, 8, "air")
		for range n {
			b.Staff = append(b.Staff, Duty{Who: "Ana", Job: Job(jobs[0][0])})
		}
		return checkStaff(1, b)
	}
	if jobs(mostDuties) != nil || jobs(mostDuties+1) == nil {
		t.Errorf("%v and %v", jobs(mostDuties), jobs(mostDuties+1))
	}
	for seconds, fits := range map[float64]bool{drill.MinSeconds: true, drill.MaxSeconds: true,
		drill.MinSeconds - 1: false, drill.MaxSeconds + 1: false, 0: true} {
		b := block("b", DrillBlock, 8, "air")
		b.Seconds = seconds
		if err := CheckForm(60, []Block{b}); (err == nil) != fits {
			t.Errorf("%v seconds: %v", seconds, err)
		}
	}
	lost := block("b", DrillBlock, 8, "moon")
	if err := Check(drill.Library{}, 60, []Block{block("w", WaterBlock, 3, ""), lost}); err == nil ||
		err.Error() != "practice.block-at: 2, practice.stage-gone: Slot twos, moon" {
		t.Errorf("%v", err)
	}
}

// Small sums by hand.
func TestSmallSums(t *testing.T) {
	list := []float64{2, 4, 10}
	for at, want := range map[float64]float64{-1: 0, 0: 0, 0.5: 3, 1: 4, 1.25: 5.5, 2: 10, 9: 10} {
		if got := between(list, at); got != want {
			t.Errorf("between at %v: %v, want %v", at, got, want)
		}
	}
	order := drill.Order{Reps: []drill.Rep{{No: 1}, {No: 2}, {No: 3}}}
	for no, want := range map[int]int{1: 1, 3: 3, 4: 1, 8: 2} {
		if r, ok := repOf(order, no); !ok || r.No != want {
			t.Errorf("rep %d is %d", no, r.No)
		}
	}
	if _, ok := repOf(order, 0); ok {
		t.Error("there is a rep 0")
	}
	var few compared
	for i := range named {
		few.add(fmt.Sprint("P", i), 0.5)
	}
	if s := few.String(); !strings.Contains(s, "P0") || !strings.Contains(s, fmt.Sprint("P", named-1)) {
		t.Errorf("%d players: %s", named, s)
	}
	few.add("one more", 0.5)
	if s := few.String(); strings.Contains(s, "P0") || !strings.Contains(s, fmt.Sprint(named+1)) {
		t.Errorf("%d players: %s", named+1, s)
	}
	base, _ := Ages12to14.Limits()
	if got := base.With(LocalRule{}); got.RestDays != base.RestDays || got.MaxPerWeek != base.MaxPerWeek ||
		got.MaxHours != base.MaxHours {
		t.Errorf("no local rule: %+v of %+v", got, base)
	}
	if got := base.With(LocalRule{RestDays: 1, MaxPerWeek: 1, MaxHours: 1}); got.RestDays != 1 || got.MaxPerWeek != 1 ||
		got.MaxHours != 1 {
		t.Errorf("a rule of ones: %+v", got)
	}
	if (&course{next: Teach, guided: true}).runs() != true || (&course{next: Teach, live: true}).runs() ||
		!(&course{live: true}).runs() || (&course{guided: true}).runs() {
		t.Error("what is taught runs guided, and what is kept runs live")
	}
}

// Where the blocks of two baskets run at the same time, running late parts the plan behind
// all that have begun.
func TestLateAtTwoBaskets(t *testing.T) {
	p := evening()
	at := func(id string, basket int) Block {
		b := block(id, DrillBlock, 8, "air")
		b.Basket = basket
		return b
	}
	p.Blocks = []Block{block("warm", OwnBlock, 10, ""), at("left", 1), at("right", 2), block("play", OwnBlock, 10, ""),
		at("last", 1)}
	now := time.Date(2026, 3, 1, 18, 0, 0, 0, time.UTC)
	for current, want := range map[string]int{"warm": 1, "left": 3, "right": 3, "play": 4, "last": 5} {
		past, rest := BehindAt(p, Clock{Block: current, Since: now, Began: now}, now).split()
		if len(past) != want || len(past)+len(rest) != len(p.Blocks) {
			t.Errorf("in %s: %d blocks have begun, want %d", current, len(past), want)
		}
	}
}
