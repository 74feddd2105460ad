package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/jackc/pgx/v5"

	"evrik/e2e/browser"
)

// ask reads one value from the server's database.
func ask[T any](t testing.TB, s *server, sql string, args ...any) (v T) {
	t.Helper()
	conn, err := pgx.Connect(t.Context(), s.url(t))
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close(t.Context())
	if err := conn.QueryRow(t.Context(), sql, args...).Scan(&v); err != nil {
		t.Fatal(err)
	}
	return v
}

// url is the address of the server's database.
func (s *server) url(t testing.TB) string {
	t.Helper()
	for _, e := range s.env {
		if at, ok := strings.CutPrefix(e, "EVRIK_DATABASE_URL="); ok {
			return at
		}
	}
	t.Fatal("the server has a database of its own")
	return ""
}

// standing are the reps of a practice that nothing has taken back.
const standing = ` FROM rep_events r WHERE r.practice_id = $1::uuid AND r.kind = 'rep' AND NOT EXISTS (SELECT 1 FROM rep_events v WHERE v.voids = r.id)`

// audit waits until a page has sent everything and compares what it shows with what
// is stored: each rep is there, and there once.
func audit(t testing.TB, s *server, p *browser.Page, want int) {
	t.Helper()
	p.Text(fmt.Sprintf("%d logged", want))
	p.Text("All sent")
	practice := strings.Split(p.Path(), "/")[3]
	stored := ask[int](t, s, "SELECT count(*)"+standing, practice)
	once := ask[int](t, s, "SELECT count(DISTINCT (r.device, r.block_id, r.rep_no, r.role, r.player_id))"+standing,
		practice)
	shown := browser.Eval[int](p, "Number(document.querySelector('footer .count b').innerText)")
	if stored != want || once != want || shown != want {
		t.Errorf("%d reps were logged: %d are stored, %d of them once, %d are shown", want, stored, once, shown)
	}
}

// sample is a number of cases: few where the tests are short, all of them in make prove.
func sample(few, all int) int {
	if testing.Short() {
		return few
	}
	return all
}

// log logs some right answers with one key each.
func log(p *browser.Page, n int) {
	for range n {
		p.Press("1")
	}
}
