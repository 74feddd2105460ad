package web

import (
	"bytes"
	"context"
	"crypto/sha256"
	"encoding/base64"
	"encoding/json"
	"fmt"
	"io"
	"log/slog"
	"net"
	"net/http"
	"net/http/httptest"
	"net/url"
	"regexp"
	"strings"
	"sync"
	"testing"
	"testing/fstest"
	"time"
	"unicode"

	"github.com/google/uuid"

	"evrik/core/reads"
	"evrik/internal/mail"
	"evrik/internal/pgtest"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// with starts a server with other options on the same database.
func (w *world) with(change func(o *Options)) *world {
	w.t.Helper()
	other := *w
	o := Options{Life: w.t.Context(), Now: func() time.Time { return other.now }, Outbox: w.t.TempDir(), Log: slog.New(slog.DiscardHandler),
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

// A request that is under way while its session is ended does not bring the session back.
func TestSignOutHolds(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 0)
	for range 6 {
		a := w.as(c.head)
		var wg sync.WaitGroup
		for range 8 {
			wg.Go(func() { a.status("GET", "/api/staff", nil) })
		}
		a.status("DELETE", "/api/session", nil)
		wg.Wait()
		a.status("GET", "/api/staff", nil)
	}
	var n int
	if err := w.db.Pool.QueryRow(t.Context(), "SELECT count(*) FROM sessions").Scan(&n); err != nil || n != 0 {
		t.Errorf("%d sessions are there after everybody has signed out, %v", n, err)
	}
	// Even one that changes a session which is gone.
	ctx := store.MayBegin(t.Context())
	sessions := store.Sessions{Queries: w.db.Queries, Idle: sessionIdle, Now: time.Now}
	if err := sessions.CommitCtx(ctx, "gone", []byte("x"), time.Now().Add(time.Hour)); err != nil {
		t.Fatal(err)
	}
	if _, there, err := sessions.FindCtx(ctx, "gone"); there || err != nil {
		t.Errorf("a session was made again: %v", err)
	}
	store.BeginSession(ctx)
	if err := sessions.CommitCtx(ctx, "new", []byte("x"), time.Now().Add(time.Hour)); err != nil {
		t.Fatal(err)
	}
	if _, there, err := sessions.FindCtx(ctx, "new"); !there || err != nil {
		t.Errorf("a session that began is not there: %v", err)
	}
}

// A session in use is written once a minute at most, and ends when it was idle for too long.
func TestSessionsAreSeldomWritten(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 0)
	a := w.as(c.head)
	writes := func() (n int) {
		t.Helper()
		if _, err := w.db.Pool.Exec(t.Context(), "SELECT pg_stat_force_next_flush()"); err != nil {
			t.Fatal(err)
		}
		// xmin changes with every write of the row.
		if err := w.db.Pool.QueryRow(t.Context(), "SELECT xmin::text::int FROM sessions").Scan(&n); err != nil {
			t.Fatal(err)
		}
		return n
	}
	first := writes()
	for range 120 {
		a.do("GET", "/api/staff", nil, 200, nil)
	}
	if writes() != first {
		t.Error("requests within a minute write the session")
	}
	w.now = w.now.Add(2 * time.Minute)
	a.do("GET", "/api/staff", nil, 200, nil)
	if writes() == first {
		t.Error("a session that is in use is not noted as such")
	}
	w.now = w.now.Add(sessionIdle - time.Minute)
	a.do("GET", "/api/staff", nil, 200, nil)
	w.now = w.now.Add(sessionIdle + time.Minute)
	a.says("GET", "/api/staff", nil, 401, "not signed in")
}

// Streams end when whoever follows signs out, is removed or loses the right.
func TestStreamsEndWithTheRight(t *testing.T) {
	w := newWorld(t)
	c, head, _, at := onFloor(w)
	var list []api.Person
	head.do("GET", "/api/staff", nil, 200, &list)
	helper := ""
	for _, p := range list {
		if p.Email == c.helper {
			helper = p.Id.String()
		}
	}
	for name, lose := range map[string]func(a *agent){
		"sign-out":            func(a *agent) { a.do("DELETE", "/api/session", nil, 204, nil) },
		"sign-out everywhere": func(a *agent) { w.as(c.helper).do("DELETE", "/api/session?everywhere=true", nil, 204, nil) },
		"removal":             func(a *agent) { head.do("DELETE", "/api/staff/"+helper, nil, 204, nil) },
	} {
		if name == "removal" {
			continue // last, below
		}
		t.Run(name, func(t *testing.T) { streamEnds(t, w, w.as(c.helper), at, lose) })
	}
	t.Run("another follows on", func(t *testing.T) {
		body := openStream(t, head, at)
		w.as(c.helper).do("DELETE", "/api/session", nil, 204, nil)
		ended := make(chan bool)
		go func() { _, _ = io.Copy(io.Discard, body); close(ended) }()
		select {
		case <-ended:
			t.Error("the head coach's stream ended when the assistant signed out")
		case <-time.After(300 * time.Millisecond):
		}
	})
	t.Run("removal", func(t *testing.T) {
		streamEnds(t, w, w.as(c.helper), at, func(*agent) { head.do("DELETE", "/api/staff/"+helper, nil, 204, nil) })
	})
}

func openStream(t *testing.T, a *agent, at string) io.ReadCloser {
	t.Helper()
	res, err := a.http.Get(a.server.URL + at + "/live")
	if err != nil || res.StatusCode != 200 {
		t.Fatal(res, err)
	}
	t.Cleanup(func() { res.Body.Close() })
	first := make([]byte, 1)
	if _, err := io.ReadFull(res.Body, first); err != nil {
		t.Fatal(err)
	}
	return res.Body
}

func streamEnds(t *testing.T, w *world, a *agent, at string, lose func(a *agent)) {
	t.Helper()
	body := openStream(t, a, at)
	ended := make(chan bool)
	go func() { _, _ = io.Copy(io.Discard, body); close(ended) }()
	lose(a)
	select {
	case <-ended:
	case <-time.After(20 * time.Second):
		t.Error("the stream goes on")
	}
}

// However many passwords are tried at once, few are checked, and few at a time.
func TestGuessesAtOnce(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 0)
	const tries = 40
	statuses := make([]int, tries)
	var wg sync.WaitGroup
	for i := range statuses {
		wg.Go(func() {
			statuses[i] = w.agent().status("POST", "/api/session", map[string]string{"email": c.head, "password": "guess"})
		})
	}
	wg.Wait()
	checked := 0
	for _, s := range statuses {
		switch s {
		case 401:
			checked++
		case 429:
		default:
			t.Errorf("a guess was answered with %d", s)
		}
	}
	if checked > signInTries {
		t.Errorf("%d passwords were checked, at most %d may be", checked, signInTries)
	}
	// Codes of second screens are counted the same way.
	for i := range statuses {
		wg.Go(func() {
			statuses[i] = w.agent().status("POST", "/api/display/pair", map[string]string{"code": "222 222"})
		})
	}
	wg.Wait()
	checked = 0
	for _, s := range statuses {
		if s == 404 {
			checked++
		}
	}
	if checked > signInTries {
		t.Errorf("%d codes were checked, at most %d may be", checked, signInTries)
	}
}

