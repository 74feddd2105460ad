package demo

import (
	"math"
	"slices"
	"time"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/game"
	"evrik/core/reads"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// The model of a game (all invented).
const (
	gameMinutes    = 32
	gameReads      = 60 // the bench notes
	gameScreener   = 0.3
	countedEach    = 3 // of every ten reads, something is counted for the team
	tipOff         = 11 * time.Hour
	betweenReads   = 40 * time.Second
	practicePerDay = 9.0 / 52 // practices a day over the logged weeks
)

// mix is a table of shares in the order of a family's cues.
func mix(of map[reads.Cue]float64) []game.Mix {
	out := []game.Mix{}
	if of == nil {
		return out
	}
	m := game.Mix{Family: game.Off}
	for _, cue := range game.Families()[0].Cues {
		m.Shares = append(m.Shares, game.Share{Cue: cue, Percent: of[cue]})
	}
	return append(out, m)
}

// game puts a game on the schedule and, where it has been, logs what the bench saw.
func (s *seeder) game(t roster, o opponent) error {
	id := s.id()
	y, m, d := s.now.Date()
	at := time.Date(y, m, d-o.daysAgo, 0, 0, 0, 0, s.now.Location()).Add(tipOff)
	terms := game.Terms{Minutes: gameMinutes, Together: [][]string{}, Caps: []game.MinutesCap{}}
	playing := slices.DeleteFunc(slices.Clone(t.players),
		func(m member) bool { return o.daysAgo > 0 && m.awayAt(o.daysAgo) })
	for _, m := range playing {
		terms.Available = append(terms.Available, m.id.String())
	}
	mixes, stored := store.GameJSON(mix(o.expected), terms)
	if err := s.q.InsertGame(s.ctx, gen.InsertGameParams{ID: id, ProgramID: s.program, TeamID: t.id, StartsAt: at,
		Opponent: o.name, Away: o.away, Mixes: mixes, Terms: stored}); err != nil {
		return err
	}
	if o.does == nil {
		return nil
	}
	// Screens are set for shooters more often.
	users := slices.Clone(playing)
	for _, m := range playing {
		if m.shooter {
			users = append(users, m, m)
		}
	}
	action, _ := reads.ActionByID(reads.Down)
	number := int(math.Round(9 - practicePerDay*float64(o.daysAgo)))
	var events []store.RepEvent
	counts := gen.InsertGameCountsParams{ProgramID: s.program, GameID: id, ObserverID: s.coaches[1]}
	for k := range gameReads {
		row, _ := action.Row(reads.TeamRules{}, s.cue(o.does))
		role, read := reads.Cutter, row.CutterRead
		if s.rng.Float64() < gameScreener {
			role, read = reads.Screener, row.ScreenerRead
		}
		who := users[s.rng.IntN(len(users))]
		when := at.Add(time.Duration(k) * betweenReads)
		rep := evidence.Rep{ID: evidence.RepID(s.id().String()), Practice: evidence.PracticeID(id.String()),
			Block: evidence.BlockID(id.String()), At: when,
			Player: evidence.PlayerID(who.id.String()), Role: role, Rung: drill.Game,
			Action: evidence.ActionID(action.ID), Cue: row.Cue,
			Expected: read, Made: read, Correct: true, Observer: evidence.ObserverID(s.coaches[1].String()),
			Device: "demo"}
		if s.rng.Float64() >= trueRate(t.base, who, read, drill.Game, drill.Right, number) {
			others := confused[read]
			rep.Made, rep.Correct = others[s.rng.IntN(len(others))], false
		}
		events = append(events, store.RepEvent{Rep: rep})
		if k%10 < countedEach {
			counts.ID, counts.At, counts.By, counts.Device = append(counts.ID, s.id()), append(counts.At, when),
				append(counts.By, 1), append(counts.Device, "demo")
			counts.What = append(counts.What, game.Counters()[s.rng.IntN(len(game.Counters()))].ID)
		}
	}
	if _, err := s.q.InsertGameCounts(s.ctx, counts); err != nil {
		return err
	}
	_, err := store.PutReps(s.ctx, s.q, s.program, t.id, events)
	return err
}

// cue draws what an opponent does.
func (s *seeder) cue(does map[reads.Cue]float64) reads.Cue {
	at := 100 * s.rng.Float64()
	for _, cue := range game.Families()[0].Cues {
		if at -= does[cue]; at < 0 {
			return cue
		}
	}
	return reads.Trail
}

// awayAt reports whether a player missed the practices about some days ago.
func (m member) awayAt(days int) bool {
	for k, ago := range daysAgo {
		if ago <= days {
			return m.away[k] || k < m.movedUp
		}
	}
	return false
}
