// Package quiz makes the questions of the read quiz, away from the floor: an action
// moves up to the moment of the read, and the player says what it asks for. An answer
// shows that a player knows a read, never that they can do it.
package quiz

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"sync"

	"evrik/core/court"
	"evrik/core/reads"
)

// Card is what is asked again and again: one cue at one action.
type Card struct {
	Action string    `json:"action"`
	Cue    reads.Cue `json:"cue"`
}

// Step is a degree of difficulty, from 1.
type Step int

// Difficulty is what a step asks of the eyes.
type Difficulty struct {
	// Seconds are allowed from the instant of the read to the answer.
	Seconds float64 `json:"seconds"`
	// AtLeast and AtMost bound the margin of the cue, in feet.
	AtLeast float64 `json:"atLeast"`
	AtMost  float64 `json:"atMost"`
	// Mirror shows both sides of the floor, Mixed several actions in a
	// row, Disguise defenders who change late from showing something else.
	Mirror   bool `json:"mirror"`
	Mixed    bool `json:"mixed"`
	Disguise bool `json:"disguise"`
}

// difficulties run from two seconds on a plain picture down to seven tenths on a
// close and disguised one (assumptions).
var difficulties = []Difficulty{
	{Seconds: 2.0, AtLeast: 0.8, AtMost: 99},
	{Seconds: 1.6, AtLeast: 0.8, AtMost: 99, Mirror: true},
	{Seconds: 1.3, AtLeast: 0.7, AtMost: 3, Mirror: true, Mixed: true},
	{Seconds: 1.0, AtLeast: 0.6, AtMost: 2, Mirror: true, Mixed: true, Disguise: true},
	{Seconds: 0.7, AtLeast: 0.5, AtMost: 1.5, Mirror: true, Mixed: true, Disguise: true},
}

// Steps is how many steps there are.
const Steps = 5

// Of returns the step's difficulty; a step out of range counts as the nearest.
func (s Step) Of() Difficulty { return difficulties[min(max(s, 1), Steps)-1] }

// Item is a question. It follows from floor, card, step and seed alone.
type Item struct {
	Card Card   `json:"card"`
	Step Step   `json:"step"`
	Seed uint64 `json:"seed"`
	// Snapshot is the instant of the read, Play the way to it and on. The read
	// comes at Read seconds of the play, and Seconds are then allowed.
	Snapshot reads.Snapshot `json:"snapshot"`
	Play     reads.Play     `json:"play"`
	Read     float64        `json:"read"`
	Seconds  float64        `json:"seconds"`
	// Role is whose read it is, Who that participant and Word how a sentence names them;
	// Choices are the answers offered, always in the same order for one role of an action,
	// and Right is the one right answer.
	Role    reads.Role   `json:"role"`
	Who     reads.Place  `json:"who"`
	Word    string       `json:"word"`
	Choices []reads.Read `json:"choices"`
	Right   reads.Read   `json:"right"`
	// Seen says what the defenders show, Why from which distances it follows, Say
	// is the sentence to keep.
	Seen string `json:"seen"`
	Why  string `json:"why"`
	Say  string `json:"say"`
	// Disguised is true where the defenders showed something else first.
	Disguised bool `json:"disguised"`
}

// Making an item (assumptions).
const (
	setUps    = 8   // set-ups tried for one item
	turnFrom  = 0.3 // seconds before the read at which defenders turn to it, at least,
	turnMost  = 0.6 // and at most
	firstDraw = 12  // draws of the hardest step that a card must stand
	mayFail   = 1   // and how many of them may fail
	minReads  = 2   // different right answers that an action must have
)

// Cards lists what can be asked on a floor, in teaching order: the cues on which
// table and kinematics give one right answer, at the actions that have two such
// answers or more. Cues that are a matter of a mismatch, and those where two ways
// come equally free, are left to the gym; what the team's age leaves out is not asked.
func Cards(fl reads.Floor) []Card {
	if known, ok := asked.Load(fl); ok {
		return known.([]Card)
	}
	var out []Card
	for _, action := range reads.Actions() {
		var cards []Card
		right := map[reads.Read]bool{}
		for _, row := range action.Rows(fl.Rules) {
			if !fl.Rules.Meets(fl.Ages, action, row.Cue) {
				continue
			}
			if card := (Card{action.ID, row.Cue}); drawable(fl, action, row.Cue) {
				cards = append(cards, card)
				right[row.CutterRead] = true
			}
		}
		if len(right) >= minReads {
			out = append(out, cards...)
		}
	}
	asked.Store(fl, out)
	return out
}

