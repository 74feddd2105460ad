package reads

// The tables of the ball screens (common practice, no source). The words are the
// product's own.

// Ids of the actions with the ball in the screen.
const (
	Ball       = "ball"
	BallExit   = "ballexit"
	StepUp     = "stepup"
	Ghost      = "ghost"
	DoubleHigh = "doublehigh"
	Handoff    = "handoff"
	DribbleAt  = "dribbleat"
)

// Distances of the coverages, in feet, and speeds, in feet a second.
var (
	// armsReach is how near guard and big stand when both are on the ball (assumption).
	armsReach = body(4.2)
	// leftPlayer is how far from the own player a helper has left that player (assumption).
	leftPlayer = onCourt(9)
	// rollLane is how near to the roller's way a tagging helper stands (assumption).
	rollLane = onCourt(7)
	// dropDepth is how much deeper than the screen a big in drop stands (common practice).
	dropDepth = onCourt(4)
	// atScreen is how near the screen a big at the level stands (assumption).
	atScreen = body(7)
	// driveLane is how near the way from the ball to the rim a big waits below it (assumption).
	driveLane = onCourt(7)
	// outOfRange is how far behind the arc a shot behind the screen is no threat any more
	// (assumption: well behind every line).
	outOfRange = onCourt(4.5)
	// underBasket is how near the ring a big is who stands too deep (common practice).
	underBasket = onCourt(4)
	// daylight is the gap between guard and big that can be split (common practice: 3 ft
	// between their bodies).
	daylight = body(3 + 2*BodyRadius)
)

const (
	// jumpSpeed is how fast a big goes who jumps out at the ball, in ft/s (assumption).
	jumpSpeed = 3.0
	// trapSpeed is how fast a big goes who attacks the ball, in ft/s (assumption).
	trapSpeed = 1.5
)

// What is seen of guard and big.
var (
	caught   = inBody
	onBack   = trailing
	beaten   = anyOne(onBack, caught) // the guard is behind the play
	bigOut   = all(within(xScreener, takeReach, cutter), ahead(xScreener, cutter), onSide(xScreener))
	bigDeep  = all(deeper(xScreener, dropDepth, screener), not(bigOut))
	trapping = all(bigOut, within(xCutter, armsReach, cutter), within(xScreener, armsReach, cutter), moving(xScreener, atBall, trapSpeed))
	jumpsOut = anyOne(moving(xScreener, outward, jumpSpeed), moving(xScreener, atBall, jumpSpeed))
	chases   = all(follows(xCutter), not(jumped))
	bigBelow = all(deeper(xScreener, onCourt(1), cutter), inLane(xScreener, driveLane, cutter, rim))
	bigUp    = moving(xScreener, upToBall, trapSpeed)
	bigAtRim = within(xScreener, underBasket, rim)
	gapToGo  = all(not(within(xCutter, daylight, xScreener)), not(ahead(xCutter, cutter)))
	stepped  = func(x, own Place) cond {
		return all(inLane(x, rollLane, screener, rim), not(within(x, leftPlayer, own)))
	}
	cornerTag = anyOne(stepped(xOne, one), stepped(xThree, three))
	wingTag   = stepped(xTwo, two)
)

