package practice

import (
	"fmt"
	"math"
)

// checkRules says of every rule that is on whether the plan keeps it.
func (s *sheetMaker) checkRules() {
	p := s.plan
	kinds := make([]kindOf, len(p.Blocks))
	for i, b := range p.Blocks {
		kinds[i] = p.kindOf(b)
	}
	if len(p.Blocks) == 0 {
		return
	}
	s.checkOrder(kinds)
	s.checkTimes(kinds)
}

// rule adds a rule that is on.
func (s *sheetMaker) rule(on bool, id, name string, kept bool, format string, args ...any) {
	if on {
		s.Rules = append(s.Rules, RuleCheck{id, name, kept, fmt.Sprintf(format, args...)})
	}
}

// checkOrder says what comes before what.
func (s *sheetMaker) checkOrder(kinds []kindOf) {
	p, r := s.plan, s.plan.Rules()
	least := float64(r.WarmUp)
	if p.Minutes < ShortPractice {
		least = math.Ceil(least / 2)
	}
	warm, warmed := 0.0, !p.strains(p.Blocks[0])
	if warmed {
		warm = p.Blocks[0].Minutes
	}
	s.rule(r.WarmUp > 0, "warm-up", "Warm-up first", warmed && warm >= least,
		"Running, landing and changes of direction come first: %.0f min, and at least %.0f are needed.", warm, least)
	late := s.lateTeaching(kinds)
	s.rule(r.TeachEarly, "teaching", "New teaching early", late == "", "%s",
		orElse(late, "New teaching begins in the first half and before any scrimmage."))
	wrong := s.ladderBreak(kinds)
	s.rule(r.Ladder, "ladder", "Guided before live", wrong == "", "%s",
		orElse(wrong, "Players see each read guided before they play it live."))
}

// checkTimes says what the minutes are used for.
func (s *sheetMaker) checkTimes(kinds []kindOf) {
	p, r := s.plan, s.plan.Rules()
	live, counted := 0.0, 0.0
	for i, k := range kinds {
		if p.counted(k) {
			counted += s.Blocks[i].span(p.Blocks[i])
			if k.live {
				live += s.Blocks[i].span(p.Blocks[i])
			}
		}
	}
	share := p.liveShare()
	s.LiveMinutes, s.CountedMinutes = live, counted
	s.rule(share > 0, "live", "Live play", live >= share*counted-1e-9,
		"%.0f of %.0f minutes of drills and play are live. At least %.0f are needed.", live, counted,
		math.Ceil(share*counted))
	s.rule(r.EndLive, "end", "Ends with play", s.endsLive(kinds),
		"Live play or a competition comes last, then free throws and a word.")
	s.Waiting = s.waiting(kinds)
	s.rule(r.Waiting > 0, "waiting", "Little time in line", s.Waiting <= float64(r.Waiting)/100+1e-9,
		"Players stand in line for %.0f%% of the drill time. The limit is %d%%.", 100*s.Waiting, r.Waiting)
	if 100*s.Waiting > waitWarning {
		s.warn("", "Our assumption",
			"Players stand in line for more than half of the drills. Use another basket, or let a player show the cue.")
	}
	again := s.repeated(kinds)
	s.rule(r.Nights > 0, "repeat", "Not the same again", again == "", "%s",
		orElse(again, fmt.Sprintf("No drill runs on the same rung more than %d practices in a row.", r.Nights)))
	gap := s.longestDry()
	s.rule(r.Water > 0, "water", "Water", gap <= float64(r.Water)+1e-9,
		"The longest stretch without water is %.0f min. The limit is %d.", gap, r.Water)
	hard := s.mostHard()
	s.rule(r.HardInARow > 0, "intensity", "A change after hard blocks", hard <= r.HardInARow,
		"Up to %d live blocks follow one another. The limit is %d.", hard, r.HardInARow)
	idle := s.idleBasket(kinds)
	s.rule(r.Baskets && p.Terms.Baskets > 1, "baskets", "Every basket used", idle == "", "%s",
		orElse(idle, "No drill would have a shorter line with another basket."))
}
