package evidence

import (
	"testing"
	"time"

	"evrik/core/drill"
	"evrik/core/reads"
)

// What is open about a player follows from his record: first the shown rung, and
// live ones until one is held.
func TestQuestions(t *testing.T) {
	p := DefaultPolicy()
	reps := func(rung drill.Rung, right, wrong int) (out []Rep) {
		for i := range right + wrong {
			out = append(out, Rep{ID: "r", At: now, Player: "a", Role: reads.Cutter, Rung: rung, Side: drill.Right, Expected: reads.Curl, Made: reads.Curl, Right: i < right})
		}
		return out
	}
	both := func(a, b []Rep) []Rep { return append(a, b...) }
	for name, tc := range map[string]struct {
		reps        []Rep
		shown, live Verdict // "" where nothing is open
	}{
		"nothing logged":         {nil, TooFew, TooFew},
		"held shown":             {reps(drill.Shown, 20, 0), "", TooFew},
		"fails shown":            {reps(drill.Shown, 4, 16), NotYet, TooFew},
		"held live":              {reps(drill.Live2, 20, 0), "", ""},
		"held live, fails shown": {both(reps(drill.Live2, 20, 0), reps(drill.Shown, 1, 9)), "", ""},
		"held shown, fails live": {both(reps(drill.Shown, 20, 0), reps(drill.Live3, 2, 14)), "", NotYet},
		"technique alone":        {reps(drill.Air, 20, 0), TooFew, TooFew},
		"held on one live rung":  {both(reps(drill.Live2, 20, 0), reps(drill.Five, 2, 14)), "", ""},
	} {
		lines := p.Board([]string{"a"}, reads.Cutter, []reads.Read{reads.Curl}, tc.reps, now)
		got := map[bool]Question{}
		for _, q := range p.Questions(reads.Cutter, lines) {
			got[q.Live] = q
		}
		if got[false].Verdict != tc.shown || got[true].Verdict != tc.live {
			t.Errorf("%s: %+v", name, got)
		}
		for _, q := range got {
			if q.Player != "a" || q.Read != reads.Curl || q.Reps < 1 || q.Reps > float64(p.MaxSettle) {
				t.Errorf("%s: %+v", name, q)
			}
		}
	}
}

// Six reps, all new, weigh four after 28 days times log2(6/4): 16.4 days, by hand.
func TestFresh(t *testing.T) {
	p := DefaultPolicy()
	if days := p.Fresh().Hours() / 24; days < 16.3 || days > 16.5 {
		t.Errorf("%g days", days)
	}
	reps := make([]Rep, 6)
	for i := range reps {
		reps[i] = Rep{At: now, Rung: drill.Live2, Right: true}
	}
	if j := p.Judge(drill.Live2, reps, now.Add(p.Fresh()-time.Hour)); j.Verdict == Stale {
		t.Errorf("stale before its time: %+v", j)
	}
	if j := p.Judge(drill.Live2, reps, now.Add(p.Fresh()+time.Hour)); j.Verdict != Stale {
		t.Errorf("not stale after its time: %+v", j)
	}
}
