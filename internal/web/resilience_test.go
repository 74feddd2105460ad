package web

import (
	"context"
	"errors"
	"fmt"
	"io"
	"log/slog"
	"net"
	"net/http"
	"os"
	"runtime"
	"strings"
	"sync"
	"testing"
	"testing/iotest"
	"time"

	"evrik/core/reads"
	"evrik/core/refusal"
	"evrik/internal/pgtest"
	"evrik/internal/pulse"
	"evrik/internal/store"
)

// Uploads that stall hold up nobody, and whoever may not import is not read from at all.
func TestStalledUploads(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 0)
	head := w.as(c.head)
	base, _ := strings.CutPrefix(w.server.URL, "http://")
	cookies := head.http.Jar.Cookies(mustURL(t, w.server.URL))
	for range 6 {
		conn, err := net.Dial("tcp", base)
		if err != nil {
			t.Fatal(err)
		}
		t.Cleanup(func() { conn.Close() })
		fmt.Fprintf(conn,
			"POST %s HTTP/1.1\r\nHost: %s\r\nContent-Type: application/octet-stream\r\nContent-Length: 1000000\r\n",
			archivePath, base)
		for _, k := range cookies {
			fmt.Fprintf(conn, "Cookie: %s=%s\r\n", k.Name, k.Value)
		}
		fmt.Fprint(conn, "\r\n{")
	}
	began := time.Now()
	for range 10 {
		head.do("GET", "/api/staff", nil, 200, nil)
	}
	if took := time.Since(began); took > 5*time.Second {
		t.Errorf("ten requests beside stalled uploads took %v", took)
	}
	// Every request holds one for a moment, to see who asks; a stalled upload would hold it
	// until its body is there.
	held := func() int32 { return w.db.Pool.Stat().AcquiredConns() }
	for given := time.Now().Add(5 * time.Second); held() > 0 && time.Now().Before(given); {
		runtime.Gosched()
	}
	if n := held(); n > 0 {
		t.Errorf("%d connections of the database wait for an upload", n)
	}
	res, err := http.Get(w.server.URL + "/healthz")
	if err != nil || res.StatusCode != 200 {
		t.Fatal(res, err)
	}
	res.Body.Close()
	// A stranger is answered before the body is asked for.
	conn, err := net.Dial("tcp", base)
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close()
	fmt.Fprintf(conn,
		"POST %s HTTP/1.1\r\nHost: %s\r\nContent-Type: application/octet-stream\r\nContent-Length: 1000000\r\n\r\n",
		archivePath, base)
	_ = conn.SetReadDeadline(time.Now().Add(10 * time.Second))
	line := make([]byte, 12)
	if _, err := io.ReadFull(conn, line); err != nil || string(line) != "HTTP/1.1 401" {
		t.Errorf("a stranger's upload is answered with %q, %v", line, err)
	}
}

// What is uploaded is on the disk whole, or nothing of it is, and the caller is told which.
func TestSpool(t *testing.T) {
	dir := t.TempDir()
	t.Setenv("TMPDIR", dir)
	whole := strings.Repeat("x", chunk+7)
	file, err := spool(t.Context(), strings.NewReader(whole))
	if err != nil {
		t.Fatal(err)
	}
	got, err := io.ReadAll(file)
	if err != nil || string(got) != whole {
		t.Errorf("%d bytes of %d came through, %v", len(got), len(whole), err)
	}
	file.Close()
	os.Remove(file.Name())
	for cause, want := range map[error]string{os.ErrDeadlineExceeded: "program.archive-stopped",
		io.ErrUnexpectedEOF: "program.archive-cut"} {
		_, err := spool(t.Context(), io.MultiReader(strings.NewReader(whole), iotest.ErrReader(cause)))
		var p problem
		if !errors.As(err, &p) || p.status < 400 || p.status >= 500 || refusal.CodeOf(p) != want {
			t.Errorf("%v is told as %v", cause, err)
		}
	}
	if left, err := os.ReadDir(dir); err != nil || len(left) > 0 {
		t.Errorf("left behind: %v, %v", left, err)
	}
}

