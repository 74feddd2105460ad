// Package demo makes an invented club with two teams, nine logged practices
// each and a practice tonight, from a fixed seed, so that every view has
// something true to show. Nobody in it exists.
package demo

import (
	"context"
	"math/rand/v2"
	"time"

	"github.com/alexedwards/argon2id"
	"github.com/google/uuid"

	"evrik/core/court"
	"evrik/core/practice"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// SignIn is filled in on the demo's first page.
var SignIn = api.SignIn{Email: "coach@tallowcreek.example", Password: "read the defender"}

const assistantEmail = "assistant@tallowcreek.example"

// seed of everything random in the demo.
const seed = 20260

// Ensure seeds the demo club when the database holds no program at all, and
// with reset seeds it afresh.
func Ensure(ctx context.Context, db *store.Store, now time.Time, reset bool) error {
	if reset {
		if err := db.DeleteDemoPrograms(ctx); err != nil {
			return err
		}
	}
	n, err := db.CountPrograms(ctx)
	if err != nil || n > 0 {
		return err
	}
	return db.Tx(ctx, func(q *gen.Queries) error {
		if err := q.LockSetup(ctx); err != nil {
			return err
		}
		if n, err := q.CountPrograms(ctx); err != nil || n > 0 {
			return err
		}
		s := &seeder{q: q, ctx: ctx, now: now, source: rand.NewChaCha8([32]byte{seed & 0xff, seed >> 8 & 0xff})}
		s.rng = rand.New(s.source)
		return s.club()
	})
}

type seeder struct {
	q       *gen.Queries
	ctx     context.Context
	now     time.Time
	source  *rand.ChaCha8
	rng     *rand.Rand
	program uuid.UUID
	coaches [2]uuid.UUID
}

func (s *seeder) id() uuid.UUID { return uuid.Must(uuid.NewRandomFromReader(s.source)) }

func (s *seeder) club() error {
	s.program = s.id()
	if err := s.q.InsertProgram(s.ctx, gen.InsertProgramParams{ID: s.program, Name: "Tallow Creek Basketball",
		Demo: true}); err != nil {
		return err
	}
	hash, err := argon2id.CreateHash(SignIn.Password, argon2id.DefaultParams)
	if err != nil {
		return err
	}
	for i, c := range []gen.InsertStaffParams{
		{Name: "Marlow", Email: SignIn.Email, Role: "head"}, {Name: "Ines", Email: assistantEmail, Role: "assistant"},
	} {
		s.coaches[i] = s.id()
		c.ID, c.ProgramID, c.PasswordHash = s.coaches[i], s.program, hash
		if err := s.q.InsertStaff(s.ctx, c); err != nil {
			return err
		}
	}
	teams := make([]roster, len(squads))
	for i, t := range squads {
		if teams[i], err = s.team(i, t); err != nil {
			return err
		}
	}
	for i, t := range teams {
		var guests []member
		if i == 0 { // those who have moved up since were in the younger team
			for _, m := range teams[1].players {
				if m.movedUp > 0 {
					guests = append(guests, m)
				}
			}
		}
		if err := s.season(t, guests); err != nil {
			return err
		}
	}
	return s.quiz(teams[0])
}

// zoneOf names the time zone of a moment; a machine that does not say is in UTC.
func zoneOf(t time.Time) string {
	if name := t.Location().String(); name != "Local" {
		return name
	}
	return "UTC"
}

// roster is a stored team.
type roster struct {
	squad
	id      uuid.UUID
	players []member
}

// daysAgo is when the logged practices were; there was a holiday between the sixth and the seventh.
var daysAgo = [9]int{52, 49, 45, 41, 38, 34, 12, 7, 3}

// startHour is when practice begins.
const startHour = 18

func (s *seeder) day(ago int) time.Time {
	y, m, d := s.now.Date()
	return time.Date(y, m, d-ago, startHour, 0, 0, 0, s.now.Location())
}

func (s *seeder) team(position int, t squad) (roster, error) {
	r := roster{squad: t, id: s.id(), players: make([]member, len(t.players))}
	c, _ := court.PresetCourt(court.HighSchool)
	if err := s.q.InsertTeam(s.ctx, gen.InsertTeamParams{ID: r.id, ProgramID: s.program, Name: t.name,
		Season: "Winter season",
		Ages:   string(t.ages), Court: store.CourtJSON(c), Position: int32(position),
		Zone: zoneOf(s.now)}); err != nil {
		return r, err
	}
	for i, p := range t.players {
		p.id = s.id()
		r.players[i] = p
		if err := s.q.InsertPlayer(s.ctx, gen.InsertPlayerParams{ID: p.id, ProgramID: s.program, TeamID: r.id,
			Jersey: p.jersey, Name: p.name,
			Handler: p.tendency == 'h', Wing: p.tendency == 'w', Big: p.tendency == 'b',
			Shooter: p.shooter}); err != nil {
			return r, err
		}
	}
	return r, nil
}

// season stores a team's logged practices and the one that comes next.
func (s *seeder) season(t roster, guests []member) error {
	for k, ago := range daysAgo {
		here := []member{}
		for _, m := range t.players {
			if !m.away[k] && k >= m.movedUp {
				here = append(here, m)
			}
		}
		for _, m := range guests {
			if k < m.movedUp {
				here = append(here, m)
			}
		}
		if err := s.logged(t, here, k, s.day(ago)); err != nil {
			return err
		}
	}
	for _, o := range t.opponents {
		if err := s.game(t, o); err != nil {
			return err
		}
	}
	next := s.day(0)
	if s.now.After(next.Add(90 * time.Minute)) {
		next = s.day(-1)
	}
	if _, err := s.plan(t.id, next, t.minutes, practice.Planned, t.players, t.tonight); err != nil {
		return err
	}
	later := next.AddDate(0, 0, 2)
	if _, err := s.plan(t.id, later, 60, practice.Planned, t.players, soon); err != nil {
		return err
	}
	_, err := s.q.SetSeasonAim(s.ctx, gen.SetSeasonAimParams{ProgramID: s.program, ID: t.id,
		SeasonAim: store.AimJSON(aim(next, t.install))})
	return err
}

// aim is what the six weeks from tonight's practice are for: practice on its
// weekday and two days later, two games.
func aim(next time.Time, install []string) practice.SeasonAim {
	on := func(days int) string { return next.AddDate(0, 0, days).Format(practice.DateFormat) }
	a := practice.FirstAim(next, install)
	a.Weekdays = []int{int(next.Weekday()), int(next.AddDate(0, 0, 2).Weekday())}
	a.Games = []practice.SeasonGame{{Date: on(11), Needs: install[:2]}, {Date: on(25), Needs: install}}
	return a
}

// plan stores a practice and returns it with its blocks.
func (s *seeder) plan(team uuid.UUID, at time.Time, minutes int, status practice.Status, players []member,
	outline []outlined) (planned, error) {
	p := planned{id: s.id()}
	present := make([]uuid.UUID, len(players))
	for i, m := range players {
		present[i] = m.id
	}
	for _, o := range outline {
		b := practice.Block{ID: s.id().String(), Kind: o.kind, Title: o.title, Minutes: o.minutes, Baskets: 1,
			Seed: s.rng.Uint64N(1 << 31)}
		b.Play = scrimmages[o.title]
		if o.kind == practice.DrillBlock {
			b.Drill, b.Stage = o.drill, o.stage
			if o.drill == slots {
				b.Baskets = 2
				b.Staff = []practice.Duty{{Who: "Ines", Job: "passes", Basket: 1},
					{Who: "Ines", Job: "logs", Basket: 1}, {Who: "Marlow", Job: "passes", Basket: 2},
					{Who: "Marlow", Job: "logs", Basket: 2}}
			}
		}
		p.blocks = append(p.blocks, b)
	}
	if err := s.q.InsertPractice(s.ctx, gen.InsertPracticeParams{ID: p.id, ProgramID: s.program, TeamID: team,
		StartsAt: at,
		Minutes:  int32(minutes), Status: string(status)}); err != nil {
		return p, err
	}
	return p, store.PutPlan(s.ctx, s.q, s.program, p.id, present, nil, p.blocks)
}

type planned struct {
	id     uuid.UUID
	blocks []practice.Block
}
