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
	fmt.Fprintf(w, "%-26s %7s  %-14s %7s %7s  %s\n", "situation", "agreed", "cue", "sampled", "agreed", "most often instead")
	for _, s := range reads.Screens() {
		a := reads.Agree(reads.On(floor), s, agreeSample, agreeSeed)
		if a.Clear == 0 {
			continue
		}
		fmt.Fprintf(w, "%-26s %6.1f%%\n", s.Name, 100*a.Share())
		for _, r := range s.Rows(reads.School{}) {
			by := a.ByCue[r.Cue]
			if by.Clear == 0 {
				continue
			}
			table, instead, n := a.Most(r.Cue)
			line := fmt.Sprintf("%-26s %7s  %-14s %7d %6.0f%%", "", "", r.Cue.Name(), by.Clear, 100*float64(by.Agreed)/float64(by.Clear))
			if n > 0 {
				line += fmt.Sprintf("  %s, where the table says %s: %d", instead, table, n)
			}
			fmt.Fprintln(w, line)
		}
	}
}
