// Package court knows the floor: its frame, the line dimensions of the courts
// teams play on, the named spots, and the tape-measure lengths of a place.
//
// Every length inside the core is in feet. The frame's origin is the point on
// the floor under the center of the ring; +Y points to half court.
package court

import (
	"math"

	"evrik/core/refusal"
)

// Units of length in feet.
const (
	Inch  = 1.0 / 12
	Meter = 1 / 0.3048
)

// Parts of the basket that are the same wherever the ring is regulation size.
const (
	// RingRadius is the inside radius of the ring: 9 in (NFHS court diagram and
	// FIBA Official Basketball Rules, both from memory).
	RingRadius = 9 * Inch
	// RingGap is the gap between the face of the board and the nearest point of
	// the ring: 6 in (NFHS court diagram, from memory).
	RingGap = 6 * Inch
	// CircleRadius is the radius of the free-throw and center circles: 6 ft
	// (NFHS court diagram, from memory).
	CircleRadius = 6.0
	// AttackLine is the distance of a volleyball court's attack line from its
	// center line: 3 m (FIVB Official Volleyball Rules, from memory).
	AttackLine = 3 * Meter
)

// Court is one half of a floor. All lengths are in feet.
type Court struct {
	// Preset is the id the dimensions came from, or "custom".
	Preset string `json:"preset"`
	// HalfLength is the distance from the baseline to the half-court line (or,
	// on a half-court game's floor, to the far boundary).
	HalfLength float64 `json:"halfLength"`
	// Width is the distance from sideline to sideline.
	Width float64 `json:"width"`
	// ArcRadius is the three-point radius, measured from under the ring.
	ArcRadius float64 `json:"arcRadius"`
	// ArcGap is the distance of the arc's straight part from the sideline; 0
	// asks for it to be computed.
	ArcGap float64 `json:"arcGap"`
	// LaneWidth is the width of the lane.
	LaneWidth float64 `json:"laneWidth"`
	// FreeThrow is the distance from the face of the board to the free-throw line.
	FreeThrow float64 `json:"freeThrow"`
	// Board is the distance from the baseline to the face of the board.
	Board float64 `json:"board"`
	// RingOut is the distance from the face of the board to the center of the
	// ring; 0 means RingGap + RingRadius.
	RingOut float64 `json:"ringOut"`
}

// Preset ids.
const (
	HighSchool = "highschool"
	FIBA       = "fiba"
	NCAA       = "ncaa"
	FIBA3x3    = "fiba3x3"
	Junior     = "junior"
)

// Preset is a named set of dimensions with the place they come from.
type Preset struct {
	ID     string `json:"id"`
	Name   string `json:"name"`
	Source string `json:"source"`
	Court  Court  `json:"court"`
}

// Presets returns the courts the product knows, the team's usual one first. Their figures are
// from memory of the rule books named in Source.
func Presets() []Preset {
	fiba := Court{
		HalfLength: 14 * Meter, Width: 15 * Meter,
		ArcRadius: 6.75 * Meter, ArcGap: 0.90 * Meter,
		LaneWidth: 4.90 * Meter, FreeThrow: (5.80 - 1.20) * Meter, Board: 1.20 * Meter,
		RingOut: (1.575 - 1.20) * Meter,
	}
	threes := fiba
	threes.HalfLength = 11 * Meter
	list := []Preset{
		{HighSchool, "High school (US)", "NFHS Basketball Rules Book, court diagram", Court{
			HalfLength: 42, Width: 50, ArcRadius: 19.75, ArcGap: 25 - 19.75,
			LaneWidth: 12, FreeThrow: 15, Board: 4,
		}},
		{FIBA, "FIBA", "FIBA Official Basketball Rules 2024 Art. 2", fiba},
		{NCAA, "NCAA", "NCAA rules book, court diagram", Court{
			HalfLength: 47, Width: 50, ArcRadius: 22 + 1.75*Inch, ArcGap: 40.125 * Inch,
			LaneWidth: 12, FreeThrow: 15, Board: 4,
		}},
		{FIBA3x3, "FIBA 3x3", "FIBA 3x3 Rules of the Game", threes},
		{Junior, "Junior gym", "74 x 42 ft is common practice, no source; measure your own floor", Court{
			HalfLength: 37, Width: 42, ArcRadius: 17.5,
			LaneWidth: 12, FreeThrow: 15, Board: 4,
		}},
	}
	for i := range list {
		list[i].Court.Preset = list[i].ID
	}
	return list
}

// PresetCourt returns the dimensions of a preset, and whether the id is known.
func PresetCourt(id string) (Court, bool) {
	for _, p := range Presets() {
		if p.ID == id {
			return p.Court, true
		}
	}
	return Court{}, false
}

// RingFromBaseline is the distance from the baseline to the point under the
// center of the ring, in feet: board offset, gap and ring radius added up.
func (c Court) RingFromBaseline() float64 {
	if c.RingOut > 0 {
		return c.Board + c.RingOut
	}
	return c.Board + RingGap + RingRadius
}

// BaselineY is the baseline's y in the frame (negative), in feet.
func (c Court) BaselineY() float64 { return -c.RingFromBaseline() }

// HalfY is the half-court line's y in the frame, in feet.
func (c Court) HalfY() float64 { return c.HalfLength - c.RingFromBaseline() }