// Second cues on the ball.
var (
	bigSteps     = SecondCue{"big-up", "the big steps up to the ball", ofBig}
	bigTurned    = SecondCue{"big-turned", "the big steps up and turns away from the roll", ofBig}
	bigHome      = SecondCue{"big-deep", "the big's heels are below the block", ofBig}
	bigSquare    = SecondCue{"big-square", "the big is square and deep", ofBig}
	bigSits      = SecondCue{"big-sits", "the big sits back a step", ofBig}
	bigStays     = SecondCue{"big-ball", "the big stays with the ball", ofBig}
	bigHips      = SecondCue{"big-hips", "the big's hips turn to the ball", ofBig}
	bigSlow      = SecondCue{"big-slow", "the big is slower and you are outside the hip", ofBig}
	bigStops     = SecondCue{"big-stops", "the big stops the drive", ofBig}
	bigInDrive   = SecondCue{"big-waits", "the big waits in the drive", ofBig}
	guardLeans   = SecondCue{"guard-leans", "the guard leans on your back", ofGuard}
	guardRuns    = SecondCue{"guard-past", "the guard runs past your hip", ofGuard}
	guardCaught  = SecondCue{"guard-caught", "the guard is caught on the screen", ofGuard}
	guardLong    = SecondCue{"guard-long", "the guard takes the long way", ofGuard}
	guardBack    = SecondCue{"guard-back", "the guard is behind the roller, within a step or two", ofRoll}
	angleFlipped = SecondCue{"angle-flipped", "the screener flips the angle", ofRoll}
	slipFirst    = SecondCue{"slip-first", "the big points to the switch or steps up before contact", ofRoll}
	bigAway      = SecondCue{"big-away", "the big is nowhere near the roll", ofBig}
	popperFree   = SecondCue{"popper-free", "the popper's defender sags off", ofHelp}
	slipsAtOnce  = SecondCue{"slips-at-once", "the screener slips at once", ofRoll}
	leavesFirst  = SecondCue{"leaves-first", "the big leaves before contact", ofRoll}
	middleOpen   = SecondCue{"middle-open", "the middle is open", ofHelp}
	cornerTags   = SecondCue{"corner-tags", "the corner's defender helps", ofHelp}
	wingTags     = SecondCue{"wing-tags", "the wing's defender helps", ofHelp}
	slipMet      = SecondCue{"slip-met", "a helper meets the slip", ofHelp}
	splitGap     = SecondCue{"daylight", "there are three feet of daylight between the two", ofGap}
	inShot       = SecondCue{"in-range", "you are in range and your feet are ready", ofShot}
	noShot       = SecondCue{"no-range", "it is not your shot", ofShot}
	popper       = SecondCue{"screener-shoots", "the screener shoots", ofShot}
	nothingOn    = SecondCue{"nothing-on", "nothing is there", ofHelp}
)

var ballParts = [3]string{"Handler", "Screener", "The others"}

var ballTwo = []Participant{
	{ID: cutter, Name: "Handler", Word: "the handler", Letter: "H", Ball: true},
	{ID: screener, Name: "Screener", Word: "the screener", Letter: "S", Screens: true},
	{ID: xCutter, Name: "Guard", Word: "the guard", Letter: "H", Guards: cutter},
	{ID: xScreener, Name: "Big", Word: "the big", Letter: "S", Guards: screener},
}

var threeMore = []Participant{
	{ID: one, Name: "Near corner", Word: "the near corner", Letter: "1"},
	{ID: two, Name: "Far wing", Word: "the far wing", Letter: "2"},
	{ID: three, Name: "Far corner", Word: "the far corner", Letter: "3"},
	{ID: xOne, Name: "Near corner's defender", Word: "the near corner's defender", Letter: "1", Guards: one},
	{ID: xTwo, Name: "Far wing's defender", Word: "the far wing's defender", Letter: "2", Guards: two},
	{ID: xThree, Name: "Far corner's defender", Word: "the far corner's defender", Letter: "3", Guards: three},
}

const onePush = "Take your defender away from the screen, or stand still and let them stop: then come off shoulder to shoulder."

// Answers that several coverages share.
var (
	roll     = job(Roll, "Roll to the rim with your hands up, bent a little to widen the pocket; stop short if the big sits under it.")
	popOut   = also(Pop, popper, shoots(screener), "", "You shoot: pop to the open space, feet ready.").leads(shoots(screener))
	splitTwo = also(Through, splitGap, gapToGo, "There's daylight: split them, low and tight.", "Low and tight between the two, shoulders to the far sideline.")
)

