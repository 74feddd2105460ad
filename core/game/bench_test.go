package game

import (
	"slices"
	"testing"
	"time"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// The bench has one table for each action a team runs, with one row for each coverage.
func TestBench(t *testing.T) {
	tables := Bench([]string{reads.Down, reads.Ball}, reads.TeamRules{})
	if len(tables) != 2 || tables[0].Action != reads.Down || tables[1].Action != reads.Ball {
		t.Fatalf("%+v", tables)
	}
	for i, id := range []string{Off, Ball} {
		if tables[i].Family.ID != id || len(tables[i].Rows) == 0 {
			t.Errorf("%+v", tables[i])
		}
		for _, a := range Asks([]string{tables[i].Action}, reads.TeamRules{}, nil) {
			if !slices.Contains(tables[i].Rows, BenchRow{a.Cue, a.Reads[0], a.Reads[1]}) {
				t.Errorf("%s: no row for %s", tables[i].Action, a.Cue)
			}
		}
	}
	for _, c := range Counters() {
		if !KnownCounter(c.ID) {
			t.Errorf("%s is not known", c.ID)
		}
	}
	if KnownCounter("rebound-of-a-rebound") {
		t.Error("anything is known")
	}
}

// What was missed most often comes first, then the lower rate; equal rates prove nothing,
// and a better game is said as well as a worse one.
func TestCompareInOrder(t *testing.T) {
	p := evidence.DefaultPolicy()
	reps := func(read reads.Read, rung drill.Rung, correct, n int) (out []evidence.Rep) {
		for k := range n {
			out = append(out, evidence.Rep{Player: "a", Role: reads.Cutter, Expected: read, Correct: k < correct,
				Rung: rung, At: now.Add(time.Duration(k) * time.Minute)})
		}
		return out
	}
	before := slices.Concat(reps(reads.Curl, drill.Live3, 2, 20), reps(reads.Fade, drill.Live3, 10, 20),
		reps(reads.Straight, drill.Live3, 20, p.ApartReps-1))
	played := slices.Concat(reps(reads.Curl, drill.Game, 19, 20), reps(reads.Fade, drill.Game, 10, 20),
		reps(reads.Straight, drill.Game, 18, 28), reps(reads.Slip, drill.Game, 0, 1))
	got := Compare(p, before, played)
	want := []struct {
		read    reads.Read
		verdict string
	}{{reads.Fade, ""}, {reads.Straight, ""}, {reads.Slip, ""}, {reads.Curl, "Better in the game than in practice."}}
	if len(got) != len(want) {
		t.Fatalf("%d reads, want %d", len(got), len(want))
	}
	for i, w := range want {
		if got[i].Read != w.read || got[i].Verdict != w.verdict {
			t.Errorf("%d: %s %q, want %s %q", i, got[i].Read, got[i].Verdict, w.read, w.verdict)
		}
	}
}

// Whoever left the team leaves the terms: a group of one is none, and nothing is null.
func TestTermsOfThoseWhoStay(t *testing.T) {
	terms := Terms{Available: []string{"a", "b", "c"}, Together: [][]string{{"a", "b"}, {"b", "c"}, {"a", "b", "c"}},
		Minutes: 32,
		Caps:    []MinutesCap{{"a", 10}, {"c", 12}}}
	got := terms.Of([]string{"a", "b"})
	if !slices.Equal(got.Available, []string{"a", "b"}) || len(got.Together) != 2 ||
		!slices.Equal(got.Together[1], []string{"a", "b"}) ||
		!slices.Equal(got.Caps, []MinutesCap{{"a", 10}}) || got.Minutes != 32 {
		t.Errorf("%+v", got)
	}
	if none := (Terms{}).Of(nil); none.Available == nil || none.Caps == nil || none.Together == nil {
		t.Errorf("%+v", none)
	}
}
