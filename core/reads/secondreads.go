package reads

import "evrik/core/court"

// The tables of the second reads, after a cut off the ball has been caught or was not
// thrown to (common practice, no source). A fade that is caught is a closeout.

// Ids of the second reads.
const (
	Curled         = "curled"
	CaughtStraight = "straightcatch"
	NotThrown      = "nopass"
)

// Distances of the second reads, in feet (assumptions).
var (
	// inWay is how near the way to the rim a big stands who stops it.
	inWay = body(2.5)
	// bigNear is within which a big has stopped the catcher.
	bigNear = body(3.6)
	// lowWay is how near it a low defender stands who has come.
	lowWay = onCourt(3)
	// besideWay is how near it a defender stands who is no longer beside the catcher.
	besideWay = body(1.4)
	// passWay is how near the pass a defender stands who takes it away.
	passWay = body(2)
)

// What is seen after the catch.
var (
	bigStepsUp = inLane(xScreener, inWay, cutter, rim)
	lowComes   = inLane(xOne, lowWay, cutter, rim)
	bigLeaves  = nearer(xScreener, cutter, screener)
	onCatcher  = within(xCutter, armsAway, cutter)
	bigShort   = SecondCue{"big-short", "the big stops short of you", ofBig}
	lowStays   = SecondCue{"low-stays", "the low defender waits under the rim", ofHelp}
)

// onTheRun: the catch of a curl is made on the run, the defender behind.
var onTheRun = []move{{who: cutter, along: 8}, {who: xCutter, along: 8}}

var curled = &Action{
	ID: Curled, Name: "After the curl",
	Roles: [2]Role{Handler, Screener}, Family: Catches, Parts: [3]string{"Catcher", "Screener", "The others"},
	Participants: []Participant{
		{ID: cutter, Name: "Catcher", Word: "the catcher", Letter: "C", Ball: true},
		{ID: screener, Name: "Screener", Word: "the screener", Letter: "S"},
		{ID: one, Name: "Far corner", Word: "the far corner", Letter: "1"},
		{ID: xCutter, Name: "Catcher's defender", Word: "the catcher's defender", Letter: "C", Guards: cutter},
		{ID: xScreener, Name: "Screener's defender", Word: "the screener's defender", Letter: "S", Guards: screener},
		{ID: xOne, Name: "Low defender", Word: "the low defender", Letter: "1", Guards: one},
	},
	About: "The curl is caught in the lane, the defender behind. Whoever comes leaves somebody.",
	Before: []string{
		"Catcher: catch on the inside foot, eyes on the rim at once.",
		"Screener: turn and follow the curl with your hands up.",
		"Far corner: feet ready, be seen.",
	},
	Caution: "Two feet in a crowd. Nobody steps under a player in the air.",
	rows: []Row{
		{
			Cue: Asleep, when: all(not(bigStepsUp), not(lowComes)), Seen: "Nobody stands between you and the rim",
			moves: onTheRun,
			show:  []put{{who: xCutter, from: cutter, plus: court.Point{X: 1.8, Y: 2.6}}},
			Cutter: []Answer{answer(Finish, "Nobody helps: finish it.",
				"One dribble at most, up with both hands ready.")},
			Screener:   []Answer{job(Pop, "The catcher goes in, so you go out: open up for the shot.")},
			PasserPart: "Rebound, feet outside the circle.",
			Mistakes:   []string{"Stops to look with the lane open", "Fades away from the rim"},
		},
		{
			Cue: LowHelp, when: all(lowComes, not(bigStepsUp)), Seen: "The low defender has left the corner and comes",
			show: []put{{who: xCutter, from: cutter, plus: court.Point{X: 1.8, Y: 2.6}},
				{who: xOne, from: rim, feet: 4, to: cutter}},
			moves: onTheRun,
			Cutter: []Answer{
				answer(CornerPass, "Low help comes: kick it to the corner.",
					"Off two feet, to the shooting hand, before you are in the air."),
				also(Floater, lowStays, within(xOne, onCourt(5), rim), "They wait under the rim: float it over them.",
					"Off two feet, high, short of the one who waits."),
			},
			Screener:   []Answer{job(Pop, "Out to the ball: you are the next pass after the corner.")},
			PasserPart: "Corner: feet ready, hands shown.",
			Mistakes:   []string{"Leaves the floor without a plan", "Dribbles into the help"},
		},
		{
			Cue: BigUp, when: bigStepsUp, Seen: "The screener's defender steps into your way",
			show: []put{{who: xCutter, from: cutter, plus: court.Point{X: 1.8, Y: 2.6}},
				{who: xScreener, from: cutter, feet: 4, to: rim}},
			moves: append(onTheRun, move{who: xScreener, along: -4}),
			Cutter: []Answer{answer(HitSlip, "The big steps up: dump it to the screener.",
				"Bounce it past the outside foot, off two feet."),
				also(Floater, bigShort, not(within(xScreener, bigNear, cutter)), "The big stops short: float it.",
					"Off two feet, high, before the big has closed.")},
			Screener:   []Answer{job(Slip, "Your defender left: straight to the rim, hands up.")},
			PasserPart: "Corners stay, the lane is full.",
			Mistakes:   []string{"Forces it over the big", "Screener stands and watches"},
		},
	},
	spots: layout{from: "nail", to: "rim", screenerFrom: "midpostR", free: true,
		set:    []put{{who: cutter, from: start, feet: 3, to: catch}},
		others: map[Place]string{screener: "midpostR", one: "cornerL"}},
}

