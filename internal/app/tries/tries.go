// Package tries counts guesses at passwords, codes and links, in the database, so that the limit holds for all servers.
package tries

import (
	"context"
	"crypto/sha256"
	"encoding/hex"
	"time"

	"github.com/google/uuid"

	"evrik/internal/app"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Limits of guessing (assumptions).
const (
	// Most tries within Window close a key for the rest of the window.
	Most   = 8
	Window = 10 * time.Minute
)

// Service counts.
type Service struct {
	Store *store.Store
	Now   func() time.Time
}

// Key is what guesses of a kind are counted under: those at one address, say, or from one network place.
func Key(kind, value string) string {
	sum := sha256.Sum256([]byte(kind + "\x00" + value))
	return hex.EncodeToString(sum[:16])
}

var tooMany = app.Refuse(app.TooMany, "signin.too-many-tries", int(Window.Minutes()))

// Count records a try under each of some keys; it is called before a password or a code is checked. It refuses with
// app.TooMany when a key has had more than Most tries, so that no more are ever checked, even if many come at once.
func (s Service) Count(ctx context.Context, keys ...string) (try uuid.UUID, err error) {
	try = uuid.New()
	if _, err := s.Store.CountTry(ctx, gen.CountTryParams{Keys: keys, Try: try}); err != nil {
		return try, err
	}
	n, err := s.of(ctx, keys)
	if err == nil && n > Most {
		err = tooMany
	}
	return try, err
}

// of is how many tries the key with most of them has had.
func (s Service) of(ctx context.Context, keys []string) (int64, error) {
	return s.Store.TriesOf(ctx, gen.TriesOfParams{Keys: keys, Since: s.Now().Add(-Window)})
}

// Forgive takes back a try that was right, and all earlier ones under a key; with an empty key only the try itself.
func (s Service) Forgive(ctx context.Context, try uuid.UUID, key string) error {
	return s.Store.ForgiveTries(ctx, gen.ForgiveTriesParams{Try: try, Key: key, Before: s.Now().Add(-Window)})
}

// Guess runs find, which looks up a secret link. A link that does not exist (store.NotFound) counts as a wrong guess
// from that network place; after Most of them the place is refused with app.TooMany, and find is not run. Each kind of
// link is counted for itself.
func (s Service) Guess(ctx context.Context, kind, place string, find func() error) error {
	keys := []string{Key(kind, place)}
	n, err := s.of(ctx, keys)
	if err == nil && n >= Most {
		err = tooMany
	}
	if err != nil {
		return err
	}
	if err = find(); store.NotFound(err) {
		if _, err := s.Store.CountTry(ctx, gen.CountTryParams{Keys: keys, Try: uuid.New()}); err != nil {
			return err
		}
	}
	return err
}
