// Package web serves the contract of api/openapi.yaml and the built interface.
// Handlers are thin: they find out who asks, call a service and render what it gives. They keep no state of their own,
// so that two servers on one database serve one practice.
package web

import (
	"context"
	"fmt"
	"io/fs"
	"log/slog"
	"net"
	"net/http"
	"strings"
	"time"

	"github.com/alexedwards/scs/v2"
	"github.com/getkin/kin-openapi/openapi3"
	lru "github.com/hashicorp/golang-lru/v2"
	"github.com/labstack/echo/v5"
	"github.com/labstack/echo/v5/middleware"

	"evrik/core/evidence"
	"evrik/core/reads"
	"evrik/core/roster"
	"evrik/internal/app/accounts"
	"evrik/internal/app/displays"
	"evrik/internal/app/drills"
	"evrik/internal/app/floors"
	"evrik/internal/app/games"
	"evrik/internal/app/homework"
	"evrik/internal/app/now"
	"evrik/internal/app/offenses"
	"evrik/internal/app/planning"
	"evrik/internal/app/programs"
	"evrik/internal/app/quizzes"
	"evrik/internal/app/reps"
	"evrik/internal/app/reviews"
	"evrik/internal/app/rosters"
	"evrik/internal/app/sharing"
	"evrik/internal/app/squad"
	"evrik/internal/app/teams"
	"evrik/internal/app/tries"
	"evrik/internal/mail"
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
	// Outbox is the folder for sent mail; where Mail is nil it is all that happens to mail.
	Outbox string
	// Mail sends mail; nil for the simulated outbox alone.
	Mail mail.Sender
	// PublicURL is how browsers reach the server, for links in mail; without a slash at its end.
	PublicURL string
	// SetupCode must be typed in at a first set-up that comes over a network; empty for none.
	SetupCode string
	// Proxies may say where a request comes from, besides one on this machine.
	Proxies []*net.IPNet
	// Erasures is the file that lists who was erased; empty for none.
	Erasures string
	// Version is what runs.
	Version string
	// Log hears of every request; slog.Default by default.
	Log *slog.Logger
	// Life ends what devices follow; context.Background by default.
	Life context.Context
	// Now tells the time; time.Now by default.
	Now func() time.Time
}

// Server answers requests.
type Server struct {
	up        func() bool // whether the database answers
	sessions  *scs.SessionManager
	policy    evidence.Policy
	squads    squad.Service
	reps      reps.Service
	today     now.Service
	quizzes   quizzes.Service
	accounts  accounts.Service
	programs  programs.Service
	reviews   reviews.Service
	games     games.Service
	rosters   rosters.Service
	plans     *planning.Service
	floors    floors.Service
	teams     teams.Service
	sharing   sharing.Service
	displays  displays.Service
	drills    drills.Service
	offenses  offenses.Service
	now       func() time.Time
	demo      *api.SignIn
	standIns  *api.StandIns
	assets    fs.FS
	quizFiles string // the rest of a Link header for a player's page
	spec      *openapi3.T
	maps      *lru.Cache[mapKey, reads.Map]
	outbox    standin.Outbox
	mail      mail.Sender // nil for the simulated outbox alone
	life      context.Context
	live      *hub
	https     bool
	tries     tries.Service
	homework  homework.Service
	figures   *figures
	log       *slog.Logger
	// publicURL begins links in mail; setupCode is asked for at a first set-up over a network.
	publicURL, setupCode string
	// imports lets few archives be read at once.
	imports chan struct{}
}

const (
	sessionLife = 30 * 24 * time.Hour
	sessionIdle = 14 * 24 * time.Hour
	// keptMaps is how many read maps are kept for the next viewer, about 15 kB each.
	keptMaps = 512
	// maxBody is the largest request body in bytes: a roster file in base64 and a little.
	maxBody = roster.MaxFile*4/3 + 64<<10
)

