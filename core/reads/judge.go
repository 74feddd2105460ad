package reads

import (
	"fmt"
	"slices"
	"strings"
)

// State is how far a picture can be called.
type State string

// States: a clear cue; one that is too close to call; one that only a movement decides;
// and no clear cue at all.
const (
	Clearly State = "clear"
	Closely State = "close"
	Open    State = "open"
	NoCall  State = "none"
)

// Accepted is an answer that is right for a picture.
type Accepted struct {
	// Who should make it: the cutter, the screener or the third one.
	Who  Place `json:"who"`
	Role Role  `json:"role"`
	Read Read  `json:"read"`
	// Cue is the cue it answers, Sign the second cue that makes it right.
	Cue  Cue       `json:"cue"`
	Sign SecondCue `json:"secondCue"`
	// Certain is false where it is right only if something is so that the picture does
	// not tell.
	Certain bool   `json:"certain"`
	Say     string `json:"say"`
	Part    string `json:"part"`
}

// Judgment is a judged snapshot in words.
type Judgment struct {
	Action string `json:"action"`
	Side   string `json:"side"`
	State  State  `json:"state"`
	// Cue and Margin (feet, one decimal is meaningful) come from the geometry. Where only
	// a movement decides the cue is Undecided and Cues lists what it can be.
	Cue    Cue     `json:"cue"`
	Cues   []Cue   `json:"cues"`
	Margin float64 `json:"margin"`
	// Next is the cue across the nearest boundary.
	Next Cue `json:"next"`
	// Accepted are the right answers, the first one first. Answers that are right
	// whatever the picture leaves open come before the others.
	Accepted []Accepted `json:"accepted"`
	// Watch says what would decide an undecided picture.
	Watch []string `json:"watch"`
	// Decider is whose place is nearest to changing the answer.
	Decider Place `json:"decider"`
	// Why says from which distances the cue follows, Note what is not certain.
	Why  string `json:"why"`
	Note string `json:"note"`
	// Row is the line of the table, with the first answers for this picture; without a
	// cue it has none.
	Row Row `json:"row"`
	// Options is the second opinion: every answer played against the defenders, the most
	// open first.
	Options []Option `json:"options"`
	// Checks judge how the screen is set and used.
	Checks []Check `json:"checks"`
	// Help is who is open for the help behind a ball screen; nil for all else.
	Help *Help `json:"help,omitempty"`
}

// Judge validates a snapshot, finds the cue and every right answer, and puts them in
// words. Errors match ErrPlaces.
func Judge(fl Floor, s *Snapshot) (Judgment, error) {
	a, ok := ActionByID(s.Action)
	if !ok {
		return Judgment{}, places("reads.action", s.Action)
	}
	if err := s.Validate(fl.Court); err != nil {
		return Judgment{}, err
	}
	f := a.frame(&fl, s)
	v := a.classify(s, &f)
	j := Judgment{
		Action: s.Action, Side: s.Side(), Cue: v.Cue, Cues: slices.Clone(v.Candidates()), Margin: v.Margin,
		Next: a.next(s, &f, &v), Decider: v.By, Watch: []string{}, Accepted: []Accepted{},
		Options: Options(fl, s), Checks: Mechanics(&fl, s),
	}
	if help, ok := HelpOf(&fl, s); ok {
		j.Help = &help
	}
	cues := j.Cues
	switch {
	case v.Cue == NoCue:
		j.State = NoCall
		j.Note = "Nothing in the picture asks for one read. Play what is open."
	case v.Cue == Undecided:
		j.State = Open
		j.Watch = a.watch(s, &f, cues)
		j.Note = fmt.Sprintf("%s: watch %s.", upper(listed(cues, "or")), strings.Join(j.Watch, " and "))
	case v.Late():
		j.State = Closely
		if _, ok := a.Row(fl.Rules, j.Next); ok && j.Next != v.Cue {
			cues = append(slices.Clone(cues), j.Next)
		}
		j.Note = fmt.Sprintf("Too close to call: %s.", listed(cues, "or"))
	default:
		j.State = Clearly
	}
	if len(cues) > 0 {
		j.Accepted = a.accepted(fl.Rules, s, &f, cues)
		j.Row = a.rowOf(fl.Rules, cues[0], j.Accepted)
		j.Why = a.why(s, &f, cues[0])
		if j.State == Open {
			j.Row = undecidedRow(j.Row, &j)
			j.Why = ""
		}
	} else {
		j.Row = Row{Seen: "Nothing in the picture asks for one read", Cutter: []Answer{}, Screener: []Answer{},
			Third: []Answer{}, Mistakes: []string{}}
	}
	return j, nil
}

// undecidedRow keeps of the first cue's row what is so whichever cue it turns out to be.
func undecidedRow(row Row, j *Judgment) Row {
	out := Row{Cue: Undecided, Seen: j.Note, Cutter: row.Cutter, Screener: row.Screener, Third: row.Third,
		Mistakes: []string{},
		Say:      "Keep your dribble alive and look: it is not decided yet."}
	if a, _ := ActionByID(j.Action); a.ball() != cutter {
		out.Say = "Look again: it is not decided yet."
	}
	for _, n := range j.Accepted {
		switch {
		case !n.Certain:
		case n.Who == cutter && out.CutterRead == "":
			out.CutterRead, out.CutterPart = n.Read, n.Part
		case n.Who == screener && out.ScreenerRead == "":
			out.ScreenerRead, out.ScreenerPart = n.Read, n.Part
		}
	}
	return out
}

