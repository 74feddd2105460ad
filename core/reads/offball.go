package reads

import "evrik/core/court"

// The tables of the off-ball screens. The cue decides, never the play call, so
// most screens share one grammar of cues and reads (common practice, no
// source); a screen's own table says what is different there. The wording is
// the product's own.

// Ids of the off-ball screens.
const (
	Cross   = "cross"
	Stagger = "stagger"
	Floppy  = "floppy"
	Changes = "change"

	Away   = "away"
	Down   = "down"
	Pin    = "pin"
	FlareS = "flare"
	Exit   = "exit"
	Hammer = "hammer"
	Back   = "back"
	High   = "highpost"
)

// Reach of the common grammar, in feet.
const (
	// TakeReach is how near the cutter X-screener must stand, ahead of him, to
	// be in his way (assumption).
	TakeReach = 6.0
	// StayReach is how near the screener X-cutter must be to count as having
	// stayed with him (assumption).
	StayReach = 4.0
)

// What is seen at a screen, in words that the tables share.
var (
	inBody   = all(within(xCutter, Touching, screener), not(ahead(xCutter, cutter)))
	goneBy   = all(not(onSide(xCutter)), not(inBody))
	jumped   = all(ahead(xCutter, cutter), onSide(xCutter))
	trailing = all(not(ahead(xCutter, cutter)), onSide(xCutter))
	takes    = all(within(xScreener, TakeReach, cutter), ahead(xScreener, cutter), onSide(xScreener))
	stays    = all(within(xCutter, StayReach, screener), nearer(xCutter, screener, cutter))
)

// offBall are the people of an off-ball screen.
var offBall = []Person{
	{ID: passer, Name: "Passer", Word: "the passer", Letter: "P", Ball: true},
	{ID: screener, Name: "Screener", Word: "the screener", Letter: "S", Screens: true},
	{ID: cutter, Name: "Cutter", Word: "the cutter", Letter: "C"},
	{ID: xCutter, Name: "Cutter's defender", Word: "the cutter's man", Letter: "C", Guards: cutter},
	{ID: xScreener, Name: "Screener's defender", Word: "the screener's man", Letter: "S", Guards: screener},
}

var offBallParts = [3]string{"Cutter", "Screener", "Passer"}

