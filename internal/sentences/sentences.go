// Package sentences is the one catalogue of what people read where something is refused. A sentence says what happened,
// what was kept and what to do. The rest of the house names reasons by code; their words change here alone.
package sentences

import (
	"fmt"
	"maps"

	"evrik/core/refusal"
)

var catalogue = func() map[string]string {
	all := map[string]string{"said": "%s"}
	maps.Copy(all, floor)
	maps.Copy(all, plans)
	maps.Copy(all, house)
	return all
}()

func init() { refusal.Speak = sentence }

// Of returns the sentence of a refusal, or of the one that an error wraps. Any other error, and a refusal whose code
// nobody has put into words, is said as it is.
func Of(err error) string { return sentence(refusal.Of(err)) }

func sentence(r refusal.Refusal) string {
	format, known := catalogue[r.Code]
	if !known {
		return r.Error()
	}
	args := make([]any, len(r.Args))
	for i, a := range r.Args {
		if err, is := a.(error); is {
			a = Of(err)
		}
		args[i] = a
	}
	text := fmt.Sprintf(format, args...)
	if r.Kept != "" {
		text += " " + catalogue[r.Kept]
	}
	return text
}
