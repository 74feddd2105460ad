package e2e

import (
	"bytes"
	"fmt"
	"io"
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

// boardBesides is what the board says of everybody but one player.
func boardBesides(p *browser.Page, name string) string {
	p.See("link", "Odile, Curl")
	return browser.Eval[string](p, fmt.Sprintf(`[...document.querySelectorAll('tbody td a .visually-hidden')]
		.map((a) => a.textContent.replace(/\s+/g, ' ')).filter((text) => !text.includes(%q)).join('\n')`, name))
}

// A backup from before an erasure does not bring the player back. The demo runs without its simulated devices.
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
	q.Open("/" + teamOf(q) + "/clicker")
	q.Text("They are switched off")
	if list, err := os.ReadFile(filepath.Join(home, "erasures.txt")); err != nil ||
		bytes.Contains(list, []byte("Bram")) || len(bytes.TrimSpace(list)) == 0 {
		t.Errorf("the list of erasures: %q, %v", list, err)
	}
	if out := tool("version"); !strings.Contains(out, "evrik ") {
		t.Errorf("version says %q", out)
	}
}
