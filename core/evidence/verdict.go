package evidence

import (
	"fmt"
	"math"
	"time"

	"evrik/core/drill"
)

// Verdict answers "can this player execute this read?".
type Verdict string

// The verdicts.
const (
	HasIt  Verdict = "has"
	NotYet Verdict = "not-yet"
	TooFew Verdict = "too-few"
	Stale  Verdict = "stale"
)

// Name is the verdict in a coach's words.
func (v Verdict) Name() string {
	switch v {
	case HasIt:
		return "has it"
	case NotYet:
		return "not yet"
	case Stale:
		return "stale"
	default:
		return "too few to say"
	}
}

// Policy is what a team counts as enough. All values are assumptions that a
// team may change.
type Policy struct {
	// HalfLife is the age at which a rep counts half.
	HalfLife time.Duration
	// Level is the probability the interval holds.
	Level float64
	// LiveTarget and ShownTarget are the rates asked for on live rungs and on
	// the shown rung.
	LiveTarget, ShownTarget float64
	// Sure is the probability needed to say "has it"; 1-Sure to say "not yet".
	Sure float64
	// MinReps is the weighted number of reps below which nothing is said.
	MinReps float64
	// StaleReps is the weighted number of reps below which a held read is stale.
	StaleReps float64
	// SideReps is how many reps each side needs before the sides are compared.
	SideReps int
	// MaxSettle caps RepsToSettle.
	MaxSettle int
}

// DefaultPolicy returns the product's assumptions.
func DefaultPolicy() Policy {
	return Policy{
		HalfLife: 28 * 24 * time.Hour, Level: 0.80, LiveTarget: 0.70, ShownTarget: 0.80,
		Sure: 0.85, MinReps: 6, StaleReps: 4, SideReps: 4, MaxSettle: 30,
	}
}

// Target is the rate asked for on a rung.
func (p Policy) Target(rung drill.Rung) float64 {
	if rung == drill.Shown {
		return p.ShownTarget
	}
	return p.LiveTarget
}

// Weight is what a rep of this age counts.
func (p Policy) Weight(age time.Duration) float64 {
	if age <= 0 {
		return 1
	}
	return math.Exp2(-float64(age) / float64(p.HalfLife))
}

// Count is a number of reps.
type Count struct {
	Right int `json:"right"` // raw counts
	Reps  int `json:"reps"`
	// WeightedRight and Weighted count newer reps more.
	WeightedRight float64 `json:"weightedRight"`
	Weighted      float64 `json:"weighted"`
}

// Tally is the evidence on one question: one player, role and read on one rung.
type Tally struct {
	Count
	// Last is when the newest rep was made.
	Last time.Time `json:"last"`
	// Before is what there was before the practice or game of the newest rep.
	Before Count `json:"before"`
}

// Judgement is a verdict with its arithmetic.
type Judgement struct {
	Verdict Verdict `json:"verdict"`
	Tally   Tally   `json:"tally"`
	// Rate is the expected rate, Interval the range that holds it with the
	// policy's probability, Target the rate asked for.
	Rate     float64  `json:"rate"`
	Interval Interval `json:"interval"`
	Target   float64  `json:"target"`
	// Chance is the probability that the rate reaches the target.
	Chance float64 `json:"chance"`
	// RightInARow is how many right reps in a row would give "has it"; 0 when
	// that is the verdict already.
	RightInARow int `json:"rightInARow"`
	// Settle is how many reps at the present rate would settle the question.
	Settle int `json:"settle"`
	// New is true when the last practice alone has made it so: a verdict that is
	// looked at again and again is wrong at some time more often than it says, so it
	// is firm when it held before that practice too.
	New bool `json:"new"`
	// Sentence says it in words.
	Sentence string `json:"sentence"`
}

// Tallied adds up reps as seen at a moment. Reps after it are left out.
func (p Policy) Tallied(reps []Rep, at time.Time) Tally {
	var t Tally
	practice := ""
	for _, r := range reps {
		if !r.At.After(at) && !r.At.Before(t.Last) {
			t.Last, practice = r.At, r.Practice
		}
	}
	for _, r := range reps {
		if r.At.After(at) {
			continue
		}
		w := p.Weight(at.Sub(r.At))
		t.Count.add(r.Right, w)
		if r.Practice != practice {
			t.Before.add(r.Right, w)
		}
	}
	return t
}

func (c *Count) add(right bool, weight float64) {
	c.Reps++
	c.Weighted += weight
	if right {
		c.Right++
		c.WeightedRight += weight
	}
}

// Judge gives the verdict on reps of one player, role, read and rung at a moment.
func (p Policy) Judge(rung drill.Rung, reps []Rep, now time.Time) Judgement {
	return p.judge(rung, p.Tallied(reps, now), now)
}

// judge gives the verdict on a tally as of now.
func (p Policy) judge(rung drill.Rung, t Tally, now time.Time) Judgement {
	return p.tell(p.decide(rung, t, now), now)
}

