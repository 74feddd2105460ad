//go:build prove

package e2e

import (
	"flag"
	"fmt"
	"math/rand/v2"
	"strings"
	"sync/atomic"
	"testing"
	"time"

	"evrik/e2e/browser"
	"evrik/internal/pgtest"
)

var (
	soakFor  = flag.Duration("soak", 6*time.Second, "how long the random run of faults lasts")
	soakSeed = flag.Uint64("seed", 1, "of the random run of faults")
)

// logger is one browser in a random run, with what it must have logged.
type logger struct {
	*browser.Page
	standing int
	offline  bool
}

// written waits until everything the page has begun to write to its device is there.
func (d *logger) written() {
	browser.Eval[bool](d.Page, `new Promise((r) => { const q = indexedDB.open('evrik'); q.onsuccess = () => {
		const tx = q.result.transaction('waiting', 'readwrite'); tx.oncomplete = () => { q.result.close(); r(true); }; }; })`)
}

// Three devices log one practice while everything goes wrong at random: networks are
// cut, answers get lost, pages are closed, servers are killed and replaced, PostgreSQL is killed.
// In the end what was logged is stored, once. make soak runs it for ten minutes.
func TestSoak(t *testing.T) {
	t.Parallel()
	rng := rand.New(rand.NewPCG(*soakSeed, 0))
	url, crash := pgtest.Watched(t)
	// Two servers share one database; a proxy in front decides which of them a device reaches.
	s := launch(t, "demo", "EVRIK_DATABASE_URL="+url)
	servers := []*server{s, launch(t, "serve", "EVRIK_DATABASE_URL="+url)}
	serving := 0
	via, net := between(t, s)
	turn := func() {
		serving = 1 - serving
		net.turn(t, servers[serving])
	}
	var lostAnswers atomic.Int64
	luck := func(share float64) bool { return rand.Float64() < share }
	net.set(func() {}, func() bool {
		if luck(0.1) {
			lostAnswers.Add(1)
			return false
		}
		return true
	})

	devices := make([]*logger, 3)
	for i := range devices {
		d := &logger{Page: signIn(device(t, via))}
		devices[i] = d
		if i == 0 {
			floor(d.Page)
		} else {
			d.Open(devices[0].Path())
		}
		d.See("region", "Who is up")
		d.Until("navigator.serviceWorker.controller !== null")
	}
	count := map[string]int{}
	for end := time.Now().Add(*soakFor); time.Now().Before(end); {
		d := devices[rng.IntN(len(devices))]
		switch n := rng.IntN(100); {
		case n < 60:
			reps := 1 + rng.IntN(8)
			log(d.Page, reps)
			d.standing += reps
			count["reps"] += reps
		case n < 70:
			if d.standing > 0 {
				d.Press("z")
				d.standing--
				count["undone"]++
			}
		case n < 78:
			if d.standing > 0 {
				d.Click("button", "Missed")
				count["amended"]++
			}
		case n < 88:
			d.offline = !d.offline
			d.Offline(d.offline)
			count["networks cut or back"]++
		case n < 95:
			d.written()
			d.Open(d.Path())
			d.See("region", "Who is up")
			count["pages closed and opened"]++
		case n < 97:
			// The devices go on with the other one.
			gone := servers[serving]
			gone.kill()
			turn()
			gone.again()
			count["server killed"]++
		case n < 98:
			// A restart that overlaps: the next one serves before the old one has ended.
			old := servers[serving]
			next := launch(t, "serve", "EVRIK_DATABASE_URL="+url)
			servers[serving] = next
			net.turn(t, next)
			old.stop()
			count["restarts that overlap"]++
		default:
			crash()
			count["database killed"]++
		}
	}
	want := 0
	for _, d := range devices {
		want += d.standing
	}
	net.set(func() {}, func() bool { return true })
	for _, d := range devices {
		d.Offline(false)
	}
	for _, d := range devices {
		d.Text("All sent")
		d.Text(fmt.Sprintf("%d logged", want))
	}
	practice := strings.Split(devices[0].Path(), "/")[3]
	stored := ask[int](t, s, "SELECT count(*)"+standing, practice)
	once := ask[int](t, s, "SELECT count(DISTINCT (r.device, r.block_id, r.rep_no, r.role, r.player_id))"+standing,
		practice)
	t.Logf("%v with seed %d: %v, %d answers lost; %d reps stand, lost = %d, doubled = %d", *soakFor, *soakSeed, count,
		lostAnswers.Load(), want, want-once, stored-once)
	if once != want || stored != want {
		t.Error("what was logged is not what is stored")
	}
}
