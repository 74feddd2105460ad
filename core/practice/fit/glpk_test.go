package fit

import (
	"bytes"
	"fmt"
	"math"
	"math/rand/v2"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"testing"
	"time"
)

// milp writes a problem with a given number of stretches as a linear program in
// the CPLEX LP format, which glpsol reads. It is written from the rules, not
// from the search: assignment of blocks to stretches, order by stretch.
func milp(p *Problem, stretches int) string {
	var objective, rows bytes.Buffer
	var bounds, ints []string
	row := func(format string, args ...any) { fmt.Fprintf(&rows, " "+format+"\n", args...) }
	x := func(o int) string { return fmt.Sprintf("x%d", o) }
	z := func(o, k int) string { return fmt.Sprintf("z%d_%d", o, k) }
	f := func(i, k int) string { return fmt.Sprintf("f%d_%d", i, k) }
	part := p.PartMax > 0
	ints = append(ints, "dummy")
	time := p.Break * float64(stretches-1)
	for _, b := range p.Fixed {
		time += b.Minutes
	}
	gives := make([][]string, len(p.Demands))
	var whole []int
	for o, opt := range p.Options {
		if opt.Basket != Whole && !part {
			continue
		}
		ints = append(ints, x(o))
		for _, g := range opt.Gives {
			gives[g.Demand] = append(gives[g.Demand], fmt.Sprintf("- %.10g %s", g.Reps, x(o)))
		}
		if opt.Basket == Whole {
			whole = append(whole, o)
			sum := ""
			for k := range stretches {
				ints = append(ints, z(o, k))
				sum += " + " + z(o, k)
			}
			row("%s - %s = 0", sum, x(o))
		}
	}
	objective.WriteString(" 0 dummy")
	for d, dem := range p.Demands {
		need, weight := 0.0, 0.0
		if len(dem.At) == 1 {
			need, weight = dem.At[0], dem.Worth[0]/dem.At[0]
		}
		fmt.Fprintf(&objective, "\n + %.10g y%d", weight, d)
		given := 0.0
		if p.Given != nil {
			given = p.Given[d]
		}
		row("y%d %s <= %.10g", d, strings.Join(gives[d], " "), given)
		bounds = append(bounds, fmt.Sprintf("0 <= y%d <= %.10g", d, need))
	}
	for i := range p.Fixed {
		sum, next := "", ""
		for k := range stretches {
			ints = append(ints, f(i, k))
			sum += " + " + f(i, k)
			if i+1 < len(p.Fixed) {
				next += fmt.Sprintf(" + %d %s - %d %s", k+1, f(i+1, k), k+1, f(i, k))
			}
		}
		row("%s = 1", sum)
		if next != "" {
			row("%s >= 0", next)
		}
	}
	// ends are the terms of an end's options: minutes, or how many are hard.
	ends := func(basket Basket, hard bool, sign string) string {
		out := ""
		for o, opt := range p.Options {
			if opt.Basket == basket && (!hard || opt.Hard) {
				n := opt.Minutes
				if hard {
					n = 1
				}
				out += fmt.Sprintf(" %s %d %s", sign, n, x(o))
			}
		}
		return out
	}
	if part {
		sum := ""
		for k := range stretches {
			ints = append(ints, fmt.Sprintf("p%d", k))
			sum += fmt.Sprintf(" + p%d", k)
		}
		row("%s - part = 0", sum)
		ints = append(ints, "part")
		row("%s - s = 0", ends(First, false, "+"))
		row("%s - s = 0", ends(Second, false, "+"))
		row("s - %d part <= 0", p.PartMax)
		row("s - %d part >= 0", p.PartMin)
	}
	all := ""
	for _, o := range whole {
		all += fmt.Sprintf(" + %d %s", p.Options[o].Minutes, x(o))
	}
	if part {
		all += " + s"
	}
	row("%s <= %.10g", all, p.Minutes-time)
	stages := map[int]bool{}
	for _, o := range p.Options {
		stages[o.Stage] = true
	}
	for s := range stages {
		sum := ""
		for o, opt := range p.Options {
			if opt.Stage == s && (opt.Basket == Whole || part) {
				sum += " + " + x(o)
			}
		}
		row("%s <= 1", sum)
	}
	until := func(name func(int, int) string, i, k int) (out string) {
		for j := 0; j <= k; j++ {
			out += " - " + name(i, j)
		}
		return out
	}
	// before are the terms of what an option asks for, up to a stretch.
	before := func(after []int, k int) (out string) {
		for _, a := range after {
			for _, o := range whole {
				if p.Options[o].Stage == a {
					out += until(z, o, k)
				}
			}
			for i, b := range p.Fixed {
				if b.Stage == a {
					out += until(f, i, k)
				}
			}
		}
		return out
	}
	for _, r := range p.Rows {
		sum := ""
		for o := range p.Options {
			if p.Options[o].Basket == Whole || part {
				sum += fmt.Sprintf(" %+.10g %s", r.Of[o], x(o))
			}
		}
		row("%s >= %.10g", sum, -r.Base)
	}
	for k := range stretches {
		load, hard := "", ""
		for _, o := range whole {
			load += fmt.Sprintf(" + %d %s", p.Options[o].Minutes, z(o, k))
			if p.Options[o].Hard {
				hard += " + " + z(o, k)
			}
			if len(p.Options[o].After) > 0 {
				row("%s %s <= 0", z(o, k), before(p.Options[o].After, k))
			}
			if p.Head > 0 {
				row("%s %s <= 0", z(o, k), until(f, p.Head-1, k))
			}
			if p.Tail > 0 && k > 0 {
				row("%s %s <= 1", z(o, k), strings.ReplaceAll(until(f, len(p.Fixed)-p.Tail, k-1), "-", "+"))
			}
		}
		for i, b := range p.Fixed {
			load += fmt.Sprintf(" + %.10g %s", b.Minutes, f(i, k))
			if b.Hard {
				hard += " + " + f(i, k)
			}
		}
		if part {
			load += fmt.Sprintf(" + l%d", k)
			row("l%d - s - %d p%d >= %d", k, p.PartMax, k, -p.PartMax)
			hard += fmt.Sprintf(" + h%d", k)
			for _, basket := range []Basket{First, Second} {
				row("h%d %s - 9 p%d >= -9", k, ends(basket, true, "-"), k)
				for o, opt := range p.Options {
					if opt.Basket == basket && len(opt.After) > 0 {
						here := ""
						for q, other := range p.Options {
							if other.Basket == basket && other.Stage == opt.After[0] {
								here += " - " + x(q)
							}
						}
						row("%s + p%d %s %s <= 1", x(o), k, before(opt.After, k), here)
					}
				}
			}
			if p.Head > 0 {
				row("p%d %s <= 0", k, until(f, p.Head-1, k))
			}
			if p.Tail > 0 && k > 0 {
				row("p%d %s <= 1", k, strings.ReplaceAll(until(f, len(p.Fixed)-p.Tail, k-1), "-", "+"))
			}
		}
		row("%s <= %.10g", load, p.Stretch)
		if hard != "" {
			row("%s <= %d", hard, p.HardPerStretch)
		}
	}
	return "Maximize\n obj:" + objective.String() + "\nSubject To\n" + rows.String() + "Bounds\n " +
		strings.Join(bounds, "\n ") +
		"\nBinary\n " + strings.Join(ints, "\n ") + "\nEnd\n"
}

