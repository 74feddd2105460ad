package reads

// The actions with a screen for the ball.

var ballScreen = &Action{
	ID: Ball, Name: "Ball screen",
	Roles: [2]Role{Handler, Screener}, Family: BallUp, Participants: participants(ballTwo, threeMore), Parts: ballParts,
	About: "A screen for the ball on the wing, coming to the middle; three more spread the floor.",
	Before: []string{
		onePush,
		"Screener: sprint to it, feet down, find the guard's body, back to where the ball goes.",
		"Handler: two dribbles past the screen, eyes on the big, then on the help.",
	},
	Caution: contactCaution,
	rows:    append(append([]Row(nil), ballRows...), weakRow),
	edits:   shootFirst,
	spots: layout{from: "wingR", to: "top", screenerFrom: "elbowR", at: 0.42, back: "slotL",
		others: map[Place]string{one: "cornerR", two: "wingL", three: "cornerL"}},
}

// besidesExit are the others when one of them comes off an exit screen to the near corner.
var besidesExit = []Participant{
	{ID: second, Name: "Exit screener", Word: "the exit screener", Letter: "E", Screens: true},
	{ID: one, Name: "Shooter", Word: "the shooter", Letter: "1"},
	{ID: three, Name: "Far corner", Word: "the far corner", Letter: "3"},
	{ID: xSecond, Name: "Exit screener's defender", Word: "the exit screener's defender", Letter: "E", Guards: second},
	{ID: xOne, Name: "Shooter's defender", Word: "the shooter's defender", Letter: "1", Guards: one},
	{ID: xThree, Name: "Far corner's defender", Word: "the far corner's defender", Letter: "3", Guards: three},
}

var ballExitScreen = &Action{
	ID: BallExit, Name: "Ball screen with an exit screen",
	Roles: [2]Role{Handler, Screener}, Family: BallUp, Participants: participants(ballTwo, besidesExit),
	Parts: ballParts,
	About: "While the ball comes off its screen, a second screen on the block sends a shooter to the near corner: " +
		"one helper less in the lane.",
	Before: []string{
		onePush,
		"Exit screener: feet set on the block before the ball moves.",
		"Shooter: leave as the handler turns the corner.",
	},
	Caution: contactCaution,
	rows: but(pick(ballRows, Drop, Tag, Under, SoftShow, HardHedge, Blitz, Switch),
		Row{Cue: Drop, Cutter: ballRows[0].Cutter[:4]},
		Row{Cue: Tag, when: all(bigDeep, beaten, anyOne(stepped(xOne, one), stepped(xThree, three))),
			show: []put{{who: xOne, from: rim, feet: 9, to: screener}},
			Cutter: []Answer{also(CornerPass, cornerTags, anyOne(stepped(xOne, one), stepped(xThree, three)),
				"The shooter's defender tags: hit the corner.", "To the corner off the exit screen, on time."),
				ballRows[2].Cutter[2]}},
		Row{Cue: HardHedge, Cutter: []Answer{ballRows[8].Cutter[0], ballRows[8].Cutter[1]}},
		Row{Cue: Blitz, Cutter: []Answer{ballRows[9].Cutter[0], ballRows[9].Cutter[2], ballRows[9].Cutter[3]}},
	),
	edits: shootFirst,
	spots: layout{from: "wingR", to: "top", screenerFrom: "elbowR", at: 0.42, back: "slotL",
		others: map[Place]string{second: "shortR", one: "cornerR", three: "cornerL"},
		set:    []put{{who: one, from: one, feet: 2.5, to: rim}, {who: second, from: second, feet: 2, to: rim}}},
}

