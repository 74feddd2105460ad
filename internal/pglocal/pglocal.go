// Package pglocal runs a private PostgreSQL cluster on loopback with the
// server that Debian's packages install: own data directory, own port, own
// password, no socket file, nothing to set up by hand.
package pglocal

import (
	"context"
	"crypto/rand"
	"errors"
	"fmt"
	"net"
	"net/url"
	"os"
	"os/exec"
	"os/user"
	"path/filepath"
	"sort"
	"strconv"
	"strings"
	"syscall"

	"github.com/jackc/pgx/v5"
)

// Options says where and how a cluster runs.
type Options struct {
	// Dir holds everything of the cluster; it is made when missing.
	Dir string
	// Volatile trades safety for speed: for tests, whose data nobody wants back.
	Volatile bool
	// ServeAt is the address that this process serves at; empty where it only looks in. Of
	// several processes that serve, only one may use a directory.
	ServeAt string
}

// Cluster is a running server.
type Cluster struct {
	dir, bin string
	port     int
	password string
	volatile bool
	owner    *syscall.Credential // nil when the caller may run the server itself
	inUse    *os.File            // shared lock
	serving  *os.File            // exclusive lock; nil where this process does not serve
	// stopWatching ends Watch and waits for it.
	stopWatching func()
}

const (
	superuser = "evrik"
	// minFree is the free disk space in bytes below which nothing is started.
	minFree = 200 << 20
	// startWait and stopWait are how long the server may take, in seconds.
	startWait, stopWait = "40", "30"
	// maxConnections is for two servers that overlap, with their pools, and a backup.
	maxConnections = 80
	// volatileConnections is for the tests of several packages, with the servers they start (assumption).
	volatileConnections = 240
)

// Start starts the cluster in Dir, making it first when it is new and joining
// it when it runs already. Close gives it up. Errors are sentences.
func Start(ctx context.Context, o Options) (_ *Cluster, err error) {
	bin, err := findServer()
	if err != nil {
		return nil, err
	}
	dir, err := filepath.Abs(o.Dir)
	if err != nil {
		return nil, err
	}
	c := &Cluster{dir: dir, bin: bin, volatile: o.Volatile, stopWatching: func() {}}
	if err := c.own(); err != nil {
		return nil, err
	}
	if err := c.prepare(); err != nil {
		return nil, err
	}
	defer func() {
		if err != nil {
			c.Leaving()
			if c.inUse != nil {
				c.inUse.Close()
			}
		}
	}()
	if o.ServeAt != "" {
		if err := c.serve(ctx, o.ServeAt); err != nil {
			return nil, err
		}
	}
	// Somebody who is stopping it holds this alone until it has stopped.
	if c.inUse, err = c.lock(ctx, inUseFile, syscall.LOCK_SH, lockPatience); err != nil {
		return nil,
			fmt.Errorf(
				"The database in %s is being stopped by another process and does not end (%v). Nothing was started.",
				c.dir, err)
	}
	if err := c.createUnlessThere(ctx); err != nil {
		return nil, err
	}
	secret, err := os.ReadFile(c.passwordFile())
	if err != nil {
		return nil,
			fmt.Errorf(
				"The password of the database in %s cannot be read (%v). Nothing was changed; restore the file or "+
					"start afresh in another directory.", c.dir, err)
	}
	c.password = strings.TrimSpace(string(secret))
	return c, c.startUnlessRunning(ctx, 0)
}

// URL is the address of a database of the cluster.
func (c *Cluster) URL(database string) string {
	u := url.URL{Scheme: "postgres", User: url.UserPassword(superuser, c.password),
		Host: net.JoinHostPort("127.0.0.1", strconv.Itoa(c.port)), Path: "/" + database, RawQuery: "sslmode=disable"}
	return u.String()
}

