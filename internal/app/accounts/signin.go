package accounts

import (
	"context"
	"strings"
	"time"

	"github.com/google/uuid"

	"evrik/internal/app"
	"evrik/internal/app/tries"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// DeviceLife is how long a device on which somebody signed in is known (assumption).
const DeviceLife = 180 * 24 * time.Hour

// From is where somebody asks from: a network place, and the key of a device that may be known, empty for none.
type From struct{ Place, Device string }

// SignIn finds whose account it is, or refuses with app.Unknown. Tries are counted per address and per network place;
// a device that is known has a count of its own, so that somebody elsewhere cannot lock its coach out.
func (s Service) SignIn(ctx context.Context, email, password string, from From) (who gen.Staff, err error) {
	email = cleanAddress(email)
	keys := []string{tries.Key("address", email), tries.Key("place", from.Place)}
	known, err := s.knows(ctx, from.Device, email)
	if err != nil {
		return who, err
	}
	if known {
		keys = []string{tries.Key("device", from.Device)}
	}
	try, err := s.Tries.Count(ctx, keys...)
	if err != nil {
		return who, err
	}
	who, err = s.Store.StaffByEmail(ctx, email)
	if err != nil && !store.NotFound(err) {
		return who, err
	}
	match, err := s.Passwords.Matches(ctx, password, who.PasswordHash)
	if err == nil && !match {
		err = app.Refuse(app.Unknown, "signin.no-match")
	}
	if err != nil {
		return gen.Staff{}, err
	}
	return who, s.Tries.Forgive(ctx, try, keys[0])
}

// cleanAddress is how an address is compared.
func cleanAddress(email string) string { return strings.ToLower(strings.TrimSpace(email)) }

// knows reports whether somebody with this address has signed in on a device.
func (s Service) knows(ctx context.Context, device, email string) (bool, error) {
	if device == "" {
		return false, nil
	}
	_, err := s.Store.KnownDevice(ctx, gen.KnownDeviceParams{KeyHash: deviceHash(device), Email: email, Now: s.Now()})
	if store.NotFound(err) {
		return false, nil
	}
	return err == nil, err
}

// deviceHash is what is stored of a device's key.
func deviceHash(key string) []byte { return app.SecretHash("device", key) }

// Remember makes a device known for somebody, for DeviceLife, and returns its key, which takes the place of its old
// one; that is empty for none.
func (s Service) Remember(ctx context.Context, who gen.Staff, old string) (key string, err error) {
	if key, err = app.SecretKey(); err != nil {
		return "", err
	}
	if old != "" {
		if err := s.Store.ForgetDevice(ctx, deviceHash(old)); err != nil {
			return "", err
		}
	}
	return key, s.Store.RememberDevice(ctx, gen.RememberDeviceParams{KeyHash: deviceHash(key), ProgramID: who.ProgramID,
		StaffID: who.ID, Until: s.Now().Add(DeviceLife)})
}

// Signed returns the owner of a session, or nil when the session no longer holds: a new epoch of the account ends all
// sessions before it.
func (s Service) Signed(ctx context.Context, id uuid.UUID, epoch int) (*gen.Staff, error) {
	who, err := s.Store.StaffByID(ctx, id)
	if store.NotFound(err) {
		return nil, nil
	}
	if err != nil || int(who.SessionEpoch) != epoch {
		return nil, err
	}
	return &who, nil
}

// SignOut ends all of somebody's sessions.
func (s Service) SignOut(ctx context.Context, who gen.Staff) error {
	return s.Store.EndSessions(ctx, gen.EndSessionsParams{ProgramID: who.ProgramID, ID: who.ID})
}

// Announce tells all servers that somebody may have lost the right to follow; uuid.Nil is nobody.
func (s Service) Announce(ctx context.Context, account uuid.UUID) error {
	if account == uuid.Nil {
		return nil
	}
	return store.Notify(ctx, s.Store.Queries, store.AccountChange{Account: account})
}
