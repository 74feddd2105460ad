package court

import (
	"math"
	"strings"
	"testing"
)

func near(t *testing.T, what string, got, want, tol float64) {
	t.Helper()
	if math.Abs(got-want) > tol || math.IsNaN(got) {
		t.Errorf("%s = %.4f, want %.4f", what, got, want)
	}
}

func preset(t *testing.T, id string) Court {
	t.Helper()
	c, ok := PresetCourt(id)
	if !ok {
		t.Fatalf("no preset %q", id)
	}
	return c
}

// Derived figures against the published diagrams, all from memory.
func TestPublishedFigures(t *testing.T) {
	hs, fiba, ncaa := preset(t, HighSchool), preset(t, FIBA), preset(t, NCAA)
	// NFHS Basketball Rules Book, court diagram, from memory.
	near(t, "high school ring center to baseline, in", hs.RingFromBaseline()*12, 48+6+9, 1e-9)
	near(t, "high school straight part to sideline, in", (hs.Width/2-hs.ArcStraightX())*12, 63, 1e-9)
	near(t, "high school free-throw line to ring center, ft", hs.FreeThrowY(), 13.75, 1e-9)
	// FIBA Official Basketball Rules, Art. 2 diagram, from memory.
	near(t, "FIBA arc meets straight part above ring, m", fiba.ArcMeetsY()/Meter, 1.415, 0.0005)
	near(t, "FIBA arc meets straight part from baseline, m", (fiba.ArcMeetsY()+fiba.RingFromBaseline())/Meter, 2.99,
		0.0005)
	near(t, "FIBA ring center to baseline, m", fiba.RingFromBaseline()/Meter, 1.575, 1e-9)
	// NCAA rules book, court diagram, from memory.
	near(t, "NCAA straight part to sideline, in", (ncaa.Width/2-ncaa.ArcStraightX())*12, 40.125, 1e-9)
	// FIVB court 18 x 9 m, attack line 3 m from the center line, from memory.
	near(t, "attack line to baseline on an 84 ft floor, ft", hs.AttackLineFromBaseline(), 32+1.9/12, 0.005)
}

func TestPresetsAreSound(t *testing.T) {
	for _, p := range Presets() {
		if err := p.Court.Validate(); err != nil {
			t.Errorf("%s: %v", p.ID, err)
		}
		if p.Source == "" || p.Court.Preset != p.ID {
			t.Errorf("%s: preset %q, source %q", p.ID, p.Court.Preset, p.Source)
		}
		for _, s := range p.Court.Spots(StandOff) {
			if !p.Court.Contains(s.At) {
				t.Errorf("%s: spot %s at %+v is off the floor", p.ID, s.ID, s.At)
			}
			outside := strings.HasPrefix(s.ID, "top") || strings.HasPrefix(s.ID, "slot") ||
				strings.HasPrefix(s.ID, "wing") || strings.HasPrefix(s.ID, "corner")
			if outside && p.Court.InsideArc(s.At) {
				t.Errorf("%s: spot %s lies inside the arc", p.ID, s.ID)
			}
			if name := SpotName(s.ID); !strings.EqualFold(name, s.Name) || name != strings.ToLower(name) {
				t.Errorf("%s is called %q within a sentence", s.Name, name)
			}
			if m, ok := p.Court.SpotAt(MirrorSpot(s.ID)); !ok || m.Dist(s.At.Mirror()) > 1e-9 {
				t.Errorf("%s: %s has no mirror", p.ID, s.ID)
			}
		}
	}
	if _, ok := PresetCourt("moon"); ok {
		t.Error("an unknown preset was found")
	}
	if _, ok := preset(t, FIBA).SpotAt("moon"); ok {
		t.Error("an unknown spot was found")
	}
}

