package drill

import (
	"fmt"
	"slices"
	"testing"
)

// spreadOf is by how much offense and position counts differ, from the list alone.
func spreadOf(n, size int, crews [][]int) (offense, role int) {
	count := make([]int, n)
	at := make([][]int, size)
	for i := range at {
		at[i] = make([]int, n)
	}
	for _, c := range crews {
		for i, p := range c {
			count[p]++
			at[i][p]++
		}
	}
	offense = slices.Max(count) - slices.Min(count)
	for _, r := range at {
		role = max(role, slices.Max(r)-slices.Min(r))
	}
	return offense, role
}

func TestCrewsAreFair(t *testing.T) {
	worst := map[string]int{}
	for size := 3; size <= 5; size++ {
		for n := size; n <= MaxPlayers; n++ {
			for baskets := 1; baskets <= 2; baskets++ {
				for _, rest := range []bool{false, true} {
					for _, total := range []int{1, n / 2, n, 2*n + 1, 40} {
						in := crewSetup{n: n, size: size, baskets: baskets, total: total, rest: rest}
						crews := dealCrews(in, 7)
						if need := size * baskets; n < need || rest && n < 2*need {
							if crews != nil {
								t.Fatalf("%+v: dealt with too few", in)
							}
							continue
						}
						if len(crews) != total {
							t.Fatalf("%+v: %d crews", in, len(crews))
						}
						before := []int(nil)
						for k := 0; k < total; k += baskets {
							var now []int
							for _, c := range crews[k:min(total, k+baskets)] {
								now = append(now, c...)
							}
							for i, p := range now {
								if slices.Contains(now[:i], p) || rest && slices.Contains(before, p) {
									t.Fatalf("%+v: %d is on twice in %v after %v", in, p, now, before)
								}
							}
							before = now
						}
						o, r := spreadOf(n, size, crews)
						if o > 1 || r > 1 {
							worst[fmt.Sprintf("size %d n %d b %d rest %v total %d", size, n, baskets, rest,
								total)] = max(o, r)
						}
					}
				}
			}
		}
	}
	for k, v := range worst {
		t.Errorf("%s: %d", k, v)
	}
}
