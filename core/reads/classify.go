package reads

import "math"

// Boundaries of the model, in feet.
const (
	// LateMargin is the margin below which a cue comes late and two answers are
	// accepted (assumption).
	LateMargin = 0.5
	// TakeReach is how near the cutter X-screener must stand, ahead of him, to
	// be in his way (assumption).
	TakeReach = 6.0
	// StayReach is how near the screener X-cutter must be to count as having
	// stayed with him (assumption).
	StayReach = 4.0
)

// Verdict is a classified situation: the bare numbers, without words.
type Verdict struct {
	// Cue is what the defenders show.
	Cue Cue
	// Margin is the distance in feet to the nearest place at which one of the
	// two defenders would show another cue.
	Margin float64
	// Next is that other cue.
	Next Cue
	// ByScreener reports that it is X-screener's place that is nearest to
	// changing the answer.
	ByScreener bool
}

// Late reports whether the cue is too close to call, so that the answers to
// both Cue and Next are right.
func (v Verdict) Late() bool { return v.Margin < LateMargin }

// Classify finds the cue of a valid situation. It allocates nothing.
func Classify(s *Situation) Verdict {
	f := newFrame(s)
	c := newPlane(f, s)
	xa, xo := f.in(s.XCutter)
	sa, so := f.in(s.XScreener)
	return c.verdict(vec{xa, xo}, vec{sa, so})
}

// vec is a place in the screen's frame: along the cut and out to the cutter's side.
type vec struct{ a, n float64 }

func (p vec) dist(q vec) float64 { return math.Hypot(p.a-q.a, p.n-q.n) }

// plane holds what the regions depend on: where the cutter is in the frame.
type plane struct{ cutter vec }

func newPlane(f frame, s *Situation) plane {
	a, n := f.in(s.Cutter)
	return plane{vec{a, n}}
}

// verdict combines both defenders. X-screener's place decides whether the
// screen is switched or shown; if he is not in the way X-cutter's place decides.
func (pl plane) verdict(x, xs vec) Verdict {
	own := pl.cueOfCutter(x)
	helped := Show
	if pl.stays(x) {
		helped = Switch
	}
	takes := pl.takes(xs)

	var v Verdict
	var edge nearest
	if takes {
		v.Cue = helped
		edge = pl.stayEdges(x)
		v.Next = Switch + Show - helped
	} else {
		v.Cue = own
		edge = pl.cueEdges(x)
		v.Next = pl.across(x, edge, own)
	}
	v.Margin = edge.dist
	if take := pl.takeEdges(xs); take.dist < v.Margin {
		v.Margin, v.ByScreener = take.dist, true
		v.Next = own
		if !takes {
			v.Next = helped
		}
	}
	return v
}

// cueOfCutter is the region X-cutter stands in.
func (pl plane) cueOfCutter(x vec) Cue {
	switch {
	case x.a <= pl.cutter.a && x.a*x.a+x.n*x.n <= Touching*Touching:
		return Stuck
	case x.n < 0:
		return Under
	case x.a > pl.cutter.a:
		return Jump
	default:
		return Trail
	}
}

// takes reports whether X-screener is in the cutter's way: ahead of him, on
// his side of the screen and within reach.
func (pl plane) takes(xs vec) bool {
	return xs.a >= pl.cutter.a && xs.n >= 0 && xs.dist(pl.cutter) <= TakeReach
}

// stays reports whether X-cutter has let the cutter go and kept the screener:
// he is nearer to the screener, and near.
func (pl plane) stays(x vec) bool {
	d := math.Hypot(x.a, x.n)
	return d <= StayReach && d < x.dist(pl.cutter)
}

// nearest is the closest boundary point found so far.
type nearest struct {
	dist float64
	at   vec
}

func (b *nearest) offer(p, at vec) {
	if d := p.dist(at); d < b.dist {
		b.dist, b.at = d, at
	}
}

