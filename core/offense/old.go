package offense

import (
	"encoding/json"
	"fmt"
	"strings"
)

// way is how a team's own offense was stored before it was made of parts: a shipped one, its
// rules on or off, and how often what follows a pass, by the ids that parts had then.
type way struct {
	Base  string `json:"base"`
	Rules struct {
		Rules
		OneScreen bool `json:"oneScreen"`
	} `json:"switches"`
	Weights map[string]float64 `json:"weights"`
}

// UnmarshalJSON reads an offense, also in the form that was stored before it was made of
// parts.
func (o *Offense) UnmarshalJSON(raw []byte) error {
	var old way
	if err := json.Unmarshal(raw, &old); err == nil && old.Base != "" {
		return o.fromWay(old)
	}
	type plain Offense // without this method
	return json.Unmarshal(raw, (*plain)(o))
}

func (o *Offense) fromWay(old way) error {
	base, ok := ByID(old.Base)
	if !ok {
		return fmt.Errorf("there is no offense called %q", old.Base)
	}
	*o = base
	o.Answers = nil
	o.Rules = old.Rules.Rules
	o.Rules.ReactsToDrive, o.Rules.ThreeSeconds = true, true // there were no such rules
	o.Again = AfterPause
	if old.Rules.OneScreen {
		o.Again = NeverTwice
	}
	o.Parts = nil
	for _, p := range base.Parts {
		before, _, _ := strings.Cut(p.ID, "-") // "cut", and "denied" for each of its forms
		if w, own := old.Weights[before]; own {
			p.Weight = w
		}
		o.Parts = append(o.Parts, p)
	}
	return nil
}
