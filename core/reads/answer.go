package reads

import "fmt"

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
	Decider Place `json:"decider"`
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
	// Help is who is open for the help behind a ball screen; nil for all else.
	Help *Help `json:"help,omitempty"`
}

// Judge validates a situation, finds the cue and puts the answer in words for
// the team's school. Errors match ErrPlaces, or say that the screen is unknown.
func Judge(fl Floor, s *Situation) (Answer, error) {
	screen, ok := ScreenByID(s.Screen)
	if !ok {
		return Answer{}, places("There is no screen called %q. Choose one from the list.", s.Screen)
	}
	if err := s.Validate(fl.Court); err != nil {
		return Answer{}, err
	}
	f := screen.frame(s)
	v := screen.classify(s, &f)
	row, ok := screen.rowFor(fl.School, s, v.Cue)
	if !ok {
		return Answer{}, places("The table of the %s has no answer to %q.", screen.Name, v.Cue)
	}
	a := Answer{
		Screen: s.Screen, Side: s.Side(), Cue: v.Cue, Margin: v.Margin, Next: screen.next(s, &f, v),
		Late: v.Late(), Accepted: []Read{row.CutterRead}, Decider: v.By, Row: row,
		Why: screen.why(s, &f, row, v), Options: Options(fl, s), Checks: Mechanics(fl.Court, s),
	}
	if help, ok := HelpOf(fl.Pace, s); ok {
		a.Help = &help
	}
	if next, ok := screen.rowFor(fl.School, s, a.Next); ok && a.Late && a.Next != v.Cue {
		a.Note = fmt.Sprintf("Too close to call: between %s and %s.", lowerFirst(v.Cue.Name()), lowerFirst(a.Next.Name()))
		if next.CutterRead != row.CutterRead {
			a.Accepted = append(a.Accepted, next.CutterRead)
			a.Note = fmt.Sprintf("%s %s and %s are both right.", a.Note, readName(row.CutterRead), lowerFirst(readName(next.CutterRead)))
		}
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

// why tells the distances, in feet, that make the cue. The row that remains
// when no other holds tells its own condition, or what is nearest to another.
func (sc *Screen) why(s *Situation, f *frame, row Row, v Verdict) string {
	if text := row.when.told(s, f, sc.People); text != "" {
		return text
	}
	for i := len(sc.rows) - 1; i > 0; i-- {
		if feet, by := sc.rows[i].when.measure(s, f); by == v.By && abs(feet) == v.Margin {
			return sc.rows[i].when.nearest(s, f).told(s, f, sc.People)
		}
	}
	return ""
}
