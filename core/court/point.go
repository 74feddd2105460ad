package court

import "math"

// Point is a place on the floor in feet, in the court's frame: the origin lies
// under the center of the ring, +X to the right of a viewer who looks from
// half court at the basket drawn at the bottom, +Y toward half court.
type Point struct {
	X float64 `json:"x"`
	Y float64 `json:"y"`
}

// Add returns p + q.
func (p Point) Add(q Point) Point { return Point{p.X + q.X, p.Y + q.Y} }

// Sub returns p - q.
func (p Point) Sub(q Point) Point { return Point{p.X - q.X, p.Y - q.Y} }

// Scale returns p times k.
func (p Point) Scale(k float64) Point { return Point{p.X * k, p.Y * k} }

// Dot returns the dot product of p and q.
func (p Point) Dot(q Point) float64 { return p.X*q.X + p.Y*q.Y }

// Len returns the length of p in feet.
func (p Point) Len() float64 { return math.Sqrt(p.X*p.X + p.Y*p.Y) }

// Within reports whether q is at most d feet away.
func (p Point) Within(q Point, d float64) bool {
	v := p.Sub(q)
	return v.Dot(v) <= d*d
}

// Dist returns the distance from p to q in feet.
func (p Point) Dist(q Point) float64 { return p.Sub(q).Len() }

// Unit returns p scaled to length 1, or the zero Point when p is zero.
func (p Point) Unit() Point {
	l := p.Len()
	if l == 0 {
		return Point{}
	}
	return p.Scale(1 / l)
}

// AtMost returns p, shortened to a length of most feet where it is longer.
func (p Point) AtMost(most float64) Point {
	if l2 := p.Dot(p); l2 > most*most {
		return p.Scale(most / math.Sqrt(l2))
	}
	return p
}

// Left returns p turned by a quarter turn counter-clockwise.
func (p Point) Left() Point { return Point{-p.Y, p.X} }

// Toward returns the point d feet from p on the way to q. When the two
// coincide it returns p.
func (p Point) Toward(q Point, d float64) Point { return p.Add(q.Sub(p).Unit().Scale(d)) }

// Mirror returns the same place on the other side of the court: x becomes -x
// and nothing else changes.
func (p Point) Mirror() Point { return Point{-p.X, p.Y} }

// Finite reports whether both coordinates are numbers.
func (p Point) Finite() bool {
	return !math.IsNaN(p.X) && !math.IsInf(p.X, 0) && !math.IsNaN(p.Y) && !math.IsInf(p.Y, 0)
}

// SegmentDist returns the distance in feet from p to the segment from a to b.
func SegmentDist(p, a, b Point) float64 {
	return p.Dist(NearestOnSegment(p, a, b))
}

// NearestOnSegment returns the point of the segment from a to b nearest to p.
func NearestOnSegment(p, a, b Point) Point {
	ab := b.Sub(a)
	l2 := ab.Dot(ab)
	if l2 == 0 {
		return a
	}
	t := max(0, min(1, p.Sub(a).Dot(ab)/l2))
	return a.Add(ab.Scale(t))
}
