package practice

import (
	"fmt"
	"math/rand/v2"
	"testing"

	"evrik/core/drill"
	"evrik/core/reads"
)

// Any plan: the sheet's sums are those of its parts, whatever is in it.
func TestLayOutProperties(t *testing.T) {
	rng := rand.New(rand.NewPCG(9, 10))
	stages := []string{"air", "post", "shown", "live", "live-switch", "moon"}
	for range times(600, 200) {
		p := Plan{Minutes: float64(20 + rng.IntN(100)), People: squad(rng.IntN(16))}
		for i := range rng.IntN(9) {
			b := block(fmt.Sprint(i), []Kind{DrillBlock, OwnBlock, WaterBlock}[rng.IntN(3)], float64(1+rng.IntN(20)),
				stages[rng.IntN(len(stages))])
			b.Baskets, b.Seed = 1+rng.IntN(2), rng.Uint64()
			p.Blocks = append(p.Blocks, b)
		}
		p.Aim(Aims{Outlooks: fresh(p.People)})
		s := LayOut(p)
		clock, reps := 0.0, 0
		for i, b := range s.Blocks {
			if b.Start != clock || b.End != clock+p.Blocks[i].Minutes || b.Waiting < 0 || b.Waiting > 1 {
				t.Fatalf("block %d of %+v: %+v", i, p, b)
			}
			if b.Problem.Code != "" && b.Reps != 0 {
				t.Fatalf("a block that cannot be run has reps: %+v", b)
			}
			clock, reps = b.End, reps+b.Reps
		}
		cuts, screens := 0, 0
		for _, l := range s.Load {
			cuts, screens = cuts+l.Cutter, screens+l.Screener
		}
		if s.Used != clock || s.Left != p.Minutes-clock || cuts != reps || screens != reps {
			t.Fatalf("used %g of %g, %d reps, %d cuts, %d screens", s.Used, clock, reps, cuts, screens)
		}
		for _, g := range s.Goals {
			if len(g.Moves) > len(g.Players) || !(g.Each >= 0) {
				t.Fatalf("%+v", g)
			}
		}
		for _, w := range s.Warnings {
			if w.Text == "" || w.Source == "" {
				t.Fatalf("a warning without words or source: %+v", w)
			}
		}
	}
}

// More minutes, or a second basket, never cover less.
func TestMoreTimeNeverCoversLess(t *testing.T) {
	st := Plan{Minutes: 60, People: squad(12)}
	st.Terms.Focus = []reads.Read{reads.Curl, reads.BackCut}
	st.Aim(Aims{Outlooks: fresh(st.People)})
	covered := func(minutes float64, baskets int) float64 {
		b := block("b", DrillBlock, minutes, "shown")
		b.Baskets = baskets
		st.Blocks = []Block{b}
		return LayOut(st).Goals[0].Each
	}
	last, most := 0.0, 0.0
	for minutes := 2.0; minutes <= drill.MaxMinutes; minutes += 2 {
		one, two := covered(minutes, 1), covered(minutes, 2)
		if one < last-1e-9 || two < one-1e-9 {
			t.Fatalf("%g min: %g at one basket, %g at two, %g before", minutes, one, two, last)
		}
		last, most = one, two
	}
	// 360 reps at two baskets are 30 cuts each, 7.5 of every cue.
	if most != 7.5 {
		t.Errorf("an hour at two baskets gives %g of each", most)
	}
}
