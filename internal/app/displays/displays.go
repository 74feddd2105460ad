// Package displays pairs second screens with practices: a screen in the gym, a scoreboard.
package displays

import (
	"context"
	"crypto/rand"
	"math/big"
	"strings"
	"time"

	"github.com/google/uuid"

	"evrik/core/practice"
	"evrik/internal/app"
	"evrik/internal/app/planning"
	"evrik/internal/app/tries"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Limits of pairing (assumptions).
const (
	// codeLetters leave out what looks alike from afar. Six of 28 make 480 million
	// codes, of which one place may try eight in ten minutes.
	codeLetters = "23456789ABCDEFGHJKMNPRTVWXYZ"
	codeLength  = 6
	// CodeLife is how long a code may be typed in.
	CodeLife = 10 * time.Minute
	// Life is how long a display stays paired: a day in the gym.
	Life = 12 * time.Hour
	// maxDisplays of one practice.
	maxDisplays = 8
)

// Service pairs displays.
type Service struct {
	Store *store.Store
	Tries tries.Service
	Now   func() time.Time
}

// Code pairs one display, once, until it is too late.
type Code struct {
	ID uuid.UUID
	// Text has a gap in the middle, so that it can be read aloud.
	Text  string
	Until time.Time
}

// codeHash is what is stored of a code, however it was typed.
func codeHash(code string) []byte {
	return app.SecretHash("display", strings.ToUpper(strings.NewReplacer(" ", "", "-", "").Replace(code)))
}

// New makes a code that pairs one display with a practice. It refuses with app.Conflict where there are as many as
// there may be.
func (s Service) New(ctx context.Context, team gen.Team, practice uuid.UUID) (Code, error) {
	now := s.Now()
	if err := s.Store.ForgetDisplays(ctx, now); err != nil {
		return Code{}, err
	}
	paired, err := s.List(ctx, team, practice)
	if err != nil {
		return Code{}, err
	}
	if len(paired) >= maxDisplays {
		return Code{}, app.Refuse(app.Conflict, "display.too-many", maxDisplays)
	}
	var letters strings.Builder
	for range codeLength {
		n, err := rand.Int(rand.Reader, big.NewInt(int64(len(codeLetters))))
		if err != nil {
			return Code{}, err
		}
		letters.WriteByte(codeLetters[n.Int64()])
	}
	text := letters.String()
	row := gen.InsertDisplayParams{ID: uuid.New(), ProgramID: team.ProgramID, TeamID: team.ID, PracticeID: practice,
		CodeHash: codeHash(text), CodeUntil: now.Add(CodeLife), Until: now.Add(Life)}
	return Code{row.ID, text[:codeLength/2] + " " + text[codeLength/2:], row.CodeUntil}, s.Store.InsertDisplay(ctx, row)
}

// List returns the displays that show a practice.
func (s Service) List(ctx context.Context, team gen.Team, practice uuid.UUID) ([]gen.Display, error) {
	return s.Store.DisplaysOfPractice(ctx, gen.DisplaysOfPracticeParams{ProgramID: team.ProgramID, PracticeID: practice,
		Now: s.Now()})
}

// End makes a display show nothing; notify runs in the transaction. It refuses with app.Missing where there is no such
// display.
func (s Service) End(ctx context.Context, team gen.Team, practice, display uuid.UUID,
	notify func(*gen.Queries) error) error {
	return s.Store.Tx(ctx, func(q *gen.Queries) error {
		n, err := q.EndDisplay(ctx, gen.EndDisplayParams{ProgramID: team.ProgramID, PracticeID: practice, ID: display})
		if err := app.Changed(n, err, "display.missing"); err != nil {
			return err
		}
		return notify(q)
	})
}

// Pair uses a code up and returns the display it makes. It refuses with app.Missing a code that does not work; such are
// counted for the network place.
func (s Service) Pair(ctx context.Context, code, place string) (d gen.Display, err error) {
	try, err := s.Tries.Count(ctx, tries.Key("display", place))
	if err != nil {
		return d, err
	}
	d, err = s.Store.PairDisplay(ctx, gen.PairDisplayParams{CodeHash: codeHash(code), Now: s.Now()})
	if err != nil {
		return d, app.OrMissing(err, "display.code-wrong")
	}
	return d, s.Tries.Forgive(ctx, try, "")
}

// ByID returns a display as long as it is paired; store.NotFound tells where it no longer is.
func (s Service) ByID(ctx context.Context, id uuid.UUID) (gen.Display, error) {
	return s.Store.PairedDisplay(ctx, gen.PairedDisplayParams{ID: id, Now: s.Now()})
}

// Shows is the practice a display shows. It refuses with app.Missing where that was deleted.
func (s Service) Shows(ctx context.Context, d gen.Display) (team gen.Team, p gen.Practice, err error) {
	if team, err = s.Store.Team(ctx, gen.TeamParams{ProgramID: d.ProgramID, ID: d.TeamID}); err == nil {
		p, err = s.Store.Practice(ctx, gen.PracticeParams{ProgramID: d.ProgramID, TeamID: d.TeamID, ID: d.PracticeID})
	}
	return team, p, app.OrMissing(err, planning.NoPractice)
}

// Board is what a scoreboard tells the time by: the clock and the blocks. A display that was ended, or whose day is
// over, is told nothing more: store.NotFound tells that.
func (s Service) Board(ctx context.Context, display uuid.UUID) (practice.Clock, []practice.Block, error) {
	d, err := s.ByID(ctx, display)
	if err != nil {
		return practice.Clock{}, nil, err
	}
	_, p, err := s.Shows(ctx, d)
	if err != nil {
		return practice.Clock{}, nil, err
	}
	rows, err := s.Store.BlocksOfPractice(ctx, gen.BlocksOfPracticeParams{ProgramID: d.ProgramID, PracticeID: p.ID})
	return store.ClockStateOf(p), store.BlocksOf(rows), err
}
