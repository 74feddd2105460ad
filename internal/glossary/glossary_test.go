package glossary

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"evrik/core/reads"
	"evrik/internal/doctable"
)

// TestActionsAndCues compares the tables of the glossary with what the engine knows, and writes them with
// EVRIK_WRITE_TABLES.
func TestActionsAndCues(t *testing.T) {
	var actions, cues []Entry
	for _, a := range reads.Actions() {
		actions = append(actions, Entry{ID: a.ID, Word: a.Name, Means: a.About})
	}
	for _, c := range reads.CueCatalogue() {
		if c.Show != "" {
			cues = append(cues, Entry{ID: c.ID, Word: c.Name, Means: c.Show})
		}
	}
	doctable.Write(t, "../../docs/glossary.md", "actions", table(actions))
	doctable.Write(t, "../../docs/glossary.md", "cues", table(cues))
	for kind, want := range map[Kind][]Entry{Action: actions, Cue: cues} {
		if got := bare(kind); !slices.Equal(got, want) {
			t.Errorf("the table of each %s has %d rows, the engine knows %d; EVRIK_WRITE_TABLES=1 writes it\n%v\n%v",
				kind, len(got), len(want), got, want)
		}
	}
}

// bare returns the entries of a kind without kind and picture.
func bare(kind Kind) []Entry {
	var out []Entry
	for _, e := range Entries() {
		if e.Kind == kind {
			out = append(out, Entry{ID: e.ID, Word: e.Word, Means: e.Means})
		}
	}
	return out
}

func TestEveryReadIsExplained(t *testing.T) {
	names := map[string]string{}
	for _, e := range bare(Read) {
		names[e.ID] = e.Word
	}
	for _, r := range reads.Catalogue() {
		if names[string(r.ID)] != r.Name {
			t.Errorf("read %s is called %q, the glossary says %q", r.ID, r.Name, names[string(r.ID)])
		}
		delete(names, string(r.ID))
	}
	if len(names) > 0 {
		t.Errorf("explained, but not known: %v", names)
	}
}

func TestPictures(t *testing.T) {
	without := map[string]bool{"guarded": true, "make": true} // not answers to a cue
	kinds := map[Kind]int{}
	all := Entries()
	for i, e := range all {
		kinds[e.Kind]++
		if e.Word == "" || e.Means == "" || !slices.Contains([]byte(".!?"), e.Means[len(e.Means)-1]) {
			t.Errorf("%+v is not a word with a sentence", e)
		}
		if slices.ContainsFunc(all[:i], func(b Entry) bool {
			return b.Kind == e.Kind && (b.ID == e.ID || b.Word == e.Word)
		}) {
			t.Errorf("%s %s is there twice", e.Kind, e.ID)
		}
		if e.Action == "" {
			if e.Kind != Word && !without[e.ID] {
				t.Errorf("%s %s has no picture", e.Kind, e.ID)
			}
			continue
		}
		if e.Kind == Action && e.Action != e.ID || e.Kind == Cue && e.Cue != e.ID {
			t.Errorf("%s %s is shown by %s/%s", e.Kind, e.ID, e.Action, e.Cue)
		}
		a, ok := reads.ActionByID(e.Action)
		if !ok || !slices.ContainsFunc(a.Rows(reads.TeamRules{}),
			func(r reads.Row) bool { return r.Cue.String() == e.Cue }) {
			t.Errorf("%s %s is shown by %s/%s, which is not a picture", e.Kind, e.ID, e.Action, e.Cue)
		}
	}
	t.Logf("entries: %v", kinds)
	if kinds[Word] < 30 {
		t.Errorf("%d words of the game", kinds[Word])
	}
}

func TestParse(t *testing.T) {
	got := parse("# x\n| a | b | c |\n## Words of the game\n\n| id | word | meaning | shown by |\n|---|---|---|---|\n" +
		"| curl | Curl | Turn. | down/trail |\n| lane | Lane | Paint. | |\n## Cues\n| trail | Trail | Stay. |\n## " +
		"Words of the product\n| x | y | z |\n")
	want := []Entry{
		{"curl", Word, "Curl", "Turn.", "down", "trail"},
		{"lane", Word, "Lane", "Paint.", "", ""},
		{"trail", Cue, "Trail", "Stay.", "down", "trail"},
	}
	if !slices.Equal(got, want) {
		t.Errorf("%+v, want %+v", got, want)
	}
}

// table writes entries as rows of the glossary.
func table(entries []Entry) string {
	var b strings.Builder
	b.WriteString("| id | word | meaning |\n|---|---|---|\n")
	for _, e := range entries {
		fmt.Fprintf(&b, "| %s | %s | %s |\n", e.ID, e.Word, e.Means)
	}
	return b.String()
}
