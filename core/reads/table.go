package reads

import "evrik/core/court"

// School is a team's choice where practitioners differ. The zero value is the
// product's default: re-screen first, back cut first.
type School struct {
	// FadeToCorner answers "under" by fading to the corner and using the
	// re-screen there, instead of stopping behind the screener for the shot.
	FadeToCorner bool `json:"fadeToCorner"`
	// FlareFirst answers "jump" by flaring out, instead of cutting back door.
	FlareFirst bool `json:"flareFirst"`
	// ShootFirst answers a guard who goes under a ball screen by shooting behind
	// it, instead of using the screen again, lower.
	ShootFirst bool `json:"shootFirst"`
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
	// Then are the further answers, in order, and when they come.
	Then []Look `json:"then"`
	// when is where the defenders stand for this cue. Rows are tried from the
	// last to the first: the first row is what remains.
	when cond
	// feel is true where the answer is not a matter of feet, such as a mismatch:
	// the kinematics have no opinion on it.
	feel bool
	// shift sets the example so many feet further out.
	shift float64
	// show places the defenders of a clear example, where the grammar's own
	// places do not.
	show []put
}

// Look is a further answer to a cue.
type Look struct {
	Read Read   `json:"read"`
	If   string `json:"if"`
}

// put places somebody of an example: so many feet from one place toward another.
type put struct {
	who  Place
	from Place
	feet float64
	to   Place
	// plus is added in the court's directions, on the right side of the floor.
	plus court.Point
}

// Family groups the types of situations by where the ball is.
type Family string

// Families in the order in which they are taught.
const (
	OffBall  Family = "off-ball"
	BallUp   Family = "ball"
	Handoffs Family = "handoff"
	PostPlay Family = "post"
)

// Screen is a type of situation, most often a screen: who is in it, where it is
// set and its table of answers.
type Screen struct {
	ID     string `json:"id"`
	Name   string `json:"name"`
	Family Family `json:"family"`
	// People are on the floor, attackers before defenders.
	People []Person `json:"people"`
	// Roles are whose answers are judged: the cutter's and the screener's.
	Roles [2]Role `json:"roles"`
	// Parts name whose the cutter's, the screener's and the passer's part is.
	Parts [3]string `json:"parts"`
	// About says in a sentence who screens whom.
	About string `json:"about"`
	// Before lists what both players do until the read begins.
	Before []string `json:"before"`
	// Caution is the safety note shown with the screen.
	Caution string `json:"caution"`
	// Sketch is the screen in a few strokes, on a high-school floor.
	Sketch *Sketch `json:"sketch"`
	rows   []Row
	// variants replace a row when the team's school asks for it.
	variants []variant
	persons  []personal
	spots    layout
}

type variant struct {
	chosen func(School) bool
	row    Row
}

// personal replaces a row where it matters who can shoot.
type personal struct {
	chosen func(School, *Situation) bool
	row    Row
}

// passing is the side of the screener on which the cutter goes by.
type passing uint8

const (
	farFromRim passing = iota // between screener and sideline or half court
	nearBall                  // between screener and ball
	alongBaseline
	overTop // on the half-court side
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
	// back is the spot to which the screener's back should point; the catch when empty.
	back string
	// free is true where nobody goes past a screen, so that it does not matter
	// how far along his way the cutter is.
	free bool
	// others are the spots of everybody else; set places some of them between
	// others, beside in the screen's frame.
	others map[Place]string
	set    []put
	beside map[Place]offset
	// curlTo is the spot where a curl ends, when not at the rim; fadeTo where a
	// fade ends, when not behind the screener's back.
	curlTo, fadeTo string
	// eyes is whom the cutter's defender looks at when nothing is said.
	eyes Place
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
				rows[i] = rows[i].with(v.row)
			}
		}
	}
	return rows
}

// rowFor is the row of a cue for these people: who can shoot may change it.
func (s *Screen) rowFor(school School, at *Situation, cue Cue) (Row, bool) {
	for _, p := range s.persons {
		if p.row.Cue == cue && p.chosen(school, at) {
			row, _ := s.Row(school, cue)
			return row.with(p.row), true
		}
	}
	return s.Row(school, cue)
}

// Row returns the answers to one cue, and whether the screen has that cue.
func (s *Screen) Row(school School, cue Cue) (Row, bool) {
	for _, r := range s.rows {
		if r.Cue != cue {
			continue
		}
		for _, v := range s.variants {
			if v.row.Cue == cue && v.chosen(school) {
				return r.with(v.row), true
			}
		}
		return r, true
	}
	return Row{}, false
}

// Screens returns every screen the product teaches, in teaching order.
func Screens() []*Screen { return append([]*Screen(nil), screens...) }

// Sketch holds the places that tell one type of screen from another, in feet.
type Sketch struct {
	From     court.Point   `json:"from"`
	To       court.Point   `json:"to"`
	Screener court.Point   `json:"screener"`
	Ball     court.Point   `json:"ball"`
	Others   []court.Point `json:"others"`
	// Set is true where somebody sets a screen.
	Set bool `json:"set"`
}

// Sketched returns every screen with its sketch, in teaching order.
func Sketched() []Screen {
	floor, _ := court.PresetCourt(court.HighSchool)
	var out []Screen
	for _, sc := range screens {
		s := sc.Example(floor, NoCue)
		k := Sketch{From: s.From, To: s.To, Screener: s.Screener, Ball: s.At(sc.ball()), Set: !sc.spots.free || sc.ID == Cross}
		if !k.Set {
			k.To = cutEnd(floor, sc, &s)
		}
		for _, p := range sc.People {
			if p.ID >= second && p.ID <= three {
				k.Others = append(k.Others, s.At(p.ID))
			}
		}
		copied := *sc
		copied.Sketch = &k
		out = append(out, copied)
	}
	return out
}

// cutEnd is where the last, most particular read of a table takes its reader.
func cutEnd(c court.Court, sc *Screen, s *Situation) court.Point {
	f := sc.frame(s)
	if path := cutPath(c, &f, s, sc.rows[len(sc.rows)-1].CutterRead); len(path) > 0 {
		return path[len(path)-1]
	}
	return s.At(screener)
}

// ScreenByID returns the screen with this id, and whether there is one.
func ScreenByID(id string) (*Screen, bool) {
	for _, s := range screens {
		if s.ID == id {
			return s, true
		}
	}
	return nil, false
}

// but returns rows with some of their fields said differently.
func but(rows []Row, changes ...Row) []Row {
	out := append([]Row(nil), rows...)
	for _, c := range changes {
		for i := range out {
			if out[i].Cue == c.Cue {
				out[i] = out[i].with(c)
			}
		}
	}
	return out
}

// with replaces the fields that the change fills in.
func (r Row) with(c Row) Row {
	for _, f := range []struct {
		old *string
		new string
	}{
		{&r.Seen, c.Seen}, {(*string)(&r.CutterRead), string(c.CutterRead)}, {(*string)(&r.ScreenerRead), string(c.ScreenerRead)},
		{&r.Say, c.Say}, {&r.CutterPart, c.CutterPart}, {&r.ScreenerPart, c.ScreenerPart}, {&r.PasserPart, c.PasserPart},
	} {
		if f.new != "" {
			*f.old = f.new
		}
	}
	if len(c.Mistakes) > 0 {
		r.Mistakes = c.Mistakes
	}
	if c.Then != nil {
		r.Then = c.Then
	}
	if c.when.test != otherwise {
		r.when = c.when
	}
	if c.show != nil {
		r.show = c.show
	}
	r.feel = r.feel || c.feel
	if c.shift != 0 {
		r.shift = c.shift
	}
	return r
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