// New returns the handler for everything Evrik serves.
func New(db *store.Store, o Options) (http.Handler, error) {
	spec, err := contract()
	if err != nil {
		return nil, fmt.Errorf("the contract cannot be read: %w", err)
	}
	maps, err := lru.New[mapKey, reads.Map](keptMaps)
	if err != nil {
		return nil, err
	}
	s := &Server{up: db.Up, maps: maps, policy: evidence.DefaultPolicy(), now: o.Now, demo: o.Demo, standIns: o.StandIns,
		assets: o.Assets, quizFiles: playersFiles(o.Assets), spec: spec,
		outbox: standin.Outbox{Dir: o.Outbox}, mail: o.Mail, life: o.Life, live: newHub(), https: o.HTTPS,
		log:       o.Log,
		publicURL: o.PublicURL, setupCode: o.SetupCode,
		imports: make(chan struct{}, importsAtOnce)}
	s.figures = newFigures(db, s.live, o.Version)
	if s.now == nil {
		s.now = time.Now
	}
	s.tries = tries.Service{Store: db, Now: s.now}
	s.programs = programs.Service{Store: db, Now: s.now}
	s.rosters = rosters.Service{Store: db, Erasures: o.Erasures, Now: s.now}
	s.squads = squad.Service{Store: db, Policy: s.policy, Now: s.now}
	s.plans = planning.New(s.squads)
	s.reviews = reviews.Service{Store: db, Squads: s.squads, Now: s.now}
	s.games = games.Service{Store: db, Squads: s.squads, Now: s.now}
	s.accounts = accounts.Service{Store: db, Passwords: accounts.NewHashing(), Tries: s.tries, Send: s.send,
		Address: s.publicURL, Now: s.now}
	s.quizzes = quizzes.Service{Store: db, Tries: s.tries, Now: s.now}
	s.today = now.Service{Plans: s.plans, Store: db, Now: s.now}
	s.reps = reps.Service{Store: db, Library: s.squads.Library, Now: s.now}
	s.floors = floors.Service{Store: db, Squads: s.squads, Now: s.now}
	s.teams = teams.Service{Store: db, Now: s.now}
	s.sharing = sharing.Service{Store: db, Send: s.send, Now: s.now}
	s.displays = displays.Service{Store: db, Tries: s.tries, Now: s.now}
	s.homework = homework.Service{Store: db, Library: s.squads.Library, Now: s.now}
	s.drills = drills.Service{Store: db, Library: s.squads.Library}
	s.offenses = offenses.Service{Store: db, Squads: s.squads, Policy: s.policy,
		Comparing: make(chan struct{}, offenses.MostComparisons)}
	if s.log == nil {
		s.log = slog.Default()
	}
	if s.life == nil {
		s.life = context.Background()
	}
	go db.Listen(s.life, s.live.deliverPayload, s.live.resyncAll)
	s.sessions = s.newSessions(db)
	return s.handler(s.router(o.Proxies)), nil
}

// newSessions keeps who is signed in, in the database, for as long as a coach comes back.
func (s *Server) newSessions(db *store.Store) *scs.SessionManager {
	m := scs.New()
	m.Store = store.Sessions{Queries: db.Queries, Idle: sessionIdle, Now: s.now}
	m.Lifetime = sessionLife
	m.Cookie.Name = s.cookieName(sessionCookie)
	m.Cookie.HttpOnly = true
	m.Cookie.Secure = s.https
	m.Cookie.SameSite = http.SameSiteLaxMode
	m.ErrorFunc = func(w http.ResponseWriter, r *http.Request, err error) {
		if r.Context().Err() != nil {
			givenUp.write(w)
			return // whoever asked has left; nothing is wrong
		}
		slog.Error("no session could be read or kept", "error", err)
		unavailable.write(w)
	}
	return m
}

// router has every route, and what each request passes before it gets there. Proxies are trusted with a caller's
// address.
func (s *Server) router(proxies []*net.IPNet) *echo.Echo {
	e := echo.New()
	e.HTTPErrorHandler = s.handleError
	e.IPExtractor = trust(proxies)
	e.Use(s.observe)
	e.Use(middleware.Recover())
	e.Use(middleware.GzipWithConfig(middleware.GzipConfig{MinLength: 1024, Skipper: ready}))
	e.Use(s.headers)
	e.Use(s.introduce)
	// An archive may be of any size; its handler reads it, after the caller was let in.
	e.Use(middleware.BodyLimitWithConfig(middleware.BodyLimitConfig{LimitBytes: maxBody,
		Skipper: func(c *echo.Context) bool { return c.Request().URL.Path == archivePath }}))
	e.Use(s.fitsContract)
	api.RegisterHandlers(e, api.NewStrictHandler(s, []api.StrictMiddlewareFunc{s.authorize}))
	e.GET("/healthz", s.healthy)
	e.GET("/metrics", s.serveFigures)
	e.GET("/*", s.static)
	return e
}

// handler gives a request its session and keeps other sites out.
func (s *Server) handler(e *echo.Echo) http.Handler {
	// A form on another site must not act for the coach who is signed in here:
	// on top of SameSite cookies, unsafe requests from other origins are refused.
	csrf := http.NewCrossOriginProtection()
	csrf.SetDenyHandler(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		refused(http.StatusForbidden, "request.other-site").write(w)
	}))
	inSession := s.sessions.LoadAndSave(e)
	return csrf.Handler(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		// The app itself is served to anybody, whatever the database does.
		if strings.HasPrefix(r.URL.Path, "/api/") || strings.HasPrefix(r.URL.Path, "/calendar/") {
			inSession.ServeHTTP(w, r.WithContext(store.MayBegin(r.Context())))
		} else {
			e.ServeHTTP(w, r)
		}
	}))
}
