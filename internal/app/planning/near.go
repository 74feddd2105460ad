package planning

import (
	"context"
	"time"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// NearPractice is a practice around the one that is planned.
type NearPractice struct {
	at     time.Time
	status practice.Status
	here   []uuid.UUID
	blocks []practice.Block
	aimed  []reads.Read
}

// How far around now practices tell what another should be: what was run, and what is
// planned besides (assumptions).
const (
	nearBefore = 28 * 24 * time.Hour
	nearAfter  = 60 * 24 * time.Hour
)

// parts are the blocks and the attendance of some practices, by practice.
type parts struct {
	blocks map[uuid.UUID][]practice.Block
	here   map[uuid.UUID][]gen.Attendance
}

// partsOf loads them in two queries, however many practices there are.
func (s *Service) partsOf(ctx context.Context, program uuid.UUID, rows []gen.Practice) (parts, error) {
	p := parts{map[uuid.UUID][]practice.Block{}, map[uuid.UUID][]gen.Attendance{}}
	list := idsOf(rows)
	blocks, err := s.Store.BlocksOfPractices(ctx, gen.BlocksOfPracticesParams{ProgramID: program, Practices: list})
	if err != nil {
		return p, err
	}
	for _, b := range blocks {
		p.blocks[b.PracticeID] = append(p.blocks[b.PracticeID], store.BlocksOf([]gen.Block{b})...)
	}
	here, err := s.Store.AttendanceOfPractices(ctx,
		gen.AttendanceOfPracticesParams{ProgramID: program, Practices: list})
	for _, a := range here {
		p.here[a.PracticeID] = append(p.here[a.PracticeID], a)
	}
	return p, err
}

func idsOf(rows []gen.Practice) []uuid.UUID {
	list := make([]uuid.UUID, len(rows))
	for i, p := range rows {
		list[i] = p.ID
	}
	return list
}

// nearPractices loads the practices around now.
func (s *Service) nearPractices(ctx context.Context, team gen.Team) ([]NearPractice, error) {
	rows, err := s.Store.PracticesBetween(ctx, gen.PracticesBetweenParams{ProgramID: team.ProgramID, TeamID: team.ID,
		Since: s.Now().Add(-nearBefore), Until: s.Now().Add(nearAfter)})
	if err != nil {
		return nil, err
	}
	parts, err := s.partsOf(ctx, team.ProgramID, rows)
	if err != nil {
		return nil, err
	}
	out := make([]NearPractice, len(rows))
	for i, p := range rows {
		terms, err := store.TermsOf(p)
		if err != nil {
			return nil, err
		}
		here := make([]uuid.UUID, len(parts.here[p.ID]))
		for k, a := range parts.here[p.ID] {
			here[k] = a.PlayerID
		}
		out[i] = NearPractice{p.StartsAt, practice.Status(p.Status), here, parts.blocks[p.ID], terms.Aimed}
	}
	return out, nil
}

// around tells a plan what the practices before it ran, what others of its week have, what
// the one before was for, and what those planned before it will give.
func (c *Context) around(p *practice.Plan, aims *practice.Aims, startsAt time.Time) {
	p.Near = map[practice.StageKey]bool{}
	monday := practice.MondayOf(startsAt, c.Zone)
	for _, n := range c.Near { // newest first
		// Not the practice itself, and none that was planned and never run.
		if n.at.Equal(startsAt) || n.status == practice.Planned && n.at.Before(c.Now) {
			continue
		}
		ran := map[practice.StageKey]bool{}
		for _, b := range n.blocks {
			if b.Kind == practice.DrillBlock {
				ran[practice.StageKey{Drill: b.Drill, Stage: b.Stage}] = true
			}
		}
		if !n.at.Before(monday) && n.at.Before(monday.AddDate(0, 0, 7)) {
			for key := range ran {
				p.Near[key] = true
			}
		}
		if !n.at.Before(startsAt) {
			continue
		}
		if p.Recent = append(p.Recent, ran); len(p.Recent) == 1 {
			aims.Kept = n.aimed
		}
		if n.status == practice.Planned {
			other := practice.Plan{People: c.People(n.here, nil), TeamRules: p.TeamRules, Library: p.Library}
			for key, reps := range other.Given(n.blocks) {
				aims.Planned[key] += reps
			}
		}
	}
}
