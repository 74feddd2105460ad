// Package reads judges a screen from where people stand: which cue the
// defenders give, what each attacker should do about it, and by how many feet
// the answer holds.
//
// Every screen is a table (see table.go) that one engine interprets: the engine
// builds the screen's own frame, finds the region in which the defenders stand
// and looks the answer up. Nothing here draws or stores anything.
package reads

// Cue is what the defenders do at the moment the cutter reaches the screener's
// shoulder.
type Cue uint8

// The cues that recur at every off-ball screen (common practice, no source).
const (
	NoCue  Cue = iota
	Trail      // X-cutter follows the cutter's own path, behind the hip
	Stuck      // X-cutter is in the screener's body or level with it
	Under      // X-cutter goes short, on the far side of the screener
	Jump       // X-cutter is already past the screen, between cutter and catch
	Switch     // X-screener takes the cutter, X-cutter keeps the screener
	Show       // X-screener steps into the cutter's way and will go back

	HighSide // X-cutter stands on the half-court side of his man
	LowSide  // X-cutter stands on the baseline side of his man
	Waits    // X-screener waits where the screen has been before
	Denied   // the receiver's defender is in the pass or the handoff

	Drop     // the big stays back, the guard chases over
	Tag      // drop, and the corner's defender steps in to the roller
	Early    // the guard is over the screen before the handler uses it
	UnderFar // the guard goes under, too far out for a shot
	Hedge    // the big steps out and will go back
	Blitz    // guard and big both on the ball
	Ice      // guard on the high side, big below
	TagLow   // the roller is met, the popper left

	Turned  // the defender has turned his head to the ball
	Asleep  // the way to the rim is empty
	Dig     // the passer's man drops on the post
	Crowded // bodies between the passer and the rim, a shooter in reach
	Doubled // two on the post
	Opens   // a way to the lane is open
	Still   // nothing moves, everybody is guarded
	Behind  // the post is played from behind
	Fronted // the post is fronted, the far side clear
	Helped  // the post is fronted, help behind it
	numCues
)

// Cues lists the cues of the common grammar in teaching order.
func Cues() []Cue { return []Cue{Trail, Stuck, Under, Jump, Switch, Show} }

// cueInfos are the cues' ids and names.
var cueInfos = [numCues]CueInfo{
	{"none", "No cue"}, {"trail", "Trail"}, {"stuck", "Stuck"}, {"under", "Under"}, {"jump", "Jump"}, {"switch", "Switch"}, {"show", "Show"},
	{"high", "High side"}, {"low", "Low side"}, {"waits", "Waits for it"}, {"denied", "Denied"},
	{"drop", "Drop"}, {"tag", "Drop and tag"}, {"early", "Jumps early"}, {"under-far", "Under, far out"}, {"hedge", "Hedge"},
	{"blitz", "Blitz"}, {"ice", "Ice"}, {"tag-low", "Popper left"},
	{"turned", "Head turned"}, {"asleep", "Lane empty"}, {"dig", "Digs"}, {"crowded", "No way through"}, {"doubled", "Doubled"},
	{"opens", "Sunk in"}, {"still", "Nobody moves"}, {"behind", "From behind"}, {"fronted", "Fronted"}, {"helped", "Fronted, help"},
}

// CueInfo names a cue.
type CueInfo struct {
	ID   string `json:"id"`
	Name string `json:"name"`
}

// CueCatalogue returns every cue's id and name.
func CueCatalogue() []CueInfo { return append([]CueInfo(nil), cueInfos[:]...) }

// Name is what the cue is called.
func (c Cue) Name() string { return cueInfos[min(c, numCues-1)].Name }

// String returns the cue's id.
func (c Cue) String() string {
	if c >= numCues {
		return cueInfos[NoCue].ID
	}
	return cueInfos[c].ID
}

// MarshalText writes the cue as its id.
func (c Cue) MarshalText() ([]byte, error) { return []byte(c.String()), nil }

// UnmarshalText reads a cue from its id; an unknown id becomes NoCue.
func (c *Cue) UnmarshalText(b []byte) error {
	*c, _ = ParseCue(string(b))
	return nil
}

// ParseCue returns the cue with this id, and whether there is one.
func ParseCue(id string) (Cue, bool) {
	for c := Trail; c < numCues; c++ {
		if cueInfos[c].ID == id {
			return c, true
		}
	}
	return NoCue, false
}

// Role is the part a player has in a rep.
type Role string

// Roles: the cutter off the ball, the handler with it, the screener of either,
// the passer, and the post.
const (
	Cutter   Role = "cutter"
	Screener Role = "screener"
	Passer   Role = "passer"
	Handler  Role = "handler"
	Pivot    Role = "post"
)

// Read is an answer to a cue, by id.
type Read string