// clampTo offers the point of an axis-parallel segment nearest to p. The
// segment runs along a (at fixed n) or along n (at fixed a).
func (b *nearest) alongA(p vec, n, lo, hi float64) {
	if lo <= hi {
		b.offer(p, vec{math.Max(lo, math.Min(hi, p.a)), n})
	}
}

func (b *nearest) alongN(p vec, a, lo, hi float64) {
	if lo <= hi {
		b.offer(p, vec{a, math.Max(lo, math.Min(hi, p.n))})
	}
}

// onCircle returns the point of a circle nearest to p.
func onCircle(p, centre vec, r float64) vec {
	d := p.dist(centre)
	if d == 0 {
		return vec{centre.a - r, centre.n}
	}
	k := r / d
	return vec{centre.a + (p.a-centre.a)*k, centre.n + (p.n-centre.n)*k}
}

// cueEdges finds the boundary of X-cutter's regions nearest to x.
func (pl plane) cueEdges(x vec) nearest {
	b := nearest{dist: math.Inf(1)}
	ca := pl.cutter.a
	inner := math.Max(-Touching, math.Min(Touching, ca))
	// Trail or jump against under: the screener's own line, outside his body.
	b.alongA(x, 0, math.Inf(-1), -Touching)
	b.alongA(x, 0, inner, math.Inf(1))
	// Level with the cutter: jump begins; inside the body it also ends stuck.
	low := 0.0
	if abs(ca) < Touching {
		low = -math.Sqrt(Touching*Touching - ca*ca)
	}
	b.alongN(x, ca, low, math.Inf(1))
	// The screener's body, as far as it lies behind the cutter.
	if at := onCircle(x, vec{}, Touching); at.a <= ca {
		b.offer(x, at)
	}
	return b
}

// takeEdges finds the boundary of "in the cutter's way" nearest to xs.
func (pl plane) takeEdges(xs vec) nearest {
	b := nearest{dist: math.Inf(1)}
	c := pl.cutter
	reach := math.Sqrt(math.Max(0, TakeReach*TakeReach-c.n*c.n))
	b.alongA(xs, 0, c.a, c.a+reach)
	b.alongN(xs, c.a, 0, c.n+TakeReach)
	if at := onCircle(xs, c, TakeReach); at.a >= c.a && at.n >= 0 {
		b.offer(xs, at)
	}
	return b
}

// stayEdges finds the boundary between having stayed with the screener and
// still chasing the cutter nearest to x.
func (pl plane) stayEdges(x vec) nearest {
	b := nearest{dist: math.Inf(1)}
	c := pl.cutter
	gap := math.Hypot(c.a, c.n)
	if gap == 0 {
		return b
	}
	// The line half way between screener and cutter, within reach of the screener.
	u := vec{c.a / gap, c.n / gap}
	half := math.Sqrt(math.Max(0, StayReach*StayReach-gap*gap/4))
	t := math.Max(-half, math.Min(half, -x.a*u.n+x.n*u.a))
	b.offer(x, vec{u.a*gap/2 - t*u.n, u.n*gap/2 + t*u.a})
	if at := onCircle(x, vec{}, StayReach); at.a*u.a+at.n*u.n <= gap/2 {
		b.offer(x, at)
	}
	return b
}

// across returns the cue on the far side of the nearest edge.
func (pl plane) across(x vec, edge nearest, own Cue) Cue {
	const step = 1e-6 // ft past the edge
	if edge.dist > step {
		k := 1 + step/edge.dist
		if c := pl.cueOfCutter(vec{x.a + (edge.at.a-x.a)*k, x.n + (edge.at.n-x.n)*k}); c != own {
			return c
		}
	}
	for _, d := range [8]vec{{step, 0}, {-step, 0}, {0, step}, {0, -step}, {step, step}, {-step, -step}, {step, -step}, {-step, step}} {
		if c := pl.cueOfCutter(vec{edge.at.a + d.a, edge.at.n + d.n}); c != own {
			return c
		}
	}
	return own
}
