package web

import (
	"context"
	"crypto/rand"
	"crypto/sha256"
	"encoding/base64"
	"fmt"
	"log/slog"
	"net/http"
	"time"

	"github.com/google/uuid"

	"evrik/internal/mail"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// Invitations (assumptions).
const (
	invitationLife = 7 * 24 * time.Hour
	maxInvitations = 30 // open at once
	linkBytes      = 24 // 192 bits
)

// roleNames are the roles as a sentence says them.
var roleNames = map[string]string{"head": "head coach", "assistant": "assistant", "viewer": "viewer"}

// secretKey is a key that nobody can guess, for an address.
func secretKey() (string, error) {
	raw := make([]byte, linkBytes)
	if _, err := rand.Read(raw); err != nil {
		return "", err
	}
	return base64.RawURLEncoding.EncodeToString(raw), nil
}

// secretHash is what is stored of a key: who reads the database cannot use it.
func secretHash(kind, key string) []byte {
	sum := sha256.Sum256([]byte(kind + "\x00" + key))
	return sum[:]
}

// ListInvitations lists invitations that nobody has taken yet.
func (s *Server) ListInvitations(ctx context.Context, _ api.ListInvitationsRequestObject) (api.ListInvitationsResponseObject, error) {
	rows, err := s.db.InvitationsOfProgram(ctx, gen.InvitationsOfProgramParams{ProgramID: caller(ctx).ProgramID, Now: s.now()})
	out := api.ListInvitations200JSONResponse{}
	for _, r := range rows {
		out = append(out, api.Invitation{Id: r.ID, Email: r.Email, Role: r.Role, InvitedBy: r.InvitedBy, Until: r.Until})
	}
	return out, err
}

// Invite makes a one-time link to an account, shows it once and sends it.
func (s *Server) Invite(ctx context.Context, r api.InviteRequestObject) (api.InviteResponseObject, error) {
	me := caller(ctx)
	email, err := address(r.Body.Email)
	if err != nil {
		return nil, err
	}
	role := string(r.Body.Role)
	if roleNames[role] == "" {
		return nil, invalid("coach.invited-role")
	}
	if _, err := s.db.StaffByEmail(ctx, email); err == nil {
		return nil, conflict("coach.email-taken")
	} else if !store.NotFound(err) {
		return nil, err
	}
	open, err := s.db.InvitationsOfProgram(ctx, gen.InvitationsOfProgramParams{ProgramID: me.ProgramID, Now: s.now()})
	if err != nil {
		return nil, err
	}
	if len(open) >= maxInvitations {
		return nil, conflict("coach.too-many-invitations", maxInvitations)
	}
	key, err := secretKey()
	if err != nil {
		return nil, err
	}
	in := gen.InsertInvitationParams{ID: uuid.Must(uuid.NewV7()), ProgramID: me.ProgramID, Email: email, Role: role, KeyHash: secretHash("join", key), InvitedBy: me.Name, Until: s.now().Add(invitationLife)}
	if err := s.db.InsertInvitation(ctx, in); err != nil {
		return nil, err
	}
	program, err := s.db.Program(ctx, me.ProgramID)
	if err != nil {
		return nil, err
	}
	path := "/join/" + key
	text := fmt.Sprintf("%s invites you to %s as %s.\n\nOpen this address once, by %s, and choose a password:\n%s%s\n\nIf you do not know %s, leave it alone; nothing happens.\n",
		me.Name, program.Name, roleNames[role], in.Until.UTC().Format("2 January 15:04 UTC"), s.publicURL, path, me.Name)
	if err := s.send(ctx, mail.Message{Program: me.ProgramID, To: email, Subject: "An account at " + program.Name, Text: text}); err != nil {
		slog.Warn("an invitation was not mailed; its link was shown", "error", err)
	}
	return api.Invite201JSONResponse{Path: path, Invitation: api.Invitation{Id: in.ID, Email: email, Role: role, InvitedBy: me.Name, Until: in.Until}}, nil
}

// WithdrawInvitation ends a link.
func (s *Server) WithdrawInvitation(ctx context.Context, r api.WithdrawInvitationRequestObject) (api.WithdrawInvitationResponseObject, error) {
	n, err := s.db.DeleteInvitation(ctx, gen.DeleteInvitationParams{ProgramID: caller(ctx).ProgramID, ID: r.InvitationId})
	if err == nil && n == 0 {
		err = missing("coach.invitation-closed")
	}
	return api.WithdrawInvitation204Response{}, err
}

const deadLink = "coach.link-dead"

// invitation finds what a link is for.
func (s *Server) invitation(ctx context.Context, key string) (i gen.InvitationByKeyRow, err error) {
	err = s.guessed(ctx, "join", func() (err error) {
		i, err = s.db.InvitationByKey(ctx, secretHash("join", key))
		return err
	})
	if err == nil && (i.UsedAt != nil || !s.now().Before(i.Until)) {
		err = missing(deadLink)
	}
	return i, orMissing(err, deadLink)
}

// GetInvitation says who invites to what.
func (s *Server) GetInvitation(ctx context.Context, r api.GetInvitationRequestObject) (api.GetInvitationResponseObject, error) {
	i, err := s.invitation(ctx, r.JoinKey)
	return api.GetInvitation200JSONResponse{Program: i.Program, Email: i.Email, Role: i.Role, InvitedBy: i.InvitedBy}, err
}

// AcceptInvitation makes the account, once, and signs it in.
func (s *Server) AcceptInvitation(ctx context.Context, r api.AcceptInvitationRequestObject) (api.AcceptInvitationResponseObject, error) {
	i, err := s.invitation(ctx, r.JoinKey)
	if err != nil {
		return nil, err
	}
	who, err := s.newStaff(ctx, r.Body.Name, i.Email, i.Role, r.Body.Password)
	if err != nil {
		return nil, err
	}
	who.ProgramID = i.ProgramID
	err = s.db.Tx(ctx, func(q *gen.Queries) error {
		n, err := q.UseInvitation(ctx, gen.UseInvitationParams{ProgramID: i.ProgramID, ID: i.ID, Now: s.now()})
		if err == nil && n == 0 {
			err = missing(deadLink)
		}
		if err != nil {
			return err
		}
		return q.InsertStaff(ctx, who)
	})
	if store.Duplicate(err) {
		return nil, conflict("coach.email-taken-join")
	}
	if err != nil {
		return nil, err
	}
	s.writeAudit(ctx, gen.Staff{ID: who.ID, ProgramID: who.ProgramID, Name: who.Name}, "", "joined as "+roleNames[who.Role])
	stored, err := s.db.StaffByID(ctx, who.ID)
	if err != nil {
		return nil, err
	}
	view, err := s.begin(ctx, stored)
	return api.AcceptInvitation200JSONResponse{SessionJSONResponse: api.SessionJSONResponse(view)}, err
}

// SetStaffRole changes what another coach may do.
func (s *Server) SetStaffRole(ctx context.Context, r api.SetStaffRoleRequestObject) (api.SetStaffRoleResponseObject, error) {
	me := caller(ctx)
	if r.StaffId == me.ID {
		return nil, conflict("coach.own-role")
	}
	if roleNames[string(r.Body.Role)] == "" {
		return nil, invalid("coach.role")
	}
	err := s.changeStaff(ctx, r.StaffId, func(q *gen.Queries) (int64, error) {
		return q.SetStaffRole(ctx, gen.SetStaffRoleParams{ProgramID: me.ProgramID, ID: r.StaffId, Role: string(r.Body.Role)})
	})
	if err != nil {
		return nil, err
	}
	who, err := s.db.StaffByID(ctx, r.StaffId)
	return api.SetStaffRole200JSONResponse{Id: who.ID, Name: who.Name, Email: who.Email, Role: api.PersonRole(who.Role)}, err
}

// RemoveStaff ends another coach's account.
func (s *Server) RemoveStaff(ctx context.Context, r api.RemoveStaffRequestObject) (api.RemoveStaffResponseObject, error) {
	me := caller(ctx)
	if r.StaffId == me.ID {
		return nil, conflict("coach.own-account")
	}
	return api.RemoveStaff204Response{}, s.changeStaff(ctx, r.StaffId, func(q *gen.Queries) (int64, error) {
		return q.DeleteStaff(ctx, gen.DeleteStaffParams{ProgramID: me.ProgramID, ID: r.StaffId})
	})
}

// changeStaff changes what somebody else may do, one change at a time, so that two head coaches
// cannot take each other's place at once. Whoever changes it must still be a head coach when it is
// their turn, and so the program keeps one.
func (s *Server) changeStaff(ctx context.Context, id uuid.UUID, change func(q *gen.Queries) (int64, error)) error {
	me := caller(ctx)
	return s.db.Tx(ctx, func(q *gen.Queries) error {
		if err := q.LockProgram(ctx, me.ProgramID); err != nil {
			return err
		}
		now, err := q.StaffByID(ctx, me.ID)
		if err != nil && !store.NotFound(err) {
			return err
		}
		if now.Role != "head" {
			return refused(http.StatusForbidden, "coach.role-just-changed")
		}
		n, err := change(q)
		if err == nil && n == 0 {
			err = missing("coach.missing")
		}
		if err != nil {
			return err
		}
		return store.Notify(ctx, q, store.AccountChange{Account: id})
	})
}
