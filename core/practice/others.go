package practice

import (
	"fmt"
	"math"
	"slices"

	"evrik/core/practice/fit"
)

// Other is another good plan for the same minutes.
type Other struct {
	// Name is what there is more of: more live, more teaching, less waiting.
	Name   string  `json:"name"`
	Blocks []Block `json:"blocks"`
	// Text says what is gained and what is given up.
	Text string `json:"text"`
}

// How far a plan may go from the best (assumptions).
const (
	// GiveUp is the share of the value that is given up for less time in line and more
	// variety, waitSlack how much of the time in line, 0 to 1, for more variety.
	GiveUp    = 0.01
	waitSlack = 0.02
	// otherGiveUp is the share of the value another plan may give up, otherMinutes by how
	// many minutes at least it is another.
	otherGiveUp  = 0.10
	otherMinutes = 10.0
	// tooNear is what a minute too few of difference costs a plan, more than any minute of
	// what it is to have more of.
	tooNear = 100.0
)

// waiting is the mean share of the time in line over chosen options with reps.
func (a *answer) waiting(chosen []int) float64 {
	lost, all := 0.0, 0.0
	for _, o := range chosen {
		m := a.span(o)
		lost += m * a.waits[o]
		all += m
	}
	if all == 0 {
		return 0
	}
	return lost / all
}

// span is an option's minutes, half of them where it runs beside another.
func (a *answer) span(o int) float64 {
	if a.options[o].Basket != fit.Whole {
		return float64(a.options[o].Minutes) / splitBaskets
	}
	return float64(a.options[o].Minutes)
}

// sum adds up the minutes of chosen options of a kind.
func (a *answer) sum(chosen []int, of func(o int) bool) float64 {
	minutes := 0.0
	for _, o := range chosen {
		if of(o) {
			minutes += a.span(o)
		}
	}
	return minutes
}

// key is the stage of an option.
func (a *answer) key(o int) StageKey {
	s := a.stages[a.options[o].Stage]
	return StageKey{s.drill.ID, s.stage.ID}
}

// refine exchanges blocks of the best plan for less time in line, then for what the last
// two practices and the others of the week do not have, where that costs next to nothing.
func (f *filler) refine(a *answer) {
	if !a.solution.Found {
		return
	}
	floor := (1 - GiveUp) * a.solution.Value
	chosen := a.problem.Prefer(a.solution.Chosen, floor, a.waiting)
	most := a.waiting(chosen) + waitSlack
	old := func(o int) bool {
		key := a.key(o)
		return !a.kinds[o].play && (f.plan.Near[key] ||
			slices.ContainsFunc(f.plan.Recent[:min(2, len(f.plan.Recent))],
				func(r map[StageKey]bool) bool { return r[key] }))
	}
	chosen = a.problem.Prefer(chosen, floor, func(set []int) float64 {
		if a.waiting(set) > most {
			return math.Inf(1)
		}
		return a.sum(set, old)
	})
	a.choose(chosen)
}

// grow lengthens the blocks of a plan by the minutes that the lengths of the search leave
// free, where that moves the goals most.
func (f *filler) grow(a *answer) {
	free := int(a.left())
	if free <= 0 || !a.solution.Found {
		return
	}
	c := a.candidates
	c.options, c.kinds, c.blocks, c.waits = slices.Clip(c.options), slices.Clip(c.kinds), slices.Clip(c.blocks),
		slices.Clip(c.waits)
	for _, o := range a.solution.Chosen {
		opt := a.options[o]
		for m := opt.Minutes + 1; m <= min(opt.Minutes+free, longest); m++ {
			b := a.blocks[o]
			b.Minutes = float64(m)
			c.offer(opt.Stage, b, opt.Basket, opt.After)
		}
	}
	pr := *a.problem
	longer := answer{candidates: c, split: a.split, kept: a.kept, problem: &pr, solution: a.solution, bound: a.bound,
		proven: a.proven}
	pr.Options, pr.Rows = c.options, nil
	f.rows(&pr, &longer)
	longer.choose(pr.Prefer(a.solution.Chosen, a.solution.Value, func(set []int) float64 { return -pr.Value(set) }))
	*a = longer
}