func TestFewHashesAtOnce(t *testing.T) {
	h := newHashing()
	var mu sync.Mutex
	running, most, done, refused := 0, 0, 0, 0
	open, started := make(chan bool), make(chan bool, 100)
	var wg sync.WaitGroup
	for range 40 {
		wg.Go(func() {
			err := h.do(t.Context(), func() error {
				mu.Lock()
				running++
				most = max(most, running)
				mu.Unlock()
				started <- true
				<-open
				mu.Lock()
				running--
				done++
				mu.Unlock()
				return nil
			})
			if err != nil {
				mu.Lock()
				refused++
				mu.Unlock()
			}
		})
	}
	<-started
	<-started
	close(open)
	wg.Wait()
	if most > hashesAtOnce || done+refused != 40 || done < hashesAtOnce || len(h.running) != 0 || len(h.waiting) != 0 {
		t.Errorf("%d ran at once; %d were done, %d refused", most, done, refused)
	}
	ctx, cancel := context.WithCancel(t.Context())
	cancel()
	h.running <- struct{}{}
	h.running <- struct{}{}
	if err := h.do(ctx, func() error { return nil }); err == nil || len(h.waiting) != 0 {
		t.Errorf("a request that was given up waits on: %v", err)
	}
}

// A script that guesses from elsewhere does not lock the coach's own device out, nor does it close
// the door for those who were invited.
func TestKnownDeviceIsNotLockedOut(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 0)
	own := w.as(c.head)
	own.do("DELETE", "/api/session", nil, 204, nil)
	right := map[string]string{"email": c.head, "password": goodPassword}
	other := w.as(c.helper)
	for range signInTries + 2 {
		w.agent().status("POST", "/api/session", map[string]string{"email": c.head, "password": "guess"})
	}
	w.agent().says("POST", "/api/session", right, 429, "Too many tries")
	own.do("POST", "/api/session", right, 200, nil)
	w.agent().says("GET", "/api/join/unknown", nil, 404, "does not work")
	// On the known device guesses are counted too.
	own.do("DELETE", "/api/session", nil, 204, nil)
	for range signInTries {
		own.do("POST", "/api/session", map[string]string{"email": c.head, "password": "guess"}, 401, nil)
	}
	own.says("POST", "/api/session", right, 429, "Too many tries")
	// Another account's device is known for that account alone.
	other.says("POST", "/api/session", right, 429, "Too many tries")
}

