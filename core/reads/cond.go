package reads

import (
	"fmt"
	"math"
	"strings"

	"evrik/core/court"
)

// A cond is a line of a table that a coach can read, such as
//
//	all(ahead(xCutter, cutter), onSide(xCutter))
//
// The engine measures it in feet: positive where it holds, and no defender who
// moves by less than its size changes that. The words all, any and not combine
// measures as minimum, maximum and sign, so the promise holds for whole tables.
type cond struct {
	test    test
	x, p, q Place
	k       float64 // feet, or what the test says
	kids    []cond
}

type test uint8

const (
	otherwise test = iota // holds when no other row does
	allOf
	anyOf
	notOf
	isAhead
	isOnSide
	isWithin
	isNearer
	isInLane
	isDeeper
	isAbove
	isWatching
	isFarOut
)

// all holds where every condition does.
func all(c ...cond) cond { return cond{test: allOf, kids: c} }

// any holds where one of the conditions does.
func anyOne(c ...cond) cond { return cond{test: anyOf, kids: c} }

// not holds where the condition does not.
func not(c cond) cond { return cond{test: notOf, kids: []cond{c}} }

// ahead: x is further along the cut than p.
func ahead(x, p Place) cond { return cond{test: isAhead, x: x, p: p} }

// onSide: x is on the side of the screen on which the cutter goes by.
func onSide(x Place) cond { return cond{test: isOnSide, x: x} }

// within: x is no further than some feet from p.
func within(x Place, feet float64, p Place) cond { return cond{test: isWithin, x: x, p: p, k: feet} }

// nearer: x is nearer to p than to q.
func nearer(x, p, q Place) cond { return cond{test: isNearer, x: x, p: p, q: q} }

// inLane: x is no further than some feet from the straight way from p to q.
func inLane(x Place, feet float64, p, q Place) cond {
	return cond{test: isInLane, x: x, p: p, q: q, k: feet}
}

// deeper: x is nearer to the rim than p by more than some feet.
func deeper(x Place, feet float64, p Place) cond { return cond{test: isDeeper, x: x, p: p, k: feet} }

// above: x is nearer to half court than p by more than some feet.
func above(x Place, feet float64, p Place) cond { return cond{test: isAbove, x: x, p: p, k: feet} }

// watches: x turns his head to p rather than to q.
func watches(x, p, q Place) cond { return cond{test: isWatching, x: x, p: p, q: q} }

// farOut: p, an attacker, is further from the rim than some feet.
func farOut(p Place, feet float64) cond { return cond{test: isFarOut, p: p, k: feet} }

// turnFoot turns an angle of the head, in radians, into feet: half a foot at
// the nose is much, a quarter turn is as clear as four feet (assumption).
const turnFoot = 2.6

// measure is by how many feet a condition holds, negative where it does not,
// and the defender who is nearest to changing that.
func (c *cond) measure(s *Situation, f *frame) (feet float64, by Place) {
	switch c.test {
	case allOf, anyOf:
		sign := 1.0
		if c.test == anyOf {
			sign = -1
		}
		feet = math.Inf(1)
		for i := range c.kids {
			if m, who := c.kids[i].measure(s, f); sign*m < feet {
				feet, by = sign*m, who
			}
		}
		return sign * feet, by
	case notOf:
		feet, by = c.kids[0].measure(s, f)
		return -feet, by
	}
	return c.leaf(s, f), c.x
}

// leaf measures a condition that is not put together of others.
func (c *cond) leaf(s *Situation, f *frame) float64 {
	x, p := s.At(c.x), s.At(c.p)
	switch c.test {
	case isAhead:
		return x.Sub(p).Dot(f.a)
	case isOnSide:
		return x.Sub(f.origin).Dot(f.n)
	case isWithin:
		return c.k - x.Dist(p)
	case isNearer:
		q := s.At(c.q)
		apart := max(p.Dist(q), SameSpot)
		dp, dq := x.Sub(p), x.Sub(q)
		return (dq.Dot(dq) - dp.Dot(dp)) / (2 * apart)
	case isInLane:
		return c.k - court.SegmentDist(x, p, s.At(c.q))
	case isDeeper:
		return p.Len() - x.Len() - c.k
	case isAbove:
		return x.Y - p.Y - c.k
	case isWatching:
		return turnFoot * (angle(s.Eyes.Sub(x), s.At(c.q).Sub(x)) - angle(s.Eyes.Sub(x), p.Sub(x))) / 2
	case isFarOut:
		// Nobody's move on defence changes where the ball is.
		if p.Len() > c.k {
			return math.Inf(1)
		}
		return math.Inf(-1)
	}
	return math.Inf(1)
}

