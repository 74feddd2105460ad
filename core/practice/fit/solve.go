package fit

import (
	"container/heap"
	"fmt"
	"math"
	"slices"
)

// decision settles a group: one of its options, or none (-1).
type decision struct{ group, option int }

// node is a part of the search: some groups are settled.
type node struct {
	id      int
	bound   float64
	settled []decision
	shut    shut
	prices  prices
}

// frontier holds open nodes, the most promising first.
type frontier []*node

func (f frontier) Len() int { return len(f) }
func (f frontier) Less(i, j int) bool {
	if f[i].bound != f[j].bound {
		return f[i].bound > f[j].bound
	}
	return f[i].id < f[j].id
}
func (f frontier) Swap(i, j int) { f[i], f[j] = f[j], f[i] }
func (f *frontier) Push(x any)   { *f = append(*f, x.(*node)) }
func (f *frontier) Pop() any {
	old := *f
	n := old[len(old)-1]
	*f = old[:len(old)-1]
	return n
}

// Steps of price tightening at the root and at other nodes.
const (
	rootSteps = 300
	nodeSteps = 20
)

// search is branch and bound over the groups: best bound first, bounds from the
// prices of reps, plans from the relaxed completions.
type search struct {
	*bounder
	p     *Problem
	best  Solution
	tried map[string]bool
	got   []float64
	// together is the set that is looked at; its room is kept between looks.
	together []int
	// with and without are the bounds of the node that is branched on, by option
	// and by group; st is its state.
	with, without []float64
	st            state
	ids           int
}

// Solve finds the plan that covers the most. Where the work runs out first, the
// solution carries the bound that has been proven. The error is ErrNoPlan where
// the fixed blocks alone cannot be laid out.
func Solve(p *Problem) (Solution, error) {
	if err := p.validate(); err != nil {
		return Solution{}, err
	}
	if p.arrange(nil, true) == nil {
		return Solution{}, fmt.Errorf("%w in %g minutes", ErrNoPlan, p.Minutes)
	}
	m := p.model()
	s := &search{bounder: newBounder(m), p: p, tried: map[string]bool{}, got: make([]float64, len(m.curves)),
		with: make([]float64, len(p.Options)), without: make([]float64, len(m.groups)),
		st: state{open: make([]bool, len(m.groups)), in: make([]bool, len(m.groups)),
			base: make([]float64, len(m.curves))}}
	s.best.Value = math.Inf(-1)
	if p.Beat > 0 {
		s.best.Value = p.Beat
	}
	s.offer(nil)
	s.greedy(m.noPrices())
	s.polish()
	s.run()
	s.best.Work = s.work
	if !s.best.Found {
		s.best.Value = 0
	}
	return s.best, nil
}

// value is the worth of some options with the fixed blocks.
func (m *model) value(chosen []int, got []float64) float64 {
	clear(got)
	for _, o := range chosen {
		for _, a := range m.gives[o] {
			got[a.curve] += a.reps
		}
	}
	sum := m.settled
	for c := range m.curves {
		sum += m.curves[c].sum.value(got[c])
	}
	return sum
}

// offer takes a set of options as the best plan if it is better and can be laid out.
func (s *search) offer(chosen []int) bool {
	v := s.m.value(chosen, s.got)
	if v <= s.best.Value+tiny {
		return false
	}
	set := slices.Clone(chosen)
	slices.Sort(set)
	key := fmt.Sprint(set)
	if s.tried[key] {
		return false
	}
	s.tried[key] = true
	stretches := s.p.Arrange(set)
	if stretches == nil {
		return false
	}
	s.best.Chosen, s.best.Stretches, s.best.Value, s.best.Found = set, stretches, v, true
	return true
}

// clash reports whether an option cannot join others: its stage is in use.
func (p *Problem) clash(chosen []int, o int) bool {
	mine := &p.Options[o]
	return slices.ContainsFunc(chosen, func(c int) bool {
		return p.Options[c].Stage == mine.Stage
	})
}

// greedy adds the option with the most worth a minute until none fits, with what the
// conditions pay for it.
func (s *search) greedy(q prices) {
	var chosen []int
	for {
		base := s.m.value(chosen, s.got)
		pick, top := -1, 0.0
		for o := range s.p.Options {
			if s.m.groupOf[o] < 0 || s.p.Options[o].Basket != Whole || s.p.clash(chosen, o) {
				continue
			}
			gain := s.m.value(append(chosen, o), s.got) - base
			for k := range s.p.Rows {
				gain += q.row[k] * s.p.Rows[k].Of[o]
			}
			gain /= float64(s.p.Options[o].Minutes)
			if gain > top+tiny && s.p.arrange(append(slices.Clone(chosen), o), true) != nil {
				pick, top = o, gain
			}
		}
		if pick < 0 {
			return
		}
		chosen = append(chosen, pick)
		s.offer(chosen)
	}
}

// polish swaps one option for another, or adds one, while that helps.
func (s *search) polish() {
	for better := true; better; {
		better = false
		chosen := slices.Clone(s.best.Chosen)
		for i := range len(chosen) + 1 {
			rest := chosen
			if i < len(chosen) {
				rest = slices.Delete(slices.Clone(chosen), i, i+1)
			}
			for o := range s.p.Options {
				if s.m.groupOf[o] >= 0 && !s.p.clash(rest, o) && s.offer(append(slices.Clone(rest), o)) {
					better = true
				}
			}
		}
	}
}

