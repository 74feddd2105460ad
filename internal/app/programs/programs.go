// Package programs keeps what belongs to a whole program: how long reps are kept, archives, and who did what.
package programs

import (
	"context"
	"io"
	"slices"
	"time"

	"github.com/google/uuid"

	"evrik/core/refusal"
	"evrik/internal/app"
	"evrik/internal/archive"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// leastMonths is the shortest time for which reps are kept: less than a season tells
// nothing (assumption).
const leastMonths = 6

// Service keeps programs.
type Service struct {
	Store *store.Store
	Now   func() time.Time
}

// SetUp reports whether there is a program yet.
func (s Service) SetUp(ctx context.Context) (bool, error) {
	n, err := s.Store.CountPrograms(ctx)
	return n > 0, err
}

// Of returns a program.
func (s Service) Of(ctx context.Context, program uuid.UUID) (gen.Program, error) {
	return s.Store.Program(ctx, program)
}

// Keep changes for how many months single reps are kept, 0 for good, and drops what is older at once.
func (s Service) Keep(ctx context.Context, program uuid.UUID, months int) error {
	to := gen.SetKeepMonthsParams{ProgramID: program}
	if months > 0 {
		if months < leastMonths {
			return app.Refuse(app.Invalid, "program.keep-months", leastMonths)
		}
		to.KeepMonths = new(int32(months))
	}
	if err := s.Store.SetKeepMonths(ctx, to); err != nil || months <= 0 {
		return err
	}
	return s.Store.ForgetBefore(ctx, program, s.Now().AddDate(0, -months, 0))
}

// Export writes a program's archive.
func (s Service) Export(ctx context.Context, program uuid.UUID, to io.Writer) error {
	return archive.Write(ctx, s.Store, program, s.Now(), to)
}

// Import adds what an archive holds to a program. It refuses with app.Invalid one that cannot be read; nothing of it is
// kept then.
func (s Service) Import(ctx context.Context, by gen.Staff, from io.Reader) (archive.Receipt, error) {
	got, err := archive.Read(ctx, s.Store, by.ProgramID, by.Name, s.Now(), from)
	if refusal.CodeOf(err) != "" {
		err = app.RefuseBy(app.Invalid, err, "")
	}
	return got, err
}

// Imported is an archive that was imported, with the names of the teams it brought that are there still.
type Imported struct {
	gen.Import
	Names []string
}

// Imports lists the archives that were imported and not undone, newest first.
func (s Service) Imports(ctx context.Context, program uuid.UUID) (out []Imported, err error) {
	rows, err := s.Store.ImportsOfProgram(ctx, program)
	if err != nil {
		return nil, err
	}
	teams, err := s.Store.TeamsOfProgram(ctx, program)
	for _, row := range rows {
		in := Imported{row, []string{}}
		for _, t := range teams {
			if slices.Contains(row.Teams, t.ID) {
				in.Names = append(in.Names, t.Name)
			}
		}
		out = append(out, in)
	}
	return out, err
}

// UndoImport removes what an archive has added. It refuses with app.Missing where it was undone before.
func (s Service) UndoImport(ctx context.Context, program, id uuid.UUID) error {
	there, err := archive.Undo(ctx, s.Store, program, id)
	if err == nil && !there {
		err = app.Refuse(app.Missing, "program.import-gone")
	}
	return err
}
