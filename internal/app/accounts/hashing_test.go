package accounts

import (
	"context"
	"strings"
	"sync"
	"testing"

	"github.com/alexedwards/argon2id"

	"evrik/core/refusal"
)

func TestFewHashesAtOnce(t *testing.T) {
	h := NewHashing()
	var mu sync.Mutex
	running, most, done, refused := 0, 0, 0, 0
	open, started := make(chan bool), make(chan bool, 100)
	var wg sync.WaitGroup
	for range 40 {
		wg.Go(func() {
			err := h.do(t.Context(), func() error {
				mu.Lock()
				running++
				most = max(most, running)
				mu.Unlock()
				started <- true
				<-open
				mu.Lock()
				running--
				done++
				mu.Unlock()
				return nil
			})
			if err != nil {
				mu.Lock()
				refused++
				mu.Unlock()
			}
		})
	}
	<-started
	<-started
	close(open)
	wg.Wait()
	if most > hashesAtOnce || done+refused != 40 || done < hashesAtOnce || len(h.running) != 0 || len(h.waiting) != 0 {
		t.Errorf("%d ran at once; %d were done, %d refused", most, done, refused)
	}
	ctx, cancel := context.WithCancel(t.Context())
	cancel()
	h.running <- struct{}{}
	h.running <- struct{}{}
	if err := h.do(ctx, func() error { return nil }); err == nil || len(h.waiting) != 0 {
		t.Errorf("a request that was given up waits on: %v", err)
	}
}

// A password matches its own hash alone, and no account's as slowly.
func TestHashing(t *testing.T) {
	h := NewHashing()
	for length, ok := range map[int]bool{minPassword - 1: false, minPassword: true, maxPassword: true,
		maxPassword + 1: false} {
		password := strings.Repeat("é", length)
		hash, err := h.Hash(t.Context(), password)
		if !ok {
			if refusal.CodeOf(err) != "signin.password-length" {
				t.Errorf("%d characters: %v", length, err)
			}
			continue
		}
		if err != nil {
			t.Fatal(err)
		}
		for other, want := range map[string]bool{password: true, password + "x": false} {
			if match, err := h.Matches(t.Context(), other, hash); err != nil || match != want {
				t.Errorf("matches: %v, %v", match, err)
			}
		}
	}
	if match, err := h.Matches(t.Context(), "", ""); err != nil || match {
		t.Errorf("nobody: %v, %v", match, err)
	}
	if p, _, _, err := argon2id.DecodeHash(decoyHash); err != nil || *p != *argon2id.DefaultParams {
		t.Errorf("the decoy takes %+v, %v", p, err)
	}
}