var stepUpScreen = &Action{
	ID: StepUp, Name: "Step-up screen",
	Roles: [2]Role{Handler, Screener}, Family: BallUp, Participants: participants(ballTwo, []Participant{
		{ID: one, Name: "Slot", Word: "the slot", Letter: "1"}, threeMore[1], threeMore[2],
		{ID: xOne, Name: "Slot's defender", Word: "the slot's defender", Letter: "1", Guards: one}, threeMore[4],
		threeMore[5],
	}), Parts: ballParts,
	About: "The screener shows a normal screen and flips it late: the ball goes down the side. The answer to ice.",
	Before: []string{
		"Screener: run to the normal side first, then flip your feet, back to the baseline.",
		"Set it in the outer third of the floor, one normal step from a guard who cannot see it.",
		onePush,
	},
	Caution: blindCaution,
	rows: but(pick(ballRows, Drop, Under, HardHedge, Switch),
		Row{Cue: Drop, when: all(beaten, not(bigOut)), Seen: "The guard is behind you and the big is not on the ball",
			Cutter: []Answer{
				answer(TurnCorner, "They're on your back: turn the corner, down the side.",
					"Tight to the screen, shoulder past the guard, two feet in the lane."),
				also(HitPop, bigStops, all(bigBelow, bigUp), "The big stops you: throw back to the pop.",
					"Over the big to the pop behind you."),
			},
			Screener: []Answer{job(Pop, "Pop behind the ball: the big has to choose."),
				job(Roll, "Roll behind the ball when you finish better than you shoot.")},
			PasserPart: "Corner: clear up or drift, the driver needs the baseline.",
			Mistakes: []string{"Wide around the screen", "Screener flips too early: the guard sees it",
				"Pop into the driver's help"}},
		Row{Cue: Under, Seen: "The guard cuts behind the screen to meet you below",
			Cutter: []Answer{answer(UseAgain, "They went under: stop, use it again the other way.",
				"Back out and come off the other side."), ballRows[3].Cutter[1]},
			ScreenerPart: "Turn and screen the other way."},
		Row{Cue: HardHedge, Seen: "The big jumps out below the screen",
			Cutter: []Answer{answer(HitPop, "The big jumped out: stretch it, hit the pop behind.",
				"Stretch it a dribble, then over the big to the pop."), splitTwo},
			Screener: []Answer{job(Pop, "Pop at once: your defender left you."),
				job(Roll, "Dive to the rim behind the big.")}},
		Row{Cue: Switch, Cutter: []Answer{ballRows[10].Cutter[0], ballRows[10].Cutter[1], ballRows[10].Cutter[3],
			also(HitPop, popperFree, not(within(xSecond, body(4.5), second)),
				"The second one's defender drops: hit the pop.", "Throw back to the popper.")}},
	),
	edits: shootFirst,
	spots: layout{from: "slotR", to: "cornerR", screenerFrom: "elbowR", at: 0.35, blind: true, back: "cornerR",
		others: map[Place]string{one: "slotL", two: "wingL", three: "cornerL"},
		set:    []put{{who: one, from: one, feet: 3.8, to: start}}},
}

var ghostScreen = &Action{
	ID: Ghost, Name: "Ghost screen",
	Roles: [2]Role{Handler, Screener}, Family: BallUp, Participants: participants(ballTwo, threeMore), Parts: ballParts,
	About: "The screener comes as if to screen and slips out without contact, far from the ball. It troubles teams " +
		"that switch or show.",
	Before: []string{
		"Screener: full speed to the spot, no contact, out the other side.",
		"Handler: one hard dribble at the moment the screener leaves.",
		"The high helper must look at the slip: that is the point of it.",
	},
	Caution: contactCaution,
	rows: but(pick(ballRows, Drop, Under, HardHedge, Switch),
		Row{Cue: Drop, when: all(beaten, not(bigOut)), Seen: "The guard is behind you and the big is not on the ball",
			Cutter: []Answer{
				answer(TurnCorner, "They stayed: drive it.", "Hard past the guard's hip, the big is off the ball."),
				also(HitPop, bigStops, bigBelow, "The big helps on the drive: hit the ghost.",
					"Over the top to the ghost."),
			},
			Screener:   []Answer{job(Pop, "Run to open space, as far from the ball as you can.")},
			PasserPart: "Stay wide."},
		Row{Cue: Under, Seen: "The guard drops behind the screen that never comes",
			Cutter: []Answer{answer(ShootBehind, "They dropped for a screen that never came: shoot it.",
				"The guard is a step away: feet ready, shot."),
				also(HitPop, bigStays, within(xScreener, body(6), cutter), "The big stays at the ball: hit the ghost.",
					"Over the top to the ghost.")},
			Screener: []Answer{job(Pop, "Keep running to space.")}},
		Row{Cue: HardHedge,
			Cutter: []Answer{answer(HitSlip, "The big showed: pass to the ghost now.", "One look, over the top."),
				splitTwo},
			Screener: []Answer{job(Pop, "Hands ready on the run: your defender left you.")}},
		Row{Cue: Switch, Seen: "They switch a screen that never came",
			Cutter: []Answer{answer(HitSlip, "They switched too early: hit the ghost.",
				"Pass at once, before the guard gets out there."),
				also(BackOut, bigSquare, not(within(xScreener, body(4), cutter)),
					"The big is square: back out, go at the big.", "Back out, clear the side, then go.")},
			Screener: []Answer{job(Pop, "Shoot it, or attack the closeout.")}},
	),
	spots: layout{from: "wingR", to: "top", screenerFrom: "elbowR", at: 0.42,
		others: map[Place]string{one: "cornerR", two: "wingL", three: "cornerL"}},
}

