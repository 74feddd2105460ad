package planning

import (
	"context"
	"errors"
	"slices"
	"time"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/internal/app"
	"evrik/internal/app/rosters"
	"evrik/internal/app/squad"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Service plans practices.
type Service struct {
	squad.Service
	recent recentContexts
}

// New returns a service that reads from a squad service.
func New(s squad.Service) *Service { return &Service{Service: s} }

// Draft is a plan that is not stored.
type Draft struct {
	StartsAt time.Time
	Minutes  int
	Note     string
	// Present are who takes part, Limited of them who keeps out of live blocks.
	Present, Limited []uuid.UUID
	Terms            practice.Terms
	Blocks           []practice.Block
}

// Practice is a stored practice with its run sheet.
type Practice struct {
	Draft
	ID      uuid.UUID
	Version int
	Status  practice.Status
	Sheet   practice.Sheet
	// Gym are the program's other practices that run at the same time.
	Gym []gen.OthersInTheGymRow
}

// NoPractice is said where a practice is not there.
const NoPractice = "practice.missing"

// maxNote is how long the note of a plan may be, in bytes (assumption).
const maxNote = 2000

// attended is who is here, and who keeps out of live blocks; of a practice that is over,
// everybody who took part: leaving early does not undo what was asked of a player.
func attended(rows []gen.Attendance, over bool) (present, limited []uuid.UUID) {
	present, limited = []uuid.UUID{}, []uuid.UUID{}
	for _, r := range rows {
		if r.Gone != "" && !over {
			continue
		}
		present = append(present, r.PlayerID)
		if r.Limited {
			limited = append(limited, r.PlayerID)
		}
	}
	return present, limited
}

// Practice returns a stored practice with its run sheet.
func (s *Service) Practice(ctx context.Context, c *Context, p gen.Practice) (Practice, error) {
	of := gen.BlocksOfPracticeParams{ProgramID: p.ProgramID, PracticeID: p.ID}
	rows, err := s.Store.BlocksOfPractice(ctx, of)
	if err != nil {
		return Practice{}, err
	}
	here, err := s.Store.Attendance(ctx, gen.AttendanceParams(of))
	if err != nil {
		return Practice{}, err
	}
	gym, err := s.Store.OthersInTheGym(ctx, gen.OthersInTheGymParams{ProgramID: p.ProgramID, TeamID: p.TeamID,
		Since: p.StartsAt, Until: p.StartsAt.Add(time.Duration(p.Minutes) * time.Minute)})
	if err != nil {
		return Practice{}, err
	}
	d, err := draftOf(p, store.BlocksOf(rows), here)
	return Practice{Draft: d, ID: p.ID, Version: int(p.Version), Status: practice.Status(p.Status),
		Sheet: practice.LayOut(c.Plan(d)), Gym: gym}, err
}

// draftOf is a stored practice as it was put in.
func draftOf(p gen.Practice, blocks []practice.Block, here []gen.Attendance) (Draft, error) {
	terms, err := store.TermsOf(p)
	present, limited := attended(here, p.Status == string(practice.Done))
	return Draft{StartsAt: p.StartsAt, Minutes: int(p.Minutes), Note: p.Note, Present: present, Limited: limited,
		Terms: terms, Blocks: blocks}, err
}

// Check refuses a draft that cannot be laid out.
func (c *Context) Check(d Draft) error {
	for i, b := range d.Blocks {
		if _, err := uuid.Parse(b.ID); err != nil {
			return app.Refuse(app.Invalid, "plan.block-id", i+1)
		}
		for _, id := range b.Players {
			if _, err := uuid.Parse(id); err != nil {
				return app.Refuse(app.Invalid, "plan.block-player", i+1)
			}
		}
	}
	if err := practice.Check(c.Library, d.Minutes, d.Blocks); err != nil {
		return app.RefuseBy(app.Invalid, err, "kept.nothing")
	}
	if err := d.Terms.Check(); err != nil {
		return app.RefuseBy(app.Invalid, err, "kept.nothing")
	}
	if len(d.Note) > maxNote {
		return app.Refuse(app.Invalid, "plan.note-too-long", maxNote)
	}
	if slices.ContainsFunc(d.Present, func(id uuid.UUID) bool { return !c.Has(id) }) {
		return app.Refuse(app.Missing, rosters.NoPlayer)
	}
	return nil
}

// LayOut computes a draft's arithmetic.
func (s *Service) LayOut(ctx context.Context, team gen.Team, d Draft) (practice.Sheet, error) {
	c, err := s.recently(ctx, team, d)
	if err != nil {
		return practice.Sheet{}, err
	}
	if err := c.Check(d); err != nil {
		return practice.Sheet{}, err
	}
	return practice.LayOut(c.Plan(d)), nil
}

// Fill fits a draft to its minutes.
func (s *Service) Fill(ctx context.Context, team gen.Team, d Draft, scope practice.Scope) (practice.Filled, error) {
	c, err := s.Context(ctx, team)
	if err != nil {
		return practice.Filled{}, err
	}
	if err := c.Check(d); err != nil {
		return practice.Filled{}, err
	}
	out, err := practice.Fill(c.Plan(d), scope, uuid.NewString)
	var conflict practice.Conflict
	if errors.As(err, &conflict) {
		return out, app.RefuseBy(app.Conflict, conflict.Refusal, "")
	}
	return out, err
}

// Add stores a new practice.
func (s *Service) Add(ctx context.Context, team gen.Team, d Draft) (uuid.UUID, error) {
	c, err := s.checked(ctx, team, d)
	if err != nil {
		return uuid.Nil, err
	}
	if err := s.checkTime(ctx, &c, d, uuid.Nil); err != nil {
		return uuid.Nil, err
	}
	id := uuid.Must(uuid.NewV7())
	err = s.Store.Tx(ctx, func(q *gen.Queries) error {
		if err := q.InsertPractice(ctx, gen.InsertPracticeParams{ID: id, ProgramID: team.ProgramID, TeamID: team.ID,
			StartsAt: d.StartsAt, Minutes: int32(d.Minutes), Note: d.Note, Status: string(practice.Planned),
			Terms: store.TermsJSON(c.aimed(d))}); err != nil {
			return err
		}
		return store.PutPlan(ctx, q, team.ProgramID, id, d.Present, d.Limited, d.Blocks)
	})
	return id, err
}

// Update stores a changed practice, unless somebody else changed it since version. notify runs
// with the change in one transaction.
func (s *Service) Update(ctx context.Context, team gen.Team, old gen.Practice, d Draft, version int32,
	notify func(*gen.Queries) error) error {
	c, err := s.checked(ctx, team, d)
	if err != nil {
		return err
	}
	// A plan that keeps its time keeps it, whatever has been planned since.
	if !d.StartsAt.Equal(old.StartsAt) || d.Minutes != int(old.Minutes) {
		if err := s.checkTime(ctx, &c, d, old.ID); err != nil {
			return err
		}
	}
	return s.Store.Tx(ctx, func(q *gen.Queries) error {
		n, err := q.UpdatePractice(ctx, gen.UpdatePracticeParams{ProgramID: team.ProgramID, TeamID: team.ID, ID: old.ID,
			StartsAt: d.StartsAt, Minutes: int32(d.Minutes), Note: d.Note, Version: version,
			Terms: store.TermsJSON(c.aimed(d))})
		if err != nil {
			return err
		}
		if n == 0 {
			return app.Refuse(app.Conflict, "plan.changed-meanwhile")
		}
		if old.Status == string(practice.Open) {
			if err := KeepDropped(ctx, q, old, d.Blocks); err != nil {
				return err
			}
		}
		if err := store.PutPlan(ctx, q, team.ProgramID, old.ID, d.Present, d.Limited, d.Blocks); err != nil {
			return err
		}
		return notify(q)
	})
}

// checked is the context of a draft that can be laid out.
func (s *Service) checked(ctx context.Context, team gen.Team, d Draft) (Context, error) {
	c, err := s.Context(ctx, team)
	if err != nil {
		return c, err
	}
	return c, c.Check(d)
}

// aimed are a draft's terms with the goals it has now.
func (c *Context) aimed(d Draft) practice.Terms {
	terms := d.Terms
	terms.Aimed = nil
	for _, g := range c.Plan(d).Goals {
		terms.Aimed = append(terms.Aimed, g.Read)
	}
	return terms
}

// checkTime refuses a time that cannot be kept: the core says why.
func (s *Service) checkTime(ctx context.Context, c *Context, d Draft, own uuid.UUID) error {
	rows, err := s.Store.PracticesOfTeam(ctx, gen.PracticesOfTeamParams{ProgramID: c.Team.ProgramID, TeamID: c.Team.ID})
	if err != nil {
		return err
	}
	var others []practice.Slot
	for _, p := range rows {
		if p.ID != own {
			others = append(others, practice.Slot{Start: p.StartsAt, Minutes: float64(p.Minutes)})
		}
	}
	if err := practice.CheckTime(practice.Slot{Start: d.StartsAt, Minutes: float64(d.Minutes)}, c.Zone,
		others); err != nil {
		return app.RefuseBy(app.Conflict, err, "kept.plan-on-page")
	}
	return nil
}

// KeepDropped notes which blocks a running practice gives up with a new plan: they are carried
// over, and what was logged in them on a device that has not heard of it is still taken.
func KeepDropped(ctx context.Context, q *gen.Queries, p gen.Practice, to []practice.Block) error {
	rows, err := q.BlocksOfPractice(ctx, gen.BlocksOfPracticeParams{ProgramID: p.ProgramID, PracticeID: p.ID})
	if err != nil {
		return err
	}
	dropped, err := store.DroppedOf(p)
	if err != nil {
		return err
	}
	in := func(list []practice.Block, id string) bool {
		return slices.ContainsFunc(list, func(b practice.Block) bool { return b.ID == id })
	}
	dropped = slices.DeleteFunc(dropped, func(b practice.Block) bool { return in(to, b.ID) })
	for _, b := range store.BlocksOf(rows) {
		if b.Kind == practice.DrillBlock && !in(to, b.ID) && !in(dropped, b.ID) {
			dropped = append(dropped, b)
		}
	}
	return q.SetDropped(ctx, gen.SetDroppedParams{ProgramID: p.ProgramID, ID: p.ID, Dropped: store.BlocksJSON(dropped)})
}

// SetSeason stores what the weeks ahead are for.
func (s *Service) SetSeason(ctx context.Context, team gen.Team, aim practice.SeasonAim) error {
	zone, err := time.LoadLocation(team.Zone)
	if err != nil {
		return err
	}
	if err := aim.Check(s.Now().In(zone)); err != nil {
		return app.RefuseBy(app.Invalid, err, "kept.nothing")
	}
	_, err = s.Store.SetSeasonAim(ctx, gen.SetSeasonAimParams{ProgramID: team.ProgramID, ID: team.ID,
		SeasonAim: store.AimJSON(aim)})
	return err
}
