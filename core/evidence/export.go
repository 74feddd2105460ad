package evidence

import (
	"encoding/csv"
	"io"
	"strconv"
	"strings"
	"time"

	"evrik/core/csvcell"
	"evrik/core/reads"
)

// Named says who a player is in a file.
type Named struct{ Jersey, Name string }

// exportLevel is the confidence of the Wilson interval in a file.
const exportLevel = 0.95

// WriteReps writes reps as RFC 4180, a line each, oldest first as they come. Times
// are RFC 3339 in UTC. names are by player id; who is not in it is left out, so that a
// deleted player is in no file.
func WriteReps(w io.Writer, reps []Rep, names map[PlayerID]Named) error {
	out := csv.NewWriter(w)
	out.UseCRLF = true
	if err := out.Write([]string{"at", "jersey", "name", "role", "action", "rung", "side", "cue", "expected", "made",
		"correct", "late", "tags"}); err != nil {
		return err
	}
	for _, r := range reps {
		who, known := names[r.Player]
		if !known {
			continue
		}
		if err := out.Write([]string{r.At.UTC().Format(time.RFC3339), csvcell.Harmless(who.Jersey),
			csvcell.Harmless(who.Name), string(r.Role), string(r.Action), string(r.Rung), r.Side,
			r.Cue.String(), string(r.Expected), string(r.Made), yes(r.Correct), yes(r.Late),
			tagNames(r.Tags)}); err != nil {
			return err
		}
	}
	out.Flush()
	return out.Error()
}

// RoleLines is where players stand on the reads of a role.
type RoleLines struct {
	Role  reads.Role
	Lines []Line
}

// WriteVerdicts writes where players stand, a line for each player, role, read and rung
// group with reps: the verdict with its chance, the belief's median and range, and the
// Wilson interval of the raw counts.
func WriteVerdicts(w io.Writer, of []RoleLines, names map[PlayerID]Named) error {
	out := csv.NewWriter(w)
	out.UseCRLF = true
	if err := out.Write([]string{"jersey", "name", "role", "read", "rungs", "verdict", "firm", "correct", "reps",
		"rate", "low", "high", "chance", "target",
		"wilson low", "wilson high", "last"}); err != nil {
		return err
	}
	for _, role := range of {
		for _, line := range role.Lines {
			who, known := names[line.Player]
			if !known {
				continue
			}
			for i := range line.Cells {
				for _, in := range line.Cells[i].Groups {
					if in.Judgement.Reps == 0 {
						continue
					}
					if err := out.Write(verdictRow(who, role.Role, line.Cells[i].Read, in)); err != nil {
						return err
					}
				}
			}
		}
	}
	out.Flush()
	return out.Error()
}

func verdictRow(who Named, role reads.Role, read reads.Read, in InGroup) []string {
	number := func(v float64) string { return strconv.FormatFloat(v, 'f', 4, 64) }
	j := &in.Judgement
	wilson := Wilson(j.Correct, j.Reps, exportLevel)
	return []string{csvcell.Harmless(who.Jersey), csvcell.Harmless(who.Name), string(role), string(read),
		string(in.Group), string(j.Verdict), yes(!j.New),
		strconv.Itoa(j.Correct), strconv.Itoa(j.Reps), number(j.Rate), number(j.Interval.Low), number(j.Interval.High),
		number(j.Chance), number(j.Target),
		number(wilson.Low), number(wilson.High), j.Last.UTC().Format(time.RFC3339)}
}

func yes(b bool) string {
	if b {
		return "yes"
	}
	return ""
}

// tagNames lists tags in one cell, without whose they are: the file is about the line's player.
func tagNames(tags []Tag) string {
	names := make([]string, len(tags))
	for i, t := range tags {
		names[i] = t.ID
	}
	return strings.Join(names, " ")
}
