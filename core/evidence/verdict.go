package evidence

import (
	"fmt"
	"math"
	"sync"
	"time"
)

// Verdict answers "can this player execute this read?".
type Verdict string

// The verdicts.
const (
	HasIt     Verdict = "has"
	NotYet    Verdict = "not-yet"
	TooClose  Verdict = "too-close"
	NotEnough Verdict = "not-enough"
	Lapsed    Verdict = "lapsed"
)

// Name is the verdict in a coach's words.
func (v Verdict) Name() string {
	switch v {
	case HasIt:
		return "has it"
	case NotYet:
		return "not yet"
	case TooClose:
		return "too close to call"
	case Lapsed:
		return "had it"
	default:
		return "not enough reps"
	}
}

// verdict is what a chance of reaching the target comes to, without regard to what was
// before.
func (p Policy) verdict(chance float64, reps int) Verdict {
	if reps < p.MinReps {
		return NotEnough
	}
	if chance >= p.Sure {
		return HasIt
	}
	if chance <= 1-p.Sure {
		return NotYet
	}
	return TooClose
}

// Judgement is a verdict with its arithmetic.
type Judgement struct {
	Verdict Verdict `json:"verdict"`
	// Count is of all reps, Newest of those of the newest few practices.
	Count
	Newest Count     `json:"newest"`
	Last   time.Time `json:"last"` // the newest rep; zero without reps
	// Rate is the median of the belief, Interval the range that holds the rate with the
	// policy's probability, Target the rate asked for.
	Rate     float64  `json:"rate"`
	Interval Interval `json:"interval"`
	Target   float64  `json:"target"`
	// Chance is the probability that the rate reaches the target.
	Chance float64 `json:"chance"`
	// New is true when the newest practice alone has made the verdict so: a verdict that is
	// looked at again and again is wrong at some time more often than it says, so it is
	// firm after a second practice that agrees.
	New bool `json:"new"`
	// More is how many more reps it takes: to say anything where there are not enough, and
	// to cross the line it leans to where it is too close to call; MaxMore stands for that
	// many and more. 0 where the verdict is out.
	More int `json:"more"`
	// InARow is how many correct reps in a row would make it HasIt, at most MaxMore; 0 where it is.
	InARow int `json:"inARow"`
	// Short says it in a few words, Sentence in one line.
	Short    string `json:"short"`
	Sentence string `json:"sentence"`
	belief   rates
}

// LeansUp reports whether it is likelier than not that the rate reaches the target.
func (j *Judgement) LeansUp() bool { return j.Chance >= 0.5 }

// judge gives the verdict on a skill in one group as of now.
func (p Policy) judge(m *memory, g Group, now time.Time) Judgement {
	of := &m.groups[g.index()]
	later := of.belief.after(daysBetween(m.at, now))
	j := Judgement{Count: of.Count, Last: of.last, Target: p.Target(g), belief: later.flat()}
	j.Chance = j.belief.reaches(j.Target)
	j.Verdict = p.verdict(j.Chance, of.Reps)
	switch {
	case j.Verdict == of.verdict:
		j.New = !of.firm && (j.Verdict == HasIt || j.Verdict == NotYet)
	case of.verdict == HasIt && of.firm:
		j.Verdict = Lapsed
	case j.Verdict == HasIt || j.Verdict == NotYet: // time alone decides nothing
		j.Verdict = TooClose
	}
	for i := len(of.newest) - 1; i >= 0 && j.Newest.Reps < newestReps; i-- {
		j.Newest = j.Newest.plus(of.newest[i])
	}
	tail := (1 - p.Level) / 2
	j.Rate, j.Interval = j.belief.quantile(0.5), Interval{j.belief.quantile(tail), j.belief.quantile(1 - tail)}
	return j
}

// newestReps is from how many reps on no older practice is added to Judgement.Newest
// (assumption).
const newestReps = 10

// explain adds what costs more than the verdict: how many more reps it takes, and the line.
func (p Policy) explain(j, guided *Judgement, m *memory, g Group, now time.Time) {
	if j.Verdict != HasIt {
		j.InARow = p.inARow(j)
	}
	switch j.Verdict {
	case NotEnough:
		j.More = p.MinReps - j.Reps
	case TooClose:
		j.More = p.repsToDecide(j)
	}
	oneCue := 0
	if g == Guided {
		oneCue = m.oneCue
	}
	j.Short, j.Sentence = p.short(j, now), p.sentence(j, counts(j, guided, g), oneCue, now)
}

// short is what fits into the cell of a board.
func (p Policy) short(j *Judgement, now time.Time) string {
	count := fmt.Sprintf("%d of %d", j.Correct, j.Reps)
	switch j.Verdict {
	case Lapsed:
		return "had it, " + ago(j.Last, now)
	case TooClose:
		if j.LeansUp() {
			return count + ", leans to has it"
		}
		return count + ", leans to not yet"
	case NotEnough:
		if j.Reps == 0 {
			return "no reps yet"
		}
		return fmt.Sprintf("%s, %d more", count, j.More)
	}
	return j.Verdict.Name() + ", " + count
}

// contradicts is how far the rate of all reps must be from what the verdict says before
// the newest ones are told too (assumption).
const contradicts = 0.05

// counts names the reps behind a verdict and, where some of them speak against the others, these too: the newest ones
// when the verdict goes by them, the guided ones when they hold back what looks like enough live.
func counts(j, guided *Judgement, g Group) string {
	count := fmt.Sprintf("%d of %d", j.Correct, j.Reps)
	switch share := float64(j.Correct) / float64(j.Reps); {
	case j.Newest.Reps < j.Reps && (j.Verdict == HasIt && share < j.Target-contradicts ||
		j.Verdict == NotYet && share > j.Target-contradicts):
		return fmt.Sprintf("%s, of the last %d %d", count, j.Newest.Reps, j.Newest.Correct)
	case g == Live && heldBack(guided, j):
		return fmt.Sprintf("%s live, %d of %d guided", count, guided.Correct, guided.Reps)
	}
	return count
}

