package fit

import (
	"errors"
	"math"
	"math/rand/v2"
	"slices"
	"testing"
)

// instance is a random problem: a few stages with lengths, some of them live
// versions that ask for another stage first, demands of several players.
type instance struct {
	stages, players, reads int
	minutes                float64
	lengths                []int
	ends                   bool
}

func (in instance) problem(rng *rand.Rand) *Problem {
	p := &Problem{Minutes: in.minutes, Stretch: 20, Break: 2, HardPerStretch: 2, Head: 1, Tail: 1,
		Fixed: []Fixed{{Minutes: float64(5 + rng.IntN(6)), Stage: -1}, {Minutes: float64(4 + rng.IntN(5)), Stage: -1}}}
	if in.ends {
		p.PartMin, p.PartMax = 8, 20
	}
	for range in.players * in.reads {
		p.Demands = append(p.Demands, Linear(float64(max(0, rng.IntN(24)-11)), []float64{0.5, 1, 1, 2}[rng.IntN(4)]))
	}
	for s := range in.stages {
		var after []int
		hard := s > 0 && rng.IntN(3) == 0
		if hard && rng.IntN(2) == 0 {
			after = []int{rng.IntN(s)}
		}
		taught := rng.Perm(in.reads)[:1+rng.IntN(min(4, in.reads))]
		pace := 0.2 + 0.5*rng.Float64() // reps a minute, each
		only := rng.IntN(4)             // 0 and 1: for every second player
		for _, basket := range []Basket{Whole, First, Second} {
			if basket != Whole && !in.ends {
				continue
			}
			for _, minutes := range in.lengths {
				o := Option{Stage: s, Basket: basket, Minutes: minutes, Hard: hard, After: after, Rank: s}
				for player := range in.players {
					if basket != Whole && (player%2 == 0) != (basket == First) || in.ends && only < 2 && player%2 != only {
						continue
					}
					for _, r := range taught {
						o.Gives = append(o.Gives, Give{player*in.reads + r,
							math.Floor(pace*float64(minutes)*4) / 4 / float64(len(taught))})
					}
				}
				p.Options = append(p.Options, o)
			}
		}
	}
	return p
}

// rules adds what planning asks for besides: worth that finishing raises, conditions, new
// teaching early, rungs in order, and an end with play.
func (in instance) rules(rng *rand.Rand, p *Problem) {
	for i := range p.Demands {
		if rng.IntN(3) > 0 {
			var d Demand
			x, y := 0.0, 0.0
			for range 1 + rng.IntN(5) {
				x, y = x+float64(1+rng.IntN(3)), y+float64(rng.IntN(4))
				d.At, d.Worth = append(d.At, x), append(d.Worth, y)
			}
			p.Demands[i] = d
		}
	}
	for i := range p.Options {
		o := &p.Options[i]
		o.Chain, o.Teach = o.Stage%2, !o.Hard && o.Stage%3 == 0
		o.Close, o.Play = o.Hard || o.Stage%4 == 3, o.Stage%4 == 3
		if o.Play && rng.IntN(2) == 0 {
			o.Gives = nil
		}
	}
	if rng.IntN(2) == 0 {
		p.TeachUntil = p.Minutes / 2
	}
	p.MustClose = rng.IntN(3) == 0
	for range rng.IntN(3) {
		r := Row{Base: float64(rng.IntN(5) - 2), Of: make([]float64, len(p.Options))}
		for i, o := range p.Options {
			r.Of[i] = float64(o.Minutes) * float64(rng.IntN(5)-2) / 10
		}
		p.Rows = append(p.Rows, r)
	}
}