func TestCustomCourtSaysWhichLinesCollide(t *testing.T) {
	base := preset(t, Junior)
	cases := []struct {
		name   string
		change func(*Court)
		want   string
	}{
		{"lane as wide as the arc", func(c *Court) { c.LaneWidth = 19; c.ArcRadius = 9 }, "court.arc-inside-lane"},
		{"free throw outside the arc", func(c *Court) { c.FreeThrow = 20 }, "court.free-throw-outside-arc"},
		{"arc over half court", func(c *Court) { c.ArcRadius = 35 }, "court.arc-crosses-half-court"},
		{"straight part past the middle", func(c *Court) { c.ArcGap = 30 }, "court.arc-crosses-middle"},
		{"not a number", func(c *Court) { c.Width = math.NaN() }, "court.not-length"},
		{"infinite", func(c *Court) { c.ArcRadius = math.Inf(1) }, "court.not-length"},
		{"too narrow", func(c *Court) { c.Width = 8 }, "court.width"},
		{"too long", func(c *Court) { c.HalfLength = 90 }, "court.length"},
		{"board", func(c *Court) { c.Board = 0 }, "court.board-distance"},
		{"ring", func(c *Court) { c.RingOut = 9 }, "court.ring-distance"},
		{"lane", func(c *Court) { c.LaneWidth = 2 }, "court.lane-width"},
		{"free throw behind the ring", func(c *Court) { c.FreeThrow = 1 }, "court.free-throw-behind-ring"},
	}
	for _, tc := range cases {
		c := base
		tc.change(&c)
		err := c.Validate()
		if err == nil || !strings.Contains(err.Error(), tc.want) {
			t.Errorf("%s: %v, want it to say %q", tc.name, err, tc.want)
		}
	}
	wide := base
	wide.ArcRadius = 20
	near(t, "an arc wider than the floor is cut at the corridor", wide.Width/2-wide.ArcStraightX(), MinArcGap, 1e-9)
}

func TestTape(t *testing.T) {
	c := preset(t, HighSchool)
	nail, _ := c.SpotAt("nail")
	tp := c.TapeOf(nail)
	near(t, "nail from baseline", tp.FromBaseline, 19, 1e-9)
	near(t, "nail from sideline", tp.FromSideline, 25, 1e-9)
	for ft, want := range map[float64]string{13.75: `13' 9"`, 7.0417: `7' 0½"`, 11.99: `12' 0"`, -0.5: `-0' 6"`} {
		if got := FeetInches(ft); got != want {
			t.Errorf("FeetInches(%v) = %s, want %s", ft, got, want)
		}
	}
	if got := Metric(6.75 * Meter); got != "6.75 m" {
		t.Errorf("Metric = %s", got)
	}
}

func TestClampAndSegment(t *testing.T) {
	c := preset(t, HighSchool)
	p := c.Clamp(Point{100, -100}, 1)
	if !c.Contains(p) || p.X != 24 || p.Y != c.BaselineY()+1 {
		t.Errorf("clamped to %+v", p)
	}
	near(t, "beside", SegmentDist(Point{1, 1}, Point{0, 0}, Point{2, 0}), 1, 1e-12)
	near(t, "past the end", SegmentDist(Point{5, 4}, Point{0, 0}, Point{2, 0}), 5, 1e-12)
	near(t, "degenerate", SegmentDist(Point{3, 4}, Point{0, 0}, Point{0, 0}), 5, 1e-12)
	if (Point{}).Unit() != (Point{}) || (Point{3, 4}).Toward(Point{3, 4}, 2) != (Point{3, 4}) {
		t.Error("zero vectors must stay put")
	}
}

func TestTapeSheet(t *testing.T) {
	for _, p := range Presets() {
		for _, metric := range []bool{false, true} {
			sheet := p.Court.TapeSheet(metric)
			if len(sheet) != len(p.Court.Spots(StandOff))+1 {
				t.Fatalf("%s: %d marks", p.ID, len(sheet))
			}
			for _, m := range sheet[:len(sheet)-1] {
				want := map[bool]string{true: " m", false: "\""}[metric]
				if !strings.HasSuffix(m.FromBaseline, want) || !strings.HasSuffix(m.FromSideline, want) {
					t.Errorf("%s: %+v", p.ID, m)
				}
				if side := map[bool]string{true: "right", false: "left"}[m.At.X > 0]; m.At.X != 0 &&
					m.Sideline != side {
					t.Errorf("%s: %s is measured from the %s sideline", p.ID, m.Name, m.Sideline)
				}
			}
		}
	}
	// FIVB: 42 ft less 3 m on an 84 ft floor, from memory; the nail is 19 ft out.
	sheet := preset(t, HighSchool).TapeSheet(false)
	if last := sheet[len(sheet)-1]; last.FromBaseline != `32' 2"` || last.FromSideline != "" {
		t.Errorf("attack line %+v", last)
	}
	if sheet[1].Name != "Nail" || sheet[1].FromBaseline != `19' 0"` || sheet[1].FromSideline != `25' 0"` ||
		sheet[1].Sideline != "either" {
		t.Errorf("nail %+v", sheet[1])
	}
}
