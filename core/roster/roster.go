// Package roster knows what may stand on a team's roster, and reads and writes
// it as CSV (RFC 4180).
package roster

import (
	"bytes"
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"strings"
	"unicode/utf8"

	"evrik/core/csvcell"
)

// Entry is what is kept of a player: nothing that identifies a child outside
// the gym.
type Entry struct {
	// Jersey is one or two digits; 0 and 00 are different players.
	Jersey string `json:"jersey"`
	// Name is a short display name.
	Name    string `json:"name"`
	Handler bool   `json:"handler"`
	Wing    bool   `json:"wing"`
	Big     bool   `json:"big"`
	Shooter bool   `json:"shooter"`
}

// Limits of a roster (assumptions).
const (
	MaxName    = 24 // characters
	MaxPlayers = 40
	// MaxFile is the size of a CSV file in bytes that is still read.
	MaxFile = 1 << 20
	// maxErrors bounds how many rows are complained about.
	maxErrors = 50
)

// RowError is what is wrong with one line of a file; the header is line 1.
type RowError struct {
	Row     int    `json:"row"`
	Message string `json:"message"`
}

// Clean trims an entry and checks it. The error is a sentence.
func Clean(e Entry) (Entry, error) {
	e.Jersey, e.Name = strings.TrimSpace(e.Jersey), strings.TrimSpace(e.Name)
	switch {
	case e.Jersey == "":
		return e, errors.New("The jersey number is missing.")
	case len(e.Jersey) > 2 || strings.Trim(e.Jersey, "0123456789") != "":
		return e, fmt.Errorf("%q is not a jersey number: one or two digits, 0 and 00 included.", clip(e.Jersey))
	case e.Name == "":
		return e, errors.New("The name is missing: a first name or a nickname is enough.")
	case !Showable(e.Name):
		return e, errors.New("The name holds characters that cannot be shown.")
	case utf8.RuneCountInString(e.Name) > MaxName:
		return e, fmt.Errorf("The name is longer than %d characters: use a short display name.", MaxName)
	case csvcell.IsFormula(e.Name):
		return e, fmt.Errorf("%q begins with %q, which a spreadsheet runs as a formula. Take the sign away.", clip(e.Name), e.Name[:1])
	}
	return e, nil
}

func clip(s string) string {
	if r := []rune(s); len(r) > MaxName {
		return string(r[:MaxName]) + "…"
	}
	return s
}

var columns = []string{"jersey", "name", "handler", "wing", "big", "shooter"}

// Parse reads a roster. taken holds the jerseys that are on the team already,
// with whose they are. When any row is bad nothing is returned but the errors.
func Parse(file []byte, taken map[string]string) ([]Entry, []RowError) {
	if len(file) > MaxFile {
		return nil, []RowError{{0, fmt.Sprintf("The file is larger than %d MB; a roster is a few lines.", MaxFile>>20)}}
	}
	file = bytes.TrimPrefix(file, []byte("\uFEFF"))
	if !utf8.Valid(file) {
		return nil, []RowError{{0, "The file is not text in UTF-8. Save it as \"CSV UTF-8\" and try again."}}
	}
	r := csv.NewReader(bytes.NewReader(file))
	r.FieldsPerRecord = -1
	if first, _, _ := bytes.Cut(file, []byte("\n")); bytes.Count(first, []byte(";")) > bytes.Count(first, []byte(",")) {
		r.Comma = ';'
	}
	head, err := r.Read()
	if err == io.EOF {
		return nil, []RowError{{1, "The file is empty. Its first line should read: " + strings.Join(columns, ",")}}
	}
	if err != nil {
		return nil, []RowError{unreadable(err)}
	}
	at, problem := header(head)
	if problem != "" {
		return nil, []RowError{{1, problem}}
	}
	p := parser{at: at, seen: map[string]int{}, taken: taken}
	for {
		cells, err := r.Read()
		if err == io.EOF {
			break
		}
		if err != nil {
			p.errs = append(p.errs, unreadable(err))
			break
		}
		line, _ := r.FieldPos(0)
		p.row(line, cells)
		if len(p.errs) >= maxErrors {
			p.errs = append(p.errs, RowError{line, "Too many rows are wrong to list them all."})
			break
		}
	}
	if n := len(p.entries) + len(taken); n > MaxPlayers {
		p.errs = append(p.errs, RowError{0, fmt.Sprintf("With this file the team would have %d players; %d is the most.", n, MaxPlayers)})
	}
	if len(p.errs) > 0 {
		return nil, p.errs
	}
	if len(p.entries) == 0 {
		return nil, []RowError{{2, "There is a header but no player below it."}}
	}
	return p.entries, nil
}

