package reads

// Cue is what the defense shows at the moment of the read. On the ball a cue is
// also called a coverage.
type Cue uint8

// The cues, each in words a coach uses (common practice, no source).
const (
	NoCue  Cue = iota // no clear cue
	Trail             // the cutter's defender follows behind the hip
	Stuck             // the cutter's defender is in the screener's body
	Under             // the defender goes short, on the far side of the screener
	Jump              // the cutter's defender is past the screen already
	Switch            // the screener's defender takes the cutter, the other one stays
	Show              // the screener's defender steps into the way and goes back

	HighSide // the cutter's defender stands on the half-court side
	LowSide  // the cutter's defender stands on the baseline side
	Waits    // the screener's defender waits where the screen was before
	Denied   // the receiver's defender is in the pass or the handoff

	Drop     // the big stays back, the guard is behind the handler
	Tag      // drop, and a helper steps in to the roller
	Early    // the guard is over the screen before the handler uses it
	UnderFar // the guard goes under, too far out for a shot
	Hedge    // the big steps out: soft or hard; the older word for both
	Blitz    // guard and big both go at the ball
	Ice      // the guard is above the screen, the big below the ball
	TagLow   // the roller is met, the popper left

	Turned  // the defender's head is turned to the ball
	Asleep  // the way to the rim is empty
	Dig     // the passer's defender drops on the post
	Crowded // bodies fill the way to the rim
	Doubled // two on the post
	Opens   // the defender has sunk in, a way to the high post is open
	Still   // nothing moves, everybody is guarded
	Behind  // the defender plays behind the player who wants the ball
	Fronted // the post is fronted, the far side clear
	Helped  // the post is fronted, help behind it

	Level     // the big is level with the screen
	SoftShow  // soft show: the big slides beside the ball's path and goes back
	HardHedge // hard hedge: the big jumps out across the ball's path
	Weak      // the guard sends the handler to the weak hand

	Late      // nobody is near enough to bother the shot
	Short     // the defender who closes out stops short
	Balanced  // the defender is there, under control
	Flying    // the defender comes too fast to stop
	FrontFoot // the defender's stance is open to one side

	LowHelp // the low defender leaves the corner for the rim
	BigUp   // the screener's defender steps up to the catcher

	MidDrive  // the drive goes to the middle
	BaseDrive // the drive goes to the baseline
	AtYou     // the drive comes at a teammate
	Stopped   // the drive is stopped on the baseline

	GapShut  // two guards of a zone stand together
	GapOpen  // they stand apart
	MidLow   // the middle of a zone stays low
	MidUp    // it has come up to the high post
	BottomUp // the bottom of a zone has come out to the ball
	SlidUp   // it has slid up, the baseline behind it is empty
	StaysLow // it stays at the rim

	HelpsLow  // the helper between two screens goes with the cut to the rim
	HelpsHigh // that helper goes out to the shooter
	numCues
)

// Undecided is the name under which a picture is shown whose cue only a movement
// can tell. It is no cue: nothing is logged with it.
const Undecided = numCues

// Cues lists the cues of the common off-ball table in teaching order.
func Cues() []Cue { return []Cue{Trail, Stuck, Under, Jump, Switch, Show} }

// cueInfos are the cues' ids and names. Ids are stored with every rep and never change.
var cueInfos = [numCues + 1]CueInfo{
	{ID: "none", Name: "No clear cue"}, {ID: "trail", Name: "Trail"}, {ID: "stuck", Name: "Stuck"},
	{ID: "under", Name: "Under"}, {ID: "jump", Name: "Jump"}, {ID: "switch", Name: "Switch"},
	{ID: "show", Name: "Show"}, {ID: "high", Name: "High side"}, {ID: "low", Name: "Low side"},
	{ID: "waits", Name: "Waits for it"}, {ID: "denied", Name: "Denied"},
	{ID: "drop", Name: "Drop"}, {ID: "tag", Name: "Drop and tag"}, {ID: "early", Name: "Jumps early"},
	{ID: "under-far", Name: "Under, far out"}, {ID: "hedge", Name: "Hedge"},
	{ID: "blitz", Name: "Blitz"}, {ID: "ice", Name: "Ice"}, {ID: "tag-low", Name: "Popper left"},
	{ID: "turned", Name: "Head turned"}, {ID: "asleep", Name: "Lane empty"}, {ID: "dig", Name: "Digs"},
	{ID: "crowded", Name: "Lane crowded"}, {ID: "doubled", Name: "Doubled"},
	{ID: "opens", Name: "Sunk in"}, {ID: "still", Name: "Nobody moves"}, {ID: "behind", Name: "From behind"},
	{ID: "fronted", Name: "Fronted"}, {ID: "helped", Name: "Fronted, help"},
	{ID: "level", Name: "At the level"}, {ID: "soft-show", Name: "Soft show"}, {ID: "hard-hedge", Name: "Hard hedge"},
	{ID: "weak", Name: "Weak"},
	{ID: "late", Name: "Late"}, {ID: "short", Name: "Stops short"}, {ID: "balanced", Name: "Balanced"},
	{ID: "flying", Name: "Flying"}, {ID: "front-foot", Name: "Open stance"},
	{ID: "low-help", Name: "Low help comes"}, {ID: "big-up", Name: "Big steps up"},
	{ID: "middle-drive", Name: "Drive to the middle"}, {ID: "baseline-drive", Name: "Drive to the baseline"},
	{ID: "at-you", Name: "Drive at a teammate"}, {ID: "stopped", Name: "Drive stopped"},
	{ID: "gap-shut", Name: "Gap shut"}, {ID: "gap-open", Name: "Gap open"},
	{ID: "middle-low", Name: "Middle stays low"}, {ID: "middle-up", Name: "Middle comes up"},
	{ID: "bottom-up", Name: "Bottom comes out"}, {ID: "slid-up", Name: "Bottom slid up"},
	{ID: "stays-low", Name: "Bottom stays low"},
	{ID: "helps-low", Name: "Helper goes low"}, {ID: "helps-high", Name: "Helper goes out"},
	{ID: "undecided", Name: "Can't tell yet"},
}

// CueInfo names a cue.
type CueInfo struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Show is how whoever plays guided defense shows it.
	Show string `json:"show,omitempty"`
}

// CueCatalogue returns every cue's id and name, and the name of an undecided picture.
func CueCatalogue() []CueInfo {
	out := append([]CueInfo(nil), cueInfos[:]...)
	for i := range out {
		out[i].Show = showing[Cue(i)]
	}
	return out
}

// Parent is the older, wider cue that c was split from, NoCue where there is none. Reps
// that were logged with the parent stay readable: what is right for any of its kinds
// is right for it.
func (c Cue) Parent() Cue {
	if c == SoftShow || c == HardHedge {
		return Hedge
	}
	return NoCue
}

// Name is what the cue is called.
func (c Cue) Name() string { return cueInfos[min(c, numCues)].Name }

// String returns the cue's id.
func (c Cue) String() string {
	if c > numCues {
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
