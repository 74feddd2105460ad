package reads

// The tables of the ball screens and handoffs (common practice, no source).
// The words are the product's own.

// Ids of the situations with the ball in the screen.
const (
	Ball       = "ball"
	StepUp     = "stepup"
	Ghost      = "ghost"
	DoubleHigh = "doublehigh"
	Handoff    = "handoff"
	DribbleAt  = "dribbleat"
)

// Figures of the coverages, in feet.
const (
	// OnTheBall is how near guard and big stand when both are on the ball (assumption).
	OnTheBall = 4.2
	// LeftHisMan is how far from his man a helper has left him (assumption).
	LeftHisMan = 9.0
	// RollLane is how near to the roller's way a tagging helper stands (assumption).
	RollLane = 7.0
	// OutOfRange is how far from the rim a shot behind the screen is no threat
	// any more (assumption: well behind every line).
	OutOfRange = 26.0
)

// What is seen of guard and big.
var (
	stepsIn = func(x, man Place) cond {
		return all(inLane(x, RollLane, screener, rim), not(within(x, LeftHisMan, man)))
	}
	bothOnBall = all(takes, within(xCutter, OnTheBall, cutter), within(xScreener, OnTheBall, cutter))
	bigBelow   = not(ahead(xScreener, cutter))
)

var ballParts = [3]string{"Handler", "Screener", "The others"}

var ballTwo = []Person{
	{ID: cutter, Name: "Handler", Word: "the handler", Letter: "H", Ball: true},
	{ID: screener, Name: "Screener", Word: "the screener", Letter: "S", Screens: true},
	{ID: xCutter, Name: "Guard", Word: "the guard", Letter: "H", Guards: cutter},
	{ID: xScreener, Name: "Big", Word: "the big", Letter: "S", Guards: screener},
}

var threeMore = []Person{
	{ID: one, Name: "Near corner", Word: "the near corner", Letter: "1"},
	{ID: two, Name: "Far wing", Word: "the far wing", Letter: "2"},
	{ID: three, Name: "Far corner", Word: "the far corner", Letter: "3"},
	{ID: xOne, Name: "Near corner's defender", Word: "the near corner's man", Letter: "1", Guards: one},
	{ID: xTwo, Name: "Far wing's defender", Word: "the far wing's man", Letter: "2", Guards: two},
	{ID: xThree, Name: "Far corner's defender", Word: "the far corner's man", Letter: "3", Guards: three},
}

func people(groups ...[]Person) []Person {
	var out []Person
	for _, g := range groups {
		out = append(out, g...)
	}
	return out
}

const onePush = "Take your man away from the screen, or stand still and let him stop: then come off shoulder to shoulder."

