// Command evrik serves Evrik.
//
//	evrik serve      serve, with a database of its own unless EVRIK_DATABASE_URL names one
//	evrik demo       the same with the invented demo club; -reset seeds it afresh
//	evrik migrate    bring the database's schema up to date
//	evrik backup F   write the whole database to a file (pg_dump's format); it may go on serving
//	evrik restore F  read such a file into an empty database
//	evrik export F   write a program as an archive (JSON); -program names it where there are several
//	evrik import F   add what an archive holds to a program
//	evrik agree      compare the read tables with the kinematics, screen by screen
//
// The last four but one take -demo for the demo's database.
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

	"evrik/core/evidence"
	"evrik/internal/demo"
	"evrik/internal/pglocal"
	"evrik/internal/store"
	"evrik/internal/web"
	assets "evrik/web"
)

func main() {
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	defer stop()
	if err := run(ctx, os.Args[1:]); err != nil {
		fmt.Fprintln(os.Stderr, "evrik: "+err.Error())
		os.Exit(1)
	}
}

const usage = "Say what to do: evrik serve, demo, migrate, backup FILE, restore FILE, export FILE, import FILE or agree."

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
	if err := flags.Parse(args[1:]); err != nil {
		return err
	}
	switch args[0] {
	case "agree":
		agree(os.Stdout)
		return nil
	case "backup", "restore", "export", "import":
		return keeping(ctx, args[0], flags.Arg(0), *ofDemo, *program)
	case "serve", "demo", "migrate":
	default:
		return fmt.Errorf("There is no %q. %s", args[0], usage)
	}

	// The address first: a taken port should be said before anything is started.
	var listener net.Listener
	if args[0] != "migrate" {
		addr := envOr("EVRIK_ADDR", defaultAddr)
		var err error
		if listener, err = net.Listen("tcp", addr); err != nil {
			return fmt.Errorf("The address %s cannot be used (%v). Stop what runs there, or choose another: EVRIK_ADDR=127.0.0.1:8418.", addr, reason(err))
		}
		defer listener.Close()
	}
	url, done, err := database(ctx, args[0])
	if err != nil {
		return err
	}
	defer done()
	if args[0] == "migrate" {
		return store.Migrate(ctx, url)
	}
	db, err := current(ctx, url)
	if err != nil {
		return err
	}
	defer db.Close()
	go forget(ctx, db)
	options := web.Options{Assets: assets.Assets(), HTTPS: os.Getenv("EVRIK_HTTPS") != "", Outbox: filepath.Join(home(), "outbox")}
	if args[0] == "demo" {
		if err := demo.Ensure(ctx, db, time.Now(), *reset); err != nil {
			return fmt.Errorf("The demo club could not be made: %w", err)
		}
		if n, err := db.DemoProgram(ctx); err == nil && n > 0 {
			options.Demo = &demo.SignIn
		}
		devices, end, err := standIns(listener.Addr())
		if err != nil {
			return err
		}
		defer end()
		options.StandIns = devices
	}
	return serve(ctx, listener, db, options)
}

// current opens a database with its tables and its sums as this version wants them.
func current(ctx context.Context, url string) (*store.Store, error) {
	if err := store.Migrate(ctx, url); err != nil {
		return nil, err
	}
	db, err := store.Open(ctx, url)
	if err != nil {
		return nil, err
	}
	if err := db.Recount(ctx, evidence.DefaultPolicy()); err != nil {
		db.Close()
		return nil, err
	}
	return db, nil
}

// database returns the address of the database and what ends it.
func database(ctx context.Context, mode string) (string, func(), error) {
	if url := os.Getenv("EVRIK_DATABASE_URL"); url != "" {
		return url, func() {}, nil
	}
	name := "data"
	if mode == "demo" || mode == demoLook {
		name = "demo"
	}
	cluster, err := pglocal.Start(ctx, pglocal.Options{Dir: filepath.Join(home(), name)})
	if err != nil {
		return "", nil, err
	}
	stop := func() {
		// Whoever only looks in leaves a server running that ran before.
		if cluster.Adopted && mode != "serve" && mode != "demo" {
			return
		}
		if err := cluster.Stop(context.Background()); err != nil {
			fmt.Fprintln(os.Stderr, "evrik: "+err.Error())
		}
	}
	if err := cluster.Ensure(ctx, databaseName); err != nil {
		stop()
		return "", nil, err
	}
	return cluster.URL(databaseName), stop, nil
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

func serve(ctx context.Context, l net.Listener, db *store.Store, o web.Options) error {
	o.Life = ctx
	handler, err := web.New(db, o)
	if err != nil {
		return err
	}
	server := &http.Server{Handler: handler, ReadHeaderTimeout: 10 * time.Second, ReadTimeout: time.Minute, IdleTimeout: 2 * time.Minute}
	failed := make(chan error, 1)
	go func() { failed <- server.Serve(l) }()
	fmt.Printf("Evrik is at http://%s\n", l.Addr())
	if o.Demo != nil {
		fmt.Printf("Demo sign-in (filled in for you): %s / %s\n", o.Demo.Email, o.Demo.Password)
	}
	if o.StandIns != nil {
		fmt.Printf("Simulated scoreboard: %s (EVRIK_STANDINS=off leaves simulated devices out)\n", *o.StandIns.Scoreboard)
	}
	fmt.Println("Ctrl-C stops it; the data is kept.")
	select {
	case err := <-failed:
		return err
	case <-ctx.Done():
	}
	slog.Info("stopping")
	wait, cancel := context.WithTimeout(context.Background(), shutdownWait)
	defer cancel()
	return server.Shutdown(wait)
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
