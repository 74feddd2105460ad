package court

import "math"

// Stand-off distances and small offsets of the named spots, in feet.
const (
	// StandOff is how far outside the arc a player waits (common practice: 3 to
	// 4 ft; toes on the line let a defender recover two or three feet sooner).
	StandOff = 3.5
	// SidelineInset keeps spots this far inside the sideline (common practice).
	SidelineInset = 2.0
	// SlotX is a slot's distance from the long axis (common practice).
	SlotX = 8.5
	// CornerY is a corner spot's height above the ring's line (common practice).
	CornerY = 1.0
	// blockFromBaseline is where the block is painted (NFHS lane marks, from memory).
	blockFromBaseline = 7.0
	// laneStandOff is how far outside the lane line a post stands (assumption).
	laneStandOff = 1.0
	// highPostAbove is how far above the free-throw line the high post stands (assumption).
	highPostAbove = 1.0
	// dunkerBelow is how far below the ring's line the dunker spot lies (assumption).
	dunkerBelow = 1.5
)

// Spot is a named place on the floor. Mark tells where the name's place comes from.
type Spot struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	At   Point  `json:"at"`
}

// Spots returns the named places of the court for a stand-off outside the arc
// in feet (StandOff by default). The places are common practice; only the
// lines they hang on are published. Ids carry R or L for the side.
func (c Court) Spots(standOff float64) []Spot {
	r := c.ArcRadius + standOff
	ft, lane := c.FreeThrowY(), c.LaneWidth/2
	onCircle := func(x float64) float64 { return math.Sqrt(math.Max(0, r*r-x*x)) }
	maxX := c.Width/2 - SidelineInset
	wingX := math.Min(math.Sqrt(math.Max(0, r*r-ft*ft)), maxX)
	cornerX := math.Min(r, maxX)
	blockY := blockFromBaseline - c.RingFromBaseline()

	spots := []Spot{
		{"top", "Top", Point{0, r}},
		{"nail", "Nail", Point{0, ft}},
		{"highpost", "High post", Point{0, ft + highPostAbove}},
	}
	both := func(id, name string, right Point) {
		spots = append(spots,
			Spot{id + "R", "Right " + name, right},
			Spot{id + "L", "Left " + name, right.Mirror()})
	}
	both("slot", "slot", Point{SlotX, onCircle(SlotX)})
	both("wing", "wing", Point{wingX, ft})
	both("corner", "corner", Point{cornerX, CornerY})
	both("elbow", "elbow", Point{lane, ft})
	both("block", "block", Point{lane + laneStandOff, blockY})
	both("midpost", "mid-post", Point{lane + laneStandOff, (blockY + ft) / 2})
	both("short", "short corner", Point{(lane + cornerX) / 2, -CornerY})
	both("dunker", "dunker spot", Point{lane + laneStandOff, -dunkerBelow})
	return spots
}

// SpotAt returns a named spot at the usual stand-off, and whether the id is known.
func (c Court) SpotAt(id string) (Point, bool) {
	for _, s := range c.Spots(StandOff) {
		if s.ID == id {
			return s.At, true
		}
	}
	return Point{}, false
}

// AttackLineFromBaseline is the distance in feet from the baseline to the
// nearer attack line of a volleyball court centred on the same floor.
func (c Court) AttackLineFromBaseline() float64 { return c.HalfLength - AttackLine }

// MirrorSpot is the id of the spot on the other side of the court; one in the middle is
// its own.
func MirrorSpot(id string) string {
	if id == "" {
		return id
	}
	switch base := id[:len(id)-1]; id[len(id)-1] {
	case 'R':
		return base + "L"
	case 'L':
		return base + "R"
	}
	return id
}
