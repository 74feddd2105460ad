// Package glossary reads the words of the game from docs/glossary.md for the app's Help.
package glossary

import (
	"slices"
	"strings"
	"sync"

	"evrik/core/reads"
	"evrik/docs"
)

// Kind tells which table of the glossary an entry is from.
type Kind string

// The kinds, in the order in which they stand in the glossary.
const (
	Word   Kind = "word"
	Action Kind = "action"
	Cue    Kind = "cue"
	Read   Kind = "read"
)

// Entry is one word and what it means.
type Entry struct {
	ID    string `json:"id"`
	Kind  Kind   `json:"kind"`
	Word  string `json:"word"`
	Means string `json:"means"`
	// Action and Cue name a picture that shows the word; both are empty where there is none.
	Action string `json:"action,omitempty"`
	Cue    string `json:"cue,omitempty"`
}

var headings = map[string]Kind{"Words of the game": Word, "Actions": Action, "Cues": Cue, "Reads": Read}

// A row has these columns, and a word of the game one more: the action and the cue that show it, as action/cue.
const columns = 3

// Entries returns the words of the game in the order of the glossary. Callers must not change them.
var Entries = sync.OnceValue(func() []Entry { return parse(docs.Glossary) })

func parse(page string) []Entry {
	var out []Entry
	var kind Kind
	for line := range strings.Lines(page) {
		line = strings.TrimSpace(line)
		if heading, ok := strings.CutPrefix(line, "## "); ok {
			kind = headings[heading]
			continue
		}
		cells := strings.Split(strings.Trim(line, "|"), "|")
		if kind == "" || !strings.HasPrefix(line, "|") || len(cells) < columns || strings.HasPrefix(line, "|---") {
			continue
		}
		e := Entry{ID: strings.TrimSpace(cells[0]), Kind: kind, Word: strings.TrimSpace(cells[1]),
			Means: strings.TrimSpace(cells[2])}
		if e.ID == "id" {
			continue
		}
		if kind == Word {
			e.Action, e.Cue, _ = strings.Cut(strings.TrimSpace(cells[columns]), "/")
		} else {
			e.Action, e.Cue = picture(e)
		}
		out = append(out, e)
	}
	return out
}

// picture finds the action and the cue that show a word: a cue in the first action that has it, a read at the first cue
// it answers.
func picture(e Entry) (action, cue string) {
	for _, a := range reads.Actions() {
		for _, row := range a.Rows(reads.TeamRules{}) {
			if shows(e, a, row) {
				return a.ID, row.Cue.String()
			}
		}
	}
	return "", ""
}

func shows(e Entry, a *reads.Action, row reads.Row) bool {
	switch e.Kind {
	case Action:
		return a.ID == e.ID
	case Cue:
		return row.Cue.String() == e.ID
	}
	answers := slices.Concat(row.Cutter, row.Screener, row.Third)
	return slices.ContainsFunc(answers, func(a reads.Answer) bool { return string(a.Read) == e.ID })
}