var ballScreen = &Screen{
	ID: Ball, Name: "Ball screen",
	Roles: [2]Role{Handler, Screener}, Family: BallUp, People: people(ballTwo, threeMore), Parts: ballParts,
	About: "A screen for the ball on the wing, coming to the middle; three more spread the floor.",
	Before: []string{
		onePush,
		"Screener: sprint to it, feet down, find the guard's body, back to where the ball goes.",
		"Handler: two dribbles past the screen, eyes on the big, then on the help.",
	},
	Caution: contactCaution,
	rows: []Row{
		{
			Cue: Drop, when: all(deeper(xScreener, 4, cutter), trailing), Seen: "The big stays back, the guard chases over the screen",
			CutterRead: PullUp, ScreenerRead: Roll,
			Say:          "The big is back: keep the guard behind you and pull up.",
			CutterPart:   "Two dribbles, guard on your back, stop on two feet for the jumper.",
			ScreenerPart: "Roll on a curved way to the rim, hands up; stop short if the big sits under it.",
			PasserPart:   "Stay wide; the corner is the next pass if his man steps in.",
			Then: []Look{{StepBack, "the guard leans on your back"}, {Snake, "the guard runs past your hip: back across for the middle jumper"},
				{Pocket, "the big comes up to the ball"}},
			Mistakes: []string{"Lets the guard get back in front", "Picks the ball up at the screen", "Pocket pass one dribble late"},
		},
		{
			Cue: Tag, when: anyOne(stepsIn(xOne, one), stepsIn(xThree, three), stepsIn(xTwo, two)),
			Seen:       "The big stays back and a helper steps in to the roller",
			show:       []put{{who: xOne, from: screener, feet: 9, to: rim}},
			CutterRead: CornerPass, ScreenerRead: Roll,
			Say:          "They tag the roller: pass to the man that was left, on time.",
			CutterPart:   "See him step in, pass with the near hand off the dribble, then relocate to the top.",
			ScreenerPart: "Roll all the way: you hold two of them.",
			PasserPart:   "Left alone: feet ready, shot or drive at the long closeout.",
			Then:         []Look{{PullUp, "he goes back to his man"}},
			Mistakes:     []string{"Forces it to the tagged roller", "Looks late: the closeout is there", "Stands after the pass"},
		},
		{
			Cue: Under, when: goneBy, Seen: "The guard goes behind the screen",
			CutterRead: UseAgain, ScreenerRead: Rescreen,
			Say:          "He went under: use it again, lower, until he chases.",
			CutterPart:   "Stop, wait for the second screen nearer the rim, go again.",
			ScreenerPart: "No roll yet: turn and screen him again, lower.",
			PasserPart:   "Hold your places: nothing has been won yet.",
			Then:         []Look{{ShootBehind, "in range and your feet are ready"}},
			Mistakes:     []string{"Drives into the waiting guard", "Screener rolls: nobody is beaten", "Second screen as far out as the first"},
		},
		{
			Cue: UnderFar, when: all(goneBy, farOut(cutter, OutOfRange)), Seen: "The guard goes behind the screen, far from the rim", shift: 8,
			CutterRead: UseAgain, ScreenerRead: Rescreen,
			Say:          "Too far out for a shot: bring the screen lower and use it again.",
			CutterPart:   "Out here going under costs them nothing. Walk it in, then go.",
			ScreenerPart: "Step down toward the line and set it there.",
			PasserPart:   "Hold your places.",
			Mistakes:     []string{"Shoots from out of range", "Drives into two waiting men"},
		},
		{
			Cue: Early, when: jumped, Seen: "The guard is over the screen before you use it",
			CutterRead: Reject, ScreenerRead: Flip,
			Say:          "He jumped it: reject, drive the other way.",
			CutterPart:   "Cross over low, away from the screen, to a two-foot stop.",
			ScreenerPart: "Turn the screen round behind him, then roll.",
			PasserPart:   "Near corner: drift along the baseline, ready for the pass.",
			Then:         []Look{{CornerPass, "the corner's man stops your drive"}, {PullUp, "the middle is open: two feet, jumper"}},
			Mistakes:     []string{"Comes off the screen into him", "Rejects without a change of pace"},
		},
		{
			Cue: Ice, when: all(jumped, bigBelow), Seen: "The guard sits on the high side, the big waits below",
			CutterRead: AttackBig, ScreenerRead: Flip,
			Say:          "They ice it: go at the big, finish on two feet.",
			CutterPart:   "Down the side hard, get the big on his heels.",
			ScreenerPart: "Flip the angle: step-up, or pop to the space behind the ball.",
			PasserPart:   "Corner: lift or drift so that the driver sees you.",
			Then: []Look{{StepBack, "short corner, the guard runs past"}, {Snake, "the big is too deep: back to the line"},
				{HitPop, "the big comes at you: over his head, then relocate"}, {CornerPass, "the wing helps"}},
			Mistakes: []string{"Dribbles to the sideline and dies there", "Screener stands on the old side", "One-foot finish into the big"},
		},
		{
			Cue: Hedge, when: all(takes, not(stays)), Seen: "The big steps out in your way and will go back",
			CutterRead: DragOut, ScreenerRead: Slip,
			Say:          "He hedges: drag him out, hit the slip.",
			CutterPart:   "Two retreat dribbles, keep it alive, pass over or round him.",
			ScreenerPart: "Leave early into the space he left; stop short of the help.",
			PasserPart:   "Far side: lift, you are the next pass when the slip is met.",
			Then:         []Look{{Through, "a gap between the two: low and tight, shoulders to the far sideline"}, {CornerPass, "a helper meets the slip: the man he left"}},
			Mistakes:     []string{"Picks it up", "Dribbles into the sideline", "Screener holds the screen"},
		},
		{
			Cue: Blitz, when: bothOnBall, Seen: "Guard and big are both on the ball",
			CutterRead: PassOut, ScreenerRead: ShortRoll,
			Say:          "Two on the ball: out of it early, then four against three.",
			CutterPart:   "Back dribble, pass before they close, to the short roll or the pop.",
			ScreenerPart: "Short roll to the line, catch, turn, look at the corner.",
			PasserPart:   "Be seen: corner deep, wing high.",
			Then:         []Look{{HitPop, "the screener shoots and space is behind him"}},
			Mistakes:     []string{"Waits until both have arrived", "Cross-court pass in the air", "Short roll runs to the rim blind"},
		},
		{
			Cue: Switch, feel: true, when: all(takes, stays), Seen: "The big takes you, the guard stays with the screener",
			CutterRead: AttackBig, ScreenerRead: Seal,
			Say:          "They switched: at the big; back it out if he is set, or feed the seal.",
			CutterPart:   "Change of pace at his feet: jumper if he sits back, past him if he comes.",
			ScreenerPart: "Sit on the small man, seal him, hands up.",
			PasserPart:   "Clear a side: one of the two has a mismatch.",
			Then:         []Look{{StepBack, "he sits back"}, {BackOut, "he is set: make him come out, then go"}, {FeedSeal, "the seal is deep and the angle right; then relocate"}},
			Mistakes:     []string{"Attacks before the floor is clear", "Never looks at the seal", "Seals too far out"},
		},
	},
	variants: []variant{{
		chosen: func(s School) bool { return s.ShootFirst },
		row: Row{
			Cue: Under, CutterRead: ShootBehind, Say: "He went under: stop behind the screen and shoot it.",
			CutterPart:   "One dribble, stop behind the screener, feet set.",
			ScreenerPart: "Hold him off; screen again if he comes back out.",
			Then:         []Look{{UseAgain, "no shot: lower, until he chases over"}},
		},
	}},
	persons: []personal{
		{
			chosen: func(school School, s *Situation) bool { return school.ShootFirst && !s.CutterShoots },
			row: Row{Cue: Under, CutterRead: UseAgain, Say: "He went under and it is not your shot: use it again, lower.",
				CutterPart: "Stop, wait for the second screen nearer the rim, go again.", Then: []Look{}},
		},
		{
			chosen: func(_ School, s *Situation) bool { return s.ScreenerShoots },
			row:    Row{Cue: Drop, ScreenerRead: Pop, ScreenerPart: "You shoot: pop to the open space, feet ready."},
		},
	},
	spots: layout{from: "wingR", to: "top", screenerFrom: "elbowR", at: 0.42, back: "slotL",
		others: map[Place]string{one: "cornerR", two: "wingL", three: "cornerL"}},
}

