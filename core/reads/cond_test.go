package reads

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"github.com/paulmach/orb"
	"github.com/paulmach/orb/planar"

	"evrik/core/court"
)

func toOrb(p court.Point) orb.Point { return orb.Point{p.X, p.Y} }

// The measures behind the conditions against an independent geometry library
// (github.com/paulmach/orb): distances, the distance to a lane, and which of two
// is nearer. Measured anywhere on the floor, on both sides.
func TestMeasuresAgainstOrb(t *testing.T) {
	rng := rand.New(rand.NewPCG(21, 22))
	base := ballScreen.Example(highSchool(t), Drop)
	for range 3000 {
		s := base
		for p := cutter; p <= xThree; p++ {
			s.Put(p, court.Point{X: 44*rng.Float64() - 22, Y: 34*rng.Float64() - 4})
		}
		f := ballScreen.frame(testFloor, &s)
		x, a, b := xThree, two, screener
		px, pa, pb := toOrb(s.At(x)), toOrb(s.At(a)), toOrb(s.At(b))
		near := func(name string, c cond, want float64) {
			if m := c.measure(&s, &f); math.Abs(m.low-want) > 1e-6 || m.high != m.low || m.byLow != x {
				t.Fatalf("%s: %+v, orb says %.6f", name, m, want)
			}
		}
		near("within", within(x, body(5), a), 5-planar.Distance(px, pa))
		near("in lane", inLane(x, body(4), a, b), 4-planar.DistanceFromSegment(pa, pb, px))
		near("deeper", deeper(x, body(2), a), planar.Distance(pa, orb.Point{})-planar.Distance(px, orb.Point{})-2)
		near("above", above(x, body(1), a), px[1]-pa[1]-1)
		if planar.Distance(pa, pb) < SameSpot {
			continue // nobody may stand there
		}
		// The bisector of two places is as far from x as the measure says.
		c := nearer(x, a, b)
		got := c.measure(&s, &f).low
		mid := orb.Point{(pa[0] + pb[0]) / 2, (pa[1] + pb[1]) / 2}
		dir := orb.Point{pb[1] - pa[1], pa[0] - pb[0]}
		far := 1000 / planar.Distance(pa, pb)
		line := planar.DistanceFromSegment(orb.Point{mid[0] - dir[0]*far, mid[1] - dir[1]*far},
			orb.Point{mid[0] + dir[0]*far, mid[1] + dir[1]*far}, px)
		if math.Abs(math.Abs(got)-line) > 1e-6 || (got > 0) != (planar.Distance(px, pa) < planar.Distance(px, pb)) {
			t.Fatalf("nearer: %.6f, the bisector is %.6f away", got, line)
		}
	}
}

// all is the least, any the greatest, not the opposite; who decides is named.
func TestConditionsCombine(t *testing.T) {
	s := ballScreen.Example(highSchool(t), Drop)
	f := ballScreen.frame(testFloor, &s)
	s.XOne, s.XTwo = s.One.Add(court.Point{X: -2}), s.Two.Add(court.Point{X: 7})
	a, b := within(xOne, body(5), one), within(xTwo, body(5), two) // +3 and -2
	for name, tc := range map[string]struct {
		c    cond
		feet float64
		by   Place
	}{
		"all": {all(a, b), -2, xTwo}, "any": {anyOne(a, b), 3, xOne}, "not": {not(a), -3, xOne},
		"not all": {not(all(a, b)), 2, xTwo}, "all of any and not": {all(anyOne(a, b), not(b)), 2, xTwo},
		"far out":     {farOut(cutter, body(-15)), math.Inf(1), nobody},
		"not far out": {farOut(cutter, body(70)), math.Inf(-1), nobody},
	} {
		if m := tc.c.measure(&s, &f); math.Abs(m.low-tc.feet) > 1e-9 && m.low != tc.feet || m.byLow != tc.by ||
			m.high != m.low {
			t.Errorf("%s: %+v, want %.2f by %s", name, m, tc.feet, tc.by)
		}
	}
}