// A password is changed by who knows the old one; other devices are signed out, this one stays.
func TestChangePassword(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 0)
	here, there := w.as(c.head), w.as(c.head)
	const next = "another long sentence"
	here.says("PUT", "/api/session/password", map[string]string{"old": "wrong", "new": next}, 422, "old password is not right")
	here.says("PUT", "/api/session/password", map[string]string{"old": goodPassword, "new": "short"}, 422, "10 to 200 characters")
	there.do("GET", "/api/staff", nil, 200, nil)
	here.do("PUT", "/api/session/password", map[string]string{"old": goodPassword, "new": next}, 204, nil)
	here.do("GET", "/api/staff", nil, 200, nil)
	there.says("GET", "/api/staff", nil, 401, "not signed in")
	w.agent().do("POST", "/api/session", map[string]string{"email": c.head, "password": goodPassword}, 401, nil)
	w.agent().do("POST", "/api/session", map[string]string{"email": c.head, "password": next}, 200, nil)
	w.as(c.helper).do("GET", "/api/staff", nil, 200, nil) // nobody else's
	var log []api.AuditEntry
	here.do("GET", "/api/program/audit", nil, 200, &log)
	if len(log) == 0 || log[0].What != "changed the own password" {
		t.Errorf("written down: %+v", log)
	}
}

// A link to a new password is mailed, works once and for an hour, and is in nobody's list.
func TestResetByMail(t *testing.T) {
	w := newWorld(t)
	var sent mailbox
	w = w.with(func(o *Options) { o.Mail, o.PublicURL = &sent, "https://evrik.club.example" })
	c := w.club("club", 0)
	old := w.as(c.head)
	a := w.agent()
	a.do("POST", "/api/reset", map[string]string{"email": "nobody@x.example"}, 204, nil)
	if len(sent.all) != 0 {
		t.Fatalf("mail to nobody: %+v", sent.all)
	}
	a.do("POST", "/api/reset", map[string]string{"email": strings.ToUpper(c.head)}, 204, nil)
	first := sent.link(t, "/reset/")
	a.do("POST", "/api/reset", map[string]string{"email": c.head}, 204, nil)
	link := sent.link(t, "/reset/")
	a.says("GET", "/api"+first, nil, 404, "does not work any more") // a newer one was asked for
	a.do("GET", "/api"+link, nil, 204, nil)
	a.says("POST", "/api"+link, map[string]string{"password": "short"}, 422, "10 to 200")
	const next = "a sentence from the mail"
	var in api.Session
	a.do("POST", "/api"+link, map[string]string{"password": next}, 200, &in)
	if in.State != api.In || in.Me.Email != c.head {
		t.Errorf("%+v", in)
	}
	w.agent().says("POST", "/api"+link, map[string]string{"password": next}, 404, "does not work any more")
	old.says("GET", "/api/staff", nil, 401, "not signed in")
	w.agent().do("POST", "/api/session", map[string]string{"email": c.head, "password": next}, 200, nil)
	a.do("POST", "/api/reset", map[string]string{"email": c.head}, 204, nil)
	late := sent.link(t, "/reset/")
	w.now = w.now.Add(resetLife + time.Minute)
	a.says("GET", "/api"+late, nil, 404, "does not work any more")
	var box []api.Mail
	a.do("GET", "/api/outbox", nil, 200, &box)
	if len(box) != 0 {
		t.Errorf("the program's list shows %+v", box)
	}
}

// A program keeps a head coach, even when two demote or remove each other at the same moment.
func TestLastHeadCoach(t *testing.T) {
	for round := range 6 {
		w := newWorld(t)
		c := w.club("club", 0)
		second := gen.InsertStaffParams{ID: uuid.New(), ProgramID: c.program, Name: "two", Email: "two@x.example", Role: "head", PasswordHash: goodHash}
		if err := w.db.InsertStaff(t.Context(), second); err != nil {
			t.Fatal(err)
		}
		one, two := w.as(c.head), w.as(second.Email)
		first, err := w.db.StaffByEmail(t.Context(), c.head)
		if err != nil {
			t.Fatal(err)
		}
		method, body := "PUT", any(map[string]string{"role": "assistant"})
		if round%2 == 1 {
			method, body = "DELETE", nil
		}
		var wg sync.WaitGroup
		wg.Go(func() { one.status(method, "/api/staff/"+second.ID.String(), body) })
		wg.Go(func() { two.status(method, "/api/staff/"+first.ID.String(), body) })
		wg.Wait()
		heads, err := w.db.CountHeads(t.Context(), c.program)
		if err != nil || heads != 1 {
			t.Fatalf("%d head coaches are left, %v", heads, err)
		}
	}
}

