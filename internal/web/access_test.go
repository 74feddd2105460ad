package web

import (
	"fmt"
	"io"
	"net/http"
	"os"
	"sort"
	"strings"
	"testing"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/game"
	"evrik/core/offense"
	"evrik/core/practice"
	"evrik/internal/web/api"
)

// operations lists method, path and id of everything in the contract.
func operations(t *testing.T) [][3]string {
	t.Helper()
	spec, err := api.GetSpec()
	if err != nil {
		t.Fatal(err)
	}
	var out [][3]string
	for path, item := range spec.Paths.Map() {
		for method, op := range item.Operations() {
			// The generator writes ids with a capital first letter.
			id := strings.ToLower(op.OperationID[:1]) + op.OperationID[1:]
			out = append(out, [3]string{method, path, id})
		}
	}
	sort.Slice(out, func(i, j int) bool { return out[i][2] < out[j][2] })
	return out
}

func TestEveryOperationHasARole(t *testing.T) {
	seen := map[string]bool{}
	for _, op := range operations(t) {
		id := strings.ToUpper(op[2][:1]) + op[2][1:]
		seen[id] = true
		if _, ok := required[id]; !ok {
			t.Errorf("%s has no required role", id)
		}
	}
	for id := range required {
		if !seen[id] {
			t.Errorf("%s has a role but is not in the contract", id)
		}
	}
}

// bodies that satisfy the contract's form, for whoever asks.
func bodyFor(operation string, c club) any {
	court := map[string]any{"preset": "custom", "halfLength": 42, "width": 50, "arcRadius": 19.75, "arcGap": 0,
		"laneWidth": 12, "freeThrow": 15, "board": 4, "ringOut": 0}
	player := map[string]any{"jersey": "77", "name": "New", "handler": true, "wing": false, "big": false,
		"shooter": false}
	switch operation {
	case "judge", "readMap", "play":
		return downTrail()
	case "changeFloor":
		return map[string]any{"id": uuid.NewString(), "at": evening, "kind": "presence", "afterRep": 0,
			"player": c.players[0], "state": "left"}
	case "setHome":
		return map[string]any{"drill": "form-shooting", "given": true}
	case "tellHome":
		side := map[string]int{"made": 1, "tried": 2}
		return map[string]any{"id": uuid.NewString(), "drill": "form-shooting", "at": evening, "right": side,
			"left": side}
	case "movePlayer":
		return map[string]any{"team": c.team}
	case "setEffort":
		return map[string]any{"effort": 6}
	case "setReview":
		return map[string]any{"review": "Good ears tonight."}
	case "addDrill":
		return drill.File{Schema: drill.FileSchema, Drill: drill.Catalogue()[0]}
	case "previewDrill":
		return drill.Catalogue()[0]
	case "updateDrill":
		return map[string]any{"drill": drill.Catalogue()[0], "version": 1}
	case "archiveDrill":
		return map[string]bool{"archived": true}
	case "orderList":
		return map[string]any{"drill": "slot-twos", "stage": "live", "players": c.players, "baskets": 1, "minutes": 10}
	case "addPlayer", "updatePlayer":
		return player
	case "importRoster", "previewRoster":
		return map[string]string{"text": "55 Zoe"}
	case "makePlayerLinks":
		return map[string]any{"players": []string{uuid.NewString()}}
	case "layOut", "addPractice", "updatePractice":
		return planFor(c)
	case "fillPlan":
		return map[string]any{"plan": planFor(c), "scope": "evening"}
	case "setSeason":
		return practice.FirstAim(evening, nil)
	case "addTemplate":
		return map[string]any{"name": "n", "minutes": 60, "blocks": planFor(c)["blocks"]}
	case "updateTeam":
		return map[string]any{"name": "n", "season": "s", "ages": "12-14", "court": court, "metric": false,
			"teamRules": map[string]bool{"fadeToCorner": false, "flareFirst": false, "shootFirst": false}}
	case "setClock":
		return map[string]any{"action": "start"}
	case "setOffense":
		return offense.Shipped()[0]
	case "copyOffense":
		return map[string]any{"from": c.team, "follow": false}
	case "checkOffense":
		return offense.Shipped()[0]
	case "watchOffense":
		return watching(0)
	case "standOffense":
		return standing(0)
	case "setRound":
		return api.RoundState{Step: 2, Seed: 4}
	case "cutOutDrill":
		return momentOf(0, "wingR", "cut")
	case "compareOffenses":
		o := offense.Shipped()[0]
		return map[string]any{"a": o, "b": o, "five": c.players[:min(5, len(c.players))], "against": against(false)}
	case "setPrinciples":
		return offense.FirstPrinciples()
	case "addGame", "updateGame":
		return gameFor(c)
	case "findLineups":
		return game.Terms{Available: idsOf(c), Together: [][]string{}, Minutes: 32, Caps: []game.MinutesCap{}}
	case "logReps", "logGame":
		return map[string]any{"events": []any{}}
	case "invite":
		return map[string]string{"email": "n@x.example", "role": "assistant"}
	case "setStaffRole":
		return map[string]string{"role": "assistant"}
	case "acceptInvitation":
		return map[string]string{"name": "n", "password": goodPassword}
	case "setKeeping":
		return map[string]int{"keepMonths": 0}
	case "importArchive":
		return "{}"
	case "changePassword":
		return map[string]string{"old": "wrong", "new": goodPassword}
	case "askForReset":
		return map[string]string{"email": "n@x.example"}
	case "resetPassword":
		return map[string]string{"password": goodPassword}
	case "addTeam":
		return map[string]string{"name": "another", "ages": "12-14"}
	case "archiveTeam":
		return map[string]bool{"archived": false}
	case "deleteTeam":
		return map[string]string{"name": "not the name"}
	case "signIn":
		return map[string]string{"email": "n@x.example", "password": "p"}
	case "setUp":
		return firstCoach
	}
	return nil
}

