package reads

import (
	"fmt"
	"math"

	"evrik/core/court"
)

// The law of screens, by the rule texts: NFHS Rule 4-40 and FIBA Art. 33, from memory.
// The league's own rules come first.

// Figures of the law. The rules name steps and strides; their lengths are assumptions
// for players of 12 to 14 and grow with the players.
const (
	// NormalStep is the step in feet that is left to a still opponent who cannot see the
	// screen.
	NormalStep = 3.0
	// OneStride and TwoStrides are the least and the most room in feet that is left to an
	// opponent who moves: never more than two strides.
	OneStride, TwoStrides = 3.0, 6.0
	// StrideTime is the time in seconds in which a stride is made: at a speed of v a
	// moving opponent is left v times this time.
	StrideTime = 0.35
	// VisualField is how many degrees to either side of the nose somebody sees a screener
	// (assumption).
	VisualField = 90.0
	// walking is the speed in ft/s from which an opponent counts as moving (assumption).
	walking = 1.5
	// sameWay is how many degrees two paths may differ and still be one (assumption).
	sameWay = 30.0
	// reachOfBodies is the center distance in feet at which two bodies touch (assumption).
	reachOfBodies = 2*BodyRadius + 0.35
)

// Screening is a screen as the law looks at it, at the moment the screener's feet are
// set or, for a screener who moves, at the contact.
type Screening struct {
	Screener, Opponent court.Point
	// ScreenerMoves and OpponentMoves are velocities in ft/s.
	ScreenerMoves, OpponentMoves court.Point
	// Looks is the place the opponent looks at; unknown when it is the opponent's own place.
	Looks court.Point
	// Blind is true where the screen comes from behind and nothing is known of the look.
	Blind bool
	// FeetSet tells whether the screener's feet are set.
	FeetSet Known
	// Contact is true where the two touch.
	Contact bool
	// Body scales steps and strides to the players.
	Body float64
}

// Ruling says whether a screen is legal and which rule decides.
type Ruling struct {
	// Legal is true where contact on this screen is no foul by the screener.
	Legal bool
	// Foul is true where there is a foul: an illegal screen with contact.
	Foul bool
	// Room is the distance in feet that was left, Needed what the law asks for.
	Room, Needed float64
	// Law says which rule decides.
	Law Law
}

// Law is a rule about screens.
type Law string

// The rules about screens.
const (
	MovingScreen Law = "moving screener"
	SamePath     Law = "same path and direction"
	InView       Law = "within the visual field"
	BlindSide    Law = "blind side"
	MovingPlayer Law = "moving opponent"
)

// Rule applies the law to a screen.
func (s Screening) Rule() Ruling {
	room := s.Screener.Dist(s.Opponent)
	r := Ruling{Room: room}
	switch {
	case s.onePath():
		r.Law, r.Legal = SamePath, true
	case s.FeetSet == No || s.ScreenerMoves.Len() > walking:
		r.Law = MovingScreen
	case s.OpponentMoves.Len() > walking:
		r.Law = MovingPlayer
		least, most := OneStride*s.Body, TwoStrides*s.Body
		r.Needed = math.Max(least, math.Min(most, s.OpponentMoves.Len()*StrideTime*2))
		r.Legal = room >= r.Needed
	case s.seen():
		r.Law, r.Legal = InView, true
	default:
		r.Law, r.Needed = BlindSide, NormalStep*s.Body
		r.Legal = room >= r.Needed
	}
	r.Foul = !r.Legal && s.Contact
	return r
}

// onePath reports whether both move on one path in one direction: then the screener may
// move, and the one behind is responsible.
func (s Screening) onePath() bool {
	return s.ScreenerMoves.Len() > walking && s.OpponentMoves.Len() > walking &&
		angle(s.ScreenerMoves, s.OpponentMoves)*180/math.Pi <= sameWay &&
		s.ScreenerMoves.Dot(s.Screener.Sub(s.Opponent)) > 0
}

// seen reports whether the screener stands within the opponent's visual field.
func (s Screening) seen() bool {
	look := s.Looks.Sub(s.Opponent)
	if look == (court.Point{}) {
		return !s.Blind
	}
	return angle(look, s.Screener.Sub(s.Opponent))*180/math.Pi <= VisualField
}

// screening is a snapshot's screen at the moment the feet were set.
func (a *Action) screening(fl *Floor, s *Snapshot) Screening {
	f := a.frame(fl, s)
	k := Screening{Screener: s.Screener, Opponent: s.XCutter, Blind: a.spots.blind, FeetSet: s.FeetSet,
		Body:    f.size.Body,
		Contact: s.XCutter.Dist(s.Screener) <= reachOfBodies}
	k.ScreenerMoves, _ = s.Velocity.Of(screener)
	v, told := s.Velocity.Of(xCutter)
	if !told && a.follows(&f, s) {
		v = f.a.Scale(a.speed())
	}
	k.OpponentMoves = v
	switch {
	case s.WhenSet != (court.Point{}): // told: where the defender stood then
		k.Opponent = s.WhenSet
	case v.Len() > walking: // the feet are set before the cutter leaves: the defender has come this way since
		k.Opponent = s.XCutter.Sub(v.Unit().Scale(s.From.Dist(s.Cutter)))
	}
	k.Looks = k.Opponent
	if look, known := s.Facing.Of(xCutter); known {
		k.Looks = look
	}
	return k
}

// lawful says in words what the law says of a snapshot's screen.
func lawful(fl *Floor, a *Action, s *Snapshot) Check {
	k := a.screening(fl, s)
	r := k.Rule()
	c := Check{ID: "legal", OK: r.Legal, Feet: r.Room}
	switch {
	case r.Law == SamePath:
		c.Text = "Both move one way on one path: no foul by the screener."
	case r.Law == MovingScreen && r.Foul:
		c.Text = "The screener is still moving and there is contact: a moving screen, a foul."
	case r.Law == MovingScreen:
		c.Text = "The screener is still moving: set the feet before there is contact."
	case r.Law == InView && s.FeetSet == Unknown:
		c.Text = "The defender can see it: legal once the feet are set."
	case r.Law == InView:
		c.Text = "The defender can see it, and the feet are set: legal."
	case r.Legal && r.Law == BlindSide:
		c.Text = "A normal step is left: the screen is legal from behind."
	case r.Legal:
		c.Text = fmt.Sprintf("The moving defender has %.0f ft to stop or turn: legal.", r.Room)
	case r.Law == BlindSide && r.Foul:
		c.Text = fmt.Sprintf(
			"The defender cannot see it and had %.1f ft: a foul, and it hurts. Leave a normal step, %.1f ft.", r.Room,
			r.Needed)
	case r.Law == BlindSide:
		c.Text = fmt.Sprintf(
			"The defender cannot see it and has %.1f ft: contact would be a foul. Leave a normal step, %.1f ft.",
			r.Room, r.Needed)
	default:
		c.Text = fmt.Sprintf("Set %.1f ft in front of a moving defender: contact would be a foul. Leave %.1f ft.",
			r.Room, r.Needed)
	}
	return c
}
