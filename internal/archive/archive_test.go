package archive

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"maps"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/santhosh-tekuri/jsonschema/v6"

	"evrik/core/evidence"
	"evrik/core/reads"
	"evrik/core/refusal"
	"evrik/internal/app/apptest"
	"evrik/internal/demo"
	"evrik/internal/pglocal"
	"evrik/internal/pgtest"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

var now = time.Date(2026, 3, 20, 19, 0, 0, 0, time.UTC)

var policy = evidence.DefaultPolicy()

// clubURL is the address of a database with the demo club.
func clubURL(t testing.TB) string {
	t.Helper()
	return pgtest.Copy(t, "demo in spring", func(db *store.Store) error {
		return demo.Ensure(context.Background(), db, now, false)
	})
}

// club is a database with the demo club, its program and another one without teams.
func club(t testing.TB) (db *store.Store, program, other uuid.UUID) {
	t.Helper()
	db, err := store.Open(t.Context(), clubURL(t))
	apptest.Must(t, err)
	t.Cleanup(db.Close)
	head, err := db.StaffByEmail(t.Context(), demo.SignIn.Email)
	apptest.Must(t, err)
	other = uuid.New()
	apptest.Must(t, db.InsertProgram(t.Context(), gen.InsertProgramParams{ID: other, Name: "another"}))
	return db, head.ProgramID, other
}

func written(t testing.TB, db *store.Store, program uuid.UUID) []byte {
	t.Helper()
	var b bytes.Buffer
	apptest.Must(t, Write(t.Context(), db, program, now, &b))
	return b.Bytes()
}

// verdicts of a program by team, jersey, role and read, in words.
func verdicts(t testing.TB, db *store.Store, program uuid.UUID) map[string]string {
	t.Helper()
	out := map[string]string{}
	teams, err := db.TeamsOfProgram(t.Context(), program)
	apptest.Must(t, err)
	for _, team := range teams {
		players, err := db.PlayersOfTeam(t.Context(), gen.PlayersOfTeamParams{ProgramID: program, TeamID: team.ID})
		apptest.Must(t, err)
		log, err := db.TeamLog(t.Context(), policy, team, players, now)
		apptest.Must(t, err)
		h := log.History(policy)
		for _, p := range players {
			for _, info := range reads.Catalogue() {
				st := policy.Stand(h, evidence.Skill{Player: evidence.PlayerID(p.ID.String()), Role: info.Role,
					Read: info.ID}, now)
				if len(st.Rungs) > 0 {
					out[team.Name+" "+p.Jersey+" "+p.Name+" "+string(info.ID)] = fmt.Sprintf("%d %s %s %v %v", st.Held,
						st.Judgement.Sentence, st.Confused, st.Rungs, st.Groups[1].Judgement.Chance)
				}
			}
		}
	}
	return out
}

// A whole program goes out, fits the published schema by an independent validator, and
// comes back in another program with every verdict, and goes out again the same.
func TestArchive(t *testing.T) {
	db, program, other := club(t)
	teams, err := db.TeamsOfProgram(t.Context(), program)
	apptest.Must(t, err)
	some := teams[0]
	if _, err := db.UpdateTeam(t.Context(), gen.UpdateTeamParams{ProgramID: program, ID: some.ID, Name: some.Name,
		Season: some.Season, Ages: some.Ages,
		Court: some.Court, Pace: some.Pace, Zone: some.Zone, LocalRule: some.LocalRule, AllActions: true}); err != nil {
		t.Fatal(err)
	}
	doc := written(t, db, program)
	if !strings.Contains(string(doc), `"allActions":true`) {
		t.Error("the switch for all actions did not go out")
	}
	c := jsonschema.NewCompiler()
	schema, err := jsonschema.UnmarshalJSON(bytes.NewReader(Schema))
	apptest.Must(t, err)
	apptest.Must(t, c.AddResource("archive.json", schema))
	value, err := jsonschema.UnmarshalJSON(bytes.NewReader(doc))
	apptest.Must(t, err)
	if err := c.MustCompile("archive.json").Validate(value); err != nil {
		t.Fatalf("%.2000v", err)
	}
	if strings.Contains(string(doc), "@") {
		t.Error("an address left the program")
	}
	got, err := Read(t.Context(), db, other, "Ann", now, bytes.NewReader(doc))
	apptest.Must(t, err)
	if back, err := db.TeamsOfProgram(t.Context(), other); err != nil ||
		!slices.ContainsFunc(back, func(t gen.Team) bool { return t.AllActions }) {
		t.Errorf("the switch for all actions did not come back: %v", err)
	}
	before, after := verdicts(t, db, program), verdicts(t, db, other)
	if got.Players != 25 || got.Events < 4000 || len(before) < 200 {
		t.Errorf("%+v, %d verdicts", got, len(before))
	}
	for k, v := range before {
		if after[k] != v {
			t.Errorf("%s: %s, after import %s", k, v, after[k])
		}
	}
	var first, second map[string]any
	apptest.Must(t, json.Unmarshal(doc, &first))
	apptest.Must(t, json.Unmarshal(written(t, db, other), &second))
	answers := func(doc map[string]any) (n int) {
		for _, p := range doc["players"].([]any) {
			given, _ := p.(map[string]any)["answers"].([]any)
			n += len(given)
		}
		return n
	}
	if a, b := answers(first), answers(second); a != b || a < 100 {
		t.Errorf("%d answers of players, after import %d", a, b)
	}
	for _, part := range []string{"teams", "players", "drills", "plans", "practices", "games", "kept", "events"} {
		if a, b := len(first[part].([]any)), len(second[part].([]any)); a != b {
			t.Errorf("%s: %d, after import %d", part, a, b)
		}
	}
	if _, err := Read(t.Context(), db, other, "Ann", now,
		bytes.NewReader(doc)); reason(err) != "archive.here-already-at" {
		t.Errorf("a second time: %v", err)
	}
}