// decide is a judgement without what it takes to settle it and to tell it, which cost
// more than the verdict.
func (p Policy) decide(rung drill.Rung, t Tally, now time.Time) Judgement {
	target := p.Target(rung)
	j := Judgement{Tally: t, Target: target}
	j.Rate, j.Chance = newPosterior(t.WeightedRight, t.Weighted).mean(), even(t.WeightedRight, t.Weighted).above(target)
	j.Verdict = p.verdict(j.Chance, t.Weighted)
	if j.Verdict == TooFew && t.Weighted < p.StaleReps && t.Reps > 0 {
		// Did he have it when he last did it?
		then := 1 / p.Weight(now.Sub(t.Last))
		if p.settled(t.WeightedRight*then, t.Weighted*then, target) == HasIt {
			j.Verdict = Stale
		}
	}
	if j.Verdict == HasIt || j.Verdict == NotYet {
		// As it was judged when the practice before was over.
		j.New = p.settled(t.Before.WeightedRight, t.Before.Weighted, target) != j.Verdict
	}
	return j
}

// tell adds to a decided judgement its range, what would settle it, and the sentence.
func (p Policy) tell(j Judgement, now time.Time) Judgement {
	s, n := j.Tally.WeightedRight, j.Tally.Weighted
	j.Interval = Jeffreys(s, n, p.Level)
	if j.Verdict != HasIt {
		j.RightInARow = p.rightInARow(s, n, j.Target)
	}
	j.Settle = p.RepsToSettle(s, n, j.Target)
	j.Sentence = j.sentence(now)
	return j
}

// settled is the verdict without regard to staleness.
func (p Policy) settled(s, n, target float64) Verdict {
	if n < p.MinReps {
		return TooFew
	}
	return p.verdict(even(s, n).above(target), n)
}

func (p Policy) verdict(chance, n float64) Verdict {
	switch {
	case n < p.MinReps:
		return TooFew
	case chance >= p.Sure:
		return HasIt
	case chance <= 1-p.Sure:
		return NotYet
	}
	return TooFew
}

func (p Policy) rightInARow(s, n, target float64) int {
	for k := 1; k < p.MaxSettle; k++ {
		if p.settled(s+float64(k), n+float64(k), target) == HasIt {
			return k
		}
	}
	return p.MaxSettle
}

// RepsToSettle is the smallest number of further reps at the present rate that
// brings the verdict to "has it" or "not yet"; 0 when it is there, at most
// MaxSettle.
func (p Policy) RepsToSettle(s, n, target float64) int {
	rate := newPosterior(s, n).mean()
	for k := range p.MaxSettle {
		if p.settled(s+rate*float64(k), n+float64(k), target) != TooFew {
			return k
		}
	}
	return p.MaxSettle
}

func (j Judgement) sentence(now time.Time) string {
	days := int(now.Sub(j.Tally.Last).Hours() / 24)
	count := fmt.Sprintf("%d of %d right", j.Tally.Right, j.Tally.Reps)
	switch j.Verdict {
	case HasIt:
		return fmt.Sprintf("Has it: %s, newest counting most.", count)
	case NotYet:
		return fmt.Sprintf("Not yet: %s against a target of %.0f in 10.", count, j.Target*10)
	case Stale:
		return fmt.Sprintf("Stale: had it, but the last rep was %d days ago.", days)
	}
	if j.Tally.Reps == 0 {
		return fmt.Sprintf("Too few to say: no reps yet. About %d would settle it.", j.Settle)
	}
	return fmt.Sprintf("Too few to say: %s. %s in a row would settle it.", count, rightOnes(j.RightInARow))
}

func rightOnes(k int) string {
	if k == 1 {
		return "One more right rep"
	}
	return fmt.Sprintf("%d right reps", k)
}

// Standing is a player's answer on one read: rung by rung, and the highest held.
type Standing struct {
	Player string `json:"player"`
	Read   string `json:"read"`
	// Held is the number of the highest rung on which he has it, 0 for none.
	Held int `json:"held"`
	// Rung is the rung the cell speaks of: the highest one held, or else the highest one
	// gone stale, or else the highest one not held yet, or else the one with most
	// weighted reps; empty without reps.
	Rung      drill.Rung `json:"rung"`
	Judgement Judgement  `json:"judgement"`
	// Rungs holds every rung with reps, lowest first.
	Rungs []OnRung `json:"rungs"`
	// Gap is a sentence when left and right differ by more than chance, Does when it is
	// known (shown) but not done (live in practice), Game when it is done in practice
	// but not in games, or the other way round.
	Gap  string `json:"gap"`
	Does string `json:"does"`
	Game string `json:"game"`
	// Confused is the read made most often in place of the right one, or empty.
	Confused string `json:"confused"`
}

// speaksFor reports whether a judgement on a higher rung tells more than one on a lower.
func (j Judgement) speaksFor(lower Judgement) bool {
	rank := map[Verdict]int{HasIt: 3, Stale: 2, NotYet: 1, TooFew: 0}
	if a, b := rank[j.Verdict], rank[lower.Verdict]; a != b || a > 0 {
		return a >= b
	}
	return j.Tally.Weighted >= lower.Tally.Weighted
}

