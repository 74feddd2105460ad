package evidence

import (
	"fmt"
	"slices"
	"testing"
	"time"

	"evrik/core/drill"
	"evrik/core/reads"
)

// A player who cannot do a read for two weeks and then learns it goes from not yet to has
// it, week by week; a week without reps is no week, a read that is not on the board does
// not count, and what is shown now is the board as it is now.
func TestSeasonWeekByWeek(t *testing.T) {
	p, monday := DefaultPolicy(), time.Date(2026, 1, 5, 18, 0, 0, 0, time.UTC)
	var reps []Rep
	log := func(week, n int, read reads.Read, correct bool) {
		for k := range n {
			reps = append(reps, Rep{ID: RepID(fmt.Sprint(len(reps))), No: k + 1,
				Practice: PracticeID(fmt.Sprint("p", week)), Block: "b", Action: reads.Down,
				At: monday.AddDate(0, 0, 7*week).Add(time.Duration(k) * time.Minute), Player: "a", Role: reads.Cutter,
				Rung: drill.Live2, Side: drill.Right,
				Cue: reads.Trail, Expected: read, Made: read, Correct: correct, Observer: "one"})
		}
	}
	log(0, 3, reads.Curl, false)
	log(1, 9, reads.Curl, false)
	log(2, 20, reads.Fade, true)
	log(4, 30, reads.Curl, true)
	log(5, 30, reads.Curl, true)
	h := p.ExtendByPeriod(NoHistory(), reps, time.UTC)
	columns := []reads.Read{reads.Curl}
	at := monday.AddDate(0, 0, 36)
	lines := p.Overview([]PlayerID{"a", "b"}, reads.Cutter, columns, h, at)
	start := func(week int) time.Time { return PeriodOf(monday, time.UTC).AddDate(0, 0, 7*week) }
	want := []Week{{start(0), 0, 0}, {start(1), 0, 1}, {start(2), 0, 1}, {start(4), 1, 0}, {start(5), 1, 0}}
	if got := h.Season(reads.Cutter, columns, lines, at, time.UTC); !slices.Equal(got, want) {
		t.Errorf("%v, want %v", got, want)
	}
	// Months later the player had it: the line ends where the board is.
	later := at.AddDate(0, 6, 0)
	got := h.Season("", columns, p.Overview([]PlayerID{"a"}, "", columns, h, later), later, time.UTC)
	if last := got[len(got)-1]; len(got) != 6 || last.Has != 0 || !last.From.Equal(PeriodOf(later, time.UTC)) ||
		got[4].Has != 1 {
		t.Errorf("after a break the season is %v", got)
	}
	if got := h.Season(reads.Screener, columns, nil, at, time.UTC); got[3].Has != 0 {
		t.Errorf("the screener's board has the cutter's season: %v", got)
	}
	both := p.ExtendByPeriod(p.ExtendByPeriod(NoHistory(), reps[:12], time.UTC), reps[12:], time.UTC)
	if !slices.Equal(both.Season(reads.Cutter, columns, lines, at, time.UTC), want) {
		t.Error("a season in two parts is another one")
	}
	if got := NoHistory().Season("", columns, nil, at, time.UTC); len(got) != 1 {
		t.Errorf("a team without reps has the season %v", got)
	}
}
