package offense

import (
	"fmt"
	"slices"

	"evrik/core/court"
	"evrik/core/refusal"
)

// Limits of an offense of one's own (assumptions).
const (
	maxAnswers = 20
	maxMoves   = 6
	maxName    = 60
	maxAbout   = 300
	maxBigs    = 2
	five       = 5
)

// Validate refuses an offense that cannot be played: a spot or a choice there is not, or a
// pass after which nothing is allowed or a spot stays empty. It checks every place of the
// ball. The error is a refusal.
func (o Offense) Validate(c court.Court) error {
	if err := o.spots(c); err != nil {
		return err
	}
	if err := o.choices(); err != nil {
		return err
	}
	total := 0.0
	for i, a := range o.Answers {
		if slices.ContainsFunc(o.Answers[:i], func(b Answer) bool { return b.ID == a.ID }) {
			return refusal.New("offense.part-twice", a.Name)
		}
		if err := a.validate(); err != nil {
			return err
		}
		if a.On != Denied && a.On != FromPost && a.After == "" {
			total += a.Weight
		}
	}
	if total == 0 {
		return refusal.New("offense.no-weight")
	}
	for from := range o.Ring {
		p := o.Start()
		p.ball = from
		if err := o.continues(p); err != nil {
			return err
		}
	}
	return nil
}

// spots checks the names and the spots.
func (o Offense) spots(c court.Court) error {
	outside := five
	if o.Inside != "" {
		outside--
		if _, ok := c.SpotAt(o.Inside); !ok {
			return refusal.New("offense.inside-spot", o.Inside)
		}
	}
	switch {
	case o.Name == "" || len(o.Name) > maxName:
		return refusal.New("offense.name", maxName)
	case len(o.About) > maxAbout:
		return refusal.New("offense.about-too-long", maxAbout)
	case len(o.Ring) != outside:
		return refusal.New("offense.spots", outside, len(o.Ring))
	case !slices.Contains(o.Ring, o.Ball):
		return refusal.New("offense.ball-start")
	case len(o.Answers) == 0:
		return refusal.New("offense.no-answers")
	case len(o.Answers) > maxAnswers:
		return refusal.New("offense.too-many-parts", maxAnswers)
	}
	for i, id := range o.Ring {
		if _, ok := c.SpotAt(id); !ok {
			return refusal.New("offense.spot", id)
		}
		if slices.Contains(o.Ring[:i], id) {
			return refusal.New("offense.two-start-on-a-spot", court.SpotName(id))
		}
	}
	return nil
}

// choices checks that every option has one of its values, and that the bigs are players.
func (o Offense) choices() error {
	for i, have := range []string{string(o.Cutting), string(o.Catch), string(o.Again), string(o.Dribble),
		string(o.OnDrive), string(o.BigRule), string(o.Post)} {
		if !slices.ContainsFunc(options[i].Values, func(v Choice) bool { return v.ID == have }) {
			return refusal.New("offense.option", options[i].Name, have)
		}
	}
	for i, big := range o.Bigs {
		if big < 1 || big > five || slices.Contains(o.Bigs[:i], big) {
			return refusal.New("offense.bigs-number", five)
		}
	}
	switch {
	case len(o.Bigs) > maxBigs:
		return refusal.New("offense.too-many-bigs", maxBigs)
	case o.BigRule != BigsAny && len(o.Bigs) == 0:
		return refusal.New("offense.bigs-unsaid")
	case o.BigRule == BigsWings && !(slices.ContainsFunc(o.Ring, wing)):
		return refusal.New("offense.bigs-need-wing")
	case o.Dribble != FreeDribble && slices.ContainsFunc(o.Answers,
		func(a Answer) bool { return a.Ball == Handed && a.Weight > 0 }):
		return refusal.New("offense.handoff-needs-dribble")
	}
	return nil
}

// continues checks that every pass from where the ball is has an answer, a denied one
// too, and that every answer leaves the spots filled.
func (o Offense) continues(p Places) error {
	for _, to := range p.targets() {
		for _, denied := range []bool{false, true} {
			if denied && !p.deniable(o, to) {
				continue
			}
			if err := o.goesOn(p, to, denied); err != nil {
				return err
			}
		}
	}
	return nil
}

// goesOn checks what follows one pass.
func (o Offense) goesOn(p Places, to int, denied bool) error {
	pass := fmt.Sprintf("a pass from the %s to the %s", court.SpotName(p.spotOf(o, p.Ball())),
		court.SpotName(o.Ring[to]))
	allowed := p.answers(o, to, denied, every)
	base := p.answers(o, to, denied, 0)
	switch {
	case len(base) == 0 && denied:
		return refusal.New("offense.nothing-denied", pass)
	case len(base) == 0:
		return refusal.New("offense.nothing-after", pass)
	}
	for _, a := range allowed {
		after, err := p.after(o, a, to)
		if err == nil {
			err = after.filled(o)
		}
		if err != nil {
			return refusal.New("offense.part-after", a.Name, pass, err)
		}
		if after.ball == inThePost && p.ball != inThePost {
			if err := o.continues(after); err != nil {
				return err
			}
		}
	}
	return nil
}

func (a Answer) validate() error {
	who := []string{Passer, Receiver, Next1, Next2, Ahead1, Ahead2, Inside}
	switch {
	case a.Name == "" || len(a.Name) > maxName:
		return refusal.New("offense.part-name")
	case len(a.Moves) == 0 || len(a.Moves) > maxMoves:
		return refusal.New("offense.part-moves", a.Name, maxMoves)
	case !slices.Contains([]string{AnyPass, ToWing, Reversal, FromWing, Denied, FromPost}, a.On):
		return refusal.New("offense.part-trigger", a.Name)
	case !slices.Contains([]string{"", Stays, ToFlash, Handed}, a.Ball):
		return refusal.New("offense.ball-nowhere", a.Name, a.Ball)
	case !(a.Weight >= 0 && a.Weight <= 100):
		return refusal.New("offense.part-weight", a.Name)
	case a.After != "" && !slices.ContainsFunc(Triggers(), func(c Choice) bool { return c.ID == string(a.After) }):
		return refusal.New("offense.part-waits", a.Name, a.After)
	}
	for _, m := range a.Moves {
		switch {
		case m.Who == Chain && a.On == FromPost:
			return refusal.New("offense.post-exit", a.Name)
		case m.Who == Chain && m.Act == Fill:
		case !slices.Contains(who, m.Who):
			return refusal.New("offense.mover-missing", a.Name, m.Who)
		case !slices.Contains([]Act{Cut, Screen, Use, Curl, Fill, Drive, Carry, Flash}, m.Act):
			return refusal.New("offense.move-kind", a.Name, m.Act)
		case (m.Act == Screen || m.Act == Use || m.Act == Curl) && !slices.Contains(who, m.For):
			return refusal.New("offense.screen-alone", a.Name)
		case !slices.Contains(who, m.To) && !slices.Contains([]string{Last, BallBlock, FarBlock, HighPost}, m.To):
			return refusal.New("offense.move-nowhere", a.Name, m.To)
		}
	}
	return nil
}
