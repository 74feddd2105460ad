package offense

import (
	"math"
	"reflect"
	"testing"

	"evrik/core/court"
	"evrik/core/game"
	"evrik/core/reads"
)

func simulator(t testing.TB, id string, d Defense, rate float64) *Simulator {
	t.Helper()
	s, ok := ByID(id)
	if !ok {
		t.Fatal(id)
	}
	return NewSimulator(reads.On(floor(t)), s, d, func(int, reads.Role, reads.Read) float64 { return rate })
}

// mix is a defense that mostly trails.
var mix = []game.Mix{{Family: game.Off, Shares: []game.Share{{Cue: reads.Trail, Percent: 60}, {Cue: reads.Under, Percent: 40}}}}

// The same seed gives the same possession; players who read better find an open look
// earlier; and no rule of a school is reported as broken where nobody breaks it.
func TestSimulation(t *testing.T) {
	for _, s := range Schools() {
		for _, d := range []Defense{{Mixes: mix}, {Mixes: mix, Deny: true}, {Mixes: mix, Zone: true}} {
			zone := d.Zone
			good, bad := simulator(t, s.ID, d, 0.95), simulator(t, s.ID, d, 0.15)
			a, b := good.Many(400, 1), bad.Many(400, 1)
			if again := good.Play(17); !reflect.DeepEqual(again, good.Play(17)) || !reflect.DeepEqual(again, a[16]) {
				t.Fatalf("%s: seed 17 gives another possession", s.ID)
			}
			x, y := Sum(a), Sum(b)
			if x.Broken.Value != 0 {
				t.Errorf("%s, zone %v: rules are broken by nobody: %v", s.ID, zone, x.Rules)
			}
			if !zone && x.Seconds.High >= y.Seconds.Low {
				t.Errorf("%s: who reads well is open after %.2f s, who does not after %.2f", s.ID, x.Seconds.Value, y.Seconds.Value)
			}
			touches := 0.0
			for i := range x.Touches {
				touches += x.Touches[i]
				if x.Touches[i] > 3*x.Passes.Value/5+1 {
					t.Errorf("%s: player %d has %.1f touches of %.1f", s.ID, i, x.Touches[i], x.Passes.Value+1)
				}
			}
			if math.Abs(touches-x.Passes.Value-1) > 1e-9 {
				t.Errorf("%s: %.2f touches, %.2f passes", s.ID, touches, x.Passes.Value)
			}
			if x.Apart.Value < Neighbours || x.Apart.Value > 30 || x.Tight.Value < 0 || x.Tight.Value > 0.5 {
				t.Errorf("%s: neighbours are %.1f ft apart, too near %.2f of the time", s.ID, x.Apart.Value, x.Tight.Value)
			}
			if x.Inside.Value > 2.2 || x.Seconds.Value <= 0 || x.Seconds.Value > possession {
				t.Errorf("%s: %+v", s.ID, x)
			}
		}
	}
}

// Common random numbers: an offense compared with itself differs in nothing, and a
// difference that is there is found with fewer possessions.
func TestCompare(t *testing.T) {
	good, bad := simulator(t, "cont", Defense{Mixes: mix}, 0.9), simulator(t, "cont", Defense{Mixes: mix}, 0.5)
	a, b := good.Many(600, 5), bad.Many(600, 5)
	for _, d := range Compare(a, a) {
		if d.Mean != (Mean{}) || d.Clear {
			t.Errorf("with itself: %+v", d)
		}
	}
	const seconds = 2
	paired := Compare(a, b)[seconds]
	apart := meanOf(column(a, figures[seconds].of))
	other := meanOf(column(b, figures[seconds].of))
	if !paired.Clear || paired.Mean.Value >= 0 || paired.Figure != "seconds" {
		t.Errorf("better readers: %+v", paired)
	}
	if width := paired.Mean.High - paired.Mean.Low; width >= math.Hypot(apart.High-apart.Low, other.High-other.Low) {
		t.Errorf("the paired range is %.3f wide, the unpaired %.3f", width, math.Hypot(apart.High-apart.Low, other.High-other.Low))
	}
	// Values by hand: 1, 2, 3 have the mean 2 and the standard error 1/sqrt(3).
	if m := meanOf([]float64{1, 2, 3}); m.Value != 2 || math.Abs(m.High-2-1.96/math.Sqrt(3)) > 1e-12 {
		t.Errorf("%+v", m)
	}
}

