package game

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"
	"time"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

var now = time.Date(2026, 3, 20, 18, 0, 0, 0, time.UTC)

func refused(t *testing.T, err error, says string) {
	t.Helper()
	switch {
	case says == "" && err != nil:
		t.Errorf("refused: %v", err)
	case says != "" && (err == nil || !strings.Contains(err.Error(), says)):
		t.Errorf("%v, want it to say %q", err, says)
	}
}

func TestCheckMixes(t *testing.T) {
	mix := func(family string, shares ...Share) []Mix { return []Mix{{family, shares}} }
	for _, tc := range []struct {
		mixes []Mix
		says  string
	}{
		{nil, ""},
		{mix(Off), ""},
		{mix(Ball, Share{reads.Drop, 70}, Share{reads.Switch, 30}), ""},
		{mix(Ball, Share{reads.Drop, 33.3}, Share{reads.Switch, 33.3}, Share{reads.Ice, 33.3}), ""},
		{mix(Ball, Share{reads.Drop, 100}, Share{reads.Switch, 40}), "game.shares-sum: Ball screens, 140"},
		{mix(Ball, Share{reads.Drop, 60}), "game.shares-sum: Ball screens, 60"},
		{mix(Ball, Share{reads.Trail, 100}), "game.coverage"},
		{mix(Ball, Share{reads.Drop, 140}, Share{reads.Ice, -40}), "game.share: 140"},
		{mix(Ball, Share{reads.Drop, math.NaN()}), "game.share: NaN"},
		{mix(Ball, Share{reads.Drop, 50}, Share{reads.Drop, 50}), "twice"},
		{mix("zone", Share{reads.Drop, 100}), "game.family"},
	} {
		refused(t, CheckMixes(tc.mixes), tc.says)
	}
}

// Whatever is expected, the shares of what is asked come to one, every action has
// the same part of it, and what the opponent never does is not asked.
func TestAsks(t *testing.T) {
	var all []string
	for _, s := range reads.Actions() {
		all = append(all, s.ID)
	}
	for name, mixes := range map[string][]Mix{
		"nobody knows": nil,
		"always trail": {{Off, []Share{{reads.Trail, 100}}}},
		"never switch": {{Off, []Share{{reads.Trail, 50}, {reads.Under, 50}}},
			{Ball, []Share{{reads.Drop, 80}, {reads.Ice, 20}}}},
	} {
		asks := Asks(all, reads.TeamRules{}, mixes)
		total, by := 0.0, map[string]float64{}
		for _, a := range asks {
			total += a.Share
			by[a.Action] += a.Share
			if name == "always trail" && a.Action == reads.Down && a.Cue != reads.Trail && a.Share > 0 {
				t.Errorf("%s: %s is asked", name, a.Cue)
			}
			for side := range 2 {
				if info, ok := reads.Info(a.Reads[side]); !ok || info.Role != a.Roles[side] {
					t.Errorf("%s %s: %q is not a read of the %s", a.Action, a.Cue, a.Reads[side], a.Roles[side])
				}
			}
		}
		if math.Abs(total-1) > 1e-9 || len(by) < 10 {
			t.Errorf("%s: %d actions, shares come to %g", name, len(by), total)
		}
		for screen, share := range by {
			if math.Abs(share-1/float64(len(by))) > 1e-9 {
				t.Errorf("%s: %s has %g", name, screen, share)
			}
		}
	}
	if got := Asks([]string{"no such"}, reads.TeamRules{}, nil); len(got) != 0 {
		t.Errorf("%v", got)
	}
}

// squad makes n players with random records in some actions.
func squad(rng *rand.Rand, n int, actions []string) ([]Person, evidence.Form, []string) {
	people := make([]Person, n)
	ids := make([]string, n)
	var reps []evidence.Rep
	for i := range people {
		ids[i] = fmt.Sprint("p", i)
		people[i] = Person{ID: ids[i], Handler: i%4 == 0, Wing: i%4 < 3, Big: i%4 == 3, Shooter: i%3 == 0}
		skill := rng.Float64()
		for _, a := range Asks(actions, reads.TeamRules{}, nil) {
			for side := range 2 {
				for range rng.IntN(8) {
					reps = append(reps, evidence.Rep{ID: "r", Player: evidence.PlayerID(ids[i]), Role: a.Roles[side],
						Expected: a.Reads[side], Correct: rng.Float64() < skill, Rung: drill.Live2, At: now})
				}
			}
		}
	}
	p := evidence.DefaultPolicy()
	return people, p.FormOf(p.ExtendByPeriod(evidence.NoHistory(), reps, time.UTC)), ids
}

