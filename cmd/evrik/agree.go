package main

import (
	"fmt"
	"io"

	"evrik/core/court"
	"evrik/core/reads"
)

// The report's sample: clear situations per screen, and the seed that draws them.
const (
	agreeSample = 10000
	agreeSeed   = 1
)

// agree prints where the read tables and the kinematics agree.
func agree(w io.Writer) {
	floor, _ := court.PresetCourt(court.HighSchool)
	own := []reads.Cue{reads.Trail, reads.Stuck, reads.Under, reads.Jump}
	fmt.Fprintf(w, "%-32s %8s", "screen", "agreed")
	for _, c := range own {
		fmt.Fprintf(w, "%9s", c)
	}
	fmt.Fprintln(w, "  most often instead")
	for _, s := range reads.Screens() {
		a := reads.Agree(floor, s, agreeSample, agreeSeed)
		fmt.Fprintf(w, "%-32s %7.1f%%", s.Name, 100*a.Share())
		for _, c := range own {
			fmt.Fprintf(w, "%8.0f%%", 100*float64(a.ByCue[c].Agreed)/float64(max(1, a.ByCue[c].Clear)))
		}
		table, instead, n := a.Most()
		if n > 0 {
			fmt.Fprintf(w, "  %s, where the table says %s: %d", instead, table, n)
		}
		fmt.Fprintln(w)
	}
}
