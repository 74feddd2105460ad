package fit

import (
	"slices"
)

// group holds the options of one stage in one basket: at most one is chosen.
type group struct {
	stage   int
	basket  Basket
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
		stage  int
		basket Basket
	}
	at := map[key]int{}
	for i, o := range p.Options {
		m.groupOf[i] = -1
		if float64(o.Minutes) > p.Stretch+tiny || o.Basket != Whole && p.PartMax == 0 {
			continue
		}
		// What gives nothing on the whole floor can still be asked for, fill a condition, or
		// end the practice; at one basket it can fill the time beside the other.
		if len(m.gives[i]) == 0 && o.Basket == Whole && !wanted[o.Stage] && !p.helpsRow(i) && !(p.MustClose && o.Close) {
			continue
		}
		k := key{o.Stage, o.Basket}
		g, known := at[k]
		if !known {
			g = len(m.groups)
			at[k] = g
			m.groups = append(m.groups, group{stage: o.Stage, basket: o.Basket})
		}
		m.groups[g].options = append(m.groups[g].options, i)
		m.groupOf[i] = g
	}
	for g := range m.groups {
		gr := &m.groups[g]
		after := p.Options[gr.options[0]].After
		if len(after) == 0 || slices.ContainsFunc(p.Fixed,
			func(f Fixed) bool { return slices.Contains(after, f.Stage) }) {
			continue
		}
		gr.gated = true
		m.gates = append(m.gates, g)
		for h, other := range m.groups {
			if slices.Contains(after, other.stage) && (other.basket == Whole || other.basket == gr.basket) {
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
