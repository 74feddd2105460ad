package web

import (
	"bufio"
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/core/reads"
	"evrik/internal/web/api"
)

// stream is what a device hears of a practice.
type stream struct {
	t    testing.TB
	news chan [2]string // event and data
}

// follow opens the stream of a practice at one of the processes.
func (a *agent) follow(base, path string) stream {
	a.t.Helper()
	ctx, leave := context.WithCancel(context.Background())
	a.t.Cleanup(leave)
	req, err := http.NewRequestWithContext(ctx, http.MethodGet, base+path, nil)
	if err != nil {
		a.t.Fatal(err)
	}
	res, err := a.http.Do(req)
	if err != nil {
		a.t.Fatal(err)
	}
	if got := res.Header.Get("Content-Type"); res.StatusCode != 200 || got != "text/event-stream" {
		a.t.Fatalf("%d, %s", res.StatusCode, got)
	}
	s := stream{a.t, make(chan [2]string, 100)}
	go func() {
		defer close(s.news)
		defer res.Body.Close()
		event := ""
		scan := bufio.NewScanner(res.Body)
		scan.Buffer(nil, 1<<20) // a line of news holds what one notification tells of
		for scan.Scan() {
			if name, is := strings.CutPrefix(scan.Text(), "event: "); is {
				event = name
			} else if data, is := strings.CutPrefix(scan.Text(), "data: "); is {
				s.news <- [2]string{event, data}
			}
		}
	}()
	return s
}

// hears waits for the next event of a name, and decodes it.
func (s stream) hears(event string, into any) {
	s.t.Helper()
	late := time.After(10 * time.Second)
	for {
		select {
		case got, open := <-s.news:
			if !open {
				s.t.Fatalf("the stream ended before %s", event)
			}
			if got[0] != event {
				continue
			}
			if err := json.Unmarshal([]byte(got[1]), into); err != nil {
				s.t.Fatalf("%v in %s", err, got[1])
			}
			return
		case <-late:
			s.t.Fatalf("heard no %s", event)
		}
	}
}

// Two devices at two processes follow one practice: each hears what the other
// logs, takes back and does to the clock; another club hears nothing of it.
func TestDevicesHearOfEachOther(t *testing.T) {
	w := newWorld(t)
	second := w.second()
	c, other := w.club("club", 6), w.club("other", 6)
	head, helper := w.as(c.head), w.as(c.helper)
	var p api.Practice
	head.do("POST", c.path("/practices"), planFor(c), 201, &p)
	at := c.path("/practices/" + p.Id.String())
	here, there := head.follow(w.server.URL, at+"/live"), helper.follow(second.URL, at+"/live")
	var nothing struct{}
	here.hears("again", &nothing)
	there.hears("again", &nothing)

	rep := repEvent(p.Blocks[1].ID, c.players[0], 1, reads.Trail, reads.Curl)
	head.do("POST", at+"/reps", batch(rep), 200, nil)
	for _, s := range []stream{here, there} {
		var news api.FloorNews
		s.hears("reps", &news)
		if len(news.Reps) != 1 || news.Reps[0].Id.String() != rep["id"] || !news.Reps[0].Correct ||
			news.Reps[0].Device == "" || len(news.Voided) != 0 {
			t.Fatalf("%+v", news)
		}
	}
	// What is counted is told as well.
	head.do("POST", at+"/reps", batch(countEvent(p.Blocks[3].ID, "assist", 1, 1)), 200, nil)
	for _, s := range []stream{here, there} {
		var news api.FloorNews
		s.hears("reps", &news)
		if len(news.Reps) != 0 || len(news.Counts) != 1 || news.Counts[0].What != "assist" || news.Counts[0].By != 1 {
			t.Fatalf("%+v", news)
		}
	}
	// Sent again it is no news; the void is.
	head.do("POST", at+"/reps", batch(rep), 200, nil)
	void := map[string]any{"id": uuid.NewString(), "kind": "void", "voids": rep["id"], "at": evening, "device": "d"}
	head.do("POST", at+"/reps", batch(void), 200, nil)
	var news api.FloorNews
	there.hears("reps", &news)
	if len(news.Reps) != 0 || len(news.Voided) != 1 || news.Voided[0].String() != rep["id"] {
		t.Errorf("%+v", news)
	}
	var clock api.Clock
	head.do("POST", at+"/clock", map[string]any{"action": "start"}, 200, nil)
	there.hears("clock", &clock)
	if !clock.Running || clock.Began == nil {
		t.Errorf("%+v", clock)
	}
	// More than one notification holds arrives whole.
	many := make([]map[string]any, 400)
	for i := range many {
		many[i] = repEvent(p.Blocks[1].ID, c.players[i%6], i+2, reads.Trail, reads.Curl)
	}
	head.do("POST", at+"/reps", batch(many...), 200, nil)
	for got := 0; got < len(many); {
		var news api.FloorNews
		there.hears("reps", &news)
		got += len(news.Reps)
	}

	w.as(other.head).refused("GET", at+"/live", nil, 404, "team.missing")
	// A listener whose connection was cut says so, and hears again.
	if _,
		err := w.db.Pool.Exec(t.Context(),
		"SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE query LIKE 'LISTEN%' AND datname = "+
			"current_database()"); err != nil {
		t.Fatal(err)
	}
	there.hears("again", &nothing)
	head.do("POST", at+"/clock", map[string]any{"action": "stop"}, 200, nil)
	there.hears("clock", &clock)
	if clock.Running {
		t.Errorf("%+v", clock)
	}
}

// A device that cannot keep up is told to fetch everything, and holds up nobody.
func TestSlowFollower(t *testing.T) {
	h := newHub()
	practice, account := uuid.New(), uuid.New()
	slow, leave, ok := h.follow(practice, account)
	if !ok || h.open() != 1 {
		t.Fatal("nobody can follow")
	}
	for i := range waitingChanges * 3 {
		h.deliverPayload(fmt.Sprintf(`{"p":%q,"c":true,"e":[%q]}`, practice, uuid.NewSHA1(practice, []byte{byte(i)})))
	}
	h.deliverPayload("not ours")
	h.deliverPayload(fmt.Sprintf(`{"p":%q,"c":true}`, uuid.New()))
	again := false
	for range waitingChanges {
		again = (<-slow).All || again
	}
	if !again || len(slow) != 0 {
		t.Errorf("told to fetch everything %v, %d left", again, len(slow))
	}
	leave()
	if len(h.followers) != 0 || h.open() != 0 {
		t.Errorf("%+v", h)
	}
	// What concerns an account is not lost either, and no account follows without end.
	for i := range maxStreams {
		f, _, ok := h.follow(practice, account)
		if !ok {
			t.Fatalf("stream %d is refused", i)
		}
		if i == 0 {
			slow = f
		}
	}
	if _, _, ok := h.follow(uuid.New(), account); ok {
		t.Errorf("more than %d streams of one account", maxStreams)
	}
	if _, _, ok := h.follow(practice, uuid.New()); !ok {
		t.Error("another account is refused")
	}
	h.deliverPayload(fmt.Sprintf(`{"s":%q}`, account))
	for range waitingChanges * 3 {
		h.deliverPayload(fmt.Sprintf(`{"p":%q,"c":true}`, practice))
	}
	ended := false
	for len(slow) > 0 {
		ended = (<-slow).Account == account || ended
	}
	if !ended {
		t.Error("a full follower has lost that its account changed")
	}
}