var stepUpScreen = &Screen{
	ID: StepUp, Name: "Step-up screen",
	Roles: [2]Role{Handler, Screener}, Family: BallUp, People: people(ballTwo, threeMore), Parts: ballParts,
	About: "The screener shows a normal screen and flips it late: the ball goes down the side. The answer to ice.",
	Before: []string{
		"Screener: run to the normal side first, then flip your feet, back to the baseline.",
		"Set it in the outer third of the floor, one normal step from a guard who cannot see it.",
		onePush,
	},
	Caution: blindCaution,
	rows: but(pick(ballScreen.rows, Drop, Under, Hedge, Switch),
		Row{Cue: Drop, when: trailing, CutterRead: TurnCorner, ScreenerRead: Pop, Seen: "The guard is behind you, the big stays back",
			Say: "He's on your back: turn the corner, down the side.", CutterPart: "Tight to the screen, shoulder past him, two feet in the lane.",
			ScreenerPart: "Pop behind the ball: the big has to choose.", PasserPart: "Corner: clear up or drift, the driver needs the baseline.",
			Then:     []Look{{HitPop, "the big stops the drive"}, {CornerPass, "the corner's man comes"}},
			Mistakes: []string{"Wide round the screen", "Screener flips too early: the guard sees it", "Pop into the driver's help"}},
		Row{Cue: Under, Seen: "The guard cuts behind the screen to meet you below", Say: "He went under: stop, use it again the other way.",
			CutterPart: "Back out, let it breathe, come off the other side.", ScreenerPart: "Turn and screen the other way."},
		Row{Cue: Hedge, Seen: "The big jumps out below the screen", Say: "The big jumped out: drag him, hit the pop behind.", ScreenerRead: Pop,
			ScreenerPart: "Pop at once: nobody is with you.", CutterRead: HitPop, Then: []Look{{Through, "a gap between the two"}}},
	),
	spots: layout{from: "slotR", to: "cornerR", screenerFrom: "elbowR", at: 0.35, blind: true, back: "cornerR",
		others: map[Place]string{one: "top", two: "wingL", three: "cornerL"}},
}