func fill(path string, c club, planID uuid.UUID) string {
	player := uuid.New()
	if len(c.players) > 0 {
		player = c.players[0]
	}
	r := strings.NewReplacer("{teamId}", c.team.String(), "{playerId}", player.String(), "{practiceId}",
		planID.String(), "{blockId}", uuid.NewString(), "{staffId}", uuid.NewString(), "{drillId}", uuid.NewString(),
		"{templateId}", uuid.NewString(), "{mailId}", uuid.NewString(), "{feedKey}", "no-such-key", "{read}", "curl",
		"{displayId}", uuid.NewString(), "{gameId}", planID.String(), "{invitationId}", uuid.NewString(), "{joinKey}",
		"no-such-key", "{quizKey}", "no-such-key", "{resetKey}", "no-such-key", "{importId}", uuid.NewString())
	return queries(r.Replace(path))
}

// queries adds the query parameters that the contract requires.
func queries(path string) string {
	switch {
	case strings.HasSuffix(path, "/round") && !strings.Contains(path, "/practices/") &&
		!strings.Contains(path, "/display/"):
		return path + "?step=2&seed=4"
	case strings.HasPrefix(path, "/api/quiz/"):
		return path + "?size=4"
	case strings.HasSuffix(path, "/question"):
		return path + "?action=down&seed=4"
	case strings.HasSuffix(path, "/search"):
		return path + "?words=flare"
	case strings.HasSuffix(path, "/display/motion"):
		return path + "?block=" + uuid.NewString()
	case strings.HasSuffix(path, "/motion"):
		return path + "?drill=slot-twos"
	case strings.HasSuffix(path, "/lesson"):
		return path + "?action=down"
	case strings.HasSuffix(path, "/readmap"):
		return path + "?mover=xCutter"
	case strings.HasSuffix(path, "/export"):
		return path + "?format=csv"
	case strings.HasSuffix(path, "/evidence"):
		return path + "?what=reps"
	case strings.HasSuffix(path, "/board"):
		return path + "?role=cutter"
	}
	return path
}

// accessNames are how docs/roles.md says who may do what.
var accessNames = map[access]string{anyone: "anyone", display: "a paired display",
	viewer: "viewer, assistant, head coach", coach: "assistant, head coach", headCoach: "head coach"}

// rolesTable is docs/roles.md: every route with who may use it.
func rolesTable(t *testing.T) string {
	var b strings.Builder
	b.WriteString(
		"# Who may do what\n\nMade from `internal/web/roles.go` by `UPDATE_ROLES=1 go test ./internal/web -run " +
			"RolesTable`; a test calls every cell.\n\n" +
			"| route | operation | who |\n|---|---|---|\n")
	for _, op := range operations(t) {
		id := strings.ToUpper(op[2][:1]) + op[2][1:]
		fmt.Fprintf(&b, "| `%s %s` | %s | %s |\n", op[0], op[1], id, accessNames[required[id]])
	}
	return b.String()
}