// BoardY is the y of the board's face in the frame, in feet.
func (c Court) BoardY() float64 { return c.Board - c.RingFromBaseline() }

// FreeThrowY is the free-throw line's y in the frame, in feet.
func (c Court) FreeThrowY() float64 { return c.Board + c.FreeThrow - c.RingFromBaseline() }

// MinArcGap is the least corridor a computed straight part leaves between arc
// and sideline: 0.90 m, borrowed from FIBA's court (assumption for custom floors).
const MinArcGap = 0.90 * Meter

// ArcStraightX is the distance of the arc's straight part from the court's
// long axis, in feet. Where the gap is not given it is computed: the arc runs
// down untouched when it leaves at least MinArcGap at the sideline, and is cut
// off there when it does not.
func (c Court) ArcStraightX() float64 {
	if c.ArcGap > 0 {
		return math.Min(c.ArcRadius, c.Width/2-c.ArcGap)
	}
	return math.Min(c.ArcRadius, c.Width/2-MinArcGap)
}

// ArcMeetsY is the y at which the straight part meets the arc, in feet above
// the center of the ring.
func (c Court) ArcMeetsY() float64 {
	x := c.ArcStraightX()
	return math.Sqrt(math.Max(0, c.ArcRadius*c.ArcRadius-x*x))
}

// InsideArc reports whether p lies inside the three-point line.
func (c Court) InsideArc(p Point) bool { return c.BehindArc(p) < 0 }

// BehindArc is how far behind the three-point line p is, in feet; negative inside.
func (c Court) BehindArc(p Point) float64 {
	if p.Y < c.ArcMeetsY() {
		return math.Abs(p.X) - c.ArcStraightX()
	}
	return p.Len() - c.ArcRadius
}

// Contains reports whether p is on this half of the floor, lines included.
func (c Court) Contains(p Point) bool {
	return math.Abs(p.X) <= c.Width/2 && p.Y >= c.BaselineY() && p.Y <= c.HalfY()
}

// Clamp returns the point of the floor nearest to p that is at least inset
// feet inside every boundary.
func (c Court) Clamp(p Point, inset float64) Point {
	half := c.Width/2 - inset
	return Point{
		math.Max(-half, math.Min(half, p.X)),
		math.Max(c.BaselineY()+inset, math.Min(c.HalfY()-inset, p.Y)),
	}
}

// Bounds within which a custom floor is believed to be a basketball floor, in
// feet (assumptions: half a small school hall up to something larger than any
// published court).
const (
	minWidth, maxWidth           = 30.0, 60.0
	minHalfLength, maxHalfLength = 28.0, 52.0
	minBoard, maxBoard           = 1.0, 8.0
	minLane, maxLane             = 6.0, 20.0
	maxRingOut                   = 3.0
)

// Validate checks that the lines of a custom floor fit together. The error
// says in words which two lines collide.
func (c Court) Validate() error {
	named := []struct {
		name string
		v    float64
	}{
		{"half length", c.HalfLength}, {"width", c.Width}, {"three-point radius", c.ArcRadius},
		{"gap at the sideline", c.ArcGap}, {"lane width", c.LaneWidth},
		{"free-throw distance", c.FreeThrow}, {"board offset", c.Board}, {"ring's distance from the board", c.RingOut},
	}
	for _, n := range named {
		if math.IsNaN(n.v) || math.IsInf(n.v, 0) || n.v < 0 {
			return refusal.New("court.not-length", n.name)
		}
	}
	switch {
	case c.Width < minWidth || c.Width > maxWidth:
		return refusal.New("court.width", FeetInches(c.Width), minWidth, maxWidth)
	case c.HalfLength < minHalfLength || c.HalfLength > maxHalfLength:
		return refusal.New("court.length", FeetInches(c.HalfLength), minHalfLength, maxHalfLength)
	case c.Board < minBoard || c.Board > maxBoard:
		return refusal.New("court.board-distance", FeetInches(c.Board), minBoard, maxBoard)
	case c.RingOut > maxRingOut:
		return refusal.New("court.ring-distance", FeetInches(c.RingOut), maxRingOut)
	case c.LaneWidth < minLane || c.LaneWidth > maxLane:
		return refusal.New("court.lane-width", FeetInches(c.LaneWidth), minLane, maxLane)
	case c.LaneWidth >= c.Width:
		return refusal.New("court.lane-outside-sidelines", FeetInches(c.LaneWidth), FeetInches(c.Width))
	case c.ArcGap > 0 && c.ArcGap >= c.Width/2:
		return refusal.New("court.arc-crosses-middle", FeetInches(c.ArcGap), FeetInches(c.Width/2))
	case c.ArcStraightX() <= c.LaneWidth/2:
		return refusal.New("court.arc-inside-lane", FeetInches(c.ArcStraightX()), FeetInches(c.LaneWidth/2))
	case c.FreeThrowY() >= c.ArcRadius:
		return refusal.New("court.free-throw-outside-arc", FeetInches(c.FreeThrowY()), FeetInches(c.ArcRadius))
	case c.FreeThrowY() <= 0:
		return refusal.New("court.free-throw-behind-ring")
	case c.ArcRadius >= c.HalfY():
		return refusal.New("court.arc-crosses-half-court", FeetInches(c.ArcRadius), FeetInches(c.HalfY()))
	}
	return nil
}
