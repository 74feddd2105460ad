package pglocal

import (
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"syscall"
	"testing"

	"github.com/jackc/pgx/v5"
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
	for syscall.Kill(n, 0) == nil {
		continue // gone as soon as its parent has noticed
	}
	c = start(t, dir)
	query(t, c, "DO $$ BEGIN ASSERT (SELECT n = 7 FROM notes); END $$")
	if err := c.Stop(ctx); err != nil {
		t.Fatal(err)
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

func TestDirectoryThatCannotBeMade(t *testing.T) {
	file := filepath.Join(t.TempDir(), "file")
	if err := os.WriteFile(file, nil, 0o644); err != nil {
		t.Fatal(err)
	}
	if _, err := Start(t.Context(), Options{Dir: filepath.Join(file, "cluster")}); err == nil || !strings.Contains(err.Error(), "cannot be made") {
		t.Errorf("%v", err)
	}
}
