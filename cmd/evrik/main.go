// Command evrik serves Evrik.
//
//	evrik serve      serve, with a database of its own unless EVRIK_DATABASE_URL names one
//	evrik demo       the same with the invented demo club; -reset seeds it afresh
//	evrik migrate    bring the database's schema up to date
//	evrik backup F   write the whole database to a file (pg_dump's format); it may go on serving
//	evrik restore F  read such a file into an empty database
//	evrik export F   write a program as an archive (JSON); -program names it where there are several
//	evrik import F   add what an archive holds to a program
//	evrik password E make a new password for the account with an email address and print it
//	evrik agree      compare the read tables with the kinematics, action by action
//	evrik version    say what runs
//
// backup, restore, export, import and password take -demo for the demo's database.
package main

import (
	"context"
	"errors"
	"flag"
	"fmt"
	"log/slog"
	"net"
	"net/http"
	"os"
	"os/signal"
	"path/filepath"
	"syscall"
	"time"

	"evrik/internal/demo"
	"evrik/internal/pglocal"
	"evrik/internal/sentences"
	"evrik/internal/store"
	"evrik/internal/web"
)

func main() {
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	defer stop()
	if err := run(ctx, os.Args[1:]); err != nil {
		fmt.Fprintln(os.Stderr, "evrik: "+sentences.Of(err))
		os.Exit(1)
	}
}

const usage = "Say what to do: evrik serve, demo, migrate, backup FILE, restore FILE, export FILE, import FILE, " +
	"password EMAIL, agree or version."

// Settings come from the environment, so that a service manager can set them.
const (
	defaultAddr  = "127.0.0.1:8417"
	databaseName = "evrik"
	shutdownWait = 10 * time.Second
)

func run(ctx context.Context, args []string) error {
	if len(args) == 0 {
		return errors.New(usage)
	}
	flags := flag.NewFlagSet(args[0], flag.ContinueOnError)
	reset := flags.Bool("reset", false, "throw the demo club away and seed it afresh")
	ofDemo := flags.Bool("demo", false, "the demo's database")
	program := flags.String("program", "", "which program, by id or name")
	erase := flags.String("erase", "ask",
		"after a restore: erase those again who were erased since the backup: yes, no or ask")
	if err := flags.Parse(args[1:]); err != nil {
		return err
	}
	switch args[0] {
	case "agree":
		agree(os.Stdout)
		return nil
	case "version":
		fmt.Println(version())
		return nil
	case "backup", "restore", "export", "import":
		return keeping(ctx, args[0], flags.Arg(0), *ofDemo, *program, *erase)
	case "password":
		return newPassword(ctx, flags.Arg(0), *ofDemo)
	case "serve", "demo", "migrate":
		return start(ctx, args[0], *reset)
	}
	return fmt.Errorf("There is no %q. %s", args[0], usage)
}

// start serves, with the demo club or without, or brings the schema up to date and ends.
func start(ctx context.Context, what string, reset bool) error {
	// The address first: a taken port should be said before anything is started.
	var listener net.Listener
	if what != "migrate" {
		addr := envOr("EVRIK_ADDR", defaultAddr)
		var err error
		if listener, err = net.Listen("tcp", addr); err != nil {
			return fmt.Errorf(
				"The address %s cannot be used (%v). Stop what runs there, or choose another: "+
					"EVRIK_ADDR=127.0.0.1:8418.", addr, reason(err))
		}
		defer listener.Close()
	}
	serveAt := ""
	if listener != nil {
		serveAt = "http://" + listener.Addr().String()
	}
	from, err := database(ctx, what, serveAt)
	if err != nil {
		return err
	}
	defer from.close()
	if what == "migrate" {
		return store.Migrate(ctx, from.url)
	}
	if from.own != nil {
		from.own.Watch(ctx)
	}
	db, err := current(ctx, from.url)
	if err != nil {
		return err
	}
	defer db.Close()
	go forget(ctx, db)
	options, err := settings(ctx, db, listener.Addr())
	if err != nil {
		return err
	}
	if what == "demo" {
		end, err := withDemo(ctx, db, listener.Addr(), reset, &options)
		if err != nil {
			return err
		}
		defer end()
	}
	return serve(ctx, listener, db, options, from.leaving)
}

