package reads

import (
	"math"
	"math/rand/v2"
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
		if l.To == p {
			return l, i
		}
	}
	return HelpLook{}, -1
}

// Paired and cleared side, the helpers' jobs and who is open, from where people
// stand (common practice, no source).
func TestHelpReader(t *testing.T) {
	s := ballFive(t)
	h, ok := HelpOf(motion.DefaultPace, &s.Situation)
	if !ok || !h.Paired {
		t.Fatalf("the near corner is filled: %+v", h)
	}
	for x, job := range map[Place]Job{xThree: LowTag, xTwo: HighTag, xOne: Plug} {
		if got := jobOf(h, x); got.Job != job || got.Stepped != "" {
			t.Errorf("%s is %+v, want %s", x, got, job)
		}
	}

	// The near corner's man steps to the roller: the near corner is open and first.
	s.Put(xOne, s.Screener.Toward(court.Point{}, 11))
	h, _ = HelpOf(motion.DefaultPace, &s.Situation)
	if l, at := look(h, one); at != 0 || l.Feet < 4 || l.Window <= 0 || jobOf(h, xOne).Stepped != "roller" {
		t.Errorf("tagged from the corner: %+v at %d, %q", l, at, h.Say)
	}

	// Nobody in the strong corner: three behind the play, the third is the plug.
	s = ballFive(t)
	s.Put(one, court.Point{X: -8.5, Y: 21.6})
	s.home(xOne)
	h, _ = HelpOf(motion.DefaultPace, &s.Situation)
	if h.Paired || jobOf(h, xOne).Job != Plug || jobOf(h, xThree).Job != LowTag || jobOf(h, xTwo).Job != HighTag {
		t.Errorf("cleared side: %+v", h)
	}

	// The big has come out to the ball and nobody reaches the middle: the roller.
	s = ballFive(t)
	s.put(xScreener, cutter, 4, 2, 0)
	h, _ = HelpOf(motion.DefaultPace, &s.Situation)
	if l, at := look(h, screener); at != 0 || !l.Rim {
		t.Errorf("nobody at the midline: roller is look %d, %+v, %q", at, l, h.Say)
	}

	// One helper between two attackers has two.
	s = ballFive(t)
	s.Put(xThree, court.Point{X: 3, Y: 5})
	s.Put(xTwo, s.Two.Add(s.Three.Sub(s.Two).Scale(0.5)))
	if h, _ = HelpOf(motion.DefaultPace, &s.Situation); !jobOf(h, xTwo).Two {
		t.Errorf("he has two: %+v", h)
	}
	if _, ok := HelpOf(motion.DefaultPace, &downFive(t).Situation); ok {
		t.Error("an off-ball screen has no ball-screen help")
	}
}

func downFive(t testing.TB) *scene { return sceneOf(highSchool(t), Down) }

// Windows obey textbook kinematics: a lone closeout over d feet from rest takes
// v/(2a) + d/v once past v²/(2a), the pass its distance over its speed.
func TestHelpWindowClosedForm(t *testing.T) {
	s := ballFive(t)
	gap := 16.0
	s.put(xCutter, cutter, 0, 3, 0) // out of the ball's way
	for _, x := range []Place{xTwo, xThree, xScreener} {
		s.Put(x, court.Point{X: -21, Y: 20 + float64(x)/10})
	}
	s.Put(xOne, s.One.Toward(court.Point{}, gap))
	h, _ := HelpOf(motion.DefaultPace, &s.Situation)
	l, _ := look(h, one)
	r := motion.DefaultPace.Cutting()
	far := gap - Contest
	want := motion.DefaultPace.React + r.Top/(2*r.Accel) + far/r.Top - (released + s.Cutter.Dist(s.One)/motion.DefaultPace.Pass)
	if far <= r.Top*r.Top/(2*r.Accel) || l.Pass != Direct || math.Abs(l.Window-want) > 1e-9 || l.By != xOne {
		t.Errorf("window %.4f by %s (%s), closed form %.4f", l.Window, l.By, l.Pass, want)
	}
}

// What holds of every floor: mirrored alike, finite, sorted, and a defender who
// comes nearer to an open man never opens him further.
func TestHelpProperties(t *testing.T) {
	rng := rand.New(rand.NewPCG(5, 6))
	for range 3000 {
		s := scattered(rng, ballScreen, ballFive(t).Situation)
		m := s.Mirror()
		h, _ := HelpOf(motion.DefaultPace, &s)
		g, _ := HelpOf(motion.DefaultPace, &m)
		for i, l := range h.Looks {
			if !finite(l.Feet) || !finite(l.Window) || !finite(l.Seconds) || l.Seconds <= 0 {
				t.Fatalf("%+v", l)
			}
			w, _ := look(g, l.To)
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
		g, _ = HelpOf(motion.DefaultPace, &near)
		if after, _ := look(g, two); after.Feet > before.Feet+1e-9 {
			t.Fatalf("his man came nearer and he is more open: %+v, %+v", before, after)
		}
	}
}

func finite(x float64) bool { return !math.IsNaN(x) && !math.IsInf(x, 0) }

func BenchmarkHelp(b *testing.B) {
	s := ballFive(b)
	b.ReportAllocs()
	for b.Loop() {
		HelpOf(motion.DefaultPace, &s.Situation)
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
		h, ok := HelpOf(motion.DefaultPace, &s.Situation)
		if !ok || len(h.Looks) != 4 || h.Say == "" {
			t.Fatalf("%+v", h)
		}
		a, err := Judge(On(highSchool(t)), &s.Situation)
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
