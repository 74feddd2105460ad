// Package accounts keeps who coaches in a program: the first head coach, invitations, roles.
package accounts

import (
	"context"
	"fmt"
	"log/slog"
	"time"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/internal/app"
	"evrik/internal/app/teams"
	"evrik/internal/mail"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Service keeps accounts.
type Service struct {
	Store *store.Store
	// Hash checks a new password and hashes it.
	Hash func(ctx context.Context, password string) (string, error)
	// Send mails a message.
	Send func(context.Context, mail.Message) error
	// Address is how this installation is reached from elsewhere.
	Address string
	Now     func() time.Time
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
	row.PasswordHash, err = s.Hash(ctx, p.Password)
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

// Invitations (assumptions).
const (
	invitationLife = 7 * 24 * time.Hour
	maxInvitations = 30 // open at once
)

// Invitation is a link to an account: who opens Path gets it.
type Invitation struct {
	gen.InsertInvitationParams
	Path string
}

// Invite makes a link to an account, which works once, and mails it. It refuses with app.Conflict where the address has
// an account or too many are invited.
func (s Service) Invite(ctx context.Context, by gen.Staff, email, role string) (out Invitation, err error) {
	if email, err = app.Address(email); err != nil {
		return out, err
	}
	if RoleName(role) == "" {
		return out, app.Refuse(app.Invalid, "coach.invited-role")
	}
	if err := s.mayInvite(ctx, by.ProgramID, email); err != nil {
		return out, err
	}
	key, err := app.SecretKey()
	if err != nil {
		return out, err
	}
	out = Invitation{gen.InsertInvitationParams{ID: uuid.Must(uuid.NewV7()), ProgramID: by.ProgramID, Email: email,
		Role:    role,
		KeyHash: joinHash(key), InvitedBy: by.Name, Until: s.Now().Add(invitationLife)}, "/join/" + key}
	if err := s.Store.InsertInvitation(ctx, out.InsertInvitationParams); err != nil {
		return out, err
	}
	program, err := s.Store.Program(ctx, by.ProgramID)
	if err != nil {
		return out, err
	}
	text := fmt.Sprintf(
		"%s invites you to %s as %s.\n\nOpen this address once, by %s, and choose a password:\n%s%s\n\nIf you do not "+
			"know %s, leave it alone; nothing happens.\n",
		by.Name, program.Name, RoleName(role), out.Until.UTC().Format("January 2, "+practice.ClockFormat+" UTC"),
		s.Address, out.Path, by.Name)
	if err := s.Send(ctx, mail.Message{Program: by.ProgramID, To: email, Subject: "An account at " + program.Name,
		Text: text}); err != nil {
		slog.Warn("an invitation was not mailed; its link was shown", "error", err)
	}
	return out, nil
}

// mayInvite refuses an address that has an account, and more invitations than may be open.
func (s Service) mayInvite(ctx context.Context, program uuid.UUID, email string) error {
	if _, err := s.Store.StaffByEmail(ctx, email); err == nil {
		return app.Refuse(app.Conflict, "coach.email-taken")
	} else if !store.NotFound(err) {
		return err
	}
	open, err := s.Store.InvitationsOfProgram(ctx, gen.InvitationsOfProgramParams{ProgramID: program, Now: s.Now()})
	if err == nil && len(open) >= maxInvitations {
		err = app.Refuse(app.Conflict, "coach.too-many-invitations", maxInvitations)
	}
	return err
}

// DeadLink is the code of the refusal of a link that works no more.
const DeadLink = "coach.link-dead"

// joinHash is what is stored of an invitation's key.
func joinHash(key string) []byte { return app.SecretHash("join", key) }

// Invitation finds what a link is for; store.NotFound tells where it never was one. It refuses with app.Missing one
// that works no more.
func (s Service) Invitation(ctx context.Context, key string) (gen.InvitationByKeyRow, error) {
	i, err := s.Store.InvitationByKey(ctx, joinHash(key))
	if err == nil && (i.UsedAt != nil || !s.Now().Before(i.Until)) {
		err = app.Refuse(app.Missing, DeadLink)
	}
	return i, err
}

// Accept makes the account of an invitation, once.
func (s Service) Accept(ctx context.Context, i gen.InvitationByKeyRow, name, password string) (who gen.Staff,
	err error) {
	row, err := s.staff(ctx, i.ProgramID, Person{Name: name, Email: i.Email, Role: i.Role, Password: password})
	if err != nil {
		return who, err
	}
	err = s.Store.Tx(ctx, func(q *gen.Queries) error {
		n, err := q.UseInvitation(ctx, gen.UseInvitationParams{ProgramID: i.ProgramID, ID: i.ID, Now: s.Now()})
		if err := app.Changed(n, err, DeadLink); err != nil {
			return err
		}
		return q.InsertStaff(ctx, row)
	})
	if store.Duplicate(err) {
		return who, app.Refuse(app.Conflict, "coach.email-taken-join")
	}
	if err != nil {
		return who, err
	}
	return s.Store.StaffByID(ctx, row.ID)
}

// resetLife is how long a link to a new password works (assumption).
const resetLife = time.Hour

// MailReset mails a link to a new password, where an address has an account.
func (s Service) MailReset(ctx context.Context, email string) error {
	who, err := s.Store.StaffByEmail(ctx, email)
	if store.NotFound(err) {
		return nil
	}
	if err != nil {
		return err
	}
	key, err := app.SecretKey()
	if err != nil {
		return err
	}
	until := s.Now().Add(resetLife)
	err = s.Store.Tx(ctx, func(q *gen.Queries) error {
		if err := q.EndResets(ctx, gen.EndResetsParams{ProgramID: who.ProgramID, StaffID: who.ID}); err != nil {
			return err
		}
		return q.InsertReset(ctx, gen.InsertResetParams{KeyHash: resetHash(key), ProgramID: who.ProgramID,
			StaffID: who.ID, Until: until})
	})
	if err != nil {
		return err
	}
	text := fmt.Sprintf(
		"Somebody asked for a new password for %s.\n\nOpen this address once, by %s, and choose "+
			"one:\n%s/reset/%s\n\nIf it was not you, leave it alone; nothing happens.\n",
		who.Email, until.UTC().Format(practice.ClockFormat+" UTC"), s.Address, key)
	// It is nobody's business in the program, so no program's list shows it.
	if err := s.Send(ctx, mail.Message{To: who.Email, Subject: "A new password", Text: text}); err != nil {
		slog.Error("a link to a new password was not mailed", "error", err)
	}
	return nil
}

func resetHash(key string) []byte { return app.SecretHash("reset", key) }

// ResetOwner finds whose link to a new password it is; store.NotFound tells where it works no more.
func (s Service) ResetOwner(ctx context.Context, key string) (gen.Staff, error) {
	return s.Store.ResetByKey(ctx, gen.ResetByKeyParams{KeyHash: resetHash(key), Now: s.Now()})
}
