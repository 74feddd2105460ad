package reads

import (
	"encoding/json"

	"evrik/core/court"
)

// numBodies is one more than the last place that is a player's.
const numBodies = xThree + 1

// Vectors holds one vector for each player who has one: how players move, in feet a
// second, or the places they look at, in feet. The zero value knows nothing.
type Vectors struct {
	of    [numBodies]court.Point
	known uint16
}

// Of returns a player's vector, and whether it is known.
func (v *Vectors) Of(p Place) (court.Point, bool) {
	if p >= numBodies || v.known&(1<<p) == 0 {
		return court.Point{}, false
	}
	return v.of[p], true
}

// Set makes a player's vector known. Places that are no player's stay as they are.
func (v *Vectors) Set(p Place, to court.Point) {
	if p > nobody && p < numBodies {
		v.of[p] = to
		v.known |= 1 << p
	}
}

// Forget makes a player's vector unknown.
func (v *Vectors) Forget(p Place) {
	if p < numBodies {
		v.of[p] = court.Point{}
		v.known &^= 1 << p
	}
}

// IsZero reports whether nothing is known.
func (v Vectors) IsZero() bool { return v.known == 0 }

// each changes every known vector.
func (v *Vectors) each(change func(court.Point) court.Point) {
	for p := range numBodies {
		if v.known&(1<<p) != 0 {
			v.of[p] = change(v.of[p])
		}
	}
}

// finite reports whether every known vector is a real one.
func (v *Vectors) finite() bool {
	for p := range numBodies {
		if !v.of[p].Finite() {
			return false
		}
	}
	return true
}

// MarshalJSON writes an object with a vector for each place that has one.
func (v Vectors) MarshalJSON() ([]byte, error) {
	out := map[string]court.Point{}
	for p := range numBodies {
		if at, ok := v.Of(p); ok {
			out[p.String()] = at
		}
	}
	return json.Marshal(out)
}

// UnmarshalJSON reads such an object. Places it does not know are left out.
func (v *Vectors) UnmarshalJSON(data []byte) error {
	var in map[string]court.Point
	if err := json.Unmarshal(data, &in); err != nil {
		return err
	}
	*v = Vectors{}
	for id, at := range in {
		if p, ok := ParsePlace(id); ok {
			v.Set(p, at)
		}
	}
	return nil
}

// Known is a fact about a player that somebody may not have told: yes, no or unknown.
type Known int8

// Values of Known.
const (
	Unknown Known = 0
	Yes     Known = 1
	No      Known = -1
)

// KnownIf is Yes for true and No for false.
func KnownIf(yes bool) Known {
	if yes {
		return Yes
	}
	return No
}

// MarshalJSON writes true, false or null.
func (k Known) MarshalJSON() ([]byte, error) {
	switch k {
	case Yes:
		return []byte("true"), nil
	case No:
		return []byte("false"), nil
	}
	return []byte("null"), nil
}

// UnmarshalJSON reads true, false or null.
func (k *Known) UnmarshalJSON(data []byte) error {
	var in *bool
	if err := json.Unmarshal(data, &in); err != nil {
		return err
	}
	*k = Unknown
	if in != nil {
		*k = KnownIf(*in)
	}
	return nil
}
