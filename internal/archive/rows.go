package archive

import (
	"encoding/json"
	"slices"
	"time"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/game"
	"evrik/core/practice"
	"evrik/core/quiz"
	"evrik/core/reads"
	"evrik/core/refusal"
	"evrik/core/roster"
	"evrik/internal/store"
	"evrik/internal/store/gen"
)

func (r *reader) team(t Team) error {
	if err := checkTeam(&t); err != nil {
		return err
	}
	id := r.id(t.ID)
	r.teams = append(r.teams, id)
	if err := r.q.InsertTeam(r.ctx, gen.InsertTeamParams{ID: id, ProgramID: r.program, Name: t.Name, Season: t.Season,
		Ages: t.Ages, Court: t.Court, Position: t.Position, Zone: t.Zone}); err != nil {
		return err
	}
	if _, err := r.q.UpdateTeam(r.ctx, gen.UpdateTeamParams{ProgramID: r.program, ID: id, Name: t.Name,
		Season: t.Season, Ages: t.Ages, Court: t.Court, Metric: t.Metric,
		FadeToCorner: t.FadeToCorner, FlareFirst: t.FlareFirst, ShootFirst: t.ShootFirst, AllActions: t.AllActions,
		Pace: t.Pace, Zone: t.Zone, LocalRule: t.LocalRule}); err != nil {
		return err
	}
	var follows *uuid.UUID
	if t.OffenseFollows != nil {
		id := r.id(*t.OffenseFollows)
		follows = &id
	}
	if _, err := r.q.SetOffense(r.ctx, gen.SetOffenseParams{ProgramID: r.program, ID: id, Offense: t.Offense,
		Follows: follows}); err != nil {
		return err
	}
	if _, err := r.q.SetPrinciples(r.ctx, gen.SetPrinciplesParams{ProgramID: r.program, ID: id,
		Principles: t.Principles}); err != nil {
		return err
	}
	home := []string{}
	for _, d := range t.HomeDrills {
		home = append(home, r.name(d))
	}
	if err := r.q.SetHomeDrills(r.ctx, gen.SetHomeDrillsParams{ProgramID: r.program, ID: id,
		Drills: home}); err != nil {
		return err
	}
	_, err := r.q.SetSeasonAim(r.ctx, gen.SetSeasonAimParams{ProgramID: r.program, ID: id, SeasonAim: t.SeasonAim})
	return err
}

func (r *reader) player(p Player) error {
	e, err := roster.Clean(roster.Entry{Jersey: p.Jersey, Name: p.Name, Handler: p.Handler, Wing: p.Wing, Big: p.Big,
		Shooter: p.Shooter})
	if err != nil {
		return fault{why: err}
	}
	id := r.id(p.ID)
	r.players = append(r.players, id)
	r.got.Players++
	if err := r.q.InsertPlayer(r.ctx, gen.InsertPlayerParams{ID: id, ProgramID: r.program, TeamID: r.id(p.Team),
		Jersey: e.Jersey, Name: e.Name,
		Handler: e.Handler, Wing: e.Wing, Big: e.Big, Shooter: e.Shooter}); err != nil {
		return err
	}
	for _, h := range p.Home {
		if err := (evidence.HomeSession{At: h.At, Right: h.Right, Left: h.Left}).Check(); err != nil {
			return fault{why: err}
		}
		if _, err := r.q.InsertHomeShots(r.ctx, gen.InsertHomeShotsParams{ProgramID: r.program, PlayerID: id,
			ID: r.id(h.ID), Drill: r.name(h.Drill), At: h.At,
			RightMade: int32(h.Right.Made), RightTried: int32(h.Right.Tried), LeftMade: int32(h.Left.Made),
			LeftTried: int32(h.Left.Tried)}); err != nil {
			return err
		}
	}
	for _, a := range p.Answers {
		if _, known := reads.Info(reads.Read(a.Expected)); !known {
			return bad("archive.read", a.Expected)
		}
		if _, known := reads.ParseCue(a.Cue); !known || a.Step < 1 || a.Step > quiz.Steps || a.Seconds < 0 ||
			a.Seconds > quiz.MaxSeconds {
			return bad("archive.answer", a.Cue, a.Step, a.Seconds)
		}
		if _, err := r.q.InsertQuizAnswer(r.ctx, gen.InsertQuizAnswerParams{ProgramID: r.program, PlayerID: id,
			ID: r.id(a.ID), Action: a.Action, Cue: a.Cue, Step: a.Step,
			Seed: a.Seed, Expected: a.Expected, Choice: a.Choice, IsRight: a.Choice == a.Expected && !a.Late,
			IsLate: a.Late, Seconds: a.Seconds, At: a.At}); err != nil {
			return err
		}
	}
	return nil
}

