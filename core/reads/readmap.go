package reads

import (
	"math"
	"strings"

	"evrik/core/court"
)

// Size of a read map: cells of the grid around the screener and a cell's edge
// in feet (assumption: 24 x 18 ft holds every place a defender reads from).
const (
	MapCols = 80
	MapRows = 60
	MapCell = 0.3
	// mapLean is how far toward the ball a map without a screen is drawn, feet.
	mapLean = 5.0
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
		Origin: a.mapMiddle(s, mover).Sub(court.Point{X: MapCols * MapCell / 2, Y: MapRows * MapCell / 2}),
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

// mapMiddle is the place around which a defender's map is drawn: the screen, or where a
// defender of that player has a choice. It does not depend on the defender's own place.
func (a *Action) mapMiddle(s *Snapshot, mover Place) court.Point {
	if (mover == xCutter || mover == xScreener) && !a.spots.free {
		return s.Screener
	}
	own, ball := s.At(mover.guards()), s.At(a.ball())
	switch {
	case mover != xCutter && mover != xScreener:
		return own.Add(ball).Scale(1.0 / 3) // helpers stand between own player, ball and rim
	case ball == own || ball == s.Passer:
		return own.Toward(ball, mapLean)
	}
	return own.Add(ball).Scale(0.5)
}
