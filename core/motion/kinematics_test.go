package motion

import (
	"math"
	"testing"
)

// Textbook kinematics: v/(2a) + d/v once past v²/(2a), and the two functions
// are each other's inverse; a numeric integration is the independent check.
func TestStraightLine(t *testing.T) {
	for _, r := range []Runner{DefaultPace.Cutting(), DefaultPace.Jogging(), {Accel: 5, Top: 20}} {
		ramp := r.Top * r.Top / (2 * r.Accel)
		for _, d := range []float64{0.1, ramp / 2, ramp, ramp * 1.5, 40} {
			got := r.TimeTo(d)
			if back := r.Covered(got); math.Abs(back-d) > 1e-9 {
				t.Errorf("%+v: %g ft takes %g s, in which %g ft are covered", r, d, got, back)
			}
			if d > ramp {
				if want := r.Top/(2*r.Accel) + d/r.Top; math.Abs(got-want) > 1e-12 {
					t.Errorf("%+v: TimeTo(%g) = %g, want %g", r, d, got, want)
				}
			}
			var pos, v, now float64
			const dt = 1e-5
			for pos < d {
				v = min(r.Top, v+r.Accel*dt)
				pos += v * dt
				now += dt
			}
			if math.Abs(now-got) > 1e-3 {
				t.Errorf("%+v: integrated %g s for %g ft, TimeTo says %g", r, now, d, got)
			}
		}
		if r.TimeTo(0) != 0 || r.TimeTo(-1) != 0 || r.Covered(-1) != 0 {
			t.Error("nothing to cover takes no time")
		}
	}
}