// grammar is the answer to every cue where nothing else is said.
var grammar = []Row{
	{
		Cue: Trail, when: trailing, Seen: "Your man follows you, behind your hip",
		CutterRead: Curl, ScreenerRead: Pop,
		Say:          "He's chasing you: curl it tight and go to the rim.",
		CutterPart:   "Round the screener's shoulder in one turn, hands up, eyes on the rim.",
		ScreenerPart: "He goes in, so you go out: open up and pop to the ball.",
		PasserPart:   "Outside hand, bounce it ahead of him into the lane.",
		Mistakes:     []string{"Comes straight although he is trailed", "Wide turn, daylight at the hip", "Screener stands and watches"},
	},
	{
		Cue: Stuck, when: inBody, Seen: "Your man runs into the screener's body",
		CutterRead: Straight, ScreenerRead: Shape,
		Say:          "He's stuck on the screen: straight to the catch, feet ready, shoot.",
		CutterPart:   "All the way to the catch; shot, or one hard dribble into a pull-up.",
		ScreenerPart: "Turn to the ball with your hands out, then post or slip.",
		PasserPart:   "Hit him as he arrives, on the outside hand.",
		Mistakes:     []string{"Stops two steps past the screen", "Catches standing upright", "Curls into the crowd"},
	},
	{
		Cue: Under, when: goneBy, Seen: "Your man takes the short way, rim side of the screener",
		CutterRead: Fade, ScreenerRead: Rescreen,
		Say:          "He went under: stop behind the screener's back and shoot it.",
		CutterPart:   "Plant, pop straight back behind the screener. Not off to an angle.",
		ScreenerPart: "Turn round and screen him again as he comes back out.",
		PasserPart:   "Over the top, on time: the shot is there for one count.",
		Mistakes:     []string{"Drifts to an angle and the defender slips through", "Curls into the waiting defender", "Screener leaves before the second screen"},
	},
	{
		Cue: Jump, when: jumped, Seen: "Your man is past the screen already, between you and the ball",
		CutterRead: BackCut, ScreenerRead: StepBall,
		Say:          "He jumped it: plant and cut behind him to the rim.",
		CutterPart:   "One step at him, push off the outside foot, hand low for the bounce pass.",
		ScreenerPart: "Step to the ball: you're the second look.",
		PasserPart:   "Fake high, bounce it low behind him.",
		Mistakes:     []string{"Never sees the back cut", "Fights over the top for the catch", "Passer stares at the first look"},
	},
	{
		Cue: Switch, when: all(takes, stays), Seen: "The screener's man takes you, yours stays with the screener",
		CutterRead: ClearOut, ScreenerRead: Split,
		Say:          "They switched: clear out, the screener pins and slips.",
		CutterPart:   "Take the new man away from the rim, high and wide.",
		ScreenerPart: "Get your back on him, hand up, slip to the rim before he settles.",
		PasserPart:   "Look past the cutter; lead the screener to the rim.",
		Mistakes:     []string{"Cutter stays near and brings help along", "Screener lets the new man get between", "Slips late"},
	},
	{
		Cue: Show, when: all(takes, not(stays)), Seen: "The screener's man steps into your way, your own man still comes",
		CutterRead: Keep, ScreenerRead: Slip,
		Say:          "He only showed: keep it alive, the slip is open.",
		CutterPart:   "Catch, keep your dribble, two eyes on you means a pass.",
		ScreenerPart: "Slip into the space he left.",
		PasserPart:   "Reverse it early, or hit the slip yourself.",
		Mistakes:     []string{"Picks the ball up between two", "Screener holds the screen too long"},
	},
}

// schools are the rows that a team's school puts in place of the grammar's.
var schools = []variant{
	{
		chosen: func(s School) bool { return s.FadeToCorner },
		row: Row{
			Cue: Under, Seen: "Your man takes the short way, rim side of the screener",
			CutterRead: Fade, ScreenerRead: Rescreen,
			Say:          "He went under: fade to the corner, the second screen comes.",
			CutterPart:   "Push back to the corner, wide, and use the second screen there.",
			ScreenerPart: "Follow, turn, and screen him again nearer the corner.",
			PasserPart:   "Swing it so the corner can be reached.",
			Mistakes:     []string{"Curls into the waiting defender", "Fades flat and waits", "Screener leaves before the second screen"},
		},
	},
	{
		chosen: func(s School) bool { return s.FlareFirst },
		row: Row{
			Cue: Jump, Seen: "Your man is past the screen already, between you and the ball",
			CutterRead: Flare, ScreenerRead: StepBall,
			Say:          "He jumped it: flare out, away from him, catch and shoot.",
			CutterPart:   "Push off and drift to the open side; back door is the second answer.",
			ScreenerPart: "Step to the ball: you're the second look.",
			PasserPart:   "Over the top, away from the defender.",
			Mistakes:     []string{"Fights over the top for the catch", "Flares too flat to be seen"},
		},
	},
}

const (
	contactCaution = "Feet set, arms in, nobody leans. Walk it through before contact, and match size in live pairs."
	blindCaution   = "He cannot see this screen: leave him one normal step, feet set, arms in. Closer is a foul, and it hurts people."
)

var downScreen = &Screen{
	ID:    Down,
	Name:  "Down screen",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, People: offBall, Parts: offBallParts,
	About: "A player up top comes down and screens for the player below, who comes up to the ball.",
	Before: []string{
		"Cutter: take your man low first, then wait until the screener's feet are down.",
		"Screener: sprint to the spot, call \"down\", find the defender's body, back to the ball.",
		"Both: pass hip to hip. No daylight.",
	},
	Caution: contactCaution, rows: grammar, variants: schools,
	spots: layout{from: "cornerR", to: "slotR", ball: "slotL", screenerFrom: "slotR"},
}

