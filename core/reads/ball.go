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
	trapping = all(bigOut, within(xCutter, armsReach, cutter), within(xScreener, armsReach, cutter),
		moving(xScreener, atBall, trapSpeed))
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
	laneFree     = SecondCue{"lane-free", "nobody stands between you and the rim", ofBig}
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

const onePush = "Take your defender away from the screen, or stand still and let them stop: then come off the " +
	"hip, no gap."

// Answers that several coverages share.
var (
	roll = job(Roll,
		"Roll to the rim with your hands up, bent a little to widen the pocket; stop short if the big sits under it.")
	popOut = also(Pop, popper, shoots(screener), "",
		"You shoot: pop to the open space, feet ready.").leads(shoots(screener))
	splitTwo = also(Through, splitGap, gapToGo, "There's daylight: split them.",
		"Between the two, low, turned away from the big.")
)

var ballRows = []Row{
	{
		Cue: Drop, when: all(bigDeep, beaten), Seen: "The big stays back and your guard is behind you",
		moves: []move{{who: xCutter, along: 8, out: 0}, {who: xScreener, along: 0, out: -1}},
		Cutter: []Answer{
			answer(PullUp, "The big is back: keep the guard behind you and pull up.",
				"Two dribbles, guard on your back, stop on two feet for the jumper."),
			also(Pocket, bigSteps, bigUp, "The big comes up: pocket pass.",
				"Near hand, straight off the dribble, before the big is there."),
			also(AttackBig, guardCaught, caught, "The guard is caught: two against one at the big.",
				"Straight at the big with the roller beside you, finish or drop it off."),
			also(Floater, bigHome, bigAtRim, "The big is under the rim: float it.",
				"Two feet, eight to twelve feet out, high over the big."),
			also(StepBack, guardLeans, all(within(xCutter, body(3), cutter), moving(xCutter, withBall, 5), not(caught)),
				"The guard leans on you: step back and shoot.", "Stop, step away, feet set."),
			also(Snake, guardRuns, moving(xCutter, withBall, 11), "The guard ran past your hip: snake it back.",
				"Back across in front of the guard, jumper at the free-throw line."),
			also(LobRoll, bigTurned, all(bigUp, moving(xScreener, outward, trapSpeed)),
				"The big turned away from the roll: lob it.", "High over the big, to the rim."),
			also(CornerPass, cornerTags, cornerTag, "The corner helps: hit the corner, on time.",
				"Near hand off the dribble to the corner that was left."),
			also(WingPass, wingTags, wingTag, "The wing helps: hit the wing, on time.",
				"Near hand off the dribble to the wing that was left."),
			also(HitPop, popper, all(shoots(screener), not(caught), not(bigUp), not(bigAtRim), not(cornerTag),
				not(wingTag)),
				"The screener shoots: throw back to the pop.",
				"Two dribbles draw the guard along, then over the top to the pop."),
		},
		Screener:   []Answer{roll, popOut},
		PasserPart: "Stay wide; the corner is the next pass if that defender steps in.",
		Mistakes: []string{"Lets the guard get back in front", "Picks the ball up at the screen",
			"Pocket pass one dribble late"},
	},
	{
		Cue: Level, when: all(within(xScreener, atScreen, screener), not(bigDeep), not(bigOut), beaten),
		Seen:  "The big is level with the screen and your guard is behind you",
		moves: []move{{who: xCutter, along: 8, out: 0}, {who: xScreener, along: 2, out: 0}},
		Cutter: []Answer{
			answer(TurnCorner, "The big is level: turn the corner wide.",
				"Wide around the big's outside hip; go back the other way if the big leans."),
			also(Pocket, bigHips, moving(xScreener, outward, trapSpeed), "The big's hips turn to you: pocket pass.",
				"Near hand, low, into the space behind the big."),
			also(HitPop, bigStays, all(shoots(screener), moving(xScreener, withBall, 1)),
				"The big stays with you: throw back to the pop.", "String it out two dribbles, then throw back."),
			also(HitRoll, bigStays, not(deeper(xScreener, body(1.5), screener)),
				"The big stays with you: hit the short roll.",
				"String it out two dribbles, then past the big to the roll."),
		},
		Screener:   []Answer{job(ShortRoll, "Short roll to the middle, hands ready, look at the corner."), popOut},
		PasserPart: "Stay wide and be seen.",
		Mistakes: []string{"Stops at the big's feet", "Turns the corner too flat",
			"Screener rolls under the rim at once"},
	},
	{
		Cue: Tag, when: all(bigDeep, beaten, anyOne(cornerTag, wingTag)),
		Seen:  "The big stays back and a helper steps in to the roller",
		show:  []put{{who: xOne, from: screener, feet: 9, to: rim}},
		moves: []move{{who: xCutter, along: 8, out: 0}, {who: xScreener, along: 0, out: -1}},
		Cutter: []Answer{
			also(CornerPass, cornerTags, cornerTag, "The corner helps: hit the corner, on time.",
				"Near hand off the dribble to the corner that was left, then move up top for the next pass."),
			also(WingPass, wingTags, wingTag, "The wing helps: hit the wing, on time.",
				"Near hand off the dribble to the wing that was left, then relocate."),
			answer(PullUp, "They tag the roll: your own shot is there.",
				"Stop on two feet: the helper is with the roller."),
		},
		Screener:   []Answer{job(Roll, "Roll all the way: you hold two of them.")},
		PasserPart: "Left alone: feet ready, shoot or drive the long closeout.",
		Mistakes: []string{"Forces it to the tagged roller", "Looks late: the closeout is there",
			"Stands after the pass"},
	},
	{
		Cue: Under, when: all(goneBy, not(bigOut)), Seen: "The guard goes behind the screen",
		moves: []move{{who: cutter, along: 5, out: 0}, {who: xCutter, along: 7, out: -1},
			{who: xScreener, along: 0, out: -1}},
		Cutter: []Answer{
			answer(UseAgain, "They went under: use it again, lower, until they chase.",
				"Stop, wait for the second screen nearer the rim, go again."),
			also(ShootBehind, inShot, inRange(cutter), "They went under: stop behind the screen and shoot it.",
				"One dribble, stop behind the screener, feet set."),
			also(TurnCorner, guardLong, all(not(within(xCutter, body(6), cutter)), deeper(xCutter, body(0), screener)),
				"They took the long way: attack before they recover.",
				"Downhill at once, before the guard is back in front."),
		},
		Screener:   []Answer{job(Rescreen, "No roll yet: turn and screen again, lower.")},
		PasserPart: "Hold your places: nothing has been won yet.",
		Mistakes: []string{"Drives into the waiting guard", "Screener rolls: nobody is beaten",
			"Second screen as far out as the first"},
	},
	{
		Cue: UnderFar, when: all(goneBy, not(bigOut), farOut(cutter, outOfRange)),
		Seen: "The guard goes behind the screen, far from the rim", shift: 8,
		moves: []move{{who: xCutter, along: 7, out: -1}, {who: xScreener, along: 0, out: -1}},
		Cutter: []Answer{answer(UseAgain, "Too far out for a shot: bring the screen lower and use it again.",
			"Out here going under costs them nothing. Walk it in, then go.")},
		Screener:   []Answer{job(Rescreen, "Step down toward the line and set it there.")},
		PasserPart: "Hold your places.",
		Mistakes:   []string{"Shoots from out of range", "Drives into two waiting defenders"},
	},
	{
		Cue: Early, when: all(jumped, not(bigBelow)), Seen: "The guard is over the screen before you use it",
		moves: []move{{who: cutter, along: 1, out: 0}, {who: xCutter, along: 1, out: 0},
			{who: xScreener, along: 0, out: 0}},
		Cutter: []Answer{
			answer(Reject, "They jumped it: reject, drive the other way.",
				"Cross over low, away from the screen, to a two-foot stop."),
			also(CornerPass, cornerTags, within(xOne, onCourt(6), rim), "The corner stops your drive: drift pass.",
				"Along the baseline to the corner that was left."),
			also(HitRoll, bigAway, not(within(xScreener, onCourt(6), screener)),
				"The big is nowhere near the roll: hit it.", "Over or around the guard to the roll, at once."),
			also(PullUp, middleOpen, not(within(xScreener, onCourt(7), screener)),
				"The middle is open: two feet, jumper.", "Stop on two feet in the middle and shoot it."),
		},
		Screener:   []Answer{job(Flip, "Turn the screen around behind the guard, then roll.")},
		PasserPart: "Near corner: drift along the baseline, ready for the pass.",
		Mistakes:   []string{"Comes off the screen into the guard", "Rejects without a change of pace"},
	},
	{
		Cue: Ice, when: all(jumped, bigBelow), Seen: "The guard is above the screen, the big waits below the ball",
		moves: []move{{who: cutter, along: -2, out: -1}, {who: xCutter, along: 0, out: 0},
			{who: xScreener, along: 0, out: 0}},
		Cutter: []Answer{
			answer(AttackBig, "They ice it: at the big's outside hip, finish on two feet.",
				"Down the side hard, get the big on the heels, two feet."),
			also(Snake, bigHome, bigAtRim, "The big is too deep: snake it back to the line.",
				"Back across the front of the guard to the free-throw line, jumper."),
			also(StepBack, guardRuns, moving(xCutter, toRim, 6), "The guard runs past: step back in the short corner.",
				"Stop short, step back, shoot."),
			also(HitPop, bigStays, moving(xScreener, upToBall, trapSpeed), "Two on you: pop pass.",
				"Over the big to the pop, then relocate to the corner."),
			also(CornerPass, cornerTags, within(xOne, onCourt(6), rim), "The corner helps: kick it.",
				"To the corner that was left, on time."),
			also(HitRoll, middleOpen, all(not(inLane(xScreener, onCourt(4), screener, rim)), not(bigUp)),
				"The middle is open: hit the dive.", "Past the guard to the screener, who dives to the middle."),
			also(UseAgain, angleFlipped, untold(), "The screener flips it: use the step-up.",
				"Come off the other side, down the sideline."),
		},
		Screener: []Answer{job(Flip, "Flip the angle: it is a step-up screen now."),
			also(Roll, bigSteps, bigUp, "", "Dive to the middle behind the big.")},
		PasserPart: "Corner: lift or drift so that the driver sees you.",
		Mistakes: []string{"Dribbles to the sideline and dies there", "Screener stands on the old side",
			"One-foot finish into the big"},
	},
	{
		Cue: SoftShow, when: all(bigOut, chases, not(jumpsOut), not(trapping)),
		Seen:  "The big slides along beside the ball's path, your guard chases",
		moves: []move{{who: xCutter, along: 8, out: 0}, {who: xScreener, along: 3, out: 0}},
		Cutter: []Answer{
			answer(WaitAttack, "The big shows and goes back: keep the dribble, then attack the gap.",
				"Keep it alive, wait until the big turns back, then go between."),
			splitTwo,
			also(HitSlip, slipFirst, not(deeper(xScreener, body(0), screener)), "The slip is there: hit it.",
				"One look, past the big, to the slip."),
			also(TurnCorner, bigSlow, not(outside(xScreener, body(1), cutter)),
				"You are outside the big's hip: turn the corner.", "Two hard dribbles, shoulder past the hip."),
		},
		Screener:   []Answer{job(Slip, "Slip into the space the big left; stop short of the help.")},
		PasserPart: "Far side: lift, you are the next pass.",
		Mistakes:   []string{"Picks it up", "Attacks before the big goes back", "Screener holds the screen"},
	},
	{
		Cue: HardHedge, when: all(bigOut, chases, jumpsOut, not(trapping)),
		Seen:  "The big jumps out across your path, your guard chases",
		moves: []move{{who: xCutter, along: 8, out: 0}, {who: xScreener, along: 1, out: 6}},
		Cutter: []Answer{
			answer(DragOut, "Hard hedge: stretch the big two dribbles, hit the slip.",
				"Two retreat dribbles, keep it alive, pass over or around the big."),
			splitTwo,
			also(WingPass, slipMet, anyOne(wingTag, cornerTag), "A helper meets the slip: throw ahead.",
				"To the third player on that side, who looks for the roll."),
		},
		Screener: []Answer{job(Slip, "Leave early into the space the big left; stop short of the help."),
			job(ShortRoll, "Short roll to the middle: catch, turn, look at the corner.")},
		PasserPart: "Far side: lift, you are the next pass when the slip is met.",
		Mistakes:   []string{"Picks it up", "Dribbles into the sideline", "Screener holds the screen"},
	},
	{
		Cue: Blitz, when: trapping, Seen: "Guard and big both go at the ball",
		moves: []move{{who: xCutter, along: 6, out: 0}, {who: xScreener, along: -5, out: 0}},
		Cutter: []Answer{
			answer(PassOut, "Two on the ball: out of it early, then four against three.",
				"Back dribble, pass before they close, to the short roll or the pop."),
			also(WingPass, nothingOn, not(within(xTwo, onCourt(6), two)), "Out to the nearest open wing.",
				"Over the top to the nearest open wing, never across the floor in the air."),
			also(HitSlip, slipsAtOnce, not(deeper(xScreener, body(0), screener)), "The screener slips at once: hit it.",
				"Over or around the trap, before it closes, to the slip."),
			also(TurnCorner, bigSlow, anyOne(moving(xScreener, outward, jumpSpeed),
				not(outside(xScreener, body(1), cutter))), "The big is slow: turn the corner on the trap.",
				"Stretch it two dribbles, then around the big's outside hip."),
		},
		Screener: []Answer{job(ShortRoll, "Short roll to the line, catch, turn, look at the corner."), popOut,
			also(Slip, leavesFirst, not(within(xScreener, onCourt(7), screener)), "",
				"Slip before contact: the big has left you.")},
		PasserPart: "Be seen: corner deep, wing high.",
		Mistakes: []string{"Waits until both are there", "Pass across the floor in the air",
			"Short roll runs to the rim blind"},
	},
	{
		Cue: Switch, when: all(bigOut, stays, not(chases), not(trapping)),
		Seen:  "The big takes you, the guard stays with the screener",
		moves: []move{{who: xCutter, along: 0, out: -1.5}, {who: xScreener, along: 2, out: 0}},
		Cutter: []Answer{
			answer(AttackBig, "They switched: attack the big off the dribble.",
				"Change of pace at the big's feet: jumper if they sit back, past them if they come."),
			also(StepBack, bigSits, all(not(within(xScreener, body(3), cutter)), within(xScreener, body(4), cutter)),
				"The big sits back: step back and shoot it.", "Step away from the big, feet set, shoot."),
			also(BackOut, bigSquare, not(within(xScreener, body(4), cutter)), "The big is square: back it out and go.",
				"Back out, clear the side, then go at the big."),
			also(FeedSeal, guardBack, all(within(xCutter, body(8), screener), not(deeper(xCutter, body(0), screener))),
				"The seal is there: feed it.", "From the right angle to the far hand; then relocate."),
			also(HitSlip, slipFirst, not(within(xCutter, body(3), screener)), "The screener slipped early: hit it.",
				"Past the big to the slip, before the guard is there."),
			also(KeepAlive, nothingOn, all(within(xScreener, body(3), cutter), moving(xScreener, withBall, 2)),
				"Nothing there: keep the dribble, under and out.",
				"Keep it alive under the rim and out the other side."),
		},
		Screener: []Answer{job(Seal, "Back to the smaller defender, wide base, show your hands."),
			also(Slip, slipFirst, not(within(xCutter, body(3), screener)), "",
				"Slip before contact, before the guard is with you.")},
		PasserPart: "Give the mismatch the floor, then be ready for the pass out.",
		Mistakes:   []string{"Attacks before the floor is clear", "Never looks at the seal", "Seals too far out"},
	},
}

