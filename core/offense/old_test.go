package offense

import (
	"encoding/json"
	"strings"
	"testing"
)

// An offense that was stored before offenses were made of parts is read: the shipped one,
// with the weights and rules of then.
func TestOffensesOfBefore(t *testing.T) {
	var o Offense
	old := `{"base": "circle", "switches": {"noStanding": true, "filled": false, "apart": true, "oneScreen": false}, "weights": {"over": 2, "denied": 3}}`
	if err := json.Unmarshal([]byte(old), &o); err != nil {
		t.Fatal(err)
	}
	o, err := o.Ready(floor(t))
	if err != nil || o.ID != "cut-and-lift" || o.Rules.Filled || !o.Rules.Apart || !o.Rules.ThreeSeconds ||
		o.Again != AfterPause {
		t.Errorf("%+v, %v", o, err)
	}
	for _, a := range o.Answers {
		if want := map[string]float64{"over": 2, "down": 1, "cut": 0, "denied": 3}[a.ID]; a.Weight != want {
			t.Errorf("%s comes %v times, want %v", a.ID, a.Weight, want)
		}
	}
	if err := json.Unmarshal([]byte(`{"base": "moon"}`), &o); err == nil || !strings.Contains(err.Error(), `"moon"`) {
		t.Errorf("%v", err)
	}
	if err := json.Unmarshal([]byte(`{"parts": 3}`), &o); err == nil {
		t.Error("a number was read as parts")
	}
}
