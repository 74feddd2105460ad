package web

import (
	"context"
	"crypto/rand"
	"crypto/sha256"
	"encoding/base64"
	"encoding/hex"
	"fmt"
	"net/http"
	"time"
	"unicode/utf8"

	"github.com/alexedwards/argon2id"
	"github.com/google/uuid"
	"golang.org/x/crypto/argon2"

	"evrik/internal/app"
	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// Limits of signing in (assumptions).
const (
	// signInTries within signInWindow close an address or a network place for the rest of the
	// window.
	signInTries  = 8
	signInWindow = 10 * time.Minute
	// hashesAtOnce is how many passwords are hashed at the same time; each takes 64 MB and both
	// processors. hashQueue more may wait, for hashPatience.
	hashesAtOnce = 2
	hashQueue    = 8
	hashPatience = 5 * time.Second
	// deviceLife is how long a device on which somebody signed in is known.
	deviceLife = 180 * 24 * time.Hour
)

// hashing lets few requests hash passwords at once. The zero value is not usable.
type hashing struct{ running, waiting chan struct{} }

func newHashing() hashing {
	return hashing{make(chan struct{}, hashesAtOnce), make(chan struct{}, hashQueue)}
}

var tooBusy = refused(http.StatusTooManyRequests, "signin.busy")

// do runs f when it is its turn, or refuses.
func (h hashing) do(ctx context.Context, f func() error) error {
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

// decoyHash is checked when an address is unknown, so that the answer takes as
// long as for a known one. No password was hashed for it, since nobody has one.
var decoyHash = func() string {
	p := argon2id.DefaultParams
	bytes := make([]byte, p.SaltLength+p.KeyLength)
	_, _ = rand.Read(bytes) // it never fails
	text := base64.RawStdEncoding.EncodeToString
	return fmt.Sprintf("$argon2id$v=%d$m=%d,t=%d,p=%d$%s$%s", argon2.Version, p.Memory, p.Iterations, p.Parallelism,
		text(bytes[:p.SaltLength]), text(bytes[p.SaltLength:]))
}()

// hash checks a new password and hashes it.
func (s *Server) hash(ctx context.Context, password string) (hash string, err error) {
	if n := utf8.RuneCountInString(password); n < minPassword || n > maxPassword {
		return "", invalid("signin.password-length", minPassword, maxPassword)
	}
	err = s.hashing.do(ctx, func() (err error) {
		hash, err = argon2id.CreateHash(password, argon2id.DefaultParams)
		return err
	})
	return hash, err
}

// matches compares a password with a hash.
func (s *Server) matches(ctx context.Context, password, hash string) (match bool, err error) {
	err = s.hashing.do(ctx, func() (err error) {
		match, err = argon2id.ComparePasswordAndHash(password, hash)
		return err
	})
	return match, err
}

// SignIn begins a session. Tries are counted per address and per network place, in the database, so
// that the limit holds for all servers; a device that is known has a count of its own, so that
// somebody elsewhere cannot lock its coach out.
func (s *Server) SignIn(ctx context.Context, r api.SignInRequestObject) (api.SignInResponseObject, error) {
	email := cleanAddress(r.Body.Email)
	keys := []string{throttleKey("address", email), throttleKey("place", clientPlace(ctx))}
	if device := deviceOf(ctx); device != "" {
		_, err := s.db.KnownDevice(ctx, gen.KnownDeviceParams{KeyHash: app.SecretHash("device", device), Email: email,
			Now: s.now()})
		if err != nil && !store.NotFound(err) {
			return nil, err
		}
		if err == nil {
			keys = []string{throttleKey("device", device)}
		}
	}
	try, err := s.count(ctx, keys)
	if err != nil {
		return nil, err
	}
	who, err := s.db.StaffByEmail(ctx, email)
	hash := who.PasswordHash
	if store.NotFound(err) {
		hash, err = decoyHash, nil
	}
	if err != nil {
		return nil, err
	}
	match, err := s.matches(ctx, r.Body.Password, hash)
	if err != nil {
		return nil, err
	}
	if !match || who.ID == uuid.Nil {
		return nil, refused(http.StatusUnauthorized, "signin.no-match")
	}
	if err := s.forgive(ctx, try, keys[0]); err != nil {
		return nil, err
	}
	view, err := s.begin(ctx, who)
	return api.SignIn200JSONResponse{SessionJSONResponse: api.SessionJSONResponse(view)}, err
}

// tooMany is told to whoever has tried too often.
var tooMany = refused(http.StatusTooManyRequests, "signin.too-many-tries", int(signInWindow.Minutes()))

// count counts a try under some keys, before anything is checked, and refuses it where one of them
// has had too many. However many come at once, no more than signInTries are checked.
func (s *Server) count(ctx context.Context, keys []string) (try uuid.UUID, err error) {
	try = uuid.New()
	if _, err := s.db.CountTry(ctx, gen.CountTryParams{Keys: keys, Try: try}); err != nil {
		return try, err
	}
	n, err := s.db.TriesOf(ctx, gen.TriesOfParams{Keys: keys, Since: s.now().Add(-signInWindow)})
	if err == nil && n > signInTries {
		err = tooMany
	}
	return try, err
}

// guessed finds what a long secret key is for; wrong ones are counted per network place. kind keeps
// the counts of different links apart.
func (s *Server) guessed(ctx context.Context, kind string, find func() error) error {
	keys := []string{throttleKey(kind, clientPlace(ctx))}
	n, err := s.db.TriesOf(ctx, gen.TriesOfParams{Keys: keys, Since: s.now().Add(-signInWindow)})
	if err == nil && n >= signInTries {
		err = tooMany
	}
	if err != nil {
		return err
	}
	if err = find(); store.NotFound(err) {
		if _, err := s.db.CountTry(ctx, gen.CountTryParams{Keys: keys, Try: uuid.New()}); err != nil {
			return err
		}
	}
	return err
}

// forgive takes a try back that was right, and those before it under a key.
func (s *Server) forgive(ctx context.Context, try uuid.UUID, key string) error {
	return s.db.ForgiveTries(ctx, gen.ForgiveTriesParams{Try: try, Key: key, Before: s.now().Add(-signInWindow)})
}

func throttleKey(kind, value string) string {
	sum := sha256.Sum256([]byte(kind + "\x00" + value))
	return hex.EncodeToString(sum[:16])
}

// begin signs somebody in on this device, which is known from then on.
func (s *Server) begin(ctx context.Context, who gen.Staff) (api.Session, error) {
	if err := s.sessions.RenewToken(ctx); err != nil {
		return api.Session{}, err
	}
	store.BeginSession(ctx)
	s.sessions.Put(ctx, sessionStaff, who.ID.String())
	s.sessions.Put(ctx, sessionEpoch, int(who.SessionEpoch))
	if err := s.remember(ctx, who); err != nil {
		return api.Session{}, err
	}
	return s.session(ctx)
}

// remember makes the device known for somebody.
func (s *Server) remember(ctx context.Context, who gen.Staff) error {
	answer, ok := ctx.Value(answerKey{}).(http.Header)
	if !ok {
		return nil
	}
	key, err := app.SecretKey()
	if err != nil {
		return err
	}
	if old := deviceOf(ctx); old != "" {
		if err := s.db.ForgetDevice(ctx, app.SecretHash("device", old)); err != nil {
			return err
		}
	}
	device := gen.RememberDeviceParams{KeyHash: app.SecretHash("device", key), ProgramID: who.ProgramID,
		StaffID: who.ID, Until: s.now().Add(deviceLife)}
	if err := s.db.RememberDevice(ctx, device); err != nil {
		return err
	}
	cookie := http.Cookie{Name: s.cookieName(deviceCookie), Value: key, Path: "/", MaxAge: int(deviceLife.Seconds()),
		HttpOnly: true, Secure: s.https, SameSite: http.SameSiteLaxMode}
	answer.Add("Set-Cookie", cookie.String())
	return nil
}

// deviceCookie and sessionCookie are the names of cookies over plain HTTP. Over HTTPS they begin with
// __Host-, so that a browser takes them from this host alone (RFC 6265bis, 4.1.3.2, from memory).
const (
	deviceCookie  = "evrik_device"
	sessionCookie = "evrik"
)

func (s *Server) cookieName(name string) string {
	if s.https {
		return "__Host-" + name
	}
	return name
}
