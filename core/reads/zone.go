package reads

import "evrik/core/court"

// The tables against a 2-3 zone: nobody guards one player, so what is read are the gap
// and the shift (common practice, no source). Every defender belongs to whoever stands in
// that defender's area.

// Ids of the actions against a zone.
const (
	ZoneTop  = "zonetop"
	ZoneWing = "zonewing"
	ZoneCut  = "zonecut"
)

// Distances of a zone, in feet (assumptions).
var (
	// gapHalf is how near the way between them one of two guards stands who closes it.
	gapHalf = body(3.2)
	// besidePost is within which the middle defender is on the high post.
	besidePost = body(6)
)

// What is seen of a zone.
var (
	gapShut  = anyOne(inLane(xCutter, gapHalf, cutter, rim), inLane(xSecond, gapHalf, cutter, rim))
	postFree = not(within(xScreener, besidePost, screener))
	bottomUp = nearer(xOne, cutter, one)
	slidAway = nearer(xCutter, screener, rim)
	zoneFeet = "Slide, do not reach. Land on two feet in the lane."
)

var zoneTop = &Action{
	ID: ZoneTop, Name: "Ball on top of a zone",
	Roles: [2]Role{Handler, Pivot}, Family: AgainstZone, Parts: [3]string{"Handler", "High post", "The others"},
	Participants: []Participant{
		{ID: cutter, Name: "Handler", Word: "the handler", Letter: "H", Ball: true},
		{ID: screener, Name: "High post", Word: "the high post", Letter: "P"},
		{ID: one, Name: "Near wing", Word: "the near wing", Letter: "N"},
		{ID: second, Name: "Far wing", Word: "the far wing", Letter: "F"},
		{ID: xCutter, Name: "Near guard", Word: "the near guard", Letter: "1", Guards: cutter},
		{ID: xSecond, Name: "Far guard", Word: "the far guard", Letter: "2", Guards: second},
		{ID: xScreener, Name: "Middle defender", Word: "the middle defender", Letter: "5", Guards: screener},
		{ID: xOne, Name: "Near bottom defender", Word: "the near bottom defender", Letter: "3", Guards: one},
	},
	About: "Two guards up top, three behind. The ball is in front of the gap.",
	Before: []string{
		"Handler: in front of the gap, not in front of a guard.",
		"High post: behind the two guards, hands up.",
		"Wings: wide and ready; the kick goes to the side whose guard came.",
	},
	Caution: zoneFeet,
	rows: []Row{
		{
			Cue: GapShut, when: gapShut, Seen: "The two guards stand together in the gap",
			show: []put{{who: xCutter, from: cutter, plus: court.Point{X: 1.2, Y: -5}},
				{who: xSecond, from: cutter, plus: court.Point{X: -2.6, Y: -5.5}},
				{who: xScreener, from: screener, plus: court.Point{X: 0.5, Y: -3}},
				{who: xOne, from: rim, plus: court.Point{X: 8, Y: 4}}},
			Cutter: []Answer{answer(Swing, "The gap is shut: swing it and make them slide.",
				"To the wing at once; the next gap opens on the far side.")},
			Screener:   []Answer{job(ShowHigh, "Stay behind the two guards, in the gap where the handler sees you.")},
			PasserPart: "Wings: ready before the catch.",
			Mistakes:   []string{"Dribbles into two", "Holds the ball on top"},
		},
		{
			Cue: GapOpen, when: not(gapShut), Seen: "The two guards are apart, the gap is open",
			show: []put{{who: xCutter, from: cutter, plus: court.Point{X: 6.5, Y: -5}},
				{who: xSecond, from: cutter, plus: court.Point{X: -6.5, Y: -5}},
				{who: xScreener, from: screener, plus: court.Point{X: 0.5, Y: -3}},
				{who: xOne, from: rim, plus: court.Point{X: 8, Y: 4}}},
			Cutter: []Answer{answer(DriveGap, "The gap is open: two feet into it, then kick.",
				"Hard between the two, stop on two feet, to the side whose guard came.")},
			Screener:   []Answer{job(ShortCorner, "Clear the gap: slide down to the short corner.")},
			PasserPart: "Wings: the side whose guard came gets the kick.",
			Mistakes:   []string{"Passes around the gap all evening", "The high post stays in the way"},
		},
		{
			Cue: MidLow, when: all(postFree, gapShut), Seen: "The guards are together, the middle defender stays low",
			show: []put{{who: xCutter, from: cutter, plus: court.Point{X: 4.5, Y: -5}},
				{who: xSecond, from: cutter, plus: court.Point{X: -1.6, Y: -5}},
				{who: xScreener, from: rim, plus: court.Point{X: 0.5, Y: 4}},
				{who: xOne, from: rim, plus: court.Point{X: 8, Y: 4}}},
			Cutter: []Answer{answer(FeedHigh, "The middle is low: hit the high post.",
				"Over or between the guards, to the far hand.")},
			Screener:   []Answer{job(CatchTurn, "Catch, turn, shoot it or find the short corner.")},
			PasserPart: "Short corner: be seen when the post turns.",
			Mistakes:   []string{"Looks only at the wings", "The post catches with the back to the rim and stays so"},
		},
	},
	spots: layout{from: "top", to: "rim", screenerFrom: "highpost", free: true,
		set: []put{{who: cutter, from: start, feet: 0, to: catch},
			{who: screener, from: screener, plus: court.Point{X: 3}}},
		others: map[Place]string{screener: "highpost", one: "wingR", second: "wingL"}},
}