var ballRows = []Row{
	{
		Cue: Drop, when: all(bigDeep, beaten), Seen: "The big stays back and your guard is behind you",
		moves: []move{{xCutter, 8, 0}, {xScreener, 0, -1}},
		Cutter: []Answer{
			answer(PullUp, "The big is back: keep the guard behind you and pull up.", "Two dribbles, guard on your back, stop on two feet for the jumper."),
			also(Pocket, bigSteps, bigUp, "The big comes up: pocket pass.", "Near hand, straight off the dribble, before the big is there."),
			also(AttackBig, guardCaught, caught, "The guard is caught: two against one at the big.", "Straight at the big with the roller beside you, finish or drop it off."),
			also(Floater, bigHome, bigAtRim, "The big is under the rim: float it.", "Two feet, eight to twelve feet out, high over the big."),
			also(StepBack, guardLeans, all(within(xCutter, body(3), cutter), moving(xCutter, withBall, 5)), "The guard leans on you: step back and shoot.", "Stop, step away, feet set."),
			also(Snake, guardRuns, moving(xCutter, withBall, 11), "The guard ran past your hip: snake it back.", "Back across in front of the guard, jumper at the free-throw line."),
			also(LobRoll, bigTurned, all(bigUp, moving(xScreener, outward, trapSpeed)), "The big turned away from the roll: lob it.", "High over the big, to the rim."),
			also(CornerPass, cornerTags, cornerTag, "The corner helps: hit the corner, on time.", "Near hand off the dribble to the corner that was left."),
			also(WingPass, wingTags, wingTag, "The wing helps: hit the wing, on time.", "Near hand off the dribble to the wing that was left."),
		},
		Screener:   []Answer{roll, popOut},
		PasserPart: "Stay wide; the corner is the next pass if that defender steps in.",
		Mistakes:   []string{"Lets the guard get back in front", "Picks the ball up at the screen", "Pocket pass one dribble late"},
	},
	{
		Cue: Level, when: all(within(xScreener, atScreen, screener), not(bigDeep), not(bigOut), beaten),
		Seen:  "The big is level with the screen and your guard is behind you",
		moves: []move{{xCutter, 8, 0}, {xScreener, 2, 0}},
		Cutter: []Answer{
			answer(TurnCorner, "The big is level: turn the corner wide.", "Wide around the big's outside hip; go back the other way if the big leans."),
			also(Pocket, bigHips, moving(xScreener, outward, trapSpeed), "The big's hips turn to you: pocket pass.", "Near hand, low, into the space behind the big."),
			also(HitPop, bigStays, all(shoots(screener), moving(xScreener, withBall, 1)), "The big stays with you: throw back to the pop.", "String it out two dribbles, then throw back."),
			also(HitRoll, bigStays, not(deeper(xScreener, body(1.5), screener)), "The big stays with you: hit the short roll.", "String it out two dribbles, then past the big to the roll."),
		},
		Screener:   []Answer{job(ShortRoll, "Short roll to the middle, hands ready, look at the corner."), popOut},
		PasserPart: "Stay wide and be seen.",
		Mistakes:   []string{"Stops at the big's feet", "Turns the corner too flat", "Screener rolls under the rim at once"},
	},
	{
		Cue: Tag, when: all(bigDeep, beaten, anyOne(cornerTag, wingTag)),
		Seen:  "The big stays back and a helper steps in to the roller",
		show:  []put{{who: xOne, from: screener, feet: 9, to: rim}},
		moves: []move{{xCutter, 8, 0}, {xScreener, 0, -1}},
		Cutter: []Answer{
			also(CornerPass, cornerTags, cornerTag, "The corner helps: hit the corner, on time.", "Near hand off the dribble to the corner that was left, then relocate to the top."),
			also(WingPass, wingTags, wingTag, "The wing helps: hit the wing, on time.", "Near hand off the dribble to the wing that was left, then relocate."),
			answer(PullUp, "They tag the roll: your own shot is there.", "Stop on two feet: the helper is with the roller."),
		},
		Screener:   []Answer{job(Roll, "Roll all the way: you hold two of them.")},
		PasserPart: "Left alone: feet ready, shoot or drive the long closeout.",
		Mistakes:   []string{"Forces it to the tagged roller", "Looks late: the closeout is there", "Stands after the pass"},
	},
	{
		Cue: Under, when: all(goneBy, not(bigOut)), Seen: "The guard goes behind the screen",
		moves: []move{{cutter, 5, 0}, {xCutter, 7, -1}, {xScreener, 0, -1}},
		Cutter: []Answer{
			answer(UseAgain, "They went under: use it again, lower, until they chase.", "Stop, wait for the second screen nearer the rim, go again."),
			also(ShootBehind, inShot, inRange(cutter), "They went under: stop behind the screen and shoot it.", "One dribble, stop behind the screener, feet set."),
			also(TurnCorner, guardLong, all(not(within(xCutter, body(6), cutter)), deeper(xCutter, body(0), screener)), "They took the long way: attack before they recover.", "Downhill at once, before the guard is back in front."),
		},
		Screener:   []Answer{job(Rescreen, "No roll yet: turn and screen again, lower.")},
		PasserPart: "Hold your places: nothing has been won yet.",
		Mistakes:   []string{"Drives into the waiting guard", "Screener rolls: nobody is beaten", "Second screen as far out as the first"},
	},
	{
		Cue: UnderFar, when: all(goneBy, not(bigOut), farOut(cutter, outOfRange)), Seen: "The guard goes behind the screen, far from the rim", shift: 8,
		moves:      []move{{xCutter, 7, -1}, {xScreener, 0, -1}},
		Cutter:     []Answer{answer(UseAgain, "Too far out for a shot: bring the screen lower and use it again.", "Out here going under costs them nothing. Walk it in, then go.")},
		Screener:   []Answer{job(Rescreen, "Step down toward the line and set it there.")},
		PasserPart: "Hold your places.",
		Mistakes:   []string{"Shoots from out of range", "Drives into two waiting defenders"},
	},
	{
		Cue: Early, when: all(jumped, not(bigBelow)), Seen: "The guard is over the screen before you use it",
		moves: []move{{cutter, 1, 0}, {xCutter, 1, 0}, {xScreener, 0, 0}},
		Cutter: []Answer{
			answer(Reject, "They jumped it: reject, drive the other way.", "Cross over low, away from the screen, to a two-foot stop."),
			also(CornerPass, cornerTags, within(xOne, onCourt(6), rim), "The corner stops your drive: drift pass.", "Along the baseline to the corner that was left."),
			also(HitRoll, bigAway, not(within(xScreener, onCourt(6), screener)), "The big is nowhere near the roll: hit it.", "Over or around the guard to the roll, at once."),
			also(PullUp, middleOpen, not(within(xScreener, onCourt(7), screener)), "The middle is open: two feet, jumper.", "Stop on two feet in the middle and shoot it."),
		},
		Screener:   []Answer{job(Flip, "Turn the screen around behind the guard, then roll.")},
		PasserPart: "Near corner: drift along the baseline, ready for the pass.",
		Mistakes:   []string{"Comes off the screen into the guard", "Rejects without a change of pace"},
	},
	{
		Cue: Ice, when: all(jumped, bigBelow), Seen: "The guard is above the screen, the big waits below the ball",
		moves: []move{{cutter, -2, -1}, {xCutter, 0, 0}, {xScreener, 0, 0}},
		Cutter: []Answer{
			answer(AttackBig, "They ice it: at the big's outside hip, finish on two feet.", "Down the side hard, get the big on the heels, two feet."),
			also(Snake, bigHome, bigAtRim, "The big is too deep: snake it back to the line.", "Back across the front of the guard to the free-throw line, jumper."),
			also(StepBack, guardRuns, moving(xCutter, toRim, 6), "The guard runs past: step back in the short corner.", "Stop short, step back, shoot."),
			also(HitPop, bigStays, moving(xScreener, upToBall, trapSpeed), "Two on you: pop pass.", "Over the big to the pop, then relocate to the corner."),
			also(CornerPass, cornerTags, within(xOne, onCourt(6), rim), "The corner helps: kick it.", "To the corner that was left, on time."),
			also(HitRoll, middleOpen, all(not(inLane(xScreener, onCourt(4), screener, rim)), not(bigUp)), "The middle is open: hit the dive.", "Past the guard to the screener, who dives to the middle."),
			also(UseAgain, angleFlipped, untold(), "The screener flips it: use the step-up.", "Come off the other side, down the sideline."),
		},
		Screener: []Answer{job(Flip, "Flip the angle: it is a step-up screen now."),
			also(Roll, bigSteps, bigUp, "", "Dive to the middle behind the big.")},
		PasserPart: "Corner: lift or drift so that the driver sees you.",
		Mistakes:   []string{"Dribbles to the sideline and dies there", "Screener stands on the old side", "One-foot finish into the big"},
	},
	{
		Cue: SoftShow, when: all(bigOut, chases, not(jumpsOut), not(trapping)), Seen: "The big slides along beside the ball's path, your guard chases",
		moves: []move{{xCutter, 8, 0}, {xScreener, 3, 0}},
		Cutter: []Answer{
			answer(WaitAttack, "The big shows and goes back: keep the dribble, then attack the gap.", "Keep it alive, wait until the big turns back, then go between."),
			splitTwo,
			also(HitSlip, slipFirst, not(deeper(xScreener, body(0), screener)), "The slip is there: hit it.", "One look, past the big, to the slip."),
		},
		Screener:   []Answer{job(Slip, "Slip into the space the big left; stop short of the help.")},
		PasserPart: "Far side: lift, you are the next pass.",
		Mistakes:   []string{"Picks it up", "Attacks before the big goes back", "Screener holds the screen"},
	},
	{
		Cue: HardHedge, when: all(bigOut, chases, jumpsOut, not(trapping)), Seen: "The big jumps out across your path, your guard chases",
		moves: []move{{xCutter, 8, 0}, {xScreener, 1, 6}},
		Cutter: []Answer{
			answer(DragOut, "Hard hedge: stretch the big two dribbles, hit the slip.", "Two retreat dribbles, keep it alive, pass over or around the big."),
			splitTwo,
			also(WingPass, slipMet, anyOne(wingTag, cornerTag), "A helper meets the slip: throw ahead.", "To the third player on that side, who looks for the roll."),
		},
		Screener:   []Answer{job(Slip, "Leave early into the space the big left; stop short of the help."), job(ShortRoll, "Short roll to the middle: catch, turn, look at the corner.")},
		PasserPart: "Far side: lift, you are the next pass when the slip is met.",
		Mistakes:   []string{"Picks it up", "Dribbles into the sideline", "Screener holds the screen"},
	},
	{
		Cue: Blitz, when: trapping, Seen: "Guard and big both go at the ball",
		moves: []move{{xCutter, 6, 0}, {xScreener, -5, 0}},
		Cutter: []Answer{
			answer(PassOut, "Two on the ball: out of it early, then four against three.", "Back dribble, pass before they close, to the short roll or the pop."),
			also(WingPass, nothingOn, not(within(xTwo, onCourt(6), two)), "Out to the nearest open wing.", "Over the top to the nearest open wing, never across the floor in the air."),
			also(HitSlip, slipsAtOnce, not(deeper(xScreener, body(0), screener)), "The screener slips at once: hit it.", "Over or around the trap, before it closes, to the slip."),
			also(TurnCorner, bigSlow, moving(xScreener, outward, jumpSpeed), "The big is slow: turn the corner on the trap.", "Stretch it two dribbles, then around the big's outside hip."),
		},
		Screener: []Answer{job(ShortRoll, "Short roll to the line, catch, turn, look at the corner."), popOut,
			also(Slip, leavesFirst, not(within(xScreener, onCourt(7), screener)), "", "Slip before contact: the big has left you.")},
		PasserPart: "Be seen: corner deep, wing high.",
		Mistakes:   []string{"Waits until both are there", "Pass across the floor in the air", "Short roll runs to the rim blind"},
	},
	{
		Cue: Switch, when: all(bigOut, stays, not(chases), not(trapping)), Seen: "The big takes you, the guard stays with the screener",
		moves: []move{{xCutter, 0, -1.5}, {xScreener, 2, 0}},
		Cutter: []Answer{
			answer(AttackBig, "They switched: attack the big off the dribble.", "Change of pace at the big's feet: jumper if they sit back, past them if they come."),
			also(StepBack, bigSits, all(not(within(xScreener, body(2.5), cutter)), within(xScreener, body(4), cutter)), "The big sits back: step back and shoot it.", "Step away from the big, feet set, shoot."),
			also(BackOut, bigSquare, not(within(xScreener, body(4), cutter)), "The big is square: back it out and go.", "Back out, clear the side, then go at the big."),
			also(FeedSeal, guardBack, all(within(xCutter, body(8), screener), not(deeper(xCutter, body(0), screener))), "The seal is there: feed it.", "From the right angle to the far hand; then relocate."),
			also(HitSlip, slipFirst, not(within(xCutter, body(3), screener)), "The screener slipped early: hit it.", "Past the big to the slip, before the guard is there."),
			also(KeepAlive, nothingOn, all(within(xScreener, body(3), cutter), moving(xScreener, withBall, 2)), "Nothing there: keep the dribble, under and out.", "Keep it alive under the rim and out the other side."),
		},
		Screener: []Answer{job(Seal, "Sit on the smaller defender, seal, hands up."),
			also(Slip, slipFirst, not(within(xCutter, body(3), screener)), "", "Slip before contact, before the guard is with you.")},
		PasserPart: "Clear a side: one of the two has a mismatch.",
		Mistakes:   []string{"Attacks before the floor is clear", "Never looks at the seal", "Seals too far out"},
	},
}

