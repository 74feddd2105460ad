package fit

import (
	"math"
	"slices"
)

// group holds the options of one stage in one lane: at most one is chosen.
type group struct {
	stage   int
	lane    Lane
	options []int
	after   []int // groups that could satisfy what its options ask for
	gated   bool  // asks for something that the fixed blocks have not run
}

// model is a problem made ready for the search.
type model struct {
	p       *Problem
	curves  []curve
	gives   [][]amount
	settled float64
	groups  []group
	groupOf []int // of an option; -1 where the option is useless
	gates   []int // gated groups
	// Lengths are counted in units, the greatest that divides every option's
	// minutes: the fewer there are, the quicker is the knapsack.
	length           []int // of each option
	capacity         int   // for options, at most
	partMin, partMax int
}

func (p *Problem) model() *model {
	m := &model{p: p, groupOf: make([]int, len(p.Options)), length: make([]int, len(p.Options))}
	m.curves, m.gives, m.settled = p.curves()
	wanted := map[int]bool{} // stages somebody asks for
	for _, o := range p.Options {
		for _, s := range o.After {
			wanted[s] = true
		}
	}
	type key struct {
		stage int
		lane  Lane
	}
	at := map[key]int{}
	for i, o := range p.Options {
		m.groupOf[i] = -1
		if float64(o.Minutes) > p.Stretch+tiny || o.Lane != Whole && p.PartMax == 0 {
			continue
		}
		// What gives nothing on the whole floor can still be asked for, fill a condition, or
		// end the practice; at an end it can fill the time beside the other end.
		if len(m.gives[i]) == 0 && o.Lane == Whole && !wanted[o.Stage] && !p.helpsRow(i) && !(p.MustClose && o.Close) {
			continue
		}
		k := key{o.Stage, o.Lane}
		g, known := at[k]
		if !known {
			g = len(m.groups)
			at[k] = g
			m.groups = append(m.groups, group{stage: o.Stage, lane: o.Lane})
		}
		m.groups[g].options = append(m.groups[g].options, i)
		m.groupOf[i] = g
	}
	for g := range m.groups {
		gr := &m.groups[g]
		after := p.Options[gr.options[0]].After
		if len(after) == 0 || slices.ContainsFunc(p.Fixed, func(f Fixed) bool { return slices.Contains(after, f.Stage) }) {
			continue
		}
		gr.gated = true
		m.gates = append(m.gates, g)
		for h, other := range m.groups {
			if slices.Contains(after, other.stage) && (other.lane == Whole || other.lane == gr.lane) {
				gr.after = append(gr.after, h)
			}
		}
	}
	unit := p.unit()
	for i, o := range p.Options {
		m.length[i] = o.Minutes / unit
	}
	m.capacity = m.room() / unit
	m.partMin, m.partMax = (p.PartMin+unit-1)/unit, p.PartMax/unit
	return m
}

// helpsRow reports whether an option adds to a condition.
func (p *Problem) helpsRow(o int) bool {
	return slices.ContainsFunc(p.Rows, func(r Row) bool { return r.Of[o] > 0 })
}

// unit is the greatest number of minutes that divides those of every option.
func (p *Problem) unit() int {
	unit := 0
	for _, o := range p.Options {
		for a := o.Minutes; a > 0; {
			unit, a = a, unit%a
		}
	}
	return max(1, unit)
}

// room is the largest number of minutes the options can have: what the fixed
// blocks and the breaks that so much content needs leave.
func (m *model) room() int {
	p := m.p
	fixed, content, breaks := 0.0, 0.0, 0
	for _, f := range p.Fixed {
		fixed += f.Minutes
		if f.Break {
			breaks++
		} else {
			content += min(f.Minutes, p.Stretch)
		}
	}
	for c := int(p.Minutes - fixed + tiny); c > 0; c-- {
		more := max(0, needed(content+float64(c), p.Stretch)-breaks)
		if fixed+float64(c)+p.Break*float64(more) <= p.Minutes+tiny {
			return c
		}
	}
	return 0
}

// prices are the multipliers of a bound: what a rep of each curve costs, what running a
// gated group without what it asks for costs, and what a condition pays for what adds to it.
type prices struct{ rep, gate, row []float64 }