var run = []string{reads.Down, reads.Away, reads.Ball}

// The finder against a search written from the definition: every five, every handler
// and screener, every pair off the ball.
func TestFindAgainstTheDefinition(t *testing.T) {
	rng := rand.New(rand.NewPCG(5, 5))
	for range 10 {
		people, form, ids := squad(rng, 8, run)
		asks := Asks(run, reads.TeamRules{}, []Mix{{Ball, []Share{{reads.Drop, 75}, {reads.Switch, 25}}}})
		found, err := Find(asks, form, people, Terms{Available: ids, Minutes: 32}, 1)
		if err != nil {
			t.Fatal(err)
		}
		best := -1.0
		rate := func(i int, a Ask, side int) float64 {
			return form.Of(evidence.PlayerID(ids[i]), a.Roles[side], a.Reads[side]).Rate
		}
		for mask := range 1 << 8 {
			var in []int
			for i := range 8 {
				if mask>>i&1 == 1 {
					in = append(in, i)
				}
			}
			if len(in) != 5 {
				continue
			}
			handlers := slices.DeleteFunc(slices.Clone(in), func(i int) bool { return !people[i].Handler })
			if len(handlers) == 0 {
				handlers = in
			}
			off, ball := 0.0, -1.0
			for _, a := range asks {
				if a.Family == Off {
					for _, u := range in {
						for _, s := range in {
							if u != s {
								off += a.Share * rate(u, a, 0) * rate(s, a, 1) / 20
							}
						}
					}
				}
			}
			for _, h := range handlers {
				for _, s := range in {
					sum := 0.0
					for _, a := range asks {
						if a.Family == Ball {
							sum += a.Share * rate(h, a, 0) * rate(s, a, 1)
						}
					}
					if h != s {
						ball = max(ball, sum)
					}
				}
			}
			best = max(best, off+ball)
		}
		first := found.Fives[0]
		if found.Compared != 56 || math.Abs(first.Score-best) > 1e-12 {
			t.Fatalf("%d fives, best %.6f; by the definition %.6f", found.Compared, first.Score, best)
		}
		sum, chance := 0.0, 0.0
		for _, l := range first.Lines {
			sum += l.Share * l.Both
		}
		for _, f := range found.Fives {
			chance += f.First
			if !(f.Interval.Low < f.Score && f.Score < f.Interval.High) {
				t.Errorf("%.3f is outside %.3f to %.3f", f.Score, f.Interval.Low, f.Interval.High)
			}
			if f.Roller == f.Popper || f.Handler == f.Screener || !slices.Contains(f.Players, f.Roller) {
				t.Errorf("parts: %+v", f)
			}
		}
		if math.Abs(sum-first.Score) > 1e-12 || math.Abs(chance-1) > 1e-9 {
			t.Errorf("the arithmetic comes to %.6f of %.6f, chances to %.3f", sum, first.Score, chance)
		}
	}
}

func TestTermsOfALineUp(t *testing.T) {
	rng := rand.New(rand.NewPCG(6, 6))
	people, form, ids := squad(rng, 9, run)
	asks := Asks(run, reads.TeamRules{}, nil)
	t9 := func(change func(*Terms)) Terms {
		terms := Terms{Available: ids, Minutes: 32}
		change(&terms)
		return terms
	}
	for _, tc := range []struct {
		terms Terms
		says  string
	}{
		{t9(func(*Terms) {}), ""},
		{t9(func(t *Terms) { t.Available = ids[:4] }), "game.too-few-players: 4"},
		{t9(func(t *Terms) { t.Available = append(slices.Clone(ids), "stranger") }), "game.player-left"},
		{t9(func(t *Terms) { t.Available = append(slices.Clone(ids), ids[0]) }), "twice"},
		{t9(func(t *Terms) { t.Minutes = math.NaN() }), "minutes"},
		{t9(func(t *Terms) { t.Together = [][]string{ids[:6]} }), "game.group-too-large"},
		{t9(func(t *Terms) { t.Caps = []MinutesCap{{ids[0], -1}} }), "game.player-minutes"},
		{t9(func(t *Terms) {
			for _, id := range ids {
				t.Caps = append(t.Caps, MinutesCap{id, 16})
			}
		}), "game.minutes-too-few: 144, 32, 160"},
	} {
		refused(t, tc.terms.Check(people), tc.says)
	}
	found,
		err := Find(asks, form, people,
		t9(func(t *Terms) { t.Together = [][]string{{ids[0], ids[5]}, {ids[2], ids[3]}} }), 1)
	if err != nil {
		t.Fatal(err)
	}
	for _, f := range found.Fives {
		if slices.Contains(f.Players, ids[0]) != slices.Contains(f.Players, ids[5]) ||
			slices.Contains(f.Players, ids[2]) != slices.Contains(f.Players, ids[3]) {
			t.Errorf("%v parts who should be together", f.Players)
		}
	}
	_, err = Find(asks, form, people[:6], Terms{Available: ids[:6], Minutes: 32,
		Together: [][]string{ids[:2], ids[2:4], ids[4:6]}}, 1)
	refused(t, err, "game.no-lineup")
}

