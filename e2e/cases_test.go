package e2e

import (
	"net/http"
	"net/http/httptest"
	"testing"

	"evrik/e2e/browser"
)

// What the interface decides by itself, without a server, is held to cases of its own: the queue of what is logged, who
// is up, drafts and their undo, the team's clock. They are built into one file, which this runs.
func TestCasesOfTheInterface(t *testing.T) {
	t.Parallel()
	mux := http.NewServeMux()
	mux.Handle("/cases.js", http.FileServer(http.Dir("../web/.cases")))
	mux.HandleFunc("/", func(w http.ResponseWriter, _ *http.Request) {
		w.Header().Set("Content-Type", "text/html")
		_, _ = w.Write([]byte(`<!doctype html><title>Cases</title><script src="/cases.js"></script>`))
	})
	server := httptest.NewServer(mux)
	t.Cleanup(server.Close)
	p, stop := browser.Start(server.URL, func(args ...any) { t.Helper(); t.Fatal(args...) })
	t.Cleanup(stop)
	p.Open("/")
	p.Until("typeof globalThis.cases?.run === 'function'")
	ran := browser.Eval[[]struct{ Name, Problem string }](p, "globalThis.cases.run()")
	for _, c := range ran {
		if c.Problem != "" {
			t.Errorf("%s: %s", c.Name, c.Problem)
		}
	}
	if len(ran) < 18 {
		t.Errorf("only %d cases ran", len(ran))
	}
}
