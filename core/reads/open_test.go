package reads

import (
	"math"
	"math/rand/v2"
	"testing"
)

// Table and kinematics agree on clear situations of every screen. Below nine in
// ten is a fault of the model (docs/model.md).
func TestTableAndKinematicsAgree(t *testing.T) {
	for _, s := range Screens() {
		if len(s.ownReads()) == 0 {
			continue
		}
		const least = 0.90
		a := Agree(highSchool(t), s, 2000, 7)
		if a.Clear != 2000 || a.Share() < least {
			t.Errorf("%s: %.1f %% of %d agree, want %.0f %%: %v", s.ID, 100*a.Share(), a.Clear, 100*least, a.Instead)
		}
	}
	one, two := Agree(highSchool(t), downScreen, 500, 3), Agree(highSchool(t), downScreen, 500, 3)
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
		options, mirrored := Options(c, &s), Options(c, &m)
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
	if Options(c, &Situation{Screen: "moon"}) != nil {
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
		Options(c, &s)
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
			a, err := Judge(c, School{}, &s)
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
