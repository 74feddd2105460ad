package reads

import (
	"fmt"
	"slices"

	"evrik/core/refusal"
)

// Logged is what somebody saw of one player in one rep, without places.
type Logged struct {
	Cue Cue
	// Sign is the id of the second cue, empty where none was noted.
	Sign string
	// Read is what the player did, empty for nothing.
	Read Read
	Role Role
	// Shoots tells whether the player in the screener's part makes the three, InRange
	// whether the cue came within the range of the player in the first part.
	Shoots, InRange Known
}

// Scored is what a logged rep comes to.
type Scored struct {
	// Expected is the cue's first answer.
	Expected Read
	Correct  bool
	// Doubt is true where the answer needs a second cue that nobody noted: it counts as
	// correct.
	Doubt bool
	// Why is the sentence that says so.
	Why string
}

// Score says whether a read answers a cue: it does when it is one of the row's answers
// and no second cue that was noted speaks against it. The error says what the table
// does not know; it is a refusal.
func (a *Action) Score(rules TeamRules, seen Logged) (Scored, error) {
	row, ok := a.Row(rules, seen.Cue)
	if !ok {
		return Scored{}, refusal.New("reads.cue", lowerFirst(a.Name), seen.Cue)
	}
	answers, ok := a.answersOf(&row, seen.Role)
	if !ok || len(answers) == 0 {
		return Scored{}, refusal.New("reads.role", seen.Role)
	}
	noted, ok := row.sign(seen.Sign)
	if !ok {
		return Scored{}, refusal.New("reads.second-cue", seen.Sign, lowerFirst(row.Cue.Name()))
	}
	out := Scored{Expected: answers[0].Read}
	against := ""
	for i := range answers {
		n := &answers[i]
		if n.Read != seen.Read || seen.Read == "" {
			continue
		}
		if text := n.against(noted, seen); text != "" {
			against = text
			continue
		}
		out.Correct, out.Doubt = true, n.Sign.ID != "" && n.Sign.ID != noted.ID && !n.settled(seen)
		out.Why = n.why(row.Cue, out.Doubt)
		return out, nil
	}
	switch {
	case against != "":
		out.Why = against
	case seen.Read == "":
		out.Why = fmt.Sprintf("No read was made; %s asks for %s.", lowerFirst(row.Cue.Name()),
			lowerFirst(readName(out.Expected)))
	default:
		out.Why = fmt.Sprintf("%s does not answer %s.", readName(seen.Read), lowerFirst(row.Cue.Name()))
	}
	return out, nil
}

// Signs lists the second cues of the row, each once.
func (r *Row) Signs() []SecondCue {
	var out []SecondCue
	for _, list := range [...][]Answer{r.Cutter, r.Screener, r.Third} {
		for _, n := range list {
			if n.Sign.ID != "" && !slices.Contains(out, n.Sign) {
				out = append(out, n.Sign)
			}
		}
	}
	return out
}

// sign finds a second cue of the row; the empty id is none.
func (r *Row) sign(id string) (SecondCue, bool) {
	if id == "" {
		return SecondCue{}, true
	}
	for _, s := range r.Signs() {
		if s.ID == id {
			return s, true
		}
	}
	return SecondCue{}, false
}

// against says why a second cue that was noted, or who was playing, speaks against an
// answer; empty when nothing does.
func (n *Answer) against(noted SecondCue, seen Logged) string {
	switch {
	case n.Sign == popper && seen.Shoots == No:
		return fmt.Sprintf("%s is for a screener who shoots.", readName(n.Read))
	case n.Sign == inShot && seen.InRange == No:
		return fmt.Sprintf("%s needs the range for it.", readName(n.Read))
	case n.Sign == noShot && seen.InRange == Yes:
		return fmt.Sprintf("%s is for a player who is out of range.", readName(n.Read))
	case n.Sign.ID != "" && noted.ID != "" && n.Sign.ID != noted.ID && n.Sign.Topic == noted.Topic:
		return fmt.Sprintf("%s is right if %s; noted was that %s.", readName(n.Read), n.Sign.If, noted.If)
	}
	return ""
}

// settled reports whether who was playing settles an answer's condition.
func (n *Answer) settled(seen Logged) bool {
	return n.Sign == popper && seen.Shoots == Yes || n.Sign == inShot && seen.InRange == Yes || n.Sign == noShot &&
		seen.InRange == No
}

// why says that an answer is right.
func (n *Answer) why(cue Cue, doubt bool) string {
	switch {
	case n.Sign.ID == "":
		return fmt.Sprintf("%s answers %s.", readName(n.Read), lowerFirst(cue.Name()))
	case doubt:
		return fmt.Sprintf("%s answers %s if %s. Nobody noted it, so it counts.", readName(n.Read),
			lowerFirst(cue.Name()), n.Sign.If)
	}
	return fmt.Sprintf("%s answers %s: %s.", readName(n.Read), lowerFirst(cue.Name()), n.Sign.If)
}
