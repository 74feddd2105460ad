package practice

import (
	"bytes"
	"encoding/csv"
	"strings"
	"testing"
	"time"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// abroad is a plan with two baskets and a title that a spreadsheet would run.
func abroad() Plan {
	p := evening()
	p.Blocks = []Block{
		block("w", OwnBlock, 10, ""), block("d", DrillBlock, 12.5, "shown"),
		block("a", DrillBlock, 8, "live"), block("b", OwnBlock, 8, ""), block("water", WaterBlock, 2, ""),
	}
	p.Blocks[0].Title = "=2+2, \"quoted\""
	p.Blocks[2].Basket, p.Blocks[3].Basket, p.Blocks[3].Pin = 1, 2, true
	return p
}

// A run sheet out as CSV is read back by the standard library, RFC 4180.
func TestWriteCSV(t *testing.T) {
	p := abroad()
	zone := berlin(t)
	start := time.Date(2026, 3, 29, 0, 30, 0, 0, time.UTC) // the clocks go forward at one
	var out bytes.Buffer
	if err := WriteCSV(&out, start, zone, p.Library, p.Blocks, LayOut(p)); err != nil {
		t.Fatal(err)
	}
	if !strings.HasSuffix(out.String(), "\r\n") {
		t.Error("lines do not end as RFC 4180 says")
	}
	rows, err := csv.NewReader(&out).ReadAll()
	if err != nil || len(rows) != len(p.Blocks)+1 {
		t.Fatalf("%d rows, %v", len(rows), err)
	}
	column := map[string]int{}
	for i, name := range rows[0] {
		column[name] = i
	}
	for row, want := range map[int]map[string]string{
		1: {"from": "01:30", "to": "01:40", "title": "'=2+2, \"quoted\"", "reps": "", "pinned": ""},
		2: {"from": "01:40", "to": "01:52", "minutes": "12.5", "kind": "drill", "basket": "", "baskets": "1"},
		3: {"from": "01:52", "basket": "1"},
		4: {"from": "01:52", "to": "03:00", "basket": "2", "pinned": "yes", "stage": ""},
		5: {"from": "03:00", "to": "03:02", "kind": "water"},
	} {
		for name, value := range want {
			if got := rows[row][column[name]]; got != value {
				t.Errorf("row %d, %s: %q, want %q", row, name, got, value)
			}
		}
	}
	if each := rows[2][column["cuts each"]]; !strings.Contains(each, ".") {
		t.Errorf("cuts each: %q", each)
	}
}

func TestLines(t *testing.T) {
	p := abroad()
	text := Lines(time.Date(2026, 11, 26, 17, 0, 0, 0, time.UTC), berlin(t), p.Library, p.Blocks, LayOut(p))
	lines := strings.Split(strings.TrimSpace(text), "\n")
	if len(lines) != 5 || !strings.HasPrefix(lines[1], "6:10 PM  ") || !strings.Contains(lines[1], "Guided") ||
		!strings.Contains(lines[2], "(basket 1)") {
		t.Errorf("%s", text)
	}
	for _, who := range p.People {
		if strings.Contains(text, who.ID) {
			t.Errorf("the text names %s", who.ID)
		}
	}
}

// What is carried over: drills whose reads are watched and that nobody logged.
func TestNotRun(t *testing.T) {
	p := abroad()
	p.Blocks = append(p.Blocks, block("air", DrillBlock, 5, "air"))
	left := NotRun(p.Library, p.Blocks, map[string]int{"d": 3})
	if len(left) != 1 || left[0].ID != "a" {
		t.Errorf("%+v", left)
	}
	if left := NotRun(p.Library, p.Blocks, map[string]int{"d": 1, "a": 1}); left == nil || len(left) != 0 {
		t.Errorf("%#v", left)
	}
}

// Before a coach has said what the weeks are for they are for what was taught.
func TestFirstAim(t *testing.T) {
	today := time.Date(2026, 11, 26, 20, 0, 0, 0, time.UTC)
	for _, taught := range [][]string{nil, {reads.Ball, reads.Down}} {
		a := FirstAim(today, taught)
		if err := a.Check(today); err != nil {
			t.Error(err)
		}
		if a.Until != "2027-01-07" || len(taught) > 0 && a.Install[0] != taught[0] || len(taught) == 0 &&
			a.Install[0] != reads.Down {
			t.Errorf("%+v", a)
		}
	}
}

// What the season sets for a day is in the plan's reasons, and comes first.
func TestDueIsPlannedFirst(t *testing.T) {
	people := squad(12)
	aim := SeasonAim{Until: "2026-12-20", Weekdays: []int{4}, PerPractice: 1,
		Install: []string{reads.StepUp, reads.Down}}
	today := time.Date(2026, 11, 26, 9, 0, 0, 0, time.UTC)
	plan := Season(aim, ActionStates(aim.Install, nil, reads.TeamRules{}, nil, nil, stays, today), today, keeps, lib)
	due := plan.On("2026-11-26")
	if len(due) != 1 || due[0].Action != reads.StepUp || due[0].Task != Teach || len(plan.On("2026-11-27")) != 0 {
		t.Fatalf("%+v", plan.Days)
	}
	p := Plan{Minutes: 60, People: people, Terms: DefaultTerms()}
	var all []evidence.Outlook
	for _, s := range aim.Install {
		action, _ := reads.ActionByID(s)
		for _, r := range mainReads(p.TeamRules, s) {
			for _, o := range outlooks(people, evidence.NotEnough, evidence.NotEnough, r) {
				o.Role = action.Roles[0]
				all = append(all, o)
			}
		}
	}
	p.Aim(Aims{Outlooks: all, Due: due})
	f, err := Fill(p, Evening, counter())
	if err != nil {
		t.Fatal(err)
	}
	found := false
	for i, b := range f.Blocks {
		d, _, err := StageOf(p.Library, b)
		if b.Kind != DrillBlock || err != nil {
			continue
		}
		says := false
		for _, r := range f.Reasons {
			says = says || r.Block == f.Blocks[i].ID &&
				strings.Contains(r.Text, "The season sets "+strings.ToLower(actionName(reads.StepUp))+
					", guided for this day.")
		}
		if says != (d.Action == reads.StepUp && !isLive(mustStage(t, p, b))) {
			t.Errorf("%s: says so %v", b.Title, says)
		}
		found = found || says
	}
	if !found || len(f.Sheet.Due) != 1 {
		t.Errorf("nothing of what is due is planned: %+v", f.Blocks)
	}
}

// mustStage is the stage a drill block runs.
func mustStage(t *testing.T, p Plan, b Block) drill.Stage {
	t.Helper()
	_, st, err := StageOf(p.Library, b)
	if err != nil {
		t.Fatal(err)
	}
	return st
}
