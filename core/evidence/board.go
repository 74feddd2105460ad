package evidence

import (
	"cmp"
	"slices"
	"time"

	"evrik/core/drill"
	"evrik/core/reads"
)

// Line is one player's standings, in the order of the board's reads.
type Line struct {
	Player PlayerID   `json:"player"`
	Cells  []Standing `json:"cells"`
}

// Board says where every player stands on every read of the columns, in a role; where none is named, on each read in
// the role it belongs to.
func (p Policy) Board(players []PlayerID, role reads.Role, columns []reads.Read, h *History, now time.Time) []Line {
	return p.board(players, role, columns, h, now, true)
}

// Overview is the board with half of the sentences: each standing explains only the group that its verdict is about.
// Explaining the other group takes as long, and no overview shows it.
func (p Policy) Overview(players []PlayerID, role reads.Role, columns []reads.Read, h *History, now time.Time) []Line {
	return p.board(players, role, columns, h, now, false)
}

func (p Policy) board(players []PlayerID, role reads.Role, columns []reads.Read, h *History, now time.Time,
	both bool) []Line {
	lines := make([]Line, len(players))
	inParallel(len(players), func(from, to int) {
		for i := from; i < to; i++ {
			lines[i] = Line{players[i], make([]Standing, len(columns))}
			for j, read := range columns {
				lines[i].Cells[j] = p.stand(h, Skill{players[i], cmp.Or(role, roleOf(read)), read}, now, both)
			}
		}
	})
	return lines
}

// roleOf is whose read it is.
func roleOf(read reads.Read) reads.Role {
	info, _ := reads.Info(read)
	return info.Role
}

// Hold is a read that holds a team back, whom, and what to do about it.
type Hold struct {
	Read      reads.Read `json:"read"`
	Role      reads.Role `json:"role"`
	NotYet    []PlayerID `json:"notYet"`
	Lapsed    []PlayerID `json:"lapsed"`
	TooClose  []PlayerID `json:"tooClose"`
	NotEnough []PlayerID `json:"notEnough"`
	Has       int        `json:"has"`
	// Instead is what the team makes most often in place of it, empty where nothing was wrong.
	Instead reads.Read `json:"instead"`
	// GoUp are who has it guided and should meet real defenders, GoDown who fails live and
	// does not have it guided.
	GoUp   []PlayerID `json:"goUp"`
	GoDown []PlayerID `json:"goDown"`
}

// add sorts a player's standing into a hold.
func (h *Hold) add(st *Standing) {
	switch st.Judgement.Verdict {
	case HasIt:
		h.Has++
	case NotYet:
		h.NotYet = append(h.NotYet, st.Player)
	case Lapsed:
		h.Lapsed = append(h.Lapsed, st.Player)
	case TooClose:
		h.TooClose = append(h.TooClose, st.Player)
	default:
		h.NotEnough = append(h.NotEnough, st.Player)
	}
	if len(st.Groups) == 0 {
		return
	}
	guided, live := &st.Groups[Guided.index()].Judgement, &st.Groups[Live.index()].Judgement
	if guided.Verdict == HasIt && !guided.New && live.Verdict == NotEnough {
		h.GoUp = append(h.GoUp, st.Player)
	}
	if live.Verdict == NotYet && !live.New && guided.Verdict != HasIt && guided.Verdict != Lapsed {
		h.GoDown = append(h.GoDown, st.Player)
	}
}