var ghostScreen = &Screen{
	ID: Ghost, Name: "Ghost screen",
	Roles: [2]Role{Handler, Screener}, Family: BallUp, People: people(ballTwo, threeMore), Parts: ballParts,
	About: "The screener comes as if to screen and slips out without contact, far from the ball. It troubles teams that switch or show.",
	Before: []string{
		"Screener: full speed to the spot, no contact, out the other side.",
		"Handler: one hard dribble at the moment he leaves.",
		"The high helper must look at the slip: that is the point of it.",
	},
	Caution: contactCaution,
	rows: but(pick(ballScreen.rows, Drop, Under, Hedge, Switch),
		Row{Cue: Drop, when: trailing, Seen: "Both stay with their men", CutterRead: TurnCorner, ScreenerRead: Pop,
			Say: "They stayed: drive it, nobody helps.", CutterPart: "Hard past the guard's hip: the big left with the ghost.",
			ScreenerPart: "Run to open space, as far from the ball as you can.", PasserPart: "Stay wide.",
			Then: []Look{{HitPop, "the big helps on the drive"}}},
		Row{Cue: Under, Seen: "The guard drops behind the screen that never comes", CutterRead: ShootBehind, ScreenerRead: Pop,
			Say: "He dropped for a screen that never came: shoot it.", CutterPart: "He is a step away: feet ready, shot.",
			ScreenerPart: "Keep running to space.", Then: []Look{{HitPop, "the big stays at the ball"}}},
		Row{Cue: Hedge, Say: "The big showed: pass to the ghost now.", CutterRead: HitSlip, ScreenerRead: Pop, CutterPart: "One look, over the top of him.",
			ScreenerPart: "Hands ready on the run: nobody is with you.", Then: []Look{{Through, "a gap between the two"}}},
		Row{Cue: Switch, Seen: "They switch a screen that never came", Say: "They switched too early: the ghost is alone.", CutterRead: HitSlip, ScreenerRead: Pop,
			CutterPart: "Pass at once, before the small man finds him.", ScreenerPart: "Shot, or at the closeout.",
			Then: []Look{{BackOut, "he found him: back out, go at the big"}}},
	),
	spots: layout{from: "wingR", to: "top", screenerFrom: "elbowR", at: 0.42,
		others: map[Place]string{one: "cornerR", two: "wingL", three: "cornerL"}},
}

var doubleHighScreen = &Screen{
	ID: DoubleHigh, Name: "Double high",
	Roles: [2]Role{Handler, Screener}, Family: BallUp, Parts: ballParts,
	People: []Person{
		ballTwo[0],
		{ID: screener, Name: "First screener", Word: "the first screener", Letter: "F", Screens: true},
		{ID: second, Name: "Second screener", Word: "the second screener", Letter: "S", Screens: true},
		{ID: one, Name: "Near corner", Word: "the near corner", Letter: "1"},
		{ID: two, Name: "Far corner", Word: "the far corner", Letter: "2"},
		ballTwo[2],
		{ID: xScreener, Name: "First screener's defender", Word: "the first screener's man", Letter: "F", Guards: screener},
		{ID: xSecond, Name: "Second screener's defender", Word: "the second screener's man", Letter: "S", Guards: second},
		{ID: xOne, Name: "Near corner's defender", Word: "the near corner's man", Letter: "1", Guards: one},
		{ID: xTwo, Name: "Far corner's defender", Word: "the far corner's man", Letter: "2", Guards: two},
	},
	About: "Two screeners up top, one after the other. One rolls, one pops.",
	Before: []string{
		"Screeners: agree who rolls. The better inside player does; no difference, the first rolls.",
		onePush,
		"Handler: off both, then look at the second screener's man.",
	},
	Caution: contactCaution,
	rows: but(insert(pick(ballScreen.rows, Drop, Under, Hedge, Switch), popperLeft),
		Row{Cue: Drop, when: all(trailing, within(xSecond, LeftHisMan, second)), CutterRead: HitRoll, Seen: "Both screeners' men stay with them",
			Say: "Everybody stays home: the roll is one on one, hit it.", CutterPart: "Turn the corner, eyes on the roll, pass before the help.",
			ScreenerPart: "First rolls to the rim, second pops to the gap.", Then: []Look{{PullUp, "the roller's man sits under the rim"}}},
		Row{Cue: Under, Say: "He went under both: come off them again, lower."},
		Row{Cue: Hedge, Say: "The first one's man shows: hit the roll behind him.", CutterRead: HitRoll, ScreenerRead: Roll, ScreenerPart: "First rolls into the space he left.",
			Then: []Look{{HitPop, "the second one's man drops to the roll"}, {Through, "a gap between the two"}}},
		Row{Cue: Switch, Say: "They switched: go at the big, or feed the one he left."},
	),
	persons: []personal{{
		chosen: func(_ School, s *Situation) bool { return s.ScreenerShoots && !s.SecondShoots },
		row:    Row{Cue: Drop, ScreenerRead: Pop, ScreenerPart: "You are the shooter: first pops, second rolls."},
	}},
	spots: layout{from: "wingR", to: "top", screenerFrom: "elbowR", at: 0.3, passes: overTop,
		others: map[Place]string{one: "cornerR", two: "cornerL"}, beside: map[Place]offset{second: {7.5, -HipToHip}}},
}

