package reads

// The tables of the off-ball screens. The cue decides, never the play call, so most
// screens share one set of cues and reads (common practice, no source); a screen's own
// table says what is different there. The wording is the product's own.

// Ids of the off-ball screens.
const (
	Away    = "away"
	Down    = "down"
	Pin     = "pin"
	FlareS  = "flare"
	Exit    = "exit"
	Hammer  = "hammer"
	Back    = "back"
	High    = "highpost"
	Cross   = "cross"
	Stagger = "stagger"
	First   = "staggerfirst"
	Floppy  = "floppy"
	Changes = "change"
)

// Reach of the common table, in feet for players of 12 to 14.
var (
	// takeReach is how near the cutter the screener's defender must stand, ahead of the
	// cutter, to be in the way (assumption).
	takeReach = body(6)
	// wayReach is how near the cutter the screener's defender must stand to be in the way of
	// a cut off the ball (assumption).
	wayReach = body(4.8)
	// stayReach is how near the screener the cutter's defender must be to count as having
	// stayed there (assumption).
	stayReach = body(4)
	// touching is the center distance within which a defender is in the screener's body:
	// two bodies and a forearm (assumption).
	touching = body(Touching)
	// guardsFrom is how far from the cutter a defender still guards: beyond it no cue is
	// given (assumption).
	guardsFrom = body(11)
)

// What is seen at a screen, in words that the tables share.
var (
	inBody   = all(within(xCutter, touching, screener), not(ahead(xCutter, cutter)))
	goneBy   = all(not(onSide(xCutter)), not(inBody), within(xCutter, guardsFrom, cutter))
	jumped   = all(ahead(xCutter, cutter), onSide(xCutter), within(xCutter, guardsFrom, cutter))
	trailing = all(not(ahead(xCutter, cutter)), onSide(xCutter), within(xCutter, guardsFrom, cutter))
	takes    = all(within(xScreener, wayReach, cutter), ahead(xScreener, cutter), onSide(xScreener))
	stays    = all(within(xCutter, stayReach, screener), nearer(xCutter, screener, cutter))
	// leavesOut is a defender past the screen who is not out beyond the cutter.
	leavesOut = all(jumped, not(outside(xCutter, body(3), cutter)))
)

// Second cues off the ball.
var (
	outsideOpen = SecondCue{"outside-open", "your defender leaves the outside open", ofSide}
	otherFree   = SecondCue{"other-free", "the far screen is still there and your defender has not moved over", ofSide}
	newInside   = SecondCue{"new-inside", "the new defender plays you from the rim side", ofSide}
	newAbove    = SecondCue{"new-above", "the new defender steps out above you", ofSide}
	pastScreen  = SecondCue{"past-screen", "your defender is past the screen already", ofSide}
	nextScreen  = SecondCue{"next-screen", "your defender is not at the second screen yet", ofSide}
	bothOut     = SecondCue{"both-out", "both defenders are out of the lane", ofHelp}
)

// offBall are the participants of an off-ball screen.
var offBall = []Participant{
	{ID: passer, Name: "Passer", Word: "the passer", Letter: "P", Ball: true},
	{ID: screener, Name: "Screener", Word: "the screener", Letter: "S", Screens: true},
	{ID: cutter, Name: "Cutter", Word: "the cutter", Letter: "C"},
	{ID: xCutter, Name: "Cutter's defender", Word: "the cutter's defender", Letter: "C", Guards: cutter},
	{ID: xScreener, Name: "Screener's defender", Word: "the screener's defender", Letter: "S", Guards: screener},
}

var offBallParts = [3]string{"Cutter", "Screener", "Passer"}

// fadeHigh and fadeWide are the two answers to "under": the team's rules say which
// comes first.
var (
	fadeHigh = answer(Fade, "They went under: stop behind the screener's back and shoot it.",
		"Plant and pop straight back behind the screener, not off to an angle.")
	fadeWide = answer(FadeCorner, "They went under: fade to the corner, the second screen comes.",
		"Push back wide to the corner and use the second screen there.")
	flareOut = also(Flare, outsideOpen, leavesOut, "They jumped it: flare out, catch and shoot.",
		"Push off and drift to the open side. The back cut is the second answer.")
)

// Answers to a switch besides clearing out, by where the new defender plays.
var (
	fadeAway = also(FadeCorner, newInside, deeper(xScreener, body(0), cutter),
		"They switched and wait inside: fade to the corner.",
		"Push off the new defender, back out wide, feet ready.")
	behindNew = also(BackCut, newAbove, not(deeper(xScreener, body(0), cutter)),
		"The new defender is above you: cut behind to the rim.",
		"Plant as they step out, cut behind, hand low.")
	// insideShow and insideNew go around the screener's shoulder, inside a defender who
	// has stepped out.
	insideShow = also(Curl, newAbove, not(deeper(xScreener, body(0), cutter)),
		"They step out high: turn tight inside them.",
		"Around the screener's shoulder, low, before they get back.")
	insideNew = also(Curl, newAbove, not(deeper(xScreener, body(0), cutter)),
		"They switched and step out: turn tight inside the new one.",
		"Around the screener's shoulder, low, before they are set.")
	stepOutOf = also(StepOut, newInside, deeper(xScreener, body(0), cutter),
		"They switched and dropped inside: step back out and shoot.",
		"One step at the new defender, then back out behind the line.")
	useOther = also(OtherSide, otherFree, not(within(xCutter, body(5), second)),
		"They sit on this side: use the far screen.",
		"Turn and run off the far screen to the other wing.")
)

