package programs

import (
	"context"

	"github.com/google/uuid"

	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// doneShown is how many lines of what was done are listed (assumption).
const doneShown = 200

// Note writes down what somebody did to a team; uuid.Nil for none.
func (s Service) Note(ctx context.Context, who gen.Staff, team uuid.UUID, what string) error {
	name := ""
	if team != uuid.Nil {
		t, err := s.Store.Team(ctx, gen.TeamParams{ProgramID: who.ProgramID, ID: team})
		if err != nil && !store.NotFound(err) {
			return err
		}
		name = t.Name
	}
	return s.Store.InsertAudit(ctx, gen.InsertAuditParams{ID: uuid.Must(uuid.NewV7()), ProgramID: who.ProgramID,
		At: s.Now(), Who: who.Name, Team: name, What: what})
}

// Done lists who did what, newest first.
func (s Service) Done(ctx context.Context, program uuid.UUID) ([]gen.AuditOfProgramRow, error) {
	return s.Store.AuditOfProgram(ctx, gen.AuditOfProgramParams{ProgramID: program, Size: doneShown})
}
