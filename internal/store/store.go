// Package store keeps the facts in PostgreSQL and decides nothing. SQL lives in queries/, the schema in migrations/,
// and every query is scoped to a program (the few that cannot be say why, and a test checks it).
//
// What a log comes to is not stored: the core counts it from the reps whenever it is asked. Weeks that are over are
// remembered in memory under a key that changes when anything in them does (TeamLog), and counted again after a start.
package store

import (
	"context"
	"embed"
	"errors"
	"io"
	"io/fs"
	"net"
	"strings"
	"sync/atomic"
	"syscall"
	"time"

	"github.com/google/uuid"
	lru "github.com/hashicorp/golang-lru/v2"
	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"
	"github.com/jackc/pgx/v5/pgxpool"
	"github.com/jackc/pgx/v5/stdlib"
	"github.com/pressly/goose/v3"
	"github.com/pressly/goose/v3/lock"
	pgxuuid "github.com/vgarvardt/pgx-google-uuid/v5"

	"evrik/core/refusal"
	"evrik/internal/store/gen"
)

//go:embed migrations/*.sql
var migrations embed.FS

// Migrate brings a database's schema up to date. Two processes may do it at
// the same time. Errors are refusals.
func Migrate(ctx context.Context, url string) error {
	config, err := pgx.ParseConfig(url)
	if err != nil {
		return refusal.New("store.address", err.Error())
	}
	db := stdlib.OpenDB(*config)
	defer db.Close()
	if err := waitForServer(ctx, config, patienceOf(config, startPatience)); err != nil {
		return err
	}
	if err := db.PingContext(ctx); err != nil {
		return unreachable(err)
	}
	sub, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return err
	}
	// One process migrates, the others wait for it: a look a second, for a minute.
	turns, err := lock.NewPostgresSessionLocker(lock.WithLockTimeout(1, 60))
	if err != nil {
		return err
	}
	p, err := goose.NewProvider(goose.DialectPostgres, db, sub, goose.WithSessionLocker(turns))
	if err != nil {
		return err
	}
	if _, err := p.Up(ctx); err != nil {
		return refusal.New("store.schema", err.Error())
	}
	return nil
}

// unreachable says that no connection could be made, and why, in one line.
func unreachable(err error) error {
	lines := strings.Split(strings.TrimSpace(err.Error()), "\n")
	return refusal.New("store.silent", strings.TrimSpace(lines[len(lines)-1]))
}

// Store is an open database.
type Store struct {
	*gen.Queries
	Pool *pgxpool.Pool
	// closed remembers what the closed weeks of teams came to.
	closed *lru.Cache[uuid.UUID, closedHistory]
	// listening is true while notifications are heard.
	listening atomic.Bool
}

// Connections (assumptions).
const (
	// poolSize is the number of connections unless the address says pool_max_conns. It is more
	// than the processors are, so that a few slow requests do not hold up the others.
	poolSize = 16
	// connectPatience is how long a request waits for a database that is starting again.
	connectPatience = 3 * time.Second
	// startPatience is how long a server that starts waits for a database that starts beside it.
	startPatience = 15 * time.Second
	connectPause  = 100 * time.Millisecond
)

// Open connects to a migrated database. Errors are refusals.
func Open(ctx context.Context, url string) (*Store, error) {
	config, err := pgxpool.ParseConfig(url)
	if err != nil {
		return nil, refusal.New("store.address", err.Error())
	}
	if !strings.Contains(url, "pool_max_conns") {
		config.MaxConns = poolSize
	}
	config.BeforeConnect = func(ctx context.Context, config *pgx.ConnConfig) error {
		return waitForServer(ctx, config, patienceOf(config, connectPatience))
	}
	config.AfterConnect = func(_ context.Context, conn *pgx.Conn) error {
		pgxuuid.Register(conn.TypeMap()) // ids by the thousand, without a detour through text
		return nil
	}
	pool, err := pgxpool.NewWithConfig(ctx, config)
	if err != nil {
		return nil, refusal.New("store.address", err.Error())
	}
	if err := pool.Ping(ctx); err != nil {
		pool.Close()
		return nil, unreachable(err)
	}
	closed, err := lru.New[uuid.UUID, closedHistory](mostHistories)
	if err != nil {
		pool.Close()
		return nil, err
	}
	return &Store{Queries: gen.New(pool), Pool: pool, closed: closed}, nil
}

// patienceOf is how long a server is waited for: what the address says as connect_timeout, if that is
// less.
func patienceOf(config *pgx.ConnConfig, usual time.Duration) time.Duration {
	if config.ConnectTimeout > 0 {
		return min(usual, config.ConnectTimeout)
	}
	return usual
}

// waitForServer returns when the server takes connections, or when the patience is over; the
// attempt that follows then says what is wrong.
func waitForServer(ctx context.Context, config *pgx.ConnConfig, patience time.Duration) error {
	for end := time.Now().Add(patience); ; {
		conn, err := pgconn.ConnectConfig(ctx, &config.Config)
		if err == nil {
			return conn.Close(ctx)
		}
		if !Unavailable(err) || time.Now().After(end) {
			return nil
		}
		select {
		case <-ctx.Done():
			return ctx.Err()
		case <-time.After(connectPause):
		}
	}
}

// Unavailable reports whether an error says that the server is not there, or not ready, as
// opposed to refusing what it was asked.
func Unavailable(err error) bool {
	var pg *pgconn.PgError
	if errors.As(err, &pg) {
		// Class 57P: the operator intervenes (shutdown, crash, starting up); 53300: too many
		// connections. PostgreSQL 15, appendix A.
		return strings.HasPrefix(pg.Code, "57P") || pg.Code == "53300"
	}
	var connect *pgconn.ConnectError
	var network net.Error
	return errors.As(err, &connect) || errors.As(err, &network) || errors.Is(err, io.ErrUnexpectedEOF) ||
		errors.Is(err, io.EOF) ||
		errors.Is(err, syscall.ECONNRESET) || errors.Is(err, syscall.EPIPE) || errors.Is(err, net.ErrClosed) ||
		err != nil && strings.Contains(err.Error(), "conn closed")
}

// Up reports whether the database answers, without waiting for a connection of the pool.
func (s *Store) Up() bool { return s.listening.Load() }

// Close ends all connections.
func (s *Store) Close() { s.Pool.Close() }

// Tx runs f in a transaction: everything in it is stored, or nothing.
func (s *Store) Tx(ctx context.Context, f func(q *gen.Queries) error) error {
	return pgx.BeginFunc(ctx, s.Pool, func(tx pgx.Tx) error { return f(gen.New(tx)) })
}

// NotFound reports whether an error says that there is no such row.
func NotFound(err error) bool { return errors.Is(err, pgx.ErrNoRows) }

// Refused reports whether the database refused the data itself (a constraint,
// a value out of range), as opposed to being out of order.
func Refused(err error) bool {
	var pg *pgconn.PgError
	return errors.As(err, &pg) && len(pg.Code) == 5 && (pg.Code[:2] == "22" || pg.Code[:2] == "23")
}

// Duplicate reports whether an error says that a unique value is taken.
func Duplicate(err error) bool {
	var pg *pgconn.PgError
	return errors.As(err, &pg) && pg.Code == "23505"
}
