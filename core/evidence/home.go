package evidence

import (
	"slices"
	"time"

	"evrik/core/refusal"
)

// HomeSession is what a player tells of shooting at home: makes and shots on each side.
// Nobody watched, so that it stands apart from everything a coach has logged.
type HomeSession struct {
	Player PlayerID  `json:"-"`
	At     time.Time `json:"at"`
	Right  Side      `json:"right"`
	Left   Side      `json:"left"`
}

// Side is what was shot on one side.
type Side struct {
	Made  int `json:"made"`
	Tried int `json:"tried"`
}

// mostAtHome is how many shots on a side a player can tell of at once (assumption).
const mostAtHome = 500

// Check refuses what nobody can have shot. The error is a refusal.
func (h HomeSession) Check() error {
	for _, s := range []Side{h.Right, h.Left} {
		if s.Made < 0 || s.Tried < s.Made {
			return refusal.New("evidence.more-makes-than-shots")
		}
		if s.Tried > mostAtHome {
			return refusal.New("evidence.too-many-shots")
		}
	}
	if h.Right.Tried+h.Left.Tried == 0 {
		return refusal.New("evidence.no-shots")
	}
	return nil
}

// HomeLine is how one player shoots a drill at home.
type HomeLine struct {
	Player PlayerID `json:"player"`
	// Times is how many times the player has reported makes.
	Times int         `json:"times"`
	Right Side        `json:"right"`
	Left  Side        `json:"left"`
	Last  HomeSession `json:"last"`
}

// HomeOf sums up what players tell of a drill, player by player in the order of their
// first time. The sessions must be in the order of time.
func HomeOf(sessions []HomeSession) []HomeLine {
	out := []HomeLine{}
	for _, s := range sessions {
		i := slices.IndexFunc(out, func(l HomeLine) bool { return l.Player == s.Player })
		if i < 0 {
			i = len(out)
			out = append(out, HomeLine{Player: s.Player})
		}
		l := &out[i]
		l.Times++
		l.Right, l.Left, l.Last = l.Right.plus(s.Right), l.Left.plus(s.Left), s
	}
	return out
}

func (s Side) plus(o Side) Side { return Side{s.Made + o.Made, s.Tried + o.Tried} }
