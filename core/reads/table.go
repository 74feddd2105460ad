package reads

import (
	"slices"

	"evrik/core/court"
)

// TeamRules are a team's choices where coaches differ. The zero value is the product's
// default: re-screen first, back cut first.
type TeamRules struct {
	// FadeToCorner answers "under" by fading to the corner and using the re-screen
	// there, instead of stopping behind the screener for the shot.
	FadeToCorner bool `json:"fadeToCorner"`
	// FlareFirst answers "jump" by flaring out, instead of cutting back door.
	FlareFirst bool `json:"flareFirst"`
	// ShootFirst answers a guard who goes under a ball screen by shooting behind it,
	// instead of using the screen again, lower.
	ShootFirst bool `json:"shootFirst"`
	// AllActions gives a young team what its age leaves out: ball screens, and coverages
	// that send two at the ball. It changes no answer.
	AllActions bool `json:"allActions"`
}

// SecondCue is a further sign that makes another answer right. Of two signs with the
// same topic only one can be there.
type SecondCue struct {
	ID string `json:"id"`
	// If is the sign in words that follow an "if".
	If string `json:"if"`
	// Topic is what it is about.
	Topic Topic `json:"topic"`
}

// Topic is what a second cue is about.
type Topic string

// Topics of second cues.
const (
	ofBig   Topic = "big"
	ofGuard Topic = "guard"
	ofHelp  Topic = "help"
	ofGap   Topic = "gap"
	ofShot  Topic = "shot"
	ofRoll  Topic = "roll"
	ofSide  Topic = "side"
)

// Answer is one right answer to a cue.
type Answer struct {
	Read Read `json:"read"`
	// Sign is the second cue that makes it right; its id is empty for an answer that is
	// right on the cue alone.
	Sign SecondCue `json:"secondCue"`
	// Say is the one spoken sentence, Part the job of who answers.
	Say  string `json:"say"`
	Part string `json:"part"`
	// when is the second cue on the floor; an answer without one holds with the cue.
	when cond
	// first is where the answer comes before all others.
	first cond
}

