package fit

import (
	"errors"
	"math"
	"math/rand/v2"
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
		d := Demand{Need: float64(max(0, rng.IntN(24)-11)), Weight: []float64{0.5, 1, 1, 2}[rng.IntN(4)]}
		p.Demands = append(p.Demands, d)
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
		for _, lane := range []Lane{Whole, EndA, EndB} {
			if lane != Whole && !in.ends {
				continue
			}
			for _, minutes := range in.lengths {
				o := Option{Stage: s, Lane: lane, Minutes: minutes, Hard: hard, After: after, Rank: s}
				for player := range in.players {
					if lane != Whole && (player%2 == 0) != (lane == EndA) || in.ends && only < 2 && player%2 != only {
						continue
					}
					for _, r := range taught {
						o.Gives = append(o.Gives, Give{player*in.reads + r, math.Floor(pace*float64(minutes)*4) / 4 / float64(len(taught))})
					}
				}
				p.Options = append(p.Options, o)
			}
		}
	}
	return p
}

// audit is an independent reading of the rules.
func audit(t *testing.T, p *Problem, s Solution) {
	t.Helper()
	fail := func(what string) { t.Fatalf("%s: %+v\nof %+v", what, s, p) }
	total := p.Break * float64(len(s.Stretches)-1)
	seen := map[int]int{}     // options
	done := map[[2]int]bool{} // stage and lane
	fixed := 0
	placedFree := 0
	ask := func(after []int, lane Lane) {
		if len(after) == 0 {
			return
		}
		for _, a := range after {
			if done[[2]int{a, int(Whole)}] || lane != Whole && done[[2]int{a, int(lane)}] {
				return
			}
		}
		fail("run before what it asks for")
	}
	for _, stretch := range s.Stretches {
		load, hard, count := 0.0, 0, 0
		var pending [][2]int
		for _, st := range stretch {
			count++
			switch {
			case st.Item.Fixed >= 0:
				f := p.Fixed[st.Item.Fixed]
				if st.Item.Fixed != fixed {
					fail("fixed blocks out of order")
				}
				ask(f.After, Whole)
				fixed++
				if f.Break {
					load, hard, count = 0, 0, 0
					total += f.Minutes
					continue
				}
				load += f.Minutes
				hard += b2i(f.Hard)
				total += f.Minutes
				if f.Stage >= 0 {
					done[[2]int{f.Stage, 0}] = true
				}
			case st.Item.Option >= 0:
				o := p.Options[st.Item.Option]
				ask(o.After, Whole)
				seen[st.Item.Option]++
				done[[2]int{o.Stage, 0}] = true
				load += float64(o.Minutes)
				hard += b2i(o.Hard)
				total += float64(o.Minutes)
				placedFree++
			default:
				placedFree++
				var mins, hards [2]int
				for side, lane := range [][]int{st.A, st.B} {
					for _, i := range lane {
						o := p.Options[i]
						ask(o.After, o.Lane)
						if int(o.Lane) != side+1 {
							fail("an option at the wrong end")
						}
						seen[i]++
						done[[2]int{o.Stage, side + 1}] = true
						pending = append(pending, [2]int{o.Stage, side + 1})
						mins[side] += o.Minutes
						hards[side] += b2i(o.Hard)
					}
				}
				if mins[0] != mins[1] || mins[0] < p.PartMin || mins[0] > p.PartMax {
					fail("the ends do not end together")
				}
				load += float64(mins[0])
				hard += max(hards[0], hards[1])
				total += float64(mins[0])
			}
			if placedFree > 0 && fixed < p.Head {
				fail("a block before the opening")
			}
			if st.Item.Fixed < 0 && fixed > len(p.Fixed)-p.Tail {
				fail("a block after the close")
			}
			if count > 1 && (load > p.Stretch+1e-9 || hard > p.HardPerStretch) {
				fail("a stretch too long or too hard")
			}
		}
	}
	stages := map[int][3]int{}
	for _, i := range s.Chosen {
		o := p.Options[i]
		if seen[i] != 1 {
			fail("a chosen option is not laid out once")
		}
		c := stages[o.Stage]
		c[o.Lane]++
		stages[o.Stage] = c
		if c[0]+c[1] > 1 || c[0]+c[2] > 1 {
			fail("a stage twice")
		}
	}
	if len(seen) != len(s.Chosen) || fixed != len(p.Fixed) || total > p.Minutes+1e-9 {
		fail("not what was chosen, or too long")
	}
	if math.Abs(p.Value(s.Chosen)-s.Value) > 1e-6 || s.Bound < s.Value-1e-9 {
		fail("wrong value or bound")
	}
}

// No plan ever breaks a rule, whatever the numbers.
func TestPlansKeepTheRules(t *testing.T) {
	rng := rand.New(rand.NewPCG(5, 55))
	n := 10000
	empty := 0
	for range n {
		in := instance{stages: 1 + rng.IntN(7), players: 1 + rng.IntN(5), reads: 1 + rng.IntN(5), minutes: float64(12 + rng.IntN(80)),
			lengths: [][]int{{10}, {5, 10}, {6, 9, 12, 15}}[rng.IntN(3)], ends: rng.IntN(2) == 0}
		p := in.problem(rng)
		p.Work = 400
		if rng.IntN(3) == 0 { // a pinned block, a pinned break, what is given already
			p.Fixed = append(p.Fixed[:1:1], Fixed{Minutes: 8, Hard: true, Stage: rng.IntN(in.stages)}, Fixed{Minutes: 3, Break: true, Stage: -1}, p.Fixed[1])
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
	if _, err := Solve(&Problem{Minutes: 10, Stretch: 20, Fixed: []Fixed{{Minutes: 8, Stage: -1}, {Minutes: 8, Stage: -1}}}); !errors.Is(err, ErrNoPlan) {
		t.Errorf("16 minutes in 10: %v", err)
	}
	for _, p := range []*Problem{
		{Options: []Option{{Minutes: 0}}}, {Options: []Option{{Minutes: 5, Gives: []Give{{3, 1}}}}}, {Head: 1}, {Given: []float64{1}},
	} {
		if _, err := Solve(p); err == nil || errors.Is(err, ErrNoPlan) {
			t.Errorf("%+v: %v", p, err)
		}
	}
}

// A curve's value and its best point, against sums and a fine grid.
func TestCurve(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 4))
	for range 200 {
		demands := make([]Demand, 1+rng.IntN(6))
		for i := range demands {
			demands[i] = Demand{float64(1 + rng.IntN(9)), float64(1+rng.IntN(4)) / 2}
		}
		worth := func(x float64) float64 {
			sum := 0.0
			for _, d := range demands {
				sum += d.Weight * min(d.Need, x)
			}
			return sum
		}
		c := newCurve(append([]Demand(nil), demands...))
		base, price := 10*rng.Float64(), 4*rng.Float64()
		top := math.Inf(-1)
		for x := 0.0; x < 14; x += 0.25 {
			if v := c.value(x); math.Abs(v-worth(x)) > 1e-9 {
				t.Fatalf("%v at %g: %g, want %g", demands, x, v, worth(x))
			}
			top = max(top, worth(base+x)-price*x)
		}
		for _, d := range demands {
			if d.Need >= base {
				top = max(top, worth(d.Need)-price*(d.Need-base))
			}
		}
		if got, at := c.best(base, price); math.Abs(got-top) > 1e-9 || math.Abs(worth(base+at)-price*at-got) > 1e-9 {
			t.Fatalf("%v from %g at %g: %g at %g, want %g", demands, base, price, got, at, top)
		}
	}
}
