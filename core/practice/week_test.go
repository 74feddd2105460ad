package practice

import (
	"errors"
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"
	"time"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
	"evrik/core/refusal"
)

// berlin changes its clocks on 28 March and 25 October 2026 (EU summer time rule,
// from memory), at 02:00 and 03:00 local time.
func berlin(t *testing.T) *time.Location {
	zone, err := time.LoadLocation("Europe/Berlin")
	if err != nil {
		t.Fatal(err)
	}
	return zone
}

func TestCheckTime(t *testing.T) {
	zone := berlin(t)
	at := func(month time.Month, day, hour, minute int) time.Time {
		return time.Date(2026, month, day, hour, minute, 0, 0, zone)
	}
	others := []Slot{{at(3, 10, 18, 0), 90}}
	for want, s := range map[string]Slot{
		"practice.past-midnight: 12:30 AM, 10:30 PM, 60":           {at(3, 12, 23, 0), 90},
		"practice.past-midnight-earlier: 12:30 AM, 11:25 PM":       {at(3, 12, 23, 55), 35},
		"practice.clock-change: forward, 3:00 AM":                  {at(3, 29, 1, 30), 60},
		"practice.clock-change: back, 2:00 AM":                     {at(10, 25, 1, 40), 90},
		"practice.overlaps-shorten: 6:00 PM, 7:30 PM, 7:30 PM, 30": {at(3, 10, 17, 30), 60},
		"practice.overlaps: 6:00 PM, 7:30 PM, 7:30 PM":             {at(3, 10, 18, 0), 30},
	} {
		err := CheckTime(s, zone, others)
		var c Conflict
		if !errors.As(err, &c) || !strings.Contains(err.Error(), want) {
			t.Errorf("%v: %v, want it to say %q", s, err, want)
		}
	}
	for _, s := range []Slot{{at(3, 10, 19, 30), 60}, {at(3, 10, 16, 30), 90}, {at(3, 12, 22, 30), 90},
		{at(3, 29, 3, 0), 60}, {at(3, 29, 18, 0), 90}} {
		if err := CheckTime(s, zone, others); err != nil {
			t.Errorf("%v: %v", s, err)
		}
	}
	// What is proposed passes, wherever the practice lies.
	rng := rand.New(rand.NewPCG(2, 3))
	for range 300 {
		s := Slot{at(3, 28, rng.IntN(24), rng.IntN(60)), float64(10 + rng.IntN(110))}
		err := CheckTime(s, zone, others)
		if err == nil {
			continue
		}
		said := refusal.Of(err)
		begin := map[string]int{"practice.past-midnight": 1, "practice.past-midnight-earlier": 1,
			"practice.clock-change": 1, "practice.overlaps": 2, "practice.overlaps-shorten": 2}
		var hour, minute int
		if _, err := fmt.Sscanf(fmt.Sprint(said.Args[begin[said.Code]]), "%d:%d", &hour, &minute); err != nil {
			t.Fatal(err)
		}
		start := s.Start.In(zone)
		moved := Slot{time.Date(2026, start.Month(), start.Day(), hour, minute, 0, 0, zone), s.Minutes}
		if again := CheckTime(moved, zone, others); again != nil {
			t.Errorf("%v: %v, and then %v", s.Start, err, again)
		}
	}
}

// USA Basketball / NBA Youth Guidelines, 2016, from memory.
func TestLocalRule(t *testing.T) {
	l, _ := Ages12to14.Limits()
	if l.MaxPerWeek != 4 || l.MaxHours != 10 || l.RestDays != 1 || !strings.Contains(l.Source, "Youth Guidelines") {
		t.Errorf("%+v", l)
	}
	if same := l.With(LocalRule{}); same != l {
		t.Errorf("no rule changes %+v", same)
	}
	own := l.With(LocalRule{MaxMinutes: 50, MaxHours: 6})
	if own.MaxMinutes != 50 || own.MinMinutes != 50 || own.MaxHours != 6 || own.MaxPerWeek != 4 ||
		!strings.HasPrefix(own.Source, "Your local rule") {
		t.Errorf("%+v", own)
	}
	for _, bad := range []LocalRule{{MaxMinutes: 5}, {MaxPerWeek: 20}, {MaxHours: -1}, {RestDays: 8}} {
		if bad.Check() == nil {
			t.Errorf("%+v passes", bad)
		}
	}
	if err := (LocalRule{MaxMinutes: 80, RestDays: 2}).Check(); err != nil {
		t.Error(err)
	}
}

