package evidence

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"
	"time"

	"evrik/core/drill"
	"evrik/core/reads"
)

// The chance that more reps settle a read, against reps drawn from the belief, logged with
// the observer's error and judged anew by the verdict itself.
func TestOutlookAgainstDraws(t *testing.T) {
	p := DefaultPolicy()
	rng := rand.New(rand.NewPCG(21, 21))
	for _, tc := range []struct{ correct, reps int }{{0, 0}, {3, 4}, {8, 10}, {6, 10}} {
		log := formReps("a", tc.correct, tc.reps, drill.Guided)
		h := p.ExtendByPeriod(NoHistory(), log, time.UTC)
		o := p.Outlooks([]PlayerID{"a"}, reads.Cutter, []reads.Read{reads.Curl}, h, now)[0]
		m := h.skills[Skill{"a", reads.Cutter, reads.Curl}]
		if m == nil {
			m = p.unseen(h, Skill{"a", reads.Cutter, reads.Curl})
		}
		start := p.judge(m, Guided, now)
		for _, n := range []int{3, 8, 16} {
			const draws = 1500
			settled := 0
			for range draws {
				rate := start.belief.quantile(rng.Float64())
				more := append(log[:len(log):len(log)], formReps("a", 0, n, drill.Guided)...)
				for k := range more[len(log):] {
					r := &more[len(log)+k]
					r.ID, r.At = RepID(fmt.Sprint("more", k)), now
					r.Correct = (rng.Float64() < rate) != (rng.Float64() < p.ObserverError)
				}
				// The same practice: no time passes between what is known and what comes.
				later := p.ExtendByPeriod(NoHistory(), more, time.UTC)
				verdict := p.judge(later.skills[Skill{"a", reads.Cutter, reads.Curl}], Guided, now)
				if verdict.Verdict == HasIt {
					settled++
				}
			}
			if got := float64(settled) / draws; math.Abs(got-o.Settles[n]) > 0.05 {
				t.Errorf("after %d of %d, %d more: settled in %.3f, said %.3f", tc.correct, tc.reps, n, got,
					o.Settles[n])
			}
		}
	}
}

// Whoever has a read guided works on it live; whoever has it live is done with it; two
// practices of not yet lead down; a read never seen is not held.
func TestOutlookGroups(t *testing.T) {
	p := DefaultPolicy()
	practice := func(player PlayerID, at, correct, reps int, rung drill.Rung) []Rep {
		list := formReps(player, correct, reps, rung)
		for i := range list {
			list[i].ID += RepID(fmt.Sprint("@", at))
			list[i].Practice = PracticeID(fmt.Sprint(at))
			list[i].At = list[i].At.AddDate(0, 0, at)
		}
		return list
	}
	var log []Rep
	for _, at := range []int{-7, -3} {
		log = append(log, practice("guided", at, 14, 14, drill.Guided)...)
		log = append(log, practice("live", at, 14, 14, drill.Live3)...)
		log = append(log, practice("low", at, 0, 12, drill.Guided)...)
	}
	h := p.ExtendByPeriod(NoHistory(), log, time.UTC)
	for player, want := range map[PlayerID]Outlook{
		"guided": {Group: Live, Guided: HasIt, Live: NotEnough, Reps: 28},
		"live":   {Group: Live, Live: HasIt, Guided: NotEnough, Reps: 28},
		"low":    {Group: Guided, Guided: NotYet, Live: NotEnough, Down: true, Reps: 24},
		"new":    {Group: Guided, Guided: NotEnough, Live: NotEnough},
	} {
		o := p.Outlooks([]PlayerID{player}, reads.Cutter, []reads.Read{reads.Curl}, h, now)[0]
		if o.Group != want.Group || o.Guided != want.Guided || o.Live != want.Live || o.Down != want.Down ||
			o.Reps != want.Reps {
			t.Errorf("%s: %+v", player, o)
		}
		if o.Done() != (player == "live") || o.Held() != (player == "live" || player == "guided") ||
			(len(o.Settles) == 0) != o.Done() {
			t.Errorf("%s: done %v, held %v, %d chances", player, o.Done(), o.Held(), len(o.Settles))
		}
		for n := 1; n < len(o.Settles); n++ {
			if o.Settles[n] < o.Settles[n-1] || o.Settles[n] > 1 {
				t.Errorf("%s: chances %v", player, o.Settles)
			}
		}
	}
}

// What a player has lapses by itself, once and for good, and later the more was seen of it.
func TestStillHas(t *testing.T) {
	p := DefaultPolicy()
	until := func(perPractice int) int {
		var reps []Rep
		for practice := range 4 {
			for k := range perPractice {
				reps = append(reps, Rep{ID: RepID(fmt.Sprint(practice, " ", k)), No: k + 1,
					Practice: PracticeID(fmt.Sprint("p", practice)), Block: "b", Action: reads.Down,
					At: now.AddDate(0, 0, -9+3*practice).Add(time.Duration(k) * time.Minute), Player: "a",
					Role: reads.Cutter, Rung: drill.Live2, Side: drill.Right,
					Cue: reads.Trail, Expected: reads.Curl, Made: reads.Curl, Correct: true, Observer: "one"})
			}
		}
		h := p.ExtendByPeriod(NoHistory(), reps, time.UTC)
		skill := Skill{"a", reads.Cutter, reads.Curl}
		days := 0
		for days < 300 && p.StillHas(h, skill, now.AddDate(0, 0, days)) {
			days++
		}
		for later := days; later < days+60; later++ {
			if p.StillHas(h, skill, now.AddDate(0, 0, later)) {
				t.Errorf("%d reps a practice: gone after %d days and back after %d", perPractice, days, later)
			}
		}
		if p.StillHas(h, Skill{"b", reads.Cutter, reads.Curl}, now) ||
			p.StillHas(h, Skill{"a", reads.Cutter, reads.Fade}, now) {
			t.Error("somebody has what was never logged")
		}
		return days
	}
	few, many := until(6), until(14)
	if few < 7 || many <= few || many > 120 {
		t.Errorf("24 correct reps keep %d days, 56 keep %d", few, many)
	}
}