// A player who is dragged off his spot breaks a rule, and it is named with who and where.
func TestPicture(t *testing.T) {
	f := NewFloor(reads.On(floor(t)))
	s, _ := ByID("cut")
	at := f.places(s, s.Start())
	if v := f.Picture(s, at); len(v) != 0 {
		t.Fatalf("%+v", v)
	}
	rules := func() map[string]bool {
		out := map[string]bool{}
		for _, v := range f.Picture(s, at) {
			out[v.Rule] = true
			if v.Text == "" || len(v.Players) == 0 || RuleName(v.Rule) == "" {
				t.Errorf("%+v", v)
			}
		}
		return out
	}
	at[3] = at[2].Toward(at[3], 8)
	if r := rules(); !r[Close] || !r[Empty] || r[Third] {
		t.Errorf("two near each other: %v", r)
	}
	at = f.places(s, s.Start())
	at[2] = at[2].Toward(at[1], 0).Scale((f.Court.ArcRadius + 0.5) / at[2].Len())
	if r := rules(); !r[OnTheLine] {
		t.Errorf("toes on the line: %v", r)
	}
	for i := range 3 {
		at[i] = at[i].Scale(0.4)
	}
	if r := rules(); !r[Third] {
		t.Errorf("three inside: %v", r)
	}
}

// How far neighbours are apart, against distances by hand: four on the corners of a square
// of twenty feet and one inside, then two pulled together, and the same two screening.
func TestSpread(t *testing.T) {
	f := NewFloor(reads.On(floor(t)))
	s, _ := ByID("cut")
	c := cycle{place: [five]court.Point{{X: -10, Y: 22}, {X: 10, Y: 22}, {X: 10, Y: 42}, {X: -10, Y: 42}, {X: 0, Y: 5}}}
	var m moment
	f.see(&c, f.ring(s), 0, &m)
	if m.spread.Apart != 20 || m.spread.Nearest != 20 || m.spread.Inside != 1 {
		t.Errorf("a square: %+v", m.spread)
	}
	c.place[1].X = 0 // ten from the first, 22.4 from the third
	f.see(&c, f.ring(s), 0, &m)
	if want := (10.0 + 10 + 20 + 20) / 4; math.Abs(m.spread.Apart-want) > 1e-9 || m.spread.Nearest != 10 {
		t.Errorf("two together: %+v, want %.1f", m.spread, want)
	}
	c.legs = []leg{{player: 1, act: Screen, other: 0, start: 9, path: []court.Point{{}}}}
	f.see(&c, f.ring(s), 0, &m)
	if m.spread.Nearest != 20 {
		t.Errorf("who screens for whom counts: %+v", m.spread)
	}
	// The start of five out: every spot is filled and nobody is inside.
	c = cycle{place: f.places(s, s.Start())}
	f.see(&c, f.ring(s), 0, &m)
	if m.spread.Empty != 0 || m.spread.Inside != 0 || m.spread.Nearest < Neighbours || m.spread.Apart < m.spread.Nearest {
		t.Errorf("the start: %+v", m.spread)
	}
	run, err := f.Watch(s, f.Begin(s), 4, Guarding{}, 1)
	if n := int(run.Play.Duration / sampling); err != nil || len(run.Spacing) < n-8 || len(run.Spacing) > n {
		t.Errorf("%d samples in %.1f s, %v", len(run.Spacing), run.Play.Duration, err)
	}
}

// BenchmarkPossession plays possessions of the busiest school against men.
func BenchmarkPossession(b *testing.B) {
	sim := simulator(b, "entry", Defense{}, 0.3)
	seed := uint64(0)
	for b.Loop() {
		sim.Play(seed)
		seed++
	}
	b.ReportMetric(float64(b.N)/b.Elapsed().Seconds(), "possessions/s")
}

// Looks are measured at the catch: what the shot still takes is room, and without a pass
// there is none.
func TestRoom(t *testing.T) {
	late := reads.Option{Window: -0.25, Feet: 20, Pass: reads.Direct}
	if got, want := room(late), 3+15*(0.65-0.25); math.Abs(got-want) > 1e-9 {
		t.Errorf("%.2f ft, want %.2f", got, want)
	}
	late.Pass = reads.NoPass
	if got := room(late); got != 0 {
		t.Errorf("no pass, and %.2f ft of room", got)
	}
}
