//go:build prove

package e2e

import (
	"fmt"
	"net"
	"net/http"
	"os"
	"path/filepath"
	"strings"
	"sync/atomic"
	"syscall"
	"testing"

	"evrik/e2e/browser"
	"evrik/internal/pgtest"
)

// A server that hangs is told of in words, with a way on, at signing in, on Now and on Run.
func TestServerHangs(t *testing.T) {
	s := demo(t)
	via, net := between(t, s)
	var hangs atomic.Bool
	net.answers = func(_ http.ResponseWriter, r *http.Request) bool {
		if hangs.Load() && strings.HasPrefix(r.URL.Path, "/api/") {
			<-r.Context().Done() // until the page gives up
			return true
		}
		return false
	}
	p := device(t, via)
	// While it hangs, the page waits 0.4 seconds instead of eight.
	p.Before(`{
		const real = globalThis.setTimeout.bind(globalThis);
		globalThis.setTimeout = (then, ms, ...rest) => real(then, ms === 8000 && sessionStorage.hangs ? 400 : ms, ...rest);
	}`)
	hang := func(on bool) {
		t.Helper()
		hangs.Store(on)
		browser.Eval[bool](p, fmt.Sprintf("((sessionStorage.hangs = %q), true)", map[bool]string{true: "yes"}[on]))
	}
	p.Open("/")
	p.Text("This is a demo")
	hang(true)
	p.Click("button", "Sign in")
	p.Says("alert", "has not answered for 8 seconds")
	p.Click("button", "Cancel")
	p.Gone("button", "Retry")
	hang(false)
	p.Click("button", "Sign in")
	p.See("heading", "What holds the team back")
	team := "/" + teamOf(p)
	practice := ask[string](t, s, "SELECT id::text FROM practices WHERE team_id = $1::uuid AND status = 'done' LIMIT 1",
		team[1:])

	// Nothing of these is on the device: a page of another practice, and another team's Now.
	hang(true)
	p.Click("link", "Run")
	p.Says("alert", "has not answered for 8 seconds")
	p.See("button", "Cancel")
	hang(false)
	p.Click("button", "Retry")
	p.See("timer", "Time left")
	hang(true)
	browser.Eval[bool](p, fmt.Sprintf("(history.pushState({}, '', %q), true)", team+"/run/"+practice))
	p.Open(p.Path())
	p.See("heading", "This practice cannot be shown")
	p.Text("has not answered for 8 seconds")
	hang(false)
	p.Click("button", "Retry")
	p.See("timer", "Time left")
	p.Open(team + "/now")
	p.See("heading", "What holds the team back")
	hang(true)
	p.Choose("Team", "JV")
	p.See("heading", "No answer yet")
	p.See("link", "Practices on this device")
	hang(false)
	p.Click("button", "Retry")
	p.See("heading", "What holds the team back")
}

// openRequest begins a request that the server has to wait for, and returns what ends it.
func openRequest(t *testing.T, s *server) (end func()) {
	t.Helper()
	conn, err := net.Dial("tcp", strings.TrimPrefix(s.Base, "http://"))
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { conn.Close() })
	body := `{"email":"a@x.example","password":"p"}`
	fmt.Fprintf(conn,
		"POST /api/session HTTP/1.1\r\nHost: x\r\nContent-Type: application/json\r\nContent-Length: %d\r\n\r\n%s",
		len(body), body[:5])
	return func() { fmt.Fprint(conn, body[5:]); conn.Close() }
}

// A server is stopped while a request is open, and the next one on the same home starts at once:
// it works, also when the first has ended. A second one beside it is told who has the home, and
// stops nothing.
func TestOverlappingRestart(t *testing.T) {
	t.Parallel()
	home := "EVRIK_HOME=" + pgtest.Home(t)
	for _, mode := range []string{"serve", "demo"} {
		t.Run(mode, func(t *testing.T) {
			old := launch(t, mode, home, "EVRIK_STANDINS=off")
			if status := get(old, "/api/session"); status != 200 {
				t.Fatalf("the first server answers %d", status)
			}
			said := fails(t, []string{home, "EVRIK_ADDR=127.0.0.1:0"}, mode)
			if want := fmt.Sprintf("process %d at %s", old.cmd.Process.Pid, old.Base); !strings.Contains(said, want) {
				t.Errorf("a second server says %q, want %q", said, want)
			}
			if status := get(old, "/api/session"); status != 200 {
				t.Fatalf("after a second one was refused the first answers %d", status)
			}
			end := openRequest(t, old)
			if err := old.cmd.Process.Signal(syscall.SIGTERM); err != nil {
				t.Fatal(err)
			}
			next := *old
			next.again() // at the same address
			t.Cleanup(next.stop)
			if status := get(&next, "/api/session"); status != 200 {
				t.Errorf("beside the one that is stopping, the next answers %d", status)
			}
			end()
			_ = old.cmd.Wait()
			for range 5 {
				if status := get(&next, "/api/session"); status != 200 {
					t.Errorf("after the first has ended the next answers %d", status)
				}
			}
			next.stop()
			if _, err := os.Stat(filepath.Join(strings.TrimPrefix(home, "EVRIK_HOME="),
				map[string]string{"serve": "data", "demo": "demo"}[mode], "data", "postmaster.pid")); err == nil {
				t.Error("the last one has left its database running")
			}
		})
	}
}

// Two servers on one database serve one practice: what is logged through the first shows on the
// second's display (BenchmarkTwoServers says how soon); the first is killed in the middle, the devices go on with the
// second, and nothing is lost or doubled.
func TestTwoServers(t *testing.T) {
	t.Parallel()
	url := pgtest.Copy(t, "demo today", seed(t))
	one := launch(t, "demo", "EVRIK_DATABASE_URL="+url)
	two := launch(t, "serve", "EVRIK_DATABASE_URL="+url)
	via, net := between(t, one)
	p := enter(t, via)
	floor(p)
	wall := wall(t, p, two)
	for n := range 6 {
		log(p, 1)
		wall.Until(fmt.Sprintf("turns.length > %d", n))
	}
	log(p, 10)
	one.kill()
	log(p, 10)
	p.Text("26 logged")
	p.Text("kept on this device")
	net.turn(t, two)
	log(p, 4)
	audit(t, two, p, 30)
	p.Open(p.Path())
	p.Text("30 logged")
	p.Press(" ")
	p.See("button", "Stop clock")
	wall.Until("document.querySelector('[role=timer]') !== null")
}

// The connection breaks in the middle of an answer: that is no answer, and what the device keeps is
// shown.
func TestAnswerBreaksOff(t *testing.T) {
	via, net := between(t, demo(t))
	var breaks atomic.Bool
	net.answers = func(w http.ResponseWriter, r *http.Request) bool {
		if breaks.Load() && strings.HasPrefix(r.URL.Path, "/api/") && strings.HasSuffix(r.URL.Path, "/now") {
			w.Header().Set("Content-Type", "application/json")
			w.Header().Set("Content-Length", "5000")
			fmt.Fprint(w, `{"players": [`)
			panic(http.ErrAbortHandler)
		}
		return false
	}
	p := enter(t, via)
	breaks.Store(true)
	p.Open(p.Path())
	p.Says("status", "what this device kept")
	breaks.Store(false)
	p.Click("button", "Retry")
	p.Hushed("status", "what this device kept")
}
