package web

import (
	"context"
	"slices"
	"time"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/app/planning"
	"evrik/internal/app/squad"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// GetReview sums up a practice for the minute after it.
func (s *Server) GetReview(ctx context.Context, r api.GetReviewRequestObject) (api.GetReviewResponseObject, error) {
	team, p, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	b, err := s.squads.Board(ctx, team, reads.Cutter)
	if err != nil {
		return nil, err
	}
	of := gen.BlocksOfPracticeParams{ProgramID: team.ProgramID, PracticeID: p.ID}
	rows, err := s.db.BlocksOfPractice(ctx, of)
	if err != nil {
		return nil, err
	}
	logged, err := s.db.RepsOfPractice(ctx, team.ProgramID, p.ID)
	if err != nil {
		return nil, err
	}
	clock, err := s.db.ClockEvents(ctx, gen.ClockEventsParams(of))
	if err != nil {
		return nil, err
	}
	here, err := s.db.Attendance(ctx, gen.AttendanceParams(of))
	if err != nil {
		return nil, err
	}
	dropped, err := store.DroppedOf(p)
	if err != nil {
		return nil, err
	}
	reps, now := evidence.OnePerRep(logged), s.now()
	out := api.GetReview200JSONResponse{StartsAt: p.StartsAt, Status: api.ReviewViewStatus(p.Status), Players: playerViews(b.Players), Note: p.Review,
		Turns:  []evidence.Turn{},
		Review: practice.ReviewOf(b.Library, store.BlocksOf(rows), practice.Ran(store.ClockOf(clock), now), inRosterOrder(b.Players, here), reps, dropped)}
	out.Efforts = effortsOf(p, here)
	before, err := s.without(ctx, team, b, p)
	if err != nil {
		return nil, err
	}
	taught := drill.Taught(store.ActionsOf(logged))
	for _, role := range squad.Roles {
		columns := reads.Columns(taught, store.RulesOf(team), role)
		out.Turns = append(out.Turns, s.policy.Turns(squad.IDs(b.Players), role, columns, before, b.History, now)...)
	}
	terms, err := store.TermsOf(p)
	if err != nil {
		return nil, err
	}
	out.Words = out.Review.InWords(out.Turns, terms.Aimed, reps, b.NameOf)
	others, err := s.db.PracticesOfTeam(ctx, gen.PracticesOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	for _, o := range others { // newest first
		if o.StartsAt.After(p.StartsAt) && o.Status == string(practice.Planned) {
			out.Next = &api.NextPractice{Id: o.ID, StartsAt: o.StartsAt}
		}
	}
	return out, err
}

// without is the history of a team's players without a practice's reps.
func (s *Server) without(ctx context.Context, team gen.Team, b squad.Board, p gen.Practice) (*evidence.History, error) {
	log := b.Log
	own := func(r evidence.Rep) bool { return string(r.Practice) == p.ID.String() }
	if !slices.ContainsFunc(log.Open, own) {
		// Its month is closed already.
		all, err := s.db.RepsOfTeam(ctx, team, time.Time{}, evidence.Ever)
		if err != nil {
			return nil, err
		}
		log.Closed, log.Open = evidence.NoHistory(), all
	}
	log.Open = slices.DeleteFunc(slices.Clone(log.Open), own)
	return log.History(s.policy), nil
}

// inRosterOrder are those who took part in a practice, also if they left early.
func inRosterOrder(players []gen.Player, here []gen.Attendance) []string {
	took := map[uuid.UUID]bool{}
	for _, a := range here {
		took[a.PlayerID] = true
	}
	out := []string{}
	for _, p := range players {
		if took[p.ID] {
			out = append(out, p.ID.String())
		}
	}
	return out
}

// SetReview keeps the note about a practice.
func (s *Server) SetReview(ctx context.Context, r api.SetReviewRequestObject) (api.SetReviewResponseObject, error) {
	if len(r.Body.Review) > 2000 {
		return nil, invalid("practice.note-too-long")
	}
	n, err := s.db.SetReview(ctx, gen.SetReviewParams{ProgramID: caller(ctx).ProgramID, TeamID: r.TeamId, ID: r.PracticeId, Review: r.Body.Review})
	if err == nil && n == 0 {
		err = missing(planning.NoPractice)
	}
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
