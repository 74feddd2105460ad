package reads

import (
	"fmt"
	"math"
	"strings"

	"evrik/core/court"
	"evrik/core/motion"
)

// unknowns calls say for every part of a condition that only something untold would decide.
func (c *cond) unknowns(s *Snapshot, f *frame, say func(*cond)) {
	m := c.measure(s, f)
	if m.low >= 0 || m.high < 0 {
		return
	}
	if len(c.kids) == 0 {
		say(c)
	}
	for i := range c.kids {
		c.kids[i].unknowns(s, f, say)
	}
}

// explain puts the measures behind a condition that holds in words. Each defender is
// named once; what more is said of one follows without the name.
func (c *cond) explain(s *Snapshot, f *frame, a *Action) string {
	var parts []string
	said := map[Place]int{}
	c.tell(s, f, a, 1, func(x Place, text string) {
		if text == "" || said[x] >= 2 {
			return
		}
		if word := a.word(x) + " is "; said[x] > 0 {
			text = strings.TrimPrefix(text, word)
		}
		said[x]++
		parts = append(parts, text)
	})
	if len(parts) == 0 {
		return ""
	}
	return upper(strings.Join(parts, ", ")) + "."
}

func (c *cond) tell(s *Snapshot, f *frame, a *Action, sign float64, say func(Place, string)) {
	switch c.test {
	case allOf, anyOf:
		for i := range c.kids {
			// Of alternatives only those that hold are told.
			m := c.kids[i].measure(s, f)
			if c.test == allOf || sign > 0 && m.certain() || sign < 0 && !m.possible() {
				c.kids[i].tell(s, f, a, sign, say)
			}
		}
		return
	case notOf:
		c.kids[0].tell(s, f, a, -sign, say)
		return
	}
	if m := c.measure(s, f); m.low == m.high {
		say(c.x, c.phrase(s, f, a, m.low))
	}
}

// phrase is a measured condition in words; empty for what a player cannot see in feet.
func (c *cond) phrase(s *Snapshot, f *frame, a *Action, m float64) string {
	x, p, q := a.word(c.x), a.word(c.p), a.word(c.q)
	either := func(yes, no string) string {
		if m >= 0 {
			return yes
		}
		return no
	}
	switch c.test {
	case isAhead:
		return fmt.Sprintf("%s is %.1f ft %s %s", x, math.Abs(m), either("ahead of", "behind"), p)
	case isOnSide:
		return fmt.Sprintf("%s is %.1f ft %s", x, math.Abs(m),
			either("out on the side of the cut", "on the far side of the screen"))
	case isOutside:
		return fmt.Sprintf("%s is on the %s side", x, either("outer", "lane"))
	case isWithin:
		return fmt.Sprintf("%s is %.1f ft from %s", x, s.At(c.x).Dist(s.At(c.p)), p)
	case isNearer:
		return fmt.Sprintf("%s is nearer to %s than to %s", x, either(p, q), either(q, p))
	case isInLane:
		return fmt.Sprintf("%s is %.1f ft from the way from %s to %s", x,
			court.SegmentDist(s.At(c.x), s.At(c.p), s.At(c.q)), p, q)
	case isDeeper:
		deep := s.At(c.p).Len() - s.At(c.x).Len()
		if deep < 0 {
			return fmt.Sprintf("%s is %.1f ft farther out than %s", x, -deep, p)
		}
		return fmt.Sprintf("%s is %.1f ft nearer the rim than %s", x, deep, p)
	case isAbove:
		up := s.At(c.x).Y - s.At(c.p).Y
		if up < 0 {
			return fmt.Sprintf("%s is %.1f ft below %s", x, -up, p)
		}
		return fmt.Sprintf("%s is %.1f ft above %s", x, up, p)
	case isWatching:
		return fmt.Sprintf("%s is looking at %s", x, either(p, q))
	case isTooFast:
		v, _ := s.Velocity.Of(c.x)
		if v.Len() < motion.SlowWalk {
			return ""
		}
		return fmt.Sprintf("%s needs %.1f ft to stop and has %.1f", x, stopping(v), s.At(c.x).Dist(s.At(c.p)))
	case isMoving:
		if m >= 0 {
			return fmt.Sprintf("%s is %s", x, [...]string{"going with the ball", "going at the ball", "jumping out",
				"coming up", "dropping", "going to the middle", "going to the baseline"}[c.p])
		}
	case isFast:
		return fmt.Sprintf("%s is %s", x, either("on the move", "standing"))
	case isComing:
		if m >= 0 {
			return fmt.Sprintf("%s is coming at %s", x, p)
		}
	case isChasing:
		return fmt.Sprintf("%s is %s", x, either("chasing over the screen", "staying with the screener"))
	}
	return ""
}
