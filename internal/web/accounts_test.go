package web

import (
	"net/http"
	"strings"
	"testing"

	"github.com/google/uuid"

	"evrik/core/reads"
	"evrik/internal/app/tries"
	"evrik/internal/web/api"
)

var firstCoach = map[string]string{"program": "Club", "team": "U14", "ages": "12-14", "name": "Ann",
	"email": "ann@x.example", "password": goodPassword}

func with(m map[string]string, key, value string) map[string]string {
	out := map[string]string{}
	for k, v := range m {
		out[k] = v
	}
	out[key] = value
	return out
}

func TestFirstStartAsksForTheHeadCoach(t *testing.T) {
	w := newWorld(t)
	a := w.agent()
	var s api.Session
	a.do("GET", "/api/session", nil, 200, &s)
	if s.State != api.Setup {
		t.Fatalf("state %q", s.State)
	}
	for code, bodies := range map[string][]map[string]string{
		"account.text-length": {
			with(firstCoach, "program", " "), with(firstCoach, "team", strings.Repeat("x", 81)),
			with(firstCoach, "name", "a\x00b"),
		},
		"account.age-group":      {with(firstCoach, "ages", "moon")},
		"account.email":          {with(firstCoach, "email", "nobody")},
		"signin.password-length": {with(firstCoach, "password", "short")},
	} {
		for _, body := range bodies {
			a.refused("POST", "/api/setup", body, 422, code)
		}
	}
	a.do("POST", "/api/setup", firstCoach, 200, &s)
	if s.State != api.In || s.Me.Role != api.PersonRoleHead || len(s.Teams) != 1 || *s.Program != "Club" {
		t.Fatalf("after set-up: %+v", s)
	}
	if most := s.Teams[0].Longest; most == nil || *most != 90 {
		t.Errorf("the longest practice for ages 12 to 14 is %v min, the guideline says 90", most)
	}
	w.agent().refused("POST", "/api/setup", firstCoach, 409, "account.already-set-up")
	w.as("ann@x.example").do("GET", "/api/teams/"+s.Teams[0].Id.String(), nil, 200, nil)
}

func TestSignInAndOut(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 0)
	var s api.Session
	w.agent().do("GET", "/api/session", nil, 200, &s)
	if s.State != api.Out || s.Demo != nil {
		t.Fatalf("state %+v", s)
	}
	w.agent().refused("POST", "/api/session", map[string]string{"email": c.head, "password": "wrong"}, 401,
		"signin.no-match")
	w.agent().refused("POST", "/api/session", map[string]string{"email": "x@y.example", "password": "wrong"}, 401,
		"signin.no-match")

	one, two := w.as(strings.ToUpper(c.head)), w.as(c.head)
	one.do("DELETE", "/api/session", nil, 204, nil)
	one.refused("GET", "/api/staff", nil, 401, "role.signed-out")
	two.do("GET", "/api/staff", nil, 200, nil)
	three := w.as(c.head)
	three.do("DELETE", "/api/session?everywhere=true", nil, 204, nil)
	two.refused("GET", "/api/staff", nil, 401, "role.signed-out")
	w.as(c.head).do("GET", "/api/staff", nil, 200, nil)
}

// One place that guesses is closed; a proxy on this machine tells places apart.
func TestSignInLimitTellsPlacesApart(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 0)
	try := func(place, email, password string) int {
		t.Helper()
		req, _ := http.NewRequest("POST", w.server.URL+"/api/session",
			strings.NewReader(`{"email":"`+email+`","password":"`+password+`"}`))
		req.Header.Set("Content-Type", "application/json")
		req.Header.Set("X-Forwarded-For", place)
		res, err := w.agent().http.Do(req)
		if err != nil {
			t.Fatal(err)
		}
		res.Body.Close()
		return res.StatusCode
	}
	for i := range tries.Most {
		if got := try("203.0.113.9", strings.Repeat("x", i+1)+"@y.example", "guess"); got != 401 {
			t.Fatalf("guess %d: %d", i, got)
		}
	}
	if got := try("203.0.113.9", c.head, goodPassword); got != 429 {
		t.Errorf("the guessing place gets %d", got)
	}
	if got := try("203.0.113.10", c.head, goodPassword); got != 200 {
		t.Errorf("another place gets %d", got)
	}
}

func TestSessionCookieAndOtherSites(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 0)
	a := w.agent()
	body := `{"email":"` + c.head + `","password":"` + goodPassword + `"}`
	res, err := a.http.Post(w.server.URL+"/api/session", "application/json", strings.NewReader(body))
	if err != nil {
		t.Fatal(err)
	}
	res.Body.Close()
	cookie := res.Cookies()[0]
	if !cookie.HttpOnly || cookie.SameSite != http.SameSiteLaxMode {
		t.Errorf("cookie %+v", cookie)
	}
	for name, header := range map[string][2]string{
		"origin": {"Origin", "https://elsewhere.example"}, "fetch metadata": {"Sec-Fetch-Site", "cross-site"},
	} {
		req, _ := http.NewRequest("DELETE", w.server.URL+"/api/session", nil)
		req.Header.Set(header[0], header[1])
		res, err := a.http.Do(req)
		if err != nil {
			t.Fatal(err)
		}
		res.Body.Close()
		if res.StatusCode != http.StatusForbidden {
			t.Errorf("%s: a request from another site got %d", name, res.StatusCode)
		}
	}
	a.do("GET", "/api/staff", nil, 200, nil) // still signed in
	req, _ := http.NewRequest("POST", w.server.URL+"/api/session", strings.NewReader(body))
	req.Header.Set("Content-Type", "text/plain")
	res, err = a.http.Do(req)
	if err != nil {
		t.Fatal(err)
	}
	res.Body.Close()
	if res.StatusCode != http.StatusUnsupportedMediaType {
		t.Errorf("a form's content type got %d", res.StatusCode)
	}
}

