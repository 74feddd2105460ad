package practice

import (
	"cmp"
	"errors"
	"fmt"
	"slices"
	"strings"
	"time"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// SeasonAim is what a coach wants of the weeks ahead.
type SeasonAim struct {
	// Until is the last day, as 2006-01-02.
	Until string `json:"until"`
	// Weekdays are when practice is, 0 for Sunday.
	Weekdays []int `json:"weekdays"`
	// PerPractice is how many situations a practice has blocks for.
	PerPractice int `json:"perPractice"`
	// Install are the situations to teach, by id, the most important first.
	Install []string     `json:"install"`
	Games   []SeasonGame `json:"games"`
}

// FirstAim is what the weeks ahead are taken to be for before a coach has said:
// six weeks of two practices for what has been taught (assumptions).
func FirstAim(today time.Time, taught []string) SeasonAim {
	const weeks, perPractice = 6, 3
	if len(taught) == 0 {
		taught = []string{reads.Down}
	}
	return SeasonAim{Until: today.AddDate(0, 0, 7*weeks).Format(DateFormat), Weekdays: []int{int(time.Tuesday), int(time.Thursday)},
		PerPractice: perPractice, Install: taught, Games: []SeasonGame{}}
}

// SeasonGame is a game ahead and the situations that should be live before it.
type SeasonGame struct {
	Date  string   `json:"date"`
	Needs []string `json:"needs"`
}

// Situation is how far a team is with a situation today.
type Situation struct {
	Screen string
	// Reads are those of who uses the screen.
	Reads []reads.Read
	// Shown and Live tell whether two thirds hold its reads there.
	Shown, Live bool
	// Last is when it was last practiced; zero if never.
	Last time.Time
}

// Situations says how far a team is, from which reads its players hold and when each
// situation was last practiced.
func Situations(ids []string, outlooks []evidence.Outlook, school reads.TeamRules, players []string, last map[string]time.Time) []Situation {
	guided, live := map[SupplyKey]bool{}, map[SupplyKey]bool{}
	for i := range outlooks {
		o := &outlooks[i]
		key := SupplyKey{string(o.Player), o.Role, o.Read}
		guided[key], live[key] = o.Held(), o.Done()
	}
	held := func(id string, by map[SupplyKey]bool) bool {
		n := unheld(school, id, players, func(k SupplyKey) bool { return by[k] })
		return len(players) > 0 && !tooNew(n, len(players))
	}
	out := make([]Situation, 0, len(ids))
	for _, id := range ids {
		out = append(out, Situation{Screen: id, Reads: mainReads(school, id), Last: last[id], Shown: held(id, guided), Live: held(id, live)})
	}
	return out
}

// Task is what is done with a situation in a practice.
type Task string

// A situation is taught on the shown rung, then live, then revisited before it
// goes stale.
const (
	Teach   Task = "teach"
	GoLive  Task = "live"
	Refresh Task = "refresh"
)

// SeasonItem is a block of a practice ahead.
type SeasonItem struct {
	Screen string       `json:"screen"`
	Reads  []reads.Read `json:"reads"`
	Task   Task         `json:"task"`
	// By is the day it has to have been done, or empty.
	By string `json:"by"`
}

// says names an item as a coach would.
func (i SeasonItem) says() string {
	return strings.ToLower(screenName(i.Screen)) + map[Task]string{Teach: ", guided", GoLive: ", live", Refresh: ", live again"}[i.Task]
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
	// FreshDays is after how many days without practice a read goes stale.
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

// Limits of a season (assumptions).
const (
	MaxSeasonDays  = 300
	MaxPerPractice = 8
)

// Check refuses an aim that cannot be planned. The error is a sentence.
func (a SeasonAim) Check(today time.Time) error {
	until, err := time.Parse(DateFormat, a.Until)
	if err != nil {
		return errors.New("Say until when to plan: a day such as 2027-03-01.")
	}
	switch days := until.Sub(day(today)).Hours() / 24; {
	case days < 0:
		return fmt.Errorf("%s is over. Choose a day that is still to come.", a.Until)
	case days > MaxSeasonDays:
		return fmt.Errorf("A plan reaches %d days ahead at most.", MaxSeasonDays)
	}
	return a.CheckForm()
}

// CheckForm refuses an aim that cannot be, whatever day it is. The error is a sentence.
func (a SeasonAim) CheckForm() error {
	if _, err := time.Parse(DateFormat, a.Until); err != nil {
		return errors.New("Say until when to plan: a day such as 2027-03-01.")
	}
	if a.PerPractice < 1 || a.PerPractice > MaxPerPractice {
		return fmt.Errorf("A practice has blocks for 1 to %d situations.", MaxPerPractice)
	}
	if slices.ContainsFunc(a.Weekdays, func(d int) bool { return d < 0 || d > 6 }) {
		return errors.New("A week has seven days, Sunday to Saturday.")
	}
	for _, id := range a.Install {
		if _, ok := reads.ActionByID(id); !ok {
			return fmt.Errorf("There is no situation called %q.", id)
		}
	}
	for _, g := range a.Games {
		if _, err := time.Parse(DateFormat, g.Date); err != nil {
			return fmt.Errorf("%q is not a day for a game.", g.Date)
		}
		for _, id := range g.Needs {
			if !slices.Contains(a.Install, id) {
				return fmt.Errorf("The game on %s needs %q, which is not among what you teach. Add it there.", g.Date, id)
			}
		}
	}
	return nil
}

// day is a moment's date without its time, as if in UTC.
func day(t time.Time) time.Time {
	return time.Date(t.Year(), t.Month(), t.Day(), 0, 0, 0, 0, time.UTC)
}

// course is a situation on its way through the season.
type course struct {
	screen    string
	reads     []reads.Read
	rank      int
	next      Task
	from, due time.Time   // no earlier, no later
	wanted    []time.Time // the games it is for, then the last day
	last      time.Time
}

// Season lays the situations out over the practices to come: each is shown, is
// live in a later practice and before the game that needs it, and is revisited
// before it goes stale. In every practice those come first that are due first.
// fresh is how long a read keeps without practice, lib what drills there are. The
// aim has passed Check.
func Season(a SeasonAim, now []Situation, today time.Time, fresh time.Duration, lib drill.Library) SeasonPlan {
	p := SeasonPlan{Days: []SeasonDay{}, Problems: []string{}, FreshDays: int(fresh.Hours() / 24)}
	first := day(today)
	last, _ := time.Parse(DateFormat, a.Until)
	games := slices.Clone(a.Games)
	slices.SortStableFunc(games, func(a, b SeasonGame) int { return cmp.Compare(a.Date, b.Date) })
	var practices []time.Time
	for d := first; !d.After(last); d = d.AddDate(0, 0, 1) {
		at := d.Format(DateFormat)
		game := slices.ContainsFunc(games, func(g SeasonGame) bool { return g.Date == at })
		if slices.Contains(a.Weekdays, int(d.Weekday())) && !game {
			practices = append(practices, d)
		}
	}
	courses := a.courses(now, games, practices, first, last, fresh)
	live := map[string]bool{}
	for _, s := range now {
		live[s.Screen] = s.Live
	}
	for d := first; !d.After(last); d = d.AddDate(0, 0, 1) {
		at := d.Format(DateFormat)
		for _, g := range games {
			if g.Date == at {
				p.Days = append(p.Days, g.day(live))
				p.missing(a, p.Days[len(p.Days)-1])
			}
		}
		if slices.Contains(practices, d) {
			p.Days = append(p.Days, SeasonDay{Date: at, Items: a.practice(courses, d, practices, fresh, live), Ready: []string{}, Missing: []string{}})
		}
	}
	for _, c := range courses {
		if c.next != Refresh {
			p.problem("%s is not live by %s: the practices do not hold it. Practise once more a week, or teach one situation less.", screenName(c.screen), a.Until)
		}
	}
	p.drills(a.Install, lib)
	if len(practices) == 0 {
		p.problem("No practice falls into this time. Choose the weekdays on which you practice.")
	}
	return p
}

// courses are the situations with what comes next and when it is due.
func (a SeasonAim) courses(now []Situation, games []SeasonGame, practices []time.Time, first, last time.Time, fresh time.Duration) []*course {
	var out []*course
	for i, id := range a.Install {
		c := &course{screen: id, reads: []reads.Read{}, rank: i, next: Teach, from: first}
		for _, s := range now {
			if s.Screen != id {
				continue
			}
			if c.reads = s.Reads; s.Live {
				c.next, c.last = Refresh, day(s.Last)
			} else if s.Shown {
				c.next = GoLive
			}
		}
		for _, g := range games {
			if slices.Contains(g.Needs, id) {
				at, _ := time.Parse(DateFormat, g.Date)
				c.wanted = append(c.wanted, at)
			}
		}
		c.wanted = append(c.wanted, last.AddDate(0, 0, 1))
		c.settle(practices, fresh)
		out = append(out, c)
	}
	return out
}

// settle works out when a course's next task may be done, and is due.
func (c *course) settle(practices []time.Time, fresh time.Duration) {
	before := func(t time.Time, n int) time.Time { // the n-th practice before a day
		i, _ := slices.BinarySearchFunc(practices, t, time.Time.Compare)
		if i -= n; i >= 0 {
			return practices[i]
		}
		return time.Time{}
	}
	switch c.next {
	case Teach:
		c.due = before(c.wanted[0], 2)
	case GoLive:
		c.due = before(c.wanted[0], 1)
	default:
		c.from, c.due = c.last.Add(fresh/2), c.last.Add(fresh)
	}
}

// practice chooses what is done on a day and moves the courses on.
func (a SeasonAim) practice(courses []*course, d time.Time, practices []time.Time, fresh time.Duration, live map[string]bool) []SeasonItem {
	ready := slices.DeleteFunc(slices.Clone(courses), func(c *course) bool { return c.from.After(d) })
	// What cannot make its game any more is for the next one, and takes no block
	// from what still can.
	for _, c := range ready {
		for c.next != Refresh && c.due.Before(d) && len(c.wanted) > 1 {
			c.wanted = c.wanted[1:]
			c.settle(practices, fresh)
		}
	}
	slices.SortStableFunc(ready, func(a, b *course) int { return cmp.Or(a.due.Compare(b.due), cmp.Compare(a.rank, b.rank)) })
	items := []SeasonItem{}
	for _, c := range ready[:min(a.PerPractice, len(ready))] {
		item := SeasonItem{Screen: c.screen, Reads: c.reads, Task: c.next}
		if !c.due.IsZero() {
			item.By = c.due.Format(DateFormat)
		}
		items = append(items, item)
		switch c.next {
		case Teach:
			c.next = GoLive
		case GoLive:
			c.next = Refresh
			live[c.screen] = true
		}
		c.last, c.from = d, d.AddDate(0, 0, 1)
		c.settle(practices, fresh)
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

func (p *SeasonPlan) missing(a SeasonAim, d SeasonDay) {
	for _, id := range d.Missing {
		p.problem("%s cannot be live before the game on %s: it is shown in one practice and live in a later one. Give each practice %d situations, or move it up your list.",
			screenName(id), d.Date, a.PerPractice+1)
	}
}

// drills says which situations no drill shows, or runs live.
func (p *SeasonPlan) drills(install []string, lib drill.Library) {
	for _, want := range []struct {
		live bool
		says string
	}{{false, "shows"}, {true, "runs live"}} {
		var none []string
		for _, id := range install {
			if !slices.ContainsFunc(lib.All(), func(d *drill.Drill) bool {
				return d.Screen == id && slices.ContainsFunc(d.Stages, func(st drill.Stage) bool { return isLive(st) == want.live && (want.live || st.Rung == drill.Shown) })
			}) {
				none = append(none, strings.ToLower(screenName(id)))
			}
		}
		if len(none) > 0 {
			p.problem("No drill you have %s: %s. Write one under Drills, or leave it to your own blocks, which nobody judges.", want.says, strings.Join(none, ", "))
		}
	}
}

func (p *SeasonPlan) problem(format string, args ...any) {
	p.Problems = append(p.Problems, fmt.Sprintf(format, args...))
}

func screenName(id string) string {
	if s, ok := reads.ActionByID(id); ok {
		return s.Name
	}
	return id
}
