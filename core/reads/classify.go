package reads

import (
	"math"

	"evrik/core/court"
)

// LateMargin is the margin in feet below which a cue comes late and two answers
// are accepted (assumption).
const LateMargin = 0.5

// Verdict is a classified situation: the bare numbers, without words.
type Verdict struct {
	// Cue is what the defenders show.
	Cue Cue
	// Margin in feet: as long as no defender moves by more, the cue stays. It is
	// never overstated; at a corner between three cues it may be understated.
	Margin float64
	// By is the defender whose place is nearest to changing the cue.
	By Place
}

// Late reports whether the cue is too close to call, so that the answers to it
// and to the next one are right.
func (v Verdict) Late() bool { return v.Margin < LateMargin }

// Classify finds the cue of a valid situation. It allocates nothing. An unknown
// screen has no cue.
func Classify(s *Situation) Verdict {
	screen, ok := ScreenByID(s.Screen)
	if !ok {
		return Verdict{}
	}
	f := screen.frame(s)
	return screen.classify(s, &f)
}

// classify tries the table's rows from the last, the most particular, to the
// first, which is what remains.
func (sc *Screen) classify(s *Situation, f *frame) Verdict {
	v := Verdict{Margin: math.Inf(1)}
	for i := len(sc.rows) - 1; i > 0; i-- {
		feet, by := sc.rows[i].when.measure(s, f)
		if m := abs(feet); m < v.Margin {
			v.Margin, v.By = m, by
		}
		if feet >= 0 {
			v.Cue = sc.rows[i].Cue
			return v
		}
	}
	v.Cue = sc.rows[0].Cue
	return v
}

// Rings on which the next cue is looked for: how far past the margin, and how
// many directions (assumptions; a cue's region is wider than a ring's step).
const (
	ringStep   = 0.02 // feet past the margin, and
	ringGrowth = 0.06 // share of the margin, per ring
	ringCount  = 12
	ringPoints = 24
)

// next is the cue that the deciding defender shows first when he moves past the
// margin; the cue itself when none is near.
func (sc *Screen) next(s *Situation, f *frame, v Verdict) Cue {
	moved := *s
	at := s.At(v.By)
	for ring := range ringCount {
		r := v.Margin*(1+ringGrowth*float64(ring)) + ringStep*float64(ring+1)
		for k := range ringPoints {
			turn := 2 * math.Pi * float64(k) / ringPoints
			// The ring runs in the screen's frame, so that a mirrored situation
			// is searched in the mirrored order.
			moved.Put(v.By, at.Add(f.a.Scale(r*math.Cos(turn))).Add(f.n.Scale(r*math.Sin(turn))))
			if c := sc.classify(&moved, f).Cue; c != v.Cue {
				return c
			}
		}
	}
	return v.Cue
}

// frame is the screen's own frame: origin the screener, a along the cut, n
// toward the side on which the cutter passes.
type frame struct{ origin, a, n court.Point }

func newFrame(s *Situation) frame {
	screen, ok := ScreenByID(s.Screen)
	if !ok {
		screen = downScreen
	}
	return screen.frame(s)
}

func (sc *Screen) frame(s *Situation) frame {
	a := s.To.Sub(s.From).Unit()
	n := a.Left()
	var side float64
	switch sc.spots.passes {
	case nearBall:
		side = n.Dot(s.Passer.Sub(s.Screener))
	case alongBaseline:
		side = -n.Y
	case overTop:
		side = n.Y
	default:
		side = n.Dot(s.Screener)
	}
	// Where that side is no side, as on a line through the ring, the cutter's
	// own decides.
	if abs(side) < SameSpot {
		side = n.Dot(s.Cutter.Sub(s.Screener))
	}
	if side < 0 {
		n = n.Scale(-1)
	}
	return frame{s.Screener, a, n}
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