func TestRolesTable(t *testing.T) {
	const file = "../../docs/roles.md"
	want := rolesTable(t)
	if os.Getenv("UPDATE_ROLES") != "" {
		if err := os.WriteFile(file, []byte(want), 0o644); err != nil {
			t.Fatal(err)
		}
	}
	if got, err := os.ReadFile(file); err != nil || string(got) != want {
		t.Errorf("docs/roles.md is not what the routes say (%v); run it with UPDATE_ROLES=1", err)
	}
}

// Everything that changes something is written down, or there is a reason why not.
func TestEveryChangeIsWrittenDown(t *testing.T) {
	for _, op := range operations(t) {
		id := strings.ToUpper(op[2][:1]) + op[2][1:]
		if op[0] != http.MethodGet && (audited[id] == "") == (quiet[id] == "") {
			t.Errorf("%s is neither written down nor quiet for a reason, or both", id)
		}
	}
}

// Every cell of the table: each route with each role gets through, or is refused with
// the sentence for it; and nobody ever reaches another program's rows.
func TestWhoMayDoWhat(t *testing.T) {
	w := newWorld(t)
	mine, theirs := w.club("mine", 6), w.club("theirs", 6)
	var practice api.Practice
	w.as(theirs.head).do("POST", theirs.path("/practices"), planFor(theirs), 201, &practice)
	head := w.as(mine.head)
	who := map[string]*agent{"": w.agent(), "viewer": w.as(mine.viewer), "assistant": w.as(mine.helper), "head": head}
	cells := 0
	for _, op := range operations(t) {
		method, path, id := op[0], op[1], op[2]
		need := required[strings.ToUpper(id[:1])+id[1:]]
		if need == anyone {
			continue // they sign the agents of this test in and out; their own tests call them
		}
		own := fill(path, mine, uuid.New())
		for role, a := range who {
			cells++
			switch {
			case need == display: // being signed in pairs no display
				a.refused(method, own, nil, 401, "display.not-paired")
			case role == "":
				a.refused(method, own, bodyFor(id, mine), 401, "role.signed-out")
			case may(role, need):
				if status := a.status(method, own, bodyFor(id, mine)); status == 401 || status == 403 || status >= 500 {
					t.Errorf("%s %s as %s: %d", method, path, role, status)
				}
			case role == "viewer":
				a.refused(method, own, bodyFor(id, mine), 403, "role.viewer")
			default:
				a.refused(method, own, bodyFor(id, mine), 403, "role.head-coach")
			}
		}
		if need == display {
			continue
		}
		if strings.Contains(path, "{teamId}") {
			head.do(method, fill(path, theirs, practice.Id), bodyFor(id, theirs), 404, nil)
			// My team with their practice or player is not found either.
			if strings.Contains(path, "{practiceId}") || strings.Contains(path, "{playerId}") {
				mixed := strings.Replace(fill(path, theirs, practice.Id), theirs.team.String(), mine.team.String(), 1)
				head.do(method, mixed, bodyFor(id, mine), 404, nil)
			}
		}
	}
	if cells < 4*70 {
		t.Errorf("only %d cells were called", cells)
	}
	var still api.Practice
	w.as(theirs.head).do("GET", theirs.path("/practices/"+practice.Id.String()), nil, 200, &still)
	if still.Version != practice.Version {
		t.Error("another program's practice was changed")
	}
}

