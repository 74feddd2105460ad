package practice

import (
	"fmt"
	"math"
	"slices"
	"time"
)

// Scoreboard is what a gym's clock shows of a practice on the floor.
type Scoreboard struct {
	Block string `json:"block"` // title; of two side by side the first one's
	Next  string `json:"next"`  // empty at the end
	// Left is the time left in the block as it is shown, minutes and seconds; a plus
	// in front says how far it runs over. LeftMs is the same in milliseconds.
	Left    string `json:"left"`
	LeftMs  int64  `json:"leftMs"`
	Running bool   `json:"running"`
	// Horn is true when the block's time was up with this line.
	Horn bool `json:"horn"`
}

// BoardAt is what the scoreboard shows at a moment.
func BoardAt(c Clock, blocks []Block, now time.Time) Scoreboard {
	if len(blocks) == 0 {
		return Scoreboard{Left: shown(0)}
	}
	at := max(0, slices.IndexFunc(blocks, func(b Block) bool { return b.ID == c.Block }))
	run := c.Elapsed(now)
	// One clock runs both baskets: it is the first that is shown.
	if blocks[at].Basket > 0 {
		from, to := at, at
		for from > 0 && blocks[from-1].Basket > 0 {
			from--
		}
		for to+1 < len(blocks) && blocks[to+1].Basket > 0 {
			to++
		}
		before := [splitBaskets + 1]float64{}
		for _, b := range blocks[from:at] {
			before[b.Basket] += b.Minutes
		}
		place := minutes(before[blocks[at].Basket]) + run
		start := 0.0
		for i := from; i <= to; i++ {
			if b := blocks[i]; b.Basket == 1 && minutes(start) <= place {
				at, run = i, place-minutes(start)
				start += b.Minutes
			}
		}
	}
	left := minutes(blocks[at].Minutes) - run
	s := Scoreboard{Block: blocks[at].Title, Left: shown(left), LeftMs: left.Milliseconds(), Running: !c.Since.IsZero()}
	if next := slices.IndexFunc(blocks[at+1:], func(b Block) bool { return b.Basket <= 1 }); next >= 0 {
		s.Next = blocks[at+1+next].Title
	}
	return s
}

func minutes(m float64) time.Duration { return time.Duration(m * float64(time.Minute)) }

// shown is a time as a clock shows it: what has begun counts whole.
func shown(d time.Duration) string {
	sign, seconds := "", int(math.Ceil(d.Seconds()))
	if seconds < 0 {
		sign, seconds = "+", -seconds
	}
	return fmt.Sprintf("%s%02d:%02d", sign, seconds/60, seconds%60)
}
