package offense

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"evrik/core/court"
	"evrik/core/drill"
	"evrik/core/reads"
	"evrik/core/refusal"
)

// Moment is a pass of an offense with what follows, from which a drill can be cut.
type Moment struct {
	Standing Standing `json:"standing"`
	// Aim is the spot that the pass is meant for, Answer the id of what follows.
	Aim    string `json:"aim"`
	Answer string `json:"answer"`
}

// The positions of a drill that is cut out of a moment, by id.
const (
	posReader = "cutter"
	posOther  = "screener"
	posFeeder = "passer"
	posThird  = "third"
	posFourth = "fourth"
)

// Seconds that a rep takes besides its motion (assumptions): the way back, and play that
// goes on when it is live.
const (
	wayBack = 8.0
	playsOn = 6.0
)

// midCourt is how far from the middle, in feet, an action has a side (assumption).
const midCourt = 2.0

// CutOut makes a small-sided drill of a moment: the two to four players who are in it, on
// the spots where they stand, the read they have, and stages from a walk-through to a live
// game of as many against as many. Who only gives the ball is a helper. The action is
// turned to the right side, from which a drill is run on both. Errors are refusals.
func (f Floor) CutOut(o Offense, m Moment) (*drill.Drill, error) {
	p, err := o.From(m.Standing)
	if err != nil {
		return nil, err
	}
	to := slices.Index(o.Ring, m.Aim)
	if !slices.Contains(p.targets(), to) {
		return nil, refusal.New("offense.pass-missing", p.spotOf(o, p.Ball()), m.Aim)
	}
	at := slices.IndexFunc(o.Answers, func(a Answer) bool { return a.ID == m.Answer })
	if at < 0 {
		return nil, refusal.New("offense.answer-missing", o.Name, m.Answer)
	}
	a := o.Answers[at]
	c := cutter{floor: f, offense: o, answer: a, ball: p.holder(a, to), passer: p.Ball(), spots: map[int]string{}}
	c.cast(p.steps(o, a, to))
	if len(c.people) == 0 {
		return nil, refusal.New("offense.nothing-to-drill")
	}
	c.place(m.Standing)
	d := c.drill(m)
	return d, d.Validate()
}

// cutter cuts a drill out of a moment.
type cutter struct {
	floor   Floor
	offense Offense
	answer  Answer
	passer  int // who has the ball before, and
	ball    int // who has it then: players
	steps   []step
	// people are the players in it, as the drill's positions are ordered: who reads, the
	// screener or partner, the others, and last who feeds them.
	people []int
	feeds  bool // the last of them only gives the ball
	spots  map[int]string
	mirror bool
}

// cast says who takes part: who comes off a screen or cuts, who screens for that player, whoever
// else cuts, and who gives them the ball.
func (c *cutter) cast(steps []step) {
	c.steps = steps
	join := func(player int) {
		if player >= 0 && !slices.Contains(c.people, player) {
			c.people = append(c.people, player)
		}
	}
	for _, acts := range [][]Act{{Use, Curl, Drive}, {Cut}} {
		i := slices.IndexFunc(steps, func(st step) bool { return slices.Contains(acts, st.act) })
		if i >= 0 && len(c.people) == 0 {
			join(steps[i].player)
			join(steps[i].other)
		}
	}
	if len(c.people) == 1 && c.answer.Action != "" {
		// The partner of a read without a screen is who takes the reader's place.
		for _, st := range steps {
			if st.act == Fill {
				join(st.player)
			}
		}
	}
	for _, st := range steps {
		if slices.Contains([]Act{Use, Curl, Cut}, st.act) {
			join(st.player)
		}
	}
	if len(c.people) == 0 || slices.Contains(c.people, c.ball) {
		return
	}
	// One alone is no drill: then whoever feeds plays too.
	c.feeds = len(c.people) > 1
	join(c.ball)
}

// place finds everybody's spot: the one that is meant, or the nearest to where that player
// was put, turned to the right side.
func (c *cutter) place(st Standing) {
	taken := map[string]bool{}
	everybody := slices.Clone(c.people)
	if !slices.Contains(everybody, c.passer) {
		everybody = append(everybody, c.passer)
	}
	var moved []int
	for _, who := range everybody {
		if spot := st.Spots[who]; st.At[who].Dist(c.floor.spots[spot]) <= onSpot && !taken[spot] {
			c.spots[who], taken[spot] = spot, true
		} else {
			moved = append(moved, who)
		}
	}
	for _, who := range moved {
		best := ""
		for _, s := range c.floor.Court.Spots(court.StandOff) {
			if !taken[s.ID] && (best == "" || s.At.Dist(st.At[who]) < c.floor.spots[best].Dist(st.At[who])) {
				best = s.ID
			}
		}
		c.spots[who], taken[best] = best, true
	}
	side := c.floor.spots[c.spots[c.people[0]]].X
	if math.Abs(side) < midCourt {
		side = c.floor.spots[c.stepOf(c.people[0]).to].X
	}
	c.mirror = side < 0
}

