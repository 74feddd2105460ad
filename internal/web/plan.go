package web

import (
	"context"

	"evrik/internal/app/planning"
	"evrik/internal/web/api"
)

// GetLoads sums up what a week of practices asks of every player.
func (s *Server) GetLoads(ctx context.Context, r api.GetLoadsRequestObject) (api.GetLoadsResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	day := ""
	if r.Params.From != nil {
		day = *r.Params.From
	}
	week, err := s.plans.Week(ctx, team, day)
	return api.GetLoads200JSONResponse(week), err
}

// GetSeason plans the weeks ahead for what the team wants of them.
func (s *Server) GetSeason(ctx context.Context, r api.GetSeasonRequestObject) (api.GetSeasonResponseObject, error) {
	c, err := s.teamPlanning(ctx, r.TeamId)
	return api.GetSeason200JSONResponse{Aim: c.Aim, Plan: c.Season, Offense: c.Offense}, err
}

// SetSeason stores what the weeks ahead are for.
func (s *Server) SetSeason(ctx context.Context, r api.SetSeasonRequestObject) (api.SetSeasonResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	if err := s.plans.SetSeason(ctx, team, *r.Body); err != nil {
		return nil, err
	}
	// What is open depends on what is to be taught.
	c, err := s.teamPlanning(ctx, r.TeamId)
	return api.SetSeason200JSONResponse{Aim: c.Aim, Plan: c.Season, Offense: c.Offense}, err
}

// ListTemplates lists the plans a program has kept for another evening.
func (s *Server) ListTemplates(ctx context.Context, r api.ListTemplatesRequestObject) (api.ListTemplatesResponseObject,
	error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	kept, err := s.plans.Templates(ctx, team.ProgramID)
	out := api.ListTemplates200JSONResponse{}
	for _, t := range kept {
		out = append(out, templateView(t))
	}
	return out, err
}

// templateView is a kept plan as the contract has it.
func templateView(t planning.Template) api.Template {
	return api.Template{Id: t.ID, Name: t.Name, Minutes: t.Minutes, Blocks: t.Blocks}
}

// AddTemplate keeps a plan for another evening.
func (s *Server) AddTemplate(ctx context.Context, r api.AddTemplateRequestObject) (api.AddTemplateResponseObject,
	error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	t, err := s.plans.KeepPlan(ctx, team, r.Body.Name, r.Body.Minutes, r.Body.Blocks)
	return api.AddTemplate201JSONResponse(templateView(t)), err
}

// DeleteTemplate forgets a kept plan.
func (s *Server) DeleteTemplate(ctx context.Context,
	r api.DeleteTemplateRequestObject) (api.DeleteTemplateResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	return api.DeleteTemplate204Response{}, s.plans.ForgetPlan(ctx, team.ProgramID, r.TemplateId)
}

// CarryOver lists what the practice before this one left undone.
func (s *Server) CarryOver(ctx context.Context, r api.CarryOverRequestObject) (api.CarryOverResponseObject, error) {
	team, p, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	blocks, err := s.plans.Undone(ctx, team, p)
	return append(api.CarryOver200JSONResponse{}, blocks...), err
}
