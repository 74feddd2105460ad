package demo

import (
	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/core/reads"
)

// member is an invented player with hidden true rates.
type member struct {
	id       uuid.UUID
	jersey   string
	name     string
	tendency byte // h handler, w wing, b big
	shooter  bool
	// skill is added to every read's base rate.
	skill float64
	// quirk changes single reads.
	quirk map[reads.Read]float64
	// weakLeft is taken off every rate on the left side.
	weakLeft float64
	// doing is taken off on live rungs: the player knows more than is done.
	doing float64
	// playing is taken off in games: it is done in practice only.
	playing float64
	// movedUp is the practice before which the player was in the younger team.
	movedUp int
	// away are the practices, counted from 0, that were missed.
	away map[int]bool
}

type outlined struct {
	kind    practice.Kind
	title   string
	stage   string
	minutes float64
	drill   string // its id
}

type squad struct {
	name    string
	ages    practice.AgeBand
	minutes int
	base    map[reads.Read]float64
	players []member
	tonight []outlined
	// install is what the weeks ahead are to teach.
	install []string
	// opponents are whom they play: three games that were, two ahead.
	opponents []opponent
}

// opponent is a made-up team with what it does, and what was expected of it; a share
// of a hundred each.
type opponent struct {
	name     string
	away     bool
	daysAgo  int // ahead when negative
	expected map[reads.Cue]float64
	does     map[reads.Cue]float64
}

const (
	drillTitle = "Slot twos"
	slots      = "slot-twos"
	own        = practice.OwnBlock
	water      = practice.WaterBlock
	drilled    = practice.DrillBlock
)

