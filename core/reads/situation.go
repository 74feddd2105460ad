package reads

import (
	"errors"
	"fmt"

	"evrik/core/court"
)

// Situation is a screen at the decision instant: the cutter is level with the
// screener's near shoulder. Places are in feet in the court's frame.
type Situation struct {
	// Screen is the id of the screen's type.
	Screen string `json:"screen"`
	// From is where the cut began and To where the catch should be; the line
	// between them is the axis of the cut.
	From court.Point `json:"from"`
	To   court.Point `json:"to"`

	Cutter    court.Point `json:"cutter"`
	Screener  court.Point `json:"screener"`
	Passer    court.Point `json:"passer"`
	XCutter   court.Point `json:"xCutter"`
	XScreener court.Point `json:"xScreener"`
}

// Distances of the model, in feet.
const (
	// BodyRadius is half the width of a player's stance (assumption).
	BodyRadius = 0.75
	// HipToHip is the centre distance of two players who pass without daylight:
	// two bodies and an elbow's room (assumption).
	HipToHip = 1.8
	// Touching is the centre distance within which a defender is in the
	// screener's body: two bodies and a forearm (assumption).
	Touching = 2.5
	// SameSpot is the distance below which two people stand in one place (assumption).
	SameSpot = 0.5
	// LevelBand is how far along the cut the cutter may be from the screener
	// for the instant to count as the decision (assumption).
	LevelBand = 3.0
	// UseBand is how far from the screener the cutter may pass and still use
	// the screen (assumption).
	UseBand = 6.0
)

// ErrPlaces is the class of all errors about where people stand.
var ErrPlaces = errors.New("positions cannot be judged")

type placesError struct{ sentence string }

func (e placesError) Error() string        { return e.sentence }
func (e placesError) Is(target error) bool { return target == ErrPlaces }

func places(format string, args ...any) error { return placesError{fmt.Sprintf(format, args...)} }

type named struct {
	name string
	at   court.Point
}

func (s *Situation) people() [5]named {
	return [5]named{
		{"the cutter", s.Cutter}, {"the screener", s.Screener}, {"the passer", s.Passer},
		{"the cutter's defender", s.XCutter}, {"the screener's defender", s.XScreener},
	}
}

// Validate checks that the situation can be judged on this court: real
// numbers, everyone on the floor, nobody in another's place, the cutter at the
// screen. Errors are sentences and match ErrPlaces.
func (s *Situation) Validate(c court.Court) error {
	people := s.people()
	for _, p := range append(people[:], named{"the start of the cut", s.From}, named{"the catch", s.To}) {
		if !p.at.Finite() {
			return places("Where %s stands is not a number. Nothing was judged; put the figure back on the floor.", p.name)
		}
		if !c.Contains(p.at) {
			return places("%s is off the court (%s, %s from the ring). Nothing was judged; drag it back inside the lines.",
				upper(p.name), court.FeetInches(p.at.X), court.FeetInches(p.at.Y))
		}
	}
	for i := range people {
		for j := i + 1; j < len(people); j++ {
			if people[i].at.Dist(people[j].at) < SameSpot {
				return places("%s and %s stand on one spot. Nothing was judged; move one of them.",
					upper(people[i].name), people[j].name)
			}
		}
	}
	if s.From.Dist(s.To) < HipToHip {
		return places("The cut has no direction: its start and the catch are on one spot. Move the catch away.")
	}
	along, out := newFrame(s).in(s.Cutter)
	switch {
	case along < -LevelBand:
		return places("The cutter is still %.0f ft short of the screener's shoulder, so there is nothing to read yet. Bring him to the screen.", -along)
	case along > LevelBand:
		return places("The cutter is %.0f ft past the screener's shoulder, so the read is over. Bring him back to the screen.", along)
	case out < 0 || out > UseBand:
		return places("The cutter is not using this screen: he passes %.0f ft from the screener's shoulder on the wrong line. Bring him close.", abs(out))
	}
	return nil
}

// Mirror returns the same situation on the other side of the court.
func (s Situation) Mirror() Situation {
	for _, p := range []*court.Point{&s.From, &s.To, &s.Cutter, &s.Screener, &s.Passer, &s.XCutter, &s.XScreener} {
		*p = p.Mirror()
	}
	return s
}

