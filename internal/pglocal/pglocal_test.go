package pglocal

import (
	"context"
	"fmt"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"syscall"
	"testing"
	"time"

	"github.com/jackc/pgx/v5"

	"evrik/internal/pulse"
)

// place is a directory that the postgres user may reach.
func place(t *testing.T) string {
	t.Helper()
	dir, err := os.MkdirTemp("", "evrik-pglocal-")
	if err != nil {
		t.Fatal(err)
	}
	if err := os.Chmod(dir, 0o755); err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { os.RemoveAll(dir) })
	return filepath.Join(dir, "cluster")
}

func start(t *testing.T, dir string) *Cluster {
	t.Helper()
	c, err := Start(t.Context(), Options{Dir: dir, Volatile: true})
	if err != nil {
		t.Fatal(err)
	}
	return c
}

func query(t *testing.T, c *Cluster, sql string) {
	t.Helper()
	conn, err := pgx.Connect(t.Context(), c.URL("kept"))
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close(t.Context())
	if _, err := conn.Exec(t.Context(), sql); err != nil {
		t.Fatal(err)
	}
}

func TestClusterKeepsItsDataAcrossStops(t *testing.T) {
	dir, ctx := place(t), t.Context()
	c := start(t, dir)
	for range 2 { // the second time the database is there already
		if err := c.Ensure(ctx, "kept"); err != nil {
			t.Fatal(err)
		}
	}
	query(t, c, "CREATE TABLE notes (n int); INSERT INTO notes VALUES (7)")

	// A server that is left running is adopted, not started twice.
	again := start(t, dir)
	if again.port != c.port {
		t.Errorf("a running cluster was started again on port %d", again.port)
	}
	// Killed without warning, it recovers at the next start.
	pid, err := os.ReadFile(filepath.Join(c.data(), "postmaster.pid"))
	if err != nil {
		t.Fatal(err)
	}
	query(t, c, "CHECKPOINT")
	n, _ := strconv.Atoi(strings.SplitN(string(pid), "\n", 2)[0])
	if err := syscall.Kill(n, syscall.SIGKILL); err != nil {
		t.Fatal(err)
	}
	for c.alive() {
		continue // a signal takes a moment
	}
	first := c
	c = start(t, dir)
	query(t, c, "DO $$ BEGIN ASSERT (SELECT n = 7 FROM notes); END $$")
	// The first one is the only one that uses it now.
	if err := again.Close(ctx); err != nil {
		t.Fatal(err)
	}
	query(t, c, "SELECT 1")
	if err := first.Close(ctx); err != nil {
		t.Fatal(err)
	}
	query(t, c, "SELECT 1")
	if err := c.Close(ctx); err != nil {
		t.Fatal(err)
	}
	if c.alive() {
		t.Error("the last one that used the cluster has left it running")
	}
	if err := c.Stop(ctx); err == nil {
		t.Error("a stopped cluster was stopped again without a word")
	}
	info, err := os.Stat(c.passwordFile())
	if err != nil || info.Mode().Perm() != 0o600 {
		t.Errorf("the password file is %v, %v", info.Mode(), err)
	}

	// Damage is told in a sentence, and nothing is touched.
	if err := os.Remove(filepath.Join(c.data(), "PG_VERSION")); err != nil {
		t.Fatal(err)
	}
	if _, err := Start(ctx, Options{Dir: dir}); err == nil || !strings.Contains(err.Error(), "damaged") {
		t.Errorf("without PG_VERSION: %v", err)
	}
	if err := os.WriteFile(filepath.Join(c.data(), "PG_VERSION"), []byte("15\n"), 0o644); err != nil {
		t.Fatal(err)
	}
	if err := os.Rename(filepath.Join(c.data(), "global"), filepath.Join(c.data(), "elsewhere")); err != nil {
		t.Fatal(err)
	}
	if _, err := Start(ctx, Options{Dir: dir}); err == nil || !strings.Contains(err.Error(), "did not start") {
		t.Errorf("without its catalogue: %v", err)
	}
	if err := os.Remove(c.passwordFile()); err != nil {
		t.Fatal(err)
	}
	if _, err := Start(ctx, Options{Dir: dir}); err == nil || !strings.Contains(err.Error(), "password") {
		t.Errorf("without its password: %v", err)
	}
}

