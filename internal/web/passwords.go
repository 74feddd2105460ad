package web

import (
	"context"

	"github.com/google/uuid"

	"evrik/internal/web/api"
)

// ChangePassword changes the caller's own password; other devices are signed out.
func (s *Server) ChangePassword(ctx context.Context,
	r api.ChangePasswordRequestObject) (api.ChangePasswordResponseObject, error) {
	who, err := s.accounts.ChangePassword(ctx, caller(ctx), r.Body.Old, r.Body.New)
	if err == nil {
		_, err = s.begin(ctx, who)
	}
	return api.ChangePassword204Response{}, err
}

// AskForReset mails a link to a new password. The answer is the same whether or not there is such an
// account.
func (s *Server) AskForReset(ctx context.Context, r api.AskForResetRequestObject) (api.AskForResetResponseObject,
	error) {
	return api.AskForReset204Response{}, s.accounts.MailReset(ctx, r.Body.Email, clientPlace(ctx))
}

// GetReset tells whether a link works.
func (s *Server) GetReset(ctx context.Context, r api.GetResetRequestObject) (api.GetResetResponseObject, error) {
	_, err := s.accounts.ResetOwner(ctx, r.ResetKey, clientPlace(ctx))
	return api.GetReset204Response{}, err
}

// ResetPassword takes a new password and signs its owner in.
func (s *Server) ResetPassword(ctx context.Context, r api.ResetPasswordRequestObject) (api.ResetPasswordResponseObject,
	error) {
	who, err := s.accounts.ResetPassword(ctx, r.ResetKey, clientPlace(ctx), r.Body.Password)
	if err != nil {
		return nil, err
	}
	s.writeAudit(ctx, who, uuid.Nil, "chose a new password by a mailed link")
	view, err := s.begin(ctx, who)
	return api.ResetPassword200JSONResponse{SessionJSONResponse: api.SessionJSONResponse(view)}, err
}
