package game

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"
	"time"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// What lies exactly on a limit passes, what is a step beyond does not.
func TestTermsOnTheirLimits(t *testing.T) {
	people, _, ids := squad(rand.New(rand.NewPCG(6, 6)), MaxAvailable+1, run)
	with := func(change func(*Terms)) Terms {
		terms := Terms{Available: ids[:5], Minutes: 32}
		change(&terms)
		return terms
	}
	for _, tc := range []struct {
		terms Terms
		says  string
	}{
		{with(func(*Terms) {}), ""},
		{with(func(t *Terms) { t.Available = ids[:MaxAvailable] }), ""},
		{with(func(t *Terms) { t.Available = ids }), "game.too-many-players"},
		{with(func(t *Terms) { t.Minutes = MaxMinutes }), ""},
		{with(func(t *Terms) { t.Minutes = MaxMinutes + 1 }), "game.minutes: 60"},
		{with(func(t *Terms) { t.Minutes = 0 }), "game.minutes: 60"},
		{with(func(t *Terms) { t.Together = [][]string{ids[:5]} }), ""},
		{with(func(t *Terms) { t.Available = ids[:6]; t.Caps = []MinutesCap{{ids[5], 0}} }), ""},
		// 160 of 160
		{with(func(t *Terms) { t.Available = ids[:6]; t.Caps = []MinutesCap{{ids[4], 16}, {ids[5], 16}} }), ""},
		{with(func(t *Terms) { t.Available = ids[:6]; t.Caps = []MinutesCap{{ids[4], 16}, {ids[5], 15}} }),
			"game.minutes-too-few: 159, 32, 160"},
	} {
		refused(t, tc.terms.Check(people), tc.says)
	}
	for _, tc := range []struct {
		shares []Share
		says   string
	}{
		{[]Share{{reads.Drop, 100}, {reads.Ice, 0}}, ""},
		{[]Share{{reads.Drop, 100 + percentSlack}}, "game.share: 100.5"},
		{[]Share{{reads.Drop, 60 + percentSlack}, {reads.Ice, 40}}, ""},
		{[]Share{{reads.Drop, 60 - percentSlack}, {reads.Ice, 40}}, ""},
		{[]Share{{reads.Drop, 61}, {reads.Ice, 40}}, "game.shares-sum: Ball screens, 101"},
	} {
		refused(t, CheckMixes([]Mix{{Ball, tc.shares}}), tc.says)
	}
}

// Whoever has no minutes is in no five; a group of everybody on the floor, or of nobody on
// it, keeps together.
func TestFivesOnTheirLimits(t *testing.T) {
	people, form, ids := squad(rand.New(rand.NewPCG(7, 7)), 7, run)
	asks := Asks(run, reads.TeamRules{}, nil)
	found, err := Find(asks, form, people, Terms{Available: ids, Minutes: 32, Caps: []MinutesCap{{ids[0], 0}}}, 1)
	if err != nil || found.Compared != 6 {
		t.Fatalf("%d compared, want the 6 fives of six players: %v", found.Compared, err)
	}
	for _, f := range found.Fives {
		if slices.Contains(f.Players, ids[0]) {
			t.Errorf("%v has a player without minutes", f.Players)
		}
	}
	together := Terms{Together: [][]string{ids[:2]}}
	for five, keeps := range map[[onFloor]int]bool{{0, 1, 2, 3, 4}: true, {2, 3, 4, 5, 6}: true, {0, 2, 3, 4, 5}: false,
		{1, 3, 4, 5, 6}: false} {
		if together.keeps(people, five) != keeps {
			t.Errorf("%v keeps together: %v", five, !keeps)
		}
	}
}

