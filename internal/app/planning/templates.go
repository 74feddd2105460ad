package planning

import (
	"context"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/internal/app"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// maxTemplates is how many plans a program keeps (assumption).
const maxTemplates = 100

// Template is a plan that is kept for another evening; who was here is not part of it.
type Template struct {
	ID      uuid.UUID
	Name    string
	Minutes int
	Blocks  []practice.Block
}

// Templates lists the plans that a program has kept.
func (s *Service) Templates(ctx context.Context, program uuid.UUID) (out []Template, err error) {
	rows, err := s.Store.TemplatesOfProgram(ctx, program)
	for _, t := range rows {
		blocks, err := store.TemplateBlocks(t)
		if err != nil {
			return nil, err
		}
		out = append(out, Template{t.ID, t.Name, int(t.Minutes), blocks})
	}
	return out, err
}

// KeepPlan keeps a plan for another evening. It refuses with app.Conflict where a program has as many as it may.
func (s *Service) KeepPlan(ctx context.Context, team gen.Team, name string, minutes int,
	blocks []practice.Block) (t Template, err error) {
	c, err := s.Context(ctx, team)
	if err != nil {
		return t, err
	}
	if name, err = app.Text(name, "name.plan"); err != nil {
		return t, err
	}
	if err := practice.Check(c.Library, minutes, blocks); err != nil {
		return t, app.RefuseBy(app.Invalid, err, "kept.nothing")
	}
	known, err := s.Store.TemplatesOfProgram(ctx, team.ProgramID)
	if err != nil {
		return t, err
	}
	if len(known) >= maxTemplates {
		return t, app.Refuse(app.Conflict, "template.too-many", maxTemplates)
	}
	for i := range blocks {
		if blocks[i].Basket == 0 {
			blocks[i].Players = []string{}
		}
	}
	t = Template{uuid.Must(uuid.NewV7()), name, minutes, blocks}
	return t, s.Store.PutTemplate(ctx, gen.PutTemplateParams{ID: t.ID, ProgramID: team.ProgramID, Name: t.Name,
		Minutes: int32(t.Minutes), Blocks: store.BlocksJSON(t.Blocks)})
}

// ForgetPlan forgets a kept plan.
func (s *Service) ForgetPlan(ctx context.Context, program, id uuid.UUID) error {
	n, err := s.Store.DeleteTemplate(ctx, gen.DeleteTemplateParams{ProgramID: program, ID: id})
	return app.Changed(n, err, "template.missing")
}