var straightCatch = &Action{
	ID: CaughtStraight, Name: "After the straight cut",
	Roles: [2]Role{Handler, Screener}, Family: Catches, Parts: [3]string{"Catcher", "Screener", "The others"},
	Participants: []Participant{
		{ID: cutter, Name: "Catcher", Word: "the catcher", Letter: "C", Ball: true},
		{ID: screener, Name: "Screener", Word: "the screener", Letter: "S"},
		{ID: one, Name: "Next player", Word: "the next player", Letter: "1"},
		{ID: xCutter, Name: "Catcher's defender", Word: "the catcher's defender", Letter: "C", Guards: cutter},
		{ID: xScreener, Name: "Screener's defender", Word: "the screener's defender", Letter: "S", Guards: screener},
		{ID: xOne, Name: "Next player's defender", Word: "the next player's defender", Letter: "1", Guards: one},
	},
	About: "The cut off the screen is caught outside. Where is your defender now, and who helped?",
	Before: []string{
		"Catcher: ready before the catch, feet to the rim.",
		"Screener: shape up to the ball when the cut has gone by.",
		"Next player: be the next pass.",
	},
	Caution: landing,
	rows: []Row{
		{
			Cue: Balanced, when: all(onCatcher, inLane(xCutter, besideWay, cutter, rim), not(bigLeaves)),
			Seen:       "Your defender is back in front, under control",
			show:       []put{{who: xCutter, from: cutter, feet: 2.4, to: rim}},
			Cutter:     []Answer{answer(Swing, "They're back: swing it on.", "On to the next player, then move.")},
			Screener:   []Answer{job(Shape, "Be seen at the elbow, hands out.")},
			PasserPart: "Next player: feet ready.",
			Mistakes:   []string{"Forces the shot", "Holds the ball"},
		},
		{
			Cue: Trail, when: all(onCatcher, not(inLane(xCutter, besideWay, cutter, rim)), not(bigLeaves)),
			Seen: "Your defender is on your hip, not in front",
			show: []put{{who: xCutter, from: cutter, plus: court.Point{X: 2.6, Y: -0.4}}},
			Cutter: []Answer{answer(PullUp, "They're on your hip: one dribble and pull up.",
				"One or two hard dribbles, keep them on your back, stop on balance.")},
			Screener:   []Answer{job(Shape, "Be seen, and be ready to slip when your defender helps.")},
			PasserPart: "Next player: feet ready.",
			Mistakes:   []string{"Rushes the shot over the hip", "Waits until they are in front again"},
		},
		{
			Cue: Late, when: all(not(onCatcher), not(bigLeaves)), Seen: "Your defender is caught on the screen",
			show:       []put{{who: xCutter, from: cutter, feet: 7, to: screener}},
			Cutter:     []Answer{answer(CatchShoot, "Nobody is there: shoot it.", "Up at once, no dribble.")},
			Screener:   []Answer{job(Shape, "Turn to the ball, then rebound.")},
			PasserPart: "Rebound: the shot is going up.",
			Mistakes:   []string{"Takes a dribble and lets them back"},
		},
		{
			Cue: BigUp, when: bigLeaves, Seen: "The screener's defender has come to you",
			show: []put{{who: xScreener, from: cutter, plus: court.Point{X: -2, Y: -0.4}},
				{who: xCutter, from: cutter, plus: court.Point{X: 3, Y: -2.4}}},
			Cutter: []Answer{answer(HitSlip, "The screener's defender came: hit the slip.",
				"Over or past the one who came, before your own is back.")},
			Screener:   []Answer{job(Slip, "Your defender left: straight to the rim, hands up.")},
			PasserPart: "Stay wide: the slip plays two against one.",
			Mistakes:   []string{"Dribbles into two", "Screener stays at the elbow"},
		},
	},
	spots: layout{from: "blockR", to: "slotR", screenerFrom: "elbowR", free: true,
		set:    []put{{who: cutter, from: catch, feet: 0, to: start}},
		others: map[Place]string{screener: "elbowR", one: "slotL"}},
}

