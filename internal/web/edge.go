package web

import (
	"context"
	"crypto/sha256"
	"crypto/subtle"
	"encoding/base64"
	"fmt"
	"io/fs"
	"log/slog"
	"net"
	"net/http"
	"regexp"
	"strings"
	"time"

	"github.com/google/uuid"
	"github.com/labstack/echo/v5"

	"evrik/internal/app/tries"
	"evrik/internal/mail"
)

// What handlers may know of a request beyond its contract.
type (
	placeKey      struct{} // network address, as a trusted proxy says it
	localKey      struct{} // whether it comes from this machine itself
	deviceKey     struct{} // the key of a device on which somebody signed in before
	answerKey     struct{} // header of the answer
	controllerKey struct{} // deadlines of the connection
)

// clientPlace is the network address the request came from.
func clientPlace(ctx context.Context) string {
	place, _ := ctx.Value(placeKey{}).(string)
	return place
}

// isLocal reports whether the request was made on this machine, not through a proxy.
func isLocal(ctx context.Context) bool {
	local, _ := ctx.Value(localKey{}).(bool)
	return local
}

// deviceOf is the key of the device, or empty.
func deviceOf(ctx context.Context) string {
	key, _ := ctx.Value(deviceKey{}).(string)
	return key
}

// controllerOf sets the deadlines of the request's connection; nil outside a request.
func controllerOf(ctx context.Context) *http.ResponseController {
	c, _ := ctx.Value(controllerKey{}).(*http.ResponseController)
	return c
}

// introduce puts what is known of a request into its context.
func (s *Server) introduce(next echo.HandlerFunc) echo.HandlerFunc {
	return func(c *echo.Context) error {
		r := c.Request()
		ctx := context.WithValue(r.Context(), placeKey{}, c.RealIP())
		ctx = context.WithValue(ctx, localKey{}, local(r))
		ctx = context.WithValue(ctx, answerKey{}, c.Response().Header())
		ctx = context.WithValue(ctx, controllerKey{}, http.NewResponseController(c.Response()))
		if cookie, err := r.Cookie(s.cookieName(deviceCookie)); err == nil {
			ctx = context.WithValue(ctx, deviceKey{}, cookie.Value)
		}
		c.SetRequest(r.WithContext(ctx))
		return next(c)
	}
}

func local(r *http.Request) bool {
	host, _, err := net.SplitHostPort(r.RemoteAddr)
	ip := net.ParseIP(host)
	return err == nil && ip != nil && ip.IsLoopback() && r.Header.Get("X-Forwarded-For") == "" &&
		r.Header.Get("Forwarded") == ""
}

// trust says whose word is taken for where a request comes from: a proxy on this machine, and those
// that are named.
func trust(proxies []*net.IPNet) echo.IPExtractor {
	options := []echo.TrustOption{echo.TrustLinkLocal(false), echo.TrustPrivateNet(false)}
	for _, p := range proxies {
		options = append(options, echo.TrustIPRange(p))
	}
	return echo.ExtractIPFromXFFHeader(options...)
}

// checkSetupCode refuses the first set-up over a network without the code that was printed where
// the server was started.
func (s *Server) checkSetupCode(ctx context.Context, code *string) error {
	if s.setupCode == "" || isLocal(ctx) {
		return nil
	}
	if _, err := s.tries.Count(ctx, tries.Key("setup", clientPlace(ctx))); err != nil {
		return err
	}
	plain := func(c string) []byte {
		return []byte(strings.ToUpper(strings.NewReplacer(" ", "", "-", "").Replace(c)))
	}
	if code == nil || subtle.ConstantTimeCompare(plain(*code), plain(s.setupCode)) != 1 {
		return refused(http.StatusForbidden, "request.setup-code")
	}
	return nil
}

