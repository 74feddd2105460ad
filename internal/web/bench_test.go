package web

import (
	"encoding/json"
	"testing"

	lru "github.com/hashicorp/golang-lru/v2"

	"evrik/core/court"
	"evrik/core/reads"
)

// BenchmarkSecondViewer answers with a read map, kinematics in every cell, that
// was made for somebody else.
func BenchmarkSecondViewer(b *testing.B) {
	maps, err := lru.New[mapKey, reads.Map](keptMaps)
	if err != nil {
		b.Fatal(err)
	}
	s := &Server{maps: maps}
	c, _ := court.PresetCourt(court.HighSchool)
	screen, _ := reads.ScreenByID(reads.Ball)
	at := screen.Example(c, reads.Hedge)
	s.readMap(reads.On(c), at, screen.People[2].ID, true)
	for b.Loop() {
		if _, err := json.Marshal(s.readMap(reads.On(c), at, screen.People[2].ID, true)); err != nil {
			b.Fatal(err)
		}
	}
}
