package offense

import (
	"slices"
)

// Assumed are the assumptions on which the simulation's results depend most. Nobody has
// measured them at this level; Effects says how far each moves a result.
type Assumed struct {
	// Timing is how much passes and feet scatter, in seconds of the window of a shot (one
	// standard deviation).
	Timing float64
	// ReadLate is how much later than at the best moment a screen is read in play, in seconds.
	ReadLate float64
	// Fooled is how long a defender goes on who took a cutter's fake, Held how long a screen
	// holds one who follows over it, in seconds.
	Fooled, Held float64
	// Foresight is how much of a runner's way within a reaction a defender foresees.
	Foresight float64
	// Drives is how often somebody drives at a closeout, Beats how often that goes by, and
	// Losses how often the ball is lost, as multiples of what is usual.
	Drives, Beats, Losses float64
	// Seals is how often a post gets into a position to seal.
	Seals float64
}

// usual are the assumptions at which the bands of a high-school game are met.
var usual = Assumed{Timing: 0.48, ReadLate: 0.05, Fooled: 0.25, Held: 0.3, Foresight: 0.6, Drives: 1, Beats: 1,
	Losses: 1, Seals: 0.5}

// Effect is how far an assumption moves the share of possessions with an open look.
type Effect struct {
	Name string `json:"name"`
	// Less and More are the change of the share with the assumption a quarter less and more.
	Less float64 `json:"less"`
	More float64 `json:"more"`
}

// Effects are how far each assumption moves the share of open looks at most, of three shipped
// offenses against the default defense, the farthest first; TestAssumptionsMove measures it.
func Effects() []Effect { return slices.Clone(effects) }

var effects = []Effect{
	{"how much passes and feet scatter", -0.136, 0.100},
	{"how often the ball is lost", 0.029, -0.026},
	{"how often somebody drives at a closeout", -0.022, 0.012},
	{"how long a fake holds a defender", -0.021, 0.016},
	{"how often a drive goes by the defender", -0.018, 0.017},
	{"how long a screen holds a defender", 0.018, 0.006},
	{"how often a post can seal", -0.016, 0.017},
	{"how much of a run a defender foresees", 0.004, -0.005},
	{"how late a screen is read", 0.004, -0.004},
}

// Assumptions lists what the simulation takes for granted, for whoever looks at it.
func Assumptions() []string { return slices.Clone(assumptions) }

var assumptions = []string{
	"Passes go to a neighbor on the floor, either way as often as the other; what follows is chosen by how often the " +
		"offense wants it. The next pass leaves when that is over.",
	"For the first two passes only layups are taken, with the second one also a shot that a cut or screen has made.",
	"A read is right as often as the player's record says, or could say where it is short. A wrong one brings " +
		"nothing, and now and then a lost ball.",
	"Defenders stand in help by how far the ball is, move on every pass a reaction late, and run as fast as " +
		"the offense.",
	"A shot is open when nobody is within four feet as it leaves the hand, helpers counted. Passes and feet are off " +
		"by half a second now and then.",
	"Kinematics say nothing about who beats a defender off the dribble: that is a rate, and so is how often a " +
		"post seals.",
	"A zone moves with the ball, and everybody in it guards whoever is near.",
	"Nobody tires, nobody is taller or faster than another, and rebounds and shooting are left out.",
}

// Purpose says what the simulation is for, and what not.
const Purpose = "For comparing offenses and finding who gets stuck where. It says nothing about scores."
