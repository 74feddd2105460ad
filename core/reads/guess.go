package reads

// GuessShare is the chance, 0 to 1, that an answer taken at random from those on offer
// is correct for a cue. On offer is every answer of the role to any of the cues that are
// in play. Defenders answer one thing only and do not guess: their share is 0, as is that
// of a cue the action does not have.
func (a *Action) GuessShare(role Role, cue Cue, inPlay []Cue) float64 {
	row, ok := a.Row(TeamRules{}, cue)
	if !ok || role == Defender {
		return 0
	}
	correct := a.distinct(&row, role, nil)
	offered := correct
	for _, c := range inPlay {
		if other, ok := a.Row(TeamRules{}, c); ok {
			offered = a.distinct(&other, role, offered)
		}
	}
	if len(offered) == 0 {
		return 0
	}
	return float64(len(correct)) / float64(len(offered))
}

// distinct adds the reads of a role in a row to a list, each once.
func (a *Action) distinct(row *Row, role Role, list []Read) []Read {
	answers, _ := a.answersOf(row, role)
	out := append([]Read(nil), list...)
next:
	for _, n := range answers {
		for _, known := range out {
			if known == n.Read {
				continue next
			}
		}
		out = append(out, n.Read)
	}
	return out
}

// Cues returns the cues of the action's table in teaching order.
func (a *Action) Cues() []Cue {
	rows := a.built[0]
	out := make([]Cue, len(rows))
	for i := range rows {
		out[i] = rows[i].Cue
	}
	return out
}
