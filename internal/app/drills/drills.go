// Package drills keeps a program's own drills and how everybody shoots in those that teach no read.
package drills

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/internal/app"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// NoDrill refuses a drill that does not exist.
const NoDrill = "drill.missing"

// Service keeps drills.
type Service struct {
	Store *store.Store
	// Library is what drills a program has: the catalogue and its own.
	Library func(ctx context.Context, program uuid.UUID) (drill.Library, error)
}

// Own is a drill of a program.
type Own struct {
	Drill *drill.Drill
	// Archived ones are kept for what was logged in them, and listed no more.
	Archived bool
	// Version counts the changes, from 1.
	Version int
}

// List returns a program's own drills.
func (s Service) List(ctx context.Context, program uuid.UUID) ([]Own, error) {
	rows, err := s.Store.DrillsOfProgram(ctx, program)
	if err != nil {
		return nil, err
	}
	out := make([]Own, len(rows))
	for i, row := range rows {
		d, err := store.DrillOf(row)
		if err != nil {
			return nil, err
		}
		out[i] = Own{d, row.Archived, int(row.Version)}
	}
	return out, nil
}

// Add stores a drill file, a new drill or an imported one, under an id of its own. It refuses what is no drill, and
// what does not go with the program's others.
func (s Service) Add(ctx context.Context, program uuid.UUID, file []byte) (Own, error) {
	d, err := drill.Import(file)
	if err != nil {
		return Own{}, err
	}
	id := uuid.Must(uuid.NewV7())
	d.ID = id.String()
	stored, err := s.admit(ctx, program, d)
	if err != nil {
		return Own{}, err
	}
	return Own{Drill: d, Version: 1},
		s.Store.InsertDrill(ctx, gen.InsertDrillParams{ID: id, ProgramID: program, Drill: stored})
}

// Update changes one of a program's own drills, unless somebody else has changed it since version.
func (s Service) Update(ctx context.Context, program, id uuid.UUID, d drill.Drill, version int) (Own, error) {
	d.ID = id.String()
	if _, err := s.Store.Drill(ctx, gen.DrillParams{ProgramID: program, ID: id}); err != nil {
		return Own{}, app.OrMissing(err, NoDrill)
	}
	stored, err := s.admit(ctx, program, &d)
	if err != nil {
		return Own{}, err
	}
	n, err := s.Store.UpdateDrill(ctx, gen.UpdateDrillParams{ProgramID: program, ID: id, Drill: stored,
		Version: int32(version)})
	if err == nil && n == 0 {
		err = app.Refuse(app.Conflict, "drill.changed-meanwhile")
	}
	return Own{Drill: &d, Version: version + 1}, err
}

// admit checks a drill against the program's library and writes it as JSON.
func (s Service) admit(ctx context.Context, program uuid.UUID, d *drill.Drill) ([]byte, error) {
	lib, err := s.Library(ctx, program)
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

// Archive takes a drill out of the lists, or back in.
func (s Service) Archive(ctx context.Context, program, id uuid.UUID, archived bool) error {
	n, err := s.Store.ArchiveDrill(ctx, gen.ArchiveDrillParams{ProgramID: program, ID: id, Archived: archived})
	return app.Changed(n, err, NoDrill)
}

// Shots are what went in during a drill that teaches no read.
type Shots struct {
	Players []evidence.Shots
	// Made and Tried are those of all players.
	Made, Tried int
	// AtHome is true where players are asked to shoot at home; Home is what they tell of it.
	AtHome bool
	Home   []evidence.HomeLine
}

// Shots tells how everybody on a team shoots in a drill.
func (s Service) Shots(ctx context.Context, team gen.Team, drill string) (Shots, error) {
	reps, err := s.Store.ShotsOfDrill(ctx, team, drill)
	if err != nil {
		return Shots{}, err
	}
	told, err := s.Store.HomeShotsOfDrill(ctx, gen.HomeShotsOfDrillParams{ProgramID: team.ProgramID, TeamID: team.ID,
		Drill: drill})
	if err != nil {
		return Shots{}, err
	}
	sessions := make([]evidence.HomeSession, len(told))
	for i, row := range told {
		sessions[i] = store.HomeOf(row)
	}
	out := Shots{Players: evidence.ShotsOf(reps), AtHome: slices.Contains(team.HomeDrills, drill),
		Home: evidence.HomeOf(sessions)}
	for _, p := range out.Players {
		out.Made, out.Tried = out.Made+p.Made, out.Tried+p.Tried
	}
	return out, nil
}

// Pace is how fast a team has run a stage of a drill, nil where too little was logged.
func (s Service) Pace(ctx context.Context, program, team uuid.UUID, of, stage string) (*drill.Measured, error) {
	rows, err := s.Store.PaceOfDrill(ctx, gen.PaceOfDrillParams{ProgramID: program, TeamID: team, Drill: of, Stage: stage})
	if err != nil {
		return nil, err
	}
	if pace, ok := drill.MeasurePace(store.LoggedOf(rows)); ok {
		return &pace, nil
	}
	return nil, nil
}
