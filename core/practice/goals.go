package practice

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// Goal is a read that a practice is for, and who should move forward with it.
type Goal struct {
	Role reads.Role `json:"role"`
	Read reads.Read `json:"read"`
	// Players are who should move, by id.
	Players []string `json:"players"`
	// Why says in a sentence why it is a goal.
	Why string `json:"why"`
	// Chosen is true where the coach named it.
	Chosen bool `json:"chosen"`
}

// Need is what a player needs of a read.
type Need struct {
	Player string
	Role   reads.Role
	Read   reads.Read
	// Live is true where the player works on it against real defenders, Down where reps of a
	// lower rung count in full.
	Live, Down bool
	// Learn[n] is what n reps are worth for learning, Settle[n] for the chance that the verdict
	// becomes has it; both begin with 0 for none, and more reps than the last add nothing.
	Learn, Settle []float64
	// Goal is true where the read is a goal of the practice.
	Goal    bool
	Verdict evidence.Verdict
}

func (d dose) plus(o dose) dose { return dose{d.reps + o.reps, d.learn + o.learn, d.settle + o.settle} }

// dose is what reps on a rung are for a need.
func (n *Need) dose(reps float64, live bool) dose {
	d := dose{reps, reps, reps}
	if live {
		d.learn *= liveLearns
	}
	if live != n.Live && !(n.Live && n.Down) {
		d.settle *= otherRung
	}
	return d
}

// worth is what a dose is worth to the player.
func (n *Need) worth(d dose) float64 { return between(n.Learn, d.learn) + between(n.Settle, d.settle) }

// Figures of goals (assumptions).
const (
	// otherRung is what a rep of the other rung group counts for a verdict, liveLearns what a
	// live rep counts for learning.
	otherRung  = 0.5
	liveLearns = 1.5
	// learnRate is how far one judged rep takes a rate of the way to learnMost, and learnReps
	// how many reps of a read a practice can teach.
	learnRate = 0.01
	learnMost = 0.95
	learnReps = 12
	// leastWay is the least way to a target that counts.
	leastWay = 0.10
	// asideRead is the worth of a read that is no goal tonight, asidePart that of a part that is not the
	// player's own.
	asideRead = 0.5
	asidePart = 0.5
	// dueWeight is the weight of a read that the season sets for the day, expectWeight that of an answer
	// to what the opponent is expected to show most.
	dueWeight    = 2.0
	expectWeight = 1.5
	// keptWeight is the weight of a read that was a goal in the practice before: to finish is worth more
	// than to begin.
	keptWeight = 1.3
	// sameAction is the worth of a second goal of the same action, whose drills serve both.
	sameAction = 1.5
	// LeastGoals and MostGoals are how many reads a practice is for; an hour at one basket, or
	// half of it at two, is enough for one more.
	LeastGoals, MostGoals = 2, 4
	goalMinutes           = 60.0
	// typicalReps is what a practice gives of a goal, and movesReps from how many reps on a
	// player moves forward.
	typicalReps = 6
	movesReps   = 3
)

// Supply is how many judged reps planned practices give a player of a read.
type Supply map[SupplyKey]float64

// SupplyKey names a player's read.
type SupplyKey struct {
	Player string
	Role   reads.Role
	Read   reads.Read
}

// Aims is what goals are chosen from.
type Aims struct {
	// Outlooks are of the players and all reads that the team is taught.
	Outlooks []evidence.Outlook
	// Actions are those the team is taught, by id: its plans hold drills of no others. Empty
	// is all of them.
	Actions []string
	// Kept are the goals of the practice before: a goal stays until most have it.
	Kept []reads.Read
	// Due is what the season sets for the day.
	Due []SeasonItem
	// Opponent is how often the next game is expected to ask for a read (game.Demand).
	Opponent map[reads.Read]float64
	// Planned are the reps of practices that are planned before this one.
	Planned Supply
}

// readKey names a read in a role.
type readKey struct {
	role reads.Role
	read reads.Read
}

