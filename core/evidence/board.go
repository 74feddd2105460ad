package evidence

import (
	"cmp"
	"slices"
	"time"

	"evrik/core/drill"
	"evrik/core/reads"
)

// Need is how many more reps a player should get of a read: none when he has
// it, as many as would turn the verdict when he does not, and otherwise as
// many as would settle the question.
func (j Judgement) Need() int {
	switch j.Verdict {
	case HasIt:
		return 0
	case NotYet:
		return j.RightInARow
	default:
		return j.Settle
	}
}

// Line is one player's standings, in the order of the board's reads.
type Line struct {
	Player string     `json:"player"`
	Cells  []Standing `json:"cells"`
}

// Board judges every player on every read of a role, or of each read's own role where
// none is named.
func (p Policy) Board(players []string, role reads.Role, columns []reads.Read, reps []Rep, now time.Time) []Line {
	return p.BoardOf(players, role, columns, p.Ledger(reps, now), now)
}

// BoardOf is the board of reps that have been added up. None is later than now.
func (p Policy) BoardOf(players []string, role reads.Role, columns []reads.Read, l Ledger, now time.Time) []Line {
	return p.boardOf(players, role, columns, l, now, true)
}

// Overview is the board without the single rungs.
func (p Policy) Overview(players []string, role reads.Role, columns []reads.Read, l Ledger, now time.Time) []Line {
	return p.boardOf(players, role, columns, l, now, false)
}

func (p Policy) boardOf(players []string, role reads.Role, columns []reads.Read, l Ledger, now time.Time, rungs bool) []Line {
	type key struct {
		player string
		read   reads.Read
	}
	byCell, wrong := map[key][]Sum{}, map[key][]Mistake{}
	for _, m := range l.Mistakes {
		if m.Role == cmp.Or(role, roleOf(m.Expected)) {
			k := key{m.Player, m.Expected}
			wrong[k] = append(wrong[k], m)
		}
	}
	for _, s := range l.Sums {
		if s.Role == cmp.Or(role, roleOf(s.Expected)) {
			k := key{s.Player, s.Expected}
			byCell[k] = append(byCell[k], s)
		}
	}
	lines := make([]Line, len(players))
	for i, id := range players {
		lines[i] = Line{id, make([]Standing, len(columns))}
		for j, read := range columns {
			lines[i].Cells[j] = p.stand(id, string(read), byCell[key{id, read}], wrong[key{id, read}], now, rungs)
		}
	}
	return lines
}

// roleOf is whose read it is.
func roleOf(read reads.Read) reads.Role {
	info, _ := reads.Info(read)
	return info.Role
}

// Hold is a read that holds a team back, and whom.
type Hold struct {
	Read   reads.Read `json:"read"`
	Role   reads.Role `json:"role"`
	NotYet []string   `json:"notYet"`
	Stale  []string   `json:"stale"`
	TooFew []string   `json:"tooFew"`
	Has    int        `json:"has"`
}

// Holds sorts a board's reads by how much they hold the team back: most
// players who do not have it first, then most stale, then most unknown.
func Holds(columns []reads.Read, lines []Line) []Hold {
	holds := make([]Hold, len(columns))
	for j, read := range columns {
		h := Hold{Read: read, Role: roleOf(read), NotYet: []string{}, Stale: []string{}, TooFew: []string{}}
		for _, l := range lines {
			switch l.Cells[j].Judgement.Verdict {
			case HasIt:
				h.Has++
			case NotYet:
				h.NotYet = append(h.NotYet, l.Player)
			case Stale:
				h.Stale = append(h.Stale, l.Player)
			default:
				h.TooFew = append(h.TooFew, l.Player)
			}
		}
		holds[j] = h
	}
	slices.SortStableFunc(holds, func(a, b Hold) int {
		return cmp.Or(
			cmp.Compare(len(b.NotYet), len(a.NotYet)),
			cmp.Compare(len(b.Stale), len(a.Stale)),
			cmp.Compare(len(b.TooFew), len(a.TooFew)))
	})
	return holds
}

// HoldOnRung counts the players of a board who have it on a rung for at least
// half of the board's reads.
func HoldOnRung(lines []Line, rung drill.Rung) int {
	n := 0
	for _, l := range lines {
		has := 0
		for _, c := range l.Cells {
			for _, on := range c.Rungs {
				if on.Rung == rung && on.All.Verdict == HasIt {
					has++
				}
			}
		}
		if has > 0 && 2*has >= len(l.Cells) {
			n++
		}
	}
	return n
}

// OfPlayers keeps the lines of some players.
func OfPlayers(lines []Line, players []string) []Line {
	return slices.DeleteFunc(slices.Clone(lines), func(l Line) bool { return !slices.Contains(players, l.Player) })
}

// ByNeed orders players' standings on one read by how much it holds them back: not
// yet, then stale, then tried, then never seen, and who has it last; the weakest rate
// first among equals.
func ByNeed(standings []Standing) []Standing {
	rank := func(s Standing) int {
		switch {
		case s.Judgement.Verdict == NotYet:
			return 0
		case s.Judgement.Verdict == Stale:
			return 1
		case s.Judgement.Verdict == HasIt:
			return 4
		case s.Judgement.Tally.Reps > 0:
			return 2
		}
		return 3
	}
	out := slices.Clone(standings)
	slices.SortStableFunc(out, func(a, b Standing) int {
		return cmp.Or(cmp.Compare(rank(a), rank(b)), cmp.Compare(a.Judgement.Rate, b.Judgement.Rate))
	})
	return out
}
