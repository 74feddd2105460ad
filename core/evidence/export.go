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
func WriteReps(w io.Writer, reps []Rep, names map[string]Named) error {
	out := csv.NewWriter(w)
	out.UseCRLF = true
	if err := out.Write([]string{"at", "jersey", "name", "role", "rung", "side", "cue", "expected", "made", "right", "late", "corrections"}); err != nil {
		return err
	}
	for _, r := range reps {
		who, known := names[r.Player]
		if !known {
			continue
		}
		if err := out.Write([]string{r.At.UTC().Format(time.RFC3339), csvcell.Harmless(who.Jersey), csvcell.Harmless(who.Name), string(r.Role), string(r.Rung), r.Side,
			r.Cue.String(), string(r.Expected), string(r.Made), yes(r.Right), yes(r.Late), strings.Join(r.Corrections, " ")}); err != nil {
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

// WriteVerdicts writes where players stand, a line for each player, role, read and
// rung with reps: the verdict with its chance, and the Wilson interval
// of the raw counts.
func WriteVerdicts(w io.Writer, of []RoleLines, names map[string]Named) error {
	out := csv.NewWriter(w)
	out.UseCRLF = true
	if err := out.Write([]string{"jersey", "name", "role", "read", "rung", "verdict", "right", "reps", "weighed right", "weighed reps", "rate", "chance", "target", "wilson low", "wilson high", "last"}); err != nil {
		return err
	}
	number := func(v float64) string { return strconv.FormatFloat(v, 'f', 4, 64) }
	for _, role := range of {
		for _, line := range role.Lines {
			who, known := names[line.Player]
			if !known {
				continue
			}
			for _, cell := range line.Cells {
				for _, on := range cell.Rungs {
					j := on.All
					wilson := Wilson(j.Tally.Right, j.Tally.Reps, exportLevel)
					if err := out.Write([]string{csvcell.Harmless(who.Jersey), csvcell.Harmless(who.Name), string(role.Role), cell.Read, string(on.Rung), string(j.Verdict),
						strconv.Itoa(j.Tally.Right), strconv.Itoa(j.Tally.Reps), number(j.Tally.WeightedRight), number(j.Tally.Weighted), number(j.Rate), number(j.Chance), number(j.Target),
						number(wilson.Low), number(wilson.High), j.Tally.Last.UTC().Format(time.RFC3339)}); err != nil {
						return err
					}
				}
			}
		}
	}
	out.Flush()
	return out.Error()
}

func yes(b bool) string {
	if b {
		return "yes"
	}
	return ""
}
