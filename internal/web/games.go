package web

import (
	"context"
	"net/http"

	"github.com/google/uuid"

	"evrik/core/game"
	"evrik/internal/app/games"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// game returns a team of the caller's and one of its games.
func (s *Server) game(ctx context.Context, teamID, id uuid.UUID) (gen.Team, gen.Game, error) {
	team, err := s.team(ctx, teamID)
	if err != nil {
		return team, gen.Game{}, err
	}
	g, err := s.games.Of(ctx, team, id)
	return team, g, err
}

// ListGames lists a team's games, newest first.
func (s *Server) ListGames(ctx context.Context, r api.ListGamesRequestObject) (api.ListGamesResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	list, err := s.games.List(ctx, team)
	out := api.ListGames200JSONResponse{}
	for _, g := range list {
		out = append(out, api.GameSummary{Id: g.ID, StartsAt: g.StartsAt, Opponent: g.Opponent, Away: g.Away,
			Reps: int(g.Reps), Known: g.Known})
	}
	return out, err
}

// gameView is a game as it is stored, without players who have left.
func (s *Server) gameView(ctx context.Context, team gen.Team, g gen.Game) (api.Game, error) {
	mixes, err := store.MixesOf(g)
	if err != nil {
		return api.Game{}, err
	}
	terms, err := store.GameTermsOf(g)
	if err != nil {
		return api.Game{}, err
	}
	terms, err = s.games.Available(ctx, team, terms)
	return api.Game{Id: g.ID, StartsAt: g.StartsAt, Opponent: g.Opponent, Away: g.Away, Note: g.Note, Mixes: mixes,
		Terms: terms, Version: int(g.Version)}, err
}

func gameInput(in *api.GameInput) games.Input {
	return games.Input{StartsAt: in.StartsAt, Opponent: in.Opponent, Away: in.Away, Note: in.Note, Mixes: in.Mixes,
		Terms: in.Terms}
}

// AddGame puts a game on the schedule.
func (s *Server) AddGame(ctx context.Context, r api.AddGameRequestObject) (api.AddGameResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	g, err := s.games.Add(ctx, team, gameInput(r.Body))
	if err != nil {
		return nil, err
	}
	view, err := s.gameView(ctx, team, g)
	return api.AddGame201JSONResponse(view), err
}

// UpdateGame changes a game, unless somebody else changed it since.
func (s *Server) UpdateGame(ctx context.Context, r api.UpdateGameRequestObject) (api.UpdateGameResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	g, err := s.games.Update(ctx, team, r.GameId, gameInput(r.Body), r.Body.Version)
	if err != nil {
		return nil, err
	}
	view, err := s.gameView(ctx, team, g)
	return api.UpdateGame200JSONResponse(view), err
}

// DeleteGame takes a game off the schedule; what was logged in it stays.
func (s *Server) DeleteGame(ctx context.Context, r api.DeleteGameRequestObject) (api.DeleteGameResponseObject, error) {
	return api.DeleteGame204Response{}, s.games.Delete(ctx, caller(ctx).ProgramID, r.TeamId, r.GameId)
}

// prepared gathers what preparing one of the caller's games takes.
func (s *Server) prepared(ctx context.Context, teamID, id uuid.UUID) (games.Prepared, error) {
	team, err := s.team(ctx, teamID)
	if err != nil {
		return games.Prepared{}, err
	}
	return s.games.Prepare(ctx, team, id)
}

// GetGame returns a game with what it asks of the team and what was seen in it.
func (s *Server) GetGame(ctx context.Context, r api.GetGameRequestObject) (api.GetGameResponseObject, error) {
	p, err := s.prepared(ctx, r.TeamId, r.GameId)
	if err != nil {
		return nil, err
	}
	seen, err := s.games.Seen(ctx, p)
	if err != nil {
		return nil, err
	}
	out := api.GetGame200JSONResponse{Players: playerViews(p.Players), Families: game.Families(),
		Actions: game.Runs(p.Taught(), p.Mixes), Asked: p.Families(),
		Reps: seen.Reps, Compared: seen.Compared, Covered: seen.Covered, Now: seen.HalfTime, Next: nextView(seen.Next)}
	out.Ready, out.Total = game.Readiness(p.Asks, p.Form, p.Squad)
	if out.Game, err = s.gameView(ctx, p.Team, p.Game); err != nil {
		return nil, err
	}
	out.Counts, _, err = s.gameCounts(ctx, p.Game)
	return out, err
}

func (s *Server) gameCounts(ctx context.Context, g gen.Game) (out []api.GameCount, counted []uuid.UUID, err error) {
	counts, counted, err := s.games.Counts(ctx, g)
	for _, c := range counts {
		out = append(out, api.GameCount{Id: c.ID, Name: c.Name, Count: c.N})
	}
	return out, counted, err
}

// FindLineups compares every five that may play.
func (s *Server) FindLineups(ctx context.Context, r api.FindLineupsRequestObject) (api.FindLineupsResponseObject,
	error) {
	p, err := s.prepared(ctx, r.TeamId, r.GameId)
	if err != nil {
		return nil, err
	}
	found, err := p.Lineups(*r.Body)
	return api.FindLineups200JSONResponse(found), err
}

// GetBench returns what the bench logs by, and what it has logged.
func (s *Server) GetBench(ctx context.Context, r api.GetBenchRequestObject) (api.GetBenchResponseObject, error) {
	p, err := s.prepared(ctx, r.TeamId, r.GameId)
	if err != nil {
		return nil, err
	}
	out := api.GetBench200JSONResponse{Players: playerViews(p.Players),
		Tables: game.Bench(game.Meets(p.Taught()), store.RulesOf(p.Team))}
	if out.Game, err = s.gameView(ctx, p.Team, p.Game); err != nil {
		return nil, err
	}
	reps, err := s.games.Reps(ctx, p.Game)
	if err != nil {
		return nil, err
	}
	out.Reps = repViews(reps)
	out.Counts, out.Counted, err = s.gameCounts(ctx, p.Game)
	return out, err
}

// FollowGame streams what the bench logs as server-sent events.
func (s *Server) FollowGame(ctx context.Context, r api.FollowGameRequestObject) (api.FollowGameResponseObject, error) {
	team, g, err := s.game(ctx, r.TeamId, r.GameId)
	if err != nil {
		return nil, err
	}
	return s.stream(ctx, team, g.ID), nil
}

// VisitFollowGameResponse writes the stream until the device leaves.
func (f floorStream) VisitFollowGameResponse(w http.ResponseWriter) error {
	return f.VisitFollowPracticeResponse(w)
}
