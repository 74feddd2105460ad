package quiz

import (
	"cmp"
	"math"
	"math/rand/v2"
	"slices"
	"time"

	"evrik/core/reads"
)

// Answer is what a player answered to an item.
type Answer struct {
	Card Card       `json:"card"`
	Step Step       `json:"step"`
	Read reads.Read `json:"read"`
	// Right is true for the right answer within the time allowed; Late for a right
	// one after it.
	Right bool `json:"right"`
	Late  bool `json:"late"`
	// Seconds from the instant of the read to the answer.
	Seconds float64   `json:"seconds"`
	At      time.Time `json:"at"`
}

// MaxSeconds is the longest decision time that is kept: who takes longer was not
// looking (assumption).
const MaxSeconds = 20.0

// Settle judges an answer to an item: choice is empty when the time ran out. The
// phone's clock may be wrong: an answer from the future counts as given now.
func (it *Item) Settle(choice reads.Read, seconds float64, at, now time.Time) Answer {
	if math.IsNaN(seconds) {
		seconds = MaxSeconds
	}
	seconds = min(max(seconds, 0), MaxSeconds)
	if at.After(now) {
		at = now
	}
	right := choice == it.Right
	return Answer{
		Card: it.Card, Step: it.Step, Read: it.Right, Seconds: seconds, At: at,
		Right: right && seconds <= it.Seconds+grace, Late: right && seconds > it.Seconds+grace,
	}
}

// grace in seconds for a touch screen to report a touch (assumption).
const grace = 0.1

// The boxes of a card file after Leitner, So lernt man lernen (1972): a right
// answer moves a card one box up, a wrong one back into the first, and each box
// waits twice as long as the one before. The first wait is an assumption.
const (
	boxes     = 6
	firstWait = 12 * time.Hour
)

// State is where a card is in a player's file.
type State struct {
	Card Card `json:"card"`
	// Box is the number of the box that the card is in, from 1; it is 0 until the player has seen the card.
	Box  int       `json:"box"`
	Last time.Time `json:"last"`
}

// wait is how long a card rests in its box.
func (s State) wait() time.Duration { return firstWait << max(0, s.Box-1) }

// due is how far a card's rest is over: 1 when it is just due, 0 straight after an
// answer.
func (s State) due(now time.Time) float64 { return float64(now.Sub(s.Last)) / float64(s.wait()) }

// File sorts the cards into a player's boxes. Answers must be in order of time.
func File(cards []Card, answers []Answer) []State {
	index := make(map[Card]int, len(cards))
	out := make([]State, len(cards))
	for i, c := range cards {
		index[c], out[i].Card = i, c
	}
	for _, a := range answers {
		i, ok := index[a.Card]
		if !ok {
			continue // not asked on this floor any more
		}
		out[i].Last = a.At
		if out[i].Box++; !a.Right {
			out[i].Box = 1
		}
		out[i].Box = min(out[i].Box, boxes)
	}
	return out
}

// Moving between steps (assumptions): the last ten answers on a step decide, at
// the earliest once there are ten.
const (
	lookBack = 10
	stepUp   = 8 // right ones of them, and the next step comes
	stepDown = 4 // or fewer, and the one before
)

// StepOf is the step a player is on after these answers, in order of time.
func StepOf(answers []Answer) Step {
	step, last := Step(1), []bool{}
	for _, a := range answers {
		if a.Step != step {
			continue // answered from a pack of an earlier step
		}
		last = append(last, a.Right)
		if len(last) < lookBack {
			continue
		}
		last = last[len(last)-lookBack:]
		right := 0
		for _, r := range last {
			if r {
				right++
			}
		}
		switch {
		case right >= stepUp && step < Steps:
			step, last = step+1, nil
		case right <= stepDown && step > 1:
			step, last = step-1, nil
		}
	}
	return step
}

// Pack picks what to ask next: what is most overdue, then what was never seen, then
// what is nearest to due. On steps that do not mix, all questions are of the type
// of action that the first of these is of. No card comes twice in a row where
// there is another. The order is drawn from the seed.
func Pack(file []State, step Step, now time.Time, n int, seed uint64) []Card {
	if len(file) == 0 || n <= 0 {
		return nil
	}
	ranked := slices.Clone(file)
	slices.SortStableFunc(ranked, func(a, b State) int { return cmp.Compare(b.urgency(now), a.urgency(now)) })
	if !step.Of().Mixed {
		action := ranked[0].Card.Action
		ranked = slices.DeleteFunc(ranked, func(s State) bool { return s.Card.Action != action })
	}
	ranked = ranked[:min(n, len(ranked))]
	rng := rand.New(rand.NewPCG(seed, uint64(step)))
	var out []Card
	for len(out) < n {
		for _, i := range rng.Perm(len(ranked)) {
			out = append(out, ranked[i].Card)
			if k := len(out) - 1; k > 0 && out[k] == out[k-1] && len(ranked) > 1 {
				// The round before ended on it: it comes second instead.
				out = out[:k]
				out = append(out, ranked[(i+1)%len(ranked)].Card)
			}
		}
	}
	return out[:n]
}

// urgency orders cards: overdue ones above 1, new ones at 1, the others below.
func (s State) urgency(now time.Time) float64 {
	if s.Box == 0 {
		return 1
	}
	return s.due(now)
}

// Shape is how far a player's file is.
type Shape struct {
	Asked int `json:"asked"` // answers so far
	Right int `json:"right"`
	Cards int `json:"cards"` // how many there are
	Held  int `json:"held"`  // of these known for two days and more
}

// heldFrom is the box from which a card counts as held.
const heldFrom = 3

// ShapeOf sums a file up.
func ShapeOf(file []State, answers []Answer) Shape {
	s := Shape{Asked: len(answers), Cards: len(file)}
	for _, a := range answers {
		if a.Right {
			s.Right++
		}
	}
	for _, f := range file {
		if f.Box >= heldFrom {
			s.Held++
		}
	}
	return s
}