// listed joins the names of cues.
func listed(cues []Cue, word string) string {
	var names []string
	for _, c := range cues {
		names = append(names, lowerFirst(c.Name()))
	}
	switch n := len(names); {
	case n < 2:
		return strings.Join(names, "")
	default:
		return strings.Join(names[:n-1], ", ") + " " + word + " " + names[n-1]
	}
}

// accepted collects the right answers to some cues, those to the first cue in order.
// Where several cues are possible, answers that are right for all of them come first.
func (a *Action) accepted(rules TeamRules, s *Snapshot, f *frame, cues []Cue) []Accepted {
	var out []Accepted
	for _, who := range a.judged() {
		first := len(out)
		for _, cue := range cues {
			row, _ := a.Row(rules, cue)
			for _, n := range row.order(who, s, f) {
				if len(cues) > 1 && slices.ContainsFunc(out[first:],
					func(have Accepted) bool { return have.Read == n.Read }) {
					continue
				}
				out = append(out, Accepted{Who: who, Role: a.roleOf(who), Read: n.Read, Cue: cue, Sign: n.Sign,
					Certain: n.certain && a.inAll(rules, s, f, cues, who, n.Read), Say: n.sentence(), Part: n.Part})
			}
		}
		slices.SortStableFunc(out[first:], func(x, y Accepted) int { return rank(x.Certain) - rank(y.Certain) })
	}
	return out
}

func rank(certain bool) int {
	if certain {
		return 0
	}
	return 1
}

// inAll reports whether a read answers every one of some cues.
func (a *Action) inAll(rules TeamRules, s *Snapshot, f *frame, cues []Cue, who Place, read Read) bool {
	for _, cue := range cues {
		row, _ := a.Row(rules, cue)
		if !slices.ContainsFunc(row.order(who, s, f), func(n weighed) bool { return n.Read == read && n.certain }) {
			return false
		}
	}
	return true
}

// judged are those whose answers are judged.
func (a *Action) judged() []Place {
	if a.Third == "" {
		return []Place{cutter, screener}
	}
	return []Place{cutter, screener, a.third()}
}

func (a *Action) roleOf(who Place) Role {
	switch who {
	case cutter:
		return a.Roles[0]
	case screener:
		return a.Roles[1]
	}
	return a.Third
}

// weighed is an answer with whether it is right for sure.
type weighed struct {
	*Answer
	certain bool
}

// order lists the right answers of one of the two for a picture: those that lead it,
// then the others that are certain in the order of the table, then those that are
// possible. The first answer of a row is always right unless its second cue is not there.
func (r *Row) order(who Place, s *Snapshot, f *frame) []weighed {
	answers := r.Third
	switch who {
	case cutter:
		answers = r.Cutter
	case screener:
		answers = r.Screener
	}
	var lead, sure, maybe []weighed
	for i := range answers {
		n := &answers[i]
		holds := is(true)
		if n.when.given() {
			holds = n.when.measure(s, f)
		}
		switch {
		case !holds.possible():
		case n.first.given() && n.first.measure(s, f).certain():
			lead = append(lead, weighed{n, holds.certain()})
		case holds.certain():
			sure = append(sure, weighed{n, true})
		default:
			maybe = append(maybe, weighed{n, false})
		}
	}
	out := append(append(lead, sure...), maybe...)
	if len(out) == 0 && len(answers) > 0 {
		out = append(out, weighed{&answers[0], false})
	}
	return out
}

// sentence is what a coach says of an answer.
func (n *Answer) sentence() string {
	if n.Say != "" {
		return n.Say
	}
	info, _ := Info(n.Read)
	return info.Shout
}

// rowOf is a row whose first answers are those of a picture.
func (a *Action) rowOf(rules TeamRules, cue Cue, accepted []Accepted) Row {
	row, _ := a.Row(rules, cue)
	for _, who := range [2]Place{cutter, screener} {
		i := slices.IndexFunc(accepted, func(n Accepted) bool { return n.Who == who })
		if i < 0 {
			continue
		}
		n := accepted[i]
		if who == cutter {
			row.CutterRead, row.Say, row.CutterPart = n.Read, n.Say, n.Part
		} else {
			row.ScreenerRead, row.ScreenerPart = n.Read, n.Part
		}
	}
	return row
}

// watch says what would decide between some cues.
func (a *Action) watch(s *Snapshot, f *frame, cues []Cue) []string {
	out := []string{}
	for _, cue := range cues {
		for i := range a.rows {
			if a.rows[i].Cue == cue {
				a.rows[i].when.unknowns(s, f, func(c *cond) {
					if text := c.toWatch(a); text != "" && !slices.Contains(out, text) {
						out = append(out, text)
					}
				})
			}
		}
	}
	// What the screener's defender does tells most.
	slices.SortStableFunc(out, func(x, y string) int {
		return rank(strings.HasPrefix(x, a.word(xScreener))) - rank(strings.HasPrefix(y, a.word(xScreener)))
	})
	return out
}

// toWatch is what to look at for a condition that the picture does not tell.
func (c *cond) toWatch(a *Action) string {
	switch c.test {
	case isMoving, isChasing, isTooFast, isFast:
		return a.word(c.x) + "'s next step"
	case isWatching:
		return "the head of " + a.word(c.x)
	case isShooter:
		return "who shoots"
	}
	return ""
}

func lowerFirst(s string) string {
	if s == "" {
		return s
	}
	return strings.ToLower(s[:1]) + s[1:]
}

// why tells the distances, in feet, that make a cue.
func (a *Action) why(s *Snapshot, f *frame, cue Cue) string {
	for i := range a.rows {
		if a.rows[i].Cue == cue {
			return a.rows[i].when.explain(s, f, a)
		}
	}
	return ""
}
