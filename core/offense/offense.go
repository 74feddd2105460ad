// Package offense runs motion offenses: sets of parts and rules in data, one pass after the
// other by the kinematics of the read engine, with a defense or without. It says where a
// rule is broken, compares offenses over many possessions, and finds who gets stuck where.
// It predicts no score.
package offense

// Offense is a motion offense: who stands where, the parts it is made of, and the rules its
// players keep. Shipped offenses and a coach's own are the same thing.
type Offense struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	About string `json:"about"`
	// Ring are the outside spots from the right corner round to the left; Inside is
	// where the fifth player starts, empty when all are outside.
	Ring   []string `json:"ring"`
	Inside string   `json:"inside,omitempty"`
	// Ball is the spot of the ring where the ball starts.
	Ball string `json:"ball"`
	// Post is where the player inside goes when a part says nothing of it.
	Post PostRule `json:"post,omitempty"`
	// Bigs are up to two players, by number from 1, and BigRule what is theirs alone.
	Bigs    []int       `json:"bigs,omitempty"`
	BigRule BigRule     `json:"bigRule,omitempty"`
	Parts   []Part      `json:"parts"`
	Dribble DribbleRule `json:"dribble"`
	OnDrive DriveAnswer `json:"onDrive"`
	Cutting CutRule     `json:"cutting"`
	Catch   CatchSpot   `json:"catch"`
	Again   ScreenAgain `json:"rescreen"`
	Zone    ZonePlan    `json:"zone"`
	Rules   Rules       `json:"rules"`

	// Answers are the parts as they are played; Ready fills them in.
	Answers []Answer `json:"-"`
}

// Part is a part of the catalogue that an offense uses.
type Part struct {
	ID string `json:"id"`
	// Weight is how often it comes, beside the others that fit; 0 leaves it for when
	// nothing else fits.
	Weight float64 `json:"weight"`
	// After is what has to have happened in a possession before a counter is used; empty
	// for a part that is used from the start.
	After Trigger `json:"after,omitempty"`
}

// Trigger is what a counter waits for.
type Trigger string

// Triggers of counters (common practice, no source).
const (
	CutCovered    Trigger = "cut-covered"
	ScreenCovered Trigger = "screen-covered"
)

// Triggers lists them, with what people read.
func Triggers() []Choice {
	return []Choice{{string(CutCovered), "Once the first cut is covered"},
		{string(ScreenCovered), "Once a screen has brought nothing"}}
}

// Choice is one of the values that an option of an offense may have.
type Choice struct {
	ID   string `json:"id"`
	Name string `json:"name"`
}

// PostRule is what the player inside does while the others move.
type PostRule string

// Post rules.
const (
	PostStays    PostRule = ""
	PostFollows  PostRule = "follow"
	PostOpposite PostRule = "opposite"
)

// BigRule is what the bigs of an offense do that nobody else does.
type BigRule string

// Big rules: everybody does everything; only the bigs screen; the bigs start on the wings
// and only they set ball screens.
const (
	BigsAny    BigRule = ""
	BigsScreen BigRule = "screeners"
	BigsWings  BigRule = "wings"
)

// DribbleRule is what the dribble is for.
type DribbleRule string

// Dribble rules.
const (
	DriveOnly   DribbleRule = "drive"
	TwoDribbles DribbleRule = "two"
	FreeDribble DribbleRule = "free"
)

// DriveAnswer is what the others do on a drive.
type DriveAnswer string

// Answers to a drive: they slide out of its way and back, or stay.
const (
	Drift DriveAnswer = "drift"
	Stay  DriveAnswer = "stay"
)

// CutRule is whether the passer has a choice.
type CutRule string

// Cut rules: the passer always cuts where a part with a cut fits, or chooses.
const (
	AlwaysCut CutRule = "always"
	ChooseCut CutRule = "choose"
)

// CatchSpot is where whoever comes off a screen catches.
type CatchSpot string

// Catch spots: outside, or at the free-throw line before going out to the spot.
const (
	CatchTop  CatchSpot = "top"
	CatchLine CatchSpot = "line"
)

// ScreenAgain is when a player who has screened may screen again.
type ScreenAgain string

// Screening again: not after the very next pass, only after a pause, or at once.
const (
	NeverTwice ScreenAgain = "never"
	AfterPause ScreenAgain = "pause"
	AtOnce     ScreenAgain = "once"
)

// ZonePlan is what an offense does against a zone.
type ZonePlan struct {
	// Swing moves the ball on without waiting for the others.
	Swing bool `json:"swing"`
	// Gaps lets cutters stop between two defenders of the zone.
	Gaps bool `json:"gaps"`
	// Flash sends somebody from behind the zone to the free-throw line.
	Flash bool `json:"flash"`
}

// Rules are what an offense holds its players to (common practice, each can be switched).
type Rules struct {
	// NoStanding: whoever has passed moves.
	NoStanding bool `json:"noStanding"`
	// NoThird: never three inside the arc.
	NoThird bool `json:"noThird"`
	// Filled: a spot is filled again within two seconds after the cut has gone through.
	Filled bool `json:"filled"`
	// Apart: neighbors are at least twelve feet apart.
	Apart bool `json:"apart"`
	// Behind: nobody waits with the toes on the line.
	Behind bool `json:"behind"`
	// ReactsToDrive: somebody moves within a second of a drive.
	ReactsToDrive bool `json:"reactsToDrive"`
	// ThreeSeconds: nobody stays in the lane longer.
	ThreeSeconds bool `json:"threeSeconds"`
}

// Option is a choice that an offense has, with its values.
type Option struct {
	ID     string   `json:"id"`
	Name   string   `json:"name"`
	Values []Choice `json:"values"`
}

// options are the choices of an offense, as a coach reads them.
var options = []Option{
	{"cutting", "After a pass", []Choice{{string(ChooseCut), "The passer chooses"},
		{string(AlwaysCut), "The passer always cuts"}}},
	{"catch", "Coming off a screen", []Choice{{string(CatchTop), "Catch outside"},
		{string(CatchLine), "Catch at the line"}}},
	{"rescreen", "Screening again", []Choice{{string(NeverTwice), "Never twice in a row"},
		{string(AfterPause), "After a pause"}, {string(AtOnce), "At once"}}},
	{"dribble", "The dribble", []Choice{{string(DriveOnly), "Only to drive"},
		{string(TwoDribbles), "Two dribbles at most"}, {string(FreeDribble), "Free, with handoffs"}}},
	{"onDrive", "When somebody drives", []Choice{{string(Drift), "They slide to make room"},
		{string(Stay), "They stay"}}},
	{"bigRule", "The bigs", []Choice{{string(BigsAny), "Everybody does everything"},
		{string(BigsScreen), "Only the bigs screen"}, {string(BigsWings), "On the wings, for ball screens"}}},
	{"post", "The player inside", []Choice{{string(PostStays), "Stays"}, {string(PostFollows), "Follows the ball"},
		{string(PostOpposite), "Goes opposite the ball"}}},
}

// Options lists the choices of an offense with their values.
func Options() []Option { return options }
