package reads

import (
	"math"
	"math/rand/v2"
	"testing"

	"evrik/core/court"
)

// Table and kinematics agree on clear situations of every screen. Below nine in
// ten is a fault of the model (docs/model.md).
func TestTableAndKinematicsAgree(t *testing.T) {
	for _, s := range Screens() {
		if len(s.ownReads()) == 0 {
			continue
		}
		const least = 0.90
		a := Agree(On(highSchool(t)), s, 2000, 7)
		if a.Clear != 2000 || a.Share() < least {
			t.Errorf("%s: %.1f %% of %d agree, want %.0f %%: %v", s.ID, 100*a.Share(), a.Clear, 100*least, a.Instead)
		}
	}
	one, two := Agree(On(highSchool(t)), downScreen, 500, 3), Agree(On(highSchool(t)), downScreen, 500, 3)
	if one.Agreed != two.Agreed {
		t.Error("the same seed gave two reports")
	}
}

// What must hold of every option: finite, mirrored on the other side, sorted,
// and never freer when the defender stands on the catch.
func TestOptionsProperties(t *testing.T) {
	c := highSchool(t)
	rng := rand.New(rand.NewPCG(11, 12))
	for k := range 4000 {
		screen := screens[k%len(screens)]
		if len(screen.ownReads()) == 0 {
			continue
		}
		s := scattered(rng, screen, screen.Example(c, NoCue))
		m := s.Mirror()
		options, mirrored := Options(On(c), &s), Options(On(c), &m)
		if len(options) < 1 || len(options) != len(mirrored) {
			t.Fatalf("%s: %d options", screen.ID, len(options))
		}
		for i, o := range options {
			if math.IsNaN(o.Separation) || o.Separation < 0 || o.Separation > 60 || o.Seconds <= 0 || o.Seconds > 10 || o.Help < 0 || o.Openness != OpennessOf(o.Separation) {
				t.Fatalf("%s: %+v", screen.ID, o)
			}
			if i > 0 && o.worth() > options[i-1].worth() {
				t.Fatalf("%s: not sorted: %+v", screen.ID, options)
			}
			if math.Abs(o.worth()-mirrored[i].worth()) > 1e-6 {
				t.Fatalf("%s: %+v, mirrored %+v", screen.ID, o, mirrored[i])
			}
		}
	}
	if Options(On(c), &Situation{Screen: "moon"}) != nil {
		t.Error("an unknown screen has options")
	}
}

// The bands in which public tracking data group shots, from memory.
func TestOpenness(t *testing.T) {
	for feet, want := range map[float64]Openness{0: Smothered, 1.99: Smothered, 2: Tight, 3.99: Tight, 4: Open, 5.99: Open, 6: WideOpen, 30: WideOpen} {
		if got := OpennessOf(feet); got != want {
			t.Errorf("%g ft: %s, want %s", feet, got, want)
		}
	}
}

func BenchmarkOptions(b *testing.B) {
	c, s := down(b, Trail)
	for b.Loop() {
		Options(On(c), &s)
	}
}

// BenchmarkWhoIsOpen runs every read of a five-on-five frame.
func BenchmarkWhoIsOpen(b *testing.B) {
	c := highSchool(b)
	s := ballScreen.Example(c, Hedge)
	for b.Loop() {
		Options(On(c), &s)
	}
}

// BenchmarkOpenMap is a read map with the kinematics in every cell, of the
// situation with most people.
func BenchmarkOpenMap(b *testing.B) {
	c := highSchool(b)
	s := ballScreen.Example(c, Hedge)
	for b.Loop() {
		OpenMapOf(On(c), &s, xCutter)
	}
}

// A map with kinematics says in every cell what the second opinion says there.
func TestOpenMapAgreesWithOptions(t *testing.T) {
	c := highSchool(t)
	for screen, cue := range map[*Screen]Cue{downScreen: Under, ballScreen: Early, handoffScreen: Under, afterFeed: Dig} {
		s := screen.Example(c, cue)
		m := OpenMapOf(On(c), &s, xCutter)
		if plain := MapOf(&s, xCutter); plain.Cues != m.Cues || plain.Open != nil || len(m.Open) != len(m.Cues) {
			t.Fatalf("%s: not the same map", screen.ID)
		}
		open := 0
		for i := 0; i < len(m.Open); i += 53 {
			q := s
			q.Put(xCutter, m.Origin.Add(court.Point{X: (float64(i%m.Cols) + 0.5) * m.Cell, Y: (float64(i/m.Cols) + 0.5) * m.Cell}))
			row, _ := screen.rowFor(School{}, &q, Classify(&q).Cue)
			want := 0.0
			for _, o := range Options(On(c), &q) {
				if o.Read == row.CutterRead {
					want = o.worth()
				}
			}
			if int(m.Open[i]) != int(math.Min(255, want*10)) {
				t.Fatalf("%s cell %d: %d tenths, the option says %.2f ft", screen.ID, i, m.Open[i], want)
			}
			if m.Open[i] > 0 {
				open++
			}
		}
		if open == 0 {
			t.Errorf("%s: nothing is open anywhere", screen.ID)
		}
	}
	if m := OpenMapOf(On(c), &Situation{Screen: "moon"}, xCutter); m.Open != nil {
		t.Error("an unknown screen has a map")
	}
}

// Where a cut goes against the defender's way, a slower reaction opens it.
func TestSlowerReactionOpensMore(t *testing.T) {
	c := highSchool(t)
	quick, slow := On(c), On(c)
	slow.Pace.React = 0.5
	for _, tc := range []struct {
		screen *Screen
		cue    Cue
		read   Read
	}{
		{downScreen, Under, Fade}, {downScreen, Jump, BackCut}, {flareScreen, Under, Fade}, {backScreen, Under, StepOut},
		{handoffScreen, Under, ShootBehind}, {ballScreen, Tag, CornerPass}, {afterFeed, Dig, Relocate},
	} {
		s := tc.screen.Example(c, tc.cue)
		feet := func(fl Floor) float64 {
			for _, o := range Options(fl, &s) {
				if o.Read == tc.read {
					return o.Separation
				}
			}
			t.Fatalf("%s does not run %s", tc.screen.ID, tc.read)
			return 0
		}
		if a, b := feet(quick), feet(slow); b < a || (b == a && a < allAlone) {
			t.Errorf("%s, %s: %.2f ft, and %.2f with slower defenders", tc.screen.ID, tc.read, a, b)
		}
	}
}

// Situations to ask about are clear, valid, of every cue and on both sides, and
// the same for the same seed.
func TestClearSituations(t *testing.T) {
	c := highSchool(t)
	for _, screen := range Screens() {
		cues, sides := map[Cue]int{}, map[string]int{}
		for seed := range uint64(400) {
			s := Clear(c, screen, seed)
			a, err := Judge(On(c), &s)
			if err != nil || a.Margin < 1 || a.Late {
				t.Fatalf("%s, seed %d: margin %.2f, %v", screen.ID, seed, a.Margin, err)
			}
			cues[a.Cue]++
			sides[a.Side]++
			if s != Clear(c, screen, seed) {
				t.Fatal("the same seed gave two situations")
			}
		}
		if len(cues) != len(screen.rows) || sides["left"] < 100 || sides["right"] < 100 {
			t.Errorf("%s: cues %v, sides %v", screen.ID, cues, sides)
		}
	}
}
