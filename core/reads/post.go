package reads

import "evrik/core/court"

// The tables of play round the post (common practice, no source). The words
// are the product's own.

// Ids of the situations round a post.
const (
	AfterFeed = "afterfeed"
	RoundPost = "roundpost"
	FeedPost  = "feedpost"
)

// Figures of post play, in feet.
const (
	// DigReach is how near to the post a defender digs at the ball (assumption).
	DigReach = 5.5
	// LaneBody is how near to a cut's way a body fills it (assumption).
	LaneBody = 5.0
	// SunkIn is how much nearer to the rim than his man a helper has sunk into
	// the lane (assumption).
	SunkIn = 10.0
	// FrontLane is how near to the feed a fronting defender stands (assumption).
	FrontLane = 2.5
	// LobHelp is how near to the rim a helper takes the lob (assumption).
	LobHelp = 8.0
)

const postCaution = "First against a chair or a coach. Set feet: a moving screen is a foul and a collision."

var postFive = []Person{
	{ID: screener, Name: "Post", Word: "the post", Letter: "B", Ball: true},
	{ID: cutter, Name: "Passer", Word: "the passer", Letter: "P"},
	{ID: second, Name: "Teammate", Word: "the nearest teammate", Letter: "N"},
	{ID: two, Name: "Far wing", Word: "the far wing", Letter: "2"},
	{ID: three, Name: "Far corner", Word: "the far corner", Letter: "3"},
	{ID: xScreener, Name: "Post's defender", Word: "the post's man", Letter: "B", Guards: screener},
	{ID: xCutter, Name: "Passer's defender", Word: "the passer's man", Letter: "P", Guards: cutter},
	{ID: xSecond, Name: "Teammate's defender", Word: "the teammate's man", Letter: "N", Guards: second},
	{ID: xTwo, Name: "Far wing's defender", Word: "the far wing's man", Letter: "2", Guards: two},
	{ID: xThree, Name: "Far corner's defender", Word: "the far corner's man", Letter: "3", Guards: three},
}

// who is a person under another name.
func who(p Person, name, word, letter string, ball bool) Person {
	p.Name, p.Word, p.Letter, p.Ball = name, word, letter, ball
	return p
}

var laneFull = anyOne(inLane(xTwo, LaneBody, cutter, rim), inLane(xThree, LaneBody, cutter, rim), inLane(xSecond, LaneBody, cutter, rim))

var afterFeed = &Screen{
	ID: AfterFeed, Name: "After the feed",
	Roles: [2]Role{Passer, Pivot}, Family: PostPlay, People: postFive, Parts: [3]string{"Passer", "Post", "The others"},
	About: "The ball is in the post. The passer must do something: standing still lets his man dig at the ball.",
	Before: []string{
		"Passer: see your man's head as the ball leaves your hand.",
		"Post: catch, chin it, look over the inside shoulder.",
		"The others: one in the far corner, one on the far wing, nobody side by side.",
	},
	Caution: postCaution,
	rows: []Row{
		{
			Cue: Crowded, feel: true, Seen: "Your man plays you honestly and the lane is no way through",
			show:       []put{{who: xTwo, from: rim, feet: 8, to: cutter}},
			CutterRead: ScreenSlip, ScreenerRead: Work,
			Say:          "No way through: screen for your teammate, hold one count, slip.",
			CutterPart:   "Screen away for the nearest man, hold one count, then straight to the rim.",
			ScreenerPart: "Go to work while they look at the screen.",
			PasserPart:   "Shooter: come off it with your feet ready.",
			Mistakes:     []string{"Stands and watches the post", "Cuts into the crowd", "Screens and forgets the slip"},
		},
		{
			Cue: Asleep, when: all(not(deeper(xCutter, 0, cutter)), not(laneFull)), Seen: "Your man is too high, the way to the rim is empty",
			show:       []put{{who: xCutter, from: cutter, plus: court.Point{X: -3.5, Y: 6}}, {who: xTwo, from: two, feet: 6, to: rim}, {who: xThree, from: three, feet: 5, to: rim}},
			CutterRead: CutClear, ScreenerRead: GiveBack,
			Say:          "The lane is empty: cut through to the rim, clear to the far side.",
			CutterPart:   "In front of his face, hard to the rim, hand out; no ball, clear through.",
			ScreenerPart: "See the cutter first, bounce it to him.",
			PasserPart:   "Far side: fill up behind the cut.",
			Mistakes:     []string{"Jogs", "Stops in the lane", "Post dribbles at once"},
		},
		{
			Cue: Turned, when: watches(xCutter, screener, cutter), Seen: "Your man has turned his head to the ball",
			show:       []put{{who: eyes, from: screener, feet: 0, to: rim}},
			CutterRead: HandBack, ScreenerRead: GiveBack,
			Say:          "He's looking at the ball: cut tight round the post for the hand-back.",
			CutterPart:   "Go on his blind side, shoulder to the post's hip, hands ready.",
			ScreenerPart: "Pivot, hand it back low, then seal.",
			PasserPart:   "Stay wide: the cut needs the room.",
			Mistakes:     []string{"Cuts wide of the post", "Waits until he turns round again"},
		},
		{
			Cue: Dig, when: within(xCutter, DigReach, screener), Seen: "Your man drops on the ball",
			show:       []put{{who: xCutter, from: screener, feet: 3.4, to: cutter}},
			CutterRead: Relocate, ScreenerRead: KickOut,
			Say:          "He digs: move along the arc to where the post sees you.",
			CutterPart:   "Three steps along the line, feet ready, hands up.",
			ScreenerPart: "Feel the dig, kick it out, re-post.",
			PasserPart:   "One more pass is there if he runs at the shooter.",
			Mistakes:     []string{"Stands where the digger can reach both", "Post dribbles into the dig"},
		},
	},
	spots: layout{from: "wingR", to: "rim", screenerFrom: "midpostR", free: true, eyes: cutter,
		set:    []put{{who: cutter, from: start, feet: 0, to: catch}},
		others: map[Place]string{screener: "midpostR", second: "top", two: "wingL", three: "cornerL"}},
}

