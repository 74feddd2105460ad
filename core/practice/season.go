package practice

import (
	"cmp"
	"fmt"
	"slices"
	"sort"
	"strings"
	"time"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// ActionState is how far a team is with an action today.
type ActionState struct {
	Action string
	// Reads are those of who uses the action.
	Reads []reads.Read
	// Guided and Live tell whether two thirds hold its reads there.
	Guided, Live bool
	// Last is when it was last practiced; zero if never.
	Last time.Time
	// Lapses is the first day on which fewer than two thirds would still hold it live if it
	// were not practiced again; zero where it is not live.
	Lapses time.Time
}

// mostLapse is the farthest day that an action is followed to before it lapses.
const mostLapse = 60

// ActionStates says how far a team is, from which reads its players hold and when each action
// was last practiced. An action that was never practiced is not held, whatever its reads are
// worth in others. still reports whether a player would still have a read so many days from
// now, without another rep. now is in the team's zone.
func ActionStates(ids []string, outlooks []evidence.Outlook, rules reads.TeamRules, players []string,
	last map[string]time.Time,
	still func(skill SupplyKey, days int) bool, now time.Time) []ActionState {
	byKey := map[SupplyKey]*evidence.Outlook{}
	for i := range outlooks {
		o := &outlooks[i]
		byKey[SupplyKey{string(o.Player), o.Role, o.Read}] = o
	}
	held := func(id string, by func(SupplyKey) bool) bool {
		return len(players) > 0 && !last[id].IsZero() && !tooNew(unheld(rules, id, players, by), len(players))
	}
	today := func(by func(*evidence.Outlook) bool) func(SupplyKey) bool {
		return func(k SupplyKey) bool { o := byKey[k]; return o != nil && by(o) }
	}
	out := make([]ActionState, 0, len(ids))
	for _, id := range ids {
		s := ActionState{Action: id, Reads: mainReads(rules, id), Last: last[id],
			Guided: held(id, today((*evidence.Outlook).Held)), Live: held(id, today((*evidence.Outlook).Done))}
		if s.Live {
			days := sort.Search(mostLapse, func(days int) bool {
				return !held(id, func(k SupplyKey) bool { return still(k, days) })
			})
			s.Lapses = day(now).AddDate(0, 0, days)
		}
		out = append(out, s)
	}
	return out
}

// Task is what is done with an action in a practice.
type Task string

// An action is taught guided, then run live, then revisited before it lapses.
const (
	Teach   Task = "teach"
	GoLive  Task = "live"
	Refresh Task = "refresh"
)

// SeasonItem is a block of a practice ahead.
type SeasonItem struct {
	Action string       `json:"action"`
	Reads  []reads.Read `json:"reads"`
	Task   Task         `json:"task"`
	// By is the day it has to have been done, or empty.
	By string `json:"by"`
}

// says names an item as a coach would.
func (i SeasonItem) says() string {
	return strings.ToLower(actionName(i.Action)) + map[Task]string{Teach: ", guided", GoLive: ", live",
		Refresh: ", live again"}[i.Task]
}

// SeasonDay is a practice or a game ahead.
type SeasonDay struct {
	Date  string       `json:"date"`
	Game  bool         `json:"game"`
	Items []SeasonItem `json:"items"`
	// Ready is, on a game's day, what it needs and has; Missing what it lacks.
	Ready   []string `json:"ready"`
	Missing []string `json:"missing"`
}

// SeasonPlan is the weeks ahead.
type SeasonPlan struct {
	Days []SeasonDay `json:"days"`
	// Problems name what does not fit, and the smallest change.
	Problems []string `json:"problems"`
	// FreshDays is after how many days without practice a read that was just settled lapses.
	FreshDays int `json:"freshDays"`
}

// On is what is set for a day's practice.
func (p SeasonPlan) On(date string) []SeasonItem {
	for _, d := range p.Days {
		if d.Date == date && !d.Game {
			return d.Items
		}
	}
	return []SeasonItem{}
}

// day is a moment's date without its time, as if in UTC.
func day(t time.Time) time.Time {
	return time.Date(t.Year(), t.Month(), t.Day(), 0, 0, 0, 0, time.UTC)
}

// course is an action on its way through the season.
type course struct {
	action string
	reads  []reads.Read
	rank   int
	// guided and live tell whether a drill runs it so.
	guided, live bool
	next         Task
	from, due    time.Time   // no earlier, no later
	wanted       []time.Time // the games it is for, then the last day
	lapses       time.Time
}

// runs reports whether a drill runs what comes next. Nothing is taught live first.
func (c *course) runs() bool {
	if c.next == Teach {
		return c.guided
	}
	return c.live
}

// schedule is what the days of a season are laid out from.
type schedule struct {
	aim       SeasonAim
	practices []time.Time
	fresh     time.Duration
	courses   []*course
	live      map[string]bool // by action, on the day that is laid out
}

// Season lays the actions out over the practices to come: each is guided first, live in a
// later practice and before the game that needs it, and is revisited before it lapses. In
// every practice those come first that are due first. What no drill runs is not set for a
// practice and not ready for a game. fresh is how long a read that was just settled keeps
// without practice, lib what drills there are. The aim has passed Check.
func Season(a SeasonAim, now []ActionState, today time.Time, fresh time.Duration, lib drill.Library) SeasonPlan {
	p := SeasonPlan{Days: []SeasonDay{}, Problems: []string{}, FreshDays: int(fresh.Hours() / 24)}
	first := day(today)
	last, _ := time.Parse(DateFormat, a.Until)
	a.Games = slices.Clone(a.Games)
	slices.SortStableFunc(a.Games, func(a, b SeasonGame) int { return cmp.Compare(a.Date, b.Date) })
	s := schedule{aim: a, fresh: fresh, live: map[string]bool{}}
	for d := first; !d.After(last); d = d.AddDate(0, 0, 1) {
		if a.practicesOn(d) {
			s.practices = append(s.practices, d)
		}
	}
	s.begin(now, first, last, lib)
	for d := first; !d.After(last); d = d.AddDate(0, 0, 1) {
		at := d.Format(DateFormat)
		for _, g := range a.Games {
			if g.Date == at {
				p.Days = append(p.Days, g.day(s.live))
				p.missing(&s, p.Days[len(p.Days)-1])
			}
		}
		if slices.Contains(s.practices, d) {
			p.Days = append(p.Days, SeasonDay{Date: at, Items: s.practice(d), Ready: []string{}, Missing: []string{}})
		}
	}
	for _, c := range s.courses {
		if c.next != Refresh && c.runs() {
			p.problem(
				"%s is not live by %s: there are too few practices. Practice once more a week, or teach one "+
					"action less.", actionName(c.action), a.Until)
		}
	}
	p.drills(a.Install, lib)
	if len(s.practices) == 0 {
		p.problem("No practice falls into this time. Choose the weekdays on which you practice.")
	}
	return p
}

// begin sets the courses up with what comes next and when it is due.
func (s *schedule) begin(now []ActionState, first, last time.Time, lib drill.Library) {
	for i, id := range s.aim.Install {
		c := &course{action: id, reads: []reads.Read{}, rank: i, next: Teach, from: first, guided: runs(lib, id, false),
			live: runs(lib, id, true)}
		for _, state := range now {
			if state.Action != id {
				continue
			}
			if c.reads = state.Reads; state.Live {
				c.next, c.lapses = Refresh, state.Lapses
				s.live[id] = true
			} else if state.Guided {
				c.next = GoLive
			}
		}
		for _, g := range s.aim.Games {
			if slices.Contains(g.Needs, id) {
				at, _ := time.Parse(DateFormat, g.Date)
				c.wanted = append(c.wanted, at)
			}
		}
		c.wanted = append(c.wanted, last.AddDate(0, 0, 1))
		s.settle(c)
		s.courses = append(s.courses, c)
	}
}

// before is the n-th practice before a day; the zero time where there is none.
func (s *schedule) before(t time.Time, n int) time.Time {
	i, _ := slices.BinarySearchFunc(s.practices, t, time.Time.Compare)
	if i -= n; i >= 0 {
		return s.practices[i]
	}
	return time.Time{}
}

// settle works out when a course's next task may be done, and is due. What lapses in a break
// is due in the practice before it.
func (s *schedule) settle(c *course) {
	switch c.next {
	case Teach:
		c.due = s.before(c.wanted[0], 2)
	case GoLive:
		c.due = s.before(c.wanted[0], 1)
	default:
		c.due = c.lapses
		if at := s.before(c.lapses.AddDate(0, 0, 1), 1); at.After(c.from) {
			c.due = at
		}
		soon := c.lapses.Add(-s.fresh / 2)
		if c.due.Before(soon) { // a break lies between
			soon = c.due
		}
		if soon.After(c.from) {
			c.from = soon
		}
	}
}

// practice chooses what is done on a day and moves the courses on.
func (s *schedule) practice(d time.Time) []SeasonItem {
	ready := slices.DeleteFunc(slices.Clone(s.courses), func(c *course) bool { return c.from.After(d) || !c.runs() })
	// What cannot make its game any more is for the next one, and takes no block
	// from what still can.
	for _, c := range ready {
		for c.next != Refresh && c.due.Before(d) && len(c.wanted) > 1 {
			c.wanted = c.wanted[1:]
			s.settle(c)
		}
	}
	slices.SortStableFunc(ready, func(a, b *course) int {
		return cmp.Or(a.due.Compare(b.due),
			cmp.Compare(a.rank, b.rank))
	})
	items := []SeasonItem{}
	for _, c := range ready[:min(s.aim.PerPractice, len(ready))] {
		item := SeasonItem{Action: c.action, Reads: c.reads, Task: c.next}
		if !c.due.IsZero() {
			item.By = c.due.Format(DateFormat)
		}
		items = append(items, item)
		switch c.next {
		case Teach:
			c.next = GoLive
		case GoLive:
			c.next = Refresh
			s.live[c.action] = true
		}
		c.lapses, c.from = d.Add(s.fresh), d.AddDate(0, 0, 1)
		s.settle(c)
	}
	return items
}

// day is a game's day with what is live by then.
func (g SeasonGame) day(live map[string]bool) SeasonDay {
	out := SeasonDay{Date: g.Date, Game: true, Items: []SeasonItem{}, Ready: []string{}, Missing: []string{}}
	for _, id := range g.Needs {
		if live[id] {
			out.Ready = append(out.Ready, id)
		} else {
			out.Missing = append(out.Missing, id)
		}
	}
	return out
}

// missing says why an action cannot be live before a game, and what would change it.
func (p *SeasonPlan) missing(s *schedule, d SeasonDay) {
	for _, id := range d.Missing {
		if i := slices.IndexFunc(s.courses, func(c *course) bool { return c.action == id }); i >= 0 &&
			!s.courses[i].runs() {
			p.problem("%s will not be ready for the game on %s: no drill you have runs it. Write one under Drills.",
				actionName(id), d.Date)
			continue
		}
		p.problem(
			"%s cannot be live before the game on %s: it is guided in one practice and live in a later one. Give "+
				"each practice %d actions, or move it up your list.",
			actionName(id), d.Date, s.aim.PerPractice+1)
	}
}

// runs reports whether a drill runs an action live, or guided.
func runs(lib drill.Library, action string, live bool) bool {
	return slices.ContainsFunc(lib.All(), func(d *drill.Drill) bool {
		return d.Action == action && slices.ContainsFunc(d.Stages,
			func(st drill.Stage) bool { return isLive(st) == live && (live || st.Rung == drill.Guided) })
	})
}

// drills says which actions no drill runs guided, or live.
func (p *SeasonPlan) drills(install []string, lib drill.Library) {
	for _, want := range []struct {
		live bool
		says string
	}{{false, "guided"}, {true, "live"}} {
		var none []string
		for _, id := range install {
			if !runs(lib, id, want.live) {
				none = append(none, strings.ToLower(actionName(id)))
			}
		}
		if len(none) > 0 {
			p.problem(
				"No drill you have runs this %s: %s. Write one under Drills, or leave it to your own blocks, which "+
					"nobody judges.", want.says, strings.Join(none, ", "))
		}
	}
}

func (p *SeasonPlan) problem(format string, args ...any) {
	p.Problems = append(p.Problems, fmt.Sprintf(format, args...))
}

// actionName is what an action is called.
func actionName(id string) string {
	if s, ok := reads.ActionByID(id); ok {
		return s.Name
	}
	return id
}