var awayScreen = &Screen{
	ID:    Away,
	Name:  "Screen away",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, People: offBall, Parts: offBallParts,
	About: "The passer throws to one wing and screens for the other, who comes to the top.",
	Before: []string{
		"Passer: pass, then go away from your pass and screen the next player.",
		"Cutter: walk your man down two steps, then come when the feet are set.",
		"Both: one to the rim, one to the ball.",
	},
	Caution: contactCaution, variants: schools,
	rows: but(grammar,
		Row{Cue: Trail, Say: "He's chasing you: curl over the middle, he's trapped behind.",
			PasserPart: "Hit the curl in stride; if the low man helps, the corner behind him is open."},
		Row{Cue: Under, Say: "He went under: pop back and shoot the three."},
	),
	spots: layout{from: "wingR", to: "top", ball: "wingL", screenerFrom: "top"},
}

var pinScreen = &Screen{
	ID:    Pin,
	Name:  "Pin-down",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, People: offBall, Parts: offBallParts,
	About: "The wing runs down toward the block and screens for the player there, who comes up to the slot.",
	Before: []string{
		"Cutter: lean into the lane first, then come up off the hip.",
		"Screener: sprint from the wing, back to the top, body on body.",
		"Both: go all the way to the catch, not two steps past the screen.",
	},
	Caution: contactCaution, variants: schools,
	rows: but(grammar,
		Row{Cue: Trail, Say: "He's chasing you: curl into the lane.", CutterPart: "Round the screener in one turn, hands up, a short jumper or the rim."},
		Row{Cue: Under, Say: "He cut through inside: fade to the wing and shoot it."},
		Row{Cue: Jump, Say: "He sits above the screen: plant and cut behind him to the rim.",
			Mistakes: []string{"Fights up to the catch against him", "Never sees the back cut", "Screener does not turn to screen again"}},
	),
	spots: layout{from: "blockR", to: "slotR", ball: "slotL", screenerFrom: "wingR"},
}

var flareScreen = &Screen{
	ID:    FlareS,
	Name:  "Flare",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, People: offBall, Parts: offBallParts,
	About: "A player up top drifts away from the ball over a screen set on his man's far side.",
	Before: []string{
		"Cutter: step to the ball first, so your man comes up, then push away.",
		"Screener: come up from the lane, back to the sideline, on the defender's body.",
		"Cutter: go over the screen, eyes on the ball the whole way.",
	},
	Caution: blindCaution, variants: schools,
	rows: but(grammar,
		Row{Cue: Trail, Seen: "Your man comes over the screen behind you", Say: "He came over: turn the corner and curl to the rim.",
			PasserPart: "Lead him toward the rim, away from the man behind."},
		Row{Cue: Stuck, Say: "He's stuck on the flare: catch it behind the screen, attack his recovery.",
			CutterPart: "Feet ready on the catch; he closes out long, one dribble into a pull-up.",
			PasserPart: "Skip it over the top to the far shoulder."},
		Row{Cue: Under, Say: "He went under: the screen turns, shoot behind it.", PasserPart: "Skip it on time; the second screen holds him."},
		Row{Cue: Jump, Seen: "Your man is out there already, between you and the catch", Say: "He jumped the flare: cut back to the rim.",
			Mistakes: []string{"Drifts on into the defender", "Skip pass thrown anyway"}},
	),
	spots: layout{from: "slotR", to: "cornerR", ball: "slotL", screenerFrom: "elbowR", at: 0.42, blind: true},
}

