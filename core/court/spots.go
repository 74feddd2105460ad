package court

import (
	"math"
	"strings"
)

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

// anchors are the measures that the named places hang on, in feet.
type anchors struct{ r, ft, lane, maxX, block float64 }

func (c Court) anchors(standOff float64) anchors {
	return anchors{c.ArcRadius + standOff, c.FreeThrowY(), c.LaneWidth / 2, c.Width/2 - SidelineInset,
		blockFromBaseline - c.RingFromBaseline()}
}

// onArc is how far from the other axis the arc of the stand-off is at a distance v.
func (a *anchors) onArc(v float64) float64 { return math.Sqrt(math.Max(0, a.r*a.r-v*v)) }

func (a *anchors) cornerX() float64 { return math.Min(a.r, a.maxX) }

func (a *anchors) post() float64 { return a.lane + laneStandOff }

// places are the named spots in the middle and on the right.
var places = []struct {
	id, name string
	at       func(*anchors) Point
}{
	{"top", "Top", func(a *anchors) Point { return Point{0, a.r} }},
	{"nail", "Nail", func(a *anchors) Point { return Point{0, a.ft} }},
	{"highpost", "High post", func(a *anchors) Point { return Point{0, a.ft + highPostAbove} }},
	{"slotR", "Right slot", func(a *anchors) Point { return Point{SlotX, a.onArc(SlotX)} }},
	{"wingR", "Right wing", func(a *anchors) Point { return Point{math.Min(a.onArc(a.ft), a.maxX), a.ft} }},
	{"cornerR", "Right corner", func(a *anchors) Point { return Point{a.cornerX(), CornerY} }},
	{"elbowR", "Right elbow", func(a *anchors) Point { return Point{a.lane, a.ft} }},
	{"blockR", "Right block", func(a *anchors) Point { return Point{a.post(), a.block} }},
	{"midpostR", "Right mid-post", func(a *anchors) Point { return Point{a.post(), (a.block + a.ft) / 2} }},
	{"shortR", "Right short corner", func(a *anchors) Point { return Point{(a.lane + a.cornerX()) / 2, -CornerY} }},
	{"dunkerR", "Right dunker spot", func(a *anchors) Point { return Point{a.post(), -dunkerBelow} }},
}

// Spots returns the named places of the court for a stand-off outside the arc
// in feet (StandOff by default). The places are common practice; only the
// lines they hang on are published. Ids carry R or L for the side.
func (c Court) Spots(standOff float64) []Spot {
	a := c.anchors(standOff)
	spots := make([]Spot, 0, 2*len(places))
	for _, p := range places {
		at := p.at(&a)
		spots = append(spots, Spot{p.id, p.name, at})
		if name, ok := strings.CutPrefix(p.name, "Right "); ok {
			spots = append(spots, Spot{MirrorSpot(p.id), "Left " + name, at.Mirror()})
		}
	}
	return spots
}

// SpotName is what a spot is called within a sentence, or its id where there is none.
func SpotName(id string) string {
	for i := range places {
		switch p := &places[i]; id {
		case p.id:
			return strings.ToLower(p.name)
		case MirrorSpot(p.id):
			return strings.ToLower(strings.Replace(p.name, "Right ", "Left ", 1))
		}
	}
	return id
}

// SpotAt returns a named spot at the usual stand-off, and whether the id is known.
func (c Court) SpotAt(id string) (Point, bool) {
	base, left := strings.CutSuffix(id, "L")
	for i := range places {
		p := &places[i]
		switch own, sided := strings.CutSuffix(p.id, "R"); {
		case p.id == id:
			a := c.anchors(StandOff)
			return p.at(&a), true
		case left && sided && own == base:
			a := c.anchors(StandOff)
			return p.at(&a).Mirror(), true
		}
	}
	return Point{}, false
}

// AttackLineFromBaseline is the distance in feet from the baseline to the
// nearer attack line of a volleyball court centered on the same floor.
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
