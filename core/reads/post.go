package reads

import "evrik/core/court"

// The tables of play around the post (common practice, no source). The words are the
// product's own.

// Ids of the actions around a post.
const (
	AfterFeed = "afterfeed"
	RoundPost = "roundpost"
	FeedPost  = "feedpost"
)

// Distances of post play, in feet.
var (
	// digReach is how near the post a defender digs at the ball (assumption).
	digReach = body(5.5)
	// laneBody is how near a cut's way a body fills it (assumption).
	laneBody = onCourt(5)
	// sunkIn is how much nearer the rim than the own player a helper has sunk into the
	// lane (assumption).
	sunkIn = onCourt(10)
	// frontLane is how near the feed a fronting defender stands (assumption).
	frontLane = body(2.5)
	// lobHelp is how near the rim a helper takes the lob (assumption).
	lobHelp = onCourt(LobHelp)
)

// LobHelp is how near the rim, in feet, a helper takes a lob (assumption).
const LobHelp = 8.0

const postCaution = "First against a chair or a coach. Set feet: a moving screen is a foul and a collision."

var postFive = []Participant{
	{ID: screener, Name: "Post", Word: "the post", Letter: "B", Ball: true},
	{ID: cutter, Name: "Passer", Word: "the passer", Letter: "P"},
	{ID: second, Name: "Teammate", Word: "the nearest teammate", Letter: "N"},
	{ID: two, Name: "Far wing", Word: "the far wing", Letter: "2"},
	{ID: three, Name: "Far corner", Word: "the far corner", Letter: "3"},
	{ID: xScreener, Name: "Post's defender", Word: "the post's defender", Letter: "B", Guards: screener},
	{ID: xCutter, Name: "Passer's defender", Word: "the passer's defender", Letter: "P", Guards: cutter},
	{ID: xSecond, Name: "Teammate's defender", Word: "the teammate's defender", Letter: "N", Guards: second},
	{ID: xTwo, Name: "Far wing's defender", Word: "the far wing's defender", Letter: "2", Guards: two},
	{ID: xThree, Name: "Far corner's defender", Word: "the far corner's defender", Letter: "3", Guards: three},
}

// renamed is a participant under another name.
func renamed(p Participant, name, word, letter string, ball bool) Participant {
	p.Name, p.Word, p.Letter, p.Ball = name, word, letter, ball
	return p
}

var (
	laneFull = anyOne(inLane(xTwo, laneBody, cutter, rim), inLane(xThree, laneBody, cutter, rim),
		inLane(xSecond, laneBody, cutter, rim))
	turned   = watches(xCutter, screener, cutter)
	fronting = all(inLane(xScreener, frontLane, cutter, screener), not(deeper(xScreener, body(0), screener)))
	rimHelp  = anyOne(within(xSecond, lobHelp, rim), within(xTwo, lobHelp, rim), within(xThree, lobHelp, rim))
	// guardsOwn is a defender near enough to guard the cutter.
	guardsOwn = within(xCutter, guardsFrom, cutter)
)

// Second cues around the post.
var (
	shooterNear  = SecondCue{"shooter-near", "a shooter is next to you", ofHelp}
	defenderHigh = SecondCue{"defender-high", "your defender is higher than you", ofGuard}
	cannotPass   = SecondCue{"no-angle", "there is no angle for the pass", ofGap}
)

