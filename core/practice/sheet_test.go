package practice

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

func squad(n int) []Person {
	people := make([]Person, n)
	for i := range people {
		people[i].ID = fmt.Sprint("p", i)
	}
	return people
}

// outlook is a made-up outlook of a cutter: how far on, and what more reps would bring.
func outlook(player string, read reads.Read, guided, live evidence.Verdict) evidence.Outlook {
	o := evidence.Outlook{Player: evidence.PlayerID(player), Role: reads.Cutter, Read: read, Guided: guided, Live: live,
		Group: evidence.Guided, Rate: 0.6, Target: 0.8}
	if guided == evidence.HasIt {
		o.Group, o.Target = evidence.Live, 0.7
	}
	for n := range evidence.SettleReps + 1 {
		o.Settles = append(o.Settles, 0.04*float64(n))
	}
	if o.Done() {
		o.Settles = nil
	}
	return o
}

// outlooks are those of some players on some reads, all with the same verdicts.
func outlooks(people []Person, guided, live evidence.Verdict, list ...reads.Read) (out []evidence.Outlook) {
	for _, who := range people {
		for _, r := range list {
			out = append(out, outlook(who.ID, r, guided, live))
		}
	}
	return out
}

// downReads are the four reads of who uses a down screen that its drills show.
var downReads = []reads.Read{reads.Curl, reads.Straight, reads.Fade, reads.BackCut}

// fresh are the outlooks of a squad that has not held anything.
func fresh(people []Person) []evidence.Outlook {
	return outlooks(people, evidence.NotEnough, evidence.NotEnough, downReads...)
}

func block(id string, kind Kind, minutes float64, stage string) Block {
	b := Block{ID: id, Kind: kind, Title: id, Minutes: minutes, Baskets: 1, Seconds: 20}
	if kind == DrillBlock {
		b.Drill, b.Stage = "slot-twos", stage
	}
	return b
}

