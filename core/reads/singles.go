package reads

import "evrik/core/court"

// The actions with one screen off the ball.

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
		Row{Cue: Switch, Cutter: []Answer{firstOf(common, Switch), insideNew}},
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
		Row{Cue: Trail, show: []put{{who: xScreener, from: screener, feet: guarding, to: passer}}, Seen: "Your defender comes over the screen behind you", Say: "They came over: turn the corner and curl to the rim.",
			PasserPart: "Lead the cutter toward the rim, away from the defender behind."},
		Row{Cue: Stuck, Say: "They're stuck on the flare: catch it behind the screen, attack the recovery.",
			CutterPart: "Feet ready on the catch; on a long closeout, one dribble into a pull-up.",
			PasserPart: "Skip it over the top to the far shoulder."},
		Row{Cue: Under, Say: "They went under: the screen turns, shoot behind it.", PasserPart: "Skip it on time; the second screen holds the defender."},
		Row{Cue: Jump, Seen: "Your defender is out there already, between you and the catch", Say: "They jumped the flare: cut back to the rim.",
			Mistakes: []string{"Drifts on into the defender", "Skip pass thrown anyway"}},
		Row{Cue: Switch, Cutter: []Answer{firstOf(common, Switch), insideNew}},
		Row{Cue: Show, Cutter: []Answer{firstOf(common, Show), insideShow}},
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
		"Screener: come out of the lane and turn your back to the corner.",
		"Driver: two feet in the lane, look for the corner first.",
	},
	Caution: blindCaution,
	rows: but(alone(common),
		Row{Cue: Trail, show: []put{{who: xScreener, from: screener, feet: guarding, to: rim}},
			Cutter:   []Answer{answer(Straight, "They're chasing you: on to the corner, shot ready.", "Run to the corner, turn, catch with your feet set.")},
			Screener: []Answer{job(Shape, "Turn to the ball with your hands out, then seal.")}},
		Row{Cue: Stuck, Say: "They're stuck: straight to the corner, shot ready."},
		Row{Cue: Under, Cutter: []Answer{answer(Straight, "They dropped to the lane: down to the corner for the three.", "Slide to the corner as the ball turns it.")},
			Mistakes: []string{"Stands and watches the drive", "Stops short of the corner"}},
		Row{Cue: Switch, Cutter: []Answer{answer(ClearOut, "They switched: the screener slips to the rim.", "Take the new defender away from the rim, high and wide."),
			also(BackCut, bothOut, all(not(within(xCutter, onCourt(6), rim)), not(within(xScreener, onCourt(6), rim))), "They both came out: cut in front to the rim.", "Plant and go straight to the rim, hands up.")}},
		Row{Cue: Show, Cutter: []Answer{firstOf(common, Show),
			also(BackCut, bothOut, all(not(within(xCutter, onCourt(6), rim)), not(within(xScreener, onCourt(6), rim))), "They both came out: cut in front to the rim.", "Plant and go straight to the rim, hands up.")}},
		Row{Cue: Jump, Say: "They're in the corner already: cut in front to the rim.",
			CutterPart: "Plant and go straight to the rim, in front of the screener, hands up.",
			Mistakes:   []string{"Runs on into the defender", "Never looks at the rim"}},
	),
	spots: layout{from: "wingR", to: "cornerR", ball: "dunkerL", screenerFrom: "blockR", watching: true, blind: true},
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
		moves:    []move{{who: cutter, along: 4, out: 0}, {who: xCutter, along: 8, out: 0}, {who: xScreener, along: 0, out: 0}},
		Cutter:   []Answer{answer(StepOut, "They slid under: step back out for the three.", "Stop, two steps back behind the line, feet ready.")},
		Screener: []Answer{job(Rescreen, "Turn and screen the defender on the way out again.")}, PasserPart: "Pass early, to the outside hand.",
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
		Cutter: []Answer{answer(Keep, "Two on you: hold them there, the screener is open out top.", "Post up where you are, hands up."),
			also(RimCut, laneFree, not(inLane(xScreener, body(2), cutter, rim)), "They stepped past your way: cut by, inside them.", "Shoulder past the one who stepped out, hands high.")},
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
			show: []put{{who: screener, from: screener, plus: court.Point{Y: 1}}, {who: xCutter, from: cutter, plus: court.Point{X: 1.5, Y: 2.6}}}, Seen: "Your defender stands above you, on the half-court side",
			Cutter: []Answer{answer(CutLow, "They're above you: go low, along the baseline.",
				"Go under the screen to the block and show a target hand on the baseline side.")},
			Screener:   []Answer{job(StepBall, "The cutter goes low, so you go high: open to the ball at the elbow.")},
			PasserPart: "Fake high, bounce it in low; the screener is next.",
			Mistakes:   []string{"Always runs the same side", "Stops in the lane", "Screener follows to the block"},
		},
		{
			Cue: LowSide, when: all(not(above(xCutter, body(0), cutter)), within(xCutter, guardsFrom, cutter)),
			Seen: "Your defender stands below you, on the baseline side",
			show: []put{{who: screener, from: screener, plus: court.Point{Y: -1}}, {who: xCutter, from: cutter, plus: court.Point{X: 1.5, Y: -2.6}}},
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
			Screener:   []Answer{job(Seal, "Back to the defender, wide base, turn to the ball, show the far hand.")},
			PasserPart: "Straight to the seal, away from the defender behind.",
			Mistakes:   []string{"Cutter stops in the lane", "Screener turns late"},
		},
	},
	spots: layout{from: "blockL", to: "blockR", ball: "wingR", screenerFrom: "blockR", free: true, running: true,
		set: []put{{who: cutter, from: start, feet: 0.5, to: catch}, {who: screener, from: start, feet: 5, to: catch}}},
}