// heldBack reports whether live reps that look like enough are held back by guided ones.
func heldBack(guided, live *Judgement) bool {
	return live.Verdict == TooClose && guided.Verdict == NotYet && live.Reps > 0 &&
		float64(live.Correct) >= live.Target*float64(live.Reps)
}

func (p Policy) sentence(j *Judgement, count string, oneCue int, now time.Time) string {
	switch j.Verdict {
	case HasIt:
		return fmt.Sprintf("Has it: %s, last seen %s.", count, ago(j.Last, now))
	case NotYet:
		return fmt.Sprintf("Not yet: %s, the target is %.0f in 10. Last seen %s.", count, j.Target*10, ago(j.Last, now))
	case Lapsed:
		return fmt.Sprintf("Had it, last seen %s: %s.", ago(j.Last, now), count)
	case TooClose:
		more := fmt.Sprintf("about %d more", j.More)
		if j.More >= p.MaxMore {
			more = fmt.Sprintf("%d or more to go", p.MaxMore)
		}
		lean := "not yet"
		if j.LeansUp() {
			lean = "has it"
		}
		return fmt.Sprintf("Too close to call: %s, leans to %s, %s.", count, lean, more)
	}
	text := "Not enough reps: none yet"
	if j.Reps > 0 {
		text = fmt.Sprintf("Not enough reps: %s, %d more to say", count, j.More)
	}
	if oneCue > 0 {
		return fmt.Sprintf("%s. %d with only one cue shown are technique.", text, oneCue)
	}
	return text + "."
}

// ago says how long ago something was, in days.
func ago(then, now time.Time) string {
	switch days := int(math.Max(0, now.Sub(then).Hours()/24)); days {
	case 0:
		return "today"
	case 1:
		return "yesterday"
	default:
		return fmt.Sprintf("%d days ago", days)
	}
}

// inARow is how many correct reps in a row would make it HasIt, from 1 to MaxMore.
func (p Policy) inARow(j *Judgement) int {
	b, correct := j.belief, p.oneMore(true)
	for k := 1; k < p.MaxMore; k++ {
		b.times(correct)
		if j.Reps+k >= p.MinReps && b.reaches(j.Target) >= p.Sure {
			return k
		}
	}
	return p.MaxMore
}

// oneMore is the likelihood of one more rep for every rate, as a usual observer logs it.
func (p Policy) oneMore(correct bool) *rates {
	key := oneRep{p.ObserverError, p.RepWeight, correct}
	if known, ok := oneReps.Load(key); ok {
		return known.(*rates)
	}
	out := new(rates)
	seer := look{err: p.ObserverError}
	for i := range out {
		q := seer.seen(rateAt(i))
		if !correct {
			q = 1 - q
		}
		out[i] = math.Pow(q, p.RepWeight)
	}
	oneReps.Store(key, out)
	return out
}

// oneRep is what the likelihood of one more rep depends on; oneReps remembers them.
type oneRep struct {
	err, weight float64
	correct     bool
}

var oneReps sync.Map

// times multiplies by a likelihood and makes the sum 1 again.
func (r *rates) times(likelihood *rates) {
	total := 0.0
	for i, l := range likelihood {
		r[i] *= l
		total += r[i]
	}
	for i := range r {
		r[i] /= total
	}
}

// repsToDecide is the median number of further reps, 1 to MaxMore, after which a belief
// crosses the line it leans to, if what it leans to is true. Every course of correct and
// wrong reps is followed, with the chance the belief itself gives it.
func (p Policy) repsToDecide(j *Judgement) int {
	up := j.LeansUp()
	right, wrong := p.oneMore(true), p.oneMore(false)
	seer := look{err: p.ObserverError}
	// paths[c] is what the belief is after c correct reps of k, and how likely it is that
	// the line was not crossed on the way there, for every rate that is on the side it leans to.
	type path struct {
		belief rates // not normalized
		alive  rates
	}
	start := path{belief: j.belief, alive: j.belief}
	edge, total := j.Target*(gridPoints-1), 0.0
	for i := range start.alive {
		above := min(max(float64(i)-edge+0.5, 0), 1)
		if !up {
			above = 1 - above
		}
		start.alive[i] *= above
		total += start.alive[i]
	}
	paths := []path{start}
	for k := 1; k < p.MaxMore; k++ {
		next := make([]path, k+1)
		left := 0.0
		for c := range next {
			to := &next[c]
			for i := range to.belief {
				q := seer.seen(rateAt(i))
				if c < k {
					to.belief[i] = paths[c].belief[i] * wrong[i]
					to.alive[i] += paths[c].alive[i] * (1 - q)
				}
				if c > 0 {
					to.belief[i] = paths[c-1].belief[i] * right[i]
					to.alive[i] += paths[c-1].alive[i] * q
				}
			}
			b := to.belief
			b.times(&ones)
			chance := b.reaches(j.Target)
			if up && chance >= p.Sure || !up && chance <= 1-p.Sure {
				to.alive = rates{}
			}
			for _, v := range to.alive {
				left += v
			}
		}
		if left <= total/2 {
			return k
		}
		paths = next
	}
	return p.MaxMore
}

// ones leaves a belief as it is.
var ones = func() (out rates) {
	for i := range out {
		out[i] = 1
	}
	return out
}()
