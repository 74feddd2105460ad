package evidence

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"
	"time"

	"evrik/core/drill"
	"evrik/core/reads"
)

// full returns the reps of 20 players on 30 reads over 90 practices, three a week, of which a
// share is logged: 1 is a rep of every player and read in both groups at every practice, 0.2 is
// a practice of 240 logged reps.
func full(share float64) (players []PlayerID, columns []reads.Read, reps []Rep) {
	rng := rand.New(rand.NewPCG(3, 4))
	for i := range 20 {
		players = append(players, PlayerID(fmt.Sprint("player", i)))
	}
	for _, r := range reads.Catalogue()[:30] {
		columns = append(columns, r.ID)
	}
	rungs := []drill.Rung{drill.Guided, drill.Live2}
	for k := range 90 {
		at := now.AddDate(0, 0, -7*(30-k/3)+[]int{0, 2, 4}[k%3])
		practice := PracticeID(fmt.Sprint("practice", k))
		for _, player := range players {
			for i, read := range columns {
				for g, rung := range rungs {
					if rng.Float64() >= share {
						continue
					}
					reps = append(reps, Rep{ID: RepID(fmt.Sprint(len(reps))), No: len(reps) + 1, Practice: practice,
						Block: BlockID(practice), At: at.Add(time.Duration(i) * time.Minute), Player: player,
						Role: reads.Cutter, Action: reads.Down, Cue: []reads.Cue{reads.Trail, reads.Under}[(i+k)%2],
						Expected: read, Made: read, Rung: rung, Correct: rng.IntN(4) > g,
						Side: []string{drill.Left, drill.Right}[k%2], Observer: "one", Device: "d"})
				}
			}
		}
	}
	return players, columns, reps
}

// BenchmarkBoard judges 20 players on 30 reads with every cell full after 90 practices, whose
// closed weeks are remembered: with 240 reps logged at every practice, and with all 1,200 that
// there could be.
func BenchmarkBoard(b *testing.B) {
	for name, share := range map[string]float64{"240-reps": 0.2, "1200-reps": 1} {
		b.Run(name, func(b *testing.B) {
			p := DefaultPolicy()
			players, columns, reps := full(share)
			since := PeriodOf(now, time.UTC)
			old := func(r Rep) bool { return r.At.Before(since) }
			open := slices.DeleteFunc(slices.Clone(reps), old)
			closed := p.ExtendByPeriod(NoHistory(), slices.DeleteFunc(reps, func(r Rep) bool { return !old(r) }),
				time.UTC)
			for b.Loop() {
				lines := p.Overview(players, reads.Cutter, columns, p.ExtendByPeriod(closed, open, time.UTC), now)
				if lines[0].Cells[0].Judgement.Verdict == NotEnough {
					b.Fatalf("%+v", lines[0].Cells[0].Judgement)
				}
			}
		})
	}
}

// BenchmarkSeason computes all of such a season, of 21,600 logged reps.
func BenchmarkSeason(b *testing.B) {
	p := DefaultPolicy()
	_, _, reps := full(0.2)
	for b.Loop() {
		p.ExtendByPeriod(NoHistory(), reps, time.UTC)
	}
}
