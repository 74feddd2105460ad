package reads

import (
	"math"

	"evrik/core/court"
)

// LateMargin is the margin in feet below which a cue is too close to call and the
// answers to two cues are right (assumption).
const LateMargin = 0.5

// mostCandidates is how many cues a picture can be undecided between.
const mostCandidates = 6

// Finding is a classified snapshot: the bare numbers, without words.
type Finding struct {
	// Cue is what the defense shows: NoCue where no cue is clear, Undecided where only a
	// movement that is not told would decide.
	Cue Cue
	// Margin in feet: as long as no defender moves by more, the cue stays. It is never
	// overstated; at a corner between three cues it may be understated. It is 0 where
	// the picture is undecided.
	Margin float64
	// By is the defender whose place or movement is nearest to changing the cue.
	By Place

	candidates [mostCandidates]Cue
	count      int
}

// Late reports whether the cue is too close to call, so that the answers to it and to
// the next one are right.
func (v *Finding) Late() bool {
	return v.Margin < LateMargin && v.Cue != NoCue && v.Cue != Undecided
}

// Candidates are the cues that the picture can be: the one cue where it is decided.
func (v *Finding) Candidates() []Cue { return v.candidates[:v.count] }

func (v *Finding) add(cue Cue) {
	if v.count < mostCandidates {
		v.candidates[v.count] = cue
		v.count++
	}
}

// Classify finds the cue of a valid snapshot. It allocates nothing. An unknown action
// has no cue.
func Classify(fl *Floor, s *Snapshot) Finding {
	a, ok := ActionByID(s.Action)
	if !ok {
		return Finding{}
	}
	f := a.frame(fl, s)
	return a.classify(s, &f)
}

// classify tries the table's rows from the last, the most particular, to the first. The
// first row that is certain is the cue. A row that is only possible makes the picture
// undecided between it and what comes after.
func (a *Action) classify(s *Snapshot, f *frame) Finding {
	v := Finding{Margin: math.Inf(1)}
	for i := len(a.rows) - 1; i >= 0; i-- {
		m := a.rows[i].when.measure(s, f)
		if !m.possible() {
			v.nearer(-m.high, m.byHigh)
			continue
		}
		v.add(a.rows[i].Cue)
		if m.certain() {
			v.nearer(m.low, m.byLow)
			break
		}
	}
	switch v.count {
	case 0:
		v.Cue = NoCue
	case 1:
		if v.Cue = v.candidates[0]; a.only(s, f, v.Cue) {
			return v
		}
		// The one cue that is possible is not certain either.
		v.Cue, v.Margin, v.By = Undecided, 0, nobody
	default:
		v.Cue, v.Margin, v.By = Undecided, 0, nobody
	}
	if math.IsInf(v.Margin, 1) {
		v.Margin = 0
	}
	return v
}

// only reports whether a cue's row is certain.
func (a *Action) only(s *Snapshot, f *frame, cue Cue) bool {
	for i := range a.rows {
		if a.rows[i].Cue == cue {
			return a.rows[i].when.measure(s, f).certain()
		}
	}
	return false
}

func (v *Finding) nearer(feet float64, by Place) {
	if feet < v.Margin {
		v.Margin, v.By = feet, by
	}
}

// Rings on which the next cue is looked for: how far past the margin, and how many
// directions (assumptions; a cue's region is wider than a ring's step).
const (
	ringStep   = 0.02 // feet past the margin, and
	ringGrowth = 0.06 // share of the margin, per ring
	ringCount  = 12
	ringPoints = 24
)

// next is the cue that the deciding defender shows first when moving past the margin;
// the cue itself when none is near.
func (a *Action) next(s *Snapshot, f *frame, v *Finding) Cue {
	if v.By == nobody {
		return v.Cue
	}
	moved := *s
	at := s.At(v.By)
	for ring := range ringCount {
		r := v.Margin*(1+ringGrowth*float64(ring)) + ringStep*float64(ring+1)
		for k := range ringPoints {
			turn := 2 * math.Pi * float64(k) / ringPoints
			// The ring runs in the screen's frame, so that a mirrored snapshot is
			// searched in the mirrored order.
			moved.Put(v.By, at.Add(f.a.Scale(r*math.Cos(turn))).Add(f.n.Scale(r*math.Sin(turn))))
			if c := a.classify(&moved, f).Cue; c != v.Cue {
				return c
			}
		}
	}
	return v.Cue
}

// frame is the screen's own frame: origin the screener, a along the cut, n toward the
// side on which the cutter passes. size scales the distances of the table.
type frame struct {
	origin, a, n court.Point
	size         Size
	// side is which way past a big a drive takes, of those it can.
	side int
}

// newFrame is the frame of a snapshot's action, for players of the default size.
func newFrame(s *Snapshot) frame {
	a, ok := ActionByID(s.Action)
	if !ok {
		a = downScreen
	}
	return a.axes(s)
}

func (a *Action) frame(fl *Floor, s *Snapshot) frame {
	f := a.axes(s)
	f.size = fl.Size()
	return f
}

func (a *Action) axes(s *Snapshot) frame {
	along := s.To.Sub(s.From).Unit()
	n := along.Left()
	var side float64
	switch a.spots.passes {
	case nearBall:
		side = n.Dot(s.Passer.Sub(s.Screener))
	case alongBaseline:
		side = -n.Y
	case overTop:
		side = n.Y
	default:
		side = n.Dot(s.Screener)
	}
	// Where that side is no side, as on a line through the ring, the cutter's own decides.
	if math.Abs(side) < SameSpot {
		side = n.Dot(s.Cutter.Sub(s.Screener))
	}
	if side < 0 {
		n = n.Scale(-1)
	}
	return frame{origin: s.Screener, a: along, n: n, size: Size{1, 1, sizes["12-14"].shot, usualArc}}
}

// in returns p's coordinates in the frame, in feet.
func (f *frame) in(p court.Point) (along, out float64) {
	d := p.Sub(f.origin)
	return d.Dot(f.a), d.Dot(f.n)
}

// at returns the place on the floor of frame coordinates.
func (f *frame) at(along, out float64) court.Point {
	return f.origin.Add(f.a.Scale(along)).Add(f.n.Scale(out))
}