var roundPost = &Screen{
	ID: RoundPost, Name: "Away from the post",
	Roles: [2]Role{Cutter, Pivot}, Family: PostPlay, Parts: [3]string{"Far wing", "Post", "The others"},
	People: []Person{
		postFive[0],
		who(postFive[1], "Far wing", "the far wing", "W", false),
		who(postFive[2], "Feeder", "the feeder", "P", false),
		who(postFive[3], "Top", "the top", "2", false),
		postFive[4],
		postFive[5],
		who(postFive[6], "Far wing's defender", "the far wing's man", "W", false),
		who(postFive[7], "Feeder's defender", "the feeder's man", "P", false),
		who(postFive[8], "Top's defender", "the top's man", "2", false),
		postFive[9],
	},
	About: "The ball is in the post on the other side. What the weak-side wing does takes the help away, or punishes it.",
	Before: []string{
		"Far wing: see your man and the ball; never stand beside a teammate.",
		"A big who does not shoot waits at the far block.",
		"The others: fill behind a cut, high and wide.",
	},
	Caution: postCaution,
	rows: []Row{
		{
			Cue: Still, Seen: "Nobody helps, nobody moves",
			CutterRead: ForOther, ScreenerRead: Work,
			Say:          "Nothing moves: screen for a shooter, take their eyes off the post.",
			CutterPart:   "Away screen or flare for the nearest shooter.",
			ScreenerPart: "One on one: go to work.",
			PasserPart:   "Shooter: use it, feet ready.",
			Mistakes:     []string{"Everybody watches the post", "Cuts into the post's own room"},
		},
		{
			Cue: Opens, when: all(deeper(xCutter, SunkIn, cutter)), Seen: "Your man has sunk into the lane, the line is open",
			show:       []put{{who: xCutter, from: cutter, feet: 14, to: rim}},
			CutterRead: Flash, ScreenerRead: KickOut,
			Say:          "He's sunk in: flash to the high post.",
			CutterPart:   "Straight to the line, hands up, catch and face.",
			ScreenerPart: "Out to the flash; look for him to look back down.",
			PasserPart:   "Fill the far wing behind him.",
			Mistakes:     []string{"Cuts low into the help", "Flashes without hands"},
		},
		{
			Cue: Turned, when: watches(xCutter, screener, cutter), Seen: "Your man has turned his head to the ball",
			show:       []put{{who: eyes, from: screener, feet: 0, to: rim}},
			CutterRead: BackCut, ScreenerRead: GiveBack,
			Say:          "He's not looking: cut behind him to the rim.",
			CutterPart:   "Behind his head, hard, hand out to the ball.",
			ScreenerPart: "See the cut, pass over the inside shoulder.",
			PasserPart:   "Fill behind the cut.",
			Mistakes:     []string{"Waits until he looks back", "Cuts in front of his eyes"},
		},
		{
			Cue: Doubled, when: anyOne(within(xCutter, DigReach, screener), within(xSecond, DigReach, screener), within(xTwo, DigReach, screener), within(xThree, DigReach, screener)),
			Seen:       "A second man is on the post",
			show:       []put{{who: xTwo, from: screener, feet: 3.6, to: two}},
			CutterRead: RimCut, ScreenerRead: KickOut,
			Say:          "The post is doubled: cut to the rim, the rest fill behind.",
			CutterPart:   "At the rim from the far side: it is three against two back there.",
			ScreenerPart: "Before they trap: to the cutter, or out to the man who was left.",
			PasserPart:   "Fill the places behind the cut, feet ready.",
			Mistakes:     []string{"Stands on the far wing and claps", "Post dribbles into the double"},
		},
	},
	spots: layout{from: "wingL", to: "rim", screenerFrom: "midpostR", free: true, eyes: cutter,
		set:    []put{{who: cutter, from: start, feet: 0, to: catch}},
		others: map[Place]string{screener: "midpostR", second: "wingR", two: "top", three: "cornerL"}},
}