// glpsol returns the optimum over every number of stretches that leaves room, and
// how long it took. limit bounds each run; proven is false where it ran out.
func glpsol(tb testing.TB, p *Problem, limit time.Duration) (best float64, took time.Duration, proven bool) {
	tb.Helper()
	best, proven = math.Inf(-1), true
	fixed := 0.0
	for _, f := range p.Fixed {
		fixed += f.Minutes
	}
	dir := tb.TempDir()
	for k := 1; fixed+p.Break*float64(k-1) <= p.Minutes+1e-9; k++ {
		model, out := filepath.Join(dir, "m.lp"), filepath.Join(dir, "m.sol")
		if err := os.WriteFile(model, []byte(milp(p, k)), 0o600); err != nil {
			tb.Fatal(err)
		}
		began := time.Now()
		text, err := exec.Command("glpsol", "--lp", model, "-w", out, "--tmlim",
			strconv.Itoa(int(limit.Seconds()))).CombinedOutput()
		took += time.Since(began)
		if err != nil {
			tb.Fatalf("glpsol: %v\n%s", err, text)
		}
		data, err := os.ReadFile(out)
		if err != nil {
			tb.Fatalf("%v\n%s", err, text)
		}
		for _, line := range strings.Split(string(data), "\n") {
			// s mip rows cols status objective
			if w := strings.Fields(line); len(w) == 6 && w[0] == "s" {
				switch w[4] {
				case "o":
				case "f":
					proven = false
				case "n":
					continue
				default:
					proven = false
					continue
				}
				v, err := strconv.ParseFloat(w[5], 64)
				if err != nil {
					tb.Fatal(err)
				}
				best = max(best, v)
			}
		}
	}
	return best, took, proven
}

