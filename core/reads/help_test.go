package reads

import (
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"evrik/core/court"
	"evrik/core/motion"
)

// ballFive is a ball screen on the right with everybody in place and no help.
func ballFive(t testing.TB) *scene {
	t.Helper()
	s := sceneOf(highSchool(t), Ball)
	chasing(s)
	bigBack(s)
	return s.home(xOne, xTwo, xThree)
}

func jobOf(h Help, x Place) Helper {
	for _, helper := range h.Helpers {
		if helper.Who == x {
			return helper
		}
	}
	return Helper{}
}

func look(h Help, p Place) (HelpLook, int) {
	for i, l := range h.Looks {
		if l.To == p && l.Kind != "pop" {
			return l, i
		}
	}
	return HelpLook{}, -1
}

// Paired and cleared side, the helpers' jobs and who is open, from where people
// stand (common practice, no source).
func TestHelpReader(t *testing.T) {
	s := ballFive(t)
	h, ok := HelpOf(testFloor, &s.Snapshot)
	if !ok || !h.Paired {
		t.Fatalf("the near corner is filled: %+v", h)
	}
	for x, job := range map[Place]Job{xThree: LowTag, xTwo: HighTag, xOne: Plug} {
		if got := jobOf(h, x); got.Job != job || got.Stepped != "" {
			t.Errorf("%s is %+v, want %s", x, got, job)
		}
	}

	// The near corner's defender steps to the roller: the near corner is open and first.
	s.Put(xOne, s.Screener.Toward(court.Point{}, 11))
	h, _ = HelpOf(testFloor, &s.Snapshot)
	if l, at := look(h, one); at != 0 || l.Feet < 3 || l.Window <= 0 || jobOf(h, xOne).Stepped != "roller" {
		t.Errorf("tagged from the corner: %+v at %d, %q", l, at, h.Say)
	}

	// Nobody in the strong corner: three behind the play, the third is the plug.
	s = ballFive(t)
	s.Put(one, court.Point{X: -8.5, Y: 21.6})
	s.home(xOne)
	h, _ = HelpOf(testFloor, &s.Snapshot)
	if h.Paired || jobOf(h, xOne).Job != Plug || jobOf(h, xThree).Job != LowTag || jobOf(h, xTwo).Job != HighTag {
		t.Errorf("cleared side: %+v", h)
	}

	// The big has come out to the ball and nobody reaches the middle: the roller.
	s = ballFive(t)
	s.put(xScreener, cutter, 4, 2, 0)
	h, _ = HelpOf(testFloor, &s.Snapshot)
	if l, at := look(h, screener); at != 0 || !l.Rim {
		t.Errorf("nobody at the midline: roller is look %d, %+v, %q", at, l, h.Say)
	}

	// The guard has stayed with the roller: on a switch the roll is not open.
	s = ballFive(t)
	switched(s)
	h, _ = HelpOf(testFloor, &s.Snapshot)
	if l, _ := look(h, screener); l.Open {
		t.Errorf("the guard is on the roller, and the roll is open: %+v, %q", l, h.Say)
	}
	if _, ok := HelpOf(testFloor, &downFive(t).Snapshot); ok {
		t.Error("an off-ball screen has no ball-screen help")
	}
}

func downFive(t testing.TB) *scene { return sceneOf(highSchool(t), Down) }

// Nobody is called a corner who stands somewhere else, and the sentence names who was left.
func TestHelpNames(t *testing.T) {
	for name, tc := range map[string]struct {
		x, own Place
		says   string
	}{"corner": {xOne, one, "the corner"}, "wing": {xTwo, two, "the wing"}} {
		s := ballFive(t)
		s.Put(tc.x, s.Screener.Toward(court.Point{}, 9))
		h, _ := HelpOf(testFloor, &s.Snapshot)
		l, at := look(h, tc.own)
		if at != 0 || l.Name != tc.says || l.Open && !strings.Contains(h.Say, tc.says) ||
			!strings.Contains(h.Say, string(jobOf(h, tc.x).Job)) {
			t.Errorf("%s: %q, look %d %+v", name, h.Say, at, l)
		}
	}
	s := ballFive(t)
	s.Put(one, court.Point{X: 2, Y: 24}) // the top
	s.Put(xOne, court.Point{X: 2, Y: 10})
	if h, _ := HelpOf(testFloor, &s.Snapshot); strings.Contains(h.Say, "corner") {
		t.Errorf("nobody left a corner: %q", h.Say)
	}
}

// Helpers who can still come: three on a cleared side, two on a paired one, one with an
// exit screen (common practice, no source).
func TestHelpersLeft(t *testing.T) {
	s := ballFive(t)
	cleared := ballFive(t)
	cleared.Put(one, court.Point{X: -8.5, Y: 21.6})
	cleared.home(xOne)
	exit := ballExitScreen.Example(highSchool(t), Drop)
	for want, at := range map[int]*Snapshot{2: &s.Snapshot, 3: &cleared.Snapshot, 1: &exit} {
		if h, _ := HelpOf(testFloor, at); h.Left != want {
			t.Errorf("%s: %d helpers left, want %d", at.Action, h.Left, want)
		}
	}
}

