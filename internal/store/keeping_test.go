package store_test

import (
	"bytes"
	"fmt"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5"

	"evrik/core/practice"
	"evrik/internal/app/apptest"
	"evrik/internal/archive"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// A player who is erased leaves counts of the team and nothing else; a limit on keeping
// does the same for what is older.
func TestEraseAndForget(t *testing.T) {
	c := apptest.Open(t)
	db, team, players, ctx := c.DB, c.Team, c.Players, t.Context()
	program, who := team.ProgramID, players[0]
	total := func() (single, kept int) {
		var n int
		if err := db.Pool.QueryRow(ctx, "SELECT count(*) FROM rep_events WHERE program_id = $1 AND kind = 'rep'",
			program).Scan(&n); err != nil {
			t.Fatal(err)
		}
		counts, err := db.KeptOfProgram(ctx, program)
		apptest.Must(t, err)
		for _, c := range counts {
			kept += int(c.Reps)
		}
		return n, kept
	}
	before, _ := total()
	// The player takes part in a block that was given up, in a kept plan and in a line-up.
	secret := who.ID.String()
	block := []practice.Block{{ID: uuid.NewString(), Kind: practice.OwnBlock, Title: "Talk", Minutes: 5,
		Players: []string{secret}}}
	var some uuid.UUID
	apptest.Must(t, db.Pool.QueryRow(ctx, "SELECT id FROM practices WHERE program_id = $1 LIMIT 1", program).Scan(&some))
	apptest.Must(t, db.SetDropped(ctx, gen.SetDroppedParams{ProgramID: program, ID: some,
		Dropped: store.BlocksJSON(block)}))
	apptest.Must(t, db.PutTemplate(ctx, gen.PutTemplateParams{ID: uuid.New(), ProgramID: program, Name: "kept",
		Minutes: 60, Blocks: store.BlocksJSON(block)}))
	_, err := db.Pool.Exec(ctx,
		"UPDATE games SET terms = jsonb_build_object('available', jsonb_build_array($1::text)) WHERE program_id = $2",
		secret, program)
	apptest.Must(t, err)
	if where := holding(t, db, secret); len(where) < 4 {
		t.Fatalf("before, the player is only in %v", where)
	}
	if there, err := db.Erase(ctx, program, team.ID, who.ID); err != nil || !there {
		t.Fatal(there, err)
	}
	if where := holding(t, db, secret); len(where) > 0 {
		t.Errorf("the player is still in %v", where)
	}
	single, kept := total()
	if single+kept != before || kept == 0 {
		t.Errorf("%d reps before, %d single ones and %d counted after", before, single, kept)
	}
	var file bytes.Buffer
	apptest.Must(t, archive.Write(ctx, db, program, apptest.Now, &file))
	if doc := file.String(); strings.Contains(doc, who.ID.String()) || strings.Contains(doc, `"`+who.Name+`"`) {
		t.Error("something of the player is still in the archive")
	}
	if there, err := db.Erase(ctx, program, team.ID, who.ID); err != nil || there {
		t.Errorf("twice: %v, %v", there, err)
	}
	limit := apptest.Now.AddDate(0, 0, -20)
	older := func(what, sql string) (old, young int) {
		t.Helper()
		if err := db.Pool.QueryRow(ctx,
			"SELECT count(*) FILTER (WHERE at < $1), count(*) FILTER (WHERE at >= $1) FROM ("+sql+") AS x",
			limit).Scan(&old, &young); err != nil {
			t.Fatal(what, err)
		}
		return old, young
	}
	dated := map[string]string{
		"attendance": "SELECT p.starts_at AS at FROM attendance a JOIN practices p ON p.id = a.practice_id",
		"answers":    "SELECT at FROM quiz_answers",
		"audit":      "SELECT at FROM audit",
		"changes":    "SELECT at FROM floor_changes",
	}
	for _, at := range []time.Time{limit.Add(-time.Hour), limit.Add(time.Hour)} {
		if err := db.InsertAudit(ctx, gen.InsertAuditParams{ID: uuid.New(), ProgramID: program, At: at, Who: "Ann",
			What: "did something"}); err != nil {
			t.Fatal(err)
		}
		if _, err := db.InsertFloorChange(ctx, gen.InsertFloorChangeParams{ID: uuid.New(), ProgramID: program,
			PracticeID: some, At: at, Kind: "presence", PlayerID: &players[1].ID, State: "left"}); err != nil {
			t.Fatal(err)
		}
	}
	_, err = db.Pool.Exec(ctx,
		"UPDATE quiz_answers SET at = $1 WHERE ctid IN (SELECT ctid FROM quiz_answers LIMIT 3)", limit.Add(-time.Hour))
	apptest.Must(t, err)
	young := map[string]int{}
	for what, sql := range dated {
		old, n := older(what, sql)
		if old == 0 || n == 0 {
			t.Fatalf("%s: %d before the limit and %d after it prove nothing", what, old, n)
		}
		young[what] = n
	}
	apptest.Must(t, db.ForgetBefore(ctx, program, limit))
	for what, sql := range dated {
		if old, n := older(what, sql); old != 0 || n != young[what] {
			t.Errorf("%s: %d from before the limit are left, and %d of %d from after it", what, old, n, young[what])
		}
	}
	left, kept := total()
	if left+kept != before || left == 0 || left >= single {
		t.Errorf("%d before, %d single ones and %d counted after forgetting", before, left, kept)
	}
}

// holding lists the columns of the database in which a text is found, whatever their type.
func holding(t *testing.T, db *store.Store, text string) (where []string) {
	t.Helper()
	rows, err := db.Pool.Query(t.Context(),
		"SELECT table_name, column_name FROM information_schema.columns WHERE table_schema = 'public'")
	apptest.Must(t, err)
	type place struct{ Table, Column string }
	places, err := pgx.CollectRows(rows, pgx.RowToStructByPos[place])
	apptest.Must(t, err)
	for _, p := range places {
		var n int
		sql := fmt.Sprintf("SELECT count(*) FROM %s WHERE %s::text LIKE '%%' || $1 || '%%'",
			pgx.Identifier{p.Table}.Sanitize(), pgx.Identifier{p.Column}.Sanitize())
		apptest.Must(t, db.Pool.QueryRow(t.Context(), sql, text).Scan(&n))
		if n > 0 {
			where = append(where, p.Table+"."+p.Column)
		}
	}
	return where
}
