package drill

import (
	"bytes"
	"embed"
	"encoding/json"
	"fmt"
	"io/fs"
	"slices"

	"evrik/core/court"
	"evrik/core/motion"
	"evrik/core/reads"
)

// The catalogue's drills are data files, one a drill. Names and words are the
// product's own; what the drills do is common practice, no source; seconds per
// rep are assumptions until the team's own pace is known.
//
//go:embed catalogue/*.json
var catalogueFiles embed.FS

var catalogue = mustLoad()

// Catalogue returns every drill the product ships, in the order of their files.
func Catalogue() []*Drill { return append([]*Drill(nil), catalogue...) }

// mustLoad reads the catalogue. A file that cannot be read is a fault of the
// build, which the tests find.
func mustLoad() []*Drill {
	names, err := fs.Glob(catalogueFiles, "catalogue/*.json")
	if err != nil {
		panic(err)
	}
	var out []*Drill
	for _, name := range names {
		data, err := catalogueFiles.ReadFile(name)
		if err != nil {
			panic(err)
		}
		d, err := Read(data)
		if err != nil {
			panic(fmt.Sprintf("%s: %v", name, err))
		}
		out = append(out, d)
	}
	return out
}

// Read reads a drill from JSON and checks it. Unknown fields are refused, so that
// nothing is lost without a word. Errors match ErrSetup.
func Read(data []byte) (*Drill, error) {
	dec := json.NewDecoder(bytes.NewReader(data))
	dec.DisallowUnknownFields()
	in := struct {
		Drill
		// Screen is what files of version 1 call the action.
		Screen string `json:"screen"`
	}{}
	if err := dec.Decode(&in); err != nil {
		return nil, setup("drill.not-drill", err)
	}
	d := &in.Drill
	if d.Action == "" {
		d.Action = in.Screen
	}
	return d, d.Validate()
}

// Validate checks that a drill can be run: its positions, its motion on every
// court the product knows, its stages and their cues. Errors match ErrSetup.
func (d *Drill) Validate() error {
	if d.ID == "" || d.Name == "" || len(d.Stages) == 0 {
		return setup("drill.id-or-name")
	}
	if d.Group != "" && !slices.ContainsFunc(groups, func(g [2]string) bool { return g[0] == string(d.Group) }) {
		return setup("drill.group", d.Name, d.Group)
	}
	if d.Level < 0 || d.Level > MostLevel {
		return setup("drill.level", d.Name, MostLevel)
	}
	if !slices.Contains(Rules(), d.Rotation.Rule) {
		return setup("drill.rotation", d.Name, d.Rotation.Rule)
	}
	seen := map[string]bool{}
	for _, p := range d.Positions {
		if p.ID == Rim || p.ID == "ball" {
			return setup("drill.position-letter", d.Name, p.ID)
		}
		if p.ID == "" || seen[p.ID] {
			return setup("drill.position-twice", d.Name, p.ID)
		}
		seen[p.ID] = true
	}
	if n := len(d.positions(false)); n == 0 || n > MaxCrew {
		return setup("drill.positions", d.Name, n, MaxCrew)
	}
	action, taught := reads.ActionByID(d.Action)
	if d.Action != "" && !taught {
		return setup("drill.action", d.Name, d.Action)
	}
	if err := d.checkLinks(); err != nil {
		return err
	}
	stages := map[string]bool{}
	for _, s := range d.Stages {
		if err := d.checkStage(s, action, stages); err != nil {
			return err
		}
	}
	for _, p := range court.Presets() {
		if _, err := d.Motion(p.Court, motion.DefaultPace); err != nil {
			return err
		}
	}
	return nil
}

// MaxCrew is the most positions a drill can have on offense: a team.
const MaxCrew = 5

func (d *Drill) checkStage(s Stage, action *reads.Action, seen map[string]bool) error {
	rung, ok := RungByID(s.Rung)
	switch {
	case s.ID == "" || seen[s.ID]:
		return setup("drill.stage-twice", d.Name, s.ID)
	case !ok:
		return setup("drill.rung", d.Name, s.Name, s.Rung)
	case !(s.Seconds >= MinSeconds) || s.Seconds > MaxSeconds:
		return setup("drill.seconds", d.Name, s.Name, MinSeconds, MaxSeconds)
	case s.Defenders < 0 || s.Defenders > MaxCrew || rung.Live != (s.Defenders > 0):
		return setup("drill.live-needs-defenders", d.Name, s.Name)
	}
	if err := s.checkScore(d.Name, rung.Live, action != nil); err != nil {
		return err
	}
	seen[s.ID] = true
	for _, c := range s.Cues {
		if action == nil {
			return setup("drill.cues-without-action", d.Name, s.Name)
		}
		if _, ok := action.Row(reads.TeamRules{}, c); !ok {
			return setup("drill.cue-missing", d.Name, s.Name, action.Name, c)
		}
	}
	for _, sw := range s.Switches {
		if !slices.ContainsFunc(Switches(), func(s [2]string) bool { return s[0] == sw }) {
			return setup("drill.rule", d.Name, s.Name, sw)
		}
	}
	return nil
}
