// Package offenses keeps a team's motion offense: it is chosen, written, copied between
// teams, watched, compared, and drills are cut out of it.
package offenses

import (
	"context"
	"slices"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/game"
	"evrik/core/offense"
	"evrik/core/reads"
	"evrik/core/refusal"
	"evrik/internal/app"
	"evrik/internal/app/squad"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// Service keeps the motion offenses of a program's teams.
type Service struct {
	Store  *store.Store
	Squads squad.Service
	Policy evidence.Policy
	// Comparing holds a place for each comparison that may be played at the same time.
	Comparing chan struct{}
}

// MostComparisons is how many comparisons are played at the same time (assumption: one takes
// both cores of a small server for two seconds).
const MostComparisons = 2

// Own is the id by which a team's own offense is asked for.
const Own = "own"

// onFive is how many play.
const onFive = 5

// Of returns the offense a team plays, ready to be run on its court; chosen is false where it
// has none, and it is the first of the shipped ones.
func (s Service) Of(team gen.Team) (o offense.Offense, chosen bool, err error) {
	fl, err := store.FloorOf(team)
	if err != nil {
		return o, false, err
	}
	if o, chosen, err = store.OffenseOf(team); err != nil || !chosen {
		return offense.Shipped()[0], false, err
	}
	o, err = o.Ready(fl.Court)
	return o, true, err
}

// Named is Of for Own, and a shipped offense for any other id.
func (s Service) Named(team gen.Team, id string) (offense.Offense, error) {
	if id == Own {
		o, _, err := s.Of(team)
		return o, err
	}
	if o, ok := offense.ByID(id); ok {
		return o, nil
	}
	return offense.Offense{}, app.Refuse(app.Missing, "offense.missing")
}

// ready looks the parts of an offense up on a team's court, or says why it cannot be played.
func (s Service) ready(team gen.Team, o offense.Offense) (offense.Offense, reads.Floor, error) {
	fl, err := store.FloorOf(team)
	if err != nil {
		return o, fl, err
	}
	if o, err = o.Ready(fl.Court); err != nil {
		return o, fl, app.RefuseBy(app.Invalid, err, "")
	}
	return o, fl, nil
}

// Save stores a team's offense, also for the teams that follow it.
func (s Service) Save(ctx context.Context, team gen.Team, o offense.Offense) (Check, error) {
	check, err := s.Check(team, o)
	if err != nil {
		return check, err
	}
	if check.Problem.Code != "" {
		return check, app.RefuseBy(app.Invalid, check.Problem, "kept.old-offense")
	}
	return check, s.store(ctx, team, o, nil)
}

func (s Service) store(ctx context.Context, team gen.Team, o offense.Offense, follows *uuid.UUID) error {
	_, err := s.Store.SetOffense(ctx, gen.SetOffenseParams{ProgramID: team.ProgramID, ID: team.ID,
		Offense: store.OffenseJSON(o), Follows: follows})
	return err
}

// Copy lets a team play another team's offense, with its later changes or without.
func (s Service) Copy(ctx context.Context, team, from gen.Team, follow bool) error {
	o, chosen, err := s.Of(from)
	switch {
	case err != nil:
		return err
	case team.ID == from.ID:
		return app.Refuse(app.Invalid, "offense.own-offense")
	case !chosen:
		return app.Refuse(app.Invalid, "offense.team-without", from.Name)
	}
	if _, _, err := s.ready(team, o); err != nil {
		return err
	}
	if !follow {
		return s.store(ctx, team, o, nil)
	}
	whose := from.ID
	if from.OffenseFollows != nil {
		whose = *from.OffenseFollows
	}
	if whose == team.ID {
		return app.Refuse(app.Conflict, "offense.follows-already", from.Name)
	}
	return s.store(ctx, team, o, &whose)
}

// Check is what is known of an offense without a defense.
type Check struct {
	// Problem says why it cannot be played; empty where it can.
	Problem refusal.Refusal   `json:"problem"`
	Start   *offense.Standing `json:"start,omitempty"`
	// Broken are the rules that its own moves break, each once.
	Broken []offense.Violation `json:"broken"`
	Needs  []offense.Need      `json:"needs"`
}

// checkRuns is how many runs a check watches, of checkPasses passes each.
const checkRuns, checkPasses = 12, 12

// Check checks that an offense goes round from every place of the ball, and watches it for the
// rules it breaks itself.
func (s Service) Check(team gen.Team, o offense.Offense) (Check, error) {
	out := Check{Broken: []offense.Violation{}, Needs: []offense.Need{}}
	fl, err := store.FloorOf(team)
	if err != nil {
		return out, err
	}
	o, bad := o.Ready(fl.Court)
	if bad != nil {
		out.Problem = refusal.Of(bad)
		return out, nil
	}
	f := offense.NewFloor(fl)
	start := f.Begin(o)
	out.Start = &start
	for seed := range uint64(checkRuns) {
		against := offense.Guarding{Defended: true, Defense: offense.Defense{Dials: offense.DefaultDials()}}
		against.Defense.Dials.Deny = float64(seed % 2)
		run, err := f.Watch(o, start, checkPasses, against, seed)
		if err != nil {
			out.Problem = refusal.Of(err)
			return out, nil
		}
		for _, v := range run.Violations {
			if !slices.ContainsFunc(out.Broken, func(b offense.Violation) bool { return b.Rule == v.Rule }) {
				out.Broken = append(out.Broken, v)
			}
		}
	}
	out.Needs = o.Needs(fl)
	return out, nil
}

// Watching is a run that somebody wants to see.
type Watching struct {
	Offense offense.Offense
	// Standing is from where it goes on; nil for the start.
	Standing *offense.Standing
	Passes   int
	Against  offense.Guarding
	Seed     uint64
}

// Watch runs some passes.
func (s Service) Watch(team gen.Team, w Watching) (run offense.Run, err error) {
	o, fl, err := s.ready(team, w.Offense)
	if err != nil {
		return run, err
	}
	f := offense.NewFloor(fl)
	from := f.Begin(o)
	if w.Standing != nil {
		from = *w.Standing
	}
	if err := checked(fl, from, w.Against.Defense.Dials); err != nil {
		return run, err
	}
	if run, err = f.Watch(o, from, w.Passes, w.Against, w.Seed); err != nil {
		return run, app.RefuseBy(app.Invalid, err, "")
	}
	return run, nil
}

func checked(fl reads.Floor, st offense.Standing, d offense.Dials) error {
	err := st.Check(fl.Court)
	if err == nil {
		err = d.Validate()
	}
	if err != nil {
		return app.RefuseBy(app.Invalid, err, "")
	}
	return nil
}

// Stand names the rules that people who stand so break.
func (s Service) Stand(team gen.Team, o offense.Offense, st offense.Standing) ([]offense.Violation, error) {
	o, fl, err := s.ready(team, o)
	if err != nil {
		return nil, err
	}
	if err := checked(fl, st, offense.DefaultDials()); err != nil {
		return nil, err
	}
	return offense.NewFloor(fl).Picture(o, st.At), nil
}

// CutOut makes a drill of a moment of an offense, to be stored as any drill of one's own.
func (s Service) CutOut(team gen.Team, id string, m offense.Moment) (*drill.Drill, error) {
	o, err := s.Named(team, id)
	if err != nil {
		return nil, err
	}
	fl, err := store.FloorOf(team)
	if err != nil {
		return nil, err
	}
	if err := checked(fl, m.Standing, offense.DefaultDials()); err != nil {
		return nil, err
	}
	d, err := offense.NewFloor(fl).CutOut(o, m)
	if err != nil {
		return nil, app.RefuseBy(app.Invalid, err, "")
	}
	return d, nil
}

// Pair is two offenses that are compared by the same five.
type Pair struct {
	A, B    offense.Offense
	Five    []uuid.UUID
	Defense offense.Defense
}

// Simulators are a pair's two offenses ready to be played: by what is known of the five,
// against the coverages that the next opponent is expected to play.
func (s Service) Simulators(ctx context.Context, team gen.Team, p Pair, mixes []game.Mix) (a, b *offense.Simulator,
	err error) {
	board, err := s.Squads.Board(ctx, team, reads.Cutter)
	if err != nil {
		return nil, nil, err
	}
	known := map[string]bool{}
	for _, id := range squad.IDs(board.Players) {
		known[string(id)] = true
	}
	for _, id := range p.Five {
		if !known[id.String()] {
			return nil, nil, app.Refuse(app.Missing, "offense.player-missing")
		}
	}
	if len(p.Five) != onFive {
		return nil, nil, app.Refuse(app.Invalid, "offense.five", len(p.Five))
	}
	if err := p.Defense.Dials.Validate(); err != nil {
		return nil, nil, app.RefuseBy(app.Invalid, err, "")
	}
	p.Defense.Mixes = mixes
	form := s.Policy.FormOf(board.History)
	rates := func(player int, role reads.Role, read reads.Read) []float64 {
		e := form.Of(evidence.PlayerID(p.Five[player].String()), role, read)
		return e.Quantiles()
	}
	var sims [2]*offense.Simulator
	for i, o := range []offense.Offense{p.A, p.B} {
		o, fl, err := s.ready(team, o)
		if err != nil {
			return nil, nil, err
		}
		sims[i] = offense.NewSimulator(fl, o, p.Defense, rates)
	}
	return sims[0], sims[1], nil
}

// Compare plays two simulators against each other when there is a place for it, and tells how
// far it is. ok is false when nobody waits for it any more.
func (s Service) Compare(ctx context.Context, a, b *offense.Simulator,
	tell func(done float64) error) (out offense.Compared, ok bool) {
	select {
	case s.Comparing <- struct{}{}:
		defer func() { <-s.Comparing }()
	case <-ctx.Done():
		return out, false
	}
	return offense.Versus(a, b, func(done float64) bool { return ctx.Err() == nil && tell(done) == nil })
}

// TeamOffense is an offense with the team that plays it.
type TeamOffense struct {
	Team    gen.Team
	Offense offense.Offense
}

// OfOthers lists the offenses of the program's other teams that have one.
func (s Service) OfOthers(ctx context.Context, team gen.Team) (out []TeamOffense, err error) {
	teams, err := s.Store.TeamsOfProgram(ctx, team.ProgramID)
	for _, t := range teams {
		if t.ID == team.ID || t.Offense == nil {
			continue
		}
		o, _, err := s.Of(t)
		if err != nil {
			return nil, err
		}
		out = append(out, TeamOffense{t, o})
	}
	return out, err
}

// SetPrinciples keeps a team's principles in the coach's words.
func (s Service) SetPrinciples(ctx context.Context, program, team uuid.UUID, to []offense.Principle) error {
	if err := offense.CheckPrinciples(to); err != nil {
		return app.RefuseBy(app.Invalid, err, "kept.old-ones")
	}
	n, err := s.Store.SetPrinciples(ctx, gen.SetPrinciplesParams{ProgramID: program, ID: team,
		Principles: store.PrinciplesJSON(to)})
	return app.Changed(n, err, "team.missing")
}
