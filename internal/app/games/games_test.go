package games_test

import (
	"errors"
	"os"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/game"
	"evrik/core/reads"
	"evrik/internal/app"
	"evrik/internal/app/apptest"
	"evrik/internal/app/games"
	"evrik/internal/pgtest"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

func open(t *testing.T) (apptest.Club, games.Service) {
	c := apptest.Open(t)
	return c, games.Service{Store: c.DB, Squads: c.Squads, Now: apptest.Clock}
}

// A game is entered, changed by one coach at a time, and deleted.
func TestSchedule(t *testing.T) {
	c, s := open(t)
	in := games.Input{StartsAt: apptest.Now.AddDate(0, 0, 90), Opponent: " Elm Park ", Away: true,
		Terms: game.Terms{Available: []string{uuid.NewString(), c.Players[0].ID.String()}}}
	for code, spoil := range map[string]func(*games.Input){
		"account.text-length": func(in *games.Input) { in.Opponent = "" },
		"game.note-too-long":  func(in *games.Input) { in.Note = strings.Repeat("x", 2001) },
		"game.shares-sum": func(in *games.Input) {
			in.Mixes = []game.Mix{{Family: game.Ball, Shares: []game.Share{{Cue: reads.Drop, Percent: 100},
				{Cue: reads.Ice, Percent: 40}}}}
		},
		"game.no-time": func(in *games.Input) { in.StartsAt = time.Time{} },
	} {
		bad := in
		spoil(&bad)
		_, err := s.Add(t.Context(), c.Team, bad)
		apptest.Refused(t, err, code)
	}
	before, err := s.List(t.Context(), c.Team)
	apptest.Must(t, err)
	g, err := s.Add(t.Context(), c.Team, in)
	if err != nil || g.Opponent != "Elm Park" || !g.Away {
		t.Fatalf("%+v, %v", g, err)
	}
	if list, err := s.List(t.Context(), c.Team); err != nil || len(list) != len(before)+1 || list[0].ID != g.ID ||
		list[0].Known {
		t.Errorf("%d games, the newest %s, %v", len(list), list[0].Opponent, err)
	}
	in.Opponent = "Elm Park A"
	first := int(g.Version)
	changed, err := s.Update(t.Context(), c.Team, g.ID, in, &first)
	if err != nil || changed.Opponent != "Elm Park A" {
		t.Errorf("%+v, %v", changed, err)
	}
	_, err = s.Update(t.Context(), c.Team, g.ID, in, &first)
	apptest.Refused(t, err, "game.changed-meanwhile")
	if _, err := s.Update(t.Context(), c.Team, g.ID, in, nil); err != nil {
		t.Errorf("whatever stands: %v", err)
	}
	apptest.Must(t, s.Delete(t.Context(), c.Team.ProgramID, c.Team.ID, g.ID))
	apptest.Refused(t, s.Delete(t.Context(), c.Team.ProgramID, c.Team.ID, g.ID), "game.missing")
	_, err = s.Of(t.Context(), c.Team, g.ID)
	apptest.Refused(t, err, "game.missing")
}

// Who has left the team is in no terms.
func TestAvailable(t *testing.T) {
	c, s := open(t)
	here := c.Players[0].ID.String()
	terms, err := s.Available(t.Context(), c.Team, game.Terms{Available: []string{uuid.NewString(), here}})
	if err != nil || len(terms.Available) != 1 || terms.Available[0] != here {
		t.Errorf("%+v, %v", terms, err)
	}
}

// The demo's game says what is asked, and sets what was seen beside two months of practice.
func TestPreparedAndSeen(t *testing.T) {
	c, s := open(t)
	list, err := s.List(t.Context(), c.Team)
	apptest.Must(t, err)
	played := -1
	for i, g := range list {
		if g.Reps > 0 {
			played = i
		}
	}
	if played < 0 {
		t.Fatal("no game was logged")
	}
	p, err := s.Prepare(t.Context(), c.Team, list[played].ID)
	apptest.Must(t, err)
	families := p.Families()
	seen := map[string]bool{}
	for _, f := range families {
		if seen[f] {
			t.Errorf("%s is named twice: %v", f, families)
		}
		seen[f] = true
	}
	if len(families) == 0 || len(p.Squad) != len(c.Players) {
		t.Errorf("families %v, %d of %d players", families, len(p.Squad), len(c.Players))
	}
	beside, err := s.Seen(t.Context(), p)
	if err != nil || beside.Reps == 0 || int64(beside.Reps) > list[played].Reps || len(beside.Compared) == 0 {
		t.Errorf("%+v, %v", beside, err)
	}
	if beside.Next == nil || beside.Next.ID != c.Planned.ID && !beside.Next.StartsAt.Before(c.Planned.StartsAt) {
		t.Errorf("next %+v, planned %v at %v", beside.Next, c.Planned.ID, c.Planned.StartsAt)
	}
	counts, ids, err := s.Counts(t.Context(), p.Game)
	if err != nil || len(counts) != len(game.Counters()) || len(ids) == 0 {
		t.Errorf("%+v of %d ids, %v", counts, len(ids), err)
	}
	everybody := game.Terms{Minutes: 32}
	for _, who := range p.Squad {
		everybody.Available = append(everybody.Available, who.ID)
	}
	found, err := p.Lineups(everybody)
	if err != nil || len(found.Fives) == 0 || found.Compared == 0 {
		t.Errorf("%+v, %v", found, err)
	}
	everybody.Available = everybody.Available[:4]
	_, err = p.Lineups(everybody)
	var refused app.Refusal
	if !errors.As(err, &refused) || refused.Kind != app.Invalid {
		t.Errorf("four play: %v", err)
	}
}
