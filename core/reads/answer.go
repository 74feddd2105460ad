package reads

import (
	"fmt"

	"evrik/core/court"
)

// Answer is a judged situation in words.
type Answer struct {
	Screen string `json:"screen"`
	Side   string `json:"side"`
	// Cue and Margin (feet, one decimal is meaningful) come from the geometry.
	Cue    Cue     `json:"cue"`
	Margin float64 `json:"margin"`
	// Late is true when the cue is too close to call; Accepted then holds both
	// cutter reads that are right, otherwise the one.
	Late     bool   `json:"late"`
	Next     Cue    `json:"next"`
	Accepted []Read `json:"accepted"`
	// Decider is whose place is nearest to changing the answer.
	Decider string `json:"decider"`
	// Why says from which distances the cue follows.
	Why string `json:"why"`
	// Note is set when the cue is late.
	Note string `json:"note"`
	Row  Row    `json:"row"`
	// Options is the second opinion: every cut run against the defenders, the
	// most open first.
	Options []Option `json:"options"`
	// Checks judge how the screen is set and used.
	Checks []Check `json:"checks"`
}

// Judge validates a situation, finds the cue and puts the answer in words for
// the team's school. Errors match ErrPlaces, or say that the screen is unknown.
func Judge(c court.Court, school School, s *Situation) (Answer, error) {
	screen, ok := ScreenByID(s.Screen)
	if !ok {
		return Answer{}, places("There is no screen called %q. Choose one from the list.", s.Screen)
	}
	if err := s.Validate(c); err != nil {
		return Answer{}, err
	}
	v := Classify(s)
	row, ok := screen.Row(school, v.Cue)
	if !ok {
		return Answer{}, places("The table of the %s has no answer to %q.", screen.Name, v.Cue)
	}
	a := Answer{
		Screen: s.Screen, Side: s.Side(), Cue: v.Cue, Margin: v.Margin, Next: v.Next,
		Late: v.Late(), Accepted: []Read{row.CutterRead}, Decider: "xCutter", Row: row,
		Why: why(s, v), Options: Options(c, s), Checks: Mechanics(c, s),
	}
	if v.ByScreener {
		a.Decider = "xScreener"
	}
	if next, ok := screen.Row(school, v.Next); ok && a.Late && v.Next != v.Cue {
		a.Accepted = append(a.Accepted, next.CutterRead)
		a.Note = fmt.Sprintf("Too close to call: between %s and %s. %s and %s are both right.",
			v.Cue, v.Next, readName(row.CutterRead), lowerFirst(readName(next.CutterRead)))
	}
	return a, nil
}

func readName(id Read) string {
	info, _ := Info(id)
	return info.Name
}

func lowerFirst(s string) string {
	if s == "" {
		return s
	}
	return string(s[0]-'A'+'a') + s[1:]
}

// why tells the distances, in feet, that make the cue.
func why(s *Situation, v Verdict) string {
	f := newFrame(s)
	ca, _ := f.in(s.Cutter)
	xa, xo := f.in(s.XCutter)
	body := s.XCutter.Dist(s.Screener)
	switch v.Cue {
	case Trail:
		return fmt.Sprintf("His man is %.1f ft behind him and %.1f ft out on his own path.", ca-xa, xo)
	case Stuck:
		return fmt.Sprintf("His man is %.1f ft from the screener's middle: in the body, not past it.", body)
	case Under:
		return fmt.Sprintf("His man is %.1f ft on the rim side of the screen.", -xo)
	case Jump:
		return fmt.Sprintf("His man is %.1f ft ahead of him, between him and the catch.", xa-ca)
	case Switch:
		return fmt.Sprintf("The screener's man is %.1f ft in front of him; his own man stayed, %.1f ft from the screener.",
			s.XScreener.Dist(s.Cutter), body)
	case Show:
		return fmt.Sprintf("The screener's man is %.1f ft in front of him; his own man still chases, %.1f ft away.",
			s.XScreener.Dist(s.Cutter), s.XCutter.Dist(s.Cutter))
	}
	return ""
}
