package reads

import "evrik/core/court"

// Size of a read map: cells of the grid around the screener and a cell's edge
// in feet (assumption: 24 x 18 ft holds every place a defender reads from).
const (
	MapCols = 80
	MapRows = 60
	MapCell = 0.3
)

// Mover is the defender whose places a read map answers for.
type Mover string

// The two defenders that can be moved.
const (
	MoveXCutter   Mover = "xCutter"
	MoveXScreener Mover = "xScreener"
)

// Map tells the cue for every place of one defender while all others stay.
// Cells run row by row from the corner at Origin, +x first.
type Map struct {
	Mover  Mover       `json:"mover"`
	Origin court.Point `json:"origin"` // feet
	Cell   float64     `json:"cell"`   // feet
	Cols   int         `json:"cols"`
	Rows   int         `json:"rows"`
	// Cues holds one digit per cell: the index into Legend.
	Cues   string `json:"cues"`
	Legend []Cue  `json:"legend"`
	// Margins holds the margin per cell in tenths of a foot.
	Margins []uint8 `json:"margins"`
}

// MapOf computes the read map of a valid situation for one defender.
func MapOf(s *Situation, mover Mover) Map {
	m := Map{
		Mover: mover, Cell: MapCell, Cols: MapCols, Rows: MapRows,
		Origin: s.Screener.Sub(court.Point{X: MapCols * MapCell / 2, Y: MapRows * MapCell / 2}),
		Legend: append([]Cue{NoCue}, Cues()...), Margins: make([]uint8, MapCols*MapRows),
	}
	cues := make([]byte, MapCols*MapRows)
	f := newFrame(s)
	pl := newPlane(f, s)
	at := func(p court.Point) vec { a, n := f.in(p); return vec{a, n} }
	x, xs := at(s.XCutter), at(s.XScreener)
	for row := range MapRows {
		for col := range MapCols {
			p := at(m.Origin.Add(court.Point{X: (float64(col) + 0.5) * MapCell, Y: (float64(row) + 0.5) * MapCell}))
			if mover == MoveXScreener {
				xs = p
			} else {
				x = p
			}
			v := pl.verdict(x, xs)
			cues[row*MapCols+col] = '0' + byte(v.Cue)
			m.Margins[row*MapCols+col] = uint8(min(255, v.Margin*10))
		}
	}
	m.Cues = string(cues)
	return m
}
