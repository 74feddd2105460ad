package web

import (
	"slices"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/core/game"
	"evrik/core/reads"
	"evrik/internal/app/planning"
	"evrik/internal/app/squad"
	"evrik/internal/web/api"
)

func idsOf(c club) []string {
	out := []string{}
	for _, id := range c.players {
		out = append(out, id.String())
	}
	return out
}

// gameFor is a game three days ahead, against a team that mostly trails.
func gameFor(c club) map[string]any {
	return map[string]any{"startsAt": evening.Add(72 * time.Hour), "opponent": "Harbour", "away": true, "note": "",
		"mixes": []game.Mix{{Family: game.Off, Shares: []game.Share{{Cue: reads.Trail, Percent: 70},
			{Cue: reads.Switch, Percent: 30}}}},
		"terms": game.Terms{Available: idsOf(c), Together: [][]string{}, Minutes: 32, Caps: []game.MinutesCap{}}}
}

func benchEvent(player uuid.UUID, cue reads.Cue, made reads.Read) map[string]any {
	return map[string]any{"id": uuid.NewString(), "kind": "rep", "at": evening, "device": "bench", "action": reads.Down,
		"player": player, "role": "cutter", "cue": cue.String(), "made": string(made)}
}

// A game from the schedule over the bench to the comparison: what is logged counts for
// the players, sent twice once, and what is taken back does not.
func TestGame(t *testing.T) {
	w := newWorld(t)
	c, head, p, at := onFloor(w)
	for k := range 12 {
		head.do("POST", at+"/reps", batch(repEvent(p.Blocks[3].ID, c.players[k%8], k+1, reads.Trail, reads.Curl)), 200,
			nil)
	}
	var g api.Game
	head.do("POST", c.path("/games"), gameFor(c), 201, &g)
	path := c.path("/games/" + g.Id.String())
	var view api.GameView
	head.do("GET", path, nil, 200, &view)
	if view.Reps != 0 || len(view.Ready) < 5 || view.Ready[0].Share == 0 || view.Total <= 0 || len(view.Counts) != 4 {
		t.Errorf("before the game: %+v", view)
	}
	w.now = evening.Add(73 * time.Hour)
	helper := w.as(c.helper)
	right, wrong := benchEvent(c.players[0], reads.Trail, reads.Curl), benchEvent(c.players[1], reads.Trail, "")
	right["at"], wrong["at"] = w.now, w.now
	count := map[string]any{"id": uuid.NewString(), "kind": "count", "at": w.now, "device": "bench", "what": "assist",
		"by": 1}
	var got api.RepReceipt
	helper.do("POST", path+"/reps", batch(right, wrong, count), 200, &got)
	if len(got.Stored) != 3 {
		t.Errorf("stored %+v", got)
	}
	head.do("POST", path+"/reps", batch(right, count), 200, &got)
	if len(got.Stored) != 0 || len(got.Known) != 2 {
		t.Errorf("sent again: %+v", got)
	}
	head.do("POST", path+"/reps", batch(map[string]any{"id": uuid.NewString(), "kind": "void", "voids": wrong["id"],
		"at": w.now, "device": "bench"}), 200, nil)
	var bench api.Bench
	head.do("GET", path+"/bench", nil, 200, &bench)
	if len(bench.Reps) != 1 || bench.Reps[0].Rung != "game" || bench.Reps[0].Side != "" || !bench.Reps[0].Correct ||
		bench.Counts[1].Count != 1 || len(bench.Tables) < 2 ||
		len(bench.Counted) != 1 || bench.Counted[0].String() != count["id"] {
		t.Errorf("bench: %+v", bench)
	}
	head.do("GET", path, nil, 200, &view)
	if view.Reps != 1 || len(view.Compared) != 1 || view.Compared[0].Practice.Reps != 12 ||
		view.Covered[0].Percent != 100 || view.Covered[0].Expected != 70 {
		t.Errorf("after the game: %+v, %+v", view.Compared, view.Covered[:1])
	}
	var card api.Card
	head.do("GET", c.path("/players/"+c.players[0].String()), nil, 200, &card)
	i := slices.IndexFunc(card.Parts[0].Standings, func(s evidence.Standing) bool { return s.Read == reads.Curl })
	if rungs := card.Parts[0].Standings[i].Rungs; rungs[len(rungs)-1].Rung != "game" || rungs[len(rungs)-1].Reps != 1 {
		t.Errorf("the card: %+v", rungs)
	}
	// Who is erased while the bench logs is not logged; a game that is deleted leaves its reps.
	head.do("DELETE", c.path("/players/"+c.players[2].String()), nil, 200, nil)
	helper.refused("POST", path+"/reps", batch(benchEvent(c.players[2], reads.Trail, reads.Curl)), 404,
		"player.missing")
	helper.refused("DELETE", path, nil, 403, "role.head-coach")
	head.do("DELETE", path, nil, 204, nil)
	helper.refused("POST", path+"/reps", batch(benchEvent(c.players[0], reads.Trail, reads.Curl)), 404, "game.missing")
	head.do("GET", c.path("/players/"+c.players[0].String()), nil, 200, &card)
	if rungs := card.Parts[0].Standings[i].Rungs; rungs[len(rungs)-1].Rung != "game" {
		t.Error("deleting the game took the reps along")
	}
}

// What the next game is expected to ask weighs more in the plan before it.
func TestGameWeighsInThePlan(t *testing.T) {
	w := newWorld(t)
	c, head, p, at := onFloor(w)
	head.do("POST", at+"/reps", batch(repEvent(p.Blocks[3].ID, c.players[0], 1, reads.Trail, reads.Curl)), 200, nil)
	plans := planning.New(squad.Service{Store: w.db, Policy: evidence.DefaultPolicy(),
		Now: func() time.Time { return w.now }})
	asked := func() map[reads.Read]float64 {
		team, err := w.db.Team(t.Context(), teamParams(c))
		if err != nil {
			t.Fatal(err)
		}
		d, err := plans.Context(t.Context(), team)
		if err != nil {
			t.Fatal(err)
		}
		return d.OpponentAt(evening.Add(time.Hour))
	}
	before := asked()
	head.do("POST", c.path("/games"), gameFor(c), 201, nil)
	after := asked()
	if len(before) != 0 || after[reads.Curl] <= 0 || after[reads.Curl] <= after[reads.Straight] {
		t.Errorf("before %v, after %v", before, after)
	}
}