// Side is the side of the floor the screen is set on.
func (s *Situation) Side() string {
	if s.Screener.X < 0 {
		return "left"
	}
	return "right"
}

// frame is the screen's own frame: origin the screener, a along the cut, n
// toward the side on which the cutter passes.
type frame struct{ origin, a, n court.Point }

func newFrame(s *Situation) frame {
	a := s.To.Sub(s.From).Unit()
	n := a.Left()
	var side float64
	switch passesOf(s.Screen) {
	case nearBall:
		side = n.Dot(s.Passer.Sub(s.Screener))
	case alongBaseline:
		side = -n.Y
	default:
		side = n.Dot(s.Screener)
	}
	// Where that side is no side, as on a line through the ring, the cutter's
	// own decides.
	if abs(side) < SameSpot {
		side = n.Dot(s.Cutter.Sub(s.Screener))
	}
	if side < 0 {
		n = n.Scale(-1)
	}
	return frame{s.Screener, a, n}
}

// passesOf is the side on which the cutter of a type of screen goes by.
func passesOf(id string) passing {
	if s, ok := ScreenByID(id); ok {
		return s.spots.passes
	}
	return farFromRim
}

// in returns p's coordinates in the frame, in feet.
func (f frame) in(p court.Point) (along, out float64) {
	d := p.Sub(f.origin)
	return d.Dot(f.a), d.Dot(f.n)
}

// at returns the place on the floor of frame coordinates.
func (f frame) at(along, out float64) court.Point {
	return f.origin.Add(f.a.Scale(along)).Add(f.n.Scale(out))
}

// Example places a screen of this type on a court's right side with the
// defenders giving a clear cue. Cue NoCue gives the first one.
func (s *Screen) Example(c court.Court, cue Cue) Situation {
	spot := func(id string) court.Point {
		p, _ := c.SpotAt(id) // "rim" is the origin
		return p
	}
	sit := Situation{Screen: s.ID, From: spot(s.spots.from), To: spot(s.spots.to), Passer: spot(s.spots.ball)}
	if s.spots.to == "rim" {
		sit.To = finishNear(sit.From)
	}
	// The screen is set on the way, hip to hip on its far side.
	at := s.spots.at
	if at == 0 {
		at = 0.5
	}
	middle := sit.From.Add(sit.To.Sub(sit.From).Scale(at))
	sit.Screener, sit.Cutter = middle, middle
	sit.Screener = newFrame(&sit).at(0, -HipToHip)
	f := newFrame(&sit)
	sit.Cutter = f.at(0, HipToHip)
	p, ok := clearPlaces[cue]
	if !ok {
		p = clearPlaces[Trail]
	}
	sit.XCutter = f.at(p.cutter.along, p.cutter.out)
	sit.XScreener = f.at(p.screener.along, p.screener.out)
	return sit
}

// Start returns where the screener comes from on a court, for a screen on the
// right side.
func (s *Screen) Start(c court.Court) court.Point {
	p, _ := c.SpotAt(s.spots.screenerFrom)
	return p
}

type offset struct{ along, out float64 }

// clearPlaces are places of X-cutter and X-screener in the screen's frame, in
// feet, that show a cue beyond doubt (assumptions of the model's geometry).
var clearPlaces = map[Cue]struct{ cutter, screener offset }{
	Trail:  {offset{-3.4, 1.6}, offset{0.6, -3.0}},
	Stuck:  {offset{-1.2, 0.0}, offset{0.6, -3.0}},
	Under:  {offset{1.2, -3.8}, offset{-2.2, -3.0}},
	Jump:   {offset{3.4, 2.6}, offset{0.6, -3.0}},
	Switch: {offset{-0.8, -1.8}, offset{2.6, 2.6}},
	Show:   {offset{-2.6, 2.6}, offset{2.8, 2.4}},
}

func abs(x float64) float64 {
	if x < 0 {
		return -x
	}
	return x
}

func upper(s string) string {
	if s == "" {
		return s
	}
	return string(s[0]-'a'+'A') + s[1:]
}
