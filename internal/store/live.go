package store

import (
	"context"
	"encoding/json"
	"log/slog"
	"time"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5"

	"evrik/internal/store/gen"
)

// channel is what changes on the floor are told on, to every process that serves
// this database.
const channel = "evrik_floor"

// Pauses between attempts to listen again.
const (
	shortPause = 200 * time.Millisecond
	longPause  = 5 * time.Second
)

// Listen calls told with every notification until the context is done. Whenever
// notifications may have been missed, because the connection was made anew, it
// calls missed. Nothing is lost by that: what was told is in the tables.
func (s *Store) Listen(ctx context.Context, told func(payload string), missed func()) {
	pause := shortPause
	for ctx.Err() == nil {
		began := time.Now()
		if err := s.listen(ctx, told, missed); err != nil && ctx.Err() == nil {
			slog.Warn("the database's notifications are not heard; listening again", "error", err)
		}
		if time.Since(began) > longPause {
			pause = shortPause
		}
		select {
		case <-ctx.Done():
		case <-time.After(pause):
		}
		pause = min(longPause, 2*pause)
	}
}

func (s *Store) listen(ctx context.Context, told func(string), missed func()) error {
	conn, err := pgx.ConnectConfig(ctx, s.Pool.Config().ConnConfig)
	if err != nil {
		return err
	}
	defer conn.Close(context.WithoutCancel(ctx))
	if _, err := conn.Exec(ctx, "LISTEN "+channel); err != nil {
		return err
	}
	s.listening.Store(true)
	defer s.listening.Store(false)
	missed()
	for {
		n, err := conn.WaitForNotification(ctx)
		if err != nil {
			return err
		}
		told(n.Payload)
	}
}

// Notify announces a payload to every process that listens, when the transaction is through.
func Notify(ctx context.Context, q *gen.Queries, payload any) error {
	data, err := json.Marshal(payload)
	if err != nil {
		return err
	}
	return q.NotifyFloor(ctx, string(data))
}

// AccountChange is told when somebody may have lost the right to follow: sign-out, another role, a
// new password, a removed account.
type AccountChange struct {
	Account uuid.UUID `json:"s"`
}

// SetPassword stores a new password's hash and ends every session, known device and link to a new
// password of its owner.
func SetPassword(ctx context.Context, q *gen.Queries, who gen.Staff, hash string) error {
	if _, err := q.SetPassword(ctx, gen.SetPasswordParams{ProgramID: who.ProgramID, ID: who.ID,
		PasswordHash: hash}); err != nil {
		return err
	}
	if err := q.ForgetDevices(ctx, gen.ForgetDevicesParams{ProgramID: who.ProgramID, StaffID: who.ID}); err != nil {
		return err
	}
	if err := q.EndResets(ctx, gen.EndResetsParams{ProgramID: who.ProgramID, StaffID: who.ID}); err != nil {
		return err
	}
	return Notify(ctx, q, AccountChange{who.ID})
}