// Without an idea of an opponent every coverage of a family is as likely, a family with no
// share is not known, and one that is never done asks for nothing.
func TestSharesWithoutAnIdea(t *testing.T) {
	for _, f := range Families() {
		for _, cue := range f.Cues {
			if got := shareOf([]Mix{{Family: f.ID}}, f, cue); math.Abs(got-1/float64(len(f.Cues))) > 1e-12 {
				t.Errorf("%s: %g", f.ID, got)
			}
		}
		if Known([]Mix{{Family: f.ID}}, f.ID) || !Known([]Mix{{f.ID, []Share{{f.Cues[0], 100}}}}, f.ID) {
			t.Errorf("%s: known without a share, or unknown with one", f.ID)
		}
	}
	// A coverage that a table splits in two is one row, asked for once.
	for _, action := range reads.Actions() {
		family, ok := FamilyOf(action)
		if !ok {
			continue
		}
		seen := map[reads.Cue]bool{}
		for _, row := range coveragesOf(action, reads.TeamRules{}, family) {
			if seen[row.Cue] || !slices.Contains(family.Cues, row.Cue) {
				t.Errorf("%s: %s twice, or of no family", action.ID, row.Cue.Name())
			}
			seen[row.Cue] = true
		}
		for _, row := range action.Rows(reads.TeamRules{}) {
			if cue := row.Cue.Parent(); cue != reads.NoCue && slices.Contains(family.Cues, cue) && !seen[cue] {
				t.Errorf("%s: %s is split and lost", action.ID, cue.Name())
			}
			if slices.Contains(family.Cues, row.Cue) && !seen[row.Cue] && row.Cue.Parent() == reads.NoCue {
				t.Errorf("%s: %s is lost", action.ID, row.Cue.Name())
			}
		}
	}
}

// Who missed a read is named once, most misses first.
func TestMissedOnce(t *testing.T) {
	var played []evidence.Rep
	for k, player := range []evidence.PlayerID{"a", "b", "b", "c", "b", "a"} {
		played = append(played, evidence.Rep{Player: player, Role: reads.Cutter, Expected: reads.Curl, Rung: drill.Game,
			At: now.Add(time.Duration(k) * time.Minute)})
	}
	if got := Compare(evidence.DefaultPolicy(), nil, played); !slices.Equal(got[0].Missed,
		[]evidence.PlayerID{"b", "a", "c"}) {
		t.Errorf("%v", got[0].Missed)
	}
}

// Four moments are enough at half time, and of two coverages as often the first is told.
func TestHalfTimeOnItsLimit(t *testing.T) {
	var played []evidence.Rep
	for k, cue := range []reads.Cue{reads.Under, reads.Under, reads.Trail, reads.Trail} {
		played = append(played, evidence.Rep{Action: evidence.ActionID(reads.Down), Role: reads.Cutter,
			Expected: reads.Curl, Rung: drill.Game, Cue: cue, At: now.Add(time.Duration(k) * time.Minute)})
	}
	got := HalfTime(nil, played, reads.TeamRules{})
	if len(got) != 1 || got[0].Of != fewMoments || got[0].Seen != 2 {
		t.Fatalf("%+v", got)
	}
	family := Families()[0]
	if first := family.Cues[min(slices.Index(family.Cues, reads.Under),
		slices.Index(family.Cues, reads.Trail))]; got[0].Cue != first {
		t.Errorf("%s, want the first of the family", got[0].Cue.Name())
	}
	if got := HalfTime(nil, played[:3], reads.TeamRules{}); len(got) != 0 {
		t.Errorf("three moments: %+v", got)
	}
}

// The best and the worst of a read are few, and nobody is both.
func TestReadyNamesFew(t *testing.T) {
	for n := 5; n <= 9; n++ {
		people, form, _ := squad(rand.New(rand.NewPCG(9, uint64(n))), n, run)
		r := ready(reads.Cutter, reads.Curl, form, people)
		if r.Reps == 0 {
			t.Fatal("nothing is logged")
		}
		if len(r.Best) != min(few, n) || len(r.Worst) != min(few, n-len(r.Best)) {
			t.Errorf("%d players: best %v, worst %v", n, r.Best, r.Worst)
		}
	}
}
