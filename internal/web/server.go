// Package web serves the contract of api/openapi.yaml and the built interface.
// Handlers are thin: they find out who asks, call the core for every decision
// and the store for every fact, and keep no state of their own, so that two
// servers on one database serve one practice.
package web

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	lru "github.com/hashicorp/golang-lru/v2"
	"io/fs"
	"log/slog"
	"net/http"
	"net/url"
	"path"
	"strings"
	"time"

	"github.com/alexedwards/scs/pgxstore"
	"github.com/alexedwards/scs/v2"
	"github.com/getkin/kin-openapi/openapi3"
	"github.com/google/uuid"
	"github.com/labstack/echo/v5"
	"github.com/labstack/echo/v5/middleware"

	"evrik/core/evidence"
	"evrik/core/reads"
	"evrik/core/roster"
	"evrik/internal/standin"
	"evrik/internal/store"
	"evrik/internal/web/api"
)

// Options of a server.
type Options struct {
	// Assets is the built interface.
	Assets fs.FS
	// Demo is the sign-in that the demo fills in; nil outside the demo.
	Demo *api.SignIn
	// HTTPS says that browsers reach the server over HTTPS, so that the session
	// cookie must never travel without it.
	HTTPS bool
	// StandIns are the simulated devices that run beside it; nil for none.
	StandIns *api.StandIns
	// Outbox is the folder for simulated mail.
	Outbox string
	// Life ends what devices follow; context.Background by default.
	Life context.Context
	// Now tells the time; time.Now by default.
	Now func() time.Time
}

// Server answers requests.
type Server struct {
	db       *store.Store
	sessions *scs.SessionManager
	policy   evidence.Policy
	now      func() time.Time
	demo     *api.SignIn
	standIns *api.StandIns
	assets   fs.FS
	eyes     string // the rest of a Link header for a player's page
	spec     *openapi3.T
	maps     *lru.Cache[mapKey, reads.Map]
	outbox   standin.Outbox
	life     context.Context
	live     *hub
	scheme   string // by which browsers reach it
}

const (
	sessionLife = 30 * 24 * time.Hour
	sessionIdle = 14 * 24 * time.Hour
	// keptMaps is how many read maps are kept for the next viewer, about 15 kB each.
	keptMaps = 512
	// maxBody is the largest request body in bytes: a roster file and a little.
	maxBody = roster.MaxFile + 64<<10
)

// New returns the handler for everything Evrik serves.
func New(db *store.Store, o Options) (http.Handler, error) {
	spec, err := api.GetSpec()
	if err != nil {
		return nil, fmt.Errorf("the contract cannot be read: %w", err)
	}
	maps, err := lru.New[mapKey, reads.Map](keptMaps)
	if err != nil {
		return nil, err
	}
	s := &Server{db: db, maps: maps, policy: evidence.DefaultPolicy(), now: o.Now, demo: o.Demo, standIns: o.StandIns, assets: o.Assets, eyes: playersFiles(o.Assets), spec: spec, outbox: standin.Outbox{Dir: o.Outbox},
		life: o.Life, live: &hub{followers: map[uuid.UUID]map[chan change]bool{}}}
	if s.now == nil {
		s.now = time.Now
	}
	if s.scheme = "http"; o.HTTPS {
		s.scheme = "https"
	}
	if s.life == nil {
		s.life = context.Background()
	}
	go db.Listen(s.life, s.live.told, s.live.missed)
	s.sessions = scs.New()
	s.sessions.Store = pgxstore.New(db.Pool)
	s.sessions.Lifetime, s.sessions.IdleTimeout = sessionLife, sessionIdle
	s.sessions.Cookie.Name = "evrik"
	s.sessions.Cookie.HttpOnly = true
	s.sessions.Cookie.Secure = o.HTTPS
	s.sessions.Cookie.SameSite = http.SameSiteLaxMode

	e := echo.New()
	e.HTTPErrorHandler = s.handleError
	// A proxy on this machine may say who sent the request; nobody else is believed.
	e.IPExtractor = echo.ExtractIPFromXFFHeader(echo.TrustLinkLocal(false), echo.TrustPrivateNet(false))
	e.Use(middleware.Recover())
	e.Use(middleware.GzipWithConfig(middleware.GzipConfig{MinLength: 1024, Skipper: func(c *echo.Context) bool {
		// A stream must not wait for enough to pack.
		return strings.HasSuffix(c.Request().URL.Path, "/live") || strings.HasSuffix(c.Request().URL.Path, "/feed")
	}}))
	e.Use(headers)
	e.Use(middleware.BodyLimitWithConfig(middleware.BodyLimitConfig{LimitBytes: maxBody, Skipper: func(c *echo.Context) bool { return c.Request().URL.Path == archivePath }}))
	e.Use(unhurried)
	e.Use(s.fitsContract)
	api.RegisterHandlers(e, api.NewStrictHandler(s, []api.StrictMiddlewareFunc{s.authorise}))
	e.GET("/healthz", s.healthy)
	e.GET("/*", s.static)

	// A form on another site must not act for the coach who is signed in here:
	// on top of SameSite cookies, unsafe requests from other origins are refused.
	csrf := http.NewCrossOriginProtection()
	csrf.SetDenyHandler(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		w.Header().Set("Content-Type", "application/json")
		w.WriteHeader(http.StatusForbidden)
		fmt.Fprint(w, `{"message":"This request came from another site and was refused. Nothing was changed."}`)
	}))
	s.sessions.ErrorFunc = func(w http.ResponseWriter, r *http.Request, err error) {
		slog.Error("no session could be read or kept", "path", r.URL.Path, "error", err)
		w.Header().Set("Content-Type", "application/json")
		w.WriteHeader(http.StatusServiceUnavailable)
		fmt.Fprint(w, `{"message":"The database does not answer. Nothing was stored; try again in a moment."}`)
	}
	inSession := s.sessions.LoadAndSave(e)
	return csrf.Handler(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		// The app itself is served to anybody, whatever the database does.
		if strings.HasPrefix(r.URL.Path, "/api/") || strings.HasPrefix(r.URL.Path, "/calendar/") {
			inSession.ServeHTTP(w, r)
		} else {
			e.ServeHTTP(w, r)
		}
	})), nil
}

