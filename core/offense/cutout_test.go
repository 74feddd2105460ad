package offense

import (
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"evrik/core/court"
	"evrik/core/drill"
	"evrik/core/kept"
	"evrik/core/motion"
	"evrik/core/reads"
)

// From every moment of every offense, with wings denied or not, a drill is cut that can be
// run on every court: two to four players of that moment on their own spots, with its read.
func TestDrillsCutOut(t *testing.T) {
	f := NewFloor(reads.On(floor(t)))
	sizes, mirrored := map[int]int{}, 0
	for _, s := range Shipped() {
		for seed := range uint64(20) {
			run, err := f.Watch(s, f.Begin(s), 10, guarding(seed%2 == 1), seed)
			if err != nil {
				t.Fatal(err)
			}
			for _, p := range run.Passes {
				d, err := f.CutOut(s, Moment{p.Start, p.Aim, p.ID})
				if err != nil {
					t.Fatalf("%s, %s from %v: %v", s.ID, p.ID, p.Start.Spots, err)
				}
				players, helpers := 0, 0
				var spots []string
				for _, q := range d.Positions {
					if spots = append(spots, q.Spot); q.Helper {
						helpers++
					} else {
						players++
					}
				}
				sizes[players]++
				if players < 2 || players > 4 || helpers > 1 || d.Action != p.Action {
					t.Fatalf("%s, %s: %d players, %d helpers, reads of %q", s.ID, p.ID, players, helpers, d.Action)
				}
				// They stand where those in the moment stand, or all on the other side.
				left := slices.ContainsFunc(spots,
					func(id string) bool { return !slices.Contains(p.Start.Spots[:], id) })
				for _, id := range spots {
					if left {
						id = court.MirrorSpot(id)
					}
					if !slices.Contains(p.Start.Spots[:], id) {
						t.Errorf("%s, %s: nobody stood on the %s of %v", s.ID, p.ID, id, p.Start.Spots)
					}
				}
				if left {
					mirrored++
				}
				// It climbs to a live game of as many against as many, and its cues are the read's.
				last := d.Stages[len(d.Stages)-1]
				if last.Defenders != players || d.Stages[0].Rung != drill.Air || d.Action != "" &&
					(len(last.Cues) == 0 || len(d.Stages) != 4 || len(d.Watch) == 0) {
					t.Errorf("%s, %s: stages %+v, watch %v", s.ID, p.ID, d.Stages, d.Watch)
				}
				if len(d.Cautions) == 0 || len(d.Name) > maxName || !strings.HasPrefix(d.Name, s.Name) {
					t.Errorf("%q, cautions %v", d.Name, d.Cautions)
				}
			}
		}
	}
	if sizes[2] < 100 || sizes[3] < 100 || mirrored < 20 {
		t.Errorf("players %v, mirrored %d", sizes, mirrored)
	}
}

