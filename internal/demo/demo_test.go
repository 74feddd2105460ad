package demo

import (
	"os"
	"testing"
	"time"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/pgtest"
	"evrik/internal/store/gen"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

// The demo's boards show what it is there to show.
func TestDemoTellsItsStories(t *testing.T) {
	db, ctx := pgtest.Store(t), t.Context()
	now := time.Date(2026, 1, 20, 12, 0, 0, 0, time.UTC)
	if err := Ensure(ctx, db, now, false); err != nil {
		t.Fatal(err)
	}
	staff, err := db.StaffByEmail(ctx, SignIn.Email)
	if err != nil {
		t.Fatal(err)
	}
	teams, err := db.TeamsOfProgram(ctx, staff.ProgramID)
	if err != nil || len(teams) != 2 {
		t.Fatalf("%d teams, %v", len(teams), err)
	}
	stories := map[string]bool{}
	verdicts := map[evidence.Verdict]int{}
	for i, team := range teams {
		players, err := db.PlayersOfTeam(ctx, gen.PlayersOfTeamParams{ProgramID: staff.ProgramID, TeamID: team.ID})
		if err != nil || len(players) != []int{13, 12}[i] {
			t.Fatalf("%s: %d players, %v", team.Name, len(players), err)
		}
		list, err := db.PracticesOfTeam(ctx, gen.PracticesOfTeamParams{ProgramID: staff.ProgramID, TeamID: team.ID})
		if err != nil || len(list) != 11 || list[1].Status != string(practice.Planned) || list[1].StartsAt.Before(now) {
			t.Fatalf("%s: %d practices, %v", team.Name, len(list), err)
		}
		log, err := db.TeamLog(ctx, evidence.DefaultPolicy(), team, players, now)
		if err != nil {
			t.Fatal(err)
		}
		ids := make([]evidence.PlayerID, len(players))
		for k, p := range players {
			ids[k] = evidence.PlayerID(p.ID.String())
		}
		for k, line := range evidence.DefaultPolicy().Board(ids, reads.Cutter,
			reads.Columns(drill.Taught(nil), reads.TeamRules{}, reads.Cutter), log.History(evidence.DefaultPolicy()),
			now) {
			for _, c := range line.Cells {
				verdicts[c.Judgement.Verdict]++
				if c.Gap != "" && players[k].Name == "Bram" {
					stories["left and right differ"] = true
				}
			}
		}
		moved := 0
		if err := db.Pool.QueryRow(ctx,
			"SELECT count(*) FROM rep_events r JOIN players p ON p.id = r.player_id WHERE p.team_id = $1 AND "+
				"r.team_id <> $1", team.ID).Scan(&moved); err != nil {
			t.Fatal(err)
		}
		stories["a record that moved up"] = stories["a record that moved up"] || moved > 0
	}
	for _, story := range []string{"left and right differ", "a record that moved up"} {
		if !stories[story] {
			t.Errorf("the demo does not show: %s", story)
		}
	}
	for _, v := range []evidence.Verdict{evidence.HasIt, evidence.NotYet, evidence.TooClose, evidence.NotEnough,
		evidence.Lapsed} {
		if verdicts[v] == 0 {
			t.Errorf("nobody on the demo's boards is %q: %v", v.Name(), verdicts)
		}
	}

	// A second start keeps the data; a reset seeds it afresh.
	if err := Ensure(ctx, db, now, false); err != nil {
		t.Fatal(err)
	}
	if again, err := db.StaffByEmail(ctx, SignIn.Email); err != nil || again.ID != staff.ID {
		t.Errorf("the second start made another club: %v", err)
	}
	if _, err := db.Pool.Exec(ctx, "DELETE FROM teams"); err != nil {
		t.Fatal(err)
	}
	if err := Ensure(ctx, db, now, true); err != nil {
		t.Fatal(err)
	}
	if n, err := db.DemoProgram(ctx); err != nil || n != 1 {
		t.Errorf("%d demo clubs after a reset, %v", n, err)
	}
}