// invite has a head coach invite somebody and returns the link's path in the contract.
func invite(a *agent, email, role string) (link string, id uuid.UUID) {
	a.t.Helper()
	var made api.InvitationLink
	a.do("POST", "/api/invitations", map[string]string{"email": email, "role": role}, 201, &made)
	return "/api" + made.Path, made.Invitation.Id
}

// A coach comes in by a link that works once, with the role that was meant; the head
// coach changes it, removes the account, and everything is written down.
func TestStaff(t *testing.T) {
	w := newWorld(t)
	c, other := w.club("club", 1), w.club("other", 0)
	head := w.as(c.head)
	link, _ := invite(head, "bo@x.example", "assistant")
	var view api.InvitationView
	bo := w.agent()
	bo.do("GET", link, nil, 200, &view)
	if view.Program != "club" || view.Role != "assistant" || view.Email != "bo@x.example" {
		t.Errorf("%+v", view)
	}
	var in api.Session
	bo.do("POST", link, map[string]string{"name": "Bo", "password": goodPassword}, 200, &in)
	if in.Me == nil || in.Me.Name != "Bo" || in.Me.Role != "assistant" {
		t.Errorf("%+v", in.Me)
	}
	bo.refused("POST", "/api/invitations", map[string]string{"email": "eve@x.example", "role": "viewer"}, 403,
		"role.head-coach")
	// The mail says the link; it is in the simulated outbox.
	var box []api.Mail
	head.do("GET", "/api/outbox", nil, 200, &box)
	if len(box) != 1 || box[0].To != "bo@x.example" {
		t.Errorf("outbox: %+v", box)
	}
	withdrawn, id := invite(head, "eve@x.example", "viewer")
	var open []api.Invitation
	head.do("GET", "/api/invitations", nil, 200, &open)
	if len(open) != 1 || open[0].Id != id || open[0].InvitedBy != "head" {
		t.Errorf("open: %+v", open)
	}
	head.do("DELETE", "/api/invitations/"+id.String(), nil, 204, nil)
	w.agent().refused("POST", withdrawn, map[string]string{"name": "Eve", "password": goodPassword}, 404,
		"coach.link-dead")
	staff := "/api/staff/" + in.Me.Id.String()
	w.as(other.head).refused("DELETE", staff, nil, 404, "coach.missing")
	w.as(other.head).refused("PUT", staff, map[string]string{"role": "viewer"}, 404, "coach.missing")
	head.do("PUT", staff, map[string]string{"role": "viewer"}, 200, nil)
	bo.refused("POST", c.path("/practices"), planFor(c), 403, "role.viewer")
	bo.do("GET", c.path("/board?role=all"), nil, 200, nil)
	var list []api.Person
	head.do("GET", "/api/staff", nil, 200, &list)
	if len(list) != 4 {
		t.Fatalf("%d coaches", len(list))
	}
	head.do("DELETE", c.path("/players/"+c.players[0].String()), nil, 200, nil)
	head.do("DELETE", staff, nil, 204, nil)
	bo.refused("GET", c.path("/now"), nil, 401, "role.signed-out")
	var log []api.AuditEntry
	head.do("GET", "/api/program/audit", nil, 200, &log)
	said := map[string]bool{}
	for _, e := range log {
		said[e.Who+" "+e.What+" "+e.Team] = true
		if strings.Contains(e.What, "P0") {
			t.Errorf("a player is named: %+v", e)
		}
	}
	for _, want := range []string{"Bo joined as assistant ", "head invited somebody ", "head withdrew an invitation ",
		"head changed a coach's role ", "head removed a coach ", "head erased a player and the record club"} {
		if !said[want] {
			t.Errorf("not written down: %q in %v", want, said)
		}
	}
}

// The archive goes out and comes in through the server, and how long reps are kept can
// be set.
func TestArchiveAndKeeping(t *testing.T) {
	w := newWorld(t)
	c, head, p, at := onFloor(w)
	head.do("POST", at+"/reps", batch(repEvent(p.Blocks[3].ID, c.players[0], 1, reads.Trail, reads.Curl)), 200, nil)
	doc := head.do("GET", "/api/program/archive", nil, 200, nil)
	other := w.club("other", 0)
	there := w.as(other.head)
	var got api.ArchiveReceipt
	there.do("POST", "/api/program/archive", doc, 200, &got)
	if got.Players != 8 || got.Events != 1 || got.Practices != 1 {
		t.Errorf("%+v", got)
	}
	there.refused("POST", "/api/program/archive", doc, 422, "archive.here-already-at")
	third := w.as(w.club("third", 0).head)
	third.refused("POST", "/api/program/archive", doc[:len(doc)/2], 422, "archive.cut-at")
	w.as(c.helper).refused("GET", "/api/program/archive", nil, 403, "role.head-coach")
	var keeping api.Keeping
	head.do("PUT", "/api/program/settings", map[string]int{"keepMonths": 12}, 200, nil)
	head.do("GET", "/api/program/settings", nil, 200, &keeping)
	if keeping.KeepMonths != 12 {
		t.Errorf("%+v", keeping)
	}
}
