package store

import (
	"context"
	"sync/atomic"
	"time"

	"evrik/internal/store/gen"
)

// Sessions keeps sessions for the session manager (scs.CtxStore). A session is only made where
// somebody has just signed in, which BeginSession marks; one that was ended while a request was
// under way is not made again by that request.
type Sessions struct {
	Queries *gen.Queries
	// Idle is how long a session lasts without being used.
	Idle time.Duration
	Now  func() time.Time
}

// touchEvery is how often a session that is in use is written, at most.
const touchEvery = time.Minute

type beginKey struct{}

// MayBegin returns a context in which BeginSession can be called.
func MayBegin(ctx context.Context) context.Context {
	return context.WithValue(ctx, beginKey{}, new(atomic.Bool))
}

// BeginSession marks that the request makes a session: somebody has signed in, or a second screen
// was paired.
func BeginSession(ctx context.Context) {
	if begins, ok := ctx.Value(beginKey{}).(*atomic.Bool); ok {
		begins.Store(true)
	}
}

// FindCtx returns a session's data and notes that it is in use.
func (s Sessions) FindCtx(ctx context.Context, token string) ([]byte, bool, error) {
	now := s.Now()
	row, err := s.Queries.FindSession(ctx, gen.FindSessionParams{Token: token, IdleSince: now.Add(-s.Idle)})
	if NotFound(err) {
		return nil, false, nil
	}
	if err == nil && now.Sub(row.SeenAt) >= touchEvery {
		err = s.Queries.TouchSession(ctx, gen.TouchSessionParams{Token: token, Now: now})
	}
	return row.Data, err == nil, err
}

// CommitCtx stores a session that has begun, or changes one that is still there.
func (s Sessions) CommitCtx(ctx context.Context, token string, data []byte, expiry time.Time) error {
	if begins, ok := ctx.Value(beginKey{}).(*atomic.Bool); ok && begins.Load() {
		return s.Queries.BeginSession(ctx, gen.BeginSessionParams{Token: token, Data: data, Expiry: expiry,
			Now: s.Now()})
	}
	return s.Queries.ChangeSession(ctx, gen.ChangeSessionParams{Token: token, Data: data, Expiry: expiry})
}

// DeleteCtx ends a session.
func (s Sessions) DeleteCtx(ctx context.Context, token string) error {
	return s.Queries.EndSession(ctx, token)
}

// Find, Commit and Delete are what the session manager asks for where it has no context; it always
// has one.

// Find is FindCtx without a context.
func (s Sessions) Find(token string) ([]byte, bool, error) {
	return s.FindCtx(context.Background(), token)
}

// Commit is CommitCtx without a context.
func (s Sessions) Commit(token string, data []byte, expiry time.Time) error {
	return s.CommitCtx(context.Background(), token, data, expiry)
}

// Delete is DeleteCtx without a context.
func (s Sessions) Delete(token string) error { return s.DeleteCtx(context.Background(), token) }
