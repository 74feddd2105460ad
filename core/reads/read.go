package reads

// Role is the part a player has in a rep.
type Role string

// Roles: the cutter off the ball, the handler with it, the screener of either,
// the passer, the post, a teammate who spaces the floor, and the shooter of a drill that
// teaches no read.
const (
	Cutter   Role = "cutter"
	Screener Role = "screener"
	Passer   Role = "passer"
	Handler  Role = "handler"
	Pivot    Role = "post"
	Teammate Role = "teammate"
	Shooter  Role = "shooter"
	// Safety comes behind a drive, Corner spaces it from the corner.
	Safety Role = "safety"
	Corner Role = "corner"
	// Defender guards the one whose read is taught, or shows the cue.
	Defender Role = "defender"
)

// Read is an answer to a cue, by id. Ids are stored with every rep and never change.
type Read string

// Reads, grouped by whose they are.
const (
	Curl       Read = "curl"
	Straight   Read = "straight"
	Fade       Read = "fade"
	FadeCorner Read = "fadecorner"
	BackCut    Read = "backcut"
	Flare      Read = "flare"
	ClearOut   Read = "clear"
	Keep       Read = "keep"
	RimCut     Read = "rimcut"
	StepOut    Read = "stepout"
	CutLow     Read = "cutlow"
	CutOver    Read = "cutover"
	OtherSide  Read = "otherside"
	Flash      Read = "flash"
	ForOther   Read = "forother"
	BaseCut    Read = "basecut"

	Pop       Read = "pop"
	Shape     Read = "shape"
	Rescreen  Read = "rescreen"
	StepBall  Read = "step"
	Split     Read = "split"
	Slip      Read = "slip"
	Seal      Read = "seal"
	Change    Read = "change"
	Roll      Read = "roll"
	ShortRoll Read = "shortroll"
	Flip      Read = "flip"
	KeepDrive Read = "keepdrive"

	PullUp      Read = "pullup"
	Floater     Read = "floater"
	Snake       Read = "snake"
	Pocket      Read = "pocket"
	LobRoll     Read = "lobroll"
	CornerPass  Read = "cornerpass"
	WingPass    Read = "wingpass"
	Reject      Read = "reject"
	ShootBehind Read = "shootbehind"
	UseAgain    Read = "useagain"
	DragOut     Read = "dragout"
	Through     Read = "through"
	WaitAttack  Read = "waitattack"
	PassOut     Read = "passout"
	AttackBig   Read = "attackbig"
	StepBack    Read = "stepback"
	BackOut     Read = "backout"
	KeepAlive   Read = "keepalive"
	FeedSeal    Read = "feedseal"
	TurnCorner  Read = "turncorner"
	WeakDrive   Read = "weakdrive"
	BackDoor    Read = "backdoor"
	HitPop      Read = "hitpop"
	HitSlip     Read = "hitslip"
	HitRoll     Read = "hitroll"

	CatchShoot Read = "catchshoot"
	DriveGap   Read = "drivegap"
	FakeGo     Read = "fakego"
	LeadFoot   Read = "leadfoot"
	Swing      Read = "swing"
	Finish     Read = "finish"
	FeedHigh   Read = "feedhigh"
	SkipPass   Read = "skippass"

	HandBack   Read = "handback"
	CutClear   Read = "cutclear"
	Relocate   Read = "relocate"
	ScreenSlip Read = "screenslip"
	Feed       Read = "feed"
	Lob        Read = "lob"
	HighLow    Read = "highlow"
	Reverse    Read = "reverse"

	HitCutter   Read = "hitcutter"
	HitScreener Read = "hitscreener"
	HitShooter  Read = "hitshooter"
	SkipTo      Read = "skipto"

	StayWide  Read = "staywide"
	Drift     Read = "drift"
	Lift      Read = "lift"
	ClearSide Read = "clearside"
	FillSpot  Read = "fillspot"
	CutAway   Read = "cutaway"
	TakeHand  Read = "takehand"

	SlideSlot  Read = "slideslot"
	ComeBehind Read = "comebehind"

	StayDeep  Read = "staydeep"
	DriftBase Read = "driftbase"
	LiftUp    Read = "liftup"

	GiveBack    Read = "giveback"
	Work        Read = "work"
	KickOut     Read = "kickout"
	HoldSeal    Read = "holdseal"
	StepHigh    Read = "stephigh"
	ShortCorner Read = "shortcorner"
	ShowHigh    Read = "showhigh"
	CatchTurn   Read = "catchturn"
	LowPass     Read = "lowpass"

	// Guarded is a defender who did what the cue is about, whichever it was.
	Guarded Read = "guarded"

	// Make is a shot that went in, logged where no read is taught.
	Make Read = "make"
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
	{FadeCorner, "Fade to the corner", Cutter, "Fade, corner!"},
	{BackCut, "Back cut", Cutter, "Back door!"},
	{Flare, "Flare", Cutter, "Flare out!"},
	{ClearOut, "Clear out", Cutter, "Clear out!"},
	{Keep, "Keep it", Cutter, "Keep it alive!"},
	{RimCut, "Rim cut", Cutter, "To the rim!"},
	{StepOut, "Step out", Cutter, "Step out, shoot!"},
	{CutLow, "Cut low", Cutter, "Low side, go!"},
	{CutOver, "Over the top", Cutter, "Over the top!"},
	{OtherSide, "Other side", Cutter, "Other side!"},
	{Flash, "Flash", Cutter, "Flash, hands up!"},
	{ForOther, "Screen for a shooter", Cutter, "Free the shooter!"},
	{BaseCut, "Cut the baseline", Cutter, "Baseline, now!"},

	{Pop, "Pop", Screener, "Pop to ball!"},
	{Shape, "Shape up", Screener, "Show your hands!"},
	{Rescreen, "Re-screen", Screener, "Screen again!"},
	{StepBall, "Step to ball", Screener, "Step to ball!"},
	{Split, "Pin and slip", Screener, "Pin, slip!"},
	{Slip, "Slip", Screener, "Slip it!"},
	{Seal, "Seal and open", Screener, "Seal, open up!"},
	{Change, "Change", Screener, "Change, go!"},
	{Roll, "Roll", Screener, "Roll, hands up!"},
	{ShortRoll, "Short roll", Screener, "Short roll!"},
	{Flip, "Flip the angle", Screener, "Flip it!"},
	{KeepDrive, "Keep it and drive", Screener, "Keep, drive!"},

	{PullUp, "Pull-up", Handler, "Stop, pull up!"},
	{Floater, "Floater", Handler, "Float it!"},
	{Snake, "Snake", Handler, "Snake it back!"},
	{Pocket, "Pocket pass", Handler, "Pocket, now!"},
	{LobRoll, "Lob to the roll", Handler, "Lob it!"},
	{CornerPass, "Corner pass", Handler, "Corner, on time!"},
	{WingPass, "Wing pass", Handler, "Wing, on time!"},
	{Reject, "Reject", Handler, "Reject it!"},
	{ShootBehind, "Shoot behind it", Handler, "Stop, shoot it!"},
	{UseAgain, "Use it again", Handler, "Again, lower!"},
	{DragOut, "Drag and pass", Handler, "Drag, then pass!"},
	{Through, "Split them", Handler, "Through, stay low!"},
	{WaitAttack, "Wait, then attack", Handler, "Wait, now go!"},
	{PassOut, "Pass out early", Handler, "Out of two!"},
	{AttackBig, "Attack the big", Handler, "At the big!"},
	{StepBack, "Step back", Handler, "Step back!"},
	{BackOut, "Back it out", Handler, "Back out, go!"},
	{KeepAlive, "Keep the dribble", Handler, "Keep your dribble!"},
	{FeedSeal, "Feed the seal", Handler, "Feed the seal!"},
	{TurnCorner, "Turn the corner", Handler, "Turn the corner!"},
	{WeakDrive, "Weak hand, downhill", Handler, "Weak hand, go!"},
	{BackDoor, "Back door", Handler, "Cut behind!"},
	{HitPop, "Hit the pop", Handler, "Hit the pop!"},
	{HitSlip, "Hit the slip", Handler, "Hit the slip!"},
	{HitRoll, "Hit the roll", Handler, "Hit the roll!"},

	{CatchShoot, "Catch and shoot", Handler, "Shoot it!"},
	{DriveGap, "Drive the gap", Handler, "Drive the gap!"},
	{FakeGo, "Fake and go by", Handler, "Fake, one dribble!"},
	{LeadFoot, "Drive the front foot", Handler, "At the foot!"},
	{Swing, "Swing it", Handler, "One more!"},
	{Finish, "Finish", Handler, "Finish it!"},
	{FeedHigh, "Hit the high post", Handler, "High post!"},
	{SkipPass, "Skip it", Handler, "Skip it!"},

	{HandBack, "Cut for the hand-back", Passer, "Tight, hands ready!"},
	{CutClear, "Cut through", Passer, "Through and clear!"},
	{Relocate, "Relocate", Passer, "Move, be seen!"},
	{ScreenSlip, "Screen and slip", Passer, "Screen, hold, slip!"},
	{Feed, "Feed the post", Passer, "Feed the number!"},
	{Lob, "Lob", Passer, "Lob it over!"},
	{HighLow, "High-low", Passer, "High, then low!"},
	{Reverse, "Reverse it", Passer, "Reverse it!"},

	{HitCutter, "Pass to the cutter", Passer, "Hit the cutter!"},
	{HitScreener, "Pass to the screener", Passer, "Hit the screener!"},
	{HitShooter, "Pass to the shooter", Passer, "Hit the shooter!"},
	{SkipTo, "Skip to the corner", Passer, "Skip, corner!"},

	{StayWide, "Stay wide", Teammate, "Wide, feet ready!"},
	{Drift, "Drift", Teammate, "Drift, be seen!"},
	{Lift, "Lift", Teammate, "Lift, be seen!"},
	{ClearSide, "Clear the side", Teammate, "Clear the side!"},
	{FillSpot, "Fill the spot", Teammate, "Fill it!"},
	{CutAway, "Cut behind", Teammate, "Behind, go!"},
	{TakeHand, "Take the handoff", Teammate, "Off the hip!"},

	{SlideSlot, "Slide to the far slot", Safety, "Slide over!"},
	{ComeBehind, "Come behind the drive", Safety, "Behind, be seen!"},

	{StayDeep, "Stay in the corner", Corner, "Corner, stay!"},
	{DriftBase, "Drift to the baseline", Corner, "Drift low!"},
	{LiftUp, "Lift from the corner", Corner, "Lift, be seen!"},

	{GiveBack, "Hand it back", Pivot, "Hand it back!"},
	{Work, "Go to work", Pivot, "Go to work!"},
	{KickOut, "Kick it out", Pivot, "Kick it out!"},
	{HoldSeal, "Hold the seal", Pivot, "Hold the seal!"},
	{StepHigh, "Step up to the elbow", Pivot, "Elbow, hands!"},
	{ShortCorner, "Out to the short corner", Pivot, "Short corner!"},
	{ShowHigh, "Show in the gap", Pivot, "Show, hands up!"},
	{CatchTurn, "Catch and turn", Pivot, "Catch, turn!"},
	{LowPass, "Look low", Pivot, "Look low!"},

	{Guarded, "Did the job", Defender, "Good job!"},

	{Make, "Make", Shooter, "Knock it down!"},
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

func readName(id Read) string {
	info, _ := Info(id)
	return info.Name
}
