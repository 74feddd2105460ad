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

// agreementTable is the table of docs/model.md, of some clear snapshots each.
func agreementTable(sample int) (table string, shares map[string]float64) {
	floor, _ := court.PresetCourt(court.HighSchool)
	shares = map[string]float64{}
	var b strings.Builder
	b.WriteString("| action | a | b | c | d | a by cue |\n|---|---|---|---|---|---|\n")
	line := func(name string, c reads.CueAgreement, cues string) {
		if c.Clear == 0 {
			fmt.Fprintf(&b, "| %s | not compared | | | | no answer ends in a catch or a shot |\n", name)
			return
		}
		shares[name] = 100 * c.Share(c.Accepted)
		fmt.Fprintf(&b, "| %s | %.1f %% | %.0f %% | %.0f %% | %.0f %% | %s |\n", name, shares[name],
			100*c.Share(c.First), 100*c.Share(c.Other), 100*c.Share(c.Chance), cues)
	}
	var all reads.CueAgreement
	for _, a := range reads.Actions() {
		g := reads.Agree(reads.On(floor), a, sample, agreeSeed)
		var cues []string
		for _, c := range g.ByCue {
			text := strings.ToLower(c.Cue.Name()) + " not compared"
			if c.Clear > 0 {
				text = fmt.Sprintf("%s %.0f", strings.ToLower(c.Cue.Name()), 100*c.Share(c.Accepted))
			}
			cues = append(cues, text)
		}
		total := g.Total()
		all = all.Plus(total)
		line(strings.ToLower(a.Name), total, strings.Join(cues, ", "))
	}
	line("all", all, "")
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
	const sample, points = 600, 8 // percent that a sample may be off, four standard errors
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
