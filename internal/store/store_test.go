package store_test

import (
	"context"
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/court"
	"evrik/core/refusal"
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
		if err := db.InsertTeam(ctx, gen.InsertTeamParams{ID: teams[i], ProgramID: programs[i], Name: "t",
			Court: store.CourtJSON(floor)}); err != nil {
			t.Fatal(err)
		}
	}
	err := db.InsertPlayer(ctx, gen.InsertPlayerParams{ID: uuid.New(), ProgramID: programs[0], TeamID: teams[1],
		Jersey: "1", Name: "n"})
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

// What has run out goes, and nothing else.
func TestForgetOld(t *testing.T) {
	db, ctx := pgtest.Store(t), t.Context()
	now := time.Date(2026, 3, 20, 18, 0, 0, 0, time.UTC)
	program, coach := uuid.New(), uuid.New()
	must := func(err error) {
		t.Helper()
		if err != nil {
			t.Fatal(err)
		}
	}
	must(db.InsertProgram(ctx, gen.InsertProgramParams{ID: program, Name: "p"}))
	must(db.InsertStaff(ctx, gen.InsertStaffParams{ID: coach, ProgramID: program, Name: "n", Email: "n@x.example",
		Role: "head", PasswordHash: "h"}))
	for key, until := range map[string]time.Time{"old": now.Add(-time.Minute), "new": now.Add(time.Minute)} {
		must(db.BeginSession(ctx, gen.BeginSessionParams{Token: key, Data: []byte("x"), Expiry: until, Now: now}))
		must(db.RememberDevice(ctx, gen.RememberDeviceParams{KeyHash: []byte(key), ProgramID: program, StaffID: coach,
			Until: until}))
		must(db.InsertReset(ctx, gen.InsertResetParams{KeyHash: []byte(key), ProgramID: program, StaffID: coach,
			Until: until}))
		_, err := db.CountTry(ctx, gen.CountTryParams{Keys: []string{key}, Try: uuid.New()})
		must(err)
		_, err = db.Pool.Exec(ctx, "UPDATE sign_in_tries SET at = $1 WHERE key = $2", until.Add(-24*time.Hour), key)
		must(err)
	}
	must(db.ForgetOld(ctx, now))
	for _, sql := range []string{"SELECT string_agg(token, ',') FROM sessions",
		"SELECT string_agg(convert_from(key_hash, 'UTF8'), ',') FROM known_devices",
		"SELECT string_agg(convert_from(key_hash, 'UTF8'), ',') FROM password_resets",
		"SELECT string_agg(key, ',') FROM sign_in_tries"} {
		var left *string
		must(db.Pool.QueryRow(ctx, sql).Scan(&left))
		if left == nil || *left != "new" {
			t.Errorf("%s: %v", sql, left)
		}
	}
}

func TestAddressesThatDoNotAnswer(t *testing.T) {
	for url, code := range map[string]string{"no address": "store.address",
		"postgres://x:y@127.0.0.1:1/none?connect_timeout=2": "store.silent"} {
		if err := store.Migrate(t.Context(), url); refusal.CodeOf(err) != code {
			t.Errorf("migrate %q: %v", url, err)
		}
		if _, err := store.Open(t.Context(), url); refusal.CodeOf(err) != code {
			t.Errorf("open %q: %v", url, err)
		}
	}
}