var exitScreen = &Screen{
	ID:    Exit,
	Name:  "Exit screen",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, People: offBall, Parts: offBallParts,
	About: "A low screen sends a shooter along the baseline to the corner. With a ball screen up top it takes one helper away.",
	Before: []string{
		"Cutter: start under the rim, show the other way, then go low.",
		"Screener: on the lane's edge, back to the corner, feet set.",
		"Cutter: all the way to the corner, toes behind the line.",
	},
	Caution: contactCaution,
	// Low on the floor there is no room for the schools' other answers.
	rows: but(grammar,
		// A curl would be a turn right round; the corner is open when he comes late.
		Row{Cue: Trail, CutterRead: Straight, ScreenerRead: Shape, Say: "He's behind you: on to the corner, shot ready.",
			CutterPart: "Run to the corner, turn, catch with your feet set.", Mistakes: []string{"Slows down to look", "Toes on the line"}},
		Row{Cue: Stuck, Say: "He's stuck: straight to the corner, feet ready."},
		Row{Cue: Under, Seen: "Your man has to come over the top of the screen", show: []put{{who: xCutter, from: screener, plus: court.Point{X: -2, Y: 3.8}}}, CutterRead: Straight, ScreenerRead: Rescreen,
			Say: "He's above the screen: on to the corner, shot ready.", CutterPart: "Run to the corner, turn, catch with your feet set.",
			Mistakes: []string{"Stops short of the corner", "Toes on the line"}},
		// Above the screen and ahead he still gets to the corner first.
		Row{Cue: Jump, when: ahead(xCutter, cutter), Seen: "Your man is ahead of you, on your way or above it",
			Say: "He's ahead of you: plant and cut back under the rim."},
	),
	spots: layout{from: "dunkerR", to: "cornerR", ball: "top", screenerFrom: "midpostR", passes: alongBaseline, watching: true},
}

var hammerScreen = &Screen{
	ID:    Hammer,
	Name:  "Hammer",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, People: offBall, Parts: offBallParts,
	About: "While the ball drives the far baseline, a screen on the weak wing frees a shooter into the corner.",
	Before: []string{
		"Cutter: stand high and still until the drive draws your man's eyes.",
		"Screener: come from the lane, back to the corner.",
		"Driver: two feet in the lane, look for the corner first.",
	},
	Caution: blindCaution,
	// Low on the floor there is no room for the schools' other answers.
	rows: but(grammar,
		Row{Cue: Trail, Say: "He's chasing you: turn in behind the screen to the rim."},
		Row{Cue: Stuck, Say: "He's stuck: straight to the corner, shot ready."},
		Row{Cue: Under, CutterRead: Straight, ScreenerRead: Rescreen,
			Say: "He dropped to the lane: down to the corner for the three.", CutterPart: "Slide to the corner as the ball turns it.",
			Mistakes: []string{"Stands and watches the drive", "Stops short of the corner"}},
		Row{Cue: Switch, Say: "They switched: the screener slips to the rim."},
		Row{Cue: Jump, Say: "He's in the corner already: cut in front of him to the rim."},
	),
	spots: layout{from: "wingR", to: "cornerR", ball: "shortL", screenerFrom: "blockR", watching: true, blind: true},
}