func headers(next echo.HandlerFunc) echo.HandlerFunc {
	return func(c *echo.Context) error {
		h := c.Response().Header()
		h.Set("X-Content-Type-Options", "nosniff")
		h.Set("X-Frame-Options", "DENY")
		h.Set("Referrer-Policy", "same-origin")
		if strings.HasPrefix(c.Request().URL.Path, "/api/") {
			h.Set("Cache-Control", "no-store")
		}
		return next(c)
	}
}

func (s *Server) healthy(c *echo.Context) error {
	if err := s.db.Pool.Ping(c.Request().Context()); err != nil {
		return problem{http.StatusServiceUnavailable, "The database does not answer."}
	}
	return c.String(http.StatusOK, "ok")
}

// playersFiles are the files of a player's page, as the build has written them down, for a
// Link header that has begun; none where it has not.
func playersFiles(assets fs.FS) string {
	var page struct{ Files, Styles []string }
	if assets == nil {
		return ""
	}
	data, err := fs.ReadFile(assets, "_app/eyes.json")
	if err != nil || json.Unmarshal(data, &page) != nil {
		return ""
	}
	var out strings.Builder
	for _, f := range page.Files {
		fmt.Fprintf(&out, ", </%s>; rel=modulepreload", f)
	}
	for _, f := range page.Styles {
		fmt.Fprintf(&out, ", </%s>; rel=preload; as=style", f)
	}
	return out.String()
}

// static serves a built file, or the application's page for every address
// inside it. Files under immutable/ carry their content's hash in the name.
func (s *Server) static(c *echo.Context) error {
	name := strings.TrimPrefix(path.Clean("/"+c.Request().URL.Path), "/")
	if strings.HasPrefix(name, "api/") || s.assets == nil {
		return echo.ErrNotFound
	}
	info, err := fs.Stat(s.assets, name)
	if name == "" || errors.Is(err, fs.ErrNotExist) || (err == nil && info.IsDir()) {
		if path.Ext(name) != "" {
			return echo.ErrNotFound
		}
		name = "index.html"
	}
	cache := "no-cache"
	if strings.Contains(name, "/immutable/") {
		cache = "public, max-age=31536000, immutable"
	}
	c.Response().Header().Set("Cache-Control", cache)
	if key, ok := strings.CutPrefix(c.Request().URL.Path, "/eyes/"); ok && name == "index.html" && url.PathEscape(key) == key {
		// A phone on a slow network fetches its questions, and the page's own files, while
		// it fetches what every page takes.
		c.Response().Header().Set("Link", fmt.Sprintf("</api/eyes/%s?size=%d>; rel=preload; as=fetch; crossorigin%s", key, firstPack, s.eyes))
	}
	return c.FileFS(name, s.assets)
}