func evening() Plan {
	lim, _ := Ages12to14.Limits()
	return Plan{Minutes: 60, People: squad(12), Limits: lim, Terms: DefaultTerms(), Blocks: []Block{
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
	if s.Used != 42 || s.Left != 18 || len(s.Warnings) != 1 || !has(s, "", "in line for more than half") {
		t.Errorf("used %g, left %g, warnings %+v", s.Used, s.Left, s.Warnings)
	}
	if b := s.Blocks[3]; b.Start != 22 || b.End != 32 || b.Reps != 30 || b.PerPlayer != 2.5 ||
		math.Abs(b.Waiting-2.0/3) > 1e-9 {
		t.Errorf("live block %+v", b)
	}
	for _, l := range s.Load {
		if l.Judged < 9 || l.Judged > 11 || l.Cutter+l.Screener != l.Judged || l.Defense < 4 || l.Defense > 6 {
			t.Errorf("load %+v", l)
		}
	}
}

// A warm-up drill is a warm-up: nothing is said of it, but why it is there.
func TestAWarmUpDrillComesFirst(t *testing.T) {
	p := evening()
	p.Blocks[0] = block("warm", DrillBlock, 10, "air")
	p.Blocks[0].Drill = "run-land-turn"
	if s := LayOut(p); has(s, "warm", "Warm up first") {
		t.Errorf("warned of %+v", s.Warnings)
	}
	d, st, err := StageOf(p.Library, p.Blocks[0])
	if err != nil {
		t.Fatal(err)
	}
	if got := p.reason(d, st, p.Blocks[0], nil); !strings.Contains(got, "Your own choice") {
		t.Error(got)
	}
}

func TestGoalsCovered(t *testing.T) {
	p := evening()
	p.Terms.Focus = []reads.Read{reads.Curl, reads.Fade}
	p.Aim(Aims{Outlooks: append(fresh(p.People), outlook("gone", reads.Curl, evidence.NotYet, evidence.NotEnough))})
	// 30 reps each block at one basket are 2.5 cuts each, 0.625 of each of the four cues: two
	// such blocks give each player 1.25 of both goals, too few to move anybody.
	s := LayOut(p)
	if len(s.Goals) != 2 || s.Goals[0].Read != reads.Curl || len(s.Goals[0].Players) != 12 ||
		math.Abs(s.Goals[0].Each-1.25) > 1e-9 || len(s.Goals[0].Moves) != 0 {
		t.Errorf("%+v", s.Goals)
	}
	if s.Moves != "Moves nobody forward yet: curl and fade to work on." ||
		s.Goals[0].Why != "12 players do not have enough reps yet." {
		t.Errorf("%q, %q", s.Moves, s.Goals[0].Why)
	}
	// A quarter of an hour at four baskets is more than four of each.
	p.People, p.Blocks[1].Baskets, p.Blocks[1].Minutes, p.Blocks[1].Seconds = p.People[:8], 4, 15, 15
	if s := LayOut(p); s.Moves != "Moves 2 reads forward for 8 of 12 players." &&
		s.Moves != "Moves 2 reads forward for 8 of 8 players." {
		t.Errorf("%q: %+v", s.Moves, s.Goals)
	}
	p.Blocks[1].Stage, p.Blocks[3].Stage = "air", "post"
	if s := LayOut(p); s.Goals[0].Each != 0 {
		t.Errorf("technique stages give %g reps of reading", s.Goals[0].Each)
	}
	p.Aim(Aims{Outlooks: outlooks(p.People, evidence.HasIt, evidence.HasIt, downReads...)})
	if s := LayOut(p); len(s.Goals) != 0 || !strings.HasPrefix(s.Moves, "Everybody here has") {
		t.Errorf("%q: %+v", s.Moves, s.Goals)
	}
}

func TestWarnings(t *testing.T) {
	cases := []struct {
		name, block, text string
		change            func(*Plan)
	}{
		{"too long", "", "take 22 min out", func(p *Plan) { p.Minutes = 20 }},
		{"no water", "water", "without water", func(p *Plan) { p.Blocks[2].Kind = OwnBlock }},
		{"live first", "live", "12 of 12 players have not held", func(p *Plan) { p.Blocks[1].Stage = "air" }},
		{"three live blocks", "play", "third live block in a row", func(p *Plan) {
			p.Blocks[3].Minutes = 4
			p.Blocks[4] = block("play", DrillBlock, 4, "live-switch")
			p.Blocks = slices.Insert(p.Blocks, 3, block("more", DrillBlock, 4, "live"))
		}},
		{"short block", "shown", "outside 4 to 15", func(p *Plan) { p.Blocks[1].Minutes = 3 }},
		{"long block", "shown", "outside 4 to 15", func(p *Plan) { p.Blocks[1].Minutes = 16 }},
		{"no warm-up", "shown", "Warm up first", func(p *Plan) { p.Blocks = p.Blocks[1:] }},
		{"a scrimmage first", "play", "Warm up first", func(p *Plan) {
			p.Blocks[4] = block("play", DrillBlock, 8, "live")
			p.Blocks[4].Drill = "fours-no-dribble"
			p.Blocks = p.Blocks[4:]
		}},
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
	p.Aim(Aims{Outlooks: append(fresh(p.People[:4]),
		outlooks(p.People[4:], evidence.HasIt, evidence.NotEnough, downReads...)...)})
	if s := LayOut(p); has(s, "live", "have not held") {
		t.Error("four of twelve who are new to it do not hold the others back")
	}
}

func TestBlocksThatCannotBeRun(t *testing.T) {
	p := evening()
	p.People = squad(3)
	p.Blocks = append(p.Blocks, Block{ID: "lost", Kind: DrillBlock, Drill: "moon", Minutes: 5, Baskets: 1},
		Block{ID: "stage", Kind: DrillBlock, Drill: "slot-twos", Stage: "moon", Minutes: 5, Baskets: 1})
	s := LayOut(p)
	for i, want := range map[int]string{3: "drill.too-few-players: Live: nobody switches, 4, 3",
		5: "practice.drill-gone", 6: "practice.stage-gone"} {
		if !strings.Contains(s.Blocks[i].Problem.Error(), want) {
			t.Errorf("block %d: %q, want %q", i, s.Blocks[i].Problem, want)
		}
	}
	if s.Blocks[1].Problem.Code != "" || s.Blocks[1].Reps == 0 || s.Used != 52 {
		t.Errorf("the other blocks stand: %+v", s.Blocks[1])
	}
	if empty := LayOut(Plan{Minutes: 60}); empty.Left != 60 || len(empty.Warnings) != 0 {
		t.Errorf("empty plan: %+v", empty)
	}
}

func TestAgeBands(t *testing.T) {
	// USA Basketball / NBA Youth Guidelines, 2016, from memory.
	for band, want := range map[AgeBand][2]float64{Ages7to8: {30, 60}, Ages9to11: {45, 75}, Ages12to14: {60, 90},
		Grades9on: {90, 120}} {
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
		"practice.minutes: 10, 240, 5": func(b []Block) (int, []Block) { return 5, b },
		"practice.too-many-blocks":     func(b []Block) (int, []Block) { return 60, make([]Block, 41) },
		"practice.block-twice":         func(b []Block) (int, []Block) { b[1].ID = b[0].ID; return 60, b },
		"practice.block-minutes: 1, 60, NaN": func(b []Block) (int, []Block) {
			b[0].Minutes = math.NaN()
			return 60, b
		},
		"practice.block-title":            func(b []Block) (int, []Block) { b[0].Title = " "; return 60, b },
		"practice.drill-gone":             func(b []Block) (int, []Block) { b[1].Drill = "moon"; return 60, b },
		"practice.block-baskets: 2, 6, 9": func(b []Block) (int, []Block) { b[1].Baskets = 9; return 60, b },
		"practice.block-seconds":          func(b []Block) (int, []Block) { b[1].Seconds = 1; return 60, b },
		"practice.block-title: 2, 60": func(b []Block) (int,
			[]Block) {
			b[1].Title = strings.Repeat("x", 61)
			return 60, b
		},
	} {
		minutes, blocks := change(evening().Blocks)
		if err := Check(drill.Library{}, minutes, blocks); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%v, want it to say %q", err, want)
		}
	}
}

// Ends 1 and 2 run side by side; a group's players alone take part, and limited
// players keep out of live blocks.
func TestTwoEnds(t *testing.T) {
	p := evening()
	p.People[11].Limited = true
	var guards, posts []string
	for i, who := range p.People {
		if i < 7 {
			guards = append(guards, who.ID)
		} else {
			posts = append(posts, who.ID)
		}
	}
	p.Blocks[1].Basket, p.Blocks[1].Players = 1, guards
	second := block("posts", DrillBlock, 8, "live")
	second.Basket, second.Players = 2, posts
	p.Blocks = slices.Insert(p.Blocks, 2, second)
	s := LayOut(p)
	if a, b, c := s.Blocks[1], s.Blocks[2], s.Blocks[3]; a.Start != 10 || a.End != 20 || b.Start != 10 || b.End != 18 ||
		c.Start != 20 || s.Used != 42 {
		t.Errorf("%+v, used %g", s.Blocks, s.Used)
	}
	if l := s.Load[0]; l.Minutes != 40 || l.HardMinutes != 10 {
		t.Errorf("guard %+v", l)
	}
	if l := s.Load[8]; l.Minutes != 38 || l.HardMinutes != 18 || l.Judged == 0 {
		t.Errorf("post %+v", l)
	}
	if l := s.Load[11]; l.Minutes != 20 || l.HardMinutes != 0 || l.Defense != 0 {
		t.Errorf("limited %+v", l)
	}
	if s.Blocks[2].Problem.Code != "" || s.Blocks[2].PerPlayer != 6 { // 24 reps, four who may
		t.Errorf("%+v", s.Blocks[2])
	}
}