func unreadable(err error) RowError {
	var pe *csv.ParseError
	if errors.As(err, &pe) {
		return RowError{pe.StartLine, "The quotes in this row do not match up, so the file cannot be read on from here."}
	}
	return RowError{0, "The file cannot be read."}
}

// header finds the columns. The order does not matter; unknown ones are an
// error, because a birth date should not slip in unseen.
func header(cells []string) (map[string]int, string) {
	at := map[string]int{}
	for i, c := range cells {
		name := strings.ToLower(strings.TrimSpace(c))
		known := false
		for _, k := range columns {
			known = known || k == name
		}
		if !known {
			return nil, fmt.Sprintf("The column %q is not known, and nothing more than these is kept: %s.", clip(name), strings.Join(columns, ","))
		}
		if _, twice := at[name]; twice {
			return nil, fmt.Sprintf("The column %q is there twice.", name)
		}
		at[name] = i
	}
	for _, k := range columns[:2] {
		if _, ok := at[k]; !ok {
			return nil, fmt.Sprintf("The column %q is missing. The first line should read: %s", k, strings.Join(columns, ","))
		}
	}
	return at, ""
}

type parser struct {
	at      map[string]int
	seen    map[string]int
	taken   map[string]string
	entries []Entry
	errs    []RowError
}

func (p *parser) row(line int, cells []string) {
	cell := func(name string) string {
		if i, ok := p.at[name]; ok && i < len(cells) {
			return strings.TrimSpace(cells[i])
		}
		return ""
	}
	fail := func(msg string) { p.errs = append(p.errs, RowError{line, msg}) }
	if strings.Join(cells, "") == "" {
		return
	}
	e, err := Clean(Entry{Jersey: cell("jersey"), Name: cell("name")})
	if err != nil {
		fail(err.Error())
		return
	}
	for name, to := range map[string]*bool{"handler": &e.Handler, "wing": &e.Wing, "big": &e.Big, "shooter": &e.Shooter} {
		v, ok := yes(cell(name))
		if !ok {
			fail(fmt.Sprintf("%q in the column %q is neither yes nor no.", clip(cell(name)), name))
			return
		}
		*to = v
	}
	if before, twice := p.seen[e.Jersey]; twice {
		fail(fmt.Sprintf("Jersey %s is in row %d already.", e.Jersey, before))
		return
	}
	if who, has := p.taken[e.Jersey]; has {
		fail(fmt.Sprintf("Jersey %s is %s's on this team already.", e.Jersey, who))
		return
	}
	p.seen[e.Jersey] = line
	p.entries = append(p.entries, e)
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

// Write writes a roster as CSV that Parse reads back. A cell that a
// spreadsheet would run is defused with a leading apostrophe.
func Write(w io.Writer, entries []Entry) error {
	c := csv.NewWriter(w)
	c.UseCRLF = true // RFC 4180
	word := map[bool]string{true: "yes", false: "no"}
	rows := [][]string{columns}
	for _, e := range entries {
		rows = append(rows, []string{e.Jersey, csvcell.Harmless(e.Name), word[e.Handler], word[e.Wing], word[e.Big], word[e.Shooter]})
	}
	return c.WriteAll(rows)
}
