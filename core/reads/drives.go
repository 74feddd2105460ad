package reads

import "evrik/core/court"

// The tables of the drive reactions: where the other four go (common practice, no source).
// The driver has beaten the defender on the ball, who is left out of the picture.

// Ids of the drive reactions.
const (
	DriveWing = "drivewing"
	DriveTop  = "drivetop"
	DrivePost = "drivepost"
)

// Speeds of a driver in feet a second, and how straight a drive at somebody is, in radians
// (assumptions).
const (
	drives     = 3.5
	straightAt = 0.5
)

// Where a drive goes.
var (
	driving    = fast(passer, drives)
	atCorner   = all(driving, comesAt(passer, straightAt, cutter))
	toMiddle   = all(driving, moving(passer, middleward, 0), not(comesAt(passer, straightAt, cutter)))
	toBaseline = all(driving, moving(passer, baseward, 0), not(comesAt(passer, straightAt, cutter)))
	stopped    = not(driving)
)

var (
	handHere = SecondCue{"hand-here", "the driver picks it up next to you", ofGap}
)

// driver and the like are the participants of a drive.
var driver = Participant{ID: passer, Name: "Driver", Word: "the driver", Letter: "D", Ball: true}

const driveCaution = "Land on two feet in the lane. Nobody slides under a driver."

var driveWing = &Action{
	ID: DriveWing, Name: "Drive from the wing",
	Roles: [2]Role{Teammate, Safety}, Third: Corner, Family: Catches,
	Parts: [3]string{"Near corner", "Top", "Far corner"},
	Participants: []Participant{
		driver,
		{ID: cutter, Name: "Near corner", Word: "the near corner", Letter: "N"},
		{ID: screener, Name: "Top", Word: "the top", Letter: "T"},
		{ID: one, Name: "Far corner", Word: "the far corner", Letter: "F"},
		{ID: second, Name: "Far wing", Word: "the far wing", Letter: "W"},
		{ID: xCutter, Name: "Near corner's defender", Word: "the near corner's defender", Letter: "N", Guards: cutter},
		{ID: xScreener, Name: "Top's defender", Word: "the top's defender", Letter: "T", Guards: screener},
		{ID: xOne, Name: "Far corner's defender", Word: "the far corner's defender", Letter: "F", Guards: one},
		{ID: xSecond, Name: "Far wing's defender", Word: "the far wing's defender", Letter: "W", Guards: second},
	},
	About: "The wing drives and the other four move with it, so any help opens a pass.",
	Before: []string{
		"Driver: two feet in the lane, eyes up, then the pass.",
		"The others: move on the first dribble, not after it.",
		"Whoever catches the kick has a closeout to read.",
	},
	Caution: driveCaution,
	rows: []Row{
		{
			Cue: MidDrive, when: toMiddle, Seen: "The drive goes to the middle",
			moves: []move{{who: passer, along: 6, out: 3.2}},
			Cutter: []Answer{answer(StayWide, "It goes to the middle: stay deep in the corner.",
				"Corner, feet ready: your defender helps or stays.")},
			Screener:   []Answer{job(SlideSlot, "Out of the way: slide to the far slot.")},
			Third:      []Answer{job(StayDeep, "Stay deep, be seen past the help.")},
			PasserPart: "Far wing: drift down toward the corner.",
			Mistakes: []string{"Nobody moves within a second", "The top stands in the drive's way",
				"The corner creeps in"},
		},
		{
			Cue: BaseDrive, when: toBaseline, Seen: "The drive goes to the baseline",
			moves: []move{{who: passer, along: 8, out: -3}},
			Cutter: []Answer{answer(Lift, "It goes baseline: lift to the wing behind it.",
				"Up to the wing, hands shown: you are the way out.")},
			Screener:   []Answer{job(ComeBehind, "Come behind the drive, where the ball can come back.")},
			Third:      []Answer{job(DriftBase, "Drift to the baseline: the pass comes under the backboard.")},
			PasserPart: "Far wing: to the free-throw line's height, be seen.",
			Mistakes: []string{"Nobody moves within a second", "The near corner stays in the way",
				"The far corner hides behind the help"},
		},
		{
			Cue: AtYou, when: atCorner, Seen: "The drive comes straight at the near corner",
			moves: []move{{who: passer, along: 9, at: cutter}},
			Cutter: []Answer{answer(CutAway, "It comes at you: cut behind your defender.",
				"Plant the outside foot, to the rim, hand low."),
				also(TakeHand, handHere, untold(), "They stop next to you: take the handoff.",
					"Off the hip, no daylight.")},
			Screener:   []Answer{job(ComeBehind, "Come behind the drive, where the ball can come back.")},
			Third:      []Answer{job(StayDeep, "Stay deep: the lane is for the cut.")},
			PasserPart: "Far wing: stay, be seen.",
			Mistakes:   []string{"Two stand in one corner", "The cut starts late"},
		},
		{
			Cue: Stopped, when: stopped, Seen: "The drive is stopped on the baseline",
			show:  []put{{who: passer, from: rim, plus: court.Point{X: 10, Y: -1.5}}},
			moves: []move{{who: passer, along: 0, out: 0}},
			Cutter: []Answer{answer(Lift, "They're stopped: lift and be the way out.",
				"Up to the wing: the dribble comes back out to you.")},
			Screener:   []Answer{job(ComeBehind, "Come behind for the safety pass, hands up.")},
			Third:      []Answer{job(StayDeep, "Stay: nobody throws across the lane from there.")},
			PasserPart: "Driver: keep the dribble, back out. Never pick it up there.",
			Mistakes:   []string{"Picks it up on the baseline", "Nobody comes behind"},
		},
	},
	spots: layout{from: "wingR", to: "rim", screenerFrom: "slotR", free: true, passes: overTop,
		set:    []put{{who: passer, from: start, feet: 5, to: catch}},
		others: map[Place]string{cutter: "cornerR", screener: "slotR", second: "wingL", one: "cornerL"}},
}

