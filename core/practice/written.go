package practice

import (
	"fmt"
	"hash/fnv"
	"math"
	"slices"

	"evrik/core/practice/fit"
)

// blocks writes a solution down; from tells which option each block's id is.
func (f *filler) blocks(a answer) (out []Block, from map[string]int) {
	from = map[string]int{}
	spare := []string{} // ids of breaks that are not needed any more
	if f.scope == Evening {
		for _, b := range f.plan.Blocks {
			if b.Kind == WaterBlock && !b.Pin {
				spare = append(spare, b.ID)
			}
		}
	}
	water := func() Block {
		b := Block{Kind: WaterBlock, Title: "Water", Minutes: waterMinutes, Baskets: 1}
		if len(spare) > 0 {
			b.ID, spare = spare[0], spare[1:]
		} else {
			b.ID = f.newID()
		}
		return b
	}
	option := func(o int) Block {
		b := a.candidates.blocks[o]
		b.Minutes = float64(a.options[o].Minutes)
		h := fnv.New32a()
		fmt.Fprint(h, b.Drill, b.Stage, b.Basket)
		b.Seed = uint64(h.Sum32() >> 1)
		// A block that was there before keeps its name, so that it is known again.
		for _, old := range f.plan.Blocks {
			if !old.Pin && f.scope == Evening && old.Drill == b.Drill && old.Stage == b.Stage &&
				old.Basket == b.Basket && from[old.ID] == 0 {
				b.ID, b.Seed = old.ID, old.Seed
			}
		}
		if b.ID == "" {
			b.ID = f.newID()
		}
		from[b.ID] = o + 1
		return b
	}
	for k, stretch := range a.solution.Stretches {
		if k > 0 {
			out = append(out, water())
		}
		for _, st := range stretch {
			switch {
			case st.Item.Fixed >= 0:
				out = append(out, a.kept[st.Item.Fixed]...)
			case st.Item.Option >= 0:
				out = append(out, option(st.Item.Option))
			default:
				for _, o := range append(slices.Clone(st.A), st.B...) {
					out = append(out, option(o))
				}
			}
		}
	}
	for id := range from {
		from[id]--
	}
	for i := range out {
		if out[i].Players == nil {
			out[i].Players = []string{}
		}
	}
	f.growClose(out, a.left())
	return out, from
}

// play is a block for minutes that no drill can use.
func (f *filler) play(minutes float64) Block {
	return Block{ID: f.newID(), Kind: OwnBlock, Title: "Play: four on four, then five on five", Minutes: minutes,
		Baskets: 1, Play: true}
}

// useUp gives minutes that no drill can use to play before the close, as far as
// the rules have room for it.
func (f *filler) useUp(a *answer) {
	const least = 6 // minutes of play worth having (assumption)
	for f.scope == Evening && f.tail > 0 {
		placed := false
		before := len(a.kept) - f.tail
		for m := math.Min(LongBlock, math.Floor(a.left())); m >= least && !placed; m-- {
			pr := *a.problem
			pr.Fixed = slices.Insert(slices.Clone(pr.Fixed), before,
				fit.Fixed{Minutes: m, Stage: -1, Hard: true, Play: true, Close: true})
			if stretches := pr.Arrange(a.solution.Chosen); stretches != nil {
				a.problem, a.solution.Stretches = &pr, stretches
				a.kept = slices.Insert(slices.Clone(a.kept), before, []Block{f.play(m)})
				placed = true
			}
		}
		if !placed {
			return
		}
	}
}

// left is how many minutes a solution leaves free.
func (a *answer) left() float64 {
	left := a.problem.Minutes - a.problem.Break*float64(len(a.solution.Stretches)-1)
	for _, x := range a.problem.Fixed {
		left -= x.Minutes
	}
	part := 0
	for _, o := range a.solution.Chosen {
		switch a.options[o].Basket {
		case fit.Whole:
			left -= float64(a.options[o].Minutes)
		case fit.First:
			part += a.options[o].Minutes
		}
	}
	return left - float64(part)
}

// growClose lengthens the closing block to the end, as far as water allows.
func (f *filler) growClose(blocks []Block, left float64) {
	if f.scope != Evening || f.tail == 0 || blocks[len(blocks)-1].Pin {
		return
	}
	since := 0.0
	for i := len(blocks) - 1; i >= 0 && blocks[i].Kind != WaterBlock; i-- {
		since += blocks[i].Minutes
	}
	blocks[len(blocks)-1].Minutes += max(0, math.Floor(math.Min(left, WaterEvery-since)))
}
