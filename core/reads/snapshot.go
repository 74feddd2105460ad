package reads

import (
	"encoding/json"
	"errors"
	"math"

	"evrik/core/court"
	"evrik/core/refusal"
)

// Snapshot is a moment of an action: where everybody stands, looks and moves when the
// read is made, which is when the cutter is level with the screener's near shoulder.
// Places are in feet in the court's frame, velocities in feet a second. Everything
// from Velocity on may be left out; what is not told is unknown, not zero.
type Snapshot struct {
	// Action is the id of the action.
	Action string `json:"action"`
	// From is where the cut began and To where the catch should be; the line
	// between them is the axis of the cut.
	From court.Point `json:"from"`
	To   court.Point `json:"to"`

	Cutter    court.Point `json:"cutter"`
	Screener  court.Point `json:"screener"`
	Passer    court.Point `json:"passer"`
	XCutter   court.Point `json:"xCutter"`
	XScreener court.Point `json:"xScreener"`

	// The other screener with a defender, and up to three more of each side, where the
	// action has them.
	Second  court.Point `json:"second,omitzero"`
	XSecond court.Point `json:"xSecond,omitzero"`
	One     court.Point `json:"one,omitzero"`
	Two     court.Point `json:"two,omitzero"`
	Three   court.Point `json:"three,omitzero"`
	XOne    court.Point `json:"xOne,omitzero"`
	XTwo    court.Point `json:"xTwo,omitzero"`
	XThree  court.Point `json:"xThree,omitzero"`

	// Velocity is how everybody moves; zero is standing still.
	Velocity Vectors `json:"velocity,omitzero"`
	// Facing holds the places that players look at.
	Facing Vectors `json:"facing,omitzero"`
	// FeetSet tells whether the screener's feet are set.
	FeetSet Known `json:"feetSet,omitzero"`
	// WhenSet is where the screened defender was when the screener's feet were set;
	// when zero it is taken from how the defender moves.
	WhenSet court.Point `json:"whenSet,omitzero"`
	// Back is a place the screener's back points to; unknown when zero.
	Back court.Point `json:"back,omitzero"`
	// Exit is a place the screener's way to the rim goes through; straight when zero.
	Exit court.Point `json:"exit,omitzero"`

	// Who makes the three among cutter or handler, screener and second screener.
	CutterShoots   Known `json:"cutterShoots,omitzero"`
	ScreenerShoots Known `json:"screenerShoots,omitzero"`
	SecondShoots   Known `json:"secondShoots,omitzero"`
	// Range is how far from the ring, in feet, the cutter or handler shoots; when zero
	// it is that of the age.
	Range float64 `json:"range,omitzero"`
	// WeakHand is the handler's weak hand, "left" or "right"; unknown when empty.
	WeakHand string `json:"weakHand,omitzero"`
}

// UnmarshalJSON reads a snapshot, also one written before actions, velocities and
// facings had their names: "screen" is the action, "eyes" what the cutter's defender
// looks at.
func (s *Snapshot) UnmarshalJSON(data []byte) error {
	type plain Snapshot
	in := struct {
		*plain
		Screen string      `json:"screen"`
		Eyes   court.Point `json:"eyes"`
	}{plain: (*plain)(s)}
	if err := json.Unmarshal(data, &in); err != nil {
		return err
	}
	if s.Action == "" {
		s.Action = in.Screen
	}
	if _, told := s.Facing.Of(xCutter); !told && in.Eyes != (court.Point{}) {
		s.Facing.Set(xCutter, in.Eyes)
	}
	return nil
}

