package evidence

import (
	"fmt"
	"math/rand/v2"
	"testing"

	"evrik/core/reads"
)

func observation(id RepID, no int, observer ObserverID, correct bool) Rep {
	return Rep{ID: id, No: no, Observer: observer, Correct: correct}
}

func TestOnePerRep(t *testing.T) {
	for name, tc := range map[string]struct {
		seen []Rep
		want string // ids that count, in order
	}{
		"nothing":  {nil, ""},
		"two reps": {[]Rep{observation("a", 1, "x", true), observation("b", 2, "x", false)}, "a b "},
		"not numbered, so each its own": {[]Rep{observation("a", 0, "x", true), observation("b", 0, "y", true)},
			"a b "},
		"two agree":             {[]Rep{observation("a", 1, "x", true), observation("b", 1, "y", true)}, "a "},
		"two differ: the first": {[]Rep{observation("a", 1, "x", false), observation("b", 1, "y", true)}, "a "},
		"three: what two say": {[]Rep{observation("a", 1, "x", false), observation("b", 1, "y", true),
			observation("c", 1, "z", true)}, "b "},
		"one says it again: the last": {[]Rep{observation("a", 1, "x", false), observation("b", 2, "x", true),
			observation("c", 1, "x", true)}, "c b "},
		"who corrected it, and others": {[]Rep{observation("a", 1, "x", true), observation("b", 1, "y", false),
			observation("c", 1, "x", false)}, "c "},
	} {
		got := ""
		for _, r := range OnePerRep(tc.seen) {
			got += string(r.ID) + " "
		}
		if got != tc.want {
			t.Errorf("%s: %q counts, want %q", name, got, tc.want)
		}
	}
}

// However many watch, there are as many reps as were run, and where all agree the
// count of right ones is that of one observer.
func TestObserversNeverDouble(t *testing.T) {
	rng := rand.New(rand.NewPCG(5, 8))
	for range 200 {
		reps, observers := 1+rng.IntN(12), 1+rng.IntN(4)
		right := 0
		var seen []Rep
		for n := range reps {
			is := rng.IntN(2) == 0
			if is {
				right++
			}
			for o := range observers {
				if o == 0 || rng.IntN(3) > 0 {
					seen = append(seen, observation(RepID(fmt.Sprint(n, o)), n+1, ObserverID(fmt.Sprint(o)), is))
				}
			}
		}
		rng.Shuffle(len(seen), func(a, b int) { seen[a], seen[b] = seen[b], seen[a] })
		one := OnePerRep(seen)
		counted := 0
		for _, r := range one {
			if r.Correct {
				counted++
			}
		}
		if len(one) != reps || counted != right {
			t.Fatalf("%d of %d right, want %d of %d", counted, len(one), right, reps)
		}
		if again := OnePerRep(one); len(again) != reps {
			t.Fatalf("done twice: %d", len(again))
		}
	}
}

// Verdicts that some reps have turned: with them and without, at one moment.
func TestTurns(t *testing.T) {
	p := DefaultPolicy()
	old := made("+-+-+-+-", 3)
	before, after := history(old), history(old, made("++++++++++++++++++++", 0))
	columns := []reads.Read{reads.Curl, reads.Fade}
	turns := p.Turns([]PlayerID{"a", "b"}, reads.Cutter, columns, before, after, now)
	if len(turns) != 1 || turns[0].Player != "a" || turns[0].Read != reads.Curl || turns[0].Is != HasIt ||
		turns[0].Was == HasIt {
		t.Errorf("%+v", turns)
	}
	if none := p.Turns([]PlayerID{"a"}, reads.Cutter, columns, before, before, now); len(none) != 0 {
		t.Errorf("%+v", none)
	}
}
