package game

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"

	"evrik/core/reads"
)

// Against every way of sharing three stints out among seven players, written from the
// definition: nobody over the cap, and the sum as high as it can be.
func TestMinutesAgainstEveryPlan(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 9))
	for k := range 20 {
		people, form, ids := squad(rng, 7, run)
		terms := Terms{Available: ids, Minutes: 12}
		for i := range 3 {
			terms.Caps = append(terms.Caps, MinutesCap{ids[i], float64(4 + 4*rng.IntN(3))})
		}
		asks := Asks(run, reads.TeamRules{}, nil)
		found, err := Find(asks, form, people, terms, 1)
		if err != nil || len(found.Stints) != 3 {
			t.Fatalf("instance %d: %v, %d stints", k, err, len(found.Stints))
		}
		all := finderOf(asks, people, form).ranked(terms)
		best := -1.0
		for a := range all {
			for b := a; b < len(all); b++ {
				for c := b; c < len(all); c++ {
					uses := map[int]int{}
					for _, i := range []int{a, b, c} {
						for _, p := range all[i].at {
							uses[p]++
						}
					}
					ok := true
					for p, n := range uses {
						ok = ok && float64(4*n) <= terms.capOf(ids[p])+1e-9
					}
					if sum := all[a].Score + all[b].Score + all[c].Score; ok && sum > best {
						best = sum
					}
				}
			}
		}
		if math.Abs(3*found.Share-best) > 1e-9 {
			t.Errorf("instance %d: %.6f, the best plan %.6f", k, 3*found.Share, best)
		}
		played := map[string]float64{}
		for i, s := range found.Stints {
			if s.Start != float64(4*i) || s.Minutes != 4 || len(s.Players) != onFloor {
				t.Errorf("instance %d: stint %d is %+v", k, i, s)
			}
			for _, id := range s.Players {
				played[id] += s.Minutes
			}
		}
		for id, minutes := range played {
			if minutes > terms.capOf(id) {
				t.Errorf("instance %d: %s plays %g of %g", k, id, minutes, terms.capOf(id))
			}
		}
	}
}

// Minutes that no five can fill have no plan; a game that is shorter than a stint has one.
func TestMinutesThatCannotBe(t *testing.T) {
	rng := rand.New(rand.NewPCG(4, 9))
	people, form, ids := squad(rng, 6, run)
	asks := Asks(run, reads.TeamRules{}, nil)
	terms := Terms{Available: ids, Minutes: 8, Caps: []MinutesCap{{ids[0], 4}, {ids[1], 3}}}
	if found, err := Find(asks, form, people, terms, 1); err != nil || len(found.Stints) != 0 || found.Share != 0 {
		t.Errorf("%v, %+v", err, found.Stints)
	}
	terms = Terms{Available: ids, Minutes: 1}
	if found, err := Find(asks, form, people, terms, 1); err != nil || len(found.Stints) != 1 ||
		found.Stints[0].Minutes != 1 || fmt.Sprint(found.Share) != fmt.Sprint(found.Fives[0].Score) {
		t.Errorf("%v, %+v", err, found.Stints)
	}
}