// Uploads that stall hold up nobody, and whoever may not import is not read from at all.
func TestStalledUploads(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 0)
	head := w.as(c.head)
	base, _ := strings.CutPrefix(w.server.URL, "http://")
	cookies := head.http.Jar.Cookies(mustURL(t, w.server.URL))
	for range 6 {
		conn, err := net.Dial("tcp", base)
		if err != nil {
			t.Fatal(err)
		}
		t.Cleanup(func() { conn.Close() })
		fmt.Fprintf(conn, "POST %s HTTP/1.1\r\nHost: %s\r\nContent-Type: application/octet-stream\r\nContent-Length: 1000000\r\n", archivePath, base)
		for _, k := range cookies {
			fmt.Fprintf(conn, "Cookie: %s=%s\r\n", k.Name, k.Value)
		}
		fmt.Fprint(conn, "\r\n{")
	}
	began := time.Now()
	for range 10 {
		head.do("GET", "/api/staff", nil, 200, nil)
	}
	if took := time.Since(began); took > 5*time.Second {
		t.Errorf("ten requests beside stalled uploads took %v", took)
	}
	if n := w.db.Pool.Stat().AcquiredConns(); n > 0 {
		t.Errorf("%d connections of the database wait for an upload", n)
	}
	res, err := http.Get(w.server.URL + "/healthz")
	if err != nil || res.StatusCode != 200 {
		t.Fatal(res, err)
	}
	res.Body.Close()
	// A stranger is answered before the body is asked for.
	conn, err := net.Dial("tcp", base)
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close()
	fmt.Fprintf(conn, "POST %s HTTP/1.1\r\nHost: %s\r\nContent-Type: application/octet-stream\r\nContent-Length: 1000000\r\n\r\n", archivePath, base)
	_ = conn.SetReadDeadline(time.Now().Add(10 * time.Second))
	line := make([]byte, 12)
	if _, err := io.ReadFull(conn, line); err != nil || string(line) != "HTTP/1.1 401" {
		t.Errorf("a stranger's upload is answered with %q, %v", line, err)
	}
}

// healthz answers while every connection of the pool is taken.
func TestHealthzWaitsForNothing(t *testing.T) {
	w := newWorld(t)
	for !w.db.Up() {
		time.Sleep(time.Millisecond)
	}
	for range w.db.Pool.Config().MaxConns {
		conn, err := w.db.Pool.Acquire(t.Context())
		if err != nil {
			t.Fatal(err)
		}
		defer conn.Release()
	}
	ctx, cancel := context.WithTimeout(t.Context(), 5*time.Second)
	defer cancel()
	req, _ := http.NewRequestWithContext(ctx, "GET", w.server.URL+"/healthz", nil)
	res, err := http.DefaultClient.Do(req)
	if err != nil || res.StatusCode != 200 {
		t.Fatal(res, err)
	}
	res.Body.Close()
}

// No key of a link gets into a log, whatever happens to the request.
func TestKeysStayOutOfLogs(t *testing.T) {
	w := newWorld(t)
	var log bytes.Buffer
	var mu sync.Mutex
	logger := slog.New(slog.NewJSONHandler(writerFunc(func(p []byte) (int, error) {
		mu.Lock()
		defer mu.Unlock()
		return log.Write(p)
	}), &slog.HandlerOptions{Level: slog.LevelDebug}))
	was := slog.Default()
	slog.SetDefault(logger)
	defer slog.SetDefault(was)
	w = w.with(func(o *Options) { o.Log = logger })
	const key = "SECRETKEYSECRETKEYSECRET"
	a := w.agent()
	paths := []string{"/join/" + key, "/eyes/" + key, "/reset/" + key, "/api/join/" + key, "/api/eyes/" + key + "?size=4", "/api/reset/" + key, "/calendar/" + key + ".ics", "/calendar/" + key}
	for _, method := range []string{"GET", "POST", "DELETE", "TRACE"} {
		for _, path := range paths {
			a.answered(t, method, path, `{"password":"`+key+`","name":"n"}`)
		}
	}
	w.db.Close() // and while nothing works
	for _, path := range paths {
		a.answered(t, "GET", path, "")
	}
	mu.Lock()
	defer mu.Unlock()
	if strings.Contains(log.String(), key) {
		t.Errorf("a key is in the log: %s", regexp.MustCompile(`.*`+key+`.*`).FindString(log.String()))
	}
	var line struct{ Msg, Method, Route string }
	if err := json.Unmarshal(bytes.SplitN(log.Bytes(), []byte("\n"), 2)[0], &line); err != nil || line.Msg != "request" || line.Method != "GET" {
		t.Errorf("the first line is %+v, %v", line, err)
	}
	if !strings.Contains(log.String(), "/api/join/:joinKey") {
		t.Error("requests are not named by their pattern")
	}
}

