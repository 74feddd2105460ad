package reads

import (
	"math"
	"strings"

	"evrik/core/court"
)

// Size of a read map: cells of the grid and a cell's edge
// in feet (assumption: 24 x 18 ft holds every place that an example has).
const (
	MapCols = 80
	MapRows = 60
	MapCell = 0.3
)

// Map tells the cue for every place of one defender while all others stay.
// Cells run row by row from the corner at Origin, +x first.
type Map struct {
	Mover  Place       `json:"mover"`
	Origin court.Point `json:"origin"` // feet
	Cell   float64     `json:"cell"`   // feet
	Cols   int         `json:"cols"`
	Rows   int         `json:"rows"`
	// Cues holds one letter per cell, 0 to 9 and then a to z: the index into Legend.
	Cues   string `json:"cues"`
	Legend []Cue  `json:"legend"`
	// Margins holds the margin per cell in tenths of a foot.
	Margins []uint8 `json:"margins"`
	// Open holds, when asked for, how open the first answer comes per cell, in tenths of
	// a foot; an answer that cannot be played, or that no pass reaches, is 0.
	Open []uint8 `json:"open"`
}

// MapOf computes the read map of a valid snapshot for one defender.
func MapOf(fl *Floor, s *Snapshot, mover Place) Map {
	a, ok := ActionByID(s.Action)
	if !ok {
		return Map{}
	}
	at := *s
	m := Map{
		Mover: mover, Cell: MapCell, Cols: MapCols, Rows: MapRows,
		Origin: a.mapMiddle(fl.Court, s, mover).Sub(court.Point{X: MapCols * MapCell / 2, Y: MapRows * MapCell / 2}),
		Legend: []Cue{NoCue}, Margins: make([]uint8, MapCols*MapRows),
	}
	letter := map[Cue]byte{NoCue: mapLetters[0]}
	for _, row := range a.rows {
		letter[row.Cue] = mapLetters[len(m.Legend)]
		m.Legend = append(m.Legend, row.Cue)
	}
	letter[Undecided] = mapLetters[len(m.Legend)]
	m.Legend = append(m.Legend, Undecided)
	cues := make([]byte, MapCols*MapRows)
	f := a.frame(fl, s)
	for i := range cues {
		at.Put(mover, m.place(i))
		v := a.classify(&at, &f)
		cues[i] = letter[v.Cue]
		m.Margins[i] = uint8(min(255, v.Margin*10))
	}
	m.Cues = string(cues)
	return m
}

// mapLetters are the signs of a map's cells, in the order of its legend.
const mapLetters = "0123456789abcdefghijklmnopqrstuvwxyz"

// place is the middle of a cell.
func (m *Map) place(cell int) court.Point {
	return m.Origin.Add(court.Point{X: (float64(cell%m.Cols) + 0.5) * m.Cell, Y: (float64(cell/m.Cols) + 0.5) * m.Cell})
}

// cue is the cue of a cell.
func (m *Map) cue(cell int) Cue { return m.Legend[strings.IndexByte(mapLetters, m.Cues[cell])] }

// OpenMapOf is MapOf with the kinematics of the first answer in every cell.
func OpenMapOf(fl *Floor, s *Snapshot, mover Place) Map {
	m := MapOf(fl, s, mover)
	a, ok := ActionByID(s.Action)
	if !ok {
		return m
	}
	m.Open = make([]uint8, len(m.Margins))
	at := *s
	f := a.frame(fl, s)
	for i := range m.Open {
		at.Put(mover, m.place(i))
		row, ok := a.Row(fl.Rules, m.cue(i))
		if !ok {
			continue
		}
		first := row.order(cutter, &at, &f)[0].Read
		for _, p := range a.plays {
			if p.read == first {
				moment := a.moment(fl, &f, &at)
				m.Open[i] = uint8(math.Max(0, math.Min(255, a.play(fl, &f, &at, &moment, p).Separation*10)))
			}
		}
	}
	return m
}

// mapMiddle is the middle of a defender's map: the screen for the two defenders at it, and for others the middle of the
// places that the examples give them, counted from the own player. It stays where it is while the defender moves.
func (a *Action) mapMiddle(c court.Court, s *Snapshot, mover Place) court.Point {
	if (mover == xCutter || mover == xScreener) && !a.spots.free {
		return s.Screener
	}
	least, most := court.Point{X: math.Inf(1), Y: math.Inf(1)}, court.Point{X: math.Inf(-1), Y: math.Inf(-1)}
	for _, row := range a.rows {
		e := a.Example(c, row.Cue)
		d := e.At(mover).Sub(e.At(mover.guards()))
		least = court.Point{X: math.Min(least.X, d.X), Y: math.Min(least.Y, d.Y)}
		most = court.Point{X: math.Max(most.X, d.X), Y: math.Max(most.Y, d.Y)}
	}
	middle := least.Add(most).Scale(0.5)
	if s.onLeft() {
		middle = middle.Mirror()
	}
	return s.At(mover.guards()).Add(middle)
}
