// Package pgtest gives tests a real PostgreSQL: one throw-away cluster for a
// run, one fresh migrated database for a test.
package pgtest

import (
	"context"
	"fmt"
	"net/url"
	"os"
	"os/exec"
	"os/signal"
	"path/filepath"
	"sync"
	"sync/atomic"
	"syscall"
	"testing"

	"github.com/jackc/pgx/v5"

	"evrik/internal/pglocal"
	"evrik/internal/store"
)

// given names the environment variable that holds the address of a cluster shared by the packages of a run.
const given = "EVRIK_TEST_CLUSTER"

var (
	// server is the address of the cluster, and clusterDir the directory of one that this process has started.
	server     *url.URL
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

// Main runs a package's tests with a cluster, which is its own unless one is given, and returns the exit code.
func Main(m *testing.M) int {
	defer tellJanitor("done")
	if shared := os.Getenv(given); shared != "" {
		return with(shared, m.Run)
	}
	return alone(m.Run)
}

// Together starts a cluster, runs a command that tests packages, and returns its exit code. The packages use that
// cluster; to make one of its own and put the demo into it would cost each of them three seconds of processor time.
func Together(command []string) int {
	defer tellJanitor("done")
	return alone(func() int {
		// Ctrl-C in a terminal stops the command too. The cluster has to run until then.
		signal.Notify(make(chan os.Signal, 1), os.Interrupt)
		cmd := exec.Command(command[0], command[1:]...)
		cmd.Stdin, cmd.Stdout, cmd.Stderr = os.Stdin, os.Stdout, os.Stderr
		cmd.Env = append(os.Environ(), given+"="+server.String())
		err := cmd.Run()
		if err != nil && cmd.ProcessState == nil {
			fmt.Fprintln(os.Stderr, err)
			return 1
		}
		return cmd.ProcessState.ExitCode()
	})
}

// alone starts a cluster, runs something and throws the cluster away.
func alone(run func() int) int {
	ctx := context.Background()
	dir, err := os.MkdirTemp(place(), "evrik-test-")
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer os.RemoveAll(dir)
	leave(dir)
	clusterDir = dir
	cluster, err := pglocal.Start(ctx, pglocal.Options{Dir: dir, Volatile: true})
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer cluster.Stop(ctx)
	return with(cluster.URL("postgres"), run)
}

// with runs something with a cluster at an address.
func with(at string, run func() int) int {
	var err error
	if server, err = url.Parse(at); err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	return run()
}

// address is that of a database of the cluster.
func address(database string) string {
	u := *server
	u.Path = "/" + database
	return u.String()
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
	name := fmt.Sprintf("t%d_%d", os.Getpid(), serial.Add(1))
	if err := order(t.Context(), "CREATE DATABASE "+name+told); err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() {
		if err := order(context.Background(), "DROP DATABASE IF EXISTS "+name+" WITH (FORCE)"); err != nil {
			t.Error(err)
		}
	})
	return address(name)
}

// order has the cluster do what concerns whole databases.
func order(ctx context.Context, sql string) error {
	conn, err := pgx.Connect(ctx, address("postgres"))
	if err != nil {
		return err
	}
	defer conn.Close(ctx)
	_, err = conn.Exec(ctx, sql)
	return err
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
// address. The database is filled once per name and cluster: a name stands for one content in every package.
func Copy(t testing.TB, name string, fill func(*store.Store) error) string {
	t.Helper()
	made.Lock()
	defer made.Unlock()
	if !made.names[name] {
		if err := original(t.Context(), name, fill); err != nil {
			t.Fatal(err)
		}
		made.names[name] = true
	}
	// Copying files takes half the processor time that copying rows takes.
	return databaseLike(t, " STRATEGY FILE_COPY TEMPLATE "+pgx.Identifier{name}.Sanitize())
}

// original makes a database that others are copies of, unless another package has made it.
func original(ctx context.Context, name string, fill func(*store.Store) error) error {
	conn, err := pgx.Connect(ctx, address("postgres"))
	if err != nil {
		return err
	}
	defer conn.Close(ctx)
	// Closing the connection releases the lock.
	if _, err := conn.Exec(ctx, "SELECT pg_advisory_lock(hashtext($1))", name); err != nil {
		return err
	}
	there := false
	if err := conn.QueryRow(ctx, "SELECT EXISTS (SELECT FROM pg_database WHERE datname = $1)",
		name).Scan(&there); err != nil || there {
		return err
	}
	// Until it is filled it has another name, so that nobody copies half of it.
	draft := name + " draft"
	quoted := pgx.Identifier{draft}.Sanitize()
	for _, sql := range []string{"DROP DATABASE IF EXISTS ", "CREATE DATABASE "} {
		if _, err := conn.Exec(ctx, sql+quoted); err != nil {
			return err
		}
	}
	if err := filled(ctx, address(draft), fill); err != nil {
		return err
	}
	_, err = conn.Exec(ctx, "ALTER DATABASE "+quoted+" RENAME TO "+pgx.Identifier{name}.Sanitize())
	return err
}

// filled migrates and fills a database, and closes its connections: a database in use cannot be copied.
func filled(ctx context.Context, url string, fill func(*store.Store) error) error {
	if err := store.Migrate(ctx, url); err != nil {
		return err
	}
	db, err := store.Open(ctx, url)
	if err != nil {
		return err
	}
	defer db.Close()
	return fill(db)
}

// made holds the names of the databases that are there to be copied.
var made = struct {
	sync.Mutex
	names map[string]bool
}{names: map[string]bool{}}
