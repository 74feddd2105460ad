package quizzes_test

import (
	"errors"
	"os"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/quiz"
	"evrik/core/reads"
	"evrik/internal/app/apptest"
	"evrik/internal/app/quizzes"
	"evrik/internal/pgtest"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

func open(t *testing.T) (apptest.Club, quizzes.Service) {
	c := apptest.Open(t)
	return c, quizzes.Service{Store: c.DB, Now: apptest.Clock}
}

// A link is the newest one's alone; what its player answers is kept once, and asked anew where it does not fit.
func TestLinkAndAnswers(t *testing.T) {
	c, s := open(t)
	who := c.Players[len(c.Players)-1]
	path, err := s.NewLink(t.Context(), c.DB.Queries, c.Team.ProgramID, who.ID)
	apptest.Must(t, err)
	key := path[len("/quiz/"):]
	l, err := s.ByLink(t.Context(), key)
	if err != nil || l.Player != who.ID || l.Team.ID != c.Team.ID {
		t.Fatalf("%v, %v", l.Player, err)
	}
	if _, err := s.ByLink(t.Context(), key+"x"); !store.NotFound(err) {
		t.Errorf("a guess: %v", err)
	}
	before := len(l.Answers)
	pack, err := s.Next(&l, 6)
	if err != nil || len(pack.Items) != 6 || len(pack.Actions) == 0 || len(pack.Reads) < 2 || pack.Step != l.Step() {
		t.Fatalf("%d questions, %v", len(pack.Items), err)
	}
	seen := map[reads.Read]bool{}
	for _, r := range pack.Reads {
		if seen[r] {
			t.Errorf("%s is named twice", r)
		}
		seen[r] = true
	}
	given := func(it quiz.Item, choice reads.Read) quizzes.Given {
		return quizzes.Given{ID: uuid.New(), Card: it.Card, Step: it.Step, Seed: int64(it.Seed), Choice: choice,
			Seconds: 0.5,
			At:      apptest.Now}
	}
	right, wrong := given(pack.Items[0], pack.Items[0].Right), given(pack.Items[1], "")
	gone := given(pack.Items[2], "")
	gone.Card.Action = "moon"
	if n, err := s.Keep(t.Context(), &l, []quizzes.Given{right, wrong, gone}); err != nil || n != 2 {
		t.Errorf("%d kept, %v", n, err)
	}
	if n, err := s.Keep(t.Context(), &l, []quizzes.Given{right, wrong}); err != nil || n != 0 ||
		len(l.Answers) != before+2 {
		t.Errorf("%d stored again, %d in all, %v", n, len(l.Answers), err)
	}
	report, err := s.Of(t.Context(), c.Team, who.ID)
	if err != nil || len(report.Answers) != before+2 || report.LinkMade == nil || !report.LinkMade.Equal(apptest.Now) {
		t.Errorf("%d answers, link %v, %v", len(report.Answers), report.LinkMade, err)
	}
	again, err := s.NewLink(t.Context(), c.DB.Queries, c.Team.ProgramID, who.ID)
	if _, old := s.ByLink(t.Context(), key); err != nil || again == path || !store.NotFound(old) {
		t.Errorf("the link before works still: %v, %v", old, err)
	}
	for _, size := range []int{0, quizzes.MaxPack + 1} {
		_, err := s.Next(&l, size)
		apptest.Refused(t, err, "quiz.count")
	}
}

// A round is the same for a seed, is shown on displays for a quarter of an hour, and has bounds.
func TestRound(t *testing.T) {
	c, s := open(t)
	fl, err := store.FloorOf(c.Team)
	apptest.Must(t, err)
	round := quizzes.Round{Step: 2, Seed: 7, Question: quizzes.RoundSize - 1, Told: true, Again: 3}
	one, err := round.Questions(fl)
	apptest.Must(t, err)
	two, err := round.Questions(fl)
	if err != nil || len(one.Items) != quizzes.RoundSize || one.Items[4].Seed != two.Items[4].Seed {
		t.Errorf("%d questions, %v", len(one.Items), err)
	}
	for code, bad := range map[string]quizzes.Round{"quiz.step": {Step: quiz.Steps + 1},
		"quiz.no-questions": {Step: 1, Action: "moon"}} {
		_, err := bad.Questions(fl)
		apptest.Refused(t, err, code)
	}
	told := 0
	show := func(r quizzes.Round) error {
		return s.SetRound(t.Context(), c.Team, c.Planned.ID, r, func(*gen.Queries) error { told++; return nil })
	}
	apptest.Must(t, show(round))
	got, err := s.RoundOf(t.Context(), c.Team.ProgramID, c.Planned.ID)
	if err != nil || got == nil || *got != round || told != 1 {
		t.Errorf("%+v, told %d times, %v", got, told, err)
	}
	beyond := round
	beyond.Question++
	apptest.Refused(t, show(beyond), "quiz.round-length")
	deaf := errors.New("nobody hears")
	other := quizzes.Round{Step: 1, Seed: 8}
	if err := s.SetRound(t.Context(), c.Team, c.Planned.ID, other,
		func(*gen.Queries) error { return deaf }); !errors.Is(err, deaf) {
		t.Errorf("%v", err)
	}
	s.Now = func() time.Time { return apptest.Now.Add(15*time.Minute - time.Second) }
	if got, err := s.RoundOf(t.Context(), c.Team.ProgramID, c.Planned.ID); err != nil || got == nil || got.Seed != 7 {
		t.Errorf("within a quarter of an hour: %+v, %v", got, err)
	}
	s.Now = func() time.Time { return apptest.Now.Add(15*time.Minute + time.Second) }
	if got, err := s.RoundOf(t.Context(), c.Team.ProgramID, c.Planned.ID); err != nil || got != nil {
		t.Errorf("after it: %+v, %v", got, err)
	}
}
