package offense

import (
	"reflect"
	"testing"

	"evrik/core/reads"
)

// Watched without a defence, no school breaks a rule of its own, everybody is where the
// rules say at the end, and the same seed gives the same run.
func TestRunsKeepTheRules(t *testing.T) {
	f := NewFloor(reads.On(floor(t)))
	for _, s := range Schools() {
		start := f.standing(s, s.Start(), f.places(s, s.Start()))
		if v := f.Picture(s, start.At); len(v) != 0 {
			t.Errorf("%s: at the start %+v", s.ID, v)
		}
		for seed := range uint64(20) {
			run, err := f.Watch(s, start, 12, true, seed)
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
			if again, _ := f.Watch(s, start, 12, true, seed); !reflect.DeepEqual(run, again) {
				t.Fatalf("%s: seed %d gives another run", s.ID, seed)
			}
			for _, tr := range run.Play.Tracks {
				for k := 1; k < len(tr.Keys); k++ {
					if speed := tr.Keys[k].At.Dist(tr.Keys[k-1].At) / (tr.Keys[k].T - tr.Keys[k-1].T); tr.Who[0] == 'p' && speed > f.Pace.Top+0.5 {
						t.Fatalf("%s: %s runs %.1f ft/s at %.1f s", s.ID, tr.Who, speed, tr.Keys[k].T)
					}
				}
			}
		}
	}
}
