package evidence

import (
	"cmp"
	"slices"
	"strings"
)

// Tag is something to mend that was seen in a rep, right or wrong.
type Tag struct {
	ID string
	// Player is whose it is where that is not the player of the rep.
	Player PlayerID
}

// Owner is whose tag it is when it stands on a rep of a player.
func (t Tag) Owner(of PlayerID) PlayerID { return cmp.Or(t.Player, of) }

// Part is who in an action a tag is about.
type Part string

// The parts a tag can belong to.
const (
	OwnPart     Part = "own" // the player of the rep
	FirstPart   Part = "first"
	SecondPart  Part = "second"
	PasserPart  Part = "passer"
	DefensePart Part = "defense"
)

// TagInfo names a tag.
type TagInfo struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	Group string `json:"group"`
	// Part is whose it is.
	Part Part `json:"part"`
}

// The tags of practice (common practice, no source).
var tags = []TagInfo{
	{"named", "Ran the called cut, no look", "Read", OwnPart},
	{"straight", "Went straight with a chaser", "Read", OwnPart},
	{"curled-under", "Curled, defender went under", "Read", OwnPart},
	{"no-backcut", "Missed the back cut", "Read", OwnPart},
	{"early", "Left before the screen was set", "Timing", FirstPart},
	{"waited", "Waited too long", "Timing", FirstPart},
	{"held-ball", "Held the ball, window shut", "Timing", PasserPart},
	{"too-high", "Too high, missed the body", "Screen", SecondPart},
	{"moving", "Feet moving", "Screen", SecondPart},
	{"narrow", "Stance too narrow", "Screen", SecondPart},
	{"no-call", "No call", "Screen", SecondPart},
	{"not-held", "Not held", "Screen", SecondPart},
	{"looped", "Looped instead of straight out", "Screen", SecondPart},
	{"twice", "Screened twice in a row", "Screen", SecondPart},
	{"no-hands", "Did not want the ball after", "Screen", SecondPart},
	{"daylight", "Daylight at the hip", "Use", FirstPart},
	{"past", "Stopped past the screen", "Use", FirstPart},
	{"upright", "Ran upright", "Use", FirstPart},
	{"angle", "Stopped at an angle", "Use", FirstPart},
	{"behind", "Behind the cutter", "Pass", PasserPart},
	{"late-pass", "Late", "Pass", PasserPart},
	{"wrong-hand", "Wrong hand", "Pass", PasserPart},
	{"traffic", "Into traffic", "Pass", PasserPart},
	{"no-fake", "No fake", "Pass", PasserPart},
	{"toes", "Toes on the line", "Spacing", OwnPart},
	{"third-inside", "Third player inside", "Spacing", OwnPart},
	{"stood", "Stood after the pass", "Spacing", PasserPart},
	{"spot-empty", "Spot left empty", "Spacing", OwnPart},
	{"baseline-stop", "Picked the ball up on the baseline", "Spacing", OwnPart},
	{"tall", "Closed out too tall", "Defense", DefensePart},
	{"no-hand", "No hand up", "Defense", DefensePart},
	{"lost-cutter", "Lost the cutter", "Defense", DefensePart},
}

// Tags lists the tags in the order of play.
func Tags() []TagInfo { return slices.Clone(tags) }

// KnownTag reports whether id is one of the tags.
func KnownTag(id string) bool {
	return slices.ContainsFunc(tags, func(t TagInfo) bool { return t.ID == id })
}

// TagName is what a tag is called, with its group, such as "Pass: late"; the id where there is
// no such tag.
func TagName(id string) string {
	for _, t := range tags {
		if t.ID == id {
			return t.Group + ": " + strings.ToLower(t.Name[:1]) + t.Name[1:]
		}
	}
	return id
}

// TagCount is how often a tag was given.
type TagCount struct {
	ID         string  `json:"id"`
	Count      int     `json:"count"`
	PerHundred float64 `json:"perHundred"` // per hundred reps
}

// CountTags counts the tags on reps, on correct and wrong reads alike, most common first.
func CountTags(reps []Rep) []TagCount {
	return countTags(reps, len(reps), func(PlayerID) bool { return true })
}

// CountTagsOf counts the tags that belong to a player, whoever's rep they stand on, per
// hundred of the player's own reps.
func CountTagsOf(player PlayerID, reps []Rep) []TagCount {
	own := 0
	for _, r := range reps {
		if r.Player == player {
			own++
		}
	}
	return countTags(reps, max(own, 1), func(owner PlayerID) bool { return owner == player })
}

func countTags(reps []Rep, per int, counted func(owner PlayerID) bool) []TagCount {
	counts := map[string]int{}
	for _, r := range reps {
		for _, t := range r.Tags {
			if counted(t.Owner(r.Player)) {
				counts[t.ID]++
			}
		}
	}
	out := []TagCount{}
	for id, k := range counts {
		out = append(out, TagCount{id, k, 100 * float64(k) / float64(per)})
	}
	slices.SortFunc(out, func(a, b TagCount) int {
		return cmp.Or(cmp.Compare(b.Count, a.Count), cmp.Compare(a.ID, b.ID))
	})
	return out
}
