package offense

import (
	"errors"
	"fmt"
	"slices"
	"strings"
)

// Places is who stands where between two passes: outside by index of the ring, and
// inside. Players are 0 to 4.
type Places struct {
	// Ring holds the player on each outside spot.
	Ring []int `json:"ring"`
	// Inside is the player inside, -1 for none, and Block his spot.
	Inside int    `json:"inside"`
	Block  string `json:"block"`
	ball   int    // index of the ring, or inThePost
	// screened is who set a screen after the last pass, refused the spots of the ring to
	// which the passer has looked in vain since he has the ball.
	screened, refused []int
}

// inThePost is where the ball is when whoever is inside has it.
const inThePost = -1

// Start is a school's formation: players in the order of the ring, then inside.
func (s School) Start() Places {
	p := Places{Inside: -1, Block: s.Inside, ball: slices.Index(s.Ring, s.Ball)}
	for i := range s.Ring {
		p.Ring = append(p.Ring, i)
	}
	if s.Inside != "" {
		p.Inside = len(s.Ring)
	}
	return p
}

// Ball is who has the ball.
func (p Places) Ball() int {
	if p.ball == inThePost {
		return p.Inside
	}
	return p.Ring[p.ball]
}

// targets are the spots of the ring that a pass may go to: the neighbours, or out of the
// post to one of those in the middle.
func (p Places) targets() []int {
	switch {
	case p.ball == inThePost:
		return []int{len(p.Ring)/2 - 1, len(p.Ring) / 2}
	case p.ball == 0:
		return []int{1}
	case p.ball == len(p.Ring)-1:
		return []int{p.ball - 1}
	}
	return []int{p.ball - 1, p.ball + 1}
}

// wing reports whether a spot is one of the wings.
func wing(spot string) bool { return strings.HasPrefix(spot, "wing") }

// deniable reports whether a defense can deny a pass: to a wing, from above, unless the
// passer has looked there already.
func (p Places) deniable(s School, to int) bool {
	return p.ball != inThePost && wing(s.Ring[to]) && !strings.HasPrefix(s.Ring[p.ball], "corner") && !slices.Contains(p.refused, to)
}

// behind lists the ring's indices behind a passer, nearest first, and those ahead of the
// receiver. Seen from the post, behind is the longer way round.
func (p Places) behind(to int) (behind, ahead []int) {
	first, d := p.ball, p.ball-to // one step away from the ball
	if p.ball == inThePost {
		if first, d = to, 1; 2*to >= len(p.Ring) {
			d = -1
		}
	}
	for i := first + d; i >= 0 && i < len(p.Ring); i += d {
		behind = append(behind, i)
	}
	for i := to - d; i >= 0 && i < len(p.Ring); i -= d {
		ahead = append(ahead, i)
	}
	return behind, ahead
}

// kindOf says what pass it is.
func (p Places) kindOf(s School, to int) string {
	outer := func(i int) bool { return i == 0 || i == len(s.Ring)-1 }
	switch {
	case p.ball == inThePost:
		return FromPost
	case len(s.Ring) == five:
		return AnyPass
	case outer(to):
		return ToWing
	case outer(p.ball):
		return FromWing
	}
	return Reversal
}

// answers are what a school allows after a pass to a spot of the ring, or where that pass
// is denied.
func (p Places) answers(s School, to int, denied bool) []Answer {
	behind, ahead := p.behind(to)
	kind := p.kindOf(s, to)
	if denied {
		kind = Denied
	}
	var out, spare []Answer
	for _, a := range s.Answers {
		fits := (a.On == kind || a.On == AnyPass && kind != Denied && kind != FromPost) && len(behind) >= a.Behind[0] && len(behind) <= a.Behind[1]
		for _, m := range a.Moves {
			for _, who := range []string{m.Who, m.For, m.To} {
				need := map[string]bool{Ahead1: len(ahead) < 1, Ahead2: len(ahead) < 2, Next1: len(behind) < 1, Next2: len(behind) < 2, Inside: p.Inside < 0}
				fits = fits && !need[who]
			}
			if m.Act == Screen && s.Switches.OneScreen && slices.Contains(p.screened, p.who(m.Who, to)) {
				fits = false
			}
		}
		switch {
		case fits && a.Weight > 0:
			out = append(out, a)
		case fits:
			spare = append(spare, a)
		}
	}
	if len(out) == 0 {
		return spare // what is only for when nothing else fits
	}
	return out
}

