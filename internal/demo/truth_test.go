package demo

import (
	"math"
	"slices"
	"strings"
	"testing"
	"time"

	"evrik/core/evidence"
	"evrik/core/reads"
	"evrik/internal/pgtest"
	"evrik/internal/store/gen"
)

// numberAt is the number of the practice at whose rates a rep was made.
func numberAt(now, at time.Time) int {
	y, m, d := now.Date()
	ago := int(math.Round(time.Date(y, m, d, 12, 0, 0, 0, now.Location()).Sub(at).Hours() / 24))
	if k := slices.Index(daysAgo[:], ago); k >= 0 {
		return k
	}
	return int(math.Round(9 - practicePerDay*float64(ago)))
}

// What the product says of the demo's players is what the seed's hidden rates are: the
// ranges hold the true rate at least as often as they claim, a verdict is wrong no more often
// than it claims, and every player with a story is told apart.
func TestTheHiddenRatesAreRecovered(t *testing.T) {
	db, ctx, p := pgtest.Store(t), t.Context(), evidence.DefaultPolicy()
	now := time.Date(2026, 1, 20, 12, 0, 0, 0, time.UTC)
	if err := Ensure(ctx, db, now, false); err != nil {
		t.Fatal(err)
	}
	head, err := db.StaffByEmail(ctx, SignIn.Email)
	if err != nil {
		t.Fatal(err)
	}
	teams, err := db.TeamsOfProgram(ctx, head.ProgramID)
	if err != nil {
		t.Fatal(err)
	}
	bases := map[string]map[reads.Read]float64{}
	members := map[string]member{}
	for i, s := range squads {
		bases[teams[i].ID.String()] = s.base
		for _, m := range s.players {
			members[m.name] = m
		}
	}
	var held, missed, inside, wrongHas, wrongNot, all int
	stories := map[string]bool{}
	for _, team := range teams {
		players, err := db.PlayersOfTeam(ctx, gen.PlayersOfTeamParams{ProgramID: head.ProgramID, TeamID: team.ID})
		if err != nil {
			t.Fatal(err)
		}
		log, err := db.TeamLog(ctx, p, team, players, now)
		if err != nil {
			t.Fatal(err)
		}
		h := log.History(p)
		for _, player := range players {
			m := members[player.Name]
			reps, err := db.RepsOfPlayer(ctx, head.ProgramID, player.ID)
			if err != nil {
				t.Fatal(err)
			}
			// The true rate of a read in a group is that of its newest practice.
			type key struct {
				read  reads.Read
				group evidence.Group
			}
			rates, days := map[key][]float64{}, map[key]time.Time{}
			for _, r := range reps { // oldest first
				group, ok := evidence.GroupOf(r.Rung)
				if k := (key{r.Expected, group}); ok {
					if r.At.Sub(days[k]) > 6*time.Hour {
						rates[k], days[k] = nil, r.At
					}
					rates[k] = append(rates[k], trueRate(bases[team.ID.String()], m, r.Expected, r.Rung, r.Side,
						numberAt(now, r.At)))
				}
			}
			for _, info := range reads.Catalogue() {
				st := p.Stand(h, evidence.Skill{Player: evidence.PlayerID(player.ID.String()), Role: info.Role,
					Read: info.ID}, now)
				for _, in := range st.Groups {
					list := rates[key{info.ID, in.Group}]
					if in.Judgement.Reps == 0 || len(list) == 0 {
						continue
					}
					rate := 0.0
					for _, r := range list {
						rate += r / float64(len(list))
					}
					all++
					if in.Judgement.Interval.Low <= rate && rate <= in.Judgement.Interval.High {
						inside++
					}
					switch in.Judgement.Verdict {
					case evidence.HasIt:
						held++
						if rate < in.Judgement.Target {
							wrongHas++
						}
					case evidence.NotYet:
						missed++
						if rate >= in.Judgement.Target {
							wrongNot++
						}
					case evidence.Lapsed:
						stories[player.Name+" had it"] = true
					}
				}
				for story, said := range map[string]string{" better right": st.Gap, " does less": st.Does,
					" plays less": st.Game} {
					if said != "" && (story != " better right" || strings.Contains(said, "on the right")) {
						stories[player.Name+story] = true
					}
				}
			}
		}
	}
	share := func(n, of int) float64 { return float64(n) / float64(of) }
	t.Logf("%d rates, %.0f %% inside their range; has it: %d, %d wrong; not yet: %d, %d wrong", all,
		100*share(inside, all), held, wrongHas, missed, wrongNot)
	if held < 40 || missed < 10 || all < 400 {
		t.Fatalf("the demo says too little: %d held, %d not, of %d", held, missed, all)
	}
	// Three standard deviations of what is claimed, at these numbers.
	most := func(n int) float64 { return (1 - p.Sure) + 3*math.Sqrt(p.Sure*(1-p.Sure)/float64(n)) }
	if share(wrongHas, held) > most(held) || share(wrongNot, missed) > most(missed) {
		t.Errorf("wrong more often than claimed: has it %d of %d, not yet %d of %d", wrongHas, held, wrongNot, missed)
	}
	// A belief that allows for learning is rather too wide for rates that stand still.
	if got := share(inside, all); got < p.Level-3*math.Sqrt(p.Level*(1-p.Level)/float64(all)) {
		t.Errorf("%.1f %% of the true rates lie inside their range, which claims %.0f %%", 100*got, 100*p.Level)
	}
	for _, want := range []string{"Bram better right", "Tavi does less", "Pia plays less", "Rafe had it"} {
		if !stories[want] {
			t.Errorf("the demo does not show: %s", want)
		}
	}
}
