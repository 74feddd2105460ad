package web

import (
	"context"

	"github.com/google/uuid"

	"evrik/internal/app/accounts"
	"evrik/internal/web/api"
)

// ListInvitations lists invitations that nobody has taken yet.
func (s *Server) ListInvitations(ctx context.Context,
	_ api.ListInvitationsRequestObject) (api.ListInvitationsResponseObject, error) {
	rows, err := s.accounts.Open(ctx, caller(ctx).ProgramID)
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
	return api.WithdrawInvitation204Response{}, s.accounts.Withdraw(ctx, caller(ctx).ProgramID, r.InvitationId)
}

// GetInvitation says who invites to what.
func (s *Server) GetInvitation(ctx context.Context, r api.GetInvitationRequestObject) (api.GetInvitationResponseObject,
	error) {
	i, err := s.accounts.Invitation(ctx, r.JoinKey, clientPlace(ctx))
	return api.GetInvitation200JSONResponse{Program: i.Program, Email: i.Email, Role: i.Role, InvitedBy: i.InvitedBy},
		err
}

// AcceptInvitation makes the account, once, and signs it in.
func (s *Server) AcceptInvitation(ctx context.Context,
	r api.AcceptInvitationRequestObject) (api.AcceptInvitationResponseObject, error) {
	i, err := s.accounts.Invitation(ctx, r.JoinKey, clientPlace(ctx))
	if err != nil {
		return nil, err
	}
	who, err := s.accounts.Accept(ctx, i, r.Body.Name, r.Body.Password)
	if err != nil {
		return nil, err
	}
	s.writeAudit(ctx, who, uuid.Nil, "joined as "+accounts.RoleName(who.Role))
	view, err := s.begin(ctx, who)
	return api.AcceptInvitation200JSONResponse{SessionJSONResponse: api.SessionJSONResponse(view)}, err
}

// SetStaffRole changes what another coach may do.
func (s *Server) SetStaffRole(ctx context.Context, r api.SetStaffRoleRequestObject) (api.SetStaffRoleResponseObject,
	error) {
	who, err := s.accounts.SetRole(ctx, caller(ctx), r.StaffId, string(r.Body.Role))
	return api.SetStaffRole200JSONResponse(personView(who)), err
}

// RemoveStaff ends another coach's account.
func (s *Server) RemoveStaff(ctx context.Context, r api.RemoveStaffRequestObject) (api.RemoveStaffResponseObject,
	error) {
	return api.RemoveStaff204Response{}, s.accounts.Remove(ctx, caller(ctx), r.StaffId)
}
