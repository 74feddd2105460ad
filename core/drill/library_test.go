package drill

import (
	"bytes"
	"encoding/json"
	"errors"
	"reflect"
	"slices"
	"strings"
	"testing"

	"github.com/santhosh-tekuri/jsonschema/v6"

	"evrik/core/reads"
)

// Every drill of the catalogue exports to a file that fits the published schema,
// judged by an independent validator (santhosh-tekuri/jsonschema), and comes back
// the same.
func TestFilesFitThePublishedSchema(t *testing.T) {
	doc, err := jsonschema.UnmarshalJSON(bytes.NewReader(Schema))
	if err != nil {
		t.Fatal(err)
	}
	c := jsonschema.NewCompiler()
	if err := c.AddResource("drill.json", doc); err != nil {
		t.Fatal(err)
	}
	schema, err := c.Compile("drill.json")
	if err != nil {
		t.Fatal(err)
	}
	for _, d := range Catalogue() {
		file, err := Export(d)
		if err != nil {
			t.Fatal(err)
		}
		value, err := jsonschema.UnmarshalJSON(bytes.NewReader(file))
		if err != nil {
			t.Fatal(err)
		}
		if err := schema.Validate(value); err != nil {
			t.Errorf("%s: %v", d.ID, err)
		}
		back, err := Import(file)
		if err != nil || !reflect.DeepEqual(back, d) {
			t.Errorf("%s does not come back the same: %v", d.ID, err)
		}
	}
	for what, change := range map[string][2]string{
		"a spot": {`"spot": "cornerR"`, `"spot": "bench"`}, "a verb": {`"do": "screen"`, `"do": "juggle"`},
		"a rung": {`"rung": "air"`, `"rung": "cloud"`}, "a field": {`"about"`, `"color"`},
		"a version": {`"schema": 2`, `"schema": 3`},
	} {
		file, _ := Export(slotTwos(t))
		value, err := jsonschema.UnmarshalJSON(strings.NewReader(
			strings.Replace(string(file), change[0], change[1], 1)))
		if err != nil {
			t.Fatal(err)
		}
		if schema.Validate(value) == nil {
			t.Errorf("%s that does not exist fits the schema", what)
		}
	}
	// The schema's lists are the engine's.
	var listed struct {
		Defs struct {
			Spot struct {
				Enum []string `json:"enum"`
			} `json:"spot"`
		} `json:"$defs"`
	}
	if err := json.Unmarshal(Schema, &listed); err != nil {
		t.Fatal(err)
	}
	var spots []string
	for _, s := range SpotNames() {
		spots = append(spots, s[0])
	}
	slices.Sort(spots)
	slices.Sort(listed.Defs.Spot.Enum)
	if !slices.Equal(spots, listed.Defs.Spot.Enum) {
		t.Errorf("the schema knows %v, the court %v", listed.Defs.Spot.Enum, spots)
	}
}

// Drills for what holds a squad back: those with a stage that shows its cue.
func TestDrillsThatServeARead(t *testing.T) {
	lib := Library{}
	has := func(ids []string, id string) bool { return slices.Contains(ids, id) }
	fade := lib.Serving(reads.TeamRules{}, []reads.Read{reads.Fade})
	if !has(fade, "slot-twos") || !has(fade, "series-flare") || has(fade, "form-shooting") ||
		has(fade, "ball-thirty-six") || has(fade, "ball-thirty-six") {
		t.Errorf("for the fade: %v", fade)
	}
	if flare := lib.Serving(reads.TeamRules{FlareFirst: true}, []reads.Read{reads.Flare}); !has(flare, "slot-twos") {
		t.Errorf("for the flare of those rules: %v", flare)
	}
	if got := lib.Serving(reads.TeamRules{}, nil); len(got) != 0 {
		t.Errorf("for nothing: %v", got)
	}
}

func TestLibrary(t *testing.T) {
	own := *slotTwos(t)
	own.ID, own.Name = "mine", "Our twos"
	lib := NewLibrary([]*Drill{&own})
	if d, ok := lib.ByID("mine"); !ok || d != &own || len(lib.All()) != len(Catalogue())+1 {
		t.Errorf("%v, %d drills", ok, len(lib.All()))
	}
	if _, ok := lib.ByID("slot-twos"); !ok {
		t.Error("the catalogue is gone")
	}
	if err := lib.Admit(&own); err != nil {
		t.Errorf("a drill may be stored again: %v", err)
	}
	twin := own
	twin.ID = "other"
	if err := lib.Admit(&twin); !errors.Is(err, ErrSetup) ||
		!strings.Contains(err.Error(), "drill.name-taken: Our twos") {
		t.Errorf("two drills of one name: %v", err)
	}
	twin.Name = " slot TWOS "
	if err := lib.Admit(&twin); !errors.Is(err, ErrSetup) {
		t.Errorf("a name of the catalogue's: %v", err)
	}
	many := make([]*Drill, MaxOwn)
	for i := range many {
		d := own
		d.ID, d.Name = string(rune('a'+i)), string(rune('a'+i))
		many[i] = &d
	}
	twin.Name = "One too many"
	if err := NewLibrary(many).Admit(&twin); !errors.Is(err, ErrSetup) ||
		!strings.Contains(err.Error(), "drill.too-many-drills: 200") {
		t.Errorf("%v", err)
	}
	for want, file := range map[string]string{"drill.file-newer: 3, 2": `{"schema":3,"drill":{"anything":1}}`,
		"drill.file-more": `{"schema":1}`, "drill.file-unreadable": `nonsense`} {
		if _, err := Import([]byte(file)); !errors.Is(err, ErrSetup) || !strings.Contains(err.Error(), want) {
			t.Errorf("%s: %v", file, err)
		}
	}
}

// A file of version 1 calls the action a screen.
func TestFileOfBefore(t *testing.T) {
	now, err := Export(Catalogue()[slices.IndexFunc(Catalogue(), func(d *Drill) bool { return d.Action != "" })])
	if err != nil {
		t.Fatal(err)
	}
	before := strings.NewReplacer(`"schema": 2`, `"schema": 1`, `"action": `, `"screen": `).Replace(string(now))
	old, err := Import([]byte(before))
	if err != nil || before == string(now) {
		t.Fatalf("%v", err)
	}
	again, err := Export(old)
	if err != nil || string(again) != string(now) {
		t.Errorf("%v, it reads as %s", err, again)
	}
}
