package motion

import (
	"math"
	"strings"
	"testing"

	"evrik/core/court"
)

// The age bands run from slow to quick in every figure, and every one of them
// is a pace that can be.
func TestPaces(t *testing.T) {
	last := Pace{React: 9}
	for _, band := range []string{"7-8", "9-11", "12-14", "grades 9-12"} {
		p := PaceOf(band)
		if err := p.Validate(); err != nil {
			t.Errorf("%s: %v", band, err)
		}
		if !(p.Accel > last.Accel && p.Top > last.Top && p.Pass > last.Pass && p.Skip > last.Skip &&
			p.React < last.React && p.Skip < p.Pass) {
			t.Errorf("%s: %+v is not quicker than %+v", band, p, last)
		}
		if p.Dribbling().TimeTo(20) <= p.Cutting().TimeTo(20) || p.Jogging().TimeTo(20) <= p.Dribbling().TimeTo(20) {
			t.Errorf("%s: with the ball is not slower", band)
		}
		last = p
	}
	if PaceOf("moon") != DefaultPace || PaceOf("12-14") != DefaultPace {
		t.Error("an unknown band has the default's pace")
	}
	for field, change := range map[string]func(*Pace){
		"name.acceleration":              func(p *Pace) { p.Accel = 0 },
		"name.top-speed":                 func(p *Pace) { p.Top = 300 },
		"name.reaction":                  func(p *Pace) { p.React = math.NaN() },
		"motion.pace: name.pass, 10, 80": func(p *Pace) { p.Pass = -1 },
		"name.skip-pass":                 func(p *Pace) { p.Skip = math.Inf(1) },
	} {
		p := DefaultPace
		change(&p)
		if err := p.Validate(); err == nil || !strings.Contains(err.Error(), field) {
			t.Errorf("%s: %v", field, err)
		}
	}
}

// FuzzAlong moves somebody along any path at any time: the place is finite,
// and reached when Arrival says so.
func FuzzAlong(f *testing.F) {
	f.Add(0.0, 0.0, 3.0, -4.0, 10.0, 10.0, -5.0, 2.0, 1.5)
	f.Add(0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0)
	f.Add(1e6, -1e6, 1e6, 1e6, -1e6, 1e6, 1e-9, -1e-9, 1e6)
	f.Fuzz(func(t *testing.T, x, y, vx, vy, ax, ay, bx, by, at float64) {
		for _, v := range []float64{x, y, vx, vy, ax, ay, bx, by, at} {
			if math.IsNaN(v) || math.Abs(v) > 1e6 { // the engine lets nobody off the court
				return
			}
		}
		m := Mover{court.Point{X: x, Y: y}, court.Point{X: vx, Y: vy}}
		path := []court.Point{{X: ax, Y: ay}, {X: bx, Y: by}}
		r := DefaultPace.Cutting()
		end := r.Arrival(m, path)
		if math.IsNaN(end) || math.IsInf(end, 0) || end < 0 {
			t.Fatalf("arrival %g", end)
		}
		if p, _ := r.Along(m, path, at); !p.Finite() {
			t.Fatalf("at %g s the runner is %+v", at, p)
		}
		if p, there := r.Along(m, path, end*(1+1e-9)+1e-6); !there || p.Dist(path[1]) > 1e-6 {
			t.Fatalf("on arrival, %g s, the runner is %+v", end, p)
		}
		if q := Round(path[0], path[1], m.At, 1.5); len(q) == 0 || !q[0].Finite() || q[len(q)-1] != path[1] {
			t.Fatalf("round a body: %+v", q)
		}
	})
}