// popperLeft is the row of the double high where the second screener's man
// meets the roll.
var popperLeft = Row{
	Cue: TagLow, when: all(not(within(xSecond, LeftHisMan, second)), inLane(xSecond, RollLane, screener, rim)),
	Seen: "The second screener's man drops to meet the roll", show: []put{{who: xSecond, from: screener, feet: 13, to: rim}},
	CutterRead: HitPop, ScreenerRead: Roll,
	Say:          "The popper is left: pass back to him.",
	CutterPart:   "Two dribbles, look at the roll, throw back to the pop.",
	ScreenerPart: "First rolls and holds two; second pops, feet ready.",
	PasserPart:   "Corners stay wide.",
	Then:         []Look{{HitRoll, "he goes back to the popper"}},
	Mistakes:     []string{"Forces the roll into two", "Both screeners roll", "Pop stands in the driver's way"},
}

// insert puts a row behind the first.
func insert(rows []Row, r Row) []Row {
	return append([]Row{rows[0], r}, rows[1:]...)
}

// pick returns the rows of some cues, in the order asked for.
func pick(rows []Row, cues ...Cue) []Row {
	var out []Row
	for _, c := range cues {
		for _, r := range rows {
			if r.Cue == c {
				out = append(out, r)
			}
		}
	}
	return out
}

var handoffScreen = &Screen{
	ID: Handoff, Name: "Handoff",
	Roles: [2]Role{Handler, Screener}, Family: Handoffs, Parts: [3]string{"Receiver", "Carrier", "The others"},
	People: []Person{
		{ID: screener, Name: "Carrier", Word: "the carrier", Letter: "B", Ball: true, Screens: true},
		{ID: cutter, Name: "Receiver", Word: "the receiver", Letter: "R"},
		{ID: xCutter, Name: "Receiver's defender", Word: "the receiver's man", Letter: "R", Guards: cutter},
		{ID: xScreener, Name: "Carrier's defender", Word: "the carrier's man", Letter: "B", Guards: screener},
	},
	About: "The receiver sprints to the ball and runs off the carrier's hip; the carrier stops, gives and stands in the way.",
	Before: []string{
		"Carrier: stop on two feet, ball in the near hand, your body between ball and defender.",
		"Receiver: away first, then sprint off the hip. No daylight.",
		"Carrier: after the give hold still: moving into him is a foul.",
	},
	Caution: contactCaution,
	rows: []Row{
		{
			Cue: Trail, when: not(goneBy), Seen: "Your man chases you over the handoff",
			CutterRead: TurnCorner, ScreenerRead: Roll,
			Say:          "He's behind you: turn the corner and go downhill.",
			CutterPart:   "Take it on the run, shoulder past the hip, two feet in the lane.",
			ScreenerPart: "Give, hold, roll behind the ball.",
			PasserPart:   "Stay wide, be seen.",
			Then:         []Look{{HitRoll, "the carrier's man stops the drive"}},
			Mistakes:     []string{"Slows down to take it", "Runs wide of the hip", "Carrier leans into the defender"},
		},
		{
			Cue: Under, when: goneBy, Seen: "Your man goes behind the carrier",
			CutterRead: ShootBehind, ScreenerRead: Rescreen,
			Say:          "He went under: stop behind the handoff and shoot it.",
			CutterPart:   "Take it, stop, feet set behind the carrier's back.",
			ScreenerPart: "Stay between; screen him again as he comes out.",
			PasserPart:   "Be ready for the extra pass.",
			Then:         []Look{{UseAgain, "no shot: go back off the same hip"}},
			Mistakes:     []string{"Drives into him", "Carrier rolls although nobody is beaten"},
		},
		{
			Cue: Denied, when: jumped, Seen: "Your man is between you and the ball",
			CutterRead: BackDoor, ScreenerRead: Roll,
			Say:          "He denies it: cut behind him to the rim.",
			CutterPart:   "One step at the ball, push off, behind him, hand low.",
			ScreenerPart: "Keep the ball: bounce it behind him, or turn and drive.",
			PasserPart:   "The corner lifts for the next handoff.",
			Mistakes:     []string{"Fights for the ball", "Carrier gives it anyway"},
		},
		{
			Cue: Switch, feel: true, when: all(takes, stays), Seen: "The carrier's man takes you, yours stays with the carrier",
			CutterRead: AttackBig, ScreenerRead: Slip,
			Say:          "They switched: go at the big; carrier slips.",
			CutterPart:   "Straight at him before he is set, change of pace, two feet.",
			ScreenerPart: "Slip to the rim with the small man on your back.",
			PasserPart:   "Clear the side.",
			Then:         []Look{{HitSlip, "the small man is on his back"}},
			Mistakes:     []string{"Waits until the big is set", "Carrier watches"},
		},
	},
	spots: layout{from: "cornerR", to: "top", screenerFrom: "elbowR", at: 0.6, back: "top"},
}

