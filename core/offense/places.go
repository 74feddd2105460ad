package offense

import (
	"slices"
	"strings"

	"evrik/core/court"
	"evrik/core/refusal"
)

// Places is who stands where between two passes: outside by index of the ring, and
// inside. Players are 0 to 4.
type Places struct {
	// Ring holds the player on each outside spot.
	Ring []int `json:"ring"`
	// Inside is the player inside, -1 for none, and Block that player's spot.
	Inside int    `json:"inside"`
	Block  string `json:"block"`
	ball   int    // index of the ring, or inThePost
	// screened is who set a screen after the last pass, refused the spots of the ring to
	// which the passer has looked in vain since the ball came.
	screened, refused []int
}

// inThePost is where the ball is when whoever is inside has it.
const inThePost = -1

// Start is an offense's formation: players in the order of the ring, then inside.
func (o Offense) Start() Places {
	p := Places{Inside: -1, Block: o.Inside, ball: slices.Index(o.Ring, o.Ball)}
	for i := range o.Ring {
		p.Ring = append(p.Ring, i)
	}
	if o.BigRule == BigsWings {
		p.bigsToWings(o)
	}
	if o.Inside != "" {
		p.Inside = len(o.Ring)
	}
	return p
}

// bigsToWings puts the bigs on the wings, in exchange with whoever is there.
func (p *Places) bigsToWings(o Offense) {
	k := 0
	for i, spot := range o.Ring {
		if !wing(spot) || k == len(o.Bigs) {
			continue
		}
		if at := slices.Index(p.Ring, o.Bigs[k]-1); at >= 0 {
			p.Ring[at], p.Ring[i] = p.Ring[i], p.Ring[at]
		}
		k++
	}
}

// Ball is who has the ball.
func (p Places) Ball() int {
	if p.ball == inThePost {
		return p.Inside
	}
	return p.Ring[p.ball]
}

// targets are the spots of the ring that a pass may go to: the neighbors, or out of the
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
func (p Places) deniable(o Offense, to int) bool {
	return p.ball != inThePost && wing(o.Ring[to]) && !strings.HasPrefix(o.Ring[p.ball], "corner") &&
		!slices.Contains(p.refused, to)
}

// kindOf says what pass it is.
func (p Places) kindOf(o Offense, to int) string {
	outer := func(i int) bool { return i == 0 || i == len(o.Ring)-1 }
	switch {
	case p.ball == inThePost:
		return FromPost
	case len(o.Ring) == five:
		return AnyPass
	case outer(to):
		return ToWing
	case outer(p.ball):
		return FromWing
	}
	return Reversal
}

// happened is what counters have been waiting for and has come, as bits.
type happened uint8

const (
	cutWasCovered happened = 1 << iota
	screenWasCovered
	every = cutWasCovered | screenWasCovered
)

// of is the bit of a trigger; 0 for none.
func (happened) of(t Trigger) happened {
	switch t {
	case CutCovered:
		return cutWasCovered
	case ScreenCovered:
		return screenWasCovered
	}
	return 0
}

// answers are what an offense allows after a pass to a spot of the ring, or where that pass
// is denied, with the counters whose triggers have come.
func (p Places) answers(o Offense, to int, denied bool, come happened) []Answer {
	return p.allowed(o, to, denied, come, make([]Answer, 0, len(o.Answers)))
}

// allowed is answers into a list of the caller's.
func (p *Places) allowed(o Offense, to int, denied bool, come happened, out []Answer) []Answer {
	fits := p.filter(o, to, denied, come)
	wanted := func(i int) bool { return fits&(1<<i) != 0 && o.Answers[i].Weight > 0 }
	cuts := func(i int) bool {
		return slices.ContainsFunc(o.Answers[i].Moves, func(m Move) bool { return m.Who == Passer && m.Act == Cut })
	}
	for _, pick := range []func(int) bool{
		func(i int) bool { return o.Cutting == AlwaysCut && wanted(i) && cuts(i) },
		wanted,
		func(i int) bool { return fits&(1<<i) != 0 }, // what is only for when nothing else fits
	} {
		for i := range o.Answers {
			if pick(i) {
				out = append(out, o.Answers[i])
			}
		}
		if len(out) > 0 {
			return out
		}
	}
	return out
}

// filter says which answers fit, as bits by index.
func (p *Places) filter(o Offense, to int, denied bool, come happened) (fits uint32) {
	behind, ahead := p.behind(to)
	kind := p.kindOf(o, to)
	if denied {
		kind = Denied
	}
	for i := range o.Answers {
		a := &o.Answers[i]
		on := a.On == kind || a.On == AnyPass && kind != Denied && kind != FromPost
		if on && behind.n >= a.Behind[0] && behind.n <= a.Behind[1] && come.of(a.After)&^come == 0 &&
			p.hasAll(o, a, to, behind.n, ahead.n) {
			fits |= 1 << i
		}
	}
	return fits
}