func (r *reader) drill(d Drill) error {
	read, err := drill.Read(d.Drill)
	if err != nil {
		return fault{why: err}
	}
	// Plans name a drill by its own id, which is the row's.
	if own, err := uuid.Parse(read.ID); err == nil {
		read.ID = r.id(own).String()
	}
	data, err := json.Marshal(read)
	if err != nil {
		return err
	}
	id := r.id(d.ID)
	r.drills = append(r.drills, id)
	if err := r.q.InsertDrill(r.ctx, gen.InsertDrillParams{ID: id, ProgramID: r.program, Drill: data}); err != nil {
		return err
	}
	_, err = r.q.ArchiveDrill(r.ctx, gen.ArchiveDrillParams{ProgramID: r.program, ID: id, Archived: d.Archived})
	return err
}

// plan is blocks with the ids of this program, drills of its own included.
func (r *reader) plan(of []practice.Block) []practice.Block {
	out := r.blocks(of)
	for i := range out {
		out[i].Drill = r.name(out[i].Drill) // the catalogue's ids are no uuids and stay
	}
	return out
}

func (r *reader) template(t Template) error {
	if err := checkTemplate(&t); err != nil {
		return err
	}
	r.templates = append(r.templates, r.id(t.ID))
	return r.q.PutTemplate(r.ctx, gen.PutTemplateParams{ID: r.id(t.ID), ProgramID: r.program, Name: t.Name,
		Minutes: t.Minutes, Blocks: store.BlocksJSON(r.plan(t.Blocks))})
}

func (r *reader) practice(p Practice) error {
	if err := checkPractice(&p); err != nil {
		return err
	}
	id := r.id(p.ID)
	status := p.Status
	if status == string(practice.Open) {
		status = string(practice.Done) // no floor goes on in a copy
	}
	if err := r.q.InsertPractice(r.ctx, gen.InsertPracticeParams{ID: id, ProgramID: r.program, TeamID: r.id(p.Team),
		StartsAt: p.StartsAt, Minutes: p.Minutes, Note: p.Note, Status: status, Terms: p.Terms}); err != nil {
		return err
	}
	if p.BeganAt != nil {
		if _, err := r.q.SetClock(r.ctx, gen.SetClockParams{ProgramID: r.program, TeamID: r.id(p.Team), ID: id,
			Status: status, BeganAt: p.BeganAt}); err != nil {
			return err
		}
	}
	if err := store.PutPlan(r.ctx, r.q, r.program, id, nil, nil, r.plan(p.Blocks)); err != nil {
		return err
	}
	if err := r.people(p, id); err != nil {
		return err
	}
	if err := r.ran(p, id); err != nil {
		return err
	}
	r.got.Practices++
	if len(p.Dropped) > 0 {
		if err := r.q.SetDropped(r.ctx, gen.SetDroppedParams{ProgramID: r.program, ID: id,
			Dropped: store.BlocksJSON(r.plan(p.Dropped))}); err != nil {
			return err
		}
	}
	if _, err := r.q.SetEffort(r.ctx, gen.SetEffortParams{ProgramID: r.program, TeamID: r.id(p.Team), ID: id,
		Effort: p.Effort}); err != nil {
		return err
	}
	_, err := r.q.SetReview(r.ctx, gen.SetReviewParams{ProgramID: r.program, TeamID: r.id(p.Team), ID: id,
		Review: p.Review})
	return err
}

// ran adds what was done to a practice's clock, who came and went, and what was counted.
func (r *reader) ran(p Practice, id uuid.UUID) error {
	for _, c := range p.Clock {
		if err := r.q.InsertClockEvent(r.ctx, gen.InsertClockEventParams{ProgramID: r.program, PracticeID: id, At: c.At,
			Action: c.Action, BlockID: r.ref(c.Block)}); err != nil {
			return err
		}
	}
	for _, c := range p.Changes {
		if _, err := r.q.InsertFloorChange(r.ctx, gen.InsertFloorChangeParams{ID: r.id(c.ID), ProgramID: r.program,
			PracticeID: id, At: c.At, Kind: c.Kind, BlockID: r.ref(c.Block),
			AfterRep: c.After, PlayerID: r.ref(c.Player), Was: c.Was, State: c.State}); err != nil {
			return err
		}
	}
	for _, c := range p.Counts {
		if !practice.KnownTally(practice.Tally(c.What)) {
			return bad("archive.tally", c.What)
		}
		if _, err := r.q.InsertFloorCounts(r.ctx, gen.InsertFloorCountsParams{ProgramID: r.program, PracticeID: id,
			ID: []uuid.UUID{r.id(c.ID)}, BlockID: []uuid.UUID{r.id(c.Block)},
			RepNo: []int32{c.Rep}, At: []time.Time{c.At}, What: []string{c.What}, By: []int32{c.By},
			ObserverID: r.id(c.Observer), Device: []string{c.Device}}); err != nil {
			return err
		}
	}
	return nil
}

