package drill

import (
	"strings"
	"testing"
	"time"
)

// The median of the gaps between reps, at one basket and at two, without the
// water break and without reps that were logged in one go.
func TestMeasuredPace(t *testing.T) {
	start := time.Date(2026, 1, 10, 18, 0, 0, 0, time.UTC)
	log := func(block string, baskets int, seconds ...int) []Logged {
		at, out := start, []Logged{{block, 1, baskets, start}}
		for i, s := range seconds {
			at = at.Add(time.Duration(s) * time.Second)
			out = append(out, Logged{block, i + 2, baskets, at})
		}
		return out
	}
	one := log("a", 1, 18, 20, 17, 18, 600, 19, 1, 18, 16, 18)
	m, ok := MeasurePace(one)
	if !ok || m.Seconds != 18 || m.Reps != 11 {
		t.Errorf("one basket: %+v, %v", m, ok)
	}
	// Two reps a slot: nine seconds between reps are eighteen for a rep.
	if m, ok = MeasurePace(log("b", 2, 9, 9, 9, 9, 9, 9, 9, 9, 9, 9, 9, 9, 9, 9, 9, 9)); !ok || m.Seconds != 18 {
		t.Errorf("two baskets: %+v", m)
	}
	// Both baskets logged at the same moment, slot after slot.
	together := []Logged{}
	for i := range 20 {
		together = append(together, Logged{"t", i + 1, 2, start.Add(time.Duration(i/2*20) * time.Second)})
	}
	if m, ok = MeasurePace(together); !ok || m.Seconds != 20 {
		t.Errorf("logged together: %+v", m)
	}
	// An even number of gaps: the middle of the two in the middle.
	if m, ok = MeasurePace(log("c", 1, 10, 12, 14, 16, 18, 20, 22, 24)); !ok || m.Seconds != 17 {
		t.Errorf("even: %+v", m)
	}
	if _, ok = MeasurePace(log("d", 1, 18, 18, 18)); ok {
		t.Error("three gaps are no pace")
	}
	// A rep that was not logged lies between: its time is shared.
	gap := []Logged{}
	for i := range 10 {
		gap = append(gap, Logged{"e", 2*i + 1, 1, start.Add(time.Duration(40*i) * time.Second)})
	}
	if m, ok = MeasurePace(gap); !ok || m.Seconds != 20 {
		t.Errorf("every second rep logged: %+v", m)
	}

	d := slotTwos(t)
	st := stage(t, "live")
	in := Setup{Players: squad(8), Baskets: 1, Minutes: 10}
	o, err := OrderList(d, st, in)
	if err != nil || o.Seconds != 20 || !strings.Contains(o.Basis, "assumption") {
		t.Errorf("%g s, %q, %v", o.Seconds, o.Basis, err)
	}
	in.Measured = &Measured{Seconds: 15, Reps: 46}
	if o, err = OrderList(d, st, in); err != nil || len(o.Reps) != 40 || o.Basis != "15 s from 46 reps of yours" {
		t.Errorf("%d reps, %q, %v", len(o.Reps), o.Basis, err)
	}
	in.Seconds = 30
	if o, err = OrderList(d, st, in); err != nil || len(o.Reps) != 20 || !strings.Contains(o.Basis, "as you say") {
		t.Errorf("%d reps, %q, %v", len(o.Reps), o.Basis, err)
	}
}
