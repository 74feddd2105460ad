package web

import (
	"encoding/json"
	"math/rand/v2"
	"net/http"
	"strings"
	"testing"
	"time"

	"github.com/getkin/kin-openapi/openapi3"
	"github.com/google/uuid"

	"evrik/core/reads"
	"evrik/internal/web/api"
)

// bodies makes request bodies from the contract's schemas: valid ones, and ones that are broken in
// one place.
type bodies struct {
	rng *rand.Rand
	// ids are of things that are there, so that a request gets past the first look.
	ids []string
	// broken is the number of the value that is broken; negative for none.
	broken, made int
}

// hostile are values that fit no schema, or hardly.
var hostile = []any{nil, true, -1, 0, 3, 1e308, -1e308, 0.5, 1 << 53, "", "x", "\u0000", "\u202e",
	strings.Repeat("x", 300), "0001-01-01T00:00:00Z",
	"9999-12-31T23:59:59Z", []any{}, []any{nil}, map[string]any{}, "00000000-0000-0000-0000-000000000000",
	json.RawMessage("1e999"), json.RawMessage(`"\ud800"`)}

func (b *bodies) value(ref *openapi3.SchemaRef, depth int) any {
	b.made++
	if b.made == b.broken+1 {
		return hostile[b.rng.IntN(len(hostile))]
	}
	s := ref.Value
	for _, of := range []openapi3.SchemaRefs{s.AllOf, s.OneOf, s.AnyOf} {
		if len(of) > 0 {
			return b.value(of[b.rng.IntN(len(of))], depth)
		}
	}
	if len(s.Enum) > 0 {
		return s.Enum[b.rng.IntN(len(s.Enum))]
	}
	switch {
	case s.Type == nil || s.Type.Is("object"):
		return b.object(s, depth)
	case s.Type.Is("array"):
		list := []any{}
		for range b.rng.IntN(4) {
			if depth < 6 {
				list = append(list, b.value(s.Items, depth+1))
			}
		}
		return list
	case s.Type.Is("boolean"):
		return b.rng.IntN(2) == 0
	case s.Type.Is("integer"), s.Type.Is("number"):
		low, high := -2.0, 60.0
		if s.Min != nil {
			low = *s.Min
		}
		if s.Max != nil {
			high = *s.Max
		}
		v := low + b.rng.Float64()*(high-low)
		if s.Type.Is("integer") {
			return int(v)
		}
		return v
	}
	return b.text(s)
}

func (b *bodies) object(s *openapi3.Schema, depth int) map[string]any {
	out := map[string]any{}
	for name, of := range s.Properties {
		required := false
		for _, r := range s.Required {
			required = required || r == name
		}
		if depth < 8 && (required || b.rng.IntN(2) == 0) {
			out[name] = b.value(of, depth+1)
		}
	}
	return out
}

func (b *bodies) text(s *openapi3.Schema) string {
	switch s.Format {
	case "uuid":
		return b.ids[b.rng.IntN(len(b.ids))]
	case "date-time":
		return evening.Add(time.Duration(b.rng.IntN(90*24)) * time.Hour).Format(time.RFC3339)
	}
	words := append([]string{"curl", "down", "slot-twos", "shown", "live", "cutter", "xCutter", "trail", "left",
		"down screen", "evening", "7", "Ann", "n@x.example", "2026-04-01",
		"spain", "guided", "drill", "own", "water", "cut-and-lift", "five-out", "rim"}, b.ids...)
	return words[b.rng.IntN(len(words))]
}

