package practice

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"evrik/core/evidence"
	"evrik/core/reads"
)

// ReviewWords says what a practice came to in sentences: what moved, what was cut, and what
// to talk about. None of the lists is empty.
type ReviewWords struct {
	Moved []string `json:"moved"`
	Cut   []string `json:"cut"`
	Talk  []string `json:"talk"`
}

// offPlan is by how many minutes a block runs shorter or longer before it is said (assumption).
const offPlan = 3.0

// InWords says a review in sentences. turns are the verdicts that the practice changed, goals
// the reads it was for, reps what was logged in it, each rep once. name is what a player is
// called.
func (r Review) InWords(turns []evidence.Turn, goals []reads.Read, reps []evidence.Rep,
	name func(player string) string) ReviewWords {
	return ReviewWords{Moved: moved(turns, goals, reps, name), Cut: r.cut(), Talk: r.talk()}
}

// moved says which verdicts changed, read by read, and how the goals without a change went.
func moved(turns []evidence.Turn, goals []reads.Read, reps []evidence.Rep,
	name func(player string) string) (out []string) {
	var order []reads.Read
	now, not := map[reads.Read][]string{}, map[reads.Read][]string{}
	for _, t := range turns {
		if !slices.Contains(order, t.Read) {
			order = append(order, t.Read)
		}
		switch t.Is {
		case evidence.HasIt:
			now[t.Read] = append(now[t.Read], name(string(t.Player)))
		case evidence.NotYet:
			not[t.Read] = append(not[t.Read], name(string(t.Player)))
		}
	}
	for _, read := range order {
		if who := now[read]; len(who) > 0 {
			out = append(out, fmt.Sprintf("%s: %s now %s it.", readName(read), Names(who),
				verb(len(who), "has", "have")))
		}
	}
	for _, read := range order {
		if who := not[read]; len(who) > 0 {
			out = append(out, fmt.Sprintf("%s: %s clearly %s not have it yet.", readName(read), Names(who),
				verb(len(who), "does", "do")))
		}
	}
	for _, read := range goals {
		all, correct := 0, 0
		for _, rep := range reps {
			if rep.Expected == read {
				all++
				correct += count(rep.Correct)
			}
		}
		switch {
		case len(now[read])+len(not[read]) > 0:
		case all == 0:
			out = append(out, fmt.Sprintf("%s was a goal, and no rep of it was logged.", readName(read)))
		default:
			out = append(out, fmt.Sprintf("%s was a goal: %d of %d correct, and no verdict changed yet.",
				readName(read), correct, all))
		}
	}
	if len(out) == 0 {
		out = []string{"No verdict changed. That usually takes more than one practice."}
	}
	return out
}

func verb(n int, one, several string) string {
	if n == 1 {
		return one
	}
	return several
}

func readName(id reads.Read) string {
	info, _ := reads.Info(id)
	return info.Name
}

// cut says what was not run, and what ran shorter or longer than planned.
func (r Review) cut() (out []string) {
	ran := false
	for _, b := range r.Blocks {
		ran = ran || b.Ran > 0
	}
	var dropped []string
	for _, b := range r.Dropped {
		dropped = append(dropped, b.Title)
	}
	if len(dropped) > 0 {
		out = append(out, fmt.Sprintf("Skipped, or nobody logged it: %s.", Names(dropped)))
	}
	for _, b := range r.Blocks {
		switch off := math.Round(b.Ran - b.Planned); {
		case !ran || slices.Contains(dropped, b.Title):
		case b.Ran == 0:
			out = append(out, fmt.Sprintf("%s was skipped.", b.Title))
		case off <= -offPlan:
			out = append(out, fmt.Sprintf("%s ran %.0f min short.", b.Title, -off))
		case off >= offPlan:
			out = append(out, fmt.Sprintf("%s ran %.0f min over.", b.Title, off))
		}
	}
	switch {
	case len(out) > 0:
	case !ran:
		out = []string{"The clock was not used, so nobody knows what ran long."}
	default:
		out = []string{"Everything ran as planned."}
	}
	return out
}

// talk says what was made most often in place of what was asked, and what to mend.
func (r Review) talk() (out []string) {
	for _, w := range r.Wrong {
		made := "No read"
		if w.Made != "" {
			made = readName(w.Made)
		}
		out = append(out, fmt.Sprintf("%s instead of %s: %s.", made, strings.ToLower(readName(w.Expected)),
			number(w.Count, "time")))
	}
	for _, c := range r.Tags {
		out = append(out, fmt.Sprintf("%s: %s.", evidence.TagName(c.ID), number(c.Count, "time")))
	}
	if len(out) == 0 {
		out = []string{"No wrong read was logged."}
	}
	return out
}
