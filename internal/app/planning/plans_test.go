package planning

import (
	"fmt"
	"os"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/core/practice"
	"evrik/internal/app/apptest"
	"evrik/internal/app/squad"
	"evrik/internal/demo"
	"evrik/internal/pgtest"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

// The plans of docs/plans.md are those that the planner makes for the demo's teams: they keep
// every rule, move somebody, and say for each block what it takes to run it.
func TestPlansOfTheDemo(t *testing.T) {
	db, ctx := pgtest.Store(t), t.Context()
	now := time.Date(2026, 11, 24, 12, 0, 0, 0, time.UTC)
	apptest.Must(t, demo.Ensure(ctx, db, now, false))
	staff, err := db.StaffByEmail(ctx, demo.SignIn.Email)
	apptest.Must(t, err)
	teams, err := db.TeamsOfProgram(ctx, staff.ProgramID)
	apptest.Must(t, err)
	s := New(squad.Service{Store: db, Policy: evidence.DefaultPolicy(), Now: func() time.Time { return now }})
	var out strings.Builder
	out.WriteString(
		"# Plans for the demo's teams\n\nMade by the planner from the demo's log, and written here by a test (`make " +
			"prove`). Names are the\ndemo's own invention.\n")
	for _, tc := range []struct {
		name             string
		team             int
		minutes, players int
		terms            func(*practice.Terms)
	}{
		{"U14, 90 minutes, everybody, two baskets", 0, 90, 13, func(*practice.Terms) {}},
		{"JV, 90 minutes, everybody, two baskets", 1, 90, 12, func(*practice.Terms) {}},
		{"JV, an hour, one basket and no helper", 1, 60, 12, func(t *practice.Terms) { t.Baskets, t.Helpers = 1, 1 }},
		{"U14, 75 minutes, eight players", 0, 75, 8, func(*practice.Terms) {}},
		{"JV, two hours, three helpers, half of it live", 1, 120, 12, func(t *practice.Terms) {
			r := practice.DefaultRules(practice.Grades9on)
			r.Live, r.LiveEarly, t.Helpers, t.Rules = 50, 50, 4, &r
		}},
	} {
		d, err := s.Context(ctx, teams[tc.team])
		apptest.Must(t, err)
		var present []uuid.UUID
		for _, p := range d.Players[:tc.players] {
			present = append(present, p.ID)
		}
		terms := practice.DefaultTerms()
		tc.terms(&terms)
		n := 0
		f,
			err := practice.Fill(d.Plan(Draft{StartsAt: now.Add(30 * time.Hour), Minutes: tc.minutes, Present: present,
			Terms: terms}), practice.Evening,
			func() string { n++; return fmt.Sprint("b", n) })
		if err != nil {
			t.Fatalf("%s: %v", tc.name, err)
		}
		broken := writePlan(&out, tc.name, d, f)
		if tc.minutes == 90 && broken > 0 {
			t.Errorf("%s: %d rules are broken", tc.name, broken)
		}
		// at one basket without a helper little moves, and it is said
		if moves := strings.HasPrefix(f.Sheet.Moves, "Moves ") &&
			!strings.HasPrefix(f.Sheet.Moves, "Moves nobody"); !moves && terms.Baskets > 1 {
			t.Errorf("%s: %s", tc.name, f.Sheet.Moves)
		}
		for i, b := range f.Blocks {
			brief := f.Sheet.Blocks[i].Brief
			if b.Kind == practice.DrillBlock && (brief.For == "" || brief.Who == "" || brief.Right == "") {
				t.Errorf("%s: %s does not explain itself: %+v", tc.name, b.Title, brief)
			}
		}
	}
	const file = "../../../docs/plans.md"
	told, _ := os.ReadFile(file)
	if os.Getenv("EVRIK_WRITE_TABLES") != "" {
		apptest.Must(t, os.WriteFile(file, []byte(out.String()), 0o644))
	} else if string(told) != out.String() {
		t.Errorf("docs/plans.md is not what is planned; run make prove. Now:\n%s", out.String())
	}
}

// writePlan prints a plan as a coach reads it, and counts the broken rules.
func writePlan(out *strings.Builder, name string, d Context, f practice.Filled) (broken int) {
	fmt.Fprintf(out, "\n## %s\n\n%s\n\n", name, f.Sheet.Moves)
	for _, g := range f.Sheet.Goals {
		fmt.Fprintf(out, "- %s: %s %d of %d move, %.1f reps each.\n", g.Read, g.Why, len(g.Moves), len(g.Players),
			g.Each)
	}
	for i, b := range f.Blocks {
		t := f.Sheet.Blocks[i]
		stage := ""
		if _, st, err := practice.StageOf(d.Library, b); b.Kind == practice.DrillBlock && err == nil {
			stage = ", " + st.Name
		}
		fmt.Fprintf(out, "\n**%.0f** %s%s, %.0f min", t.Start, b.Title, stage, b.Minutes)
		if b.Kind == practice.DrillBlock {
			fmt.Fprintf(out, ", at %d, %d reps, %.0f %% in line", b.Baskets, t.Reps, 100*t.Waiting)
		}
		out.WriteString("\n")
		for _, line := range [][2]string{{"For", t.Brief.For}, {"Tell them", t.Brief.Tell}, {"Who", t.Brief.Who},
			{"Right when", t.Brief.Right}, {"Down, up", strings.TrimSpace(t.Brief.Down + " " + t.Brief.Up)}} {
			if line[1] != "" {
				fmt.Fprintf(out, "- %s: %s\n", line[0], line[1])
			}
		}
	}
	out.WriteString("\nRules:\n")
	for _, r := range f.Sheet.Rules {
		kept := "kept"
		if !r.Kept {
			kept = "**broken**"
			broken++
		}
		fmt.Fprintf(out, "- %s, %s. %s\n", r.Name, kept, r.Says)
	}
	for _, o := range f.Others {
		fmt.Fprintf(out, "- Another: %s. %s\n", o.Name, o.Text)
	}
	return broken
}
