package web

import (
	"net/http"
	"reflect"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/internal/app/quizzes"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// answerTo is what a phone sends of an item.
func answerTo(it api.QuizItem, choice string, seconds float64, at time.Time) map[string]any {
	return map[string]any{"id": uuid.NewString(), "card": it.Card, "step": int(it.Step), "seed": it.Seed,
		"choice": choice, "seconds": seconds, "at": at}
}

// A player without an account answers; the answers are stored once however often they
// are sent, count apart from the floor, and end with the link or the player.
func TestQuiz(t *testing.T) {
	w := newWorld(t)
	c, other := w.club("club", 2), w.club("other", 1)
	head, phone := w.as(c.head), w.agent()
	at := c.path("/players/" + c.players[0].String() + "/quiz")
	var link api.MadeLink
	w.as(c.helper).do("POST", at, nil, 201, &link)
	mine := "/api" + link.Path
	var pack api.QuizPack
	phone.do("GET", mine+"?size=12", nil, 200, &pack)
	if len(pack.Items) != 12 || pack.Step != 1 || len(pack.Scenes) != 1 || len(pack.Reads) < 2 ||
		pack.Shape.Asked != 0 {
		t.Fatalf("%d items of %d scenes on step %d", len(pack.Items), len(pack.Scenes), pack.Step)
	}
	ahead := evening.Add(400 * 24 * time.Hour) // the phone's clock is wrong
	var all []map[string]any
	asleep := 3 * time.Hour.Seconds() // a phone that was put away while it asked
	for i, it := range pack.Items[:10] {
		choice, seconds := string(it.Right), 0.5
		if i == 0 {
			choice, seconds = "", asleep
		}
		all = append(all, answerTo(it, choice, seconds, ahead))
	}
	again := answerTo(pack.Items[3], string(pack.Items[3].Right), 0.1, ahead) // the same item once more
	unknown := answerTo(pack.Items[3], "curl", 1, ahead)
	unknown["card"] = map[string]string{"action": "no such", "cue": "trail"}
	var got api.QuizStored
	phone.do("POST", mine, append(append([]map[string]any{}, all...), again, unknown), 200, &got)
	if got.Stored != 10 || got.Step != 2 || got.Shape.Asked != 10 || got.Shape.Right != 9 {
		t.Errorf("%+v", got)
	}
	phone.do("POST", mine, all, 200, &got)
	if got.Stored != 0 || got.Shape.Asked != 10 {
		t.Errorf("sent twice: %+v", got)
	}
	var seen api.PlayerQuiz
	head.do("GET", at, nil, 200, &seen)
	sum := 0
	for _, r := range seen.Reads {
		sum += r.Asked
	}
	if sum != 10 || seen.LinkMade == nil || seen.Last == nil || seen.Last.After(w.now) {
		t.Errorf("%+v", seen)
	}
	// The floor's record knows nothing of it.
	var card api.Card
	head.do("GET", c.path("/players/"+c.players[0].String()), nil, 200, &card)
	if len(card.Recent) != 0 {
		t.Errorf("the quiz's answers count as reps: %+v", card.Recent)
	}
	bad := answerTo(pack.Items[0], "curl", -1, ahead)
	phone.do("POST", mine, []any{bad}, 422, nil)
	phone.do("POST", mine, []any{}, 422, nil)
	phone.refused("GET", mine+"?size=4000000", nil, 422, "quiz.count")
	phone.refused("GET", "/api/quiz/guessed?size=4", nil, 404, "quiz.link-dead")
	// A new link ends the old one; ending it keeps the answers.
	var second api.MadeLink
	head.do("POST", at, nil, 201, &second)
	phone.refused("POST", mine, all, 404, "quiz.link-dead")
	phone.do("GET", "/api"+second.Path+"?size=4", nil, 200, &pack)
	head.do("DELETE", at, nil, 204, nil)
	head.refused("DELETE", at, nil, 404, "link.missing")
	phone.refused("GET", "/api"+second.Path+"?size=4", nil, 404, "quiz.link-dead")
	var after api.PlayerQuiz
	head.do("GET", at, nil, 200, &after)
	if after.LinkMade != nil || after.Shape.Asked != 10 {
		t.Errorf("after the link's end: %+v", after)
	}
	head.do("POST", other.path("/players/"+other.players[0].String()+"/quiz"), nil, 404, nil)
}

// Links are made for the whole team at once; what ends one by a slip of the thumb can be undone.
func TestPlayerLinks(t *testing.T) {
	w := newWorld(t)
	c, other := w.club("club", 3), w.club("other", 1)
	head, phone := w.as(c.head), w.agent()
	made := func(players ...uuid.UUID) []api.NewPlayerLink {
		t.Helper()
		var out []api.NewPlayerLink
		head.do("POST", c.path("/links"), api.PlayerLinksInput{Players: players}, 201, &out)
		return out
	}
	opens := func(path string, status int) {
		t.Helper()
		phone.do("GET", "/api"+path+"?size=2", nil, status, nil)
	}
	first := made(c.players[0], c.players[1])
	if len(first) != 2 || first[0].Player != c.players[0] || first[0].Path == first[1].Path {
		t.Fatalf("made %+v", first)
	}
	opens(first[0].Path, 200)
	opens(first[1].Path, 200)
	at := c.path("/players/" + c.players[0].String() + "/quiz")
	head.do("DELETE", at, nil, 204, nil)
	opens(first[0].Path, 404)
	head.do("POST", at+"/restore", nil, 204, nil)
	opens(first[0].Path, 200)
	// Whoever is not on the team gets none, and nobody else either.
	head.do("POST", c.path("/links"), api.PlayerLinksInput{Players: []uuid.UUID{c.players[2], other.players[0]}}, 404,
		nil)
	var list []api.PlayerLink
	head.do("GET", c.path("/links"), nil, 200, &list)
	for _, l := range list {
		if (l.Made != nil) != (l.Player != c.players[2]) || len(list) != 3 {
			t.Errorf("links %+v", list)
		}
	}
}

func TestRound(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 1)
	head := w.as(c.head)
	var one, two api.QuizPack
	head.do("GET", c.path("/round?step=3&seed=5"), nil, 200, &one)
	head.do("GET", c.path("/round?step=3&seed=5"), nil, 200, &two)
	if len(one.Items) != quizzes.RoundSize || one.Items[0].Right != two.Items[0].Right ||
		one.Items[0].Seed != two.Items[0].Seed {
		t.Errorf("a round of %d that cannot be repeated", len(one.Items))
	}
	head.do("GET", c.path("/round?step=1&seed=5&action=flare"), nil, 200, &one)
	if len(one.Scenes) != 1 || one.Scenes[0].Id != "flare" {
		t.Errorf("scenes %+v", one.Scenes)
	}
	head.refused("GET", c.path("/round?step=1&seed=5&action=nothing"), nil, 422, "quiz.no-questions")
	head.refused("GET", c.path("/round?step=9&seed=5"), nil, 422, "quiz.step")
}

