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
	"evrik/internal/app/tries"
	"evrik/internal/pgtest"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

func open(t *testing.T) (apptest.Club, quizzes.Service) {
	c := apptest.Open(t)
	return c, quizzes.Service{Store: c.DB, Tries: tries.Service{Store: c.DB, Now: apptest.Clock}, Now: apptest.Clock}
}

// newLink makes a player's link and returns its key.
func newLink(t *testing.T, c apptest.Club, s quizzes.Service, player uuid.UUID) string {
	t.Helper()
	made, err := s.NewLinks(t.Context(), c.Team, player)
	if err != nil || len(made) != 1 || made[0].Player != player {
		t.Fatalf("%+v, %v", made, err)
	}
	return made[0].Path[len("/quiz/"):]
}

// Links are made for all of some players or for none; one that was ended comes back, and whoever guesses is closed out.
func TestLinks(t *testing.T) {
	c, s := open(t)
	who := c.Players[0].ID
	before, err := s.Links(t.Context(), c.Team)
	apptest.Must(t, err)
	_, err = s.NewLinks(t.Context(), c.Team, c.Players[len(c.Players)-1].ID, uuid.New())
	apptest.Refused(t, err, "player.missing")
	if after, err := s.Links(t.Context(), c.Team); err != nil || len(after) != len(before) {
		t.Errorf("%d links, before %d, %v", len(after), len(before), err)
	}
	key := newLink(t, c, s, who)
	apptest.Must(t, s.EndLink(t.Context(), c.Team, who))
	apptest.Refused(t, s.EndLink(t.Context(), c.Team, who), "link.missing")
	_, err = s.ByLink(t.Context(), key, "home")
	apptest.Refused(t, err, "quiz.link-dead")
	apptest.Must(t, s.RestoreLink(t.Context(), c.Team, who))
	_, err = s.ByLink(t.Context(), key, "home")
	apptest.Must(t, err)
	apptest.Refused(t, s.RestoreLink(t.Context(), c.Team, who), "link.none-earlier")
	// Replaced and brought back: the new one ends. One that was ended on purpose stays so when another replaces it.
	second := newLink(t, c, s, who)
	apptest.Must(t, s.RestoreLink(t.Context(), c.Team, who))
	_, err = s.ByLink(t.Context(), second, "home")
	apptest.Refused(t, err, "quiz.link-dead")
	apptest.Must(t, s.EndLink(t.Context(), c.Team, who))
	key = newLink(t, c, s, who)
	apptest.Refused(t, s.RestoreLink(t.Context(), c.Team, who), "link.none-earlier")
	other := c.Team
	other.ID = uuid.New()
	apptest.Refused(t, s.EndLink(t.Context(), other, who), "player.missing")
	apptest.Refused(t, s.RestoreLink(t.Context(), other, who), "player.missing")
	for range tries.Most {
		_, _ = s.ByLink(t.Context(), "guess", "street")
	}
	_, err = s.ByLink(t.Context(), key, "street")
	apptest.Refused(t, err, "signin.too-many-tries")
	_, err = s.ByLink(t.Context(), key, "home")
	apptest.Must(t, err)
}

// A link is the newest one's alone; what its player answers is kept once, and asked anew where it does not fit.
func TestLinkAndAnswers(t *testing.T) {
	c, s := open(t)
	who := c.Players[len(c.Players)-1]
	key := newLink(t, c, s, who.ID)
	l, err := s.ByLink(t.Context(), key, "home")
	if err != nil || l.Player != who.ID || l.Team.ID != c.Team.ID {
		t.Fatalf("%v, %v", l.Player, err)
	}
	_, err = s.ByLink(t.Context(), key+"x", "home")
	apptest.Refused(t, err, "quiz.link-dead")
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
	newLink(t, c, s, who.ID)
	_, err = s.ByLink(t.Context(), key, "home")
	apptest.Refused(t, err, "quiz.link-dead")
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
