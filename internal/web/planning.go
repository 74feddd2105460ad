package web

import (
	"context"
	"slices"
	"time"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// planningContext is what planning takes: the team, what is open about its players, how
// fast they go through a drill, and the limits of their age.
type planningContext struct {
	board // of cutters
	team  gen.Team
	// outlooks are of all reads the team is taught, actions what it is taught.
	outlooks []evidence.Outlook
	actions  []string
	// near are the practices of the weeks around now, newest first.
	near   []nearPractice
	pace   map[practice.StageKey]drill.Measured
	limits practice.Limits
	zone   *time.Location
	aim    practice.SeasonAim
	said   bool // the aim is the coach's
	now    time.Time
	season practice.SeasonPlan
	// next is the game that practice now is for, asked what it is expected to ask.
	next     *gen.Game
	opponent map[reads.Read]float64
}

// gameAhead is how many days before a game practice is for it (assumption).
const gameAhead = 14 * 24 * time.Hour

// opponentAt is what the next game asks of a practice at some time.
func (d planningContext) opponentAt(at time.Time) map[reads.Read]float64 {
	if d.next == nil || !at.Before(d.next.StartsAt) || d.next.StartsAt.Sub(at) > gameAhead {
		return nil
	}
	return d.opponent
}

// paceSpan is how far back a team's pace at a drill is measured (assumption).
const paceSpan = 28 * 24 * time.Hour

// roles are all parts that a plan asks reps for.
var roles = []reads.Role{reads.Cutter, reads.Screener, reads.Handler, reads.Passer, reads.Pivot, reads.Teammate, reads.Safety, reads.Corner}

// judgedRoles are all parts a player can be judged in.
var judgedRoles = append(slices.Clone(roles), reads.Defender)

func (s *Server) planning(ctx context.Context, team gen.Team) (planningContext, error) {
	d := planningContext{team: team, now: s.now()}
	var err error
	if d.board, err = s.board(ctx, team, reads.Cutter); err != nil {
		return d, err
	}
	if d.zone, err = time.LoadLocation(team.Zone); err != nil {
		return d, err
	}
	if d.aim, d.said, err = store.AimOf(team); err != nil {
		return d, err
	}
	today := s.now().In(d.zone)
	if !d.said {
		out := store.RulesOf(team).LeftOut(team.Ages) // a season sets nothing that plans leave out
		d.aim = practice.FirstAim(today, slices.DeleteFunc(slices.Clone(d.situations), func(id string) bool { return slices.Contains(out, id) }))
	}
	// What has been practiced, and what the season is for.
	taught := drill.Taught(append(slices.Clone(d.situations), d.aim.Install...))
	for _, action := range taught {
		d.actions = append(d.actions, action.ID)
	}
	for _, role := range roles {
		d.outlooks = append(d.outlooks, s.policy.Outlooks(ids(d.players), role, reads.Columns(taught, store.RulesOf(team), role), d.history, s.now())...)
	}
	if d.near, err = s.nearPractices(ctx, team); err != nil {
		return d, err
	}
	rows, err := s.db.PaceOfTeam(ctx, gen.PaceOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID, Since: s.now().Add(-paceSpan)})
	if err != nil {
		return d, err
	}
	d.pace = store.PacesOf(rows)
	rule, err := store.LocalRuleOf(team)
	if err != nil {
		return d, err
	}
	lim, _ := practice.AgeBand(team.Ages).Limits()
	d.limits = lim.With(rule)
	if err := s.opponent(ctx, &d); err != nil {
		return d, err
	}
	last := map[string]time.Time{}
	for _, id := range d.situations {
		last[id] = d.history.LastLogged(evidence.ActionID(id)).In(d.zone)
	}
	now := practice.Situations(d.aim.Install, d.outlooks, store.RulesOf(team), texts(ids(d.players)), last)
	d.season = practice.Season(d.aim, now, today, s.policy.Fresh(), d.library)
	return d, err
}

