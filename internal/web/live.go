package web

import (
	"context"
	"encoding/json"
	"fmt"
	"log/slog"
	"net/http"
	"sync"
	"time"

	"github.com/google/uuid"

	"evrik/internal/store"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// change is what is told of a practice on the floor. It travels through
// PostgreSQL, so that devices at other processes hear of it too.
type change struct {
	Practice uuid.UUID `json:"p"`
	// Events are ids of stored rep events.
	Events []uuid.UUID `json:"e,omitempty"`
	// Counts are ids of what was counted in live blocks.
	Counts []uuid.UUID `json:"n,omitempty"`
	Clock  bool        `json:"c,omitempty"`
	// Round is true where a round of questions went on, or ended.
	Round bool `json:"r,omitempty"`
	// All asks for everything anew: the plan or the people changed, or something may
	// have been missed.
	All bool `json:"a,omitempty"`
	// Account names somebody who may have lost the right to follow; zero for every other change.
	Account uuid.UUID `json:"s,omitzero"`
}

// unbuffered names the header that lets an answer go past the buffers of proxies, as it is written.
const unbuffered = "X-Accel-Buffering"

// toldAtOnce is how many ids one notification holds: PostgreSQL takes 8000 bytes.
const toldAtOnce = 180

// notify announces a change when the transaction is through.
func notify(ctx context.Context, q *gen.Queries, c change) error {
	events, counts := c.Events, c.Counts
	for {
		c.Events, events = firstOf(events, toldAtOnce)
		c.Counts, counts = firstOf(counts, toldAtOnce-len(c.Events))
		payload, err := json.Marshal(c)
		if err != nil {
			return err
		}
		if err := q.NotifyFloor(ctx, string(payload)); err != nil || len(events)+len(counts) == 0 {
			return err
		}
	}
}

// firstOf parts the first few ids from the rest.
func firstOf(ids []uuid.UUID, most int) (first, rest []uuid.UUID) {
	n := min(len(ids), most)
	return ids[:n], ids[n:]
}

// hub passes changes on to who follows a practice from this process.
type hub struct {
	mu        sync.Mutex
	followers map[uuid.UUID]map[chan change]uuid.UUID // by practice; whose each is
	streams   map[uuid.UUID]int                       // by account
}

func newHub() *hub {
	return &hub{followers: map[uuid.UUID]map[chan change]uuid.UUID{}, streams: map[uuid.UUID]int{}}
}

// Bounds of streams (assumptions).
const (
	// waitingChanges is how many changes a slow device may be behind before it is
	// told to fetch everything.
	waitingChanges = 64
	// maxStreams is how many streams one account, or one display, may follow from a process.
	maxStreams = 24
)

// follow begins to follow a practice for an account; false where it follows too many already.
func (h *hub) follow(practice, account uuid.UUID) (changes chan change, leave func(), ok bool) {
	h.mu.Lock()
	defer h.mu.Unlock()
	if h.streams[account] >= maxStreams {
		return nil, nil, false
	}
	changes = make(chan change, waitingChanges)
	if h.followers[practice] == nil {
		h.followers[practice] = map[chan change]uuid.UUID{}
	}
	h.followers[practice][changes] = account
	h.streams[account]++
	return changes, func() {
		h.mu.Lock()
		defer h.mu.Unlock()
		delete(h.followers[practice], changes)
		if len(h.followers[practice]) == 0 {
			delete(h.followers, practice)
		}
		if h.streams[account]--; h.streams[account] == 0 {
			delete(h.streams, account)
		}
	}, true
}

// open is how many streams are followed.
func (h *hub) open() (n int) {
	h.mu.Lock()
	defer h.mu.Unlock()
	for _, k := range h.streams {
		n += k
	}
	return n
}

// deliverPayload passes on what PostgreSQL has deliverPayload.
func (h *hub) deliverPayload(payload string) {
	var c change
	if json.Unmarshal([]byte(payload), &c) != nil {
		return // not ours
	}
	h.mu.Lock()
	defer h.mu.Unlock()
	if c.Account == uuid.Nil {
		for f := range h.followers[c.Practice] {
			deliver(f, c)
		}
		return
	}
	for _, list := range h.followers {
		for f, account := range list {
			if account == c.Account {
				deliver(f, c)
			}
		}
	}
}

// resyncAll tells everybody that something may not have been told.
func (h *hub) resyncAll() {
	h.mu.Lock()
	defer h.mu.Unlock()
	for practice, list := range h.followers {
		for f, account := range list {
			deliver(f, change{Practice: practice, All: true, Account: account})
		}
	}
}

// deliver gives a change to a follower; a full one loses the oldest and is told to
// fetch everything.
func deliver(f chan change, c change) {
	for {
		select {
		case f <- c:
			return
		default:
			c = change{Practice: c.Practice, All: true, Account: c.Account}
			select {
			case old := <-f:
				if old.Account != uuid.Nil {
					c.Account = old.Account
				}
			default:
			}
		}
	}
}

// FollowPractice streams what changes on the floor as server-sent events: clock,
// reps, and again where the device should fetch everything.
func (s *Server) FollowPractice(ctx context.Context,
	r api.FollowPracticeRequestObject) (api.FollowPracticeResponseObject, error) {
	team, p, err := s.practice(ctx, r.TeamId, r.PracticeId)
	if err != nil {
		return nil, err
	}
	return s.stream(ctx, team, p.ID), nil
}

// stream is a stream of a practice, or a game, for the caller.
func (s *Server) stream(ctx context.Context, team gen.Team, practice uuid.UUID) floorStream {
	return floorStream{s: s, ctx: ctx, account: caller(ctx).ID, program: team.ProgramID, team: team.ID,
		practice: practice}
}

type floorStream struct {
	s        *Server
	ctx      context.Context
	account  uuid.UUID // or the display's id
	program  uuid.UUID
	team     uuid.UUID
	practice uuid.UUID
	// display is true for one, which hears of no player's answers.
	display bool
}

const (
	// streamLife is how long a device follows before it has to ask again, and is
	// authorized again.
	streamLife = 10 * time.Minute
	// heartbeat keeps proxies from closing a silent stream (assumption).
	heartbeat = 20 * time.Second
	// writePatience is how long a device may take to read what is written.
	writePatience = 30 * time.Second
)

// mayFollow reports whether the account still has the right to follow: its session is there, and it
// may still look; or the display is still paired.
func (f floorStream) mayFollow() bool {
	if f.display {
		_, err := f.s.displays.ByID(f.ctx, f.account)
		return err == nil
	}
	_, there, err := f.s.sessions.Store.(store.Sessions).FindCtx(f.ctx, f.s.sessions.Token(f.ctx))
	if err != nil || !there {
		return false
	}
	who, err := f.s.signedIn(f.ctx)
	return err == nil && who != nil && who.ProgramID == f.program
}

// VisitFollowPracticeResponse writes the stream until the device leaves.
func (f floorStream) VisitFollowPracticeResponse(w http.ResponseWriter) error {
	// Whoever reads this knows that nothing is missed from here on.
	begin := func() error { return f.writeEvent(w, "again", struct{}{}) }
	beat := func() error { _, err := fmt.Fprint(w, ": here\n\n"); return err }
	return f.stream(w, "text/event-stream", heartbeat, begin, beat, func(c change) error { return f.writeChange(w, c) })
}

// VisitFollowDisplayResponse writes what a display hears.
func (f floorStream) VisitFollowDisplayResponse(w http.ResponseWriter) error {
	return f.VisitFollowPracticeResponse(w)
}

// stream writes to a device until it leaves: at the beginning, at every change and
// at every beat.
func (f floorStream) stream(w http.ResponseWriter, kind string, every time.Duration, begin, beat func() error,
	pass func(change) error) error {
	out := http.NewResponseController(w)
	// The server's limit is for requests that end.
	if err := out.SetReadDeadline(time.Time{}); err != nil {
		return err
	}
	changes, leave, ok := f.s.live.follow(f.practice, f.account)
	if !ok {
		return refused(http.StatusTooManyRequests, "request.too-many-pages")
	}
	defer leave()
	w.Header().Set("Content-Type", kind)
	w.Header().Set(unbuffered, "no")
	w.WriteHeader(http.StatusOK)
	beats := time.NewTicker(every)
	defer beats.Stop()
	end := time.NewTimer(streamLife)
	defer end.Stop()
	for err := begin(); err == nil; {
		if err := out.SetWriteDeadline(time.Now().Add(writePatience)); err != nil {
			return nil
		}
		if out.Flush() != nil {
			return nil // the device has left
		}
		select {
		case <-f.ctx.Done():
			return nil
		case <-f.s.life.Done():
			return nil
		case <-end.C:
			return nil
		case <-beats.C:
			err = beat()
		case c := <-changes:
			if c.Account != uuid.Nil && !f.mayFollow() {
				return nil
			}
			if c.Practice != uuid.Nil {
				err = pass(c)
			}
		}
		if err != nil && f.ctx.Err() == nil {
			slog.Warn("a stream has ended; the device asks again", "practice", f.practice, "error", err)
		}
	}
	return nil
}

// writeChange writes a change.
func (f floorStream) writeChange(w http.ResponseWriter, c change) error {
	if c.All || f.display && len(c.Events) > 0 {
		return f.writeEvent(w, "again", struct{}{})
	}
	if c.Clock {
		p, err := f.s.plans.Find(f.ctx, f.program, f.team, f.practice)
		if err != nil {
			return err
		}
		if err := f.writeEvent(w, "clock", f.s.clockView(p)); err != nil {
			return err
		}
	}
	if c.Round && f.display {
		round, err := f.s.quizzes.RoundOf(f.ctx, f.program, f.practice)
		if err != nil {
			return err
		}
		if err := f.writeEvent(w, "round", roundView(round)); err != nil {
			return err
		}
	}
	if len(c.Events)+len(c.Counts) == 0 {
		return nil
	}
	logged, err := f.s.floors.News(f.ctx, f.program, f.practice, c.Events, c.Counts)
	if err != nil {
		return err
	}
	news := api.FloorNews{Reps: []api.LoggedRep{}, Voided: []uuid.UUID{}, Counts: []api.FloorCount{}}
	for _, row := range logged.Counts {
		news.Counts = append(news.Counts, countView(row))
	}
	for _, e := range logged.Events {
		if e.Voids != "" {
			news.Voided = append(news.Voided, idOf(e.Voids))
		} else {
			news.Reps = append(news.Reps, repView(e.Rep))
		}
	}
	return f.writeEvent(w, "reps", news)
}

func (f floorStream) writeEvent(w http.ResponseWriter, event string, what any) error {
	data, err := json.Marshal(what)
	if err != nil {
		return err
	}
	_, err = fmt.Fprintf(w, "event: %s\ndata: %s\n\n", event, data)
	return err
}