// A head is turned to one of two: half way between them is the edge, and the
// measure is the same for a mirrored floor.
func TestHeadTurns(t *testing.T) {
	s := afterFeed.Example(highSchool(t), Turned)
	f := afterFeed.frame(testFloor, &s)
	c := watches(xCutter, screener, cutter)
	toPost, toMan := s.Screener.Sub(s.XCutter).Unit(), s.Cutter.Sub(s.XCutter).Unit()
	s.Facing.Set(xCutter, s.XCutter.Add(toPost.Add(toMan).Scale(4)))
	if edge := c.measure(&s, &f).low; toPost.Add(toMan).Len() > 0.1 && math.Abs(edge) > 1e-9 {
		t.Errorf("half way between post and own player: %.4f", edge)
	}
	for _, at := range []court.Point{s.Screener, s.Cutter, {X: 3, Y: 20}} {
		s.Facing.Set(xCutter, at)
		m := s.Mirror()
		g := afterFeed.frame(testFloor, &m)
		here := c.measure(&s, &f).low
		there := c.measure(&m, &g).low
		if math.Abs(here-there) > 1e-9 {
			t.Errorf("looking at %+v: %.4f, mirrored %.4f", at, here, there)
		}
	}
}

// Why tells everything that makes the cue in figures a coach can pace off, and
// names each defender once.
func TestWhyIsTold(t *testing.T) {
	c := highSchool(t)
	for _, screen := range Actions() {
		for _, row := range screen.rows {
			s := screen.Example(c, row.Cue)
			a, err := Judge(On(c), &s)
			if err != nil {
				t.Fatal(err)
			}
			if !strings.HasSuffix(a.Why, ".") || strings.Contains(a.Why, "none") || strings.Contains(a.Why, "NaN") ||
				strings.ToUpper(a.Why[:1]) != a.Why[:1] {
				t.Errorf("%s %s: %q", screen.ID, row.Cue, a.Why)
			}
			for _, p := range screen.Participants {
				if p.ID.Defends() && strings.Count(strings.ToLower(a.Why), p.Word+" is") > 1 {
					t.Errorf("%s %s names %s twice: %q", screen.ID, row.Cue, p.Word, a.Why)
				}
			}
		}
	}
}

// What the snapshot does not tell is anything between no and yes: all and anyOne are sure
// where another part decides, not turns both ends round.
func TestUnknownMotion(t *testing.T) {
	s := ballScreen.Example(highSchool(t), Drop)
	f := ballScreen.frame(testFloor, &s)
	s.XOne = s.One.Add(court.Point{X: -2})
	yes, no := within(xOne, body(5), one), within(xOne, body(1), one) // +3 and -1
	move := moving(xScreener, outward, 3)
	inf := math.Inf(1)
	check := func(name string, c cond, low, high float64) {
		t.Helper()
		if m := c.measure(&s, &f); math.Abs(m.low-low) > 1e-9 && m.low != low || math.Abs(m.high-high) > 1e-9 &&
			m.high != high {
			t.Errorf("%s: %+v, want %.1f to %.1f", name, m, low, high)
		}
	}
	s.Velocity.Forget(xScreener)
	check("untold", move, -inf, inf)
	check("all with yes", all(yes, move), -inf, 3)
	check("all with no", all(no, move), -inf, -1)
	check("any with yes", anyOne(yes, move), 3, inf)
	check("any with no", anyOne(no, move), -1, inf)
	check("not", not(all(yes, move)), -3, inf)
	// Two feet a second more than asked are 0.8 ft of evidence.
	s.Velocity.Set(xScreener, f.n.Scale(5))
	check("told", move, 0.8, 0.8)
	check("all, told", all(yes, move), 0.8, 0.8)
	s.Velocity.Set(xScreener, court.Point{})
	check("standing", move, -1.2, -1.2)
	// Who shoots is a fact, not a matter of feet.
	check("untold shooter", shoots(screener), -inf, inf)
	s.ScreenerShoots = No
	check("no shooter", shoots(screener), -inf, -inf)
}