// A round goes to the displays of a practice: the same questions, one after the
// other as the coach goes on, until it is ended or nothing is heard of it.
func TestRoundOnSecondScreens(t *testing.T) {
	w := newWorld(t)
	c, head, _, at := onFloor(w)
	var code api.DisplayCode
	head.do("POST", at+"/displays", nil, 201, &code)
	wall := w.agent()
	wall.refused("GET", "/api/display/round", nil, 401, "display.not-paired")
	wall.do("POST", "/api/display/pair", map[string]string{"code": code.Code}, 204, nil)
	wall.refused("GET", "/api/display/round", nil, 404, "quiz.no-round")
	news := wall.follow(w.server.URL, "/api/display/live")
	var nothing map[string]any
	news.hears("again", &nothing)

	round := api.RoundState{Step: 3, Seed: 5, Action: "flare"}
	head.do("PUT", at+"/round", round, 204, nil)
	var heard api.RoundState
	if news.hears("round", &heard); heard != round {
		t.Errorf("%+v", heard)
	}
	var mine, shown api.QuizPack
	head.do("GET", c.path("/round?step=3&seed=5&action=flare"), nil, 200, &mine)
	wall.do("GET", "/api/display/round", nil, 200, &shown)
	if !reflect.DeepEqual(mine.Items, shown.Items) || len(shown.Items) != quizzes.RoundSize {
		t.Error("the screen has other questions than the coach")
	}
	round.Question, round.Told, round.Again = 4, true, 1
	head.do("PUT", at+"/round", round, 204, nil)
	var d api.DisplayView
	if news.hears("round", &heard); heard != round {
		t.Errorf("%+v", heard)
	}
	if wall.do("GET", "/api/display", nil, 200, &d); d.Round == nil || *d.Round != round {
		t.Errorf("%+v", d.Round)
	}
	// Nonsense leaves it as it is.
	head.refused("PUT", at+"/round", api.RoundState{Step: 3, Seed: 5, Action: "flare", Question: quizzes.RoundSize},
		422, "quiz.round-length")
	head.refused("PUT", at+"/round", api.RoundState{Step: 3, Seed: 5, Action: "nothing"}, 422, "quiz.no-questions")
	if wall.do("GET", "/api/display", nil, 200, &d); d.Round == nil || *d.Round != round {
		t.Errorf("%+v", d.Round)
	}
	// Nothing is heard of it for long, or it is ended: the practice is shown again.
	forgotten := api.DisplayView{}
	w.now = evening.Add(16 * time.Minute)
	if wall.do("GET", "/api/display", nil, 200, &forgotten); forgotten.Round != nil {
		t.Errorf("%+v", forgotten.Round)
	}
	w.now = evening
	head.do("DELETE", at+"/round", nil, 204, nil)
	gone := &heard
	if news.hears("round", &gone); gone != nil {
		t.Errorf("%+v", gone)
	}
	wall.refused("GET", "/api/display/round", nil, 404, "quiz.no-round")
}

