package reads

import (
	"math/rand/v2"
	"slices"

	"evrik/core/court"
)

// Ask is what a question to a player's eyes must hold to.
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

// Draw sets up a screen and places the defenders so that they show a cue with one
// right answer: the table's, which nothing else the table knows comes as free as.
// Where the right answer is to wait, nothing that can be run is open. What is drawn
// first, from rng alone, is where the attackers stand; it does not depend on the
// cue, so that they give nothing away. It is false where no such places were found,
// and for cues that are not a matter of feet.
func (s *Screen) Draw(fl Floor, cue Cue, ask Ask, rng *rand.Rand) (Situation, bool) {
	row, ok := s.Row(fl.School, cue)
	if !ok || row.feel || row.shift != 0 {
		return Situation{}, false
	}
	moved := near(rng, court.Point{}).Scale(askMoved / clearDrift)
	left := ask.Mirror && rng.IntN(2) == 1
	choices := s.Choices(fl.School)
	base, example := s.Example(fl.Court, NoCue), s.Example(fl.Court, cue)
	for _, p := range s.People {
		if p.ID.Defends() {
			base.Put(p.ID, example.At(p.ID))
		}
	}
	base.Eyes = example.Eyes
	base.shift(moved)
	for range askTries {
		at := base
		for _, p := range s.People {
			if p.ID.Defends() {
				at.Put(p.ID, near(rng, base.At(p.ID)))
			}
		}
		v := Classify(&at)
		if v.Cue != cue || v.Margin < ask.AtLeast || v.Margin > ask.AtMost || at.Validate(fl.Court) != nil || !s.one(fl, &at, cue, choices) {
			continue
		}
		if left {
			at = at.Mirror()
		}
		return at, true
	}
	return Situation{}, false
}

// Choices lists the answers of a screen's reader under a school, each once, in
// teaching order.
func (s *Screen) Choices(school School) []Read {
	var out []Read
	for _, row := range s.Rows(school) {
		if !row.feel && row.shift == 0 && !slices.Contains(out, row.CutterRead) {
			out = append(out, row.CutterRead)
		}
	}
	return out
}

// one reports whether the table's answer is the only right one by the kinematics
// too. A read that cannot be run is right where nothing else comes open.
func (s *Screen) one(fl Floor, at *Situation, cue Cue, choices []Read) bool {
	row, _ := s.rowFor(fl.School, at, cue)
	right, wrong := OpenFrom, 0.0
	f := s.frame(at)
	for _, read := range choices {
		if !runs[read] {
			continue
		}
		worth := s.optionOf(&fl, &f, at, read).worth()
		if read == row.CutterRead {
			right = worth
		} else {
			wrong = max(wrong, worth)
		}
	}
	return wrong < right
}

// shift moves everybody, and what they look at and go to, by so many feet.
func (s *Situation) shift(by court.Point) {
	for p := cutter; p < rim; p++ {
		if at := s.At(p); at != (court.Point{}) {
			s.Put(p, at.Add(by))
		}
	}
	for _, at := range []*court.Point{&s.Eyes, &s.Back, &s.Exit} {
		if *at != (court.Point{}) {
			*at = at.Add(by)
		}
	}
}

// Reader is the person whose read a situation asks for first.
func (s *Screen) Reader() Person {
	for _, p := range s.People {
		if p.ID == cutter {
			return p
		}
	}
	return Person{}
}
