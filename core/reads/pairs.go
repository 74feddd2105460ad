package reads

import (
	"strings"

	"evrik/core/court"
)

// The actions with two screens off the ball, and the one where the screen is left out.

// pair returns the participants of a staggered pair: the screen that is read is the
// "First" or the "Second", and the other one is the other.
func pair(read, other string) []Participant {
	at, beside := ordered(screener, xScreener, read), ordered(second, xSecond, other)
	return []Participant{offBall[0], beside[0], at[0], offBall[2], offBall[3], at[1], beside[1]}
}

// ordered returns one of two screeners, called by the order of the screens, and the
// screener's defender.
func ordered(who, guard Place, order string) [2]Participant {
	name, letter := order+" screener", order[:1]
	word := "the " + strings.ToLower(name)
	return [2]Participant{
		{ID: who, Name: name, Word: word, Letter: letter, Screens: true},
		{ID: guard, Name: name + "'s defender", Word: word + "'s defender", Letter: letter, Guards: who},
	}
}

var staggerScreen = &Action{
	ID: Stagger, Name: "Staggered pair",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, Parts: offBallParts,
	Participants: pair("Second", "First"),
	About: "Two players screen one after the other for a shooter who comes up from the corner to the top. " +
		"This is the read at the second screen.",
	Before: []string{
		"Cutter: walk your defender to the baseline, then come off both.",
		"Screeners: four steps apart, both backs to the top, feet set before the cutter comes.",
		"Cutter: read again at the second screen. Once the defender is under that one, the first no longer matters.",
	},
	Caution: contactCaution, edits: choices,
	rows: but(common,
		Row{Cue: Trail, Say: "They're chasing you: curl both of them.",
			CutterPart: "Curl tight around the second screener, straight to the rim."},
		Row{Cue: Stuck, Say: "They're attached: straight off both to the catch."},
		Row{Cue: Under, Say: "They went under: pop back behind the second screener.",
			ScreenerPart: "Second: turn and screen again. First: hold your place."},
		Row{Cue: Jump, Say: "They jumped it: back cut between the screens and the rim."},
	),
	spots: layout{from: "cornerR", to: "top", ball: "wingL", screenerFrom: "elbowR", at: 0.58,
		beside: map[Place]offset{second: {-8, -HipToHip}}},
}

var firstOfPair = &Action{
	ID: First, Name: "Staggered pair, first screen",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, Parts: offBallParts,
	Participants: pair("First", "Second"),
	About:        "The read at the first of two screens: curl it alone, reject it, or go on to the second.",
	Before: []string{
		"Cutter: walk your defender to the baseline, then come off the first screen.",
		"Screeners: four steps apart, both backs to the top, feet set before the cutter comes.",
		"Cutter: you have a read here already, before the second screen.",
	},
	Caution: contactCaution,
	rows: but(pick(alone(common), Trail, Stuck, Jump),
		Row{Cue: Trail, Cutter: []Answer{
			answer(Curl, "They're chasing you early: curl the first one alone.",
				"Around the first screener in one turn to the rim, before anybody helps."),
			also(Straight, nextScreen, not(within(xCutter, body(4), second)),
				"They're chasing you: go on and use the second one too.",
				"Stay tight to both hips; the read comes again at the second.")},
			Mistakes: []string{"Runs both screens by habit", "Wide turn, daylight at the hip"}},
		Row{Cue: Stuck, Say: "They're attached: on to the second screen and the catch."},
		Row{Cue: Jump, Seen: "Your defender is above the first screen already",
			Say:          "They sit above it: reject it, back cut to the rim.",
			CutterPart:   "Never use the pair: plant and go to the rim.",
			ScreenerPart: "Hold until the cutter is through, then step to the ball.",
			Mistakes:     []string{"Runs into the defender to use the pair", "Never sees the back cut"}},
	),
	spots: layout{from: "cornerR", to: "top", ball: "wingL", screenerFrom: "elbowR", at: 0.28,
		beside: map[Place]offset{second: {8, -HipToHip}}},
}

// inLaneBeside is the near screener's defender in the lane, off the way of the cut.
var inLaneBeside = []put{{who: xScreener, from: screener, plus: court.Point{X: -2.6, Y: 0.4}}}

