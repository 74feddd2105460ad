// Package reviews sums up practices after they ran.
package reviews

import (
	"context"
	"slices"
	"time"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/app"
	"evrik/internal/app/planning"
	"evrik/internal/app/squad"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Service sums up.
type Service struct {
	Store  *store.Store
	Squads squad.Service
	Now    func() time.Time
}

// Review is a practice summed up.
type Review struct {
	practice.Review
	Players []gen.Player
	// Here are who was there, with how hard it was for them.
	Here []gen.Attendance
	// Turns are the verdicts that the practice turned, Words all of it in sentences.
	Turns []evidence.Turn
	Words practice.ReviewWords
	// Next is the practice planned next; nil where there is none.
	Next *Next
}

// Next is a practice that is planned.
type Next struct {
	ID       uuid.UUID
	StartsAt time.Time
}

// maxNote is how long the note about a practice may be, in bytes (assumption).
const maxNote = 2000

// SetNote keeps the note about a practice.
func (s Service) SetNote(ctx context.Context, program, team, practice uuid.UUID, note string) error {
	if len(note) > maxNote {
		return app.Refuse(app.Invalid, "practice.note-too-long")
	}
	n, err := s.Store.SetReview(ctx, gen.SetReviewParams{ProgramID: program, TeamID: team, ID: practice, Review: note})
	return app.Changed(n, err, planning.NoPractice)
}

// Of sums a practice up.
func (s Service) Of(ctx context.Context, team gen.Team, p gen.Practice) (out Review, err error) {
	b, err := s.Squads.Board(ctx, team, reads.Cutter)
	if err != nil {
		return out, err
	}
	logged, err := s.Store.RepsOfPractice(ctx, team.ProgramID, p.ID)
	if err != nil {
		return out, err
	}
	reps := evidence.OnePerRep(logged)
	out.Players = b.Players
	if err := s.ran(ctx, b, p, reps, &out); err != nil {
		return out, err
	}
	if out.Turns, err = s.turns(ctx, team, b, p, logged); err != nil {
		return out, err
	}
	terms, err := store.TermsOf(p)
	if err != nil {
		return out, err
	}
	out.Words = out.InWords(out.Turns, terms.Aimed, reps, b.NameOf)
	out.Next, err = NextAfter(ctx, s.Store, team, p.StartsAt)
	return out, err
}

// ran fills in what was run, and for whom.
func (s Service) ran(ctx context.Context, b squad.Board, p gen.Practice, reps []evidence.Rep, out *Review) error {
	of := gen.BlocksOfPracticeParams{ProgramID: p.ProgramID, PracticeID: p.ID}
	rows, err := s.Store.BlocksOfPractice(ctx, of)
	if err != nil {
		return err
	}
	clock, err := s.Store.ClockEvents(ctx, gen.ClockEventsParams(of))
	if err != nil {
		return err
	}
	if out.Here, err = s.Store.Attendance(ctx, gen.AttendanceParams(of)); err != nil {
		return err
	}
	dropped, err := store.DroppedOf(p)
	if err != nil {
		return err
	}
	out.Review = practice.ReviewOf(b.Library, store.BlocksOf(rows), practice.Ran(store.ClockOf(clock), s.Now()),
		inRosterOrder(b.Players, out.Here), reps, dropped)
	return nil
}

// turns compares the verdicts with those that stood without the practice.
func (s Service) turns(ctx context.Context, team gen.Team, b squad.Board, p gen.Practice,
	logged []evidence.Rep) ([]evidence.Turn, error) {
	before, err := s.without(ctx, team, b, p)
	if err != nil {
		return nil, err
	}
	turns := []evidence.Turn{}
	taught := drill.Taught(store.ActionsOf(logged))
	for _, role := range squad.Roles {
		columns := reads.Columns(taught, store.RulesOf(team), role)
		turns = append(turns, s.Squads.Policy.Turns(squad.IDs(b.Players), role, columns, before, b.History, s.Now())...)
	}
	return turns, nil
}

// without is the history of a team's players without a practice's reps.
func (s Service) without(ctx context.Context, team gen.Team, b squad.Board, p gen.Practice) (*evidence.History, error) {
	log := b.Log
	own := func(r evidence.Rep) bool { return string(r.Practice) == p.ID.String() }
	if !slices.ContainsFunc(log.Open, own) {
		// Its weeks are closed already.
		all, err := s.Store.RepsOfTeam(ctx, team, time.Time{}, evidence.Ever)
		if err != nil {
			return nil, err
		}
		log.Closed, log.Open = evidence.NoHistory(), all
	}
	log.Open = slices.DeleteFunc(slices.Clone(log.Open), own)
	return log.History(s.Squads.Policy), nil
}

// NextAfter is the first planned practice of a team after a moment, nil where there is none.
func NextAfter(ctx context.Context, db *store.Store, team gen.Team, at time.Time) (next *Next, err error) {
	list, err := db.PracticesOfTeam(ctx, gen.PracticesOfTeamParams{ProgramID: team.ProgramID, TeamID: team.ID})
	for _, p := range list { // newest first
		if p.StartsAt.After(at) && p.Status == string(practice.Planned) {
			next = &Next{p.ID, p.StartsAt}
		}
	}
	return next, err
}

// inRosterOrder are those who took part in a practice, also if they left early.
func inRosterOrder(players []gen.Player, here []gen.Attendance) []string {
	took := map[uuid.UUID]bool{}
	for _, a := range here {
		took[a.PlayerID] = true
	}
	out := []string{}
	for _, p := range players {
		if took[p.ID] {
			out = append(out, p.ID.String())
		}
	}
	return out
}