// plan is what the core lays out and fits.
func (d planningContext) plan(startsAt time.Time, minutes int, present, limited []uuid.UUID, terms practice.Terms, blocks []practice.Block) practice.Plan {
	p := practice.Plan{Minutes: float64(minutes), Blocks: blocks, School: store.RulesOf(d.team), Library: d.library,
		Limits: d.limits, Terms: terms, Pace: d.pace, People: d.people(present, limited)}
	aims := practice.Aims{Outlooks: d.outlooks, Actions: d.actions, Opponent: d.opponentAt(startsAt), Planned: practice.Supply{}}
	if d.said {
		aims.Due = d.season.On(startsAt.In(d.zone).Format(practice.DateFormat))
	}
	d.around(&p, &aims, startsAt)
	p.Aim(aims)
	return p
}

// nearPractice is a practice around the one that is planned.
type nearPractice struct {
	at     time.Time
	status string
	here   []uuid.UUID
	blocks []practice.Block
	aimed  []reads.Read
}

// How far around now practices tell what another should be: what was run, and what is
// planned besides (assumptions).
const (
	nearBefore = 28 * 24 * time.Hour
	nearAfter  = 60 * 24 * time.Hour
)

// nearPractices loads the practices around now with their blocks.
func (s *Server) nearPractices(ctx context.Context, team gen.Team) ([]nearPractice, error) {
	rows, err := s.db.PracticesBetween(ctx, gen.PracticesBetweenParams{ProgramID: team.ProgramID, TeamID: team.ID,
		Since: s.now().Add(-nearBefore), Until: s.now().Add(nearAfter)})
	if err != nil {
		return nil, err
	}
	list := make([]uuid.UUID, len(rows))
	for i, p := range rows {
		list[i] = p.ID
	}
	blocks, err := s.db.BlocksOfPractices(ctx, gen.BlocksOfPracticesParams{ProgramID: team.ProgramID, Practices: list})
	if err != nil {
		return nil, err
	}
	here, err := s.db.AttendanceOfPractices(ctx, gen.AttendanceOfPracticesParams{ProgramID: team.ProgramID, Practices: list})
	if err != nil {
		return nil, err
	}
	byPractice, present := map[uuid.UUID][]gen.Block{}, map[uuid.UUID][]uuid.UUID{}
	for _, b := range blocks {
		byPractice[b.PracticeID] = append(byPractice[b.PracticeID], b)
	}
	for _, a := range here {
		present[a.PracticeID] = append(present[a.PracticeID], a.PlayerID)
	}
	out := make([]nearPractice, len(rows))
	for i, p := range rows {
		terms, err := store.TermsOf(p)
		if err != nil {
			return nil, err
		}
		out[i] = nearPractice{p.StartsAt, p.Status, present[p.ID], store.BlocksOf(byPractice[p.ID]), terms.Aimed}
	}
	return out, nil
}

// around tells a plan what the practices before it ran, what others of its week have, what
// the one before was for, and what those planned before it will give.
func (d planningContext) around(p *practice.Plan, aims *practice.Aims, startsAt time.Time) {
	p.Near = map[practice.StageKey]bool{}
	monday := practice.MondayOf(startsAt, d.zone)
	for _, n := range d.near { // newest first
		// Not the practice itself, and none that was planned and never run.
		if n.at.Equal(startsAt) || n.status == string(practice.Planned) && n.at.Before(d.now) {
			continue
		}
		ran := map[practice.StageKey]bool{}
		for _, b := range n.blocks {
			if b.Kind == practice.DrillBlock {
				ran[practice.StageKey{Drill: b.Drill, Stage: b.Stage}] = true
			}
		}
		if !n.at.Before(monday) && n.at.Before(monday.AddDate(0, 0, 7)) {
			for key := range ran {
				p.Near[key] = true
			}
		}
		if !n.at.Before(startsAt) {
			continue
		}
		if p.Recent = append(p.Recent, ran); len(p.Recent) == 1 {
			aims.Kept = n.aimed
		}
		if n.status == string(practice.Planned) {
			other := practice.Plan{People: d.people(n.here, nil), School: p.School, Library: p.Library}
			for key, reps := range other.Given(n.blocks) {
				aims.Planned[key] += reps
			}
		}
	}
}

// aimedIn are the goals of a request's plan, as they are stored with it.
func (d planningContext) aimedIn(in *api.PracticeInput) practice.Terms {
	terms := termsIn(in)
	terms.Aimed = nil
	for _, g := range d.planIn(in).Goals {
		terms.Aimed = append(terms.Aimed, g.Read)
	}
	return terms
}
