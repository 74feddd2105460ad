package web

import (
	"context"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/internal/app"
	"evrik/internal/store"
	"evrik/internal/store/gen"
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
	rows, err := s.db.TemplatesOfProgram(ctx, team.ProgramID)
	out := api.ListTemplates200JSONResponse{}
	for _, t := range rows {
		blocks, err := store.TemplateBlocks(t)
		if err != nil {
			return nil, err
		}
		out = append(out, api.Template{Id: t.ID, Name: t.Name, Minutes: int(t.Minutes), Blocks: blocks})
	}
	return out, err
}

// maxTemplates is how many plans a program keeps (assumption).
const maxTemplates = 100

// AddTemplate keeps a plan for another evening.
func (s *Server) AddTemplate(ctx context.Context, r api.AddTemplateRequestObject) (api.AddTemplateResponseObject,
	error) {
	d, err := s.teamPlanning(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	name, err := app.Text(r.Body.Name, "name.plan")
	if err != nil {
		return nil, err
	}
	if err := practice.Check(d.Library, r.Body.Minutes, r.Body.Blocks); err != nil {
		return nil, invalidBy(err, "kept.nothing")
	}
	known, err := s.db.TemplatesOfProgram(ctx, d.Team.ProgramID)
	if err != nil {
		return nil, err
	}
	if len(known) >= maxTemplates {
		return nil, conflict("template.too-many", maxTemplates)
	}
	// Who was here that evening is not part of it.
	for i := range r.Body.Blocks {
		if r.Body.Blocks[i].Basket == 0 {
			r.Body.Blocks[i].Players = []string{}
		}
	}
	t := api.Template{Id: uuid.Must(uuid.NewV7()), Name: name, Minutes: r.Body.Minutes, Blocks: r.Body.Blocks}
	err = s.db.PutTemplate(ctx, gen.PutTemplateParams{ID: t.Id, ProgramID: d.Team.ProgramID, Name: t.Name,
		Minutes: int32(t.Minutes), Blocks: store.BlocksJSON(t.Blocks)})
	return api.AddTemplate201JSONResponse(t), err
}

// DeleteTemplate forgets a kept plan.
func (s *Server) DeleteTemplate(ctx context.Context,
	r api.DeleteTemplateRequestObject) (api.DeleteTemplateResponseObject, error) {
	if _, err := s.team(ctx, r.TeamId); err != nil {
		return nil, err
	}
	n, err := s.db.DeleteTemplate(ctx, gen.DeleteTemplateParams{ProgramID: caller(ctx).ProgramID, ID: r.TemplateId})
	return api.DeleteTemplate204Response{}, app.Changed(n, err, "template.missing")
}

// CarryOver lists what the practice before this one left undone.
func (s *Server) CarryOver(ctx context.Context, r api.CarryOverRequestObject) (api.CarryOverResponseObject, error) {
	team, p, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	rows, err := s.db.PracticesOfTeam(ctx, gen.PracticesOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	if err != nil {
		return nil, err
	}
	lib, err := s.squads.Library(ctx, team.ProgramID)
	if err != nil {
		return nil, err
	}
	out := api.CarryOver200JSONResponse{}
	for _, before := range rows { // newest first
		if before.Status != string(practice.Done) || !before.StartsAt.Before(p.StartsAt) {
			continue
		}
		blocks, err := s.db.BlocksOfPractice(ctx, gen.BlocksOfPracticeParams{ProgramID: team.ProgramID,
			PracticeID: before.ID})
		if err != nil {
			return nil, err
		}
		counts, err := s.db.RepsPerBlock(ctx, gen.RepsPerBlockParams{ProgramID: team.ProgramID, PracticeID: before.ID})
		if err != nil {
			return nil, err
		}
		reps := map[string]int{}
		for _, c := range counts {
			reps[c.BlockID.String()] = int(c.Reps)
		}
		dropped, err := store.DroppedOf(before)
		if err != nil {
			return nil, err
		}
		return append(out, practice.Undone(lib, store.BlocksOf(blocks), reps, dropped)...), nil
	}
	return out, nil
}
