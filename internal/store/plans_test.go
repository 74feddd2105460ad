package store_test

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgxpool"

	"evrik/internal/pgtest"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// heard keeps the last query that was asked, with its arguments.
type heard struct {
	sql  string
	args []any
}

func (h *heard) TraceQueryStart(ctx context.Context, _ *pgx.Conn, data pgx.TraceQueryStartData) context.Context {
	h.sql, h.args = data.SQL, data.Args
	return ctx
}

func (h *heard) TraceQueryEnd(context.Context, *pgx.Conn, pgx.TraceQueryEndData) {}

// years fills a database with so many reps of so many clubs, over two years, with their practices, blocks, who was
// there, what changed and what was counted. It returns the clubs and the newest practice of the first.
func years(t *testing.T, db *store.Store, clubs, reps int) ([]club, uuid.UUID) {
	const squad, practices = 12, 150
	exec := func(sql string, args ...any) {
		t.Helper()
		if _, err := db.Pool.Exec(t.Context(), sql, args...); err != nil {
			t.Fatal(err)
		}
	}
	exec("ALTER TABLE rep_events DISABLE TRIGGER USER")
	var all []club
	for range clubs {
		c := newClub(t, db, squad)
		all = append(all, c)
		exec(`INSERT INTO practices (id, program_id, team_id, starts_at, minutes, status)
			SELECT gen_random_uuid(), $1, $2, timestamptz '2026-03-17' - n * interval '5 days', 90, 'done' FROM generate_series(1, $3::integer) n`, c.program, c.team, practices)
		exec(
			`INSERT INTO blocks (id, program_id, practice_id, position, kind, title, drill, stage, minutes, baskets, seconds, seed)
			SELECT gen_random_uuid(), $1, p.id, n, 'drill', 't', 'slot-twos', 'shown', 10, 1, 20, 1 FROM practices p, generate_series(0, 7) n WHERE p.program_id = $1`, c.program)
		exec(`INSERT INTO attendance (program_id, practice_id, player_id)
			SELECT $1, p.id, w.id FROM practices p, players w WHERE p.program_id = $1 AND w.program_id = $1`, c.program)
		exec(
			`INSERT INTO floor_changes (id, program_id, practice_id, at, kind, block_id, after_rep, player_id, was, state)
			SELECT gen_random_uuid(), $1, p.id, p.starts_at, 'presence', NULL, n, $2, '', 'limited' FROM practices p, generate_series(1, 5) n WHERE p.program_id = $1`, c.program, c.players[0])
		exec(
			`INSERT INTO floor_counts (id, program_id, practice_id, block_id, rep_no, at, what, by, observer_id, device)
			SELECT gen_random_uuid(), $1, b.practice_id, b.id, n, now(), 'scored', 1, $2, 'd' FROM blocks b, generate_series(1, 3) n WHERE b.program_id = $1`, c.program, c.players[0])
		exec(
			`INSERT INTO rep_events (id, program_id, team_id, practice_id, block_id, kind, rep_no, at, player_id, role, drill, rung, action, side, cue, expected, made, is_correct, observer_id, device)
			SELECT gen_random_uuid(), $1, $2, b.practice_id, b.id, 'rep', n, p.starts_at + n * interval '20 seconds', ($3::uuid[])[1 + (n + k) % $4::integer], 'cutter', b.drill, 'shown', 'down', 'left', 'trail', 'curl', 'curl', true, ($3::uuid[])[1], 'd'
			FROM (SELECT *, row_number() OVER () k FROM blocks WHERE program_id = $1) b JOIN practices p ON p.id = b.practice_id, generate_series(1, $5) n`,
			c.program, c.team, c.players, squad, reps/clubs/(practices*8))
		exec(
			`INSERT INTO rep_events (id, program_id, team_id, practice_id, block_id, kind, voids, rep_no, at, player_id, role, drill, rung, action, side, cue, expected, made, is_correct, observer_id, device)
			SELECT gen_random_uuid(), program_id, team_id, practice_id, block_id, 'void', id, rep_no, at, player_id, role, drill, rung, action, side, cue, expected, made, is_correct, observer_id, device
			FROM rep_events WHERE program_id = $1 AND rep_no = 3`, c.program)
	}
	exec("ALTER TABLE rep_events ENABLE TRIGGER USER")
	exec("ANALYZE")
	var newest uuid.UUID
	if err := db.Pool.QueryRow(t.Context(),
		"SELECT id FROM practices WHERE program_id = $1 ORDER BY starts_at DESC LIMIT 1",
		all[0].program).Scan(&newest); err != nil {
		t.Fatal(err)
	}
	return all, newest
}

