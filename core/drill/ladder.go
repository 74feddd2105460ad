// Package drill turns a drill, tonight's players and the minutes into an order
// list: rep by rep who does what, where and on which side, with fair counts.
package drill

import (
	"fmt"
	"slices"

	"evrik/core/reads"
)

// Rung is a step of the ladder on which one read is taught.
type Rung string

// Rungs from the first walk-through to a real game (common practice, no source).
const (
	Air    Rung = "air"
	Post   Rung = "post"
	Guided Rung = "shown"
	Live2  Rung = "live2"
	Live3  Rung = "live3"
	Live4  Rung = "live4"
	Five   Rung = "five"
	Game   Rung = "game"
)

// RungInfo describes a rung.
type RungInfo struct {
	ID     Rung   `json:"id"`
	Number int    `json:"number"` // 1 is the lowest
	Name   string `json:"name"`
	What   string `json:"what"`
	// Reads is true when the players decide, so that a rep is evidence of a
	// read; otherwise it is evidence of technique only.
	Reads bool `json:"reads"`
	// Live is true when real opponents defend.
	Live bool `json:"live"`
}

var ladder = []RungInfo{
	{Air, 1, "On air", "Walk and run it on the markers, no defense; the answer is named first", false, false},
	{Post, 2, "Chair", "A chair or a standing coach gives the screen a body; the answer is named first", false, false},
	{Guided, 3, "Guided", "A coach or a player shows one cue; the player reads it", true, false},
	{Live2, 4, "Live 2-on-2", "Two real defenders and a coach who passes", true, true},
	{Live3, 5, "Live 3-on-3", "More room, and a third who must drift", true, true},
	{Live4, 6, "Live 4-on-4", "Shot clock, and the ball is cleared past the arc", true, true},
	{Five, 7, "Live 5-on-5", "Half or full court", true, true},
	{Game, 8, "Game", "A real game", true, true},
}

// Ladder returns the rungs from the lowest up.
func Ladder() []RungInfo { return append([]RungInfo(nil), ladder...) }

// RungByID returns a rung's description, and whether there is one.
func RungByID(id Rung) (RungInfo, bool) {
	for _, r := range ladder {
		if r.ID == id {
			return r, true
		}
	}
	return RungInfo{}, false
}

// Number is the rung's place on the ladder, 1 the lowest; 0 for an unknown id.
func (r Rung) Number() int {
	info, _ := RungByID(r)
	return info.Number
}

// Stage is one constraint level of a drill: a rung with its switches set.
type Stage struct {
	ID   string `json:"id"`
	Rung Rung   `json:"rung"`
	Name string `json:"name"`
	// Rules are what the coach announces.
	Rules []string `json:"rules"`
	// Switches are the live rules that are on, see Switches.
	Switches []string `json:"switches,omitempty"`
	// Defenders is how many players defend each rep.
	Defenders int `json:"defenders"`
	// CoachShows is true when a coach plays X-cutter from a cue list.
	CoachShows bool `json:"coachShows"`
	// Cues that can be seen at this stage.
	Cues []reads.Cue `json:"cues"`
	// Seconds for a rep, play and reset (assumption, replaced by measured pace).
	Seconds float64 `json:"seconds"`
	// Target is the number of points that wins a live block; 0 means no score is kept.
	Target int `json:"target,omitempty"`
	// Goal is what a player shoots for where no read is taught.
	Goal *Goal `json:"goal,omitempty"`
}

// Goal is what a player shoots for: so many makes, on each side or in a row, within the
// seconds where there are any.
type Goal struct {
	Kind    GoalKind `json:"kind"`
	Makes   int      `json:"makes"`
	Seconds int      `json:"seconds,omitempty"`
}

// GoalKind says which makes count toward a goal.
type GoalKind string

// Goals (common practice, no source).
const (
	EachSide GoalKind = "side"   // makes on each side, then swap
	InARow   GoalKind = "streak" // makes in a row
	Together GoalKind = "team"   // makes of everybody in the block
)

// Limits of a score (assumptions).
const (
	mostPoints  = 50
	mostMakes   = 200
	mostGoalSec = 900
)

// goals are the kinds with the words that follow the number.
var goals = [][2]string{{string(EachSide), "makes on each side"}, {string(InARow), "makes in a row"},
	{string(Together), "makes together"}}

// Says is the goal in words.
func (g *Goal) Says() string {
	text := ""
	for _, kind := range goals {
		if kind[0] == string(g.Kind) {
			text = fmt.Sprintf("%d %s", g.Makes, kind[1])
		}
	}
	if g.Seconds > 0 {
		text += fmt.Sprintf(" in %d seconds", g.Seconds)
	}
	return text
}

// Goals lists what makes can be counted toward, ids and the words that follow the number.
func Goals() [][2]string { return slices.Clone(goals) }

// checkScore checks a stage's target and goal. Errors match ErrSetup.
func (s *Stage) checkScore(name string, live, taught bool) error {
	switch {
	case s.Target < 0 || s.Target > mostPoints:
		return setup("drill.target", name, s.Name, mostPoints)
	case s.Target > 0 && !live:
		return setup("drill.target-not-live", name, s.Name)
	case s.Goal == nil:
		return nil
	case taught || live:
		return setup("drill.goal-without-shots", name, s.Name)
	case !slices.ContainsFunc(goals, func(g [2]string) bool { return g[0] == string(s.Goal.Kind) }):
		return setup("drill.goal-kind", name, s.Name, s.Goal.Kind)
	case s.Goal.Makes < 1 || s.Goal.Makes > mostMakes || s.Goal.Seconds < 0 || s.Goal.Seconds > mostGoalSec:
		return setup("drill.goal-size", name, s.Name, mostMakes, mostGoalSec)
	}
	return nil
}