// An archive that was written before corrections were tags and verdicts followed a learner is
// read whole: three players, one practice, every rep with what was to mend.
func TestArchiveOfBefore(t *testing.T) {
	db, _, program := club(t)
	doc, err := os.ReadFile("testdata/before-tags.json")
	apptest.Must(t, err)
	got, err := Read(t.Context(), db, program, "Ann", now, bytes.NewReader(doc))
	if err != nil || got.Players != 3 || got.Practices != 1 || got.Games != 1 || got.Events != 71 {
		t.Fatalf("%+v, %v", got, err)
	}
	teams, err := db.TeamsOfProgram(t.Context(), program)
	if err != nil || len(teams) != 1 {
		t.Fatalf("%d teams, %v", len(teams), err)
	}
	reps, err := db.RepsOfTeam(t.Context(), teams[0], time.Time{}, evidence.Ever)
	apptest.Must(t, err)
	tags := map[string]int{}
	for _, r := range reps {
		if r.Action == "" {
			t.Errorf("rep %d has lost its action", r.No)
		}
		for _, tag := range r.Tags {
			tags[tag.ID]++
			if tag.Player != "" {
				t.Errorf("%s is somebody else's", tag.ID)
			}
		}
	}
	want := map[string]int{"named": 2, "looped": 2, "daylight": 2, "upright": 2, "moving": 1, "too-high": 1,
		"no-backcut": 1, "early": 1}
	if !maps.Equal(tags, want) {
		t.Errorf("tags %v, want %v", tags, want)
	}
	// Counted by hand in the file.
	said := verdicts(t, db, program)
	for skill, counts := range map[string]string{"U14 3 Tavi fade": "[{shown {2 2}} {live2 {0 3}}]",
		"U14 21 Ivo straight": "[{shown {2 2}} {live2 {2 4}}]"} {
		if !strings.Contains(said[skill], counts) {
			t.Errorf("%s: %s, want %s", skill, said[skill], counts)
		}
	}
}

