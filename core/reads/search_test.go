package reads

import "testing"

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
	for _, nothing := range []string{"", "the he his", "xylophone", "\x00\xff"} {
		if hits := Search(TeamRules{}, nothing); len(hits) != 0 {
			t.Errorf("%q finds %+v", nothing, hits)
		}
	}
	if hits := Search(TeamRules{FlareFirst: true}, "jump on the down screen"); len(hits) == 0 || hits[0].Read != Flare {
		t.Errorf("the team's own answer is not shown: %+v", hits)
	}
}
