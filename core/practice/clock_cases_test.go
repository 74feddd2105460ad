package practice

import (
	"encoding/json"
	"os"
	"testing"
	"time"
)

// clockCase is a line of testdata/clock.json, to which the page's clock is held as well. Times are
// seconds after some moment.
type clockCase struct {
	Name   string
	Blocks []string
	Clock  clockState
	Do     []struct {
		Action Action
		Block  string
		At     float64
	}
	// Refused is true where the last action cannot be.
	Refused bool
	Look    float64
	Want    clockState
}

type clockState struct {
	Status         Status
	Block          string
	Ran            float64
	Running        bool
	Began, Changed *float64
}

func TestClockCases(t *testing.T) {
	data, err := os.ReadFile("testdata/clock.json")
	if err != nil {
		t.Fatal(err)
	}
	var cases []clockCase
	if err := json.Unmarshal(data, &cases); err != nil {
		t.Fatal(err)
	}
	zero := time.Date(2026, 3, 20, 18, 0, 0, 0, time.UTC)
	at := func(s float64) time.Time { return zero.Add(time.Duration(s * float64(time.Second))) }
	since := func(t time.Time) *float64 {
		if t.IsZero() {
			return nil
		}
		return new(t.Sub(zero).Seconds())
	}
	for _, c := range cases {
		clock := Clock{Status: c.Clock.Status, Block: c.Clock.Block,
			Before: time.Duration(c.Clock.Ran * float64(time.Second))}
		if c.Clock.Changed != nil {
			clock.Changed = at(*c.Clock.Changed)
		}
		for i, do := range c.Do {
			next, err := clock.Apply(do.Action, do.Block, c.Blocks, at(do.At))
			if refused := c.Refused && i == len(c.Do)-1; (err != nil) != refused {
				t.Errorf("%s: %v", c.Name, err)
			}
			clock = next
		}
		got := clockState{clock.Status, clock.Block, clock.Elapsed(at(c.Look)).Seconds(), !clock.Since.IsZero(),
			since(clock.Began), since(clock.Changed)}
		g, _ := json.Marshal(got)
		w, _ := json.Marshal(c.Want)
		if string(g) != string(w) {
			t.Errorf("%s:\n got %s\nwant %s", c.Name, g, w)
		}
	}
}
