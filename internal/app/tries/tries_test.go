package tries_test

import (
	"errors"
	"os"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/internal/app"
	"evrik/internal/app/apptest"
	"evrik/internal/app/tries"
	"evrik/internal/pgtest"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

// Eight tries under a key are checked and no ninth, until the window has passed or a right one forgives them.
func TestCount(t *testing.T) {
	now := time.Now() // tries are dated by the database
	s := tries.Service{Store: pgtest.Store(t), Now: func() time.Time { return now }}
	mine, yours, place := tries.Key("address", "me"), tries.Key("address", "you"), tries.Key("place", "me")
	if mine == yours || mine == place {
		t.Fatal("two guessers share a key")
	}
	for range tries.Most {
		_, err := s.Count(t.Context(), mine, place)
		apptest.Must(t, err)
	}
	try, err := s.Count(t.Context(), mine)
	apptest.Refused(t, err, "signin.too-many-tries")
	if r, is := errors.AsType[app.Refusal](err); !is || r.Kind != app.TooMany {
		t.Errorf("%+v", err)
	}
	_, err = s.Count(t.Context(), yours)
	apptest.Must(t, err)
	_, err = s.Count(t.Context(), yours, place)
	apptest.Refused(t, err, "signin.too-many-tries")

	now = now.Add(tries.Window + time.Minute)
	_, err = s.Count(t.Context(), mine)
	apptest.Must(t, err)
	now = now.Add(-tries.Window - time.Minute)
	_, err = s.Count(t.Context(), mine)
	apptest.Refused(t, err, "signin.too-many-tries")
	apptest.Must(t, s.Forgive(t.Context(), try, mine))
	_, err = s.Count(t.Context(), mine)
	apptest.Must(t, err)
	_, err = s.Count(t.Context(), place)
	apptest.Refused(t, err, "signin.too-many-tries")
}

// Keys that nobody has are counted for the place that tries them, apart for each kind of link; others are not.
func TestGuess(t *testing.T) {
	db := pgtest.Store(t)
	s := tries.Service{Store: db, Now: time.Now}
	nobody := func() error { _, err := db.StaffByID(t.Context(), uuid.New()); return err }
	found := func() error { return nil }
	for range 2 * tries.Most {
		apptest.Must(t, s.Guess(t.Context(), "quiz", "gym", found))
	}
	odd := errors.New("the network")
	for range tries.Most {
		if err := s.Guess(t.Context(), "quiz", "gym", func() error { return odd }); !errors.Is(err, odd) {
			t.Errorf("%v", err)
		}
	}
	for range tries.Most {
		if err := app.OrMissing(s.Guess(t.Context(), "quiz", "gym", nobody), "quiz.link-dead"); err == nil {
			t.Error("nobody was found")
		}
	}
	apptest.Refused(t, s.Guess(t.Context(), "quiz", "gym", found), "signin.too-many-tries")
	apptest.Must(t, s.Guess(t.Context(), "quiz", "street", found))
	apptest.Must(t, s.Guess(t.Context(), "join", "gym", found))
}
