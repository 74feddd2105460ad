package evidence

import (
	"cmp"
	"slices"
	"time"

	"evrik/core/reads"
)

// Makes are shots in drills that teach no read. They have a trend of their own and are
// never mixed with reads.

// ShotSession is what one player made in a drill at one practice.
type ShotSession struct {
	At    time.Time `json:"at"` // of the first shot
	Made  int       `json:"made"`
	Tried int       `json:"tried"`
	// Streak is the most makes in a row.
	Streak int `json:"streak"`
}

// Shots is how a player shoots in a drill.
type Shots struct {
	Player PlayerID `json:"player"`
	Made   int      `json:"made"`
	Tried  int      `json:"tried"`
	// Range is where the share of makes is, with a probability of 95 % (Wilson).
	Range Interval `json:"range"`
	// Best is the practice with the most makes, of those the one with the fewest shots.
	Best ShotSession `json:"best"`
	// Last are the newest practices, the newest last.
	Last []ShotSession `json:"last"`
}

// lastSessions is how many practices of a drill are listed (assumption).
const lastSessions = 5

// shotsLevel is the probability with which the interval holds the share of makes
// (standard).
const shotsLevel = 0.95

// ShotsOf sums up the shots of one drill, player by player in the order of their first
// shot. The reps must be in the order of time; those of another role are left out.
func ShotsOf(reps []Rep) []Shots {
	out := []Shots{}
	sessions := map[PlayerID][]ShotSession{}
	practice := map[PlayerID]PracticeID{}
	run := map[PlayerID]int{}
	for _, r := range OnePerRep(reps) {
		if r.Role != reads.Shooter {
			continue
		}
		i := slices.IndexFunc(out, func(s Shots) bool { return s.Player == r.Player })
		if i < 0 {
			i = len(out)
			out = append(out, Shots{Player: r.Player})
		}
		if practice[r.Player] != r.Practice {
			practice[r.Player], run[r.Player] = r.Practice, 0
			sessions[r.Player] = append(sessions[r.Player], ShotSession{At: r.At})
		}
		s := &sessions[r.Player][len(sessions[r.Player])-1]
		s.Tried++
		out[i].Tried++
		if !r.Correct {
			run[r.Player] = 0
			continue
		}
		run[r.Player]++
		s.Made++
		s.Streak = max(s.Streak, run[r.Player])
		out[i].Made++
	}
	for i := range out {
		all := sessions[out[i].Player]
		out[i].Range = Wilson(out[i].Made, out[i].Tried, shotsLevel)
		out[i].Best = slices.MaxFunc(all, func(a, b ShotSession) int {
			return cmp.Or(cmp.Compare(a.Made, b.Made), cmp.Compare(b.Tried, a.Tried))
		})
		out[i].Last = all[max(0, len(all)-lastSessions):]
	}
	return out
}