// turned is a spot as the drill has it.
func (c *cutter) turned(spot string) string {
	if c.mirror {
		return court.MirrorSpot(spot)
	}
	return spot
}

func (c *cutter) stepOf(player int) step {
	for _, st := range c.steps {
		if st.player == player && st.act != Flash {
			return st
		}
	}
	return step{player: player, other: -1}
}

// id is the position of a player.
func (c *cutter) id(player int) string {
	i := slices.Index(c.people, player)
	if c.feeds && i == len(c.people)-1 {
		return posFeeder
	}
	return [...]string{posReader, posOther, posThird, posFourth}[i]
}

// drill writes it.
func (c *cutter) drill(m Moment) *drill.Drill {
	short, _, _ := strings.Cut(c.answer.Name, ":")
	short, _, _ = strings.Cut(short, ",")
	when, denied := "after", ""
	if c.answer.On == Denied {
		when, denied = "where", " is denied"
	}
	title := []rune(c.offense.Name + ": " + short)
	d := &drill.Drill{
		ID:     "cut-out",
		Name:   string(title[:min(len(title), maxName)]),
		Action: c.answer.Action,
		About: fmt.Sprintf("A piece of %s, %s a pass from the %s to the %s%s. %s.", c.offense.Name, when,
			court.SpotName(c.turned(c.spots[c.passer])),
			court.SpotName(c.turned(m.Aim)), denied, c.answer.Name),
		Rotation: drill.Rotation{Rule: drill.OffDefLine,
			Say: "Offense stays on for defense, defense goes to the end of the line. Both sides of the floor."},
		Equipment: []string{"One ball at each basket", "Tape on the spots where they start"},
		Watch:     []string{},
		Fixes:     []string{},
		Cautions:  slices.Clone(drill.Catalogue()[0].Cautions),
	}
	if c.feeds {
		d.Helpers = "One at each basket to give the ball"
	}
	screen, read := reads.ActionByID(c.answer.Action)
	for i, who := range c.people {
		d.Positions = append(d.Positions, c.position(i, who, screen))
	}
	d.Phases = c.phases()
	if read {
		for _, row := range screen.Rows(reads.TeamRules{}) {
			if len(row.Mistakes) > 0 && !slices.Contains(d.Watch, row.Mistakes[0]) && len(d.Watch) < maxWatch {
				d.Watch = append(d.Watch, row.Mistakes[0])
			}
		}
	}
	d.Stages = c.stages(d, screen)
	return d
}

// maxWatch is how many points a coach can look for at once (assumption).
const maxWatch = 4

// position is a player's place in the drill, named as the action names it.
func (c *cutter) position(i, who int, screen *reads.Action) drill.Position {
	p := drill.Position{ID: c.id(who), Spot: c.turned(c.spots[who]), Name: "Next one", Letter: "N",
		Ball: who == c.starts()}
	switch {
	case p.ID == posFeeder:
		p.Name, p.Letter, p.Helper = "Passer", "P", true
	case i == 0:
		p.Name, p.Letter = "Cutter", "C"
	case i == 1 && who == c.ball:
		p.Name, p.Letter = "Passer", "P"
	case i == 1:
		p.Name, p.Letter = "Screener", "S"
	case p.ID == posFourth:
		p.Name, p.Letter = "One more", "O"
	}
	if screen != nil && i < 2 && p.ID != posFeeder {
		for _, q := range screen.Participants {
			if q.ID.String() == p.ID {
				p.Name, p.Letter = q.Name, q.Letter
			}
		}
	}
	return p
}

// starts is who has the ball at first: a passer who takes part, else who gets it.
func (c *cutter) starts() int {
	if slices.Contains(c.people, c.passer) {
		return c.passer
	}
	return c.ball
}

