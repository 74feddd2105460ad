package archive

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"runtime"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5"
	"github.com/santhosh-tekuri/jsonschema/v6"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/internal/demo"
	"evrik/internal/pglocal"
	"evrik/internal/pgtest"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

var now = time.Date(2026, 3, 20, 19, 0, 0, 0, time.UTC)

var policy = evidence.DefaultPolicy()

// club is a database with the demo club, its program and another one without teams.
func club(t testing.TB) (db *store.Store, program, other uuid.UUID) {
	t.Helper()
	url := pgtest.Copy(t, "demo", func(db *store.Store) error { return demo.Ensure(context.Background(), db, now, false) })
	db, err := store.Open(t.Context(), url)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(db.Close)
	head, err := db.StaffByEmail(t.Context(), demo.SignIn.Email)
	if err != nil {
		t.Fatal(err)
	}
	other = uuid.New()
	if err := db.InsertProgram(t.Context(), gen.InsertProgramParams{ID: other, Name: "another"}); err != nil {
		t.Fatal(err)
	}
	return db, head.ProgramID, other
}

func written(t testing.TB, db *store.Store, program uuid.UUID) []byte {
	t.Helper()
	var b bytes.Buffer
	if err := Write(t.Context(), db, program, now, &b); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

// verdicts of a program by team, jersey, read and rung, in words.
func verdicts(t testing.TB, db *store.Store, program uuid.UUID) map[string]string {
	t.Helper()
	out := map[string]string{}
	teams, err := db.TeamsOfProgram(t.Context(), program)
	if err != nil {
		t.Fatal(err)
	}
	for _, team := range teams {
		players, err := db.PlayersOfTeam(t.Context(), gen.PlayersOfTeamParams{ProgramID: program, TeamID: team.ID})
		if err != nil {
			t.Fatal(err)
		}
		for _, p := range players {
			rows, err := db.RepsOfPlayer(t.Context(), gen.RepsOfPlayerParams{ProgramID: program, PlayerID: p.ID})
			if err != nil {
				t.Fatal(err)
			}
			byRead := map[string][]evidence.Rep{}
			for _, r := range evidence.OnePerRep(store.RepsOf(rows)) {
				k := string(r.Role) + " " + string(r.Expected)
				byRead[k] = append(byRead[k], r)
			}
			for k, reps := range byRead {
				st := policy.Stand("", k, reps, now)
				out[team.Name+" "+p.Jersey+" "+p.Name+" "+k] = fmt.Sprintf("%d %s %s %v", st.Held, st.Judgement.Verdict, st.Judgement.Sentence, st.Rungs)
			}
		}
	}
	return out
}

// A whole program goes out, fits the published schema by an independent validator, and
// comes back in another program with every verdict, and goes out again the same.
func TestArchive(t *testing.T) {
	db, program, other := club(t)
	doc := written(t, db, program)
	c := jsonschema.NewCompiler()
	schema, err := jsonschema.UnmarshalJSON(bytes.NewReader(Schema))
	if err != nil {
		t.Fatal(err)
	}
	if err := c.AddResource("archive.json", schema); err != nil {
		t.Fatal(err)
	}
	value, err := jsonschema.UnmarshalJSON(bytes.NewReader(doc))
	if err != nil {
		t.Fatal(err)
	}
	if err := c.MustCompile("archive.json").Validate(value); err != nil {
		t.Fatalf("%.2000v", err)
	}
	if strings.Contains(string(doc), "@") {
		t.Error("an address left the program")
	}
	got, err := Read(t.Context(), db, policy, other, "Ann", now, bytes.NewReader(doc))
	if err != nil {
		t.Fatal(err)
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
	// What is kept beside the log is the same too.
	sums := func(program uuid.UUID) (n int) {
		teams, err := db.TeamsOfProgram(t.Context(), program)
		if err != nil {
			t.Fatal(err)
		}
		for _, team := range teams {
			l, err := db.LedgerOf(t.Context(), team, []string{"cutter", "screener"})
			if err != nil {
				t.Fatal(err)
			}
			for _, s := range l.Sums {
				n += s.Reps
			}
		}
		return n
	}
	if a, b := sums(program), sums(other); a != b || a == 0 {
		t.Errorf("%d reps in the sums, after import %d", a, b)
	}
	var first, second map[string]any
	if err := json.Unmarshal(doc, &first); err != nil {
		t.Fatal(err)
	}
	if err := json.Unmarshal(written(t, db, other), &second); err != nil {
		t.Fatal(err)
	}
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
	if _, err := Read(t.Context(), db, policy, other, "Ann", now, bytes.NewReader(doc)); err == nil || !strings.Contains(err.Error(), "in the program already") {
		t.Errorf("a second time: %v", err)
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
	for name, tc := range map[string]struct{ doc, says string }{
		"cut short":               {doc[:third], "ends in the middle, at events"},
		"cut early":               {doc[:200], "ends in the middle"},
		"empty":                   {"", "ends in the middle"},
		"newer":                   {replaced(`"version": 1`, `"version": 2`), "of version 2, made by a newer Evrik"},
		"something else":          {`{"name": "x"}`, "no archive of a program"},
		"a list":                  {`[]`, "no archive of a program"},
		"no json":                 {"jersey,name\n1,A\n", "cannot be read as an archive"},
		"no end":                  {doc[:strings.LastIndex(doc, ",\n\"end\"")] + "}", "has no end"},
		"fewer reps":              {strings.Replace(doc, `"events":`, `"evens":`, 1), "does not know"},
		"wrong total":             {replaced(`"players":25,`, `"players":26,`), "says that it holds 26 players"},
		"a read unknown":          {replaced(`"expected":"curl"`, `"expected":"dunk"`), "no read called"},
		"a step unknown":          {replaced(`"step":1,`, `"step":9,`), "players[0].answers[0].step: maximum"},
		"a cue unknown":           {replaced(`"cue":"trail","step"`, `"cue":"nap","step"`), "an answer to \"nap\""},
		"a wrong verdict":         {replaced(`"right":true`, `"right":false`), "is right"},
		"another's team":          {replaced(`"players": [`+"\n", `"players": [`+"\n"+`{"id":"`+uuid.NewString()+`","team":"`+uuid.NewString()+`","jersey":"9","name":"X","handler":false,"wing":false,"big":false,"shooter":false},`), "does not fit at players"},
		"a long name":             {replaced(`"name":"Odile"`, `"name":"`+strings.Repeat("o", 40)+`"`), "].name: maxLength"},
		"a rule that is none":     {replaced(`"metric":`, `"localRule":"abc","metric":`), "teams[0].localRule: got string, want null or object"},
		"a rule that cannot be":   {replaced(`"metric":`, `"localRule":{"restDays":9},"metric":`), "teams[0].localRule: A local rule for rest days"},
		"a rule of another world": {replaced(`"metric":`, `"localRule":{"gravity":9},"metric":`), "teams[0].localRule: json: unknown field"},
		"a pace that cannot be":   {replaced(`"metric":`, `"pace":{"reaction":-4},"metric":`), "teams[0].pace: "},
		"an aim that cannot be":   {replaced(`"seasonAim":{`, `"seasonAim":{"gravity":1,`), "teams[0].seasonAim: json: unknown field"},
		"an offense unknown":      {replaced(`"metric":`, `"offense":{"school":"x"},"metric":`), "teams[0].offense: "},
		"principles of nothing":   {replaced(`"metric":`, `"principles":[{"id":7}],"metric":`), "teams[0].principles: "},
		"a court that is none":    {replaced(`"court":{`, `"court":{"gravity":1,`), "teams[0].court: json: unknown field"},
		"a zone unknown":          {replaced(`"zone":"`, `"zone":"X/`), "teams[0].zone: there is no time zone"},
		"an end too many":         {replaced(`"end":0`, `"end":3`), "practices[0].blocks: Block 1 is at end 3"},
		"terms that cannot be":    {replaced(`"startsAt":`, `"terms":{"gravity":9},"startsAt":`), "practices[0].terms: json: unknown field"},
		"a name turned round":     {replaced(`"name":"Odile"`, "\"name\":\"\u202eelidO\""), "players["},
		"a kind unknown":          {replaced(`"kind":"own"`, `"kind":"secret"`), "practices[0].blocks[0].kind: value must be one of"},
	} {
		_, err := Read(t.Context(), db, policy, other, "Ann", now, strings.NewReader(tc.doc))
		if err == nil || !strings.Contains(err.Error(), tc.says) || !strings.Contains(err.Error(), "Nothing was imported.") {
			t.Errorf("%s: %v", name, err)
		}
		teams, err := db.TeamsOfProgram(t.Context(), other)
		if err != nil || len(teams) != 0 {
			t.Fatalf("%s: %d teams are there, %v", name, len(teams), err)
		}
	}
}

// A player who is erased leaves counts of the team and nothing else; a limit on keeping
// does the same for what is older.
func TestEraseAndForget(t *testing.T) {
	db, program, _ := club(t)
	ctx := t.Context()
	teams, err := db.TeamsOfProgram(ctx, program)
	if err != nil {
		t.Fatal(err)
	}
	team := teams[0]
	players, err := db.PlayersOfTeam(ctx, gen.PlayersOfTeamParams{ProgramID: program, TeamID: team.ID})
	if err != nil {
		t.Fatal(err)
	}
	who := players[0]
	total := func() (single, kept int) {
		var n int
		if err := db.Pool.QueryRow(ctx, "SELECT count(*) FROM rep_events WHERE program_id = $1 AND kind = 'rep'", program).Scan(&n); err != nil {
			t.Fatal(err)
		}
		counts, err := db.KeptOfProgram(ctx, program)
		if err != nil {
			t.Fatal(err)
		}
		for _, c := range counts {
			kept += int(c.Reps)
		}
		return n, kept
	}
	before, _ := total()
	// The player takes part in a block that was given up, in a kept plan and in a line-up.
	secret := who.ID.String()
	block := []practice.Block{{ID: uuid.NewString(), Kind: practice.OwnBlock, Title: "Talk", Minutes: 5, Players: []string{secret}}}
	var some uuid.UUID
	if err := db.Pool.QueryRow(ctx, "SELECT id FROM practices WHERE program_id = $1 LIMIT 1", program).Scan(&some); err != nil {
		t.Fatal(err)
	}
	for _, err := range []error{
		db.SetDropped(ctx, gen.SetDroppedParams{ProgramID: program, ID: some, Dropped: store.BlocksJSON(block)}),
		db.PutTemplate(ctx, gen.PutTemplateParams{ID: uuid.New(), ProgramID: program, Name: "kept", Minutes: 60, Blocks: store.BlocksJSON(block)}),
	} {
		if err != nil {
			t.Fatal(err)
		}
	}
	if _, err := db.Pool.Exec(ctx, "UPDATE games SET terms = jsonb_build_object('available', jsonb_build_array($1::text)) WHERE program_id = $2", secret, program); err != nil {
		t.Fatal(err)
	}
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
	doc := string(written(t, db, program))
	if strings.Contains(doc, who.ID.String()) || strings.Contains(doc, `"`+who.Name+`"`) {
		t.Error("something of the player is still in the archive")
	}
	if there, err := db.Erase(ctx, program, team.ID, who.ID); err != nil || there {
		t.Errorf("twice: %v, %v", there, err)
	}
	limit := now.AddDate(0, 0, -20)
	older := func(what, sql string) (old, young int) {
		t.Helper()
		if err := db.Pool.QueryRow(ctx, "SELECT count(*) FILTER (WHERE at < $1), count(*) FILTER (WHERE at >= $1) FROM ("+sql+") AS x", limit).Scan(&old, &young); err != nil {
			t.Fatal(what, err)
		}
		return old, young
	}
	dated := map[string]string{
		"attendance": "SELECT p.starts_at AS at FROM attendance a JOIN practices p ON p.id = a.practice_id",
		"answers":    "SELECT at FROM trainer_answers",
		"audit":      "SELECT at FROM audit",
		"changes":    "SELECT at FROM floor_changes",
	}
	for _, at := range []time.Time{limit.Add(-time.Hour), limit.Add(time.Hour)} {
		if err := db.InsertAudit(ctx, gen.InsertAuditParams{ID: uuid.New(), ProgramID: program, At: at, Who: "Ann", What: "did something"}); err != nil {
			t.Fatal(err)
		}
		if _, err := db.InsertFloorChange(ctx, gen.InsertFloorChangeParams{ID: uuid.New(), ProgramID: program, PracticeID: some, At: at, Kind: "presence", PlayerID: &players[1].ID, State: "left"}); err != nil {
			t.Fatal(err)
		}
	}
	if _, err := db.Pool.Exec(ctx, "UPDATE trainer_answers SET at = $1 WHERE ctid IN (SELECT ctid FROM trainer_answers LIMIT 3)", limit.Add(-time.Hour)); err != nil {
		t.Fatal(err)
	}
	young := map[string]int{}
	for what, sql := range dated {
		old, n := older(what, sql)
		if old == 0 || n == 0 {
			t.Fatalf("%s: %d before the limit and %d after it prove nothing", what, old, n)
		}
		young[what] = n
	}
	if err := db.ForgetBefore(ctx, policy, program, limit); err != nil {
		t.Fatal(err)
	}
	for what, sql := range dated {
		if old, n := older(what, sql); old != 0 || n != young[what] {
			t.Errorf("%s: %d from before the limit are left, and %d of %d from after it", what, old, n, young[what])
		}
	}
	left, kept := total()
	if left+kept != before || left == 0 || left >= single {
		t.Errorf("%d before, %d single ones and %d counted after forgetting", before, left, kept)
	}
	rows, err := db.RepsOfTeam(ctx, gen.RepsOfTeamParams{ProgramID: program, TeamID: team.ID})
	if err != nil {
		t.Fatal(err)
	}
	l, err := db.LedgerOf(ctx, team, []string{"cutter", "screener"})
	if err != nil || !l.Same(policy.Ledger(evidence.OnePerRep(store.RepsOf(rows)), now)) {
		t.Errorf("the sums do not follow: %v", err)
	}
}

// holding lists the columns of the database in which a text is found, whatever their type.
func holding(t *testing.T, db *store.Store, text string) (where []string) {
	t.Helper()
	rows, err := db.Pool.Query(t.Context(), "SELECT table_name, column_name FROM information_schema.columns WHERE table_schema = 'public'")
	if err != nil {
		t.Fatal(err)
	}
	type place struct{ Table, Column string }
	places, err := pgx.CollectRows(rows, pgx.RowToStructByPos[place])
	if err != nil {
		t.Fatal(err)
	}
	for _, p := range places {
		var n int
		sql := fmt.Sprintf("SELECT count(*) FROM %s WHERE %s::text LIKE '%%' || $1 || '%%'", pgx.Identifier{p.Table}.Sanitize(), pgx.Identifier{p.Column}.Sanitize())
		if err := db.Pool.QueryRow(t.Context(), sql, text).Scan(&n); err != nil {
			t.Fatal(err)
		}
		if n > 0 {
			where = append(where, p.Table+"."+p.Column)
		}
	}
	return where
}

// An import is taken back as a whole, once, and leaves what was there before as it was.
func TestUndoImport(t *testing.T) {
	db, program, other := club(t)
	own, err := json.Marshal(drill.Catalogue()[0])
	if err != nil {
		t.Fatal(err)
	}
	for _, err := range []error{
		db.InsertDrill(t.Context(), gen.InsertDrillParams{ID: uuid.New(), ProgramID: program, Drill: own}),
		db.PutTemplate(t.Context(), gen.PutTemplateParams{ID: uuid.New(), ProgramID: program, Name: "kept", Minutes: 60, Blocks: []byte("[]")}),
	} {
		if err != nil {
			t.Fatal(err)
		}
	}
	doc := written(t, db, program)
	rows := func() map[string]int {
		out := map[string]int{}
		for _, table := range []string{"teams", "players", "practices", "blocks", "attendance", "rep_events", "games", "game_counts", "drills", "templates", "sums", "trainer_answers", "kept_counts", "imports"} {
			var n int
			if err := db.Pool.QueryRow(t.Context(), "SELECT count(*) FROM "+table).Scan(&n); err != nil {
				t.Fatal(err)
			}
			out[table] = n
		}
		return out
	}
	before := rows()
	got, err := Read(t.Context(), db, policy, other, "Ann", now, bytes.NewReader(doc))
	if err != nil {
		t.Fatal(err)
	}
	list, err := db.ImportsOfProgram(t.Context(), other)
	if err != nil || len(list) != 1 || list[0].ID != got.ID || list[0].Who != "Ann" || int(list[0].Events) != got.Events || len(list[0].Teams) != 2 {
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
	if _, err := Read(t.Context(), db, policy, other, "Ann", now, bytes.NewReader(doc)); err != nil {
		t.Errorf("again, after it was undone: %v", err)
	}
}

// BenchmarkArchiveOfAMillion writes a million reps, and tells by how much the heap grew.
func BenchmarkArchiveOfAMillion(b *testing.B) {
	db, program, _ := club(b)
	const copies = 220
	if _, err := db.Pool.Exec(b.Context(), `INSERT INTO rep_events (id, program_id, team_id, practice_id, block_id, kind, rep_no, at, player_id, role, drill, rung, screen, side, cue, expected, made, is_right, observer_id, device)
		SELECT gen_random_uuid(), program_id, team_id, practice_id, block_id, kind, 0, at - n * interval '1 day', player_id, role, drill, rung, screen, side, cue, expected, made, is_right, observer_id, device
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

// A backup restored into an empty server gives every verdict back; it is refused where
// something is, and a damaged file leaves nothing behind.
func TestBackupAndRestore(t *testing.T) {
	url := pgtest.Copy(t, "demo", func(db *store.Store) error { return demo.Ensure(context.Background(), db, now, false) })
	db, err := store.Open(t.Context(), url)
	if err != nil {
		t.Fatal(err)
	}
	defer db.Close()
	head, err := db.StaffByEmail(t.Context(), demo.SignIn.Email)
	if err != nil {
		t.Fatal(err)
	}
	dir := t.TempDir()
	file := filepath.Join(dir, "club.backup")
	if err := pglocal.Dump(t.Context(), url, file); err != nil {
		t.Fatal(err)
	}
	if err := pglocal.Dump(t.Context(), url, file); err == nil || !strings.Contains(err.Error(), "is there already") {
		t.Errorf("over a backup: %v", err)
	}
	if err := pglocal.Restore(t.Context(), url, file); err == nil || !strings.Contains(err.Error(), "not empty") {
		t.Errorf("over a club: %v", err)
	}
	_, empty := pgtest.Safe(t)
	data, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	cut := filepath.Join(dir, "cut.backup")
	if err := os.WriteFile(cut, data[:len(data)/2], 0o600); err != nil {
		t.Fatal(err)
	}
	for _, bad := range []string{cut, filepath.Join(dir, "nowhere")} {
		if err := pglocal.Restore(t.Context(), empty, bad); err == nil {
			t.Errorf("%s was restored", bad)
		}
	}
	if err := pglocal.Restore(t.Context(), empty, file); err != nil {
		t.Fatal(err)
	}
	if err := store.Migrate(t.Context(), empty); err != nil {
		t.Fatal(err)
	}
	back, err := store.Open(t.Context(), empty)
	if err != nil {
		t.Fatal(err)
	}
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
