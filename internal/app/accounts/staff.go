package accounts

import (
	"context"

	"github.com/google/uuid"

	"evrik/internal/app"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Staff lists a program's coaches.
func (s Service) Staff(ctx context.Context, program uuid.UUID) ([]gen.Staff, error) {
	return s.Store.StaffOfProgram(ctx, program)
}

// SetRole changes what another coach may do. It refuses with app.Conflict a change of the own role, which would leave a
// program without a head coach, and with app.Forbidden whoever is none any more.
func (s Service) SetRole(ctx context.Context, by gen.Staff, id uuid.UUID, role string) (who gen.Staff, err error) {
	if id == by.ID {
		return who, app.Refuse(app.Conflict, "coach.own-role")
	}
	if RoleName(role) == "" {
		return who, app.Refuse(app.Invalid, "coach.role")
	}
	err = s.change(ctx, by, id, func(q *gen.Queries) (int64, error) {
		return q.SetStaffRole(ctx, gen.SetStaffRoleParams{ProgramID: by.ProgramID, ID: id, Role: role})
	})
	if err != nil {
		return who, err
	}
	return s.Store.StaffByID(ctx, id)
}

// Remove ends another coach's account, as SetRole changes one.
func (s Service) Remove(ctx context.Context, by gen.Staff, id uuid.UUID) error {
	if id == by.ID {
		return app.Refuse(app.Conflict, "coach.own-account")
	}
	return s.change(ctx, by, id, func(q *gen.Queries) (int64, error) {
		return q.DeleteStaff(ctx, gen.DeleteStaffParams{ProgramID: by.ProgramID, ID: id})
	})
}

// change changes what somebody else may do, one change at a time, so that two head coaches
// cannot take each other's place at once. Whoever changes it must still be a head coach when it is
// their turn, and so the program keeps one.
func (s Service) change(ctx context.Context, by gen.Staff, id uuid.UUID,
	change func(q *gen.Queries) (int64, error)) error {
	return s.Store.Tx(ctx, func(q *gen.Queries) error {
		if err := q.LockProgram(ctx, by.ProgramID); err != nil {
			return err
		}
		now, err := q.StaffByID(ctx, by.ID)
		if err != nil && !store.NotFound(err) {
			return err
		}
		if now.Role != Head {
			return app.Refuse(app.Forbidden, "coach.role-just-changed")
		}
		n, err := change(q)
		if err := app.Changed(n, err, "coach.missing"); err != nil {
			return err
		}
		return store.Notify(ctx, q, store.AccountChange{Account: id})
	})
}
