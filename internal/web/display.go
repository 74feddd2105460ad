package web

import (
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"time"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/internal/app/floors"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// sessionDisplay is where a session keeps which display it is paired as.
const sessionDisplay = "display"

var notPaired = refused(http.StatusUnauthorized, "display.not-paired")

type displayKey struct{}

// displayOf is the paired display that sent the request.
func displayOf(ctx context.Context) gen.Display {
	d, _ := ctx.Value(displayKey{}).(gen.Display)
	return d
}

// pairedDisplay returns the display a session is paired as, or refuses.
func (s *Server) pairedDisplay(ctx context.Context) (gen.Display, error) {
	id, err := uuid.Parse(s.sessions.GetString(ctx, sessionDisplay))
	if err != nil {
		return gen.Display{}, notPaired
	}
	d, err := s.displays.ByID(ctx, id)
	if store.NotFound(err) {
		err = notPaired
	}
	return d, err
}

// AddDisplay makes a code that pairs one display with a practice.
func (s *Server) AddDisplay(ctx context.Context, r api.AddDisplayRequestObject) (api.AddDisplayResponseObject, error) {
	team, p, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	code, err := s.displays.New(ctx, team, p.ID)
	return api.AddDisplay201JSONResponse{Id: code.ID, Code: code.Text, Until: code.Until}, err
}

// ListDisplays lists the displays that show a practice.
func (s *Server) ListDisplays(ctx context.Context, r api.ListDisplaysRequestObject) (api.ListDisplaysResponseObject,
	error) {
	team, p, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	rows, err := s.displays.List(ctx, team, p.ID)
	out := api.ListDisplays200JSONResponse{}
	for _, r := range rows {
		out = append(out, api.PairedDisplay{Id: r.ID, PairedAt: *r.PairedAt, Until: r.Until})
	}
	return out, err
}

// EndDisplay makes a display show nothing.
func (s *Server) EndDisplay(ctx context.Context, r api.EndDisplayRequestObject) (api.EndDisplayResponseObject, error) {
	team, p, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	return api.EndDisplay204Response{}, s.displays.End(ctx, team, p.ID, r.DisplayId, func(q *gen.Queries) error {
		return notify(ctx, q, change{Practice: p.ID, All: true})
	})
}

// PairDisplay makes the session that asks a display. A code works once.
func (s *Server) PairDisplay(ctx context.Context, r api.PairDisplayRequestObject) (api.PairDisplayResponseObject,
	error) {
	d, err := s.displays.Pair(ctx, r.Body.Code, clientPlace(ctx))
	if err != nil {
		return nil, err
	}
	store.BeginSession(ctx)
	s.sessions.Put(ctx, sessionDisplay, d.ID.String())
	return api.PairDisplay204Response{}, nil
}

// GetDisplay is what a display shows: the clock, the blocks and who is up, and
// of the players a jersey and a name. No answer, no verdict.
func (s *Server) GetDisplay(ctx context.Context, _ api.GetDisplayRequestObject) (api.GetDisplayResponseObject, error) {
	team, p, err := s.displays.Shows(ctx, displayOf(ctx))
	if err != nil {
		return nil, err
	}
	shown, err := s.floors.Shown(ctx, team, p)
	if err != nil {
		return nil, err
	}
	out := api.GetDisplay200JSONResponse{Team: team.Name, Minutes: int(p.Minutes), Clock: s.clockView(p),
		Players: []api.Jersey{},
		Blocks:  []api.RunBlock{}, Starts: practice.Starts(shown.Blocks), Progress: []api.Progress{},
		Cues: map[string]string{}}
	round, err := s.quizzes.RoundOf(ctx, team.ProgramID, p.ID)
	if err != nil {
		return nil, err
	}
	out.Round = roundView(round)
	for _, who := range shown.Players {
		out.Players = append(out.Players, api.Jersey{Id: who.ID, Jersey: who.Jersey, Name: who.Name})
	}
	for _, b := range shown.Blocks {
		run := runBlock(shown.Floor, store.RulesOf(team), b)
		run.Links = []api.RunLink{} // the answers stay on the coach's screen
		out.Blocks = append(out.Blocks, run)
		if run.Order == nil {
			continue
		}
		for _, cue := range run.Stage.Cues {
			out.Cues[cue.String()] = cue.Name()
		}
		for basket, no := range floors.Progress(*run.Order, b, shown.Reps) {
			out.Progress = append(out.Progress, api.Progress{Block: uuid.MustParse(b.ID), Basket: basket + 1, Rep: no})
		}
	}
	return out, nil
}

// GetDisplayMotion plays one rep of a block's drill on a display.
func (s *Server) GetDisplayMotion(ctx context.Context,
	r api.GetDisplayMotionRequestObject) (api.GetDisplayMotionResponseObject, error) {
	team, p, err := s.displays.Shows(ctx, displayOf(ctx))
	if err != nil {
		return nil, err
	}
	of, err := s.floors.Play(ctx, team, p, r.Params.Block)
	if err != nil {
		return nil, err
	}
	return api.GetDisplayMotion200JSONResponse{Drill: *of.Drill,
		Motion: api.Motion{Play: of.Play, Lines: of.Floor.Court.Lines()}}, nil
}

// FollowDisplay streams to a display that something changed.
func (s *Server) FollowDisplay(ctx context.Context, _ api.FollowDisplayRequestObject) (api.FollowDisplayResponseObject,
	error) {
	return s.displayStream(ctx), nil
}

func (s *Server) displayStream(ctx context.Context) floorStream {
	d := displayOf(ctx)
	return floorStream{s: s, ctx: ctx, account: d.ID, program: d.ProgramID, team: d.TeamID, practice: d.PracticeID,
		display: true}
}

// FeedScoreboard streams the clock to a scoreboard: a line at every change and every
// second.
func (s *Server) FeedScoreboard(ctx context.Context,
	_ api.FeedScoreboardRequestObject) (api.FeedScoreboardResponseObject, error) {
	return &scoreboardFeed{floorStream: s.displayStream(ctx)}, nil
}

type scoreboardFeed struct {
	floorStream
	blocks []practice.Block
	clock  practice.Clock
	left   int64 // ms, as told last
	told   string
}

// feedEvery is how often a line is written without a change.
const feedEvery = time.Second

// VisitFeedScoreboardResponse writes lines until the scoreboard leaves.
func (f *scoreboardFeed) VisitFeedScoreboardResponse(w http.ResponseWriter) error {
	write := func() error { return f.line(w) }
	fetch := func() error {
		if err := f.reload(); err != nil {
			return err
		}
		return f.line(w)
	}
	return f.stream(w, "application/x-ndjson", feedEvery, fetch, write, func(c change) error {
		if c.All || c.Clock {
			return fetch()
		}
		return nil
	})
}

func (f *scoreboardFeed) reload() (err error) {
	f.clock, f.blocks, err = f.s.displays.Board(f.ctx, f.account)
	return err
}

// line writes what the scoreboard shows now.
func (f *scoreboardFeed) line(w http.ResponseWriter) error {
	board := practice.BoardAt(f.clock, f.blocks, f.s.now())
	board.Horn = board.Running && board.Block == f.told && f.left > 0 && board.LeftMs <= 0
	f.left, f.told = board.LeftMs, board.Block
	line, err := json.Marshal(board)
	if err != nil {
		return err
	}
	_, err = fmt.Fprintf(w, "%s\n", line)
	return err
}
