// Package homework gives players drills to shoot at home, and keeps what they tell of them.
package homework

import (
	"context"
	"slices"
	"time"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/internal/app"
	"evrik/internal/app/quizzes"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// mostGiven is how many drills a team gives for home at once (assumption: short).
const mostGiven = 4

// Service gives drills for home.
type Service struct {
	Store *store.Store
	// Library is what drills a program has.
	Library func(ctx context.Context, program uuid.UUID) (drill.Library, error)
	Now     func() time.Time
}

// Give gives a team's players a drill for home, or takes it back.
func (s Service) Give(ctx context.Context, team gen.Team, id string, given bool) error {
	lib, err := s.Library(ctx, team.ProgramID)
	if err != nil {
		return err
	}
	d, ok := lib.ByID(id)
	if !ok {
		return app.Refuse(app.Missing, "home.missing")
	}
	all := slices.DeleteFunc(slices.Clone(team.HomeDrills), func(id string) bool { return id == d.ID })
	if given {
		if !d.ForHome() {
			return app.Refuse(app.Invalid, "home.not-alone", d.Name)
		}
		if len(all) >= mostGiven {
			return app.Refuse(app.Invalid, "home.too-many", mostGiven)
		}
		all = append(all, d.ID)
	}
	return s.Store.SetHomeDrills(ctx,
		gen.SetHomeDrillsParams{ProgramID: team.ProgramID, ID: team.ID, Drills: all})
}

// Tell keeps what a player tells of a drill at home, once by its id; one told of tomorrow counts for today.
func (s Service) Tell(ctx context.Context, l quizzes.Learner, id uuid.UUID, drill string,
	told evidence.HomeSession) error {
	told.At = app.SeenAt(told.At, s.Now())
	if err := told.Check(); err != nil {
		return app.RefuseBy(app.Invalid, err, "")
	}
	if !slices.Contains(l.Team.HomeDrills, drill) {
		return app.Refuse(app.Missing, "home.taken-back")
	}
	_, err := s.Store.InsertHomeShots(ctx, gen.InsertHomeShotsParams{ProgramID: l.Program, PlayerID: l.Player,
		ID: id, Drill: drill, At: told.At,
		RightMade: int32(told.Right.Made), RightTried: int32(told.Right.Tried), LeftMade: int32(told.Left.Made),
		LeftTried: int32(told.Left.Tried)})
	return err
}

// Work is a drill that a player shoots at home, with what was told of it.
type Work struct {
	Drill *drill.Drill
	Told  []evidence.HomeSession
}

// Of is what a player is given for home, in the order it was given. A drill that cannot be shot alone any more is left
// out.
func (s Service) Of(ctx context.Context, l quizzes.Learner) (out []Work, err error) {
	lib, err := s.Library(ctx, l.Program)
	if err != nil {
		return nil, err
	}
	rows, err := s.Store.HomeShotsOfPlayer(ctx, gen.HomeShotsOfPlayerParams{ProgramID: l.Program, PlayerID: l.Player})
	if err != nil {
		return nil, err
	}
	for _, id := range l.Team.HomeDrills {
		d, ok := lib.ByID(id)
		if !ok || !d.ForHome() {
			continue
		}
		w := Work{Drill: d, Told: []evidence.HomeSession{}}
		for _, row := range rows {
			if row.Drill == id {
				w.Told = append(w.Told, store.HomeOf(row))
			}
		}
		out = append(out, w)
	}
	return out, nil
}
