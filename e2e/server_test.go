// Package e2e drives the real program through its real interface.
package e2e

import (
	"bufio"
	"bytes"
	"encoding/json"
	"flag"
	"fmt"
	"io/fs"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"runtime"
	"strconv"
	"strings"
	"sync"
	"syscall"
	"testing"
	"time"

	"github.com/alexedwards/argon2id"

	"evrik/e2e/browser"
	club "evrik/internal/demo"
	"evrik/internal/pgtest"
	"evrik/internal/store"
)

var binary string

func TestMain(m *testing.M) { os.Exit(run(m)) }

// sources looks at every file the driven program is made of. The go command notes
// what a test opens and stats, so that no cached result outlives a change; it begins to
// when the tests begin, so that looking in TestMain would be too early.
var sources = sync.OnceValue(func() error {
	for _, dir := range []string{"../api", "../cmd", "../core", "../internal", "../web/build"} {
		err := filepath.WalkDir(dir, func(name string, d fs.DirEntry, err error) error {
			if err == nil && !d.IsDir() {
				_, err = os.Stat(name)
			}
			return err
		})
		if err != nil {
			return err
		}
	}
	return nil
})

// run lets one test more run than there are processors, since each waits a fifth of its time (measured); -parallel on
// the command line is read later and so overrules it.
func run(m *testing.M) int {
	dir, err := os.MkdirTemp("", "evrik-e2e-")
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer os.RemoveAll(dir)
	pgtest.RemoveOnDeath(dir)
	binary = filepath.Join(dir, "evrik")
	if out, err := exec.Command("go", "build", "-o", binary, "evrik/cmd/evrik").CombinedOutput(); err != nil {
		fmt.Fprintf(os.Stderr, "%v: %s", err, out)
		return 1
	}
	defer func() { browser.Quit() }()
	if err := flag.Set("test.parallel", strconv.Itoa(runtime.GOMAXPROCS(0)+1)); err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	return pgtest.Main(m)
}

// server is a running evrik.
type server struct {
	t    testing.TB
	cmd  *exec.Cmd
	Base string
	env  []string
	mode string
	// complaints is what it has logged since it was last started; it may be read when it has ended.
	complaints *bytes.Buffer
}

// launch starts evrik in a mode with extra environment, and waits until it
// says where it is.
func launch(t testing.TB, mode string, env ...string) *server {
	t.Helper()
	if err := sources(); err != nil {
		t.Fatal(err)
	}
	// Nothing is shared between servers, not even the outbox; env may name another home.
	s := &server{t: t, env: append([]string{"EVRIK_HOME=" + t.TempDir()}, env...), mode: mode}
	s.up("127.0.0.1:0")
	t.Cleanup(s.stop)
	return s
}

func (s *server) up(addr string) {
	s.t.Helper()
	s.cmd = exec.Command(binary, s.mode)
	// Memory is swept less often than usual: most of these servers live for seconds.
	s.cmd.Env = append(append(os.Environ(), "GOGC=400"), append(s.env, "EVRIK_ADDR="+addr)...)
	s.complaints = new(bytes.Buffer)
	s.cmd.Stderr = s.complaints
	out, err := s.cmd.StdoutPipe()
	if err == nil {
		err = s.cmd.Start()
	}
	if err != nil {
		s.t.Fatal(err)
	}
	pgtest.KillOnDeath(s.cmd.Process.Pid, binary)
	scan := bufio.NewScanner(out)
	for scan.Scan() {
		if base, ok := strings.CutPrefix(scan.Text(), "Evrik is at "); ok {
			s.Base = base
			go func() {
				for scan.Scan() {
					continue // the pipe must not fill up
				}
			}()
			return
		}
	}
	s.t.Fatalf("evrik %s did not start: %s", s.mode, s.complaints)
}

// kill ends the server without warning.
func (s *server) kill() {
	s.t.Helper()
	if err := s.cmd.Process.Kill(); err != nil {
		s.t.Fatal(err)
	}
	_ = s.cmd.Wait()
}

// again starts the server where it was.
func (s *server) again() {
	s.t.Helper()
	s.up(strings.TrimPrefix(s.Base, "http://"))
}

// stop ends the server, and tells what it complained of where its test has failed.
func (s *server) stop() {
	_ = s.cmd.Process.Signal(os.Interrupt)
	_ = s.cmd.Wait()
	if s.t.Failed() {
		s.t.Logf("%s says: %s", s.Base, s.complaints)
	}
}

