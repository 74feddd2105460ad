package web

import (
	"context"
	"crypto/rand"
	"crypto/sha256"
	"encoding/json"
	"fmt"
	"math/big"
	"net/http"
	"strings"
	"time"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/internal/app/floors"
	"evrik/internal/app/planning"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// Pairing of displays (assumptions).
const (
	// codeLetters leave out what looks alike from afar. Six of 28 make 480 million
	// codes, of which one place may try eight in ten minutes.
	codeLetters = "23456789ABCDEFGHJKMNPRTVWXYZ"
	codeLength  = 6
	codeLife    = 10 * time.Minute
	// displayLife is a day in the gym.
	displayLife = 12 * time.Hour
	// maxDisplays of one practice.
	maxDisplays = 8
)

const (
	sessionDisplay = "display"
	notPaired      = "display.not-paired"
)

type displayKey struct{}

// displayOf is the paired display that sent the request.
func displayOf(ctx context.Context) gen.Display {
	sc, _ := ctx.Value(displayKey{}).(gen.Display)
	return sc
}

// pairedDisplay returns the display a session is paired as, or nil.
func (s *Server) pairedDisplay(ctx context.Context) (*gen.Display, error) {
	id, err := uuid.Parse(s.sessions.GetString(ctx, sessionDisplay))
	if err != nil {
		return nil, nil
	}
	sc, err := s.db.PairedDisplay(ctx, gen.PairedDisplayParams{ID: id, Now: s.now()})
	if store.NotFound(err) {
		return nil, nil
	}
	return &sc, err
}

// codeHash is what is stored of a code, however it was typed.
func codeHash(code string) []byte {
	code = strings.ToUpper(strings.NewReplacer(" ", "", "-", "").Replace(code))
	sum := sha256.Sum256([]byte("display\x00" + code))
	return sum[:]
}

// AddDisplay makes a code that pairs one display with a practice.
func (s *Server) AddDisplay(ctx context.Context, r api.AddDisplayRequestObject) (api.AddDisplayResponseObject, error) {
	team, p, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	now := s.now()
	if err := s.db.ForgetDisplays(ctx, now); err != nil {
		return nil, err
	}
	paired, err := s.db.DisplaysOfPractice(ctx, gen.DisplaysOfPracticeParams{ProgramID: team.ProgramID,
		PracticeID: p.ID, Now: now})
	if err != nil {
		return nil, err
	}
	if len(paired) >= maxDisplays {
		return nil, conflict("display.too-many", maxDisplays)
	}
	var code strings.Builder
	for range codeLength {
		n, err := rand.Int(rand.Reader, big.NewInt(int64(len(codeLetters))))
		if err != nil {
			return nil, err
		}
		code.WriteByte(codeLetters[n.Int64()])
	}
	sc := gen.InsertDisplayParams{ID: uuid.New(), ProgramID: team.ProgramID, TeamID: team.ID, PracticeID: p.ID,
		CodeHash:  codeHash(code.String()),
		CodeUntil: now.Add(codeLife), Until: now.Add(displayLife)}
	if err := s.db.InsertDisplay(ctx, sc); err != nil {
		return nil, err
	}
	text := code.String()
	return api.AddDisplay201JSONResponse{Id: sc.ID, Code: text[:codeLength/2] + " " + text[codeLength/2:],
		Until: sc.CodeUntil}, nil
}

// ListDisplays lists the displays that show a practice.
func (s *Server) ListDisplays(ctx context.Context, r api.ListDisplaysRequestObject) (api.ListDisplaysResponseObject,
	error) {
	team, p, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	rows, err := s.db.DisplaysOfPractice(ctx, gen.DisplaysOfPracticeParams{ProgramID: team.ProgramID, PracticeID: p.ID,
		Now: s.now()})
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
	return api.EndDisplay204Response{}, s.db.Tx(ctx, func(q *gen.Queries) error {
		n, err := q.EndDisplay(ctx, gen.EndDisplayParams{ProgramID: team.ProgramID, PracticeID: p.ID, ID: r.DisplayId})
		if err == nil && n == 0 {
			err = missing("display.missing")
		}
		if err != nil {
			return err
		}
		return notify(ctx, q, change{Practice: p.ID, All: true})
	})
}

// PairDisplay makes the session that asks a display. A code works once; wrong
// ones are counted like failed sign-ins.
func (s *Server) PairDisplay(ctx context.Context, r api.PairDisplayRequestObject) (api.PairDisplayResponseObject,
	error) {
	keys := []string{throttleKey("display", clientPlace(ctx))}
	try, err := s.count(ctx, keys)
	if err != nil {
		return nil, err
	}
	sc, err := s.db.PairDisplay(ctx, gen.PairDisplayParams{CodeHash: codeHash(r.Body.Code), Now: s.now()})
	if store.NotFound(err) {
		return nil, missing("display.code-wrong")
	}
	if err != nil {
		return nil, err
	}
	if err := s.forgive(ctx, try, ""); err != nil {
		return nil, err
	}
	store.BeginSession(ctx)
	s.sessions.Put(ctx, sessionDisplay, sc.ID.String())
	return api.PairDisplay204Response{}, nil
}

// shown is the practice a display shows.
func (s *Server) shown(ctx context.Context) (gen.Team, gen.Practice, error) {
	sc := displayOf(ctx)
	team, err := s.db.Team(ctx, gen.TeamParams{ProgramID: sc.ProgramID, ID: sc.TeamID})
	if err != nil {
		return team, gen.Practice{}, orMissing(err, planning.NoPractice)
	}
	p, err := s.db.Practice(ctx, gen.PracticeParams{ProgramID: sc.ProgramID, TeamID: sc.TeamID, ID: sc.PracticeID})
	return team, p, orMissing(err, planning.NoPractice)
}

// GetDisplay is what a display shows: the clock, the blocks and who is up, and
// of the players a jersey and a name. No answer, no verdict.
func (s *Server) GetDisplay(ctx context.Context, _ api.GetDisplayRequestObject) (api.GetDisplayResponseObject, error) {
	team, p, err := s.shown(ctx)
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
	team, p, err := s.shown(ctx)
	if err != nil {
		return nil, err
	}
	lib, err := s.squads.Library(ctx, team.ProgramID)
	if err != nil {
		return nil, err
	}
	rows, err := s.db.BlocksOfPractice(ctx, gen.BlocksOfPracticeParams{ProgramID: team.ProgramID, PracticeID: p.ID})
	if err != nil {
		return nil, err
	}
	fl, err := store.FloorOf(team)
	if err != nil {
		return nil, err
	}
	for _, b := range store.BlocksOf(rows) {
		if d, ok := lib.ByID(b.Drill); ok && b.ID == r.Params.Block.String() {
			play, err := d.Motion(fl.Court, fl.Pace)
			return api.GetDisplayMotion200JSONResponse{Drill: *d,
				Motion: api.Motion{Play: play, Lines: fl.Court.Lines()}}, err
		}
	}
	return nil, missing("display.no-drill")
}

// FollowDisplay streams to a display that something changed.
func (s *Server) FollowDisplay(ctx context.Context, _ api.FollowDisplayRequestObject) (api.FollowDisplayResponseObject,
	error) {
	return s.displayStream(ctx), nil
}

func (s *Server) displayStream(ctx context.Context) floorStream {
	sc := displayOf(ctx)
	return floorStream{s: s, ctx: ctx, account: sc.ID, program: sc.ProgramID, team: sc.TeamID, practice: sc.PracticeID,
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

func (f *scoreboardFeed) reload() error {
	// A display that was ended, or whose day is over, is told nothing more.
	if _, err := f.s.db.PairedDisplay(f.ctx, gen.PairedDisplayParams{ID: displayOf(f.ctx).ID,
		Now: f.s.now()}); err != nil {
		return err
	}
	p, err := f.s.db.Practice(f.ctx, gen.PracticeParams{ProgramID: f.program, TeamID: f.team, ID: f.practice})
	if err != nil {
		return err
	}
	rows, err := f.s.db.BlocksOfPractice(f.ctx, gen.BlocksOfPracticeParams{ProgramID: f.program,
		PracticeID: f.practice})
	f.blocks, f.clock = store.BlocksOf(rows), store.ClockStateOf(p)
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
