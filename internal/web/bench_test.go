package web

import (
	"encoding/json"
	"slices"
	"sync"
	"testing"
	"time"

	"github.com/google/uuid"
	lru "github.com/hashicorp/golang-lru/v2"
	"github.com/jackc/pgx/v5"

	"evrik/core/court"
	"evrik/core/reads"
	"evrik/internal/pgtest"
	"evrik/internal/store"
	"evrik/internal/web/api"
)

// BenchmarkSecondViewer answers with a read map, kinematics in every cell, that
// was made for somebody else.
func BenchmarkSecondViewer(b *testing.B) {
	maps, err := lru.New[mapKey, reads.Map](keptMaps)
	if err != nil {
		b.Fatal(err)
	}
	s := &Server{maps: maps}
	c, _ := court.PresetCourt(court.HighSchool)
	action, _ := reads.ActionByID(reads.Ball)
	at := action.Example(c, reads.Hedge)
	s.readMap(reads.On(c), at, action.Participants[2].ID, true)
	for b.Loop() {
		if _, err := json.Marshal(s.readMap(reads.On(c), at, action.Participants[2].ID, true)); err != nil {
			b.Fatal(err)
		}
	}
}

// safely is a running practice on a database that is as safe as the product's: the
// other tests' cluster trades that for speed.
func safely(b *testing.B) (w *world, c club, p api.Practice, at string) {
	b.Helper()
	url, _ := pgtest.Watched(b)
	if err := store.Migrate(b.Context(), url); err != nil {
		b.Fatal(err)
	}
	db, err := store.Open(b.Context(), url)
	if err != nil {
		b.Fatal(err)
	}
	b.Cleanup(db.Close)
	w = worldOn(b, db)
	c, _, p, at = onFloor(w)
	return w, c, p, at
}

// BenchmarkLogRep has twenty devices log single reps, each one every tenth of a
// second, which is thirty times what helpers do, and reports how long an answer takes once the
// database's connections are warm: each of them reads its tables and plans its statements the
// first time it is used, which is told apart.
func BenchmarkLogRep(b *testing.B) {
	w, c, p, at := safely(b)
	const devices, each, warm, every = 20, 70, 10, 100 * time.Millisecond
	helpers := make([]*agent, devices)
	for i := range helpers {
		helpers[i] = w.as(c.helper)
	}
	for b.Loop() {
		var mu sync.Mutex
		var took, cold []float64
		var all sync.WaitGroup
		for i, a := range helpers {
			all.Go(func() {
				time.Sleep(every * time.Duration(i) / devices) // they do not tap in step
				beat := time.NewTicker(every)
				defer beat.Stop()
				for n := range each {
					<-beat.C
					rep := batch(repEvent(p.Blocks[3].ID, c.players[n%8], n+1, reads.Trail, reads.Curl))
					began := time.Now()
					a.do("POST", at+"/reps", rep, 200, nil)
					mu.Lock()
					if ms := float64(time.Since(began).Microseconds()) / 1000; n < warm {
						cold = append(cold, ms)
					} else {
						took = append(took, ms)
					}
					mu.Unlock()
				}
			})
		}
		all.Wait()
		slices.Sort(took)
		b.ReportMetric(took[len(took)/2], "p50-ms")
		b.ReportMetric(took[len(took)*99/100], "p99-ms")
		b.ReportMetric(slices.Max(cold), "first-second-max-ms")
	}
}

// BenchmarkBatches sends what a device kept, a hundred reps a request, and inserts
// the same rows with a bare pgx batch, by turns.
func BenchmarkBatches(b *testing.B) {
	w, c, p, at := safely(b)
	a := w.as(c.helper)
	const rounds, size = 30, 100
	tries := 0 // no two reps of a block have one number
	for b.Loop() {
		var ours, pgxs time.Duration
		tries++
		for round := range rounds {
			events := make([]map[string]any, size)
			for i := range events {
				events[i] = repEvent(p.Blocks[3].ID, c.players[i%8], rounds*size*tries+round*size+i+1, reads.Trail,
					reads.Curl)
			}
			body := batch(events...)
			began := time.Now()
			a.do("POST", at+"/reps", body, 200, nil)
			ours += time.Since(began)

			rows, err := w.db.Pool.Query(b.Context(),
				"SELECT id, program_id, team_id, practice_id, block_id, kind, voids, rep_no, at, recorded_at, "+
					"player_id, role, drill, rung, action, side, cue, expected, made, is_correct, late, outcome, "+
					"tags, observer_id, device FROM rep_events ORDER BY recorded_at DESC, id LIMIT $1", size)
			if err != nil {
				b.Fatal(err)
			}
			same, err := pgx.CollectRows(rows, func(r pgx.CollectableRow) ([]any, error) { return r.Values() })
			if err != nil {
				b.Fatal(err)
			}
			var all pgx.Batch
			for _, values := range same {
				values[0] = uuid.New()
				all.Queue(
					`INSERT INTO rep_events (id, program_id, team_id, practice_id, block_id, kind, voids, rep_no, at, recorded_at, player_id, role, drill, rung, action, side, cue, expected, made, is_correct, late, outcome, tags, observer_id, device)
					VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17, $18, $19, $20, $21, $22, $23, $24, $25)`, values...)
			}
			// Bare means without the triggers that watch for late reps.
			if _, err := w.db.Pool.Exec(b.Context(),
				"ALTER TABLE rep_events DISABLE TRIGGER rep_events_added"); err != nil {
				b.Fatal(err)
			}
			began = time.Now()
			if err := w.db.Pool.SendBatch(b.Context(), &all).Close(); err != nil {
				b.Fatal(err)
			}
			pgxs += time.Since(began)
			if _, err := w.db.Pool.Exec(b.Context(),
				"ALTER TABLE rep_events ENABLE TRIGGER rep_events_added"); err != nil {
				b.Fatal(err)
			}
		}
		b.ReportMetric(rounds*size/ours.Seconds(), "reps/s")
		b.ReportMetric(rounds*size/pgxs.Seconds(), "bare-reps/s")
		b.ReportMetric(pgxs.Seconds()/ours.Seconds(), "of-bare")
	}
}