var zoneWing = &Action{
	ID: ZoneWing, Name: "Ball on the wing of a zone",
	Roles: [2]Role{Handler, Pivot}, Family: AgainstZone, Parts: [3]string{"Wing", "High post", "The others"},
	Participants: []Participant{
		{ID: cutter, Name: "Wing", Word: "the wing", Letter: "W", Ball: true},
		{ID: screener, Name: "High post", Word: "the high post", Letter: "P"},
		{ID: one, Name: "Corner", Word: "the corner", Letter: "C"},
		{ID: second, Name: "Far wing", Word: "the far wing", Letter: "F"},
		{ID: xCutter, Name: "Near guard", Word: "the near guard", Letter: "1", Guards: cutter},
		{ID: xSecond, Name: "Far guard", Word: "the far guard", Letter: "2", Guards: second},
		{ID: xScreener, Name: "Middle defender", Word: "the middle defender", Letter: "5", Guards: screener},
		{ID: xOne, Name: "Bottom defender", Word: "the bottom defender", Letter: "3", Guards: one},
	},
	About: "The ball is on the wing of a 2-3 zone. Whoever came out to it left somebody.",
	Before: []string{
		"Wing: catch ready, look inside before you look around.",
		"High post: flash as the ball arrives on the wing.",
		"Corner and far wing: wide, feet ready.",
	},
	Caution: zoneFeet,
	rows: []Row{
		{
			Cue: MidLow, when: all(postFree, not(bottomUp)), Seen: "The middle defender stays low",
			show: []put{{who: xCutter, from: cutter, feet: 4, to: rim},
				{who: xScreener, from: screener, plus: court.Point{X: 1.5, Y: -8}},
				{who: xOne, from: one, feet: 4.5, to: rim},
				{who: xSecond, from: screener, plus: court.Point{X: -6, Y: 2.5}}},
			Cutter: []Answer{answer(FeedHigh, "The middle stays low: hit the high post.",
				"Pass to the hand away from the defender, then step into the gap.")},
			Screener:   []Answer{job(CatchTurn, "Catch, turn, shoot it or hit the short corner.")},
			PasserPart: "Short corner: be seen when the post turns.",
			Mistakes:   []string{"Swings it without a look inside", "The post catches and never turns"},
		},
		{
			Cue: MidUp, when: all(not(postFree), not(bottomUp)),
			Seen: "The middle defender has come up to the high post",
			show: []put{{who: xCutter, from: cutter, feet: 4, to: rim},
				{who: xScreener, from: screener, plus: court.Point{X: 0.5, Y: -4}},
				{who: xOne, from: one, feet: 4.5, to: rim},
				{who: xSecond, from: screener, plus: court.Point{X: -3, Y: -4}}},
			Cutter: []Answer{answer(SkipPass, "The middle came up: skip it to the far side.",
				"Over the top, to the shooting hand, while they slide.")},
			Screener:   []Answer{job(LowPass, "Draw the middle up: if the ball comes, look low at once.")},
			PasserPart: "Far wing: feet ready before the skip.",
			Mistakes:   []string{"Feeds the covered post", "Floats the skip"},
		},
		{
			Cue: BottomUp, when: bottomUp, Seen: "The bottom defender has come up to the ball",
			show: []put{{who: xOne, from: cutter, plus: court.Point{X: -0.5, Y: -4.2}},
				{who: xCutter, from: cutter, plus: court.Point{X: -6, Y: 3}},
				{who: xScreener, from: rim, plus: court.Point{X: 4, Y: 3}},
				{who: xSecond, from: screener, plus: court.Point{X: -3, Y: 0.5}}},
			Cutter: []Answer{answer(CornerPass, "The bottom came up: the corner is open behind.",
				"On time to the corner, to the shooting hand.")},
			Screener:   []Answer{job(ShortCorner, "Flash to the short corner behind the one who came up.")},
			PasserPart: "Corner: feet ready, the middle has a long way.",
			Mistakes:   []string{"Never looks behind the one who came", "The corner stands inside the line"},
		},
	},
	spots: layout{from: "wingR", to: "rim", screenerFrom: "nail", free: true,
		set:    []put{{who: cutter, from: start, feet: 0, to: catch}},
		others: map[Place]string{screener: "highpost", one: "cornerR", second: "wingL"}},
}

