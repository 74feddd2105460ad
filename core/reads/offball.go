package reads

import "evrik/core/court"

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
	fadeAway = also(FadeCorner, newInside, deeper(xScreener, body(0), cutter), "They switched and wait inside: fade to the corner.",
		"Push off the new defender, back out wide, feet ready.")
	behindNew = also(BackCut, newAbove, not(deeper(xScreener, body(0), cutter)), "The new defender is above you: cut behind to the rim.",
		"Plant as they step out, cut behind, hand low.")
	stepOutOf = also(StepOut, newInside, deeper(xScreener, body(0), cutter), "They switched and dropped inside: step back out and shoot.",
		"One step at the new defender, then back out behind the line.")
	useOther = also(OtherSide, otherFree, not(within(xCutter, body(5), second)), "They sit on this side: use the far screen.",
		"Turn and run off the far screen to the other wing.")
)

// common is the answer to every cue where nothing else is said.
var common = []Row{
	{
		Cue: Trail, when: trailing, Seen: "Your defender follows you, behind your hip",
		moves: []move{{xCutter, 9, 0}, {xScreener, 0, 0}},
		Cutter: []Answer{answer(Curl, "They're chasing you: curl it tight and go to the rim.",
			"Around the screener's shoulder in one turn, hands up, eyes on the rim.")},
		Screener:   []Answer{job(Pop, "The cutter goes in, so you go out: open up and pop to the ball.")},
		PasserPart: "Outside hand, bounce it ahead of the cutter into the lane.",
		Mistakes:   []string{"Comes straight with the defender trailing", "Wide turn, daylight at the hip", "Screener stands and watches"},
	},
	{
		Cue: Stuck, when: inBody, Seen: "Your defender runs into the screener's body",
		moves: []move{{xCutter, 1, 0}, {xScreener, 0, 0}},
		Cutter: []Answer{answer(Straight, "They're stuck on the screen: straight to the catch, feet ready, shoot.",
			"All the way to the catch; shoot it, or one hard dribble into a pull-up.")},
		Screener:   []Answer{job(Shape, "Turn to the ball with your hands out, then post or slip.")},
		PasserPart: "Hit the cutter on the outside hand, right at the catch.",
		Mistakes:   []string{"Stops two steps past the screen", "Catches standing upright", "Curls into the crowd"},
	},
	{
		Cue: Under, when: goneBy, Seen: "Your defender takes the short way, rim side of the screener",
		moves:      []move{{cutter, 5, 0}, {xCutter, 8, 0}, {xScreener, 0, 0}},
		Cutter:     []Answer{fadeHigh, fadeWide},
		Screener:   []Answer{job(Rescreen, "Turn around and screen that defender again on the way back out.")},
		PasserPart: "Over the top, on time: the shot is there for one count.",
		Mistakes:   []string{"Drifts to an angle and the defender slips through", "Curls into the waiting defender", "Screener leaves before the second screen"},
	},
	{
		Cue: Jump, when: jumped, Seen: "Your defender is past the screen already, between you and the catch",
		moves: []move{{cutter, 0, 0}, {xCutter, 1, 0}, {xScreener, 0, 0}},
		Cutter: []Answer{answer(BackCut, "They jumped it: plant and cut behind to the rim.",
			"One step at the defender, push off the outside foot, hand low for the bounce pass."), flareOut},
		Screener:   []Answer{job(StepBall, "Step to the ball: you're the second look.")},
		PasserPart: "Fake high, bounce it low behind the defender.",
		Mistakes:   []string{"Never sees the back cut", "Fights over the top for the catch", "Passer stares at the first look"},
	},
	{
		Cue: Switch, when: all(takes, stays), Seen: "The screener's defender takes you, yours stays with the screener",
		moves:  []move{{xCutter, 6, 0}, {xScreener, 2, 0}},
		Cutter: []Answer{answer(ClearOut, "They switched: clear out, the screener pins and slips.", "Take the new defender away from the rim, high and wide."), fadeAway, behindNew},
		Screener: []Answer{job(Split, "Get your back on the defender, hand up, slip to the rim before they settle."),
			also(StepBall, newAbove, not(deeper(xScreener, body(0), cutter)), "", "The cutter goes behind: step to the ball and leave the rim free.")},
		PasserPart: "Look past the cutter; lead the screener to the rim.",
		Mistakes:   []string{"Cutter stays near and brings help along", "Screener lets the new defender get between", "Slips late"},
	},
	{
		Cue: Show, when: all(takes, not(stays)), Seen: "The screener's defender steps into your way, and your own is not with the screener",
		moves:      []move{{xCutter, 7, 0}, {xScreener, 0, 1}},
		Cutter:     []Answer{answer(Keep, "Two on you: keep it alive, the slip is open.", "Catch, keep your dribble. Two on you means a pass.")},
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
	blindCaution   = "The defender cannot see this screen: leave one normal step, feet set, arms in. Closer is a foul, and it hurts people."
)

var downScreen = &Action{
	ID:    Down,
	Name:  "Down screen",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, Participants: offBall, Parts: offBallParts,
	About: "A player up top comes down and screens for the player below, who comes up to the ball.",
	Before: []string{
		"Cutter: take your defender low first, then wait until the screener's feet are down.",
		"Screener: sprint to the spot, call \"down\", find the defender's body, back to the ball.",
		"Both: pass hip to hip. No daylight.",
	},
	Caution: contactCaution, rows: common, edits: choices,
	spots: layout{from: "cornerR", to: "slotR", ball: "slotL", screenerFrom: "slotR", at: 6},
}

var awayScreen = &Action{
	ID:    Away,
	Name:  "Screen away",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, Participants: offBall, Parts: offBallParts,
	About: "The passer throws to one wing and screens for the other, who comes to the top.",
	Before: []string{
		"Passer: pass, then go away from your pass and screen the next player.",
		"Cutter: walk your defender down two steps, then come when the feet are set.",
		"Both: one to the rim, one to the ball.",
	},
	Caution: contactCaution, edits: choices,
	rows: but(common,
		Row{Cue: Trail, Say: "They're chasing you: curl over the middle, the defender is trapped behind.",
			PasserPart: "Hit the curl in stride; if the low defender helps, the corner behind is open."},
		Row{Cue: Under, Say: "They went under: pop back and shoot the three."},
	),
	spots: layout{from: "wingR", to: "top", ball: "wingL", screenerFrom: "top", at: 10},
}

var pinScreen = &Action{
	ID:    Pin,
	Name:  "Pin-down",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, Participants: offBall, Parts: offBallParts,
	About: "The wing runs down toward the block and screens for the player there, who comes up to the slot.",
	Before: []string{
		"Cutter: lean into the lane first, then come up off the hip.",
		"Screener: sprint from the wing, back to the top, body on body.",
		"Both: go all the way to the catch, not two steps past the screen.",
	},
	Caution: contactCaution, edits: choices,
	rows: but(common,
		Row{Cue: Trail, Say: "They're chasing you: curl into the lane.", CutterPart: "Around the screener in one turn, hands up, a short jumper or the rim."},
		Row{Cue: Under, Say: "They cut through inside: fade to the wing and shoot it."},
		Row{Cue: Jump, Say: "They're above the screen: plant and cut behind to the rim.",
			Mistakes: []string{"Fights up to the catch against the defender", "Never sees the back cut", "Screener does not turn to screen again"}},
	),
	spots: layout{from: "blockR", to: "slotR", ball: "slotL", screenerFrom: "wingR", at: 6, curlTo: "nail"},
}

var flareScreen = &Action{
	ID:    FlareS,
	Name:  "Flare",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, Participants: offBall, Parts: offBallParts,
	About: "A player up top drifts away from the ball over a screen set on the far side of the defender.",
	Before: []string{
		"Cutter: step to the ball first, so your defender comes up, then push away.",
		"Screener: come up from the lane, back to the sideline, on the defender's body.",
		"Cutter: go over the screen, eyes on the ball the whole way.",
	},
	Caution: blindCaution, edits: choices,
	rows: but(alone(common),
		Row{Cue: Trail, Seen: "Your defender comes over the screen behind you", Say: "They came over: turn the corner and curl to the rim.",
			PasserPart: "Lead the cutter toward the rim, away from the defender behind."},
		Row{Cue: Stuck, Say: "They're stuck on the flare: catch it behind the screen, attack the recovery.",
			CutterPart: "Feet ready on the catch; on a long closeout, one dribble into a pull-up.",
			PasserPart: "Skip it over the top to the far shoulder."},
		Row{Cue: Under, Say: "They went under: the screen turns, shoot behind it.", PasserPart: "Skip it on time; the second screen holds the defender."},
		Row{Cue: Jump, Seen: "Your defender is out there already, between you and the catch", Say: "They jumped the flare: cut back to the rim.",
			Mistakes: []string{"Drifts on into the defender", "Skip pass thrown anyway"}},
	),
	spots: layout{from: "slotR", to: "cornerR", ball: "slotL", screenerFrom: "elbowR", at: 0.42, blind: true},
}

var exitScreen = &Action{
	ID:    Exit,
	Name:  "Exit screen",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, Participants: offBall, Parts: offBallParts,
	About: "A low screen sends a shooter along the baseline to the corner. With a ball screen up top it takes one helper away.",
	Before: []string{
		"Cutter: start under the rim, show the other way, then go low.",
		"Screener: on the lane's edge, back to the corner, feet set.",
		"Cutter: all the way to the corner, toes behind the line.",
	},
	Caution: contactCaution,
	// Low on the floor there is no room for other answers.
	rows: but(alone(common),
		// A curl would be a turn all the way around; the corner is open when the defender comes late.
		Row{Cue: Trail, Cutter: []Answer{answer(Straight, "They're behind you: on to the corner, shot ready.",
			"Run to the corner, turn, catch with your feet set.")},
			Screener: []Answer{job(Shape, "Turn to the ball with your hands out, then post or slip.")},
			Mistakes: []string{"Slows down to look", "Toes on the line"}},
		Row{Cue: Stuck, Say: "They're stuck: straight to the corner, feet ready."},
		Row{Cue: Under, Seen: "Your defender has to come over the top of the screen",
			show:     []put{{who: xCutter, from: screener, plus: court.Point{X: -2, Y: 3.8}}},
			Cutter:   []Answer{answer(Straight, "They're above the screen: on to the corner, shot ready.", "Run to the corner, turn, catch with your feet set.")},
			Mistakes: []string{"Stops short of the corner", "Toes on the line"}},
		// Above the screen and ahead, the defender still gets to the corner first.
		Row{Cue: Jump, when: all(ahead(xCutter, cutter), within(xCutter, guardsFrom, cutter)), Seen: "Your defender is ahead of you, on your way or above it",
			Say: "They're ahead of you: plant and cut back under the rim."},
	),
	spots: layout{from: "dunkerR", to: "cornerR", ball: "top", screenerFrom: "midpostR", passes: alongBaseline, watching: true},
}

var hammerScreen = &Action{
	ID:    Hammer,
	Name:  "Hammer",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, Participants: offBall, Parts: offBallParts,
	About: "While the ball drives the far baseline, a screen on the weak wing frees a shooter into the corner.",
	Before: []string{
		"Cutter: stand high and still until the drive draws your defender's eyes.",
		"Screener: come from the lane, back to the corner.",
		"Driver: two feet in the lane, look for the corner first.",
	},
	Caution: blindCaution,
	rows: but(alone(common),
		Row{Cue: Trail, Cutter: []Answer{answer(Straight, "They're chasing you: on to the corner, shot ready.", "Run to the corner, turn, catch with your feet set.")},
			Screener: []Answer{job(Shape, "Turn to the ball with your hands out, then seal.")}},
		Row{Cue: Stuck, Say: "They're stuck: straight to the corner, shot ready."},
		Row{Cue: Under, Cutter: []Answer{answer(Straight, "They dropped to the lane: down to the corner for the three.", "Slide to the corner as the ball turns it.")},
			Mistakes: []string{"Stands and watches the drive", "Stops short of the corner"}},
		Row{Cue: Switch, Say: "They switched: the screener slips to the rim."},
		Row{Cue: Show, Cutter: []Answer{firstOf(common, Show),
			also(BackCut, bothOut, all(not(within(xCutter, onCourt(6), rim)), not(within(xScreener, onCourt(6), rim))), "They both came out: cut in front to the rim.", "Plant and go straight to the rim, hands up.")}},
		Row{Cue: Jump, Say: "They're in the corner already: cut in front to the rim.",
			CutterPart: "Plant and go straight to the rim, in front of the screener, hands up.",
			Mistakes:   []string{"Runs on into the defender", "Never looks at the rim"}},
	),
	spots: layout{from: "wingR", to: "cornerR", ball: "shortL", screenerFrom: "blockR", watching: true, blind: true},
}

// behind is the common table of back screens, which send the cutter to the rim.
var behind = but(alone(common),
	Row{Cue: Trail, Seen: "Your defender follows behind you, past the screen",
		Cutter:   []Answer{answer(RimCut, "They're behind you: straight to the rim, hands up.", "Brush the shoulder and run to the rim, target hand high.")},
		Screener: []Answer{job(Pop, "The cutter goes in, so you go out: open up and pop to the ball.")}, PasserPart: "Lob or bounce, in front of the rim, before the help comes.",
		Mistakes: []string{"Rounds it off and slows down", "Looks back too late", "Screener stands and watches"}},
	Row{Cue: Stuck, Seen: "Your defender runs into the screen",
		Cutter:   []Answer{answer(RimCut, "They're stuck: straight to the rim.", "Run to the rim in a straight line, target hand high.")},
		Screener: []Answer{job(Pop, "Open to the ball and step out for the shot.")}, PasserPart: "Throw it early: lob if the low defender is late.",
		Mistakes: []string{"Waits to see the pass", "Screener follows to the rim"}},
	Row{Cue: Under, Seen: "Your defender slides past on the far side of the screen",
		moves:    []move{{cutter, 4, 0}, {xCutter, 8, 0}, {xScreener, 0, 0}},
		Cutter:   []Answer{answer(StepOut, "They slid under: step back out for the three.", "Stop, two steps back behind the line, feet ready.")},
		Screener: []Answer{job(Rescreen, "Turn and screen the defender on the way out again.")}, PasserPart: "Quick, to the outside hand.",
		Mistakes: []string{"Cuts into the waiting defender", "Steps out with toes on the line"}},
	Row{Cue: Jump, Seen: "Your defender sags off, already between you and the rim",
		Cutter:   []Answer{answer(StepOut, "They're loose, down there already: step out, catch and shoot.", "Leave the defender there: step out behind the line.")},
		Screener: []Answer{job(Rescreen, "Turn and screen the way out.")}, PasserPart: "Right away: the defender has a long way back.",
		Mistakes: []string{"Runs to the rim into the defender", "Catches flat-footed"}},
	Row{Cue: Switch, Seen: "The screener's defender drops with you, yours stays up",
		Cutter:   []Answer{answer(ClearOut, "They switched: screener steps back to the ball.", "Clear through and take the big one away."), stepOutOf},
		Screener: []Answer{job(StepBall, "Step back to the ball, hands up: your new defender is behind you.")}, PasserPart: "To the screener, away from the defender behind.",
		Mistakes: []string{"Both go to the rim", "Screener turns away from the ball"}},
	Row{Cue: Show, Seen: "The screener's defender is in your way to the rim, and your own is not with the screener",
		Cutter:   []Answer{answer(Keep, "Two on you: hold them there, the screener is open out top.", "Post up where you are, hands up.")},
		Screener: []Answer{job(Pop, "Pop out: your defender left you.")}, PasserPart: "Out to the screener, then look inside.",
		Mistakes: []string{"Runs away from the bump", "Screener stays"}},
)

var backScreen = &Action{
	ID:    Back,
	Name:  "Back screen",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, Participants: offBall, Parts: offBallParts,
	About: "A player comes up from below and screens the wing's defender from behind; the wing cuts to the rim.",
	Before: []string{
		"Cutter: step to the ball, so your defender comes up with the screen behind.",
		"Screener: from the block, back to the baseline, one normal step behind the defender.",
		"Cutter: go when the defender leans, off the ball-side shoulder.",
	},
	Caution: blindCaution, rows: behind,
	spots: layout{from: "wingR", to: "rim", ball: "slotL", screenerFrom: "blockR", at: 0.33, passes: nearBall, blind: true},
}

var highPostScreen = &Action{
	ID:    High,
	Name:  "High-post screen on the passer",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, Participants: offBall, Parts: offBallParts,
	About: "After a pass to the wing the post steps up and screens the passer's defender; the passer cuts to the rim.",
	Before: []string{
		"Passer: pass to the wing, step away once, then cut.",
		"Post: step up to the elbow, back to the baseline, feet set.",
		"Wing: first look is the cut, then the post stepping out, then the far side.",
	},
	Caution: blindCaution, rows: behind,
	spots: layout{from: "slotR", to: "rim", ball: "wingR", screenerFrom: "midpostR", at: 0.33, passes: nearBall, blind: true},
}

var crossScreen = &Action{
	ID: Cross, Name: "Cross screen",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, Participants: offBall, Parts: offBallParts,
	About: "One player screens across the lane for the other, who comes to the block on the ball's side.",
	Before: []string{
		"Cutter: wait on the far block until the screener's feet are down.",
		"Screener: run across the lane, back to the ball's block, body on body.",
		"Cutter: look which side of you the defender stands on, then go by on the other.",
	},
	Caution: contactCaution,
	rows: []Row{
		{
			Cue: HighSide, when: all(above(xCutter, body(0), cutter), within(xCutter, guardsFrom, cutter)),
			show: []put{{who: xCutter, from: cutter, plus: court.Point{X: 1.5, Y: 2.6}}}, Seen: "Your defender stands above you, on the half-court side",
			Cutter: []Answer{answer(CutLow, "They're above you: go low, along the baseline.",
				"Under the screen to the block, show the ball your hand on the baseline side.")},
			Screener:   []Answer{job(StepBall, "The cutter goes low, so you go high: open to the ball at the elbow.")},
			PasserPart: "Fake high, bounce it in low; the screener is next.",
			Mistakes:   []string{"Always runs the same side", "Stops in the lane", "Screener follows to the block"},
		},
		{
			Cue: LowSide, when: all(not(above(xCutter, body(0), cutter)), within(xCutter, guardsFrom, cutter)),
			Seen: "Your defender stands below you, on the baseline side",
			show: []put{{who: xCutter, from: cutter, plus: court.Point{X: 1.5, Y: -2.6}}},
			Cutter: []Answer{answer(CutOver, "They're below you: come over the top.",
				"Over the screen to the middle of the lane, hands up, one turn to the rim.")},
			Screener:   []Answer{job(Slip, "The cutter goes high, so you go low: slide to the ball's block.")},
			PasserPart: "Lead the cutter into the lane; then look to the block.",
			Mistakes:   []string{"Runs low into the defender", "Fades away from the ball", "Screener stands"},
		},
		{
			Cue: Switch, when: all(nearer(xScreener, cutter, screener), nearer(xCutter, screener, cutter), within(xScreener, guardsFrom, cutter)),
			Seen: "The screener's defender takes you, yours stays with the screener",
			show: []put{{who: xScreener, from: cutter, plus: court.Point{X: 0.6, Y: 2}}, {who: xCutter, from: screener, plus: court.Point{X: 0.6, Y: -2.4}}},
			Cutter: []Answer{answer(ClearOut, "They switched: screener seals and opens to the ball.",
				"Keep going past the lane and take the new defender with you.")},
			Screener:   []Answer{job(Seal, "Sit on the defender's leg, turn to the ball, show the far hand.")},
			PasserPart: "Straight to the seal, away from the defender behind.",
			Mistakes:   []string{"Cutter stops in the lane", "Screener turns late"},
		},
	},
	spots: layout{from: "blockL", to: "blockR", ball: "wingR", screenerFrom: "blockR", free: true,
		set: []put{{who: cutter, from: start, feet: 0.5, to: catch}, {who: screener, from: start, feet: 5, to: catch}}},
}

// pair are the participants of a staggered pair; what they are called depends on which
// of the two screens is read.
func pair(at, other Participant, xAt, xOther Participant) []Participant {
	return []Participant{offBall[0], other, at, offBall[2], offBall[3], xAt, xOther}
}

var staggerScreen = &Action{
	ID: Stagger, Name: "Staggered pair",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, Parts: offBallParts,
	Participants: pair(
		Participant{ID: screener, Name: "Second screener", Word: "the second screener", Letter: "S", Screens: true},
		Participant{ID: second, Name: "First screener", Word: "the first screener", Letter: "F", Screens: true},
		Participant{ID: xScreener, Name: "Second screener's defender", Word: "the second screener's defender", Letter: "S", Guards: screener},
		Participant{ID: xSecond, Name: "First screener's defender", Word: "the first screener's defender", Letter: "F", Guards: second},
	),
	About: "Two players screen one after the other for a shooter who comes up from the corner to the top. This is the read at the second screen.",
	Before: []string{
		"Cutter: walk your defender to the baseline, then come off both.",
		"Screeners: four steps apart, both backs to the top, feet set before the cutter comes.",
		"Cutter: read again at the second screen. Once the defender is under that one, the first no longer matters.",
	},
	Caution: contactCaution, edits: choices,
	rows: but(common,
		Row{Cue: Trail, Say: "They're chasing you: curl both of them.", CutterPart: "Around the second screener in one turn to the rim."},
		Row{Cue: Stuck, Say: "They're attached: straight off both to the catch."},
		Row{Cue: Under, Say: "They went under: pop back behind the second screener.", ScreenerPart: "Second: turn and screen again. First: hold your place."},
		Row{Cue: Jump, Say: "They jumped it: back cut between the screens and the rim."},
	),
	spots: layout{from: "cornerR", to: "top", ball: "wingL", screenerFrom: "elbowR", at: 0.58,
		beside: map[Place]offset{second: {-8, -HipToHip}}},
}

var firstOfPair = &Action{
	ID: First, Name: "Staggered pair, first screen",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, Parts: offBallParts,
	Participants: pair(
		Participant{ID: screener, Name: "First screener", Word: "the first screener", Letter: "F", Screens: true},
		Participant{ID: second, Name: "Second screener", Word: "the second screener", Letter: "S", Screens: true},
		Participant{ID: xScreener, Name: "First screener's defender", Word: "the first screener's defender", Letter: "F", Guards: screener},
		Participant{ID: xSecond, Name: "Second screener's defender", Word: "the second screener's defender", Letter: "S", Guards: second},
	),
	About: "The read at the first of two screens: curl it alone, reject it, or go on to the second.",
	Before: []string{
		"Cutter: walk your defender to the baseline, then come off the first screen.",
		"Screeners: four steps apart, both backs to the top, feet set before the cutter comes.",
		"Cutter: you have a read here already, before the second screen.",
	},
	Caution: contactCaution,
	rows: but(pick(alone(common), Trail, Stuck, Jump),
		Row{Cue: Trail, Cutter: []Answer{
			answer(Curl, "They're chasing you early: curl the first one alone.", "Around the first screener in one turn to the rim, before anybody helps."),
			also(Straight, nextScreen, not(within(xCutter, body(4), second)), "They're chasing you: go on and use the second one too.", "Stay tight to both hips; the read comes again at the second.")},
			Mistakes: []string{"Runs both screens by habit", "Wide turn, daylight at the hip"}},
		Row{Cue: Stuck, Say: "They're attached: on to the second screen and the catch."},
		Row{Cue: Jump, Seen: "Your defender is above the first screen already", Say: "They sit above it: reject it, back cut to the rim.",
			CutterPart:   "Never use the pair: plant and go to the rim.",
			ScreenerPart: "Hold until the cutter is through, then step to the ball.",
			Mistakes:     []string{"Runs into the defender to use the pair", "Never sees the back cut"}},
	),
	spots: layout{from: "cornerR", to: "top", ball: "wingL", screenerFrom: "elbowR", at: 0.28,
		beside: map[Place]offset{second: {8, -HipToHip}}},
}

var floppyScreen = &Action{
	ID: Floppy, Name: "Choice of sides",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, Parts: offBallParts,
	Participants: []Participant{
		offBall[0], offBall[1],
		{ID: second, Name: "Far screener", Word: "the far screener", Letter: "F", Screens: true},
		offBall[2], offBall[3], offBall[4],
		{ID: xSecond, Name: "Far screener's defender", Word: "the far screener's defender", Letter: "F", Guards: second},
	},
	About: "A shooter under the rim picks a side; a screener waits on each block.",
	Before: []string{
		"Cutter: stand under the rim, fake one side, run off the other.",
		"Screeners: both on the blocks, feet set, backs to the corners.",
		"Passer: look at the side of the fake, throw to the side of the cut.",
	},
	Caution: contactCaution,
	rows: but(alone(common),
		Row{Cue: Trail, Say: "They're chasing you: curl up into the lane."},
		Row{Cue: Stuck, Say: "They're stuck on the block: straight out to the wing."},
		Row{Cue: Under, Seen: "Your defender takes the short way over the top of the screener",
			Say: "They went over the top: pop back to the corner.", CutterPart: "Stop, two steps back to the corner, feet ready.",
			ScreenerPart: "Turn and screen again on the way to the corner."},
		Row{Cue: Switch, Cutter: []Answer{firstOf(common, Switch), useOther}},
		Row{Cue: Jump, Cutter: []Answer{
			answer(BackCut, "They sit on this side: cut back under the rim.", "One step at the defender, push off the outside foot, back under the rim."),
			useOther},
			Mistakes: []string{"Runs into the defender all the same", "Never looks at the other side"}},
	),
	spots: layout{from: "dunkerL", to: "wingR", ball: "top", screenerFrom: "midpostR", at: 0.5, passes: alongBaseline, curlTo: "elbowR", fadeTo: "cornerR",
		others: map[Place]string{second: "blockL"}},
}

var changeScreen = &Action{
	ID: Changes, Name: "Change after repeats",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, Participants: offBall, Parts: offBallParts,
	About: "After two or three screens the same way the defense waits for the next one: the screener starts it and cuts.",
	Before: []string{
		"Screener: run to the spot as before, same speed, same call.",
		"Both: look where the screener's defender waits.",
		"Cutter: set your defender up as if the screen came.",
	},
	Caution: contactCaution,
	rows: append(but(pick(alone(common), Trail, Stuck, Under),
		Row{Cue: Trail, Seen: "Your defender follows you, behind your hip, as before", Say: "They're chasing as before: curl it again."}),
		Row{
			Cue: Denied, when: jumped, Seen: "Your defender overplays you before the screen is there",
			Cutter: []Answer{answer(BackCut, "They deny it already: cut behind, no screen needed.",
				"One step out, push off, behind the defender to the rim.")},
			Screener:   []Answer{job(StepBall, "Stop the screen and come to the ball.")},
			PasserPart: "Bounce it behind the defender, early.",
			Mistakes:   []string{"Waits for the screen", "Stands and waves for the ball"},
		},
		Row{
			Cue: Waits, when: all(onSide(xScreener), within(xScreener, takeReach, cutter)),
			Seen: "The screener's defender has stepped up and waits on your way",
			Cutter: []Answer{answer(Straight, "They wait for the screen: start it and cut to the rim.",
				"Go on to the ball: their eyes go with you.")},
			Screener:   []Answer{job(Change, "Two steps as if to screen, then hard to the rim, in front of the defender.")},
			PasserPart: "Look off the cutter, lead the screener.",
			Mistakes:   []string{"Screens again into the waiting defender", "Jogs to the rim"},
		}),
	spots: layout{from: "cornerR", to: "slotR", ball: "slotL", screenerFrom: "slotR", at: 6},
}
