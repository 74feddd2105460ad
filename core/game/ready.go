package game

import (
	"cmp"
	"slices"

	"evrik/core/evidence"
	"evrik/core/reads"
)

// Person is somebody who may play.
type Person struct {
	ID                          string
	Handler, Wing, Big, Shooter bool
}

// Ready is how well those who play a part answer one read that is expected.
type Ready struct {
	Role reads.Role `json:"role"`
	Read reads.Read `json:"read"`
	// Share is how often it is expected; Rate how often those whose part it is make it.
	Share float64 `json:"share"`
	Rate  float64 `json:"rate"`
	// Missing is the share that goes unanswered: where practice pays most.
	Missing float64 `json:"missing"`
	// Reps are how many there are of it; without any the rate is a guess and nobody is
	// named.
	Reps  int      `json:"reps"`
	Best  []string `json:"best"`  // the three who do it best
	Worst []string `json:"worst"` // the three who do it least
}

// few is how many are named.
const few = 3

// Readiness says read by read how well a squad answers what is expected, where it
// lacks most first, and how much of everything both players would answer rightly if
// any two with the part were in it.
func Readiness(asks []Ask, form evidence.Form, people []Person) (list []Ready, total float64) {
	type key struct {
		role reads.Role
		read reads.Read
	}
	at := map[key]int{}
	for _, a := range asks {
		rates := [2]float64{}
		for side := range 2 {
			k := key{a.Roles[side], a.Reads[side]}
			i, known := at[k]
			if !known {
				i = len(list)
				at[k] = i
				list = append(list, ready(k.role, k.read, form, people))
			}
			list[i].Share += a.Share
			rates[side] = list[i].Rate
		}
		total += a.Share * rates[0] * rates[1]
	}
	for i := range list {
		list[i].Missing = list[i].Share * (1 - list[i].Rate)
	}
	slices.SortStableFunc(list, func(a, b Ready) int { return cmp.Compare(b.Missing, a.Missing) })
	return list, total
}

func ready(role reads.Role, read reads.Read, form evidence.Form, people []Person) Ready {
	r := Ready{Role: role, Read: read, Best: []string{}, Worst: []string{}}
	own := slices.DeleteFunc(slices.Clone(people), func(p Person) bool { return !p.fits(role) })
	if len(own) == 0 {
		own = slices.Clone(people)
	}
	rate := func(p Person) float64 { return form.Of(evidence.PlayerID(p.ID), role, read).Rate }
	slices.SortStableFunc(own, func(a, b Person) int { return cmp.Compare(rate(b), rate(a)) })
	r.Reps = form.Team(role, read).Reps
	for i, p := range own {
		r.Rate += rate(p) / float64(len(own))
		if r.Reps == 0 {
			continue
		}
		if i < few {
			r.Best = append(r.Best, p.ID)
		} else if i >= len(own)-few {
			r.Worst = append(r.Worst, p.ID)
		}
	}
	return r
}

// fits reports whether a part is the player's own (common practice, no source): off the
// ball everybody cuts and screens, the ball is a handler's, and who has no part named
// has all.
func (p Person) fits(role reads.Role) bool {
	if role != reads.Handler || !p.Handler && !p.Wing && !p.Big {
		return true
	}
	return p.Handler
}
