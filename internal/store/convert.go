package store

import (
	"encoding/json"
	"fmt"

	"evrik/core/court"
	"evrik/core/drill"
	"evrik/core/game"
	"evrik/core/motion"
	"evrik/core/offense"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/store/gen"
)

// CourtOf reads a team's court.
func CourtOf(t gen.Team) (court.Court, error) {
	var c court.Court
	if err := json.Unmarshal(t.Court, &c); err != nil {
		return c, fmt.Errorf("the court of team %s cannot be read: %w", t.ID, err)
	}
	return c, nil
}

// CourtJSON is a court as it is stored.
func CourtJSON(c court.Court) []byte {
	return jsonOf(c)
}

// PaceOf is how fast a team's players move: its own figures, or its age band's.
func PaceOf(t gen.Team) (pace motion.Pace, own bool, err error) {
	if t.Pace == nil {
		return motion.PaceOf(t.Ages), false, nil
	}
	if err := json.Unmarshal(t.Pace, &pace); err != nil {
		return pace, true, fmt.Errorf("the pace of team %s cannot be read: %w", t.ID, err)
	}
	return pace, true, nil
}

// PaceJSON is a pace as it is stored; none is the age band's.
func PaceJSON(p *motion.Pace) []byte {
	if p == nil {
		return nil
	}
	return jsonOf(p)
}

// LoggedOf are the times of a drill's reps.
func LoggedOf(rows []gen.PaceOfDrillRow) []drill.Logged {
	out := make([]drill.Logged, len(rows))
	for i, r := range rows {
		out[i] = drill.Logged{Block: r.BlockID.String(), No: int(r.RepNo), Baskets: int(r.Baskets), At: r.At}
	}
	return out
}

// DrillOf reads one of a program's own drills.
func DrillOf(row gen.Drill) (*drill.Drill, error) {
	d, err := drill.Read(row.Drill)
	if err != nil {
		return nil, fmt.Errorf("drill %s cannot be read: %w", row.ID, err)
	}
	return d, nil
}

// FloorOf is what judging needs of a team.
func FloorOf(t gen.Team) (reads.Floor, error) {
	c, err := CourtOf(t)
	if err != nil {
		return reads.Floor{}, err
	}
	pace, _, err := PaceOf(t)
	return reads.Floor{Court: c, Rules: RulesOf(t), Pace: pace, Ages: t.Ages}, err
}

// RulesOf are a team's choices where coaches differ.
func RulesOf(t gen.Team) reads.TeamRules {
	return reads.TeamRules{FadeToCorner: t.FadeToCorner, FlareFirst: t.FlareFirst, ShootFirst: t.ShootFirst,
		AllActions: t.AllActions}
}

// staffJSON writes who does what in a block.
func staffJSON(staff []practice.Duty) []byte {
	if len(staff) == 0 {
		return []byte("[]")
	}
	return jsonOf(staff)
}

// staffOf reads the duties of a block from its column; what cannot be read is nobody's job.
func staffOf(data []byte) []practice.Duty {
	var staff []practice.Duty
	if err := json.Unmarshal(data, &staff); err != nil {
		return nil
	}
	return staff
}

// BlocksOf turns stored blocks into a plan's.
func BlocksOf(rows []gen.Block) []practice.Block {
	blocks := make([]practice.Block, len(rows))
	for i, b := range rows {
		blocks[i] = practice.Block{
			ID: b.ID.String(), Kind: practice.Kind(b.Kind), Title: b.Title, Drill: b.Drill, Stage: b.Stage,
			Minutes: b.Minutes, Baskets: int(b.Baskets), Seconds: b.Seconds, Seed: uint64(b.Seed),
			Basket: int(b.Basket), Players: make([]string, len(b.Players)), Pin: b.Pin, NoHelpers: b.NoHelpers,
			PlayerShows: b.PlayerShows, Play: b.Play,
		}
		blocks[i].Staff = staffOf(b.Staff)
		for k, id := range b.Players {
			blocks[i].Players[k] = id.String()
		}
	}
	return blocks
}

// ChangesOf turns stored changes of a running practice into the core's.
func ChangesOf(rows []gen.FloorChange) []practice.Change {
	out := make([]practice.Change, len(rows))
	for i, r := range rows {
		out[i] = practice.Change{Kind: practice.ChangeKind(r.Kind), After: int(r.AfterRep),
			Was: practice.Presence(r.Was), State: practice.Presence(r.State)}
		if r.BlockID != nil {
			out[i].Block = r.BlockID.String()
		}
		if r.PlayerID != nil {
			out[i].Player = r.PlayerID.String()
		}
	}
	return out
}

// PresenceOf is how a player takes part in a practice now.
func PresenceOf(r gen.Attendance) practice.Presence {
	switch {
	case r.Gone != "":
		return practice.Presence(r.Gone)
	case r.Limited:
		return practice.Limited
	}
	return practice.Here
}

