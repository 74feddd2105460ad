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

// passing is the side of the screener on which the cutter goes by.
type passing uint8

const (
	farFromRim passing = iota // between screener and sideline or half court
	nearBall                  // between screener and ball
	alongBaseline
)

// layout places a screen on the right side of any court.
type layout struct {
	// from and to are the spots between which the cutter moves; to may be "rim".
	from, to string
	// ball is where the passer is, screenerFrom where the screener comes from.
	ball, screenerFrom string
	// at is where on the cut the screen is set, 0 to 1; half way when 0.
	at     float64
	passes passing
	// watching is true where the cutter's defender looks at the ball and stands,
	// because it is driven or screened for elsewhere; else he moves with the cut.
	watching bool
	// blind is true where the screen comes from behind the defender.
	blind bool
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

// Screens returns every screen the product teaches, in teaching order.
func Screens() []*Screen { return append([]*Screen(nil), screens...) }

// ScreenByID returns the screen with this id, and whether there is one.
func ScreenByID(id string) (*Screen, bool) {
	for _, s := range screens {
		if s.ID == id {
			return s, true
		}
	}
	return nil, false
}

// Columns lists the reads of a role that the tables of some screens ask for
// under a school, in board order.
func Columns(of []*Screen, school School, role Role) []Read {
	asked := map[Read]bool{}
	for _, s := range of {
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
