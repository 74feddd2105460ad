package reads

// The tables of the handoffs (common practice, no source).

// denyLane is how near the pass to the wing a defender stands who denies it, in feet
// (assumption).
var denyLane = body(3)

var carrierOut = SecondCue{"carrier-out", "the carrier's defender steps out to the receiver", ofBig}

var handoffScreen = &Action{
	ID: Handoff, Name: "Handoff",
	Roles: [2]Role{Handler, Screener}, Family: Handoffs, Parts: [3]string{"Receiver", "Carrier", "The others"},
	Participants: []Participant{
		{ID: screener, Name: "Carrier", Word: "the carrier", Letter: "B", Ball: true, Screens: true},
		{ID: cutter, Name: "Receiver", Word: "the receiver", Letter: "R"},
		{ID: xCutter, Name: "Receiver's defender", Word: "the receiver's defender", Letter: "R", Guards: cutter},
		{ID: xScreener, Name: "Carrier's defender", Word: "the carrier's defender", Letter: "B", Guards: screener},
	},
	About: "The receiver sprints to the ball and runs off the carrier's hip; the carrier stops, gives and stands " +
		"in the way.",
	Before: []string{
		"Carrier: stop on two feet, ball in the near hand, your body between ball and defender.",
		"Receiver: away first, then sprint off the hip. No daylight.",
		"Carrier: after the give hold still. Moving into the defender is a foul.",
	},
	Caution: contactCaution,
	rows: []Row{
		{
			Cue: Trail, when: all(beaten, not(bigOut)), Seen: "Your defender chases you over the handoff",
			moves: []move{{who: xCutter, along: 8, out: 0}, {who: xScreener, along: 0, out: -1}},
			Cutter: []Answer{
				answer(TurnCorner, "They're behind you: turn the corner and go downhill.",
					"Take it on the run, shoulder past the hip, two feet in the lane."),
				also(HitRoll, bigStops, all(bigBelow, bigUp), "The big stops you: hit the roll.",
					"Past the big to the carrier, who rolls."),
			},
			Screener:   []Answer{job(Roll, "Give, hold, roll behind the ball.")},
			PasserPart: "Stay wide, be seen.",
			Mistakes:   []string{"Slows down to take it", "Runs wide of the hip", "Carrier leans into the defender"},
		},
		{
			Cue: Under, when: all(goneBy, not(bigOut)), Seen: "Your defender goes behind the carrier",
			moves: []move{{who: xCutter, along: 7, out: -1}, {who: xScreener, along: 0, out: -1}},
			Cutter: []Answer{
				answer(ShootBehind, "They went under: stop behind the handoff and shoot it.",
					"Take it, stop, feet set behind the carrier."),
				also(UseAgain, noShot, not(inRange(cutter)), "Not your shot: go back off the same hip.",
					"Take it, stop, and come back off the carrier."),
			},
			Screener:   []Answer{job(Rescreen, "Stay between; screen again on the way back out.")},
			PasserPart: "Be ready for the extra pass.",
			Mistakes:   []string{"Drives into the defender", "Carrier rolls although nobody is beaten"},
		},
		{
			Cue: Denied, when: all(jumped, not(bigOut)), Seen: "Your defender is between you and the catch",
			moves: []move{{who: xCutter, along: 0, out: 0}, {who: xScreener, along: 0, out: 0}},
			Cutter: []Answer{answer(BackDoor, "They deny it: cut behind to the rim.",
				"One step at the ball, push off, cut behind, hand low.")},
			Screener: []Answer{job(Roll, "Keep the ball: bounce it behind the defender, then dive."),
				also(KeepDrive, carrierOut, moving(xScreener, withBall, 2), "",
					"Your defender leans to the receiver: keep it and drive.")},
			PasserPart: "The corner lifts for the next handoff.",
			Mistakes:   []string{"Fights for the ball", "Carrier gives it anyway"},
		},
		{
			Cue: Hedge, when: all(bigOut, chases, not(trapping)),
			Seen:  "The carrier's defender steps into your way, yours chases",
			moves: []move{{who: xCutter, along: 8, out: 0}, {who: xScreener, along: 2, out: 3}},
			Cutter: []Answer{answer(HitSlip, "They hedge the handoff: stop and hit the slip.",
				"Stop on two feet, look past the defender, bounce it to the slip."), splitTwo},
			Screener: []Answer{job(Slip, "Give and slip at once into the space your defender left."),
				also(KeepDrive, carrierOut, moving(xScreener, outward, jumpSpeed), "",
					"Your defender is out there already: keep it and drive.")},
			PasserPart: "Stay wide: the slip plays two against one.",
			Mistakes:   []string{"Dribbles on into two", "Carrier stands and watches"},
		},
		{
			Cue: Blitz, when: trapping, Seen: "Both go at the receiver",
			moves: []move{{who: xCutter, along: 6, out: 0}, {who: xScreener, along: -6, out: 0}},
			Cutter: []Answer{answer(PassOut, "Two on you: short pass back, four against three.",
				"Short pass back to the carrier before they close."),
				also(HitSlip, slipsAtOnce, not(deeper(xScreener, body(0), screener)),
					"The carrier slips at once: hit it.", "Around the trap, before it closes, to the slip."),
				also(TurnCorner, bigSlow, anyOne(not(within(xScreener, body(3), cutter)),
					not(outside(xScreener, body(1), cutter))), "They come slowly: turn the corner on them.",
					"Wide past the outside hip, before they close."),
				also(BackDoor, pastScreen, jumped, "They jump the catch: cut behind to the rim.",
					"Fake the catch, cut behind, hand low.")},
			Screener:   []Answer{job(ShortRoll, "Two steps to the middle, hands ready, then look at the corner.")},
			PasserPart: "Be seen: you are the next pass.",
			Mistakes:   []string{"Waits until both are there", "Picks it up in the corner"},
		},
		{
			Cue: Switch, when: all(bigOut, stays, not(chases), not(trapping)),
			Seen:  "The carrier's defender takes you, yours stays with the carrier",
			moves: []move{{who: xCutter, along: 0, out: -1.5}, {who: xScreener, along: 2, out: 0}},
			Cutter: []Answer{
				answer(AttackBig, "They switched: attack the big; the carrier slips.",
					"Straight at the big before they are set, change of pace, two feet."),
				also(StepBack, bigSits, not(within(xScreener, body(2.5), cutter)),
					"The big sits back: step back and shoot it.", "Step away from the big, feet set, shoot."),
				also(HitSlip, guardBack, all(within(xCutter, body(8), screener),
					not(deeper(xCutter, body(0), screener))), "The carrier slips: hit it.",
					"Past the big to the slip."),
				also(BackDoor, newAbove, not(deeper(xScreener, body(0), cutter)),
					"The new defender jumps out above you: cut behind.",
					"Fake the catch, cut behind to the rim, hand low."),
			},
			Screener: []Answer{job(Slip, "Slip to the rim with the smaller defender on your back."),
				job(Roll, "Roll with your hands up and seal.")},
			PasserPart: "Clear the side.",
			Mistakes:   []string{"Waits until the big is set", "Carrier watches"},
		},
	},
	spots: layout{from: "cornerR", to: "top", screenerFrom: "elbowR", at: 0.6, back: "top"},
}