// A connection to listen on that breaks is logged, and made again.
func TestBrokenListenerIsLogged(t *testing.T) {
	var mu sync.Mutex
	var log strings.Builder
	was := slog.Default()
	slog.SetDefault(slog.New(slog.NewTextHandler(writerFunc(func(p []byte) (int, error) {
		mu.Lock()
		defer mu.Unlock()
		return log.Write(p)
	}), nil)))
	defer slog.SetDefault(was)
	w := newWorld(t)
	wait := func(up bool) {
		t.Helper()
		for end := time.Now().Add(time.Minute); w.db.Up() != up; time.Sleep(time.Millisecond) {
			if time.Now().After(end) {
				t.Fatalf("listening is not %v", up)
			}
		}
	}
	wait(true)
	if _,
		err := w.db.Pool.Exec(t.Context(),
		"SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE query LIKE 'LISTEN%' AND datname = "+
			"current_database()"); err != nil {
		t.Fatal(err)
	}
	wait(false)
	wait(true)
	mu.Lock()
	defer mu.Unlock()
	if !strings.Contains(log.String(), "notifications are not heard") {
		t.Errorf("the log says %q", log.String())
	}
}

// healthz answers while every connection of the pool is taken.
func TestHealthzWaitsForNothing(t *testing.T) {
	w := newWorld(t)
	for range w.db.Pool.Config().MaxConns {
		conn, err := w.db.Pool.Acquire(t.Context())
		if err != nil {
			t.Fatal(err)
		}
		defer conn.Release()
	}
	ctx, cancel := context.WithTimeout(t.Context(), 5*time.Second)
	defer cancel()
	req, _ := http.NewRequestWithContext(ctx, "GET", w.server.URL+"/healthz", nil)
	res, err := http.DefaultClient.Do(req)
	if err != nil || res.StatusCode != 200 {
		t.Fatal(res, err)
	}
	res.Body.Close()
}

// The private database is killed without warning while several devices log. Requests wait a little
// or get a clear 503; within ten seconds everything works again, nothing that was acknowledged is
// lost and nothing is doubled.
func TestDatabaseKilledUnderLoad(t *testing.T) {
	url, kill := pgtest.Watched(t)
	if err := store.Migrate(t.Context(), url); err != nil {
		t.Fatal(err)
	}
	db, err := store.Open(t.Context(), url)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(db.Close)
	w := worldOn(t, db)
	c, head, p, at := onFloor(w)
	stop := make(chan bool)
	var mu sync.Mutex
	acknowledged, unavailable := 0, 0
	var wg sync.WaitGroup
	const devices = 4
	for d := range devices {
		wg.Go(func() {
			for n := 1; ; n++ {
				select {
				case <-stop:
					return
				default:
				}
				e := repEvent(p.Blocks[3].ID, c.players[d], n, reads.Trail, reads.Curl)
				for {
					status := head.status("POST", at+"/reps", batch(e))
					if status == 200 {
						break
					}
					if status != 503 {
						t.Errorf("a device was answered with %d", status)
						return
					}
					mu.Lock()
					unavailable++
					mu.Unlock()
				}
				mu.Lock()
				acknowledged++
				mu.Unlock()
			}
		})
	}
	count := func() int {
		mu.Lock()
		defer mu.Unlock()
		return acknowledged
	}
	for count() < 40 {
		time.Sleep(time.Millisecond)
	}
	began, awake := time.Now(), pulse.Awake(t)
	kill()
	// What was under way ends; then all devices get on.
	for settled := count() + 2*devices; count() < settled; {
		time.Sleep(time.Millisecond)
		if awake() > 10*time.Second {
			t.Fatal("nothing works ten seconds after the database was killed")
		}
	}
	took := time.Since(began)
	close(stop)
	wg.Wait()
	var stored, once int
	if err := db.Pool.QueryRow(t.Context(),
		"SELECT count(*), count(DISTINCT (player_id, rep_no)) FROM rep_events").Scan(&stored, &once); err != nil {
		t.Fatal(err)
	}
	t.Logf("recovered after %v; %d reps acknowledged, %d answers of 503; lost = %d, doubled = %d",
		took.Round(time.Millisecond), count(), unavailable, count()-once, stored-once)
	if stored != count() || once != count() {
		t.Errorf("%d reps were acknowledged, %d are stored, %d of them once", count(), stored, once)
	}
}
