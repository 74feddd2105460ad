package reads

import (
	"cmp"
	"math"
	"slices"
	"strings"
	"unicode"
)

// Hit is a line of a table that somebody's words describe.
type Hit struct {
	Action string `json:"action"`
	Name   string `json:"name"`
	Cue    Cue    `json:"cue"`
	Read   Read   `json:"read"`
	score  float64
	// rest is the number of words in the action's name that were not searched for.
	rest int
}

// Weights of a word by where it stands in a table (assumptions).
const (
	inName  = 4.0 // the action's name
	inCue   = 4.0 // the cue's name
	inOther = 3.0 // another word for the action or the cue
	inRead  = 2.0
	inText  = 1.0
	// mostHits is how many lines a search returns.
	mostHits = 8
	// closeScore is the share of the best line's score that a line must have.
	closeScore = 0.5
)

// other words for screens and cues, as coaches say them (common practice, no source).
var otherWords = map[string]string{
	Ball: "pick roll on-ball shake", StepUp: "flip sideline", Handoff: "hand off dho give pistol two-man pitch",
	DribbleAt: "entry",
	CloseOut:  "catch rotation long short", "late": "open nobody", "short": "drop gap soft",
	"balanced": "chop feet control", "flying": "hot fly-by run", "front-foot": "top foot open stance",
	Back: "rip", Stagger: "double two screens pair", Floppy: "single baseline runner under rim",
	Exit: "corner baseline", Hammer: "weak corner drive",
	AfterFeed: "post entry passer feed", RoundPost: "post weak side", FeedPost: "post entry front pass",
	Changes: "slip repeat", First: "double two screens pair", BallExit: "pick roll baseline corner",
	DoubleHigh: "horns two", Pin: "pindown",
	"trail": "chases chasing follows behind hip lock", "stuck": "attached level body",
	"under": "below short gap through", "jump": "cheats cheat top-lock toplock overplays overplay early over",
	"switch": "switches trade", "show": "help bump steps", "drop": "back deep sag over", "tag": "helps help corner",
	"early": "over jump", "soft-show": "hedge show soft", "hard-hedge": "hedge show out hard", "level": "touch up",
	"weak": "weak hand", "blitz": "trap double two",
	"ice": "down push sideline", "denied": "deny overplays overplay", "dig": "digs stunt", "doubled": "double trap",
	"fronted": "front fronting lob", "helped": "front fronting help lob",
	"turned": "looks watching ball head sleeps", "asleep": "sleeps open empty", "opens": "sags sunk lane",
	"behind": "plays behind", "under-far": "below half court far",
	Curled: "curl caught lane kick dump", CaughtStraight: "straight caught hip catch",
	NotThrown: "back cut missed clear fill",
	DriveWing: "penetration drift lift shift slide help circle behind", DriveTop: "penetration drift",
	DrivePost: "penetration post short corner elbow",
	BackDown:  "double action two screens once", ZoneTop: "2-3 two-three zone gap",
	ZoneWing: "2-3 two-three zone high low flash skip", ZoneCut: "2-3 two-three zone runner baseline",
	"low-help": "helps help tag rotates", "big-up": "steps help dump", "middle-drive": "middle",
	"baseline-drive": "baseline", "at-you": "handoff teammate", "stopped": "trapped picked safety",
	"gap-shut": "closed together", "gap-open": "split between", "middle-low": "sags", "middle-up": "high",
	"bottom-up": "corner", "slid-up": "behind", "stays-low": "step out",
	"high": "above top", "low": "below baseline", "waits": "cheats sits",
}

// filler are words that tell nothing.
var filler = map[string]bool{"he": true, "the": true, "on": true, "go": true, "his": true, "her": true, "she": true,
	"defender": true, "a": true, "is": true, "my": true, "man": true, "to": true, "of": true,
	"and": true, "in": true, "it": true, "what": true, "if": true, "when": true, "they": true, "their": true,
	"you": true, "your": true, "for": true, "at": true, "i": true, "do": true, "we": true, "screen": true}

// wordsOf splits a text into stems.
func wordsOf(text string) []string {
	var out []string
	for _, w := range strings.FieldsFunc(strings.ToLower(text),
		func(r rune) bool { return !unicode.IsLetter(r) && !unicode.IsDigit(r) }) {
		for _, end := range []string{"ing", "es", "ed", "s"} {
			if len(w) > len(end)+2 && strings.HasSuffix(w, end) {
				w = w[:len(w)-len(end)]
				break
			}
		}
		if !filler[w] {
			out = append(out, w)
		}
	}
	return out
}

// line is a line of a table with the weights of its words.
type line struct {
	hit    Hit
	weight map[string]float64
}

// lines returns all lines of the tables, and for each word the number of lines that have it.
func lines(rules TeamRules) (out []line, count map[string]float64) {
	count = map[string]float64{}
	for _, a := range actions {
		for _, row := range a.Rows(rules) {
			l := line{Hit{Action: a.ID, Name: a.Name, Cue: row.Cue, Read: row.CutterRead}, map[string]float64{}}
			add := func(weight float64, texts ...string) {
				for _, w := range wordsOf(strings.Join(texts, " ")) {
					l.weight[w] = math.Max(l.weight[w], weight)
				}
			}
			add(inText, row.Seen, row.Say, a.About, string(a.Family))
			for _, n := range append(slices.Clone(row.Cutter), row.Screener...) {
				add(inRead, readName(n.Read))
			}
			add(inOther, otherWords[row.Cue.String()], otherWords[a.ID])
			add(inCue, row.Cue.Name(), row.Cue.String())
			add(inName, a.Name)
			for w := range l.weight {
				count[w]++
			}
			out = append(out, l)
		}
	}
	return out, count
}

// Search finds the lines of the tables that words describe, the best first: "they
// go under on the flare". No known word finds nothing.
func Search(rules TeamRules, words string) []Hit {
	all, count := lines(rules)
	asked := wordsOf(words)
	var out []Hit
	for _, l := range all {
		for _, w := range asked {
			// A word in few lines tells more.
			l.hit.score += l.weight[w] * math.Log(1+float64(len(all))/math.Max(1, count[w]))
		}
		for _, w := range wordsOf(l.hit.Name) {
			if !slices.Contains(asked, w) {
				l.hit.rest++
			}
		}
		if l.hit.score > 0 {
			out = append(out, l.hit)
		}
	}
	slices.SortStableFunc(out, func(a, b Hit) int {
		return cmp.Or(cmp.Compare(b.score, a.score), cmp.Compare(a.rest, b.rest))
	})
	out = out[:min(len(out), mostHits)]
	// What fits much worse than the best is not what was meant.
	for i, h := range out {
		if h.score < closeScore*out[0].score {
			return out[:i]
		}
	}
	return out
}
