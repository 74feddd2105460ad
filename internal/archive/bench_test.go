package archive

import (
	"io"
	"runtime"
	"testing"

	"github.com/jackc/pgx/v5"
)

// BenchmarkArchiveOfAMillion writes an archive of a million reps and reports how much the heap
// grew meanwhile.
func BenchmarkArchiveOfAMillion(b *testing.B) {
	db, program, _ := club(b)
	const copies = 220
	if _,
		err := db.Pool.Exec(b.Context(),
		`INSERT INTO rep_events (id, program_id, team_id, practice_id, block_id, kind, rep_no, at, player_id, role, drill, rung, action, side, cue, expected, made, is_correct, observer_id, device)
		SELECT gen_random_uuid(), program_id, team_id, practice_id, block_id, kind, 0, at - n * interval '1 day', player_id, role, drill, rung, action, side, cue, expected, made, is_correct, observer_id, device
		FROM rep_events, generate_series(1, $1) n WHERE program_id = $2 AND kind = 'rep'`, copies, program); err != nil {
		b.Fatal(err)
	}
	var n int
	if err := db.Pool.QueryRow(b.Context(), "SELECT count(*) FROM rep_events").Scan(&n); err != nil || n < 1_000_000 {
		b.Fatal(n, err)
	}
	if _, err := db.Pool.Exec(b.Context(), "ANALYZE", pgx.QueryExecModeSimpleProtocol); err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		runtime.GC()
		var m runtime.MemStats
		runtime.ReadMemStats(&m)
		at, most := m.HeapAlloc, uint64(0)
		w := &counting{see: func() {
			runtime.ReadMemStats(&m)
			most = max(most, m.HeapAlloc)
		}}
		if err := Write(b.Context(), db, program, now, w); err != nil {
			b.Fatal(err)
		}
		b.ReportMetric(float64(n), "reps")
		b.ReportMetric(float64(w.n)/1e6, "MB-written")
		b.ReportMetric(float64(most-min(at, most))/1e6, "MB-heap")
	}
}

// counting counts what is written and looks at the heap now and then.
type counting struct {
	n, looked int
	see       func()
}

func (c *counting) Write(p []byte) (int, error) {
	if c.n += len(p); c.n-c.looked > 4<<20 {
		c.looked = c.n
		c.see()
	}
	return len(p), nil
}

var _ io.Writer = (*counting)(nil)
