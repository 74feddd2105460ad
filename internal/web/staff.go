package web

import (
	"context"
	"net/http"

	"github.com/google/uuid"

	"evrik/internal/app"
	"evrik/internal/app/accounts"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// ListInvitations lists invitations that nobody has taken yet.
func (s *Server) ListInvitations(ctx context.Context,
	_ api.ListInvitationsRequestObject) (api.ListInvitationsResponseObject, error) {
	rows, err := s.db.InvitationsOfProgram(ctx, gen.InvitationsOfProgramParams{ProgramID: caller(ctx).ProgramID,
		Now: s.now()})
	out := api.ListInvitations200JSONResponse{}
	for _, r := range rows {
		out = append(out, api.Invitation{Id: r.ID, Email: r.Email, Role: r.Role, InvitedBy: r.InvitedBy,
			Until: r.Until})
	}
	return out, err
}

// Invite makes a one-time link to an account, shows it once and sends it.
func (s *Server) Invite(ctx context.Context, r api.InviteRequestObject) (api.InviteResponseObject, error) {
	i, err := s.accounts.Invite(ctx, caller(ctx), r.Body.Email, string(r.Body.Role))
	if err != nil {
		return nil, err
	}
	return api.Invite201JSONResponse{Path: i.Path,
		Invitation: api.Invitation{Id: i.ID, Email: i.Email, Role: i.Role, InvitedBy: i.InvitedBy, Until: i.Until}}, nil
}

// WithdrawInvitation ends a link.
func (s *Server) WithdrawInvitation(ctx context.Context,
	r api.WithdrawInvitationRequestObject) (api.WithdrawInvitationResponseObject, error) {
	n, err := s.db.DeleteInvitation(ctx, gen.DeleteInvitationParams{ProgramID: caller(ctx).ProgramID,
		ID: r.InvitationId})
	return api.WithdrawInvitation204Response{}, app.Changed(n, err, "coach.invitation-closed")
}

// invitation finds what a link is for; guesses are counted.
func (s *Server) invitation(ctx context.Context, key string) (i gen.InvitationByKeyRow, err error) {
	err = s.guessed(ctx, "join", func() (err error) {
		i, err = s.accounts.Invitation(ctx, key)
		return err
	})
	return i, app.OrMissing(err, accounts.DeadLink)
}

// GetInvitation says who invites to what.
func (s *Server) GetInvitation(ctx context.Context, r api.GetInvitationRequestObject) (api.GetInvitationResponseObject,
	error) {
	i, err := s.invitation(ctx, r.JoinKey)
	return api.GetInvitation200JSONResponse{Program: i.Program, Email: i.Email, Role: i.Role, InvitedBy: i.InvitedBy},
		err
}

// AcceptInvitation makes the account, once, and signs it in.
func (s *Server) AcceptInvitation(ctx context.Context,
	r api.AcceptInvitationRequestObject) (api.AcceptInvitationResponseObject, error) {
	i, err := s.invitation(ctx, r.JoinKey)
	if err != nil {
		return nil, err
	}
	who, err := s.accounts.Accept(ctx, i, r.Body.Name, r.Body.Password)
	if err != nil {
		return nil, err
	}
	s.writeAudit(ctx, who, "", "joined as "+accounts.RoleName(who.Role))
	view, err := s.begin(ctx, who)
	return api.AcceptInvitation200JSONResponse{SessionJSONResponse: api.SessionJSONResponse(view)}, err
}

// SetStaffRole changes what another coach may do.
func (s *Server) SetStaffRole(ctx context.Context, r api.SetStaffRoleRequestObject) (api.SetStaffRoleResponseObject,
	error) {
	me := caller(ctx)
	if r.StaffId == me.ID {
		return nil, conflict("coach.own-role")
	}
	if accounts.RoleName(string(r.Body.Role)) == "" {
		return nil, invalid("coach.role")
	}
	err := s.changeStaff(ctx, r.StaffId, func(q *gen.Queries) (int64, error) {
		return q.SetStaffRole(ctx, gen.SetStaffRoleParams{ProgramID: me.ProgramID, ID: r.StaffId,
			Role: string(r.Body.Role)})
	})
	if err != nil {
		return nil, err
	}
	who, err := s.db.StaffByID(ctx, r.StaffId)
	return api.SetStaffRole200JSONResponse{Id: who.ID, Name: who.Name, Email: who.Email,
		Role: api.PersonRole(who.Role)}, err
}

// RemoveStaff ends another coach's account.
func (s *Server) RemoveStaff(ctx context.Context, r api.RemoveStaffRequestObject) (api.RemoveStaffResponseObject,
	error) {
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
		if now.Role != accounts.Head {
			return refused(http.StatusForbidden, "coach.role-just-changed")
		}
		n, err := change(q)
		if err := app.Changed(n, err, "coach.missing"); err != nil {
			return err
		}
		return store.Notify(ctx, q, store.AccountChange{Account: id})
	})
}
