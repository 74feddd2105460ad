package roster

import (
	"slices"
	"strings"
	"unicode"

	"evrik/core/refusal"
)

// Use is what a column of a table means for a roster.
type Use string

// The uses of a column. Position holds a position in letters or words.
const (
	Ignore   Use = "ignore"
	Jersey   Use = "jersey"
	Name     Use = "name"
	First    Use = "first"
	Last     Use = "last"
	Position Use = "position"
	Handler  Use = "handler"
	Wing     Use = "wing"
	Big      Use = "big"
	Shooter  Use = "shooter"
)

// headers are what columns are usually called (common practice).
var headers = map[Use][]string{
	Jersey: {"jersey", "number", "no", "no.", "#", "nr", "jersey number", "jersey no", "jersey #", "uniform",
		"shirt"},
	Name:     {"name", "player", "player name", "short name", "display name", "nickname", "full name"},
	First:    {"first", "first name", "given name", "firstname", "forename"},
	Last:     {"last", "last name", "surname", "family name", "lastname"},
	Position: {"position", "pos", "pos.", "positions"},
	Handler:  {"handler", "ball handler", "guard"},
	Wing:     {"wing"},
	Big:      {"big", "post", "center"},
	Shooter:  {"shooter"},
}

func known(header string) Use {
	h := strings.ToLower(strings.TrimSpace(header))
	for use, names := range headers {
		if slices.Contains(names, h) {
			return use
		}
	}
	return Ignore
}

// Guess returns what each column of a table most likely means: by its header, else by what is in it.
func Guess(t *Table) []Use {
	out := make([]Use, t.Width())
	for i := range out {
		out[i] = Ignore
		if i < len(t.Header) {
			out[i] = known(t.Header[i])
		}
	}
	if !slices.Contains(out, Jersey) {
		if i := fullest(t, out, isJersey); i >= 0 {
			out[i] = Jersey
		}
	}
	if !slices.Contains(out, Name) && !slices.Contains(out, First) {
		if i := fullest(t, out, hasLetters); i >= 0 {
			out[i] = Name
		}
	}
	return out
}

// fullest returns the free column with the most cells that are as asked, the first of equals; -1 for none.
func fullest(t *Table, taken []Use, as func(string) bool) int {
	best, most := -1, 0
	for i := range taken {
		n := 0
		for _, row := range t.Rows {
			if i < len(row) && as(row[i]) {
				n++
			}
		}
		if taken[i] == Ignore && n > most {
			best, most = i, n
		}
	}
	return best
}

func hasLetters(s string) bool { return strings.ContainsFunc(s, unicode.IsLetter) }

// Listed is a player as one line of a list has it.
type Listed struct {
	Entry
	Line int
	// Told is true where the list has a column of roles: its roles then replace the player's.
	Told bool
}

// Players reads the players of a table by what its columns mean. It returns those it can read, and an error
// for every other row.
func Players(t *Table, uses []Use) ([]Listed, []RowError) {
	if !slices.Contains(uses, Jersey) {
		return nil, []RowError{{0, refusal.Refusal{Code: "roster.no-number-column"}}}
	}
	if !slices.Contains(uses, Name) && !slices.Contains(uses, First) {
		return nil, []RowError{{0, refusal.Refusal{Code: "roster.no-name-column"}}}
	}
	p := reader{uses: uses, firsts: firsts(t, uses)}
	for i, row := range t.Rows {
		if len(p.errs) == maxErrors {
			p.errs = append(p.errs, RowError{0, refusal.Refusal{Code: "roster.too-many-errors"}})
			break
		}
		p.row(t.Lines[i], row)
	}
	return p.out, p.errs
}

// firsts counts how many players have a first name, in lower case.
func firsts(t *Table, uses []Use) map[string]int {
	out := map[string]int{}
	i := slices.Index(uses, First)
	for _, row := range t.Rows {
		if i >= 0 && i < len(row) {
			out[strings.ToLower(row[i])]++
		}
	}
	return out
}

type reader struct {
	uses   []Use
	firsts map[string]int
	out    []Listed
	errs   []RowError
}

func (p *reader) row(line int, row []string) {
	e := Listed{Line: line}
	first, last := "", ""
	for i, cell := range row {
		if i >= len(p.uses) {
			break
		}
		switch use := p.uses[i]; use {
		case Jersey:
			e.Jersey = strings.TrimPrefix(cell, "#")
		case Name:
			e.Name = cell
		case First:
			first = cell
		case Last:
			last = cell
		case Position:
			e.Told = true
			p.position(&e.Entry, cell)
		case Handler, Wing, Big, Shooter:
			e.Told = true
			on, ok := yes(cell)
			if !ok {
				p.errs = append(p.errs, RowError{line,
					refusal.Refusal{Code: "roster.yes-or-no", Args: []any{clip(cell), use}}})
				return
			}
			*e.role(use) = *e.role(use) || on
		}
	}
	if e.Name == "" {
		e.Name = p.short(first, last)
	}
	clean, err := Clean(e.Entry)
	if err != nil {
		p.errs = append(p.errs, RowError{line, refusal.Of(err)})
		return
	}
	e.Entry = clean
	p.out = append(p.out, e)
}

// short returns the first name, with the initial of the last name where two players share the first.
func (p *reader) short(first, last string) string {
	if first == "" {
		return last
	}
	if p.firsts[strings.ToLower(first)] > 1 && last != "" {
		return first + " " + string([]rune(last)[:1]) + "."
	}
	return first
}

func (e *Entry) role(use Use) *bool {
	switch use {
	case Handler:
		return &e.Handler
	case Wing:
		return &e.Wing
	case Big:
		return &e.Big
	}
	return &e.Shooter
}

// positions are the roles of the usual names of positions (common practice).
var positions = map[string][]Use{
	"g": {Handler}, "pg": {Handler}, "point": {Handler}, "point guard": {Handler}, "guard": {Handler}, "1": {Handler},
	"sg": {Handler, Shooter}, "shooting guard": {Handler, Shooter}, "2": {Handler, Shooter},
	"w": {Wing}, "wing": {Wing}, "sf": {Wing}, "small forward": {Wing}, "f": {Wing}, "forward": {Wing}, "3": {Wing},
	"pf": {Big}, "power forward": {Big}, "4": {Big}, "c": {Big}, "center": {Big}, "post": {Big}, "big": {Big},
	"5": {Big},
}

func (p *reader) position(e *Entry, cell string) {
	for word := range strings.FieldsFuncSeq(strings.ToLower(cell),
		func(r rune) bool { return strings.ContainsRune("/,;+&", r) }) {
		for _, use := range positions[strings.TrimSpace(word)] {
			*e.role(use) = true
		}
	}
}

func yes(s string) (value, ok bool) {
	switch strings.ToLower(s) {
	case "yes", "y", "x", "1", "true":
		return true, true
	case "", "no", "n", "0", "false":
		return false, true
	}
	return false, false
}