func (m *model) noPrices() prices {
	return prices{make([]float64, len(m.curves)), make([]float64, len(m.gates)), make([]float64, len(m.p.Rows))}
}

func (q prices) clone() prices {
	return prices{slices.Clone(q.rep), slices.Clone(q.gate), slices.Clone(q.row)}
}

func (q prices) copyFrom(o prices) {
	copy(q.rep, o.rep)
	copy(q.gate, o.gate)
	copy(q.row, o.row)
}

// state is a node of the search, worked out.
type state struct {
	open  []bool // undecided groups that may still be used
	in    []bool // groups with a chosen option
	shut  shut
	base  []float64
	taken [lanes]int // units
	part  bool       // an end has been chosen
	chain []int      // options chosen
	unmet []int      // groups chosen whose wish is not met yet
	dead  bool
	// live holds the open groups of each lane with their options.
	live [lanes][]choice
}

// choice is an open group with the options that are left, shortest first.
type choice struct {
	group   int
	options []int
}

// shut marks options that no better plan can hold.
type shut []uint64

func (s shut) has(o int) bool { return s[o/64]>>(o%64)&1 == 1 }
func (s shut) set(o int)      { s[o/64] |= 1 << (o % 64) }

// bounder computes bounds; its tables are kept between calls.
type bounder struct {
	m      *model
	value  []float64 // of options at the current prices
	rows   [lanes][][]float64
	back   []float64 // of the lane that is looked at from behind
	behind []float64
	rest   []float64
	gateAt []int     // index of a group's price, or -1
	wanted [][]int   // for each group, the gates it would satisfy
	slack  []float64 // subgradient of the rep prices
	gate   []float64 // of the gates' prices
	row    []float64 // of the conditions' prices
	at     prices    // that are being tried
	chosen []int
	work   int
}

func newBounder(m *model) *bounder {
	b := &bounder{m: m, value: make([]float64, len(m.p.Options)), gateAt: make([]int, len(m.groups)),
		wanted: make([][]int, len(m.groups)), slack: make([]float64, len(m.curves)),
		gate: make([]float64, len(m.gates)), row: make([]float64, len(m.p.Rows)), at: m.noPrices()}
	var count [lanes]int
	for g, gr := range m.groups {
		count[gr.lane]++
		b.gateAt[g] = -1
	}
	for k, g := range m.gates {
		b.gateAt[g] = k
		for _, h := range m.groups[g].after {
			b.wanted[h] = append(b.wanted[h], k)
		}
	}
	for lane := range lanes {
		b.rows[lane] = make([][]float64, count[lane]+1)
		for i := range b.rows[lane] {
			b.rows[lane][i] = make([]float64, b.size(lane))
		}
	}
	widest := max(b.size(Whole), b.size(EndA))
	b.back, b.behind, b.rest = make([]float64, widest), make([]float64, widest), make([]float64, widest)
	return b
}

// size is how many different sums of units a lane can have.
func (b *bounder) size(lane Lane) int {
	if lane == Whole {
		return b.m.capacity + 1
	}
	return b.m.partMax + 1
}

// bound is what no completion of a state can exceed, at some prices. It leaves
// the options of the best relaxed completion in b.chosen, and the rep prices'
// subgradient in b.slack.
//
// A rep's worth is a concave curve; at any price it is at most what the curve
// leaves over plus the price. So the blocks part into independent ones, each
// worth its reps at their prices, and the best are a knapsack's.
func (b *bounder) bound(st *state, q prices) float64 {
	sum := b.settle(st, q)
	for lane := range lanes {
		b.fill(st, q, lane)
	}
	best, at := math.Inf(-1), -1
	for s := range b.parts(st) {
		if v := b.top(Whole, st, b.m.capacity-st.taken[Whole]-s) + b.ends(st, s); v > best {
			best, at = v, s
		}
	}
	b.chosen = b.chosen[:0]
	if at < 0 || math.IsInf(best, -1) {
		return math.Inf(-1)
	}
	b.take(st, Whole, b.m.capacity-st.taken[Whole]-at)
	if at > 0 {
		b.take(st, EndA, at-st.taken[EndA])
		b.take(st, EndB, at-st.taken[EndB])
	}
	return sum + best
}

