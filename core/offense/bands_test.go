//go:build !mutate

package offense

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"evrik/internal/doctable"
)

// What a high-school coach expects to see, 50 possessions a game, against the default
// defense by players who make six reads in ten (common practice and assumption). A test
// whose name says band checks one of its lines.
const (
	usualRate = 0.6
	// games are how many of PerGame possessions a band is a mean over; fewGames in the
	// quick tests.
	games, fewGames = 200, 40
)

// screening are the offenses that live from screens, cutting those with a cut after
// every pass.
var screening, cutting = []string{"cont", "screen"}, []string{"cut", "cut-and-lift"}

// band is a figure's range, with what its mean may miss it by in few games.
type band struct {
	name        string
	least, most float64
	of          func(s *Summary, list []Possession) float64
	offenses    []string // nil for all
}

// share is how many of the open looks are of some kind.
func share(list []Possession, is func(Look) bool) float64 {
	n, all := 0.0, 0.0
	for i := range list {
		if list[i].Found {
			all++
			n += yes(is(list[i].Look))
		}
	}
	return n / max(1, all)
}

func medianPasses(_ *Summary, list []Possession) float64 {
	var passes []int
	for i := range list {
		if list[i].Found {
			passes = append(passes, list[i].Passes)
		}
	}
	slices.Sort(passes)
	return float64(passes[len(passes)/2])
}

var bands = []band{
	{"open cuts to the rim a game", 2, 6, func(s *Summary,
		_ []Possession) float64 {
		return PerGame * s.Of("cut").Value
	}, cutting},
	{"possessions with an open look", 0.45, 0.75, func(s *Summary,
		_ []Possession) float64 {
		return s.Of("open").Value
	}, nil},
	{"lost balls a game", 8, 16, func(s *Summary, _ []Possession) float64 { return PerGame * s.Of("lost").Value }, nil},
	{"looks of screeners to looks of cutters", 0.5, 1, func(_ *Summary, list []Possession) float64 {
		return share(list, func(l Look) bool { return l.Kind == OffSet }) / share(list,
			func(l Look) bool { return l.Kind == OffCut || l.Kind == OffScreen })
	}, screening},
	{"passes before the open look, median", 3, 7, medianPasses, nil},
	{"share of open looks at the rim", 0.1, 1, func(_ *Summary, list []Possession) float64 {
		return share(list, func(l Look) bool { return l.Feet <= rimFeet })
	}, nil},
	{"share of open looks inside the arc", 0.1, 1, func(_ *Summary, list []Possession) float64 {
		return share(list, func(l Look) bool { return l.Feet > rimFeet && !l.Three })
	}, nil},
	{"share of open looks that are threes", 0.1, 1,
		func(_ *Summary, list []Possession) float64 { return share(list, func(l Look) bool { return l.Three }) }, nil},
}

