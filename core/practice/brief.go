package practice

import (
	"fmt"
	"slices"
	"strings"

	"evrik/core/drill"
	"evrik/core/reads"
)

// Brief is what a coach, an assistant or a parent needs to run a block; a part that has
// nothing to say is empty.
type Brief struct {
	// For says for whom the block is, and what it gives them.
	For string `json:"for"`
	// Tell is what the players are told before it, Who who does what, Right what it looks like
	// when it is right.
	Tell  string `json:"tell"`
	Who   string `json:"who"`
	Right string `json:"right"`
	// Down is what to do when it breaks, Up when it is easy.
	Down string `json:"down"`
	Up   string `json:"up"`
}

// brief explains a drill block. given are the reps before it, to which its own are added.
func (p Plan) brief(d *drill.Drill, st drill.Stage, b Block, given []dose) Brief {
	purpose := p.reason(d, st, b, given)
	if d.Action == "" {
		first, _, _ := strings.Cut(d.About, ". ")
		purpose = sentences([]string{first})
	}
	return Brief{For: purpose, Tell: tell(d, st), Who: b.who(d, st), Right: sentences(d.Watch),
		Down: stepDown(d, st), Up: stepUp(d, st)}
}

// tell is what players are told: the rules of the stage in words for them, and the score.
func tell(d *drill.Drill, st drill.Stage) string {
	var parts []string
	switch {
	case d.Action == "":
	case isLive(st):
		parts = append(parts, "You read it live: nobody tells you the answer")
	case st.Rung == drill.Guided:
		var cues []string
		for _, c := range st.Cues {
			if c != reads.NoCue {
				cues = append(cues, strings.ToLower(c.Name()))
			}
		}
		what := "Watch your defender"
		if a, ok := reads.ActionByID(d.Action); ok && a.Family == reads.BallUp {
			what = "Read the coverage"
		}
		parts = append(parts, fmt.Sprintf("%s and answer: %s", what, Names(cues)))
	default:
		parts = append(parts, "I name the answer before you go")
	}
	for _, s := range st.Switches {
		for _, known := range drill.Switches() {
			if known[0] == s {
				parts = append(parts, known[1])
			}
		}
	}
	if st.Target > 0 {
		parts = append(parts, fmt.Sprintf("First to %d wins", st.Target))
	}
	if st.Goal != nil {
		parts = append(parts, upper(st.Goal.Says()))
	}
	return sentences(parts)
}

// who says who does what at the baskets.
func (b Block) who(d *drill.Drill, st drill.Stage) string {
	var parts []string
	if st.CoachShows {
		if b.PlayerShows {
			parts = append(parts, "A player defends and shows the cue from the list")
		} else {
			parts = append(parts, "A coach defends and shows the cue from the list")
		}
	}
	for _, pos := range d.Positions {
		if !pos.Helper {
			continue
		}
		if b.NoHelpers {
			parts = append(parts, fmt.Sprintf("a player is the %s", strings.ToLower(pos.Name)))
		} else {
			parts = append(parts, fmt.Sprintf("a coach or helper is the %s", strings.ToLower(pos.Name)))
		}
	}
	if b.Baskets > 1 && len(parts) > 0 {
		parts = append(parts, "the same at each basket")
	}
	if d.Rotation.Say != "" {
		parts = append(parts, d.Rotation.Say)
	}
	return sentences(parts)
}

// stepDown is the next stage down the ladder, with when to take it.
func stepDown(d *drill.Drill, st drill.Stage) string {
	if i := stageIndex(d, st); i > 0 {
		return fmt.Sprintf("Three wrong in a row: go down to \"%s\".", d.Stages[i-1].Name)
	}
	return ""
}

// stepUp is the next stage up the ladder, with when to take it.
func stepUp(d *drill.Drill, st drill.Stage) string {
	if i := stageIndex(d, st); i >= 0 && i+1 < len(d.Stages) {
		return fmt.Sprintf("Nearly all correct: go up to \"%s\".", d.Stages[i+1].Name)
	}
	return ""
}

func stageIndex(d *drill.Drill, st drill.Stage) int {
	return slices.IndexFunc(d.Stages, func(s drill.Stage) bool { return s.ID == st.ID })
}

// sentences makes sentences of parts.
func sentences(parts []string) string {
	var out []string
	for _, p := range parts {
		if p = strings.TrimSpace(p); p == "" {
			continue
		}
		if p = upper(p); !strings.HasSuffix(p, ".") && !strings.HasSuffix(p, "!") && !strings.HasSuffix(p, "?") {
			p += "."
		}
		out = append(out, p)
	}
	return strings.Join(out, " ")
}
