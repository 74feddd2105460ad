package e2e

import (
	"errors"
	"fmt"
	"io"
	stdlog "log"
	"net/http"
	"net/http/httptest"
	"net/http/httputil"
	"net/url"
	"path"
	"strings"
	"sync"
	"testing"

	"github.com/jackc/pgx/v5"

	"evrik/e2e/browser"
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

// ask reads one value from the server's database.
func ask[T any](t testing.TB, s *server, sql string, args ...any) (v T) {
	t.Helper()
	conn, err := pgx.Connect(t.Context(), s.url(t))
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close(t.Context())
	if err := conn.QueryRow(t.Context(), sql, args...).Scan(&v); err != nil {
		t.Fatal(err)
	}
	return v
}

// url is the address of the server's database.
func (s *server) url(t testing.TB) string {
	t.Helper()
	for _, e := range s.env {
		if at, ok := strings.CutPrefix(e, "EVRIK_DATABASE_URL="); ok {
			return at
		}
	}
	t.Fatal("the server has a database of its own")
	return ""
}

// standing are the reps of a practice that nothing has taken back.
const standing = ` FROM rep_events r WHERE r.practice_id = $1::uuid AND r.kind = 'rep' AND NOT EXISTS (SELECT 1 FROM rep_events v WHERE v.voids = r.id)`

// audit waits until a page has sent everything and compares what it shows with what
// is stored: each rep is there, and there once.
func audit(t testing.TB, s *server, p *browser.Page, want int) {
	t.Helper()
	p.Text(fmt.Sprintf("%d logged", want))
	p.Text("All sent")
	practice := strings.Split(p.Path(), "/")[3]
	stored := ask[int](t, s, "SELECT count(*)"+standing, practice)
	once := ask[int](t, s, "SELECT count(DISTINCT (r.device, r.block_id, r.rep_no, r.role, r.player_id))"+standing,
		practice)
	shown := browser.Eval[int](p, "Number(document.querySelector('footer .count b').innerText)")
	if stored != want || once != want || shown != want {
		t.Errorf("%d reps were logged: %d are stored, %d of them once, %d are shown", want, stored, once, shown)
	}
}

// sample is a number of cases: few where the tests are short, all of them in make prove.
func sample(few, all int) int {
	if testing.Short() {
		return few
	}
	return all
}

// log logs some right answers with one key each.
func log(p *browser.Page, n int) {
	for range n {
		p.Press("1")
	}
}

// A tablet that reaches the program by a plain address in the gym's network: there the
// browser withholds its generator of ids, the clipboard and the service worker. What is
// logged arrives once all the same, network or none, and so do a player's answers.
func TestPlainAddressInTheGym(t *testing.T) {
	s := demo(t)
	p := signIn(device(t, s))
	p.Before(
		"delete Crypto.prototype.randomUUID; delete Navigator.prototype.clipboard; delete " +
			"Navigator.prototype.serviceWorker")
	p.Open("/")
	floor(p)
	practice := strings.Split(p.Path(), "/")[3]
	stored := func() int {
		return ask[int](t, s, "SELECT count(*)"+standing, practice)
	}
	before := stored()
	log(p, 2)
	p.Offline(true)
	log(p, 2)
	p.Text("4 logged")
	p.Offline(false)
	p.Text("All sent")
	if n := stored() - before; n != 4 {
		t.Errorf("%d of 4 reps are stored", n)
	}
	link := quizLink(p, "Bram, Curl")
	player := path.Base(p.Path())
	p.Click("button", "Copy the link")
	p.Text("does not let it be copied")
	phone := device(t, s)
	phone.Hasten()
	phone.Before("delete Crypto.prototype.randomUUID; delete Navigator.prototype.serviceWorker")
	phone.Open(link)
	phone.Click("button", "Start")
	answer(phone)
	phone.Text("all sent")
	answers := func() int {
		return ask[int](t, s, "SELECT count(*) FROM quiz_answers WHERE player_id = $1::uuid", player)
	}
	if n := answers(); n != 1 {
		t.Errorf("%d answers are stored", n)
	}
	// The link ends while an answer waits on the phone: it goes with the new link, when
	// the player says whose it is.
	phone.Click("button", "Next")
	phone.Offline(true)
	answer(phone)
	phone.Text("1 on this phone")
	p.Click("button", "End the link")
	p.Text("does not work any more")
	phone.Offline(false)
	phone.See("heading", "This link has ended")
	phone.Text("Not sent from this phone: one answer")
	p.Click("button", "Make a private link")
	p.Text("/quiz/")
	phone.Open(browser.Eval[string](p, address))
	phone.Click("button", "Mine, send that")
	phone.Gone("group", "From a link that has ended")
	phone.Text("all sent")
	if n := answers(); n != 2 {
		t.Errorf("%d answers of 2 are stored", n)
	}
}
