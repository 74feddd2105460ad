package main

import (
	"fmt"
	"io"

	"evrik/core/court"
	"evrik/core/reads"
)

// The report's sample: clear snapshots per action, and the seed that draws them.
const (
	agreeSample = 10000
	agreeSeed   = 1
)

// agree prints where the read tables and the kinematics agree: for every action and cue,
// in how many of a hundred clear pictures (a) an accepted answer is the best or equal,
// (b) the first answer is, (c) an answer that is not accepted is, and (d) a random set as
// large as the accepted one holds one that is.
func agree(w io.Writer) {
	floor, _ := court.PresetCourt(court.HighSchool)
	fmt.Fprintf(w, "%-32s %-14s %7s %4s %4s %4s %4s %5s  %s\n", "action", "cue", "sampled", "a", "b", "c", "d", "most",
		"best instead")
	var all reads.CueAgreement
	for _, a := range reads.Actions() {
		g := reads.Agree(reads.On(floor), a, agreeSample, agreeSeed)
		total := g.Total()
		all = all.Plus(total)
		fmt.Fprintln(w, agreeLine(a.Name, "", total))
		for _, c := range g.ByCue {
			if c.Clear == 0 {
				fmt.Fprintf(w, "%-32s %-14s not compared: no answer ends in a catch or a shot\n", "", c.Cue.Name())
				continue
			}
			fmt.Fprintln(w, agreeLine("", c.Cue.Name(), c))
		}
	}
	fmt.Fprintln(w, agreeLine("All", "", all))
}

func agreeLine(action, cue string, c reads.CueAgreement) string {
	if c.Clear == 0 {
		return action
	}
	line := fmt.Sprintf("%-32s %-14s %7d %4.0f %4.0f %4.0f %4.0f %5d", action, cue, c.Clear,
		100*c.Share(c.Accepted), 100*c.Share(c.First), 100*c.Share(c.Other), 100*c.Share(c.Chance), c.Most)
	if read, n := c.Best(); n > 0 {
		line += fmt.Sprintf("  %s: %d", read, n)
	}
	return line
}
