//go:build prove

package game

import (
	"fmt"
	"math/rand/v2"
	"testing"
	"time"

	"gonum.org/v1/gonum/stat/distuv"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// truly is the share that a five answers with the true rates, by the finder's own parts.
func truly(f *finder, five *Five) float64 {
	score := f.ballScore(five.h, five.s)
	for _, a := range f.off {
		score += f.asks[a].Share * f.pairs(a, &five.at)
	}
	return score
}

// The range of the line-up that is told first holds its true share as often as it says,
// within five points: with players who differ, and with players who are all alike, where
// whoever looks best was lucky (the winner's curse). A seeded simulation of squads of nine
// over eight practices, an observer who errs in 5 %.
func TestLineupRangesCover(t *testing.T) {
	const squads = 400
	for name, spread := range map[string]float64{"players differ": 8, "players are alike": 1e6} {
		rng := rand.New(rand.NewPCG(12, 12))
		p := evidence.DefaultPolicy()
		held, over, wide := 0, 0.0, 0.0
		for range squads {
			asks := Asks(run, reads.TeamRules{}, nil)
			team := 0.45 + 0.3*rng.Float64()
			talent := distuv.Beta{Alpha: spread * team, Beta: spread * (1 - team), Src: rng}
			people, ids := make([]Person, 9), make([]string, 9)
			rates := map[string]map[reads.Read]float64{}
			var reps []evidence.Rep
			for i := range people {
				ids[i] = fmt.Sprint("p", i)
				people[i] = Person{ID: ids[i], Handler: i%4 == 0}
				rates[ids[i]] = map[reads.Read]float64{}
				skill := talent.Rand()
				each := distuv.Beta{Alpha: 1.5 * spread * skill, Beta: 1.5 * spread * (1 - skill), Src: rng}
				for _, a := range asks {
					for side := range 2 {
						if _, known := rates[ids[i]][a.Reads[side]]; known {
							continue
						}
						rate := each.Rand()
						rates[ids[i]][a.Reads[side]] = rate
						for k := range 8 {
							for range rng.IntN(4) {
								reps = append(reps,
									evidence.Rep{ID: evidence.RepID(fmt.Sprint(len(reps))),
										Practice: evidence.PracticeID(fmt.Sprint(k)), Player: evidence.PlayerID(ids[i]),
										Role: a.Roles[side], Expected: a.Reads[side],
										Correct: (rng.Float64() < rate) != (rng.Float64() < 0.05), Rung: drill.Live2,
										At: now.AddDate(0, 0, 3*k-24)})
							}
						}
					}
				}
			}
			form := p.FormOf(p.ExtendByPeriod(evidence.NoHistory(), reps, time.UTC))
			f := finderOf(asks, people, form)
			told := f.ranked(Terms{})[:toldFives]
			f.doubt(told, form, 1)
			truth := newFinder(asks, people, func(p Person, _ reads.Role,
				read reads.Read) float64 {
				return rates[p.ID][read]
			})
			share := truly(truth, &told[0])
			in := told[0].Interval
			over += (told[0].Score - share) / float64(squads)
			wide += (in.High - in.Low) / float64(squads)
			if in.Low <= share && share <= in.High {
				held++
			}
		}
		share := 100 * float64(held) / float64(squads)
		t.Logf("%s: the range holds in %.1f %%, the score is %.3f above the truth, the range %.3f wide", name, share,
			over, wide)
		if share < 75 || share > 85 {
			t.Errorf("%s: the range of 80 %% holds in %.1f %%", name, share)
		}
	}
}
