package evidence

import (
	"math"
	"sync/atomic"
	"time"

	"evrik/core/reads"
)

// Outlook is how far a player is with a read, and what more reps of it would bring.
type Outlook struct {
	Player PlayerID
	Role   reads.Role
	Read   reads.Read
	// Guided and Live are the verdicts of the two groups.
	Guided, Live Verdict
	// Group is where the player works on the read: guided until it is held there, then live.
	Group Group
	// Down is true where the verdict of the group has been not yet in two practices, so that
	// a lower rung is the better place.
	Down bool
	// Reps is how many judged reps of the read there are in both groups.
	Reps int
	// Rate is the median of the belief in the group, Target the rate asked for there.
	Rate, Target float64
	// Settles[n] is the chance that n more reps in the group make the verdict HasIt; it begins
	// with 0 for no rep and never falls. It is empty where the player has the read.
	Settles []float64
}

// Done reports whether the player has the read against real defenders.
func (o *Outlook) Done() bool { return o.Live == HasIt }

// Held reports whether the player has the read at all.
func (o *Outlook) Held() bool { return o.Guided == HasIt || o.Live == HasIt }

// Verdict is the verdict on the group of rungs the player works in.
func (o *Outlook) Verdict() Verdict {
	if o.Group == Live {
		return o.Live
	}
	return o.Guided
}

// SettleReps is the most reps that Outlook.Settles looks ahead: more than one practice gives
// of a read (assumption).
const SettleReps = 16

// Outlooks looks ahead for some players and the reads of a role.
func (p Policy) Outlooks(players []PlayerID, role reads.Role, columns []reads.Read, h *History,
	now time.Time) []Outlook {
	out := make([]Outlook, len(players)*len(columns))
	ahead := p.newAhead(h)
	inParallel(len(players), func(from, to int) {
		for i := from; i < to; i++ {
			for j, read := range columns {
				out[i*len(columns)+j] = p.outlook(h, Skill{players[i], role, read}, ahead, now)
			}
		}
	})
	return out
}

func (p Policy) outlook(h *History, skill Skill, ahead *ahead, now time.Time) Outlook {
	m := h.skills[skill]
	if m == nil {
		m = p.unseen(h, skill)
	}
	guided, live := p.judge(m, Guided, now), p.judge(m, Live, now)
	o := Outlook{Player: skill.Player, Role: skill.Role, Read: skill.Read, Guided: guided.Verdict, Live: live.Verdict,
		Group: Guided, Reps: guided.Reps + live.Reps}
	j := &guided
	if guided.Verdict == HasIt || live.Verdict == HasIt {
		o.Group, j = Live, &live
	}
	o.Down = j.Verdict == NotYet && !j.New
	o.Rate, o.Target = j.Rate, j.Target
	if !o.Done() {
		o.Settles = ahead.settles(p, j)
	}
	return o
}

// StillHas reports whether a player would have a read against real defenders on a later day
// without another rep until then: time only widens a belief, so that what is gone does not
// come back.
func (p Policy) StillHas(h *History, skill Skill, later time.Time) bool {
	m := h.skills[skill]
	if m == nil {
		return false
	}
	j := p.judge(m, Live, later)
	return j.Verdict == HasIt
}

// ahead holds the chances and likelihoods of the counts that more reps can bring, as they are
// seen by an observer.
type ahead struct {
	seer               look
	chance, likelihood [SettleReps + 1][]rates // by reps and how many of them are correct
}

// lastAhead is the table that was made last: all roles of a team share it, and teams whose
// observers err alike.
var lastAhead atomic.Pointer[ahead]

// newAhead is the table for a team's observers.
func (p Policy) newAhead(h *History) *ahead {
	seer := look{err: p.observerError(h.double), weight: int(math.Round(1000 * p.RepWeight))}
	if a := lastAhead.Load(); a != nil && a.seer == seer {
		return a
	}
	known := likelihoods{}
	a := &ahead{seer: seer}
	for n := 1; n <= SettleReps; n++ {
		choose := 1.0
		for k := range n + 1 {
			var chance rates
			for i := range chance {
				q := seer.seen(rateAt(i))
				chance[i] = choose * math.Pow(q, float64(k)) * math.Pow(1-q, float64(n-k))
			}
			a.chance[n] = append(a.chance[n], chance)
			a.likelihood[n] = append(a.likelihood[n], *known.of(seer, Count{k, n}))
			choose *= float64(n-k) / float64(k+1)
		}
	}
	lastAhead.Store(a)
	return a
}

// settles works out Outlook.Settles for a judgement: of every count that could come, whether
// it would make the verdict HasIt, and how likely it is by the belief.
func (a *ahead) settles(p Policy, j *Judgement) []float64 {
	out := make([]float64, SettleReps+1)
	for n := 1; n <= SettleReps; n++ {
		out[n] = out[n-1]
		if j.Reps+n < p.MinReps {
			continue
		}
		sum := 0.0
		for k := n; k >= 0; k-- { // fewer correct never settle it where more do not
			var later rates
			total := 0.0
			for i, l := range a.likelihood[n][k] {
				later[i] = j.belief[i] * l
				total += later[i]
			}
			if total == 0 || later.reaches(j.Target)/total < p.Sure {
				break
			}
			for i, c := range a.chance[n][k] {
				sum += j.belief[i] * c
			}
		}
		out[n] = max(out[n], sum)
	}
	return out
}
