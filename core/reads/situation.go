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

	// The other screener and his defender, and up to three more of each side,
	// where the type of situation has them.
	Second  court.Point `json:"second,omitzero"`
	XSecond court.Point `json:"xSecond,omitzero"`
	One     court.Point `json:"one,omitzero"`
	Two     court.Point `json:"two,omitzero"`
	Three   court.Point `json:"three,omitzero"`
	XOne    court.Point `json:"xOne,omitzero"`
	XTwo    court.Point `json:"xTwo,omitzero"`
	XThree  court.Point `json:"xThree,omitzero"`

	// Eyes is the place the cutter's defender looks at, where that matters.
	Eyes court.Point `json:"eyes,omitzero"`
	// Back is a place the screener's back points to; none when zero.
	Back court.Point `json:"back,omitzero"`
	// Exit is a place the screener's way to the rim goes through; straight when zero.
	Exit court.Point `json:"exit,omitzero"`

	// Shooters among handler, screener and second screener: who can make the
	// three. It decides who pops, and what "under" is worth.
	CutterShoots   bool `json:"cutterShoots,omitzero"`
	ScreenerShoots bool `json:"screenerShoots,omitzero"`
	SecondShoots   bool `json:"secondShoots,omitzero"`
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

// Validate checks that the situation can be judged on this court: real
// numbers, everyone on the floor, nobody in another's place, the cutter at the
// screen. Errors are sentences and match ErrPlaces.
func (s *Situation) Validate(c court.Court) error {
	screen, ok := ScreenByID(s.Screen)
	if !ok {
		return places("There is no screen called %q. Choose one from the list.", s.Screen)
	}
	for _, p := range append(screen.People, Person{ID: start, Word: "the start of the cut"}, Person{ID: catch, Word: "the catch"}) {
		at := s.At(p.ID)
		if !at.Finite() {
			return places("Where %s stands is not a number. Nothing was judged; put the figure back on the floor.", p.Word)
		}
		if !c.Contains(at) {
			return places("%s is off the court (%s, %s from the ring). Nothing was judged; drag it back inside the lines.",
				upper(p.Word), court.FeetInches(at.X), court.FeetInches(at.Y))
		}
	}
	if !s.Eyes.Finite() || !s.Back.Finite() || !s.Exit.Finite() {
		return places("Where somebody faces or goes is not a number. Nothing was judged; turn the figure again.")
	}
	for i, p := range screen.People {
		for _, q := range screen.People[i+1:] {
			if s.At(p.ID).Dist(s.At(q.ID)) < SameSpot {
				return places("%s and %s stand on one spot. Nothing was judged; move one of them.", upper(p.Word), q.Word)
			}
		}
	}
	if s.From.Dist(s.To) < HipToHip {
		return places("The cut has no direction: its start and the catch are on one spot. Move the catch away.")
	}
	if screen.spots.free {
		return nil
	}
	f := newFrame(s)
	along, out := f.in(s.Cutter)
	who := screen.word(cutter)
	switch {
	case along < -LevelBand:
		return places("%s is still %.0f ft short of the screener's shoulder, so there is nothing to read yet. Bring him to the screen.", upper(who), -along)
	case along > LevelBand:
		return places("%s is %.0f ft past the screener's shoulder, so the read is over. Bring him back to the screen.", upper(who), along)
	case out < 0 || out > UseBand:
		return places("%s is not using this screen: he passes %.0f ft from the screener's shoulder on the wrong line. Bring him close.", upper(who), abs(out))
	}
	return nil
}

// word is how a sentence speaks of one of the screen's people.
func (sc *Screen) word(p Place) string {
	return word(sc.People, p)
}

