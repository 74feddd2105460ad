// Package pgtest gives tests a real PostgreSQL: one throw-away cluster for a
// test binary, one fresh migrated database for a test.
package pgtest

import (
	"context"
	"fmt"
	"os"
	"sync/atomic"
	"testing"

	"evrik/internal/pglocal"
	"evrik/internal/store"
)

var (
	cluster *pglocal.Cluster
	serial  atomic.Int64
)

// Main runs a package's tests with a cluster and returns the exit code.
func Main(m *testing.M) int {
	ctx := context.Background()
	dir, err := os.MkdirTemp("", "evrik-test-")
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer os.RemoveAll(dir)
	if cluster, err = pglocal.Start(ctx, pglocal.Options{Dir: dir, Volatile: true}); err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer cluster.Stop(ctx)
	return m.Run()
}

// URL makes an empty database and returns its address.
func URL(t testing.TB) string {
	t.Helper()
	name := fmt.Sprintf("t%d", serial.Add(1))
	if err := cluster.Ensure(t.Context(), name); err != nil {
		t.Fatal(err)
	}
	return cluster.URL(name)
}

// Store makes a migrated database and opens it.
func Store(t testing.TB) *store.Store {
	t.Helper()
	url := URL(t)
	if err := store.Migrate(t.Context(), url); err != nil {
		t.Fatal(err)
	}
	db, err := store.Open(t.Context(), url)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(db.Close)
	return db
}
