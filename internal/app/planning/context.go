// Package planning plans practices: it gathers what a plan is made from, lays plans out, fills
// them, and says what weeks and seasons come to.
package planning

import (
	"context"
	"slices"
	"time"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/game"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/app/squad"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Context is what a team's plans are made from: its players and what is open about them, how
// fast they go through a drill, the limits of their age, the season and the next game.
type Context struct {
	squad.Board // of cutters
	Team        gen.Team
	// Outlooks are of all reads the team is taught, Actions what it is taught.
	Outlooks []evidence.Outlook
	Actions  []string
	// Near are the practices of the weeks around now, newest first.
	Near   []NearPractice
	Pace   map[practice.StageKey]drill.Measured
	Limits practice.Limits
	Zone   *time.Location
	// Aim is what the season is for; Said is true where it is the coach's.
	Aim  practice.SeasonAim
	Said bool
	// Offense are the actions of the team's own offense, in the order to teach them; none
	// where it has not chosen one.
	Offense []string
	Now     time.Time
	Season  practice.SeasonPlan
	// Next is the game that practice now is for; nil where there is none. Opponent is what it
	// is expected to ask.
	Next     *gen.Game
	Opponent map[reads.Read]float64
}

const (
	// gameAhead is how long before a game practice is for it (assumption).
	gameAhead = 14 * 24 * time.Hour
	// paceSpan is how far back a team's pace at a drill is measured (assumption).
	paceSpan = 28 * 24 * time.Hour
)

// Context gathers what a team's plans are made from.
func (s *Service) Context(ctx context.Context, team gen.Team) (Context, error) {
	c := Context{Team: team, Now: s.Now()}
	var err error
	if c.Board, err = s.Board(ctx, team, reads.Cutter); err != nil {
		return c, err
	}
	if err := c.settings(); err != nil {
		return c, err
	}
	// What was practiced so far, and what the season asks for.
	taught := drill.Taught(append(slices.Clone(c.Practiced), c.Aim.Install...))
	for _, action := range taught {
		c.Actions = append(c.Actions, action.ID)
	}
	rules := store.RulesOf(team)
	for _, role := range squad.Roles {
		c.Outlooks = append(c.Outlooks, s.Policy.Outlooks(squad.IDs(c.Players), role,
			reads.Columns(taught, rules, role), c.History, c.Now)...)
	}
	if c.Near, err = s.nearPractices(ctx, team); err != nil {
		return c, err
	}
	rows, err := s.Store.PaceOfTeam(ctx, gen.PaceOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID,
		Since: c.Now.Add(-paceSpan)})
	if err != nil {
		return c, err
	}
	c.Pace = store.PacesOf(rows)
	if c.Next, err = s.NextGame(ctx, team); err != nil {
		return c, err
	}
	if c.Opponent, err = c.asks(); err != nil {
		return c, err
	}
	c.Season = c.season(s.Policy)
	s.remember(c)
	return c, nil
}

// settings reads what the team has set: its zone, what the season is for, its offense, and
// its own limits.
func (c *Context) settings() (err error) {
	if c.Zone, err = time.LoadLocation(c.Team.Zone); err != nil {
		return err
	}
	if c.Aim, c.Said, err = store.AimOf(c.Team); err != nil {
		return err
	}
	if c.Offense, err = offenseActions(c.Team); err != nil {
		return err
	}
	if !c.Said {
		first := c.Offense
		if len(first) == 0 {
			first = withoutLeftOut(c.Team, c.Practiced)
		}
		c.Aim = practice.FirstAim(c.Now.In(c.Zone), first)
	}
	c.Limits, err = store.LimitsOf(c.Team)
	return err
}

// offenseActions are the actions of a team's offense in the order to teach them, without
// those left out at its age.
func offenseActions(team gen.Team) ([]string, error) {
	own, chosen, err := store.OffenseOf(team)
	if err != nil || !chosen {
		return []string{}, err
	}
	fl, err := store.FloorOf(team)
	if err != nil {
		return nil, err
	}
	played, err := own.Ready(fl.Court)
	return withoutLeftOut(team, played.Actions()), err
}

