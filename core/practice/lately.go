package practice

import "time"

// Times of the view of now (assumptions).
const (
	// Lately is how far back the view of now looks: a week.
	Lately = 7 * 24 * time.Hour
	// today is how far ahead a practice still belongs to the days that are looked at.
	today = 24 * time.Hour
	// StillNext is how long after its beginning a practice is the next one.
	StillNext = 3 * time.Hour
)

// Held is when a practice begins and how long it is, in minutes.
type Held struct {
	At      time.Time
	Minutes int
}

// InLastWeek counts the practices of the last seven days and of today, and their minutes.
func InLastWeek(list []Held, now time.Time) (practices, minutes int) {
	for _, p := range list {
		if now.Sub(p.At) < Lately && p.At.Before(now.Add(today)) {
			practices++
			minutes += p.Minutes
		}
	}
	return practices, minutes
}
