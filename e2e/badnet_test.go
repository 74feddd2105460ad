//go:build prove

package e2e

import (
	"errors"
	"io"
	stdlog "log"
	"net/http"
	"net/http/httptest"
	"net/http/httputil"
	"net/url"
	"strings"
	"sync"
	"testing"
)

// badNet lies between browsers and the server and does what gyms' networks do.
type badNet struct {
	mu sync.Mutex
	// before is called with every batch of reps before it is passed on; after with
	// every answer to one. An answer for which after returns false gets lost.
	before func()
	after  func() bool
	// to is the server that requests go to.
	to *url.URL
	// answers is asked first, and reports whether it has answered instead of the server.
	answers func(http.ResponseWriter, *http.Request) bool
	// snags is how many requests for a part break off while the worker keeps the app, and
	// snagged how many have, by part.
	snags   int
	snagged map[string]int
}

// snag reports whether a request breaks off: one for a part, which the page itself asks for
// as a script, a style or a font, and the worker as nothing of the kind.
func (n *badNet) snag(r *http.Request) bool {
	if !strings.HasPrefix(r.URL.Path, "/_app/") || r.Header.Get("Sec-Fetch-Dest") != "empty" {
		return false
	}
	n.mu.Lock()
	defer n.mu.Unlock()
	if n.snagged[r.URL.Path] >= n.snags {
		return false
	}
	n.snagged[r.URL.Path]++
	return true
}

// turn sends requests to another server from now on, as a proxy does when one is gone.
func (n *badNet) turn(t testing.TB, s *server) {
	t.Helper()
	to, err := url.Parse(s.Base)
	if err != nil {
		t.Fatal(err)
	}
	n.mu.Lock()
	defer n.mu.Unlock()
	n.to = to
}

func (n *badNet) target() *url.URL {
	n.mu.Lock()
	defer n.mu.Unlock()
	return n.to
}

// between puts a bad network in front of a server.
func between(t testing.TB, s *server) (*server, *badNet) {
	t.Helper()
	n := &badNet{before: func() {}, after: func() bool { return true }, snagged: map[string]int{}}
	n.turn(t, s)
	batch := func(r *http.Request) bool {
		return r.Method == http.MethodPost && strings.HasSuffix(r.URL.Path, "/reps")
	}
	lost := errors.New("the answer got lost")
	proxy := &httputil.ReverseProxy{
		Rewrite: func(r *httputil.ProxyRequest) {
			r.SetURL(n.target())
			r.Out.Host = r.In.Host // the page's own address, as a proxy in a gym would leave it
		},
		ModifyResponse: func(r *http.Response) error {
			if batch(r.Request) && !n.say().after() {
				return lost
			}
			return nil
		},
		ErrorLog: stdlog.New(io.Discard, "", 0), // what is cut off is cut off on purpose
		// Whatever goes wrong, the browser sees a connection that broke.
		ErrorHandler: func(http.ResponseWriter, *http.Request, error) { panic(http.ErrAbortHandler) },
	}
	front := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if n.snag(r) {
			panic(http.ErrAbortHandler)
		}
		if n.answers != nil && n.answers(w, r) {
			return
		}
		if batch(r) {
			n.say().before()
		}
		proxy.ServeHTTP(w, r)
	}))
	t.Cleanup(front.CloseClientConnections)
	via := *s
	via.Base = front.URL
	return &via, n
}

// rules are a bad network's habits at a moment.
type rules struct {
	before func()
	after  func() bool
}

func (n *badNet) say() rules {
	n.mu.Lock()
	defer n.mu.Unlock()
	return rules{n.before, n.after}
}

func (n *badNet) set(before func(), after func() bool) {
	n.mu.Lock()
	defer n.mu.Unlock()
	n.before, n.after = before, after
}