// settle is the share of a bound that no option changes: what the curves leave
// over, and the chosen groups' gates.
func (b *bounder) settle(st *state, q prices) float64 {
	b.work++
	m := b.m
	sum := m.settled
	for c := range m.curves {
		worth, t := m.curves[c].best(st.base[c], q.rep[c])
		sum += worth
		b.slack[c] = -t
	}
	for k := range m.p.Rows {
		r := &m.p.Rows[k]
		sum += q.row[k] * r.Base
		for _, o := range st.chain {
			sum += q.row[k] * r.Of[o]
		}
	}
	// A gate asks that its group is chosen only with one that satisfies it.
	for k, g := range m.gates {
		if st.in[g] {
			sum -= q.gate[k]
		}
		for _, h := range m.groups[g].after {
			if st.in[h] {
				sum += q.gate[k]
			}
		}
	}
	return sum
}

// parts yields the lengths the part with two ends may have, 0 for none.
func (b *bounder) parts(st *state) func(yield func(int) bool) {
	return func(yield func(int) bool) {
		if !st.part && !yield(0) || b.m.partMax == 0 {
			return
		}
		for s := max(b.m.partMin, st.taken[EndA], st.taken[EndB], 1); s <= min(b.m.partMax, b.m.capacity-st.taken[Whole]); s++ {
			if !yield(s) {
				return
			}
		}
	}
}

// top is the best a lane's open groups are worth in some minutes.
func (b *bounder) top(lane Lane, st *state, minutes int) float64 {
	return b.rows[lane][len(st.live[lane])][minutes]
}

// ends is the best worth of both ends in a part of some length.
func (b *bounder) ends(st *state, s int) float64 {
	if s == 0 {
		return 0
	}
	return b.top(EndA, st, s-st.taken[EndA]) + b.top(EndB, st, s-st.taken[EndB])
}

// fill works out a lane's knapsack, a row per group: at most so many minutes on
// the whole floor, exactly so many at an end.
func (b *bounder) fill(st *state, q prices, lane Lane) {
	first := b.rows[lane][0]
	for i := range first {
		first[i] = 0
		if lane != Whole && i > 0 {
			first[i] = math.Inf(-1)
		}
	}
	for i, c := range st.live[lane] {
		price := 0.0
		if k := b.gateAt[c.group]; k >= 0 {
			price -= q.gate[k]
		}
		for _, k := range b.wanted[c.group] {
			price += q.gate[k]
		}
		old, row := b.rows[lane][i], b.rows[lane][i+1]
		copy(row, old)
		for _, o := range c.options {
			v := price
			for _, a := range b.m.gives[o] {
				v += q.rep[a.curve] * a.reps
			}
			for k := range b.m.p.Rows {
				v += q.row[k] * b.m.p.Rows[k].Of[o]
			}
			b.value[o] = v
			w := b.m.length[o]
			if v <= 0 && lane == Whole || w >= len(row) {
				continue
			}
			from := old[:len(row)-w]
			to := row[w:][:len(from)]
			for m, was := range from {
				if t := was + v; t > to[m] {
					to[m] = t
				}
			}
		}
	}
}

// take reads a lane's best options off its rows.
func (b *bounder) take(st *state, lane Lane, mins int) {
	for i := len(st.live[lane]) - 1; i >= 0; i-- {
		old, now := b.rows[lane][i], b.rows[lane][i+1][mins]
		if now == old[mins] {
			continue
		}
		for _, o := range st.live[lane][i].options {
			w := b.m.length[o]
			if w <= mins && old[mins-w]+b.value[o] == now {
				b.chosen = append(b.chosen, o)
				mins -= w
				for _, a := range b.m.gives[o] {
					b.slack[a.curve] += a.reps
				}
				break
			}
		}
	}
}

// forced looks at every open option: with is the bound if it is chosen, without
// that if nothing of its group is. Groups are told apart by their index.
func (b *bounder) forced(st *state, q prices, with func(option int, bound float64), without func(group int, bound float64)) {
	sum := b.settle(st, q)
	for lane := range lanes {
		b.fill(st, q, lane)
	}
	for lane := range lanes {
		if len(st.live[lane]) == 0 {
			continue
		}
		rest := b.others(st, lane)
		size := len(rest)
		next, here := b.behind[:size], b.back[:size]
		copy(next, rest)
		for i := len(st.live[lane]) - 1; i >= 0; i-- {
			c := st.live[lane][i]
			ahead := b.rows[lane][i][:size]
			best := math.Inf(-1)
			for m, v := range ahead {
				best = max(best, v+next[m])
			}
			without(c.group, sum+best)
			copy(here, next)
			for _, o := range c.options {
				w, v := b.m.length[o], b.value[o]
				best := math.Inf(-1)
				for m := 0; m+w < size; m++ {
					t := next[m+w]
					best = max(best, ahead[m]+v+t)
					here[m] = max(here[m], v+t)
				}
				with(o, sum+best)
			}
			here, next = next, here
		}
	}
}

