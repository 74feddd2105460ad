package standin

import (
	"bufio"
	"bytes"
	"context"
	_ "embed"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"net/http"
	"net/http/cookiejar"
	"sync"
	"time"
)

// Scoreboard is a simulated gym clock with a horn. It is outside of Evrik as a real
// one would be: it pairs with a code and reads the feed of docs/feed.md, nothing
// else.
type Scoreboard struct {
	base string // of Evrik
	http *http.Client

	mu     sync.Mutex
	board  Board
	leave  context.CancelFunc
	onFeed int // counts pairings, so that an old feed says nothing any more
}

// Board is what the scoreboard shows.
type Board struct {
	// On is true while lines come in.
	On      bool   `json:"on"`
	Block   string `json:"block"`
	Next    string `json:"next"`
	Left    string `json:"left"`
	Running bool   `json:"running"`
	// Horns is how often the horn has sounded.
	Horns int `json:"horns"`
	// Problem says why nothing is shown.
	Problem string `json:"problem"`
}

// NewScoreboard is a scoreboard beside the Evrik at an address.
func NewScoreboard(base string) (*Scoreboard, error) {
	jar, err := cookiejar.New(nil)
	if err != nil {
		return nil, err
	}
	return &Scoreboard{base: base, http: &http.Client{Jar: jar}, board: Board{Problem: "Not paired yet."}}, nil
}

//go:embed scoreboard.html
var scoreboardPage []byte

// Handler serves the scoreboard's face, its state, and the buttons for a code.
func (s *Scoreboard) Handler() http.Handler {
	mux := http.NewServeMux()
	mux.HandleFunc("GET /{$}", func(w http.ResponseWriter, _ *http.Request) {
		w.Header().Set("Content-Type", "text/html; charset=utf-8")
		_, _ = w.Write(scoreboardPage)
	})
	mux.HandleFunc("GET /state", func(w http.ResponseWriter, _ *http.Request) {
		w.Header().Set("Content-Type", "application/json")
		_ = json.NewEncoder(w).Encode(s.State())
	})
	mux.HandleFunc("POST /pair", func(w http.ResponseWriter, r *http.Request) {
		if err := s.Pair(context.WithoutCancel(r.Context()), r.FormValue("code")); err != nil {
			http.Error(w, err.Error(), http.StatusUnprocessableEntity)
			return
		}
		w.WriteHeader(http.StatusNoContent)
	})
	return http.NewCrossOriginProtection().Handler(mux)
}

// State is what the scoreboard shows now.
func (s *Scoreboard) State() Board {
	s.mu.Lock()
	defer s.mu.Unlock()
	return s.board
}

// Pair uses a code and follows the feed until the next one. The error is a sentence.
func (s *Scoreboard) Pair(ctx context.Context, code string) error {
	body, err := json.Marshal(map[string]string{"code": code})
	if err != nil {
		return err
	}
	req, err := http.NewRequestWithContext(ctx, http.MethodPost, s.base+"/api/display/pair", bytes.NewReader(body))
	if err != nil {
		return err
	}
	req.Header.Set("Content-Type", "application/json")
	res, err := s.http.Do(req)
	if err != nil {
		return errors.New("Evrik does not answer. Check that it runs and try again.")
	}
	defer res.Body.Close()
	if res.StatusCode != http.StatusNoContent {
		return refusal(res.Body)
	}
	s.mu.Lock()
	defer s.mu.Unlock()
	if s.leave != nil {
		s.leave()
	}
	var follow context.Context
	follow, s.leave = context.WithCancel(ctx)
	s.onFeed++
	go s.follow(follow, s.onFeed)
	return nil
}

// Close ends the feed.
func (s *Scoreboard) Close() {
	s.mu.Lock()
	defer s.mu.Unlock()
	if s.leave != nil {
		s.leave()
	}
}

// feedPause is how long the scoreboard waits before it asks for the feed again.
const feedPause = time.Second

func (s *Scoreboard) follow(ctx context.Context, turn int) {
	for ctx.Err() == nil {
		err := s.read(ctx, turn)
		s.show(turn, func(b *Board) {
			b.On = false
			if b.Problem = "The feed has ended; trying again."; err != nil {
				b.Problem = err.Error()
			}
		})
		select {
		case <-ctx.Done():
		case <-time.After(feedPause):
		}
	}
}

// read shows one line of the feed after the other.
func (s *Scoreboard) read(ctx context.Context, turn int) error {
	req, err := http.NewRequestWithContext(ctx, http.MethodGet, s.base+"/api/display/feed", nil)
	if err != nil {
		return err
	}
	res, err := s.http.Do(req)
	if err != nil {
		return errors.New("Evrik does not answer; trying again.")
	}
	defer res.Body.Close()
	if res.StatusCode != http.StatusOK {
		return refusal(res.Body)
	}
	for lines := bufio.NewScanner(res.Body); lines.Scan(); {
		var line struct {
			Block, Next, Left string
			Running, Horn     bool
		}
		if err := json.Unmarshal(lines.Bytes(), &line); err != nil {
			return fmt.Errorf("A line of the feed cannot be read: %w", err)
		}
		s.show(turn, func(b *Board) {
			horns := b.Horns
			if line.Horn {
				horns++
			}
			*b = Board{On: true, Block: line.Block, Next: line.Next, Left: line.Left, Running: line.Running,
				Horns: horns}
		})
	}
	return nil
}

func (s *Scoreboard) show(turn int, change func(*Board)) {
	s.mu.Lock()
	defer s.mu.Unlock()
	if turn == s.onFeed {
		change(&s.board)
	}
}

// refusal is Evrik's sentence.
func refusal(r io.Reader) error {
	var p struct{ Detail string }
	if err := json.NewDecoder(r).Decode(&p); err != nil || p.Detail == "" {
		return errors.New("Evrik refused, and did not say why.")
	}
	return errors.New(p.Detail)
}