// who is the player that a word means, -1 for nobody.
func (p Places) who(word string, to int) int {
	behind, ahead := p.behind(to)
	at := func(list []int, k int) int {
		if k < len(list) {
			return p.Ring[list[k]]
		}
		return -1
	}
	switch word {
	case Passer:
		return p.Ball()
	case Receiver:
		return p.Ring[to]
	case Next1, Next2:
		return at(behind, int(word[len(word)-1]-'1'))
	case Ahead1, Ahead2:
		return at(ahead, int(word[len(word)-1]-'1'))
	case Inside:
		return p.Inside
	}
	return -1
}

// step is a move resolved: a player and the spot he ends on.
type step struct {
	player int
	act    Act
	other  int // of a screen, -1 for none
	to     string
	via    []string
}

// spotOf is where a player stands.
func (p Places) spotOf(s School, player int) string {
	if player == p.Inside {
		return p.Block
	}
	if i := slices.Index(p.Ring, player); i >= 0 {
		return s.Ring[i]
	}
	return ""
}

// side is R or L, by the end of the ring that a spot of it is nearer to.
func (s School) side(ring int) string {
	if 2*ring < len(s.Ring)-1 {
		return "R"
	}
	return "L"
}

// steps resolves an answer after a pass to a spot of the ring.
func (p Places) steps(s School, a Answer, to int) []step {
	behind, _ := p.behind(to)
	var out []step
	for _, m := range a.Moves {
		if m.Who == Chain {
			// Everybody behind moves up one spot.
			front := p.ball
			for _, i := range behind {
				out = append(out, step{player: p.Ring[i], act: Fill, other: -1, to: s.Ring[front]})
				front = i
			}
			continue
		}
		st := step{player: p.who(m.Who, to), act: m.Act, other: p.who(m.For, to)}
		switch m.To {
		case Last:
			st.to = s.Ring[p.ball]
			if len(behind) > 0 {
				st.to = s.Ring[behind[len(behind)-1]]
			}
		case HighPost:
			st.to = HighPost
		case BallBlock, FarBlock:
			side := s.side(to)
			if m.To == FarBlock {
				side = map[string]string{"R": "L", "L": "R"}[side]
			}
			st.to = "block" + side
		default:
			st.to = p.spotOf(s, p.who(m.To, to))
		}
		if m.Act == Cut || m.Act == Curl {
			st.via = []string{"rim"}
		}
		out = append(out, st)
	}
	return out
}

// holder is who has the ball after a pass, or instead of it.
func (p Places) holder(a Answer, to int) int {
	switch a.Ball {
	case Stays:
		return p.Ball()
	case ToFlash:
		return p.Inside
	}
	return p.Ring[to]
}

// after is who stands where when an answer has been run.
func (p Places) after(s School, a Answer, to int) (Places, error) {
	steps := p.steps(s, a, to)
	at := map[int]string{}
	for _, player := range p.Ring {
		at[player] = p.spotOf(s, player)
	}
	if p.Inside >= 0 {
		at[p.Inside] = p.Block
	}
	q := Places{Ring: make([]int, len(p.Ring)), Inside: -1, Block: p.Block}
	holder := p.holder(a, to)
	for _, st := range steps {
		at[st.player] = st.to
		if st.act == Screen {
			q.screened = append(q.screened, st.player)
		}
	}
	for i := range q.Ring {
		q.Ring[i] = -1
	}
	for player, spot := range at {
		i := slices.Index(s.Ring, spot)
		switch {
		case i >= 0 && q.Ring[i] >= 0:
			return q, fmt.Errorf("two players are sent to the %s.", spot)
		case i >= 0:
			q.Ring[i] = player
		case q.Inside >= 0 || s.Inside == "":
			return q, fmt.Errorf("the %s is taken, or no spot of this offense.", spot)
		default:
			q.Inside, q.Block = player, spot
		}
	}
	if a.Ball == Stays {
		q.refused = append(slices.Clone(p.refused), to)
	}
	q.ball = slices.Index(q.Ring, holder) // not on the ring is inThePost
	if q.ball == inThePost && (holder != q.Inside || q.Block != HighPost) {
		return q, errors.New("the ball is left where nobody can pass it on.")
	}
	return q, nil
}

// filled reports, in a sentence, a spot that stays empty.
func (p Places) filled(s School) error {
	for i, player := range p.Ring {
		if player < 0 {
			return fmt.Errorf("the %s stays empty.", s.Ring[i])
		}
	}
	if s.Inside != "" && p.Inside < 0 {
		return errors.New("nobody is inside.")
	}
	return nil
}
