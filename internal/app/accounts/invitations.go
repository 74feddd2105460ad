package accounts

import (
	"context"
	"fmt"
	"log/slog"
	"time"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/internal/app"
	"evrik/internal/mail"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

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

// deadLink is the code of the refusal of a link that works no more.
const deadLink = "coach.link-dead"

// joinHash is what is stored of an invitation's key.
func joinHash(key string) []byte { return app.SecretHash("join", key) }

// Invitation finds what a link is for. It refuses with app.Missing one that never worked, which is counted for the
// network place, or works no more.
func (s Service) Invitation(ctx context.Context, key, place string) (i gen.InvitationByKeyRow, err error) {
	err = s.Tries.Guess(ctx, "join", place, func() (err error) {
		i, err = s.Store.InvitationByKey(ctx, joinHash(key))
		return err
	})
	if err == nil && (i.UsedAt != nil || !s.Now().Before(i.Until)) {
		err = app.Refuse(app.Missing, deadLink)
	}
	return i, app.OrMissing(err, deadLink)
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
		if err := app.Changed(n, err, deadLink); err != nil {
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

// Open lists invitations that nobody has taken yet.
func (s Service) Open(ctx context.Context, program uuid.UUID) ([]gen.InvitationsOfProgramRow, error) {
	return s.Store.InvitationsOfProgram(ctx, gen.InvitationsOfProgramParams{ProgramID: program, Now: s.Now()})
}

// Withdraw ends an invitation.
func (s Service) Withdraw(ctx context.Context, program, id uuid.UUID) error {
	n, err := s.Store.DeleteInvitation(ctx, gen.DeleteInvitationParams{ProgramID: program, ID: id})
	return app.Changed(n, err, "coach.invitation-closed")
}