var feedPost = &Screen{
	ID: FeedPost, Name: "Feeding the post",
	Roles: [2]Role{Passer, Pivot}, Family: PostPlay, Parts: [3]string{"Passer", "Post", "The others"},
	People: []Person{
		who(postFive[1], "Passer", "the passer", "P", true),
		who(postFive[0], "Post", "the post", "B", false),
		who(postFive[2], "Other big", "the other big", "O", false),
		postFive[3], postFive[4],
		postFive[6], postFive[5],
		who(postFive[7], "Other big's defender", "the other big's man", "O", false),
		postFive[8], postFive[9],
	},
	About: "The wing has the ball and looks at the post: played from behind, or fronted.",
	Before: []string{
		"Passer: triple threat, fake low to pass high, or fake high and step through low.",
		"Feed from where the post shows his number; one dribble changes the angle.",
		"Post: sit wide, target hand away from the man.",
	},
	Caution: postCaution,
	rows: []Row{
		{
			Cue: Behind, when: not(inLane(xScreener, FrontLane, cutter, screener)), Seen: "The post is played from behind",
			CutterRead: Feed, ScreenerRead: Work,
			Say:          "He's behind him: feed the far hand.",
			CutterPart:   "Fake, then bounce it to the hand away from the man; then move.",
			ScreenerPart: "Hold the seal until the ball is in your hands.",
			PasserPart:   "Far side: hold your men with your eyes on the ball.",
			Mistakes:     []string{"Feeds from a bad angle", "No fake", "Stands after the feed"},
		},
		{
			Cue: Fronted, when: all(inLane(xScreener, FrontLane, cutter, screener), not(deeper(xScreener, 0, screener))),
			Seen:       "The post is fronted, nobody is behind him",
			show:       []put{{who: xScreener, from: screener, feet: 2.6, to: cutter}},
			CutterRead: Lob, ScreenerRead: HoldSeal,
			Say:          "Fronted and nobody behind: lob it to the rim.",
			CutterPart:   "High, over the far shoulder, to the corner of the board.",
			ScreenerPart: "Hold him on your back, go only when the ball is over his head.",
			PasserPart:   "Far side stays wide: that keeps the lob open.",
			Mistakes:     []string{"Lobs flat", "Post leaves the seal early"},
		},
		{
			Cue: Helped, when: all(inLane(xScreener, FrontLane, cutter, screener), not(deeper(xScreener, 0, screener)),
				anyOne(within(xSecond, LobHelp, rim), within(xTwo, LobHelp, rim), within(xThree, LobHelp, rim))),
			Seen:       "The post is fronted, help waits behind him",
			show:       []put{{who: xScreener, from: screener, feet: 2.6, to: cutter}, {who: xThree, from: rim, feet: 4, to: three}},
			CutterRead: HighLow, ScreenerRead: HoldSeal,
			Say:          "Fronted with help: the other big flashes high, high-low.",
			CutterPart:   "To the high post at once, on the side the front is not.",
			ScreenerPart: "Turn and seal the front toward the sideline.",
			PasserPart:   "Other big: flash to the line, catch, look down, over the top.",
			Mistakes:     []string{"Forces the lob into the help", "Other big stands low"},
		},
	},
	spots: layout{from: "wingR", to: "rim", screenerFrom: "midpostR", free: true,
		set:    []put{{who: cutter, from: start, feet: 0, to: catch}},
		others: map[Place]string{screener: "midpostR", second: "highpost", two: "wingL", three: "cornerL"}},
}

var screens = []*Screen{
	downScreen, awayScreen, pinScreen, flareScreen, exitScreen, hammerScreen, backScreen, highPostScreen,
	crossScreen, staggerScreen, floppyScreen, changeScreen,
	ballScreen, stepUpScreen, ghostScreen, doubleHighScreen,
	handoffScreen, dribbleAtScreen,
	afterFeed, roundPost, feedPost,
}
