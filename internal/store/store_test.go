package store_test

import (
	"context"
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"sync"
	"testing"

	"github.com/google/uuid"

	"evrik/core/court"
	"evrik/internal/pgtest"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

// Every query filters by program, or says why it cannot.
func TestEveryQueryIsScoped(t *testing.T) {
	files, err := filepath.Glob("queries/*.sql")
	if err != nil || len(files) == 0 {
		t.Fatal("no queries", err)
	}
	split := regexp.MustCompile(`(?m)^-- name: `)
	seen := 0
	for _, f := range files {
		b, err := os.ReadFile(f)
		if err != nil {
			t.Fatal(err)
		}
		for _, q := range split.Split(string(b), -1)[1:] {
			seen++
			name, body, _ := strings.Cut(q, "\n")
			sql := regexp.MustCompile(`(?m)^--.*$`).ReplaceAllString(body, "")
			scoped := strings.Contains(sql, "program_id")
			if strings.Contains(body, "-- unscoped: ") == scoped && !strings.HasPrefix(name, "Program ") {
				t.Errorf("%s: %s is neither scoped to a program nor explained", filepath.Base(f), name)
			}
		}
	}
	if seen < 30 {
		t.Errorf("only %d queries were read", seen)
	}
}

func TestTwoProcessesMigrateAtOnce(t *testing.T) {
	url := pgtest.URL(t)
	var wg sync.WaitGroup
	errs := make([]error, 3)
	for i := range errs {
		wg.Go(func() { errs[i] = store.Migrate(context.Background(), url) })
	}
	wg.Wait()
	for _, err := range errs {
		if err != nil {
			t.Error(err)
		}
	}
}

func TestRowsCannotPointIntoAnotherProgram(t *testing.T) {
	db, ctx := pgtest.Store(t), t.Context()
	var programs, teams [2]uuid.UUID
	floor, _ := court.PresetCourt(court.FIBA)
	for i := range programs {
		programs[i], teams[i] = uuid.New(), uuid.New()
		if err := db.InsertProgram(ctx, gen.InsertProgramParams{ID: programs[i], Name: "p"}); err != nil {
			t.Fatal(err)
		}
		if err := db.InsertTeam(ctx, gen.InsertTeamParams{ID: teams[i], ProgramID: programs[i], Name: "t", Court: store.CourtJSON(floor)}); err != nil {
			t.Fatal(err)
		}
	}
	err := db.InsertPlayer(ctx, gen.InsertPlayerParams{ID: uuid.New(), ProgramID: programs[0], TeamID: teams[1], Jersey: "1", Name: "n"})
	if !store.Refused(err) || store.Duplicate(err) {
		t.Errorf("a player of one program on another's team: %v", err)
	}
	player := gen.InsertPlayerParams{ID: uuid.New(), ProgramID: programs[0], TeamID: teams[0], Jersey: "0", Name: "n"}
	if err := db.InsertPlayer(ctx, player); err != nil {
		t.Fatal(err)
	}
	player.ID = uuid.New()
	if err := db.InsertPlayer(ctx, player); !store.Duplicate(err) {
		t.Errorf("two players with jersey 0: %v", err)
	}
	player.Jersey = "00"
	if err := db.InsertPlayer(ctx, player); err != nil {
		t.Errorf("0 and 00 are different jerseys: %v", err)
	}
	team, err := db.Team(ctx, gen.TeamParams{ProgramID: programs[0], ID: teams[0]})
	if err != nil {
		t.Fatal(err)
	}
	if c, err := store.CourtOf(team); err != nil || c != floor {
		t.Errorf("the court came back as %+v, %v", c, err)
	}
	if _, err := db.Team(ctx, gen.TeamParams{ProgramID: programs[0], ID: teams[1]}); !store.NotFound(err) {
		t.Errorf("another program's team: %v", err)
	}
}

func TestAddressesThatDoNotAnswer(t *testing.T) {
	for _, url := range []string{"no address", "postgres://x:y@127.0.0.1:1/none?connect_timeout=2"} {
		if err := store.Migrate(t.Context(), url); err == nil || !strings.HasPrefix(err.Error(), "The database") {
			t.Errorf("migrate %q: %v", url, err)
		}
		if _, err := store.Open(t.Context(), url); err == nil || !strings.HasPrefix(err.Error(), "The database") {
			t.Errorf("open %q: %v", url, err)
		}
	}
}
