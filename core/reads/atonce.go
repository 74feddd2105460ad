package reads

import "evrik/core/court"

// Two screens at once, on two sides: one helper cannot stop both (common practice, no
// source).

// BackDown is the id of a back screen and a down screen together.
const BackDown = "backdown"

// wayOfCut is how near the way to the rim the helper stands who goes with the cut, in feet
// (assumption).
var wayOfCut = onCourt(6)

// helpsLow: the helper between the two goes with the cut to the rim.
var helpsLow = inLane(xOne, wayOfCut, screener, rim)

var backDown = &Action{
	ID: BackDown, Name: "Back screen and down screen",
	Roles: [2]Role{Passer, Cutter}, Family: OffBall, Parts: [3]string{"Passer", "Rim cutter", "The others"},
	Participants: []Participant{
		{ID: cutter, Name: "Passer", Word: "the passer", Letter: "P", Ball: true},
		{ID: screener, Name: "Rim cutter", Word: "the rim cutter", Letter: "C"},
		{ID: second, Name: "Shooter", Word: "the shooter", Letter: "S"},
		{ID: one, Name: "Low screener", Word: "the low screener", Letter: "L", Screens: true},
		{ID: xCutter, Name: "Passer's defender", Word: "the passer's defender", Letter: "P", Guards: cutter},
		{ID: xScreener, Name: "Rim cutter's defender", Word: "the rim cutter's defender", Letter: "C",
			Guards: screener},
		{ID: xSecond, Name: "Shooter's defender", Word: "the shooter's defender", Letter: "S", Guards: second},
		{ID: xOne, Name: "Helper", Word: "the helper", Letter: "L", Guards: one},
	},
	About: "On one side a back screen sends a cutter to the rim, on the other a down screen brings a shooter up. One " +
		"helper stands between them.",
	Before: []string{
		"Both screens at the same time, on two sides.",
		"Rim cutter: off the back screen, hands up.",
		"Passer: look at the one helper who can reach both.",
	},
	Caution: blindCaution,
	rows: []Row{
		{
			Cue: HelpsLow, when: helpsLow, Seen: "The helper drops with the cut to the rim",
			show: []put{{who: xOne, from: screener, feet: 4.5, to: rim, plus: court.Point{X: -2.5, Y: 1}},
				{who: xScreener, from: screener, plus: court.Point{X: 3, Y: 3}},
				{who: xSecond, from: second, feet: 5.5, to: rim}},
			Cutter: []Answer{answer(HitShooter, "The helper drops: up to the shooter.",
				"On time to the shooting hand, before the helper turns.")},
			Screener:   []Answer{job(ClearOut, "Take the helper with you, through to the corner.")},
			PasserPart: "Shooter: feet set behind the line. Low screener: hold, then slip.",
			Mistakes:   []string{"Passes right to the helper", "The two screens come one after the other"},
		},
		{
			Cue: HelpsHigh, when: not(helpsLow), Seen: "The helper goes out to the shooter",
			show: []put{{who: xOne, from: rim, plus: court.Point{X: -6, Y: 5.5}},
				{who: xScreener, from: screener, plus: court.Point{X: 3, Y: 3}},
				{who: xSecond, from: second, feet: 7, to: one}},
			Cutter: []Answer{answer(HitCutter, "The helper goes up: hit the cut at the rim.",
				"Lob or bounce in front of the cutter, early.")},
			Screener:   []Answer{job(RimCut, "Straight to the rim, hands up.")},
			PasserPart: "Low screener: your defender left, step to the ball.",
			Mistakes:   []string{"Looks only at the shooter", "Waits until the helper is back"},
		},
	},
	spots: layout{from: "top", to: "rim", screenerFrom: "wingR", free: true,
		set: []put{{who: cutter, from: start, feet: 0, to: catch}, {who: screener, from: screener, feet: 10, to: rim},
			{who: second, from: second, feet: 0, to: rim}},
		others: map[Place]string{screener: "wingR", second: "wingL", one: "midpostL"}},
}
