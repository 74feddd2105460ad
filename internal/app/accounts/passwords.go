package accounts

import (
	"context"
	"fmt"
	"log/slog"
	"time"

	"evrik/core/practice"
	"evrik/internal/app"
	"evrik/internal/app/tries"
	"evrik/internal/mail"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// resetLife is how long a link to a new password works (assumption).
const resetLife = time.Hour

// MailReset mails a link to a new password, where an address has an account; whoever asks does not learn whether it
// has. Asking is counted per address and per network place.
func (s Service) MailReset(ctx context.Context, email, place string) error {
	email = cleanAddress(email)
	if _, err := s.Tries.Count(ctx, tries.Key("reset", email), tries.Key("reset place", place)); err != nil {
		return err
	}
	who, err := s.Store.StaffByEmail(ctx, email)
	if store.NotFound(err) {
		return nil
	}
	if err != nil {
		return err
	}
	key, err := app.SecretKey()
	if err != nil {
		return err
	}
	until := s.Now().Add(resetLife)
	err = s.Store.Tx(ctx, func(q *gen.Queries) error {
		if err := q.EndResets(ctx, gen.EndResetsParams{ProgramID: who.ProgramID, StaffID: who.ID}); err != nil {
			return err
		}
		return q.InsertReset(ctx, gen.InsertResetParams{KeyHash: resetHash(key), ProgramID: who.ProgramID,
			StaffID: who.ID, Until: until})
	})
	if err != nil {
		return err
	}
	text := fmt.Sprintf(
		"Somebody asked for a new password for %s.\n\nOpen this address once, by %s, and choose "+
			"one:\n%s/reset/%s\n\nIf it was not you, leave it alone; nothing happens.\n",
		who.Email, until.UTC().Format(practice.ClockFormat+" UTC"), s.Address, key)
	// It is nobody's business in the program, so no program's list shows it.
	if err := s.Send(ctx, mail.Message{To: who.Email, Subject: "A new password", Text: text}); err != nil {
		slog.Error("a link to a new password was not mailed", "error", err)
	}
	return nil
}

func resetHash(key string) []byte { return app.SecretHash("reset", key) }

// ResetOwner finds whose link to a new password it is, or refuses with app.Missing; guesses are counted for the network
// place.
func (s Service) ResetOwner(ctx context.Context, key, place string) (who gen.Staff, err error) {
	err = s.Tries.Guess(ctx, "reset link", place, func() (err error) {
		who, err = s.Store.ResetByKey(ctx, gen.ResetByKeyParams{KeyHash: resetHash(key), Now: s.Now()})
		return err
	})
	return who, app.OrMissing(err, "password.link-dead")
}

// ResetPassword sets the password of a link's owner.
func (s Service) ResetPassword(ctx context.Context, key, place, password string) (gen.Staff, error) {
	who, err := s.ResetOwner(ctx, key, place)
	if err != nil {
		return who, err
	}
	return s.setPassword(ctx, who, password)
}

// ChangePassword sets a new password for somebody who knows the old one; wrong ones are counted.
func (s Service) ChangePassword(ctx context.Context, who gen.Staff, old, password string) (gen.Staff, error) {
	key := tries.Key("change", who.ID.String())
	try, err := s.Tries.Count(ctx, key)
	if err != nil {
		return who, err
	}
	match, err := s.Passwords.Matches(ctx, old, who.PasswordHash)
	if err == nil && !match {
		err = app.Refuse(app.Invalid, "password.old-wrong")
	}
	if err != nil {
		return who, err
	}
	if err := s.Tries.Forgive(ctx, try, key); err != nil {
		return who, err
	}
	return s.setPassword(ctx, who, password)
}

// setPassword stores a new password and ends all sessions, known devices and links of its owner.
func (s Service) setPassword(ctx context.Context, who gen.Staff, password string) (gen.Staff, error) {
	hash, err := s.Passwords.Hash(ctx, password)
	if err != nil {
		return who, err
	}
	if err := s.Store.Tx(ctx, func(q *gen.Queries) error { return store.SetPassword(ctx, q, who, hash) }); err != nil {
		return who, err
	}
	return s.Store.StaffByID(ctx, who.ID)
}