// send sends a message by the mail server where one is set, and keeps it in the list of sent mail.
func (s *Server) send(ctx context.Context, m mail.Message) error {
	if s.mail != nil {
		if err := s.mail.Send(ctx, m, s.now()); err != nil {
			return fmt.Errorf("the mail server did not take a message: %w", err)
		}
		if m.Program == uuid.Nil {
			return nil
		}
	}
	return s.outbox.Send(ctx, m, s.now())
}

// inlineScript finds what a page runs by itself.
var inlineScript = regexp.MustCompile(`(?s)<script>(.*?)</script>`)

// contentPolicy lets a page load nothing but its own files, and run no script but them and the one
// that starts it. Styles are set on elements by the drawings.
func contentPolicy(assets fs.FS) string {
	scripts := "'self'"
	if assets != nil {
		page, _ := fs.ReadFile(assets, "index.html")
		for _, script := range inlineScript.FindAllSubmatch(page, -1) {
			sum := sha256.Sum256(script[1])
			scripts += " 'sha256-" + base64.StdEncoding.EncodeToString(sum[:]) + "'"
		}
	}
	return "default-src 'none'; script-src " + scripts +
		"; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self'; " +
		"connect-src 'self'; manifest-src 'self'; worker-src 'self'; base-uri 'none'; form-action 'self'; " +
		"frame-ancestors 'none'"
}

// secureFor is how long browsers are told to use HTTPS alone.
const secureFor = 365 * 24 * time.Hour

// headers tells browsers what they may do with an answer.
func (s *Server) headers(next echo.HandlerFunc) echo.HandlerFunc {
	policy := contentPolicy(s.assets)
	return func(c *echo.Context) error {
		h := c.Response().Header()
		h.Set("X-Content-Type-Options", "nosniff")
		h.Set("X-Frame-Options", "DENY")
		h.Set("Referrer-Policy", "same-origin")
		h.Set("Content-Security-Policy", policy)
		h.Set("Cross-Origin-Opener-Policy", "same-origin")
		h.Set("Permissions-Policy", "camera=(), microphone=(), geolocation=(), payment=(), usb=()")
		if s.https {
			h.Set("Strict-Transport-Security", fmt.Sprintf("max-age=%d", int(secureFor.Seconds())))
		}
		if strings.HasPrefix(c.Request().URL.Path, "/api/") {
			h.Set("Cache-Control", "no-store")
		}
		return next(c)
	}
}

// routeOf is how a request is named in logs and figures: by its pattern, so that no key of a private
// link, and no child's id, gets there.
func routeOf(c *echo.Context) string {
	switch route := c.Path(); route {
	case "/*":
		return "page"
	case "":
		return "none"
	default:
		return route
	}
}

// slowAnswer is a time that a coach on the floor feels as waiting (assumption).
const slowAnswer = 2 * time.Second

// importance is at which level a request is logged: an answer that was slow is warned of, but a stream, which goes past
// the buffers of proxies, is meant to last.
func importance(route string, answer http.Header, took time.Duration) slog.Level {
	switch {
	case took > slowAnswer && answer.Get(unbuffered) == "":
		return slog.LevelWarn
	case route == "page" || route == "/healthz":
		return slog.LevelDebug
	}
	return slog.LevelInfo
}

// observe logs and measures every request.
func (s *Server) observe(next echo.HandlerFunc) echo.HandlerFunc {
	return func(c *echo.Context) error {
		began := time.Now()
		s.figures.underWay.Inc()
		defer s.figures.underWay.Dec()
		err := next(c)
		if err != nil {
			s.handleError(c, err) // so that the status is known
		}
		_, status := echo.ResolveResponseStatus(c.Response(), nil)
		took := time.Since(began)
		s.figures.request(c.Request().Method, routeOf(c), status, took)
		level := importance(routeOf(c), c.Response().Header(), took)
		s.log.Log(c.Request().Context(), level, "request", "method", c.Request().Method, "route", routeOf(c), "status",
			status, "ms", took.Milliseconds())
		return nil
	}
}

// unavailable is told where the database does not answer.
var unavailable = refused(http.StatusServiceUnavailable, "request.unavailable")
