package web

import (
	"context"
	"math/rand/v2"
	"slices"
	"time"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/core/quiz"
	"evrik/core/reads"
	"evrik/internal/app"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// Questions at once (assumptions).
const (
	roundSize = 12 // in a team's round
	maxPack   = 40 // for one phone, and
	firstPack = 10 // those that its page asks for first
)

const deadQuiz = "quiz.link-dead"

// learner is the player whose link was opened, with the team's floor and his answers.
type learner struct {
	gen.PlayerByLinkRow
	floor   reads.Floor
	answers []quiz.Answer
}

// learner finds whose a link is. Guesses are counted like sign-ins, but apart from
// them: a player who opens an ended link in the gym must not keep the coach out.
func (s *Server) learner(ctx context.Context, key string) (l learner, err error) {
	err = s.guessed(ctx, "quiz", func() (err error) {
		l.PlayerByLinkRow, err = s.db.PlayerByLink(ctx, app.SecretHash("trainer", key))
		return err
	})
	if err != nil {
		return l, orMissing(err, deadQuiz)
	}
	team, err := s.db.Team(ctx, gen.TeamParams{ProgramID: l.ProgramID, ID: l.TeamID})
	if err != nil {
		return l, err
	}
	if l.floor, err = store.FloorOf(team); err != nil {
		return l, err
	}
	return l, s.recall(ctx, &l)
}

// recall reads the player's answers.
func (s *Server) recall(ctx context.Context, l *learner) error {
	rows, err := s.db.QuizAnswers(ctx, gen.QuizAnswersParams{ProgramID: l.ProgramID, PlayerID: l.PlayerID})
	l.answers = store.AnswersOf(rows)
	return err
}

// GetQuiz makes the questions that a player should see next.
func (s *Server) GetQuiz(ctx context.Context, r api.GetQuizRequestObject) (api.GetQuizResponseObject, error) {
	l, err := s.learner(ctx, r.QuizKey)
	if err != nil {
		return nil, err
	}
	if n := r.Params.Size; n < 1 || n > maxPack {
		return nil, invalid("quiz.count", maxPack)
	}
	step, file := quiz.StepOf(l.answers), quiz.File(quiz.Cards(l.floor), l.answers)
	seed := uint64(rand.Uint32())
	pack, err := packOf(l.floor, quiz.Pack(file, step, s.now(), r.Params.Size, seed), step, seed)
	pack.Shape = quiz.ShapeOf(file, l.answers)
	return api.GetQuiz200JSONResponse(pack), err
}

// packOf makes the items of some cards, with what it takes to draw them.
func packOf(fl reads.Floor, cards []quiz.Card, step quiz.Step, seed uint64) (api.QuizPack, error) {
	pack := api.QuizPack{Items: []quiz.Item{}, Scenes: []api.QuizScene{}, Reads: []reads.CueInfo{}, Lines: fl.Court.Lines(), Step: int(step), Steps: quiz.Steps}
	rng := rand.New(rand.NewPCG(seed, uint64(len(cards))))
	named := map[reads.Read]bool{}
	for _, card := range cards {
		it, err := quiz.New(fl, card, step, uint64(rng.Uint32()))
		if err != nil {
			return pack, err
		}
		pack.Items = append(pack.Items, it)
		for _, c := range it.Choices {
			if info, _ := reads.Info(c); !named[c] {
				named[c] = true
				pack.Reads = append(pack.Reads, reads.CueInfo{ID: string(c), Name: info.Name})
			}
		}
		if !slices.ContainsFunc(pack.Scenes, func(sc api.QuizScene) bool { return sc.Id == card.Action }) {
			action, _ := reads.ActionByID(card.Action)
			pack.Scenes = append(pack.Scenes, api.QuizScene{Id: action.ID, Name: action.Name, Participants: action.Participants, Word: action.Reader().Word})
		}
	}
	return pack, nil
}

// SendAnswers stores what a player answered, each answer once.
func (s *Server) SendAnswers(ctx context.Context, r api.SendAnswersRequestObject) (api.SendAnswersResponseObject, error) {
	l, err := s.learner(ctx, r.QuizKey)
	if err != nil {
		return nil, err
	}
	stored, now := 0, s.now()
	err = s.db.Tx(ctx, func(q *gen.Queries) error {
		for _, a := range *r.Body {
			it, err := quiz.New(l.floor, a.Card, quiz.Step(a.Step), uint64(a.Seed))
			if err != nil {
				continue // not asked on this floor any more, or never
			}
			got := it.Settle(reads.Read(a.Choice), a.Seconds, a.At, now)
			n, err := q.InsertQuizAnswer(ctx, gen.InsertQuizAnswerParams{
				ProgramID: l.ProgramID, PlayerID: l.PlayerID, ID: a.Id, Action: a.Card.Action, Cue: a.Card.Cue.String(), Step: int32(a.Step), Seed: a.Seed,
				Expected: string(it.Right), Choice: a.Choice, IsRight: got.Right, IsLate: got.Late, Seconds: got.Seconds, At: got.At,
			})
			if err != nil {
				return err
			}
			stored += int(n)
		}
		return nil
	})
	if err != nil {
		return nil, err
	}
	if err := s.recall(ctx, &l); err != nil {
		return nil, err
	}
	return api.SendAnswers200JSONResponse{
		Stored: stored, Step: int(quiz.StepOf(l.answers)), Shape: quiz.ShapeOf(quiz.File(quiz.Cards(l.floor), l.answers), l.answers),
	}, nil
}

// GetRound makes the questions of a round for the whole team.
func (s *Server) GetRound(ctx context.Context, r api.GetRoundRequestObject) (api.GetRoundResponseObject, error) {
	_, fl, err := s.onCourt(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	of := api.RoundState{Step: r.Params.Step, Seed: r.Params.Seed}
	if r.Params.Action != nil {
		of.Action = *r.Params.Action
	}
	pack, err := questions(fl, of)
	return api.GetRound200JSONResponse(pack), err
}

// GetRecognition returns what a player sees away from the floor, read by read.
func (s *Server) GetRecognition(ctx context.Context, r api.GetRecognitionRequestObject) (api.GetRecognitionResponseObject, error) {
	team, fl, err := s.onCourt(ctx, r.TeamId)
	if err != nil {
		return nil, err
	}
	l := learner{floor: fl}
	l.ProgramID, l.PlayerID = team.ProgramID, r.PlayerId
	if _, err := s.playerOf(ctx, team, r.PlayerId); err != nil {
		return nil, err
	}
	if err := s.recall(ctx, &l); err != nil {
		return nil, err
	}
	reps, err := s.db.RepsOfPlayer(ctx, team.ProgramID, r.PlayerId)
	if err != nil {
		return nil, err
	}
	out := api.GetRecognition200JSONResponse{
		Reads: quiz.Recognise(l.answers, quiz.Live(evidence.OnePerRep(reps))),
		Step:  int(quiz.StepOf(l.answers)), Steps: quiz.Steps,
		Shape: quiz.ShapeOf(quiz.File(quiz.Cards(fl), l.answers), l.answers),
	}
	if n := len(l.answers); n > 0 {
		out.Last = &l.answers[n-1].At
	}
	made, err := s.db.PlayerLink(ctx, gen.PlayerLinkParams{ProgramID: team.ProgramID, PlayerID: r.PlayerId})
	if err == nil {
		out.LinkMade = &made
	} else if !store.NotFound(err) {
		return nil, err
	}
	return out, nil
}

// questions are those of a round. The same round has the same ones on every screen.
func questions(fl reads.Floor, of api.RoundState) (api.QuizPack, error) {
	if of.Step < 1 || of.Step > quiz.Steps {
		return api.QuizPack{}, invalid("quiz.step", quiz.Steps)
	}
	asked := quiz.Round(fl, of.Action, uint64(of.Seed), roundSize)
	if len(asked) == 0 {
		return api.QuizPack{}, invalid("quiz.no-questions", of.Action)
	}
	return packOf(fl, asked, quiz.Step(of.Step), uint64(of.Seed))
}

// roundLife is how long displays show a round of which nothing is heard (assumption).
const roundLife = 15 * time.Minute

// SetRound makes a practice's displays show a question of a round, or its answer.
func (s *Server) SetRound(ctx context.Context, r api.SetRoundRequestObject) (api.SetRoundResponseObject, error) {
	team, p, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	fl, err := store.FloorOf(team)
	if err != nil {
		return nil, err
	}
	pack, err := questions(fl, *r.Body)
	if err == nil && r.Body.Question >= len(pack.Items) {
		err = invalid("quiz.round-length", len(pack.Items))
	}
	if err != nil {
		return nil, err
	}
	return api.SetRound204Response{}, s.db.Tx(ctx, func(q *gen.Queries) error {
		if err := q.SetRound(ctx, gen.SetRoundParams{ProgramID: team.ProgramID, PracticeID: p.ID, Step: int32(r.Body.Step), Seed: r.Body.Seed, Action: r.Body.Action,
			Question: int32(r.Body.Question), IsTold: r.Body.Told, Again: int32(r.Body.Again), At: s.now()}); err != nil {
			return err
		}
		return notify(ctx, q, change{Practice: p.ID, Round: true})
	})
}

// EndRound makes displays show the practice again.
func (s *Server) EndRound(ctx context.Context, r api.EndRoundRequestObject) (api.EndRoundResponseObject, error) {
	team, p, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	return api.EndRound204Response{}, s.db.Tx(ctx, func(q *gen.Queries) error {
		if err := q.EndRound(ctx, gen.EndRoundParams{ProgramID: team.ProgramID, PracticeID: p.ID}); err != nil {
			return err
		}
		return notify(ctx, q, change{Practice: p.ID, Round: true})
	})
}

// roundOf is the round that a practice's displays show, nil for none.
func (s *Server) roundOf(ctx context.Context, program, practice uuid.UUID) (*api.RoundState, error) {
	row, err := s.db.RoundOfPractice(ctx, gen.RoundOfPracticeParams{ProgramID: program, PracticeID: practice, Since: s.now().Add(-roundLife)})
	if store.NotFound(err) {
		return nil, nil
	}
	return &api.RoundState{Step: int(row.Step), Seed: row.Seed, Action: row.Action, Question: int(row.Question), Told: row.IsTold, Again: int(row.Again)}, err
}

// GetDisplayRound returns the questions of the round that a display shows.
func (s *Server) GetDisplayRound(ctx context.Context, _ api.GetDisplayRoundRequestObject) (api.GetDisplayRoundResponseObject, error) {
	team, p, err := s.shown(ctx)
	if err != nil {
		return nil, err
	}
	of, err := s.roundOf(ctx, team.ProgramID, p.ID)
	if err == nil && of == nil {
		err = missing("quiz.no-round")
	}
	if err != nil {
		return nil, err
	}
	fl, err := store.FloorOf(team)
	if err != nil {
		return nil, err
	}
	pack, err := questions(fl, *of)
	return api.GetDisplayRound200JSONResponse(pack), err
}
