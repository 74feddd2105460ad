package store_test

import (
	"context"
	"database/sql"
	"os"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"
	_ "github.com/jackc/pgx/v5/stdlib"
	"github.com/pressly/goose/v3"

	"evrik/core/evidence"
	"evrik/internal/pgtest"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// beforeBeliefs is the last version of the database that kept sums beside the log.
const beforeBeliefs = 21

// A database written before verdicts were beliefs keeps every rep, its tags and what was
// counted of erased players; and goes back.
func TestOldDatabaseMigrates(t *testing.T) {
	url, ctx := pgtest.URL(t), context.Background()
	db, err := sql.Open("pgx", url)
	if err != nil {
		t.Fatal(err)
	}
	defer db.Close()
	p, err := goose.NewProvider(goose.DialectPostgres, db, os.DirFS("migrations"))
	if err != nil {
		t.Fatal(err)
	}
	if _, err := p.UpTo(ctx, beforeBeliefs); err != nil {
		t.Fatal(err)
	}
	program, team, player, rep, void, block := uuid.New(), uuid.New(), uuid.New(), uuid.New(), uuid.New(), uuid.New()
	at := time.Date(2026, 3, 2, 18, 0, 0, 0, time.UTC)
	event := `INSERT INTO rep_events (id, program_id, team_id, practice_id, block_id, kind, voids, rep_no, at, player_id, role, drill, rung, screen, side, cue, expected, made, is_right, corrections, observer_id, device)
		VALUES ($1, $2, $3, $4, $4, $5, $6, 3, $7, $8, 'cutter', 'slot-twos', 'live2', 'down', 'left', 'trail', 'curl', 'straight', false, '{early,daylight}', $4, 'd')`
	for _, step := range []struct {
		query string
		args  []any
	}{
		{"INSERT INTO programs (id, name) VALUES ($1, 'p')", []any{program}},
		{"INSERT INTO teams (id, program_id, name, season, ages, zone, court) VALUES ($1, $2, 't', 's', '12-14', " +
			"'UTC', '{}')", []any{team, program}},
		{"INSERT INTO players (id, program_id, team_id, jersey, name) VALUES ($1, $2, $3, '4', 'N')",
			[]any{player, program, team}},
		{event, []any{rep, program, team, block, "rep", nil, at, player}},
		{event, []any{uuid.New(), program, team, block, "rep", nil, at.Add(time.Minute), player}},
		{event, []any{void, program, team, block, "void", rep, at.Add(2 * time.Minute), player}},
		{"INSERT INTO kept_counts (program_id, team_id, role, expected, made, rung, is_right, reps) VALUES ($1, $2, " +
			"'cutter', 'curl', 'curl', 'live2', true, 5)", []any{program, team}},
		{"INSERT INTO sums VALUES ($1, $2, 'cutter', 'curl', 'live2', 'left', 1, 0, 1, 0, $3, $4, 1, 0, 1, 0)",
			[]any{program, player, at, block}},
	} {
		if _, err := db.ExecContext(ctx, step.query, step.args...); err != nil {
			t.Fatalf("%s: %v", step.query, err)
		}
	}
	check := func() {
		t.Helper()
		if err := store.Migrate(ctx, url); err != nil {
			t.Fatal(err)
		}
		s, err := store.Open(ctx, url)
		if err != nil {
			t.Fatal(err)
		}
		defer s.Close()
		reps, err := s.RepsOfPlayer(ctx, program, player)
		if err != nil || len(reps) != 1 {
			t.Fatalf("%d reps stand, %v", len(reps), err)
		}
		if r := reps[0]; r.Action != "down" || r.Correct || r.Made != "straight" || r.Side != "left" || r.No != 3 ||
			len(r.Tags) != 2 || r.Tags[1] != (evidence.Tag{ID: "daylight"}) {
			t.Errorf("%+v", r)
		}
		kept, err := s.KeptOfTeam(ctx, gen.KeptOfTeamParams{ProgramID: program, TeamID: team})
		if err != nil || len(kept) != 1 || !kept[0].IsCorrect || kept[0].Reps != 5 {
			t.Errorf("%+v, %v", kept, err)
		}
	}
	check()
	if _, err := p.DownTo(ctx, beforeBeliefs); err != nil {
		t.Fatal(err)
	}
	var sums int
	if err := db.QueryRowContext(ctx, "SELECT count(*) FROM sums").Scan(&sums); err != nil || sums != 0 {
		t.Errorf("%d sums, %v: the version before counts them from the log", sums, err)
	}
	check()
}

// shape lists tables, columns, constraints, indexes and triggers, each with what defines it.
const shape = `SELECT coalesce(string_agg(line, E'\n' ORDER BY line), '') FROM (
	SELECT table_name || '.' || column_name || ' ' || data_type || ' ' || is_nullable || ' ' || coalesce(column_default, '') AS line
		FROM information_schema.columns WHERE table_schema = 'public'
	UNION ALL SELECT conrelid::regclass || ' ' || conname || ' ' || pg_get_constraintdef(oid) FROM pg_constraint WHERE connamespace = 'public'::regnamespace
	UNION ALL SELECT indexdef FROM pg_indexes WHERE schemaname = 'public'
	UNION ALL SELECT pg_get_triggerdef(oid) FROM pg_trigger WHERE NOT tgisinternal
	UNION ALL SELECT pg_get_functiondef(p.oid) FROM pg_proc p WHERE pronamespace = 'public'::regnamespace AND prolang <> (SELECT oid FROM pg_language WHERE lanname = 'c')
) lines WHERE line NOT LIKE '%goose%'`

// Every migration has its way back: one step down gives the database of the version before, and up again the same as
// ever.
func TestEveryMigrationGoesBack(t *testing.T) {
	ctx := t.Context()
	db, err := sql.Open("pgx", pgtest.URL(t))
	if err != nil {
		t.Fatal(err)
	}
	defer db.Close()
	p, err := goose.NewProvider(goose.DialectPostgres, db, os.DirFS("migrations"))
	if err != nil {
		t.Fatal(err)
	}
	now := func() (all string) {
		t.Helper()
		if err := db.QueryRowContext(ctx, shape).Scan(&all); err != nil {
			t.Fatal(err)
		}
		return all
	}
	before := []string{now()}
	for range p.ListSources() {
		if _, err := p.UpByOne(ctx); err != nil {
			t.Fatal(err)
		}
		before = append(before, now())
	}
	if len(before) < 28 || before[len(before)-1] == before[0] {
		t.Fatalf("only %d versions", len(before))
	}
	for i := len(before) - 2; i >= 0; i-- {
		r, err := p.Down(ctx)
		if err != nil {
			t.Fatal(err)
		}
		if is := now(); is != before[i] {
			t.Errorf("%s leaves something behind, or takes too much: %s", r.Source.Path, differ(before[i], is))
		}
	}
	if _, err := p.Up(ctx); err != nil {
		t.Fatal(err)
	}
	if is := now(); is != before[len(before)-1] {
		t.Errorf("up again it is another one: %s", differ(before[len(before)-1], is))
	}
}

// differ lists the lines of one text that the other has not.
func differ(want, is string) string {
	a, b := strings.Split(want, "\n"), strings.Split(is, "\n")
	only := func(x, y []string, mark string) (out []string) {
		for _, line := range x {
			if !slices.Contains(y, line) {
				out = append(out, mark+line)
			}
		}
		return out
	}
	return strings.Join(append(only(a, b, "- "), only(b, a, "+ ")...), "\n")
}