var afterFeed = &Action{
	ID: AfterFeed, Name: "After the feed",
	Roles: [2]Role{Passer, Pivot}, Family: PostPlay, Participants: postFive,
	Parts: [3]string{"Passer", "Post", "The others"},
	About: "The ball is in the post. The passer must do something: standing still lets the defender dig at the ball.",
	Before: []string{
		"Passer: see your defender's head as the ball leaves your hand.",
		"Post: catch, chin it, look over the inside shoulder.",
		"The others: one in the far corner, one on the far wing, nobody side by side.",
	},
	Caution: postCaution,
	rows: []Row{
		{
			Cue: Crowded, when: all(laneFull, guardsOwn), Seen: "A body fills your way to the rim",
			show: []put{{who: xTwo, from: rim, feet: 8, to: cutter}},
			Cutter: []Answer{answer(ScreenSlip, "No way through: screen for your teammate, hold one count, slip.",
				"Screen away for the nearest teammate, hold one count, then straight to the rim."),
				also(Relocate, shooterNear, shoots(cutter), "No way through: move along the arc, shot ready.",
					"Three steps along the line to where the post sees you.")},
			Screener:   []Answer{job(Work, "Go to work while they look at the screen.")},
			PasserPart: "Shooter: come off it with your feet ready.",
			Mistakes:   []string{"Stands and watches the post", "Cuts into the crowd", "Screens and forgets the slip"},
		},
		{
			Cue: Asleep, when: all(not(deeper(xCutter, body(0), cutter)), not(laneFull), guardsOwn),
			Seen: "Your defender is higher than you, the way to the rim is empty",
			show: []put{{who: xCutter, from: cutter, plus: court.Point{X: -3.5, Y: 6}},
				{who: xTwo, from: two, feet: 6, to: rim}, {who: xThree, from: three, feet: 5, to: rim}},
			Cutter: []Answer{answer(CutClear, "The lane is empty: cut through to the rim, clear to the far side.",
				"Hard to the rim in front of your defender, hand out; no ball, clear through.")},
			Screener:   []Answer{job(GiveBack, "See the cutter first, bounce it in.")},
			PasserPart: "Far side: fill up behind the cut.",
			Mistakes:   []string{"Jogs", "Stops in the lane", "Post dribbles at once"},
		},
		{
			Cue: Turned, when: all(turned, guardsOwn), Seen: "Your defender's head is turned to the ball",
			show: []put{{who: eyes, from: screener, feet: 0, to: rim}},
			Cutter: []Answer{answer(HandBack,
				"They're looking at the ball: cut tight around the post for the hand-back.",
				"Go on the blind side, shoulder to the post's hip, hands ready."),
				also(CutClear, defenderHigh, all(not(deeper(xCutter, body(0), cutter)), not(laneFull)),
					"The lane is empty behind them: cut through.",
					"Hard to the rim in front of your defender, hand out.")},
			Screener:   []Answer{job(GiveBack, "Pivot, hand it back low, then seal.")},
			PasserPart: "Stay wide: the cut needs the room.",
			Mistakes:   []string{"Cuts wide of the post", "Waits until the head turns back"},
		},
		{
			Cue: Dig, when: within(xCutter, digReach, screener), Seen: "Your defender drops on the ball",
			show: []put{{who: xCutter, from: screener, feet: 3.4, to: cutter}},
			Cutter: []Answer{answer(Relocate, "They dig: move along the arc to where the post sees you.",
				"Three steps along the line, feet ready, hands up.")},
			Screener:   []Answer{job(KickOut, "Feel the dig, kick it out, re-post.")},
			PasserPart: "One more pass is there if a defender runs at the shooter.",
			Mistakes:   []string{"Stands where one defender can reach both", "Post dribbles into the dig"},
		},
	},
	spots: layout{from: "wingR", to: "rim", screenerFrom: "midpostR", free: true, eyes: cutter,
		set:    []put{{who: cutter, from: start, feet: 0, to: catch}},
		others: map[Place]string{screener: "midpostR", second: "top", two: "wingL", three: "cornerL"}},
}

var roundPost = &Action{
	ID: RoundPost, Name: "Away from the post",
	Roles: [2]Role{Cutter, Pivot}, Family: PostPlay, Parts: [3]string{"Far wing", "Post", "The others"},
	Participants: []Participant{
		postFive[0],
		renamed(postFive[1], "Far wing", "the far wing", "W", false),
		renamed(postFive[2], "Feeder", "the feeder", "P", false),
		renamed(postFive[3], "Top", "the top", "2", false),
		postFive[4],
		postFive[5],
		renamed(postFive[6], "Far wing's defender", "the far wing's defender", "W", false),
		renamed(postFive[7], "Feeder's defender", "the feeder's defender", "P", false),
		renamed(postFive[8], "Top's defender", "the top's defender", "2", false),
		postFive[9],
	},
	About: "The ball is in the post on the other side. What the weak-side wing does takes the help away, or " +
		"punishes it.",
	Before: []string{
		"Far wing: see your defender and the ball; never stand beside a teammate.",
		"A big who does not shoot waits at the far block.",
		"The others: fill behind a cut, high and wide.",
	},
	Caution: postCaution,
	rows: []Row{
		{
			Cue: Still, when: all(within(xSecond, leftPlayer, second), within(xTwo, leftPlayer, two), guardsOwn),
			Seen: "Everybody near you is guarded, nobody moves",
			Cutter: []Answer{answer(ForOther, "Nothing moves: screen for a shooter, take their eyes off the post.",
				"Away screen or flare for the nearest shooter.")},
			Screener:   []Answer{job(Work, "One on one: go to work.")},
			PasserPart: "Shooter: use it, feet ready.",
			Mistakes:   []string{"Everybody watches the post", "Cuts into the post's own room"},
		},
		{
			Cue: Opens, when: deeper(xCutter, sunkIn, cutter), Seen: "Your defender has sunk into the lane",
			show: []put{{who: xCutter, from: cutter, feet: 14, to: rim},
				{who: eyes, from: screener, feet: 0, to: rim}},
			Cutter: []Answer{answer(Flash, "They've sunk in: flash to the high post.",
				"Straight to the line, hands up, catch and face.")},
			Screener:   []Answer{job(KickOut, "Out to the flash; look for the pass back down.")},
			PasserPart: "Fill the far wing behind the flash.",
			Mistakes:   []string{"Cuts low into the help", "Flashes without hands"},
		},
		{
			Cue: Turned, when: all(turned, guardsOwn), Seen: "Your defender's head is turned to the ball",
			show: []put{{who: eyes, from: screener, feet: 0, to: rim}},
			Cutter: []Answer{answer(BackCut, "They're not looking: cut behind to the rim.",
				"Behind the head, hard, hand out to the ball.")},
			Screener:   []Answer{job(GiveBack, "See the cut, pass over the inside shoulder.")},
			PasserPart: "Fill behind the cut.",
			Mistakes:   []string{"Waits until the head turns back", "Cuts where the defender looks"},
		},
		{
			Cue: Doubled, when: anyOne(within(xCutter, digReach, screener), within(xSecond, digReach, screener),
				within(xTwo, digReach, screener), within(xThree, digReach, screener)),
			Seen: "A second defender is on the post",
			show: []put{{who: xTwo, from: screener, feet: 3.6, to: two},
				{who: eyes, from: screener, feet: 0, to: rim}},
			Cutter: []Answer{answer(RimCut, "The post is doubled: cut to the rim, the rest fill behind.",
				"At the rim from the far side: you are one more than they are back there.")},
			Screener:   []Answer{job(KickOut, "Before they trap: to the cutter, or out to whoever was left.")},
			PasserPart: "Fill the places behind the cut, feet ready.",
			Mistakes:   []string{"Stands on the far wing and claps", "Post dribbles into the double team"},
		},
	},
	spots: layout{from: "wingL", to: "rim", screenerFrom: "midpostR", free: true, eyes: cutter,
		set:    []put{{who: cutter, from: start, feet: 0, to: catch}},
		others: map[Place]string{screener: "midpostR", second: "wingR", two: "top", three: "cornerL"}},
}

