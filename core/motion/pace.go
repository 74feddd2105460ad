package motion

import "fmt"

// Pace is how fast a team's players move, react and pass.
type Pace struct {
	// Accel is the acceleration of a hard cut in ft/s², Top its top speed in ft/s.
	Accel float64 `json:"accel"`
	Top   float64 `json:"top"`
	// React is how long a defender goes on as he was after his man has chosen, in
	// seconds; whoever helps from another man needs twice as long.
	React float64 `json:"react"`
	// Pass is the speed of a chest or bounce pass in ft/s, Skip that of a pass
	// over somebody's head.
	Pass float64 `json:"pass"`
	Skip float64 `json:"skip"`
}

// DefaultPace is the pace of players of 12 to 14 (assumption).
var DefaultPace = Pace{Accel: 12, Top: 17, React: 0.3, Pass: 32, Skip: 26}

// paces are the age bands' figures (assumptions; a team can measure its own).
var paces = map[string]Pace{
	"7-8":         {Accel: 9, Top: 13, React: 0.42, Pass: 22, Skip: 17},
	"9-11":        {Accel: 10.5, Top: 15, React: 0.36, Pass: 27, Skip: 21},
	"12-14":       DefaultPace,
	"grades 9-12": {Accel: 13.5, Top: 19, React: 0.27, Pass: 37, Skip: 30},
}

// PaceOf is an age band's pace; the default's for an unknown band.
func PaceOf(band string) Pace {
	if p, ok := paces[band]; ok {
		return p
	}
	return DefaultPace
}

const (
	withBall = 0.9  // share of his speed a player keeps when he dribbles (assumption)
	jogAccel = 0.67 // share of acceleration and speed of walking a man into a screen (assumption)
	jogTop   = 0.47
	helping  = 2.0 // a helper's reaction, in reactions (assumption)
)

// Cutting is a hard cut.
func (p Pace) Cutting() Runner { return Runner{p.Accel, p.Top} }

// Dribbling is a hard drive with the ball.
func (p Pace) Dribbling() Runner { return Runner{p.Accel * withBall, p.Top * withBall} }

// Jogging is walking a defender into a screen.
func (p Pace) Jogging() Runner { return Runner{p.Accel * jogAccel, p.Top * jogTop} }

// HelpReact is the reaction of a defender who has a man of his own to leave, in seconds.
func (p Pace) HelpReact() float64 { return p.React * helping }

// Validate checks that people can move like that. The error is a sentence.
func (p Pace) Validate() error {
	for _, f := range []struct {
		name, unit    string
		v, least, top float64
	}{
		{"The acceleration", "ft/s²", p.Accel, 4, 30}, {"The top speed", "ft/s", p.Top, 6, 35},
		{"The reaction", "s", p.React, 0.1, 1.5}, {"The pass", "ft/s", p.Pass, 10, 80}, {"The pass over a head", "ft/s", p.Skip, 8, 80},
	} {
		if !(f.v >= f.least && f.v <= f.top) {
			return fmt.Errorf("%s must be between %g and %g %s.", f.name, f.least, f.top, f.unit)
		}
	}
	return nil
}