// Ensure makes a database unless it is there.
func (c *Cluster) Ensure(ctx context.Context, database string) error {
	conn, err := pgx.Connect(ctx, c.URL("postgres"))
	if err != nil {
		return fmt.Errorf("The database in %s does not answer (%v).", c.dir, err)
	}
	defer conn.Close(ctx)
	var there bool
	if err := conn.QueryRow(ctx, "SELECT EXISTS (SELECT 1 FROM pg_database WHERE datname = $1)",
		database).Scan(&there); err != nil || there {
		return err
	}
	_, err = conn.Exec(ctx, "CREATE DATABASE "+pgx.Identifier{database}.Sanitize())
	return err
}

// Stop shuts the server down, whoever uses it; open transactions are rolled back, nothing that
// was committed is lost. Close is for everybody who may not be alone.
func (c *Cluster) Stop(ctx context.Context) error {
	out, err := c.command(ctx, "pg_ctl", "stop", "-D", c.data(), "-m", "fast", "-w", "-t", stopWait).CombinedOutput()
	if err != nil {
		return fmt.Errorf("The database in %s did not stop: %s", c.dir, lastLine(out))
	}
	return nil
}

func (c *Cluster) data() string         { return filepath.Join(c.dir, "data") }
func (c *Cluster) log() string          { return filepath.Join(c.dir, "postgres.log") }
func (c *Cluster) passwordFile() string { return filepath.Join(c.dir, "password") }

// findServer finds the newest PostgreSQL server on the machine.
func findServer() (string, error) {
	found, _ := filepath.Glob("/usr/lib/postgresql/*/bin/initdb")
	sort.Slice(found, func(i, j int) bool { return version(found[i]) < version(found[j]) })
	if len(found) > 0 {
		return filepath.Dir(found[len(found)-1]), nil
	}
	if p, err := exec.LookPath("initdb"); err == nil {
		return filepath.Dir(p), nil
	}
	return "",
		errors.New(
			"PostgreSQL's server is not installed. On Debian: apt-get install postgresql. Or set EVRIK_DATABASE_URL " +
				"to a server you have.")
}

func version(path string) float64 {
	v, _ := strconv.ParseFloat(filepath.Base(filepath.Dir(filepath.Dir(path))), 64)
	return v
}

// own finds out who must run the server: PostgreSQL refuses to run as root.
func (c *Cluster) own() error {
	if os.Geteuid() != 0 {
		return nil
	}
	u, err := user.Lookup("postgres")
	if err != nil {
		return errors.New(
			"There is no user called postgres to run the database as. Install Debian's postgresql package, or start " +
				"as another user than root.")
	}
	uid, _ := strconv.ParseUint(u.Uid, 10, 32)
	gid, _ := strconv.ParseUint(u.Gid, 10, 32)
	c.owner = &syscall.Credential{Uid: uint32(uid), Gid: uint32(gid)}
	return nil
}

func (c *Cluster) prepare() error {
	// The postgres user must be able to walk to the directory, and nobody else
	// may look into it.
	err := os.MkdirAll(filepath.Dir(c.dir), 0o755)
	if err == nil {
		if err = os.Mkdir(c.dir, 0o700); errors.Is(err, os.ErrExist) {
			err = nil
		}
	}
	if err != nil {
		return fmt.Errorf("The directory %s cannot be made (%v). Set EVRIK_HOME to one you may write to.", c.dir, err)
	}
	if c.owner != nil {
		if err := os.Chown(c.dir, int(c.owner.Uid), int(c.owner.Gid)); err != nil {
			return fmt.Errorf("The directory %s cannot be handed to the postgres user (%v).", c.dir, err)
		}
	}
	var fs syscall.Statfs_t
	if err := syscall.Statfs(c.dir, &fs); err == nil {
		if free := fs.Bavail * uint64(fs.Bsize); free < minFree {
			return fmt.Errorf(
				"The disk with %s is full: %d MB free, %d MB needed. Nothing was started; make room and start again.",
				c.dir, free>>20, minFree>>20)
		}
	}
	return nil
}

// createUnlessThere makes a new cluster where there is none. Two processes may do it at once.
func (c *Cluster) createUnlessThere(ctx context.Context) error {
	starting, err := c.lock(ctx, startFile, syscall.LOCK_EX, lockPatience)
	if err != nil {
		return err
	}
	defer starting.Close()
	if _, err := os.Stat(filepath.Join(c.data(), "PG_VERSION")); errors.Is(err, os.ErrNotExist) {
		return c.create(ctx)
	}
	return nil
}

