package offenses_test

import (
	"os"
	"reflect"
	"slices"
	"testing"

	"github.com/google/uuid"

	"evrik/core/offense"
	"evrik/core/refusal"
	"evrik/internal/app/apptest"
	"evrik/internal/app/offenses"
	"evrik/internal/pgtest"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

// A team has the offense it saved, or the first that ships; others see it, and principles are its own words.
func TestOffensesOfTeams(t *testing.T) {
	c := apptest.Open(t)
	ctx := t.Context()
	s := offenses.Service{Store: c.DB, Squads: c.Squads, Policy: c.Squads.Policy}
	_, err := c.DB.Pool.Exec(ctx, "UPDATE teams SET offense = NULL, offense_follows = NULL")
	apptest.Must(t, err)
	team := func(id uuid.UUID) gen.Team {
		t.Helper()
		got, err := c.DB.Team(ctx, gen.TeamParams{ProgramID: c.Team.ProgramID, ID: id})
		apptest.Must(t, err)
		return got
	}
	all, err := c.DB.TeamsOfProgram(ctx, c.Team.ProgramID)
	apptest.Must(t, err)
	first, second := all[0].ID, all[1].ID
	if o, chosen, err := s.Of(team(first)); err != nil || chosen || o.ID != offense.Shipped()[0].ID {
		t.Errorf("%s, %v, %v", o.ID, chosen, err)
	}
	apptest.Refused(t, s.Copy(ctx, team(second), team(first), false), "offense.team-without")
	own := offense.Shipped()[3]
	own.Name = "Our way"
	_, err = s.Save(ctx, team(first), own)
	apptest.Must(t, err)
	if o, chosen, err := s.Of(team(first)); err != nil || !chosen || o.Name != "Our way" {
		t.Errorf("%s, %v, %v", o.Name, chosen, err)
	}
	if others, err := s.OfOthers(ctx, team(second)); err != nil || len(others) != 1 || others[0].Team.ID != first ||
		others[0].Offense.Name != "Our way" {
		t.Errorf("%+v, %v", others, err)
	}
	if others, err := s.OfOthers(ctx, team(first)); err != nil || len(others) != 0 {
		t.Errorf("%+v, %v", others, err)
	}
	lame := own
	lame.Parts = lame.Parts[:1]
	if check, err := s.Save(ctx, team(first), lame); refusal.CodeOf(err) == "" || check.Problem.Code == "" {
		t.Errorf("%+v, %v", check, err)
	}
	apptest.Must(t, s.Copy(ctx, team(second), team(first), true))
	apptest.Refused(t, s.Copy(ctx, team(first), team(second), true), "offense.follows-already")
	apptest.Refused(t, s.Copy(ctx, team(first), team(first), true), "offense.own-offense")
	own.Name = "Our new way"
	_, err = s.Save(ctx, team(first), own)
	apptest.Must(t, err)
	if o, err := s.Named(team(second), offenses.Own); err != nil || o.Name != "Our new way" {
		t.Errorf("%s, %v", o.Name, err)
	}
	if o, err := s.Named(team(second), offense.Shipped()[2].ID); err != nil || o.Name != offense.Shipped()[2].Name {
		t.Errorf("%s, %v", o.Name, err)
	}
	_, err = s.Named(team(second), "zone")
	apptest.Refused(t, err, "offense.missing")
	// Whoever has chosen follows no longer.
	for id, o := range map[uuid.UUID]offense.Offense{first: own, second: offense.Shipped()[0]} {
		_, err = s.Save(ctx, team(id), o)
		apptest.Must(t, err)
	}
	if o, _, err := s.Of(team(second)); err != nil || o.ID != offense.Shipped()[0].ID ||
		team(second).OffenseFollows != nil {
		t.Errorf("%s, %v", o.ID, err)
	}

	mine := []offense.Principle{{Title: "Eyes up", Text: "See the rim.", Picture: offense.Spacing}}
	apptest.Must(t, s.SetPrinciples(ctx, c.Team.ProgramID, first, mine))
	if got, err := store.PrinciplesOf(team(first)); err != nil || len(got) != 1 || got[0] != mine[0] {
		t.Errorf("%+v, %v", got, err)
	}
	apptest.Refused(t, s.SetPrinciples(ctx, uuid.New(), first, mine), "team.missing")
	apptest.Refused(t, s.SetPrinciples(ctx, c.Team.ProgramID, first, []offense.Principle{{}}), "offense.principle-title")
}

// A run goes on from where people stand, and refuses places off the court and dials out of their range.
func TestWatchAndStand(t *testing.T) {
	c := apptest.Open(t)
	s := offenses.Service{Store: c.DB, Squads: c.Squads, Policy: c.Squads.Policy}
	o := offense.Shipped()[0]
	check, err := s.Check(c.Team, o)
	if err != nil || check.Problem.Code != "" || check.Start == nil || len(check.Broken) != 0 {
		t.Fatalf("%+v, %v", check, err)
	}
	w := offenses.Watching{Offense: o, Passes: 5, Against: offense.Guarding{Defense: offense.Defense{
		Dials: offense.DefaultDials()}}, Seed: 1}
	run, err := s.Watch(c.Team, w)
	if err != nil || len(run.Passes) != 5 {
		t.Fatalf("%d passes, %v", len(run.Passes), err)
	}
	st := *check.Start
	w.Standing = &st
	if again, err := s.Watch(c.Team, w); err != nil || !reflect.DeepEqual(again.Passes, run.Passes) {
		t.Errorf("from the start: %+v, %v", again.Passes, err)
	}
	bad := st
	bad.At[3].X = 400
	w.Standing = &bad
	_, err = s.Watch(c.Team, w)
	apptest.Refused(t, err, "offense.player-off-court")
	_, err = s.Stand(c.Team, o, bad)
	apptest.Refused(t, err, "offense.player-off-court")
	w.Standing = nil
	w.Against.Defense.Dials.React = 9
	_, err = s.Watch(c.Team, w)
	apptest.Refused(t, err, "offense.dial")
	if broken, err := s.Stand(c.Team, o, st); err != nil || len(broken) != 0 {
		t.Errorf("%+v, %v", broken, err)
	}
	near := st
	near.At[3] = near.At[2].Toward(near.At[3], 6)
	if broken, err := s.Stand(c.Team, o, near); err != nil || !slices.ContainsFunc(broken,
		func(v offense.Violation) bool { return v.Rule == offense.Close }) {
		t.Errorf("%+v, %v", broken, err)
	}
	_, err = s.CutOut(c.Team, "zone", offense.Moment{Standing: st})
	apptest.Refused(t, err, "offense.missing")
}

// Two offenses are compared by five of the team's players, no more and nobody else.
func TestSimulators(t *testing.T) {
	c := apptest.Open(t)
	s := offenses.Service{Store: c.DB, Squads: c.Squads, Policy: c.Squads.Policy}
	p := offenses.Pair{A: offense.Shipped()[0], B: offense.Shipped()[6],
		Defense: offense.Defense{Dials: offense.DefaultDials()}}
	for _, who := range c.Players[:5] {
		p.Five = append(p.Five, who.ID)
	}
	a, b, err := s.Simulators(t.Context(), c.Team, p, nil)
	if err != nil || a == nil || b == nil {
		t.Fatal(err)
	}
	few := p
	few.Five = few.Five[:4]
	_, _, err = s.Simulators(t.Context(), c.Team, few, nil)
	apptest.Refused(t, err, "offense.five")
	stranger := p
	stranger.Five = append(slices.Clone(p.Five[:4]), uuid.New())
	_, _, err = s.Simulators(t.Context(), c.Team, stranger, nil)
	apptest.Refused(t, err, "offense.player-missing")
	loose := p
	loose.Defense.Dials.React = 9
	_, _, err = s.Simulators(t.Context(), c.Team, loose, nil)
	apptest.Refused(t, err, "offense.dial")
}