// behind is the grammar of back screens, which send the cutter to the rim.
var behind = but(grammar,
	Row{Cue: Trail, Seen: "Your man follows behind you, past the screen", CutterRead: RimCut, ScreenerRead: Pop,
		Say: "He's behind you: straight to the rim, hands up.", CutterPart: "Brush the shoulder and run to the rim, target hand high.",
		PasserPart: "Lob or bounce, in front of the rim, before the help comes.",
		Mistakes:   []string{"Rounds it off and slows down", "Looks back too late", "Screener stands and watches"}},
	Row{Cue: Stuck, Seen: "Your man runs into the screen", CutterRead: RimCut, ScreenerRead: Pop,
		Say: "He's stuck: straight to the rim.", CutterPart: "Run to the rim in a straight line, target hand high.",
		ScreenerPart: "Open to the ball and step out for the shot.", PasserPart: "Throw it early: lob if the low man is late.",
		Mistakes: []string{"Waits to see the pass", "Screener follows to the rim"}},
	Row{Cue: Under, Seen: "Your man slides past on the far side of the screen", CutterRead: StepOut, ScreenerRead: Rescreen,
		Say: "He slid under: step back out for the three.", CutterPart: "Stop, two steps back behind the line, feet ready.",
		ScreenerPart: "Turn and screen him as he comes out again.", PasserPart: "Quick, to the outside hand.",
		Mistakes: []string{"Cuts into the waiting defender", "Steps out with toes on the line"}},
	Row{Cue: Jump, Seen: "Your man sags off, already between you and the rim", CutterRead: StepOut, ScreenerRead: Rescreen,
		Say: "He's loose, down there already: step out, catch and shoot.", CutterPart: "Leave him there: step out behind the line.",
		ScreenerPart: "Turn and screen his way out.", PasserPart: "Right away: he has a long way back.",
		Mistakes: []string{"Runs to the rim into him", "Catches flat-footed"}},
	Row{Cue: Switch, Seen: "The screener's man drops with you, yours stays up", CutterRead: ClearOut, ScreenerRead: StepBall,
		Say: "They switched: screener steps back to the ball.", CutterPart: "Clear through and take the big one away.",
		ScreenerPart: "Step back to the ball, hands up: your new man is behind you.", PasserPart: "To the screener, away from the man behind.",
		Mistakes: []string{"Both go to the rim", "Screener turns his back to the ball"}},
	Row{Cue: Show, Seen: "The screener's man bumps you on the way, your own man still comes", CutterRead: Keep, ScreenerRead: Pop,
		Say: "He bumped you: hold him there, the screener is open out top.", CutterPart: "Post him up where you are, hands up.",
		ScreenerPart: "Pop out: your man left you.", PasserPart: "Out to the screener, then look inside.",
		Mistakes: []string{"Runs away from the bump", "Screener stays"}},
)

var backScreen = &Screen{
	ID:    Back,
	Name:  "Back screen",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, People: offBall, Parts: offBallParts,
	About: "A player comes up from below and screens the wing's man from behind; the wing cuts to the rim.",
	Before: []string{
		"Cutter: step to the ball, so your man comes up with his back to the screen.",
		"Screener: from the block, back to the baseline, one normal step behind him.",
		"Cutter: go when he leans, off the ball-side shoulder.",
	},
	Caution: blindCaution, rows: behind,
	spots: layout{from: "wingR", to: "rim", ball: "slotL", screenerFrom: "blockR", at: 0.3, passes: nearBall, blind: true},
}

var highPostScreen = &Screen{
	ID:    High,
	Name:  "High-post screen on the passer",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, People: offBall, Parts: offBallParts,
	About: "After a pass to the wing the post steps up and screens the passer's man; the passer cuts to the rim.",
	Before: []string{
		"Passer: pass to the wing, step away once, then cut.",
		"Post: step up to the elbow, back to the baseline, feet set.",
		"Wing: first look is the cut, then the post stepping out, then the far side.",
	},
	Caution: blindCaution, rows: behind,
	spots: layout{from: "slotR", to: "rim", ball: "wingR", screenerFrom: "midpostR", at: 0.3, passes: nearBall, blind: true},
}

