// Package drill turns a drill, tonight's players and the minutes into an order
// list: rep by rep who does what, where and on which side, with fair counts.
package drill

import (
	"slices"

	"evrik/core/reads"
)

// Rung is a step of the ladder on which one read is taught.
type Rung string

// Rungs from the first walk-through to a real game (common practice, no source).
const (
	Air   Rung = "air"
	Post  Rung = "post"
	Shown Rung = "shown"
	Live2 Rung = "live2"
	Live3 Rung = "live3"
	Live4 Rung = "live4"
	Five  Rung = "five"
	Game  Rung = "game"
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
	{Air, 1, "Air", "Walk and run it on the markers, no defence; the cut is named first", false, false},
	{Post, 2, "Post", "A chair or a standing coach gives the screen a body; the cut is named first", false, false},
	{Shown, 3, "Shown", "A coach plays the defender and shows one cue; the player reads it", true, false},
	{Live2, 4, "Two on two", "Two real defenders and a coach who passes", true, true},
	{Live3, 5, "Three on three", "More room, and a third who must drift", true, true},
	{Live4, 6, "Four on four", "Shot clock, and the ball is cleared past the arc", true, true},
	{Five, 7, "Five on five", "Half or full court", true, true},
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
	// Defenders is how many players defend each rep.
	Defenders int `json:"defenders"`
	// CoachShows is true when a coach plays X-cutter from a cue list.
	CoachShows bool `json:"coachShows"`
	// Cues that can be seen at this stage.
	Cues []reads.Cue `json:"cues"`
	// Seconds for a rep, play and reset (assumption, replaced by measured pace).
	Seconds float64 `json:"seconds"`
}

// Drill is an entry of the catalogue.
type Drill struct {
	ID     string `json:"id"`
	Name   string `json:"name"`
	About  string `json:"about"`
	Screen string `json:"screen"`
	// Rotation says in words how players move on.
	Rotation  string   `json:"rotation"`
	Helpers   string   `json:"helpers"`
	Equipment []string `json:"equipment"`
	Watch     []string `json:"watch"`
	Cautions  []string `json:"cautions"`
	Stages    []Stage  `json:"stages"`
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

// Catalogue returns every drill the product ships.
func Catalogue() []*Drill { return []*Drill{slotTwos} }

// Screens returns the screens that the catalogue's drills teach.
func Screens() []*reads.Screen {
	var out []*reads.Screen
	for _, d := range Catalogue() {
		if s, ok := reads.ScreenByID(d.Screen); ok && !slices.Contains(out, s) {
			out = append(out, s)
		}
	}
	return out
}

// ByID returns a drill, and whether the catalogue has one with this id.
func ByID(id string) (*Drill, bool) {
	for _, d := range Catalogue() {
		if d.ID == id {
			return d, true
		}
	}
	return nil, false
}

var ownCues = []reads.Cue{reads.Trail, reads.Stuck, reads.Under, reads.Jump}

// slotTwos: the shape is common practice, no source; seconds per rep are
// assumptions until the team's own pace is known.
var slotTwos = &Drill{
	ID:     "slot-twos",
	Name:   "Slot twos",
	About:  "Two on two and a coach with the ball in the far slot. One comes down and screens, the other reads his man and comes off it. A quick reversal to the screener keeps him alive.",
	Screen: reads.Down,
	Rotation: "Offence stays on for defence, defence goes to the end of the line. " +
		"Sides change when everyone has cut once and screened once.",
	Helpers:   "One passer at each basket",
	Equipment: []string{"One ball at each basket", "Tape mark where the screen is set", "Chair (post stage)"},
	Watch: []string{
		"Cutter waits until the screener's feet are down",
		"Screener finds the body, not the spot",
		"One goes to the rim, the other to the ball",
		"Two dribbles at most; a put-back keeps the rep alive",
	},
	Cautions: []string{
		"Run, land and change direction before the first live screen.",
		"Feet set, arms in, no lean. Match size and strength in live pairs.",
		"Pain is not effort: a hurt player leaves the drill.",
	},
	Stages: []Stage{
		{ID: "air", Rung: Air, Name: "Air: name it, run it", Seconds: 14, Cues: ownCues,
			Rules: []string{"No defence", "The coach names the cut before it starts"}},
		{ID: "post", Rung: Post, Name: "Post: hit the chair", Seconds: 15, Cues: ownCues,
			Rules: []string{"A chair stands where the defender would be", "The coach names the cut", "Screen touches the chair"}},
		{ID: "shown", Rung: Shown, Name: "Shown: coach plays the defender", Seconds: 16, Cues: ownCues, CoachShows: true,
			Rules: []string{"A coach follows the cue list", "Nothing is announced", "Play to the shot"}},
		{ID: "live", Rung: Live2, Name: "Live: nobody switches", Seconds: 20, Cues: ownCues, Defenders: 2,
			Rules: []string{"Two on two, no switching", "Two dribbles", "Put-backs count"}},
		{ID: "live-switch", Rung: Live2, Name: "Live: switching allowed", Seconds: 20, Defenders: 2,
			Cues:  append(append([]reads.Cue(nil), ownCues...), reads.Switch, reads.Show),
			Rules: []string{"Two on two, switch or show when you like", "Two dribbles", "Put-backs count"}},
	},
}
