package web

import (
	"context"

	"evrik/internal/web/api"
)

// ListTeams lists the program's teams, archived ones too.
func (s *Server) ListTeams(ctx context.Context, _ api.ListTeamsRequestObject) (api.ListTeamsResponseObject, error) {
	list, err := s.teams.List(ctx, caller(ctx).ProgramID)
	out := api.ListTeams200JSONResponse{}
	for _, t := range list {
		out = append(out, api.TeamEntry{Id: t.ID, Name: t.Name, Season: t.Season, Ages: t.Ages, Archived: t.Archived,
			Players: t.Players})
	}
	return out, err
}

// AddTeam adds a team.
func (s *Server) AddTeam(ctx context.Context, r api.AddTeamRequestObject) (api.AddTeamResponseObject, error) {
	team, err := s.teams.Add(ctx, caller(ctx).ProgramID, r.Body.Name, r.Body.Ages)
	return api.AddTeam201JSONResponse{Id: team.ID, Name: team.Name, Season: team.Season, Ages: team.Ages}, err
}

// ArchiveTeam puts a team away, or brings it back.
func (s *Server) ArchiveTeam(ctx context.Context, r api.ArchiveTeamRequestObject) (api.ArchiveTeamResponseObject,
	error) {
	return api.ArchiveTeam204Response{}, s.teams.Archive(ctx, caller(ctx).ProgramID, r.TeamId, r.Body.Archived)
}

// DeleteTeam deletes a team with everything it has, after its name was typed once more.
func (s *Server) DeleteTeam(ctx context.Context, r api.DeleteTeamRequestObject) (api.DeleteTeamResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	return api.DeleteTeam204Response{}, s.teams.Delete(ctx, team, r.Body.Name)
}