var noPass = &Action{
	ID: NotThrown, Name: "Back cut without the pass",
	Roles: [2]Role{Cutter, Teammate}, Family: Catches, Parts: [3]string{"Cutter", "Next player", "Passer"},
	Participants: []Participant{
		{ID: passer, Name: "Passer", Word: "the passer", Letter: "P", Ball: true},
		{ID: cutter, Name: "Cutter", Word: "the cutter", Letter: "C"},
		{ID: screener, Name: "Next player", Word: "the next player", Letter: "N"},
		{ID: xCutter, Name: "Cutter's defender", Word: "the cutter's defender", Letter: "C", Guards: cutter},
		{ID: xScreener, Name: "Next player's defender", Word: "the next player's defender", Letter: "N",
			Guards: screener},
	},
	About: "The back cut is at the rim and the ball has not come. Nobody stands there and waits.",
	Before: []string{
		"Cutter: all the way to the rim, hands up.",
		"Passer: keep the dribble, look once more.",
		"Next player: as the cutter leaves, the spot is yours.",
	},
	Caution: contactCaution,
	rows: []Row{
		{
			Cue: Denied, when: inLane(xCutter, passWay, passer, cutter),
			Seen: "Your defender stands between you and the ball",
			show: []put{{who: xCutter, from: cutter, feet: 2.4, to: passer}},
			Cutter: []Answer{answer(ClearOut, "It's not there: keep going, clear to the far corner.",
				"Through under the rim, out to the far corner, turn with your hands up.")},
			Screener:   []Answer{job(FillSpot, "Fill the spot the cutter left, come to the ball.")},
			PasserPart: "Keep the dribble: the next pass is to the one who fills.",
			Mistakes:   []string{"Stands under the rim", "Comes back the same way", "Nobody fills the empty spot"},
		},
		{
			Cue: Behind, when: not(inLane(xCutter, passWay, passer, cutter)),
			Seen: "Your defender is behind you, the ball can still come",
			show: []put{{who: xCutter, from: cutter, feet: -3.4, to: passer}},
			Cutter: []Answer{answer(RimCut, "They're behind you: hands up at the rim for one count.",
				"Wide stance, show the far hand, one count. Then clear.")},
			Screener:   []Answer{job(FillSpot, "Fill the spot the cutter left, come to the ball.")},
			PasserPart: "Lob or bounce it now, or not at all.",
			Mistakes:   []string{"Runs out while open", "Stays in the lane after the count"},
		},
	},
	spots: layout{from: "wingR", to: "rim", ball: "slotR", screenerFrom: "cornerR", free: true,
		set:    []put{{who: cutter, from: catch, feet: 0, to: start}},
		others: map[Place]string{screener: "cornerR"}},
}