var crossScreen = &Screen{
	ID: Cross, Name: "Cross screen",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, People: offBall, Parts: offBallParts,
	About: "One player screens across the lane for the other, who comes to the block on the ball's side.",
	Before: []string{
		"Cutter: wait on the far block until the screener's feet are down.",
		"Screener: run across the lane, back to the ball's block, body on body.",
		"Cutter: look which side of you he stands on, then go by on the other.",
	},
	Caution: contactCaution,
	rows: []Row{
		{
			Cue: HighSide, show: []put{{who: xCutter, from: cutter, plus: court.Point{X: 1.5, Y: 2.6}}}, Seen: "Your man stands above you, on the half-court side",
			CutterRead: CutLow, ScreenerRead: StepBall,
			Say:          "He's above you: go low, along the baseline.",
			CutterPart:   "Under the screen to the block, show the ball your hand on the baseline side.",
			ScreenerPart: "He goes low, so you go high: open to the ball at the elbow.",
			PasserPart:   "Fake high, bounce it in low; the screener is next.",
			Mistakes:     []string{"Always runs the same side", "Stops in the lane", "Screener follows to the block"},
		},
		{
			Cue: LowSide, when: not(above(xCutter, 0, cutter)), Seen: "Your man stands below you, on the baseline side",
			show:       []put{{who: xCutter, from: cutter, plus: court.Point{X: 1.5, Y: -2.6}}},
			CutterRead: CutOver, ScreenerRead: Slip,
			Say:          "He's below you: come over the top.",
			CutterPart:   "Over the screen to the middle of the lane, hands up, one turn to the rim.",
			ScreenerPart: "He goes high, so you go low: slide to the ball's block.",
			PasserPart:   "Lead him into the lane; then look to the block.",
			Mistakes:     []string{"Runs low into him", "Fades away from the ball", "Screener stands"},
		},
		{
			Cue: Switch, when: all(nearer(xScreener, cutter, screener), nearer(xCutter, screener, cutter)),
			Seen:       "The screener's man takes you, yours stays with the screener",
			show:       []put{{who: xScreener, from: cutter, plus: court.Point{X: 0.6, Y: 2}}, {who: xCutter, from: screener, plus: court.Point{X: 0.6, Y: -2.4}}},
			CutterRead: ClearOut, ScreenerRead: Seal,
			Say:          "They switched: screener seals him and opens to the ball.",
			CutterPart:   "Keep going past the lane and take the new man with you.",
			ScreenerPart: "Sit on his leg, turn to the ball, show the far hand.",
			PasserPart:   "Straight to the seal, away from the man behind.",
			Mistakes:     []string{"Cutter stops in the lane", "Screener turns late"},
		},
	},
	spots: layout{from: "blockL", to: "blockR", ball: "wingR", screenerFrom: "blockR", free: true,
		set: []put{{who: cutter, from: start, feet: 0.5, to: catch}, {who: screener, from: start, feet: 5, to: catch}}},
}

var staggerScreen = &Screen{
	ID: Stagger, Name: "Staggered pair",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, Parts: offBallParts,
	People: []Person{
		offBall[0],
		{ID: second, Name: "First screener", Word: "the first screener", Letter: "F", Screens: true},
		{ID: screener, Name: "Second screener", Word: "the second screener", Letter: "S", Screens: true},
		offBall[2], offBall[3],
		{ID: xScreener, Name: "Second screener's defender", Word: "the second screener's man", Letter: "S", Guards: screener},
		{ID: xSecond, Name: "First screener's defender", Word: "the first screener's man", Letter: "F", Guards: second},
	},
	About: "Two players screen one after the other for a shooter who comes up from the corner to the top.",
	Before: []string{
		"Cutter: walk your man to the baseline, then come off both.",
		"Screeners: four steps apart, both backs to the top, feet set before he comes.",
		"Cutter: read again at the second screen; that is the one that counts.",
	},
	Caution: contactCaution, variants: schools,
	rows: but(grammar,
		Row{Cue: Trail, Say: "He's chasing you: curl both of them.", CutterPart: "Round the second screener in one turn to the rim.",
			Then: []Look{{Curl, "now and then round the first one alone, as a surprise"}}},
		Row{Cue: Stuck, Say: "He's attached: straight off both to the catch."},
		Row{Cue: Under, Say: "He went under: pop back behind the second screener.", ScreenerPart: "Second: turn and screen him again. First: hold your place."},
		Row{Cue: Jump, Say: "He jumped it: back cut between the screens and the rim."},
	),
	spots: layout{from: "cornerR", to: "top", ball: "slotL", screenerFrom: "elbowR", at: 0.58,
		beside: map[Place]offset{second: {-8, -HipToHip}}},
}