// angle is the angle between two directions in radians, 0 to pi.
func angle(a, b court.Point) float64 {
	return math.Abs(math.Atan2(a.X*b.Y-a.Y*b.X, a.Dot(b)))
}

// nearest is the part of a condition that decides its measure.
func (c *cond) nearest(s *Situation, f *frame) *cond {
	if c.test > notOf {
		return c
	}
	feet, by := c.measure(s, f)
	for i := range c.kids {
		if m, who := c.kids[i].measure(s, f); who == by && abs(m) == abs(feet) {
			return c.kids[i].nearest(s, f)
		}
	}
	return c
}

// told puts the measures behind a condition that holds in words. Each defender
// is spoken of once, by what is said of him first.
func (c *cond) told(s *Situation, f *frame, people []Person) string {
	var parts []string
	said := map[Place]int{}
	c.tell(s, f, people, 1, func(x Place, text string) {
		if text != "" && said[x] < 2 {
			// What more is said of him follows without his name.
			if word := word(people, x) + " is "; said[x] > 0 && strings.HasPrefix(text, word) {
				text = text[len(word):]
			}
			said[x]++
			parts = append(parts, text)
		}
	})
	if len(parts) == 0 {
		return ""
	}
	return upper(strings.Join(parts, ", ")) + "."
}

func (c *cond) tell(s *Situation, f *frame, people []Person, sign float64, say func(Place, string)) {
	switch c.test {
	case allOf, anyOf:
		for i := range c.kids {
			// Of alternatives only those that hold are told.
			if m, _ := c.kids[i].measure(s, f); m*sign > 0 || c.test == allOf {
				c.kids[i].tell(s, f, people, sign, say)
			}
		}
		return
	case notOf:
		c.kids[0].tell(s, f, people, -sign, say)
		return
	}
	say(c.x, c.phrase(s, f, people, c.leaf(s, f)))
}

// phrase is a measured condition in words.
func (c *cond) phrase(s *Situation, f *frame, people []Person, m float64) string {
	x, p, q := word(people, c.x), word(people, c.p), word(people, c.q)
	either := func(yes, no string) string {
		if m >= 0 {
			return yes
		}
		return no
	}
	switch c.test {
	case isAhead:
		return fmt.Sprintf("%s is %.1f ft %s %s", x, abs(m), either("ahead of", "behind"), p)
	case isOnSide:
		return fmt.Sprintf("%s is %.1f ft %s", x, abs(m), either("out on the side of the cut", "on the far side of the screen"))
	case isWithin:
		return fmt.Sprintf("%s is %.1f ft from %s", x, s.At(c.x).Dist(s.At(c.p)), p)
	case isNearer:
		return fmt.Sprintf("%s is nearer to %s than to %s", x, either(p, q), either(q, p))
	case isInLane:
		return fmt.Sprintf("%s is %.1f ft from the way from %s to %s", x, c.k-m, p, q)
	case isDeeper:
		deep := s.At(c.p).Len() - s.At(c.x).Len()
		if deep < 0 {
			return fmt.Sprintf("%s is %.1f ft further out than %s", x, -deep, p)
		}
		return fmt.Sprintf("%s is %.1f ft nearer the rim than %s", x, deep, p)
	case isAbove:
		up := s.At(c.x).Y - s.At(c.p).Y
		if up < 0 {
			return fmt.Sprintf("%s is %.1f ft below %s", x, -up, p)
		}
		return fmt.Sprintf("%s is %.1f ft above %s", x, up, p)
	case isWatching:
		return fmt.Sprintf("%s looks at %s", x, either(p, q))
	case isFarOut:
		return fmt.Sprintf("%s is %.0f ft from the rim", p, s.At(c.p).Len())
	}
	return ""
}
