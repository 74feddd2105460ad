//go:build !mutate

package game

import (
	"fmt"
	"math/rand/v2"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"testing"

	"evrik/core/evidence"
	"evrik/core/reads"
)

// Minutes against the same question as an integer program, solved by glpsol (GLPK).
func TestMinutesAgainstGLPK(t *testing.T) {
	rng := rand.New(rand.NewPCG(8, 8))
	worst := 0.0
	for k := range 12 {
		people, form, ids := squad(rng, 8, run)
		terms := Terms{Available: ids, Minutes: 32}
		for i, id := range ids {
			if i < 5 {
				terms.Caps = append(terms.Caps, MinutesCap{id, float64(12 + 4*rng.IntN(5))})
			}
		}
		asks := Asks(run, reads.TeamRules{}, nil)
		found, err := Find(asks, form, people, terms, 1)
		if err != nil || len(found.Stints) != 8 {
			t.Fatalf("instance %d: %v, %d stints", k, err, len(found.Stints))
		}
		played := map[string]float64{}
		for _, s := range found.Stints {
			for _, id := range s.Players {
				played[id] += s.Minutes
			}
		}
		for _, id := range ids {
			if played[id] > terms.capOf(id)+1e-9 {
				t.Errorf("instance %d: %s plays %.0f of %.0f minutes", k, id, played[id], terms.capOf(id))
			}
		}
		best := glpsol(t, asks, form, people, terms) / 8
		if found.Share > best+1e-6 {
			t.Errorf("instance %d: %.5f, optimum %.5f", k, found.Share, best)
		}
		worst = max(worst, (best-found.Share)/best)
	}
	t.Logf("at most %.2f %% below the optimum", 100*worst)
	if worst > 0.01 {
		t.Errorf("%.2f %% below the optimum", 100*worst)
	}
}

func glpsol(t *testing.T, asks []Ask, form evidence.Form, people []Person, terms Terms) float64 {
	t.Helper()
	f := newFinder(asks, people, func(p Person, role reads.Role, read reads.Read) float64 {
		return form.Of(evidence.PlayerID(p.ID), role, read).Rate
	})
	ball := f.ballScores()
	var goal, all, ints []string
	uses := make([][]string, len(people))
	fives(len(people), func(at [onFloor]int) {
		x := fmt.Sprint("x", len(all))
		score, _, _ := f.score(at, ball)
		goal, all, ints = append(goal, fmt.Sprintf("%.12f %s", score, x)), append(all, x), append(ints, x)
		for _, k := range at {
			uses[k] = append(uses[k], x)
		}
	})
	model := "Maximize\n " + strings.Join(goal, " +\n ") + "\nSubject To\n " + strings.Join(all, " +\n ") + " = 8\n"
	for k, xs := range uses {
		model += " " + strings.Join(xs, " +\n ") + fmt.Sprintf(" <= %d\n", int(terms.capOf(people[k].ID)/4))
	}
	model += "General\n " + strings.Join(ints, "\n ") + "\nEnd\n"
	at, out := filepath.Join(t.TempDir(), "m.lp"), filepath.Join(t.TempDir(), "m.sol")
	if err := os.WriteFile(at, []byte(model), 0o600); err != nil {
		t.Fatal(err)
	}
	if text, err := exec.Command("glpsol", "--lp", at, "-w", out).CombinedOutput(); err != nil {
		t.Fatalf("%v\n%s", err, text)
	}
	data, err := os.ReadFile(out)
	if err != nil {
		t.Fatal(err)
	}
	for line := range strings.SplitSeq(string(data), "\n") {
		if w := strings.Fields(line); len(w) == 6 && w[0] == "s" && w[4] == "o" {
			v, err := strconv.ParseFloat(w[5], 64)
			if err != nil {
				t.Fatal(err)
			}
			return v
		}
	}
	t.Fatalf("no optimum: %s", data)
	return 0
}