func TestWeek(t *testing.T) {
	zone := berlin(t)
	monday := MondayOf(time.Date(2026, 4, 1, 12, 0, 0, 0, zone), zone)
	if monday.Format(DateFormat) != "2026-03-30" || MondayOf(monday, zone) != monday ||
		MondayOf(monday.Add(-time.Minute), zone) == monday {
		t.Fatalf("monday %v", monday)
	}
	sheet := Sheet{Load: []Load{{Player: "a", Minutes: 90, HardMinutes: 20, Jumps: 12}, {Player: "guest", Minutes: 90}}}
	var sessions []Session
	for _, day := range []int{-1, 0, 1, 2, 3, 4, 5, 6, 7} { // the Sunday before to the Monday after
		sessions = append(sessions, Session{Start: monday.AddDate(0, 0, day).Add(18 * time.Hour), Minutes: 90,
			Sheet: sheet})
	}
	lim, _ := Ages12to14.Limits()
	w := WeekOf(monday, sessions, []string{"a", "b"}, lim, strings.ToUpper)
	a, b := w.Players[0], w.Players[1]
	if a.Practices != 7 || a.Total != (DayLoad{Minutes: 630, HardMinutes: 140, Jumps: 84}) || a.RestDays != 0 ||
		a.Days[6].Jumps != 12 || b.RestDays != 7 || b.Practices != 0 {
		t.Errorf("%+v", w.Players)
	}
	if len(a.Past) != 3 || len(b.Past) != 0 || len(w.Warnings) != 4 || w.Warnings[0].Source != lim.Source ||
		!strings.HasPrefix(w.Warnings[1].Text, "1 player: more than 10 hours") {
		t.Errorf("%v %+v", a.Past, w.Warnings)
	}
	if w.Days[0].Minutes != 90 || w.Days[0].HardMinutes != 20 {
		t.Errorf("%+v", w.Days)
	}
}

const keeps = 16 * 24 * time.Hour

// lib is the catalogue and a drill that runs the flare live.
var lib = drill.NewLibrary([]*drill.Drill{{ID: "own", Action: reads.FlareS,
	Stages: []drill.Stage{{Rung: drill.Live2}}}})

// stays is for players who keep what they have.
func stays(SupplyKey, int) bool { return true }