// Of two processes that want to serve from one directory the second is told who has it, and
// may begin as soon as the first has said that it is leaving. Whoever goes first leaves the
// database to the other.
func TestServingIsHandedOver(t *testing.T) {
	dir, ctx := place(t), t.Context()
	serve := func(at string) (*Cluster, error) {
		return Start(ctx, Options{Dir: dir, Volatile: true, ServeAt: at})
	}
	old, err := serve("127.0.0.1:8417")
	if err != nil {
		t.Fatal(err)
	}
	if err := old.Ensure(ctx, "kept"); err != nil {
		t.Fatal(err)
	}
	if _, err := serve("127.0.0.1:8418"); err == nil ||
		!strings.Contains(err.Error(), fmt.Sprintf("process %d at 127.0.0.1:8417", os.Getpid())) {
		t.Fatalf("a second server was told: %v", err)
	}
	query(t, old, "SELECT 1") // and the refused one has stopped nothing
	old.Leaving()
	next, err := serve("127.0.0.1:8418")
	if err != nil {
		t.Fatal(err)
	}
	query(t, old, "SELECT 1")
	if err := old.Close(ctx); err != nil {
		t.Fatal(err)
	}
	query(t, next, "SELECT 1")
	if err := next.Close(ctx); err != nil {
		t.Fatal(err)
	}
	if next.alive() {
		t.Error("the last one has left the server running")
	}
}

// A server that Evrik did not start is left alone.
func TestForeignServerIsLeftRunning(t *testing.T) {
	dir, ctx := place(t), t.Context()
	c := start(t, dir)
	t.Cleanup(func() { _ = c.Stop(context.Background()) })
	if err := os.Remove(filepath.Join(dir, ownedFile)); err != nil {
		t.Fatal(err)
	}
	if err := c.Close(ctx); err != nil {
		t.Fatal(err)
	}
	if !c.alive() {
		t.Error("somebody else's server was stopped")
	}
}

// A server that dies is started again on the same port, however often.
func TestWatchedServerComesBack(t *testing.T) {
	c := start(t, place(t))
	defer c.Close(context.Background())
	if err := c.Ensure(t.Context(), "kept"); err != nil {
		t.Fatal(err)
	}
	port := c.port
	c.Watch(t.Context())
	for range 2 {
		pid, _ := c.running()
		if err := syscall.Kill(pid, syscall.SIGKILL); err != nil {
			t.Fatal(err)
		}
		began, awake := time.Now(), pulse.Awake(t)
		for {
			if conn, err := pgx.Connect(t.Context(), c.URL("kept")); err == nil {
				conn.Close(t.Context())
				if now, _ := c.running(); now != pid {
					break
				}
			}
			if awake() > 10*time.Second {
				t.Fatal("the database is not back after ten seconds")
			}
			time.Sleep(10 * time.Millisecond)
		}
		t.Logf("back after %v", time.Since(began).Round(time.Millisecond))
		if _, at := c.running(); at != port {
			t.Fatalf("it is at port %d and was at %d", at, port)
		}
	}
}

func TestDirectoryThatCannotBeMade(t *testing.T) {
	file := filepath.Join(t.TempDir(), "file")
	if err := os.WriteFile(file, nil, 0o644); err != nil {
		t.Fatal(err)
	}
	if _, err := Start(t.Context(), Options{Dir: filepath.Join(file, "cluster")}); err == nil ||
		!strings.Contains(err.Error(), "cannot be made") {
		t.Errorf("%v", err)
	}
}
