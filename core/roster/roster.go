// Package roster checks the entries of a team's roster, reads a list from whatever a coach has, merges it into the
// roster that is stored, and writes it as CSV (RFC 4180).
package roster

import (
	"encoding/csv"
	"io"
	"strings"
	"unicode/utf8"

	"evrik/core/csvcell"
	"evrik/core/refusal"
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
	// MaxFile is the size of a file in bytes that is still read.
	MaxFile = 1 << 20
	// maxErrors bounds how many rows are complained about.
	maxErrors = 50
)

// RowError is what is wrong with one line of a list; the first line is 1, and 0 stands for the whole list.
type RowError struct {
	Row    int             `json:"row"`
	Reason refusal.Refusal `json:"message"`
}

// Clean trims an entry and checks it. The error is a refusal.
func Clean(e Entry) (Entry, error) {
	e.Jersey, e.Name = strings.TrimSpace(e.Jersey), strings.TrimSpace(e.Name)
	switch {
	case e.Jersey == "":
		return e, refusal.New("roster.no-number")
	case len(e.Jersey) > 2 || strings.Trim(e.Jersey, "0123456789") != "":
		return e, refusal.New("roster.number", clip(e.Jersey))
	case e.Name == "":
		return e, refusal.New("roster.no-name")
	case !Showable(e.Name):
		return e, refusal.New("roster.name-characters")
	case utf8.RuneCountInString(e.Name) > MaxName:
		return e, refusal.New("roster.name-too-long", MaxName)
	case csvcell.IsFormula(e.Name):
		return e, refusal.New("roster.formula", clip(e.Name), e.Name[:1])
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

// Write writes a roster as CSV that Text reads back. A cell that a
// spreadsheet would run is defused with a leading apostrophe.
func Write(w io.Writer, entries []Entry) error {
	c := csv.NewWriter(w)
	c.UseCRLF = true // RFC 4180
	word := map[bool]string{true: "yes", false: "no"}
	rows := [][]string{columns}
	for _, e := range entries {
		rows = append(rows, []string{e.Jersey, csvcell.Harmless(e.Name), word[e.Handler], word[e.Wing], word[e.Big],
			word[e.Shooter]})
	}
	return c.WriteAll(rows)
}