// Every shipped offense falls into the bands; in few games it may miss one by a tenth.
func TestBands(t *testing.T) {
	n, miss := games*PerGame, 0.0
	if testing.Short() {
		n, miss = fewGames*PerGame, 0.1
	}
	var table strings.Builder
	fmt.Fprintf(&table, "| figure, mean of %d games | band |", n/PerGame)
	for _, o := range Shipped() {
		fmt.Fprintf(&table, " %s |", o.ID)
	}
	table.WriteString("\n|---|---|" + strings.Repeat("---|", len(Shipped())) + "\n")
	played := map[string][]Possession{}
	for _, o := range Shipped() {
		played[o.ID] = simulator(t, o.ID, Defense{}, usualRate).Many(n, 0)
	}
	for _, b := range bands {
		fmt.Fprintf(&table, "| %s | %g to %g |", b.name, b.least, b.most)
		for _, o := range Shipped() {
			if b.offenses != nil && !slices.Contains(b.offenses, o.ID) {
				table.WriteString(" |")
				continue
			}
			s := Sum(played[o.ID])
			got := b.of(&s, played[o.ID])
			fmt.Fprintf(&table, " %.2f |", got)
			if got < b.least*(1-miss) || got > b.most*(1+miss) {
				t.Errorf("%s: %s %.2f, want %g to %g", o.ID, b.name, got, b.least, b.most)
			}
		}
		table.WriteString("\n")
	}
	zone := map[string]float64{}
	table.WriteString("| against a zone: gap cuts, flashes and swings of all open looks | 0.15 to 0.45 |")
	for _, o := range Shipped() {
		list := simulator(t, o.ID, Defense{Zone: true}, usualRate).Many(n, 0)
		zone[o.ID] = share(list, func(l Look) bool {
			return l.Kind == OffGap || l.Kind == OffFlash || l.Kind == OffSwing
		})
		fmt.Fprintf(&table, " %.2f |", zone[o.ID])
		if zone[o.ID] < 0.15*(1-miss) || zone[o.ID] > 0.45*(1+miss) {
			t.Errorf("%s: against a zone %.2f", o.ID, zone[o.ID])
		}
		for _, kind := range []string{OffGap, OffFlash, OffSwing} {
			if Sum(list).Kinds[kind] == 0 && !testing.Short() {
				t.Errorf("%s: against a zone no look from %s", o.ID, kind)
			}
		}
	}
	table.WriteString("\n")
	t.Logf("\n%s", &table)
	if !testing.Short() {
		doctable.Write(t, "../../docs/model.md", "offense-bands", table.String())
	}
}

// A better defense gives up fewer open looks and better readers find more and lose less, and
// that the more, the freer the offense is.
func TestMonotone(t *testing.T) {
	n, list := 3000, Shipped()
	if testing.Short() {
		n, list = 500, []Offense{list[0], list[3], list[5]} // pass and cut, freelance, high-post entry
	}
	open := func(id string, rate float64, change func(*Dials)) (float64, float64) {
		d := DefaultDials()
		change(&d)
		s := Sum(simulator(t, id, Defense{Dials: d}, rate).Many(n, 0))
		return s.Of("open").Value, s.Of("lost").Value
	}
	same := func(*Dials) {}
	gain := map[string]float64{}
	for _, o := range list {
		before, lostBefore := open(o.ID, 0.5, same)
		for _, rate := range []float64{0.7, 0.9} {
			now, lost := open(o.ID, rate, same)
			if now <= before || lost >= lostBefore {
				t.Errorf("%s: readers at %.1f find %.3f after %.3f and lose %.3f after %.3f", o.ID, rate, now, before,
					lost, lostBefore)
			}
			gain[o.ID] += now - before
			before, lostBefore = now, lost
		}
		for name, steps := range map[string][]func(*Dials){
			"reaction": {func(d *Dials) { d.React = 1.5 }, same, func(d *Dials) { d.React = 0.7 }},
			"help": {func(d *Dials) { d.Help, d.React = 0.1, 1.2 }, same,
				func(d *Dials) { d.Help, d.React = 0.8, 0.85 }},
			"level": {func(d *Dials) { *d = levels[0].Dials }, same, func(d *Dials) { *d = levels[2].Dials }},
		} {
			before := 1.0
			for i, change := range steps {
				now, _ := open(o.ID, usualRate, change)
				if now >= before {
					t.Errorf("%s, %s, step %d: %.3f open looks after %.3f", o.ID, name, i, now, before)
				}
				before = now
			}
		}
	}
	if gain["free"] <= gain["cut"] {
		t.Errorf("better readers gain %.3f in the freelance and %.3f in pass and cut", gain["free"], gain["cut"])
	}
	t.Logf("gain of readers from 0.5 to 0.9: %v", gain)
}

