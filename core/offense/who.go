package offense

// Who is who at a pass: behind the passer, ahead of the receiver.

// row is some of a ring's indices, one after the other.
type row struct{ first, step, n int }

// at is the k-th of a row, from 0.
func (r row) at(k int) int { return r.first + k*r.step }

// from is the row of all indices of the ring that follow one of them in steps.
func (p *Places) from(i, step int) row {
	if step > 0 {
		return row{i + step, step, (len(p.Ring) - 1 - i) / step}
	}
	return row{i + step, step, i / -step}
}

// behind lists the ring's indices behind a passer, nearest first, and those ahead of the
// receiver. Seen from the post, behind is the longer way round.
func (p *Places) behind(to int) (behind, ahead row) {
	first, d := p.ball, p.ball-to // one step away from the ball
	if p.ball == inThePost {
		if first, d = to, 1; 2*to >= len(p.Ring) {
			d = -1
		}
	}
	return p.from(first, d), p.from(to, -d)
}

// who is the player that a word means, -1 for nobody.
func (p Places) who(word string, to int) int {
	behind, ahead := p.behind(to)
	at := func(r row, k int) int {
		if k < r.n {
			return p.Ring[r.at(k)]
		}
		return -1
	}
	switch word {
	case Passer:
		return p.Ball()
	case Receiver:
		return p.Ring[to]
	case Next1, Next2:
		return at(behind, int(word[len(word)-1]-'1'))
	case Ahead1, Ahead2:
		return at(ahead, int(word[len(word)-1]-'1'))
	case Inside:
		return p.Inside
	}
	return -1
}
