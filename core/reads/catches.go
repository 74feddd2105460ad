package reads

// The table of the catch against a closeout (common practice, no source). The words are
// the product's own.

// CloseOut is the id of the catch against a closeout.
const CloseOut = "closeout"

// Distances of a closeout, in feet.
var (
	// nobodyNear is from how far a defender is late: the shot is gone before (common
	// practice: nobody within 6 ft).
	nobodyNear = body(6)
	// armsAway is within which a defender is on the catcher, an arm and a step (common
	// practice: about 4 ft).
	armsAway = body(3.8)
	// roomToStop is how near to the catcher a closeout must have stopped (assumption).
	roomToStop = body(2)
	// flyFrom is from how far a defender who flies at the catch decides it (assumption: a
	// fake is seen from there).
	flyFrom = body(10)
	// nextLeft is how far from the own player the next defender has left that player
	// (assumption).
	nextLeft = onCourt(8)
)

// running is from how many feet a second a defender runs at the catch (assumption).
const running = 6.0

// What is seen of a closeout.
var (
	flies  = all(tooFast(xCutter, roomToStop, cutter), fast(xCutter, running), within(xCutter, flyFrom, cutter))
	opened = all(anyOne(watches(xCutter, one, cutter), watches(xCutter, screener, cutter)),
		within(xCutter, nobodyNear, cutter), not(flies))
	nextFree  = SecondCue{"next-free", "the next defender has left the next player", ofHelp}
	stepAhead = SecondCue{"step-ahead", "the defender is not between you and the rim", ofGuard}
	swingIt   = also(Swing, nextFree, not(within(xOne, nextLeft, one)), "The next one is more open: one more.",
		"On to the next player at once, to the shooting hand.")
	driveIt = also(DriveGap, noShot, not(shoots(cutter)), "Not your shot: drive the gap.",
		"One hard dribble past the outside foot, two feet in the lane.").leads(not(shoots(cutter)))
)

const landing = "Nobody steps under a shooter: leave room to land. Walk the stop before you run it."

var closeout = &Action{
	ID: CloseOut, Name: "Closeout",
	Roles: [2]Role{Handler, Passer}, Family: Catches, Parts: [3]string{"Catcher", "Passer", "The others"},
	Participants: []Participant{
		{ID: cutter, Name: "Catcher", Word: "the catcher", Letter: "C", Ball: true},
		{ID: screener, Name: "Passer", Word: "the passer", Letter: "P"},
		{ID: one, Name: "Next player", Word: "the next player", Letter: "1"},
		{ID: xCutter, Name: "Closing defender", Word: "the closing defender", Letter: "C", Guards: cutter},
		{ID: xScreener, Name: "Passer's defender", Word: "the passer's defender", Letter: "P", Guards: screener},
		{ID: xOne, Name: "Next player's defender", Word: "the next player's defender", Letter: "1", Guards: one},
	},
	About: "The ball comes to a player outside, and a defender runs at the catch. Most possessions end here.",
	Before: []string{
		"Catcher: knees bent, hands shown, feet toward the rim before the ball comes.",
		"Passer: to the shooting hand, then move.",
		"Catcher: look at the defender's feet, not at the hand.",
	},
	Caution: landing,
	rows: []Row{
		{
			Cue: Balanced, when: all(within(xCutter, armsAway, cutter), not(flies)),
			Seen: "The defender is there, feet chopped, hand up",
			show: []put{{who: xCutter, from: cutter, feet: 2.6, to: rim}}, closing: 1,
			Cutter: []Answer{answer(Swing, "They're there: swing it on.",
				"No forced shot. On to the next player, then move."),
				also(DriveGap, stepAhead, not(inLane(xCutter, body(1.8), cutter, rim)), "You have a step: drive it.",
					"Past the shoulder in a straight line, two feet in the lane.")},
			Screener:   []Answer{job(Relocate, "Move to where the catcher sees you.")},
			PasserPart: "Feet ready: the next pass comes to you.",
			Mistakes:   []string{"Shoots over a hand", "Holds the ball and lets the help set", "Dribbles on the spot"},
		},
		{
			Cue: Short, when: all(not(within(xCutter, armsAway, cutter)), within(xCutter, nobodyNear, cutter),
				not(flies)),
			Seen: "The defender stops four to six feet away",
			show: []put{{who: xCutter, from: cutter, feet: 4.9, to: rim}}, closing: 1.5,
			Cutter: []Answer{answer(CatchShoot, "They stopped short: shoot it.",
				"Ready before the catch, up at once."), driveIt, swingIt},
			Screener:   []Answer{job(Relocate, "Move to where the catcher sees you.")},
			PasserPart: "Rebound, or be the next pass.",
			Mistakes:   []string{"Waits for the defender to come", "Jab steps with nobody there"},
		},
		{
			Cue: Late, when: all(not(within(xCutter, nobodyNear, cutter)), not(flies)),
			Seen: "Nobody is near you at the catch",
			show: []put{{who: xCutter, from: cutter, feet: 9, to: rim}}, closing: 6,
			Cutter: []Answer{answer(CatchShoot, "Nobody is there: shoot it.",
				"Ready before the catch, no dribble."), driveIt, swingIt},
			Screener:   []Answer{job(Relocate, "Move to where the catcher sees you.")},
			PasserPart: "Rebound: the shot is going up.",
			Mistakes:   []string{"Takes a dribble and lets them back", "Catches standing upright"},
		},
		{
			Cue: FrontFoot, when: opened, Seen: "The defender's stance is open to one side",
			show:    []put{{who: xCutter, from: cutter, feet: 3.4, to: rim}, {who: eyes, from: one, feet: 0, to: rim}},
			closing: 1,
			Cutter: []Answer{answer(LeadFoot, "The stance is open: drive the front foot.",
				"Straight at the foot in front, they have to turn around."), swingIt},
			Screener:   []Answer{job(Relocate, "Move to where the driver sees you.")},
			PasserPart: "Shift with the drive, feet ready.",
			Mistakes:   []string{"Drives where the stance sends them", "Drives around instead of by"},
		},
		{
			Cue: Flying, when: flies, Seen: "The defender comes too fast to stop, hands high",
			show: []put{{who: xCutter, from: cutter, feet: 5.5, to: rim}}, closing: 13,
			Cutter: []Answer{answer(FakeGo, "They fly: shot fake, one dribble by.",
				"Fake with the eyes, one dribble back where they came from, pull up."), swingIt},
			Screener:   []Answer{job(Relocate, "Move to where the driver sees you.")},
			PasserPart: "Ready: the helper leaves somebody.",
			Mistakes: []string{"Shoots into a defender in the air", "Three dribbles instead of one",
				"Drives into where they land"},
		},
	},
	spots: layout{from: "wingR", to: "rim", screenerFrom: "slotR", free: true, eyes: cutter,
		set:    []put{{who: cutter, from: start, feet: 0, to: catch}},
		others: map[Place]string{screener: "slotR", one: "cornerR"}},
}
