package evidence

import (
	"cmp"
	"maps"
	"math"
	"runtime"
	"slices"
	"sync"
	"time"

	"evrik/core/reads"
)

// Count is a number of reps and how many of them were correct.
type Count struct {
	Correct int `json:"correct"`
	Reps    int `json:"reps"`
}

func (n Count) plus(o Count) Count  { return Count{n.Correct + o.Correct, n.Reps + o.Reps} }
func (n Count) minus(o Count) Count { return Count{n.Correct - o.Correct, n.Reps - o.Reps} }

func (n *Count) add(correct bool) {
	n.Reps++
	if correct {
		n.Correct++
	}
}

// Skill is one player's one read in one role.
type Skill struct {
	Player PlayerID
	Role   reads.Role
	Read   reads.Read
}

// question is a read of a role in one group, whoever is asked.
type question struct {
	role  reads.Role
	read  reads.Read
	group Group
}

// History is what the reps of a team come to: a belief about every skill. It grows
// period by period and does not depend on the order in which reps arrive within one. A
// History does not change once it is made.
type History struct {
	skills map[Skill]*memory
	team   map[question]Count
	double doubles
	// actions are those that reps were logged of, with the newest rep.
	actions map[ActionID]time.Time
	reps    map[reads.Role]int
	// weeks are the periods with reps, oldest first.
	weeks []weekCounts
}

// NoHistory is the history of a team without reps.
func NoHistory() *History {
	return &History{map[Skill]*memory{}, map[question]Count{}, doubles{}, map[ActionID]time.Time{},
		map[reads.Role]int{}, nil}
}

// memory is what is kept of a skill.
type memory struct {
	groups [2]groupMemory
	// at is when the newest practice was that the beliefs know.
	at time.Time
	// rungs are counts by rung number; guided reps of blocks with one cue are in none.
	rungs [9]Count
	// oneCue are guided reps of blocks in which one cue was shown.
	oneCue int
	// instead counts what was made where it was wrong.
	instead map[reads.Read]int
}

// groupMemory is what is kept of a skill in one group.
type groupMemory struct {
	belief belief
	Count
	last        time.Time
	right, left Count
	// newest are the counts of the newest practices, oldest first.
	newest []Count
	// verdict is that of the newest practice; firm is true when the practice before it
	// came to the same.
	verdict Verdict
	firm    bool
}

// newestPractices is how many practices' counts are kept apart.
const newestPractices = 8

// ExtendByPeriod returns the history with further reps, as they were observed and in any
// order. No rep is of a period that the history has closed. What the team did in a period is
// known to everybody who begins in it.
func (p Policy) ExtendByPeriod(h *History, seen []Rep, zone *time.Location) *History {
	reps := pointers(seen)
	slices.SortFunc(reps, func(a, b *Rep) int {
		return cmp.Or(a.At.Compare(b.At), cmp.Compare(a.No, b.No), cmp.Compare(a.ID, b.ID))
	})
	for len(reps) > 0 {
		from := PeriodOf(reps[0].At, zone)
		next := from.AddDate(0, 0, 7)
		n, _ := slices.BinarySearchFunc(reps, next, func(r *Rep, at time.Time) int { return r.At.Compare(at) })
		h = p.extend(h, reps[:n])
		h.close(from)
		reps = reps[n:]
	}
	return h
}

// extend adds the reps of one period, oldest first.
func (p Policy) extend(h *History, seen []*Rep) *History {
	out := &History{maps.Clone(h.skills), maps.Clone(h.team), h.double, maps.Clone(h.actions), maps.Clone(h.reps),
		h.weeks}
	reps, double := oncePerRep(seen)
	out.double.reps += double.reps
	out.double.differ += double.differ
	byPractice := out.countByPractice(reps)
	todo := make([]Skill, 0, len(byPractice))
	for skill, list := range byPractice {
		todo = append(todo, skill)
		for _, s := range list {
			for _, g := range Groups() {
				q := question{skill.Role, skill.Read, g}
				out.team[q] = out.team[q].plus(s.groups[g.index()].Count)
			}
		}
	}
	updated := make([]*memory, len(todo))
	inParallel(len(todo), func(from, to int) {
		known := likelihoods{}
		for i := from; i < to; i++ {
			updated[i] = p.remember(out, todo[i], byPractice[todo[i]], known)
		}
	})
	for i, skill := range todo {
		out.skills[skill] = updated[i]
	}
	return out
}

// inParallel parts n pieces of work among the processors.
func inParallel(n int, work func(from, to int)) {
	parts := min(runtime.GOMAXPROCS(0), n)
	var wait sync.WaitGroup
	for k := range parts {
		wait.Go(func() { work(n*k/parts, n*(k+1)/parts) })
	}
	wait.Wait()
}