// Aim sets the goals of a plan and what its players need, from what the team is taught. The
// people, the library, the rules of the team and the terms are in the plan.
func (p *Plan) Aim(a Aims) {
	p.Due, p.actions, p.aimed = a.Due, a.Actions, map[readKey]bool{}
	p.Held, p.Goals, p.Needs = map[SupplyKey]bool{}, []Goal{}, nil
	people := map[string]Person{}
	for _, who := range p.People {
		people[who.ID] = who
	}
	weigh := p.weights(a)
	for i := range a.Outlooks {
		o := &a.Outlooks[i]
		p.Held[SupplyKey{string(o.Player), o.Role, o.Read}] = o.Held()
	}
	needs, sums, actions := map[int]Need{}, map[readKey]float64{}, p.actionsOf()
	for i := range a.Outlooks {
		o := &a.Outlooks[i]
		who, here := people[string(o.Player)]
		key := readKey{o.Role, o.Read}
		if !here || o.Done() || len(actions[key]) == 0 {
			continue
		}
		weight := 1.0
		if !who.plays(o.Role) {
			weight = asidePart
		}
		n := Need{Player: string(o.Player), Role: o.Role, Read: o.Read, Live: o.Group == evidence.Live, Down: o.Down,
			Verdict: o.Verdict()}
		n.Learn, n.Settle = worthOf(o, a.Planned[SupplyKey{n.Player, n.Role, n.Read}], weight)
		needs[i] = n
		sums[key] += n.worth(n.dose(typicalReps, n.Live)) * weigh(o.Read)
	}
	chosen := p.choose(sums, actions)
	for _, key := range chosen {
		p.aimed[key] = true
		p.Goals = append(p.Goals, p.goal(key, a, needs))
	}
	for i := range a.Outlooks {
		n, open := needs[i]
		if !open {
			continue
		}
		if n.Goal = p.aimed[readKey{n.Role, n.Read}]; !n.Goal {
			for k := range n.Learn {
				n.Learn[k] *= asideRead
				n.Settle[k] *= asideRead
			}
		}
		p.Needs = append(p.Needs, n)
	}
}

// weights is what a read is worth by the season and the next opponent.
func (p *Plan) weights(a Aims) func(reads.Read) float64 {
	answers := map[reads.Read]bool{}
	for _, s := range reads.Actions() {
		for _, r := range s.Rows(p.TeamRules) {
			if slices.Contains(p.Terms.Expect, r.Cue) {
				answers[r.CutterRead], answers[r.ScreenerRead] = true, true
			}
		}
	}
	most := 0.0
	for _, share := range a.Opponent {
		most = max(most, share)
	}
	return func(read reads.Read) float64 {
		w := 1.0
		if answers[read] {
			w *= expectWeight
		} else if most > 0 {
			w *= 1 + (expectWeight-1)*a.Opponent[read]/most
		}
		if slices.ContainsFunc(a.Due, func(i SeasonItem) bool { return slices.Contains(i.Reads, read) }) {
			w *= dueWeight
		}
		if slices.Contains(a.Kept, read) {
			w *= keptWeight
		}
		return w
	}
}

// actionsOf lists, of every read, the actions of which a drill that is wanted gives reps.
func (p *Plan) actionsOf() map[readKey][]string {
	out := map[readKey][]string{}
	for _, d := range p.Library.All() {
		action, ok := reads.ActionByID(d.Action)
		if !ok || slices.Contains(p.Terms.Banned, d.ID) || !p.taught(d) {
			continue
		}
		for _, st := range d.Stages {
			if rung, _ := drill.RungByID(st.Rung); !rung.Reads || !p.ofAge(d, st) || !p.runsTonight(d, st) {
				continue
			}
			for _, cue := range st.Cues {
				row, _ := action.Row(p.TeamRules, cue)
				for k, read := range []reads.Read{row.CutterRead, row.ScreenerRead} {
					if key := (readKey{action.Roles[k], read}); read != "" && !slices.Contains(out[key], action.ID) {
						out[key] = append(out[key], action.ID)
					}
				}
			}
		}
	}
	return out
}

// runsTonight reports whether the rules let a stage run: it was not in the newest practices,
// and where it is live the players hold its reads or a guided stage can come before it.
func (p *Plan) runsTonight(d *drill.Drill, st drill.Stage) bool {
	if p.tooOften(StageKey{d.ID, st.ID}) {
		return false
	}
	if !isLive(st) || !p.Rules().Ladder {
		return true
	}
	var all []string
	for _, who := range p.People {
		all = append(all, who.ID)
	}
	if here, unready := p.unready(d.Action, all); !tooNew(unready, here) {
		return true
	}
	for _, other := range p.Library.All() {
		if other.Action != d.Action || slices.Contains(p.Terms.Banned, other.ID) {
			continue
		}
		for _, st := range other.Stages {
			if st.Rung == drill.Guided && !p.tooOften(StageKey{other.ID, st.ID}) {
				return true
			}
		}
	}
	return false
}

