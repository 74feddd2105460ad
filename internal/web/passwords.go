package web

import (
	"context"

	"evrik/internal/app"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// ChangePassword changes the caller's own password; other devices are signed out.
func (s *Server) ChangePassword(ctx context.Context,
	r api.ChangePasswordRequestObject) (api.ChangePasswordResponseObject, error) {
	me := caller(ctx)
	key := throttleKey("change", me.ID.String())
	try, err := s.count(ctx, []string{key})
	if err != nil {
		return nil, err
	}
	match, err := s.matches(ctx, r.Body.Old, me.PasswordHash)
	if err != nil {
		return nil, err
	}
	if !match {
		return nil, invalid("password.old-wrong")
	}
	if err := s.forgive(ctx, try, key); err != nil {
		return nil, err
	}
	who, err := s.setPassword(ctx, me, r.Body.New)
	if err == nil {
		_, err = s.begin(ctx, who)
	}
	return api.ChangePassword204Response{}, err
}

// setPassword stores a new password and ends all sessions, known devices and links of its owner.
func (s *Server) setPassword(ctx context.Context, who gen.Staff, password string) (gen.Staff, error) {
	hash, err := s.hash(ctx, password)
	if err != nil {
		return who, err
	}
	err = s.db.Tx(ctx, func(q *gen.Queries) error {
		return store.SetPassword(ctx, q, who, hash)
	})
	if err != nil {
		return who, err
	}
	return s.db.StaffByID(ctx, who.ID)
}

// AskForReset mails a link to a new password. The answer is the same whether or not there is such an
// account.
func (s *Server) AskForReset(ctx context.Context, r api.AskForResetRequestObject) (api.AskForResetResponseObject,
	error) {
	email := cleanAddress(r.Body.Email)
	if _, err := s.count(ctx, []string{throttleKey("reset", email),
		throttleKey("reset place", clientPlace(ctx))}); err != nil {
		return nil, err
	}
	return api.AskForReset204Response{}, s.accounts.MailReset(ctx, email)
}

const deadReset = "password.link-dead"

// resetOwner finds whose link it is; guesses are counted.
func (s *Server) resetOwner(ctx context.Context, key string) (who gen.Staff, err error) {
	err = s.guessed(ctx, "reset link", func() (err error) {
		who, err = s.accounts.ResetOwner(ctx, key)
		return err
	})
	return who, app.OrMissing(err, deadReset)
}

// GetReset tells whether a link works.
func (s *Server) GetReset(ctx context.Context, r api.GetResetRequestObject) (api.GetResetResponseObject, error) {
	_, err := s.resetOwner(ctx, r.ResetKey)
	return api.GetReset204Response{}, err
}

// ResetPassword takes a new password and signs its owner in.
func (s *Server) ResetPassword(ctx context.Context, r api.ResetPasswordRequestObject) (api.ResetPasswordResponseObject,
	error) {
	who, err := s.resetOwner(ctx, r.ResetKey)
	if err != nil {
		return nil, err
	}
	if who, err = s.setPassword(ctx, who, r.Body.Password); err != nil {
		return nil, err
	}
	s.writeAudit(ctx, who, "", "chose a new password by a mailed link")
	view, err := s.begin(ctx, who)
	return api.ResetPassword200JSONResponse{SessionJSONResponse: api.SessionJSONResponse(view)}, err
}
