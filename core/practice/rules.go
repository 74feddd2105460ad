package practice

import (
	"fmt"
	"slices"

	"evrik/core/drill"
	"evrik/core/refusal"
)

// Rules are what a practice must look like. Each can be set, and a 0 or false turns it off.
type Rules struct {
	// WarmUp is the least length of the warm-up, in minutes; half of it in a practice under
	// ShortPractice minutes.
	WarmUp int `json:"warmUp"`
	// TeachEarly keeps new teaching in the first half and before any scrimmage.
	TeachEarly bool `json:"teachEarly"`
	// Ladder keeps guided before live, and live without switching before live with it.
	Ladder bool `json:"ladder"`
	// Live is the least share of live play in percent, of the minutes after warm-up, water and
	// talk, once half of the goals' players hold them guided; LiveEarly is that before.
	Live      int `json:"live"`
	LiveEarly int `json:"liveEarly"`
	// EndLive asks for live play or a competition before the close.
	EndLive bool `json:"endLive"`
	// Waiting is the most time in line in percent, over the blocks with reps.
	Waiting int `json:"waiting"`
	// Nights is how many practices running may have the same drill on the same rung.
	Nights int `json:"nights"`
	// Water is the longest stretch without a break in minutes, HardInARow how many hard blocks
	// may follow one another.
	Water      int `json:"water"`
	HardInARow int `json:"hardInARow"`
	// Baskets asks for another basket wherever that lowers the time in line.
	Baskets bool `json:"baskets"`
}

// ShortPractice is the length in minutes below which a warm-up may be half as long.
const ShortPractice = 45

// waitWarning is the share of the time in line, in percent, from which a plan is warned about.
const waitWarning = 50

// DefaultRules are the rules for an age (common practice, no source; the shares and minutes
// are assumptions).
func DefaultRules(age AgeBand) Rules {
	r := Rules{WarmUp: 8, TeachEarly: true, Ladder: true, Live: 40, LiveEarly: 25, EndLive: true, Waiting: 40,
		Nights: 2,
		Water:  int(WaterEvery), HardInARow: HardInARow, Baskets: true}
	if age == Ages7to8 || age == Ages9to11 {
		r.Waiting = 25
	}
	return r
}

// Check refuses rules that nothing can keep. The error is a refusal.
func (r Rules) Check() error {
	percent := func(n int) bool { return n >= 0 && n <= 100 }
	switch {
	case r.WarmUp < 0 || r.WarmUp > 30:
		return refusal.New("practice.warm-up")
	case !percent(r.Live) || !percent(r.LiveEarly) || !percent(r.Waiting):
		return refusal.New("practice.share")
	case r.Nights < 0 || r.Nights > 10:
		return refusal.New("practice.same-drill")
	case r.Water < 0 || r.Water > 60 || r.Water > 0 && r.Water < 5:
		return refusal.New("practice.water")
	case r.HardInARow < 0 || r.HardInARow > 10:
		return refusal.New("practice.hard-blocks")
	}
	return nil
}

// Rules are the coach's own, or those of the players' age.
func (p Plan) Rules() Rules {
	if p.Terms.Rules != nil {
		return *p.Terms.Rules
	}
	return DefaultRules(p.Limits.Band)
}

// RuleCheck is a rule with what a plan makes of it.
type RuleCheck struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	Kept bool   `json:"kept"`
	// Says is what the plan has, in a sentence.
	Says string `json:"says"`
}

// kindOf tells what a block is, for the rules.
type kindOf struct {
	drill *drill.Drill
	stage drill.Stage
	reps  bool // a drill
	line  bool // players wait their turn in it: not in skill work that everybody does at once
	read  bool // players read in it, and reps of an action are logged
	live  bool
	play  bool // a scrimmage: live without an action of its own
	close bool // may end a practice
	teach bool // new teaching
}

