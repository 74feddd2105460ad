package reads

import (
	"encoding/binary"
	"errors"
	"math"
	"testing"

	"evrik/core/court"
)

// snapshotFrom puts everybody of a screen where the bytes say: any number a
// client can send, not a number and infinities among them.
func snapshotFrom(c court.Court, data []byte) (*Action, Snapshot) {
	if len(data) == 0 {
		data = []byte{0}
	}
	screen := actions[int(data[0])%len(actions)]
	s := screen.Example(c, screen.rows[int(data[0]/32)%len(screen.rows)].Cue)
	data = data[1:]
	next := func(old float64) float64 {
		if len(data) < 9 {
			return old
		}
		how, bits := data[0], binary.LittleEndian.Uint64(data[1:9])
		data = data[9:]
		switch how % 4 {
		case 0:
			return math.Float64frombits(bits)
		case 1:
			return old + float64(int64(bits)%1200)/100 // up to twelve feet off
		case 2:
			return float64(int64(bits) % 40)
		}
		return old
	}
	for p := cutter; p < numPlaces; p++ {
		if p != rim {
			at := s.At(p)
			s.Put(p, court.Point{X: next(at.X), Y: next(at.Y)})
		}
	}
	s.Back = court.Point{X: next(s.Back.X), Y: next(s.Back.Y)}
	for _, p := range []Place{cutter, xCutter, xScreener} {
		if v, told := s.Velocity.Of(p); told {
			s.Velocity.Set(p, court.Point{X: next(v.X), Y: next(v.Y)})
		}
		if next(0) > 1 {
			s.Velocity.Forget(p)
		}
	}
	return screen, s
}

// FuzzEverySnapshot feeds the classifier, the kinematics, the help reader, the
// mechanics, the maps and the plays with any coordinates of anybody: an answer
// in finite figures, or a sentence, never a panic.
func FuzzEverySnapshot(f *testing.F) {
	for i := range actions {
		f.Add([]byte{byte(i)})
	}
	f.Add(append([]byte{12}, make([]byte, 300)...))
	c, _ := court.PresetCourt(court.HighSchool)
	f.Fuzz(func(t *testing.T, data []byte) {
		screen, s := snapshotFrom(c, data)
		a, err := Judge(On(c), &s)
		if err != nil {
			if !errors.Is(err, ErrPlaces) || err.Error() == "" {
				t.Fatal(err)
			}
			return
		}
		if !finite(a.Margin) || a.Margin < 0 || a.Row.Seen == "" || (a.Cue == NoCue) != (a.State == NoCall) ||
			a.State != NoCall && (a.Row.Say == "" || len(a.Accepted) < 2) {
			t.Fatalf("%+v", a)
		}
		for _, o := range a.Options {
			if !finite(o.Separation) || o.Separation < 0 || !finite(o.Window) || !finite(o.Seconds) || !finite(o.Feet) {
				t.Fatalf("%+v", o)
			}
		}
		for _, k := range a.Checks {
			if !finite(k.Feet) || k.Text == "" {
				t.Fatalf("%+v", k)
			}
		}
		if a.Help != nil {
			for _, l := range a.Help.Looks {
				if !finite(l.Feet) || !finite(l.Window) {
					t.Fatalf("%+v", l)
				}
			}
		}
		if m := MapOf(testFloor, &s, xCutter); len(m.Cues) != MapCols*MapRows {
			t.Fatalf("a map of %d cells", len(m.Cues))
		}
		for _, track := range PlayOf(On(c), &s, a).Tracks {
			for _, k := range track.Keys {
				if !finite(k.T) || !k.At.Finite() {
					t.Fatalf("%s of %s: %+v", track.Who, screen.ID, k)
				}
			}
		}
	})
}
