package offense

import (
	"slices"
	"strings"
	"testing"
)

// Who is who at a pass, by hand: five out with the ball on top going to the right wing, and
// out of the high post.
func TestWhoIsWho(t *testing.T) {
	o, _ := ByID("cut")
	p := o.Start() // 0 right corner, 1 right wing, 2 top, 3 left wing, 4 left corner
	if got := p.targets(); !slices.Equal(got, []int{1, 3}) {
		t.Errorf("from the top to %v", got)
	}
	behind, ahead := p.behind(1)
	if !slices.Equal(behind.list(), []int{3, 4}) || !slices.Equal(ahead.list(), []int{0}) {
		t.Errorf("behind %v, ahead %v", behind.list(), ahead.list())
	}
	for word, want := range map[string]int{Passer: 2, Receiver: 1, Next1: 3, Next2: 4, Ahead1: 0, Ahead2: -1,
		Inside: -1, "coach": -1} {
		if got := p.who(word, 1); got != want {
			t.Errorf("%s is %d, want %d", word, got, want)
		}
	}
	corner := p
	corner.ball = 0
	if got := corner.targets(); !slices.Equal(got, []int{1}) || corner.deniable(o, 1) {
		t.Errorf("from the corner to %v, denied %v", got, corner.deniable(o, 1))
	}
	if !p.deniable(o, 1) || !p.deniable(o, 3) {
		t.Error("a wing cannot be denied from the top")
	}
	p.refused = []int{1}
	if p.deniable(o, 1) {
		t.Error("a wing who was looked at is denied once more")
	}

	entry, _ := ByID("entry")
	q := entry.Start() // 0 right wing, 1 right slot, 2 left slot, 3 left wing, 4 inside
	for to, want := range map[int]string{0: ToWing, 2: Reversal} {
		if got := q.kindOf(entry, to); got != want {
			t.Errorf("a pass to %s is %q", entry.Ring[to], got)
		}
	}
	q.ball = 0
	if got := q.kindOf(entry, 1); got != FromWing {
		t.Errorf("back out is %q", got)
	}
	q.ball, q.Block = inThePost, HighPost
	if got := q.kindOf(entry, 1); got != FromPost || q.Ball() != 4 || !slices.Equal(q.targets(), []int{1, 2}) ||
		q.deniable(entry, 1) {
		t.Errorf("out of the post: %q to %v", got, q.targets())
	}
	if behind, ahead := q.behind(1); !slices.Equal(behind.list(), []int{2, 3}) ||
		!slices.Equal(ahead.list(), []int{0}) {
		t.Errorf("out to the right slot: behind %v, ahead %v", behind.list(), ahead.list())
	}
	if behind, _ := q.behind(2); !slices.Equal(behind.list(), []int{1, 0}) {
		t.Errorf("out to the left slot: behind %v", behind.list())
	}
}

// Where moves lead, by hand: the last spot behind, the blocks by the side of the ball, and
// everybody behind one spot up.
func TestWhereMovesLead(t *testing.T) {
	cut, _ := ByID("cut")
	p := cut.Start()
	steps := p.steps(cut, partByID("cut"), 1)
	want := []step{{2, Cut, -1, "cornerL"}, {3, Fill, -1, "top"}, {4, Fill, -1, "wingL"}}
	if !slices.Equal(steps, want) {
		t.Errorf("%+v, want %+v", steps, want)
	}
	q, err := p.after(cut, partByID("cut"), 1)
	if err != nil || !slices.Equal(q.Ring, []int{0, 1, 3, 4, 2}) || q.ball != 1 || len(q.screened) != 0 ||
		q.filled(cut) != nil {
		t.Errorf("%+v, %v", q, err)
	}
	entry, _ := ByID("entry")
	p = entry.Start()
	for to, block := range map[int]string{0: "blockR", 2: "blockL"} {
		answer := Answer{Moves: []Move{{Inside, Flash, "", BallBlock}}}
		far := Answer{Moves: []Move{{Inside, Flash, "", FarBlock}}}
		other := map[string]string{"blockR": "blockL", "blockL": "blockR"}[block]
		if a, b := p.steps(entry, answer, to)[0].to, p.steps(entry, far, to)[0].to; a != block || b != other {
			t.Errorf("ball at the %s: ball side %s, far side %s", entry.Ring[to], a, b)
		}
	}
	q, err = p.after(entry, partByID("entry"), 0)
	if err != nil || q.Inside != 1 || q.Block != "blockR" || !slices.Equal(q.screened, []int{4}) ||
		q.spotOf(entry, 4) != "slotR" {
		t.Errorf("the passer is the post then: %+v, %v", q, err)
	}
	for says, answer := range map[string]Answer{
		"offense.two-sent-to-a-spot": {Moves: []Move{{Passer, Cut, "", Receiver}}},
		"offense.spot-taken":         {Moves: []Move{{Passer, Cut, "", BallBlock}}},
		"offense.ball-stranded":      {Ball: ToFlash, Moves: []Move{{Inside, Flash, "", FarBlock}}},
	} {
		if _, err := p.after(entry, answer, 0); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%v, want %q", err, says)
		}
	}
}

// A formation is read from where people stand: everybody on a spot, in any order, the ball
// with somebody who can pass it.
func TestFromStanding(t *testing.T) {
	entry, _ := ByID("entry")
	st := Standing{Spots: [five]string{"blockL", "wingL", "slotR", "wingR", "slotL"}, Ball: 2}
	p, err := entry.From(st)
	if err != nil || p.Inside != 0 || p.Block != "blockL" || !slices.Equal(p.Ring, []int{3, 2, 4, 1}) || p.Ball() != 2 {
		t.Errorf("%+v, %v", p, err)
	}
	post := st
	post.Spots[0], post.Ball = HighPost, 0
	if p, err = entry.From(post); err != nil || p.ball != inThePost || p.Ball() != 0 {
		t.Errorf("%+v, %v", p, err)
	}
	low := st
	low.Ball = 0
	if _, err = entry.From(low); err == nil || !strings.Contains(err.Error(), "offense.ball-holder") {
		t.Errorf("the ball on the block: %v", err)
	}
	st.Spots[1] = "slotR"
	if _, err = entry.From(st); err == nil || !strings.Contains(err.Error(), "offense.two-on-a-spot: right slot") {
		t.Errorf("%v", err)
	}
	far := Standing{}
	far.At[2].X = 999
	c := floor(t)
	if err := far.Check(c); err == nil || !strings.Contains(err.Error(), "offense.player-off-court: 3") {
		t.Errorf("%v", err)
	}
}

// list writes a row out.
func (r row) list() (out []int) {
	for k := range r.n {
		out = append(out, r.at(k))
	}
	return out
}