func (p Plan) kindOf(b Block) kindOf {
	if b.Kind != DrillBlock {
		return kindOf{live: b.Kind == OwnBlock && b.Play, play: b.Kind == OwnBlock && b.Play,
			close: b.Kind == OwnBlock && b.Play}
	}
	d, st, err := StageOf(p.Library, b)
	if err != nil {
		return kindOf{}
	}
	return p.stageKind(d, st, b)
}

func (p Plan) stageKind(d *drill.Drill, st drill.Stage, b Block) kindOf {
	rung, _ := drill.RungByID(st.Rung)
	k := kindOf{drill: d, stage: st, reps: true, line: d.Action != "" || rung.Live, read: rung.Reads && d.Action != "",
		live: rung.Live, play: rung.Live && d.Action == ""}
	k.close = k.live
	if d.Action != "" && !rung.Live {
		here, unready := p.unready(d.Action, p.taking(b, false))
		k.teach = tooNew(unready, here)
	}
	return k
}

// rungOrder orders the stages of an action: guided, live without switching, live with it.
func rungOrder(st drill.Stage) int {
	n := 2 * st.Rung.Number()
	if isLive(st) {
		n = 2 * drill.Live2.Number() // the number of players is no rung of its own here
		if !slices.Contains(st.Switches, "no-switch") {
			n++
		}
	}
	return n
}

// liveShare is the least share of live play that the rules ask for, 0 to 1: less while fewer
// than half of the goals' players hold them guided.
func (p Plan) liveShare() float64 {
	r, held, all := p.Rules(), 0, 0
	for _, who := range p.People {
		for key := range p.aimed {
			if who.plays(key.role) {
				all++
				held += count(p.Held[SupplyKey{who.ID, key.role, key.read}])
			}
		}
	}
	if all > 0 && 2*held >= all {
		return float64(r.Live) / 100
	}
	return float64(r.LiveEarly) / 100
}

// counted reports whether a block's minutes count for the live share: not warm-up, water and
// talk.
func (p Plan) counted(k kindOf) bool { return k.read || k.live || k.reps && k.drill.Action != "" }

func orElse(text, other string) string {
	if text == "" {
		return other
	}
	return text
}

// span is a block's minutes, half of them where it runs beside another.
func (t Timed) span(b Block) float64 {
	if b.Basket > 0 {
		return b.Minutes / splitBaskets
	}
	return b.Minutes
}

// lateTeaching names new teaching that begins in the second half or after a scrimmage.
func (s *sheetMaker) lateTeaching(kinds []kindOf) string {
	played := false
	for i, k := range kinds {
		played = played || k.play
		if k.teach && s.Blocks[i].Start >= s.plan.Minutes/2 {
			return fmt.Sprintf("%s is new and begins in the second half.", s.plan.Blocks[i].Title)
		}
		if k.teach && played {
			return fmt.Sprintf("%s is new and comes after the scrimmage.", s.plan.Blocks[i].Title)
		}
	}
	return ""
}

// ladderBreak names a live block that comes too early.
func (s *sheetMaker) ladderBreak(kinds []kindOf) string {
	p := s.plan
	for i, k := range kinds {
		if !k.read {
			continue
		}
		if k.live && !p.shownBefore(i, k.drill.Action) {
			if here, unready := p.unready(k.drill.Action, p.taking(p.Blocks[i], true)); tooNew(unready, here) {
				return fmt.Sprintf("%s is live before %d of %d players have held it guided.", p.Blocks[i].Title,
					unready, here)
			}
		}
		for j := range kinds[:i] {
			if before := kinds[j]; before.read && before.drill.Action == k.drill.Action &&
				rungOrder(before.stage) > rungOrder(k.stage) && p.meet(p.Blocks[i], p.Blocks[j]) {
				return fmt.Sprintf("%s comes after a higher rung of the same action.", p.Blocks[i].Title)
			}
		}
	}
	return ""
}

// meet reports whether two blocks can have the same players: not where each basket has its own.
func (p Plan) meet(a, b Block) bool { return a.Basket == 0 || b.Basket == 0 || a.Basket == b.Basket }

