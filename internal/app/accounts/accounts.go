// Package accounts keeps who coaches in a program: the first head coach, invitations, roles, passwords, and who is
// signed in.
package accounts

import (
	"context"
	"time"

	"github.com/google/uuid"

	"evrik/internal/app"
	"evrik/internal/app/teams"
	"evrik/internal/app/tries"
	"evrik/internal/mail"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Service keeps accounts.
type Service struct {
	Store     *store.Store
	Passwords Passwords
	Tries     tries.Service
	// Send mails a message.
	Send func(context.Context, mail.Message) error
	// Address is how this installation is reached from elsewhere.
	Address string
	Now     func() time.Time
}

// Passwords hashes passwords and compares them.
type Passwords interface {
	// Hash checks a new password and hashes it.
	Hash(ctx context.Context, password string) (string, error)
	// Matches compares a password with a hash; one that is empty takes as long and matches none.
	Matches(ctx context.Context, password, hash string) (bool, error)
}

// Roles, as a sentence says them.
var roles = map[string]string{Head: "head coach", Assistant: "assistant", "viewer": "viewer"}

// Roles of head coaches, who may do everything, and of assistants, who run practices.
const (
	Head      = "head"
	Assistant = "assistant"
)

// RoleName is how a sentence says a role, empty for one that does not exist.
func RoleName(role string) string { return roles[role] }

// Person is somebody who gets an account.
type Person struct{ Name, Email, Role, Password string }

// staff checks a person's entries and hashes the password.
func (s Service) staff(ctx context.Context, program uuid.UUID, p Person) (row gen.InsertStaffParams, err error) {
	row = gen.InsertStaffParams{ID: uuid.Must(uuid.NewV7()), ProgramID: program, Role: p.Role}
	if row.Name, err = app.Text(p.Name, "name.yours"); err != nil {
		return row, err
	}
	if row.Email, err = app.Address(p.Email); err != nil {
		return row, err
	}
	row.PasswordHash, err = s.Passwords.Hash(ctx, p.Password)
	return row, err
}

// Setup is a program as it begins.
type Setup struct {
	Program, Team, Ages string
	// Zone is the team's time zone; one that is not known counts as UTC.
	Zone   string
	Person Person
}

// SetUp makes the program, its first team and its first head coach, once. It refuses with app.Conflict where there is a
// program already.
func (s Service) SetUp(ctx context.Context, in Setup) (who gen.Staff, err error) {
	if in.Program, err = app.Text(in.Program, "name.program"); err != nil {
		return who, err
	}
	if in.Team, err = app.Text(in.Team, "name.team"); err != nil {
		return who, err
	}
	if err := teams.CheckAges(in.Ages); err != nil {
		return who, err
	}
	zone, err := teams.Zone(in.Zone)
	if err != nil {
		zone = "UTC" // a browser whose zone is not known here still sets the team up
	}
	in.Person.Role = Head
	row, err := s.staff(ctx, uuid.Must(uuid.NewV7()), in.Person)
	if err != nil {
		return who, err
	}
	err = s.Store.Tx(ctx, func(q *gen.Queries) error {
		if err := q.LockSetup(ctx); err != nil {
			return err
		}
		if n, err := q.CountPrograms(ctx); err != nil || n > 0 {
			if err == nil {
				err = app.Refuse(app.Conflict, "account.already-set-up")
			}
			return err
		}
		if err := q.InsertProgram(ctx, gen.InsertProgramParams{ID: row.ProgramID, Name: in.Program}); err != nil {
			return err
		}
		if err := q.InsertStaff(ctx, row); err != nil {
			return err
		}
		return q.InsertTeam(ctx, teams.First(row.ProgramID, in.Team, in.Ages, zone, s.Now()))
	})
	if err != nil {
		return who, err
	}
	return s.Store.StaffByID(ctx, row.ID)
}