// node is a step of a plan, as EXPLAIN tells it.
type node struct {
	Type      string  `json:"Node Type"`
	Table     string  `json:"Relation Name"`
	Rows      float64 `json:"Actual Rows"`
	Loops     float64 `json:"Actual Loops"`
	Dropped   float64 `json:"Rows Removed by Filter"`
	Rechecked float64 `json:"Rows Removed by Index Recheck"`
	Steps     []node  `json:"Plans"`
}

// reads sums up how many rows a plan looks at.
func (n node) reads() float64 {
	sum := 0.0
	if n.Table != "" {
		sum = (n.Rows + n.Dropped + n.Rechecked) * n.Loops
	}
	for _, s := range n.Steps {
		sum += s.reads()
	}
	return sum
}

// scans lists the tables that a plan reads whole.
func (n node) scans() (out []string) {
	if n.Type == "Seq Scan" {
		out = append(out, n.Table)
	}
	for _, s := range n.Steps {
		out = append(out, s.scans()...)
	}
	return out
}

// literal is an argument as SQL text.
func literal(arg any) string {
	text := fmt.Sprint(arg)
	switch v := arg.(type) {
	case time.Time:
		text = v.Format(time.RFC3339Nano)
	case []uuid.UUID:
		ids := make([]string, len(v))
		for i, id := range v {
			ids[i] = id.String()
		}
		text = "{" + strings.Join(ids, ",") + "}"
	}
	return "'" + text + "'"
}

// large are the tables that no query of every day may read whole.
var large = []string{"rep_events", "blocks", "practices", "attendance", "floor_changes", "floor_counts"}

