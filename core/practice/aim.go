package practice

import (
	"slices"
	"time"

	"evrik/core/reads"
	"evrik/core/refusal"
)

// SeasonAim is what a coach wants of the weeks ahead.
type SeasonAim struct {
	// Until is the last day, as 2006-01-02.
	Until string `json:"until"`
	// Weekdays are when practice is, 0 for Sunday.
	Weekdays []int `json:"weekdays"`
	// Off are the days without practice: holidays, exams, a closed gym.
	Off []Break `json:"off,omitempty"`
	// PerPractice is how many actions a practice has blocks for.
	PerPractice int `json:"perPractice"`
	// Install are the actions to teach, by id, the most important first.
	Install []string     `json:"install"`
	Games   []SeasonGame `json:"games"`
}

// Break is a stretch of days without practice, both days in it, as 2006-01-02.
type Break struct {
	From  string `json:"from"`
	Until string `json:"until"`
}

// covers reports whether a day falls into a break.
func (b Break) covers(date string) bool { return b.From <= date && date <= b.Until }

// practicesOn reports whether there is practice on a day.
func (a SeasonAim) practicesOn(d time.Time) bool {
	date := d.Format(DateFormat)
	return slices.Contains(a.Weekdays, int(d.Weekday())) &&
		!slices.ContainsFunc(a.Games, func(g SeasonGame) bool { return g.Date == date }) &&
		!slices.ContainsFunc(a.Off, func(b Break) bool { return b.covers(date) })
}

// FirstAim is what the weeks ahead are taken to be for before a coach has said: six weeks of
// two practices (assumptions) for the actions to teach, the most important first.
func FirstAim(today time.Time, taught []string) SeasonAim {
	const weeks, perPractice = 6, 3
	if len(taught) == 0 {
		taught = []string{reads.Down}
	}
	return SeasonAim{Until: today.AddDate(0, 0, 7*weeks).Format(DateFormat),
		Weekdays:    []int{int(time.Tuesday), int(time.Thursday)},
		PerPractice: perPractice, Install: taught, Games: []SeasonGame{}}
}

// SeasonGame is a game ahead and the actions that should be live before it.
type SeasonGame struct {
	Date  string   `json:"date"`
	Needs []string `json:"needs"`
}

// Limits of a season (assumptions).
const (
	MaxSeasonDays  = 300
	MaxPerPractice = 8
	maxBreaks      = 20
)

// Check refuses an aim that cannot be planned. The error is a refusal.
func (a SeasonAim) Check(today time.Time) error {
	until, err := time.Parse(DateFormat, a.Until)
	if err != nil {
		return refusal.New("practice.aim-until")
	}
	switch days := until.Sub(day(today)).Hours() / 24; {
	case days < 0:
		return refusal.New("practice.aim-past", a.Until)
	case days > MaxSeasonDays:
		return refusal.New("practice.aim-too-far", MaxSeasonDays)
	}
	return a.CheckForm()
}

// CheckForm refuses an aim that cannot be, whatever day it is. The error is a refusal.
func (a SeasonAim) CheckForm() error {
	if _, err := time.Parse(DateFormat, a.Until); err != nil {
		return refusal.New("practice.aim-until")
	}
	if a.PerPractice < 1 || a.PerPractice > MaxPerPractice {
		return refusal.New("practice.per-practice", MaxPerPractice)
	}
	if slices.ContainsFunc(a.Weekdays, func(d int) bool { return d < 0 || d > 6 }) {
		return refusal.New("practice.weekday")
	}
	if len(a.Off) > maxBreaks {
		return refusal.New("practice.too-many-breaks", maxBreaks)
	}
	for _, b := range a.Off {
		from, err := time.Parse(DateFormat, b.From)
		until, err2 := time.Parse(DateFormat, b.Until)
		if err != nil || err2 != nil || until.Before(from) {
			return refusal.New("practice.break-days", b.From, b.Until)
		}
	}
	for _, id := range a.Install {
		if _, ok := reads.ActionByID(id); !ok {
			return refusal.New("practice.action", id)
		}
	}
	for _, g := range a.Games {
		if _, err := time.Parse(DateFormat, g.Date); err != nil {
			return refusal.New("practice.game-day", g.Date)
		}
		for _, id := range g.Needs {
			if !slices.Contains(a.Install, id) {
				return refusal.New("practice.game-needs", g.Date, id)
			}
		}
	}
	return nil
}