// How far each assumption moves the share of open looks, for the docs, and how far each
// figure's difference between two offenses: what is said to be within the assumptions is
// measured here.
func TestAssumptionsMove(t *testing.T) {
	n := 6000
	if testing.Short() {
		n = 150
	}
	ids := []string{"cut", "cont", "entry"}
	var table strings.Builder
	table.WriteString(
		"| a quarter less and more of | pass and cut | screen-away continuity | high-post entry |\n|---|---|---|---|\n")
	shifts := make([][][]float64, len(ids)) // by offense, then each assumption less and more, by figure
	for k, id := range ids {
		base, less, more := simulator(t, id, Defense{}, usualRate).vary(n)
		for _, varied := range slices.Concat(less, more) {
			shift := make([]float64, len(base))
			for f := range base {
				shift[f] = varied[f] - base[f]
			}
			shifts[k] = append(shifts[k], shift)
		}
	}
	for i, v := range varied {
		fmt.Fprintf(&table, "| %s |", v.name)
		for k := range ids {
			fmt.Fprintf(&table, " %+.1f, %+.1f |", 100*shifts[k][i][0], 100*shifts[k][len(varied)+i][0])
		}
		table.WriteString("\n")
	}
	t.Logf("points of open looks\n%s", &table)
	if len(effects) != len(varied) {
		t.Errorf("%d effects are told of %d", len(effects), len(varied))
	}
	for i, v := range varied {
		most := 0.0
		for k := range ids {
			most = max(most, math.Abs(shifts[k][i][0]), math.Abs(shifts[k][len(varied)+i][0]))
		}
		at := slices.IndexFunc(effects, func(e Effect) bool { return e.Name == v.name })
		if at < 0 || at > 0 && effects[at-1].size() < effects[at].size() {
			t.Fatalf("%s is not told in its place", v.name)
		}
		if said := effects[at].size(); !testing.Short() && math.Abs(most-said) > 0.3*said+0.006 {
			t.Errorf("%s moves open looks by %.3f, said are %.3f", v.name, most, said)
		}
	}
	for f := range figures {
		most := 0.0
		for i := range shifts[0] {
			for k := range ids {
				most = max(most, math.Abs(shifts[k][i][f]-shifts[(k+1)%len(ids)][i][f]))
			}
		}
		said := moves[figures[f].ID]
		t.Logf("%q: %.3f,", figures[f].ID, most)
		if !testing.Short() && math.Abs(most-said) > 0.3*said+0.002 {
			t.Errorf("the difference in %s moves by %.3f, said are %.3f", figures[f].ID, most, said)
		}
	}
	if !testing.Short() {
		doctable.Write(t, "../../docs/model.md", "offense-assumptions", table.String())
	}
}

// varied are the assumptions that vary varies, with what people read.
var varied = []struct {
	name string
	of   func(*Assumed) *float64
}{
	{"how much passes and feet scatter", func(a *Assumed) *float64 { return &a.Timing }},
	{"how late a screen is read", func(a *Assumed) *float64 { return &a.ReadLate }},
	{"how long a fake holds a defender", func(a *Assumed) *float64 { return &a.Fooled }},
	{"how long a screen holds a defender", func(a *Assumed) *float64 { return &a.Held }},
	{"how much of a run a defender foresees", func(a *Assumed) *float64 { return &a.Foresight }},
	{"how often somebody drives at a closeout", func(a *Assumed) *float64 { return &a.Drives }},
	{"how often a drive goes by the defender", func(a *Assumed) *float64 { return &a.Beats }},
	{"how often the ball is lost", func(a *Assumed) *float64 { return &a.Losses }},
	{"how often a post can seal", func(a *Assumed) *float64 { return &a.Seals }},
}

// quarter is by which share vary changes an assumption.
const quarter = 0.25

// size is how far an effect reaches.
func (e Effect) size() float64 { return max(math.Abs(e.Less), math.Abs(e.More)) }

// vary plays n possessions as usual, and with each assumption of varied a quarter less and
// more, and returns the figures of each.
func (s *Simulator) vary(n int) (base []float64, less, more [][]float64) {
	play := func(a Assumed) []float64 {
		sim := *s
		sim.assumed = a
		out := make([]float64, len(figures))
		for i := range n {
			p := sim.Play(uint64(i))
			for k := range figures {
				out[k] += figures[k].of(&p) / float64(n)
			}
		}
		return out
	}
	for _, v := range varied {
		low, high := s.assumed, s.assumed
		*v.of(&low) *= 1 - quarter
		*v.of(&high) *= 1 + quarter
		less, more = append(less, play(low)), append(more, play(high))
	}
	return play(s.assumed), less, more
}