var floppyScreen = &Screen{
	ID: Floppy, Name: "Choice of sides",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, Parts: offBallParts,
	People: []Person{
		offBall[0], offBall[1],
		{ID: second, Name: "Far screener", Word: "the far screener", Letter: "F", Screens: true},
		offBall[2], offBall[3], offBall[4],
		{ID: xSecond, Name: "Far screener's defender", Word: "the far screener's man", Letter: "F", Guards: second},
	},
	About: "A shooter under the rim picks a side; a screener waits on each block.",
	Before: []string{
		"Cutter: stand under the rim, fake one side, run off the other.",
		"Screeners: both on the blocks, feet set, backs to the corners.",
		"Passer: look at the side he fakes, throw to the side he comes out.",
	},
	Caution: contactCaution,
	rows: but(grammar,
		Row{Cue: Trail, Say: "He's chasing you: curl up into the lane."},
		Row{Cue: Stuck, Say: "He's stuck on the block: straight out to the wing."},
		Row{Cue: Under, Seen: "Your man takes the short way over the top of the screener",
			Say: "He went over the top: pop back to the corner.", CutterPart: "Stop, two steps back to the corner, feet ready.",
			ScreenerPart: "Turn and screen him again on his way to the corner."},
		Row{Cue: Jump, Say: "He sits on this side: cut back under the rim.", Then: []Look{{OtherSide, "the far screen is still there and his man has not moved over"}},
			Mistakes: []string{"Runs into him all the same", "Never looks at the other side"}},
	),
	spots: layout{from: "dunkerL", to: "wingR", ball: "top", screenerFrom: "midpostR", at: 0.5, passes: alongBaseline, curlTo: "elbowR", fadeTo: "cornerR",
		others: map[Place]string{second: "blockL"}},
}

var changeScreen = &Screen{
	ID: Changes, Name: "Change after repeats",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, People: offBall, Parts: offBallParts,
	About: "After two or three screens the same way the defence waits for the next one: the screener starts it and cuts.",
	Before: []string{
		"Screener: run to the spot as before, same speed, same call.",
		"Both: look where the screener's man waits.",
		"Cutter: set your man up as if the screen came.",
	},
	Caution: contactCaution,
	rows: append(but(pick(grammar, Trail, Stuck, Under),
		Row{Cue: Trail, Seen: "Nobody waits for the screen: your man follows as before", Say: "They've not changed, he's chasing: curl it again."}),
		Row{
			Cue: Denied, when: jumped, Seen: "Your man overplays you before the screen is there",
			CutterRead: BackCut, ScreenerRead: StepBall,
			Say:          "He's denied already: cut behind him, no screen needed.",
			CutterPart:   "One step out, push off, behind him to the rim.",
			ScreenerPart: "Stop the screen and come to the ball.",
			PasserPart:   "Bounce it behind him, early.",
			Mistakes:     []string{"Waits for the screen", "Stands and waves for the ball"},
		},
		Row{
			Cue: Waits, when: all(onSide(xScreener), within(xScreener, TakeReach, cutter)),
			Seen:       "The screener's man has stepped up and waits on your way",
			CutterRead: Straight, ScreenerRead: Change,
			Say:          "He waits for the screen: start it and cut to the rim.",
			CutterPart:   "Go on to the ball: two of them look at you.",
			ScreenerPart: "Two steps as if to screen, then hard to the rim, in front of him.",
			PasserPart:   "Look off the cutter, lead the screener.",
			Mistakes:     []string{"Screens again into the waiting man", "Jogs to the rim"},
		}),
	spots: layout{from: "cornerR", to: "slotR", ball: "slotL", screenerFrom: "slotR"},
}