var dribbleAtScreen = &Screen{
	ID: DribbleAt, Name: "Dribble at the wing",
	Roles: [2]Role{Cutter, Screener}, Family: Handoffs, Parts: [3]string{"Wing", "Corner", "Handler"},
	People: []Person{
		{ID: passer, Name: "Handler", Word: "the handler", Letter: "H", Ball: true},
		{ID: cutter, Name: "Wing", Word: "the wing", Letter: "W"},
		{ID: screener, Name: "Corner", Word: "the corner", Letter: "C"},
		{ID: xCutter, Name: "Wing's defender", Word: "the wing's man", Letter: "W", Guards: cutter},
		{ID: xScreener, Name: "Corner's defender", Word: "the corner's man", Letter: "C", Guards: screener},
	},
	About: "The entry to the wing is denied: dribble at him, he cuts behind his man, the corner lifts for the handoff.",
	Before: []string{
		"Handler: see the denial before you pick the ball up.",
		"Dribble straight at the wing: that is the signal.",
		"Corner: lift as the wing leaves.",
	},
	Caution: contactCaution,
	rows: []Row{
		{
			Cue: Behind, when: not(inLane(xCutter, 3, passer, cutter)), show: []put{{who: xCutter, from: cutter, feet: 5.5, to: rim}}, Seen: "The wing's man plays behind him: the pass is free",
			CutterRead: Straight, ScreenerRead: Shape,
			Say:          "Nobody denies it: catch and face.",
			CutterPart:   "Step to the pass, catch, turn to the rim.",
			ScreenerPart: "Stay in the corner, feet ready.",
			PasserPart:   "Outside hand, then cut.",
			Mistakes:     []string{"Dribbles at a man who is open", "Catches standing"},
		},
		{
			Cue: Denied, when: inLane(xCutter, 3, passer, cutter), Seen: "The wing's man stands in the pass",
			show:       []put{{who: xCutter, from: cutter, feet: 4, to: passer}},
			CutterRead: BackCut, ScreenerRead: StepBall,
			Say:          "He's denied: dribble at him, back cut, corner lifts.",
			CutterPart:   "Go behind him all the way to the rim and through.",
			ScreenerPart: "Lift to the wing as he leaves, come for the handoff.",
			PasserPart:   "First look is the cut, bounce it; then hand it to the corner.",
			Mistakes:     []string{"Stops half way", "Corner lifts too early and fills the cut"},
		},
	},
	spots: layout{from: "wingR", to: "rim", ball: "slotR", screenerFrom: "cornerR", free: true,
		set:    []put{{who: cutter, from: start, feet: 0, to: catch}},
		others: map[Place]string{screener: "cornerR"}},
}
