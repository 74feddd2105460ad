// Package offense runs motion offenses: schools as sets of rules in data, one pass after
// the other by the kinematics of the read engine, with a defense or without, and says
// where a rule is broken. It compares rules and finds who gets stuck where; it predicts
// no score.
package offense

import (
	"errors"
	"fmt"
	"slices"

	"evrik/core/court"
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

// Acts (common practice, no source).
const (
	Cut    Act = "cut"    // to the rim and out
	Screen Act = "screen" // for somebody, then to where the move leads
	Use    Act = "use"    // comes off a screen
	Curl   Act = "curl"   // comes off a screen to the rim and out
	Fill   Act = "fill"
	Drive  Act = "drive" // with the ball
	Flash  Act = "flash"
)

// Move is what one player, or the whole chain, does after a pass.
type Move struct {
	Who string `json:"who"`
	Act Act    `json:"act"`
	// For is who the screen is set for, or who sets the screen that is used.
	For string `json:"for,omitempty"`
	To  string `json:"to"`
}

// Answer is what a team may do after a pass.
type Answer struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// On is the pass it answers: any that is caught outside, only some of them, one that
	// is denied, or one out of the high post.
	On string `json:"on"`
	// Behind is the fewest and the most players behind the passer.
	Behind [2]int `json:"behind"`
	Moves  []Move `json:"moves"`
	// Situation is the screen of the read engine that it is, or empty.
	Situation string  `json:"situation"`
	Weight    float64 `json:"weight"`
	// Ball is who has it then: the receiver, or by one of the words below.
	Ball string `json:"ball,omitempty"`
}

// The passes an answer may be for.
const (
	AnyPass  = "any"
	ToWing   = "wing"
	Reversal = "reversal"
	FromWing = "back"
	// Denied is a pass to a wing whose man stands in its way, FromPost one out of the
	// high post.
	Denied   = "denied"
	FromPost = "out"
)

// Where the ball is after a pass that is denied: it stays, or whoever is inside flashes
// and gets it instead.
const (
	Stays   = "stays"
	ToFlash = "flash"
)

// Switches are the rules that a school holds its players to (common practice, each can
// be switched).
type Switches struct {
	// NoStanding: whoever has passed moves.
	NoStanding bool `json:"noStanding"`
	// NoThird: never three inside the arc.
	NoThird bool `json:"noThird"`
	// Filled: a spot is filled again within two seconds after the cut has gone through.
	Filled bool `json:"filled"`
	// Apart: neighbours are at least twelve feet apart.
	Apart bool `json:"apart"`
	// Behind: nobody waits with his toes on the line.
	Behind bool `json:"behind"`
	// OneScreen: nobody screens twice in a row.
	OneScreen bool `json:"oneScreen"`
}

// School is a motion offense as data.
type School struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	About string `json:"about"`
	// Ring are the outside spots from the right corner round to the left; Inside is
	// where the fifth player starts, empty when all are outside.
	Ring   []string `json:"ring"`
	Inside string   `json:"inside,omitempty"`
	// Ball is the spot of the ring where the ball starts.
	Ball     string   `json:"ball"`
	Answers  []Answer `json:"answers"`
	Dribbles []string `json:"dribbles"`
	Switches Switches `json:"switches"`
}

var (
	fiveOut = []string{"cornerR", "wingR", "top", "wingL", "cornerL"}
	fourOut = []string{"wingR", "slotR", "slotL", "wingL"}
)

var (
	cutThrough = Answer{"cut", "Cut through, the others fill", AnyPass, [2]int{0, 9}, []Move{{Passer, Cut, "", Last}, {Chain, Fill, "", ""}}, "", 1, ""}
	screenAway = Answer{"away", "Screen away: curl, and the next one follows", AnyPass, [2]int{2, 9},
		[]Move{{Passer, Screen, Next1, Next1}, {Next1, Curl, Passer, Next2}, {Next2, Use, Passer, Passer}}, "away", 1, ""}
	screenOne = Answer{"down", "Screen for the last one", AnyPass, [2]int{1, 1},
		[]Move{{Passer, Screen, Next1, Next1}, {Next1, Use, Passer, Passer}}, "down", 1, ""}
	overTop = Answer{"over", "Wing cuts over the top, screen for the corner", AnyPass, [2]int{2, 2},
		[]Move{{Passer, Screen, Next2, Next1}, {Next1, Cut, "", Next2}, {Next2, Use, Passer, Passer}}, "down", 1, ""}
	ballScreen = Answer{"ball", "Ball screen for the catcher", AnyPass, [2]int{0, 9},
		[]Move{{Passer, Screen, Receiver, Receiver}, {Receiver, Drive, Passer, Passer}}, "ball", 1, ""}
	// A denied wing cuts behind his man; the corner lifts where there is one, else he comes
	// out again, and is open.
	denied = Answer{"denied", "Denied wing cuts back door, the corner lifts", Denied, [2]int{0, 9},
		[]Move{{Receiver, Cut, "", Ahead1}, {Ahead1, Fill, "", Receiver}}, "", 1, Stays}
	deniedOut  = Answer{"denied", "Denied wing cuts back door and comes out again", Denied, [2]int{0, 9}, []Move{{Receiver, Cut, "", Receiver}}, "", 1, Stays}
	followPost = Move{Inside, Flash, "", BallBlock}
)

