package web

import (
	"context"
	"strings"

	"github.com/google/uuid"

	"evrik/core/court"
	"evrik/internal/app"
	"evrik/internal/app/teams"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// maxTeams is how many teams a program may have (assumption).
const maxTeams = 40

// ListTeams lists the program's teams, archived ones too.
func (s *Server) ListTeams(ctx context.Context, _ api.ListTeamsRequestObject) (api.ListTeamsResponseObject, error) {
	rows, err := s.db.TeamsOfProgram(ctx, caller(ctx).ProgramID)
	if err != nil {
		return nil, err
	}
	out := api.ListTeams200JSONResponse{}
	for _, t := range rows {
		players, err := s.db.PlayersOfTeam(ctx, gen.PlayersOfTeamParams{ProgramID: t.ProgramID, TeamID: t.ID})
		if err != nil {
			return nil, err
		}
		out = append(out, api.TeamEntry{Id: t.ID, Name: t.Name, Season: t.Season, Ages: t.Ages, Archived: t.Archived,
			Players: len(players)})
	}
	return out, nil
}

// AddTeam adds a team, with the floor and the time zone of the program's first one.
func (s *Server) AddTeam(ctx context.Context, r api.AddTeamRequestObject) (api.AddTeamResponseObject, error) {
	name, err := app.Text("The team's name", r.Body.Name)
	if err != nil {
		return nil, err
	}
	if err := teams.CheckAges(r.Body.Ages); err != nil {
		return nil, err
	}
	me := caller(ctx)
	floor, _ := court.PresetCourt(court.HighSchool)
	team := gen.InsertTeamParams{ID: uuid.Must(uuid.NewV7()), ProgramID: me.ProgramID, Name: name,
		Season: teams.SeasonOf(s.now()), Ages: r.Body.Ages, Court: store.CourtJSON(floor), Zone: "UTC"}
	err = s.db.Tx(ctx, func(q *gen.Queries) error {
		if err := q.LockProgram(ctx, me.ProgramID); err != nil {
			return err
		}
		all, err := q.TeamsOfProgram(ctx, me.ProgramID)
		if err != nil {
			return err
		}
		if len(all) >= maxTeams {
			return conflict("team.too-many", maxTeams)
		}
		for _, t := range all {
			if strings.EqualFold(t.Name, name) {
				return conflict("team.name-taken", t.Name)
			}
		}
		if len(all) > 0 {
			team.Court, team.Zone, team.Position = all[0].Court, all[0].Zone, all[len(all)-1].Position+1
		}
		return q.InsertTeam(ctx, team)
	})
	return api.AddTeam201JSONResponse{Id: team.ID, Name: team.Name, Season: team.Season, Ages: team.Ages}, err
}

// ArchiveTeam puts a team away, or brings it back. Everything it has stays; a program keeps one team
// to open.
func (s *Server) ArchiveTeam(ctx context.Context, r api.ArchiveTeamRequestObject) (api.ArchiveTeamResponseObject,
	error) {
	return api.ArchiveTeam204Response{}, s.changeTeams(ctx, func(q *gen.Queries) error {
		n, err := q.ArchiveTeam(ctx, gen.ArchiveTeamParams{ProgramID: caller(ctx).ProgramID, ID: r.TeamId,
			Archived: r.Body.Archived})
		if err == nil && n == 0 {
			err = missing("team.missing")
		}
		return err
	})
}

// DeleteTeam deletes a team with everything it has, after its name was typed once more.
func (s *Server) DeleteTeam(ctx context.Context, r api.DeleteTeamRequestObject) (api.DeleteTeamResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	if strings.TrimSpace(r.Body.Name) != team.Name {
		return nil, conflict("team.name-not-typed")
	}
	return api.DeleteTeam204Response{}, s.changeTeams(ctx, func(q *gen.Queries) error {
		_, err := q.DeleteTeams(ctx, gen.DeleteTeamsParams{ProgramID: team.ProgramID, Ids: []uuid.UUID{team.ID}})
		return err
	})
}

// changeTeams changes which teams there are, one change at a time. A program keeps one to open.
func (s *Server) changeTeams(ctx context.Context, change func(q *gen.Queries) error) error {
	program := caller(ctx).ProgramID
	return s.db.Tx(ctx, func(q *gen.Queries) error {
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
		return conflict("team.last")
	})
}
