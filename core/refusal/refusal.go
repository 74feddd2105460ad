// Package refusal defines the error for input that cannot be accepted. It carries a code, which programs and tests
// check, and the values its sentence names. The sentence that people read is made at the edge, from the code.
package refusal

import (
	"errors"
	"fmt"
	"strings"
)

// Refusal is the reason why input was not accepted.
type Refusal struct {
	// Code names the reason: the area, a dot, the reason, such as "game.too-few-players".
	Code string
	// Args are what the sentence names, in its order. An argument may be a Refusal, whose sentence takes its place.
	Args []any
	// Kept is the code of the sentence that says what was kept; empty where the first one says it.
	Kept string
}

// Error gives the code and the arguments, for logs.
func (r Refusal) Error() string {
	var b strings.Builder
	b.WriteString(r.Code)
	for i, a := range r.Args {
		sep := ", "
		if i == 0 {
			sep = ": "
		}
		fmt.Fprintf(&b, "%s%v", sep, a)
	}
	return b.String()
}

// Speak makes the sentence of a refusal where one becomes a part of an answer. The edge sets it once, before anything
// is answered; until then a refusal is written as Error has it.
var Speak = Refusal.Error

// MarshalText writes the sentence; nothing where nothing is refused.
func (r Refusal) MarshalText() ([]byte, error) {
	if r.Code == "" {
		return nil, nil
	}
	return []byte(Speak(r)), nil
}

// UnmarshalText takes a sentence that was written before.
func (r *Refusal) UnmarshalText(text []byte) error {
	if *r = (Refusal{}); len(text) == 0 {
		return nil
	}
	*r = Refusal{Code: "said", Args: []any{string(text)}}
	return nil
}

// New returns a Refusal with this code and these arguments.
func New(code string, args ...any) error { return Refusal{Code: code, Args: args} }

// Keeping returns the refusal with the code of a sentence that says what was kept. An error that is no Refusal is
// returned as it is.
func Keeping(err error, kept string) error {
	if r, ok := errors.AsType[Refusal](err); ok {
		r.Kept = kept
		return r
	}
	return err
}

// Of returns the refusal that an error is or wraps; an error that is none becomes one with its text.
func Of(err error) Refusal {
	if r, ok := errors.AsType[Refusal](err); ok {
		return r
	}
	return Refusal{Code: "said", Args: []any{err.Error()}}
}

// CodeOf returns the code of a refusal, or of the one that an error wraps; empty for any other error.
func CodeOf(err error) string {
	r, _ := errors.AsType[Refusal](err)
	return r.Code
}
