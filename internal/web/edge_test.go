package web

import (
	"bytes"
	"crypto/sha256"
	"encoding/base64"
	"encoding/json"
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
	"time"

	"evrik/core/reads"
	"evrik/internal/web/api"
)

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
	paths := []string{"/join/" + key, "/quiz/" + key, "/reset/" + key, "/api/join/" + key,
		"/api/quiz/" + key + "?size=4", "/api/reset/" + key, "/calendar/" + key + ".ics", "/calendar/" + key}
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
	if err := json.Unmarshal(bytes.SplitN(log.Bytes(), []byte("\n"), 2)[0], &line); err != nil ||
		line.Msg != "request" || line.Method != "GET" {
		t.Errorf("the first line is %+v, %v", line, err)
	}
	if !strings.Contains(log.String(), "/api/join/:joinKey") {
		t.Error("requests are not named by their pattern")
	}
}

type writerFunc func([]byte) (int, error)

func (f writerFunc) Write(p []byte) (int, error) { return f(p) }

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
		if strings.Contains(csp, "'unsafe-eval'") ||
			strings.Contains(strings.SplitN(csp, "style-src", 2)[0], "'unsafe-inline'") {
			t.Errorf("%s: scripts may do anything: %q", path, csp)
		}
		if h.Get("X-Content-Type-Options") != "nosniff" || h.Get("X-Frame-Options") != "DENY" ||
			h.Get("Referrer-Policy") == "" || h.Get("Permissions-Policy") == "" {
			t.Errorf("%s: %v", path, h)
		}
		if h.Get("Strict-Transport-Security") != "" {
			t.Errorf("%s: HTTPS is demanded where there is none", path)
		}
	}
	// The digest of the one script, by hand: openssl dgst -sha256 -binary | base64 of "start()".
	if csp := get(plain, "/").Get("Content-Security-Policy"); !strings.Contains(csp,
		"'sha256-"+base64.StdEncoding.EncodeToString(sum256("start()"))+"'") {
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

// A slow answer is warned of; a stream may last, and files are only told of to those who look closely.
func TestSlowAnswersAreWarnedOf(t *testing.T) {
	stream := http.Header{}
	stream.Set(unbuffered, "no")
	for _, c := range []struct {
		route  string
		answer http.Header
		took   time.Duration
		want   slog.Level
	}{
		{"/api/session", http.Header{}, slowAnswer, slog.LevelInfo},
		{"/api/session", http.Header{}, slowAnswer + 1, slog.LevelWarn},
		{"page", http.Header{}, slowAnswer + 1, slog.LevelWarn},
		{"page", http.Header{}, 0, slog.LevelDebug},
		{"/api/teams/:teamId/offenses/compare", stream, time.Minute, slog.LevelInfo},
	} {
		if got := importance(c.route, c.answer, c.took); got != c.want {
			t.Errorf("%s after %v: %v, want %v", c.route, c.took, got, c.want)
		}
	}
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

func mustURL(t *testing.T, s string) *url.URL {
	t.Helper()
	u, err := url.Parse(s)
	if err != nil {
		t.Fatal(err)
	}
	return u
}

func sum256(s string) []byte {
	sum := sha256.Sum256([]byte(s))
	return sum[:]
}

// Refusals are problem details (RFC 9457) with a code that programs go by.
func TestRefusalsAreProblemDetails(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 1)
	head := w.as(c.head)
	for _, tc := range []struct {
		agent        *agent
		method, path string
		body         any
		status       int
		code         string
	}{
		{w.agent(), "GET", c.path("/now"), nil, 401, "role.signed-out"},
		{w.as(c.viewer), "POST", c.path("/practices"), planFor(c), 403, "role.viewer"},
		{head, "GET", "/api/nothing", nil, 404, "request.missing"},
		{head, "POST", c.path("/players"), map[string]any{"jersey": "x"}, 422, "request.does-not-fit"},
		{head, "PATCH", c.path("/players"), nil, 405, "request.method"},
	} {
		var p api.Problem
		got := tc.agent.raw(tc.method, tc.path, tc.body)
		if err := json.Unmarshal(got.body, &p); err != nil || got.status != tc.status ||
			got.kind != "application/problem+json" {
			t.Errorf("%s %s: %d %s %v: %s", tc.method, tc.path, got.status, got.kind, err, clip(got.body))
			continue
		}
		if p.Code != tc.code || p.Status != tc.status || p.Type != "about:blank" || p.Title == "" ||
			!strings.HasSuffix(p.Detail, ".") {
			t.Errorf("%s %s: %+v", tc.method, tc.path, p)
		}
	}
}
