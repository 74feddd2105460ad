package practice

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// reasonReads is how many reads a reason names.
const reasonReads = 2

// reasons says of every drill block what it gives to whom that the blocks before
// it have not given yet, and what could stand in its place. from tells which
// option a block was made of.
func (f *filler) reasons(p Plan, a answer, from map[string]int) []Reason {
	out := []Reason{}
	given := make([]dose, len(p.Needs))
	for _, b := range p.Blocks {
		r := Reason{Block: b.ID, Swaps: []Swap{}}
		d, st, err := StageOf(p.Library, b)
		switch {
		case b.Kind == WaterBlock:
			continue
		case b.Kind == OwnBlock && b.Play:
			r.Text = "Live play for everybody. No reads are logged."
		case b.Kind == OwnBlock:
			r.Text = "Yours: it stays, and gives no judged reps."
		case err != nil:
			r.Text = "It cannot be run as it is; the block says why."
		default:
			r.Text = p.reason(d, st, b, given)
			if o, made := from[b.ID]; made {
				r.Swaps = a.swaps(o)
			} else if b.Pin {
				r.Text = "Pinned. " + r.Text
			}
		}
		out = append(out, r)
	}
	return out
}

// gift is what a block newly gives of one read.
type gift struct {
	share
	players, moves int
	goal           bool
	why            map[evidence.Verdict]int
	worth          float64
}

// reason words the largest gifts of a block, and adds them to what is given to each need.
func (p Plan) reason(d *drill.Drill, st drill.Stage, b Block, given []dose) string {
	here, at := p.taking(b, isLive(st)), p.needIndex()
	var gifts []gift
	for _, sh := range p.shares(d, st, b) {
		g := gift{share: sh, why: map[evidence.Verdict]int{}}
		for _, id := range here {
			k, needed := at[SupplyKey{id, sh.role, sh.read}]
			if !needed {
				continue
			}
			n := &p.Needs[k]
			before := given[k]
			given[k] = before.plus(n.dose(sh.reps, sh.live))
			if before.reps >= mostReps {
				continue
			}
			g.players++
			g.why[n.Verdict]++
			g.goal = g.goal || n.Goal
			g.worth += n.worth(given[k]) - n.worth(before)
			g.moves += count(before.reps < movesReps && given[k].reps >= movesReps)
		}
		if g.players > 0 {
			gifts = append(gifts, g)
		}
	}
	if d.Action == "" {
		if isLive(st) {
			return "Live play: everybody decides, and the practice ends with a game."
		}
		return "Your own choice: it teaches no read, and stays where you put it."
	}
	if len(gifts) == 0 {
		return "Everybody has what it teaches, or gets it earlier tonight."
	}
	slices.SortStableFunc(gifts, func(a, b gift) int {
		return cmp.Or(cmp.Compare(count(b.goal), count(a.goal)), cmp.Compare(b.worth, a.worth))
	})
	var parts []string
	for _, g := range gifts[:min(reasonReads, len(gifts))] {
		parts = append(parts, g.sentence())
	}
	for _, i := range p.Due {
		if i.Action == d.Action && (i.Task != Teach) == isLive(st) {
			parts = append(parts, fmt.Sprintf("The season sets %s for this day.", i.says()))
		}
	}
	return strings.Join(parts, " ")
}

// sentence says for whom a block is, and how much it gives them.
func (g gift) sentence() string {
	info, _ := reads.Info(g.read)
	var why []string
	for _, v := range []struct {
		verdict evidence.Verdict
		says    string
	}{{evidence.NotYet, "not yet"}, {evidence.Lapsed, "had it"}, {evidence.TooClose, "too close to call"},
		{evidence.NotEnough, "not enough reps"}, {evidence.HasIt, "has it guided"}} {
		if n := g.why[v.verdict]; n > 0 {
			why = append(why, fmt.Sprintf("%d %s", n, v.says))
		}
	}
	text := fmt.Sprintf("%s for %s (%s): %s each", info.Name, players(g.players), strings.Join(why, ", "),
		about(g.reps))
	switch {
	case g.moves == g.players && g.moves > 1:
		text += ", enough to move them all forward"
	case g.moves > 0:
		text += fmt.Sprintf(", enough to move %d forward", g.moves)
	}
	return text + "."
}

func players(n int) string {
	if n == 1 {
		return "1 player"
	}
	return fmt.Sprintf("%d players", n)
}

// about rounds reps to halves, as a coach would say them.
func about(reps float64) string {
	if reps < 0.75 {
		return "less than one"
	}
	half := math.Round(2*reps) / 2
	if half == math.Floor(half) {
		return fmt.Sprintf("about %.0f", half)
	}
	return fmt.Sprintf("about %.0f½", math.Floor(half))
}

// swaps are the blocks of the same minutes that lose the least in place of an
// option, best first.
func (a answer) swaps(o int) []Swap {
	rest := slices.DeleteFunc(slices.Clone(a.solution.Chosen), func(c int) bool { return c == o })
	type trial struct {
		option int
		value  float64
	}
	var trials []trial
	for other, opt := range a.options {
		if other != o && opt.Basket == a.options[o].Basket && opt.Minutes == a.options[o].Minutes &&
			!slices.Contains(rest, other) {
			trials = append(trials, trial{other, a.problem.Value(append(slices.Clone(rest), other))})
		}
	}
	slices.SortStableFunc(trials, func(x, y trial) int { return cmp.Compare(y.value, x.value) })
	out := []Swap{}
	for _, t := range trials {
		if len(out) == swapsShown {
			break
		}
		// Of the ways to run a stage the best is told, and not the stage that is there.
		if key := a.key(t.option); key == a.key(o) ||
			slices.ContainsFunc(out, func(s Swap) bool { return key == StageKey{s.Block.Drill, s.Block.Stage} }) {
			continue
		}
		if a.problem.Arrange(append(slices.Clone(rest), t.option)) == nil {
			continue
		}
		b := a.blocks[t.option]
		b.Minutes = float64(a.options[t.option].Minutes)
		if b.Players == nil {
			b.Players = []string{}
		}
		s := a.stages[a.options[t.option].Stage]
		less := max(0, a.goalReps(a.solution.Chosen)-a.goalReps(append(slices.Clone(rest), t.option)))
		out = append(out, Swap{Block: b, Less: less, Text: fmt.Sprintf("%s, %s", s.drill.Name, s.stage.Name)})
	}
	return out
}

// goalReps is how many reps of the goals chosen options give that are still worth something.
func (a answer) goalReps(chosen []int) float64 {
	given := make([]dose, len(a.plan.Needs))
	for _, o := range chosen {
		b := a.blocks[o]
		b.Minutes = float64(a.options[o].Minutes)
		for k, d := range a.plan.given([]Block{b}) {
			given[k] = given[k].plus(d)
		}
	}
	return goalReps(a.plan.Needs, given)
}

// goalReps adds up what is given of the goals, no more of each than is worth something.
func goalReps(needs []Need, given []dose) float64 {
	sum := 0.0
	for i := range needs {
		if needs[i].Goal {
			sum += min(given[i].reps, mostReps)
		}
	}
	return sum
}