func TestSeason(t *testing.T) {
	today := time.Date(2026, 11, 2, 15, 0, 0, 0, time.UTC) // a Monday
	aim := SeasonAim{Until: "2026-12-06", Weekdays: []int{1, 3}, PerPractice: 1,
		Install: []string{"down", "away", "flare"},
		Games: []SeasonGame{{Date: "2026-11-14", Needs: []string{"flare"}},
			{Date: "2026-11-28", Needs: []string{"down", "away"}}}}
	if err := aim.Check(today); err != nil {
		t.Fatal(err)
	}
	p := Season(aim, nil, today, keeps, lib)
	if len(p.Problems) != 0 {
		t.Fatalf("%v", p.Problems)
	}
	var said []string
	for _, d := range p.Days {
		for _, i := range d.Items {
			said = append(said, d.Date[5:]+" "+i.Action+" "+string(i.Task))
		}
	}
	// The flare's game comes first, so it is taught before what stands higher on
	// the list; two practices before a game are the least.
	want := []string{"11-02 flare teach", "11-04 flare live", "11-09 down teach", "11-11 away teach",
		"11-16 flare refresh", "11-18 down live", "11-23 away live"}
	if !slices.Equal(said[:7], want) {
		t.Errorf("%v\nwant %v", said[:7], want)
	}
	// What is live comes again before it is stale.
	last := map[string]string{}
	for _, d := range p.Days {
		for _, i := range d.Items {
			if i.Task == Refresh && d.Date > i.By {
				t.Errorf("%s refreshed on %s, due %s", i.Action, d.Date, i.By)
			}
			last[i.Action] = d.Date
		}
	}
	// What no drill runs is said. The catalogue runs every action, so this one is none.
	var lacks SeasonPlan
	lacks.drills([]string{"down", "moon"}, drill.Library{})
	if len(lacks.Problems) != 2 || !strings.Contains(lacks.Problems[1],
		"No drill you have runs this live: moon. Write one") {
		t.Errorf("%v", lacks.Problems)
	}
	// What no drill runs is not set for a practice and never ready for a game.
	moon := SeasonAim{Until: "2026-12-06", Weekdays: []int{1, 3}, PerPractice: 2, Install: []string{"moon", "down"},
		Games: []SeasonGame{{Date: "2026-11-28", Needs: []string{"moon", "down"}}}}
	p = Season(moon, nil, today, keeps, lib)
	for _, d := range p.Days {
		if slices.ContainsFunc(d.Items, func(i SeasonItem) bool { return i.Action == "moon" }) || d.Game &&
			fmt.Sprint(d.Ready, d.Missing) != "[down] [moon]" {
			t.Errorf("%+v", d)
		}
	}
	if !strings.Contains(strings.Join(p.Problems, " "),
		"will not be ready for the game on 2026-11-28: no drill you have runs it") {
		t.Errorf("%v", p.Problems)
	}
	// Too much for the time is said, with a change.
	aim.Games[0].Date, aim.Games[0].Needs = "2026-11-05", []string{"flare", "down"}
	p = Season(aim, nil, today, keeps, lib)
	if len(p.Problems) != 1 || !strings.Contains(p.Problems[0], "cannot be live before the game on 2026-11-05") ||
		!strings.Contains(p.Problems[0], "2 actions") {
		t.Errorf("%v", p.Problems)
	}
	// What is held already is not taught again.
	var held []evidence.Outlook
	for _, r := range mainReads(reads.TeamRules{}, "flare") {
		held = append(held, outlook("a", r, evidence.HasIt, evidence.HasIt))
	}
	practiced := map[string]time.Time{"flare": today, "down": today}
	now := ActionStates([]string{"flare", "down"}, held, reads.TeamRules{}, []string{"a"}, practiced, stays, today)
	if !now[0].Guided || !now[0].Live || !now[1].Live {
		t.Errorf("both screens have the same reads of who uses them: %+v", now)
	}
	now[1].Live = false
	p = Season(aim, now, today, keeps, lib)
	if item := p.Days[0].Items[0]; len(p.Problems) != 0 || item.Action != "down" || item.Task != GoLive ||
		item.By != "2026-11-04" || !slices.Contains(item.Reads, reads.Curl) {
		t.Errorf("%v %+v", p.Problems, p.Days[0])
	}
	// What was never practiced is not held, whatever its reads are worth in others; and what is
	// held lapses on the day on which two thirds would not hold it any more.
	squad := []string{"a", "b", "c"}
	held = nil
	keepFor := map[string]int{"a": 4, "b": 9, "c": 30}
	for _, id := range squad {
		for _, r := range mainReads(reads.TeamRules{}, "flare") {
			held = append(held, outlook(id, r, evidence.HasIt, evidence.HasIt))
		}
	}
	now = ActionStates([]string{"flare", "down"}, held, reads.TeamRules{}, squad, map[string]time.Time{"flare": today},
		func(k SupplyKey, days int) bool { return days < keepFor[k.Player] }, today)
	if want := day(today).AddDate(0, 0, 9); !now[0].Live || !now[0].Lapses.Equal(want) || now[1].Live ||
		now[1].Guided || !now[1].Lapses.IsZero() {
		t.Errorf("%+v, the flare should lapse on %v", now, want)
	}
	// It comes again before that day, and before a break in which the day falls.
	aim = SeasonAim{Until: "2026-12-06", Weekdays: []int{1, 3}, PerPractice: 1, Install: []string{"flare"}}
	first := func(p SeasonPlan) string {
		for _, d := range p.Days {
			if len(d.Items) > 0 {
				return d.Date + " " + string(d.Items[0].Task)
			}
		}
		return ""
	}
	now[0].Lapses = day(today).AddDate(0, 0, 20)
	if got := first(Season(aim, now, today, keeps, lib)); got != "2026-11-16 refresh" {
		t.Errorf("the flare is due %s", got)
	}
	aim.Off = []Break{{From: "2026-11-12", Until: "2026-11-25"}}
	p = Season(aim, now, today, keeps, lib)
	if got := first(p); got != "2026-11-11 refresh" {
		t.Errorf("before the break the flare is due %s", got)
	}
	for _, d := range p.Days {
		if aim.Off[0].covers(d.Date) {
			t.Errorf("practice on %s, in the break", d.Date)
		}
	}
	aim.Weekdays = nil
	if p = Season(aim, nil, today, keeps, lib); !strings.Contains(strings.Join(p.Problems, " "), "No practice falls") {
		t.Errorf("%v", p.Problems)
	}
	for want, change := range map[string]func(*SeasonAim){
		"practice.aim-until":       func(a *SeasonAim) { a.Until = "soon" },
		"practice.aim-past":        func(a *SeasonAim) { a.Until = "2026-10-01" },
		"practice.aim-too-far":     func(a *SeasonAim) { a.Until = "2029-10-01" },
		"practice.per-practice: 8": func(a *SeasonAim) { a.PerPractice = 0 },
		"practice.weekday":         func(a *SeasonAim) { a.Weekdays = []int{7} },
		"practice.action":          func(a *SeasonAim) { a.Install = []string{"moon"} },
		"practice.game-day":        func(a *SeasonAim) { a.Games = []SeasonGame{{Date: "x"}} },
		"practice.break-days": func(a *SeasonAim) {
			a.Off = []Break{{From: "2026-11-14", Until: "2026-11-13"}}
		},
		"practice.too-many-breaks: 20": func(a *SeasonAim) { a.Off = make([]Break, 21) },
		"practice.game-needs": func(a *SeasonAim) {
			a.Games = []SeasonGame{{Date: "2026-11-14", Needs: []string{"ball"}}}
		},
	} {
		bad := SeasonAim{Until: "2026-12-06", PerPractice: 1, Install: []string{"down"}}
		change(&bad)
		if err := bad.Check(today); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%v, want it to say %q", err, want)
		}
	}
}

