package reads

import (
	"strings"
	"testing"
)

// What coaches would type, and where they want to land (common practice, no source).
func TestSearch(t *testing.T) {
	for words, want := range map[string][2]string{
		"he goes under on the flare":       {FlareS, "under"},
		"trailing on a down screen":        {Down, "trail"},
		"they trap the ball screen":        {Ball, "blitz"},
		"pick and roll, big in a drop":     {Ball, "drop"},
		"they ice it":                      {Ball, "ice"},
		"post is fronted":                  {FeedPost, "fronted"},
		"his man digs after the post feed": {AfterFeed, "dig"},
		"denied on the handoff":            {Handoff, "denied"},
		"switch on the stagger":            {Stagger, "switch"},
		"hammer":                           {Hammer, "trail"},
		"top-lock on the pin down":         {Pin, "jump"},
		"hot closeout":                     {CloseOut, "flying"},
		"long closeout, nobody there":      {CloseOut, "late"},
		"DHO denied":                       {Handoff, "denied"},
	} {
		hits := Search(TeamRules{}, words)
		if len(hits) == 0 || hits[0].Action != want[0] || hits[0].Cue.String() != want[1] {
			t.Errorf("%q finds %+v, want %v", words, hits[:min(3, len(hits))], want)
		}
	}
	if hits := Search(TeamRules{}, "trail, ice"); hits[0].Cue != Ice { // one line has it, many lines have the other
		t.Errorf("the word that tells more is not first: %+v", hits[0])
	}
	for _, nothing := range []string{"", "the he his", "xylophone", "\x00\xff"} {
		if hits := Search(TeamRules{}, nothing); len(hits) != 0 {
			t.Errorf("%q finds %+v", nothing, hits)
		}
	}
	if hits := Search(TeamRules{FlareFirst: true}, "jump on the down screen"); len(hits) == 0 || hits[0].Read != Flare {
		t.Errorf("the team's own answer is not shown: %+v", hits)
	}
}

// Searching for the names of a cue and an action finds their line first.
func TestSearchByName(t *testing.T) {
	for _, a := range Actions() {
		for _, row := range a.rows {
			words := row.Cue.Name() + " " + a.Name
			if hits := Search(TeamRules{}, words); hits[0].Action != a.ID || hits[0].Cue != row.Cue {
				t.Errorf("%q finds %s %s first", words, hits[0].Action, hits[0].Cue)
			}
		}
	}
}

// A search lists few lines, and none that fits much worse than the best.
func TestSearchIsShort(t *testing.T) {
	for _, words := range []string{"trail", "curl on the down screen", "switch", "hedge the handoff", "drive"} {
		hits := Search(TeamRules{}, words)
		for _, h := range hits {
			if h.score < closeScore*hits[0].score {
				t.Errorf("%q finds %s %s with %.2f, the best has %.2f", words, h.Action, h.Cue, h.score, hits[0].score)
			}
		}
		if len(hits) < 2 || len(hits) > mostHits {
			t.Errorf("%q finds %d lines", words, len(hits))
		}
	}
}

func TestStems(t *testing.T) {
	const text, want = "Trailing the 2-3 ZONES; trails, being used", "trail 2 3 zon trail being used"
	if got := strings.Join(wordsOf(text), " "); got != want {
		t.Errorf("%q becomes %q, not %q", text, got, want)
	}
}
