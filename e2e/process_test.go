package e2e

import (
	"bytes"
	"fmt"
	"io"
	"net"
	"net/http"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"syscall"
	"testing"
	"time"

	"evrik/e2e/browser"
	"evrik/internal/pgtest"
	"evrik/internal/pulse"
)

// get asks a server for a path and returns the status, 0 where nobody answers.
func get(s *server, path string) int {
	client := http.Client{Timeout: 10 * time.Second}
	res, err := client.Get(s.Base + path)
	if err != nil {
		return 0
	}
	defer res.Body.Close()
	_, _ = io.Copy(io.Discard, res.Body)
	return res.StatusCode
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

// The private database is killed without warning; the server starts it again by itself, on the same
// port, and works within ten seconds.
func TestPrivateDatabaseIsStartedAgain(t *testing.T) {
	t.Parallel()
	home := pgtest.Home(t)
	s := launch(t, "serve", "EVRIK_HOME="+home)
	note := filepath.Join(home, "data", "data", "postmaster.pid")
	server := func() (pid int, port string) {
		t.Helper()
		text, err := os.ReadFile(note)
		if err != nil {
			return 0, ""
		}
		lines := strings.Split(string(text), "\n")
		pid, _ = strconv.Atoi(lines[0])
		if len(lines) > 3 {
			port = lines[3]
		}
		return pid, port
	}
	for range 2 {
		pid, port := server()
		if err := syscall.Kill(pid, syscall.SIGKILL); err != nil {
			t.Fatal(err)
		}
		began, awake := time.Now(), pulse.Awake(t)
		for {
			status := get(s, "/api/session")
			if now, _ := server(); status == 200 && now != pid {
				break
			}
			if status != 200 && status != 503 {
				t.Errorf("without its database the server answers %d", status)
			}
			if awake() > 10*time.Second {
				t.Fatal("nothing works ten seconds after the database was killed")
			}
		}
		t.Logf("works again after %v", time.Since(began).Round(time.Millisecond))
		if _, now := server(); now != port {
			t.Errorf("the database is at port %s and was at %s", now, port)
		}
		for end := time.Now().Add(10 * time.Second); get(s, "/healthz") != 200; {
			if time.Now().After(end) {
				t.Fatal("healthz does not recover")
			}
			time.Sleep(20 * time.Millisecond)
		}
	}
}

// Two servers on one database serve one practice: what is logged through the first shows on the
// second's display within a second; the first is killed in the middle, the devices go on with the
// second, and nothing is lost or doubled.
func TestTwoServers(t *testing.T) {
	t.Parallel()
	url := pgtest.Copy(t, "demo today", seed(t))
	one := launch(t, "demo", "EVRIK_DATABASE_URL="+url)
	two := launch(t, "serve", "EVRIK_DATABASE_URL="+url)
	via, net := between(t, one)
	p := enter(t, via)
	floor(p)
	p.Click("button", "More")
	p.Click("tab", "Second screen")
	p.Click("button", "Code for a screen")
	p.See("status", "Code")
	code := browser.Eval[string](p, "document.querySelector('.code').innerText")
	p.Click("button", "Close")
	wall := page(t, two)
	wall.Open("/display")
	wall.Fill("Code", code)
	wall.Click("button", "Show the practice")
	wall.See("timer", "Time left")
	// The wall notes when it shows somebody else than before.
	browser.Eval[bool](wall, `(() => {
		globalThis.turns = [];
		const jersey = () => [...document.querySelectorAll('.disc')].map((d) => d.innerText).join();
		let was = jersey();
		new MutationObserver(() => { const now = jersey(); if (now !== was) { was = now; globalThis.turns.push(Date.now()); } }).observe(document.body, { subtree: true, childList: true, characterData: true });
		return true;
	})()`)
	slowest := 0.0
	for n := range 6 {
		pressed := time.Now().UnixMilli()
		log(p, 1)
		wall.Until(fmt.Sprintf("turns.length > %d", n))
		slowest = max(slowest, browser.Eval[float64](wall, fmt.Sprintf("turns[%d]", n))-float64(pressed))
	}
	t.Logf("through one server to the other's display in %.0f ms at most", slowest)
	if slowest > 1000 {
		t.Errorf("it takes %.0f ms from one server to the other's display, want at most a second", slowest)
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

// boardBesides is what the board says of everybody but one player.
func boardBesides(p *browser.Page, name string) string {
	p.See("link", "Odile, Curl")
	return browser.Eval[string](p, fmt.Sprintf(`[...document.querySelectorAll('tbody td a .visually-hidden')]
		.map((a) => a.textContent.replace(/\s+/g, ' ')).filter((text) => !text.includes(%q)).join('\n')`, name))
}

// A backup from before an erasure does not bring the player back, nor does anybody stay signed in.
func TestRestoreErasesAgain(t *testing.T) {
	t.Parallel()
	home := pgtest.Home(t)
	s := launch(t, "demo", "EVRIK_HOME="+home, "EVRIK_STANDINS=off")
	tool := func(args ...string) string {
		t.Helper()
		out, err := command(home, args...)
		if err != nil {
			t.Fatalf("evrik %v: %v: %s", args, err, out)
		}
		return out
	}
	file := filepath.Join(home, "before.dump")
	if said := tool("backup", "-demo", file); !strings.Contains(said, "it names children") {
		t.Error(said)
	}
	p := enter(t, s)
	p.Click("link", "Squad")
	board := boardBesides(p, "Bram")
	p.Click("button", "Edit the roster")
	p.Click("button", "Erase Bram")
	p.Click("button", "Erase for good")
	p.Gone("textbox", "Bram")
	s.stop()
	if err := os.Rename(filepath.Join(home, "demo"), filepath.Join(home, "old")); err != nil {
		t.Fatal(err)
	}
	said := tool("restore", "-demo", file)
	if !strings.Contains(said, "One player was erased after this backup") || !strings.Contains(said, "Erased again.") {
		t.Errorf("restore says %q", said)
	}
	if said, err := command(home, "restore", "-demo", file); err == nil || !strings.Contains(said, "not empty") {
		t.Errorf("restoring once more: %v, %s", err, said)
	}
	again := launch(t, "demo", "EVRIK_HOME="+home, "EVRIK_STANDINS=off")
	q := enter(t, again)
	q.Click("link", "Squad")
	q.See("link", "Odile, Curl")
	if q.Has("link", "Bram, Curl") {
		t.Error("a player who was erased is back with the backup")
	}
	if got := boardBesides(q, "Bram"); got != board || len(got) < 500 {
		t.Errorf("the restored board is another one:\n%s\n---\n%s", board, got)
	}
	if list, err := os.ReadFile(filepath.Join(home, "erasures.txt")); err != nil ||
		bytes.Contains(list, []byte("Bram")) || len(bytes.TrimSpace(list)) == 0 {
		t.Errorf("the list of erasures: %q, %v", list, err)
	}
	if out := tool("version"); !strings.Contains(out, "evrik ") {
		t.Errorf("version says %q", out)
	}
}