var floppyScreen = &Action{
	ID: Floppy, Name: "Choice of sides",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, Parts: offBallParts,
	Participants: []Participant{
		offBall[0], offBall[1],
		{ID: second, Name: "Far screener", Word: "the far screener", Letter: "F", Screens: true},
		offBall[2], offBall[3], offBall[4],
		{ID: xSecond, Name: "Far screener's defender", Word: "the far screener's defender", Letter: "F",
			Guards: second},
	},
	About: "A shooter under the rim picks a side; a screener waits on each block.",
	Before: []string{
		"Cutter: stand under the rim, fake one side, run off the other.",
		"Screeners: both on the blocks, feet set, backs to the corners.",
		"Passer: look at the side of the fake, throw to the side of the cut.",
	},
	Caution: contactCaution,
	rows: but(alone(common),
		Row{Cue: Trail, show: inLaneBeside, Say: "They're chasing you: curl up into the lane."},
		Row{Cue: Stuck, show: inLaneBeside, Say: "They're stuck on the block: straight out to the wing."},
		Row{Cue: Under, show: inLaneBeside, Seen: "Your defender takes the short way over the top of the screener",
			Cutter: []Answer{answer(Fade, "They went over the top: pop back to the corner.",
				"Stop, two steps back to the corner, feet ready."),
				also(BackCut, pastScreen, ahead(xCutter, cutter),
					"They are past the screen already: cut back under the rim.",
					"Push off the outside foot, back under the rim, hand low.")},
			ScreenerPart: "Turn and screen again on the way to the corner."},
		Row{Cue: Switch, Cutter: []Answer{firstOf(common, Switch), useOther}},
		Row{Cue: Show, Cutter: []Answer{firstOf(common, Show), insideShow}},
		Row{Cue: Jump, Cutter: []Answer{
			answer(BackCut, "They sit on this side: cut back under the rim.",
				"One step at the defender, push off the outside foot, back under the rim."),
			useOther},
			Mistakes: []string{"Runs into the defender all the same", "Never looks at the other side"}},
	),
	spots: layout{from: "dunkerL", to: "wingR", ball: "top", screenerFrom: "midpostR", at: 0.5, passes: alongBaseline,
		curlTo: "elbowR", fadeTo: "cornerR",
		others: map[Place]string{second: "blockL"}},
}

var changeScreen = &Action{
	ID: Changes, Name: "Change after repeats",
	Roles: [2]Role{Cutter, Screener}, Family: OffBall, Participants: offBall, Parts: offBallParts,
	About: "After two or three screens the same way the defense waits for the next one: the screener starts it " +
		"and cuts.",
	Before: []string{
		"Screener: run to the spot as before, same speed, same call.",
		"Both: look where the screener's defender waits.",
		"Cutter: set your defender up as if the screen came.",
	},
	Caution: contactCaution,
	rows: append(but(pick(alone(common), Trail, Stuck, Under),
		Row{Cue: Trail, Seen: "Your defender follows you, behind your hip, as before",
			Say: "They're chasing as before: curl it again."}),
		Row{
			Cue: Denied, when: jumped, Seen: "Your defender overplays you before the screen is there",
			Cutter: []Answer{answer(BackCut, "They deny it already: cut behind, no screen needed.",
				"One step out, push off, behind the defender to the rim.")},
			Screener:   []Answer{job(StepBall, "Stop the screen and come to the ball.")},
			PasserPart: "Bounce it behind the defender, early.",
			Mistakes:   []string{"Waits for the screen", "Stands and waves for the ball"},
		},
		Row{
			Cue: Waits, when: all(onSide(xScreener), within(xScreener, takeReach, cutter)),
			Seen: "The screener's defender has stepped up and waits on your way",
			Cutter: []Answer{answer(Straight, "They wait for the screen: start it and cut to the rim.",
				"Go on to the ball: their eyes go with you."), insideShow},
			Screener: []Answer{job(Change,
				"Two steps as if to screen, then hard to the rim, in front of the defender.")},
			PasserPart: "Look off the cutter, lead the screener.",
			Mistakes:   []string{"Screens again into the waiting defender", "Jogs to the rim"},
		}),
	spots: layout{from: "cornerR", to: "slotR", ball: "slotL", screenerFrom: "slotR", at: 6},
}
