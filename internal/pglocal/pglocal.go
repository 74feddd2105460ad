// Package pglocal runs a private PostgreSQL cluster on loopback with the
// server that Debian's packages install: own data directory, own port, own
// password, no socket file, nothing to set up by hand.
package pglocal

import (
	"bufio"
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
}

// Cluster is a running server.
type Cluster struct {
	dir, bin string
	port     int
	password string
	owner    *syscall.Credential // nil when the caller may run the server himself
	// Adopted is true where it ran already.
	Adopted bool
}

const (
	superuser = "evrik"
	// minFree is the free disk space in bytes below which nothing is started.
	minFree = 200 << 20
	// startWait and stopWait are how long the server may take, in seconds.
	startWait, stopWait = "40", "30"
)

// Start starts the cluster in Dir, making it first when it is new and adopting
// it when it runs already. Errors are sentences.
func Start(ctx context.Context, o Options) (*Cluster, error) {
	bin, err := findServer()
	if err != nil {
		return nil, err
	}
	dir, err := filepath.Abs(o.Dir)
	if err != nil {
		return nil, err
	}
	c := &Cluster{dir: dir, bin: bin}
	if err := c.own(); err != nil {
		return nil, err
	}
	if err := c.prepare(); err != nil {
		return nil, err
	}
	if _, err := os.Stat(filepath.Join(c.data(), "PG_VERSION")); errors.Is(err, os.ErrNotExist) {
		if err := c.create(ctx); err != nil {
			return nil, err
		}
	}
	secret, err := os.ReadFile(c.passwordFile())
	if err != nil {
		return nil, fmt.Errorf("The password of the database in %s cannot be read (%v). Nothing was changed; restore the file or start afresh in another directory.", c.dir, err)
	}
	c.password = strings.TrimSpace(string(secret))
	if c.port = c.runningPort(); c.port != 0 && c.command(ctx, "pg_ctl", "status", "-D", c.data()).Run() == nil {
		c.Adopted = true
		return c, nil
	}
	return c, c.start(ctx, o.Volatile)
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
	if err := conn.QueryRow(ctx, "SELECT EXISTS (SELECT 1 FROM pg_database WHERE datname = $1)", database).Scan(&there); err != nil || there {
		return err
	}
	_, err = conn.Exec(ctx, "CREATE DATABASE "+pgx.Identifier{database}.Sanitize())
	return err
}

// Stop shuts the server down; open transactions are rolled back, nothing that
// was committed is lost.
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
	return "", errors.New("PostgreSQL's server is not installed. On Debian: apt-get install postgresql. Or set EVRIK_DATABASE_URL to a server you have.")
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
		return errors.New("There is no user called postgres to run the database as. Install Debian's postgresql package, or start as another user than root.")
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
			return fmt.Errorf("The disk with %s is full: %d MB free, %d MB needed. Nothing was started; make room and start again.", c.dir, free>>20, minFree>>20)
		}
	}
	return nil
}

func (c *Cluster) create(ctx context.Context) error {
	if entries, err := os.ReadDir(c.data()); err == nil && len(entries) > 0 {
		return fmt.Errorf("The database directory %s is damaged: it holds files but no PG_VERSION. Nothing was changed; move it away, or restore it from a backup.", c.data())
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
		return fmt.Errorf("A new database could not be made in %s (%v): %s. May the user who runs it walk to that directory?", c.dir, err, lastLine(out))
	}
	return nil
}

func (c *Cluster) start(ctx context.Context, volatile bool) error {
	port, err := freePort()
	if err != nil {
		return fmt.Errorf("No free port was found on 127.0.0.1 (%v).", err)
	}
	settings := fmt.Sprintf("-p %d -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c max_connections=60", port)
	if volatile {
		settings += " -c fsync=off -c synchronous_commit=off -c full_page_writes=off"
	}
	os.Remove(c.log())
	cmd := c.command(ctx, "pg_ctl", "start", "-D", c.data(), "-l", c.log(), "-w", "-t", startWait, "-o", settings)
	if err := cmd.Run(); err != nil {
		said, _ := os.ReadFile(c.log())
		return fmt.Errorf("The database in %s did not start: %s. Nothing was changed; see %s.", c.dir, lastLine(said), c.log())
	}
	c.port = port
	return nil
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

// runningPort reads the port from the running server's own note, or 0.
func (c *Cluster) runningPort() int {
	f, err := os.Open(filepath.Join(c.data(), "postmaster.pid"))
	if err != nil {
		return 0
	}
	defer f.Close()
	scan := bufio.NewScanner(f)
	for line := 1; scan.Scan(); line++ {
		if line == 4 { // the file's fourth line is the port
			port, _ := strconv.Atoi(strings.TrimSpace(scan.Text()))
			return port
		}
	}
	return 0
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
