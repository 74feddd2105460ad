package offense

import (
	"fmt"
	"math"
	"slices"

	"evrik/core/drill"
	"evrik/core/reads"
)

// stages climb from the walk-through to a live game of as many against as many.
func (c *cutter) stages(d *drill.Drill, screen *reads.Action) []drill.Stage {
	players := len(c.people)
	if c.feeds {
		players--
	}
	live := map[int]drill.Rung{2: drill.Live2, 3: drill.Live3, 4: drill.Live4}[players]
	seconds := drill.MinSeconds + wayBack
	if play, err := d.Motion(c.floor.Court, c.floor.Pace); err == nil {
		seconds = math.Ceil(play.Duration + wayBack)
	}
	stage := func(rung drill.Rung, name string, more float64, rules ...string) drill.Stage {
		return drill.Stage{ID: string(rung), Rung: rung, Name: name, Rules: rules, Cues: cuesFor(screen, rung),
			Seconds: math.Min(seconds+more, drill.MaxSeconds)}
	}
	out := []drill.Stage{stage(drill.Air, "On air: walk it, then run it", 0, "No defense",
		"The coach names the cut first")}
	if screen != nil {
		shown := stage(drill.Guided, "Guided: a coach plays the defender", 0, "The coach follows the cue list",
			"Nothing is announced", "Play to the shot")
		shown.CoachShows = true
		out = append(out, stage(drill.Post, "Post: a chair stands for the defender", 0, "The coach names the cut first",
			"The screen is set on the chair's path"), shown)
	}
	game := stage(live, fmt.Sprintf("Live: %d on %d", players, players), playsOn, "From the same spots every time",
		"A pass without a cut or a screen loses the ball")
	game.Defenders, game.Rules = players, []string{"cut-or-lose", "putbacks"}
	return append(out, game)
}

// cuesFor are the cues of a action on a rung: those that the catalogue teaches there
// first, or all of them.
func cuesFor(screen *reads.Action, rung drill.Rung) []reads.Cue {
	out := []reads.Cue{}
	if screen == nil {
		return out
	}
	for _, d := range drill.Catalogue() {
		for _, s := range d.Stages {
			if d.Action == screen.ID && s.Rung == rung {
				return slices.Clone(s.Cues)
			}
		}
	}
	for _, row := range screen.Rows(reads.TeamRules{}) {
		out = append(out, row.Cue)
	}
	return out
}
