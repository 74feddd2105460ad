package reads

import "slices"

// Ways to write one table with the help of another.

// answer is an answer that is right on the cue alone.
func answer(read Read, say, part string) Answer { return Answer{Read: read, Say: say, Part: part} }

// job is an answer of the second one, whose part is told and whose sentence is not.
func job(read Read, part string) Answer { return Answer{Read: read, Part: part} }

// also is a further answer: right when a second cue is seen.
func also(read Read, sign SecondCue, when cond, say, part string) Answer {
	return Answer{Read: read, Sign: sign, when: when, Say: say, Part: part}
}

// leads lets a further answer come first where a condition holds.
func (a Answer) leads(where cond) Answer {
	a.first = where
	return a
}

// but returns rows with some of their fields said differently.
func but(rows []Row, changes ...Row) []Row {
	out := slices.Clone(rows)
	for _, c := range changes {
		for i := range out {
			if out[i].Cue == c.Cue {
				out[i] = out[i].with(c)
			}
		}
	}
	return out
}

// with replaces the fields that the change fills in. What it says and the parts go to
// the first answers.
func (r Row) with(c Row) Row {
	r.Cutter, r.Screener = slices.Clone(r.Cutter), slices.Clone(r.Screener)
	if c.Cutter != nil {
		r.Cutter = c.Cutter
	}
	if c.Screener != nil {
		r.Screener = c.Screener
	}
	replace := func(old *string, new string) {
		if new != "" {
			*old = new
		}
	}
	replace(&r.Seen, c.Seen)
	replace(&r.Cutter[0].Say, c.Say)
	replace(&r.Cutter[0].Part, c.CutterPart)
	replace(&r.Screener[0].Part, c.ScreenerPart)
	replace(&r.PasserPart, c.PasserPart)
	if len(c.Mistakes) > 0 {
		r.Mistakes = c.Mistakes
	}
	if c.when.given() {
		r.when = c.when
	}
	if c.show != nil {
		r.show = c.show
	}
	if c.moves != nil {
		r.moves = c.moves
	}
	if c.closing != 0 {
		r.closing = c.closing
	}
	if c.shift != 0 {
		r.shift = c.shift
	}
	return r
}

// pick returns the rows of some cues, in the order asked for.
func pick(rows []Row, cues ...Cue) []Row {
	var out []Row
	for _, c := range cues {
		for _, r := range rows {
			if r.Cue == c {
				out = append(out, r)
			}
		}
	}
	return out
}

// firstOf is the cutter's first answer to a cue.
func firstOf(rows []Row, cue Cue) Answer { return pick(rows, cue)[0].Cutter[0] }

// participants joins groups of them.
func participants(groups ...[]Participant) []Participant { return slices.Concat(groups...) }
