package archive

import (
	"bytes"
	"encoding/json"
	"testing"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/internal/app/apptest"
	"evrik/internal/store/gen"
)

// An import can be undone once. That removes everything it brought and nothing else.
func TestUndoImport(t *testing.T) {
	db, program, other := club(t)
	own, err := json.Marshal(drill.Catalogue()[0])
	apptest.Must(t, err)
	apptest.Must(t, db.InsertDrill(t.Context(), gen.InsertDrillParams{ID: uuid.New(), ProgramID: program, Drill: own}))
	apptest.Must(t, db.PutTemplate(t.Context(), gen.PutTemplateParams{ID: uuid.New(), ProgramID: program, Name: "kept",
		Minutes: 60, Blocks: []byte("[]")}))
	doc := written(t, db, program)
	rows := func() map[string]int {
		out := map[string]int{}
		for _, table := range []string{"teams", "players", "practices", "blocks", "attendance", "rep_events",
			"floor_counts", "games", "game_counts", "drills", "templates", "quiz_answers", "kept_counts", "imports"} {
			var n int
			apptest.Must(t, db.Pool.QueryRow(t.Context(), "SELECT count(*) FROM "+table).Scan(&n))
			out[table] = n
		}
		return out
	}
	before := rows()
	got, err := Read(t.Context(), db, other, "Ann", now, bytes.NewReader(doc))
	apptest.Must(t, err)
	list, err := db.ImportsOfProgram(t.Context(), other)
	if err != nil || len(list) != 1 || list[0].ID != got.ID || list[0].Who != "Ann" ||
		int(list[0].Events) != got.Events || len(list[0].Teams) != 2 {
		t.Fatalf("%+v, %v", list, err)
	}
	if there, err := Undo(t.Context(), db, program, got.ID); err != nil || there {
		t.Errorf("another program undoes it: %v, %v", there, err)
	}
	if there, err := Undo(t.Context(), db, other, got.ID); err != nil || !there {
		t.Fatal(there, err)
	}
	after := rows()
	for table, n := range before {
		if after[table] != n {
			t.Errorf("%s has %d rows and had %d", table, after[table], n)
		}
	}
	if there, err := Undo(t.Context(), db, other, got.ID); err != nil || there {
		t.Errorf("twice: %v, %v", there, err)
	}
	if _, err := Read(t.Context(), db, other, "Ann", now, bytes.NewReader(doc)); err != nil {
		t.Errorf("again, after it was undone: %v", err)
	}
}
