// Package sentences turns refusals into the sentences that people read. It is the only place with those words: all
// other packages refuse by code. A sentence says what happened, what was kept and what to do.
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

// Of returns the sentence for the refusal that err is or wraps. For any other error, and for an unknown code, it
// returns the error's own text.
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