var reverseIt = also(Reverse, cannotPass, cond{}, "Fronted: reverse the ball, the seal is there on the next pass.",
	"Swing it at once: the front cannot get around before the next pass.")

var feedPost = &Action{
	ID: FeedPost, Name: "Feeding the post",
	Roles: [2]Role{Passer, Pivot}, Family: PostPlay, Parts: [3]string{"Passer", "Post", "The others"},
	Participants: []Participant{
		renamed(postFive[1], "Passer", "the passer", "P", true),
		renamed(postFive[0], "Post", "the post", "B", false),
		renamed(postFive[2], "Other big", "the other big", "O", false),
		postFive[3], postFive[4],
		postFive[6], postFive[5],
		renamed(postFive[7], "Other big's defender", "the other big's defender", "O", false),
		postFive[8], postFive[9],
	},
	About: "The wing has the ball and looks at the post: played from behind, or fronted.",
	Before: []string{
		"Passer: triple threat, fake one way and pass the other, high or low.",
		"Feed from where you can read the post's number; one dribble changes the angle.",
		"Post: sit wide, target hand away from the defender.",
	},
	Caution: postCaution,
	rows: []Row{
		{
			Cue: Behind, when: all(not(inLane(xScreener, frontLane, cutter, screener)),
				within(xScreener, guardsFrom, screener)), Seen: "The pass to the post is not fronted",
			show: []put{{who: xScreener, from: screener, feet: 4, to: rim}},
			Cutter: []Answer{answer(Feed, "They play behind: feed the far hand.",
				"Fake, then bounce it to the hand away from the defender; then move.")},
			Screener:   []Answer{job(Work, "Hold the seal until the ball is in your hands.")},
			PasserPart: "Far side: hold your defenders with your eyes on the ball.",
			Mistakes:   []string{"Feeds from a bad angle", "No fake", "Stands after the feed"},
		},
		{
			Cue: Fronted, when: all(fronting, not(rimHelp)), Seen: "The post is fronted",
			show: []put{{who: xScreener, from: screener, feet: 2.6, to: cutter}},
			Cutter: []Answer{answer(Lob, "Fronted and no help behind: lob it to the rim.",
				"High, over the far shoulder, to the corner of the board."), reverseIt},
			Screener:   []Answer{job(HoldSeal, "Keep the defender on your back, go only when the ball is overhead.")},
			PasserPart: "Far side stays wide: that keeps the lob open.",
			Mistakes:   []string{"Lobs flat", "Post leaves the seal early"},
		},
		{
			Cue: Helped, when: all(fronting, rimHelp),
			Seen: "The post is fronted, help waits at the rim",
			show: []put{{who: xScreener, from: screener, feet: 2.6, to: cutter},
				{who: xThree, from: rim, feet: 4, to: three}},
			Cutter: []Answer{answer(HighLow, "Fronted with help: the other big flashes high, high-low.",
				"To the high post at once, on the side the front is not."), reverseIt},
			Screener:   []Answer{job(HoldSeal, "Turn and seal the front toward the sideline.")},
			PasserPart: "Other big: flash to the line, catch, look down, over the top.",
			Mistakes:   []string{"Forces the lob into the help", "Other big stands low"},
		},
	},
	spots: layout{from: "wingR", to: "rim", screenerFrom: "midpostR", free: true,
		set:    []put{{who: cutter, from: start, feet: 0, to: catch}},
		others: map[Place]string{screener: "midpostR", second: "highpost", two: "wingL", three: "cornerL"}},
}
