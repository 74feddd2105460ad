package offense

import (
	"math"
	"math/rand/v2"
	"reflect"
	"slices"
	"strings"
	"testing"
	"time"

	"evrik/core/court"
	"evrik/core/game"
	"evrik/core/motion"
	"evrik/core/reads"
)

// highSchool is a high-school court with players of that age.
func highSchool(t testing.TB) reads.Floor {
	t.Helper()
	return reads.Floor{Court: floor(t), Pace: motion.PaceOf("grades 9-12")}
}

func simulator(t testing.TB, id string, d Defense, rate float64) *Simulator {
	t.Helper()
	s, ok := ByID(id)
	if !ok {
		t.Fatal(id)
	}
	if d.Dials == (Dials{}) {
		d.Dials = DefaultDials()
	}
	return NewSimulator(highSchool(t), s, d, EverybodyMakes(rate))
}

// mix is a defense that mostly trails.
var mix = []game.Mix{{Family: game.Off, Shares: []game.Share{{Cue: reads.Trail, Percent: 60},
	{Cue: reads.Under, Percent: 40}}}}

// The same seed gives the same possession, whatever was played before; no rule of an
// offense is reported as broken where nobody breaks it; and the figures add up.
func TestSimulation(t *testing.T) {
	for _, s := range Shipped() {
		for _, d := range []Defense{{Mixes: mix}, {Zone: true}} {
			sim := simulator(t, s.ID, d, 0.7)
			list := sim.Many(200, 1)
			if again := sim.Play(17); !reflect.DeepEqual(again, list[16]) {
				t.Fatalf("%s: seed 17 gives another possession", s.ID)
			}
			x := Sum(list)
			if x.Of("broken").Value != 0 {
				t.Errorf("%s, zone %v: rules are broken by nobody: %v", s.ID, d.Zone, x.Rules)
			}
			touches := 0.0
			for i := range x.Touches {
				touches += x.Touches[i]
				if x.Touches[i] > 3*x.Of("passes").Value/5+1 {
					t.Errorf("%s: player %d has %.1f touches of %.1f", s.ID, i, x.Touches[i], x.Of("passes").Value+1)
				}
			}
			if math.Abs(touches-x.Of("passes").Value-1) > 1e-9 {
				t.Errorf("%s: %.2f touches, %.2f passes", s.ID, touches, x.Of("passes").Value)
			}
			for id, most := range map[string]float64{"apart": 30, "tight": 0.5, "inside": 2.3, "seconds": possession} {
				if m := x.Of(id); m.Value < 0 || m.Value > most || m.Low > m.Value || m.High < m.Value {
					t.Errorf("%s: %s %+v", s.ID, id, m)
				}
			}
			for i, p := range list {
				if p.Found && (p.Look.Separation < reads.OpenFrom || p.Look.T > possession || p.Lost) {
					t.Errorf("%s: possession %d: %+v", s.ID, i, p)
				}
			}
		}
	}
}

// What is known of a player is drawn from, once a game: one who makes a read always or
// never has games of either kind, and the same in every possession of a game.
func TestKnownIsDrawn(t *testing.T) {
	o, _ := ByID("cut")
	sim := NewSimulator(highSchool(t), o, Defense{Dials: DefaultDials()},
		func(int, reads.Role, reads.Read) []float64 { return []float64{0, 1} })
	makes := map[bool]int{}
	for seed := uint64(0); seed < 100*PerGame; seed += PerGame / 2 {
		g := possessionPlay{sim: sim, game: seed / PerGame, luck: rand.New(rand.NewPCG(seed, 1))}
		first := g.knows(2, skillCut)
		for range 5 {
			if g.knows(2, skillCut) != first {
				t.Fatal("a player changes within a game")
			}
		}
		makes[first]++
	}
	if makes[true] < 60 || makes[false] < 60 {
		t.Errorf("%v of 200", makes)
	}
}

