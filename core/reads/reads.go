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
	numCues
)

// Cues lists every cue in teaching order.
func Cues() []Cue { return []Cue{Trail, Stuck, Under, Jump, Switch, Show} }

var cueIDs = [numCues]string{"none", "trail", "stuck", "under", "jump", "switch", "show"}

// String returns the cue's id.
func (c Cue) String() string {
	if c >= numCues {
		return cueIDs[NoCue]
	}
	return cueIDs[c]
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
	for _, c := range Cues() {
		if cueIDs[c] == id {
			return c, true
		}
	}
	return NoCue, false
}

// Role is the part a player has in a rep.
type Role string

// Roles of an off-ball screen.
const (
	Cutter   Role = "cutter"
	Screener Role = "screener"
	Passer   Role = "passer"
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