func (s *search) run() {
	limit := s.p.Work
	if limit <= 0 {
		limit = DefaultWork
	}
	root := &node{bound: math.Inf(1), prices: s.m.noPrices(), shut: make(shut, len(s.p.Options)/64+1)}
	st := s.state(root)
	root.bound, root.prices = s.tighten(st, root.prices, rootSteps, s.best.Value, s.see(st))
	s.greedy(root.prices)
	s.polish()
	open := &frontier{root}
	for open.Len() > 0 {
		n := (*open)[0]
		if n.bound <= s.best.Value+tiny {
			break // nothing better is left
		}
		if s.work >= limit {
			s.best.Bound = n.bound
			return
		}
		heap.Pop(open)
		for _, child := range s.branch(n) {
			heap.Push(open, child)
		}
	}
	s.best.Bound, s.best.Proven = max(s.best.Value, 0), true
}

// see offers a node's options with those of a relaxed completion.
func (s *search) see(st *state) func([]int) {
	return func(more []int) {
		s.together = append(append(s.together[:0], st.chain...), more...)
		s.offer(s.together)
	}
}

// branch tightens a node and returns its children that can still be better.
func (s *search) branch(n *node) []*node {
	st := s.state(n)
	if st.dead {
		return nil
	}
	s.offer(st.chain)
	bound, q := s.tighten(st, n.prices, nodeSteps, s.best.Value, s.see(st))
	if bound = min(bound, n.bound); bound <= s.best.Value+tiny {
		return nil
	}
	// What cannot be in a better plan is shut below this node; what is left has
	// its bound already.
	closed := slices.Clone(n.shut)
	s.forced(st, q, func(o int, v float64) {
		if s.with[o] = v; v <= s.best.Value+tiny {
			closed.set(o)
		}
	}, func(g int, v float64) { s.without[g] = v })
	g := s.pick(st, q)
	if g < 0 {
		return nil // everything is settled, and it has been offered
	}
	var out []*node
	for _, o := range append(slices.Clone(s.m.groups[g].options), -1) {
		v := s.without[g]
		if o >= 0 {
			if st.shut.has(o) {
				continue
			}
			v = s.with[o]
		}
		if v = min(v, bound); v > s.best.Value+tiny {
			s.ids++
			out = append(out, &node{id: s.ids, bound: v, settled: append(slices.Clone(n.settled), decision{g, o}),
				shut: closed, prices: q})
		}
	}
	return out
}

// pick chooses the group to settle next: what a chosen one still asks for, then
// what the relaxed completion values most, then any; -1 for none.
func (s *search) pick(st *state, q prices) int {
	for _, g := range st.unmet {
		for _, h := range s.m.groups[g].after {
			if st.open[h] {
				return h
			}
		}
	}
	s.bound(st, q)
	best, top := -1, math.Inf(-1)
	for _, o := range s.chosen {
		if v := s.value[o]; v > top {
			best, top = s.m.groupOf[o], v
		}
	}
	for basket := 0; best < 0 && basket < len(st.live); basket++ {
		if len(st.live[basket]) > 0 {
			best = st.live[basket][0].group
		}
	}
	return best
}

// state works a node out.
func (s *search) state(n *node) *state {
	m := s.m
	st := &s.st // one node is worked out at a time
	clear(st.in)
	clear(st.base)
	*st = state{open: st.open, in: st.in, base: st.base, shut: n.shut, chain: st.chain[:0], unmet: st.unmet[:0],
		live: [baskets][]choice{st.live[Whole][:0], st.live[First][:0], st.live[Second][:0]}}
	for g, gr := range m.groups {
		st.open[g] = slices.ContainsFunc(gr.options, func(o int) bool { return !n.shut.has(o) })
	}
	for _, d := range n.settled {
		st.open[d.group] = false
		if d.option < 0 {
			continue
		}
		o := &m.p.Options[d.option]
		st.in[d.group] = true
		st.chain = append(st.chain, d.option)
		st.taken[o.Basket] += m.length[d.option]
		st.part = st.part || o.Basket != Whole
		for _, a := range m.gives[d.option] {
			st.base[a.curve] += a.reps
		}
		for g, gr := range m.groups {
			if gr.stage == o.Stage {
				st.open[g] = false
			}
		}
	}
	part := 0
	if st.part {
		part = max(m.partMin, st.taken[First], st.taken[Second])
	}
	left := m.capacity - st.taken[Whole] - part
	if left < 0 || st.taken[First] > m.partMax || st.taken[Second] > m.partMax {
		st.dead = true
		return st
	}
	s.close(st)
	for g, gr := range m.groups {
		if !st.open[g] {
			continue
		}
		c := choice{group: g, options: gr.options}
		if slices.ContainsFunc(gr.options, n.shut.has) {
			c.options = slices.DeleteFunc(slices.Clone(gr.options), n.shut.has)
		}
		st.live[gr.basket] = append(st.live[gr.basket], c)
	}
	return st
}

// close shuts groups that ask for what cannot come any more, and notes what the
// chosen ones still ask for.
func (s *search) close(st *state) {
	m := s.m
	for again := true; again; {
		again = false
		for _, g := range m.gates {
			if !st.open[g] && !st.in[g] {
				continue
			}
			met, can := false, false
			for _, h := range m.groups[g].after {
				met = met || st.in[h]
				can = can || st.in[h] || st.open[h]
			}
			switch {
			case !can && st.in[g]:
				st.dead = true
				return
			case !can:
				st.open[g], again = false, true
			case !met && st.in[g] && !slices.Contains(st.unmet, g):
				st.unmet = append(st.unmet, g)
			}
		}
	}
}
