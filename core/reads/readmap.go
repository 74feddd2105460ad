package reads

import "evrik/core/court"

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
	// Cues holds one digit per cell: the index into Legend.
	Cues   string `json:"cues"`
	Legend []Cue  `json:"legend"`
	// Margins holds the margin per cell in tenths of a foot.
	Margins []uint8 `json:"margins"`
	// Open holds, when asked for, how open the table's read comes per cell, in
	// tenths of a foot; a read that cannot be run, or that no pass reaches, is 0.
	Open []uint8 `json:"open"`
}

// MapOf computes the read map of a valid situation for one defender.
func MapOf(s *Situation, mover Place) Map {
	screen, ok := ScreenByID(s.Screen)
	if !ok {
		return Map{}
	}
	at := *s
	m := Map{
		Mover: mover, Cell: MapCell, Cols: MapCols, Rows: MapRows,
		Origin: screen.mapMiddle(s, mover).Sub(court.Point{X: MapCols * MapCell / 2, Y: MapRows * MapCell / 2}),
		Legend: []Cue{NoCue}, Margins: make([]uint8, MapCols*MapRows),
	}
	digit := map[Cue]byte{}
	for i, row := range screen.rows {
		m.Legend = append(m.Legend, row.Cue)
		digit[row.Cue] = '1' + byte(i)
	}
	cues := make([]byte, MapCols*MapRows)
	f := screen.frame(s)
	for row := range MapRows {
		for col := range MapCols {
			at.Put(mover, m.Origin.Add(court.Point{X: (float64(col) + 0.5) * MapCell, Y: (float64(row) + 0.5) * MapCell}))
			v := screen.classify(&at, &f)
			cues[row*MapCols+col] = digit[v.Cue]
			m.Margins[row*MapCols+col] = uint8(min(255, v.Margin*10))
		}
	}
	m.Cues = string(cues)
	return m
}

// OpenMapOf is MapOf with the kinematics of the table's read in every cell.
func OpenMapOf(fl Floor, s *Situation, mover Place) Map {
	m := MapOf(s, mover)
	screen, ok := ScreenByID(s.Screen)
	if !ok {
		return m
	}
	m.Open = make([]uint8, len(m.Margins))
	at := *s
	f := screen.frame(s)
	for i := range m.Open {
		at.Put(mover, m.Origin.Add(court.Point{X: (float64(i%m.Cols) + 0.5) * m.Cell, Y: (float64(i/m.Cols) + 0.5) * m.Cell}))
		row, ok := screen.rowFor(fl.School, &at, m.Legend[m.Cues[i]-'0'])
		if !ok || !runs[row.CutterRead] {
			continue
		}
		m.Open[i] = uint8(min(255, screen.optionOf(&fl, &f, &at, row.CutterRead).worth()*10))
	}
	return m
}

// mapMiddle is the place round which a defender's map is drawn: the screen, or
// where a defender of his man has his choices. It does not depend on his own.
func (sc *Screen) mapMiddle(s *Situation, mover Place) court.Point {
	if (mover == xCutter || mover == xScreener) && !sc.spots.free {
		return s.Screener
	}
	man, ball := s.At(mover.man()), s.At(sc.ball())
	switch {
	case mover != xCutter && mover != xScreener:
		return man.Add(ball).Scale(1.0 / 3) // he helps between his man, the ball and the rim
	case ball == man || ball == s.Passer:
		return man.Toward(ball, mapLean)
	}
	return man.Add(ball).Scale(0.5)
}