var driveTop = &Action{
	ID: DriveTop, Name: "Drive from the top",
	Roles: [2]Role{Teammate, Corner}, Family: Catches, Parts: [3]string{"Wing", "Corner", "The others"},
	Participants: []Participant{
		driver,
		{ID: cutter, Name: "Wing", Word: "the wing", Letter: "W"},
		{ID: screener, Name: "Corner", Word: "the corner", Letter: "C"},
		{ID: second, Name: "Far wing", Word: "the far wing", Letter: "F"},
		{ID: xCutter, Name: "Wing's defender", Word: "the wing's defender", Letter: "W", Guards: cutter},
		{ID: xScreener, Name: "Corner's defender", Word: "the corner's defender", Letter: "C", Guards: screener},
		{ID: xSecond, Name: "Far wing's defender", Word: "the far wing's defender", Letter: "F", Guards: second},
	},
	About: "The ball goes down the middle from the top. Wings drift, corners stay, the lane is empty.",
	Before: []string{
		"Driver: two feet in the lane, eyes up, then the pass.",
		"Wings: down your side with the drive.",
		"Nobody inside: the lane is the driver's.",
	},
	Caution: driveCaution,
	rows: []Row{
		{
			Cue: MidDrive, when: all(driving, not(comesAt(passer, straightAt, cutter))),
			Seen:  "The drive goes down the middle",
			moves: []move{{who: passer, along: 6.8, out: 0}},
			Cutter: []Answer{answer(Drift, "Down the middle: drift along your side.",
				"Down toward the corner, hands shown, where the driver sees you.")},
			Screener:   []Answer{job(StayDeep, "Stay deep, feet ready.")},
			PasserPart: "The other side does the same.",
			Mistakes: []string{"Nobody moves within a second", "A wing cuts into the lane",
				"The corner comes in to rebound"},
		},
		{
			Cue: AtYou, when: all(driving, comesAt(passer, straightAt, cutter)),
			Seen:  "The drive comes straight at the wing",
			moves: []move{{who: passer, along: 9, at: cutter}},
			Cutter: []Answer{answer(CutAway, "It comes at you: cut behind your defender.",
				"Plant the outside foot, to the rim, hand low."),
				also(TakeHand, handHere, untold(), "They stop next to you: take the handoff.",
					"Off the hip, no daylight.")},
			Screener:   []Answer{job(LiftUp, "Lift as the wing leaves: the spot is yours.")},
			PasserPart: "The other side stays, feet ready.",
			Mistakes:   []string{"Two stand on one wing", "The corner does not lift"},
		},
	},
	spots: layout{from: "top", to: "rim", screenerFrom: "cornerR", free: true,
		set:    []put{{who: passer, from: start, feet: 4, to: catch}},
		others: map[Place]string{cutter: "wingR", screener: "cornerR", second: "wingL"}},
}

var drivePost = &Action{
	ID: DrivePost, Name: "Drive with a post",
	Roles: [2]Role{Pivot, Teammate}, Family: Catches, Parts: [3]string{"Post", "Near corner", "The others"},
	Participants: []Participant{
		driver,
		{ID: cutter, Name: "Post", Word: "the post", Letter: "5"},
		{ID: screener, Name: "Near corner", Word: "the near corner", Letter: "N"},
		{ID: xCutter, Name: "Post's defender", Word: "the post's defender", Letter: "5", Guards: cutter},
		{ID: xScreener, Name: "Near corner's defender", Word: "the near corner's defender", Letter: "N",
			Guards: screener},
	},
	About: "The wing drives and somebody stands in the post: out of the way, and still a pass.",
	Before: []string{
		"Driver: two feet in the lane, eyes up, then the pass.",
		"Post: move when the first dribble goes down, chest to the ball.",
		"Near corner: with the drive.",
	},
	Caution: driveCaution,
	rows: []Row{
		{
			Cue: MidDrive, when: all(driving, moving(passer, middleward, 0)), Seen: "The drive goes to the middle",
			moves: []move{{who: passer, along: 6, out: 3.2}},
			Cutter: []Answer{answer(ShortCorner, "It goes to the middle: out to the short corner.",
				"Two steps to the baseline, hands ready, feet behind the help.")},
			Screener:   []Answer{job(StayWide, "Stay deep in the corner, feet ready.")},
			PasserPart: "Top: slide to the far slot.",
			Mistakes:   []string{"Nobody moves within a second", "The post stands in the drive's way"},
		},
		{
			Cue: BaseDrive, when: all(driving, moving(passer, baseward, 0)), Seen: "The drive goes to the baseline",
			moves: []move{{who: passer, along: 6, out: -3.2}},
			Cutter: []Answer{answer(StepHigh, "It goes baseline: step up to the elbow.",
				"Up the lane line, chest to the ball, hands up.")},
			Screener:   []Answer{job(Lift, "Lift to the wing behind the drive.")},
			PasserPart: "Top: come behind the drive. Far corner: drift to the baseline.",
			Mistakes:   []string{"Nobody moves within a second", "The post seals in the drive's way"},
		},
	},
	spots: layout{from: "wingR", to: "rim", screenerFrom: "cornerR", free: true, passes: overTop,
		set:    []put{{who: passer, from: start, feet: 4, to: catch}},
		others: map[Place]string{cutter: "midpostR", screener: "cornerR"}},
}
