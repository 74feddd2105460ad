// Package pgtest gives tests a real PostgreSQL: one throw-away cluster for a
// test binary, one fresh migrated database for a test.
package pgtest

import (
	"context"
	"fmt"
	"os"
	"path/filepath"
	"sync"
	"sync/atomic"
	"syscall"
	"testing"

	"github.com/jackc/pgx/v5"

	"evrik/internal/pglocal"
	"evrik/internal/store"
)

var (
	cluster    *pglocal.Cluster
	clusterDir string
	serial     atomic.Int64
)

// memory is where Linux keeps files in memory, and memoryNeeded what the tests of a few packages may fill of it, in
// bytes (assumption; a copy of the demo takes 13 MB).
const (
	memory       = "/dev/shm"
	memoryNeeded = 4 << 30
)

// RoomInMemory reports whether so many bytes of files fit into memory.
func RoomInMemory(bytes uint64) bool {
	var fs syscall.Statfs_t
	return syscall.Statfs(memory, &fs) == nil && fs.Bavail*uint64(fs.Bsize) >= bytes
}

// place is where a throw-away cluster lives: in memory where there is room, since a database is copied for nearly every
// test, which takes a slow disk ten times as long; else where temporary files are.
func place() string {
	if RoomInMemory(memoryNeeded) {
		return memory
	}
	return ""
}

// Main runs a package's tests with a cluster and returns the exit code.
func Main(m *testing.M) int {
	ctx := context.Background()
	dir, err := os.MkdirTemp(place(), "evrik-test-")
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer os.RemoveAll(dir)
	defer tellJanitor("done")
	leave(dir)
	clusterDir = dir
	if cluster, err = pglocal.Start(ctx, pglocal.Options{Dir: dir, Volatile: true}); err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer cluster.Stop(ctx)
	return m.Run()
}

// leave tells the janitor of a cluster's directory.
func leave(dir string) {
	StopOnDeath(filepath.Join(dir, "data"))
	RemoveOnDeath(dir)
}

// Home makes a directory for a server that keeps its own database in it, and removes it with
// the test.
func Home(t testing.TB) string {
	t.Helper()
	home, err := os.MkdirTemp("", "evrik-home-")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { os.RemoveAll(home) })
	// The user that runs the database must be able to walk to it.
	if err := os.Chmod(home, 0o755); err != nil {
		t.Fatal(err)
	}
	StopOnDeath(filepath.Join(home, "data", "data"))
	StopOnDeath(filepath.Join(home, "demo", "data"))
	RemoveOnDeath(home)
	return home
}

// URL makes an empty database, which goes with the test, and returns its address.
func URL(t testing.TB) string {
	t.Helper()
	return databaseLike(t, "")
}

// databaseLike makes a database as told and returns its address; it goes with the test.
func databaseLike(t testing.TB, told string) string {
	t.Helper()
	name := fmt.Sprintf("t%d", serial.Add(1))
	if err := order(t.Context(), "CREATE DATABASE "+name+told); err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() {
		if err := order(context.Background(), "DROP DATABASE IF EXISTS "+name+" WITH (FORCE)"); err != nil {
			t.Error(err)
		}
	})
	return cluster.URL(name)
}

// order has the cluster do what concerns whole databases.
func order(ctx context.Context, sql string) error {
	conn, err := pgx.Connect(ctx, cluster.URL("postgres"))
	if err != nil {
		return err
	}
	defer conn.Close(ctx)
	_, err = conn.Exec(ctx, sql)
	return err
}

// Safe starts a cluster of its own that waits for the disk, as the product's does, and
// returns its directory and the address of an empty database in it.
func Safe(t testing.TB) (dir, url string) {
	t.Helper()
	dir, err := os.MkdirTemp("", "evrik-safe-")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { os.RemoveAll(dir) })
	leave(dir)
	own, err := pglocal.Start(t.Context(), pglocal.Options{Dir: dir})
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = own.Stop(context.Background()) })
	if err := own.Ensure(t.Context(), "evrik"); err != nil {
		t.Fatal(err)
	}
	return dir, own.URL("evrik")
}

// Watched starts a cluster of its own that waits for the disk and is started again when it dies, as
// the product's is. It returns the address of an empty database in it and what kills its server
// without warning.
func Watched(t testing.TB) (url string, kill func()) {
	t.Helper()
	own, err := pglocal.Start(t.Context(), pglocal.Options{Dir: filepath.Join(Home(t), "data")})
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = own.Close(context.Background()) })
	own.Watch(context.WithoutCancel(t.Context()))
	if err := own.Ensure(t.Context(), "evrik"); err != nil {
		t.Fatal(err)
	}
	return own.URL("evrik"), func() {
		t.Helper()
		if err := own.Kill(); err != nil {
			t.Fatal(err)
		}
	}
}

// Store makes a migrated database and opens it.
func Store(t testing.TB) *store.Store {
	t.Helper()
	db, err := store.Open(t.Context(), Copy(t, "migrated", func(*store.Store) error { return nil }))
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(db.Close)
	return db
}

// Copy makes a copy of a migrated database that fill has filled, and returns its
// address. The database is filled once per name and test binary.
func Copy(t testing.TB, name string, fill func(*store.Store) error) string {
	t.Helper()
	made.Lock()
	defer made.Unlock()
	ctx := t.Context()
	if !made.names[name] {
		if err := cluster.Ensure(ctx, name); err != nil {
			t.Fatal(err)
		}
		if err := store.Migrate(ctx, cluster.URL(name)); err != nil {
			t.Fatal(err)
		}
		db, err := store.Open(ctx, cluster.URL(name))
		if err != nil {
			t.Fatal(err)
		}
		err = fill(db)
		db.Close() // a database that is in use cannot be copied
		if err != nil {
			t.Fatal(err)
		}
		made.names[name] = true
	}
	return databaseLike(t, " TEMPLATE "+pgx.Identifier{name}.Sanitize())
}

// made are the databases that copies are made of.
var made = struct {
	sync.Mutex
	names map[string]bool
}{names: map[string]bool{}}
