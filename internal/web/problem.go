package web

import (
	"context"
	"encoding/json"
	"errors"
	"log/slog"
	"net/http"
	"strings"

	"github.com/labstack/echo/v5"

	"evrik/core/drill"
	"evrik/core/reads"
	"evrik/internal/app"
	"evrik/internal/store"
	"evrik/internal/web/api"
)

// problem is an error meant for the coach: a status and a sentence that says
// what happened, what was kept and what to do.
type problem struct {
	status  int
	message string
}

func (p problem) Error() string   { return p.message }
func (p problem) StatusCode() int { return p.status }

func invalid(message string) error  { return problem{http.StatusUnprocessableEntity, message} }
func missing(message string) error  { return problem{http.StatusNotFound, message} }
func conflict(message string) error { return problem{http.StatusConflict, message} }

// statusOf is how a service's refusal is answered.
var statusOf = map[app.Kind]int{app.Invalid: http.StatusUnprocessableEntity, app.Missing: http.StatusNotFound, app.Conflict: http.StatusConflict}

// orMissing turns "no such row" into a 404 with this sentence.
func orMissing(err error, message string) error {
	if store.NotFound(err) {
		return missing(message)
	}
	return err
}

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
		http.Error(c.Response(), p.message, p.status)
		return
	}
	p.write(c.Response())
}

// codes are what programs go by, by status.
var codes = map[int]api.ProblemCode{
	http.StatusUnauthorized: api.SignedOut, http.StatusForbidden: api.Forbidden, http.StatusNotFound: api.Missing,
	http.StatusConflict: api.Conflict, http.StatusRequestEntityTooLarge: api.TooLarge, http.StatusUnprocessableEntity: api.Invalid,
	http.StatusTooManyRequests: api.TooMany, http.StatusServiceUnavailable: api.Unavailable,
}

// body is the problem in the form of RFC 9457.
func (p problem) body() api.Problem {
	code, known := codes[p.status]
	switch {
	case known:
	case p.status >= http.StatusInternalServerError:
		code = api.Internal
	default:
		code = api.Refused
	}
	return api.Problem{Type: "about:blank", Title: http.StatusText(p.status), Status: p.status, Detail: p.message, Code: code}
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
var givenUp = problem{499, "The request was given up before it was answered."}

func problemOf(err error) problem {
	var p problem
	var refused app.Refusal
	var tooLarge *http.MaxBytesError
	switch {
	case errors.As(err, &p):
		return p
	case errors.As(err, &refused):
		return problem{statusOf[refused.Kind], refused.Sentence}
	case errors.Is(err, reads.ErrPlaces), errors.Is(err, drill.ErrSetup):
		return problem{http.StatusUnprocessableEntity, err.Error()}
	case errors.As(err, &tooLarge), echo.StatusCode(err) == http.StatusRequestEntityTooLarge:
		return problem{http.StatusRequestEntityTooLarge, "That is more than one request may hold. Nothing was saved; send it in smaller parts."}
	case store.Unavailable(err):
		return unavailable
	case store.Refused(err):
		return problem{http.StatusUnprocessableEntity, "A value does not fit. Nothing was saved; check the entries and try again."}
	case errors.Is(err, context.Canceled):
		return givenUp
	}
	switch code := echo.StatusCode(err); {
	case code == http.StatusNotFound:
		return problem{code, "There is nothing here. It may have been deleted."}
	case code == http.StatusMethodNotAllowed:
		return problem{code, "This cannot be done here."}
	case code == http.StatusBadRequest || code == http.StatusUnsupportedMediaType:
		return problem{http.StatusUnprocessableEntity, "The request cannot be read. Nothing was saved; reload the page and try again."}
	case code >= 400 && code < 500:
		return problem{code, "The request was refused. Nothing was saved."}
	}
	return problem{http.StatusInternalServerError, "Something went wrong on our side. Nothing of this request was saved; try again in a moment."}
}