// Whatever a client sends, it gets a 4xx with a sentence and never a 5xx.
func TestNoBodyBreaksTheServer(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 6)
	var practice api.Practice
	head := w.as(c.head)
	head.do("POST", c.path("/practices"), planFor(c), 201, &practice)
	nasty := []string{"", "null", "[]", "{", "{}", `"x"`, "17", `{"action":NaN}`, `{"events":[{}]}`, `{"events":null}`,
		`{"events":[{"id":"x","kind":"rep","at":"yesterday","device":"d"}]}`, `{"action":"fly"}`,
		`{"name":"\u0000","jersey":"1"}`,
		`{"minutes":1e999}`, `{"minutes":-1,"startsAt":"2026-01-01T00:00:00Z","note":"","present":[],"blocks":[]}`,
		`{"startsAt":"292277026596-12-04T15:30:07Z","minutes":60,"note":"","present":[],"blocks":[]}`,
		"\xff\xfe", strings.Repeat("[", 20000)}
	for _, op := range operations(t) {
		method, path, id := op[0], op[1], op[2]
		if method == http.MethodGet || method == http.MethodDelete || id == "signIn" || id == "mailPractice" ||
			id == "makeFeed" || id == "makePlayerLink" || id == "restorePlayerLink" || id == "addDisplay" ||
			id == "importArchive" {
			continue // these read no body, or one of their own
		}
		for _, body := range nasty {
			at := fill(path, c, practice.Id)
			req, err := http.NewRequest(method, w.server.URL+at, strings.NewReader(body))
			if err != nil {
				t.Fatal(err)
			}
			req.Header.Set("Content-Type", "application/json")
			res, err := head.http.Do(req)
			if err != nil {
				t.Fatal(err)
			}
			res.Body.Close()
			// An empty list of events is a proper, if idle, request.
			if res.StatusCode < 400 || res.StatusCode >= 500 {
				t.Errorf("%s %.60q: %d", id, body, res.StatusCode)
			}
		}
	}
	head.refused("POST", c.path("/judge"), fmt.Sprintf(`{"action":"down","pad":"%s"}`, strings.Repeat("x", 2<<20)), 413,
		"request.too-large")
	for _, path := range []string{"/api/nowhere", "/api/teams/no-id/now"} {
		res, err := head.http.Get(w.server.URL + path)
		if err != nil {
			t.Fatal(err)
		}
		res.Body.Close()
		if res.StatusCode < 400 || res.StatusCode >= 500 {
			t.Errorf("%s: %d", path, res.StatusCode)
		}
	}
}

func TestStaticFiles(t *testing.T) {
	w := newWorld(t)
	for path, want := range map[string][2]string{
		"/":                            {"200", "no-cache"},
		"/some/page":                   {"200", "no-cache"},
		"/_app/immutable/hash.js":      {"200", "immutable"},
		"/_app/other/not-hashed.js":    {"200", "no-cache"},
		"/_app/immutable/gone.js":      {"404", ""},
		"/../../etc/passwd.txt":        {"404", ""},
		"/healthz":                     {"200", ""},
		"/_app/immutable/%2e%2e/x.txt": {"404", ""},
	} {
		res, err := http.Get(w.server.URL + path)
		if err != nil {
			t.Fatal(err)
		}
		res.Body.Close()
		if fmt.Sprint(res.StatusCode) != want[0] || !strings.Contains(res.Header.Get("Cache-Control"), want[1]) {
			t.Errorf("%s: %d, %q", path, res.StatusCode, res.Header.Get("Cache-Control"))
		}
		if res.Header.Get("X-Content-Type-Options") != "nosniff" {
			t.Errorf("%s: no nosniff", path)
		}
	}
}

// A built file goes out in the smallest packed form that the browser accepts.
func TestPackedFiles(t *testing.T) {
	w := newWorld(t)
	for _, tc := range []struct{ takes, encoding, body string }{
		{"gzip, deflate, br, zstd", "br", "by brotli"},
		{"gzip, br;q=0", "gzip", "by gzip"},
		{"GZIP;q=0.5", "gzip", "by gzip"},
		{"deflate", "", "much code"},
		{"identity", "", "much code"},
	} {
		req, err := http.NewRequestWithContext(t.Context(), "GET", w.server.URL+"/_app/immutable/big.js", nil)
		if err != nil {
			t.Fatal(err)
		}
		req.Header.Set("Accept-Encoding", tc.takes)
		res, err := http.DefaultTransport.RoundTrip(req)
		if err != nil {
			t.Fatal(err)
		}
		body, err := io.ReadAll(res.Body)
		res.Body.Close()
		h := res.Header
		if err != nil || string(body) != tc.body || h.Get("Content-Encoding") != tc.encoding || h.Get("Vary") == "" ||
			!strings.HasPrefix(h.Get("Content-Type"), "text/javascript") ||
			!strings.Contains(h.Get("Cache-Control"), "immutable") {
			t.Errorf("%q: %q, %v, %v", tc.takes, body, h, err)
		}
	}
}