type writerFunc func([]byte) (int, error)

func (f writerFunc) Write(p []byte) (int, error) { return f(p) }

// Links in mail begin with the configured address, whatever the request says that its host is.
func TestLinksUseThePublicAddress(t *testing.T) {
	w := newWorld(t)
	var sent mailbox
	w = w.with(func(o *Options) { o.Mail, o.PublicURL = &sent, "https://evrik.club.example" })
	c := w.club("club", 0)
	head := w.as(c.head)
	body, _ := json.Marshal(map[string]string{"email": "new@x.example", "role": "assistant"})
	req, _ := http.NewRequest("POST", w.server.URL+"/api/invitations", bytes.NewReader(body))
	req.Host = "evil.example"
	req.Header.Set("Content-Type", "application/json")
	res, err := head.http.Do(req)
	if err != nil {
		t.Fatal(err)
	}
	res.Body.Close()
	for _, k := range head.http.Jar.Cookies(mustURL(t, w.server.URL)) {
		req.AddCookie(k)
	}
	if res, err = http.DefaultClient.Do(withBody(req, body)); err != nil || res.StatusCode != 201 {
		t.Fatal(res, err)
	}
	res.Body.Close()
	if m := sent.all[len(sent.all)-1]; strings.Contains(m.Text, "evil") || !strings.Contains(m.Text, "https://evrik.club.example/join/") {
		t.Errorf("the mail says %q", m.Text)
	}
}

// The first set-up over a network needs the code that was printed; on the machine itself it does not.
func TestSetupCode(t *testing.T) {
	w := newWorld(t).with(func(o *Options) { o.SetupCode = "ABCD-EFGH" })
	far := func(body any, status int) string {
		t.Helper()
		data, _ := json.Marshal(body)
		req, _ := http.NewRequest("POST", w.server.URL+"/api/setup", bytes.NewReader(data))
		req.Header.Set("Content-Type", "application/json")
		req.Header.Set("X-Forwarded-For", "203.0.113.7")
		res, err := http.DefaultClient.Do(req)
		if err != nil {
			t.Fatal(err)
		}
		defer res.Body.Close()
		said, _ := io.ReadAll(res.Body)
		if res.StatusCode != status {
			t.Fatalf("%d %s, want %d", res.StatusCode, said, status)
		}
		return string(said)
	}
	if said := far(firstCoach, 403); !strings.Contains(said, "code that was printed") {
		t.Error(said)
	}
	far(with(firstCoach, "code", "WRONGONE"), 403)
	req, _ := http.NewRequest("GET", w.server.URL+"/api/session", nil)
	req.Header.Set("X-Forwarded-For", "203.0.113.7")
	res, err := http.DefaultClient.Do(req)
	if err != nil {
		t.Fatal(err)
	}
	var s api.Session
	if err := json.NewDecoder(res.Body).Decode(&s); err != nil || s.NeedsCode == nil || !*s.NeedsCode {
		t.Errorf("a browser elsewhere is not told: %+v, %v", s, err)
	}
	res.Body.Close()
	s = api.Session{}
	w.agent().do("GET", "/api/session", nil, 200, &s)
	if s.NeedsCode != nil {
		t.Errorf("a browser here is asked for a code: %+v", s)
	}
	far(with(firstCoach, "code", "abcd efgh"), 200)
}

