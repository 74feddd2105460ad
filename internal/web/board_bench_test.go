package web

import (
	"fmt"
	"io"
	"math/rand/v2"
	"slices"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5"

	"evrik/core/drill"
	"evrik/core/reads"
)

// seasons fills a club's log: each of some players has so many reps over some years,
// in every situation off the ball, on the shown rung and live ones.
func seasons(b *testing.B, w *world, c club, each, years int) {
	b.Helper()
	rng := rand.New(rand.NewPCG(7, 7))
	var screens []*reads.Action
	for _, s := range reads.Actions() {
		if s.Roles[0] == reads.Cutter {
			screens = append(screens, s)
		}
	}
	rungs := []drill.Rung{drill.Shown, drill.Live2, drill.Live3, drill.Game}
	const perPractice = 30
	n := len(c.players) * each
	practice := uuid.New()
	_, err := w.db.Pool.CopyFrom(b.Context(), pgx.Identifier{"rep_events"},
		[]string{"id", "program_id", "team_id", "practice_id", "block_id", "kind", "rep_no", "at", "player_id", "role", "drill", "rung", "action", "side", "cue", "expected", "made", "is_correct", "observer_id", "device"},
		pgx.CopyFromSlice(n, func(i int) ([]any, error) {
			if i%(perPractice*len(c.players)) == 0 {
				practice = uuid.New()
			}
			at := evening.Add(-time.Duration(years) * 365 * 24 * time.Hour / time.Duration(n) * time.Duration(n-i))
			s := screens[rng.IntN(len(screens))]
			rows := s.Rows(reads.TeamRules{})
			row := rows[rng.IntN(len(rows))]
			role, made := reads.Cutter, row.CutterRead
			if i%3 == 0 {
				role, made = reads.Screener, row.ScreenerRead
			}
			expected := made
			if rng.IntN(4) == 0 {
				if made = rows[rng.IntN(len(rows))].CutterRead; role == reads.Screener {
					made = rows[rng.IntN(len(rows))].ScreenerRead
				}
			}
			return []any{uuid.New(), c.program, c.team, practice, practice, "rep", int32(i), at, c.players[i%len(c.players)], string(role), "d", string(rungs[rng.IntN(len(rungs))]), s.ID,
				[]string{"left", "right"}[rng.IntN(2)], row.Cue.String(), string(expected), string(made), made == expected, uuid.New(), "bench"}, nil
		}))
	if err != nil {
		b.Fatal(err)
	}
}

// BenchmarkBoardAtAMillion asks for a team's board in a club of ten thousand reps and
// in one of a million: ten seasons of four teams, whose players stay four seasons.
func BenchmarkBoardAtAMillion(b *testing.B) {
	w := newWorld(b)
	small, large := w.club("small", 15), w.club("large", 15)
	seasons(b, w, small, 10000/15, 1)
	seasons(b, w, large, 5000, 4)
	for i := range 15 { // who played before, and who plays elsewhere
		older, team := w.club(fmt.Sprint("older", i), 15), w.teamOf(large, fmt.Sprint(i))
		if _, err := w.db.Pool.Exec(b.Context(), "UPDATE players SET program_id = $1, team_id = $2 WHERE program_id = $3", large.program, team.team, older.program); err != nil {
			b.Fatal(err)
		}
		team.players = older.players
		seasons(b, w, team, 62000/15, 10)
	}
	var reps int
	if err := w.db.Pool.QueryRow(b.Context(), "SELECT count(*) FROM rep_events WHERE program_id = $1", large.program).Scan(&reps); err != nil || reps < 1_000_000 {
		b.Fatal(reps, err)
	}
	if _, err := w.db.Pool.Exec(b.Context(), "VACUUM ANALYZE"); err != nil {
		b.Fatal(err)
	}
	heads := map[string]*agent{small.head: w.as(small.head), large.head: w.as(large.head)}
	const rounds = 30
	for b.Loop() {
		took := map[string][]float64{}
		for range rounds {
			for _, c := range []club{small, large} {
				began := time.Now()
				res, err := heads[c.head].http.Get(w.server.URL + c.path("/board?role=cutter"))
				if err != nil {
					b.Fatal(err)
				}
				if n, err := io.Copy(io.Discard, res.Body); err != nil || n < 10000 {
					b.Fatal(n, err)
				}
				res.Body.Close()
				took[c.head] = append(took[c.head], float64(time.Since(began).Microseconds())/1000)
			}
		}
		median := func(c club) float64 { slices.Sort(took[c.head]); return took[c.head][rounds/2] }
		b.ReportMetric(median(small), "ten-thousand-ms")
		b.ReportMetric(median(large), "million-ms")
		b.ReportMetric(median(large)/median(small), "ratio")
	}
}
