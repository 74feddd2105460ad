package reads

// How whoever plays guided defense shows a cue, so that it can be read (common practice,
// no source). Walk it until both can see it, then at three quarters of the speed.

// showing is how a cue is shown, in words for a coach or a player who helps.
var showing = map[Cue]string{
	Trail:    "Stay on the hip, one step behind, hands up. Over the screen every time.",
	Stuck:    "Run into the screener's body and stay there for a count. Do not fight through.",
	Under:    "Take the short way, behind the screener, and meet them on the other side.",
	Jump:     "Get above the screen before they start, chest to the ball.",
	Switch:   "The screener's defender steps up and takes them; the other one stays with the screener.",
	Show:     "The screener's defender takes one step into the way, then goes back. The other one trails.",
	HighSide: "Stand on the half-court side, an arm away.",
	LowSide:  "Stand on the baseline side, an arm away.",
	Waits:    "The screener's defender stands where the last screen was set, one step off the way.",
	Denied:   "Stand between the ball and your player, hand in the pass, before anything moves.",

	Drop:      "Big: two steps below the screen, back up with the drive. Guard: chase over, on the hip.",
	Tag:       "As in drop, and the near corner's defender steps in to the roller, both feet in the lane.",
	Early:     "Guard: jump to the far side of the screen before it is used.",
	UnderFar:  "Guard: behind the screener, far from the rim. Big: leave room.",
	Hedge:     "Big: out across the ball's way, then back. Guard: chase.",
	Blitz:     "Both at the ball, arms up, feet together. Let the pass go.",
	Ice:       "Guard: above the screen, hips to the sideline. Big: below the ball, near the sideline.",
	TagLow:    "The second screener's defender drops to the roller before the pass.",
	Level:     "Big: level with the screen, slide with the ball, back when the corner is turned. Guard: over.",
	SoftShow:  "Big: one slide beside the ball, two counts, then back. Guard: chase.",
	HardHedge: "Big: jump out across the ball, toward half court, then sprint back. Guard: chase.",
	Weak:      "Guard: sit on the strong hand. Big: back, on that side.",

	Turned:  "Turn your head to the ball and leave it there for two counts.",
	Asleep:  "Stand a step above your player, upright.",
	Dig:     "Drop a step at the ball and swipe low. Do not reach in.",
	Crowded: "A far-side helper stands in the lane, on the cutter's way.",
	Doubled: "The second one runs at the post as the ball arrives.",
	Opens:   "Sink to the lane line, eyes on the ball.",
	Still:   "Everybody stays with their own player.",
	Behind:  "Play behind, an arm away.",
	Fronted: "Step in front of the post, hand in the pass. Nobody helps behind.",
	Helped:  "Front the post, and one waits under the rim.",

	Late:      "Start to run when the ball is caught.",
	Short:     "Run, and stop five feet away with a hand up.",
	Balanced:  "Be there with the catch: short steps, one hand up.",
	Flying:    "Run past the shooter's side, both hands high. Never under them.",
	FrontFoot: "Stop with one foot well in front, chest to the corner.",

	LowHelp: "Leave the corner as the curl is caught, both feet in the lane, hands up.",
	BigUp:   "Step up to the catch, chest to the ball, and leave the screener.",

	MidDrive:  "Driver: two hard dribbles to the middle.",
	BaseDrive: "Driver: two hard dribbles along the baseline.",
	AtYou:     "Driver: straight at the teammate, eyes up.",
	Stopped:   "Driver: stop on the baseline, keep the dribble. The defender stands in the way.",

	GapShut:  "The two guards stand shoulder to shoulder in front of the ball.",
	GapOpen:  "The two guards stand two steps apart, hands wide.",
	MidLow:   "The middle of the zone stays a step in front of the rim.",
	MidUp:    "The middle comes up to the high post, chest to chest.",
	BottomUp: "The bottom one runs out to the wing as the ball is caught.",
	SlidUp:   "The bottom one slides up to the wing and looks at the ball.",
	StaysLow: "The bottom one stays at the rim, hands up.",

	HelpsLow:  "The helper drops with the cut to the rim.",
	HelpsHigh: "The helper runs out to the shooter.",
}

// HowToShow is how a cue is shown by whoever plays guided defense; empty for none.
func HowToShow(c Cue) string { return showing[c] }