// taught reports whether a drill's action is one the team is taught.
func (p *Plan) taught(d *drill.Drill) bool {
	return len(p.actions) == 0 || slices.Contains(p.actions, d.Action)
}

// choose picks the goals: what the coach named, then what is worth most, with reads of one
// action together. Where the coach named two or more, those are all.
func (p *Plan) choose(sums map[readKey]float64, actions map[readKey][]string) (out []readKey) {
	keys := make([]readKey, 0, len(sums))
	for k := range sums {
		keys = append(keys, k)
	}
	slices.SortFunc(keys, func(a, b readKey) int {
		return cmp.Or(cmp.Compare(sums[b], sums[a]), cmp.Compare(a.role, b.role), cmp.Compare(a.read, b.read))
	})
	for _, read := range p.Terms.Focus {
		if i := slices.IndexFunc(keys, func(k readKey) bool { return k.read == read }); i >= 0 && len(out) < MostGoals {
			out = append(out, keys[i])
			keys = slices.Delete(keys, i, i+1)
		}
	}
	if len(out) >= LeastGoals {
		return out
	}
	room := int(p.Minutes * float64(min(p.Terms.Baskets, splitBaskets)) / goalMinutes)
	for len(out) < min(MostGoals, max(LeastGoals, room)) && len(keys) > 0 {
		best, top := -1, 0.0
		for i, k := range keys {
			w := sums[k]
			if slices.ContainsFunc(out, func(o readKey) bool {
				return slices.ContainsFunc(actions[k], func(id string) bool { return slices.Contains(actions[o], id) })
			}) {
				w *= sameAction
			}
			if w > top {
				best, top = i, w
			}
		}
		// A goal for hardly anybody is none, where there are goals enough.
		if best < 0 || len(out) >= LeastGoals && sums[keys[best]] < 0.35*sums[out[0]] {
			break
		}
		out = append(out, keys[best])
		keys = slices.Delete(keys, best, best+1)
	}
	return out
}

// goal says who should move with a read, and why it is a goal.
func (p *Plan) goal(key readKey, a Aims, needs map[int]Need) Goal {
	g := Goal{Role: key.role, Read: key.read, Players: []string{}, Chosen: slices.Contains(p.Terms.Focus, key.read)}
	count := map[evidence.Verdict]int{}
	for i := range a.Outlooks {
		o := &a.Outlooks[i]
		if _, open := needs[i]; !open || o.Role != key.role || o.Read != key.read {
			continue
		}
		if who := slices.IndexFunc(p.People, func(who Person) bool { return who.ID == string(o.Player) }); who >= 0 &&
			p.People[who].plays(o.Role) {
			g.Players = append(g.Players, string(o.Player))
			count[o.Verdict()]++
		}
	}
	var parts []string
	for _, v := range []struct {
		verdict    evidence.Verdict
		one, other string
	}{{evidence.NotYet, "misses it", "miss it"}, {evidence.Lapsed, "had it", "had it"},
		{evidence.TooClose, "is too close to call", "are too close to call"},
		{evidence.NotEnough, "does not have enough reps yet", "do not have enough reps yet"},
		{evidence.HasIt, "has it guided and is ready for live", "have it guided and are ready for live"}} {
		if n := count[v.verdict]; n == 1 {
			parts = append(parts, "1 player "+v.one)
		} else if n > 1 {
			parts = append(parts, fmt.Sprintf("%d players %s", n, v.other))
		}
	}
	g.Why = upper(strings.Join(parts, ", ")) + "."
	for _, i := range a.Due {
		if slices.Contains(i.Reads, key.read) {
			g.Why += fmt.Sprintf(" The season sets %s for this day.", i.says())
			break
		}
	}
	return g
}

// upper begins a sentence.
func upper(text string) string {
	if text == "" {
		return text
	}
	return strings.ToUpper(text[:1]) + text[1:]
}

// plays reports whether a role is the player's own (common practice, no source).
func (p Person) plays(role reads.Role) bool {
	if !p.Handler && !p.Wing && !p.Big {
		return true
	}
	switch role {
	case reads.Handler, reads.Passer:
		return p.Handler || p.Wing && role == reads.Passer
	case reads.Screener, reads.Pivot:
		return p.Big || p.Wing && role == reads.Screener
	}
	return p.Handler || p.Wing
}
