package reads

import (
	"math"
	"math/rand/v2"
	"slices"

	"evrik/core/court"
)

// Ask is what a quiz question must hold to.
type Ask struct {
	// AtLeast and AtMost bound the cue's margin, in feet.
	AtLeast, AtMost float64
	// Mirror allows the left side of the floor.
	Mirror bool
}

// Figures of a question (assumptions).
const (
	askTries = 400 // places of the defenders tried on one set-up
	askMoved = 1.5 // feet a whole set-up may stand off its spots
)

// Draw sets up an action and places the defenders so that they show a cue clearly, and
// no answer that the table does not accept comes as free as one that it accepts. What is
// drawn first, from rng alone, is where the attackers stand; it does not depend on the
// cue, so that they give nothing away. It is false where no such places were found.
func (a *Action) Draw(fl Floor, cue Cue, ask Ask, rng *rand.Rand) (Snapshot, bool) {
	row, ok := a.Row(fl.Rules, cue)
	if !ok || row.shift != 0 || cue == Weak {
		return Snapshot{}, false
	}
	moved := near(rng, court.Point{}).Scale(askMoved / clearDrift)
	left := ask.Mirror && rng.IntN(2) == 1
	choices := a.Choices(fl.Rules)
	base, example := a.Example(fl.Court, NoCue), a.Example(fl.Court, cue)
	_, driven := example.Velocity.Of(passer) // then what is read is where the driver goes
	for _, p := range a.Participants {
		if p.ID.Defends() || driven && p.ID == passer {
			base.Put(p.ID, example.At(p.ID))
			if v, told := example.Velocity.Of(p.ID); told {
				base.Velocity.Set(p.ID, v)
			}
		}
	}
	base.Facing = example.Facing
	base.shift(moved)
	for range askTries {
		at := base
		for _, p := range a.Participants {
			if p.ID.Defends() {
				at.Put(p.ID, near(rng, base.At(p.ID)))
			}
		}
		v := Classify(&fl, &at)
		if v.Cue != cue || v.Margin < ask.AtLeast || v.Margin > ask.AtMost || at.Validate(fl.Court) != nil ||
			!a.fair(fl, &at, cue, choices) {
			continue
		}
		if left {
			at = at.Mirror()
		}
		return at, true
	}
	return Snapshot{}, false
}

// Choices lists the first answers of an action's reader under a team's rules, each once,
// in teaching order.
func (a *Action) Choices(rules TeamRules) []Read {
	var out []Read
	for _, row := range a.Rows(rules) {
		if row.shift == 0 && row.Cue != Weak && !slices.Contains(out, row.CutterRead) {
			out = append(out, row.CutterRead)
		}
	}
	return out
}

// fair reports whether the kinematics do not find one of the choices freer than what the
// table accepts. A table that asks to wait is fair where nothing else is open.
func (a *Action) fair(fl Floor, at *Snapshot, cue Cue, choices []Read) bool {
	f := a.frame(&fl, at)
	row, _ := a.Row(fl.Rules, cue)
	right, wrong := OpenWindow, math.Inf(-1)
	var accepted []Read
	for _, n := range row.order(cutter, at, &f) {
		accepted = append(accepted, n.Read)
	}
	// One of the choices is right, and only one.
	if !slices.Contains(choices, accepted[0]) || slices.ContainsFunc(accepted[1:],
		func(r Read) bool { return slices.Contains(choices, r) }) {
		return false
	}
	m := a.moment(&fl, &f, at)
	for _, p := range a.plays {
		if !slices.Contains(choices, p.read) && !slices.Contains(accepted, p.read) {
			continue
		}
		worth := a.play(&fl, &f, at, &m, p).worth()
		if slices.Contains(accepted, p.read) {
			right = math.Max(right, worth)
		} else {
			wrong = math.Max(wrong, worth)
		}
	}
	return wrong < right
}

// shift moves everybody, and what they look at and go to, by so many feet.
func (s *Snapshot) shift(by court.Point) {
	for p := cutter; p < rim; p++ {
		if at := s.At(p); at != (court.Point{}) {
			s.Put(p, at.Add(by))
		}
	}
	s.Facing.each(func(at court.Point) court.Point { return at.Add(by) })
	for _, at := range []*court.Point{&s.Back, &s.Exit} {
		if *at != (court.Point{}) {
			*at = at.Add(by)
		}
	}
}

// ReaderPlace is the place of the participant whose read an action asks for first.
const ReaderPlace = cutter

// Judged are the participants whose answers an action judges: the reader, the screener
// and the third one where there is one.
func (a *Action) Judged() []Participant {
	var out []Participant
	for _, who := range a.judged() {
		for _, p := range a.Participants {
			if p.ID == who {
				out = append(out, p)
			}
		}
	}
	return out
}

// RoleOf is the role in which a participant's answers are judged.
func (a *Action) RoleOf(p Participant) Role { return a.roleOf(p.ID) }

// FirstOf is the first answer of a role in a row; empty for none.
func (a *Action) FirstOf(r *Row, role Role) Answer {
	answers, _ := a.answersOf(r, role)
	if len(answers) == 0 {
		return Answer{}
	}
	return answers[0]
}

// Reader is the participant whose read an action asks for first.
func (a *Action) Reader() Participant { return a.Judged()[0] }
