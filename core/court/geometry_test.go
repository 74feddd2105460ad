package court

import (
	"math"
	"math/rand/v2"
	"testing"

	"github.com/paulmach/orb"
	"github.com/paulmach/orb/planar"
)

// Distance to a segment against an independent geometry library (paulmach/orb).
func TestSegmentAgainstAnotherLibrary(t *testing.T) {
	rng := rand.New(rand.NewPCG(2, 3))
	at := func() Point { return Point{60*rng.Float64() - 30, 50*rng.Float64() - 10} }
	for range 20000 {
		p, a, b := at(), at(), at()
		want := planar.DistanceFromSegment(orb.Point{a.X, a.Y}, orb.Point{b.X, b.Y}, orb.Point{p.X, p.Y})
		if got := SegmentDist(p, a, b); math.Abs(got-want) > 1e-9 {
			t.Fatalf("%+v to %+v–%+v: %g, the library says %g", p, a, b, got, want)
		}
		near := NearestOnSegment(p, a, b)
		if d := near.Dist(p); math.Abs(d-want) > 1e-9 {
			t.Fatalf("the nearest point is %g away, want %g", d, want)
		}
	}
}

// Inside the arc against the same library: the arc as a fine polygon.
func TestInsideArcAgainstAnotherLibrary(t *testing.T) {
	rng := rand.New(rand.NewPCG(4, 5))
	for _, preset := range Presets() {
		c := preset.Court
		x, y := c.ArcStraightX(), c.ArcMeetsY()
		ring := orb.Ring{{-x, -50}, {x, -50}, {x, y}}
		from := math.Atan2(y, x)
		const pieces = 4000
		for k := 1; k < pieces; k++ {
			angle := from + (math.Pi-2*from)*float64(k)/pieces
			ring = append(ring, orb.Point{c.ArcRadius * math.Cos(angle), c.ArcRadius * math.Sin(angle)})
		}
		ring = append(ring, orb.Point{-x, y}, orb.Point{-x, -50})
		for range 4000 {
			p := Point{50*rng.Float64() - 25, 40*rng.Float64() - 5}
			// Within a hair of the line the polygon is not the arc.
			if math.Abs(p.Len()-c.ArcRadius) < 0.01 || math.Abs(math.Abs(p.X)-x) < 0.01 {
				continue
			}
			if got, want := c.InsideArc(p), planar.RingContains(ring, orb.Point{p.X, p.Y}); got != want {
				t.Fatalf("%s: %+v inside the arc: %v, the library says %v", preset.ID, p, got, want)
			}
		}
	}
}
