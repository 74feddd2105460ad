package drill

import (
	"slices"

	"evrik/core/reads"
)

// Link is one action of a rep, judged by its own table, and who is in it.
type Link struct {
	// Action is its id; Who and With are the positions of the one whose read it asks for
	// first and of the other one, Third that of a third one who can be judged.
	Action string `json:"action"`
	Who    string `json:"who"`
	With   string `json:"with"`
	Third  string `json:"third,omitempty"`
}

// Links are the actions that can be judged on a stage: the drill's own, and on live stages
// those that a rep goes on with. A drill that teaches no read has none.
func (d *Drill) Links(s Stage) []Link {
	players := d.positions(false)
	if d.Action == "" || len(players) == 0 {
		return nil
	}
	first := Link{Action: d.Action, Who: players[0], Third: d.Third}
	if len(players) > 1 {
		first.With = players[1]
	}
	out := []Link{first}
	if rung, _ := RungByID(s.Rung); rung.Live {
		out = append(out, d.Then...)
	}
	return out
}

// checkLinks checks who can be judged: positions that players take, and actions that have
// such a part. Errors match ErrSetup.
func (d *Drill) checkLinks() error {
	players := d.positions(false)
	links := slices.Clone(d.Then)
	if d.Third != "" {
		links = append(links, Link{Action: d.Action, Who: d.Third, Third: d.Third})
	}
	for _, l := range links {
		action, ok := reads.ActionByID(l.Action)
		switch {
		case !ok:
			return setup("drill.goes-on-action", d.Name, l.Action)
		case l.Third != "" && action.Third == "":
			return setup("drill.third-part", d.Name, action.Name)
		}
		for _, position := range []string{l.Who, l.With, l.Third} {
			if position != "" && !slices.Contains(players, position) {
				return setup("drill.done-place", d.Name, position)
			}
		}
		if l.Who == "" {
			return setup("drill.goes-on-unsaid", d.Name, action.Name)
		}
	}
	if len(d.Then) > 0 && d.Action == "" {
		return setup("drill.goes-on-no-start", d.Name)
	}
	return nil
}
