package practice

import (
	"cmp"
	"errors"
	"math"
	"slices"
	"strings"

	"evrik/core/practice/fit"
)

// demandOf is a worth by reps as the search takes it.
func demandOf(worth []float64) (d fit.Demand) {
	for k := 1; k < len(worth); k++ {
		d.At, d.Worth = append(d.At, float64(k)), append(d.Worth, max(worth[k], worth[k-1]))
	}
	return d
}

// fix puts the kept blocks into a problem. They stay whatever the rules say: the sheet tells
// which rule a kept block breaks.
func (f *filler) fix(pr *fit.Problem, a *answer) {
	for _, side := range f.kept {
		fixed := fit.Fixed{Stage: -1, Minutes: minutesOf(side), Close: true}
		for _, b := range side {
			kind := f.plan.kindOf(b)
			fixed.Break = fixed.Break || b.Kind == WaterBlock
			fixed.Hard = fixed.Hard || kind.live
			fixed.Play = fixed.Play || kind.play
			fixed.Close = fixed.Close && kind.close
			for i, s := range a.stages {
				if kind.reps && b.Basket == 0 && len(b.Players) == 0 && s.drill.ID == b.Drill && s.stage.ID == b.Stage {
					fixed.Stage = i
				}
			}
		}
		pr.Fixed = append(pr.Fixed, fixed)
	}
}

// rowUnit brings conditions on minutes to the size of reps.
const rowUnit = 10.0

// rows are the conditions on all that is chosen: enough live play, little time in line.
func (f *filler) rows(pr *fit.Problem, a *answer) {
	p := f.plan
	live := fit.Row{Of: make([]float64, len(a.options))}
	wait := fit.Row{Of: make([]float64, len(a.options))}
	share, most := p.liveShare(), float64(p.Rules().Waiting)/100
	row := func(kind kindOf, minutes, waiting float64) (l, w float64) {
		if p.counted(kind) {
			l = minutes * (float64(count(kind.live)) - share)
		}
		if kind.line {
			w = minutes * (most - waiting)
		}
		return l / rowUnit, w / rowUnit
	}
	for i, o := range a.options {
		minutes := float64(o.Minutes)
		if o.Basket != fit.Whole {
			minutes /= splitBaskets
		}
		live.Of[i], wait.Of[i] = row(a.kinds[i], minutes, a.waits[i])
	}
	for _, side := range f.kept {
		for _, b := range side {
			kind := p.kindOf(b)
			waiting := 0.0
			if kind.reps {
				waiting = waitingIn(stageInfo{kind.drill, kind.stage}, b, max(1, len(p.taking(b, kind.live))))
			}
			l, w := row(kind, Timed{}.span(b), waiting)
			live.Base, wait.Base = live.Base+l, wait.Base+w
		}
	}
	if share > 0 && !f.without.live {
		pr.Rows = append(pr.Rows, live)
	}
	if most > 0 && !f.without.waiting {
		pr.Rows = append(pr.Rows, wait)
	}
}

// tooLong says what to let go of when the kept blocks do not fit.
func (f *filler) tooLong(err error) error {
	if !errors.Is(err, fit.ErrNoPlan) {
		return err
	}
	need := f.plan.Minutes
	for ; need <= 2*MaxPractice; need++ {
		if _, err := f.solveSplit(nil, need, math.Inf(1), 1); !errors.Is(err, fit.ErrNoPlan) {
			break
		}
	}
	over := need - f.plan.Minutes
	var blocks []Block
	for _, side := range f.kept {
		if side[0].Kind != WaterBlock {
			blocks = append(blocks, side...)
		}
	}
	slices.SortStableFunc(blocks, func(a, b Block) int { return cmp.Compare(b.Minutes, a.Minutes) })
	if len(blocks) > 0 && blocks[0].Minutes-over >= ShortBlock {
		return conflict("practice.kept-too-long-shorten", need, f.plan.Minutes, blocks[0].Title, over, need)
	}
	var names []string
	drop := 0.0
	for _, b := range blocks {
		if drop < over {
			drop += b.Minutes
			names = append(names, b.Title)
		}
	}
	return conflict("practice.kept-too-long", need, f.plan.Minutes, strings.Join(names, ", "), need)
}
