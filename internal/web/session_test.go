package web

import (
	"context"
	"io"
	"net/http"
	"net/http/httptest"
	"sync"
	"testing"
	"time"

	"evrik/internal/store"
	"evrik/internal/web/api"
)

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
	a.refused("GET", "/api/staff", nil, 401, "role.signed-out")
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
		"sign-out": func(a *agent) { a.do("DELETE", "/api/session", nil, 204, nil) },
		"sign-out everywhere": func(a *agent) {
			w.as(c.helper).do("DELETE", "/api/session?everywhere=true", nil, 204, nil)
		},
		"removal": func(a *agent) { head.do("DELETE", "/api/staff/"+helper, nil, 204, nil) },
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

// Whoever has left before the session was read is no fault of the server's; a database that does not answer is.
func TestSessionOfWhoeverHasLeft(t *testing.T) {
	s := &Server{now: time.Now}
	fail := s.newSessions(newWorld(t).db).ErrorFunc
	for _, c := range []struct {
		leave  bool
		status int
	}{{true, givenUp.status}, {false, http.StatusServiceUnavailable}} {
		ctx, leave := context.WithCancel(t.Context())
		if c.leave {
			leave()
		}
		answer := httptest.NewRecorder()
		fail(answer, httptest.NewRequestWithContext(ctx, "GET", "/api/session", nil), io.ErrUnexpectedEOF)
		leave()
		if answer.Code != c.status {
			t.Errorf("left: %v is answered with %d, want %d", c.leave, answer.Code, c.status)
		}
	}
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
