package practice

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"evrik/core/drill"
	"evrik/core/reads"
)

func squad(n int) []string {
	ids := make([]string, n)
	for i := range ids {
		ids[i] = fmt.Sprint("p", i)
	}
	return ids
}

func block(id string, kind Kind, minutes float64, stage string) Block {
	b := Block{ID: id, Kind: kind, Title: id, Minutes: minutes, Baskets: 1, Seconds: 20}
	if kind == DrillBlock {
		b.Drill, b.Stage = "slot-twos", stage
	}
	return b
}

func evening() Plan {
	return Plan{Minutes: 60, Players: squad(12), Ages: Ages12to14, Blocks: []Block{
		block("warm", OwnBlock, 10, ""), block("shown", DrillBlock, 10, "shown"), block("water", WaterBlock, 2, ""),
		block("live", DrillBlock, 10, "live"), block("play", OwnBlock, 10, ""),
	}}
}

func has(s Sheet, block, text string) bool {
	for _, w := range s.Warnings {
		if w.Block == block && strings.Contains(w.Text, text) && w.Source != "" {
			return true
		}
	}
	return false
}

// Off-def-line arithmetic: 12 players, 20 s, 10 minutes, one basket is 30 reps;
// both blocks together make 60 reps, so everyone cuts five times.
func TestLayOut(t *testing.T) {
	s := LayOut(evening())
	if s.Used != 42 || s.Left != 18 || len(s.Warnings) != 0 {
		t.Errorf("used %g, left %g, warnings %+v", s.Used, s.Left, s.Warnings)
	}
	if b := s.Blocks[3]; b.Start != 22 || b.End != 32 || b.Reps != 30 || b.PerPlayer != 2.5 || math.Abs(b.Waiting-2.0/3) > 1e-9 {
		t.Errorf("live block %+v", b)
	}
	for _, l := range s.Load {
		if l.Judged < 9 || l.Judged > 11 || l.Cutter+l.Screener != l.Judged || l.Defence < 4 || l.Defence > 6 {
			t.Errorf("load %+v", l)
		}
	}
}

func TestCoverage(t *testing.T) {
	p := evening()
	p.Needs = Needs{"p0": {reads.Curl: 100, reads.Fade: 0.5}, "p1": {reads.BackCut: 1}, "gone": {reads.Curl: 50}}
	s := LayOut(p)
	if s.Demand != 101.5 {
		t.Errorf("demand %g: only those present count", s.Demand)
	}
	// p0 cuts 4 to 6 times over four cues: 1 to 1.5 curls expected.
	if s.Covered < 2.4 || s.Covered > 3.1 {
		t.Errorf("covered %g", s.Covered)
	}
	p.Blocks[1].Stage = "air"
	p.Blocks[3].Stage = "post"
	if s := LayOut(p); s.Covered != 0 {
		t.Errorf("technique stages cover %g reps of reading", s.Covered)
	}
}

func TestWarnings(t *testing.T) {
	cases := []struct {
		name, block, text string
		change            func(*Plan)
	}{
		{"too long", "", "take 22 min out", func(p *Plan) { p.Minutes = 20 }},
		{"no water", "water", "without water", func(p *Plan) { p.Blocks[2].Kind = OwnBlock }},
		{"live first", "live", "have not held a shown read", func(p *Plan) { p.Blocks[1].Stage = "air" }},
		{"short block", "shown", "outside 4 to 15", func(p *Plan) { p.Blocks[1].Minutes = 3 }},
		{"long block", "shown", "outside 4 to 15", func(p *Plan) { p.Blocks[1].Minutes = 16 }},
		{"no warm-up", "shown", "Warm up first", func(p *Plan) { p.Blocks = p.Blocks[1:] }},
		{"long for the age", "", "60 to 90 is the guideline", func(p *Plan) { p.Minutes = 110 }},
	}
	for _, tc := range cases {
		p := evening()
		tc.change(&p)
		if s := LayOut(p); !has(s, tc.block, tc.text) {
			t.Errorf("%s: %+v", tc.name, s.Warnings)
		}
	}
	p := evening()
	p.Blocks[1].Stage = "air"
	p.Held = map[string]int{}
	for _, id := range p.Players[:9] {
		p.Held[id] = drill.Shown.Number()
	}
	if s := LayOut(p); has(s, "live", "have not held") {
		t.Error("three of twelve who are new to it do not hold the others back")
	}
}

func TestBlocksThatCannotBeRun(t *testing.T) {
	p := evening()
	p.Players = squad(3)
	p.Blocks = append(p.Blocks, Block{ID: "lost", Kind: DrillBlock, Drill: "moon", Minutes: 5, Baskets: 1},
		Block{ID: "stage", Kind: DrillBlock, Drill: "slot-twos", Stage: "moon", Minutes: 5, Baskets: 1})
	s := LayOut(p)
	for i, want := range map[int]string{3: "needs 4 players and 3 are here", 5: "not in the catalogue", 6: "no stage called"} {
		if !strings.Contains(s.Blocks[i].Problem, want) {
			t.Errorf("block %d: %q, want %q", i, s.Blocks[i].Problem, want)
		}
	}
	if s.Blocks[1].Problem != "" || s.Blocks[1].Reps == 0 || s.Used != 52 {
		t.Errorf("the other blocks stand: %+v", s.Blocks[1])
	}
	if empty := LayOut(Plan{Minutes: 60}); empty.Left != 60 || len(empty.Warnings) != 0 {
		t.Errorf("empty plan: %+v", empty)
	}
}

func TestAgeBands(t *testing.T) {
	// USA Basketball / NBA Youth Guidelines, 2016, from memory.
	for band, want := range map[AgeBand][2]float64{Ages7to8: {30, 60}, Ages9to11: {45, 75}, Ages12to14: {60, 90}, Grades9on: {90, 120}} {
		if l, ok := band.Limits(); !ok || l.MinMinutes != want[0] || l.MaxMinutes != want[1] {
			t.Errorf("%s: %+v", band, l)
		}
	}
	if _, ok := AgeBand("moon").Limits(); ok {
		t.Error("an unknown band has limits")
	}
}

func TestCheck(t *testing.T) {
	if err := Check(drill.Library{}, 60, evening().Blocks); err != nil {
		t.Fatal(err)
	}
	for want, change := range map[string]func(b []Block) (int, []Block){
		"lasts 10 to 240":         func(b []Block) (int, []Block) { return 5, b },
		"blocks are more":         func(b []Block) (int, []Block) { return 60, make([]Block, 41) },
		"in the plan twice":       func(b []Block) (int, []Block) { b[1].ID = b[0].ID; return 60, b },
		"lasts 1 to 60":           func(b []Block) (int, []Block) { b[0].Minutes = math.NaN(); return 60, b },
		"needs a title":           func(b []Block) (int, []Block) { b[0].Title = " "; return 60, b },
		"not in the catalogue":    func(b []Block) (int, []Block) { b[1].Drill = "moon"; return 60, b },
		"one to 6 baskets":        func(b []Block) (int, []Block) { b[1].Baskets = 9; return 60, b },
		"a rep takes":             func(b []Block) (int, []Block) { b[1].Seconds = 1; return 60, b },
		"Block 2 needs a title o": func(b []Block) (int, []Block) { b[1].Title = strings.Repeat("x", 61); return 60, b },
	} {
		minutes, blocks := change(evening().Blocks)
		if err := Check(drill.Library{}, minutes, blocks); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%v, want it to say %q", err, want)
		}
	}
}
