package reads

import (
	"math"
	"testing"

	"evrik/core/court"
)

// A closeout by distance and speed: a defender who runs v feet a second needs v²/(2·16)
// feet to stop (braking 16 ft/s², assumption), and flies where less is left.
func TestCloseoutByDistanceAndSpeed(t *testing.T) {
	c := highSchool(t)
	base := closeout.Example(c, Late)
	at := func(feet, speed float64) Snapshot {
		s := base
		way := court.Point{}.Sub(s.Cutter).Unit()
		s.XCutter = s.Cutter.Add(way.Scale(feet))
		s.Velocity.Set(xCutter, way.Scale(-speed))
		return s
	}
	for _, tc := range []struct {
		feet, speed float64
		cue         Cue
		read        Read
	}{
		{9, 5, Late, CatchShoot}, {12, 18, Late, CatchShoot}, // twelve feet away even a sprint is late
		{5, 2, Short, CatchShoot}, {5, 8, Short, CatchShoot}, // 2 ft to stop, 3 left
		{2.5, 2, Balanced, Swing}, {3, 0, Balanced, Swing},
		{5, 12, Flying, FakeGo}, {8, 15, Flying, FakeGo}, {3, 10, Flying, FakeGo},
	} {
		s := at(tc.feet, tc.speed)
		j, err := Judge(On(c), &s)
		if err != nil || j.Cue != tc.cue || j.Row.CutterRead != tc.read {
			t.Errorf("%.0f ft away at %.0f ft/s: %s -> %s, want %s -> %s (%v)", tc.feet, tc.speed, j.Cue,
				j.Row.CutterRead, tc.cue, tc.read, err)
		}
	}
	// The limit itself, against the closed form: twice the braking times what is left.
	feet := 6.0
	limit := math.Sqrt(2 * 16 * (feet - 2))
	slow, quick := at(feet, limit-0.1), at(feet, limit+0.1)
	if a, b := Classify(testFloor, &slow).Cue, Classify(testFloor, &quick).Cue; a == Flying || b != Flying {
		t.Errorf("at %.2f ft/s: %s and %s", limit, a, b)
	}
	// One who runs away does not fly at the catch.
	away := at(5, -12)
	if cue := Classify(testFloor, &away).Cue; cue == Flying {
		t.Error("a defender who leaves flies at the catch")
	}
	// Without a word of movement it cannot be told.
	still := at(5, 0)
	still.Velocity = Vectors{}
	if j, err := Judge(On(c), &still); err != nil || j.State != Open || len(j.Watch) == 0 {
		t.Errorf("a still picture: %s, watch %v (%v)", j.State, j.Watch, err)
	}
}

// Who shoots decides the answer to a closeout that comes late or stops short, and the next
// player's defender whether the ball goes on.
func TestCloseoutByWhoCatches(t *testing.T) {
	c := highSchool(t)
	for _, cue := range []Cue{Late, Short} {
		s := closeout.Example(c, cue)
		s.CutterShoots = No
		j, err := Judge(On(c), &s)
		if err != nil || j.Row.CutterRead != DriveGap {
			t.Errorf("%s, no shooter: %s (%v)", cue, j.Row.CutterRead, err)
		}
		s.CutterShoots = Yes
		if j, _ = Judge(On(c), &s); accepts(j, DriveGap) || accepts(j, Swing) {
			t.Errorf("%s, a shooter: %+v", cue, j.Accepted)
		}
		s.XOne = s.One.Add(court.Point{X: -10, Y: 4})
		if j, _ = Judge(On(c), &s); !accepts(j, Swing) {
			t.Errorf("%s, the next one left alone: %+v", cue, j.Accepted)
		}
	}
}

// The defender who flies takes the fake and is out of the play; the one who is there does
// not.
func TestFakesFoolWhoFlies(t *testing.T) {
	c := highSchool(t)
	window := func(cue Cue, read Read) float64 {
		s := closeout.Example(c, cue)
		for _, o := range Options(On(c), &s) {
			if o.Read == read {
				return o.Window
			}
		}
		t.Fatalf("%s is not played", read)
		return 0
	}
	if fly, shot := window(Flying, FakeGo), window(Flying, CatchShoot); fly <= shot {
		t.Errorf("flying: fake %.2f s, shot %.2f", fly, shot)
	}
	if fly, there := window(Flying, FakeGo), window(Balanced, FakeGo); fly <= there {
		t.Errorf("fake at a flyer %.2f s, at a balanced defender %.2f", fly, there)
	}
}
