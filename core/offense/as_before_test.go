package offense

import (
	"fmt"
	"strings"
	"testing"

	"evrik/core/drill"
	"evrik/core/kept"
)

// lineOf writes a drill that was cut out of an offense in one line: who is where, who does what, and its stages.
func lineOf(d *drill.Drill) string {
	var b strings.Builder
	fmt.Fprintf(&b, "%s | %s | %s |", d.Name, d.About, d.Action)
	for _, p := range d.Positions {
		fmt.Fprintf(&b, " %s=%s@%s", p.Letter, p.Name, p.Spot)
	}
	for _, ph := range d.Phases {
		fmt.Fprintf(&b, " | %s:", ph.Name)
		for _, a := range ph.Acts {
			fmt.Fprintf(&b, " %s %s %s%s %t,", a.Who, a.Do, a.To, a.For, a.With)
		}
	}
	for _, st := range d.Stages {
		fmt.Fprintf(&b, " | %s %d %v %v", st.ID, st.Defenders, st.Cues, st.Seconds)
	}
	fmt.Fprintf(&b, " | %.20q", d.Watch)
	return b.String()
}

// With the same seeds every shipped offense plays the same possessions as before, with the same totals.
func TestPossessionsStay(t *testing.T) {
	var now []string
	for i, o := range Shipped() {
		played := simulator(t, o.ID, Defense{Zone: i%3 == 2, Mixes: mix}, 0.5+0.05*float64(i)).Many(12, 400)
		for k := range played {
			p := &played[k]
			line := fmt.Sprintf("%v %v %v %v %d %s", p.Touches, p.Screens, p.Cuts, p.Actions, p.Look.Player, p.Look.Kind)
			for _, f := range figures {
				line += fmt.Sprintf(" %.3f", f.of(p))
			}
			now = append(now, line)
		}
		s := Sum(played)
		now = append(now, fmt.Sprintf("%.3f %.3f %.3f %.3f %.3f %v %v %v", s.Figures, s.Touches, s.Screens, s.Cuts, s.Looks,
			s.Kinds, s.Rules, len(s.Actions)))
	}
	if err := kept.Compare("testdata/possessions.txt", now); err != nil {
		t.Error(err)
	}
}
