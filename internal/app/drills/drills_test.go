package drills_test

import (
	"os"
	"testing"

	"github.com/google/uuid"

	"evrik/core/drill"
	"evrik/internal/app/apptest"
	"evrik/internal/app/drills"
	"evrik/internal/pgtest"
)

func TestMain(m *testing.M) { os.Exit(pgtest.Main(m)) }

// file is a drill of the catalogue under another name, as a file.
func file(t *testing.T, name string) []byte {
	t.Helper()
	d := *drill.Catalogue()[0]
	d.Name = name
	b, err := drill.Export(&d)
	apptest.Must(t, err)
	return b
}

// A coach adds a drill, changes it and puts it away; of two coaches who change it at once, the second is told.
func TestOwnDrills(t *testing.T) {
	c := apptest.Open(t)
	s := drills.Service{Store: c.DB, Library: c.Squads.Library}
	program := c.Team.ProgramID
	before, err := s.List(t.Context(), program)
	apptest.Must(t, err)
	own, err := s.Add(t.Context(), program, file(t, "Our start"))
	apptest.Must(t, err)
	if own.Version != 1 || own.Drill.ID == drill.Catalogue()[0].ID || own.Drill.Name != "Our start" {
		t.Errorf("%d %s %s", own.Version, own.Drill.ID, own.Drill.Name)
	}
	if _, err := s.Add(t.Context(), program, []byte(`{"name": 3}`)); err == nil {
		t.Error("no drill is taken for one")
	}
	if _, err := s.Add(t.Context(), program, file(t, "Our start")); err == nil {
		t.Error("two drills have one name")
	}
	id := uuid.MustParse(own.Drill.ID)
	d := *own.Drill
	d.Name = "Our other start"
	_, err = s.Update(t.Context(), program, uuid.New(), d, 1)
	apptest.Refused(t, err, drills.NoDrill)
	_, err = s.Update(t.Context(), uuid.New(), id, d, 1)
	apptest.Refused(t, err, drills.NoDrill)
	if changed, err := s.Update(t.Context(), program, id, d, 1); err != nil || changed.Version != 2 {
		t.Errorf("version %d, %v", changed.Version, err)
	}
	_, err = s.Update(t.Context(), program, id, d, 1)
	apptest.Refused(t, err, "drill.changed-meanwhile")
	apptest.Refused(t, s.Archive(t.Context(), program, uuid.New(), true), drills.NoDrill)
	apptest.Must(t, s.Archive(t.Context(), program, id, true))
	after, err := s.List(t.Context(), program)
	apptest.Must(t, err)
	last := after[len(after)-1]
	if len(after) != len(before)+1 || last.Drill.Name != "Our other start" || !last.Archived || last.Version < 2 {
		t.Errorf("%+v", last)
	}
}

// The shots of a drill add up over the players, and nobody shoots in what was never run.
func TestShots(t *testing.T) {
	c := apptest.Open(t)
	s := drills.Service{Store: c.DB, Library: c.Squads.Library}
	const of = "form-shooting"
	// What was logged of a read was a shot too, every third of which went in.
	_, err := c.DB.Pool.Exec(t.Context(), `INSERT INTO rep_events SELECT (jsonb_populate_record(r, jsonb_build_object(
		'id', gen_random_uuid(), 'role', 'shooter', 'drill', $2::text, 'is_correct', rep_no % 3 = 0))).* FROM rep_events r
		WHERE team_id = $1 AND kind = 'rep' AND rep_no <= 6`, c.Team.ID, of)
	apptest.Must(t, err)
	shots, err := s.Shots(t.Context(), c.Team, of)
	apptest.Must(t, err)
	made, tried := 0, 0
	for _, p := range shots.Players {
		made, tried = made+p.Made, tried+p.Tried
	}
	if tried == 0 || shots.Tried != tried || shots.Made != made || made >= tried {
		t.Errorf("%d of %d, players %d of %d", shots.Made, shots.Tried, made, tried)
	}
	home := c.Team
	home.HomeDrills = []string{of}
	if told, err := s.Shots(t.Context(), home, of); err != nil || !told.AtHome || shots.AtHome {
		t.Errorf("%v %v, %v", told.AtHome, shots.AtHome, err)
	}
	if none, err := s.Shots(t.Context(), c.Team, "never-run"); err != nil || none.Tried != 0 || len(none.Players) != 0 {
		t.Errorf("%+v, %v", none, err)
	}
}