// Round draws so many cards for a crowd that is asked together: of one action,
// or of all where it is empty. There are none where nothing can be asked on it. The same
// seed gives the same ones.
func Round(fl reads.Floor, action string, seed uint64, size int) []Card {
	cards := slices.Clone(Cards(fl))
	if action != "" {
		cards = slices.DeleteFunc(cards, func(c Card) bool { return c.Action != action })
	}
	if len(cards) == 0 {
		return nil
	}
	rng := rand.New(rand.NewPCG(seed, uint64(size)))
	out := make([]Card, size)
	for i := range out {
		out[i] = cards[rng.IntN(len(cards))]
	}
	return out
}

// asked keeps the cards of floors that were asked for: they follow from the floor
// alone and take a while to find.
var asked sync.Map

func drawable(fl reads.Floor, action *reads.Action, cue reads.Cue) bool {
	failed := 0
	for _, step := range []Step{1, Steps} {
		for seed := range uint64(firstDraw / 2) {
			if _, ok := action.Draw(fl, cue, step.ask(), rand.New(rand.NewPCG(seed, uint64(step)))); !ok {
				if failed++; failed > mayFail {
					return false
				}
			}
		}
	}
	return true
}

func (s Step) ask() reads.Ask {
	d := s.Of()
	return reads.Ask{AtLeast: d.AtLeast, AtMost: d.AtMost, Mirror: d.Mirror}
}

// Known reports whether a card can be asked on a floor.
func Known(fl reads.Floor, card Card) bool {
	for _, c := range Cards(fl) {
		if c == card {
			return true
		}
	}
	return false
}

// New makes the item of a card, step and seed. An error says that the card is not
// asked on this floor.
func New(fl reads.Floor, card Card, step Step, seed uint64) (Item, error) {
	cards := Cards(fl)
	action, ok := reads.ActionByID(card.Action)
	if !ok || !Known(fl, card) {
		return Item{}, fmt.Errorf("there is no question on %q at %q", card.Cue, card.Action)
	}
	step = min(max(step, 1), Steps)
	rng := rand.New(rand.NewPCG(seed, uint64(step)))
	for range setUps {
		s, ok := action.Draw(fl, card.Cue, step.ask(), rng)
		if !ok {
			continue
		}
		a, err := reads.Judge(fl, &s)
		if err != nil {
			continue
		}
		it := Item{
			Card: card, Step: step, Seed: seed, Snapshot: s, Play: reads.PlayOf(fl, &s, a), Seconds: step.Of().Seconds,
			Seen: a.Row.Seen, Why: a.Why, Say: a.Row.Say,
		}
		it.ask(fl, action, cards, a)
		it.Read = it.Play.Steps[readStep].T
		it.lead(fl, action, cards, rng)
		return it, nil
	}
	return Item{}, fmt.Errorf("no clear picture of %q at %q was found", card.Cue, card.Action)
}

// turns is in how many questions everybody's turn comes: one for the screener, one for the
// third one, the rest for the reader (assumption).
const turns = 6

// turnOf is whose turn a seed is, as an index of those whose answers are judged.
func turnOf(seed uint64) int {
	switch seed % turns {
	case 2:
		return 1
	case 5:
		return 2
	}
	return 0
}

// ask fills in whose read it is: another one's than the reader's in the turn of that one,
// where that one has one right answer among several.
func (it *Item) ask(fl reads.Floor, action *reads.Action, cards []Card, j reads.Judgment) {
	judged := action.Judged()
	it.Role, it.Who, it.Word = action.Roles[0], judged[0].ID, judged[0].Word
	it.Choices, it.Right = choices(fl, action, cards), j.Row.CutterRead
	turn := min(turnOf(it.Seed), len(judged)-1)
	if turn == 0 {
		return
	}
	asked := judged[turn]
	role := action.RoleOf(asked)
	offered := offeredTo(fl, action, cards, role)
	var right []reads.Accepted
	for _, n := range j.Accepted {
		if n.Who == asked.ID && slices.Contains(offered, n.Read) {
			right = append(right, n)
		}
	}
	if len(offered) < minReads || len(right) != 1 {
		return
	}
	it.Role, it.Who, it.Word = role, asked.ID, asked.Word
	it.Choices, it.Right, it.Say = offered, right[0].Read, right[0].Part
}

