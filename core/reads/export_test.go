package reads

import "testing"

// Added is an action that only a test knows: its table is all there is to write.
var Added = &Action{
	ID: "added", Name: "Cut off the elbow",
	Roles: [2]Role{Cutter, Passer}, Family: PostPlay, Parts: [3]string{"Cutter", "Elbow", "The others"},
	Participants: []Participant{
		{ID: screener, Name: "Elbow", Word: "the elbow", Letter: "E", Ball: true},
		{ID: cutter, Name: "Cutter", Word: "the cutter", Letter: "C"},
		{ID: xCutter, Name: "Cutter's defender", Word: "the cutter's defender", Letter: "C", Guards: cutter},
		{ID: xScreener, Name: "Elbow's defender", Word: "the elbow's defender", Letter: "E", Guards: screener},
	},
	About:   "The ball is at the elbow; a player cuts off it.",
	Before:  []string{"Elbow: face the rim.", "Cutter: away first, then cut."},
	Caution: contactCaution,
	rows: []Row{
		{
			Cue: Behind, when: not(inLane(xCutter, passWay, screener, cutter)), Seen: "Your defender plays behind",
			show:     []put{{who: xCutter, from: cutter, feet: 7, to: rim}},
			Cutter:   []Answer{answer(Straight, "They play behind: to the ball.", "Step to the ball, catch, face.")},
			Screener: []Answer{job(HitCutter, "To the outside hand.")}, PasserPart: "Stay wide.",
			Mistakes: []string{"Waits"},
		},
		{
			Cue: Denied, when: inLane(xCutter, passWay, screener, cutter), Seen: "Your defender stands in the pass",
			show:     []put{{who: xCutter, from: cutter, feet: 5, to: screener}},
			Cutter:   []Answer{answer(BackCut, "They deny it: cut behind.", "Plant, behind the defender, hand low.")},
			Screener: []Answer{job(HitCutter, "Bounce it behind the defender.")}, PasserPart: "Stay wide.",
			Mistakes: []string{"Fights for it"},
		},
	},
	spots: layout{from: "wingR", to: "rim", screenerFrom: "elbowR", free: true,
		set: []put{{who: cutter, from: start, feet: 0, to: catch}}, others: map[Place]string{screener: "elbowR"}},
}

// Add makes an action one of the product's until the test ends.
func Add(t *testing.T, a *Action) {
	old := actions
	actions = append(actions[:len(actions):len(actions)], a)
	a.build()
	t.Cleanup(func() { actions = old })
}