// Drill is an entry of the catalogue, or a program's own.
type Drill struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	About string `json:"about"`
	// Group is what is taught, one of Groups, and Level how far along players are, 1 for
	// beginners to 3; empty and 0 in a drill that does not say.
	Group Group `json:"group,omitempty"`
	Level int   `json:"level,omitempty"`
	// Action is the action whose reads are taught; empty where none is.
	Action string `json:"action,omitempty"`
	// Positions are who is on the floor in a rep. The first player's is the one
	// whose reads count, the second's that player's screener or partner.
	Positions []Position `json:"positions"`
	// Phases show one rep on the right side of the floor.
	Phases   []Phase  `json:"phases"`
	Rotation Rotation `json:"rotation"`
	// Helpers says who else is wanted.
	Helpers   string   `json:"helpers"`
	Equipment []string `json:"equipment"`
	Watch     []string `json:"watch"`
	// Fixes are the corrections this drill is good for (evidence tags).
	Fixes    []string `json:"fixes"`
	Cautions []string `json:"cautions"`
	Stages   []Stage  `json:"stages"`
	// Third is the position whose answers can be judged besides the first two positions', where the
	// action has a third part: the passer, or the nearest teammate.
	Third string `json:"third,omitempty"`
	// Then are the actions that a live rep can go on with: the pass that was made decides
	// which.
	Then []Link `json:"then,omitempty"`
	// Workout lists, per cue, the answers that are drilled one after the other, on
	// both sides.
	Workout []Set `json:"workout,omitempty"`
}

// Set is one cue of a workout with its answers.
type Set struct {
	Cue     reads.Cue    `json:"cue"`
	Answers []reads.Read `json:"answers"`
}

// Shots is how many reps a workout has: every answer on both sides.
func (d *Drill) Shots() int {
	n := 0
	for _, s := range d.Workout {
		n += 2 * len(s.Answers)
	}
	return n
}

// Shoots reports whether a rep of the drill ends in a shot, so that makes can be logged where
// it teaches no read.
func (d *Drill) Shoots() bool {
	return slices.ContainsFunc(d.Phases, func(p Phase) bool {
		return slices.ContainsFunc(p.Acts, func(a Act) bool { return a.Do == Shot })
	})
}

// ForHome reports whether a player can shoot the drill alone: it teaches no read, ends in a shot
// and is not live.
func (d *Drill) ForHome() bool {
	return d.Action == "" && d.Shoots() && d.Stages[0].Defenders == 0
}

// Position is a place in a rep.
type Position struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Letter stands on the figure where no jersey does.
	Letter string `json:"letter"`
	// Spot is where the player starts, a named place of the court.
	Spot string `json:"spot"`
	// Helper is true where a coach or helper stands; without one a player does.
	Helper bool `json:"helper,omitempty"`
	// Ball is true for who has a ball at the start.
	Ball bool `json:"ball,omitempty"`
}

// positions are the ids of the positions that players take; without helpers
// theirs come last.
func (d *Drill) positions(noHelpers bool) []string {
	var out, theirs []string
	for _, p := range d.Positions {
		if p.Helper {
			theirs = append(theirs, p.ID)
		} else {
			out = append(out, p.ID)
		}
	}
	if noHelpers {
		out = append(out, theirs...)
	}
	return out
}

// Stage returns a stage of the drill, and whether it has one with this id.
func (d *Drill) Stage(id string) (Stage, bool) {
	for _, s := range d.Stages {
		if s.ID == id {
			return s, true
		}
	}
	return Stage{}, false
}

// firstTaught is the action with which a team begins.
const firstTaught = reads.Down

// Taught returns the actions a team's board speaks of: those with reps, by their ids, and
// the one with which a team begins.
func Taught(logged []string) []*reads.Action {
	var out []*reads.Action
	for _, s := range reads.Actions() {
		if s.ID == firstTaught || slices.Contains(logged, s.ID) {
			out = append(out, s)
		}
	}
	return out
}

// renamed are the ids that drills had before, as old files and addresses have them.
var renamed = map[string]string{"wing-wing-middle": "threes-screen-away", "layup-progression": "finish-both-sides"}

// ByID returns a drill, and whether the catalogue has one with this id, or had one.
func ByID(id string) (*Drill, bool) {
	if now, ok := renamed[id]; ok {
		id = now
	}
	for _, d := range Catalogue() {
		if d.ID == id {
			return d, true
		}
	}
	return nil, false
}

// ReadPoint is the switch with which a correct read is a point.
const ReadPoint = "read-point"

// Switches are the rules of live rungs a drill can turn on, ids and names (common practice, no
// source; the 12 s clock is FIBA 3x3's, from memory).
func Switches() [][2]string {
	return [][2]string{
		{"no-switch", "Defenders do not switch"}, {"two-dribbles", "Two dribbles at most"},
		{"putbacks", "Own rebounds keep the ball"},
		{"clear", "The ball is cleared past the arc"}, {"clock-12", "12 seconds to shoot"},
		{"cut-or-lose", "A pass without a cut or a screen loses the ball"},
		{"winners", "Winners stay"}, {"freeze", "Freeze and look at it"}, {ReadPoint, "A correct read is a point"},
	}
}