var zoneCut = &Action{
	ID: ZoneCut, Name: "Baseline cut in a zone",
	Roles: [2]Role{Cutter, Passer}, Family: AgainstZone, Parts: [3]string{"Runner", "Passer", "The others"},
	Participants: []Participant{
		{ID: screener, Name: "Passer", Word: "the passer", Letter: "P", Ball: true},
		{ID: cutter, Name: "Runner", Word: "the runner", Letter: "R"},
		{ID: one, Name: "Far wing", Word: "the far wing", Letter: "F"},
		{ID: xCutter, Name: "Bottom defender", Word: "the bottom defender", Letter: "3", Guards: cutter},
		{ID: xScreener, Name: "Near guard", Word: "the near guard", Letter: "1", Guards: screener},
		{ID: xOne, Name: "Far bottom defender", Word: "the far bottom defender", Letter: "4", Guards: one},
	},
	About: "The ball has been swung twice. The runner waits on the far baseline and looks whether the bottom " +
		"defender slides up.",
	Before: []string{
		"Passers: swing it twice, quickly, outside hands.",
		"Runner: behind the zone, out of sight, on the far baseline.",
		"Passer: catch and look low before you look around.",
	},
	Caution: zoneFeet,
	rows: []Row{
		{
			Cue: StaysLow, when: not(slidAway), Seen: "The bottom defender stays at the rim",
			show: []put{{who: xCutter, from: rim, plus: court.Point{X: 7, Y: 4.5}},
				{who: xScreener, from: screener, feet: 4, to: rim},
				{who: xOne, from: rim, plus: court.Point{X: -4, Y: 7}}},
			Cutter: []Answer{answer(StepOut, "They stay low: step out to the corner.",
				"Two steps back behind the line, feet ready for the skip.")},
			Screener:   []Answer{job(SkipTo, "Skip it to the corner while they turn.")},
			PasserPart: "High post: hold the middle defender.",
			Mistakes:   []string{"Cuts into the one who waits", "Stands in the short corner"},
		},
		{
			Cue: SlidUp, when: slidAway, Seen: "The bottom defender has slid up to the ball",
			show: []put{{who: xCutter, from: screener, feet: 8.5, to: rim},
				{who: xScreener, from: screener, plus: court.Point{X: -6, Y: 4}},
				{who: xOne, from: cutter, plus: court.Point{X: -7, Y: 4}}},
			moves: []move{{who: cutter, along: 8}, {who: xCutter, along: 5, at: screener}},
			Cutter: []Answer{answer(BaseCut, "They slid up: cut the baseline behind them.",
				"Along the baseline to the near block, hands up, while they look up.")},
			Screener:   []Answer{job(HitCutter, "Bounce it past the bottom defender's heels.")},
			PasserPart: "High post: hold the middle defender.",
			Mistakes:   []string{"Goes before they slide", "Runs under the rim and stops"},
		},
	},
	spots: layout{from: "dunkerL", to: "blockR", screenerFrom: "wingR", free: true,
		set:    []put{{who: cutter, from: start, feet: 0, to: catch}},
		others: map[Place]string{screener: "wingR", one: "wingL"}},
}
