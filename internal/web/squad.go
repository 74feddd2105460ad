package web

import (
	"context"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
	"evrik/internal/app"
	"evrik/internal/app/squad"
	"evrik/internal/store"
	"evrik/internal/web/api"
)

// GetBoard returns players by reads.
func (s *Server) GetBoard(ctx context.Context, r api.GetBoardRequestObject) (api.GetBoardResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	if !r.Params.Role.Valid() {
		return nil, invalid("squad.part")
	}
	role := reads.Role(r.Params.Role)
	if r.Params.Role == api.All {
		role = ""
	}
	p := r.Params
	l, err := s.squads.Look(ctx, team, role, evidence.Filter{Rung: drill.Rung(app.Value(p.Rung)),
		Side: app.Value(p.Side), From: app.Value(p.From), Until: app.Value(p.Until)})
	if err != nil {
		return nil, err
	}
	return api.GetBoard200JSONResponse{Role: string(p.Role), Columns: squad.Texts(l.Columns),
		Players: playerViews(l.Players), Lines: l.Lines, Holds: l.Holds, Reps: l.Reps, Season: l.Season}, nil
}

// GetCard returns everything about one player.
func (s *Server) GetCard(ctx context.Context, r api.GetCardRequestObject) (api.GetCardResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	p, err := s.rosters.Player(ctx, team, r.PlayerId)
	if err != nil {
		return nil, err
	}
	c, err := s.squads.Card(ctx, team, p)
	if err != nil {
		return nil, err
	}
	out := api.GetCard200JSONResponse{Player: playerView(p), Tags: c.Tags, Words: c.Words, Recent: repViews(c.Recent)}
	for _, part := range c.Parts {
		out.Parts = append(out.Parts, api.CardPart{Role: string(part.Role), Standings: part.Standings})
	}
	return out, nil
}

// GetNow gathers the team's current question: what is next, what holds it back, how the week looks.
func (s *Server) GetNow(ctx context.Context, r api.GetNowRequestObject) (api.GetNowResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	v, err := s.today.Of(ctx, team)
	if err != nil {
		return nil, err
	}
	c := &v.Context
	out := api.GetNow200JSONResponse{Players: playerViews(c.Players), Holds: v.Holds, Lapsed: v.Lapsed,
		Drills: v.Drills, Tags: &v.Tags, Suggestion: v.Suggestion}
	if v.Next != nil {
		out.Next = new(practiceView(*v.Next))
	}
	if g := c.Next; g != nil {
		out.Game = &api.GameSummary{Id: g.ID, StartsAt: g.StartsAt, Opponent: g.Opponent, Away: g.Away,
			Known: c.Opponent != nil}
	}
	out.Week.Practices, out.Week.Minutes, out.Week.MaxPractices, out.Week.Source = v.Practices, v.Minutes,
		c.Limits.MaxPerWeek, c.Limits.Source
	out.Started.Roster, out.Started.Practice, out.Started.Rep, out.Started.Assistant = v.Started.Roster,
		v.Started.Practice, v.Started.Rep, v.Started.Assistant
	return out, nil
}

func repView(r evidence.Rep) api.LoggedRep {
	action := string(r.Action)
	out := api.LoggedRep{Id: idOf(r.ID), Block: idOf(r.Block), RepNo: r.No, At: r.At, Player: idOf(r.Player),
		Role: string(r.Role), Rung: string(r.Rung),
		Side: r.Side, Cue: r.Cue.String(), Expected: string(r.Expected), Made: string(r.Made), Correct: r.Correct,
		Late:    r.Late,
		Outcome: string(r.Outcome), Tags: []string{}, Device: r.Device, SecondCue: &r.SecondCue, Action: &action}
	for _, tag := range r.Tags {
		out.Tags = append(out.Tags, store.TagText(tag))
	}
	return out
}

// repViews are reps as the contract has them.
func repViews(reps []evidence.Rep) []api.LoggedRep {
	out := make([]api.LoggedRep, len(reps))
	for i, r := range reps {
		out[i] = repView(r)
	}
	return out
}

// idOf is an id of the core, which came from the store, as the contract has it.
func idOf[T ~string](id T) uuid.UUID { return uuid.MustParse(string(id)) }
