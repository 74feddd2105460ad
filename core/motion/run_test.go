package motion

import (
	"math"
	"math/rand/v2"
	"testing"

	"evrik/core/court"
)

// From rest on a straight line the closed form of textbook kinematics holds;
// with a start speed, and round corners, a numeric integration is the check.
func TestAlongAndArrival(t *testing.T) {
	rng := rand.New(rand.NewPCG(1, 1))
	for range 300 {
		r := Runner{Accel: 5 + 10*rng.Float64(), Top: 10 + 10*rng.Float64()}
		at := func() court.Point { return court.Point{X: 40*rng.Float64() - 20, Y: 30 * rng.Float64()} }
		from, path := at(), []court.Point{at(), at(), at()}
		if got, want := r.Arrival(Mover{At: from}, path[:1]), r.TimeTo(from.Dist(path[0])); math.Abs(got-want) > 1e-9 {
			t.Fatalf("from rest: %g s, want %g", got, want)
		}
		m := Mover{from, court.Point{X: 20*rng.Float64() - 10, Y: 20*rng.Float64() - 10}}
		arrive := r.Arrival(m, path)
		if p, there := r.Along(m, path, arrive+1e-9); !there || p.Dist(path[2]) > 1e-6 {
			t.Fatalf("at the time of arrival the runner is %+v", p)
		}
		if p, there := r.Along(m, path, 0); there || p != from {
			t.Fatalf("at the start the runner is %+v", p)
		}
		// The integration keeps what speed points along a leg and loses the time
		// to stop what does not.
		want, v, pos := 0.0, m.Velocity, from
		const dt = 2e-4
		for _, to := range path {
			dir := to.Sub(pos).Unit()
			speed := v.Dot(dir)
			for speed < 0 {
				speed += Braking * dt
				want += dt
			}
			speed = min(speed, r.Top)
			for gone, length := 0.0, pos.Dist(to); gone < length; want += dt {
				speed = min(r.Top, speed+r.Accel*dt)
				gone += speed * dt
			}
			pos, v = to, dir.Scale(speed)
		}
		if math.Abs(want-arrive) > 0.01 {
			t.Fatalf("integrated %g s, closed form %g", want, arrive)
		}
		last := from
		for k := 1; k <= 50; k++ {
			p, _ := r.Along(m, path, arrive*float64(k)/50)
			if p.Dist(last) > r.Top*arrive/50+1e-9 {
				t.Fatalf("the runner jumped %g ft in %g s", p.Dist(last), arrive/50)
			}
			last = p
		}
	}
}

func TestRound(t *testing.T) {
	body := court.Point{X: 0, Y: 0}
	from, to := court.Point{X: -5, Y: 0.3}, court.Point{X: 5, Y: 0.3}
	path := Round(from, to, body, 1.5)
	if len(path) != 2 || math.Abs(path[0].Dist(body)-1.5) > 1e-9 || path[0].Y < 0 {
		t.Errorf("round the body: %+v", path)
	}
	if p := Round(from, to, court.Point{X: 0, Y: 4}, 1.5); len(p) != 1 || p[0] != to {
		t.Errorf("a body off the way: %+v", p)
	}
	if p := Round(from, to, court.Point{X: 0, Y: 0.3}, 1.5); len(p) != 2 ||
		math.Abs(p[0].Dist(court.Point{X: 0, Y: 0.3})-1.5) > 1e-9 {
		t.Errorf("a body right on the way: %+v", p)
	}
}

// Coming to a stop, against a fine integration of speeding up and braking at two rates.
func TestStopAt(t *testing.T) {
	rng := rand.New(rand.NewPCG(31, 32))
	for range 200 {
		r := Runner{8 + 16*rng.Float64(), 12 + 10*rng.Float64()}
		u, d := 8*rng.Float64(), 4+40*rng.Float64()
		if u*u/(2*Braking) > d {
			continue
		}
		const dt = 1e-4
		want, v, left := 0.0, u, d
		for left > 1e-3 && want < 20 {
			// Brake as soon as only the stopping distance is left.
			if v*v/(2*Braking) >= left {
				v = max(0.01, v-Braking*dt)
			} else {
				v = min(r.Top, v+r.Accel*dt)
			}
			left -= v * dt
			want += dt
		}
		got := r.StopAt(Mover{court.Point{}, court.Point{X: u}}, []court.Point{{X: d / 2}, {X: d}})
		if math.Abs(got-want) > 0.05 {
			t.Fatalf("%+v, %.1f ft/s over %.1f ft: %.3f s, integrated %.3f", r, u, d, got, want)
		}
	}
}

// 10 m from rest against published field tests of youth athletes, from memory: boys of
// high schools 1.8 to 2.0 s, ages 13 to 14 about 1.95 to 2.15, ages 10 to 11 about 2.1 to
// 2.3. Timing gates start after the first push, so that a model from rest may be up to
// 0.2 s slower.
func TestSprintsAgainstFieldTests(t *testing.T) {
	const tenMeters, push = 32.81, 0.2
	for band, told := range map[string][2]float64{"grades 9-12": {1.8, 2.0}, "12-14": {1.95, 2.15},
		"9-11": {2.1, 2.3}} {
		if s := PaceOf(band).Sprinting().TimeTo(tenMeters); s < told[0] || s > told[1]+push {
			t.Errorf("%s: %.2f s, field tests say %.2f to %.2f", band, s, told[0], told[1])
		} else {
			t.Logf("%s: 10 m in %.2f s", band, s)
		}
	}
}