// illegal reads the rules independently of the search: what is wrong with steps in
// stretches, or nothing.
func illegal(p *Problem, stretches [][]Step) string {
	total := p.Break * float64(len(stretches)-1)
	clock, fixed, placed, run := 0.0, 0, 0, 0
	done := map[[2]int]bool{} // stage and basket
	rank := map[int]int{}     // the highest of a chain so far
	played, closes := false, false
	var wrong string
	check := func(ok bool, what string) {
		if !ok && wrong == "" {
			wrong = what
		}
	}
	ask := func(after []int, basket Basket) {
		met := len(after) == 0
		for _, a := range after {
			met = met || done[[2]int{a, int(Whole)}] || basket != Whole && done[[2]int{a, int(basket)}]
		}
		check(met, "run before what it asks for")
	}
	option := func(i int, at float64) {
		o := &p.Options[i]
		ask(o.After, o.Basket)
		done[[2]int{o.Stage, int(o.Basket)}] = true
		check(o.Chain == 0 || o.Rank >= rank[o.Chain], "a higher rung before a lower one")
		check(!o.Teach || p.TeachUntil == 0 || at < p.TeachUntil-1e-9, "new teaching too late")
		check(!o.Teach || !played, "new teaching after the scrimmage")
	}
	after := func(options ...int) { // what holds once a step is over
		for _, i := range options {
			o := &p.Options[i]
			rank[o.Chain] = max(rank[o.Chain], o.Rank)
			played = played || o.Play
			closes = closes && o.Close
		}
	}
	for k, stretch := range stretches {
		load, count := 0.0, 0
		run = 0
		if k > 0 {
			clock += p.Break
		}
		for _, st := range stretch {
			minutes, hard := 0.0, 0
			count++
			switch {
			case st.Item.Fixed >= 0:
				f := p.Fixed[st.Item.Fixed]
				check(st.Item.Fixed == fixed, "fixed blocks out of order")
				if fixed == len(p.Fixed)-p.Tail && p.MustClose {
					check(closes, "the end is no play")
				}
				fixed++
				ask(f.After, Whole)
				total, clock = total+f.Minutes, clock+f.Minutes
				if f.Break {
					load, run, count = 0, 0, 0
					continue
				}
				minutes, hard = f.Minutes, b2i(f.Hard)
				clock -= minutes
				total -= minutes
				if f.Stage >= 0 {
					done[[2]int{f.Stage, 0}] = true
				}
				played, closes = played || f.Play, f.Close
			case st.Item.Option >= 0:
				placed++
				minutes, hard = float64(p.Options[st.Item.Option].Minutes), b2i(p.Options[st.Item.Option].Hard)
				option(st.Item.Option, clock)
				closes = true
				after(st.Item.Option)
			default:
				placed++
				var mins, hards [2]int
				for side, basket := range [][]int{st.A, st.B} {
					for _, i := range basket {
						o := p.Options[i]
						check(int(o.Basket) == side+1, "an option at the wrong end")
						option(i, clock+float64(mins[side]))
						mins[side] += o.Minutes
						hards[side] += b2i(o.Hard)
					}
				}
				check(mins[0] == mins[1] && mins[0] >= p.PartMin && mins[0] <= p.PartMax,
					"the ends do not end together")
				minutes, hard = float64(mins[0]), max(hards[0], hards[1])
				check(hard <= p.HardPerStretch, "an end too hard")
				closes = true
				after(slices.Concat(st.A, st.B)...)
			}
			load, clock, total = load+minutes, clock+minutes, total+minutes
			if run += hard; hard == 0 {
				run = 0
			}
			check(count == 1 || load <= p.Stretch+1e-9, "a stretch too long")
			check(count == 1 || hard == 0 || run <= p.HardPerStretch, "too hard in a row")
			check(placed == 0 || fixed >= p.Head, "a block before the opening")
			check(st.Item.Fixed >= 0 || fixed <= len(p.Fixed)-p.Tail, "a block after the close")
		}
	}
	if p.Tail == 0 && p.MustClose {
		check(closes, "the end is no play")
	}
	check(fixed == len(p.Fixed), "a fixed block is missing")
	check(total <= p.Minutes+1e-9, "too long")
	return wrong
}

// forbidden reports whether some options may not be chosen together, whatever the order.
func forbidden(p *Problem, chosen []int) bool {
	stages := map[int]bool{}
	for _, i := range chosen {
		if stages[p.Options[i].Stage] {
			return true
		}
		stages[p.Options[i].Stage] = true
	}
	for _, r := range p.Rows {
		sum := r.Base
		for _, i := range chosen {
			sum += r.Of[i]
		}
		if sum < -1e-9 {
			return true
		}
	}
	return false
}

// audit checks a solution.
func audit(t *testing.T, p *Problem, s Solution) {
	t.Helper()
	if !s.Found {
		return
	}
	fail := func(what string) { t.Fatalf("%s: %+v\nof %+v", what, s, p) }
	if what := illegal(p, s.Stretches); what != "" {
		fail(what)
	}
	if forbidden(p, s.Chosen) {
		fail("a choice that is forbidden")
	}
	var laid []int
	for _, stretch := range s.Stretches {
		for _, st := range stretch {
			if laid = append(append(laid, st.A...), st.B...); st.Item.Option >= 0 {
				laid = append(laid, st.Item.Option)
			}
		}
	}
	slices.Sort(laid)
	if !slices.Equal(laid, s.Chosen) {
		fail("a chosen option is not laid out once")
	}
	if math.Abs(p.Value(s.Chosen)-s.Value) > 1e-6 || s.Bound < s.Value-1e-9 {
		fail("wrong value or bound")
	}
}