// What holds of every floor: mirrored alike, finite, sorted, and a defender who
// comes nearer to somebody open never opens that player further.
func TestHelpProperties(t *testing.T) {
	rng := rand.New(rand.NewPCG(5, 6))
	for range 3000 {
		s := scattered(rng, ballScreen, ballFive(t).Snapshot)
		m := s.Mirror()
		h, _ := HelpOf(testFloor, &s)
		g, _ := HelpOf(testFloor, &m)
		for i, l := range h.Looks {
			if !finite(l.Feet) || !finite(l.Window) || !finite(l.Seconds) || l.Seconds <= 0 {
				t.Fatalf("%+v", l)
			}
			w := g.Looks[slices.IndexFunc(g.Looks, func(w HelpLook) bool { return w.To == l.To && w.Kind == l.Kind })]
			if math.Abs(w.Feet-l.Feet) > 1e-9 || math.Abs(w.Window-l.Window) > 1e-9 {
				t.Fatalf("%+v, mirrored %+v", l, w)
			}
			if i > 0 && l.rank() > h.Looks[i-1].rank() {
				t.Fatalf("not sorted: %+v", h.Looks)
			}
		}
		near := s
		near.Put(xTwo, s.XTwo.Toward(s.Two, s.XTwo.Dist(s.Two)/2))
		before, _ := look(h, two)
		g, _ = HelpOf(testFloor, &near)
		if after, _ := look(g, two); before.By == xTwo && after.Feet > before.Feet+1e-9 {
			t.Fatalf("the defender came nearer and the wing is more open: %+v, %+v", before, after)
		}
	}
}

func finite(x float64) bool { return !math.IsNaN(x) && !math.IsInf(x, 0) }

func BenchmarkHelp(b *testing.B) {
	s := ballFive(b)
	b.ReportAllocs()
	for b.Loop() {
		HelpOf(testFloor, &s.Snapshot)
	}
}

// FuzzHelp feeds any coordinates of helpers and handler: judged with finite
// figures, or a sentence, never a panic.
func FuzzHelp(f *testing.F) {
	f.Add(1.0, 2.0, 3.0, 4.0, 5.0, 6.0)
	f.Add(0.0, 0.0, 0.0, 0.0, 0.0, 0.0)
	f.Add(math.Inf(1), math.NaN(), 0.0, -1e308, 5.0, 1e-300)
	f.Fuzz(func(t *testing.T, ax, ay, bx, by, cx, cy float64) {
		s := ballFive(t)
		s.XOne, s.XTwo, s.Cutter = court.Point{X: ax, Y: ay}, court.Point{X: bx, Y: by}, court.Point{X: cx, Y: cy}
		h, ok := HelpOf(testFloor, &s.Snapshot)
		if !ok || len(h.Looks) != 5 || h.Say == "" {
			t.Fatalf("%+v", h)
		}
		a, err := Judge(On(highSchool(t)), &s.Snapshot)
		if err != nil {
			return
		}
		for _, l := range a.Help.Looks {
			if !finite(l.Feet) || !finite(l.Window) || !finite(l.Seconds) {
				t.Fatalf("%+v", l)
			}
		}
	})
}

// A lob from one side of the floor to the other, 25 ft or more on the high-school floor, is not called open, however
// free its receiver is: the defense gets there while the ball is in the air.
func TestNoLobAcrossTheFloor(t *testing.T) {
	fl, s := testFloor, Snapshot{Cutter: court.Point{X: 12, Y: 15}}
	for _, c := range []struct {
		way     motion.Way
		end     court.Point
		alone   float64
		open    bool
		explain string
	}{
		{motion.Over, court.Point{X: -12, Y: 7.5}, 2, false, "25.1 ft across"},
		{motion.Over, court.Point{X: -12, Y: 8.5}, 2, true, "24.9 ft across"},
		{motion.Over, court.Point{X: 12, Y: 45}, 2, true, "far, on one side"},
		{motion.Straight, court.Point{X: -20, Y: 5}, 2, true, "no lob"},
		{motion.Over, court.Point{X: -12, Y: 8.5}, OpenWindow, true, "as long as a shot needs"},
		{motion.Over, court.Point{X: -12, Y: 8.5}, OpenWindow - 0.01, false, "not long enough"},
		{motion.Blocked, court.Point{X: 12, Y: 5}, 2, false, "a pass that cannot be thrown"},
	} {
		o := motion.Outcome{Way: c.way, End: c.end, Alone: c.alone, Feet: 9}
		if l := ballScreen.lookOf(fl, &s, o, one, "spot"); l.Open != c.open || (l.Feet > 0) == (c.way == motion.Blocked) {
			t.Errorf("%s: %+v", c.explain, l)
		}
	}
}
