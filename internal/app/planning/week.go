package planning

import (
	"context"
	"time"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/internal/app"
	"evrik/internal/app/squad"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Week sums up what the practices of a week ask of every player, beside the four weeks before.
// day is any day of the week, as 2006-01-02; empty is today. Practices that are done count as
// they were run, the others as planned: not every coach runs them by the clock.
func (s *Service) Week(ctx context.Context, team gen.Team, day string) (practice.Week, error) {
	c, err := s.Context(ctx, team)
	if err != nil {
		return practice.Week{}, err
	}
	at := c.Now
	if day != "" {
		if at, err = time.ParseInLocation(practice.DateFormat, day, c.Zone); err != nil {
			return practice.Week{}, app.Refuse(app.Invalid, "week.day")
		}
	}
	monday := practice.MondayOf(at, c.Zone)
	rows, err := s.Store.PracticesBetween(ctx, gen.PracticesBetweenParams{ProgramID: team.ProgramID, TeamID: team.ID,
		Since: practice.WeekBefore(monday), Until: monday.AddDate(0, 0, 7)})
	if err != nil {
		return practice.Week{}, err
	}
	sessions, err := s.sessions(ctx, &c, rows)
	return practice.WeekOf(monday, sessions, squad.Texts(squad.IDs(c.Players)), c.Limits, c.NameOf), err
}

// sessions are practices with what they ask, or asked, of everybody.
func (s *Service) sessions(ctx context.Context, c *Context, rows []gen.Practice) ([]practice.Session, error) {
	parts, err := s.partsOf(ctx, c.Team.ProgramID, rows)
	if err != nil {
		return nil, err
	}
	clocks, err := s.Store.ClockEventsOfPractices(ctx,
		gen.ClockEventsOfPracticesParams{ProgramID: c.Team.ProgramID, Practices: idsOf(rows)})
	if err != nil {
		return nil, err
	}
	changed, err := s.Store.FloorChangesOfPractices(ctx,
		gen.FloorChangesOfPracticesParams{ProgramID: c.Team.ProgramID, Practices: idsOf(rows)})
	if err != nil {
		return nil, err
	}
	clock, changes := map[uuid.UUID][]gen.ClockEvent{}, map[uuid.UUID][]gen.FloorChange{}
	for _, e := range clocks {
		clock[e.PracticeID] = append(clock[e.PracticeID], e)
	}
	for _, f := range changed {
		changes[f.PracticeID] = append(changes[f.PracticeID], f)
	}
	out := make([]practice.Session, 0, len(rows))
	for _, p := range rows {
		d, err := draftOf(p, parts.blocks[p.ID], parts.here[p.ID])
		if err != nil {
			return nil, err
		}
		plan := practice.Plan{Minutes: float64(p.Minutes), Blocks: d.Blocks, TeamRules: store.RulesOf(c.Team),
			Library: c.Library, People: c.People(d.Present, d.Limited)}
		if p.Status == string(practice.Done) {
			events := store.ClockOf(clock[p.ID])
			plan = practice.AsRun(plan, practice.Ran(events, c.Now), statesOf(parts.here[p.ID]),
				changesAt(changes[p.ID], events))
		}
		out = append(out, practice.Session{Start: p.StartsAt, Minutes: float64(p.Minutes),
			Done:  p.Status == string(practice.Done),
			Sheet: practice.LayOut(plan), Effort: effortOf(p, parts.here[p.ID])})
	}
	return out, nil
}

// statesOf is how everybody takes part at the end.
func statesOf(here []gen.Attendance) map[string]practice.Presence {
	out := map[string]practice.Presence{}
	for _, a := range here {
		out[a.PlayerID.String()] = store.PresenceOf(a)
	}
	return out
}

// changesAt are who came and went, each in the block that ran then.
func changesAt(rows []gen.FloorChange, events []practice.ClockEvent) []practice.Change {
	out := store.ChangesOf(rows)
	for i := range out {
		if out[i].Block == "" {
			out[i].Block = practice.BlockAt(events, rows[i].At)
		}
	}
	return out
}

func effortOf(p gen.Practice, here []gen.Attendance) practice.Effort {
	e := practice.Effort{ByPlayer: map[string]int{}}
	if p.Effort != nil {
		team := int(*p.Effort)
		e.Team = &team
	}
	for _, a := range here {
		if a.Effort != nil {
			e.ByPlayer[a.PlayerID.String()] = int(*a.Effort)
		}
	}
	return e
}

// SetEffort keeps how hard a practice was, from 0 to practice.MaxEffort, for the team or, where
// one is named, for a player; nil takes it away.
func (s *Service) SetEffort(ctx context.Context, program, team, id uuid.UUID, player *uuid.UUID, effort *int) error {
	var rating *int16
	if effort != nil {
		if err := practice.CheckEffort(*effort); err != nil {
			return app.RefuseBy(app.Invalid, err, "kept.nothing")
		}
		short := int16(*effort)
		rating = &short
	}
	if player == nil {
		n, err := s.Store.SetEffort(ctx, gen.SetEffortParams{ProgramID: program, TeamID: team, ID: id, Effort: rating})
		return app.Changed(n, err, NoPractice)
	}
	n, err := s.Store.SetPlayerEffort(ctx, gen.SetPlayerEffortParams{ProgramID: program, TeamID: team, PracticeID: id,
		PlayerID: *player, Effort: rating})
	return app.Changed(n, err, "week.player")
}
