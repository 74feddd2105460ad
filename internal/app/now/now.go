// Package now says where a team stands today: what is next, what holds it back, how the week looks.
package now

import (
	"context"
	"time"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/app/planning"
	"evrik/internal/app/squad"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Service looks at teams.
type Service struct {
	Plans *planning.Service
	Store *store.Store
	Now   func() time.Time
}

// View is what a coach sees first.
type View struct {
	Context planning.Context
	// Holds are the reads that hold the team back most, Drills what teaches them.
	Holds  []evidence.Hold
	Lapsed []evidence.LapsedRead
	Drills []string
	// Tags are what was noted in the last week.
	Tags []evidence.TagCount
	// Next is the practice ahead with what is suggested for it, nil where none is planned.
	Next       *planning.Practice
	Suggestion *practice.Suggestion
	// Practices and Minutes are those of the last week.
	Practices, Minutes int
	Started            Started
}

// Started says which first steps are done.
type Started struct{ Roster, Practice, Rep, Assistant bool }

// Of looks at a team.
func (s Service) Of(ctx context.Context, team gen.Team) (v View, err error) {
	if v.Context, err = s.Plans.Context(ctx, team); err != nil {
		return v, err
	}
	s.holds(team, &v)
	newest, err := s.Store.RepsOfTeam(ctx, team, s.Now().Add(-practice.Lately), evidence.Ever)
	if err != nil {
		return v, err
	}
	v.Tags = evidence.CountTags(evidence.OnePerRep(newest))
	if err := s.next(ctx, team, &v); err != nil {
		return v, err
	}
	list, err := s.Store.PracticesOfTeam(ctx, gen.PracticesOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	if err != nil {
		return v, err
	}
	held := make([]practice.Held, len(list))
	for i, p := range list {
		held[i] = practice.Held{At: p.StartsAt, Minutes: int(p.Minutes)}
	}
	v.Practices, v.Minutes = practice.InLastWeek(held, s.Now())
	v.Started = Started{Roster: len(v.Context.Players) > 0, Practice: len(list) > 0, Rep: v.Context.History.Reps() > 0}
	v.Started.Assistant, err = s.helped(ctx, team.ProgramID)
	return v, err
}

// holds fills in what holds the team back, and what teaches it.
func (s Service) holds(team gen.Team, v *View) {
	c := &v.Context
	columns := squad.Columns(team, c.Practiced, "")
	lines := s.Plans.Policy.Overview(squad.IDs(c.Players), "", columns, c.History, s.Now())
	v.Holds, v.Lapsed = []evidence.Hold{}, evidence.LapsedReads(lines)
	if c.History.Reps() > 0 {
		v.Holds = evidence.FirstHolds(evidence.Holds(columns, lines))
	}
	var wanted []reads.Read
	for _, h := range v.Holds {
		wanted = append(wanted, h.Read)
	}
	v.Drills = c.Library.Serving(store.RulesOf(team), wanted)
}

// next fills in the practice ahead. One that was to begin a little while ago is still the next one.
func (s Service) next(ctx context.Context, team gen.Team, v *View) error {
	row, err := s.Store.NextPractice(ctx, gen.NextPracticeParams{ProgramID: team.ProgramID, TeamID: team.ID,
		Since: s.Now().Add(-practice.StillNext)})
	if store.NotFound(err) {
		return nil
	}
	if err != nil {
		return err
	}
	p, err := s.Plans.Practice(ctx, &v.Context, row)
	if err != nil {
		return err
	}
	v.Next, v.Suggestion = &p, v.Context.Suggest(p)
	return nil
}

// helped reports whether somebody else coaches in a program, or is invited to.
func (s Service) helped(ctx context.Context, program uuid.UUID) (bool, error) {
	staff, err := s.Store.StaffOfProgram(ctx, program)
	if err != nil || len(staff) > 1 {
		return len(staff) > 1, err
	}
	open, err := s.Store.InvitationsOfProgram(ctx, gen.InvitationsOfProgramParams{ProgramID: program, Now: s.Now()})
	return len(open) > 0, err
}
