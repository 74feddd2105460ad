package main

import (
	"fmt"
	"math"
	"os"
	"regexp"
	"strconv"
	"strings"
	"testing"

	"evrik/core/court"
	"evrik/core/reads"
)

// agreementTable is the table of docs/model.md, of some clear situations each.
func agreementTable(sample int) (table string, shares map[string]float64) {
	floor, _ := court.PresetCourt(court.HighSchool)
	shares = map[string]float64{}
	var b strings.Builder
	b.WriteString("| situation | agreed | by cue |\n|---|---|---|\n")
	for _, s := range reads.Screens() {
		a := reads.Agree(reads.On(floor), s, sample, agreeSeed)
		if a.Clear == 0 {
			continue
		}
		var cues []string
		for _, r := range s.Rows(reads.School{}) {
			if by := a.ByCue[r.Cue]; by.Clear > 0 {
				cues = append(cues, fmt.Sprintf("%s %.0f", strings.ToLower(r.Cue.Name()), 100*float64(by.Agreed)/float64(by.Clear)))
			}
		}
		name := strings.ToLower(s.Name)
		shares[name] = 100 * a.Share()
		fmt.Fprintf(&b, "| %s | %.1f %% | %s |\n", name, 100*a.Share(), strings.Join(cues, ", "))
	}
	return b.String(), shares
}

// The tables of reads and the kinematics agree as the docs say. The whole table is compared, or
// written where EVRIK_WRITE_TABLES is set, in make prove; make test compares the shares of a sample.
func TestAgreementTable(t *testing.T) {
	const file, begin, end = "../../docs/model.md", "<!-- table: agreement -->\n", "<!-- end -->"
	text, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	before, rest, ok := strings.Cut(string(text), begin)
	told, after, ok2 := strings.Cut(rest, end)
	if !ok || !ok2 {
		t.Fatal("docs/model.md has no place for the table")
	}
	if !testing.Short() {
		table, _ := agreementTable(agreeSample)
		if os.Getenv("EVRIK_WRITE_TABLES") != "" {
			if err := os.WriteFile(file, []byte(before+begin+table+end+after), 0o644); err != nil {
				t.Fatal(err)
			}
		} else if table != told {
			t.Errorf("docs/model.md is not what is measured; run make prove. Now:\n%s", table)
		}
		return
	}
	const sample, points = 500, 6 // per cent that a sample may be off, five standard errors
	_, shares := agreementTable(sample)
	for _, row := range regexp.MustCompile(`(?m)^\| ([^|]+) \| ([0-9.]+) %`).FindAllStringSubmatch(told, -1) {
		want, _ := strconv.ParseFloat(row[2], 64)
		if got, there := shares[row[1]]; !there || math.Abs(got-want) > points {
			t.Errorf("%s: %.1f %% of a sample agree, the docs say %.1f", row[1], got, want)
		}
		delete(shares, row[1])
	}
	for name := range shares {
		t.Errorf("%s is not in the docs", name)
	}
}
