package web

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"log/slog"
	"net/http"
	"net/http/cookiejar"
	"net/http/httptest"
	"os"
	"strings"
	"sync"
	"testing"
	"testing/fstest"
	"time"

	"github.com/alexedwards/argon2id"
	"github.com/getkin/kin-openapi/openapi3filter"
	"github.com/getkin/kin-openapi/routers"
	"github.com/getkin/kin-openapi/routers/legacy"
	"github.com/google/uuid"

	"evrik/core/court"
	"evrik/internal/pgtest"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

// evening is the moment all tests of this package play at.
var evening = time.Date(2026, 3, 20, 18, 0, 0, 0, time.UTC)

const goodPassword = "a password for tests"

// goodHash is quick to check: what a password costs is another test's.
var goodHash = func() string {
	h, err := argon2id.CreateHash(goodPassword, &argon2id.Params{Memory: 64, Iterations: 1, Parallelism: 1,
		SaltLength: 16, KeyLength: 32})
	if err != nil {
		panic(err)
	}
	return h
}()

// world is a server on a fresh database.
type world struct {
	t      testing.TB
	db     *store.Store
	server *httptest.Server
	router routers.Router
	now    time.Time
}

// contractRoutes finds the operation of a request in a copy of the contract that is valid for any address.
var contractRoutes = sync.OnceValues(func() (routers.Router, error) {
	spec, err := api.GetSpec()
	if err != nil {
		return nil, err
	}
	spec.Servers = nil
	return legacy.NewRouter(spec)
})

func newWorld(t testing.TB) *world {
	t.Helper()
	return worldOn(t, pgtest.Store(t))
}

func worldOn(t testing.TB, db *store.Store) *world {
	t.Helper()
	w := &world{t: t, db: db, now: evening}
	w.server = w.process(db)
	untilUp(db)
	var err error
	if w.router, err = contractRoutes(); err != nil {
		t.Fatal(err)
	}
	return w
}

// untilUp waits until a server hears what the database tells: right after its start it may not yet.
func untilUp(db *store.Store) {
	for !db.Up() {
		time.Sleep(time.Millisecond)
	}
}

// second is one more process on the same database, which hears what the first one is told.
func (w *world) second() *httptest.Server {
	w.t.Helper()
	db, err := store.Open(w.t.Context(), w.db.Pool.Config().ConnString())
	if err != nil {
		w.t.Fatal(err)
	}
	w.t.Cleanup(db.Close)
	server := w.process(db)
	untilUp(db)
	return server
}

// process is a server on a database.
func (w *world) process(db *store.Store) *httptest.Server {
	t := w.t
	t.Helper()
	h, err := New(db, Options{Life: t.Context(), Now: func() time.Time { return w.now }, Outbox: t.TempDir(),
		Log: slog.New(slog.DiscardHandler), Assets: fstest.MapFS{
			"index.html":               {Data: []byte("<!doctype html>the app")},
			"_app/immutable/hash.js":   {Data: []byte("code")},
			"_app/immutable/big.js":    {Data: []byte("much code")},
			"_app/immutable/big.js.br": {Data: []byte("by brotli")},
			"_app/immutable/big.js.gz": {Data: []byte("by gzip")},
			"_app/other/not-hashed.js": {Data: []byte("code")},
		}})
	if err != nil {
		t.Fatal(err)
	}
	server := httptest.NewServer(h)
	t.Cleanup(server.Close)
	return server
}

// club is a program with a team of players and both kinds of staff.
type club struct {
	program, team        uuid.UUID
	players              []uuid.UUID
	head, helper, viewer string // emails
}

