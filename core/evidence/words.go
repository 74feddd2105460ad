package evidence

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"evrik/core/drill"
	"evrik/core/reads"
)

// Words are a player's card for the player: what is strong first, then two things to
// work on, in sentences that a fourteen-year-old reads.
type Words struct {
	Strengths []Strength `json:"strengths"`
	Next      []Work     `json:"next"`
}

// Strength is a read that a player has, or is on the way to.
type Strength struct {
	Read reads.Read `json:"read"`
	Text string     `json:"text"`
}

// Work is a read to get next.
type Work struct {
	Read reads.Read `json:"read"`
	// So is where it stands, When what to look for, Do what to do then, Call what the
	// coach will shout.
	So   string `json:"so"`
	When string `json:"when"`
	Do   string `json:"do"`
	Call string `json:"call"`
	// Drill and Stage fix it; empty where no drill does.
	Drill string `json:"drill"`
	Stage string `json:"stage"`
}

const (
	toldStrengths = 4
	toldWork      = 2
	// comingReps is from how many reps on a read that is not settled may be called a
	// strength to come (assumption).
	comingReps = 4
)

// WordsOf writes a player's standings of all parts in words. taught are the actions
// of the team, lib its drills.
func WordsOf(standings []Standing, taught []*reads.Action, rules reads.TeamRules, lib drill.Library) Words {
	w := Words{Strengths: []Strength{}, Next: []Work{}}
	byNeed := ByNeed(standings)
	strong := slices.DeleteFunc(slices.Clone(standings), func(s Standing) bool { return s.Judgement.Verdict != HasIt })
	slices.SortStableFunc(strong, func(a, b Standing) int {
		return cmp.Or(cmp.Compare(b.Held, a.Held), cmp.Compare(b.Judgement.Chance, a.Judgement.Chance))
	})
	for _, s := range strong[:min(toldStrengths, len(strong))] {
		w.Strengths = append(w.Strengths, Strength{s.Read, s.strength()})
	}
	if len(strong) == 0 {
		coming := slices.DeleteFunc(slices.Clone(standings),
			func(s Standing) bool { return s.Judgement.Reps < comingReps })
		slices.SortStableFunc(coming, func(a, b Standing) int {
			return cmp.Compare(b.Judgement.Rate,
				a.Judgement.Rate)
		})
		for _, s := range coming[:min(toldWork, len(coming))] {
			w.Strengths = append(w.Strengths, Strength{s.Read, fmt.Sprintf("It is coming: %s.", s.count())})
		}
	}
	for _, s := range byNeed {
		told := slices.ContainsFunc(w.Strengths, func(o Strength) bool { return o.Read == s.Read })
		if len(w.Next) == toldWork || s.Judgement.Verdict == HasIt {
			break
		}
		if !told {
			w.Next = append(w.Next, s.work(taught, rules, lib))
		}
	}
	return w
}

func (s Standing) count() string {
	if s.Group == Live && len(s.Groups) > Live.index() {
		guided, live := &s.Groups[Guided.index()].Judgement, &s.Groups[Live.index()].Judgement
		if heldBack(guided, live) {
			return fmt.Sprintf("%d of %d correct against real defenders, %d of %d when a coach shows it to you", live.Correct,
				live.Reps, guided.Correct, guided.Reps)
		}
	}
	return fmt.Sprintf("%d of %d correct", s.Judgement.Correct, s.Judgement.Reps)
}

func (s Standing) strength() string {
	where := "against real defenders"
	switch {
	case s.Group == Guided:
		where = "when a coach shows it to you"
	case s.Rung == drill.Game:
		where = "in games"
	}
	text := fmt.Sprintf("You make it %s: %s.", where, s.count())
	if s.Judgement.New {
		text += " Show it once more next practice."
	}
	return text
}

func (s Standing) work(taught []*reads.Action, rules reads.TeamRules, lib drill.Library) Work {
	read := s.Read
	info, _ := reads.Info(read)
	w := Work{Read: read, Call: info.Shout}
	switch j := s.Judgement; {
	case j.Reps == 0:
		w.So = "You have not had a turn at it yet."
	case j.Verdict == Lapsed:
		w.So = fmt.Sprintf("You had it (%s), but not lately. Bring it back.", s.count())
	case j.Verdict == NotYet:
		w.So = fmt.Sprintf("So far %s.", s.count())
	default:
		w.So = fmt.Sprintf("So far %s; a few more reps will tell.", s.count())
	}
	if made, ok := reads.Info(s.Confused); ok {
		w.So += fmt.Sprintf(" What comes out instead is mostly %s.", strings.ToLower(made.Name))
	}
	for _, action := range taught {
		for _, row := range action.Rows(rules) {
			if w.When != "" || row.CutterRead != read && row.ScreenerRead != read {
				continue
			}
			w.When, w.Do = row.Seen, row.CutterPart
			if row.ScreenerRead == read { // the table speaks to who uses the screen
				w.When, w.Do = "What your cutter sees: "+strings.ToLower(row.Seen[:1])+row.Seen[1:], row.ScreenerPart
			}
		}
	}
	if w.When != "" && !strings.HasSuffix(w.When, ".") {
		w.When += "."
	}
	// Guided until it is held there.
	rung := drill.Guided
	for _, in := range s.Groups {
		if in.Group == Guided && in.Judgement.Verdict == HasIt {
			rung = drill.Live2
		}
	}
	for _, id := range lib.Serving(rules, []reads.Read{read}) {
		d, _ := lib.ByID(id)
		for _, st := range d.Stages {
			if w.Drill == "" && st.Rung == rung {
				w.Drill, w.Stage = id, st.ID
			}
		}
	}
	return w
}
