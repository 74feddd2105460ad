package game

import (
	"slices"
	"testing"
	"time"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// At half time: what they show most, how often it was expected, and every correct answer of
// the action that was logged most, the first one first.
func TestHalfTime(t *testing.T) {
	var played []evidence.Rep
	add := func(action string, cue reads.Cue, n int, correct bool) {
		for range n {
			a, _ := reads.ActionByID(action)
			row, ok := a.Row(reads.TeamRules{}, cue)
			if !ok {
				t.Fatal(action, cue)
			}
			played = append(played, evidence.Rep{Action: evidence.ActionID(action), Role: a.Roles[0],
				Expected: row.CutterRead, Made: row.CutterRead, Correct: correct, Rung: drill.Game,
				Cue: cue, At: now.Add(time.Duration(len(played)) * time.Minute)})
		}
	}
	add(reads.Away, reads.Trail, 1, true)
	add(reads.Down, reads.Under, 4, true)
	add(reads.Down, reads.Under, 2, false)
	add(reads.Down, reads.Trail, 2, true)
	add(reads.Ball, reads.Drop, 3, true) // too few to say
	got := HalfTime([]Mix{{Off, []Share{{reads.Trail, 80}, {reads.Under, 20}}}}, played, reads.TeamRules{})
	if len(got) != 1 {
		t.Fatalf("%+v", got)
	}
	g := got[0]
	if g.Family != Off || g.Cue != reads.Under || g.Seen != 6 || g.Of != 9 || !g.Known || g.Expected != 20 {
		t.Errorf("%+v", g)
	}
	down, _ := reads.ActionByID(reads.Down)
	row, _ := down.Row(reads.TeamRules{}, reads.Under)
	if len(g.Uses) != 2 || g.Uses[0].Action != reads.Down || g.Uses[0].Count != (evidence.Count{Correct: 4, Reps: 6}) ||
		g.Uses[0].First[0] != row.CutterRead || len(g.Uses[0].First) != len(readsOf(row.Cutter)) ||
		!slices.Contains(g.Uses[0].Second, row.ScreenerRead) || g.Uses[1].Reps != 0 {
		t.Errorf("%+v", g.Uses)
	}
	if got := HalfTime(nil, played[:3], reads.TeamRules{}); len(got) != 0 {
		t.Errorf("three moments: %+v", got)
	}
	if got := HalfTime(nil, played, reads.TeamRules{}); got[0].Known {
		t.Error("nobody had an idea")
	}
}

// Players rest: nobody is on for three stints in a row where another order avoids it.
func TestStintsLetPlayersRest(t *testing.T) {
	all := []Five{{at: [onFloor]int{0, 1, 2, 3, 4}}, {at: [onFloor]int{5, 6, 7, 8, 9}}}
	order := rested(all, []int{0, 0, 0, 1, 1, 1})
	if tired(all, order) != 0 || len(order) != 6 {
		t.Errorf("%v", order)
	}
	if tired(all, []int{0, 0, 0, 1}) != 5 || tired(all, []int{0, 0, 1, 0, 0}) != 0 ||
		tired(all, []int{0, 0, 0, 0}) != 15 {
		t.Error("a third stint in a row counts once for each of five, a fourth twice")
	}
	if got := rested(all, []int{1, 0, 1, 0}); !slices.Equal(got, []int{0, 0, 1, 1}) {
		t.Errorf("the strongest first among orders that are as good: %v", got)
	}
}
