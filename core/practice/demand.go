package practice

import (
	"errors"
	"fmt"
	"slices"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// Want is what is open about one player and read, with what a rep of it is worth.
// It is named by its key.
type Want struct {
	Player string
	Role   reads.Role
	Read   reads.Read
	Live   bool
	Reps   float64
	Weight float64
	// Verdict is why it is open.
	Verdict evidence.Verdict
}

// key is the want as a name: whose, and of what.
func (w Want) key() Want { return Want{Player: w.Player, Role: w.Role, Read: w.Read, Live: w.Live} }

// Terms are what a practice has to work with and what it is for.
type Terms struct {
	// Baskets, helpers (coaches included) and balls there are.
	Baskets int `json:"baskets"`
	Helpers int `json:"helpers"`
	Balls   int `json:"balls"`
	// Focus are reads the coach wants most.
	Focus []reads.Read `json:"focus"`
	// Expect are cues the next opponent is expected to show.
	Expect []reads.Cue `json:"expect"`
	// Banned are drills that are not wanted, by id.
	Banned []string `json:"banned"`
}

// DefaultTerms are a gym with two baskets, a coach and an assistant (assumption).
func DefaultTerms() Terms {
	return Terms{Baskets: 2, Helpers: 2, Balls: 8, Focus: []reads.Read{}, Expect: []reads.Cue{}, Banned: []string{}}
}

// Limits of the terms (assumptions).
const (
	MaxHelpers = 12
	MaxBalls   = 60
	maxNamed   = 60 // reads, cues or drills named
)

// Check refuses terms that cannot be. The error is a sentence.
func (t Terms) Check() error {
	switch {
	case t.Baskets < 1 || t.Baskets > drill.MaxBaskets:
		return fmt.Errorf("A gym has one to %d baskets here, not %d.", drill.MaxBaskets, t.Baskets)
	case t.Helpers < 0 || t.Helpers > MaxHelpers:
		return fmt.Errorf("Count 0 to %d coaches and helpers, not %d.", MaxHelpers, t.Helpers)
	case t.Balls < 1 || t.Balls > MaxBalls:
		return fmt.Errorf("Count 1 to %d balls, not %d.", MaxBalls, t.Balls)
	case len(t.Focus) > maxNamed || len(t.Expect) > maxNamed || len(t.Banned) > drill.MaxOwn:
		return errors.New("That is more than a practice can be about.")
	}
	return nil
}

// What a rep is worth (assumptions).
const (
	focusWeight  = 2.0 // of a read in the coach's focus
	dueWeight    = 2.0 // of a read on the rung that the season sets for the day
	expectWeight = 1.5 // of an answer to what the opponent is expected to show most
	asideWeight  = 0.5 // of a part that is not the player's own
	earlyWeight  = 0.5 // of a live read that is not held when shown
)

// Weigh turns needs into wants: by the coach's focus, what the opponent
// is expected to show, what the season sets for the day, and the player's part.
// Who has no part named has all. opponent is how often the next game is expected to ask
// for a read (game.Demand); what the coach says for this practice comes on top of it.
func (t Terms) Weigh(people []Person, open []evidence.Need, school reads.TeamRules, due []SeasonItem, opponent map[reads.Read]float64) []Want {
	part := map[string]Person{}
	for _, p := range people {
		part[p.ID] = p
	}
	answers := map[reads.Read]bool{}
	for _, s := range reads.Actions() {
		for _, r := range s.Rows(school) {
			if slices.Contains(t.Expect, r.Cue) {
				answers[r.CutterRead], answers[r.ScreenerRead] = true, true
			}
		}
	}
	shown := map[Want]bool{}
	for _, q := range open {
		if !q.Live {
			shown[Want{Player: string(q.Player), Role: q.Role, Read: q.Read}] = true
		}
	}
	most := 0.0
	for _, share := range opponent {
		most = max(most, share)
	}
	wants := make([]Want, 0, len(open))
	for _, q := range open {
		w := Want{string(q.Player), q.Role, q.Read, q.Live, q.Reps, 1, q.Verdict}
		if slices.Contains(t.Focus, q.Read) {
			w.Weight *= focusWeight
		}
		if answers[q.Read] {
			w.Weight *= expectWeight
		} else if most > 0 {
			w.Weight *= 1 + (expectWeight-1)*opponent[q.Read]/most
		}
		if slices.ContainsFunc(due, func(i SeasonItem) bool { return i.wants(q.Read, q.Live) }) {
			w.Weight *= dueWeight
		}
		if p, here := part[string(q.Player)]; here && !p.plays(q.Role) {
			w.Weight *= asideWeight
		}
		if q.Live && shown[Want{Player: string(q.Player), Role: q.Role, Read: q.Read}] {
			w.Weight *= earlyWeight
		}
		wants = append(wants, w)
	}
	return wants
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

// share is what a block gives everybody in it of one read, in reps. Counts in an
// order list differ by one at most between players, and who gets the odd one is
// chance, so that planning reckons with the even share.
type share struct {
	role reads.Role
	read reads.Read
	live bool
	reps float64
}

func (s share) want(player string) Want {
	return Want{Player: player, Role: s.role, Read: s.read, Live: s.live}
}

func isLive(st drill.Stage) bool {
	rung, _ := drill.RungByID(st.Rung)
	return rung.Live
}

// shares is what a block gives: nothing below the rungs on which players read,
// or where it cannot be run. The cues of a stage are taken to come equally often
// (a fact where they are shown, an assumption where defenders are live).
func (p Plan) shares(d *drill.Drill, st drill.Stage, b Block) []share {
	rung, _ := drill.RungByID(st.Rung)
	screen, ok := reads.ActionByID(d.Screen)
	if !ok || !rung.Reads || len(st.Cues) == 0 {
		return nil
	}
	players := p.taking(b, rung.Live)
	reps, _, err := drill.Room(d, st, b.setup(players))
	if err != nil {
		return nil
	}
	each := float64(reps) / float64(len(players)) / float64(len(st.Cues))
	var out []share
	add := func(role reads.Role, read reads.Read) {
		if read == "" {
			return
		}
		for i := range out {
			if out[i].role == role && out[i].read == read {
				out[i].reps += each
				return
			}
		}
		out = append(out, share{role, read, rung.Live, each})
	}
	// The second place is a screener's unless a helper has it.
	screens := len(d.Positions) > 1 && (!d.Positions[1].Helper || b.NoHelpers) && screen.Roles[1] == reads.Screener
	for _, cue := range st.Cues {
		if row, ok := screen.Row(p.School, cue); ok {
			add(screen.Roles[0], row.CutterRead)
			if screens {
				add(screen.Roles[1], row.ScreenerRead)
			}
		}
	}
	return out
}

// unready counts, of some players, who has not held the reads of a situation when
// shown.
func (p Plan) unready(screenID string, players []string) (here, unready int) {
	open := make([]evidence.Need, 0, len(p.Wants))
	for _, w := range p.Wants {
		open = append(open, evidence.Need{Player: evidence.PlayerID(w.Player), Role: w.Role, Read: w.Read, Live: w.Live})
	}
	return len(players), behind(open, p.School, screenID, players, false)
}

// behind counts the players for whom more than half of a situation's reads, of
// who uses the screen, are open on the shown rung or on live ones.
func behind(open []evidence.Need, school reads.TeamRules, screenID string, players []string, live bool) int {
	screen, ok := reads.ActionByID(screenID)
	if !ok {
		return 0
	}
	first := mainReads(school, screenID)
	missing := map[string]int{}
	for _, q := range open {
		if q.Live == live && q.Role == screen.Roles[0] && slices.Contains(first, q.Read) {
			missing[string(q.Player)]++
		}
	}
	n := 0
	for _, id := range players {
		if 2*missing[id] > len(first) {
			n++
		}
	}
	return n
}

// mainReads are the reads of who uses a screen, in the order of its table.
func mainReads(school reads.TeamRules, screenID string) []reads.Read {
	out := []reads.Read{}
	if screen, ok := reads.ActionByID(screenID); ok {
		for _, r := range screen.Rows(school) {
			if !slices.Contains(out, r.CutterRead) {
				out = append(out, r.CutterRead)
			}
		}
	}
	return out
}

// tooNew reports whether too many have not held a read yet to go live with it.
func tooNew(unready, here int) bool { return float64(unready) > NewToIt*float64(here) }
