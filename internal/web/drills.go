package web

import (
	"context"
	"encoding/json"

	"evrik/internal/app/drills"
	"evrik/internal/web/api"
)

func ownDrill(d drills.Own) api.OwnDrill {
	return api.OwnDrill{Drill: *d.Drill, Archived: d.Archived, Version: d.Version}
}

// ListDrills returns the program's own drills.
func (s *Server) ListDrills(ctx context.Context, _ api.ListDrillsRequestObject) (api.ListDrillsResponseObject, error) {
	list, err := s.drills.List(ctx, caller(ctx).ProgramID)
	out := api.ListDrills200JSONResponse{}
	for _, d := range list {
		out = append(out, ownDrill(d))
	}
	return out, err
}

// AddDrill stores a drill file.
func (s *Server) AddDrill(ctx context.Context, r api.AddDrillRequestObject) (api.AddDrillResponseObject, error) {
	file, err := json.Marshal(r.Body)
	if err != nil {
		return nil, err
	}
	d, err := s.drills.Add(ctx, caller(ctx).ProgramID, file)
	if err != nil {
		return nil, err
	}
	return api.AddDrill201JSONResponse(ownDrill(d)), nil
}

// UpdateDrill changes one of the program's own drills.
func (s *Server) UpdateDrill(ctx context.Context, r api.UpdateDrillRequestObject) (api.UpdateDrillResponseObject,
	error) {
	d, err := s.drills.Update(ctx, caller(ctx).ProgramID, r.DrillId, r.Body.Drill, r.Body.Version)
	if err != nil {
		return nil, err
	}
	return api.UpdateDrill200JSONResponse(ownDrill(d)), nil
}

// ArchiveDrill takes a drill out of the lists, or back in.
func (s *Server) ArchiveDrill(ctx context.Context, r api.ArchiveDrillRequestObject) (api.ArchiveDrillResponseObject,
	error) {
	return api.ArchiveDrill204Response{}, s.drills.Archive(ctx, caller(ctx).ProgramID, r.DrillId, r.Body.Archived)
}

// PreviewDrill plays a drill that is being written: what cannot be is said.
func (s *Server) PreviewDrill(ctx context.Context, r api.PreviewDrillRequestObject) (api.PreviewDrillResponseObject,
	error) {
	fl, err := s.floor(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	if err := r.Body.Validate(); err != nil {
		return nil, err
	}
	play, err := r.Body.Motion(fl.Court, fl.Pace)
	return api.PreviewDrill200JSONResponse{Play: play, Lines: fl.Court.Lines()}, err
}

// GetShots tells how everybody shoots in a drill that teaches no read.
func (s *Server) GetShots(ctx context.Context, r api.GetShotsRequestObject) (api.GetShotsResponseObject, error) {
	team, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	shots, err := s.drills.Shots(ctx, team, r.DrillId)
	return api.GetShots200JSONResponse{Players: shots.Players, Made: shots.Made, Tried: shots.Tried,
		AtHome: shots.AtHome, Home: shots.Home}, err
}
