package web

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5"

	"evrik/core/drill"
	"evrik/core/reads"
	"evrik/internal/web/api"
)

// seasons fills a club's log: each of some players has so many reps over some years,
// in every action off the ball, on the shown rung and live ones.
func seasons(b *testing.B, w *world, c club, each, years int) {
	b.Helper()
	rng := rand.New(rand.NewPCG(7, 7))
	var actions []*reads.Action
	for _, s := range reads.Actions() {
		if s.Roles[0] == reads.Cutter {
			actions = append(actions, s)
		}
	}
	rungs := []drill.Rung{drill.Guided, drill.Live2, drill.Live3, drill.Game}
	const perPractice = 30
	n := len(c.players) * each
	practice := uuid.New()
	_, err := w.db.Pool.CopyFrom(b.Context(), pgx.Identifier{"rep_events"},
		[]string{"id", "program_id", "team_id", "practice_id", "block_id", "kind", "rep_no", "at", "player_id", "role",
			"drill", "rung", "action", "side", "cue", "expected", "made", "is_correct", "observer_id", "device"},
		pgx.CopyFromSlice(n, func(i int) ([]any, error) {
			if i%(perPractice*len(c.players)) == 0 {
				practice = uuid.New()
			}
			at := evening.Add(-time.Duration(years) * 365 * 24 * time.Hour / time.Duration(n) * time.Duration(n-i))
			s := actions[rng.IntN(len(actions))]
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
			return []any{uuid.New(), c.program, c.team, practice, practice, "rep", int32(i), at,
				c.players[i%len(c.players)], string(role), "d", string(rungs[rng.IntN(len(rungs))]), s.ID,
				[]string{"left", "right"}[rng.IntN(2)], row.Cue.String(), string(expected), string(made),
				made == expected, uuid.New(), "bench"}, nil
		}))
	if err != nil {
		b.Fatal(err)
	}
}

// BenchmarkAtAMillion asks for a team's board, the sheet of a practice and a plan in clubs of
// 300, of ten thousand and of a million reps: ten seasons of four teams, whose players stay four
// seasons; 75,000 reps are the team's. The first board of each reads its whole log.
func BenchmarkAtAMillion(b *testing.B) {
	w := newWorld(b)
	tiny, small, large := w.club("tiny", 15), w.club("small", 15), w.club("large", 15)
	seasons(b, w, tiny, 300/15, 1)
	seasons(b, w, small, 10000/15, 1)
	seasons(b, w, large, 5000, 4)
	for i := range 15 { // who played before, and who plays elsewhere
		older, team := w.club(fmt.Sprint("older", i), 15), w.teamOf(large, fmt.Sprint(i))
		if _,
			err := w.db.Pool.Exec(b.Context(), "UPDATE players SET program_id = $1, team_id = $2 WHERE program_id = $3",
			large.program, team.team, older.program); err != nil {
			b.Fatal(err)
		}
		team.players = older.players
		seasons(b, w, team, 62000/15, 10)
	}
	var reps int
	if err := w.db.Pool.QueryRow(b.Context(), "SELECT count(*) FROM rep_events WHERE program_id = $1",
		large.program).Scan(&reps); err != nil || reps < 1_000_000 {
		b.Fatal(reps, err)
	}
	if _, err := w.db.Pool.Exec(b.Context(), "VACUUM ANALYZE"); err != nil {
		b.Fatal(err)
	}
	const rounds = 30
	for b.Loop() {
		took := map[string][]float64{}
		plans := map[string]string{}
		ask := func(a *agent, size string, c club, what string) float64 {
			began := time.Now()
			switch what {
			case "board":
				a.do("GET", c.path("/board?role=cutter"), nil, 200, nil)
			case "sheet":
				a.do("GET", c.path("/practices/"+plans[size]), nil, 200, nil)
			case "plan":
				a.do("POST", c.path("/fill"), map[string]any{"plan": planFor(c), "scope": "evening"}, 200, nil)
			}
			return float64(time.Since(began).Microseconds()) / 1000
		}
		clubs := map[string]club{"tiny": tiny, "small": small, "large": large}
		heads := map[string]*agent{}
		for size, c := range clubs {
			heads[size] = w.as(c.head)
			b.ReportMetric(ask(heads[size], size, c, "board"), size+"-first-board-ms")
			var p api.Practice
			heads[size].do("POST", c.path("/practices"), planFor(c), 201, &p)
			plans[size] = p.Id.String()
		}
		for range rounds {
			for size, c := range clubs {
				for _, what := range []string{"board", "sheet", "plan"} {
					took[size+what] = append(took[size+what], ask(heads[size], size, c, what))
				}
			}
		}
		median := func(size, what string) float64 {
			slices.Sort(took[size+what])
			return took[size+what][rounds/2]
		}
		for _, what := range []string{"board", "sheet", "plan"} {
			b.ReportMetric(median("large", what), "million-"+what+"-ms")
		}
		b.ReportMetric(median("large", "board")/median("small", "board"), "board-of-ten-thousand")
		b.ReportMetric(median("large", "sheet")/median("tiny", "sheet"), "sheet-of-300")
		b.ReportMetric(median("large", "plan")/median("tiny", "plan"), "plan-of-300")
	}
}