func (w *world) club(name string, size int) club {
	w.t.Helper()
	ctx := w.t.Context()
	c := club{program: uuid.New(), team: uuid.New(), head: name + "-head@x.example", helper: name + "-helper@x.example",
		viewer: name + "-viewer@x.example"}
	floor, _ := court.PresetCourt(court.HighSchool)
	must := func(err error) {
		w.t.Helper()
		if err != nil {
			w.t.Fatal(err)
		}
	}
	must(w.db.InsertProgram(ctx, gen.InsertProgramParams{ID: c.program, Name: name}))
	for role, email := range map[string]string{"head": c.head, "assistant": c.helper, "viewer": c.viewer} {
		must(w.db.InsertStaff(ctx, gen.InsertStaffParams{ID: uuid.New(), ProgramID: c.program, Name: role, Email: email,
			Role: role, PasswordHash: goodHash}))
	}
	must(w.db.InsertTeam(ctx, gen.InsertTeamParams{ID: c.team, ProgramID: c.program, Name: name, Season: "s",
		Ages: "12-14", Zone: "UTC", Court: store.CourtJSON(floor)}))
	for i := range size {
		id := uuid.New()
		c.players = append(c.players, id)
		must(w.db.InsertPlayer(ctx, gen.InsertPlayerParams{ID: id, ProgramID: c.program, TeamID: c.team,
			Jersey: fmt.Sprint(i), Name: fmt.Sprint("P", i)}))
	}
	return c
}

// teamOf is another team of a club, without players.
func (w *world) teamOf(c club, name string) club {
	w.t.Helper()
	c.team, c.players = uuid.New(), nil
	floor, _ := court.PresetCourt(court.HighSchool)
	if err := w.db.InsertTeam(w.t.Context(), gen.InsertTeamParams{ID: c.team, ProgramID: c.program, Name: name,
		Season: "s", Ages: "12-14", Zone: "UTC", Court: store.CourtJSON(floor)}); err != nil {
		w.t.Fatal(err)
	}
	return c
}

func (c club) path(rest string) string { return "/api/teams/" + c.team.String() + rest }

// agent is a browser: it keeps its cookies.
type agent struct {
	*world
	http *http.Client
}

func (w *world) agent() *agent {
	jar, err := cookiejar.New(nil)
	if err != nil {
		w.t.Fatal(err)
	}
	return &agent{w, &http.Client{Jar: jar}}
}

// as signs an agent in.
func (w *world) as(email string) *agent {
	w.t.Helper()
	a := w.agent()
	a.do("POST", "/api/session", map[string]string{"email": email, "password": goodPassword}, 200, nil)
	return a
}

// do sends a JSON request (or a string as it is), checks the status, checks
// the answer against the contract and decodes it.
func (a *agent) do(method, path string, body any, status int, into any) string {
	a.t.Helper()
	kind, data := "application/json", []byte(nil)
	switch b := body.(type) {
	case nil:
	case string:
		data = []byte(b)
	default:
		var err error
		if data, err = json.Marshal(b); err != nil {
			a.t.Fatal(err)
		}
	}
	if strings.HasPrefix(path, archivePath) {
		kind = "application/octet-stream"
	}
	req, err := http.NewRequestWithContext(context.Background(), method, a.server.URL+path, bytes.NewReader(data))
	if err != nil {
		a.t.Fatal(err)
	}
	req.Header.Set("Content-Type", kind)
	res, err := a.http.Do(req)
	if err != nil {
		a.t.Fatalf("%s %s: %v", method, path, err)
	}
	defer res.Body.Close()
	got, err := io.ReadAll(res.Body)
	if err != nil {
		a.t.Fatal(err)
	}
	if res.StatusCode != status {
		a.t.Fatalf("%s %s: %d %s, want %d", method, path, res.StatusCode, clip(got), status)
	}
	a.fits(req, res, got)
	if into != nil {
		if err := json.Unmarshal(got, into); err != nil {
			a.t.Fatalf("%s %s: %v in %s", method, path, err, clip(got))
		}
	}
	return string(got)
}

// status sends a request and gives what it was answered with; a stream is left at once.
func (a *agent) status(method, path string, body any) int {
	a.t.Helper()
	res := a.send(method, path, body)
	res.Body.Close()
	return res.StatusCode
}

