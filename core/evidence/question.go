package evidence

import (
	"math"
	"time"

	"evrik/core/drill"
	"evrik/core/reads"
)

// Question is what practice should settle next about a player: can he do a read
// when it is shown to him, or against real defenders?
type Question struct {
	Player string     `json:"player"`
	Role   reads.Role `json:"role"`
	Read   reads.Read `json:"read"`
	// Live is true when the question is about live rungs, false for the shown one.
	Live bool `json:"live"`
	// Reps that would settle it or, where he does not have it, turn it.
	Reps    float64 `json:"reps"`
	Verdict Verdict `json:"verdict"`
}

// Questions lists what is open about the players of a board: for each read the
// shown rung until it is held there or higher, and the live rungs until it is
// held on one of them.
func (p Policy) Questions(role reads.Role, lines []Line) []Question {
	unknown := map[bool]Judgement{
		false: {Verdict: TooFew, Settle: p.RepsToSettle(0, 0, p.Target(drill.Shown))},
		true:  {Verdict: TooFew, Settle: p.RepsToSettle(0, 0, p.Target(drill.Live2))},
	}
	var out []Question
	for _, l := range lines {
		for _, c := range l.Cells {
			open := map[bool]Judgement{false: unknown[false], true: unknown[true]}
			held := map[bool]bool{}
			for _, on := range c.Rungs {
				info, _ := drill.RungByID(on.Rung)
				j, seen := on.All, open[info.Live].Tally.Reps > 0
				held[info.Live] = held[info.Live] || j.Verdict == HasIt
				if !seen || j.Need() < open[info.Live].Need() {
					open[info.Live] = j
				}
			}
			for _, live := range []bool{false, true} {
				if held[live] || held[true] {
					continue
				}
				if k := open[live].Need(); k > 0 {
					out = append(out, Question{l.Player, role, reads.Read(c.Read), live, float64(k), open[live].Verdict})
				}
			}
		}
	}
	return out
}

// Fresh is how long a read that has just been settled keeps: until its reps,
// losing weight with age, are too few to count as held.
func (p Policy) Fresh() time.Duration {
	return time.Duration(float64(p.HalfLife) * math.Log2(p.MinReps/p.StaleReps))
}
