package squad_test

import (
	"bytes"
	"os"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/core/reads"
	"evrik/core/refusal"
	"evrik/internal/app/apptest"
	"evrik/internal/app/reps"
	"evrik/internal/pgtest"
	"evrik/internal/store/gen"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

// A look at all roles judges by every rep, one at a role adds columns, and a filter keeps only what passes it.
func TestLook(t *testing.T) {
	c := apptest.Open(t)
	all, err := c.Squads.Look(t.Context(), c.Team, "", evidence.Filter{})
	apptest.Must(t, err)
	one, err := c.Squads.Look(t.Context(), c.Team, reads.Cutter, evidence.Filter{})
	apptest.Must(t, err)
	if all.Reps <= one.Reps || one.Reps == 0 || len(all.Lines) != len(c.Players) || len(all.Columns) <= len(one.Columns) ||
		len(all.Season) == 0 || len(all.Holds) == 0 {
		t.Errorf("%d reps, %d of cutters; %d columns, %d of cutters", all.Reps, one.Reps, len(all.Columns), len(one.Columns))
	}
	sum := 0
	for _, side := range []string{"left", "right"} {
		some, err := c.Squads.Look(t.Context(), c.Team, reads.Cutter, evidence.Filter{Side: side})
		apptest.Must(t, err)
		sum += some.Reps
	}
	reps, err := c.Squads.Reps(t.Context(), c.Team)
	apptest.Must(t, err)
	for _, r := range reps {
		if r.Role == reads.Cutter && r.Side == "" {
			sum++
		}
	}
	if sum != one.Reps {
		t.Errorf("left, right and without a side are %d of %d reps", sum, one.Reps)
	}
	day := apptest.Now.AddDate(0, 0, -10)
	before, err := c.Squads.Look(t.Context(), c.Team, "", evidence.Filter{Until: day.Format(time.DateOnly)})
	apptest.Must(t, err)
	after, err := c.Squads.Look(t.Context(), c.Team, "",
		evidence.Filter{From: day.AddDate(0, 0, 1).Format(time.DateOnly)})
	apptest.Must(t, err)
	if before.Reps == 0 || after.Reps == 0 || before.Reps+after.Reps != all.Reps {
		t.Errorf("%d and %d of %d reps", before.Reps, after.Reps, all.Reps)
	}
	for _, bad := range []evidence.Filter{{Side: "up"}, {Rung: "ladder"}, {From: "yesterday"},
		{From: "2026-11-02", Until: "2026-11-01"}} {
		if _, err := c.Squads.Look(t.Context(), c.Team, "", bad); refusal.CodeOf(err) == "" {
			t.Errorf("%+v: %v", bad, err)
		}
	}
}

// A card has the player's own reps, the newest first, and only the roles that were tried.
func TestCard(t *testing.T) {
	c := apptest.Open(t)
	for _, p := range c.Players[:3] {
		card, err := c.Squads.Card(t.Context(), c.Team, p)
		apptest.Must(t, err)
		all, err := c.DB.RepsOfPlayer(t.Context(), p.ProgramID, p.ID)
		apptest.Must(t, err)
		if len(card.Recent) != min(20, len(all)) || len(all) < 3 || card.Recent[0].ID != all[len(all)-1].ID {
			t.Errorf("%d reps of %d", len(card.Recent), len(all))
		}
		tried := map[reads.Role]bool{reads.Cutter: true, reads.Screener: true}
		for _, r := range all {
			tried[r.Role] = true
		}
		for _, part := range card.Parts {
			if !tried[part.Role] || len(part.Standings) == 0 {
				t.Errorf("%s: %d standings", part.Role, len(part.Standings))
			}
			delete(tried, part.Role)
		}
		if len(tried) != 0 || len(card.Words.Next) == 0 {
			t.Errorf("%v are left out; next %v", tried, card.Words.Next)
		}
	}
}

// A read is asked of the role it belongs to, and its reps are the team's that ask for it.
func TestRead(t *testing.T) {
	c := apptest.Open(t)
	reps, err := c.Squads.Reps(t.Context(), c.Team)
	apptest.Must(t, err)
	asked := evidence.Asking(reads.BackCut, reps)
	of, err := c.Squads.Read(t.Context(), c.Team, string(reads.BackCut))
	apptest.Must(t, err)
	sum := 0
	for _, p := range of.Curve {
		sum += p.Reps
	}
	if of.Role != reads.Cutter || len(of.Standings) != len(c.Players) || sum != len(asked) || sum == 0 ||
		of.Confusion.Reps != sum || len(of.Drills) == 0 || of.Kept != 0 {
		t.Errorf("%+v", of)
	}
	sum = 0
	for _, p := range c.Players {
		curve, own, err := c.Squads.PlayerRead(t.Context(), p, string(reads.BackCut))
		apptest.Must(t, err)
		if (len(own) > 0) != (len(curve) > 0) {
			t.Errorf("%d reps, %d points", len(own), len(curve))
		}
		sum += len(own)
	}
	if sum != len(asked) {
		t.Errorf("the players have %d of %d reps", sum, len(asked))
	}
	_, err = c.Squads.Read(t.Context(), c.Team, "moonwalk")
	apptest.Refused(t, err, "read.missing")
	_, _, err = c.Squads.PlayerRead(t.Context(), c.Players[0], "moonwalk")
	apptest.Refused(t, err, "read.missing")

	// What is kept as counts alone is told apart.
	apptest.Must(t, c.DB.ForgetBefore(t.Context(), c.Team.ProgramID, apptest.Now))
	if of, err = c.Squads.Read(t.Context(), c.Team, string(reads.BackCut)); err != nil || of.Kept < len(asked) ||
		of.Correct == 0 || of.Correct >= of.Kept || len(of.Curve) != 0 {
		t.Errorf("%d kept, %d correct, %v", of.Kept, of.Correct, err)
	}
}

// A program's teams stand side by side on the reads that any of them teaches; files have a line for every rep.
func TestProgramAndFiles(t *testing.T) {
	c := apptest.Open(t)
	columns, lines, err := c.Squads.Program(t.Context(), c.Team.ProgramID)
	apptest.Must(t, err)
	reps := 0
	for _, l := range lines {
		if len(l.Cells) != len(columns) {
			t.Errorf("%s has %d of %d cells", l.Name, len(l.Cells), len(columns))
		}
		if l.ID == c.Team.ID {
			reps = l.Reps
			if l.Players != len(c.Players) {
				t.Errorf("%d players", l.Players)
			}
		}
	}
	all, err := c.Squads.Reps(t.Context(), c.Team)
	apptest.Must(t, err)
	if len(lines) < 2 || reps == 0 || reps > len(all) {
		t.Errorf("%d teams, %d reps of %d", len(lines), reps, len(all))
	}
	var log, verdicts bytes.Buffer
	apptest.Must(t, c.Squads.WriteReps(t.Context(), c.Team, &log))
	apptest.Must(t, c.Squads.WriteVerdicts(t.Context(), c.Team, &verdicts))
	if n := strings.Count(log.String(), "\r\n"); n != len(all)+1 {
		t.Errorf("%d lines of %d reps", n, len(all))
	}
	for _, p := range c.Players {
		if !strings.Contains(verdicts.String(), p.Name) {
			t.Errorf("%s is missing", p.Name)
		}
	}
}

// watchAgain lets another coach log what the head coach logged in the last practice.
func watchAgain(t *testing.T, c apptest.Club) {
	t.Helper()
	staff, err := c.DB.StaffOfProgram(t.Context(), c.Team.ProgramID)
	apptest.Must(t, err)
	other := staff[slices.IndexFunc(staff, func(s gen.Staff) bool { return s.ID != c.Head.ID })]
	all, err := c.Squads.Reps(t.Context(), c.Team)
	apptest.Must(t, err)
	last := all[len(all)-1]
	p, err := c.DB.Practice(t.Context(), gen.PracticeParams{ProgramID: c.Team.ProgramID, TeamID: c.Team.ID,
		ID: uuid.MustParse(string(last.Practice))})
	apptest.Must(t, err)
	var events []reps.Event
	for _, r := range all {
		if r.Practice == last.Practice && r.Block != "" && string(r.Observer) != other.ID.String() {
			events = append(events, reps.Event{ID: uuid.New(), Kind: reps.Rep, At: r.At, Device: "another",
				Block: new(uuid.MustParse(string(r.Block))), RepNo: &r.No, Player: new(uuid.MustParse(string(r.Player))),
				Role: new(string(r.Role)), Side: &r.Side, Cue: new(r.Cue.String()), Made: new(string(r.Made))})
		}
	}
	s := reps.Service{Store: c.DB, Library: c.Squads.Library, Now: apptest.Clock}
	_, err = s.LogPractice(t.Context(), c.Team, p, other.ID, events, func(*gen.Queries, reps.Receipt) error { return nil })
	apptest.Must(t, err)
}

// Coaches who watched the same reps are compared by name; who has left is not.
func TestAgreements(t *testing.T) {
	c := apptest.Open(t)
	if list, err := c.Squads.Agreements(t.Context(), c.Team); err != nil || len(list) != 0 {
		t.Fatalf("%+v, %v", list, err)
	}
	watchAgain(t, c)
	list, err := c.Squads.Agreements(t.Context(), c.Team)
	apptest.Must(t, err)
	staff, err := c.DB.StaffOfProgram(t.Context(), c.Team.ProgramID)
	apptest.Must(t, err)
	names := map[string]bool{}
	for _, who := range staff {
		names[who.Name] = true
	}
	if len(list) == 0 {
		t.Fatal("no two coaches watched the same")
	}
	for _, a := range list {
		if !names[a.First] || !names[a.Second] || a.First == a.Second || a.Reps == 0 {
			t.Errorf("%+v", a)
		}
	}
	for _, who := range staff {
		if who.Name == list[0].Second {
			_, err := c.DB.DeleteStaff(t.Context(), gen.DeleteStaffParams{ProgramID: who.ProgramID, ID: who.ID})
			apptest.Must(t, err)
		}
	}
	after, err := c.Squads.Agreements(t.Context(), c.Team)
	apptest.Must(t, err)
	for _, a := range after {
		if a.First == list[0].Second || a.Second == list[0].Second {
			t.Errorf("%+v", a)
		}
	}
}
