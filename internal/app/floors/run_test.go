package floors

import (
	"slices"
	"testing"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/internal/app/apptest"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// A run has what was logged; a live block of it adds up, another one does not, and news are those asked for.
func TestRunAndScore(t *testing.T) {
	c := apptest.Open(t)
	s, ctx := Service{Store: c.DB, Squads: c.Squads, Now: apptest.Clock}, t.Context()
	list, err := c.DB.PracticesOfTeam(ctx, gen.PracticesOfTeamParams{ProgramID: c.Team.ProgramID, TeamID: c.Team.ID})
	apptest.Must(t, err)
	p := list[slices.IndexFunc(list, func(p gen.Practice) bool { return p.Status == string(practice.Done) })]
	b, err := c.Squads.Board(ctx, c.Team, "")
	apptest.Must(t, err)
	run, err := s.Run(ctx, p, b)
	apptest.Must(t, err)
	rows, err := c.DB.BlocksOfPractice(ctx, gen.BlocksOfPracticeParams{ProgramID: p.ProgramID, PracticeID: p.ID})
	apptest.Must(t, err)
	blocks := store.BlocksOf(rows)
	if len(run.Reps) == 0 || len(run.Players) != len(c.Players) {
		t.Fatalf("%d reps, %d players", len(run.Reps), len(run.Players))
	}
	live := 0
	for _, block := range blocks {
		id := uuid.MustParse(block.ID)
		score, err := run.Score(blocks, id)
		_, stage, missing := practice.StageOf(b.Library, block)
		rung, _ := drill.RungByID(stage.Rung)
		if missing != nil || block.Kind != practice.DrillBlock || !rung.Live {
			apptest.Refused(t, err, "practice.score-not-live")
			continue
		}
		live++
		if err != nil || len(score.Players) == 0 {
			t.Errorf("%+v, %v", score, err)
		}
		if a := run.Advice(block); a != evidence.GoUp && a != evidence.Stay && a != evidence.GoDown {
			t.Errorf("%+v", a)
		}
	}
	if live == 0 {
		t.Error("no block is live")
	}
	_, err = run.Score(blocks, uuid.New())
	apptest.Refused(t, err, "practice.block-missing")

	want := uuid.MustParse(string(run.Reps[0].ID))
	news, err := s.News(ctx, p.ProgramID, p.ID, []uuid.UUID{want}, nil)
	if err != nil || len(news.Events) != 1 || news.Events[0].ID != run.Reps[0].ID || len(news.Counts) != 0 {
		t.Errorf("%+v, %v", news, err)
	}
	if len(run.Counts) < 2 {
		t.Fatalf("%d counts", len(run.Counts))
	}
	news, err = s.News(ctx, p.ProgramID, p.ID, nil, []uuid.UUID{run.Counts[1].ID})
	if err != nil || len(news.Events) != 0 || len(news.Counts) != 1 || news.Counts[0].ID != run.Counts[1].ID {
		t.Errorf("%+v, %v", news, err)
	}
}
