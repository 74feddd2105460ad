package standin

import (
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"net/http/httptest"
	"net/url"
	"strings"
	"sync/atomic"
	"testing"
	"time"
)

// A scoreboard is paired, shows the lines of the feed, counts horns, says when the
// feed ends, and asks for it again by itself.
func TestScoreboard(t *testing.T) {
	lines := make(chan string)
	var feeds atomic.Int64
	evrik := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		cookie, err := r.Cookie("evrik")
		switch {
		case r.URL.Path == "/api/display/pair":
			var in struct{ Code string }
			if json.NewDecoder(r.Body).Decode(&in) != nil || in.Code != "GOOD" {
				w.WriteHeader(404)
				fmt.Fprint(w, `{"detail":"This code is not right."}`)
				return
			}
			http.SetCookie(w, &http.Cookie{Name: "evrik", Value: "paired", Path: "/"})
			w.WriteHeader(204)
		case err != nil || cookie.Value != "paired":
			w.WriteHeader(401)
			fmt.Fprint(w, `{"detail":"This screen shows no practice."}`)
		default:
			feeds.Add(1)
			for line := range lines {
				if line == "" {
					return
				}
				fmt.Fprintln(w, line)
				w.(http.Flusher).Flush()
			}
		}
	}))
	t.Cleanup(evrik.Close)
	s, err := NewScoreboard(evrik.URL)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(s.Close)
	face := httptest.NewServer(s.Handler())
	t.Cleanup(face.Close)
	pair := func(code string) (int, string) {
		t.Helper()
		res, err := http.PostForm(face.URL+"/pair", url.Values{"code": {code}})
		if err != nil {
			t.Fatal(err)
		}
		defer res.Body.Close()
		text, err := io.ReadAll(res.Body)
		if err != nil {
			t.Fatal(err)
		}
		return res.StatusCode, string(text)
	}
	shows := func(what string, holds func(Board) bool) {
		t.Helper()
		for late := time.Now().Add(10 * time.Second); ; time.Sleep(5 * time.Millisecond) {
			if b := s.State(); holds(b) {
				return
			} else if time.Now().After(late) {
				t.Fatalf("not %s: %+v", what, b)
			}
		}
	}
	if code, text := pair("BAD"); code != 422 || !strings.Contains(text, "not right") {
		t.Errorf("%d %s", code, text)
	}
	if b := s.State(); b.On || b.Problem == "" {
		t.Errorf("%+v", b)
	}
	if code, text := pair("GOOD"); code != 204 {
		t.Fatalf("%d %s", code, text)
	}
	lines <- `{"block":"Slot twos","next":"Water","left":"00:01","leftMs":500,"running":true,"horn":false}`
	shows("on", func(b Board) bool {
		return b.On && b.Block == "Slot twos" && b.Left == "00:01" && b.Running && b.Horns == 0
	})
	lines <- `{"block":"Slot twos","next":"Water","left":"00:00","leftMs":0,"running":true,"horn":true}`
	lines <- `{"block":"Slot twos","next":"Water","left":"+00:01","leftMs":-500,"running":true,"horn":false}`
	shows("one horn", func(b Board) bool { return b.Horns == 1 && b.Left == "+00:01" })
	lines <- "" // the feed ends
	shows("off", func(b Board) bool { return !b.On && strings.Contains(b.Problem, "trying again") })
	lines <- `{"block":"Water","left":"02:00"}`
	shows("on again", func(b Board) bool { return b.On && b.Block == "Water" && b.Horns == 1 })
	lines <- `not a line`
	shows("a broken line", func(b Board) bool { return strings.Contains(b.Problem, "cannot be read") })
	if n := feeds.Load(); n < 2 {
		t.Errorf("asked for the feed %d times", n)
	}
	res, err := http.Get(face.URL + "/")
	if err != nil {
		t.Fatal(err)
	}
	res.Body.Close()
	if res.Header.Get("Content-Type") != "text/html; charset=utf-8" {
		t.Error(res.Header)
	}
	s.Close()
	close(lines)
}