// An archive that is cut short, newer, damaged or not one is refused in a sentence, and
// nothing of it is there.
func TestArchivesThatCannotBeRead(t *testing.T) {
	db, program, other := club(t)
	doc := string(written(t, db, program))
	replaced := func(old, new string) string {
		if !strings.Contains(doc, old) {
			t.Fatalf("no %s in the archive", old)
		}
		return strings.Replace(doc, old, new, 1)
	}
	third := strings.Index(doc, `"events"`) + 5000
	for name, tc := range map[string]struct{ doc, code, at string }{
		"cut short":       {doc[:third], "archive.cut-at", "events"},
		"cut early":       {doc[:200], "archive.cut", ""},
		"empty":           {"", "archive.cut", ""},
		"newer":           {replaced(`"version": 2`, `"version": 3`), "archive.newer", ""},
		"something else":  {`{"name": "x"}`, "archive.none", ""},
		"a list":          {`[]`, "archive.none", ""},
		"no json":         {"jersey,name\n1,A\n", "archive.garbled", ""},
		"no end":          {doc[:strings.LastIndex(doc, ",\n\"end\"")] + "}", "archive.no-end", ""},
		"fewer reps":      {strings.Replace(doc, `"events":`, `"evens":`, 1), "archive.part", "evens"},
		"wrong total":     {replaced(`"players":25,`, `"players":26,`), "archive.total", "26"},
		"a read unknown":  {replaced(`"expected":"curl"`, `"expected":"dunk"`), "archive.read", "dunk"},
		"a step unknown":  {replaced(`"step":1,`, `"step":9,`), "archive.schema", "players[0].answers[0].step"},
		"a cue unknown":   {replaced(`"cue":"trail","step"`, `"cue":"nap","step"`), "archive.answer", "nap"},
		"a wrong verdict": {replaced(`"correct":true`, `"correct":false`), "archive.verdict", "events["},
		"another's team": {replaced(`"players": [`+"\n",
			`"players": [`+"\n"+`{"id":"`+uuid.NewString()+`","team":"`+uuid.NewString()+
				`","jersey":"9","name":"X","handler":false,"wing":false,"big":false,"shooter":false},`),
			"archive.misfit-at", "players"},
		"a long name": {replaced(`"name":"Odile"`, `"name":"`+strings.Repeat("o", 40)+`"`), "archive.schema", "].name"},
		"a rule that is none": {replaced(`"metric":`, `"localRule":"abc","metric":`), "archive.schema",
			"teams[0].localRule"},
		"a rule that cannot be": {replaced(`"metric":`, `"localRule":{"restDays":9},"metric":`),
			"practice.local-rest", "teams[0].localRule"},
		"a rule of another world": {replaced(`"metric":`, `"localRule":{"gravity":9},"metric":`), "archive.value",
			"teams[0].localRule"},
		"a pace that cannot be": {replaced(`"metric":`,
			`"pace":{"accel":15,"top":20,"react":-4,"pass":40,"skip":30},"metric":`), "motion.pace", "teams[0].pace"},
		"an aim that cannot be": {replaced(`"seasonAim":{`, `"seasonAim":{"gravity":1,`), "archive.value",
			"teams[0].seasonAim"},
		"an offense unknown": {replaced(`"metric":`, `"offense":{"school":"x"},"metric":`), "offense.name",
			"teams[0].offense"},
		"principles of nothing": {replaced(`"metric":`,
			`"principles":[{"title":"","text":"Space.","picture":""}],"metric":`), "offense.principle-title",
			"teams[0].principles"},
		"a court that is none": {replaced(`"court":{`, `"court":{"gravity":1,`), "archive.value", "teams[0].court"},
		"a zone unknown":       {replaced(`"zone":"`, `"zone":"X/`), "archive.zone", "teams[0].zone"},
		"a basket too many":    {replaced(`"basket":0`, `"basket":3`), "practice.block-basket", "practices[0].blocks"},
		"terms that cannot be": {replaced(`"startsAt":`, `"terms":{"gravity":9},"startsAt":`), "archive.value",
			"practices[0].terms"},
		"a name turned round": {replaced(`"name":"Odile"`, "\"name\":\"\u202eelidO\""), "roster.name-characters",
			"players["},
		"a kind unknown": {replaced(`"kind":"own"`, `"kind":"secret"`), "archive.schema",
			"practices[0].blocks[0].kind"},
	} {
		_, err := Read(t.Context(), db, other, "Ann", now, strings.NewReader(tc.doc))
		if got := reason(err); got != tc.code || !strings.Contains(err.Error(), tc.at) {
			t.Errorf("%s: %s, not %s at %q (%v)", name, got, tc.code, tc.at, err)
		}
		teams, err := db.TeamsOfProgram(t.Context(), other)
		if err != nil || len(teams) != 0 {
			t.Fatalf("%s: %d teams are there, %v", name, len(teams), err)
		}
	}
}

// reason is the code of a refusal, and of the one inside where an item of a part is at fault.
func reason(err error) string {
	r, _ := errors.AsType[refusal.Refusal](err)
	if r.Code == "archive.item" {
		return refusal.CodeOf(r.Args[1].(error))
	}
	return r.Code
}

// A backup restored into an empty server gives every verdict back; it is refused where
// something is, and a damaged file leaves nothing behind.
func TestBackupAndRestore(t *testing.T) {
	url := clubURL(t)
	db, err := store.Open(t.Context(), url)
	apptest.Must(t, err)
	defer db.Close()
	head, err := db.StaffByEmail(t.Context(), demo.SignIn.Email)
	apptest.Must(t, err)
	dir := t.TempDir()
	file := filepath.Join(dir, "club.backup")
	apptest.Must(t, pglocal.Dump(t.Context(), url, file))
	if err := pglocal.Dump(t.Context(), url, file); err == nil || !strings.Contains(err.Error(), "is there already") {
		t.Errorf("over a backup: %v", err)
	}
	if err := pglocal.Restore(t.Context(), url, file); err == nil || !strings.Contains(err.Error(), "not empty") {
		t.Errorf("over a club: %v", err)
	}
	empty, _ := pgtest.Watched(t)
	data, err := os.ReadFile(file)
	apptest.Must(t, err)
	cut := filepath.Join(dir, "cut.backup")
	apptest.Must(t, os.WriteFile(cut, data[:len(data)/2], 0o600))
	for _, bad := range []string{cut, filepath.Join(dir, "nowhere")} {
		if err := pglocal.Restore(t.Context(), empty, bad); err == nil {
			t.Errorf("%s was restored", bad)
		}
	}
	apptest.Must(t, pglocal.Restore(t.Context(), empty, file))
	apptest.Must(t, store.Migrate(t.Context(), empty))
	back, err := store.Open(t.Context(), empty)
	apptest.Must(t, err)
	defer back.Close()
	before, after := verdicts(t, db, head.ProgramID), verdicts(t, back, head.ProgramID)
	if len(before) < 200 || len(before) != len(after) {
		t.Errorf("%d verdicts, restored %d", len(before), len(after))
	}
	for k, v := range before {
		if after[k] != v {
			t.Errorf("%s: %s, restored %s", k, v, after[k])
		}
	}
}
