package web

import (
	"context"

	"evrik/internal/app"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// MakePlayerLink makes a player's private link and shows it once.
func (s *Server) MakePlayerLink(ctx context.Context,
	r api.MakePlayerLinkRequestObject) (api.MakePlayerLinkResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	if _, err := s.playerOf(ctx, team, r.PlayerId); err != nil {
		return nil, err
	}
	path, err := s.quizzes.NewLink(ctx, s.db.Queries, team.ProgramID, r.PlayerId)
	return api.MakePlayerLink201JSONResponse{Path: path}, err
}

// EndPlayerLink revokes a player's link; the answers stay.
func (s *Server) EndPlayerLink(ctx context.Context, r api.EndPlayerLinkRequestObject) (api.EndPlayerLinkResponseObject,
	error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	if _, err := s.playerOf(ctx, team, r.PlayerId); err != nil {
		return nil, err
	}
	now := s.now()
	n, err := s.db.EndPlayerLink(ctx, gen.EndPlayerLinkParams{ProgramID: team.ProgramID, PlayerID: r.PlayerId,
		EndedAt: &now})
	return api.EndPlayerLink204Response{}, app.Changed(n, err, "link.missing")
}

// ListPlayerLinks tells who on a team has a link.
func (s *Server) ListPlayerLinks(ctx context.Context,
	r api.ListPlayerLinksRequestObject) (api.ListPlayerLinksResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	rows, err := s.db.PlayerLinksOfTeam(ctx, gen.PlayerLinksOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	out := api.ListPlayerLinks200JSONResponse{}
	for _, l := range rows {
		out = append(out, api.PlayerLink{Player: l.PlayerID, Made: l.MadeAt})
	}
	return out, err
}

// MakePlayerLinks makes the links of several players at once, all or none, and shows them once.
func (s *Server) MakePlayerLinks(ctx context.Context,
	r api.MakePlayerLinksRequestObject) (api.MakePlayerLinksResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	for _, player := range r.Body.Players {
		if _, err := s.playerOf(ctx, team, player); err != nil {
			return nil, err
		}
	}
	out := api.MakePlayerLinks201JSONResponse{}
	err = s.db.Tx(ctx, func(q *gen.Queries) error {
		for _, player := range r.Body.Players {
			path, err := s.quizzes.NewLink(ctx, q, team.ProgramID, player)
			if err != nil {
				return err
			}
			out = append(out, api.NewPlayerLink{Player: player, Path: path})
		}
		return nil
	})
	return out, err
}

// RestorePlayerLink brings back the link that was ended or replaced last.
func (s *Server) RestorePlayerLink(ctx context.Context,
	r api.RestorePlayerLinkRequestObject) (api.RestorePlayerLinkResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	if _, err := s.playerOf(ctx, team, r.PlayerId); err != nil {
		return nil, err
	}
	n, err := s.db.RestorePlayerLink(ctx, gen.RestorePlayerLinkParams{ProgramID: team.ProgramID, PlayerID: r.PlayerId})
	if err == nil && n == 0 {
		err = conflict("link.none-earlier")
	}
	return api.RestorePlayerLink204Response{}, err
}
