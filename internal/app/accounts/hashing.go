package accounts

import (
	"context"
	"crypto/rand"
	"encoding/base64"
	"fmt"
	"time"
	"unicode/utf8"

	"github.com/alexedwards/argon2id"
	"golang.org/x/crypto/argon2"

	"evrik/internal/app"
)

// Limits of hashing passwords (assumptions).
const (
	// minPassword and maxPassword are how long a password may be, in characters.
	minPassword = 10
	maxPassword = 200
	// hashesAtOnce is how many passwords are hashed at the same time; each takes 64 MB and both
	// processors. hashQueue more may wait, for hashPatience.
	hashesAtOnce = 2
	hashQueue    = 8
	hashPatience = 5 * time.Second
)

// Hashing hashes passwords with Argon2id (RFC 9106), few at once. The zero value is not usable.
type Hashing struct{ running, waiting chan struct{} }

// NewHashing returns a Hashing that is ready for use.
func NewHashing() Hashing {
	return Hashing{make(chan struct{}, hashesAtOnce), make(chan struct{}, hashQueue)}
}

var tooBusy = app.Refuse(app.TooMany, "signin.busy")

// do runs f when it is its turn, or refuses.
func (h Hashing) do(ctx context.Context, f func() error) error {
	select {
	case h.waiting <- struct{}{}:
	default:
		return tooBusy
	}
	patience := time.NewTimer(hashPatience)
	defer patience.Stop()
	select {
	case h.running <- struct{}{}:
		<-h.waiting
		defer func() { <-h.running }()
		return f()
	case <-patience.C:
		<-h.waiting
		return tooBusy
	case <-ctx.Done():
		<-h.waiting
		return ctx.Err()
	}
}

// Hash checks a new password and hashes it. It refuses with app.TooMany where too many wait.
func (h Hashing) Hash(ctx context.Context, password string) (hash string, err error) {
	if n := utf8.RuneCountInString(password); n < minPassword || n > maxPassword {
		return "", app.Refuse(app.Invalid, "signin.password-length", minPassword, maxPassword)
	}
	err = h.do(ctx, func() (err error) {
		hash, err = argon2id.CreateHash(password, argon2id.DefaultParams)
		return err
	})
	return hash, err
}

// decoyHash is checked where there is no account, so that the answer takes as long as for one that there is. No
// password was hashed for it, since nobody has one.
var decoyHash = func() string {
	p := argon2id.DefaultParams
	bytes := make([]byte, p.SaltLength+p.KeyLength)
	_, _ = rand.Read(bytes) // it never fails
	text := base64.RawStdEncoding.EncodeToString
	return fmt.Sprintf("$argon2id$v=%d$m=%d,t=%d,p=%d$%s$%s", argon2.Version, p.Memory, p.Iterations, p.Parallelism,
		text(bytes[:p.SaltLength]), text(bytes[p.SaltLength:]))
}()

// Matches compares a password with a hash; one that is empty takes as long and matches none. It refuses with
// app.TooMany where too many wait.
func (h Hashing) Matches(ctx context.Context, password, hash string) (match bool, err error) {
	there := hash != ""
	if !there {
		hash = decoyHash
	}
	err = h.do(ctx, func() (err error) {
		match, err = argon2id.ComparePasswordAndHash(password, hash)
		return err
	})
	return match && there, err
}