// demo starts the demo on a fresh database of the tests' own cluster. The club is
// seeded once and copied. Tests of the demo run side by side: mostly they wait.
func demo(t testing.TB) *server {
	t.Helper()
	if test, is := t.(*testing.T); is {
		test.Parallel()
	}
	return launch(t, "demo", "EVRIK_DATABASE_URL="+pgtest.Copy(t, "demo today", seed(t)))
}

// seed fills a database with the demo.
func seed(t testing.TB) func(*store.Store) error {
	return func(db *store.Store) error {
		if err := club.Ensure(t.Context(), db, time.Now(), false); err != nil {
			return err
		}
		hash, err := argon2id.CreateHash(club.SignIn.Password, cheap)
		if err != nil {
			return err
		}
		_, err = db.Pool.Exec(t.Context(), "UPDATE staff SET password_hash = $1", hash)
		return err
	}
}

// cheap is what the demo's password costs in tests, which sign in a hundred times: next to nothing.
var cheap = &argon2id.Params{Memory: 64, Iterations: 1, Parallelism: 1, SaltLength: 16, KeyLength: 32}

// patient makes the app wait a minute for an answer instead of eight seconds: a machine that runs every test at once
// may take as long. What the app does when nobody answers is tested where nobody does.
const patient = `{
	const real = globalThis.setTimeout.bind(globalThis);
	globalThis.setTimeout = (then, ms, ...rest) => real(then, ms === 8000 ? 60000 : ms, ...rest);
}`

// device opens a tab on a device of its own, on which the app is stored for use without a network.
func device(t testing.TB, s *server) *browser.Page {
	t.Helper()
	p, stop := browser.Start(s.Base, func(args ...any) { t.Helper(); t.Fatal(args...) })
	t.Cleanup(stop)
	p.Watch(func(line string) { t.Log("page:", line) })
	p.Before(patient)
	p.Viewport(1280, 800)
	return p
}

// page opens a tab on a device that stores nothing of the app. Storing it costs three tenths of the browser's work for
// a test that signs in and opens a view, and only a device that loses its network needs it.
func page(t testing.TB, s *server) *browser.Page {
	t.Helper()
	p := device(t, s)
	p.NothingKept()
	return p
}

// enter opens the demo in a tab of page on which somebody has signed in.
func enter(t testing.TB, s *server) *browser.Page {
	t.Helper()
	p := page(t, s)
	body, err := json.Marshal(club.SignIn)
	if err != nil {
		t.Fatal(err)
	}
	res, err := http.Post(s.Base+"/api/session", "application/json", bytes.NewReader(body))
	if err != nil {
		t.Fatal(err)
	}
	defer res.Body.Close()
	if res.StatusCode != http.StatusOK {
		t.Fatalf("signing in was answered with %d", res.StatusCode)
	}
	p.Keep(res.Cookies())
	p.Open("/")
	p.See("heading", "What holds the team back")
	return p
}

// signIn opens the demo in a tab and signs in with what is filled in, as whoever sees it first does.
func signIn(p *browser.Page) *browser.Page {
	p.Open("/")
	p.Text("This is a demo")
	p.Click("button", "Sign in")
	p.See("heading", "What holds the team back")
	return p
}

// fails runs evrik and returns what it complains of.
func fails(t *testing.T, env []string, args ...string) string {
	t.Helper()
	cmd := exec.Command(binary, args...)
	cmd.Env = append(os.Environ(), env...)
	done := time.AfterFunc(time.Minute, func() { _ = cmd.Process.Signal(syscall.SIGKILL) })
	defer done.Stop()
	out, err := cmd.CombinedOutput()
	if err == nil {
		t.Fatalf("evrik %v did not fail: %s", args, out)
	}
	return string(out)
}

// command runs evrik on a home without anybody to answer it.
func command(home string, args ...string) (string, error) {
	cmd := exec.Command(binary, args...)
	cmd.Env = append(os.Environ(), "EVRIK_HOME="+home)
	out, err := cmd.CombinedOutput()
	return string(out), err
}

// teamOf is the team that a page is about.
func teamOf(p *browser.Page) string { return strings.Split(p.Path(), "/")[1] }