// remember is the memory of a skill after further practices.
func (p Policy) remember(h *History, skill Skill, list []*practiceCounts, known likelihoods) *memory {
	m := &memory{instead: map[reads.Read]int{}}
	if old := h.skills[skill]; old != nil {
		*m = *old
		m.instead = maps.Clone(old.instead)
	} else {
		for _, g := range Groups() {
			own := Count{}
			for _, s := range list {
				own = own.plus(s.groups[g.index()].Count)
			}
			others := h.team[question{skill.Role, skill.Read, g}].minus(own)
			m.groups[g.index()].belief = prior(p.priorMean(g, others), p.PriorReps)
			m.groups[g.index()].verdict = NotEnough
		}
	}
	seer := look{err: p.observerError(h.double)}
	var judged []*practiceCounts
	for _, s := range list {
		m.oneCue += s.oneCue
		if s.groups[0].Reps+s.groups[1].Reps > 0 {
			judged = append(judged, s)
		}
	}
	for i, s := range judged {
		p.addPractice(m, s, seer, known)
		if i >= len(judged)-2 { // whether the newest verdict is firm depends on the one before it
			p.conclude(m)
		}
	}
	return m
}

// addPractice brings a memory up to date with one practice.
func (p Policy) addPractice(m *memory, s *practiceCounts, seer look, known likelihoods) {
	days := daysBetween(m.at, s.at)
	for i := range m.groups {
		g, own, other := &m.groups[i], &s.groups[i], &s.groups[1-i]
		g.belief.pass(days)
		if own.Reps > 0 {
			g.belief.weigh(known.of(own.look(seer, p.RepWeight), own.Count))
		}
		if other.Reps > 0 {
			near := other.look(seer, p.RepWeight*min(p.NeighborWeight, p.NeighborMost/float64(other.Reps)))
			near.loss = int(math.Round(p.RungLoss * (gridPoints - 1)))
			if i == Live.index() {
				near.loss = -near.loss
			}
			g.belief.weigh(known.of(near, other.Count))
		}
		g.Count = g.Count.plus(own.Count)
		g.right, g.left = g.right.plus(own.right), g.left.plus(own.left)
		if own.Reps > 0 {
			g.last = own.last
			g.newest = append(slices.Clone(g.newest[max(0, len(g.newest)-newestPractices+1):]), own.Count)
		}
	}
	for i, n := range s.rungs {
		m.rungs[i] = m.rungs[i].plus(n)
	}
	for made, n := range s.instead {
		m.instead[made] += n
	}
	m.at = s.at
}

// conclude notes what the beliefs come to after a practice.
func (p Policy) conclude(m *memory) {
	for i := range m.groups {
		g := &m.groups[i]
		flat := g.belief.flat()
		verdict := p.verdict(flat.reaches(p.Target(Groups()[i])), g.Reps)
		g.firm, g.verdict = verdict == g.verdict, verdict
	}
}

// daysBetween rounds to whole days; the first time has none before it.
func daysBetween(from, to time.Time) int {
	if from.IsZero() || !to.After(from) {
		return 0
	}
	return int(math.Round(to.Sub(from).Hours() / 24))
}

// Actions lists the actions that reps were logged of, in the order of their ids.
func (h *History) Actions() []string {
	out := []string{}
	for id := range h.actions {
		if id != "" {
			out = append(out, string(id))
		}
	}
	slices.Sort(out)
	return out
}

// LastLogged is when an action was last logged; the zero time where it never was.
func (h *History) LastLogged(action ActionID) time.Time { return h.actions[action] }

// Reps counts the reps of some roles on rungs where players read; of every role where
// none is named.
func (h *History) Reps(roles ...reads.Role) int {
	n := 0
	for role, reps := range h.reps {
		if len(roles) == 0 || slices.Contains(roles, role) {
			n += reps
		}
	}
	return n
}

// A period begins on Mondays at this hour on the team's clocks: nobody practices then
// (assumption).
const periodHour = 4

// PeriodOf is when the period begins in which a moment lies. Periods are weeks.
func PeriodOf(at time.Time, zone *time.Location) time.Time {
	at = at.In(zone)
	sinceMonday := (int(at.Weekday()) + 6) % 7
	start := time.Date(at.Year(), at.Month(), at.Day()-sinceMonday, periodHour, 0, 0, 0, zone)
	if at.Before(start) {
		start = time.Date(at.Year(), at.Month(), at.Day()-sinceMonday-7, periodHour, 0, 0, 0, zone)
	}
	return start
}
