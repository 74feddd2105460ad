package teams_test

import (
	"os"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/court"
	"evrik/core/motion"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/app/apptest"
	"evrik/internal/app/teams"
	"evrik/internal/pgtest"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

// Settings are checked one by one, and what is not said stays.
func TestUpdate(t *testing.T) {
	c := apptest.Open(t)
	s := teams.Service{Store: c.DB, Now: apptest.Clock}
	floor, _ := court.PresetCourt(court.FIBA)
	good := teams.Settings{Name: " U15 ", Season: "2026/27", Ages: "12-14", Court: floor, Metric: true,
		Rules: reads.TeamRules{FlareFirst: true, ShootFirst: true}}
	for code, spoil := range map[string]func(*teams.Settings){
		"account.text-length": func(s *teams.Settings) { s.Name = "" },
		"account.age-group":   func(s *teams.Settings) { s.Ages = "any" },
		"team.floor":          func(s *teams.Settings) { s.Court.Width = 5 },
		"team.time-zone":      func(s *teams.Settings) { s.Zone = new("Local") },
	} {
		bad := good
		spoil(&bad)
		apptest.Refused(t, s.Update(t.Context(), c.Team, bad), code)
	}
	slow := motion.DefaultPace
	slow.Top = -1
	bad := good
	bad.Pace = &slow
	if err := s.Update(t.Context(), c.Team, bad); err == nil {
		t.Error("a pace backward")
	}
	bad = good
	bad.LocalRule = &practice.LocalRule{MaxPerWeek: -1}
	if err := s.Update(t.Context(), c.Team, bad); err == nil {
		t.Error("fewer practices than none")
	}
	apptest.Must(t, s.Update(t.Context(), c.Team, good))
	now, err := c.DB.Team(t.Context(), gen.TeamParams{ProgramID: c.Team.ProgramID, ID: c.Team.ID})
	apptest.Must(t, err)
	rules := store.RulesOf(now)
	if now.Name != "U15" || now.Zone != c.Team.Zone || !now.Metric || !rules.FlareFirst || !rules.ShootFirst ||
		rules.FadeToCorner {
		t.Errorf("%+v", now)
	}
	good.Zone, good.LocalRule = new("America/Chicago"), &practice.LocalRule{MaxPerWeek: 2}
	apptest.Must(t, s.Update(t.Context(), now, good))
	now, err = c.DB.Team(t.Context(), gen.TeamParams{ProgramID: c.Team.ProgramID, ID: c.Team.ID})
	apptest.Must(t, err)
	if rule, err := store.LocalRuleOf(now); err != nil || now.Zone != "America/Chicago" || rule.MaxPerWeek != 2 {
		t.Errorf("%s, %+v, %v", now.Zone, rule, err)
	}
	gone := c.Team
	gone.ID = uuid.New()
	apptest.Refused(t, s.Update(t.Context(), gone, good), "team.missing")
}

// Seasons turn in July.
func TestSeasonOf(t *testing.T) {
	for month, want := range map[time.Month]string{time.June: "2025/26", time.July: "2026/27",
		time.January: "2025/26"} {
		if got := teams.SeasonOf(time.Date(2026, month, 30, 0, 0, 0, 0, time.UTC)); got != want {
			t.Errorf("%s is in %s, want %s", month, got, want)
		}
	}
	if got := teams.SeasonOf(time.Date(2099, 9, 1, 0, 0, 0, 0, time.UTC)); got != "2099/00" {
		t.Errorf("the turn of a century is %s", got)
	}
}
