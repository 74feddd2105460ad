package offense

import (
	"reflect"
	"testing"

	"evrik/core/reads"
)

// guarding is a sound defense that denies the wings, or not.
func guarding(deny bool) Guarding {
	g := Guarding{Defended: true, Defense: Defense{Dials: DefaultDials()}}
	g.Defense.Dials.Deny = map[bool]float64{true: 1}[deny]
	return g
}

// Watched against defenders, and defenders who deny the wings, no offense breaks a rule of its own,
// everybody is where the rules say at the end, and the same seed gives the same run.
func TestRunsKeepTheRules(t *testing.T) {
	f := NewFloor(reads.On(floor(t)))
	for _, s := range Shipped() {
		start := f.standing(s, s.Start(), f.places(s, s.Start()))
		if v := f.Picture(s, start.At); len(v) != 0 {
			t.Errorf("%s: at the start %+v", s.ID, v)
		}
		for seed := range uint64(40) {
			against := guarding(seed%2 == 1)
			run, err := f.Watch(s, start, 12, against, seed)
			if err != nil {
				t.Fatalf("%s: %v", s.ID, err)
			}
			for _, v := range run.Violations {
				t.Errorf("%s, seed %d, %.1f s: %s %v, in %+v", s.ID, seed, v.T, v.Text, v.Players, run.Passes)
				break
			}
			for i, spot := range run.End.Spots {
				if d := run.End.At[i].Dist(f.spots[spot]); d > 0.1 {
					t.Errorf("%s: %d ends %.1f ft from the %s", s.ID, i, d, spot)
				}
			}
			if again, _ := f.Watch(s, start, 12, against, seed); !reflect.DeepEqual(run, again) {
				t.Fatalf("%s: seed %d gives another run", s.ID, seed)
			}
			for _, tr := range run.Play.Tracks {
				for k := 1; k < len(tr.Keys); k++ {
					if speed := tr.Keys[k].At.Dist(
						tr.Keys[k-1].At) / (tr.Keys[k].T - tr.Keys[k-1].T); tr.Who[0] == 'p' && speed > f.Pace.Top+0.5 {
						t.Fatalf("%s: %s runs %.1f ft/s at %.1f s", s.ID, tr.Who, speed, tr.Keys[k].T)
					}
				}
			}
		}
	}
}

// The entry offense against denied wings: the ball goes to the high post, both wings cut
// back door one after the other, and out of the post comes a flare; going on from any of
// those moments is possible.
func TestDeniedWings(t *testing.T) {
	f := NewFloor(reads.On(floor(t)))
	s, _ := ByID("entry")
	run, err := f.Watch(s, f.Begin(s), 30, guarding(true), 3)
	if err != nil {
		t.Fatal(err)
	}
	flares := 0
	for i, p := range run.Passes {
		if p.ID != "denied-post" {
			continue
		}
		if !wing(p.Aim) || p.Start.Spots[p.To] == HighPost || len(p.Players) != 3 {
			t.Errorf("denied: %+v", p)
		}
		if i+1 == len(run.Passes) {
			break
		}
		next := run.Passes[i+1]
		if next.ID != "out" || next.Action != "flare" || next.From != p.To || next.Start.Spots[next.From] != HighPost {
			t.Errorf("out of the post comes %+v", next)
		}
		flares++
		again, err := f.Watch(s, next.Start, 4, Guarding{}, 1)
		if err != nil || again.Passes[0].From != next.From {
			t.Errorf("going on from the post: %v, %+v", err, again.Passes)
		}
	}
	if flares < 3 {
		t.Errorf("%d denials in 30 passes", flares)
	}
}