// The queries that are asked most often look at little more than they answer with, however much there is of other clubs
// and other seasons, and whether the server plans them for their arguments or for any. A million reps in `make prove`.
func TestBusyQueriesReadLittle(t *testing.T) {
	clubs, reps := 40, 1_000_000
	if testing.Short() {
		clubs, reps = 12, 60_000
	}
	db := pgtest.Store(t)
	all, practice := years(t, db, clubs, reps)
	c := all[0]
	ear := &heard{}
	config := db.Pool.Config()
	config.ConnConfig.Tracer = ear
	config.MaxConns = 1
	pool, err := pgxpool.NewWithConfig(t.Context(), config)
	if err != nil {
		t.Fatal(err)
	}
	defer pool.Close()
	q, ctx := gen.New(pool), t.Context()
	now := time.Date(2026, 3, 17, 0, 0, 0, 0, time.UTC)
	stored, err := q.RepsOfPractice(ctx, gen.RepsOfPracticeParams{ProgramID: c.program, PracticeID: practice})
	if err != nil || len(stored) == 0 {
		t.Fatalf("%d reps of a practice, %v", len(stored), err)
	}
	of := gen.BlocksOfPracticeParams{ProgramID: c.program, PracticeID: practice}
	for name, ask := range map[string]func() error{
		"RepsOfTeamBetween": func() error {
			_, err := q.RepsOfTeamBetween(ctx, gen.RepsOfTeamBetweenParams{ProgramID: c.program, TeamID: c.team,
				Since: now.AddDate(0, 0, -28), Before: now})
			return err
		},
		"RepsOfPractice": func() error {
			_, err := q.RepsOfPractice(ctx, gen.RepsOfPracticeParams(of))
			return err
		},
		"RepsOfPlayer": func() error {
			_, err := q.RepsOfPlayer(ctx, gen.RepsOfPlayerParams{ProgramID: c.program, PlayerID: c.players[3]})
			return err
		},
		"RepEvents": func() error {
			ids := []uuid.UUID{uuid.New()}
			for _, r := range stored {
				ids = append(ids, r.ID)
			}
			_, err := q.RepEvents(ctx, gen.RepEventsParams{ProgramID: c.program, Ids: ids})
			return err
		},
		"PaceOfTeam": func() error {
			_, err := q.PaceOfTeam(ctx, gen.PaceOfTeamParams{ProgramID: c.program, TeamID: c.team,
				Since: now.AddDate(0, 0, -28)})
			return err
		},
		"LogVersion":       func() error { _, err := q.LogVersion(ctx, c.program); return err },
		"BlocksOfPractice": func() error { _, err := q.BlocksOfPractice(ctx, of); return err },
		"Attendance":       func() error { _, err := q.Attendance(ctx, gen.AttendanceParams(of)); return err },
		"FloorChanges":     func() error { _, err := q.FloorChanges(ctx, gen.FloorChangesParams(of)); return err },
		"FloorCounts":      func() error { _, err := q.FloorCounts(ctx, gen.FloorCountsParams(of)); return err },
		"PracticesOfTeam": func() error {
			_, err := q.PracticesOfTeam(ctx, gen.PracticesOfTeamParams{ProgramID: c.program, TeamID: c.team})
			return err
		},
	} {
		if err := ask(); err != nil {
			t.Fatalf("%s: %v", name, err)
		}
		args := make([]string, len(ear.args))
		for i, a := range ear.args {
			args[i] = literal(a)
		}
		query := ear.sql
		for _, mode := range []string{"force_custom_plan", "force_generic_plan"} {
			plan := explained(t, pool, name, mode, query, args)
			most := 4*plan.Rows + 300
			t.Logf("%s, %s: %.0f rows looked at for %.0f", name, mode, plan.reads(), plan.Rows)
			if plan.reads() > most {
				t.Errorf("%s looks at %.0f rows to answer with %.0f (%s)", name, plan.reads(), plan.Rows, mode)
			}
			for _, table := range plan.scans() {
				if slices.Contains(large, table) {
					t.Errorf("%s reads all of %s (%s)", name, table, mode)
				}
			}
		}
	}
}

// explained runs a query as a server plans it, and tells how.
func explained(t *testing.T, pool *pgxpool.Pool, name, mode, query string, args []string) node {
	t.Helper()
	conn, err := pool.Acquire(t.Context())
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Release()
	run := "EXPLAIN (ANALYZE, FORMAT JSON) EXECUTE busy"
	if len(args) > 0 {
		run += "(" + strings.Join(args, ", ") + ")"
	}
	var text string
	for _, sql := range []string{"SET plan_cache_mode = " + mode, "PREPARE busy AS " + query} {
		if _, err := conn.Exec(t.Context(), sql, pgx.QueryExecModeSimpleProtocol); err != nil {
			t.Fatalf("%s: %v", name, err)
		}
	}
	if err := conn.QueryRow(t.Context(), run, pgx.QueryExecModeSimpleProtocol).Scan(&text); err != nil {
		t.Fatalf("%s: %v", name, err)
	}
	if _, err := conn.Exec(t.Context(), "DEALLOCATE busy", pgx.QueryExecModeSimpleProtocol); err != nil {
		t.Fatal(err)
	}
	var plans []struct{ Plan node }
	if err := json.Unmarshal([]byte(text), &plans); err != nil || len(plans) != 1 {
		t.Fatalf("%s: %v", name, err)
	}
	return plans[0].Plan
}
