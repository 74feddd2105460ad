package web

import (
	"context"

	"evrik/internal/app/reviews"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// GetReview sums up a practice for the minute after it.
func (s *Server) GetReview(ctx context.Context, r api.GetReviewRequestObject) (api.GetReviewResponseObject, error) {
	team, p, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	v, err := s.reviews.Of(ctx, team, p)
	if err != nil {
		return nil, err
	}
	return api.GetReview200JSONResponse{StartsAt: p.StartsAt, Status: api.ReviewViewStatus(p.Status),
		Players: playerViews(v.Players), Note: p.Review,
		Review: v.Review, Turns: v.Turns, Words: v.Words, Efforts: effortsOf(p, v.Here), Next: nextView(v.Next)}, nil
}

// nextView is a planned practice as the contract has it.
func nextView(next *reviews.Next) *api.NextPractice {
	if next == nil {
		return nil
	}
	return &api.NextPractice{Id: next.ID, StartsAt: next.StartsAt}
}

// SetReview keeps the note about a practice.
func (s *Server) SetReview(ctx context.Context, r api.SetReviewRequestObject) (api.SetReviewResponseObject, error) {
	err := s.reviews.SetNote(ctx, caller(ctx).ProgramID, r.TeamId, r.PracticeId, r.Body.Review)
	return api.SetReview204Response{}, err
}

// effortsOf are the ratings of a practice.
func effortsOf(p gen.Practice, here []gen.Attendance) api.Efforts {
	out := api.Efforts{Players: []api.PlayerEffort{}}
	if p.Effort != nil {
		team := int(*p.Effort)
		out.Team = &team
	}
	for _, a := range here {
		if a.Effort != nil {
			out.Players = append(out.Players, api.PlayerEffort{Player: a.PlayerID, Effort: int(*a.Effort)})
		}
	}
	return out
}

// SetEffort keeps how hard a practice was, for the team or a player.
func (s *Server) SetEffort(ctx context.Context, r api.SetEffortRequestObject) (api.SetEffortResponseObject, error) {
	err := s.plans.SetEffort(ctx, caller(ctx).ProgramID, r.TeamId, r.PracticeId, r.Body.Player, r.Body.Effort)
	return api.SetEffort204Response{}, err
}