// withoutLeftOut drops the actions that plans leave out at a team's age.
func withoutLeftOut(team gen.Team, actions []string) []string {
	out := store.RulesOf(team).LeftOut(team.Ages)
	return slices.DeleteFunc(slices.Clone(actions), func(id string) bool { return slices.Contains(out, id) })
}

// NextGame is the game a team plays next; nil where there is none.
func (s *Service) NextGame(ctx context.Context, team gen.Team) (*gen.Game, error) {
	g, err := s.Store.NextGame(ctx, gen.NextGameParams{ProgramID: team.ProgramID, TeamID: team.ID, Since: s.Now()})
	if store.NotFound(err) {
		return nil, nil
	}
	return &g, err
}

// asks is what the next game is expected to ask of the team; nil where nobody has an idea.
func (c *Context) asks() (map[reads.Read]float64, error) {
	if c.Next == nil {
		return nil, nil
	}
	mixes, err := store.MixesOf(*c.Next)
	if err != nil || !game.Known(mixes, game.Off) && !game.Known(mixes, game.Ball) {
		return nil, err
	}
	return game.Demand(game.Asks(game.Runs(c.Taught(), mixes), store.RulesOf(c.Team), mixes)), nil
}

// season lays out the weeks ahead.
func (c *Context) season(policy evidence.Policy) practice.SeasonPlan {
	today := c.Now.In(c.Zone)
	last := map[string]time.Time{}
	for _, id := range c.Practiced {
		last[id] = c.History.LastLogged(evidence.ActionID(id)).In(c.Zone)
	}
	players := squad.Texts(squad.IDs(c.Players))
	still := func(k practice.SupplyKey, days int) bool {
		return policy.StillHas(c.History, evidence.Skill{Player: evidence.PlayerID(k.Player), Role: k.Role,
			Read: k.Read}, c.Now.AddDate(0, 0, days))
	}
	states := practice.ActionStates(c.Aim.Install, c.Outlooks, store.RulesOf(c.Team), players, last, still, today)
	return practice.Season(c.Aim, states, today, policy.Fresh(), c.Library)
}

// OpponentAt is what the next game asks of a practice at some time.
func (c *Context) OpponentAt(at time.Time) map[reads.Read]float64 {
	if c.Next == nil || !at.Before(c.Next.StartsAt) || c.Next.StartsAt.Sub(at) > gameAhead {
		return nil
	}
	return c.Opponent
}

// Plan is what the core lays out and fills.
func (c *Context) Plan(d Draft) practice.Plan {
	p := practice.Plan{Minutes: float64(d.Minutes), Blocks: d.Blocks, TeamRules: store.RulesOf(c.Team),
		Library: c.Library,
		Limits:  c.Limits, Terms: d.Terms, Pace: c.Pace, People: c.People(d.Present, d.Limited)}
	aims := practice.Aims{Outlooks: c.Outlooks, Actions: c.Actions, Opponent: c.OpponentAt(d.StartsAt),
		Planned: practice.Supply{}}
	if c.Said {
		aims.Due = c.Season.On(d.StartsAt.In(c.Zone).Format(practice.DateFormat))
	}
	c.around(&p, &aims, d.StartsAt)
	p.Aim(aims)
	return p
}

// Suggest is the one thing to do about a practice ahead, or nil.
func (c *Context) Suggest(p Practice) *practice.Suggestion {
	opponent, days := "", -1
	asks := c.OpponentAt(p.StartsAt)
	if asks != nil {
		opponent, days = c.Next.Opponent, int(c.Next.StartsAt.Sub(p.StartsAt).Hours()/24)
	}
	if out, ok := practice.Suggest(c.Plan(p.Draft), p.Sheet, opponent, asks, days); ok {
		return &out
	}
	return nil
}
