package drill

import (
	"encoding/json"
	"slices"
	"strings"

	"evrik/core/reads"
)

// Library is what a program can run: the catalogue and its own drills. The zero
// value is the catalogue alone.
type Library struct{ own []*Drill }

// NewLibrary returns the catalogue with a program's own drills.
func NewLibrary(own []*Drill) Library { return Library{own} }

// ByID returns a drill, and whether the library has one with this id.
func (l Library) ByID(id string) (*Drill, bool) {
	for _, d := range l.own {
		if d.ID == id {
			return d, true
		}
	}
	return ByID(id)
}

// All returns the program's own drills, then the catalogue's.
func (l Library) All() []*Drill { return append(append([]*Drill(nil), l.own...), catalogue...) }

// MaxOwn is how many drills of its own a program can keep (assumption).
const MaxOwn = 200

// Admit checks that a drill can join the library, or take the place of the one
// with its id: it can be run, and no other has its name. Errors match ErrSetup.
func (l Library) Admit(d *Drill) error {
	if err := d.Validate(); err != nil {
		return err
	}
	mine := 0
	for _, other := range l.All() {
		if other.ID != d.ID && strings.EqualFold(strings.TrimSpace(other.Name), strings.TrimSpace(d.Name)) {
			return setup("drill.name-taken", other.Name)
		}
	}
	for _, other := range l.own {
		if other.ID != d.ID {
			mine++
		}
	}
	if mine >= MaxOwn {
		return setup("drill.too-many-drills", MaxOwn)
	}
	return nil
}

// FileSchema is the version of the drill file that this product writes. A file of
// a newer one is refused, because nobody can know what it means.
const FileSchema = 2

// File is a drill as it is exported and imported; docs/drill.schema.json
// describes it.
type File struct {
	Schema int    `json:"schema"`
	Drill  *Drill `json:"drill"`
}

// Export writes a drill as a file.
func Export(d *Drill) ([]byte, error) { return json.MarshalIndent(File{FileSchema, d}, "", "  ") }

// Import reads a drill file and checks it. Errors match ErrSetup and say what was
// wrong; nothing is half read.
func Import(data []byte) (*Drill, error) {
	var head struct {
		Schema int             `json:"schema"`
		Drill  json.RawMessage `json:"drill"`
	}
	if err := json.Unmarshal(data, &head); err != nil {
		return nil, setup("drill.file-unreadable", err)
	}
	switch {
	case head.Schema > FileSchema:
		return nil, setup("drill.file-newer", head.Schema, FileSchema)
	case head.Schema < 1 || head.Drill == nil:
		return nil, setup("drill.file-more")
	}
	return Read(head.Drill)
}

// Serving lists the ids of the drills whose action asks for one of some reads
// under a team's rules, on a stage that shows the cue.
func (l Library) Serving(rules reads.TeamRules, wanted []reads.Read) []string {
	out := []string{}
	for _, d := range l.All() {
		action, ok := reads.ActionByID(d.Action)
		if !ok {
			continue
		}
		serves := slices.ContainsFunc(d.Stages, func(s Stage) bool {
			return slices.ContainsFunc(s.Cues, func(c reads.Cue) bool {
				row, _ := action.Row(rules, c)
				return slices.Contains(wanted, row.CutterRead) || slices.Contains(wanted, row.ScreenerRead)
			})
		})
		if serves {
			out = append(out, d.ID)
		}
	}
	return out
}
