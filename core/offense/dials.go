package offense

import (
	"evrik/core/game"
	"evrik/core/motion"
	"evrik/core/refusal"
)

// Defense is what a possession is played against.
type Defense struct {
	// Zone is true for a 2-3 zone, false for man-to-man.
	Zone bool `json:"zone"`
	// Mixes is how often it plays each coverage of a screen, as scouted; nothing for even.
	Mixes []game.Mix `json:"mixes"`
	Dials Dials      `json:"dials"`
}

// Dials are how well a defense plays, each for itself.
type Dials struct {
	// React is how long it takes to react, in reactions of the players' own pace.
	React float64 `json:"react"`
	// Help is how far defenders away from the ball sag toward the lane, from 0 (beside their player) to
	// 1 (in the lane when the ball is two passes away).
	Help float64 `json:"help"`
	// Deny is how often a wing one pass away is denied, 0 to 1.
	Deny float64 `json:"deny"`
	// Jump is how early defenders move on a pass: 1 as it leaves the hand, 0 when it is
	// caught.
	Jump float64 `json:"jump"`
	// Hands is how often a pass within reach of a defender is touched, 0 to 1.
	Hands float64 `json:"hands"`
}

// Level is a preset of the dials.
type Level struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	Dials Dials  `json:"dials"`
}

// levels are three presets from late and soft to early and hard; the middle one is the
// default, at which the bands of a high-school game are met (assumption).
var levels = []Level{
	{"late", "Late: reacts slowly, little help", Dials{1.35, 0.25, 0.10, 0.35, 0.20}},
	{"sound", "Sound: in help, moves on every pass", Dials{1, 0.55, 0.25, 0.75, 0.30}},
	{"tight", "Tight: early help, denies the wings", Dials{0.85, 0.8, 0.55, 1, 0.40}},
}

// defaultLevel is the index of the default.
const defaultLevel = 1

// Levels lists the presets.
func Levels() []Level { return levels }

// DefaultDials are those of the middle preset.
func DefaultDials() Dials { return levels[defaultLevel].Dials }

// dialLimits are the least and the most of each dial, in the order of Dials.values.
var dialLimits = [...]struct {
	name        string
	least, most float64
}{{"The reaction", 0.5, 2}, {"Help", 0, 1}, {"Denial", 0, 1}, {"The jump to the ball", 0, 1},
	{"Hands in the passing lane", 0, 1}}

// values lists the dials in the order of dialLimits.
func (d *Dials) values() [5]*float64 {
	return [5]*float64{&d.React, &d.Help, &d.Deny, &d.Jump, &d.Hands}
}

// Validate refuses dials that no defense has. The error is a refusal.
func (d Dials) Validate() error {
	for i, v := range d.values() {
		if l := dialLimits[i]; !(*v >= l.least && *v <= l.most) {
			return refusal.New("offense.dial", l.name, l.least, l.most)
		}
	}
	return nil
}

// pace is the players' pace as the defense reacts.
func (d Dials) pace(p motion.Pace) motion.Pace {
	p.React *= d.React
	return p
}
