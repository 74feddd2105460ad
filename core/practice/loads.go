package practice

import (
	"fmt"
	"math"
	"time"
)

// Session is a practice of a week.
type Session struct {
	Start   time.Time
	Minutes float64
	Done    bool
	// Sheet is the run sheet: as planned, or as it was run once the practice is done.
	Sheet  Sheet
	Effort Effort
}

// DayLoad is what one day asks of a player.
type DayLoad struct {
	Minutes     float64 `json:"minutes"`
	HardMinutes float64 `json:"hardMinutes"`
	Jumps       int     `json:"jumps"`
	// Rated is the sum of minutes times effort over the practices that were rated.
	Rated float64 `json:"rated"`
	// ratedMinutes are the minutes of those practices.
	ratedMinutes float64
}

func (d *DayLoad) add(l Load, e Effort) {
	d.Minutes += l.Minutes
	d.HardMinutes += l.HardMinutes
	d.Jumps += l.Jumps
	if rating, ok := e.Of(l.Player); ok {
		d.Rated += l.Minutes * float64(rating)
		d.ratedMinutes += l.Minutes
	}
}

// change returns how much larger a load is than the usual one, as a share of the usual one.
func (d DayLoad) change(usual DayLoad) float64 {
	const rounding = 1e-6
	rated := func(l DayLoad) bool { return l.Rated > 0 && l.ratedMinutes > l.Minutes-rounding }
	switch {
	case usual.Minutes <= 0:
		return 0
	case rated(d) && rated(usual):
		return d.Rated/usual.Rated - 1
	}
	return d.Minutes/usual.Minutes - 1
}

// PlayerWeek is a player's week, Monday first.
type PlayerWeek struct {
	Player    string     `json:"player"`
	Days      [7]DayLoad `json:"days"`
	Total     DayLoad    `json:"total"`
	Practices int        `json:"practices"`
	RestDays  int        `json:"restDays"`
	// Usual is the mean of the weeks before, of those with a practice; zero where there
	// was none.
	Usual DayLoad `json:"usual"`
	// Change is by how much the week asks more than usual, as a share: of minutes times effort
	// where all practices of both were rated, else of minutes; 0 where nothing was usual.
	Change float64 `json:"change"`
	// Back is true where the first practice of the week comes after two weeks without one.
	Back bool `json:"back"`
	// Past says which limits the week is past, as short words.
	Past []string `json:"past"`
}

// Week is the loads of a team's week.
type Week struct {
	From     string       `json:"from"` // Monday, as 2006-01-02
	Days     [7]DayLoad   `json:"days"` // of the practices themselves
	Players  []PlayerWeek `json:"players"`
	Limits   Limits       `json:"limits"`
	Warnings []Warning    `json:"warnings"`
}

// DateFormat writes a day for files, ClockFormat a time of day as people say it.
const (
	DateFormat  = "2006-01-02"
	ClockFormat = "3:04 PM"
)

// MondayOf is the first moment of a moment's week in a zone.
func MondayOf(t time.Time, zone *time.Location) time.Time {
	t = t.In(zone)
	back := (int(t.Weekday()) + 6) % 7
	return time.Date(t.Year(), t.Month(), t.Day()-back, 0, 0, 0, 0, zone)
}

// WeekBefore is when the practices begin that a week is compared with.
func WeekBefore(monday time.Time) time.Time { return monday.AddDate(0, 0, -7*weeksBefore) }

// WeekOf sums up what the sessions of a week ask of every player: minutes of taking part,
// minutes in live blocks and scrimmages, jumps by the drills' motion, and rated effort.
// Sessions of the four weeks before are what it is compared with; others are left out. Days
// are those of monday's time zone. name is what a player is called.
func WeekOf(monday time.Time, sessions []Session, squad []string, lim Limits, name func(player string) string) Week {
	w := Week{From: monday.Format(DateFormat), Players: make([]PlayerWeek, len(squad)), Limits: lim,
		Warnings: []Warning{}}
	at := map[string]int{}
	for i, id := range squad {
		at[id] = i
		w.Players[i] = PlayerWeek{Player: id, Past: []string{}}
	}
	before := make([]usual, len(squad))
	for _, s := range sessions {
		week := weekIndex(s.Start, monday)
		for _, l := range s.Sheet.Load {
			k, ours := at[l.Player]
			switch {
			case !ours || l.Minutes <= 0:
			case week == 0:
				w.add(&w.Players[k], dayOf(s.Start, monday), s.Effort, l)
			case week < 0 && week >= -weeksBefore:
				before[k].add(week+weeksBefore, s, l)
			}
		}
		if week == 0 {
			w.Days[dayOf(s.Start, monday)].Minutes += s.Minutes
		}
	}
	for i := range w.Players {
		p := &w.Players[i]
		for _, d := range p.Days {
			if d.Minutes == 0 {
				p.RestDays++
			}
		}
		p.Usual = before[i].mean()
		p.Change = p.Total.change(p.Usual)
		p.Back = p.Practices > 0 && !before[i].last.IsZero() &&
			p.first(monday).Sub(before[i].last) >= awayDays*24*time.Hour
		p.judge(lim)
	}
	w.warn(name)
	return w
}

// weekIndex counts weeks from a Monday: 0 is its own, -1 the one before.
func weekIndex(t, monday time.Time) int {
	t = t.In(monday.Location())
	midnight := time.Date(t.Year(), t.Month(), t.Day(), 12, 0, 0, 0, time.UTC)
	first := time.Date(monday.Year(), monday.Month(), monday.Day(), 0, 0, 0, 0, time.UTC)
	return int(math.Floor(midnight.Sub(first).Hours() / 24 / 7))
}

