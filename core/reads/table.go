package reads

// School is a team's choice where practitioners differ. The zero value is the
// product's default: re-screen first, back cut first.
type School struct {
	// FadeToCorner answers "under" by fading to the corner and using the
	// re-screen there, instead of stopping behind the screener for the shot.
	FadeToCorner bool `json:"fadeToCorner"`
	// FlareFirst answers "jump" by flaring out, instead of cutting back door.
	FlareFirst bool `json:"flareFirst"`
}

// Row is one line of a screen's table: a cue and everyone's answer to it.
// The wording is the product's own; the content is common practice, no source.
type Row struct {
	Cue Cue `json:"cue"`
	// Seen is what the players can see.
	Seen string `json:"seen"`
	// CutterRead and ScreenerRead are what is judged and counted.
	CutterRead   Read `json:"cutterRead"`
	ScreenerRead Read `json:"screenerRead"`
	// Say is the one spoken sentence.
	Say string `json:"say"`
	// CutterPart, ScreenerPart and PasserPart tell each player his job.
	CutterPart   string `json:"cutterPart"`
	ScreenerPart string `json:"screenerPart"`
	PasserPart   string `json:"passerPart"`
	// Mistakes are the wrong answers a coach should expect.
	Mistakes []string `json:"mistakes"`
}

// Screen is a type of screen: where it is set and its table of answers.
type Screen struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// About says in a sentence who screens whom.
	About string `json:"about"`
	// Before lists what both players do until the read begins.
	Before []string `json:"before"`
	// Caution is the safety note shown with the screen.
	Caution string `json:"caution"`
	rows    []Row
	// variants replace a row when the team's school asks for it.
	variants []variant
	spots    layout
}

type variant struct {
	chosen func(School) bool
	row    Row
}

// layout places a screen on any court: the spots between which the cutter
// moves, where the ball is and where the screener comes from.
type layout struct {
	from, to, ball, screenerFrom string
}

// Rows returns the screen's table for a school, one row per cue in teaching order.
func (s *Screen) Rows(school School) []Row {
	rows := append([]Row(nil), s.rows...)
	for _, v := range s.variants {
		if !v.chosen(school) {
			continue
		}
		for i := range rows {
			if rows[i].Cue == v.row.Cue {
				rows[i] = v.row
			}
		}
	}
	return rows
}

// Row returns the answers to one cue, and whether the screen has that cue.
func (s *Screen) Row(school School, cue Cue) (Row, bool) {
	for _, v := range s.variants {
		if v.row.Cue == cue && v.chosen(school) {
			return v.row, true
		}
	}
	for _, r := range s.rows {
		if r.Cue == cue {
			return r, true
		}
	}
	return Row{}, false
}

// Screens returns every screen the product teaches.
func Screens() []*Screen { return []*Screen{downScreen} }

// ScreenByID returns the screen with this id, and whether there is one.
func ScreenByID(id string) (*Screen, bool) {
	for _, s := range Screens() {
		if s.ID == id {
			return s, true
		}
	}
	return nil, false
}

// Down is the id of the down screen.
const Down = "down"