var doubleHighScreen = &Action{
	ID: DoubleHigh, Name: "Double high",
	Roles: [2]Role{Handler, Screener}, Family: BallUp, Parts: ballParts,
	Participants: []Participant{
		ballTwo[0],
		ordered(screener, xScreener, "First")[0],
		ordered(second, xSecond, "Second")[0],
		{ID: one, Name: "Near corner", Word: "the near corner", Letter: "1"},
		{ID: two, Name: "Far corner", Word: "the far corner", Letter: "2"},
		ballTwo[2],
		ordered(screener, xScreener, "First")[1],
		ordered(second, xSecond, "Second")[1],
		{ID: xOne, Name: "Near corner's defender", Word: "the near corner's defender", Letter: "1", Guards: one},
		{ID: xTwo, Name: "Far corner's defender", Word: "the far corner's defender", Letter: "2", Guards: two},
	},
	About: "Two screeners up top, one after the other. One rolls, one pops.",
	Before: []string{
		"Screeners: agree who rolls. The better inside player does; no difference, the first rolls.",
		onePush,
		"Handler: off both, then look at the second screener's defender.",
	},
	Caution: contactCaution,
	rows: but([]Row{ballRows[0], popperLeft, ballRows[3], ballRows[8], ballRows[10]},
		Row{Cue: Drop, when: all(beaten, not(bigOut), not(popperAlone)),
			Seen: "The guard is behind you and nobody has left the popper",
			Cutter: []Answer{
				answer(HitRoll, "They stay home: turn the corner and hit the roll.",
					"Turn the corner, eyes on the roll, pass before the help."),
				also(PullUp, bigHome, bigDeep, "The big sits back: your own shot.",
					"Two dribbles, two feet, jumper.").leads(bigDeep),
				also(TurnCorner, laneFree, not(inLane(xScreener, driveLane, cutter, rim)),
					"The big stays with the roll: drive it.", "Turn the corner and finish on two feet."),
				also(HitPop, popperFree, not(within(xSecond, body(4.5), second)),
					"The popper's defender sags: throw back to the pop.", "Turn the corner, throw back to the pop."),
			},
			Screener: []Answer{job(Roll, "First rolls to the rim, second pops to the gap."),
				also(Pop, popper, all(shoots(screener), not(shoots(second))), "",
					"You are the shooter: first pops, second rolls.").leads(
					all(shoots(screener), not(shoots(second))))}},
		Row{Cue: Under, Say: "They went under both: come off them again, lower."},
		Row{Cue: HardHedge,
			Cutter: []Answer{
				answer(HitRoll, "The first one's defender shows: hit the roll behind.",
					"Stretch it a dribble, pass behind the big to the roll."),
				also(HitPop, popperFree, not(within(xSecond, body(4.5), second)),
					"The second one's defender drops: hit the pop.", "Throw back to the popper."), splitTwo,
				also(TurnCorner, bigSlow, not(outside(xScreener, body(1), cutter)),
					"You are outside the big's hip: turn the corner.", "Two hard dribbles, shoulder past the hip.")},
			Screener: []Answer{job(Roll, "First rolls into the space the big left.")}},
		Row{Cue: Switch, Say: "They switched: go at the big, or feed the one the big left.",
			Cutter: []Answer{ballRows[10].Cutter[0], ballRows[10].Cutter[1], ballRows[10].Cutter[3],
				also(HitPop, popperFree, not(within(xSecond, body(4.5), second)),
					"The second one's defender drops: hit the pop.", "Throw back to the popper.")}},
	),
	edits: shootFirst,
	spots: layout{from: "wingR", to: "top", screenerFrom: "elbowR", at: 0.3, passes: overTop,
		others: map[Place]string{one: "cornerR", two: "cornerL"}, beside: map[Place]offset{second: {7.5, -HipToHip}}},
}

// popperAlone is the second screener left by a defender who meets the roll.
var popperAlone = all(not(within(xSecond, leftPlayer, second)), inLane(xSecond, rollLane, screener, rim))

// popperLeft is the row of the double high where the second screener's defender meets
// the roll.
var popperLeft = Row{
	Cue: TagLow, when: all(popperAlone, beaten, not(bigOut)),
	Seen:  "The second screener's defender drops to meet the roll",
	show:  []put{{who: xSecond, from: screener, feet: 13, to: rim}},
	moves: []move{{who: xCutter, along: 8, out: 0}, {who: xScreener, along: 0, out: -1}},
	Cutter: []Answer{answer(HitPop, "The popper is left: throw back to the pop.",
		"Two dribbles, look at the roll, throw back to the pop."),
		also(PullUp, bigHome, bigDeep, "The big sits back: your own shot.", "Two dribbles, two feet, jumper.")},
	Screener:   []Answer{job(Roll, "The first rolls and draws two; the second pops, feet ready.")},
	PasserPart: "Corners stay wide.",
	Mistakes:   []string{"Forces the roll into two", "Both screeners roll", "Pop stands in the driver's way"},
}