func (c *Cluster) create(ctx context.Context) error {
	if entries, err := os.ReadDir(c.data()); err == nil && len(entries) > 0 {
		return fmt.Errorf(
			"The database directory %s is damaged: it holds files but no PG_VERSION. Nothing was changed; move it "+
				"away, or restore it from a backup.", c.data())
	}
	secret := rand.Text()
	if err := os.WriteFile(c.passwordFile(), []byte(secret+"\n"), 0o600); err != nil {
		return fmt.Errorf("The password file in %s cannot be written (%v).", c.dir, err)
	}
	if c.owner != nil {
		if err := os.Chown(c.passwordFile(), int(c.owner.Uid), int(c.owner.Gid)); err != nil {
			return err
		}
	}
	out, err := c.command(ctx, "initdb", "-D", c.data(), "-U", superuser, "--pwfile", c.passwordFile(),
		"--auth=scram-sha-256", "--encoding=UTF8", "--locale=C.UTF-8", "--no-sync").CombinedOutput()
	if err != nil {
		return fmt.Errorf(
			"A new database could not be made in %s (%v): %s. May the user who runs it walk to that directory?", c.dir,
			err, lastLine(out))
	}
	return nil
}

func (c *Cluster) start(ctx context.Context, port int) error {
	if port == 0 {
		var err error
		if port, err = freePort(); err != nil {
			return fmt.Errorf("No free port was found on 127.0.0.1 (%v).", err)
		}
	}
	connections, careless := maxConnections, ""
	if c.volatile {
		connections, careless = volatileConnections, " -c fsync=off -c synchronous_commit=off -c full_page_writes=off"
	}
	settings := fmt.Sprintf("-p %d -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c max_connections=%d",
		port, connections) + careless
	os.Remove(c.log())
	cmd := c.command(ctx, "pg_ctl", "start", "-D", c.data(), "-l", c.log(), "-w", "-t", startWait, "-o", settings)
	if err := cmd.Run(); err != nil {
		said, _ := os.ReadFile(c.log())
		return fmt.Errorf("The database in %s did not start: %s. Nothing was changed; see %s.", c.dir, lastLine(said),
			c.log())
	}
	c.port = port
	return c.noteStarted()
}

// command prepares one of PostgreSQL's programs: as the right user, out of
// reach of the terminal's Ctrl-C, from a directory it may enter. Output must
// not go through a pipe that a server left running would keep open.
func (c *Cluster) command(ctx context.Context, name string, args ...string) *exec.Cmd {
	cmd := exec.CommandContext(ctx, filepath.Join(c.bin, name), args...)
	cmd.Dir = c.dir
	cmd.SysProcAttr = &syscall.SysProcAttr{Setpgid: true, Credential: c.owner}
	cmd.Env = append(os.Environ(), "LC_ALL=C.UTF-8")
	return cmd
}

// running reads the process id and the port from the server's own note; zeros where it has
// left none. The note of a server that was killed stays.
func (c *Cluster) running() (pid, port int) {
	note, err := os.ReadFile(filepath.Join(c.data(), "postmaster.pid"))
	if err != nil {
		return 0, 0
	}
	lines := strings.Split(string(note), "\n")
	if len(lines) < 4 { // the fourth line is the port
		return 0, 0
	}
	pid, _ = strconv.Atoi(strings.TrimSpace(lines[0]))
	port, _ = strconv.Atoi(strings.TrimSpace(lines[3]))
	return pid, port
}

func freePort() (int, error) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return 0, err
	}
	defer l.Close()
	return l.Addr().(*net.TCPAddr).Port, nil
}

func lastLine(b []byte) string {
	lines := strings.Split(strings.TrimSpace(string(b)), "\n")
	return strings.TrimSuffix(strings.TrimSpace(lines[len(lines)-1]), ".")
}
