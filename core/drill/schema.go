package drill

import (
	_ "embed"

	"evrik/core/court"
)

// Schema is the published JSON Schema of a drill file (draft 2020-12).
//
//go:embed drill.schema.json
var Schema []byte

// Spots lists the ids of the places a drill can use: the court's spots and the rim.
func Spots() []string {
	floor, _ := court.PresetCourt(court.HighSchool)
	out := []string{Rim}
	for _, s := range floor.Spots(court.StandOff) {
		out = append(out, s.ID)
	}
	return out
}