// phases write the moment in the drill's own language.
func (c *cutter) phases() []drill.Phase {
	if c.answer.Ball == Handed {
		return c.handed()
	}
	reader := c.people[0]
	first := c.stepOf(reader)
	out := []drill.Phase{}
	add := func(name, say string, acts ...drill.Act) {
		if len(acts) > 0 {
			out = append(out, drill.Phase{Name: name, Say: say, Acts: acts})
		}
	}
	act := func(do drill.Verb, who int, to string) drill.Act { return drill.Act{Do: do, Who: c.id(who), To: to} }
	with := func(a drill.Act) drill.Act { a.With = true; return a }

	if c.starts() != c.ball {
		pass := []drill.Act{act(drill.Pass, c.passer, c.id(c.ball))}
		if c.answer.Ball == ToFlash {
			pass = append([]drill.Act{act(drill.Cut, c.ball, c.turned(HighPost))}, with(pass[0]))
		}
		add("Pass", "Whoever passes goes somewhere at once.", pass...)
	}
	var set []drill.Act
	for _, st := range c.steps {
		if st.act == Screen && st.other == reader {
			set = append(set, drill.Act{Do: drill.SetFor, Who: c.id(st.player), For: c.id(reader)})
		}
	}
	// Who cuts besides clears the place before the screen is used.
	var clears []step
	for _, who := range c.people[1:] {
		if st := c.stepOf(who); st.act == Cut {
			clears = append(clears, st)
			if len(set) > 0 {
				set = append(set, with(act(drill.Cut, who, drill.Rim)))
			}
		}
	}
	screened := len(set) > 0
	add("Screen", "Sprint to it, feet set, hold it.", set...)

	end := drill.Rim
	if first.act == Use || first.act == Drive {
		end = c.turned(first.to)
	}
	use := act(drill.Cut, reader, end)
	if first.act == Drive {
		use.Do = drill.Dribble
	}
	acts := []drill.Act{use}
	if c.ball != reader {
		acts = append(acts, with(act(drill.Pass, c.ball, c.id(reader))))
	}
	for _, who := range c.people[1:] {
		switch st := c.stepOf(who); {
		case st.act == Screen && first.act == Drive:
			acts = append(acts, with(act(drill.Cut, who, drill.Rim)))
		case st.act == Screen, st.act == Cut && screened, st.act == Fill && c.id(who) == posOther && who != c.ball:
			acts = append(acts, with(act(drill.Cut, who, c.turned(st.to))))
		}
	}
	add("Read", "Read your defender before you go.", acts...)

	add("Follow", "The next one goes when the first has used it.", c.follow(screened, clears)...)
	add("Finish", "Two feet, balanced, and the rebound.", act(drill.Shot, reader, ""))
	return out
}

// follow is what the others do when the screen has been used, or where there was none.
func (c *cutter) follow(screened bool, clears []step) (acts []drill.Act) {
	for _, who := range c.people[1:] {
		if st := c.stepOf(who); st.act == Use || st.act == Curl {
			acts = append(acts, drill.Act{Do: drill.Cut, Who: c.id(who), To: c.turned(st.to)})
		}
	}
	if !screened {
		for _, st := range clears {
			acts = append(acts, drill.Act{Do: drill.Cut, Who: c.id(st.player), To: drill.Rim})
		}
	}
	return acts
}

// handed writes a moment in which the ball is carried to somebody and handed over.
func (c *cutter) handed() []drill.Phase {
	reader, carrier := c.id(c.people[0]), c.id(c.passer)
	from, to := c.floor.spots[c.spots[c.passer]], c.floor.spots[c.spots[c.people[0]]]
	return []drill.Phase{
		{Name: "Dribble at", Say: "Dribble at your teammate, who takes a step away first.", Acts: []drill.Act{
			{Do: drill.Dribble, Who: carrier, To: c.turned(c.between(from, to))}}},
		{Name: "Handoff", Say: "Two feet, near hand.", Acts: []drill.Act{{Do: drill.Hand, Who: carrier, To: reader}}},
		{Name: "Read", Say: "Read your defender as you come off.", Acts: []drill.Act{
			{Do: drill.Dribble, Who: reader, To: c.turned(c.stepOf(c.people[0]).to)},
			{Do: drill.Cut, Who: carrier, To: c.turned(c.stepOf(c.passer).to), With: true}}},
		{Name: "Finish", Say: "Two feet, balanced, and the rebound.", Acts: []drill.Act{{Do: drill.Shot, Who: reader}}},
	}
}

// between is the spot nearest to where the ball is handed over that nobody stands on.
func (c *cutter) between(from, to court.Point) string {
	meet := from.Add(to.Sub(from).Scale(handover))
	best := ""
	for _, s := range c.floor.Court.Spots(court.StandOff) {
		free := s.At.Dist(from) > Neighbors/2 && s.At.Dist(to) > Neighbors/3
		if at := c.floor.spots[s.ID]; free && (best == "" || at.Dist(meet) < c.floor.spots[best].Dist(meet)) {
			best = s.ID
		}
	}
	return best
}
