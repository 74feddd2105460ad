package teams

import (
	"context"
	"slices"
	"strings"
	"time"

	"github.com/google/uuid"

	"evrik/internal/app"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// maxTeams is how many teams a program may have (assumption).
const maxTeams = 40

// noTeam refuses a team that does not exist.
const noTeam = "team.missing"

// Service says which teams a program has.
type Service struct {
	Store *store.Store
	Now   func() time.Time
}

// Entry is a team in a list.
type Entry struct {
	gen.Team
	Players int
}

// List returns a program's teams, archived ones too.
func (s Service) List(ctx context.Context, program uuid.UUID) ([]Entry, error) {
	rows, err := s.Store.TeamsOfProgram(ctx, program)
	if err != nil {
		return nil, err
	}
	out := make([]Entry, len(rows))
	for i, t := range rows {
		players, err := s.Store.PlayersOfTeam(ctx, gen.PlayersOfTeamParams{ProgramID: program, TeamID: t.ID})
		if err != nil {
			return nil, err
		}
		out[i] = Entry{t, len(players)}
	}
	return out, nil
}

// Of returns a team of a program, or refuses with app.Missing.
func (s Service) Of(ctx context.Context, program, team uuid.UUID) (gen.Team, error) {
	t, err := s.Store.Team(ctx, gen.TeamParams{ProgramID: program, ID: team})
	return t, app.OrMissing(err, noTeam)
}

// Active returns a program's teams that are not archived.
func (s Service) Active(ctx context.Context, program uuid.UUID) ([]gen.Team, error) {
	rows, err := s.Store.TeamsOfProgram(ctx, program)
	return slices.DeleteFunc(rows, func(t gen.Team) bool { return t.Archived }), err
}

// Add makes a team, with the floor and the time zone of the program's first one. It refuses with app.Invalid a name or
// an age group that is none, with app.Conflict a name that is taken or a team too many.
func (s Service) Add(ctx context.Context, program uuid.UUID, name, ages string) (team gen.InsertTeamParams, err error) {
	if name, err = app.Text(name, "name.team"); err != nil {
		return team, err
	}
	if err := CheckAges(ages); err != nil {
		return team, err
	}
	team = First(program, name, ages, "UTC", s.Now())
	return team, s.Store.Tx(ctx, func(q *gen.Queries) error {
		if err := q.LockProgram(ctx, program); err != nil {
			return err
		}
		all, err := q.TeamsOfProgram(ctx, program)
		if err != nil {
			return err
		}
		if len(all) >= maxTeams {
			return app.Refuse(app.Conflict, "team.too-many", maxTeams)
		}
		for _, t := range all {
			if strings.EqualFold(t.Name, name) {
				return app.Refuse(app.Conflict, "team.name-taken", t.Name)
			}
		}
		if len(all) > 0 {
			team.Court, team.Zone, team.Position = all[0].Court, all[0].Zone, all[len(all)-1].Position+1
		}
		return q.InsertTeam(ctx, team)
	})
}

// Archive puts a team away, or brings it back. Everything it has stays.
func (s Service) Archive(ctx context.Context, program, team uuid.UUID, archived bool) error {
	return s.change(ctx, program, func(q *gen.Queries) error {
		n, err := q.ArchiveTeam(ctx, gen.ArchiveTeamParams{ProgramID: program, ID: team, Archived: archived})
		return app.Changed(n, err, noTeam)
	})
}

// Delete removes a team with everything it has, once its name was typed again. It refuses with app.Conflict
// another name.
func (s Service) Delete(ctx context.Context, team gen.Team, typed string) error {
	if strings.TrimSpace(typed) != team.Name {
		return app.Refuse(app.Conflict, "team.name-not-typed")
	}
	return s.change(ctx, team.ProgramID, func(q *gen.Queries) error {
		_, err := q.DeleteTeams(ctx, gen.DeleteTeamsParams{ProgramID: team.ProgramID, Ids: []uuid.UUID{team.ID}})
		return err
	})
}

// change changes which teams there are, one change at a time. A program keeps one to open: app.Conflict refuses a
// change that leaves none.
func (s Service) change(ctx context.Context, program uuid.UUID, change func(q *gen.Queries) error) error {
	return s.Store.Tx(ctx, func(q *gen.Queries) error {
		if err := q.LockProgram(ctx, program); err != nil {
			return err
		}
		if err := change(q); err != nil {
			return err
		}
		all, err := q.TeamsOfProgram(ctx, program)
		if err != nil {
			return err
		}
		for _, t := range all {
			if !t.Archived {
				return nil
			}
		}
		return app.Refuse(app.Conflict, "team.last")
	})
}
