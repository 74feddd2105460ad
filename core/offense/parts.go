package offense

import (
	"embed"
	"encoding/json"
	"fmt"
	"io/fs"
	"slices"

	"evrik/core/court"
	"evrik/core/refusal"
)

// Who is in a move, seen from a pass: the passer and the receiver, the players behind the
// passer one after the other, away from the ball, those ahead of the receiver, the one
// inside, and everybody behind the passer at once.
const (
	Passer   = "passer"
	Receiver = "receiver"
	Next1    = "next1"
	Next2    = "next2"
	Ahead1   = "ahead1"
	Ahead2   = "ahead2"
	Inside   = "inside"
	Chain    = "chain"
)

// Where a move leads besides the spots of those players: the last spot behind the passer,
// the block on the ball's side, the other one, and the high post.
const (
	Last      = "last"
	BallBlock = "ballblock"
	FarBlock  = "farblock"
	HighPost  = "highpost"
)

// Act is what a move is.
type Act string

// The acts (common practice, no source).
const (
	Cut    Act = "cut"    // to the rim and out
	Screen Act = "screen" // for somebody, then to where the move leads
	Use    Act = "use"    // comes off a screen
	Curl   Act = "curl"   // comes off a screen to the rim and out
	Fill   Act = "fill"
	Drive  Act = "drive" // off a screen, with the ball
	Carry  Act = "carry" // dribbles at somebody
	Flash  Act = "flash"
	slide  Act = "slide" // out of the way of a drive
	leave  Act = "leave" // a screen that has been used
)

// Move is what one player, or the whole chain, does after a pass.
type Move struct {
	Who string `json:"who"`
	Act Act    `json:"act"`
	// For is who the screen is set for, or who sets the screen that is used.
	For string `json:"for,omitempty"`
	To  string `json:"to"`
}

// Answer is what a team may do after a pass: a part of the catalogue with the weight that
// an offense gives it.
type Answer struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	About string `json:"about"`
	// On is the pass it answers: any that is caught outside, only some of them, one that
	// is denied, or one out of the high post.
	On string `json:"on"`
	// Behind is how few and how many players may be behind the passer.
	Behind [2]int `json:"behind"`
	Moves  []Move `json:"moves"`
	// Action is the action of the read tables that it is, or empty.
	Action string `json:"action"`
	// Ball is who has it then: the receiver, or by one of the words below.
	Ball string `json:"ball,omitempty"`

	Weight float64 `json:"-"`
	After  Trigger `json:"-"`
}

// The passes an answer may be for.
const (
	AnyPass  = "any"
	ToWing   = "wing"
	Reversal = "reversal"
	FromWing = "back"
	// Denied is a pass to a wing whose defender stands in its way, FromPost one out of the
	// high post.
	Denied   = "denied"
	FromPost = "out"
)

// Where the ball is after a pass that is not thrown as usual: it stays, whoever is inside
// flashes and gets it instead, or it is handed over.
const (
	Stays   = "stays"
	ToFlash = "flash"
	Handed  = "handoff"
)

//go:embed parts.json shipped
var files embed.FS

var (
	catalogue = readParts()
	shipped   = readShipped()
)

// mustRead decodes a file that ships with the program.
func mustRead(name string, into any) {
	raw, err := files.ReadFile(name)
	if err == nil {
		err = json.Unmarshal(raw, into)
	}
	if err != nil {
		panic(fmt.Sprintf("%s: %v", name, err))
	}
}

func readParts() (list []Answer) {
	mustRead("parts.json", &list)
	return list
}

func readShipped() []Offense {
	names, err := fs.Glob(files, "shipped/*.json")
	if err != nil {
		panic(err)
	}
	list := make([]Offense, len(names))
	for i, name := range names {
		mustRead(name, &list[i])
		if list[i], err = list[i].resolved(); err != nil {
			panic(fmt.Sprintf("%s: %v", name, err))
		}
	}
	return list
}

// Parts lists the parts that an offense can be made of (common practice, no source).
func Parts() []Answer { return slices.Clone(catalogue) }

// Shipped lists the offenses that come with the program (common practice, no source).
func Shipped() []Offense { return slices.Clone(shipped) }

// renamed are the ids that offenses had before, as old copies have them.
var renamed = map[string]string{"circle": "cut-and-lift"}

// ByID returns a shipped offense, and whether there is one.
func ByID(id string) (Offense, bool) {
	if now, ok := renamed[id]; ok {
		id = now
	}
	for _, o := range shipped {
		if o.ID == id {
			return o, true
		}
	}
	return Offense{}, false
}

// Ready returns the offense with its parts looked up, checked on a court. The error is a
// sentence.
func (o Offense) Ready(c court.Court) (Offense, error) {
	o, err := o.resolved()
	if err != nil {
		return o, err
	}
	return o, o.Validate(c)
}

// resolved looks the parts of an offense up.
func (o Offense) resolved() (Offense, error) {
	o.Answers = make([]Answer, 0, len(o.Parts))
	for _, part := range o.Parts {
		i := slices.IndexFunc(catalogue, func(a Answer) bool { return a.ID == part.ID })
		if i < 0 {
			return o, refusal.New("offense.part", part.ID)
		}
		a := catalogue[i]
		a.Weight, a.After = part.Weight, part.After
		o.Answers = append(o.Answers, o.withPost(a))
	}
	return o, nil
}

// withPost adds what the player inside does to an answer that says nothing of it.
func (o Offense) withPost(a Answer) Answer {
	to, moves := map[PostRule]string{PostFollows: BallBlock, PostOpposite: FarBlock}[o.Post]
	moved := slices.ContainsFunc(a.Moves, func(m Move) bool { return m.Who == Inside || m.To == BallBlock })
	if o.Inside != "" && moves && !moved && a.On != Denied && a.On != FromPost {
		a.Moves = append(slices.Clone(a.Moves), Move{Inside, Flash, "", to})
	}
	return a
}

// partByID returns a part of the catalogue, which has it.
func partByID(id string) Answer {
	return catalogue[slices.IndexFunc(catalogue, func(a Answer) bool { return a.ID == id })]
}