func TestReadiness(t *testing.T) {
	p := evidence.DefaultPolicy()
	var reps []evidence.Rep
	add := func(player evidence.PlayerID, read reads.Read, role reads.Role, n int, correct bool) {
		for range n {
			reps = append(reps, evidence.Rep{ID: "r", Player: player, Role: role, Expected: read, Correct: correct,
				Rung: drill.Live2, At: now})
		}
	}
	add("a", reads.Curl, reads.Cutter, 20, true)
	add("b", reads.Curl, reads.Cutter, 20, false)
	asks := Asks([]string{reads.Down}, reads.TeamRules{}, []Mix{{Off, []Share{{reads.Trail, 100}}}})
	list, total := Readiness(asks, p.FormOf(p.ExtendByPeriod(evidence.NoHistory(), reps, time.UTC)),
		[]Person{{ID: "a"}, {ID: "b"}})
	i := slices.IndexFunc(list, func(r Ready) bool { return r.Read == reads.Curl })
	if i < 0 || math.Abs(list[i].Rate-0.5) > 0.01 || list[i].Share != 1 || list[i].Best[0] != "a" {
		t.Errorf("%+v", list)
	}
	if math.Abs(total-0.25) > 0.02 { // the screeners are unknown
		t.Errorf("total %.3f", total)
	}
	if d := Demand(asks); math.Abs(d[reads.Curl]-1) > 1e-9 {
		t.Errorf("demand %v", d)
	}
}

func TestCompareAndCoverages(t *testing.T) {
	p := evidence.DefaultPolicy()
	rep := func(player evidence.PlayerID, rung drill.Rung, correct bool, k int) evidence.Rep {
		return evidence.Rep{Player: player, Role: reads.Cutter, Expected: reads.Curl, Action: reads.Down,
			Correct: correct, Rung: rung, Cue: reads.Trail, At: now.Add(time.Duration(k) * time.Minute)}
	}
	var before, played []evidence.Rep
	for k := range 20 {
		before = append(before, rep("a", drill.Live3, k > 2, k), rep("a", drill.Guided, false, k))
	}
	for k := range 8 {
		played = append(played, rep([]evidence.PlayerID{"a", "b"}[k%2], drill.Game, k == 0, k))
	}
	got := Compare(p, before, played)
	if len(got) != 1 || got[0].Verdict != "Less in the game than in practice." || got[0].Practice.Reps != 20 ||
		got[0].Game.Correct != 1 || got[0].Missed[0] != "b" {
		t.Errorf("%+v", got)
	}
	if got := Compare(p, before, played[:2]); got[0].Verdict != "" {
		t.Errorf("two reps prove nothing: %+v", got)
	}
	seen := Coverages([]Mix{{Off, []Share{{reads.Trail, 60}, {reads.Under, 40}}}}, append(played, played[0]))
	if seen[0].Cue != reads.Trail || seen[0].Seen != 8 || seen[0].Percent != 100 || seen[0].Expected != 60 ||
		!seen[0].Known || seen[len(seen)-1].Known {
		t.Errorf("%+v", seen)
	}
}

// BenchmarkFind looks through the 3,003 fives of fifteen players.
func BenchmarkFind(b *testing.B) {
	people, form, ids := squad(rand.New(rand.NewPCG(3, 3)), 15, run)
	terms := Terms{Available: ids, Minutes: 32}
	for _, id := range ids[:7] {
		terms.Caps = append(terms.Caps, MinutesCap{id, 20})
	}
	asks := Asks([]string{reads.Down, reads.Away, reads.FlareS, reads.Ball, reads.StepUp}, reads.TeamRules{}, nil)
	for b.Loop() {
		if found, err := Find(asks, form, people, terms, 1); err != nil || found.Compared != 3003 {
			b.Fatal(found.Compared, err)
		}
	}
}
