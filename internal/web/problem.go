package web

import (
	"context"
	"encoding/json"
	"errors"
	"log/slog"
	"net/http"
	"strings"

	"github.com/labstack/echo/v5"

	"evrik/core/refusal"
	"evrik/internal/app"
	"evrik/internal/sentences"
	"evrik/internal/store"
	"evrik/internal/web/api"
)

// problem is an error meant for the coach: a status and why. The catalogue makes the sentence.
type problem struct {
	status int
	reason error
}

func (p problem) Error() string   { return p.reason.Error() }
func (p problem) StatusCode() int { return p.status }
func (p problem) Unwrap() error   { return p.reason }

func refused(status int, code string, args ...any) problem {
	return problem{status, refusal.New(code, args...)}
}

func invalid(code string, args ...any) error {
	return refused(http.StatusUnprocessableEntity, code, args...)
}
func missing(code string, args ...any) error { return refused(http.StatusNotFound, code, args...) }

// invalidBy returns a 422 for an error of the core. kept is the code of the sentence that says what was kept, or empty.
func invalidBy(err error, kept string) error {
	return problem{http.StatusUnprocessableEntity, refusal.Keeping(err, kept)}
}

// statusOf is how a service's refusal is answered.
var statusOf = map[app.Kind]int{app.Invalid: http.StatusUnprocessableEntity, app.Missing: http.StatusNotFound,
	app.Conflict: http.StatusConflict, app.Unknown: http.StatusUnauthorized, app.Forbidden: http.StatusForbidden,
	app.TooMany: http.StatusTooManyRequests}

// handleError writes every error as a problem. What nobody foresaw is logged
// and told without detail.
func (s *Server) handleError(c *echo.Context, err error) {
	p := problemOf(err)
	if c.Request().Context().Err() != nil {
		p = givenUp // whoever asked has left
	}
	if p.status >= 500 {
		slog.Error("request failed", "method", c.Request().Method, "route", routeOf(c), "error", err)
	}
	if answer, err := echo.UnwrapResponse(c.Response()); err == nil && answer.Committed {
		return // a part of the answer is on its way
	}
	if !strings.HasPrefix(c.Request().URL.Path, "/api/") {
		http.Error(c.Response(), sentences.Of(p.reason), p.status)
		return
	}
	p.write(c.Response())
}

// body is the problem in the form of RFC 9457.
func (p problem) body() api.Problem {
	return api.Problem{Type: "about:blank", Title: http.StatusText(p.status), Status: p.status,
		Detail: sentences.Of(p.reason), Code: refusal.Of(p.reason).Code}
}

// write answers with the problem.
func (p problem) write(w http.ResponseWriter) {
	w.Header().Set("Content-Type", "application/problem+json")
	w.WriteHeader(p.status)
	if err := json.NewEncoder(w).Encode(p.body()); err != nil {
		slog.Warn("answer not delivered", "error", err)
	}
}

// givenUp is told to nobody: the client has left. The status is the one that logs are used to.
var givenUp = refused(499, "request.given-up")

func problemOf(err error) problem {
	var p problem
	var service app.Refusal
	var tooLarge *http.MaxBytesError
	switch {
	case errors.As(err, &p):
		return p
	case errors.As(err, &service):
		return problem{statusOf[service.Kind], service.Reason}
	case refusal.CodeOf(err) != "":
		return problem{http.StatusUnprocessableEntity, err}
	case errors.As(err, &tooLarge), echo.StatusCode(err) == http.StatusRequestEntityTooLarge:
		return refused(http.StatusRequestEntityTooLarge, "request.too-large")
	case store.Unavailable(err):
		return unavailable
	case store.Refused(err):
		return refused(http.StatusUnprocessableEntity, "request.value")
	case errors.Is(err, context.Canceled):
		return givenUp
	}
	switch code := echo.StatusCode(err); {
	case code == http.StatusNotFound:
		return refused(code, "request.missing")
	case code == http.StatusMethodNotAllowed:
		return refused(code, "request.method")
	case code == http.StatusBadRequest || code == http.StatusUnsupportedMediaType:
		return refused(http.StatusUnprocessableEntity, "request.unreadable")
	case code >= 400 && code < 500:
		return refused(code, "request.refused")
	}
	return refused(http.StatusInternalServerError, "request.internal")
}