// possible tries every order of some options among the fixed blocks, with a break or none
// at every seam.
func possible(p *Problem, chosen []int) bool {
	var steps []Step
	var ends [3][]int
	for _, i := range chosen {
		if basket := p.Options[i].Basket; basket != Whole {
			ends[basket] = append(ends[basket], i)
		} else {
			steps = append(steps, Step{Item: Item{-1, i}})
		}
	}
	parts := [][]Step{steps}
	if len(ends[1])+len(ends[2]) > 0 {
		parts = nil
		permute(ends[1], func(a []int) bool {
			first := slices.Clone(a)
			return permute(ends[2], func(b []int) bool {
				parts = append(parts, append(slices.Clone(steps), Step{Item{-1, -1}, first, slices.Clone(b)}))
				return false
			})
		})
	}
	var place func(stretches [][]Step, left []Step, fixed int) bool
	place = func(stretches [][]Step, left []Step, fixed int) bool {
		if len(left) == 0 && fixed == len(p.Fixed) {
			return illegal(p, stretches) == ""
		}
		with := func(s Step, left []Step, fixed int) bool {
			last := len(stretches) - 1
			next := slices.Clone(stretches)
			next[last] = append(slices.Clone(next[last]), s)
			if place(next, left, fixed) {
				return true
			}
			return len(stretches[last]) > 0 && place(append(slices.Clone(stretches), []Step{s}), left, fixed)
		}
		for i, s := range left {
			if with(s, slices.Delete(slices.Clone(left), i, i+1), fixed) {
				return true
			}
		}
		return fixed < len(p.Fixed) && with(Step{Item: Item{fixed, -1}}, left, fixed+1)
	}
	for _, steps := range parts {
		if place([][]Step{nil}, steps, 0) {
			return true
		}
	}
	return false
}

// permute shows every order of a list until show says that it has seen enough.
func permute(list []int, show func([]int) bool) bool {
	if len(list) == 0 {
		return show(nil)
	}
	for i := range list {
		rest := slices.Delete(slices.Clone(list), i, i+1)
		if permute(rest, func(tail []int) bool { return show(append([]int{list[i]}, tail...)) }) {
			return true
		}
	}
	return false
}

// What is said to be proven is: on thousands of small instances no set of options, in any
// order and with any breaks, is worth more than the plan that was found.
func TestProvenAgainstEveryPlan(t *testing.T) {
	rng := rand.New(rand.NewPCG(10, 10))
	instances := 10000
	if testing.Short() {
		instances = 150
	}
	found, fills := 0, 0
	for n := range instances {
		in := instance{stages: 1 + rng.IntN(4), players: 1 + rng.IntN(3), reads: 1 + rng.IntN(3),
			minutes: float64(16 + rng.IntN(30)),
			lengths: [][]int{{8}, {10}, {6, 9}}[rng.IntN(3)], ends: rng.IntN(3) == 0}
		if in.ends {
			in.stages, in.lengths = 1+rng.IntN(3), in.lengths[:1]
		}
		p := in.problem(rng)
		in.rules(rng, p)
		s, err := Solve(p)
		if errors.Is(err, ErrNoPlan) {
			continue
		}
		if err != nil || !s.Proven {
			t.Fatalf("instance %d: %v, proven %v", n, err, s.Proven)
		}
		audit(t, p, s)
		best := math.Inf(-1)
		if s.Found {
			found++
			best = s.Value
		}
		for set := range 1 << len(p.Options) {
			var chosen []int
			minutes := 0
			for o := range p.Options {
				if set>>o&1 == 1 {
					chosen = append(chosen, o)
					minutes += p.Options[o].Minutes
				}
			}
			if float64(minutes) > 2*p.Minutes || p.Value(chosen) <= best+1e-9 || forbidden(p, chosen) {
				continue
			}
			if possible(p, chosen) {
				t.Fatalf("instance %d: %v is worth %.9f, the search said %.9f (found %v)\n%+v", n, chosen,
					p.Value(chosen), s.Value, s.Found, p)
			}
		}
		for _, o := range s.Chosen {
			if p.Options[o].Basket != Whole && len(p.Options[o].Gives) == 0 {
				fills++
			}
		}
	}
	t.Logf("%d instances with a plan, %d blocks that only fill an end", found, fills)
	if found < instances/2 {
		t.Errorf("%d of %d problems had a plan: the test tries too little", found, instances)
	}
}