func word(people []Person, p Place) string {
	for _, who := range people {
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

// Mirror returns the same situation on the other side of the court.
func (s Situation) Mirror() Situation {
	for p := cutter; p < rim; p++ {
		s.Put(p, s.At(p).Mirror())
	}
	s.Eyes, s.Back, s.Exit = s.Eyes.Mirror(), s.Back.Mirror(), s.Exit.Mirror()
	return s
}

// Side is the side of the floor the screen is set on; where there is no screen
// on a side, the ball's.
func (s *Situation) Side() string {
	if s.onLeft() {
		return "left"
	}
	return "right"
}

func (s *Situation) onLeft() bool {
	if screen, ok := ScreenByID(s.Screen); ok && screen.spots.free && screen.ball() == passer {
		return s.Passer.X < 0
	}
	return s.Screener.X < 0
}

// Example places a screen of this type on a court's right side with the
// defenders giving a clear cue. A cue it does not have gives the first one.
func (sc *Screen) Example(c court.Court, cue Cue) Situation {
	spot := func(id string) court.Point {
		p, _ := c.SpotAt(id) // "rim" is the origin
		return p
	}
	s := Situation{Screen: sc.ID, From: spot(sc.spots.from), To: spot(sc.spots.to), CutterShoots: true}
	if sc.spots.to == "rim" {
		s.To = finishNear(s.From)
	}
	if sc.spots.ball != "" {
		s.Passer = spot(sc.spots.ball)
	}
	for who, id := range sc.spots.others {
		s.Put(who, spot(id))
	}
	for _, p := range sc.spots.set {
		s.Put(p.who, s.At(p.from).Toward(s.At(p.to), p.feet))
	}
	if !sc.spots.free {
		// The screen is set on the way, hip to hip on its far side.
		at := sc.spots.at
		if at == 0 {
			at = 0.5
		}
		middle := s.From.Add(s.To.Sub(s.From).Scale(at))
		s.Screener, s.Cutter = middle, middle
		f := newFrame(&s)
		s.Screener = f.at(0, -HipToHip)
		f = newFrame(&s)
		s.Cutter = f.at(0, HipToHip)
		for who, at := range sc.spots.beside {
			s.Put(who, f.at(at.along, at.out))
		}
	}
	row := sc.rows[0]
	for _, r := range sc.rows {
		if r.Cue == cue {
			row = r
		}
	}
	for _, p := range []Place{start, catch, cutter, screener} {
		if row.shift > 0 {
			s.Put(p, c.Clamp(s.At(p).Add(court.Point{Y: row.shift}), 1))
		}
	}
	sc.placeDefenders(&s, row)
	if sc.Family == OffBall && !sc.spots.free {
		s.Exit = s.Screener.Scale(exitAt)
	}
	switch sc.spots.back {
	case "":
		if !sc.spots.free {
			s.Back = s.To
		}
	default:
		s.Back = spot(sc.spots.back)
	}
	return s
}

// placeDefenders puts everybody's man where a cue is clear.
func (sc *Screen) placeDefenders(s *Situation, row Row) {
	ball := s.At(sc.ball())
	for _, p := range sc.People {
		if p.ID.Defends() {
			man := s.At(p.Guards)
			sag := guarding
			if man.X*ball.X < 0 && p.ID >= xOne {
				sag = helpSag * man.Len()
			}
			s.Put(p.ID, man.Toward(court.Point{}, sag))
		}
	}
	if at, ok := clearPlaces[row.Cue]; ok && !sc.spots.free {
		f := newFrame(s)
		s.XCutter = f.at(at.cutter.along, at.cutter.out)
		s.XScreener = f.at(at.screener.along, at.screener.out)
	}
	if sc.spots.eyes != nobody {
		s.Eyes = s.At(sc.spots.eyes)
	}
	for _, p := range row.show {
		s.Put(p.who, s.At(p.from).Toward(s.At(p.to), p.feet).Add(p.plus))
	}
}

// ball is who has the ball at the instant of the read.
func (sc *Screen) ball() Place {
	for _, p := range sc.People {
		if p.Ball {
			return p.ID
		}
	}
	return passer
}

// Distances at which examples place defenders (assumptions).
const (
	guarding = 3.0  // feet from the man, toward the rim
	helpSag  = 0.45 // share of the way to the rim, two passes away
	exitAt   = 0.55 // share of the screener's distance from the rim, on his way out
)

// TapeMarks are the places where this screen is set, on both sides, as lengths a
// person can measure, so that it is set where the game sets it. Situations
// without a screen have none.
func (sc *Screen) TapeMarks(c court.Court, metric bool) []court.Mark {
	if sc.spots.free {
		return nil
	}
	var out []court.Mark
	s := sc.Example(c, NoCue)
	for _, p := range sc.People {
		if !p.Screens {
			continue
		}
		name := sc.Name
		if p.ID != screener {
			name += ", " + lowerFirst(p.Name)
		}
		at := s.At(p.ID)
		right, left := c.MarkAt("Right "+lowerFirst(name), at, metric), c.MarkAt("Left "+lowerFirst(name), at.Mirror(), metric)
		right.Screen, left.Screen = true, true
		out = append(out, right, left)
	}
	return out
}

// Start returns where the screener comes from on a court, for a screen on the
// right side.
func (sc *Screen) Start(c court.Court) court.Point {
	p, _ := c.SpotAt(sc.spots.screenerFrom)
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
	Waits:  {offset{-3.0, 1.6}, offset{1.4, 4.6}},
	Denied: {offset{3.4, 2.6}, offset{0.6, -3.0}},

	Drop:     {offset{-3.0, 1.5}, offset{2.4, -6.5}},
	Tag:      {offset{-3.0, 1.5}, offset{2.4, -6.5}},
	UnderFar: {offset{1.2, -3.8}, offset{-2.2, -3.6}},
	Early:    {offset{3.0, 2.4}, offset{2.4, -3.0}},
	Ice:      {offset{2.8, 2.4}, offset{-4.5, -3.0}},
	Hedge:    {offset{-5.6, 1.0}, offset{3.4, 3.2}},
	Blitz:    {offset{-1.6, 3.2}, offset{2.2, 3.2}},
	TagLow:   {offset{-3.0, 1.5}, offset{2.4, -6.5}},
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
