package practice

import (
	"cmp"
	"slices"
	"time"

	"evrik/core/drill"
	"evrik/core/evidence"
	"evrik/core/reads"
)

// Review is what a practice came to, for the minute after it.
type Review struct {
	Blocks  []BlockDone  `json:"blocks"`
	Players []PlayerDone `json:"players"` // fewest reps first
	// Wrong are the reads most often made in place of another, Tags those
	// most often given; at most a few of each.
	Wrong []WrongRead         `json:"wrong"`
	Tags  []evidence.TagCount `json:"tags"`
	// Dropped are blocks that were given up on the way or never run.
	Dropped []Block `json:"dropped"`
}

// BlockDone is a block as it went.
type BlockDone struct {
	ID      string  `json:"id"`
	Title   string  `json:"title"`
	Planned float64 `json:"planned"` // minutes
	Ran     float64 `json:"ran"`     // minutes the clock ran
	Reps    int     `json:"reps"`
	Correct int     `json:"correct"`
}

// PlayerDone is what was logged of a player.
type PlayerDone struct {
	Player  string `json:"player"`
	Reps    int    `json:"reps"`
	Correct int    `json:"correct"`
}

// WrongRead is how often one read was made where another was asked for.
type WrongRead struct {
	Expected reads.Read `json:"expected"`
	Made     reads.Read `json:"made"` // empty for none
	Count    int        `json:"count"`
}

const reviewShown = 3 // of the most common (assumption)

// ReviewOf sums up a practice: its blocks, how long each ran, what was logged of
// whom, and which blocks were given up while it ran. Reps count once.
func ReviewOf(lib drill.Library, blocks []Block, ran map[string]time.Duration, here []string, reps []evidence.Rep,
	dropped []Block) Review {
	r := Review{Blocks: []BlockDone{}, Players: []PlayerDone{}, Wrong: []WrongRead{}}
	count := map[string]int{}
	wrong := map[[2]reads.Read]int{}
	for _, rep := range reps {
		count[string(rep.Block)]++
		if !rep.Correct {
			wrong[[2]reads.Read{rep.Expected, rep.Made}]++
		}
	}
	for _, b := range blocks {
		done := BlockDone{ID: b.ID, Title: b.Title, Planned: b.Minutes, Ran: ran[b.ID].Minutes(), Reps: count[b.ID]}
		for _, rep := range reps {
			if string(rep.Block) == b.ID && rep.Correct {
				done.Correct++
			}
		}
		r.Blocks = append(r.Blocks, done)
	}
	for _, id := range here {
		p := PlayerDone{Player: id}
		for _, rep := range reps {
			if string(rep.Player) == id {
				p.Reps++
				if rep.Correct {
					p.Correct++
				}
			}
		}
		r.Players = append(r.Players, p)
	}
	slices.SortStableFunc(r.Players, func(a, b PlayerDone) int { return cmp.Compare(a.Reps, b.Reps) })
	for pair, n := range wrong {
		r.Wrong = append(r.Wrong, WrongRead{pair[0], pair[1], n})
	}
	slices.SortFunc(r.Wrong, func(a, b WrongRead) int {
		return cmp.Or(cmp.Compare(b.Count, a.Count), cmp.Compare(a.Expected, b.Expected), cmp.Compare(a.Made, b.Made))
	})
	r.Wrong = r.Wrong[:min(reviewShown, len(r.Wrong))]
	r.Tags = evidence.CountTags(reps)
	r.Tags = r.Tags[:min(reviewShown, len(r.Tags))]
	r.Dropped = Undone(lib, blocks, count, dropped)
	return r
}

// Undone are the blocks a practice leaves to the next: those given up while it ran
// and those whose reads nobody watched.
func Undone(lib drill.Library, blocks []Block, reps map[string]int, dropped []Block) []Block {
	out := NotRun(lib, dropped, reps)
	for _, b := range NotRun(lib, blocks, reps) {
		if !slices.ContainsFunc(out, func(o Block) bool { return o.ID == b.ID }) {
			out = append(out, b)
		}
	}
	return out
}
