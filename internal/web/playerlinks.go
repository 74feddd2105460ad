package web

import (
	"context"

	"evrik/internal/web/api"
)

// MakePlayerLink makes a player's private link and shows it once.
func (s *Server) MakePlayerLink(ctx context.Context,
	r api.MakePlayerLinkRequestObject) (api.MakePlayerLinkResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	made, err := s.quizzes.NewLinks(ctx, team, r.PlayerId)
	if err != nil {
		return nil, err
	}
	return api.MakePlayerLink201JSONResponse{Path: made[0].Path}, nil
}

// EndPlayerLink revokes a player's link; the answers stay.
func (s *Server) EndPlayerLink(ctx context.Context, r api.EndPlayerLinkRequestObject) (api.EndPlayerLinkResponseObject,
	error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	return api.EndPlayerLink204Response{}, s.quizzes.EndLink(ctx, team, r.PlayerId)
}

// ListPlayerLinks tells who on a team has a link.
func (s *Server) ListPlayerLinks(ctx context.Context,
	r api.ListPlayerLinksRequestObject) (api.ListPlayerLinksResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	rows, err := s.quizzes.Links(ctx, team)
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
	made, err := s.quizzes.NewLinks(ctx, team, r.Body.Players...)
	out := api.MakePlayerLinks201JSONResponse{}
	for _, l := range made {
		out = append(out, api.NewPlayerLink{Player: l.Player, Path: l.Path})
	}
	return out, err
}

// RestorePlayerLink brings back the link that was ended or replaced last.
func (s *Server) RestorePlayerLink(ctx context.Context,
	r api.RestorePlayerLinkRequestObject) (api.RestorePlayerLinkResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	return api.RestorePlayerLink204Response{}, s.quizzes.RestoreLink(ctx, team, r.PlayerId)
}