// only is an answer with another weight, pass or further moves.
func only(a Answer, on string, weight float64, more ...Move) Answer {
	a.On, a.Weight, a.Moves = on, weight, append(slices.Clone(a.Moves), more...)
	return a
}

var everyRule = Switches{true, true, true, true, true, true}

// schools are the seven that practitioners teach (common practice, no source).
var schools = []School{
	{"cut", "Pass and cut", "Every passer cuts to the basket; the next ones fill toward the ball.", fiveOut, "", "top", []Answer{cutThrough, denied},
		[]string{"Only to drive, or from the corner up to the wing."}, everyRule},
	{"cont", "Screen-away continuity", "The passer screens away; the wing curls and the corner follows off the same screen.", fiveOut, "", "top",
		[]Answer{screenAway, screenOne, only(cutThrough, AnyPass, 0), denied}, []string{"With a purpose only."}, everyRule},
	{"cut-and-lift", "Cut and lift", "The far wing cuts over the top while the passer screens for the corner, who comes up to the top.", fiveOut, "", "top",
		[]Answer{overTop, screenOne, only(cutThrough, AnyPass, 0), denied}, []string{"Wing and corner may play two on two at any time."}, everyRule},
	{"free", "Five-out freelance", "One of three after every pass: cut, ball screen for the catcher, screen away.", fiveOut, "", "top",
		[]Answer{cutThrough, only(screenAway, AnyPass, 1), screenOne, ballScreen, denied}, []string{"Handoffs are allowed; drive any gap."}, Switches{true, true, true, true, true, false}},
	{"screen", "Screening motion", "Four out with a screener high and one low: screen or cut, never nothing, and never two screens in a row.", fourOut, "blockL", "slotR",
		[]Answer{only(screenAway, AnyPass, 2, Move{Inside, Flash, "", FarBlock}), only(screenOne, AnyPass, 2, Move{Inside, Flash, "", FarBlock}), cutThrough, deniedOut},
		[]string{"Sweep it low and drive, two dribbles at most; on the baseline dribble back out and keep it alive."}, everyRule},
	{"entry", "High-post entry", "The wing is entered and the post back-screens the passer; then the ball is reversed into a second action.", fourOut, "blockR", "slotR",
		[]Answer{
			{"entry", "Back screen for the passer", ToWing, [2]int{0, 9}, []Move{{Inside, Screen, Passer, Passer}, {Passer, Curl, Inside, BallBlock}}, "back", 3, ""},
			{"cross", "Reversal into a cross screen", Reversal, [2]int{1, 9}, []Move{{Next1, Screen, Inside, Passer}, {Inside, Use, Next1, BallBlock}, {Passer, Fill, "", Next1}}, "cross", 1, ""},
			{"curl", "Reversal into a corner curl", Reversal, [2]int{1, 9}, []Move{{Passer, Screen, Next1, Next1}, {Next1, Curl, Passer, Passer}}, "down", 1, ""},
			{"decoy", "Down-screen decoy, then the back-screen lob", Reversal, [2]int{1, 9}, []Move{{Inside, Screen, Passer, Passer}, {Passer, Curl, Inside, BallBlock}}, "back", 1, ""},
			{"flare", "Flare away from the ball", FromWing, [2]int{0, 9}, []Move{{Ahead2, Screen, Ahead1, Ahead1}, {Ahead1, Use, Ahead2, Ahead2}, {Passer, Cut, "", Passer}}, "flare", 1, ""},
			{"denied", "Denied wings: high post, and both wings cut back door", Denied, [2]int{2, 9},
				[]Move{{Inside, Flash, "", HighPost}, {Receiver, Cut, "", Passer}, {Passer, Fill, "", Receiver}, {Next2, Cut, "", Next1}, {Next1, Fill, "", Next2}}, "", 1, ToFlash},
			{"out", "Out of the high post into a flare", FromPost, [2]int{1, 9}, []Move{{Passer, Screen, Next1, BallBlock}, {Next1, Use, Passer, Next1}}, "flare", 1, ""},
			only(cutThrough, AnyPass, 0.2, followPost),
		}, []string{"As it is read."}, everyRule},
	{"pass4", "Four-out pass and cut", "Cut or screen away; all four spots outside stay filled, and the post works block to block.", fourOut, "blockR", "slotR",
		[]Answer{only(cutThrough, AnyPass, 1, followPost), only(screenAway, AnyPass, 1, followPost), only(screenOne, AnyPass, 1, followPost), deniedOut}, []string{"As it is read."}, everyRule},
}

// Schools lists them.
func Schools() []School { return slices.Clone(schools) }

// renamed are the ids that offenses had before, as old copies have them.
var renamed = map[string]string{"circle": "cut-and-lift"}