// others is, for every sum of minutes of a lane, the best the other lanes add.
func (b *bounder) others(st *state, lane Lane) []float64 {
	size := b.size(lane) - st.taken[lane]
	if lane == Whole {
		size = b.m.capacity - st.taken[Whole] + 1
	}
	rest := b.rest[:size]
	for i := range rest {
		rest[i] = math.Inf(-1)
	}
	for s := range b.parts(st) {
		left := b.m.capacity - st.taken[Whole] - s
		if lane == Whole {
			ends := b.ends(st, s)
			for m := 0; m <= left; m++ {
				rest[m] = max(rest[m], ends)
			}
			continue
		}
		other := EndA + EndB - lane
		if s > 0 {
			rest[s-st.taken[lane]] = b.top(Whole, st, left) + b.top(other, st, s-st.taken[other])
		} else {
			rest[0] = max(rest[0], b.top(Whole, st, left))
		}
	}
	return rest
}

// tighten lowers the bound by moving the prices along its subgradient, with
// steps that shrink; target is a value known to be reached. It returns the best
// bound and its prices. see is shown every relaxed completion.
func (b *bounder) tighten(st *state, q prices, steps int, target float64, see func([]int)) (float64, prices) {
	best, bestAt := math.Inf(1), q.clone()
	reached := b.m.settled // by the fixed blocks alone
	at, gate := b.at, b.gate
	at.copyFrom(q)
	theta, since := 1.0, 0
	for range steps {
		d := b.bound(st, at)
		if d < reached-tiny { // no plan is worth less than nothing more: there is none
			return math.Inf(-1), bestAt
		}
		if see != nil {
			see(b.chosen)
		}
		if d < best-1e-12 {
			best, since = d, 0
			bestAt.copyFrom(at)
		} else if since++; since >= 4 {
			theta, since = theta/2, 0
			at.copyFrom(bestAt)
		}
		if best <= target+tiny {
			break
		}
		norm := 0.0
		for _, g := range b.slack {
			norm += g * g
		}
		b.gateSlack(st, gate)
		for _, g := range gate {
			norm += g * g
		}
		b.rowSlack(st, b.row)
		for _, g := range b.row {
			norm += g * g
		}
		if norm < 1e-18 {
			break
		}
		step := theta * (d - max(target, reached)) / norm
		for c, g := range b.slack {
			at.rep[c] = max(0, at.rep[c]-step*g)
		}
		for k, g := range gate {
			at.gate[k] = max(0, at.gate[k]-step*g)
		}
		for k, g := range b.row {
			at.row[k] = max(0, at.row[k]-step*g)
		}
	}
	return best, bestAt
}

// rowSlack is the subgradient of the conditions' prices: what they come to.
func (b *bounder) rowSlack(st *state, out []float64) {
	for k := range b.m.p.Rows {
		r := &b.m.p.Rows[k]
		out[k] = r.Base
		for _, o := range st.chain {
			out[k] += r.Of[o]
		}
		for _, o := range b.chosen {
			out[k] += r.Of[o]
		}
	}
}

// gateSlack is the subgradient of the gates' prices: how often what they ask for
// is chosen, less whether they are.
func (b *bounder) gateSlack(st *state, out []float64) {
	m := b.m
	clear(out)
	for g := range m.groups {
		if st.in[g] {
			b.gateCount(g, out)
		}
	}
	for _, o := range b.chosen {
		b.gateCount(m.groupOf[o], out)
	}
}

func (b *bounder) gateCount(g int, out []float64) {
	if k := b.gateAt[g]; k >= 0 {
		out[k]--
	}
	for _, k := range b.wanted[g] {
		out[k]++
	}
}