// weakRow is the coverage that goes by the handler's weak hand. It is only told where
// that hand is known.
var weakRow = Row{
	Cue: Weak, when: all(forces(xCutter, body(1.5)), within(xCutter, body(6), cutter), not(inBody), not(bigOut), deeper(xScreener, dropDepth, screener)),
	Seen:  "The guard sits on your strong hand, the big is back",
	moves: []move{{xCutter, 0, 0}, {xScreener, 0, -1}},
	Cutter: []Answer{
		answer(WeakDrive, "They send you to your weak hand: take it downhill.", "Weak hand, two hard dribbles at the gap, two feet in the lane."),
		also(UseAgain, bigInDrive, bigBelow, "The big waits there: re-screen to the strong hand.", "Back out and come off the other side of the screen."),
	},
	Screener:   []Answer{job(Flip, "Flip to the other side of the guard.")},
	PasserPart: "Stay wide and be seen.",
	Mistakes:   []string{"Fights back to the strong hand", "Screener stays on the old side"},
}

var shootFirst = []edit{{func(r TeamRules) bool { return r.ShootFirst }, Under, ShootBehind, false}}

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
	Roles: [2]Role{Handler, Screener}, Family: BallUp, Participants: participants(ballTwo, besidesExit), Parts: ballParts,
	About: "While the ball comes off its screen, a second screen on the block sends a shooter to the near corner: one helper less in the lane.",
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
			Cutter: []Answer{also(CornerPass, cornerTags, anyOne(stepped(xOne, one), stepped(xThree, three)), "The shooter's defender tags: hit the corner.", "To the corner off the exit screen, on time."),
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
		{ID: xOne, Name: "Slot's defender", Word: "the slot's defender", Letter: "1", Guards: one}, threeMore[4], threeMore[5],
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
				answer(TurnCorner, "They're on your back: turn the corner, down the side.", "Tight to the screen, shoulder past the guard, two feet in the lane."),
				also(HitPop, bigStops, all(bigBelow, bigUp), "The big stops you: throw back to the pop.", "Over the big to the pop behind you."),
			},
			Screener:   []Answer{job(Pop, "Pop behind the ball: the big has to choose."), job(Roll, "Roll behind the ball when you finish better than you shoot.")},
			PasserPart: "Corner: clear up or drift, the driver needs the baseline.",
			Mistakes:   []string{"Wide around the screen", "Screener flips too early: the guard sees it", "Pop into the driver's help"}},
		Row{Cue: Under, Seen: "The guard cuts behind the screen to meet you below",
			Cutter:       []Answer{answer(UseAgain, "They went under: stop, use it again the other way.", "Back out and come off the other side."), ballRows[3].Cutter[1]},
			ScreenerPart: "Turn and screen the other way."},
		Row{Cue: HardHedge, Seen: "The big jumps out below the screen",
			Cutter:   []Answer{answer(HitPop, "The big jumped out: stretch it, hit the pop behind.", "Stretch it a dribble, then over the big to the pop."), splitTwo},
			Screener: []Answer{job(Pop, "Pop at once: your defender left you."), job(Roll, "Dive to the rim behind the big.")}},
		Row{Cue: Switch, Cutter: []Answer{ballRows[10].Cutter[0], ballRows[10].Cutter[1], ballRows[10].Cutter[3],
			also(HitPop, popperFree, not(within(xSecond, body(4.5), second)), "The second one's defender drops: hit the pop.", "Throw back to the popper.")}},
	),
	edits: shootFirst,
	spots: layout{from: "slotR", to: "cornerR", screenerFrom: "elbowR", at: 0.35, blind: true, back: "cornerR",
		others: map[Place]string{one: "slotL", two: "wingL", three: "cornerL"}, set: []put{{who: one, from: one, feet: 3.8, to: start}}},
}

