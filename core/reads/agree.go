package reads

import (
	"math"
	"math/rand/v2"
	"slices"

	"evrik/core/court"
)

// Disagreement is a cue with the table's read and the kinematics' read.
type Disagreement struct {
	Cue            Cue
	Table, Instead Read
}

// Most is the most common disagreement on a cue: the table's read, what came
// freer, and how often.
func (a Agreement) Most(cue Cue) (table, instead Read, n int) {
	for d, k := range a.Instead {
		if d.Cue == cue && (k > n || (k == n && string(d.Instead) < string(instead))) {
			table, instead, n = d.Table, d.Instead, k
		}
	}
	return table, instead, n
}

// clearMargin is the margin in feet from which a situation counts as clear.
const clearMargin = 1.0

// sampleRadius is how far round the screener the cutter's defender is placed, in
// feet: further off he does not guard anybody (assumption).
const sampleRadius = 5.5

// Agreement compares table and kinematics on one screen.
type Agreement struct {
	Screen  string
	Clear   int // situations compared
	Agreed  int
	ByCue   [numCues]struct{ Clear, Agreed int }
	Instead map[Disagreement]int
}

// Share is the agreed share, 0 to 1.
func (a Agreement) Share() float64 { return float64(a.Agreed) / float64(max(1, a.Clear)) }

// closeEnough is the difference in feet below which two cuts are equally open.
const closeEnough = 0.5

// Agree samples clear situations of a screen: the cutter's defender anywhere
// near the screen, the screener's defender with his man. The two agree when a
// read that the table (of either school) gives for the cue is open (4 ft and more, the ball's way free), or as open as any
// cut there is.
func Agree(fl Floor, screen *Screen, n int, seed uint64) Agreement {
	c := fl.Court
	rng := rand.New(rand.NewPCG(seed, uint64(len(screen.ID))))
	a := Agreement{Screen: screen.ID, Instead: map[Disagreement]int{}}
	base := screen.Example(c, NoCue)
	if !slices.ContainsFunc(screen.rows, func(r Row) bool { return len(screen.answers(r.Cue)) > 0 }) {
		return a
	}
	for a.Clear < n {
		s := screen.sample(c, rng, base)
		v := Classify(&s)
		right := screen.answers(v.Cue)
		if v.Margin < clearMargin || len(right) == 0 || s.Validate(c) != nil {
			continue
		}
		options := Options(fl, &s)
		a.Clear++
		a.ByCue[v.Cue].Clear++
		best := 0.0 // of the table's answers
		for _, o := range options {
			if slices.Contains(right, o.Read) {
				best = math.Max(best, o.worth())
			}
		}
		if best >= math.Min(OpenFrom, options[0].worth()-closeEnough) {
			a.Agreed++
			a.ByCue[v.Cue].Agreed++
		} else {
			a.Instead[Disagreement{v.Cue, right[0], options[0].Read}]++
		}
	}
	return a
}

// sample places defenders for a comparison: off the ball the cutter's defender
// anywhere near the screen, the screener's with his man; else everybody round
// where one of the table's rows has him.
func (s *Screen) sample(c court.Court, rng *rand.Rand, base Situation) Situation {
	if s.Family == OffBall && !s.spots.free {
		r, angle := sampleRadius*math.Sqrt(rng.Float64()), 2*math.Pi*rng.Float64()
		base.XCutter = base.Screener.Add(court.Point{X: r * math.Cos(angle), Y: r * math.Sin(angle)})
		return base
	}
	out := s.Example(c, s.rows[rng.IntN(len(s.rows))].Cue)
	for _, p := range s.People {
		if p.ID.Defends() {
			out.Put(p.ID, near(rng, out.At(p.ID)))
		}
	}
	return out
}

// answers lists the reads that a cue asks for and that can be run: the table's
// first, then those of the schools that see it otherwise, then the further looks.
func (s *Screen) answers(cue Cue) []Read {
	var out []Read
	add := func(r Read) {
		if runs[r] && !slices.Contains(out, r) {
			out = append(out, r)
		}
	}
	row, _ := s.Row(School{}, cue)
	if row.feel {
		return nil
	}
	add(row.CutterRead)
	for _, v := range s.variants {
		if v.row.Cue == cue {
			add(v.row.CutterRead)
		}
	}
	if len(out) > 0 {
		for _, l := range row.Then {
			add(l.Read)
		}
	}
	return out
}
