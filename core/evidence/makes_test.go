package evidence

import (
	"fmt"
	"testing"
	"time"

	"evrik/core/reads"
)

// Shots are summed up by player and practice: makes, the most in a row, the best practice
// and the last five; reads are left out.
func TestShotsOf(t *testing.T) {
	day := time.Date(2026, 11, 2, 18, 0, 0, 0, time.UTC)
	var reps []Rep
	add := func(player PlayerID, practice int, makes string) {
		for i, c := range makes {
			reps = append(reps, Rep{ID: RepID(fmt.Sprint(len(reps))), Practice: PracticeID(fmt.Sprint(practice)),
				At:     day.AddDate(0, 0, practice).Add(time.Duration(i) * time.Second),
				Player: player, Role: reads.Shooter, Expected: reads.Make, Correct: c == 'x'})
		}
	}
	add("a", 1, "xx.xxx.")
	add("b", 1, "...")
	if first := ShotsOf(reps)[0]; first.Best.Streak != 3 || first.Last[0].Made != 5 {
		t.Errorf("a miss ends a streak: %+v", first)
	}
	add("a", 2, "xxxxx")
	for p := 3; p <= 7; p++ {
		add("a", p, "x.")
	}
	reps = append(reps, Rep{ID: "read", Player: "a", Role: reads.Cutter, Correct: true, At: day.AddDate(0, 0, 9)})
	got := ShotsOf(reps)
	if len(got) != 2 || got[0].Player != "a" || got[1].Player != "b" {
		t.Fatalf("%+v", got)
	}
	a, b := got[0], got[1]
	if a.Made != 15 || a.Tried != 22 || a.Best.Made != 5 || a.Best.Tried != 5 || a.Best.Streak != 5 {
		t.Errorf("five of five beat five of seven: %+v", a)
	}
	if len(a.Last) != 5 || a.Last[0].Made != 1 || !a.Last[4].At.Equal(day.AddDate(0, 0, 7)) {
		t.Errorf("the last five: %+v", a.Last)
	}
	if b.Made != 0 || b.Tried != 3 || b.Best.Streak != 0 || b.Range.Low > 1e-9 {
		t.Errorf("%+v", b)
	}
	// Wilson's interval of 15 of 22 at 95 %, computed by hand from the formula: 0.473 to 0.836.
	if a.Range.Low < 0.472 || a.Range.Low > 0.474 || a.Range.High < 0.835 || a.Range.High > 0.837 {
		t.Errorf("interval %+v", a.Range)
	}
	if got := ShotsOf(nil); got == nil || len(got) != 0 {
		t.Errorf("of nothing: %v", got)
	}
}
