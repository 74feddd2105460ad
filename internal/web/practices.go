package web

import (
	"context"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/internal/app/planning"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// practice returns a team of the caller's and one of its practices.
func (s *Server) practice(ctx context.Context, teamID, id uuid.UUID) (gen.Team, gen.Practice, error) {
	team, err := s.team(ctx, teamID)
	if err != nil {
		return team, gen.Practice{}, err
	}
	p, err := s.plans.Find(ctx, team.ProgramID, team.ID, id)
	return team, p, err
}

// practiceView is a practice as the contract has it.
func practiceView(p planning.Practice) api.Practice {
	gym := []api.InTheGym{}
	for _, g := range p.Gym {
		gym = append(gym, api.InTheGym{Team: g.Name, StartsAt: g.StartsAt, Minutes: int(g.Minutes)})
	}
	return api.Practice{Gym: gym, Id: p.ID, StartsAt: p.StartsAt, Minutes: p.Minutes, Note: p.Note, Present: p.Present,
		Limited: p.Limited, Terms: p.Terms,
		Blocks: p.Blocks, Version: p.Version, Status: api.PracticeStatus(p.Status), Sheet: p.Sheet}
}

// draftIn is a request's plan; where it names no terms the usual ones hold.
func draftIn(in *api.PracticeInput) planning.Draft {
	d := planning.Draft{StartsAt: in.StartsAt, Minutes: in.Minutes, Note: in.Note, Present: in.Present,
		Limited: []uuid.UUID{},
		Terms:   practice.DefaultTerms(), Blocks: in.Blocks}
	if in.Terms != nil {
		d.Terms = *in.Terms
	}
	if in.Limited != nil {
		d.Limited = *in.Limited
	}
	return d
}

// LayOut computes a plan's arithmetic without storing it.
func (s *Server) LayOut(ctx context.Context, r api.LayOutRequestObject) (api.LayOutResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	sheet, err := s.plans.LayOut(ctx, team, draftIn(r.Body))
	return api.LayOut200JSONResponse(sheet), err
}

// teamPlanning is what the plans of a team of the caller's are made from.
func (s *Server) teamPlanning(ctx context.Context, id uuid.UUID) (planning.Context, error) {
	team, err := s.team(ctx, id)
	if err != nil {
		return planning.Context{}, err
	}
	return s.plans.Context(ctx, team)
}

// FillPlan fits a plan to the minutes without storing it.
func (s *Server) FillPlan(ctx context.Context, r api.FillPlanRequestObject) (api.FillPlanResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	out, err := s.plans.Fill(ctx, team, draftIn(&r.Body.Plan), practice.Scope(r.Body.Scope))
	return api.FillPlan200JSONResponse(out), err
}

// ListPractices lists a team's practices, newest first.
func (s *Server) ListPractices(ctx context.Context, r api.ListPracticesRequestObject) (api.ListPracticesResponseObject,
	error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	rows, err := s.plans.List(ctx, team)
	out := api.ListPractices200JSONResponse{}
	for _, row := range rows {
		p := row.Practice
		out = append(out, api.PracticeSummary{Id: p.ID, StartsAt: p.StartsAt, Minutes: int(p.Minutes),
			Status: api.PracticeSummaryStatus(p.Status), Reps: int(row.Reps), Correct: int(row.Correct),
			Present: int(row.Present), Drills: row.Drills})
	}
	return out, err
}

// GetPractice returns a practice with its sheet.
func (s *Server) GetPractice(ctx context.Context, r api.GetPracticeRequestObject) (api.GetPracticeResponseObject,
	error) {
	view, err := s.loadPractice(ctx, r.TeamId, r.PracticeId)
	return api.GetPractice200JSONResponse{PracticeJSONResponse: api.PracticeJSONResponse(view)}, err
}

func (s *Server) loadPractice(ctx context.Context, teamID, id uuid.UUID) (api.Practice, error) {
	_, _, p, err := s.planned(ctx, teamID, id)
	return practiceView(p), err
}

// planned is a practice with its sheet, and what plans of its team are made from.
func (s *Server) planned(ctx context.Context, teamID, id uuid.UUID) (c planning.Context, row gen.Practice,
	p planning.Practice, err error) {
	team, row, err := s.practice(ctx, teamID, id)
	if err != nil {
		return c, row, p, err
	}
	if c, err = s.plans.Context(ctx, team); err != nil {
		return c, row, p, err
	}
	p, err = s.plans.Practice(ctx, &c, row)
	return c, row, p, err
}

// AddPractice stores a new plan.
func (s *Server) AddPractice(ctx context.Context, r api.AddPracticeRequestObject) (api.AddPracticeResponseObject,
	error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	id, err := s.plans.Add(ctx, team, draftIn(r.Body))
	if err != nil {
		return nil, err
	}
	view, err := s.loadPractice(ctx, team.ID, id)
	return api.AddPractice201JSONResponse{PracticeJSONResponse: api.PracticeJSONResponse(view)}, err
}

// UpdatePractice stores a changed plan, unless somebody else changed it since.
func (s *Server) UpdatePractice(ctx context.Context,
	r api.UpdatePracticeRequestObject) (api.UpdatePracticeResponseObject, error) {
	team, old, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	version := old.Version
	if r.Body.Version != nil {
		version = int32(*r.Body.Version)
	}
	err = s.plans.Update(ctx, team, old, draftIn(r.Body), version, func(q *gen.Queries) error {
		return notify(ctx, q, change{Practice: old.ID, All: true})
	})
	if err != nil {
		return nil, err
	}
	view, err := s.loadPractice(ctx, team.ID, old.ID)
	return api.UpdatePractice200JSONResponse{PracticeJSONResponse: api.PracticeJSONResponse(view)}, err
}

// DeletePractice deletes a plan; what was logged in it stays.
func (s *Server) DeletePractice(ctx context.Context,
	r api.DeletePracticeRequestObject) (api.DeletePracticeResponseObject, error) {
	return api.DeletePractice204Response{}, s.plans.Delete(ctx, caller(ctx).ProgramID, r.TeamId, r.PracticeId)
}
