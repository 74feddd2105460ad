package practice

import (
	"testing"
	"time"
)

func TestClock(t *testing.T) {
	t0 := time.Date(2026, 3, 1, 18, 0, 0, 0, time.UTC)
	blocks := []string{"a", "b"}
	at := func(min int) time.Time { return t0.Add(time.Duration(min) * time.Minute) }
	var c Clock
	step := func(a Action, block string, min int, wantBlock string, elapsed int, running bool) {
		t.Helper()
		next, err := c.Apply(a, block, blocks, at(min))
		if err != nil {
			t.Fatal(err)
		}
		c = next
		if c.Block != wantBlock || c.Elapsed(at(min)) != time.Duration(elapsed)*time.Minute ||
			c.Since.IsZero() == running {
			t.Fatalf("%s at %d: %+v, elapsed %v", a, min, c, c.Elapsed(at(min)))
		}
	}
	step(StartClock, "", 0, "a", 0, true)
	step(StartClock, "", 3, "a", 3, true) // pressing twice loses nothing
	step(StopClock, "", 5, "a", 5, false)
	step(GoToBlock, "a", 6, "a", 5, false)
	step(StartClock, "", 7, "a", 5, true)
	step(GoToBlock, "b", 9, "b", 0, true)
	if !c.Began.Equal(t0) {
		t.Errorf("began at %v", c.Began)
	}
	step(Finish, "", 12, "b", 3, false)
	if c.Status != Done {
		t.Errorf("status %s", c.Status)
	}
	step(Reopen, "", 20, "b", 3, false)
	if c.Elapsed(at(30)) != 3*time.Minute {
		t.Error("a stopped clock runs")
	}
	if (Clock{Since: at(9)}).Elapsed(at(2)) != 0 {
		t.Error("a clock set back must not run backwards")
	}
	for _, tc := range []struct {
		a      Action
		block  string
		blocks []string
	}{{StartClock, "", nil}, {GoToBlock, "gone", blocks}, {"moon", "", blocks}} {
		if after, err := c.Apply(tc.a, tc.block, tc.blocks, at(30)); err == nil || after != c {
			t.Errorf("%+v: %+v %v", tc, after, err)
		}
	}
	if looked, err := (Clock{}).Apply(GoToBlock, "b", blocks, t0); err != nil || !looked.Began.IsZero() {
		t.Errorf("looking at a block began the practice: %+v %v", looked, err)
	}
	if moved, err := c.Apply(StartClock, "", []string{"x"}, at(30)); err != nil || moved.Block != "x" {
		t.Errorf("a plan that lost its current block starts at the first: %+v %v", moved, err)
	}
}