// dayOf counts days from Monday in monday's zone.
func dayOf(t, monday time.Time) int { return (int(t.In(monday.Location()).Weekday()) + 6) % 7 }

// usual is what the weeks before asked of a player.
type usual struct {
	weeks [weeksBefore]DayLoad
	last  time.Time
}

func (u *usual) add(week int, s Session, l Load) {
	u.weeks[week].add(l, s.Effort)
	if s.Start.After(u.last) {
		u.last = s.Start
	}
}

// mean is the mean of the weeks with a practice.
func (u *usual) mean() (mean DayLoad) {
	n := 0
	for _, w := range u.weeks {
		if w.Minutes > 0 {
			n++
		}
	}
	for _, w := range u.weeks {
		if n > 0 {
			mean.Minutes += w.Minutes / float64(n)
			mean.HardMinutes += w.HardMinutes / float64(n)
			mean.Rated += w.Rated / float64(n)
			mean.ratedMinutes += w.ratedMinutes / float64(n)
			mean.Jumps += w.Jumps
		}
	}
	if n > 0 {
		mean.Jumps /= n
	}
	return mean
}

// add counts a practice of a day for a player.
func (w *Week) add(p *PlayerWeek, day int, e Effort, l Load) {
	p.Practices++
	p.Days[day].add(l, e)
	p.Total.add(l, e)
	d := &w.Days[day]
	d.HardMinutes = max(d.HardMinutes, p.Days[day].HardMinutes)
	d.Jumps = max(d.Jumps, p.Days[day].Jumps)
	d.Rated = max(d.Rated, p.Days[day].Rated)
}

// first is when a player's first practice of the week was.
func (p *PlayerWeek) first(monday time.Time) time.Time {
	for i, d := range p.Days {
		if d.Minutes > 0 {
			return monday.AddDate(0, 0, i)
		}
	}
	return monday
}

// judge notes what a week is past.
func (p *PlayerWeek) judge(lim Limits) {
	const hour = 60
	if lim.MaxPerWeek > 0 && p.Practices > lim.MaxPerWeek {
		p.Past = append(p.Past, fmt.Sprintf("more than %d practices this week", lim.MaxPerWeek))
	}
	if lim.MaxHours > 0 && p.Total.Minutes > lim.MaxHours*hour {
		p.Past = append(p.Past, fmt.Sprintf("more than %.0f hours this week", lim.MaxHours))
	}
	if lim.RestDays > 0 && p.RestDays < lim.RestDays {
		p.Past = append(p.Past, fmt.Sprintf("fewer than %d rest days this week", lim.RestDays))
	}
	for _, d := range p.Days {
		if lim.MaxHard > 0 && d.HardMinutes > lim.MaxHard {
			p.Past = append(p.Past, fmt.Sprintf("more than %.0f minutes of live play in a day", lim.MaxHard))
			break
		}
	}
	for _, d := range p.Days {
		if lim.MaxJumps > 0 && d.Jumps > lim.MaxJumps {
			p.Past = append(p.Past, fmt.Sprintf("more than %d jumps in a day", lim.MaxJumps))
			break
		}
	}
}

// named is how many players a warning names.
const named = 4

// compared are players whose load has changed much, with by how much.
type compared struct {
	names  []string
	shares []float64
}

func (c *compared) add(name string, share float64) {
	c.names, c.shares = append(c.names, name), append(c.shares, share)
}

// String names a few players with their change each, and counts many with the mean.
func (c compared) String() string {
	if len(c.names) > named {
		sum := 0.0
		for _, s := range c.shares {
			sum += s
		}
		return fmt.Sprintf("%s, about %s", players(len(c.names)), moreOrLess(sum/float64(len(c.shares))))
	}
	said := make([]string, len(c.names))
	for i, n := range c.names {
		said[i] = fmt.Sprintf("%s (%s)", n, moreOrLess(c.shares[i]))
	}
	return Names(said)
}

// warn says what the week is past, for how many players, how it compares with the weeks
// before, and who is coming back.
func (w *Week) warn(name func(player string) string) {
	past := map[string]int{}
	var order []string
	var more, less compared
	var back []string
	for i := range w.Players {
		p := &w.Players[i]
		for _, what := range p.Past {
			if past[what]++; past[what] == 1 {
				order = append(order, what)
			}
		}
		if p.Back {
			back = append(back, name(p.Player))
			continue
		}
		switch {
		case p.Practices == 0:
		case p.Change > muchMore:
			more.add(name(p.Player), p.Change)
		case p.Change < -muchMore:
			less.add(name(p.Player), p.Change)
		}
	}
	say := func(source, format string, args ...any) {
		w.Warnings = append(w.Warnings, Warning{Source: source, Text: fmt.Sprintf(format, args...)})
	}
	for _, what := range order {
		say(w.Limits.Source, "%s: %s. Practices alone are counted here, not games or other teams.", players(past[what]),
			what)
	}
	if len(more.names) > 0 {
		say(commonPractice, "Much more than in the four weeks before: %s. Take live minutes out, or add a rest day.",
			more)
	}
	if len(less.names) > 0 {
		say(commonPractice, "Much less than in the four weeks before: %s. Build up again over two weeks.", less)
	}
	if len(back) > 0 {
		say(commonPractice,
			"Back after two weeks or more away: %s. Begin with half of the live play; after an injury only when "+
				"cleared to play.", listed(back, named))
	}
}
