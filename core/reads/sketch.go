package reads

import "evrik/core/court"

// Sketch holds the places that tell one action from another, in feet.
type Sketch struct {
	From     court.Point   `json:"from"`
	To       court.Point   `json:"to"`
	Screener court.Point   `json:"screener"`
	Ball     court.Point   `json:"ball"`
	Others   []court.Point `json:"others"`
	// Set is true where somebody sets a screen.
	Set bool `json:"set"`
}

// Sketched returns every action with its sketch, in teaching order.
func Sketched() []Action {
	c, _ := court.PresetCourt(court.HighSchool)
	fl := On(c)
	var out []Action
	for _, a := range actions {
		s := a.Example(c, NoCue)
		k := Sketch{From: s.From, To: s.To, Screener: s.Screener, Ball: s.At(a.ball()), Set: !a.spots.free ||
			a.ID == Cross}
		if v, _ := s.Velocity.Of(passer); v.Len() == 0 && !k.Set { // a drive is drawn as it goes
			k.To = cutEnd(&fl, a, &s)
		}
		for _, p := range a.Participants {
			if p.ID >= second && p.ID <= three {
				k.Others = append(k.Others, s.At(p.ID))
			}
		}
		copied := *a
		copied.Sketch = &k
		out = append(out, copied)
	}
	return out
}

// cutEnd is where the last, most particular read of a table takes its reader.
func cutEnd(fl *Floor, a *Action, s *Snapshot) court.Point {
	f := a.frame(fl, s)
	if path := cutPath(fl.Court, &f, s, a.rows[len(a.rows)-1].Cutter[0].Read); len(path) > 0 {
		return path[len(path)-1]
	}
	return s.At(screener)
}