// ByID returns a school, and whether there is one.
func ByID(id string) (School, bool) {
	if now, ok := renamed[id]; ok {
		id = now
	}
	for _, s := range schools {
		if s.ID == id {
			return s, true
		}
	}
	return School{}, false
}

// Limits of a school of one's own (assumptions).
const (
	maxAnswers = 20
	maxMoves   = 6
	maxName    = 60
	five       = 5
)

// Validate refuses a set of rules that cannot be played. The error is a sentence.
func (s School) Validate(c court.Court) error {
	outside := five
	if s.Inside != "" {
		outside--
		if _, ok := c.SpotAt(s.Inside); !ok {
			return fmt.Errorf("There is no spot called %q for the player inside.", s.Inside)
		}
	}
	switch {
	case s.Name == "" || len(s.Name) > maxName:
		return fmt.Errorf("The school needs a name of up to %d letters.", maxName)
	case len(s.Ring) != outside:
		return fmt.Errorf("Five players need %d outside spots here, not %d.", outside, len(s.Ring))
	case !slices.Contains(s.Ring, s.Ball):
		return errors.New("The ball has to start on one of the outside spots.")
	case len(s.Answers) == 0:
		return errors.New("After a pass nothing is allowed: the passer would stand. Allow a cut or a screen.")
	case len(s.Answers) > maxAnswers:
		return fmt.Errorf("That is more than %d answers.", maxAnswers)
	}
	for i, id := range s.Ring {
		if _, ok := c.SpotAt(id); !ok {
			return fmt.Errorf("There is no spot called %q.", id)
		}
		if slices.Contains(s.Ring[:i], id) {
			return fmt.Errorf("Two players would start on the %s.", id)
		}
	}
	for _, a := range s.Answers {
		if err := a.validate(); err != nil {
			return err
		}
	}
	for from := range s.Ring {
		p := s.Start()
		p.ball = from
		if err := s.continues(p); err != nil {
			return err
		}
	}
	return nil
}

// continues checks that every pass from where the ball is has an answer, a denied one
// too, and that every answer leaves the spots filled.
func (s School) continues(p Places) error {
	for _, to := range p.targets() {
		for _, denied := range []bool{false, true} {
			if denied && !p.deniable(s, to) {
				continue
			}
			pass := fmt.Sprintf("a pass from the %s to the %s", p.spotOf(s, p.Ball()), s.Ring[to])
			allowed := p.answers(s, to, denied)
			switch {
			case len(allowed) == 0 && denied:
				return fmt.Errorf("Where %s is denied, nothing is allowed.", pass)
			case len(allowed) == 0:
				return fmt.Errorf("After %s nothing is allowed: the passer would stand.", pass)
			}
			for _, a := range allowed {
				after, err := p.after(s, a, to)
				if err == nil {
					err = after.filled(s)
				}
				if err != nil {
					return fmt.Errorf("%s after %s: %w", a.Name, pass, err)
				}
				if after.ball == inThePost && p.ball != inThePost {
					if err := s.continues(after); err != nil {
						return err
					}
				}
			}
		}
	}
	return nil
}

func (a Answer) validate() error {
	who := []string{Passer, Receiver, Next1, Next2, Ahead1, Ahead2, Inside}
	switch {
	case a.Name == "" || len(a.Name) > maxName:
		return errors.New("Every answer needs a name.")
	case len(a.Moves) == 0 || len(a.Moves) > maxMoves:
		return fmt.Errorf("%s needs one to %d moves.", a.Name, maxMoves)
	case !slices.Contains([]string{AnyPass, ToWing, Reversal, FromWing, Denied, FromPost}, a.On):
		return fmt.Errorf("%s answers a pass that there is not.", a.Name)
	case !slices.Contains([]string{"", Stays, ToFlash}, a.Ball):
		return fmt.Errorf("%s leaves the ball nowhere: %q.", a.Name, a.Ball)
	case !(a.Weight >= 0 && a.Weight <= 100):
		return fmt.Errorf("%s comes 0 to 100 times as often as others.", a.Name)
	}
	for _, m := range a.Moves {
		switch {
		case m.Who == Chain && a.On == FromPost:
			return fmt.Errorf("%s: nobody moves up when the ball comes out of the high post.", a.Name)
		case m.Who == Chain && m.Act == Fill:
		case !slices.Contains(who, m.Who):
			return fmt.Errorf("%s moves somebody who is not there: %q.", a.Name, m.Who)
		case !slices.Contains([]Act{Cut, Screen, Use, Curl, Fill, Drive, Flash}, m.Act):
			return fmt.Errorf("%s has a move called %q.", a.Name, m.Act)
		case (m.Act == Screen || m.Act == Use || m.Act == Curl) && !slices.Contains(who, m.For):
			return fmt.Errorf("%s has a screen without the other player.", a.Name)
		case !slices.Contains(who, m.To) && !slices.Contains([]string{Last, BallBlock, FarBlock, HighPost}, m.To):
			return fmt.Errorf("%s leads somebody nowhere: %q.", a.Name, m.To)
		}
	}
	return nil
}