var ghostScreen = &Action{
	ID: Ghost, Name: "Ghost screen",
	Roles: [2]Role{Handler, Screener}, Family: BallUp, Participants: participants(ballTwo, threeMore), Parts: ballParts,
	About: "The screener comes as if to screen and slips out without contact, far from the ball. It troubles teams that switch or show.",
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
				also(HitPop, bigStops, bigBelow, "The big helps on the drive: hit the ghost.", "Over the top to the ghost."),
			},
			Screener:   []Answer{job(Pop, "Run to open space, as far from the ball as you can.")},
			PasserPart: "Stay wide."},
		Row{Cue: Under, Seen: "The guard drops behind the screen that never comes",
			Cutter: []Answer{answer(ShootBehind, "They dropped for a screen that never came: shoot it.", "The guard is a step away: feet ready, shot."),
				also(HitPop, bigStays, within(xScreener, body(6), cutter), "The big stays at the ball: hit the ghost.", "Over the top to the ghost.")},
			Screener: []Answer{job(Pop, "Keep running to space.")}},
		Row{Cue: HardHedge,
			Cutter:   []Answer{answer(HitSlip, "The big showed: pass to the ghost now.", "One look, over the top."), splitTwo},
			Screener: []Answer{job(Pop, "Hands ready on the run: your defender left you.")}},
		Row{Cue: Switch, Seen: "They switch a screen that never came",
			Cutter: []Answer{answer(HitSlip, "They switched too early: hit the ghost.", "Pass at once, before the guard gets out there."),
				also(BackOut, bigSquare, not(within(xScreener, body(4), cutter)), "The big is square: back out, go at the big.", "Back out, clear the side, then go.")},
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
		{ID: screener, Name: "First screener", Word: "the first screener", Letter: "F", Screens: true},
		{ID: second, Name: "Second screener", Word: "the second screener", Letter: "S", Screens: true},
		{ID: one, Name: "Near corner", Word: "the near corner", Letter: "1"},
		{ID: two, Name: "Far corner", Word: "the far corner", Letter: "2"},
		ballTwo[2],
		{ID: xScreener, Name: "First screener's defender", Word: "the first screener's defender", Letter: "F", Guards: screener},
		{ID: xSecond, Name: "Second screener's defender", Word: "the second screener's defender", Letter: "S", Guards: second},
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
		Row{Cue: Drop, when: all(beaten, not(bigOut), not(popperAlone)), Seen: "The guard is behind you and nobody has left the popper",
			Cutter: []Answer{
				answer(HitRoll, "They stay home: turn the corner and hit the roll.", "Turn the corner, eyes on the roll, pass before the help."),
				also(PullUp, bigHome, bigDeep, "The big sits back: your own shot.", "Two dribbles, two feet, jumper."),
				also(HitPop, popperFree, not(within(xSecond, body(4.5), second)), "The popper's defender sags: throw back to the pop.", "Turn the corner, throw back to the pop."),
			},
			Screener: []Answer{job(Roll, "First rolls to the rim, second pops to the gap."),
				also(Pop, popper, all(shoots(screener), not(shoots(second))), "", "You are the shooter: first pops, second rolls.").leads(all(shoots(screener), not(shoots(second))))}},
		Row{Cue: Under, Say: "They went under both: come off them again, lower."},
		Row{Cue: HardHedge,
			Cutter: []Answer{
				answer(HitRoll, "The first one's defender shows: hit the roll behind.", "Stretch it a dribble, pass behind the big to the roll."),
				also(HitPop, popperFree, not(within(xSecond, body(4.5), second)), "The second one's defender drops: hit the pop.", "Throw back to the popper."), splitTwo},
			Screener: []Answer{job(Roll, "First rolls into the space the big left.")}},
		Row{Cue: Switch, Say: "They switched: go at the big, or feed the one the big left.", Cutter: []Answer{ballRows[10].Cutter[0], ballRows[10].Cutter[1], ballRows[10].Cutter[3],
			also(HitPop, popperFree, not(within(xSecond, body(4.5), second)), "The second one's defender drops: hit the pop.", "Throw back to the popper.")}},
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
	Seen: "The second screener's defender drops to meet the roll", show: []put{{who: xSecond, from: screener, feet: 13, to: rim}},
	moves: []move{{xCutter, 8, 0}, {xScreener, 0, -1}},
	Cutter: []Answer{answer(HitPop, "The popper is left: throw back to the pop.", "Two dribbles, look at the roll, throw back to the pop."),
		also(PullUp, bigHome, bigDeep, "The big sits back: your own shot.", "Two dribbles, two feet, jumper.")},
	Screener:   []Answer{job(Roll, "First rolls and holds two; second pops, feet ready.")},
	PasserPart: "Corners stay wide.",
	Mistakes:   []string{"Forces the roll into two", "Both screeners roll", "Pop stands in the driver's way"},
}