// offeredTo are the first answers of a role to the cues that some card of an action has.
func offeredTo(fl reads.Floor, action *reads.Action, cards []Card, role reads.Role) []reads.Read {
	var out []reads.Read
	for _, c := range cards {
		row, ok := action.Row(fl.Rules, c.Cue)
		if !ok || c.Action != action.ID {
			continue
		}
		if read := action.FirstOf(&row, role).Read; read != "" && !slices.Contains(out, read) {
			out = append(out, read)
		}
	}
	return out
}

// readStep is the play's step at which the read comes.
const readStep = 2

// choices are the answers that some card of an action has.
func choices(fl reads.Floor, action *reads.Action, cards []Card) []reads.Read {
	can := map[reads.Read]bool{}
	for _, c := range cards {
		if c.Action == action.ID {
			row, _ := action.Row(fl.Rules, c.Cue)
			can[row.CutterRead] = true
		}
	}
	var out []reads.Read
	for _, r := range action.Choices(fl.Rules) {
		if can[r] {
			out = append(out, r)
		}
	}
	return out
}

// lead lets the defenders come to their places in the last moment: from where
// they show something else when the step disguises, else, where nobody moves
// before the read, from where they guard.
func (it *Item) lead(fl reads.Floor, action *reads.Action, cards []Card, rng *rand.Rand) {
	from := it.Snapshot
	still := it.Play.Steps[1].T == 0 // nobody has set a screen
	if it.Step.Of().Disguise {
		if other, ok := it.other(fl, action, cards, rng); ok {
			from, it.Disguised = other, true
		}
	}
	if !it.Disguised && !still {
		return
	}
	for _, p := range action.Participants {
		if !p.ID.Defends() {
			continue
		}
		at, was := it.Snapshot.At(p.ID), from.At(p.ID)
		if !it.Disguised {
			was = it.Snapshot.At(p.Guards).Toward(court.Point{}, onGuard)
		}
		turn := it.Read - math.Min(turnMost, math.Max(turnFrom, fl.Pace.Cutting().TimeTo(was.Dist(at))))
		it.turns(p.ID.String(), was, at, turn, still)
	}
}

// onGuard is how far, in feet, from the own player toward the rim a defender waits
// (assumption).
const onGuard = 2.5

// other is another cue's picture on the same set-up, with another right answer.
func (it *Item) other(fl reads.Floor, action *reads.Action, cards []Card, rng *rand.Rand) (reads.Snapshot, bool) {
	var shown []reads.Cue
	for _, c := range cards {
		if row, _ := action.Row(fl.Rules, c.Cue); c.Action == action.ID && row.CutterRead != it.Right {
			shown = append(shown, c.Cue)
		}
	}
	if len(shown) == 0 {
		return reads.Snapshot{}, false
	}
	ex := action.Example(fl.Court, shown[rng.IntN(len(shown))])
	if ex.Side() != it.Snapshot.Side() {
		ex = ex.Mirror()
	}
	return ex, true
}

// turns makes a defender stand at one place from its turn on and come to another
// by the read.
func (it *Item) turns(who string, was, at court.Point, turn float64, still bool) {
	for i := range it.Play.Tracks {
		tr := &it.Play.Tracks[i]
		if tr.Who != who {
			continue
		}
		keys := []reads.Key{{T: 0, At: was}}
		if !still {
			keys[0].At = tr.Keys[0].At
			keys = append(keys, reads.Key{T: turn * leadShare, At: was})
		}
		keys = append(keys, reads.Key{T: turn, At: was}, reads.Key{T: it.Read, At: at})
		for _, k := range tr.Keys {
			if k.T > it.Read {
				keys = append(keys, k)
			}
		}
		tr.Keys = keys
	}
}

// leadShare is the share of the time before the turn in which a disguised defender
// comes to the place that is shown (assumption).
const leadShare = 0.8