// One moment by hand: the screen away of the continuity, on the left side.
func TestCutOutByHand(t *testing.T) {
	f := NewFloor(reads.On(floor(t)))
	s, _ := ByID("cont")
	st := f.Begin(s)
	m := Moment{st, "wingR", "away"}
	d, err := f.CutOut(s, m)
	if err != nil {
		t.Fatal(err)
	}
	// The top passes to the right wing and screens for the left wing, who curls; the left
	// corner follows. Turned to the right side.
	want := []struct{ id, name, spot string }{{"cutter", "Cutter", "wingR"}, {"screener", "Screener", "top"},
		{"third", "Next one", "cornerR"}, {"passer", "Passer", "wingL"}}
	for i, w := range want {
		if p := d.Positions[i]; p.ID != w.id || p.Name != w.name || p.Spot != w.spot ||
			p.Ball != (w.id == "screener") || p.Helper != (w.id == "passer") {
			t.Errorf("%+v, want %v", p, w)
		}
	}
	var lines []string
	for _, ph := range d.Phases {
		for _, a := range ph.Acts {
			lines = append(lines, strings.Join([]string{ph.Name, string(a.Do), a.Who, a.To, a.For}, " "))
		}
	}
	script := []string{"Pass pass screener passer ", "Screen screen screener  cutter", "Read cut cutter rim ",
		"Read pass passer cutter ",
		"Read cut screener wingR ", "Follow cut third top ", "Finish shot cutter  "}
	if !slices.Equal(lines, script) {
		t.Errorf("%s", strings.Join(lines, "\n"))
	}
	play, err := d.Motion(floor(t), motion.DefaultPace)
	if last := d.Stages[len(d.Stages)-1]; err != nil || last.Rung != drill.Live3 || last.Seconds < play.Duration {
		t.Errorf("%v, %.1f s for %+v", err, play.Duration, last)
	}
	// An answer with four in it, and nobody who only feeds: four on four.
	own := s
	own.Answers = append(slices.Clone(s.Answers), Answer{ID: "four", Name: "Ball screen, both sides cut", On: AnyPass,
		Behind: [2]int{1, 9},
		Moves: []Move{{Passer, Screen, Receiver, Receiver}, {Receiver, Drive, Passer, Passer}, {Next1, Cut, "", Next1},
			{Ahead1, Cut, "", Ahead1}}, Action: "ball", Weight: 1})
	if four, err := f.CutOut(own, Moment{st, "wingR", "four"}); err != nil || four.Stages[3].Rung != drill.Live4 ||
		four.Positions[0].Name != "Handler" || four.Positions[3].Spot == "" {
		t.Errorf("%v, %+v", err, four)
	}
	// Whoever was dragged stands on the nearest spot.
	far := m
	far.Standing.At[3] = court.Point{X: -8, Y: 18} // the left wing, near the elbow
	if d, err = f.CutOut(s, far); err != nil || d.Positions[0].Spot != "slotR" && d.Positions[0].Spot != "elbowR" {
		t.Errorf("%v, %+v", err, d)
	}
	// Dragged anywhere: a drill that can be run, or a sentence.
	rng, refused := rand.New(rand.NewPCG(3, 1)), 0
	for range 400 {
		far = m
		far.Standing.At[rng.IntN(5)] = court.Point{X: rng.Float64()*48 - 24, Y: rng.Float64()*38 - 3}
		if _, err := f.CutOut(s, far); err != nil {
			refused++
			if !strings.HasSuffix(err.Error(), ".") {
				t.Errorf("%v", err)
			}
		}
	}
	if refused > 40 {
		t.Errorf("%d of 400 moments are refused", refused)
	}
	for says, bad := range map[string]Moment{
		"offense.pass-missing": {st, "wingX", "away"}, "offense.answer-missing": {st, "wingR", "dunk"},
		"offense.ball-holder": {Standing{Spots: st.Spots, At: st.At, Ball: 9}, "wingR", "away"},
	} {
		if _, err := f.CutOut(s, bad); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%v, want %q", err, says)
		}
	}
}

// Every part of the catalogue can be cut into a drill from wherever it is run.
func TestEveryPartIsADrill(t *testing.T) {
	f := NewFloor(reads.On(floor(t)))
	cut, lines := map[string]bool{}, []string(nil)
	for i, part := range catalogue {
		base := shipped[[]int{3, 5}[i%2]]
		if slices.ContainsFunc(part.Moves, func(m Move) bool { return m.Who == Inside || m.For == Inside }) ||
			part.On != AnyPass && part.On != Denied {
			base = shipped[5]
		}
		base.Dribble = FreeDribble
		base.Parts = []Part{{part.ID, 1, ""}, {"cut", 0, ""}, {"denied-out", 1, ""}, {"out", 1, ""}}
		if base.Inside == "" {
			base.Parts = base.Parts[:3]
		}
		base.Parts = slices.CompactFunc(base.Parts, func(a, b Part) bool { return a.ID == b.ID })
		o, err := base.resolved()
		if err != nil {
			t.Fatal(err)
		}
		for seed := range uint64(12) {
			run, err := f.Watch(o, f.Begin(o), 8, guarding(seed%2 == 1), seed)
			if err != nil {
				t.Fatalf("%s: %v", part.ID, err)
			}
			for _, p := range run.Passes {
				d, err := f.CutOut(o, Moment{p.Start, p.Aim, p.ID})
				if err != nil {
					t.Errorf("%s from %v: %v", p.ID, p.Start.Spots, err)
				} else if line := lineOf(d); !slices.Contains(lines, line) {
					lines = append(lines, line)
				}
				cut[p.ID] = true
			}
		}
	}
	for _, part := range catalogue {
		if !cut[part.ID] {
			t.Errorf("%s was never run", part.ID)
		}
	}
	if err := kept.Compare("testdata/cutouts.txt", lines); err != nil {
		t.Error(err)
	}
}
