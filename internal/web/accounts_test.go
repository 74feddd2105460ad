package web

import (
	"net/http"
	"strings"
	"testing"

	"evrik/internal/web/api"
)

var firstCoach = map[string]string{"program": "Club", "team": "U14", "ages": "12-14", "name": "Ann", "email": "ann@x.example", "password": goodPassword}

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
	for text, body := range map[string]map[string]string{
		"program's name":    with(firstCoach, "program", " "),
		"team's name":       with(firstCoach, "team", strings.Repeat("x", 81)),
		"age group":         with(firstCoach, "ages", "moon"),
		"Your name":         with(firstCoach, "name", "a\x00b"),
		"email":             with(firstCoach, "email", "nobody"),
		"at least 10 chara": with(firstCoach, "password", "short"),
	} {
		a.says("POST", "/api/setup", body, 422, text)
	}
	a.do("POST", "/api/setup", firstCoach, 200, &s)
	if s.State != api.In || s.Me.Role != api.PersonRoleHead || len(s.Teams) != 1 || *s.Program != "Club" {
		t.Fatalf("after set-up: %+v", s)
	}
	w.agent().says("POST", "/api/setup", firstCoach, 409, "set up already")
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
	w.agent().says("POST", "/api/session", map[string]string{"email": c.head, "password": "wrong"}, 401, "do not match")
	w.agent().says("POST", "/api/session", map[string]string{"email": "x@y.example", "password": "wrong"}, 401, "do not match")

	one, two := w.as(strings.ToUpper(c.head)), w.as(c.head)
	one.do("DELETE", "/api/session", nil, 204, nil)
	one.says("GET", "/api/staff", nil, 401, "not signed in")
	two.do("GET", "/api/staff", nil, 200, nil)
	three := w.as(c.head)
	three.do("DELETE", "/api/session?everywhere=true", nil, 204, nil)
	two.says("GET", "/api/staff", nil, 401, "not signed in")
	w.as(c.head).do("GET", "/api/staff", nil, 200, nil)
}

func TestSignInIsLimited(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 0)
	for range signInTries {
		w.agent().do("POST", "/api/session", map[string]string{"email": c.head, "password": "guess"}, 401, nil)
	}
	w.agent().says("POST", "/api/session", map[string]string{"email": c.head, "password": goodPassword}, 429, "Wait 10 minutes")
	w.now = w.now.Add(signInWindow + 1e9)
	// The failures carry the database's own time; the limit looks back from the
	// server's, so that once the window has passed the door is open again.
	if _, err := w.db.Pool.Exec(t.Context(), "UPDATE sign_in_failures SET at = $1", evening); err != nil {
		t.Fatal(err)
	}
	w.as(c.head)
}

// One place that guesses is closed; a proxy on this machine tells places apart.
func TestSignInLimitTellsPlacesApart(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 0)
	try := func(place, email, password string) int {
		t.Helper()
		req, _ := http.NewRequest("POST", w.server.URL+"/api/session", strings.NewReader(`{"email":"`+email+`","password":"`+password+`"}`))
		req.Header.Set("Content-Type", "application/json")
		req.Header.Set("X-Forwarded-For", place)
		res, err := w.agent().http.Do(req)
		if err != nil {
			t.Fatal(err)
		}
		res.Body.Close()
		return res.StatusCode
	}
	for i := range signInTries {
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

func TestStaff(t *testing.T) {
	w := newWorld(t)
	c, other := w.club("club", 0), w.club("other", 0)
	head := w.as(c.head)
	var made api.Person
	fresh := map[string]string{"name": "Bo", "email": "bo@x.example", "role": "assistant", "password": goodPassword}
	head.do("POST", "/api/staff", fresh, 201, &made)
	head.says("POST", "/api/staff", with(fresh, "email", "BO@x.example"), 409, "account with this email")
	head.do("POST", "/api/staff", with(fresh, "role", "owner"), 422, nil)
	bo := w.as("bo@x.example")
	bo.says("POST", "/api/staff", fresh, 403, "Only the head coach")
	w.as(other.head).says("DELETE", "/api/staff/"+made.Id.String(), nil, 404, "not in your program")
	var list []api.Person
	head.do("GET", "/api/staff", nil, 200, &list)
	if len(list) != 3 {
		t.Fatalf("%d coaches", len(list))
	}
	for _, p := range list {
		if p.Email == c.head {
			head.says("DELETE", "/api/staff/"+p.Id.String(), nil, 409, "your own account")
		}
	}
	head.do("DELETE", "/api/staff/"+made.Id.String(), nil, 204, nil)
	bo.says("GET", "/api/staff", nil, 401, "not signed in")
}
