package reads

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"evrik/core/court"
)

// The same seed gives the same report, every cue is sampled, and random answers fare worse
// than accepted ones. The figures themselves are in docs/model.md.
func TestAgree(t *testing.T) {
	for _, a := range []*Action{downScreen, ballScreen, afterFeed} {
		one, two := Agree(*testFloor, a, 60*len(a.rows), 7), Agree(*testFloor, a, 60*len(a.rows), 7)
		if one.Total().Accepted != two.Total().Accepted || one.Total().Clear == 0 {
			t.Errorf("%s: the same seed gave two reports", a.ID)
		}
		for _, c := range one.ByCue {
			if c.Clear > 0 && c.Clear < 60 {
				t.Errorf("%s %s: only %d snapshots", a.ID, c.Cue, c.Clear)
			}
		}
		if total := one.Total(); total.Accepted <= total.Chance || total.Most > 4 {
			t.Errorf("%s: accepted %.0f, by chance %.0f, up to %d at once", a.ID, total.Accepted, total.Chance,
				total.Most)
		}
	}
	// Chance against counting: 2 good ones of 5, two drawn.
	if got := chance(5, 2, 2); math.Abs(got-0.7) > 1e-12 {
		t.Errorf("chance %v", got)
	}
}

// What must hold of every option: finite, mirrored on the other side, sorted,
// and never freer when the defender stands on the catch.
func TestOptionsProperties(t *testing.T) {
	c := highSchool(t)
	rng := rand.New(rand.NewPCG(11, 12))
	for k := range 4000 {
		screen := actions[k%len(actions)]
		if len(screen.plays) == 0 {
			continue
		}
		s := scattered(rng, screen, screen.Example(c, screen.rows[k%len(screen.rows)].Cue))
		m := s.Mirror()
		options, mirrored := Options(On(c), &s), Options(On(c), &m)
		if len(options) < 1 || len(options) != len(mirrored) {
			t.Fatalf("%s: %d options", screen.ID, len(options))
		}
		for i, o := range options {
			if math.IsNaN(o.Separation) || o.Separation < 0 || o.Separation > 60 || o.Seconds < 0 || o.Seconds > 10 {
				t.Fatalf("%s: %+v", screen.ID, o)
			}
			if i > 0 && o.worth() > options[i-1].worth() {
				t.Fatalf("%s: not sorted: %+v", screen.ID, options)
			}
			if w := mirrored[slices.IndexFunc(mirrored, func(p Option) bool { return p.Read == o.Read })]; math.Abs(
				o.Window-w.Window) > 1e-6 || o.Pass != w.Pass {
				t.Fatalf("%s: %+v, mirrored %+v", screen.ID, o, w)
			}
		}
	}
	if Options(On(c), &Snapshot{Action: "moon"}) != nil {
		t.Error("an unknown screen has options")
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
	s := ballScreen.Example(c, HardHedge)
	for b.Loop() {
		Options(On(c), &s)
	}
}

// BenchmarkOpenMap is a read map with the kinematics in every cell, of the
// action with most people.
func BenchmarkOpenMap(b *testing.B) {
	c := highSchool(b)
	s := ballScreen.Example(c, HardHedge)
	for b.Loop() {
		OpenMapOf(testFloor, &s, xCutter)
	}
}

// A map with kinematics says in every cell what the second opinion says there.
func TestOpenMapAgreesWithOptions(t *testing.T) {
	c := highSchool(t)
	for screen, cue := range map[*Action]Cue{downScreen: Under, ballScreen: Tag, handoffScreen: Under, afterFeed: Dig} {
		s := screen.Example(c, cue)
		m := OpenMapOf(testFloor, &s, xCutter)
		if plain := MapOf(testFloor, &s, xCutter); plain.Cues != m.Cues || plain.Open != nil ||
			len(m.Open) != len(m.Cues) {
			t.Fatalf("%s: not the same map", screen.ID)
		}
		open := 0
		for i := 0; i < len(m.Open); i += 53 {
			q := s
			q.Put(xCutter, m.Origin.Add(court.Point{X: (float64(i%m.Cols) + 0.5) * m.Cell,
				Y: (float64(i/m.Cols) + 0.5) * m.Cell}))
			f := screen.frame(testFloor, &q)
			want := 0.0
			if row, ok := screen.Row(TeamRules{}, Classify(testFloor, &q).Cue); ok {
				first := row.order(cutter, &q, &f)[0].Read
				for _, o := range Options(On(c), &q) {
					if o.Read == first {
						want = o.Separation
					}
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
	if m := OpenMapOf(testFloor, &Snapshot{Action: "moon"}, xCutter); m.Open != nil {
		t.Error("an unknown screen has a map")
	}
}

// A slower reaction never closes a shot that nobody has to run to.
func TestSlowerReactionOpensMore(t *testing.T) {
	quick, slow := *testFloor, *testFloor
	slow.Pace.React = 0.5
	for _, tc := range []struct {
		action *Action
		cue    Cue
		read   Read
	}{{downScreen, Under, Fade}, {handoffScreen, Under, ShootBehind}, {ballScreen, Tag, CornerPass},
		{afterFeed, Dig, Relocate}} {
		s := tc.action.Example(testFloor.Court, tc.cue)
		window := func(fl Floor) float64 {
			for _, o := range Options(fl, &s) {
				if o.Read == tc.read {
					return o.Window
				}
			}
			t.Fatalf("%s does not play %s", tc.action.ID, tc.read)
			return 0
		}
		if a, b := window(quick), window(slow); b < a {
			t.Errorf("%s, %s: %.2f s, and %.2f with slower defenders", tc.action.ID, tc.read, a, b)
		}
	}
}

// Snapshots to ask about are clear, valid, of every cue and on both sides, and
// the same for the same seed.
func TestClearSnapshots(t *testing.T) {
	c, seeds := highSchool(t), 400
	if testing.Short() {
		seeds = 100
	}
	for _, screen := range Actions() {
		cues, sides := map[Cue]int{}, map[string]int{}
		for seed := range uint64(seeds) {
			s := Clear(testFloor, screen, seed)
			a, err := Judge(On(c), &s)
			if err != nil || a.Margin < 0.99 || a.State != Clearly {
				t.Fatalf("%s, seed %d: margin %.2f, %v", screen.ID, seed, a.Margin, err)
			}
			cues[a.Cue]++
			sides[a.Side]++
			if s != Clear(testFloor, screen, seed) {
				t.Fatal("the same seed gave two snapshots")
			}
		}
		if len(cues) != len(screen.rows) || sides["left"] < seeds/4 || sides["right"] < seeds/4 {
			t.Errorf("%s: cues %v, sides %v", screen.ID, cues, sides)
		}
	}
}