// common is the answer to every cue where nothing else is said.
var common = []Row{
	{
		Cue: Trail, when: trailing, Seen: "Your defender follows you, behind your hip",
		moves: []move{{who: xCutter, along: 9, out: 0}, {who: xScreener, along: 0, out: 0}},
		Cutter: []Answer{answer(Curl, "They're chasing you: curl it tight and go to the rim.",
			"Around the screener's shoulder in one turn, hands up, eyes on the rim.")},
		Screener:   []Answer{job(Pop, "The cutter goes in, so you go out: open up and pop to the ball.")},
		PasserPart: "Outside hand, bounce it ahead of the cutter into the lane.",
		Mistakes: []string{"Comes straight with the defender trailing", "Wide turn, daylight at the hip",
			"Screener stands and watches"},
	},
	{
		Cue: Stuck, when: inBody, Seen: "Your defender runs into the screener's body",
		moves: []move{{who: xCutter, along: 1, out: 0}, {who: xScreener, along: 0, out: 0}},
		Cutter: []Answer{answer(Straight, "They're stuck on the screen: straight to the catch, feet ready, shoot.",
			"All the way to the catch; shoot it, or one hard dribble into a pull-up.")},
		Screener:   []Answer{job(Shape, "Turn to the ball with your hands out, then post or slip.")},
		PasserPart: "Hit the cutter on the outside hand, right at the catch.",
		Mistakes:   []string{"Stops two steps past the screen", "Catches standing upright", "Curls into the crowd"},
	},
	{
		Cue: Under, when: goneBy, Seen: "Your defender takes the short way, rim side of the screener",
		moves: []move{{who: cutter, along: 5, out: 0}, {who: xCutter, along: 8, out: 0},
			{who: xScreener, along: 0, out: 0}},
		Cutter:     []Answer{fadeHigh, fadeWide},
		Screener:   []Answer{job(Rescreen, "Turn around and screen that defender again on the way back out.")},
		PasserPart: "Over the top, on time: the shot is there for one count.",
		Mistakes: []string{"Drifts to an angle and the defender slips through", "Curls into the waiting defender",
			"Screener leaves before the second screen"},
	},
	{
		Cue: Jump, when: jumped, Seen: "Your defender is past the screen already, between you and the catch",
		moves: []move{{who: cutter, along: 0, out: 0}, {who: xCutter, along: 1, out: 0},
			{who: xScreener, along: 0, out: 0}},
		Cutter: []Answer{answer(BackCut, "They jumped it: plant and cut behind to the rim.",
			"One step at the defender, push off the outside foot, hand low for the bounce pass."), flareOut},
		Screener:   []Answer{job(StepBall, "Step to the ball: you're the second look.")},
		PasserPart: "Fake high, bounce it low behind the defender.",
		Mistakes: []string{"Never sees the back cut", "Fights over the top for the catch",
			"Passer stares at the first look"},
	},
	{
		Cue: Switch, when: all(takes, stays), Seen: "The screener's defender takes you, yours stays with the screener",
		moves: []move{{who: xCutter, along: 6, out: 0}, {who: xScreener, along: 2, out: 0}},
		Cutter: []Answer{answer(ClearOut, "They switched: clear out, the screener pins and slips.",
			"Take the new defender away from the rim, high and wide."), fadeAway, behindNew},
		Screener: []Answer{job(Split, "Get your back on the defender, hand up, slip to the rim before they settle."),
			also(StepBall, newAbove, not(deeper(xScreener, body(0), cutter)), "",
				"The cutter goes behind: step to the ball and leave the rim free.")},
		PasserPart: "Look past the cutter; lead the screener to the rim.",
		Mistakes: []string{"Cutter stays near and brings help along", "Screener lets the new defender get between",
			"Slips late"},
	},
	{
		Cue: Show, when: all(takes, not(stays)),
		Seen:  "The screener's defender steps into your way, and your own is not with the screener",
		moves: []move{{who: xCutter, along: 7, out: 0}, {who: xScreener, along: 0, out: 1}},
		Cutter: []Answer{answer(Keep, "Two on you: keep it alive, the slip is open.",
			"Catch, keep your dribble. Two on you means a pass."),
			insideShow},
		Screener:   []Answer{job(Slip, "Slip into the space your defender left.")},
		PasserPart: "Reverse it early, or hit the slip yourself.",
		Mistakes:   []string{"Picks the ball up between two", "Screener holds the screen too long"},
	},
}

// choices are what a team's rules change in the common table.
var choices = []edit{
	{func(r TeamRules) bool { return r.FadeToCorner }, Under, FadeCorner, true},
	{func(r TeamRules) bool { return r.FlareFirst }, Jump, Flare, true},
}

// alone returns rows with the first answer of the cutter only, where there is no room
// for the others.
func alone(rows []Row) []Row {
	out := append([]Row(nil), rows...)
	for i := range out {
		out[i].Cutter = out[i].Cutter[:1]
	}
	return out
}

const (
	contactCaution = "Feet set, arms in, nobody leans. Walk it through before contact, and match size in live pairs."
	blindCaution   = "The defender cannot see this screen: leave one normal step, feet set, arms in. Closer is a " +
		"foul, and it hurts people."
)
