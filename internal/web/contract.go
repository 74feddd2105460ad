package web

import (
	"errors"
	"net/http"
	"strings"
	"sync"

	"github.com/getkin/kin-openapi/openapi3filter"
	"github.com/getkin/kin-openapi/routers"
	"github.com/labstack/echo/v5"

	"evrik/internal/web/api"
)

// contract is what requests must fit. It is read once, which takes a seventh of a second.
var contract = sync.OnceValues(api.GetSpec)

// fitsContract refuses a request whose JSON body lacks a field of the contract
// or holds one of another kind, before a handler can take a missing number for
// a zero.
func (s *Server) fitsContract(next echo.HandlerFunc) echo.HandlerFunc {
	return func(c *echo.Context) error {
		route := contractPath(c.Path())
		item := s.spec.Paths.Value(route)
		if item == nil {
			return next(c)
		}
		op := item.Operations()[c.Request().Method] // GetOperation panics where there is none
		if op == nil || op.RequestBody == nil || op.RequestBody.Value.Content.Get("application/json") == nil {
			return next(c)
		}
		if kind := c.Request().Header.Get("Content-Type"); !strings.HasPrefix(kind, "application/json") {
			return refused(http.StatusUnsupportedMediaType, "request.not-json")
		}
		in := &openapi3filter.RequestValidationInput{
			Request: c.Request(),
			Route: &routers.Route{Spec: s.spec, Path: route, PathItem: item, Method: c.Request().Method,
				Operation: op},
			Options: &openapi3filter.Options{AuthenticationFunc: openapi3filter.NoopAuthenticationFunc,
				SkipSettingDefaults: true},
		}
		if err := openapi3filter.ValidateRequestBody(c.Request().Context(), in, op.RequestBody.Value); err != nil {
			return outsideContract(err)
		}
		return next(c)
	}
}

// outsideContract names the part of a request that does not fit.
func outsideContract(err error) error {
	var tooLarge *http.MaxBytesError
	if errors.As(err, &tooLarge) || echo.StatusCode(err) == http.StatusRequestEntityTooLarge {
		return err
	}
	reason := err.Error()
	if i := strings.Index(reason, "Error at \""); i >= 0 {
		reason = reason[i+len("Error at "):]
		reason, _, _ = strings.Cut(reason, "\n")
		return invalid("request.does-not-fit", reason)
	}
	return invalid("request.malformed")
}

// contractPath turns the router's path into the contract's: /:id into /{id}.
func contractPath(p string) string {
	parts := strings.Split(p, "/")
	for i, part := range parts {
		if strings.HasPrefix(part, ":") {
			parts[i] = "{" + part[1:] + "}"
		}
	}
	return strings.Join(parts, "/")
}
