package court

import (
	"math"
	"testing"
)

// The named places of the high-school floor by hand, in feet: the ring is 5 ft 3 from the baseline (4 ft, 6 in. and 9
// in.), the free-throw line 13 ft 9 from under it, the arc 19 ft 9, players stand 3 ft 6 outside.
func TestPlacesByHand(t *testing.T) {
	c, _ := PresetCourt(HighSchool)
	const r = 19.75 + StandOff
	maxX := 25 - SidelineInset
	corner := math.Min(r, maxX)
	post := 6 + laneStandOff
	block := blockFromBaseline - 5.25
	for id, want := range map[string]Point{
		"top": {0, r}, "nail": {0, 13.75}, "highpost": {0, 13.75 + highPostAbove},
		"slotR": {SlotX, math.Sqrt(r*r - SlotX*SlotX)}, "wingR": {math.Min(math.Sqrt(r*r-13.75*13.75), maxX), 13.75},
		"cornerR": {corner, CornerY}, "elbowL": {-6, 13.75}, "blockL": {-post, block},
		"midpostR": {post, (block + 13.75) / 2}, "shortL": {-(6 + corner) / 2, -CornerY},
		"dunkerR": {post, -dunkerBelow},
	} {
		if got, ok := c.SpotAt(id); !ok || got.Dist(want) > 1e-9 {
			t.Errorf("%s is at %v, want %v", id, got, want)
		}
	}
}

// Whoever stands on a line is on the floor, and on the arc is not inside it.
func TestOnTheLines(t *testing.T) {
	c, _ := PresetCourt(HighSchool)
	for _, tc := range []struct {
		at     Point
		on, in bool
	}{
		{Point{25, 0}, true, false}, {Point{-25, 0}, true, false}, {Point{25.01, 0}, false, false},
		{Point{0, -5.25}, true, true}, {Point{0, -5.26}, false, true}, {Point{0, 36.75}, true, false},
		{Point{0, 36.76}, false, false}, {Point{0, 19.75}, true, false}, {Point{0, 19.74}, true, true},
		{Point{19.75, -2}, true, false}, {Point{-19.74, -2}, true, true},
	} {
		if got := c.Contains(tc.at); got != tc.on {
			t.Errorf("%v is on the floor: %v", tc.at, got)
		}
		if got := c.InsideArc(tc.at); got != tc.in {
			t.Errorf("%v is inside the arc: %v", tc.at, got)
		}
	}
	for far, want := range map[Point]Point{{30, 50}: {24, 35.75}, {-30, -50}: {-24, -4.25}, {3, 4}: {3, 4}} {
		if got := c.Clamp(far, 1); got.Dist(want) > 1e-9 {
			t.Errorf("%v is brought to %v, want %v", far, got, want)
		}
	}
}

// The FIBA board stands 1.2 m inside, its ring 0.375 m before it; the free-throw line is 5.8 m from the baseline, and a
// 3x3 floor 11 m long (FIBA rules, from memory).
func TestMetricPresetsByHand(t *testing.T) {
	near := func(name string, feet, meters float64) {
		t.Helper()
		if math.Abs(feet/Meter-meters) > 1e-9 {
			t.Errorf("%s is %.4f m, want %.4f", name, feet/Meter, meters)
		}
	}
	c, _ := PresetCourt(FIBA)
	near("the ring", c.RingFromBaseline(), 1.575)
	near("the free-throw line", c.FreeThrowY(), 5.8-1.575)
	near("the arc's straight part", c.ArcStraightX(), 7.5-0.9)
	near("half court", c.HalfY(), 14-1.575)
	threes, _ := PresetCourt(FIBA3x3)
	near("the end of a 3x3 floor", threes.HalfY(), 11-1.575)
	school, _ := PresetCourt(HighSchool)
	if school.ArcStraightX() != 19.75 || school.ArcMeetsY() != 0 {
		t.Errorf("the high-school arc is straight from %v, %v", school.ArcStraightX(), school.ArcMeetsY())
	}
}

// Lengths are written to the half inch, or to the centimeter.
func TestLengthsByHand(t *testing.T) {
	for feet, want := range map[float64]string{13.75: `13' 9"`, 0: `0' 0"`, -0.5: `-0' 6"`, 1.0 / 24: `0' 0½"`,
		6.999: `7' 0"`} {
		if got := FeetInches(feet); got != want {
			t.Errorf("%v ft is written %s, want %s", feet, got, want)
		}
	}
	if got := Metric(Meter / 4); got != "0.25 m" {
		t.Errorf("a quarter of a meter is %s", got)
	}
	c, _ := PresetCourt(HighSchool)
	if got := c.TapeOf(Point{-20, 10}); got != (Tape{15.25, 5}) {
		t.Errorf("by tape %+v", got)
	}
	sheet := c.TapeSheet(false)
	if last := sheet[len(sheet)-1]; math.Abs(last.At.Y-(42-AttackLine-5.25)) > 1e-9 {
		t.Errorf("the attack line is at %v", last.At)
	}
}

// Vectors by hand.
func TestVectorsByHand(t *testing.T) {
	p := Point{3, 4}
	if p.Left() != (Point{-4, 3}) || p.Mirror() != (Point{-3, 4}) || p.Len() != 5 ||
		p.Unit().Dist(Point{0.6, 0.8}) > 1e-12 {
		t.Error("of (3, 4)")
	}
	if p.AtMost(5) != p || p.AtMost(10) != p || p.AtMost(2.5) != (Point{1.5, 2}) {
		t.Errorf("shortened to %v", p.AtMost(2.5))
	}
	if got := p.Toward(Point{3, 10}, 2); got != (Point{3, 6}) || p.Toward(p, 2) != p {
		t.Errorf("toward %v", got)
	}
	if !p.Within(Point{}, 5) || p.Within(Point{}, 4.99) {
		t.Error("within five feet")
	}
}
