package motion

import (
	"math"
	"math/rand/v2"
	"testing"

	"evrik/core/court"
)

// alone is a passer at the top and a catcher in the corner with one defender each.
func alone(away float64) Moment {
	corner := court.Point{X: 22, Y: 1}
	return Moment{
		Attack:    [Most]Body{{At: court.Point{Y: 23}}, {At: corner}},
		Defend:    [Most]Body{{At: court.Point{Y: 20}, Guards: 0}, {At: corner.Toward(court.Point{}, away), Guards: 1}},
		Attackers: 2, Defenders: 2, Pace: DefaultPace, Range: 24, ArcRadius: 19.75,
	}
}

// A pass to somebody who stands, against closed forms: the ball flies its distance at its
// speed, the defender reacts, runs the distance less an arm and stops.
func TestKickOutClosedForm(t *testing.T) {
	for _, away := range []float64{12, 14, 16} {
		m := alone(away)
		o := m.Play(&Try{Receiver: 1, Leaves: 0.5})
		ball := 0.5 + m.Attack[0].At.Dist(m.Attack[1].At)/m.Pace.Skip // longer than longPass
		r, d := m.Pace.Cutting(), away-Contest
		top := min(r.Top, math.Sqrt(2*r.Accel*Braking*d/(r.Accel+Braking)))
		there := m.Pace.React + top/r.Accel + top/Braking
		want := max(LeastWindow, min(mostWindow, there-ball-Release(22)))
		if o.Way != Straight || math.Abs(o.Ball-ball) > 1e-9 || math.Abs(o.Window-want) > 1e-9 || o.By != 1 {
			t.Errorf("%.0f ft away: %+v, want a ball at %.3f and a window of %.3f", away, o, ball, want)
		}
	}
}

// What must hold of every try: mirrored alike, in bounds, and never more open when the
// defender starts nearer or reacts faster.
func TestMomentProperties(t *testing.T) {
	rng := rand.New(rand.NewPCG(41, 42))
	near := func(p court.Point, r float64) court.Point {
		return p.Add(court.Point{X: r * (2*rng.Float64() - 1), Y: r * (2*rng.Float64() - 1)})
	}
	for range 3000 {
		m := alone(6 + 14*rng.Float64())
		m.Defend[1].At = near(m.Defend[1].At, 3)
		m.Defend[0].Velocity = near(court.Point{}, 6)
		try := Try{Receiver: 1, Leaves: 0.4 * rng.Float64()}
		if rng.IntN(2) == 0 {
			end := court.Point{X: 3, Y: 2}
			try.Runs = []Run{{Who: 1, Path: []court.Point{near(court.Point{X: 12, Y: 4}, 2), end}, ToRim: true,
				Stride: 6}}
		}
		o := m.Play(&try)
		if math.IsNaN(o.Window) || o.Window < LeastWindow || o.Window > mostWindow || o.Ball <= 0 || o.Feet < 0 {
			t.Fatalf("%+v", o)
		}
		// An open shot has nobody within reach, and the other way around.
		if o.Way != Blocked && (o.Window > 0) != (o.Feet > Contest) && o.Window != 0 {
			t.Fatalf("window %.2f s and %.1f ft", o.Window, o.Feet)
		}
		mirrored, flipped := m, try
		for i := range Most {
			mirrored.Attack[i].At, mirrored.Attack[i].Velocity = m.Attack[i].At.Mirror(), m.Attack[i].Velocity.Mirror()
			mirrored.Defend[i].At, mirrored.Defend[i].Velocity = m.Defend[i].At.Mirror(), m.Defend[i].Velocity.Mirror()
		}
		flipped.Runs = nil
		for _, r := range try.Runs {
			r.Path = []court.Point{r.Path[0].Mirror(), r.Path[1].Mirror()}
			flipped.Runs = append(flipped.Runs, r)
		}
		if p := mirrored.Play(&flipped); math.Abs(p.Window-o.Window) > 1e-9 || p.Way != o.Way {
			t.Fatalf("%+v, mirrored %+v", o, p)
		}
		slow := m
		slow.Pace.React += 0.2
		if p := slow.Play(&try); len(try.Runs) == 0 && p.Window < o.Window-1e-9 {
			t.Fatalf("slower defenders, and less open: %+v, %+v", p, o)
		}
	}
}

// Two defenders who are nearer to each other's player, and stay so, have exchanged; a
// handoff cannot be given through a defender; a shot from too far out is none.
func TestWhoFollowsWhom(t *testing.T) {
	m := Moment{
		Attack: [Most]Body{{At: court.Point{X: 10, Y: 18}, Velocity: court.Point{X: -8}},
			{At: court.Point{X: 10, Y: 15}}},
		Defend: [Most]Body{{At: court.Point{X: 10, Y: 13}, Guards: 0},
			{At: court.Point{X: 7, Y: 18}, Guards: 1, Velocity: court.Point{X: -4}}},
		Attackers: 2, Defenders: 2, Pace: DefaultPace, Range: 24, Involved: [2]int{0, 1},
	}
	if !m.Exchanged() {
		t.Error("the two have exchanged")
	}
	settled := m
	settled.Settle()
	settled.Defend[0].At, settled.Defend[1].At = settled.Defend[1].At, settled.Defend[0].At
	if !settled.Exchanged() {
		t.Error("who follows whom was settled and has changed")
	}
	// One who is still nearer to the own player has not: that one chases, and the other shows.
	chases := m
	chases.Defend[0].At, chases.Defend[1].At = court.Point{X: 12, Y: 17}, court.Point{X: 7, Y: 19}
	if chases.Exchanged() {
		t.Error("a chaser and one who shows have exchanged")
	}
	m.Defend[0].At, m.Defend[1].At = m.Defend[1].At, m.Defend[0].At
	if m.Exchanged() {
		t.Error("nobody has exchanged")
	}
	m.Involved = [2]int{}
	m.Ball = 1
	m.Defend[0] = Body{At: court.Point{X: 10, Y: 16.2}, Guards: 0}
	m.Attack[0].At = court.Point{X: 10, Y: 20}
	run := []Run{{Who: 0, Path: []court.Point{{X: 4, Y: 10}}, Dribble: true}}
	if o := m.Play(&Try{Receiver: 0, Handed: true, Runs: run}); o.Way != Blocked {
		t.Errorf("a denied handoff was given: %+v", o)
	}
	m.Range = 5
	if o := m.Play(&Try{Receiver: 1}); o.Window != LeastWindow {
		t.Errorf("a shot out of range: %+v", o)
	}
}

// A run is stopped by a defender who crosses it before seeing it, and not by one who is
// gone by then.
func TestCrossingDefender(t *testing.T) {
	stopped := func(speed float64) bool {
		m := Moment{
			Attack: [Most]Body{{At: court.Point{Y: 20}, Velocity: court.Point{Y: -16}},
				{At: court.Point{X: 20, Y: 20}}},
			Defend: [Most]Body{{At: court.Point{X: -0.9, Y: 16}, Velocity: court.Point{X: speed}, Guards: 1,
				Away: true}},
			Attackers: 2, Defenders: 1, Pace: DefaultPace, Range: 24,
		}
		run := Run{Who: 0, Path: []court.Point{{Y: 4}}, ToRim: true}
		return m.cutsOff(0, 0, &run, m.passings(&run, nil))
	}
	if !stopped(0) || !stopped(2) {
		t.Error("a body in the way stops nobody")
	}
	if stopped(-14) {
		t.Error("a defender who has gone by is in the way")
	}
}
