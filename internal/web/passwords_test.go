package web

import (
	"bytes"
	"context"
	"encoding/json"
	"io"
	"net/http"

	"regexp"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/internal/mail"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// A password is changed by who knows the old one; other devices are signed out, this one stays.
func TestChangePassword(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 0)
	here, there := w.as(c.head), w.as(c.head)
	const next = "another long sentence"
	here.refused("PUT", "/api/session/password", map[string]string{"old": "wrong", "new": next}, 422,
		"password.old-wrong")
	there.do("GET", "/api/staff", nil, 200, nil)
	here.do("PUT", "/api/session/password", map[string]string{"old": goodPassword, "new": next}, 204, nil)
	here.do("GET", "/api/staff", nil, 200, nil)
	there.refused("GET", "/api/staff", nil, 401, "role.signed-out")
	w.agent().do("POST", "/api/session", map[string]string{"email": c.head, "password": goodPassword}, 401, nil)
	w.agent().do("POST", "/api/session", map[string]string{"email": c.head, "password": next}, 200, nil)
	w.as(c.helper).do("GET", "/api/staff", nil, 200, nil) // nobody else's
	var log []api.AuditEntry
	here.do("GET", "/api/program/audit", nil, 200, &log)
	if len(log) == 0 || log[0].What != "changed the own password" {
		t.Errorf("written down: %+v", log)
	}
}

// A link to a new password is mailed, ends all sessions of before, and is in nobody's list.
func TestResetByMail(t *testing.T) {
	w := newWorld(t)
	var sent mailbox
	w = w.with(func(o *Options) { o.Mail, o.PublicURL = &sent, "https://evrik.club.example" })
	c := w.club("club", 0)
	old := w.as(c.head)
	a := w.agent()
	a.do("POST", "/api/reset", map[string]string{"email": "nobody@x.example"}, 204, nil)
	a.do("POST", "/api/reset", map[string]string{"email": c.head}, 204, nil)
	link := sent.link(t, "/reset/")
	a.do("GET", "/api"+link, nil, 204, nil)
	const next = "a sentence from the mail"
	var in api.Session
	a.do("POST", "/api"+link, map[string]string{"password": next}, 200, &in)
	if in.State != api.In || in.Me.Email != c.head {
		t.Errorf("%+v", in)
	}
	w.agent().refused("POST", "/api"+link, map[string]string{"password": next}, 404, "password.link-dead")
	old.refused("GET", "/api/staff", nil, 401, "role.signed-out")
	w.agent().do("POST", "/api/session", map[string]string{"email": c.head, "password": next}, 200, nil)
	var box []api.Mail
	a.do("GET", "/api/outbox", nil, 200, &box)
	if len(box) != 0 {
		t.Errorf("the program's list shows %+v", box)
	}
}

// A program keeps a head coach, even when two demote or remove each other at the same moment.
func TestLastHeadCoach(t *testing.T) {
	for round := range 2 {
		w := newWorld(t)
		c := w.club("club", 0)
		second := gen.InsertStaffParams{ID: uuid.New(), ProgramID: c.program, Name: "two", Email: "two@x.example",
			Role: "head", PasswordHash: goodHash}
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
		// Both are let in while each is a head coach, and wait for the same lock.
		held, err := w.db.Pool.Begin(t.Context())
		if err != nil {
			t.Fatal(err)
		}
		if _, err := held.Exec(t.Context(), "SELECT 1 FROM programs FOR UPDATE"); err != nil {
			t.Fatal(err)
		}
		var wg sync.WaitGroup
		wg.Go(func() { one.status(method, "/api/staff/"+second.ID.String(), body) })
		wg.Go(func() { two.status(method, "/api/staff/"+first.ID.String(), body) })
		for waiting := 0; waiting < 2; {
			sql := "SELECT count(*) FROM pg_stat_activity WHERE datname = current_database() AND " +
				"wait_event_type = 'Lock'"
			if err := w.db.Pool.QueryRow(t.Context(), sql).Scan(&waiting); err != nil {
				t.Fatal(err)
			}
		}
		if err := held.Commit(t.Context()); err != nil {
			t.Fatal(err)
		}
		wg.Wait()
		var heads int
		err = w.db.Pool.QueryRow(t.Context(), "SELECT count(*) FROM staff WHERE program_id = $1 AND role = 'head'",
			c.program).Scan(&heads)
		if err != nil || heads != 1 {
			t.Fatalf("%d head coaches are left, %v", heads, err)
		}
	}
}

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
	if m := sent.all[len(sent.all)-1]; strings.Contains(m.Text, "evil") ||
		!strings.Contains(m.Text, "https://evrik.club.example/join/") {
		t.Errorf("the mail says %q", m.Text)
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

func withBody(r *http.Request, body []byte) *http.Request {
	r.Body = io.NopCloser(bytes.NewReader(body))
	return r
}