var squads = []squad{
	{
		name: "U14", ages: practice.Ages12to14, minutes: 90,
		base: map[reads.Read]float64{
			reads.Curl: 0.84, reads.Straight: 0.80, reads.Fade: 0.50, reads.BackCut: 0.42, reads.ClearOut: 0.55,
			reads.Keep: 0.45,
			reads.Pop:  0.78, reads.Shape: 0.72, reads.Rescreen: 0.38, reads.StepBall: 0.55, reads.Split: 0.45,
			reads.Slip: 0.48,
		},
		players: []member{
			{jersey: "0", name: "Odile", tendency: 'h', shooter: true, skill: 0.10},
			{jersey: "00", name: "Bram", tendency: 'w', skill: 0.12, weakLeft: 0.75},
			{jersey: "3", name: "Tavi", tendency: 'h', skill: 0.05, doing: 0.50},
			{jersey: "4", name: "Noor", tendency: 'w', shooter: true, skill: 0.08,
				quirk: map[reads.Read]float64{reads.BackCut: 0.45}},
			{jersey: "7", name: "Juni", tendency: 'w', skill: -0.10},
			{jersey: "8", name: "Esme", tendency: 'w', skill: 0.02},
			{jersey: "10", name: "Kit", tendency: 'h', skill: 0.06, quirk: map[reads.Read]float64{reads.Fade: 0.35}},
			{jersey: "11", name: "Rafe", tendency: 'w', skill: 0.30, away: map[int]bool{6: true, 7: true, 8: true}},
			{jersey: "14", name: "Sunny", tendency: 'b', skill: 0.00},
			{jersey: "21", name: "Ivo", tendency: 'b', skill: -0.12, quirk: map[reads.Read]float64{reads.Curl: -0.30}},
			{jersey: "23", name: "Pia", tendency: 'w', shooter: true, skill: 0.10, playing: 0.75},
			{jersey: "32", name: "Marek", tendency: 'b', skill: -0.06},
			{jersey: "44", name: "Lotte", tendency: 'b', skill: 0.04,
				away: map[int]bool{0: true, 1: true, 2: true, 3: true, 4: true, 5: true, 6: true}},
		},
		tonight: []outlined{
			{drilled, "Warm-up: run, land, change direction", "air", 10, "run-land-turn"},
			{drilled, "Ball handling and layups, both sides", "air", 9, "finish-both-sides"},
			{water, "Water", "", 2, ""},
			{drilled, drillTitle, "shown", 12, slots}, {drilled, "Form shooting in pairs", "air", 7, "form-shooting"},
			{water, "Water", "", 2, ""},
			{drilled, drillTitle, "live", 14, slots}, {water, "Water", "", 2, ""},
			{drilled, "Four on four, no dribble", "live", 12, "fours-no-dribble"},
			{drilled, "Five on five, half court", "five", 8, "fives-scored-reads"}, {water, "Water", "", 2, ""},
			{drilled, "Free throws in pairs", "air", 8, "free-throws-in-pairs"},
		},
		install: []string{reads.Down, reads.Away, reads.FlareS, reads.Ball, reads.StepUp},
		opponents: []opponent{
			{"Kestrel Landing", false, 33, nil, map[reads.Cue]float64{reads.Trail: 60, reads.Under: 25,
				reads.Stuck: 15}},
			{"North Quarry", true, 20, map[reads.Cue]float64{reads.Trail: 80, reads.Under: 20},
				map[reads.Cue]float64{reads.Trail: 40, reads.Under: 45, reads.Jump: 15}},
			{"Saltmarsh", false, 9, map[reads.Cue]float64{reads.Trail: 50, reads.Switch: 30, reads.Jump: 20},
				map[reads.Cue]float64{reads.Trail: 45, reads.Switch: 35, reads.Jump: 20}},
			{"Fernhollow", true, -11, map[reads.Cue]float64{reads.Trail: 35, reads.Under: 15, reads.Jump: 30,
				reads.Switch: 20}, nil},
			{"Kestrel Landing", true, -25, nil, nil},
		},
	},
	{
		name: "JV", ages: practice.Grades9on, minutes: 105,
		base: map[reads.Read]float64{
			reads.Curl: 0.90, reads.Straight: 0.86, reads.Fade: 0.76, reads.BackCut: 0.66, reads.ClearOut: 0.62,
			reads.Keep: 0.58,
			reads.Pop:  0.84, reads.Shape: 0.80, reads.Rescreen: 0.60, reads.StepBall: 0.68, reads.Split: 0.55,
			reads.Slip: 0.62,
		},
		players: []member{
			{jersey: "1", name: "Dara", tendency: 'h', skill: 0.06},
			{jersey: "2", name: "Wim", tendency: 'h', shooter: true, skill: 0.04},
			{jersey: "5", name: "Alma", tendency: 'w', shooter: true, skill: 0.08},
			{jersey: "9", name: "Theo", tendency: 'w', skill: -0.10},
			{jersey: "12", name: "Greta", tendency: 'w', skill: 0.00,
				quirk: map[reads.Read]float64{reads.BackCut: -0.35}},
			{jersey: "13", name: "Soren", tendency: 'b', skill: -0.05},
			{jersey: "15", name: "Mina", tendency: 'b', skill: 0.03},
			{jersey: "20", name: "Felix", tendency: 'w', skill: -0.08, doing: 0.25},
			{jersey: "22", name: "Yara", tendency: 'w', shooter: true, skill: 0.07},
			{jersey: "30", name: "Otto", tendency: 'b', skill: -0.02},
			{jersey: "33", name: "Lena", tendency: 'h', skill: 0.05},
			{jersey: "50", name: "Cas", tendency: 'b', skill: -0.05, movedUp: 5},
		},
		tonight: []outlined{
			{drilled, "Warm-up: run, land, change direction", "air", 10, "run-land-turn"},
			{drilled, "Form shooting and handling", "air", 9, "form-shooting"}, {water, "Water", "", 2, ""},
			{drilled, drillTitle, "live", 15, slots}, {water, "Water", "", 2, ""},
			{drilled, drillTitle, "live-switch", 15, slots}, {water, "Water", "", 2, ""},
			{drilled, "Four on four to seven", "live", 20, "fours-no-dribble"}, {water, "Water", "", 2, ""},
			{drilled, "Five on five, whole floor", "five", 18, "fives-scored-reads"}, {water, "Water", "", 2, ""},
			{drilled, "Free throws in pairs", "air", 8, "free-throws-in-pairs"},
		},
		install: []string{reads.Down, reads.FlareS, reads.Ball, reads.Stagger},
		opponents: []opponent{
			{"Old Harbor", true, 30, nil, map[reads.Cue]float64{reads.Trail: 50, reads.Jump: 30, reads.Switch: 20}},
			{"Millrace", false, 18, map[reads.Cue]float64{reads.Trail: 60, reads.Under: 40},
				map[reads.Cue]float64{reads.Trail: 55, reads.Under: 35, reads.Show: 10}},
			{"Cold Spring", false, 8, map[reads.Cue]float64{reads.Switch: 60, reads.Trail: 40},
				map[reads.Cue]float64{reads.Switch: 55, reads.Trail: 45}},
			{"Old Harbor", false, -11, map[reads.Cue]float64{reads.Trail: 45, reads.Jump: 35, reads.Switch: 20}, nil},
			{"Greyfield", true, -25, nil, nil},
		},
	},
}

// scrimmages are the own blocks that are live play.
var scrimmages = map[string]bool{"Four on four": true, "Four on four, two dribbles": true, "Five on five": true}

// soon is the practice after tonight's.
var soon = []outlined{
	{own, "Warm-up: run, land, change direction", "", 10, ""}, {own, "Ball handling and layups, both sides", "", 9, ""},
	{water, "Water", "", 2, ""},
	{drilled, drillTitle, "live", 12, slots}, {water, "Water", "", 2, ""},
	{own, "Four on four, two dribbles", "", 12, ""}, {own, "Free throws", "", 8, ""},
}

// past is what the logged practices looked like, by number.
func past(k int) []outlined {
	stages := []string{"shown", "shown"}
	switch {
	case k >= 6:
		stages = []string{"shown", "live-switch"}
	case k >= 2:
		stages = []string{"shown", "live"}
	}
	return []outlined{
		{own, "Warm-up: run, land, change direction", "", 10, ""}, {own, "Ball handling and layups", "", 9, ""},
		{drilled, drillTitle, stages[0], 12, slots}, {water, "Water", "", 3, ""},
		{drilled, drillTitle, stages[1], 14, slots},
		{own, "Four on four", "", 12, ""}, {water, "Water", "", 3, ""}, {own, "Five on five", "", 14, ""},
		{own, "Free throws", "", 8, ""},
	}
}
