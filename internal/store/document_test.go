package store

import (
	"bytes"
	"encoding/json"
	"os"
	"testing"

	"github.com/google/uuid"

	"evrik/core/court"
	"evrik/core/offense"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/core/refusal"
	"evrik/internal/store/gen"
)

// Rows that were written before documents had a version are read as they were meant, and are
// written with one.
func TestDocumentsOfBefore(t *testing.T) {
	golden := func(name string) []byte {
		t.Helper()
		b, err := os.ReadFile("testdata/version0/" + name + ".json")
		if err != nil {
			t.Fatal(err)
		}
		return b
	}
	team := gen.Team{ID: uuid.New(), SeasonAim: golden("season"), Offense: golden("offense"),
		Principles: golden("principles"), LocalRule: golden("localrule")}
	aim, said, err := AimOf(team)
	if err != nil || !said || aim.PerPractice != 3 || len(aim.Install) != 5 || len(aim.Games) != 2 ||
		aim.Games[0].Needs[1] != reads.Away || len(aim.Off) != 0 {
		t.Errorf("season: %+v, %v", aim, err)
	}
	own, chosen, err := OffenseOf(team)
	preset := court.Presets()[0].Court
	played, bad := own.Ready(preset)
	if err != nil || bad != nil || !chosen || played.ID != "cut-and-lift" || played.Rules.Filled ||
		played.Answers[0].Weight != 2 {
		t.Errorf("offense: %+v, %v, %v", own, err, bad)
	}
	if list, err := PrinciplesOf(team); err != nil || len(list) != 1 || list[0].Picture != offense.Spacing {
		t.Errorf("principles: %+v, %v", list, err)
	}
	if rule, err := LocalRuleOf(team); err != nil ||
		rule != (practice.LocalRule{MaxMinutes: 80, MaxPerWeek: 3, RestDays: 2}) {
		t.Errorf("local rule: %+v, %v", rule, err)
	}
	terms, err := TermsOf(gen.Practice{Terms: golden("terms")})
	if err != nil || terms.Baskets != 1 || terms.Helpers != 3 || terms.Focus[0] != reads.Curl || terms.Rules != nil ||
		terms.Aimed != nil {
		t.Errorf("terms: %+v, %v", terms, err)
	}
	blocks, err := TemplateBlocks(gen.Template{Blocks: golden("blocks")})
	if err != nil || len(blocks) != 2 || len(blocks[0].Staff) != 4 || blocks[0].Minutes != 12 || blocks[0].Play ||
		blocks[1].Kind != practice.WaterBlock || blocks[1].Basket != 2 {
		t.Errorf("kept plan: %+v, %v", blocks, err)
	}
	if dropped, err := DroppedOf(gen.Practice{Dropped: golden("blocks")}); err != nil || len(dropped) != 2 {
		t.Errorf("dropped: %+v, %v", dropped, err)
	}
	g := gen.Game{Mixes: golden("mixes"), Terms: golden("lineups")}
	mixes, err := MixesOf(g)
	if err != nil || len(mixes) == 0 || mixes[0].Shares[0].Cue != reads.Trail || mixes[0].Shares[0].Percent != 80 {
		t.Errorf("coverages: %+v, %v", mixes, err)
	}
	lineups, err := GameTermsOf(g)
	if err != nil || len(lineups.Available) != 2 || lineups.Minutes != 32 {
		t.Errorf("line-ups: %+v, %v", lineups, err)
	}

	// What is read is written with a version, read again the same, and leaves plain.
	m, l := GameJSON(mixes, lineups)
	for name, column := range map[string][]byte{"season": AimJSON(aim), "offense": OffenseJSON(own),
		"terms": TermsJSON(terms), "blocks": BlocksJSON(blocks), "mixes": m, "lineups": l} {
		var d struct{ Version int }
		if err := json.Unmarshal(column, &d); err != nil || d.Version != documentVersion {
			t.Errorf("%s: version %d, %v", name, d.Version, err)
		}
		if plain := Plain(column); bytes.Contains(plain, []byte(`"version"`)) || bytes.Equal(plain, column) {
			t.Errorf("%s leaves as %s", name, plain)
		}
	}
	if again, err := TermsOf(gen.Practice{Terms: TermsJSON(terms)}); err != nil || again.Banned[0] != terms.Banned[0] ||
		again.Balls != 6 {
		t.Errorf("%+v, %v", again, err)
	}
	if Plain(nil) != nil || !bytes.Equal(Plain(golden("terms")), golden("terms")) {
		t.Error("a document without a version does not leave as it is")
	}
	_, err = TermsOf(gen.Practice{Terms: []byte(`{"version": 2, "value": {"baskets": 1}}`)})
	if refusal.CodeOf(err) != "store.newer" {
		t.Errorf("of a newer version: %v", err)
	}
	if _, err := TermsOf(gen.Practice{Terms: []byte(`{"version": 1, "value": [1]}`)}); err == nil {
		t.Error("a list was read as terms")
	}
}