// answer is a whole answer as it came.
type answer struct {
	status int
	kind   string // its media type
	body   []byte
}

// raw sends a request that the contract may not know.
func (a *agent) raw(method, path string, body any) answer {
	a.t.Helper()
	res := a.send(method, path, body)
	defer res.Body.Close()
	got, err := io.ReadAll(res.Body)
	if err != nil {
		a.t.Fatal(err)
	}
	return answer{res.StatusCode, res.Header.Get("Content-Type"), got}
}

func (a *agent) send(method, path string, body any) *http.Response {
	a.t.Helper()
	var data []byte
	switch b := body.(type) {
	case nil:
	case string:
		data = []byte(b)
	default:
		data, _ = json.Marshal(b)
	}
	req, err := http.NewRequest(method, a.server.URL+path, bytes.NewReader(data))
	if err != nil {
		a.t.Fatal(err)
	}
	req.Header.Set("Content-Type", "application/json")
	if strings.HasPrefix(path, archivePath) {
		req.Header.Set("Content-Type", "application/octet-stream")
	}
	res, err := a.http.Do(req)
	if err != nil {
		a.t.Fatalf("%s %s: %v", method, path, err)
	}
	return res
}

// fits checks an answer against api/openapi.yaml.
func (a *agent) fits(req *http.Request, res *http.Response, body []byte) {
	a.t.Helper()
	at := req.Clone(req.Context())
	at.URL.Host, at.URL.Scheme = "", ""
	route, params, err := a.router.FindRoute(at)
	if err != nil {
		a.t.Fatalf("%s %s is not in the contract: %v", req.Method, req.URL.Path, err)
	}
	in := &openapi3filter.ResponseValidationInput{
		RequestValidationInput: &openapi3filter.RequestValidationInput{Request: at, PathParams: params, Route: route},
		Status:                 res.StatusCode, Header: res.Header,
		Options: &openapi3filter.Options{IncludeResponseStatus: true, ExcludeResponseBody: len(body) == 0 ||
			strings.HasPrefix(res.Header.Get("Content-Type"), "text/") ||
			strings.HasPrefix(res.Header.Get("Content-Type"), "application/octet")},
	}
	in.SetBodyBytes(body)
	if err := openapi3filter.ValidateResponse(req.Context(), in); err != nil {
		a.t.Errorf("%s %s: the answer does not fit the contract: %v", req.Method, req.URL.Path, err)
	}
}

// refused sends a request that must be refused for this reason, in a sentence.
func (a *agent) refused(method, path string, body any, status int, code string) {
	a.t.Helper()
	var p api.Problem
	a.do(method, path, body, status, &p)
	if p.Code != code || strings.HasPrefix(p.Detail, p.Code) || !strings.HasSuffix(p.Detail, ".") {
		a.t.Errorf("%s %s: CODE %s (%s), want %q", method, path, p.Code, p.Detail, code)
	}
}

func clip(b []byte) string {
	if len(b) > 400 {
		return string(b[:400]) + "…"
	}
	return string(b)
}

func teamParams(c club) gen.TeamParams { return gen.TeamParams{ProgramID: c.program, ID: c.team} }

// with starts a server with other options on the same database.
func (w *world) with(change func(o *Options)) *world {
	w.t.Helper()
	other := *w
	o := Options{Life: w.t.Context(), Now: func() time.Time { return other.now }, Outbox: w.t.TempDir(),
		Log:    slog.New(slog.DiscardHandler),
		Assets: fstest.MapFS{"index.html": {Data: []byte("<!doctype html><script>start()</script>")}}}
	change(&o)
	h, err := New(w.db, o)
	if err != nil {
		w.t.Fatal(err)
	}
	other.server = httptest.NewServer(h)
	w.t.Cleanup(other.server.Close)
	return &other
}