func TestSecurityHeaders(t *testing.T) {
	w := newWorld(t)
	get := func(w *world, path string) http.Header {
		t.Helper()
		res, err := http.Get(w.server.URL + path)
		if err != nil {
			t.Fatal(err)
		}
		res.Body.Close()
		return res.Header
	}
	plain := w.with(func(o *Options) {})
	for _, path := range []string{"/", "/api/session", "/join/x", "/nothing.js"} {
		h := get(plain, path)
		csp := h.Get("Content-Security-Policy")
		for _, want := range []string{"default-src 'none'", "frame-ancestors 'none'", "script-src 'self' 'sha256-"} {
			if !strings.Contains(csp, want) {
				t.Errorf("%s: %q lacks %q", path, csp, want)
			}
		}
		if strings.Contains(csp, "'unsafe-eval'") || strings.Contains(strings.SplitN(csp, "style-src", 2)[0], "'unsafe-inline'") {
			t.Errorf("%s: scripts may do anything: %q", path, csp)
		}
		if h.Get("X-Content-Type-Options") != "nosniff" || h.Get("X-Frame-Options") != "DENY" || h.Get("Referrer-Policy") == "" || h.Get("Permissions-Policy") == "" {
			t.Errorf("%s: %v", path, h)
		}
		if h.Get("Strict-Transport-Security") != "" {
			t.Errorf("%s: HTTPS is demanded where there is none", path)
		}
	}
	// The digest of the one script, by hand: openssl dgst -sha256 -binary | base64 of "start()".
	if csp := get(plain, "/").Get("Content-Security-Policy"); !strings.Contains(csp, "'sha256-"+base64.StdEncoding.EncodeToString(sum256("start()"))+"'") {
		t.Errorf("%q", csp)
	}
	secure := w.with(func(o *Options) { o.HTTPS = true })
	if got := get(secure, "/").Get("Strict-Transport-Security"); got != "max-age=31536000" {
		t.Errorf("HSTS %q", got)
	}
	c := w.club("club", 0)
	body, _ := json.Marshal(map[string]string{"email": c.head, "password": goodPassword})
	res, err := http.Post(secure.server.URL+"/api/session", "application/json", bytes.NewReader(body))
	if err != nil {
		t.Fatal(err)
	}
	res.Body.Close()
	if len(res.Cookies()) != 2 {
		t.Fatalf("%d cookies", len(res.Cookies()))
	}
	for _, k := range res.Cookies() {
		if !strings.HasPrefix(k.Name, "__Host-") || !k.Secure || k.Path != "/" || k.Domain != "" || !k.HttpOnly {
			t.Errorf("cookie %+v", k)
		}
	}
}

// What is measured is told to this machine alone.
func TestMetrics(t *testing.T) {
	w := newWorld(t)
	c, head, p, at := onFloor(w)
	head.do("POST", at+"/reps", batch(repEvent(p.Blocks[3].ID, c.players[0], 1, reads.Trail, reads.Curl)), 200, nil)
	res, err := http.Get(w.server.URL + "/metrics")
	if err != nil {
		t.Fatal(err)
	}
	defer res.Body.Close()
	text, _ := io.ReadAll(res.Body)
	for _, want := range []string{`evrik_request_seconds_count{method="POST",route="/api/teams/:teamId/practices/:practiceId/reps",status="200"} 1`,
		"evrik_rep_events_total 1", "evrik_database_up 1", "evrik_database_connections_max 16", "go_goroutines"} {
		if !strings.Contains(string(text), want) {
			t.Errorf("%q is not among the figures", want)
		}
	}
	req, _ := http.NewRequest("GET", w.server.URL+"/metrics", nil)
	req.Header.Set("X-Forwarded-For", "203.0.113.7")
	if res, err = http.DefaultClient.Do(req); err != nil || res.StatusCode != 404 {
		t.Errorf("%v, %v", res, err)
	}
	res.Body.Close()
}

// Only a named proxy is believed when it says where a request comes from.
func TestTrustedProxies(t *testing.T) {
	_, far, _ := net.ParseCIDR("198.51.100.0/24")
	for _, c := range []struct {
		proxies         []*net.IPNet
		from, says, got string
	}{
		{nil, "127.0.0.1", "203.0.113.7", "203.0.113.7"},
		{nil, "198.51.100.4", "203.0.113.7", "198.51.100.4"},
		{[]*net.IPNet{far}, "198.51.100.4", "203.0.113.7", "203.0.113.7"},
		{[]*net.IPNet{far}, "198.51.100.4", "203.0.113.7, 198.51.100.9", "203.0.113.7"},
		{[]*net.IPNet{far}, "192.0.2.1", "203.0.113.7", "192.0.2.1"},
	} {
		req := httptest.NewRequest("GET", "/", nil)
		req.RemoteAddr = c.from + ":1"
		req.Header.Set("X-Forwarded-For", c.says)
		if got := trust(c.proxies)(req); got != c.got {
			t.Errorf("%+v: %s", c, got)
		}
	}
}