// Row is one line of an action's table: a cue and everybody's answers to it.
// The wording is the product's own; the content is common practice, no source.
type Row struct {
	Cue Cue `json:"cue"`
	// Seen is what the players can see.
	Seen string `json:"seen"`
	// Cutter and Screener are the right answers of the two whose reads are judged, the
	// first one first.
	Cutter   []Answer `json:"cutter"`
	Screener []Answer `json:"screener"`
	// Third are the right answers of the third one: the passer of a screen off the ball,
	// or the nearest teammate of one for the ball. Many rows have none.
	Third []Answer `json:"third"`
	// CutterRead and ScreenerRead are the first of them, Say and the parts are theirs.
	CutterRead   Read   `json:"cutterRead"`
	ScreenerRead Read   `json:"screenerRead"`
	Say          string `json:"say"`
	CutterPart   string `json:"cutterPart"`
	ScreenerPart string `json:"screenerPart"`
	// PasserPart is the job of the third one, or of the others.
	PasserPart string `json:"passerPart"`
	// Mistakes are the wrong answers a coach should expect.
	Mistakes []string `json:"mistakes"`
	// when is where the defenders stand and how they move for this cue.
	when cond
	// shift sets the example so many feet farther out.
	shift float64
	// closing is how fast, in ft/s, the cutter's defender of a clear example runs at the
	// cutter.
	closing float64
	// show places the defenders of a clear example, and moves how they move, where the
	// common places do not.
	show  []put
	moves []move
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

// move lets somebody of an example move, in feet a second in the screen's frame; where
// there is somebody to go at, along is straight at that place.
type move struct {
	who        Place
	along, out float64
	at         Place
}

// Family groups actions by where the ball is.
type Family string

// Families in the order in which they are taught.
const (
	OffBall  Family = "off-ball"
	BallUp   Family = "ball"
	Handoffs Family = "handoff"
	PostPlay Family = "post"
	Catches  Family = "closeout"
	// AgainstZone are the actions without a player of one's own on the other side.
	AgainstZone Family = "zone"
)

// Action is what two or three players do together, most often a screen: who takes
// part, where it is set and its table of answers.
type Action struct {
	ID     string `json:"id"`
	Name   string `json:"name"`
	Family Family `json:"family"`
	// Participants are on the floor, attackers before defenders.
	Participants []Participant `json:"participants"`
	// Roles are whose answers are judged: the cutter's and the screener's.
	Roles [2]Role `json:"roles"`
	// Third is the role of the third one whose answers can be judged; empty for none.
	Third Role `json:"third"`
	// Parts name whose the cutter's, the screener's and the passer's part is.
	Parts [3]string `json:"parts"`
	// About says in a sentence who screens whom.
	About string `json:"about"`
	// Before lists what both players do until the read begins.
	Before []string `json:"before"`
	// Caution is the safety note shown with the action.
	Caution string `json:"caution"`
	// Sketch is the action in a few strokes, on a high-school floor.
	Sketch *Sketch `json:"sketch"`
	// rows are the table in teaching order, from the plainest cue to the most
	// particular one; the engine tries them the other way round.
	rows  []Row
	edits []edit
	spots layout
	// built are the tables of every set of team rules, plays what can be played of them.
	built [8][]Row
	plays []playable
}

// edit is what a team rule changes: which read answers a cue first. Where it is freed,
// that read is then right on the cue alone, without its second cue.
type edit struct {
	chosen func(TeamRules) bool
	cue    Cue
	lead   Read
	freed  bool
}

// passing is the side of the screener on which the cutter goes by.
type passing uint8

const (
	farFromRim passing = iota // between screener and sideline or half court
	nearBall                  // between screener and ball
	alongBaseline
	overTop // on the half-court side
)

// layout places an action on the right side of any court.
type layout struct {
	// from and to are the spots between which the cutter moves; to may be "rim".
	from, to string
	// ball is where the passer is, screenerFrom where the screener comes from.
	ball, screenerFrom string
	// at is where on the cut the screen is set: feet from its start, where the defender's
	// body is, or below 1 a share of the way; half way when 0.
	at     float64
	passes passing
	// watching is true where the cutter's defender looks at the ball and stands, because
	// it is driven or screened for elsewhere; else that defender moves with the cut.
	watching bool
	// running is true where the cutter is on the way already, the defender beside.
	running bool
	// blind is true where the screen comes from behind the defender.
	blind bool
	// back is the spot to which the screener's back should point; the catch when empty.
	back string
	// free is true where nobody goes past a screen, so that it does not matter how far
	// along the way the cutter is.
	free bool
	// others are the spots of everybody else; set places some of them between others,
	// beside in the screen's frame.
	others map[Place]string
	set    []put
	beside map[Place]offset
	// curlTo is the spot where a curl ends, when not at the rim; fadeTo where a fade
	// ends, when not behind the screener's back.
	curlTo, fadeTo string
	// eyes is whom the cutter's defender looks at when nothing is said.
	eyes Place
}

// index numbers the sets of team rules.
func (r TeamRules) index() int {
	n := 0
	for i, on := range []bool{r.FadeToCorner, r.FlareFirst, r.ShootFirst} {
		if on {
			n |= 1 << i
		}
	}
	return n
}

func init() {
	for _, a := range actions {
		a.build()
	}
}

// build makes the tables of every set of team rules once, so that nothing after it
// needs to know of rules.
func (a *Action) build() {
	if a.Third == "" {
		a.Third = a.thirdRole()
	}
	for n := range a.built {
		rules := TeamRules{FadeToCorner: n&1 != 0, FlareFirst: n&2 != 0, ShootFirst: n&4 != 0}
		rows := slices.Clone(a.rows)
		for i := range rows {
			for _, e := range a.edits {
				if e.cue == rows[i].Cue && e.chosen(rules) {
					rows[i].Cutter = e.leading(rows[i].Cutter)
				}
			}
			if rows[i].Third == nil {
				rows[i].Third = a.thirdOf(&rows[i])
			}
			rows[i].fill()
		}
		a.built[n] = rows
	}
	a.listPlays()
}

// leading returns the answers with the edit's one first.
func (e edit) leading(answers []Answer) []Answer {
	i := slices.IndexFunc(answers, func(a Answer) bool { return a.Read == e.lead })
	if i < 0 {
		return answers
	}
	first := answers[i]
	if e.freed {
		first.Sign, first.when = SecondCue{}, cond{}
	}
	return append([]Answer{first}, slices.Delete(slices.Clone(answers), i, i+1)...)
}

// fill copies the first answers to where pictures and sentences look for them.
func (r *Row) fill() {
	if len(r.Cutter) > 0 {
		r.CutterRead, r.Say, r.CutterPart = r.Cutter[0].Read, r.Cutter[0].Say, r.Cutter[0].Part
	}
	if len(r.Screener) > 0 {
		r.ScreenerRead, r.ScreenerPart = r.Screener[0].Read, r.Screener[0].Part
	}
}

// Rows returns the action's table under a team's rules, one row per cue in teaching
// order. The rows belong to the table: do not change them.
func (a *Action) Rows(rules TeamRules) []Row { return a.built[rules.index()] }

// Row returns the answers to one cue under a team's rules, and whether the action has
// that cue. An older cue that was split has the answers of all its kinds, those of the
// first kind first.
func (a *Action) Row(rules TeamRules, cue Cue) (Row, bool) {
	var out Row
	found := false
	for _, r := range a.Rows(rules) {
		switch {
		case r.Cue == cue:
			return r, true
		case cue != NoCue && r.Cue.Parent() == cue && !found:
			out, found = r, true
			out.Cue = cue
		case cue != NoCue && r.Cue.Parent() == cue:
			out.Cutter, out.Screener, out.Third = union(out.Cutter, r.Cutter), union(out.Screener, r.Screener),
				union(out.Third, r.Third)
		}
	}
	return out, found
}

// union is a list of answers with those of another that it lacks.
func union(list, more []Answer) []Answer {
	out := slices.Clone(list)
	for _, m := range more {
		if !slices.ContainsFunc(out, func(a Answer) bool { return a.Read == m.Read && a.Sign.ID == m.Sign.ID }) {
			out = append(out, m)
		}
	}
	return out
}

// guarded are a defender's answers: to do what the cue is about, so that it can be read.
var guarded = []Answer{{Read: Guarded}}

// answersOf returns the answers of one role to the row's cue.
func (a *Action) answersOf(r *Row, role Role) ([]Answer, bool) {
	switch role {
	case a.Roles[0]:
		return r.Cutter, true
	case a.Roles[1]:
		return r.Screener, true
	case Defender:
		return guarded, true
	case a.Third:
		return r.Third, true
	}
	return nil, false
}

// Actions returns every action the product teaches, in teaching order.
func Actions() []*Action { return append([]*Action(nil), actions...) }

// ActionByID returns the action with this id, and whether there is one.
func ActionByID(id string) (*Action, bool) {
	for _, a := range actions {
		if a.ID == id {
			return a, true
		}
	}
	return nil, false
}

// Columns lists the reads of a role that the tables of some actions ask of the two first
// under a team's rules, in board order.
func Columns(of []*Action, rules TeamRules, role Role) []Read {
	asked := map[Read]bool{}
	for _, a := range of {
		for _, r := range a.Rows(rules) {
			asked[r.CutterRead], asked[r.ScreenerRead] = true, true
		}
	}
	return inOrder(asked, role)
}

// MoreColumns returns Columns plus the reads asked of the third participant and of defenders.
func MoreColumns(of []*Action, rules TeamRules, role Role) []Read {
	asked := map[Read]bool{Guarded: true}
	for _, read := range Columns(of, rules, role) {
		asked[read] = true
	}
	for _, a := range of {
		for _, r := range a.Rows(rules) {
			for _, n := range r.Third {
				asked[n.Read] = true
			}
		}
	}
	return inOrder(asked, role)
}

// inOrder lists the reads of a role that are asked for, in board order.
func inOrder(asked map[Read]bool, role Role) []Read {
	var out []Read
	for _, info := range readInfos {
		if info.Role == role && asked[info.ID] {
			out = append(out, info.ID)
		}
	}
	return out
}