// withDemo makes the demo club and starts the simulated devices; end stops them.
func withDemo(ctx context.Context, db *store.Store, at net.Addr, reset bool, options *web.Options) (end func(),
	err error) {
	if err := demo.Ensure(ctx, db, time.Now(), reset); err != nil {
		return nil, fmt.Errorf("The demo club could not be made: %w", err)
	}
	if n, err := db.DemoProgram(ctx); err == nil && n > 0 {
		options.Demo, options.SetupCode = &demo.SignIn, ""
	}
	options.StandIns, end, err = standIns(at)
	return end, err
}

// current opens a database with its tables as this version wants them.
func current(ctx context.Context, url string) (*store.Store, error) {
	if err := store.Migrate(ctx, url); err != nil {
		return nil, err
	}
	return store.Open(ctx, url)
}

// source is the database that is worked with.
type source struct {
	url string
	// own is the private cluster; nil where EVRIK_DATABASE_URL names another server.
	own *pglocal.Cluster
}

// database finds the database of a mode. serveAt is the address that is served at; empty for
// commands that only look in. What is returned must be closed.
func database(ctx context.Context, mode, serveAt string) (*source, error) {
	if url := os.Getenv("EVRIK_DATABASE_URL"); url != "" {
		return &source{url: url}, nil
	}
	name := "data"
	if mode == "demo" || mode == demoLook {
		name = "demo"
	}
	cluster, err := pglocal.Start(ctx, pglocal.Options{Dir: filepath.Join(home(), name), ServeAt: serveAt})
	if err != nil {
		return nil, err
	}
	from := &source{own: cluster}
	if err := cluster.Ensure(ctx, databaseName); err != nil {
		from.close()
		return nil, err
	}
	from.url = cluster.URL(databaseName)
	return from, nil
}

// close gives the database up; a private one is stopped when nobody else uses it.
func (d *source) close() {
	if d.own == nil {
		return
	}
	if err := d.own.Close(context.Background()); err != nil {
		fmt.Fprintln(os.Stderr, "evrik: "+sentences.Of(err))
	}
}

// leaving tells the next server that this one serves no more.
func (d *source) leaving() {
	if d.own != nil {
		d.own.Leaving()
	}
}

// home is where databases of our own live: a place the postgres user can reach
// when root starts us.
func home() string {
	if dir := os.Getenv("EVRIK_HOME"); dir != "" {
		return dir
	}
	if os.Geteuid() == 0 {
		return "/var/lib/evrik"
	}
	if dir, err := os.UserHomeDir(); err == nil {
		return filepath.Join(dir, ".local", "share", "evrik")
	}
	return ".evrik"
}

// serve answers until the context is done; leaving is called before the last requests are
// answered.
func serve(ctx context.Context, l net.Listener, db *store.Store, o web.Options, leaving func()) error {
	o.Life = ctx
	handler, err := web.New(db, o)
	if err != nil {
		return err
	}
	server := &http.Server{Handler: handler, ReadHeaderTimeout: 10 * time.Second, ReadTimeout: time.Minute,
		WriteTimeout: 2 * time.Minute, IdleTimeout: 2 * time.Minute}
	failed := make(chan error, 1)
	go func() { failed <- server.Serve(l) }()
	fmt.Printf("Evrik is at http://%s\n", l.Addr())
	if o.Demo != nil {
		fmt.Printf("Demo sign-in (filled in for you): %s / %s\n", o.Demo.Email, o.Demo.Password)
	}
	if o.SetupCode != "" {
		fmt.Printf("Setting up from another machine needs this code: %s\n", o.SetupCode)
	}
	if o.StandIns != nil {
		fmt.Printf("Simulated scoreboard: %s (EVRIK_STANDINS=off leaves simulated devices out)\n",
			*o.StandIns.Scoreboard)
	}
	fmt.Println("Ctrl-C stops it; the data is kept.")
	select {
	case err := <-failed:
		return err
	case <-ctx.Done():
	}
	slog.Info("stopping")
	leaving()
	wait, cancel := context.WithTimeout(context.Background(), shutdownWait)
	defer cancel()
	if err := server.Shutdown(wait); err != nil {
		// Whatever is still under way is cut off, so that the database can be given up.
		return server.Close()
	}
	return nil
}

func envOr(name, value string) string {
	if v := os.Getenv(name); v != "" {
		return v
	}
	return value
}

// reason is the short cause of a failed listen.
func reason(err error) string {
	if errors.Is(err, syscall.EADDRINUSE) {
		return "another program has it"
	}
	return err.Error()
}
