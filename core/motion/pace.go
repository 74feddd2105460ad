package motion

import "evrik/core/refusal"

// Pace is how fast a team's players move, react and pass.
type Pace struct {
	// Accel is the acceleration of a sprint in ft/s², Top its top speed in ft/s.
	Accel float64 `json:"accel"`
	Top   float64 `json:"top"`
	// React is how long a defender goes on as before after the own player has chosen, in
	// seconds; whoever helps from another player needs twice as long.
	React float64 `json:"react"`
	// Pass is the speed of a chest or bounce pass in ft/s, Skip that of a pass over
	// somebody's head.
	Pass float64 `json:"pass"`
	Skip float64 `json:"skip"`
}

// DefaultPace is the pace of players of 12 to 14: 10 m from rest in 2.09 s, where field
// tests of youth athletes give 1.95 to 2.15 s (from memory).
var DefaultPace = Pace{Accel: 22, Top: 20, React: 0.3, Pass: 32, Skip: 26}

// paces are the age bands' figures: sprints fitted to field tests of youth athletes
// (from memory), reactions and passes assumed. A team can measure its own.
var paces = map[string]Pace{
	"7-8":         {Accel: 17, Top: 16.5, React: 0.42, Pass: 22, Skip: 17},
	"9-11":        {Accel: 19, Top: 18, React: 0.36, Pass: 27, Skip: 21},
	"12-14":       DefaultPace,
	"grades 9-12": {Accel: 27, Top: 22, React: 0.27, Pass: 37, Skip: 30},
}

// PaceOf is an age band's pace; the default's for an unknown band.
func PaceOf(band string) Pace {
	if p, ok := paces[band]; ok {
		return p
	}
	return DefaultPace
}

const (
	planted     = 0.8  // share of a sprint's acceleration in a cut with a plant (assumption)
	dribbled    = 0.9  // share of the speed a player keeps when dribbling (assumption)
	walkInAccel = 0.36 // share of acceleration and speed of walking a defender into a screen
	walkInTop   = 0.4  // (assumptions)
	helping     = 2.0  // a helper's reaction, in reactions (assumption)
)

// Sprinting is running straight ahead.
func (p Pace) Sprinting() Runner { return Runner{p.Accel, p.Top} }

// Cutting is a hard cut, which begins with a plant.
func (p Pace) Cutting() Runner { return Runner{p.Accel * planted, p.Top} }

// Dribbling is a hard drive with the ball.
func (p Pace) Dribbling() Runner { return Runner{p.Accel * planted * dribbled, p.Top * dribbled} }

// Jogging is walking a defender into a screen.
func (p Pace) Jogging() Runner { return Runner{p.Accel * walkInAccel, p.Top * walkInTop} }

// HelpReact is the reaction of a defender who has an own player to leave, in seconds.
func (p Pace) HelpReact() float64 { return p.React * helping }

// Validate checks that people can move like that. The error is a refusal.
func (p Pace) Validate() error {
	for _, f := range []struct {
		name, unit    string
		v, least, top float64
	}{
		{"name.acceleration", "ft/s²", p.Accel, 4, 40}, {"name.top-speed", "ft/s", p.Top, 6, 35},
		{"name.reaction", "s", p.React, 0.1, 1.5}, {"name.pass", "ft/s", p.Pass, 10, 80},
		{"name.skip-pass", "ft/s", p.Skip, 8, 80},
	} {
		if !(f.v >= f.least && f.v <= f.top) {
			return refusal.New("motion.pace", refusal.New(f.name), f.least, f.top, f.unit)
		}
	}
	return nil
}