// Common random numbers: an offense compared with itself differs in nothing, and a
// difference that is there is found with fewer possessions.
func TestCompare(t *testing.T) {
	good, bad := simulator(t, "cont", Defense{}, 0.9), simulator(t, "cont", Defense{}, 0.5)
	a, b := good.Many(600, 5), bad.Many(600, 5)
	for _, d := range Compare(a, a) {
		if d.Mean != (Mean{}) || d.Clear {
			t.Errorf("with itself: %+v", d)
		}
	}
	paired := Compare(a, b)[0]
	apart, other := meanOf(column(a, figures[0].of)), meanOf(column(b, figures[0].of))
	if !paired.Clear || paired.Assumed || paired.Mean.Value <= 0 || paired.Figure != "open" {
		t.Errorf("better readers: %+v", paired)
	}
	if width := paired.Mean.High - paired.Mean.Low; width >= math.Hypot(apart.High-apart.Low, other.High-other.Low) {
		t.Errorf("the paired range is %.3f wide, the unpaired %.3f", width,
			math.Hypot(apart.High-apart.Low, other.High-other.Low))
	}
	// Values by hand: 1, 2, 3 have the mean 2 and the standard error 1/sqrt(3).
	if m := meanOf([]float64{1, 2, 3}); m.Value != 2 || math.Abs(m.High-2-1.96/math.Sqrt(3)) > 1e-12 {
		t.Errorf("%+v", m)
	}
}

// A comparison is played until it is known to two points, tells how far it is, and stops
// when nobody wants it any more.
func TestVersus(t *testing.T) {
	a, b := simulator(t, "cut", Defense{}, 0.6), simulator(t, "cont", Defense{}, 0.6)
	if testing.Short() {
		var told []float64
		_, ok := Versus(a, b, func(done float64) bool { told = append(told, done); return len(told) < 2 })
		// Half the range takes four times the possessions, so the first batch tells how many are needed in all.
		first := figures[0].difference(a.Many(batch, 0), b.Many(batch, 0))
		want := min(mostPlayed, batch*math.Pow((first.High-first.Low)/2/wantedHalf, 2))
		if ok || len(told) != 2 || want <= leastPlayed || math.Abs(told[0]-batch/want) > 1e-9 || told[1] <= told[0] {
			t.Errorf("told %v, want %v at first, %v", told, batch/want, ok)
		}
		return
	}
	before := 0.0
	began := time.Now()
	out, ok := Versus(a, b, func(done float64) bool {
		if done > 1 {
			t.Errorf("%v is done", done)
		}
		before = done
		return true
	})
	open := out.Differences[0].Mean
	t.Logf("%d possessions each in %v: %+.3f (%.3f to %.3f)", out.A.Possessions,
		time.Since(began).Round(time.Millisecond), open.Value, open.Low, open.High)
	if !ok || before != 1 || open.High-open.Low > 2*wantedHalf+1e-9 && out.A.Possessions < mostPlayed {
		t.Errorf("%v, done %v, %+v", ok, before, open)
	}
}

// A player who is dragged off the spot breaks a rule, and it is named with who and where.
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
	// Beside the sideline there is no room to step back from the arc, and nobody is asked to.
	for x, near := range map[float64]bool{f.Court.Width/2 - court.SidelineInset - 0.9: false,
		f.Court.Width/2 - court.SidelineInset - 1.1: true} {
		off := f.places(s, s.Start())
		off[2] = court.Point{X: x, Y: 1}
		v := f.Picture(s, off)
		if at := slices.IndexFunc(v, func(v Violation) bool { return v.Rule == OnTheLine }); near != (at >= 0) ||
			near && !strings.Contains(v[at].Text, ": 2 ft from the arc") {
			t.Errorf("%g ft aside: %+v", x, v)
		}
	}
	for i := range 3 {
		at[i] = at[i].Scale(0.4)
	}
	if r := rules(); !r[Third] {
		t.Errorf("three inside: %v", r)
	}
}

// How far neighbors are apart, against distances by hand: four on the corners of a square
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
	if m.spread.Empty != 0 || m.spread.Inside != 0 || m.spread.Nearest < Neighbors ||
		m.spread.Apart < m.spread.Nearest {
		t.Errorf("the start: %+v", m.spread)
	}
	run, err := f.Watch(s, f.Begin(s), 4, Guarding{}, 1)
	if n := int(run.Play.Duration / sampling); err != nil || len(run.Spacing) < n-8 || len(run.Spacing) > n {
		t.Errorf("%d samples in %.1f s, %v", len(run.Spacing), run.Play.Duration, err)
	}
}

// BenchmarkPossession plays possessions of the busiest offense against the full defense.
func BenchmarkPossession(b *testing.B) {
	for _, id := range []string{"cut", "cont", "circle", "free", "screen", "entry", "pass4"} {
		b.Run(id, func(b *testing.B) {
			sim := simulator(b, id, Defense{}, 0.6)
			seed := uint64(0)
			for b.Loop() {
				sim.Play(seed)
				seed++
			}
			b.ReportMetric(float64(b.N)/b.Elapsed().Seconds(), "possessions/s")
		})
	}
}