// A player who moves up keeps link and answers; one who is erased takes both along.
func TestQuizFollowsThePlayer(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 2)
	up := w.teamOf(c, "older")
	head, phone := w.as(c.head), w.agent()
	player := c.players[0].String()
	var link api.MadeLink
	head.do("POST", c.path("/players/"+player+"/quiz"), nil, 201, &link)
	mine := "/api" + link.Path
	var pack api.QuizPack
	phone.do("GET", mine+"?size=3", nil, 200, &pack)
	for _, it := range pack.Items {
		phone.do("POST", mine, []any{answerTo(it, string(it.Right), 0.9, evening)}, 200, nil)
	}
	head.do("PUT", c.path("/players/"+player+"/team"), map[string]any{"team": up.team}, 204, nil)
	head.do("GET", c.path("/players/"+player+"/quiz"), nil, 404, nil)
	var seen api.PlayerQuiz
	head.do("GET", up.path("/players/"+player+"/quiz"), nil, 200, &seen)
	if seen.Shape.Asked != 3 || seen.LinkMade == nil {
		t.Errorf("after moving up: %+v", seen)
	}
	phone.do("GET", mine+"?size=3", nil, 200, &pack)
	if pack.Shape.Asked != 3 {
		t.Errorf("the link knows of %d answers", pack.Shape.Asked)
	}
	head.do("DELETE", up.path("/players/"+player), nil, 200, nil)
	phone.refused("GET", mine+"?size=3", nil, 404, "quiz.link-dead")
	phone.refused("POST", mine, []any{answerTo(pack.Items[0], "", 2, evening)}, 404, "quiz.link-dead")
	rows, err := w.db.QuizAnswers(t.Context(), gen.QuizAnswersParams{ProgramID: c.program, PlayerID: c.players[0]})
	if err != nil || len(rows) != 0 {
		t.Errorf("%d answers of an erased player are kept, %v", len(rows), err)
	}
}

// Who guesses links is soon kept out, as at the sign-in; a page for a link tells the
// browser to fetch the questions with it.
func TestLinksCannotBeGuessed(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 1)
	guess := w.agent()
	last := 0
	for range 200 {
		if last = guess.status("GET", "/api/quiz/"+uuid.NewString()+"?size=4", nil); last == 429 {
			break
		}
	}
	if last != 429 {
		t.Errorf("after 200 guesses: %d", last)
	}
	w.as(c.head) // and still the coach gets in from there
	for path, want := range map[string]string{
		"/quiz/abc_-1": "</api/quiz/abc_-1?size=10>; rel=preload; as=fetch; crossorigin", "/quiz/a%3Eb": "",
		"/" + c.team.String() + "/now": "",
	} {
		res, err := http.Get(w.server.URL + path)
		if err != nil {
			t.Fatal(err)
		}
		res.Body.Close()
		if got := res.Header.Get("Link"); res.StatusCode != 200 || got != want {
			t.Errorf("%s: %d, Link %q", path, res.StatusCode, got)
		}
	}
	// A link with the old address of the quiz is sent on to the new one.
	res, err := http.Get(w.server.URL + "/eyes/abc_-1")
	if err != nil {
		t.Fatal(err)
	}
	res.Body.Close()
	if res.StatusCode != 200 || res.Request.URL.Path != "/quiz/abc_-1" {
		t.Errorf("an old link ends at %s, %d", res.Request.URL.Path, res.StatusCode)
	}
}

// Answers are kept as long as single reps are, and no longer.
func TestAnswersAreForgottenWithTheReps(t *testing.T) {
	w := newWorld(t)
	c := w.club("club", 1)
	head, phone := w.as(c.head), w.agent()
	at := c.path("/players/" + c.players[0].String() + "/quiz")
	var link api.MadeLink
	head.do("POST", at, nil, 201, &link)
	mine := "/api" + link.Path
	var pack api.QuizPack
	phone.do("GET", mine+"?size=6", nil, 200, &pack)
	send := func(items []api.QuizItem) {
		for _, it := range items {
			phone.do("POST", mine, []any{answerTo(it, string(it.Right), 0.9, w.now)}, 200, nil)
		}
	}
	send(pack.Items[:4])
	w.now = w.now.AddDate(1, 1, 0)
	send(pack.Items[4:])
	head = w.as(c.head)
	head.do("PUT", "/api/program/settings", map[string]int{"keepMonths": 12}, 200, nil)
	var seen api.PlayerQuiz
	head.do("GET", at, nil, 200, &seen)
	if seen.Shape.Asked != 2 {
		t.Errorf("%d answers are kept, want the 2 of this year", seen.Shape.Asked)
	}
}