// No plan ever breaks a rule, whatever the numbers.
func TestPlansKeepTheRules(t *testing.T) {
	rng := rand.New(rand.NewPCG(5, 55))
	n := 10000
	if testing.Short() {
		n = 1000
	}
	empty := 0
	for range n {
		in := instance{stages: 1 + rng.IntN(7), players: 1 + rng.IntN(5), reads: 1 + rng.IntN(5),
			minutes: float64(12 + rng.IntN(80)),
			lengths: [][]int{{10}, {5, 10}, {6, 9, 12, 15}}[rng.IntN(3)], ends: rng.IntN(2) == 0}
		p := in.problem(rng)
		if rng.IntN(2) == 0 {
			in.rules(rng, p)
		}
		p.Work = 400
		if rng.IntN(3) == 0 { // a pinned block, a pinned break, what is given already
			p.Fixed = append(p.Fixed[:1:1], Fixed{Minutes: 8, Hard: true, Stage: rng.IntN(in.stages)},
				Fixed{Minutes: 3, Break: true, Stage: -1}, p.Fixed[1])
			p.Given = make([]float64, len(p.Demands))
			for i := range p.Given {
				p.Given[i] = float64(rng.IntN(3))
			}
		}
		s, err := Solve(p)
		if errors.Is(err, ErrNoPlan) {
			empty++
			continue
		}
		if err != nil {
			t.Fatal(err)
		}
		audit(t, p, s)
	}
	if empty > n/4 {
		t.Errorf("%d of %d problems had no plan: the test tries too little", empty, n)
	}
}

func TestSolveSaysNo(t *testing.T) {
	if _, err := Solve(&Problem{Minutes: 10, Stretch: 20,
		Fixed: []Fixed{{Minutes: 8, Stage: -1}, {Minutes: 8, Stage: -1}}}); !errors.Is(err, ErrNoPlan) {
		t.Errorf("16 minutes in 10: %v", err)
	}
	for _, p := range []*Problem{
		{Options: []Option{{Minutes: 0}}}, {Options: []Option{{Minutes: 5, Gives: []Give{{3, 1}}}}}, {Head: 1},
		{Given: []float64{1}},
	} {
		if _, err := Solve(p); err == nil || errors.Is(err, ErrNoPlan) {
			t.Errorf("%+v: %v", p, err)
		}
	}
}

// A curve is the sum of its demands, its hull the least concave curve above it, and its
// best point that of a fine grid over the hull.
func TestCurve(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 4))
	for range 200 {
		demands := make([]Demand, 1+rng.IntN(6))
		for i := range demands {
			x, y := 0.0, 0.0
			for range 1 + rng.IntN(4) {
				x, y = x+float64(1+rng.IntN(8))/2, y+float64(rng.IntN(4))/2
				demands[i].At, demands[i].Worth = append(demands[i].At, x), append(demands[i].Worth, y)
			}
		}
		worth := func(x float64) float64 {
			sum := 0.0
			for _, d := range demands {
				i := 0
				for i < len(d.At) && d.At[i] <= x {
					i++
				}
				at, from := 0.0, 0.0
				if i > 0 {
					at, from = d.At[i-1], d.Worth[i-1]
				}
				if i == len(d.At) {
					sum += from
				} else {
					sum += from + (d.Worth[i]-from)*(x-at)/(d.At[i]-at)
				}
			}
			return sum
		}
		c := newCurve(demands)
		const step = 0.25
		hull := func(x float64) float64 { // the highest chord over x
			top := worth(x)
			for a := 0.0; a <= x; a += step {
				for b := x + step; b <= 20; b += step {
					top = max(top, worth(a)+(worth(b)-worth(a))*(x-a)/(b-a))
				}
			}
			return top
		}
		base, price := step*float64(rng.IntN(40)), 4*rng.Float64()
		top := math.Inf(-1)
		for x := base; x <= 20; x += step {
			if v := c.sum.value(x); math.Abs(v-worth(x)) > 1e-9 {
				t.Fatalf("%v at %g: %g, want %g", demands, x, v, worth(x))
			}
			top = max(top, hull(x)-price*(x-base))
		}
		if got, at := c.best(base, price); math.Abs(got-top) > 1e-9 || math.Abs(hull(base+at)-price*at-got) > 1e-9 {
			t.Fatalf("%v from %g at %g: %g at %g, want %g", demands, base, price, got, at, top)
		}
		given := step * float64(rng.IntN(20))
		for x := 0.0; x < 9; x += step {
			if got, want := demands[0].beyond(given).value(x),
				demands[0].value(given+x)-demands[0].value(given); math.Abs(got-want) > 1e-9 {
				t.Fatalf("%v beyond %g at %g: %g, want %g", demands[0], given, x, got, want)
			}
		}
	}
}