// Distances of the model, in feet.
const (
	// BodyRadius is half the width of a player's stance (assumption).
	BodyRadius = 0.75
	// HipToHip is the center distance of two players who pass without daylight:
	// two bodies and an elbow's room (assumption).
	HipToHip = 1.8
	// Touching is the center distance within which a defender is in the
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

type placesError struct{ refusal.Refusal }

func (e placesError) Is(target error) bool { return target == ErrPlaces }
func (e placesError) Unwrap() error        { return e.Refusal }

func places(code string, args ...any) error {
	return placesError{refusal.Refusal{Code: code, Args: args}}
}

// MostSpeed is the fastest anybody on the floor can move, in feet a second (assumption:
// a little over a sprinter's).
const MostSpeed = 40.0

// Validate checks that the snapshot can be judged on this court: real numbers,
// everybody on the floor, nobody in another's place, the cutter at the screen.
// Errors are refusals and match ErrPlaces.
func (s *Snapshot) Validate(c court.Court) error {
	action, ok := ActionByID(s.Action)
	if !ok {
		return places("reads.action", s.Action)
	}
	spots := append(action.Participants, Participant{ID: start, Word: "the start of the cut"},
		Participant{ID: catch, Word: "the catch"})
	for _, p := range spots {
		at := s.At(p.ID)
		if !at.Finite() {
			return places("reads.place-no-number", p.Word)
		}
		if !c.Contains(at) {
			return places("reads.off-court",
				upper(p.Word), court.FeetInches(at.X), court.FeetInches(at.Y))
		}
	}
	if err := s.validMotion(action); err != nil {
		return err
	}
	for i, p := range action.Participants {
		for _, q := range action.Participants[i+1:] {
			if s.At(p.ID).Dist(s.At(q.ID)) < SameSpot {
				return places("reads.on-one-spot", upper(p.Word), q.Word)
			}
		}
	}
	if s.From.Dist(s.To) < HipToHip {
		return places("reads.no-direction")
	}
	if action.spots.free {
		return nil
	}
	return s.atTheScreen(action)
}

// validMotion checks what is told of how people move, look and shoot.
func (s *Snapshot) validMotion(a *Action) error {
	if !s.Velocity.finite() || !s.Facing.finite() || !s.Back.Finite() || !s.Exit.Finite() || !s.WhenSet.Finite() {
		return places("reads.direction-no-number")
	}
	for p := range numBodies {
		if v, _ := s.Velocity.Of(p); v.Len() > MostSpeed {
			return places("reads.too-fast", upper(a.word(p)))
		}
	}
	if !(s.Range >= 0 && s.Range < 100) {
		return places("reads.shooting-range", s.Range)
	}
	if s.WeakHand != "" && s.WeakHand != "left" && s.WeakHand != "right" {
		return places("reads.weak-hand", s.WeakHand)
	}
	return nil
}

// atTheScreen checks that the cutter is where the read is made.
func (s *Snapshot) atTheScreen(a *Action) error {
	f := newFrame(s)
	along, out := f.in(s.Cutter)
	who := upper(a.word(cutter))
	switch {
	case along < -LevelBand:
		return places("reads.cutter-short", who, -along)
	case along > LevelBand:
		return places("reads.cutter-past", who, along)
	case out < 0 || out > UseBand:
		return places("reads.not-using-screen", who, math.Abs(out))
	}
	return nil
}

// word is how a sentence speaks of one of the action's participants.
func (a *Action) word(p Place) string {
	for _, who := range a.Participants {
		if who.ID == p {
			return who.Word
		}
	}
	switch p {
	case catch:
		return "the catch"
	case start:
		return "the start of the cut"
	case rim:
		return "the rim"
	}
	return p.String()
}

// Mirror returns the same snapshot on the other side of the court.
func (s Snapshot) Mirror() Snapshot {
	for p := cutter; p < rim; p++ {
		s.Put(p, s.At(p).Mirror())
	}
	s.Velocity.each(court.Point.Mirror)
	s.Facing.each(court.Point.Mirror)
	s.Back, s.Exit, s.WhenSet = s.Back.Mirror(), s.Exit.Mirror(), s.WhenSet.Mirror()
	switch s.WeakHand {
	case "left":
		s.WeakHand = "right"
	case "right":
		s.WeakHand = "left"
	}
	return s
}

// Side is the side of the floor the screen is set on; where there is no screen
// on a side, the ball's; where that is in the middle, the cutter's.
func (s *Snapshot) Side() string {
	if s.onLeft() {
		return "left"
	}
	return "right"
}

func (s *Snapshot) onLeft() bool {
	first := s.Screener
	if a, ok := ActionByID(s.Action); ok && a.spots.free && a.ball() == passer {
		first = s.Passer
	}
	for _, at := range [...]court.Point{first, s.Cutter} {
		if math.Abs(at.X) >= SameSpot {
			return at.X < 0
		}
	}
	return first.X < 0
}

// ball is who has the ball at the moment of the read.
func (a *Action) ball() Place {
	for _, p := range a.Participants {
		if p.Ball {
			return p.ID
		}
	}
	return passer
}

// Distances at which examples place defenders (assumptions).
const (
	guarding = 3.0  // feet from the own player, toward the rim
	helpSag  = 0.45 // share of the way to the rim, two passes away
	stepLeft = 3.6  // feet left to a defender who could not see the screen
	exitAt   = 0.55 // share of the screener's distance from the rim, on the way there
)

// TapeMarks are the places where the screens of this action are set, on both sides, as
// lengths a person can measure, so that they are set where the game sets them. Actions
// without a screen have none.
func (a *Action) TapeMarks(c court.Court, metric bool) []court.Mark {
	if a.spots.free {
		return nil
	}
	var out []court.Mark
	s := a.Example(c, NoCue)
	for _, p := range a.Participants {
		if !p.Screens {
			continue
		}
		name := a.Name
		if p.ID != screener {
			name += ", " + lowerFirst(p.Name)
		}
		at := s.At(p.ID)
		right, left := c.MarkAt("Right "+lowerFirst(name), at, metric),
			c.MarkAt("Left "+lowerFirst(name), at.Mirror(), metric)
		right.Screen, left.Screen = true, true
		out = append(out, right, left)
	}
	return out
}

// Start returns where the screener comes from on a court, for a screen on the
// right side.
func (a *Action) Start(c court.Court) court.Point {
	p, _ := c.SpotAt(a.spots.screenerFrom)
	return p
}

func upper(s string) string {
	if s == "" {
		return s
	}
	return string(s[0]-'a'+'A') + s[1:]
}
