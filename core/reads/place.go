package reads

import "evrik/core/court"

// Place is somebody, or a spot that matters, in a snapshot.
type Place uint8

// Places. A ball screen's handler and a handoff's receiver are cutters, its
// roller and carrier screeners, and so on: the screen's People say who is who.
const (
	nobody Place = iota
	cutter
	screener
	passer
	second // the other screener, or the post's nearest teammate
	one
	two
	three
	xCutter
	xScreener
	xSecond
	xOne
	xTwo
	xThree
	start // where the cut began
	catch // where it should end
	rim
	eyes // the place that the cutter's defender looks at
	numPlaces
)

var placeIDs = [numPlaces]string{"none", "cutter", "screener", "passer", "second", "one", "two", "three",
	"xCutter", "xScreener", "xSecond", "xOne", "xTwo", "xThree", "from", "to", "rim", "eyes"}

// String returns the place's id.
func (p Place) String() string { return placeIDs[p] }

// MarshalText writes the place as its id.
func (p Place) MarshalText() ([]byte, error) { return []byte(p.String()), nil }

// UnmarshalText reads a place from its id; an unknown id becomes nobody.
func (p *Place) UnmarshalText(b []byte) error {
	*p, _ = ParsePlace(string(b))
	return nil
}

// ParsePlace returns the place with this id, and whether there is one.
func ParsePlace(id string) (Place, bool) {
	for p := cutter; p < numPlaces; p++ {
		if placeIDs[p] == id {
			return p, true
		}
	}
	return nobody, false
}

// Defends reports whether the place is a defender's.
func (p Place) Defends() bool { return p >= xCutter && p <= xThree }

// guards is whom a defender guards; nobody for all others.
func (p Place) guards() Place {
	switch {
	case p == xCutter:
		return cutter
	case p == xScreener:
		return screener
	case p >= xSecond && p <= xThree:
		return p - xSecond + second
	}
	return nobody
}

// Participant is somebody who takes part in an action, for pictures and sentences.
type Participant struct {
	ID Place `json:"id"`
	// Name is what the figure is called, Word how a sentence speaks of that player.
	Name string `json:"name"`
	Word string `json:"word"`
	// Letter stands on the figure.
	Letter string `json:"letter"`
	// Guards is the attacker a defender belongs to.
	Guards Place `json:"guards"`
	// Ball is true for whoever has it at the moment of the read.
	Ball bool `json:"ball"`
	// Screens is true for whoever sets a screen.
	Screens bool `json:"screens"`
}

// At returns where somebody is, in feet. The rim is the origin.
func (s *Snapshot) At(p Place) court.Point {
	if p == eyes {
		at, _ := s.Facing.Of(xCutter)
		return at
	}
	if at := s.place(p); at != nil {
		return *at
	}
	return court.Point{}
}

// Put moves somebody; the rim and nobody stay where they are.
func (s *Snapshot) Put(p Place, to court.Point) {
	if p == eyes {
		s.Facing.Set(xCutter, to)
	}
	if at := s.place(p); at != nil {
		*at = to
	}
}

func (s *Snapshot) place(p Place) *court.Point {
	switch p {
	case cutter:
		return &s.Cutter
	case screener:
		return &s.Screener
	case passer:
		return &s.Passer
	case second:
		return &s.Second
	case one:
		return &s.One
	case two:
		return &s.Two
	case three:
		return &s.Three
	case xCutter:
		return &s.XCutter
	case xScreener:
		return &s.XScreener
	case xSecond:
		return &s.XSecond
	case xOne:
		return &s.XOne
	case xTwo:
		return &s.XTwo
	case xThree:
		return &s.XThree
	case start:
		return &s.From
	case catch:
		return &s.To
	}
	return nil
}
