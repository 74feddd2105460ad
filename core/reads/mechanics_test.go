package reads

import (
	"math"
	"strings"
	"testing"

	"evrik/core/court"
)

func check(t *testing.T, c court.Court, s *Snapshot, id string) (Check, bool) {
	t.Helper()
	for _, k := range Mechanics(floorOn(c), s) {
		if k.ID == id {
			if k.Text == "" || math.IsNaN(k.Feet) {
				t.Errorf("check %+v", k)
			}
			return k, true
		}
	}
	return Check{}, false
}

// A well-set screen passes every check on every court; each fault is found when
// it is made, with its measure, and on both sides of the floor.
func TestMechanics(t *testing.T) {
	for _, p := range court.Presets() {
		for _, screen := range Actions() {
			for _, cue := range []Cue{Trail, Stuck, Under, Jump} {
				s := screen.Example(p.Court, cue)
				m := s.Mirror()
				for _, k := range Mechanics(floorOn(p.Court), &s) {
					mirrored, _ := check(t, p.Court, &m, k.ID)
					if math.Abs(mirrored.Feet-k.Feet) > 1e-9 || mirrored.OK != k.OK {
						t.Errorf("%s %s: %+v, mirrored %+v", screen.ID, cue, k, mirrored)
					}
					if !k.OK {
						t.Errorf("%s on %s, %s: %s", screen.ID, p.ID, cue, k.Text)
					}
				}
			}
		}
	}
	c, base := down(t, Trail)
	f := newFrame(&base)
	for _, tc := range []struct {
		id, text string
		change   func(*Snapshot)
		feet     float64
	}{
		{"daylight", "24 inches of daylight", func(s *Snapshot) { s.Cutter = f.at(0, 2*BodyRadius+2) }, 2},
		{"body", "misses the defender by 2.0 ft", func(s *Snapshot) {
			s.XCutter, s.To = f.at(-4, 2*BodyRadius+2), f.at(12, 2*BodyRadius+2)
		}, 2},
		{"spacing", "Only 8 ft", func(s *Snapshot) { s.Passer = s.To.Add(court.Point{X: -8}) }, 8},
		{"lane", "in the pass", func(s *Snapshot) { s.XScreener = s.Passer.Toward(s.To, 9) }, 0},
		{"back", "turned 90 degrees off", func(s *Snapshot) { s.Back = s.Screener.Add(s.To.Sub(s.Screener).Left()) },
			90},
		{"line", "Toes on the line", func(s *Snapshot) { s.To = s.To.Unit().Scale(c.ArcRadius + 0.5) }, 0.5},
	} {
		if k, _ := check(t, c, &base, tc.id); !k.OK {
			t.Errorf("%s is wrong from the start: %s", tc.id, k.Text)
		}
		s := base
		tc.change(&s)
		k, ok := check(t, c, &s, tc.id)
		if !ok || k.OK || !strings.Contains(k.Text, tc.text) || math.Abs(k.Feet-tc.feet) > 0.02 {
			t.Errorf("%s: %+v, want %q and %.1f ft", tc.id, k, tc.text, tc.feet)
		}
	}
}

// How the others space the floor, how the screener leaves, and where the cutter stops
// behind a re-screen: each fault is found when it is made (common practice, no source: 12 ft between
// neighbors, three never inside the arc, nobody's toes on the line).
func TestSpacingAndWays(t *testing.T) {
	c := highSchool(t)
	base := ballScreen.Example(c, Drop)
	for _, tc := range []struct {
		id, text string
		change   func(*Snapshot)
		feet     float64
	}{
		{"spread", "Only 7 ft between the far wing and the far corner",
			func(s *Snapshot) { s.Two = s.Three.Add(court.Point{Y: 7}) }, 7},
		{"inside", "3 attackers inside the arc", func(s *Snapshot) {
			s.Two, s.Three = court.Point{X: -7, Y: 14}, court.Point{X: -8, Y: 0}
		}, 3},
		{"standoff", "The near corner has toes", func(s *Snapshot) { s.One = s.One.Unit().Scale(c.ArcRadius + 0.4) },
			0.4},
	} {
		if k, ok := check(t, c, &base, tc.id); !ok || !k.OK {
			t.Errorf("%s is wrong from the start: %+v", tc.id, k)
		}
		s := base
		tc.change(&s)
		if k, _ := check(t, c, &s, tc.id); k.OK || !strings.Contains(k.Text, tc.text) ||
			math.Abs(k.Feet-tc.feet) > 0.02 {
			t.Errorf("%s: %+v, want %q and %.1f", tc.id, k, tc.text, tc.feet)
		}
	}

	_, switched := down(t, Switch)
	if k, ok := check(t, c, &switched, "exit"); !ok || !k.OK || k.Feet > 0.01 {
		t.Errorf("straight out: %+v", k)
	}
	// A detour over a point d off the straight way, half way down it.
	rim := finishNear(switched.Screener)
	half, way := switched.Screener.Add(rim).Scale(0.5), rim.Sub(switched.Screener)
	switched.Exit = half.Add(way.Unit().Left().Scale(5))
	want := 2*math.Hypot(way.Len()/2, 5) - way.Len()
	if k, _ := check(t, c, &switched, "exit"); k.OK || math.Abs(k.Feet-want) > 1e-9 ||
		!strings.Contains(k.Text, "A loop of") {
		t.Errorf("a loop of %.2f ft: %+v", want, k)
	}

	_, under := down(t, Under)
	if k, ok := check(t, c, &under, "stop"); !ok || !k.OK {
		t.Errorf("straight behind the back: %+v", k)
	}
	f := newFrame(&under)
	under.XCutter, under.Cutter = f.at(1.5, -4), f.at(2.8, 2.5)
	if k, _ := check(t, c, &under, "stop"); k.OK || !strings.Contains(k.Text, "at an angle") {
		t.Errorf("off to an angle: %+v", k)
	}
	_, trail := down(t, Trail)
	if _, asked := check(t, c, &trail, "stop"); asked {
		t.Error("nobody went under, and the stop is judged")
	}
}

// A screen that is set too high is named when the defender slides by below it.
func TestScreenSetTooHigh(t *testing.T) {
	c, s := down(t, Under)
	f := newFrame(&s)
	s.XCutter = f.at(1, -2*BodyRadius-MissBelow-0.5)
	if k, _ := check(t, c, &s, "body"); k.OK || !strings.Contains(k.Text, "slid below with 3.5 ft") {
		t.Errorf("%+v", k)
	}
	s.XCutter = f.at(1, -2*BodyRadius-MissBelow+0.5)
	if k, _ := check(t, c, &s, "body"); !k.OK {
		t.Errorf("%+v", k)
	}
}