// Teams are added, renamed, archived and deleted; one is always left to open.
func TestTeams(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 2)
	head := w.as(c.head)
	head.says("POST", "/api/teams", map[string]string{"name": "CLUB", "ages": "12-14"}, 409, "a team called club already")
	head.says("POST", "/api/teams", map[string]string{"name": "a\u202eb", "ages": "12-14"}, 422, "team's name")
	head.says("POST", "/api/teams", map[string]string{"name": "U16", "ages": "moon"}, 422, "age group")
	var made api.TeamEntry
	head.do("POST", "/api/teams", map[string]string{"name": "U16", "ages": "12-14"}, 201, &made)
	at := "/api/teams/" + made.Id.String()
	head.do("GET", at+"/now", nil, 200, nil)
	var s api.Session
	names := func() (out []string) {
		t.Helper()
		s = api.Session{}
		head.do("GET", "/api/session", nil, 200, &s)
		for _, team := range s.Teams {
			out = append(out, team.Name)
		}
		return out
	}
	if got := fmt.Sprint(names()); got != "[club U16]" {
		t.Errorf("teams %s", got)
	}
	head.do("PUT", c.path("/archived"), map[string]bool{"archived": true}, 204, nil)
	if got := fmt.Sprint(names()); got != "[U16]" {
		t.Errorf("teams %s", got)
	}
	head.says("PUT", at+"/archived", map[string]bool{"archived": true}, 409, "needs a team to open")
	head.says("POST", at+"/delete", map[string]string{"name": "U16"}, 409, "needs a team to open")
	var list []api.TeamEntry
	head.do("GET", "/api/teams", nil, 200, &list)
	if len(list) != 2 || !list[0].Archived || list[0].Players != 2 || list[1].Archived {
		t.Errorf("%+v", list)
	}
	head.do("PUT", c.path("/archived"), map[string]bool{"archived": false}, 204, nil)
	head.says("POST", c.path("/delete"), map[string]string{"name": "clubs"}, 409, "not the team's")
	head.do("POST", c.path("/delete"), map[string]string{"name": "club"}, 204, nil)
	if got := fmt.Sprint(names()); got != "[U16]" {
		t.Errorf("teams %s", got)
	}
	var players int
	if err := w.db.Pool.QueryRow(t.Context(), "SELECT count(*) FROM players").Scan(&players); err != nil || players != 0 {
		t.Errorf("%d players are left, %v", players, err)
	}
}

// An import is undone as a whole, by who may, once.
func TestUndoImport(t *testing.T) {
	w := newWorld(t)
	_, head, _, _ := onFloor(w)
	doc := head.do("GET", "/api/program/archive", nil, 200, nil)
	other := w.club("other", 0)
	there := w.as(other.head)
	var got api.ArchiveReceipt
	there.do("POST", "/api/program/archive", doc, 200, &got)
	var list []api.Imported
	there.do("GET", "/api/program/imports", nil, 200, &list)
	if len(list) != 1 || list[0].Id != got.Id || list[0].Players != 8 || list[0].Who != "head" || len(list[0].Teams) != 1 {
		t.Fatalf("%+v", list)
	}
	head.says("DELETE", "/api/program/imports/"+got.Id.String(), nil, 404, "not there any more")
	there.do("DELETE", "/api/program/imports/"+got.Id.String(), nil, 204, nil)
	var teams []api.TeamEntry
	there.do("GET", "/api/teams", nil, 200, &teams)
	if len(teams) != 1 {
		t.Errorf("%+v", teams)
	}
	there.says("DELETE", "/api/program/imports/"+got.Id.String(), nil, 404, "not there any more")
	there.do("POST", "/api/program/archive", doc, 200, nil)
}

// A calendar file holds no bare control character, whatever a note does.
func TestCalendarHoldsNoControlCharacters(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 2)
	head := w.as(c.head)
	plan := planFor(c)
	plan["note"] = "one\x0btwo\rthree\x1b[31m\x7f\nfour\tfive"
	var p api.Practice
	head.do("POST", c.path("/practices"), plan, 201, &p)
	text := head.do("GET", c.path("/practices/"+p.Id.String()+"/export?format=ics"), nil, 200, nil)
	for i, line := range strings.Split(text, "\r\n") {
		if strings.ContainsFunc(line, func(r rune) bool { return unicode.IsControl(r) && r != '\t' }) {
			t.Errorf("line %d: %q", i+1, line)
		}
	}
	for _, want := range []string{"onetwothree", `\nfour`} {
		if !strings.Contains(strings.ReplaceAll(text, "\r\n ", ""), want) {
			t.Errorf("%q is not in %q", want, text)
		}
	}
}

