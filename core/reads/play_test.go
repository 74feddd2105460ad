package reads

import (
	"math"
	"testing"

	"evrik/core/court"
)

// In a play nobody leaves early: everybody is in place when the screen is set and when the read shows, and the ball
// arrives together with its receiver.
func TestPlaysKeepTheirTimes(t *testing.T) {
	fl := On(highSchool(t))
	const near = 0.01 // ft
	for _, a := range Actions() {
		for _, row := range a.rows {
			s := a.Example(fl.Court, row.Cue)
			j, err := Judge(fl, &s)
			if err != nil {
				t.Fatal(err)
			}
			p := PlayOf(fl, &s, j)
			b := builder{tracks: p.Tracks}
			when := map[string]float64{}
			for _, step := range p.Steps {
				when[step.Name] = step.T
			}
			is := func(who string, at float64, want court.Point) {
				t.Helper()
				if got := b.find(who).at(at); got.Dist(want) > near {
					t.Errorf("%s %s: at %.2f s %s is at %+v, not at %+v", a.ID, row.Cue, at, who, got, want)
				}
			}
			start := map[string]court.Point{}
			for _, track := range p.Tracks {
				start[track.Who] = track.Keys[0].At
			}
			read, owner := when["Read"], a.ball().String()
			is("cutter", read, s.Cutter)
			is("xCutter", read, s.XCutter)
			is("ball", 0, start[owner])
			if a.spots.free {
				is("cutter", read-near, s.Cutter)
				is("screener", read, s.Screener)
			} else {
				is("cutter", when["Set"]+setPause-near, s.From)
				is("xCutter", when["Set"]+setPause-near, start["xCutter"])
				is("screener", when["Set"], s.Screener)
				is("screener", read+holdScrn-near, s.Screener)
				is("xScreener", when["Set"], s.XScreener)
			}
			if to := a.ballTo(&s, j.Row.CutterRead); to != a.ball() {
				is("ball", when["Ball"], b.find(to.String()).at(math.Inf(1)))
			}
			if end := p.Duration - endPause; math.Abs(end-when["Finish"]) > near || when["Ball"] > end+near {
				t.Errorf("%s %s: the play ends at %.2f s, its steps say %v", a.ID, row.Cue, end, when)
			}
		}
	}
}
