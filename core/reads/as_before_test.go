package reads

import (
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"evrik/core/kept"
)

// lineOf writes in one line what is made of a picture: the judgment, the most open answers, the checks of the screen,
// the help, and where everybody ends in the play that follows. Sentences are left out unless they depend on distances.
func lineOf(fl *Floor, s *Snapshot) string {
	j, err := Judge(*fl, s)
	if err != nil {
		return err.Error()
	}
	var b strings.Builder
	fmt.Fprintf(&b, "%s %s %v %.2f, next %s by %s |", j.State, j.Cue, j.Cues, j.Margin, j.Next, j.Decider)
	for _, a := range j.Accepted {
		fmt.Fprintf(&b, " %s %s %s %t,", a.Who, a.Read, a.Sign.ID, a.Certain)
	}
	b.WriteString(" |")
	for _, o := range j.Options[:min(4, len(j.Options))] {
		fmt.Fprintf(&b, " %s %.2f %.2f %.2f %.1f %s,", o.Read, o.Window, o.Separation, o.Seconds, o.Feet, o.Pass)
	}
	b.WriteString(" |")
	for _, c := range j.Checks {
		fmt.Fprintf(&b, " %s %t %.2f,", c.ID, c.OK, c.Feet)
	}
	if h := j.Help; h != nil {
		fmt.Fprintf(&b, " | paired %t, %d left, %v, %s", h.Paired, h.Left, h.Helpers, h.Say)
		for _, l := range h.Looks {
			fmt.Fprintf(&b, " %s %s %s %.2f %t %s %s %t,", l.To, l.Kind, l.Pass, l.Window, l.Open, l.By, l.Then, l.Rim)
		}
	}
	play := PlayOf(*fl, s, j)
	fmt.Fprintf(&b, " | %.2f s", play.Duration)
	for _, track := range play.Tracks {
		if last := track.Keys[len(track.Keys)-1]; len(track.Keys) > 1 {
			fmt.Fprintf(&b, " %s %.2f %.1f,%.1f", track.Who, last.T, last.At.X, last.At.Y)
		}
	}
	if j.State == Open {
		fmt.Fprintf(&b, " | %s %s", j.Row.Say, strings.Join(j.Watch, ", "))
	}
	return b.String() + " | " + j.Why
}

// Every cue is judged as before: in its example, and on the other side of the floor for ages 9 to 11 with the defenders
// moved. Where that picture leaves the cue open, the example is also judged with nobody moving.
func TestJudgmentsStay(t *testing.T) {
	c, rng, small := highSchool(t), rand.New(rand.NewPCG(21, 22)), *testFloor
	small.Ages = "9-11"
	var now []string
	for _, a := range Actions() {
		for i := range a.rows {
			keep := func(fl *Floor, s Snapshot) {
				now = append(now, fmt.Sprintf("%s, %s: ", a.ID, a.rows[i].Cue)+lineOf(fl, &s))
			}
			clear := a.Example(c, a.rows[i].Cue)
			keep(testFloor, clear)
			elsewhere := scattered(rng, a, clear)
			elsewhere.CutterShoots = KnownIf(i%2 == 0)
			keep(&small, elsewhere.Mirror())
			still := clear
			still.Velocity = Vectors{}
			if j, err := Judge(*testFloor, &still); err == nil && j.State == Open {
				keep(testFloor, still)
			}
		}
	}
	if err := kept.Compare("testdata/judgments.txt", now); err != nil {
		t.Error(err)
	}
}

// In the pictures that questions are asked about, everybody stands where they stood before.
func TestDrawnPicturesStay(t *testing.T) {
	var now []string
	for _, a := range Actions() {
		for seed, row := range a.rows {
			s, ok := a.Draw(*testFloor, row.Cue, Ask{AtLeast: 0.6, AtMost: 9, Mirror: true},
				rand.New(rand.NewPCG(5, uint64(seed))))
			line := fmt.Sprintf("%s, %s: %t %.1f %.1f", a.ID, row.Cue, ok, s.From, s.To)
			for _, p := range a.Participants {
				line += fmt.Sprintf(", %s %.1f", p.ID, s.At(p.ID))
			}
			now = append(now, line)
		}
	}
	if err := kept.Compare("testdata/drawn.txt", now); err != nil {
		t.Error(err)
	}
}

// The tables and the second opinion agree as often as before.
func TestAgreementStays(t *testing.T) {
	var now []string
	for _, a := range Actions() {
		report := Agree(*testFloor, a, 6*len(a.rows), 5)
		for _, c := range append(report.ByCue, report.Total()) {
			best, n := c.Best()
			now = append(now, fmt.Sprintf("%s, %s: %d %.0f %.0f %.2f %.2f %d %s %d", a.ID, c.Cue, c.Clear, c.Accepted,
				c.First, c.Other, c.Chance, c.Most, best, n))
		}
	}
	if err := kept.Compare("testdata/agreement.txt", now); err != nil {
		t.Error(err)
	}
}