// Holds sorts a board's reads by how much they hold the team back: most players who do
// not have it first, then most who had it, then most who are too close to call.
func Holds(columns []reads.Read, lines []Line) []Hold {
	holds := make([]Hold, len(columns))
	for j, read := range columns {
		h := Hold{Read: read, Role: roleOf(read), NotYet: []PlayerID{}, Lapsed: []PlayerID{}, TooClose: []PlayerID{},
			NotEnough: []PlayerID{}, GoUp: []PlayerID{}, GoDown: []PlayerID{}}
		instead := map[reads.Read]int{}
		for i := range lines {
			h.add(&lines[i].Cells[j])
			if made := lines[i].Cells[j].Confused; made != "" {
				instead[made]++
			}
		}
		h.Instead = mostOften(instead)
		holds[j] = h
	}
	slices.SortStableFunc(holds, func(a, b Hold) int {
		return cmp.Or(
			cmp.Compare(len(b.NotYet), len(a.NotYet)),
			cmp.Compare(len(b.Lapsed), len(a.Lapsed)),
			cmp.Compare(len(b.TooClose), len(a.TooClose)),
			cmp.Compare(len(b.NotEnough), len(a.NotEnough)))
	})
	return holds
}

// mostOften is the read with the highest count, the first by name among equals.
func mostOften(counts map[reads.Read]int) (most reads.Read) {
	for read, k := range counts {
		if k > counts[most] || k == counts[most] && read < most {
			most = read
		}
	}
	return most
}

// HoldOnRung counts the players of a board who have it on a rung, or a higher one, for at
// least half of the board's reads.
func HoldOnRung(lines []Line, rung drill.Rung) int {
	n := 0
	for _, l := range lines {
		has := 0
		for _, c := range l.Cells {
			if c.Held >= rung.Number() {
				has++
			}
		}
		if has > 0 && 2*has >= len(l.Cells) {
			n++
		}
	}
	return n
}

// OfPlayers keeps the lines of some players.
func OfPlayers(lines []Line, players []PlayerID) []Line {
	return slices.DeleteFunc(slices.Clone(lines), func(l Line) bool { return !slices.Contains(players, l.Player) })
}

// ByNeed orders players' standings on one read by how much it holds them back: not yet,
// had it, too close to call, few reps, never seen, and who has it last; the lowest rate
// first among equals.
func ByNeed(standings []Standing) []Standing {
	out := slices.Clone(standings)
	slices.SortStableFunc(out, func(a, b Standing) int { return compareNeed(&a.Judgement, &b.Judgement) })
	return out
}

// Advice is what the group should do with a rung.
type Advice string

// Group advice.
const (
	GoUp   Advice = "up"
	Stay   Advice = "stay"
	GoDown Advice = "down"
)

// Shares behind the advice (common practice, no source): two thirds hold it to
// go up; less than half correct over the last ten reps to go down.
const (
	upShare    = 2.0 / 3
	downShare  = 0.5
	downWindow = 10
)

// GroupAdvice says whether a group should change rung: held is how many of the
// present players have it, last the newest answers of the block, oldest first.
func GroupAdvice(held, present int, last []bool) Advice {
	if n := len(last); n >= downWindow {
		correct := 0
		for _, ok := range last[n-downWindow:] {
			if ok {
				correct++
			}
		}
		if float64(correct) < downShare*downWindow {
			return GoDown
		}
	}
	if present > 0 && float64(held) >= upShare*float64(present)-1e-9 {
		return GoUp
	}
	return Stay
}

// mostHolds is how many reads a coach is told of first (assumption).
const mostHolds = 3

// FirstHolds are the reads that hold the team back most: somebody does not have them, or had them.
func FirstHolds(holds []Hold) []Hold {
	first := []Hold{}
	for _, h := range holds {
		if len(first) < mostHolds && len(h.NotYet)+len(h.Lapsed) > 0 {
			first = append(first, h)
		}
	}
	return first
}

// LapsedRead is a read that a player had and has not shown for too long.
type LapsedRead struct {
	Player PlayerID   `json:"player"`
	Read   reads.Read `json:"read"`
}

// LapsedReads lists the lapsed reads of a board's lines.
func LapsedReads(lines []Line) []LapsedRead {
	out := []LapsedRead{}
	for _, l := range lines {
		for i := range l.Cells {
			if l.Cells[i].Judgement.Verdict == Lapsed {
				out = append(out, LapsedRead{l.Player, l.Cells[i].Read})
			}
		}
	}
	return out
}
