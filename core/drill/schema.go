package drill

import (
	_ "embed" // the schema

	"evrik/core/court"
)

// Schema is the published JSON Schema of a drill file (draft 2020-12).
//
//go:embed drill.schema.json
var Schema []byte

// SpotNames lists the places a drill can use, ids and names: the rim and the
// court's spots.
func SpotNames() [][2]string {
	floor, _ := court.PresetCourt(court.HighSchool)
	out := [][2]string{{Rim, "The rim"}}
	for _, s := range floor.Spots(court.StandOff) {
		out = append(out, [2]string{s.ID, s.Name})
	}
	return out
}