// Earliest due first finds a plan for the games whenever there is one: brute force
// over every order of teaching and going live says whether there is.
func TestSeasonMissesNoGameWithoutNeed(t *testing.T) {
	rng := rand.New(rand.NewPCG(4, 9))
	today := time.Date(2026, 11, 2, 9, 0, 0, 0, time.UTC)
	screens := []string{"down", "away", "flare"}
	possible, not := 0, 0
	for range 150 {
		aim := SeasonAim{Until: "2026-11-20", Weekdays: []int{1, 2, 3, 4, 5, 6}[:2+rng.IntN(2)],
			PerPractice: 1 + rng.IntN(2), Install: screens}
		due := map[string]string{}
		for _, s := range screens {
			due[s] = today.AddDate(0, 0, 2+rng.IntN(12)).Format(DateFormat)
			aim.Games = append(aim.Games, SeasonGame{Date: due[s], Needs: []string{s}})
		}
		var days []string
		for d := today; d.Format(DateFormat) <= aim.Until; d = d.AddDate(0, 0, 1) {
			game := slices.ContainsFunc(aim.Games, func(g SeasonGame) bool { return g.Date == d.Format(DateFormat) })
			if slices.Contains(aim.Weekdays, int(d.Weekday())) && !game {
				days = append(days, d.Format(DateFormat))
			}
		}
		used := make([]int, len(days))
		var try func(k int) bool
		try = func(k int) bool {
			if k == len(screens) {
				return true
			}
			for i := range days {
				for j := i + 1; j < len(days) && days[j] < due[screens[k]]; j++ {
					if used[i] < aim.PerPractice && used[j] < aim.PerPractice {
						used[i]++
						used[j]++
						ok := try(k + 1)
						used[i]--
						used[j]--
						if ok {
							return true
						}
					}
				}
			}
			return false
		}
		want := try(0)
		p := Season(aim, nil, today, keeps, lib)
		missed := slices.ContainsFunc(p.Days, func(d SeasonDay) bool { return len(d.Missing) > 0 })
		if want {
			possible++
		} else {
			not++
		}
		if missed == want {
			t.Fatalf("%+v: possible %v, missed %v: %+v", aim, want, missed, p.Days)
		}
	}
	if possible < 20 || not < 20 {
		t.Errorf("%d possible, %d not: the test tries too little", possible, not)
	}
}

func TestCheckTerms(t *testing.T) {
	terms := DefaultTerms()
	for _, bad := range []func(*Terms){
		func(t *Terms) { t.Baskets = 0 }, func(t *Terms) { t.Helpers = -1 }, func(t *Terms) { t.Balls = 0 },
		func(t *Terms) { t.Banned = make([]string, 300) },
		func(t *Terms) { t.Rules = &Rules{Waiting: 101} }, func(t *Terms) { t.Rules = &Rules{Live: -1} },
		func(t *Terms) { t.Rules = &Rules{WarmUp: 31} },
		func(t *Terms) { t.Rules = &Rules{Water: 4} }, func(t *Terms) { t.Rules = &Rules{Nights: 11} },
		func(t *Terms) { t.Rules = &Rules{HardInARow: 11} },
	} {
		x := DefaultTerms()
		if bad(&x); x.Check() == nil {
			t.Errorf("%+v passes", x)
		}
	}
	if err := terms.Check(); err != nil {
		t.Error(err)
	}
}