// hasAll reports whether everybody is there whom an answer moves, and may do it.
func (p *Places) hasAll(o Offense, a *Answer, to, behind, ahead int) bool {
	if a.Ball == ToFlash && p.Block == HighPost {
		return false // is there already
	}
	for _, m := range a.Moves {
		for _, who := range [3]string{m.Who, m.For, m.To} {
			switch who {
			case Ahead1:
				if ahead < 1 {
					return false
				}
			case Ahead2:
				if ahead < 2 {
					return false
				}
			case Next1:
				if behind < 1 {
					return false
				}
			case Next2:
				if behind < 2 {
					return false
				}
			case Inside:
				if p.Inside < 0 {
					return false
				}
			}
		}
		if m.Act == Screen && !p.mayScreen(o, a, p.who(m.Who, to)) {
			return false
		}
	}
	return true
}

// mayScreen reports whether a player may set a screen: not twice in a row where that is a
// rule, and not where screens are the bigs'.
func (p *Places) mayScreen(o Offense, a *Answer, player int) bool {
	if o.Again == NeverTwice && slices.Contains(p.screened, player) {
		return false
	}
	big := slices.Contains(o.Bigs, player+1)
	switch o.BigRule {
	case BigsScreen:
		return big
	case BigsWings:
		return big || a.Action != ballAction
	}
	return true
}

// ballAction is the action that is a screen on the ball.
const ballAction = "ball"

// step is a move resolved: a player and the spot where it ends.
type step struct {
	player int
	act    Act
	other  int // of a screen, -1 for none
	to     string
}

// spotOf is where a player stands.
func (p Places) spotOf(o Offense, player int) string {
	if player == p.Inside {
		return p.Block
	}
	if i := slices.Index(p.Ring, player); i >= 0 {
		return o.Ring[i]
	}
	return ""
}

// side is R or L, by the end of the ring that a spot of it is nearer to.
func (o Offense) side(ring int) string {
	if 2*ring < len(o.Ring)-1 {
		return "R"
	}
	return "L"
}

// steps resolves an answer after a pass to a spot of the ring.
func (p Places) steps(o Offense, a Answer, to int) []step {
	behind, _ := p.behind(to)
	out := make([]step, 0, five)
	for _, m := range a.Moves {
		if m.Who == Chain {
			// Everybody behind moves up one spot.
			front := p.ball
			for k := range behind.n {
				i := behind.at(k)
				out = append(out, step{player: p.Ring[i], act: Fill, other: -1, to: o.Ring[front]})
				front = i
			}
			continue
		}
		st := step{player: p.who(m.Who, to), act: m.Act, other: p.who(m.For, to)}
		switch m.To {
		case Last:
			st.to = o.Ring[p.ball]
			if behind.n > 0 {
				st.to = o.Ring[behind.at(behind.n-1)]
			}
		case HighPost:
			st.to = HighPost
		case BallBlock, FarBlock:
			side := o.side(to)
			if m.To == FarBlock {
				side = map[string]string{"R": "L", "L": "R"}[side]
			}
			st.to = "block" + side
		default:
			st.to = p.spotOf(o, p.who(m.To, to))
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
func (p Places) after(o Offense, a Answer, to int) (Places, error) {
	return p.moved(o, a, to, p.steps(o, a, to))
}

// moved is after with the steps of the answer.
func (p Places) moved(o Offense, a Answer, to int, steps []step) (Places, error) {
	var at [five]string
	for player := range at {
		at[player] = p.spotOf(o, player)
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
		i := slices.Index(o.Ring, spot)
		switch {
		case i >= 0 && q.Ring[i] >= 0:
			return q, refusal.New("offense.two-sent-to-a-spot", court.SpotName(spot))
		case i >= 0:
			q.Ring[i] = player
		case q.Inside >= 0 || o.Inside == "":
			return q, refusal.New("offense.spot-taken", court.SpotName(spot))
		default:
			q.Inside, q.Block = player, spot
		}
	}
	if a.Ball == Stays {
		q.refused = append(slices.Clone(p.refused), to)
	}
	q.ball = slices.Index(q.Ring, holder) // not on the ring is inThePost
	if q.ball == inThePost && (holder != q.Inside || q.Block != HighPost) {
		return q, refusal.New("offense.ball-stranded")
	}
	return q, nil
}

// filled reports, in a sentence, a spot that stays empty.
func (p Places) filled(o Offense) error {
	for i, player := range p.Ring {
		if player < 0 {
			return refusal.New("offense.spot-empty", court.SpotName(o.Ring[i]))
		}
	}
	if o.Inside != "" && p.Inside < 0 {
		return refusal.New("offense.inside-empty")
	}
	return nil
}