// Reads of the cutter and the screener at an off-ball screen.
const (
	Curl     Read = "curl"
	Straight Read = "straight"
	Fade     Read = "fade"
	BackCut  Read = "backcut"
	Flare    Read = "flare"
	ClearOut Read = "clear"
	Keep     Read = "keep"
	RimCut   Read = "rimcut"
	StepOut  Read = "stepout"

	Pop      Read = "pop"
	Shape    Read = "shape"
	Rescreen Read = "rescreen"
	StepBall Read = "step"
	Split    Read = "split"
	Slip     Read = "slip"

	CutLow    Read = "cutlow"
	CutOver   Read = "cutover"
	OtherSide Read = "otherside"
	Flash     Read = "flash"
	ForOther  Read = "forother"

	Seal      Read = "seal"
	Change    Read = "change"
	Roll      Read = "roll"
	ShortRoll Read = "shortroll"
	Flip      Read = "flip"

	PullUp      Read = "pullup"
	Snake       Read = "snake"
	Pocket      Read = "pocket"
	CornerPass  Read = "cornerpass"
	Reject      Read = "reject"
	ShootBehind Read = "shootbehind"
	UseAgain    Read = "useagain"
	DragOut     Read = "dragout"
	Through     Read = "through"
	PassOut     Read = "passout"
	AttackBig   Read = "attackbig"
	StepBack    Read = "stepback"
	BackOut     Read = "backout"
	FeedSeal    Read = "feedseal"
	TurnCorner  Read = "turncorner"
	BackDoor    Read = "backdoor"
	HitPop      Read = "hitpop"
	HitSlip     Read = "hitslip"
	HitRoll     Read = "hitroll"

	HandBack   Read = "handback"
	CutClear   Read = "cutclear"
	Relocate   Read = "relocate"
	ScreenSlip Read = "screenslip"
	Feed       Read = "feed"
	Lob        Read = "lob"
	HighLow    Read = "highlow"

	GiveBack Read = "giveback"
	Work     Read = "work"
	KickOut  Read = "kickout"
	HoldSeal Read = "holdseal"
)

// ReadInfo names a read and says whose it is.
type ReadInfo struct {
	ID   Read   `json:"id"`
	Name string `json:"name"`
	Role Role   `json:"role"`
	// Shout is what a coach calls, three words at most.
	Shout string `json:"shout"`
}

var readInfos = []ReadInfo{
	{Curl, "Curl", Cutter, "Curl, tight!"},
	{Straight, "Straight", Cutter, "Straight to it!"},
	{Fade, "Fade", Cutter, "Fade, feet ready!"},
	{BackCut, "Back cut", Cutter, "Back door!"},
	{Flare, "Flare", Cutter, "Flare out!"},
	{ClearOut, "Clear out", Cutter, "Take him away!"},
	{Keep, "Keep it", Cutter, "Keep it alive!"},
	{RimCut, "Rim cut", Cutter, "To the rim!"},
	{StepOut, "Step out", Cutter, "Step out, shoot!"},
	{Pop, "Pop", Screener, "Pop to ball!"},
	{Shape, "Shape up", Screener, "Show your hands!"},
	{Rescreen, "Re-screen", Screener, "Screen him again!"},
	{StepBall, "Step to ball", Screener, "Step to ball!"},
	{Split, "Pin and slip", Screener, "Pin, slip!"},
	{Slip, "Slip", Screener, "Slip it!"},

	{CutLow, "Cut low", Cutter, "Low side, go!"},
	{CutOver, "Over the top", Cutter, "Over the top!"},
	{OtherSide, "Other side", Cutter, "Other side!"},
	{Flash, "Flash", Cutter, "Flash, hands up!"},
	{ForOther, "Screen for a shooter", Cutter, "Free the shooter!"},
	{Seal, "Seal and open", Screener, "Seal, open up!"},
	{Change, "Change", Screener, "Change, go!"},
	{Roll, "Roll", Screener, "Roll, hands up!"},
	{ShortRoll, "Short roll", Screener, "Short roll!"},
	{Flip, "Flip the angle", Screener, "Flip it!"},
	{PullUp, "Pull-up", Handler, "Keep him behind!"},
	{Snake, "Snake", Handler, "Snake it back!"},
	{Pocket, "Pocket pass", Handler, "Pocket, now!"},
	{CornerPass, "Corner pass", Handler, "Corner, on time!"},
	{Reject, "Reject", Handler, "Reject it!"},
	{ShootBehind, "Shoot behind it", Handler, "Stop, shoot it!"},
	{UseAgain, "Use it again", Handler, "Again, lower!"},
	{DragOut, "Drag and pass", Handler, "Drag him out!"},
	{Through, "Split them", Handler, "Through, stay low!"},
	{PassOut, "Pass out early", Handler, "Out of two!"},
	{AttackBig, "Attack the big", Handler, "At the big!"},
	{StepBack, "Step back", Handler, "Step back!"},
	{BackOut, "Back it out", Handler, "Back out, go!"},
	{FeedSeal, "Feed the seal", Handler, "Feed the seal!"},
	{TurnCorner, "Turn the corner", Handler, "Turn the corner!"},
	{BackDoor, "Back door", Handler, "Behind him!"},
	{HitPop, "Hit the pop", Handler, "Hit the pop!"},
	{HitSlip, "Hit the slip", Handler, "Hit the slip!"},
	{HitRoll, "Hit the roll", Handler, "Hit the roll!"},
	{HandBack, "Cut for the hand-back", Passer, "Tight, hands ready!"},
	{CutClear, "Cut through", Passer, "Through and clear!"},
	{Relocate, "Relocate", Passer, "Move, be seen!"},
	{ScreenSlip, "Screen and slip", Passer, "Screen, hold, slip!"},
	{Feed, "Feed the post", Passer, "Feed the number!"},
	{Lob, "Lob", Passer, "Lob it over!"},
	{HighLow, "High-low", Passer, "High, then low!"},
	{GiveBack, "Hand it back", Pivot, "Hand it back!"},
	{Work, "Go to work", Pivot, "Go to work!"},
	{KickOut, "Kick it out", Pivot, "Kick it out!"},
	{HoldSeal, "Hold the seal", Pivot, "Hold the seal!"},
}

// Catalogue returns every read in board order.
func Catalogue() []ReadInfo { return append([]ReadInfo(nil), readInfos...) }

// Info returns the read's name and role, and whether the id is known.
func Info(id Read) (ReadInfo, bool) {
	for _, r := range readInfos {
		if r.ID == id {
			return r, true
		}
	}
	return ReadInfo{}, false
}