// weakRow is the coverage that goes by the handler's weak hand. It is only told where
// that hand is known.
var weakRow = Row{
	Cue: Weak, when: all(forces(xCutter, body(1.5)), within(xCutter, body(6), cutter), not(inBody), not(bigOut),
		deeper(xScreener, dropDepth, screener)),
	Seen:  "The guard sits on your strong hand, the big is back",
	moves: []move{{who: xCutter, along: 0, out: 0}, {who: xScreener, along: 0, out: -1}},
	Cutter: []Answer{
		answer(WeakDrive, "They send you to your weak hand: take it downhill.",
			"Weak hand, two hard dribbles at the gap, two feet in the lane."),
		also(UseAgain, bigInDrive, bigBelow, "The big waits there: re-screen to the strong hand.",
			"Back out and come off the other side of the screen."),
		also(HitPop, popper, shoots(screener), "The screener shoots: throw back to the pop.",
			"Over the top to the pop."),
	},
	Screener:   []Answer{job(Flip, "Flip to the other side of the guard.")},
	PasserPart: "Stay wide and be seen.",
	Mistakes:   []string{"Fights back to the strong hand", "Screener stays on the old side"},
}

var shootFirst = []edit{{func(r TeamRules) bool { return r.ShootFirst }, Under, ShootBehind, false}}
