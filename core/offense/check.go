package offense

import (
	"errors"
	"fmt"
	"slices"

	"evrik/core/court"
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
// ball. The error is a sentence.
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
			return fmt.Errorf("%s is in it twice. Give it once, with another weight.", a.Name)
		}
		if err := a.validate(); err != nil {
			return err
		}
		if a.On != Denied && a.On != FromPost && a.After == "" {
			total += a.Weight
		}
	}
	if total == 0 {
		return errors.New("After a pass nothing would happen, so the passer would stand. Give a part a weight above 0.")
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
			return fmt.Errorf("There is no spot called %q for the player inside.", o.Inside)
		}
	}
	switch {
	case o.Name == "" || len(o.Name) > maxName:
		return fmt.Errorf("The offense needs a name of up to %d letters.", maxName)
	case len(o.About) > maxAbout:
		return fmt.Errorf("The sentence about the offense can have up to %d letters.", maxAbout)
	case len(o.Ring) != outside:
		return fmt.Errorf("Five players need %d outside spots here, not %d.", outside, len(o.Ring))
	case !slices.Contains(o.Ring, o.Ball):
		return errors.New("The ball has to start on one of the outside spots.")
	case len(o.Answers) == 0:
		return errors.New("After a pass nothing is allowed: the passer would stand. Add a cut or a screen.")
	case len(o.Answers) > maxAnswers:
		return fmt.Errorf("That is more than %d parts.", maxAnswers)
	}
	for i, id := range o.Ring {
		if _, ok := c.SpotAt(id); !ok {
			return fmt.Errorf("There is no spot called %q.", id)
		}
		if slices.Contains(o.Ring[:i], id) {
			return fmt.Errorf("Two players would start on the %s.", court.SpotName(id))
		}
	}
	return nil
}

// choices checks that every option has one of its values, and that the bigs are players.
func (o Offense) choices() error {
	for i, have := range []string{string(o.Cutting), string(o.Catch), string(o.Again), string(o.Dribble), string(o.OnDrive), string(o.BigRule), string(o.Post)} {
		if !slices.ContainsFunc(options[i].Values, func(v Choice) bool { return v.ID == have }) {
			return fmt.Errorf("%s: there is no choice called %q.", options[i].Name, have)
		}
	}
	for i, big := range o.Bigs {
		if big < 1 || big > five || slices.Contains(o.Bigs[:i], big) {
			return fmt.Errorf("The bigs are two of the players 1 to %d.", five)
		}
	}
	switch {
	case len(o.Bigs) > maxBigs:
		return fmt.Errorf("An offense has %d bigs at most.", maxBigs)
	case o.BigRule != BigsAny && len(o.Bigs) == 0:
		return errors.New("Say which players are the bigs.")
	case o.BigRule == BigsWings && !(slices.ContainsFunc(o.Ring, wing)):
		return errors.New("Bigs who start on the wings need a spot on the wing.")
	case o.Dribble != FreeDribble && slices.ContainsFunc(o.Answers, func(a Answer) bool { return a.Ball == Handed && a.Weight > 0 }):
		return errors.New("A handoff needs the dribble to be free.")
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
	pass := fmt.Sprintf("a pass from the %s to the %s", court.SpotName(p.spotOf(o, p.Ball())), court.SpotName(o.Ring[to]))
	allowed := p.answers(o, to, denied, every)
	base := p.answers(o, to, denied, 0)
	switch {
	case len(base) == 0 && denied:
		return fmt.Errorf("Where %s is denied, nothing is allowed.", pass)
	case len(base) == 0:
		return fmt.Errorf("After %s nothing is allowed: the passer would stand.", pass)
	}
	for _, a := range allowed {
		after, err := p.after(o, a, to)
		if err == nil {
			err = after.filled(o)
		}
		if err != nil {
			return fmt.Errorf("%s after %s: %w", a.Name, pass, err)
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
		return errors.New("Every part needs a name.")
	case len(a.Moves) == 0 || len(a.Moves) > maxMoves:
		return fmt.Errorf("%s needs one to %d moves.", a.Name, maxMoves)
	case !slices.Contains([]string{AnyPass, ToWing, Reversal, FromWing, Denied, FromPost}, a.On):
		return fmt.Errorf("%s answers a pass that there is not.", a.Name)
	case !slices.Contains([]string{"", Stays, ToFlash, Handed}, a.Ball):
		return fmt.Errorf("%s leaves the ball nowhere: %q.", a.Name, a.Ball)
	case !(a.Weight >= 0 && a.Weight <= 100):
		return fmt.Errorf("The weight of %s must be between 0 and 100.", a.Name)
	case a.After != "" && !slices.ContainsFunc(Triggers(), func(c Choice) bool { return c.ID == string(a.After) }):
		return fmt.Errorf("%s cannot wait for %q.", a.Name, a.After)
	}
	for _, m := range a.Moves {
		switch {
		case m.Who == Chain && a.On == FromPost:
			return fmt.Errorf("%s: nobody moves up when the ball comes out of the high post.", a.Name)
		case m.Who == Chain && m.Act == Fill:
		case !slices.Contains(who, m.Who):
			return fmt.Errorf("%s moves somebody who is not there: %q.", a.Name, m.Who)
		case !slices.Contains([]Act{Cut, Screen, Use, Curl, Fill, Drive, Carry, Flash}, m.Act):
			return fmt.Errorf("%s has a move called %q.", a.Name, m.Act)
		case (m.Act == Screen || m.Act == Use || m.Act == Curl) && !slices.Contains(who, m.For):
			return fmt.Errorf("%s has a screen without the other player.", a.Name)
		case !slices.Contains(who, m.To) && !slices.Contains([]string{Last, BallBlock, FarBlock, HighPost}, m.To):
			return fmt.Errorf("%s leads somebody nowhere: %q.", a.Name, m.To)
		}
	}
	return nil
}
