package planning

import (
	"context"
	"slices"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/internal/app"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Find returns a team's practice, or refuses with app.Missing.
func (s *Service) Find(ctx context.Context, program, team, id uuid.UUID) (gen.Practice, error) {
	p, err := s.Store.Practice(ctx, gen.PracticeParams{ProgramID: program, TeamID: team, ID: id})
	return p, app.OrMissing(err, NoPractice)
}

// List returns a team's practices with what was logged in them, newest first.
func (s *Service) List(ctx context.Context, team gen.Team) ([]gen.PracticesWithRepsRow, error) {
	return s.Store.PracticesWithReps(ctx, gen.PracticesWithRepsParams{ProgramID: team.ProgramID, TeamID: team.ID})
}

// Delete deletes a plan; what was logged in it stays.
func (s *Service) Delete(ctx context.Context, program, team, id uuid.UUID) error {
	n, err := s.Store.DeletePractice(ctx, gen.DeletePracticeParams{ProgramID: program, TeamID: team, ID: id})
	return app.Changed(n, err, NoPractice)
}

// Undone lists what the last practice before this one that is over has left undone.
func (s *Service) Undone(ctx context.Context, team gen.Team, p gen.Practice) ([]practice.Block, error) {
	rows, err := s.Store.PracticesOfTeam(ctx, gen.PracticesOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	if err != nil {
		return nil, err
	}
	i := slices.IndexFunc(rows, func(before gen.Practice) bool { // newest first
		return before.Status == string(practice.Done) && before.StartsAt.Before(p.StartsAt)
	})
	if i < 0 {
		return nil, nil
	}
	lib, err := s.Library(ctx, team.ProgramID)
	if err != nil {
		return nil, err
	}
	of := gen.BlocksOfPracticeParams{ProgramID: team.ProgramID, PracticeID: rows[i].ID}
	blocks, err := s.Store.BlocksOfPractice(ctx, of)
	if err != nil {
		return nil, err
	}
	counts, err := s.Store.RepsPerBlock(ctx, gen.RepsPerBlockParams(of))
	if err != nil {
		return nil, err
	}
	reps := map[string]int{}
	for _, c := range counts {
		reps[c.BlockID.String()] = int(c.Reps)
	}
	dropped, err := store.DroppedOf(rows[i])
	return practice.Undone(lib, store.BlocksOf(blocks), reps, dropped), err
}
