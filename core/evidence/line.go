package evidence

import (
	"slices"
	"time"

	"evrik/core/reads"
)

// Week is where a team stood at the end of a week: how many of its players' reads were "has
// it" and how many "not yet", by the verdict of the newest practice.
type Week struct {
	From   time.Time `json:"from"`
	Has    int       `json:"has"`
	NotYet int       `json:"notYet"`
}

// weekCounts is a closed week by role and read; the group of a question is left out.
type weekCounts struct {
	from   time.Time
	counts map[question]Week
}

// close notes where the players stand at the end of a period.
func (h *History) close(from time.Time) {
	w := weekCounts{from, map[question]Week{}}
	for skill, m := range h.skills {
		q := question{role: skill.Role, read: skill.Read}
		n := w.counts[q]
		switch m.newestVerdict() {
		case HasIt:
			n.Has++
		case NotYet:
			n.NotYet++
		}
		w.counts[q] = n
	}
	h.weeks = append(slices.Clip(h.weeks), w)
}

// newestVerdict is the verdict of the newest practice alone: of live rungs where they say at least as much
// as guided ones.
func (m *memory) newestVerdict() Verdict {
	guided, live := &m.groups[Guided.index()], &m.groups[Live.index()]
	if saysMore(live.verdict, live.Reps, guided.verdict, guided.Reps) {
		return live.verdict
	}
	return guided.verdict
}

// Season says how a team came on, week by week: the weeks with reps, oldest first, and
// then the board as it is now. Reads of another role than the board's are left out, and
// every read is counted in its own role where the board has no single one.
func (h *History) Season(role reads.Role, columns []reads.Read, lines []Line, now time.Time,
	zone *time.Location) []Week {
	weeks := []Week{}
	for _, w := range h.weeks {
		sum := Week{From: w.from}
		for _, read := range columns {
			asked := role
			if asked == "" {
				asked = roleOf(read)
			}
			n := w.counts[question{role: asked, read: read}]
			sum.Has, sum.NotYet = sum.Has+n.Has, sum.NotYet+n.NotYet
		}
		weeks = append(weeks, sum)
	}
	this := Week{From: PeriodOf(now, zone)}
	for i := range lines {
		for j := range lines[i].Cells {
			switch lines[i].Cells[j].Judgement.Verdict {
			case HasIt:
				this.Has++
			case NotYet:
				this.NotYet++
			}
		}
	}
	if n := len(weeks); n > 0 && !weeks[n-1].From.Before(this.From) {
		weeks = weeks[:n-1]
	}
	return append(weeks, this)
}