// ClockOf turns what was done to a clock into the core's events.
func ClockOf(rows []gen.ClockEvent) []practice.ClockEvent {
	out := make([]practice.ClockEvent, len(rows))
	for i, r := range rows {
		out[i] = practice.ClockEvent{At: r.At, Action: practice.Action(r.Action)}
		if r.BlockID != nil {
			out[i].Block = r.BlockID.String()
		}
	}
	return out
}

// DroppedOf are the blocks that were given up while a practice ran.
func DroppedOf(p gen.Practice) (blocks []practice.Block, err error) {
	return blocks, read("what practice "+p.ID.String()+" dropped", p.Dropped, &blocks)
}

// TermsOf are a practice's terms, or the usual ones.
func TermsOf(p gen.Practice) (practice.Terms, error) {
	t := practice.DefaultTerms()
	return t, read("the terms of practice "+p.ID.String(), p.Terms, &t)
}

// TermsJSON are terms as they are stored.
func TermsJSON(t practice.Terms) []byte { return documentOf(t) }

// LimitsOf returns the limits of practice for a team: its age's, where its local rule does not say otherwise.
func LimitsOf(t gen.Team) (practice.Limits, error) {
	rule, err := LocalRuleOf(t)
	limits, _ := practice.AgeBand(t.Ages).Limits()
	return limits.With(rule), err
}

// LocalRuleOf is a team's local rule; the zero rule where it has none.
func LocalRuleOf(t gen.Team) (r practice.LocalRule, err error) {
	return r, read("the local rule of team "+t.ID.String(), t.LocalRule, &r)
}

// LocalRuleJSON is a rule as it is stored.
func LocalRuleJSON(r practice.LocalRule) []byte { return documentOf(r) }

// AimOf is what a team's weeks ahead are for; ok is false where nobody has said.
func AimOf(t gen.Team) (aim practice.SeasonAim, ok bool, err error) {
	return aim, t.SeasonAim != nil, read("the season of team "+t.ID.String(), t.SeasonAim, &aim)
}

// AimJSON is an aim as it is stored.
func AimJSON(a practice.SeasonAim) []byte { return documentOf(a) }

// TemplateBlocks are the blocks of a kept plan.
func TemplateBlocks(t gen.Template) (blocks []practice.Block, err error) {
	return blocks, read("the kept plan "+t.ID.String(), t.Blocks, &blocks)
}

// BlocksJSON are blocks as a kept plan stores them.
func BlocksJSON(blocks []practice.Block) []byte { return documentOf(blocks) }

// PacesOf are the paces measured at every stage that has reps enough.
func PacesOf(rows []gen.PaceOfTeamRow) map[practice.StageKey]drill.Measured {
	logged := map[practice.StageKey][]drill.Logged{}
	for _, r := range rows {
		k := practice.StageKey{Drill: r.Drill, Stage: r.Stage}
		logged[k] = append(logged[k], drill.Logged{Block: r.BlockID.String(), No: int(r.RepNo), Baskets: int(r.Baskets),
			At: r.At})
	}
	out := map[practice.StageKey]drill.Measured{}
	for k, reps := range logged {
		if m, ok := drill.MeasurePace(reps); ok {
			out[k] = m
		}
	}
	return out
}

// MixesOf are what an opponent is expected to do.
func MixesOf(g gen.Game) (mixes []game.Mix, err error) {
	mixes = []game.Mix{}
	return mixes, read("the coverages of game "+g.ID.String(), g.Mixes, &mixes)
}

// GameTermsOf are what is wanted of the line-ups of a game.
func GameTermsOf(g gen.Game) (t game.Terms, err error) {
	return t, read("the line-ups of game "+g.ID.String(), g.Terms, &t)
}

// GameJSON are a game's coverages and terms as they are stored.
func GameJSON(mixes []game.Mix, t game.Terms) (m, terms []byte) {
	return documentOf(mixes), documentOf(t)
}

// OffenseOf is a team's motion offense, before its parts are looked up; ok is false where it
// has none.
func OffenseOf(t gen.Team) (o offense.Offense, ok bool, err error) {
	return o, t.Offense != nil, read("the offense of team "+t.ID.String(), t.Offense, &o)
}

// OffenseJSON is an offense as it is stored.
func OffenseJSON(o offense.Offense) []byte { return documentOf(o) }

// PrinciplesOf are a team's principles, or those that a team begins with.
func PrinciplesOf(t gen.Team) (list []offense.Principle, err error) {
	list = offense.FirstPrinciples()
	return list, read("the principles of team "+t.ID.String(), t.Principles, &list)
}

// PrinciplesJSON are principles as they are stored.
func PrinciplesJSON(list []offense.Principle) []byte { return documentOf(list) }