// The optimum is that of GLPK (Debian's glpk-utils) on the same linear model, with a
// condition on all that is chosen. Hard blocks in a row are left to the brute force: in a
// stretch the program knows no order.
func TestOptimumEqualsGLPK(t *testing.T) {
	rng := rand.New(rand.NewPCG(36, 7))
	compared, parts, instances := 0, 0, 40
	if testing.Short() {
		instances = 20
	}
	for compared < instances {
		in := instance{stages: 3 + rng.IntN(4), players: 2 + rng.IntN(3), reads: 2 + rng.IntN(3),
			minutes: float64(28 + rng.IntN(20)),
			lengths: [][]int{{10}, {6, 10}, {8, 12}}[rng.IntN(3)], ends: compared%2 == 0}
		p := in.problem(rng)
		p.HardPerStretch = len(p.Options) + len(p.Fixed)
		r := Row{Base: 2, Of: make([]float64, len(p.Options))}
		for i, o := range p.Options {
			r.Of[i] = float64(o.Minutes) * (float64(b2i(o.Hard)) - 0.4)
		}
		p.Rows = []Row{r}
		if compared%3 == 0 { // a pinned block in the middle
			p.Fixed = append(p.Fixed[:1:1], Fixed{Minutes: 7, Hard: true, Stage: rng.IntN(in.stages)}, p.Fixed[1])
			p.Given = make([]float64, len(p.Demands))
			for i := range p.Given {
				p.Given[i] = float64(rng.IntN(4))
			}
		}
		want, _, proven := glpsol(t, p, 60*time.Second)
		got, err := Solve(p)
		if err != nil || !proven {
			t.Fatalf("instance %d: %v, glpsol proven %v", compared, err, proven)
		}
		if !got.Proven || math.Abs(got.Value-want) > 1e-6 {
			t.Errorf("instance %d: %.9f (proven %v), glpsol %.9f", compared, got.Value, got.Proven, want)
		}
		audit(t, p, got)
		for _, o := range got.Chosen {
			if p.Options[o].Basket != Whole {
				parts++
				break
			}
		}
		compared++
	}
	if parts < instances/8 {
		t.Errorf("only %d of %d plans use both baskets: the test tries too little", parts, compared)
	}
}

// BenchmarkAgainstGLPK times the search and glpsol on the same model, one after
// the other: an hour, twelve players, ten reads, a catalogue of ten stages in
// three lengths. glpsol gets a minute for each number of breaks.
func BenchmarkAgainstGLPK(b *testing.B) {
	const instances = 4
	for b.Loop() {
		var mine, theirs time.Duration
		same, open := 0, 0
		for seed := range uint64(instances) {
			rng := rand.New(rand.NewPCG(seed, 60))
			p := instance{stages: 10, players: 12, reads: 10, minutes: 60, lengths: []int{6, 10, 15}}.problem(rng)
			began := time.Now()
			s, err := Solve(p)
			mine += time.Since(began)
			if err != nil || !s.Proven {
				b.Fatal(err, s.Proven)
			}
			v, took, proven := glpsol(b, p, time.Minute)
			theirs += took
			if !proven {
				open++
			} else if math.Abs(v-s.Value) < 1e-6 {
				same++
			}
		}
		b.ReportMetric(theirs.Seconds()/mine.Seconds(), "times-faster")
		b.ReportMetric(mine.Seconds()*1000/instances, "ms-search")
		b.ReportMetric(theirs.Seconds()*1000/instances, "ms-glpsol")
		b.ReportMetric(float64(same), "same-optimum")
		b.ReportMetric(float64(open), "glpsol-unfinished")
	}
}