var dribbleAtScreen = &Action{
	ID: DribbleAt, Name: "Dribble at the wing",
	Roles: [2]Role{Cutter, Screener}, Family: Handoffs, Parts: [3]string{"Wing", "Corner", "Handler"},
	Participants: []Participant{
		{ID: passer, Name: "Handler", Word: "the handler", Letter: "H", Ball: true},
		{ID: cutter, Name: "Wing", Word: "the wing", Letter: "W"},
		{ID: screener, Name: "Corner", Word: "the corner", Letter: "C"},
		{ID: xCutter, Name: "Wing's defender", Word: "the wing's defender", Letter: "W", Guards: cutter},
		{ID: xScreener, Name: "Corner's defender", Word: "the corner's defender", Letter: "C", Guards: screener},
	},
	About: "The entry to the wing is denied: dribble at the wing, who cuts behind the defender while the corner " +
		"lifts for the handoff.",
	Before: []string{
		"Handler: see the denial before you pick the ball up.",
		"Dribble straight at the wing: that is the signal.",
		"Corner: lift as the wing leaves.",
	},
	Caution: contactCaution,
	rows: []Row{
		{
			Cue: Behind, when: all(not(inLane(xCutter, denyLane, passer, cutter)), within(xCutter, guardsFrom, cutter)),
			show: []put{{who: xCutter, from: cutter, feet: 5.5, to: rim}},
			Seen: "The wing's defender plays behind: the pass is free",
			Cutter: []Answer{answer(Straight, "Nobody denies it: catch and face.",
				"Step to the pass, catch, turn to the rim.")},
			Screener:   []Answer{job(Shape, "Stay in the corner, feet ready.")},
			PasserPart: "Outside hand, then cut.",
			Mistakes:   []string{"Dribbles at a teammate who is open", "Catches standing"},
		},
		{
			Cue: Denied, when: inLane(xCutter, denyLane, passer, cutter),
			Seen: "The wing's defender stands in the pass",
			show: []put{{who: xCutter, from: cutter, feet: 4, to: passer}},
			Cutter: []Answer{answer(BackCut, "It's denied: dribble at it, back cut, corner lifts.",
				"Cut behind the defender all the way to the rim and through.")},
			Screener:   []Answer{job(StepBall, "Lift to the wing as the cutter leaves, come for the handoff.")},
			PasserPart: "First look is the cut, bounce it; then hand it to the corner.",
			Mistakes:   []string{"Stops half way", "Corner lifts too early and fills the cut"},
		},
	},
	spots: layout{from: "wingR", to: "rim", ball: "slotR", screenerFrom: "cornerR", free: true,
		set:    []put{{who: cutter, from: start, feet: 0, to: catch}},
		others: map[Place]string{screener: "cornerR"}},
}