// Every operation of the contract, with bodies that fit it and bodies that are broken in one place,
// with ids that are there and ids that cannot be: nothing ends in a 5xx or breaks the connection.
func TestContractFuzz(t *testing.T) {
	w := newWorld(t)
	c, head, p, at := onFloor(w)
	head.do("POST", at+"/reps", batch(repEvent(p.Blocks[3].ID, c.players[0], 1, reads.Trail, reads.Curl)), 200, nil)
	var game api.Game
	head.do("POST", c.path("/games"), gameFor(c), 201, &game)
	spec, err := api.GetSpec()
	if err != nil {
		t.Fatal(err)
	}
	each := 12
	if !testing.Short() {
		each = 250
	}
	const seed = 15
	rng := rand.New(rand.NewPCG(seed, 0))
	ids := []string{c.team.String(), p.Id.String(), game.Id.String(), p.Blocks[3].ID, p.Blocks[0].ID,
		c.players[0].String(), c.players[1].String(), c.players[2].String(), uuid.NewString()}
	// These would end the session, erase the ground under the others or answer for ever.
	apart := map[string]bool{"signOut": true, "signIn": true, "setUp": true, "changePassword": true,
		"resetPassword": true, "deleteTeam": true,
		"followPractice": true, "followGame": true, "followDisplay": true, "feedScoreboard": true}
	statuses := map[int]int{}
	for _, op := range operations(t) {
		method, path, id := op[0], op[1], op[2]
		if apart[id] {
			continue
		}
		item := spec.Paths.Value(path).GetOperation(method)
		for n := range each {
			b := &bodies{rng: rng, ids: ids, broken: -1}
			var body string
			if item.RequestBody != nil {
				if content := item.RequestBody.Value.Content.Get("application/json"); content != nil {
					if n%3 > 0 {
						b.broken = rng.IntN(24)
					}
					data, err := json.Marshal(b.value(content.Schema, 0))
					if err != nil {
						t.Fatal(err)
					}
					body = string(data)
				}
			}
			to := pathWith(path, c, p.Id, ids, rng, n)
			if method == http.MethodDelete && n%3 == 0 {
				to = fill(path, c, uuid.New()) // what is there is left for the others
			}
			status := head.answered(t, method, to, body)
			statuses[status]++
			if status >= 500 {
				t.Errorf("%s %s (%s) seed %d: %d\n%s", method, to, id, seed, status, clip([]byte(body)))
			}
		}
	}
	for _, method := range []string{"TRACE", "PATCH", "OPTIONS", "HEAD", "PROPFIND", "MAKEUP", "CONNECT"} {
		for _, path := range []string{"/", "/api/session", c.path("/now"), "/api/nothing", "/healthz", "/metrics"} {
			if status := head.answered(t, method, path, ""); status >= 500 {
				t.Errorf("%s %s: %d", method, path, status)
			}
		}
	}
	if statuses[200] == 0 || statuses[422] == 0 || statuses[404] == 0 {
		t.Errorf("answers by status: %v; the requests do not reach far enough", statuses)
	}
	t.Logf("answers by status: %v", statuses)
}

// pathWith puts ids into a path: mostly right ones, now and then others' or what is none.
func pathWith(path string, c club, practice uuid.UUID, ids []string, rng *rand.Rand, n int) string {
	if n%4 != 3 {
		return fill(path, c, practice)
	}
	bad := append([]string{"x", "%00", "..", strings.Repeat("9", 80), "00000000-0000-0000-0000-000000000000"}, ids...)
	for strings.Contains(path, "{") {
		from, to := strings.Index(path, "{"), strings.Index(path, "}")
		path = path[:from] + bad[rng.IntN(len(bad))] + path[to+1:]
	}
	return path + "?" + []string{"action=x", "seed=-1", "size=1e9", "role=%ff", "what=", "format=exe", "step=99&seed=x",
		"mover=0"}[rng.IntN(8)]
}

// answered sends a request and returns the status it was answered with.
func (a *agent) answered(t *testing.T, method, path, body string) int {
	t.Helper()
	req, err := http.NewRequest(method, a.server.URL+path, strings.NewReader(body))
	if err != nil {
		t.Fatal(err)
	}
	req.Header.Set("Content-Type", "application/json")
	res, err := a.http.Do(req)
	if err != nil {
		t.Errorf("%s %s: %v\n%s", method, path, err, clip([]byte(body)))
		return 0
	}
	res.Body.Close()
	return res.StatusCode
}

// What was found by hand, each of which once ended in a panic or a 500.
func TestRequestsThatBrokeTheServer(t *testing.T) {
	w := newWorld(t)
	c, head, p, at := onFloor(w)
	head.refused("POST", at+"/changes", map[string]any{"id": uuid.NewString(), "at": evening, "kind": "presence",
		"afterRep": 0, "state": "left"}, 422, "practice.who")
	plan := func(change func(block map[string]any)) map[string]any {
		body := planFor(c)
		data, _ := json.Marshal(body["blocks"])
		var blocks []map[string]any
		if err := json.Unmarshal(data, &blocks); err != nil {
			t.Fatal(err)
		}
		change(blocks[0])
		body["blocks"] = blocks
		return body
	}
	outside := plan(func(b map[string]any) { b["kind"], b["basket"] = "own", 3 })
	noID := plan(func(b map[string]any) { b["id"] = "first" })
	noPlayer := plan(func(b map[string]any) { b["players"] = []string{"Ann"} })
	for _, to := range []struct{ method, path string }{{"POST", c.path("/sheet")}, {"POST", c.path("/practices")},
		{"PUT", c.path("/practices/" + p.Id.String())}} {
		head.refused(to.method, to.path, outside, 422, "practice.block-basket")
		head.refused(to.method, to.path, noID, 422, "plan.block-id")
		head.refused(to.method, to.path, noPlayer, 422, "plan.block-player")
	}
	head.refused("POST", c.path("/fill"), map[string]any{"plan": outside, "scope": "evening"}, 422,
		"practice.block-basket")
	for _, method := range []string{"TRACE", "MAKEUP"} {
		if status := head.answered(t, method, "/api/session", ""); status < 400 || status >= 500 {
			t.Errorf("%s: %d", method, status)
		}
	}
}
