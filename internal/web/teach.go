package web

import (
	"context"

	"github.com/google/uuid"

	"evrik/core/court"
	"evrik/core/drill"
	"evrik/core/reads"
	"evrik/internal/app"
	"evrik/internal/app/drills"
	"evrik/internal/app/rosters"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// floor returns what judging needs of a team.
func (s *Server) floor(ctx context.Context, team uuid.UUID) (reads.Floor, error) {
	t, err := s.team(ctx, team)
	if err != nil {
		return reads.Floor{}, err
	}
	return store.FloorOf(t)
}

const noScreen = "action.missing"

// Search finds the lines of the tables that words describe.
func (s *Server) Search(ctx context.Context, r api.SearchRequestObject) (api.SearchResponseObject, error) {
	fl, err := s.floor(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	out := api.Search200JSONResponse{}
	return append(out, reads.Search(fl.Rules, r.Params.Words)...), nil
}

// GetLesson returns an action's table and a clear snapshot per cue.
func (s *Server) GetLesson(ctx context.Context, r api.GetLessonRequestObject) (api.GetLessonResponseObject, error) {
	fl, err := s.floor(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	action, ok := reads.ActionByID(r.Params.Action)
	if !ok {
		return nil, missing(noScreen)
	}
	out := api.GetLesson200JSONResponse{Action: *action, Rows: action.Rows(fl.Rules), Lines: fl.Court.Lines(),
		Spots: fl.Court.Spots(court.StandOff)}
	for _, row := range out.Rows {
		example := action.Example(fl.Court, row.Cue)
		judged, err := reads.Judge(fl, &example)
		if err != nil {
			return nil, err
		}
		out.Examples, out.Deciders = append(out.Examples, example), append(out.Deciders, string(judged.Decider))
	}
	return out, nil
}

// Judge answers a snapshot.
func (s *Server) Judge(ctx context.Context, r api.JudgeRequestObject) (api.JudgeResponseObject, error) {
	fl, err := s.floor(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	a, err := reads.Judge(fl, r.Body)
	return api.Judge200JSONResponse(a), err
}

// ReadMap answers for every place of one defender.
func (s *Server) ReadMap(ctx context.Context, r api.ReadMapRequestObject) (api.ReadMapResponseObject, error) {
	fl, err := s.floor(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	mover, ok := reads.ParsePlace(r.Params.Mover)
	if !ok || !mover.Defends() {
		return nil, invalid("action.map-part")
	}
	if err := r.Body.Validate(fl.Court); err != nil {
		return nil, err
	}
	open := r.Params.Open != nil && *r.Params.Open
	return api.ReadMap200JSONResponse(s.readMap(fl, *r.Body, mover, open)), nil
}

// mapKey is what a read map depends on: everything but the mover's own place.
type mapKey struct {
	floor reads.Floor
	at    reads.Snapshot
	mover reads.Place
	open  bool
}

// readMap makes a map, or finds the one made for somebody else.
func (s *Server) readMap(fl reads.Floor, at reads.Snapshot, mover reads.Place, open bool) reads.Map {
	at.Put(mover, court.Point{})
	key := mapKey{fl, at, mover, open}
	if m, ok := s.maps.Get(key); ok {
		return m
	}
	var m reads.Map
	if open {
		m = reads.OpenMapOf(&fl, &at, mover)
	} else {
		m = reads.MapOf(&fl, &at, mover)
	}
	s.maps.Add(key, m)
	return m
}

// Play sets a snapshot in motion.
func (s *Server) Play(ctx context.Context, r api.PlayRequestObject) (api.PlayResponseObject, error) {
	fl, err := s.floor(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	a, err := reads.Judge(fl, r.Body)
	if err != nil {
		return nil, err
	}
	return api.Play200JSONResponse(reads.PlayOf(fl, r.Body, a)), nil
}

// GetQuestion draws a clear snapshot to ask about.
func (s *Server) GetQuestion(ctx context.Context, r api.GetQuestionRequestObject) (api.GetQuestionResponseObject,
	error) {
	fl, err := s.floor(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	action, ok := reads.ActionByID(r.Params.Action)
	if !ok {
		return nil, missing(noScreen)
	}
	return api.GetQuestion200JSONResponse(reads.Clear(&fl, action, uint64(r.Params.Seed))), nil
}

// GetTape returns the tape sheet of the team's court in the team's units.
func (s *Server) GetTape(ctx context.Context, r api.GetTapeRequestObject) (api.GetTapeResponseObject, error) {
	t, err := s.team(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	c, err := store.CourtOf(t)
	out := api.GetTape200JSONResponse{Lines: c.Lines(), Marks: c.TapeSheet(t.Metric), Source: "measured by the team"}
	if r.Params.Action != nil {
		action, ok := reads.ActionByID(*r.Params.Action)
		if !ok {
			return nil, missing(noScreen)
		}
		out.Marks = append(action.TapeMarks(c, t.Metric), out.Marks...)
	}
	for _, p := range court.Presets() {
		if p.ID == c.Preset {
			out.Source = p.Source
		}
	}
	return out, err
}

// GetMotion plays one rep of a drill on the team's court.
func (s *Server) GetMotion(ctx context.Context, r api.GetMotionRequestObject) (api.GetMotionResponseObject, error) {
	fl, err := s.floor(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	lib, err := s.squads.Library(ctx, caller(ctx).ProgramID)
	if err != nil {
		return nil, err
	}
	d, ok := lib.ByID(r.Params.Drill)
	if !ok {
		return nil, missing(drills.NoDrill)
	}
	play, err := d.Motion(fl.Court, fl.Pace)
	return api.GetMotion200JSONResponse{Play: play, Lines: fl.Court.Lines()}, err
}

// wishes are pairs of players to be kept apart or together.
func wishes(pairs *[]api.Pair) [][2]string {
	var out [][2]string
	if pairs != nil {
		for _, p := range *pairs {
			if len(p) == 2 {
				out = append(out, [2]string{p[0], p[1]})
			}
		}
	}
	return out
}

// OrderList makes a stage's order list for tonight's numbers.
func (s *Server) OrderList(ctx context.Context, r api.OrderListRequestObject) (api.OrderListResponseObject, error) {
	onTeam, err := s.players(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	lib, err := s.squads.Library(ctx, caller(ctx).ProgramID)
	if err != nil {
		return nil, err
	}
	d, ok := lib.ByID(r.Body.Drill)
	if !ok {
		return nil, missing(drills.NoDrill)
	}
	stage, ok := d.Stage(r.Body.Stage)
	if !ok {
		return nil, missing("drill.stage-missing", d.Name)
	}
	in, err := setupOf(r.Body, onTeam)
	if err != nil {
		return nil, err
	}
	if in.Measured, err = s.drills.Pace(ctx, caller(ctx).ProgramID, r.TeamId, d.ID, stage.ID); err != nil {
		return nil, err
	}
	o, err := drill.OrderList(d, stage, in)
	return api.OrderList200JSONResponse(o), err
}

// setupOf is what an order list is asked for, for players of a team.
func setupOf(asked *api.OrderListJSONRequestBody, onTeam []gen.Player) (drill.Setup, error) {
	in := drill.Setup{Baskets: asked.Baskets, Minutes: asked.Minutes, Apart: wishes(asked.Apart),
		Together: wishes(asked.Together)}
	known := map[uuid.UUID]bool{}
	for _, p := range onTeam {
		known[p.ID] = true
		if p.Big && app.Value(asked.MatchSizes) {
			in.Bigs = append(in.Bigs, p.ID.String())
		}
	}
	for _, id := range asked.Players {
		if !known[id] {
			return in, missing(rosters.NoPlayer)
		}
		in.Players = append(in.Players, id.String())
	}
	in.Seconds, in.Seed, in.NoHelpers, in.Done = app.Value(asked.Seconds), uint64(app.Value(asked.Seed)),
		app.Value(asked.NoHelpers), app.Value(asked.Done)
	for _, id := range app.Value(asked.Harder) {
		if cue, ok := reads.ParseCue(id); ok {
			in.Harder = append(in.Harder, cue)
		}
	}
	return in, nil
}
