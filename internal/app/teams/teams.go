// Package teams keeps the settings of a program's teams.
package teams

import (
	"context"
	"fmt"
	"time"

	"github.com/google/uuid"

	"evrik/core/court"
	"evrik/core/motion"
	"evrik/core/practice"
	"evrik/core/reads"
	"evrik/internal/app"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Settings of a team. What is nil stays as it is; a nil Pace is that of the age.
type Settings struct {
	Name, Season, Ages string
	Court              court.Court
	Metric             bool
	Rules              reads.TeamRules
	Pace               *motion.Pace
	Zone               *string
	LocalRule          *practice.LocalRule
}

// Update changes a team's settings. It refuses with app.Invalid what makes no sense, with app.Missing where there is no
// such team.
func (s Service) Update(ctx context.Context, team gen.Team, to Settings) (err error) {
	row := gen.UpdateTeamParams{ProgramID: team.ProgramID, ID: team.ID, Ages: to.Ages, Metric: to.Metric,
		FadeToCorner: to.Rules.FadeToCorner,
		FlareFirst:   to.Rules.FlareFirst, ShootFirst: to.Rules.ShootFirst, AllActions: to.Rules.AllActions,
		Zone:      team.Zone,
		LocalRule: team.LocalRule}
	if row.Name, err = app.Text(to.Name, "name.team"); err != nil {
		return err
	}
	if row.Season, err = app.Text(to.Season, "name.season"); err != nil {
		return err
	}
	if err := CheckAges(to.Ages); err != nil {
		return err
	}
	if err := to.Court.Validate(); err != nil {
		return app.Refuse(app.Invalid, "team.floor", err)
	}
	row.Court = store.CourtJSON(to.Court)
	if to.Pace != nil {
		if err := to.Pace.Validate(); err != nil {
			return app.RefuseBy(app.Invalid, err, "kept.old-figures")
		}
	}
	row.Pace = store.PaceJSON(to.Pace)
	if to.Zone != nil {
		if row.Zone, err = Zone(*to.Zone); err != nil {
			return err
		}
	}
	if to.LocalRule != nil {
		if err := to.LocalRule.Check(); err != nil {
			return app.RefuseBy(app.Invalid, err, "kept.old-figures")
		}
		row.LocalRule = store.LocalRuleJSON(*to.LocalRule)
	}
	n, err := s.Store.UpdateTeam(ctx, row)
	return app.Changed(n, err, noTeam)
}

// Zone checks the name of a time zone (IANA).
func Zone(name string) (string, error) {
	if _, err := time.LoadLocation(name); err != nil || name == "" || name == "Local" {
		return "", app.Refuse(app.Invalid, "team.time-zone")
	}
	return name, nil
}

// CheckAges refuses an age group that there is none of.
func CheckAges(band string) error {
	if _, ok := practice.AgeBand(band).Limits(); !ok {
		return app.Refuse(app.Invalid, "account.age-group")
	}
	return nil
}

// First is the first team of a program, on a high school's court.
func First(program uuid.UUID, name, ages, zone string, now time.Time) gen.InsertTeamParams {
	c, _ := court.PresetCourt(court.HighSchool)
	return gen.InsertTeamParams{ID: uuid.Must(uuid.NewV7()), ProgramID: program, Name: name, Season: SeasonOf(now),
		Ages: ages, Court: store.CourtJSON(c), Zone: zone}
}

// SeasonOf names the season a day falls in; seasons turn in July (assumption).
func SeasonOf(t time.Time) string {
	y := t.Year()
	if t.Month() < time.July {
		y--
	}
	return fmt.Sprintf("%d/%02d", y, (y+1)%100)
}
