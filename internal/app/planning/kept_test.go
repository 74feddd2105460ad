package planning

import (
	"fmt"
	"slices"
	"testing"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/core/refusal"
	"evrik/internal/app/apptest"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// A kept plan is named, has no players but those of a basket, and a program keeps a hundred.
func TestKeptPlans(t *testing.T) {
	c := apptest.Open(t)
	s, ctx := New(c.Squads), t.Context()
	of, err := s.Context(ctx, c.Team)
	apptest.Must(t, err)
	p, err := s.Practice(ctx, &of, c.Planned)
	apptest.Must(t, err)
	blocks := slices.Clone(p.Blocks)
	i := slices.IndexFunc(blocks, func(b practice.Block) bool { return b.Kind == practice.DrillBlock })
	blocks[i].Players, blocks[i].Basket = []string{c.Players[0].ID.String()}, 0
	before, err := s.Templates(ctx, c.Team.ProgramID)
	apptest.Must(t, err)
	kept, err := s.KeepPlan(ctx, c.Team, "  Tuesday ", p.Minutes, slices.Clone(blocks))
	if err != nil || kept.Name != "Tuesday" || kept.Minutes != p.Minutes || len(kept.Blocks[i].Players) != 0 {
		t.Fatalf("%+v, %v", kept, err)
	}
	list, err := s.Templates(ctx, c.Team.ProgramID)
	if err != nil || len(list) != len(before)+1 || !slices.ContainsFunc(list, func(t Template) bool {
		return t.ID == kept.ID && t.Name == "Tuesday" && len(t.Blocks) == len(blocks)
	}) {
		t.Errorf("%+v, %v", list, err)
	}
	_, err = s.KeepPlan(ctx, c.Team, " ", p.Minutes, blocks)
	apptest.Refused(t, err, "account.text-length")
	if _, err = s.KeepPlan(ctx, c.Team, "Empty", -1, blocks); refusal.CodeOf(err) == "" {
		t.Errorf("a plan of no time: %v", err)
	}
	apptest.Refused(t, s.ForgetPlan(ctx, uuid.New(), kept.ID), "template.missing")
	apptest.Must(t, s.ForgetPlan(ctx, c.Team.ProgramID, kept.ID))
	for n := len(before); n < 100; n++ {
		apptest.Must(t, c.DB.PutTemplate(ctx, gen.PutTemplateParams{ID: uuid.New(), ProgramID: c.Team.ProgramID,
			Name: fmt.Sprint("Plan ", n), Minutes: 60, Blocks: store.BlocksJSON(nil)}))
	}
	_, err = s.KeepPlan(ctx, c.Team, "One more", p.Minutes, blocks)
	apptest.Refused(t, err, "template.too-many")
}

// What the last practice that is over left undone is of that one alone; a practice is found, listed and deleted by its
// team.
func TestUndoneAndDeleted(t *testing.T) {
	c := apptest.Open(t)
	s, ctx := New(c.Squads), t.Context()
	list, err := s.List(ctx, c.Team)
	apptest.Must(t, err)
	over := slices.IndexFunc(list, func(r gen.PracticesWithRepsRow) bool {
		return r.Practice.Status == string(practice.Done) && r.Practice.StartsAt.Before(c.Planned.StartsAt)
	})
	last := list[over].Practice
	left, err := s.Undone(ctx, c.Team, c.Planned)
	apptest.Must(t, err)
	rows, err := c.DB.BlocksOfPractice(ctx, gen.BlocksOfPracticeParams{ProgramID: last.ProgramID, PracticeID: last.ID})
	apptest.Must(t, err)
	counts, err := c.DB.RepsPerBlock(ctx, gen.RepsPerBlockParams{ProgramID: last.ProgramID, PracticeID: last.ID})
	apptest.Must(t, err)
	logged := map[string]bool{}
	for _, n := range counts {
		logged[n.BlockID.String()] = n.Reps > 0
	}
	for _, b := range left {
		if logged[b.ID] || !slices.ContainsFunc(rows, func(r gen.Block) bool { return r.ID.String() == b.ID }) {
			t.Errorf("%+v is left", b)
		}
	}
	// Without its reps every block that counts reps is left.
	_, err = c.DB.Pool.Exec(ctx, "UPDATE practices SET status = 'planned' WHERE id <> $1", last.ID)
	apptest.Must(t, err)
	again, err := s.Undone(ctx, c.Team, c.Planned)
	if err != nil || len(again) != len(left) {
		t.Errorf("%d are left, before %d, %v", len(again), len(left), err)
	}
	_, err = c.DB.Pool.Exec(ctx, "UPDATE practices SET status = 'planned'")
	apptest.Must(t, err)
	if none, err := s.Undone(ctx, c.Team, c.Planned); err != nil || len(none) != 0 {
		t.Errorf("%+v, %v", none, err)
	}

	program, team := c.Team.ProgramID, c.Team.ID
	if p, err := s.Find(ctx, program, team, c.Planned.ID); err != nil || p.ID != c.Planned.ID {
		t.Errorf("%+v, %v", p, err)
	}
	apptest.Refused(t, s.Delete(ctx, program, uuid.New(), c.Planned.ID), NoPractice)
	apptest.Must(t, s.Delete(ctx, program, team, c.Planned.ID))
	apptest.Refused(t, s.Delete(ctx, program, team, c.Planned.ID), NoPractice)
	_, err = s.Find(ctx, program, team, c.Planned.ID)
	apptest.Refused(t, err, NoPractice)
	if after, err := s.List(ctx, c.Team); err != nil || len(after) != len(list)-1 {
		t.Errorf("%d practices, before %d, %v", len(after), len(list), err)
	}
}
