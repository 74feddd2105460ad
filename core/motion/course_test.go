package motion

import (
	"math/rand/v2"
	"testing"

	"evrik/core/court"
)

// A course agrees with the run it was made from at every moment.
func TestCourse(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 1))
	for n := range 500 {
		r := Runner{10 + 20*rng.Float64(), 10 + 15*rng.Float64()}
		point := func() court.Point { return court.Point{X: 40 * rng.Float64(), Y: 40 * rng.Float64()} }
		from := point()
		path := make([]court.Point, 1+rng.IntN(3))
		for i := range path {
			path[i] = point()
		}
		c := r.Course(from, path)
		if d := c.Took() - r.Arrival(Mover{At: from}, path); d > 1e-9 || d < -1e-9 {
			t.Fatalf("%d: takes %v more", n, d)
		}
		for s := -0.1; s < c.Took()+0.5; s += 0.07 {
			want, _ := r.Along(Mover{At: from}, path, max(0, s))
			if got := c.At(s); got.Dist(want) > 1e-9 {
				t.Fatalf("%d: at %.2f s in %v instead of %v", n, s, got, want)
			}
		}
	}
}
