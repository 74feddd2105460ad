package web

import (
	"context"
	"net/http"

	"evrik/internal/app/accounts"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// SignIn begins a session.
func (s *Server) SignIn(ctx context.Context, r api.SignInRequestObject) (api.SignInResponseObject, error) {
	who, err := s.accounts.SignIn(ctx, r.Body.Email, r.Body.Password,
		accounts.From{Place: clientPlace(ctx), Device: deviceOf(ctx)})
	if err != nil {
		return nil, err
	}
	view, err := s.begin(ctx, who)
	return api.SignIn200JSONResponse{SessionJSONResponse: api.SessionJSONResponse(view)}, err
}

// begin signs somebody in on this device, which is known from then on.
func (s *Server) begin(ctx context.Context, who gen.Staff) (api.Session, error) {
	if err := s.sessions.RenewToken(ctx); err != nil {
		return api.Session{}, err
	}
	store.BeginSession(ctx)
	s.sessions.Put(ctx, sessionStaff, who.ID.String())
	s.sessions.Put(ctx, sessionEpoch, int(who.SessionEpoch))
	if err := s.remember(ctx, who); err != nil {
		return api.Session{}, err
	}
	return s.session(ctx)
}

// remember makes the device known for somebody.
func (s *Server) remember(ctx context.Context, who gen.Staff) error {
	answer, ok := ctx.Value(answerKey{}).(http.Header)
	if !ok {
		return nil
	}
	key, err := s.accounts.Remember(ctx, who, deviceOf(ctx))
	if err != nil {
		return err
	}
	cookie := http.Cookie{Name: s.cookieName(deviceCookie), Value: key, Path: "/",
		MaxAge: int(accounts.DeviceLife.Seconds()), HttpOnly: true, Secure: s.https, SameSite: http.SameSiteLaxMode}
	answer.Add("Set-Cookie", cookie.String())
	return nil
}

// deviceCookie and sessionCookie are the names of cookies over plain HTTP. Over HTTPS they begin with
// __Host-, so that a browser takes them from this host alone (RFC 6265bis, 4.1.3.2, from memory).
const (
	deviceCookie  = "evrik_device"
	sessionCookie = "evrik"
)

func (s *Server) cookieName(name string) string {
	if s.https {
		return "__Host-" + name
	}
	return name
}