var downScreen = &Screen{
	ID:    Down,
	Name:  "Down screen",
	About: "A player up top comes down and screens for the player below, who comes up to the ball.",
	Before: []string{
		"Cutter: take your man low first, then wait until the screener's feet are down.",
		"Screener: sprint to the spot, call \"down\", find the defender's body, back to the ball.",
		"Both: pass hip to hip. No daylight.",
	},
	Caution: "Feet set, arms in, nobody leans. Walk it through before contact, and match size in live pairs.",
	spots:   layout{from: "cornerR", to: "slotR", ball: "slotL", screenerFrom: "slotR"},
	rows: []Row{
		{
			Cue: Trail, Seen: "Your man follows you, behind your hip",
			CutterRead: Curl, ScreenerRead: Pop,
			Say:          "He's chasing you: curl it tight and go to the rim.",
			CutterPart:   "Round the screener's shoulder in one turn, hands up, eyes on the rim.",
			ScreenerPart: "He goes in, so you go out: open up and pop to the ball.",
			PasserPart:   "Outside hand, bounce it ahead of him into the lane.",
			Mistakes:     []string{"Comes straight although he is trailed", "Wide turn, daylight at the hip", "Screener stands and watches"},
		},
		{
			Cue: Stuck, Seen: "Your man runs into the screener's body",
			CutterRead: Straight, ScreenerRead: Shape,
			Say:          "He's stuck on the screen: straight to the catch, feet ready, shoot.",
			CutterPart:   "All the way to the catch; shot, or one hard dribble into a pull-up.",
			ScreenerPart: "Turn to the ball with your hands out, then post or slip.",
			PasserPart:   "Hit him as he arrives, on the outside hand.",
			Mistakes:     []string{"Stops two steps past the screen", "Catches standing upright", "Curls into the crowd"},
		},
		{
			Cue: Under, Seen: "Your man takes the short way, rim side of the screener",
			CutterRead: Fade, ScreenerRead: Rescreen,
			Say:          "He went under: stop behind the screener's back and shoot it.",
			CutterPart:   "Plant, pop straight back behind the screener. Not off to an angle.",
			ScreenerPart: "Turn round and screen him again as he comes back out.",
			PasserPart:   "Over the top, on time: the shot is there for one count.",
			Mistakes:     []string{"Drifts to an angle and the defender slips through", "Curls into the waiting defender", "Screener leaves before the second screen"},
		},
		{
			Cue: Jump, Seen: "Your man is past the screen already, between you and the ball",
			CutterRead: BackCut, ScreenerRead: StepBall,
			Say:          "He jumped it: plant and cut behind him to the rim.",
			CutterPart:   "One step at him, push off the outside foot, hand low for the bounce pass.",
			ScreenerPart: "Step to the ball: you're the second look.",
			PasserPart:   "Fake high, bounce it low behind him.",
			Mistakes:     []string{"Never sees the back cut", "Fights over the top for the catch", "Passer stares at the first look"},
		},
		{
			Cue: Switch, Seen: "The screener's man takes you, yours stays with the screener",
			CutterRead: ClearOut, ScreenerRead: Split,
			Say:          "They switched: clear out, the screener pins and slips.",
			CutterPart:   "Take the new man away from the rim, high and wide.",
			ScreenerPart: "Get your back on him, hand up, slip to the rim before he settles.",
			PasserPart:   "Look past the cutter; lead the screener to the rim.",
			Mistakes:     []string{"Cutter stays near and brings help along", "Screener lets the new man get between", "Slips late"},
		},
		{
			Cue: Show, Seen: "The screener's man steps into your way, your own man still comes",
			CutterRead: Keep, ScreenerRead: Slip,
			Say:          "He only showed: keep it alive, the slip is open.",
			CutterPart:   "Catch, keep your dribble, two eyes on you means a pass.",
			ScreenerPart: "Slip into the space he left.",
			PasserPart:   "Reverse it early, or hit the slip yourself.",
			Mistakes:     []string{"Picks the ball up between two", "Screener holds the screen too long"},
		},
	},
	variants: []variant{
		{
			chosen: func(s School) bool { return s.FadeToCorner },
			row: Row{
				Cue: Under, Seen: "Your man takes the short way, rim side of the screener",
				CutterRead: Fade, ScreenerRead: Rescreen,
				Say:          "He went under: fade to the corner, the second screen comes.",
				CutterPart:   "Push back to the corner, wide, and use the second screen there.",
				ScreenerPart: "Follow, turn, and screen him again nearer the corner.",
				PasserPart:   "Swing it so the corner can be reached.",
				Mistakes:     []string{"Curls into the waiting defender", "Fades flat and waits", "Screener leaves before the second screen"},
			},
		},
		{
			chosen: func(s School) bool { return s.FlareFirst },
			row: Row{
				Cue: Jump, Seen: "Your man is past the screen already, between you and the ball",
				CutterRead: Flare, ScreenerRead: StepBall,
				Say:          "He jumped it: flare out, away from him, catch and shoot.",
				CutterPart:   "Push off and drift to the open side; back door is the second answer.",
				ScreenerPart: "Step to the ball: you're the second look.",
				PasserPart:   "Over the top, away from the defender.",
				Mistakes:     []string{"Fights over the top for the catch", "Flares too flat to be seen"},
			},
		},
	},
}

// Columns lists the reads of a role that the screens' tables ask for under a
// school, in board order.
func Columns(school School, role Role) []Read {
	asked := map[Read]bool{}
	for _, s := range Screens() {
		for _, r := range s.Rows(school) {
			asked[r.CutterRead], asked[r.ScreenerRead] = true, true
		}
	}
	var out []Read
	for _, info := range readInfos {
		if info.Role == role && asked[info.ID] {
			out = append(out, info.ID)
		}
	}
	return out
}
