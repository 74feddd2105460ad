package drill

import (
	"fmt"
	"slices"
)

func (o *Order) count(players []string, d *Drill) {
	at := make(map[string]int, len(players))
	o.Counts = make([]Count, len(players))
	met := make([]map[string]bool, len(players))
	for i, p := range players {
		at[p], o.Counts[i].Player, met[i] = i, p, map[string]bool{}
	}
	work := d.work()
	perPosition := make([][]int, len(work))
	for i := range perPosition {
		perPosition[i] = make([]int, len(players))
	}
	for _, r := range o.Reps {
		for i, post := range r.offense() {
			k, here := at[post]
			if !here {
				continue // a player who left: the reps stand, but are not counted here
			}
			perPosition[i][k]++
			c := &o.Counts[k]
			switch i {
			case 0:
				c.Cutter++
			case 1:
				c.Screener++
			default:
				c.Others++
			}
			if r.Side == Right {
				c.Right++
			} else {
				c.Left++
			}
			c.Touches, c.Sprints, c.Jumps = c.Touches+work[i].touches, c.Sprints+work[i].sprints, c.Jumps+work[i].jumps
			for _, q := range r.offense() {
				if q != post {
					met[k][q] = true
				}
			}
		}
		for _, p := range r.defense() {
			if k, here := at[p]; here {
				o.Counts[k].Defense++
			}
		}
	}
	for i := range met {
		o.Counts[i].Partners = len(met[i])
	}
	for _, counts := range perPosition {
		o.Spread = max(o.Spread, slices.Max(counts)-slices.Min(counts))
	}
}

// offense lists a rep's players on offense in the order of the positions.
func (r Rep) offense() []string {
	out := make([]string, 0, 2+len(r.Others))
	for _, p := range []string{r.Cutter, r.Screener} {
		if p != "" {
			out = append(out, p)
		}
	}
	for _, p := range r.Others {
		out = append(out, p.Player)
	}
	return out
}

func (r Rep) defense() []string {
	out := make([]string, 0, 2+len(r.XOthers))
	for _, p := range []string{r.XCutter, r.XScreener} {
		if p != "" {
			out = append(out, p)
		}
	}
	for _, p := range r.XOthers {
		out = append(out, p.Player)
	}
	return out
}

// remark adds what a coach should know about the order.
func (o *Order) remark(j job, in Setup) {
	right := 0
	for _, r := range o.Reps {
		if r.Side == Right {
			right++
		}
	}
	left := len(o.Reps) - right
	uneven := 0
	for _, c := range o.Counts {
		uneven = max(uneven, abs(c.Right-c.Left))
	}
	if abs(right-left) > 1 || uneven > 1 {
		o.note(
			"The sides cannot be even with these numbers: %d reps on the right, %d on the left, and up to %d apart "+
				"for a player.", right, left, uneven)
	}
	if j.n == j.perBasket()*o.Baskets && j.alternates() {
		o.note(
			"There is no line with these numbers: offense and defense take turns without a rest, and partners " +
				"hardly change.")
	}
	if j.n%2 == 1 && j.size == 2 {
		o.note("An odd number: partners shift by one each time through, and the counts still differ by one at most.")
	}
	if r := j.drill.Rotation.Rule; (r == Follow || r == Stations) && j.n%o.Baskets != 0 && o.Spread > 1 {
		o.note(
			"The baskets are not equally full: %d players at one, %d at another. Somebody changes over now and then, "+
				"and counts differ by up to %d.", j.n/o.Baskets, j.n/o.Baskets+1, o.Spread)
	}
	if j.drill.Rotation.Rule == WinnersStay {
		o.note("Winners stay, so the list is only what may happen: counts depend on the scores.")
	}
	if in.NoHelpers && j.size > len(j.drill.positions(false)) {
		o.note("No helper: a player takes the helper's place in every rep and gets fewer reps of their own.")
	}
	if broken := j.broken(o.Reps, in); broken > 0 {
		o.note("%d of %d reps break a wish to keep players apart or together: the numbers leave no other way.", broken,
			len(o.Reps))
	}
	if len(in.Done) > 0 {
		o.note("The first %d reps stay as they were run; the rest are dealt again for %d players.", len(in.Done), j.n)
	}
}

func (o *Order) note(format string, args ...any) {
	o.Notes = append(o.Notes, fmt.Sprintf(format, args...))
}
