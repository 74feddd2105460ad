package practice

import (
	"fmt"
	"time"
)

// Session is a practice of a week.
type Session struct {
	Start   time.Time
	Minutes float64
	Done    bool
	Sheet   Sheet
}

// DayLoad is what one day asks of a player.
type DayLoad struct {
	Minutes     float64 `json:"minutes"`
	HardMinutes float64 `json:"hardMinutes"`
	Jumps       int     `json:"jumps"`
}

// PlayerWeek is a player's week, Monday first.
type PlayerWeek struct {
	Player    string     `json:"player"`
	Days      [7]DayLoad `json:"days"`
	Total     DayLoad    `json:"total"`
	Practices int        `json:"practices"`
	RestDays  int        `json:"restDays"`
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

// DateFormat writes a day.
const DateFormat = "2006-01-02"

// MondayOf is the first moment of a moment's week in a zone.
func MondayOf(t time.Time, zone *time.Location) time.Time {
	t = t.In(zone)
	back := (int(t.Weekday()) + 6) % 7
	return time.Date(t.Year(), t.Month(), t.Day()-back, 0, 0, 0, 0, zone)
}

// WeekOf sums up what the sessions of a week ask of every player: minutes he takes
// part, minutes in live blocks, jumps by the drills' motion. Sessions outside the
// week are left out. Days are those of monday's time zone.
func WeekOf(monday time.Time, sessions []Session, squad []string, lim Limits) Week {
	w := Week{From: monday.Format(DateFormat), Players: make([]PlayerWeek, len(squad)), Limits: lim, Warnings: []Warning{}}
	at := map[string]int{}
	for i, id := range squad {
		at[id] = i
		w.Players[i] = PlayerWeek{Player: id, Past: []string{}}
	}
	end := monday.AddDate(0, 0, 7)
	for _, s := range sessions {
		if s.Start.Before(monday) || !s.Start.Before(end) {
			continue
		}
		day := (int(s.Start.In(monday.Location()).Weekday()) + 6) % 7
		w.Days[day].Minutes += s.Minutes
		for _, l := range s.Sheet.Load {
			k, ours := at[l.Player]
			if !ours {
				continue
			}
			p := &w.Players[k]
			p.Practices++
			for _, to := range []*DayLoad{&p.Days[day], &p.Total} {
				to.Minutes, to.HardMinutes, to.Jumps = to.Minutes+l.Minutes, to.HardMinutes+l.HardMinutes, to.Jumps+l.Jumps
			}
			w.Days[day].HardMinutes = max(w.Days[day].HardMinutes, p.Days[day].HardMinutes)
			w.Days[day].Jumps = max(w.Days[day].Jumps, p.Days[day].Jumps)
		}
	}
	past := map[string]int{}
	var order []string
	for i := range w.Players {
		p := &w.Players[i]
		for _, d := range p.Days {
			if d.Minutes == 0 {
				p.RestDays++
			}
		}
		p.judge(lim)
		for _, what := range p.Past {
			if past[what]++; past[what] == 1 {
				order = append(order, what)
			}
		}
	}
	for _, what := range order {
		w.Warnings = append(w.Warnings, Warning{Source: lim.Source, Text: fmt.Sprintf("%s: %s. Practices alone are counted here, not games or other teams.", players(past[what]), what)})
	}
	return w
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
}
