package roster

import (
	"strings"

	"evrik/core/refusal"
)

// Known is a player who is on the roster.
type Known struct {
	ID string
	Entry
}

// Kind is what a list does to a player.
type Kind string

// A player of the list is new, changed, or as on the roster already.
const (
	Added   Kind = "new"
	Changed Kind = "changed"
	Same    Kind = "same"
)

// Change is one player of a list against the roster.
type Change struct {
	Kind Kind
	// Player is as the roster will have it.
	Player Entry
	// ID and Was are of the player on the roster; empty for a new one.
	ID  string
	Was Entry
}

// Merge compares a list with the roster. Players are the same when their names are, in any case; without a namesake a
// number alone is not enough, and it is an error when somebody else has it. Nobody leaves the roster. The errors name
// the lines of the list that do not fit.
func Merge(roster []Known, list []Listed) ([]Change, []RowError) {
	m := merger{lines: map[string]int{}, names: map[string]int{}, numbers: map[string]string{}}
	namesakes := map[string][]Known{}
	for _, k := range roster {
		name := strings.ToLower(k.Name)
		namesakes[name] = append(namesakes[name], k)
		m.numbers[k.Jersey] = k.Name
	}
	found := make([]*Known, len(list))
	for i, l := range list {
		if found[i] = match(l, namesakes[strings.ToLower(l.Name)]); found[i] != nil {
			delete(m.numbers, found[i].Jersey) // whoever is in the list gives the number free, so that two can swap
		}
	}
	for i, l := range list {
		m.add(l, found[i])
	}
	added := 0
	for _, c := range m.out {
		if c.Kind == Added {
			added++
		}
	}
	if n := len(roster) + added; n > MaxPlayers {
		m.errs = append(m.errs, RowError{0, refusal.Refusal{Code: "roster.too-many-players",
			Args: []any{n, MaxPlayers}}})
	}
	return m.out, m.errs
}

// match picks the player of a line among those with the name: the one with the number where several share it.
func match(l Listed, namesakes []Known) *Known {
	for i := range namesakes {
		if len(namesakes) == 1 || namesakes[i].Jersey == l.Jersey {
			return &namesakes[i]
		}
	}
	return nil
}

type merger struct {
	// lines and names are where jerseys and names, in lower case, stand in the list; numbers are whose the jerseys are
	// that the list leaves alone.
	lines, names map[string]int
	numbers      map[string]string
	out          []Change
	errs         []RowError
}

func (m *merger) add(l Listed, k *Known) {
	fail := func(code string, args ...any) {
		m.errs = append(m.errs, RowError{l.Line, refusal.Refusal{Code: code, Args: args}})
	}
	if line, twice := m.names[strings.ToLower(l.Name)]; twice {
		fail("roster.name-twice", l.Name, line)
		return
	}
	if line, twice := m.lines[l.Jersey]; twice {
		fail("roster.number-twice", l.Jersey, line)
		return
	}
	if who, has := m.numbers[l.Jersey]; has {
		fail("roster.number-taken", l.Jersey, who)
		return
	}
	m.names[strings.ToLower(l.Name)], m.lines[l.Jersey] = l.Line, l.Line
	c := Change{Kind: Added, Player: l.Entry}
	if k != nil {
		c.ID, c.Was, c.Kind = k.ID, k.Entry, Changed
		if !l.Told {
			c.Player.Handler, c.Player.Wing, c.Player.Big, c.Player.Shooter = k.Handler, k.Wing, k.Big, k.Shooter
		}
		if c.Player == c.Was {
			c.Kind = Same
		}
	}
	m.out = append(m.out, c)
}
