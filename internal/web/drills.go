package web

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

const noDrill = "drill.missing"

func ownDrill(row gen.Drill) (api.OwnDrill, error) {
	d, err := store.DrillOf(row)
	if err != nil {
		return api.OwnDrill{}, err
	}
	return api.OwnDrill{Drill: *d, Archived: row.Archived, Version: int(row.Version)}, nil
}

// ListDrills returns the program's own drills.
func (s *Server) ListDrills(ctx context.Context, _ api.ListDrillsRequestObject) (api.ListDrillsResponseObject, error) {
	rows, err := s.db.DrillsOfProgram(ctx, caller(ctx).ProgramID)
	if err != nil {
		return nil, err
	}
	out := api.ListDrills200JSONResponse{}
	for _, row := range rows {
		d, err := ownDrill(row)
		if err != nil {
			return nil, err
		}
		out = append(out, d)
	}
	return out, nil
}

// AddDrill stores a drill file, a new drill or an imported one, under an id of
// its own.
func (s *Server) AddDrill(ctx context.Context, r api.AddDrillRequestObject) (api.AddDrillResponseObject, error) {
	file, err := json.Marshal(r.Body)
	if err != nil {
		return nil, err
	}
	d, err := drill.Import(file)
	if err != nil {
		return nil, err
	}
	id := uuid.Must(uuid.NewV7())
	d.ID = id.String()
	program := caller(ctx).ProgramID
	stored, err := s.admit(ctx, program, d)
	if err != nil {
		return nil, err
	}
	if err := s.db.InsertDrill(ctx, gen.InsertDrillParams{ID: id, ProgramID: program, Drill: stored}); err != nil {
		return nil, err
	}
	return api.AddDrill201JSONResponse{Drill: *d, Version: 1}, nil
}

// UpdateDrill changes one of the program's own drills.
func (s *Server) UpdateDrill(ctx context.Context, r api.UpdateDrillRequestObject) (api.UpdateDrillResponseObject,
	error) {
	program := caller(ctx).ProgramID
	d := r.Body.Drill
	d.ID = r.DrillId.String()
	if _, err := s.db.Drill(ctx, gen.DrillParams{ProgramID: program, ID: r.DrillId}); err != nil {
		return nil, orMissing(err, noDrill)
	}
	stored, err := s.admit(ctx, program, &d)
	if err != nil {
		return nil, err
	}
	n, err := s.db.UpdateDrill(ctx, gen.UpdateDrillParams{ProgramID: program, ID: r.DrillId, Drill: stored,
		Version: int32(r.Body.Version)})
	if err != nil {
		return nil, err
	}
	if n == 0 {
		return nil, conflict("drill.changed-meanwhile")
	}
	return api.UpdateDrill200JSONResponse{Drill: d, Version: r.Body.Version + 1}, nil
}

// admit checks a drill against the program's library and writes it as JSON.
func (s *Server) admit(ctx context.Context, program uuid.UUID, d *drill.Drill) ([]byte, error) {
	lib, err := s.squads.Library(ctx, program)
	if err != nil {
		return nil, err
	}
	if err := lib.Admit(d); err != nil {
		return nil, err
	}
	b, err := json.Marshal(d)
	if err != nil {
		return nil, fmt.Errorf("a drill cannot be written: %w", err)
	}
	return b, nil
}

// ArchiveDrill takes a drill out of the lists, or back in.
func (s *Server) ArchiveDrill(ctx context.Context, r api.ArchiveDrillRequestObject) (api.ArchiveDrillResponseObject,
	error) {
	n, err := s.db.ArchiveDrill(ctx, gen.ArchiveDrillParams{ProgramID: caller(ctx).ProgramID, ID: r.DrillId,
		Archived: r.Body.Archived})
	if err == nil && n == 0 {
		err = missing(noDrill)
	}
	return api.ArchiveDrill204Response{}, err
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
	shots, err := s.db.ShotsOfDrill(ctx, team, r.DrillId)
	if err != nil {
		return nil, err
	}
	told, err := s.db.HomeShotsOfDrill(ctx, gen.HomeShotsOfDrillParams{ProgramID: team.ProgramID, TeamID: team.ID,
		Drill: r.DrillId})
	if err != nil {
		return nil, err
	}
	sessions := make([]evidence.HomeSession, len(told))
	for i, row := range told {
		sessions[i] = store.HomeOf(row)
	}
	out := api.GetShots200JSONResponse{Players: evidence.ShotsOf(shots),
		AtHome: slices.Contains(team.HomeDrills, r.DrillId), Home: evidence.HomeOf(sessions)}
	for _, p := range out.Players {
		out.Made, out.Tried = out.Made+p.Made, out.Tried+p.Tried
	}
	return out, nil
}