// Where a coach's notes hold the name of an erased player, they are listed.
func TestErasingListsNotes(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 2)
	head := w.as(c.head)
	name := map[string]any{"jersey": "0", "name": "Ada", "handler": false, "wing": false, "big": false, "shooter": false}
	at := c.path("/players/" + c.players[0].String())
	head.do("PUT", at, name, 200, nil)
	plan := planFor(c)
	plan["note"] = "Bring cones.\nada: shorter steps"
	var p api.Practice
	head.do("POST", c.path("/practices"), plan, 201, &p)
	var got api.Erased
	head.do("DELETE", at, nil, 200, &got)
	if len(got.Notes) != 1 || got.Notes[0].Id != p.Id || got.Notes[0].Text != "ada: shorter steps" {
		t.Errorf("%+v", got)
	}
	head.do("DELETE", c.path("/players/"+c.players[1].String()), nil, 200, &got)
	if len(got.Notes) != 0 {
		t.Errorf("%+v", got)
	}
}

// The private database is killed without warning while several devices log. Requests wait a little
// or get a clear 503; within ten seconds everything works again, nothing that was acknowledged is
// lost and nothing is doubled.
func TestDatabaseKilledUnderLoad(t *testing.T) {
	url, kill := pgtest.Watched(t)
	if err := store.Migrate(t.Context(), url); err != nil {
		t.Fatal(err)
	}
	db, err := store.Open(t.Context(), url)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(db.Close)
	w := worldOn(t, db)
	c, head, p, at := onFloor(w)
	stop := make(chan bool)
	var mu sync.Mutex
	acknowledged, unavailable := 0, 0
	var wg sync.WaitGroup
	const devices = 4
	for d := range devices {
		wg.Go(func() {
			for n := 1; ; n++ {
				select {
				case <-stop:
					return
				default:
				}
				e := repEvent(p.Blocks[3].ID, c.players[d], n, reads.Trail, reads.Curl)
				for {
					status := head.status("POST", at+"/reps", batch(e))
					if status == 200 {
						break
					}
					if status != 503 {
						t.Errorf("a device was answered with %d", status)
						return
					}
					mu.Lock()
					unavailable++
					mu.Unlock()
				}
				mu.Lock()
				acknowledged++
				mu.Unlock()
			}
		})
	}
	count := func() int {
		mu.Lock()
		defer mu.Unlock()
		return acknowledged
	}
	for count() < 40 {
		time.Sleep(time.Millisecond)
	}
	began := time.Now()
	kill()
	// What was under way ends; then all devices get on.
	for settled := count() + 2*devices; count() < settled; {
		time.Sleep(time.Millisecond)
		if time.Since(began) > 30*time.Second {
			t.Fatal("nothing works half a minute after the database was killed")
		}
	}
	took := time.Since(began)
	close(stop)
	wg.Wait()
	if took > 10*time.Second {
		t.Errorf("recovered after %v, wanted within 10 s", took)
	}
	var stored, once int
	if err := db.Pool.QueryRow(t.Context(), "SELECT count(*), count(DISTINCT (player_id, rep_no)) FROM rep_events").Scan(&stored, &once); err != nil {
		t.Fatal(err)
	}
	t.Logf("recovered after %v; %d reps acknowledged, %d answers of 503; lost = %d, doubled = %d", took.Round(time.Millisecond), count(), unavailable, count()-once, stored-once)
	if stored != count() || once != count() {
		t.Errorf("%d reps were acknowledged, %d are stored, %d of them once", count(), stored, once)
	}
}

// mailbox is a mail server that keeps everything.
type mailbox struct{ all []mail.Message }

func (m *mailbox) Send(_ context.Context, msg mail.Message, _ time.Time) error {
	m.all = append(m.all, msg)
	return nil
}

// link is the path of the link in the newest message.
func (m *mailbox) link(t *testing.T, begins string) string {
	t.Helper()
	if len(m.all) == 0 {
		t.Fatal("no mail")
	}
	text := m.all[len(m.all)-1].Text
	link := regexp.MustCompile(`https://evrik\.club\.example(` + begins + `\S+)`).FindStringSubmatch(text)
	if link == nil {
		t.Fatalf("no link in %q", text)
	}
	return link[1]
}

func mustURL(t *testing.T, s string) *url.URL {
	t.Helper()
	u, err := url.Parse(s)
	if err != nil {
		t.Fatal(err)
	}
	return u
}

func withBody(r *http.Request, body []byte) *http.Request {
	r.Body = io.NopCloser(bytes.NewReader(body))
	return r
}

func sum256(s string) []byte {
	sum := sha256.Sum256([]byte(s))
	return sum[:]
}