// people adds who was at a practice, and how hard it was for them.
func (r *reader) people(p Practice, id uuid.UUID) error {
	for _, a := range p.People {
		of := gen.SetPresenceParams{ProgramID: r.program, PracticeID: id, PlayerID: r.id(a.Player), Limited: a.Limited,
			Gone: a.Gone}
		if err := r.q.SetPresence(r.ctx, of); err != nil {
			return err
		}
		if a.Effort == nil {
			continue
		}
		if _, err := r.q.SetPlayerEffort(r.ctx, gen.SetPlayerEffortParams{ProgramID: r.program, TeamID: r.id(p.Team),
			PracticeID: id, PlayerID: of.PlayerID, Effort: a.Effort}); err != nil {
			return err
		}
	}
	return nil
}

func (r *reader) game(g Game) error {
	if err := checkGame(&g); err != nil {
		return err
	}
	t := g.Terms
	t.Available = r.names(t.Available)
	t.Together, t.Caps = slices.Clone(t.Together), slices.Clone(t.Caps)
	for i := range t.Together {
		t.Together[i] = r.names(t.Together[i])
	}
	for i := range t.Caps {
		t.Caps[i].Player = r.name(t.Caps[i].Player)
	}
	id := r.id(g.ID)
	mixes, terms := store.GameJSON(g.Mixes, t)
	if err := r.q.InsertGame(r.ctx, gen.InsertGameParams{ID: id, ProgramID: r.program, TeamID: r.id(g.Team),
		StartsAt: g.StartsAt, Opponent: g.Opponent, Away: g.Away, Note: g.Note, Mixes: mixes,
		Terms: terms}); err != nil {
		return err
	}
	r.got.Games++
	for _, c := range g.Counts {
		if !game.KnownCounter(c.What) {
			return bad("archive.counter", c.What)
		}
		if _, err := r.q.InsertGameCounts(r.ctx, gen.InsertGameCountsParams{ProgramID: r.program, GameID: id,
			ID: []uuid.UUID{r.id(c.ID)}, At: []time.Time{c.At}, What: []string{c.What},
			By: []int32{c.By}, ObserverID: r.id(c.Observer), Device: []string{c.Device}}); err != nil {
			return err
		}
	}
	return nil
}

func (r *reader) kept(k Kept) error {
	return r.q.AddKept(r.ctx, gen.AddKeptParams{ProgramID: r.program, TeamID: r.id(k.Team), Role: k.Role,
		Expected: k.Expected, Made: k.Made, Rung: k.Rung, IsCorrect: k.Correct || k.Made == k.Expected, Reps: k.Reps})
}

func (r *reader) event(e Event) error {
	if _, ok := drill.RungByID(drill.Rung(e.Rung)); !ok {
		return bad("archive.rung", e.Rung)
	}
	if _, ok := reads.Info(reads.Read(e.Expected)); !ok {
		return bad("archive.read", e.Expected)
	}
	if e.Made == e.Expected && !e.Correct {
		return bad("archive.verdict", e.Made, e.Expected)
	}
	cue, ok := reads.ParseCue(e.Cue)
	if !ok && e.Cue != reads.NoCue.String() {
		return bad("archive.cue", e.Cue)
	}
	event := store.RepEvent{Rep: evidence.Rep{ID: evidence.RepID(r.id(e.ID).String()),
		Practice: evidence.PracticeID(r.id(e.Practice).String()),
		Block:    evidence.BlockID(r.id(e.Block).String()), No: int(e.No), At: e.At,
		Player: evidence.PlayerID(r.id(e.Player).String()), Role: reads.Role(e.Role),
		Drill: r.name(e.Drill), Rung: drill.Rung(e.Rung), Action: evidence.ActionID(e.Action), Side: e.Side, Cue: cue,
		SecondCue: e.SecondCue,
		Expected:  reads.Read(e.Expected), Made: reads.Read(e.Made), Correct: e.Correct, Late: e.Late,
		Outcome:  evidence.Outcome(e.Outcome),
		Observer: evidence.ObserverID(r.id(e.Observer).String()), Device: e.Device}}
	for _, text := range e.Tags {
		tag, err := r.tag(text)
		if err != nil {
			return err
		}
		event.Tags = append(event.Tags, tag)
	}
	if e.Voids != nil {
		event.Voids = evidence.RepID(r.id(*e.Voids).String())
	}
	team := r.id(e.Team)
	r.batch[team] = append(r.batch[team], event)
	if r.held++; r.held < page {
		return nil
	}
	return r.flush()
}

// tag reads a tag, whose player has another id here.
func (r *reader) tag(text string) (evidence.Tag, error) {
	tag := store.TagOf(text)
	if tag.Player == "" {
		return tag, nil
	}
	player, err := uuid.Parse(string(tag.Player))
	if err != nil {
		return tag, bad("archive.tag", text)
	}
	tag.Player = evidence.PlayerID(r.id(player).String())
	return tag, nil
}

// flush stores the events that have been read.
func (r *reader) flush() error {
	for team, events := range r.batch {
		stored, err := store.PutReps(r.ctx, r.q, r.program, team, events)
		if err != nil {
			return err
		}
		if len(stored) != len(events) {
			return refusal.New("archive.reps-here")
		}
		r.got.Events += len(stored)
	}
	clear(r.batch)
	r.held = 0
	return nil
}