// choose puts other options into an answer.
func (a *answer) choose(chosen []int) {
	if stretches := a.problem.Arrange(chosen); stretches != nil {
		a.solution.Chosen, a.solution.Stretches = chosen, stretches
	}
}

// direction is what another plan has more of.
type direction struct {
	name string
	cost func(a *answer, chosen []int) float64
}

var directions = []direction{
	{"More live", func(a *answer, set []int) float64 {
		return -a.sum(set,
			func(o int) bool { return a.kinds[o].live })
	}},
	{"More teaching", func(a *answer, set []int) float64 {
		return -a.sum(set,
			func(o int) bool { return !a.kinds[o].live })
	}},
	{"Less waiting", func(a *answer, set []int) float64 { return a.waiting(set) }},
}

// variant is another answer in a direction.
type variant struct {
	name   string
	answer answer
}

// others looks for other good plans, each from the best one.
func (f *filler) others(best answer) (out []variant) {
	if !best.solution.Found || f.scope != Evening {
		return nil
	}
	for _, d := range directions {
		a := best
		// First of all it is another plan, also than those before it.
		known := [][]int{best.solution.Chosen}
		for _, v := range out {
			known = append(known, v.answer.solution.Chosen)
		}
		cost := func(set []int) float64 {
			cost := d.cost(&a, set)
			for _, other := range known {
				cost += tooNear * math.Max(0, otherMinutes-a.apart(set, other))
			}
			return cost
		}
		chosen := a.problem.Prefer(a.solution.Chosen, (1-otherGiveUp)*best.solution.Value, cost)
		a.choose(chosen)
		found := a.solution.Chosen
		near := func(other []int) bool { return a.apart(found, other) < otherMinutes }
		if d.cost(&a, found) < d.cost(&a, best.solution.Chosen) && !slices.ContainsFunc(known, near) {
			out = append(out, variant{d.name, a})
		}
	}
	return out
}

// apart is how many minutes of a set of options are of another drill, rung or length than
// all of another set.
func (a *answer) apart(set, other []int) float64 {
	return a.sum(set, func(o int) bool {
		return !slices.ContainsFunc(other, func(x int) bool {
			return x == o || a.key(x) == a.key(o) && a.options[x].Minutes == a.options[o].Minutes
		})
	})
}

// tellOther writes another plan down, and says what it gains and gives up.
func (f *filler) tellOther(v variant, best answer, told Plan) (o Other) {
	a := v.answer
	o.Name = v.name
	o.Blocks, _ = f.lay(&a)
	other := f.plan
	other.Blocks = o.Blocks
	was, is := LayOut(told), LayOut(other)
	players := func(s Sheet) (n int) {
		for _, g := range s.Goals {
			n += len(g.Moves)
		}
		return n
	}
	o.Text = fmt.Sprintf("%.0f min live instead of %.0f, %.0f%% in line instead of %.0f%%", is.LiveMinutes,
		was.LiveMinutes, 100*is.Waiting, 100*was.Waiting)
	switch less := players(was) - players(is); {
	case less > 0:
		o.Text += fmt.Sprintf("; %d fewer steps forward.", less)
	case less < 0:
		o.Text += fmt.Sprintf("; %d more steps forward.", -less)
	default:
		value := a.problem.Value(a.solution.Chosen) / best.problem.Value(best.solution.Chosen)
		if percent := math.Round(100 * (1 - value)); percent >= 1 {
			o.Text += fmt.Sprintf("; the goals move %.0f%% less.", percent)
		} else {
			o.Text += "; the goals move as far."
		}
	}
	return o
}