// endsLive reports whether what comes last before the close is live or a competition.
func (s *sheetMaker) endsLive(kinds []kindOf) bool {
	for i := len(kinds) - 1; i >= 0; i-- {
		if kinds[i].close {
			return true
		}
		// The close is the coach's own words and shots at the basket.
		if kinds[i].reps && kinds[i].drill.Action != "" {
			return false
		}
	}
	return false
}

// waiting is the mean share of the time in line over the blocks in which players wait their
// turn, 0 to 1.
func (s *sheetMaker) waiting(kinds []kindOf) float64 {
	lost, all := 0.0, 0.0
	for i, k := range kinds {
		if k.line && s.Blocks[i].Problem.Code == "" {
			minutes := s.Blocks[i].span(s.plan.Blocks[i])
			lost += minutes * s.Blocks[i].Waiting
			all += minutes
		}
	}
	if all == 0 {
		return 0
	}
	return lost / all
}

// repeated names a drill that ran on the same rung on as many nights before as the rules
// allow. Warm-up, free throws and scrimmages are exempt, and so is what is pinned.
func (s *sheetMaker) repeated(kinds []kindOf) string {
	for i, k := range kinds {
		b := s.plan.Blocks[i]
		if k.reps && k.drill.Action != "" && !b.Pin && s.plan.tooOften(StageKey{b.Drill, b.Stage}) {
			return fmt.Sprintf("%s was on the same rung in the last %d practices.", b.Title, s.plan.Rules().Nights)
		}
	}
	return ""
}

// tooOften reports whether a stage was run in so many of the newest practices that the
// rules leave it out.
func (p Plan) tooOften(key StageKey) bool {
	nights := p.Rules().Nights
	if nights == 0 || len(p.Recent) < nights {
		return false
	}
	return !slices.ContainsFunc(p.Recent[:nights], func(ran map[StageKey]bool) bool { return !ran[key] })
}

// longestDry is the longest stretch without a break in minutes.
func (s *sheetMaker) longestDry() float64 {
	last, longest := 0.0, 0.0
	for i, b := range s.plan.Blocks {
		if b.Kind == WaterBlock {
			last = s.Blocks[i].End
		} else {
			longest = max(longest, s.Blocks[i].End-last)
		}
	}
	return longest
}

// mostHard is how many hard blocks follow one another at most.
func (s *sheetMaker) mostHard() int {
	row, most := [splitBaskets + 1]int{}, 0
	for i, b := range s.plan.Blocks {
		for end := range row {
			if b.Basket != 0 && end != b.Basket {
				continue
			}
			if !s.Blocks[i].Hard {
				row[end] = 0
			} else if row[end]++; row[end] > most {
				most = row[end]
			}
		}
	}
	return most
}

// idleBasket names a block whose line would be shorter with one more basket, where there
// are helpers and balls for it.
func (s *sheetMaker) idleBasket(kinds []kindOf) string {
	p := s.plan
	for i, k := range kinds {
		b := p.Blocks[i]
		if !k.line || b.Basket > 0 || b.Pin || b.Baskets >= p.Terms.Baskets || s.Blocks[i].Problem.Code != "" {
			continue
		}
		more := b
		more.Baskets++
		if staff, balls := more.takes(k.drill, k.stage); staff > p.Terms.Helpers || balls > p.Terms.Balls {
			continue
		}
		players := p.taking(b, k.live)
		if _, used, err := drill.Room(k.drill, k.stage, more.setup(players)); err == nil && used == more.Baskets {
			return fmt.Sprintf("%s runs at %d of %d baskets.", b.Title, b.Baskets, p.Terms.Baskets)
		}
	}
	return ""
}

// takes is how many coaches and helpers, and balls, a block takes at all its baskets.
func (b Block) takes(d *drill.Drill, st drill.Stage) (staff, balls int) {
	for _, pos := range d.Positions {
		staff += count(pos.Helper && !b.NoHelpers)
		balls += count(pos.Ball)
	}
	staff += count(st.CoachShows && !b.PlayerShows)
	return staff * b.Baskets, max(1, balls) * b.Baskets
}
