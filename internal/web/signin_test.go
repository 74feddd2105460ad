package web

import (
	"bytes"
	"encoding/json"
	"io"
	"net/http"
	"strings"
	"sync"
	"testing"

	"evrik/internal/app/tries"
	"evrik/internal/web/api"
)

// However many passwords are tried at once, few are checked, and few at a time.
func TestGuessesAtOnce(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 0)
	const guesses = 40
	statuses := make([]int, guesses)
	var wg sync.WaitGroup
	for i := range statuses {
		wg.Go(func() {
			statuses[i] = w.agent().status("POST", "/api/session",
				map[string]string{"email": c.head, "password": "guess"})
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
	if checked > tries.Most {
		t.Errorf("%d passwords were checked, at most %d may be", checked, tries.Most)
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
	for range tries.Most + 2 {
		w.agent().status("POST", "/api/session", map[string]string{"email": c.head, "password": "guess"})
	}
	w.agent().refused("POST", "/api/session", right, 429, "signin.too-many-tries")
	own.do("POST", "/api/session", right, 200, nil)
	w.agent().refused("GET", "/api/join/unknown", nil, 404, "coach.link-dead")
	// On the known device guesses are counted too.
	own.do("DELETE", "/api/session", nil, 204, nil)
	for range tries.Most {
		own.do("POST", "/api/session", map[string]string{"email": c.head, "password": "guess"}, 401, nil)
	}
	own.refused("POST", "/api/session", right, 429, "signin.too-many-tries")
	// Another account's device is known for that account alone.
	other.refused("POST", "/api/session", right, 429, "signin.too-many-tries")
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
