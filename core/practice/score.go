package practice

import (
	"cmp"
	"fmt"
	"slices"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// The score of a live block: what a coach counts in one tap, and who wins by it.

// Tally is what can be counted in a live block.
type Tally string

// What can be counted (common practice, no source). The first three end a possession.
const (
	Scored   Tally = "scored"
	Stopped  Tally = "stopped"
	LostBall Tally = "lost"
	Touch    Tally = "touch"
	Assist   Tally = "assist"
	Rebound  Tally = "rebound"
	Called   Tally = "called"
)

// tallies are all of them with their names, in the order of the buttons.
var tallies = []TallyInfo{
	{Scored, "Scored", true}, {Stopped, "Stopped", true}, {LostBall, "Lost ball", true},
	{Assist, "Assist", false}, {Touch, "Touch", false}, {Rebound, "Screener's rebound", false},
	{Called, "Screen called", false},
}

// TallyInfo names something that can be counted; Ends is true where it ends a possession.
type TallyInfo struct {
	ID   Tally  `json:"id"`
	Name string `json:"name"`
	Ends bool   `json:"ends"`
}

// Tallies lists what can be counted, in the order of the buttons.
func Tallies() []TallyInfo { return slices.Clone(tallies) }

// KnownTally reports whether something of that name can be counted.
func KnownTally(what Tally) bool {
	return slices.ContainsFunc(tallies, func(t TallyInfo) bool { return t.ID == what })
}

// Counted is one tap: by 1, or -1 to take one off.
type Counted struct {
	Rep  int
	What Tally
	By   int
}

// CorrectRead is a correct read of a player in a rep, for blocks in which one is a point.
type CorrectRead struct {
	Rep    int
	Player string
}

// CorrectReads are the correct reads of a block, each rep and player once.
func CorrectReads(reps []evidence.Rep, block string) []CorrectRead {
	var out []CorrectRead
	for _, r := range evidence.OnePerRep(reps) {
		if read := (CorrectRead{r.No, string(r.Player)}); string(r.Block) == block && r.Correct &&
			r.Role != reads.Shooter && r.Role != reads.Defender && !slices.Contains(out, read) {
			out = append(out, read)
		}
	}
	return out
}

// Won is how one player stands in a block.
type Won struct {
	Player string `json:"player"`
	// Points are possessions won on either side, and correct reads where they count.
	Points int `json:"points"`
	// Of is how many decided possessions the player was in.
	Of int `json:"of"`
}

// Score is how a live block stands.
type Score struct {
	// Counts are the sums of what was counted, by its id.
	Counts map[Tally]int `json:"counts"`
	// Players are those who were in a decided possession, most points first.
	Players []Won `json:"players"`
	// Target is how many points win, 0 for none; Reached are who have them.
	Target  int      `json:"target"`
	Reached []string `json:"reached"`
	// Says is the score in a sentence.
	Says string `json:"says"`
}

// ScoreOf adds up a live block. Whoever had the ball wins a possession that was scored, the
// defenders one that was stopped or lost. Counts for reps that are not in the order list
// (it begins anew past its end) go on with the list from its start.
func ScoreOf(order drill.Order, stage drill.Stage, counts []Counted, correct []CorrectRead) Score {
	out := Score{Counts: map[Tally]int{}, Players: []Won{}, Target: stage.Target, Reached: []string{}}
	players := map[string]*Won{}
	of := func(id string) *Won {
		if players[id] == nil {
			players[id] = &Won{Player: id}
		}
		return players[id]
	}
	for rep, sums := range byRep(counts) {
		for what, n := range sums {
			out.Counts[what] += n
		}
		who, ok := repOf(order, rep)
		if !ok {
			continue
		}
		offense, defense := sidesOf(who)
		won, lost := sums[Scored], sums[Stopped]+sums[LostBall]
		for _, id := range offense {
			of(id).add(won, won+lost)
		}
		for _, id := range defense {
			of(id).add(lost, won+lost)
		}
	}
	if slices.Contains(stage.Switches, drill.ReadPoint) {
		for _, r := range correct {
			of(r.Player).Points++
		}
	}
	for _, w := range players {
		if w.Of > 0 || w.Points > 0 {
			out.Players = append(out.Players, *w)
		}
	}
	slices.SortFunc(out.Players, func(a, b Won) int {
		return cmp.Or(cmp.Compare(b.Points, a.Points), cmp.Compare(a.Of, b.Of), cmp.Compare(a.Player, b.Player))
	})
	for _, w := range out.Players {
		if out.Target > 0 && w.Points >= out.Target {
			out.Reached = append(out.Reached, w.Player)
		}
	}
	out.Says = out.sentence()
	return out
}

func (w *Won) add(points, of int) {
	w.Points += points
	w.Of += of
}

// byRep sums counts up rep by rep; what was taken off more often than counted is 0.
func byRep(counts []Counted) map[int]map[Tally]int {
	out := map[int]map[Tally]int{}
	for _, c := range counts {
		if out[c.Rep] == nil {
			out[c.Rep] = map[Tally]int{}
		}
		out[c.Rep][c.What] += c.By
	}
	for _, sums := range out {
		for what, n := range sums {
			sums[what] = max(0, n)
		}
	}
	return out
}

// repOf is a rep by its number, which goes on counting past the end of the list.
func repOf(order drill.Order, no int) (drill.Rep, bool) {
	if len(order.Reps) == 0 || no < 1 {
		return drill.Rep{}, false
	}
	return order.Reps[(no-1)%len(order.Reps)], true
}

// sidesOf lists who had the ball in a rep and who defended.
func sidesOf(r drill.Rep) (offense, defense []string) {
	offense, defense = []string{r.Cutter, r.Screener}, []string{r.XCutter, r.XScreener}
	for _, o := range r.Others {
		offense = append(offense, o.Player)
	}
	for _, o := range r.XOthers {
		defense = append(defense, o.Player)
	}
	nobody := func(id string) bool { return id == "" }
	return slices.DeleteFunc(offense, nobody), slices.DeleteFunc(defense, nobody)
}

// sentence says the score.
func (s *Score) sentence() string {
	played := s.Counts[Scored] + s.Counts[Stopped] + s.Counts[LostBall]
	if played == 0 {
		return "No possession is counted yet."
	}
	return fmt.Sprintf("%d of %d possessions scored, %d lost.", s.Counts[Scored], played, s.Counts[LostBall])
}