// OnRung is the judgement on one rung, with both sides.
type OnRung struct {
	Rung  drill.Rung `json:"rung"`
	All   Judgement  `json:"all"`
	Right Tally      `json:"right"`
	Left  Tally      `json:"left"`
}

func (c Count) rate() float64 { return newPosterior(c.WeightedRight, c.Weighted).mean() }

// apart reports whether two rates differ by more than their ranges allow, on reps
// enough of both.
func (p Policy) apart(a, b Tally) bool {
	if min(a.Reps, b.Reps) < p.SideReps {
		return false
	}
	if a.rate() < b.rate() {
		a, b = b, a
	}
	// The lower end of the better one is above the upper end of the other.
	tail := (1 - p.Level) / 2
	high := newPosterior(b.WeightedRight, b.Weighted).quantile(1 - tail)
	return 1-newPosterior(a.WeightedRight, a.Weighted).above(high) < tail
}

// gaps says where a player knows a read and does not do it, and where practice and
// games differ.
func (p Policy) gaps(byRung map[drill.Rung][]Sum, now time.Time) (does, game string) {
	var live []Sum
	for _, info := range drill.Ladder() {
		if info.Live && info.ID != drill.Game {
			live = append(live, byRung[info.ID]...)
		}
	}
	shown, done, played := p.tally(byRung[drill.Shown], now), p.tally(live, now), p.tally(byRung[drill.Game], now)
	if p.apart(shown, done) && shown.rate() > done.rate() {
		does = fmt.Sprintf("Knows it, does not do it yet: %d of %d when shown, %d of %d live.", shown.Right, shown.Reps, done.Right, done.Reps)
	}
	if p.apart(done, played) {
		game = fmt.Sprintf("Practice and games differ: %d of %d live in practice, %d of %d in games.", done.Right, done.Reps, played.Right, played.Reps)
	}
	return does, game
}

// Stand sums up the reps of one player on one read in one role. Technique
// rungs are left out: on them nobody reads.
func (p Policy) Stand(player, read string, reps []Rep, now time.Time) Standing {
	l := p.Ledger(reps, now)
	return p.stand(player, read, l.Sums, l.Mistakes, now, true)
}

// stand leaves the single rungs out where they are not asked for.
func (p Policy) stand(player, read string, sums []Sum, mistakes []Mistake, now time.Time, rungs bool) Standing {
	st := Standing{Player: player, Read: read, Rungs: []OnRung{}}
	byRung := map[drill.Rung][]Sum{}
	wrong := map[string]int{}
	for _, s := range sums {
		byRung[s.Rung] = append(byRung[s.Rung], s)
	}
	for _, m := range mistakes {
		wrong[string(m.Made)] += m.Reps
	}
	for _, info := range drill.Ladder() {
		rs := byRung[info.ID]
		if len(rs) == 0 {
			continue
		}
		sided := func(side string) Tally { return p.tally(Filter{Side: side}.sums(rs), now) }
		on := OnRung{info.ID, p.decide(info.ID, p.tally(rs, now), now), sided(drill.Right), sided(drill.Left)}
		if rungs {
			on.All = p.tell(on.All, now)
			st.Rungs = append(st.Rungs, on)
		}
		if st.Rung == "" || on.All.speaksFor(st.Judgement) {
			st.Rung, st.Judgement = info.ID, on.All
		}
		if on.All.Verdict == HasIt {
			st.Held = info.Number
		}
		if strong, weak, name := on.Right, on.Left, "right"; p.apart(strong, weak) {
			if weak.rate() > strong.rate() {
				strong, weak, name = weak, strong, "left"
			}
			st.Gap = fmt.Sprintf("Better on the %s: %d of %d there, %d of %d on the other side.", name, strong.Right, strong.Reps, weak.Right, weak.Reps)
		}
	}
	st.Does, st.Game = p.gaps(byRung, now)
	if st.Rung == "" {
		st.Judgement = p.decide(drill.Live2, Tally{}, now)
	}
	st.Judgement = p.tell(st.Judgement, now)
	most := 0
	for made, k := range wrong {
		if k > most || (k == most && made < st.Confused) {
			st.Confused, most = made, k
		}
	}
	return st
}

// Advice is what the group should do with a rung.
type Advice string

// Group advice.
const (
	GoUp   Advice = "up"
	Stay   Advice = "stay"
	GoDown Advice = "down"
)

// Shares behind the advice (common practice, no source): two thirds hold it to
// go up; less than half right over the last ten reps to go down.
const (
	upShare    = 2.0 / 3
	downShare  = 0.5
	downWindow = 10
)

// GroupAdvice says whether a group should change rung: held is how many of the
// present players have it, last the newest answers of the block, oldest first.
func GroupAdvice(held, present int, last []bool) Advice {
	if n := len(last); n >= downWindow {
		right := 0
		for _, ok := range last[n-downWindow:] {
			if ok {
				right++
			}
		}
		if float64(right) < downShare*downWindow {
			return GoDown
		}
	}
	if present > 0 && float64(held) >= upShare*float64(present)-1e-9 {
		return GoUp
	}
	return Stay
}
