package archive

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"strconv"
	"strings"
	"sync"
	"time"
	"unicode/utf8"

	"github.com/santhosh-tekuri/jsonschema/v6"

	"evrik/core/court"
	"evrik/core/game"
	"evrik/core/motion"
	"evrik/core/offense"
	"evrik/core/practice"
	"evrik/core/refusal"
	"evrik/core/roster"
	"evrik/internal/store"
)

// maxNote is the length of a note, in bytes, as the routes take it.
const maxNote = 2000

// schemaURL names the published schema for its compiler; nothing is fetched.
const schemaURL = "archive.schema.json"

// schemas are the compiled schemas of a document's parts.
var schemas = sync.OnceValues(func() (func(part string) (*jsonschema.Schema, error), error) {
	doc, err := jsonschema.UnmarshalJSON(bytes.NewReader(Schema))
	if err != nil {
		return nil, err
	}
	compiler := jsonschema.NewCompiler()
	compiler.AssertFormat()
	if err := compiler.AddResource(schemaURL, doc); err != nil {
		return nil, err
	}
	var mu sync.Mutex
	return func(part string) (*jsonschema.Schema, error) {
		mu.Lock()
		defer mu.Unlock()
		return compiler.Compile(schemaURL + "#/properties/" + part)
	}, nil
})

// fits compares an item with the published schema of its part, such as "teams/items". The error
// names the path of the first fault inside the item.
func fits(part string, item json.RawMessage) error {
	of, err := schemas()
	if err != nil {
		return err
	}
	schema, err := of(part)
	if err != nil {
		return err
	}
	value, err := jsonschema.UnmarshalJSON(bytes.NewReader(item))
	if err != nil {
		return err
	}
	err = schema.Validate(value)
	var invalid *jsonschema.ValidationError
	if !errors.As(err, &invalid) {
		return err
	}
	for len(invalid.Causes) > 0 {
		invalid = invalid.Causes[0]
	}
	text := invalid.Error()
	if _, why, found := strings.Cut(text, "': "); found {
		text = why // without the place, which the path tells
	}
	return fault{invalid.InstanceLocation, refusal.New("archive.schema", text)}
}

// fault is what is wrong at a place inside an item.
type fault struct {
	path []string
	why  error
}

func (f fault) Error() string { return f.why.Error() }

// bad refuses an item as a whole.
func bad(code string, args ...any) error { return fault{why: refusal.New(code, args...)} }

// at refuses what is at a path inside an item; nil where nothing is wrong.
func at(path string, err error) error {
	if err == nil {
		return nil
	}
	if refusal.CodeOf(err) == "" {
		err = refusal.New("archive.value", err.Error())
	}
	return fault{[]string{path}, err}
}

// pathOf writes a place in a document as "teams[0].localRule".
func pathOf(part string, n int, inside []string) string {
	var b strings.Builder
	fmt.Fprintf(&b, "%s[%d]", part, n)
	for _, step := range inside {
		if _, err := strconv.Atoi(step); err == nil {
			fmt.Fprintf(&b, "[%s]", step)
		} else {
			b.WriteString("." + step)
		}
	}
	return b.String()
}

// strict decodes what the core reads later, so that nothing is saved that it could not read.
func strict[T any](raw json.RawMessage) (v T, there bool, err error) {
	if len(raw) == 0 || string(raw) == "null" {
		return v, false, nil
	}
	in := json.NewDecoder(bytes.NewReader(raw))
	in.DisallowUnknownFields()
	return v, true, in.Decode(&v)
}

// part decodes an optional value of an item, checks it as the routes do and returns it as it is
// stored: nil where it is absent.
func part[T any](path string, raw json.RawMessage, check func(T) error, stored func(T) []byte) ([]byte, error) {
	v, there, err := strict[T](raw)
	if err == nil && there {
		err = check(v)
	}
	if err != nil || !there {
		return nil, at(path, err)
	}
	return stored(v), nil
}

// checkTeam checks what a team brings along and replaces it by what is stored.
func checkTeam(t *Team) error {
	floor, there, err := strict[court.Court](t.Court)
	if err == nil && !there {
		err = refusal.New("archive.no-court")
	}
	if err == nil {
		err = floor.Validate()
	}
	if err != nil {
		return at("court", err)
	}
	t.Court = store.CourtJSON(floor)
	if err := shortText("name", t.Name, 1); err != nil {
		return err
	}
	if err := shortText("season", t.Season, 0); err != nil {
		return err
	}
	if _, ok := practice.AgeBand(t.Ages).Limits(); !ok {
		return at("ages", refusal.New("archive.ages", t.Ages))
	}
	if _, err := time.LoadLocation(t.Zone); err != nil || t.Zone == "" || t.Zone == "Local" {
		return at("zone", refusal.New("archive.zone", t.Zone))
	}
	if t.Pace, err = part("pace", t.Pace, motion.Pace.Validate,
		func(p motion.Pace) []byte { return store.PaceJSON(&p) }); err != nil {
		return err
	}
	if t.LocalRule, err = part("localRule", t.LocalRule, practice.LocalRule.Check, store.LocalRuleJSON); err != nil {
		return err
	}
	if t.SeasonAim, err = part("seasonAim", t.SeasonAim, practice.SeasonAim.CheckForm, store.AimJSON); err != nil {
		return err
	}
	runs := func(o offense.Offense) error { _, err := o.Ready(floor); return err }
	if t.Offense, err = part("offense", t.Offense, runs, store.OffenseJSON); err != nil {
		return err
	}
	t.Principles, err = part("principles", t.Principles, offense.CheckPrinciples, store.PrinciplesJSON)
	return err
}

// checkPractice checks a practice and replaces its terms by what is stored.
func checkPractice(p *Practice) (err error) {
	if err := practice.CheckForm(int(p.Minutes), p.Blocks); err != nil {
		return at("blocks", err)
	}
	if len(p.Dropped) > 0 {
		if err := practice.CheckForm(int(p.Minutes), p.Dropped); err != nil {
			return at("dropped", err)
		}
	}
	if err := longText("note", p.Note); err != nil {
		return err
	}
	if err := longText("review", p.Review); err != nil {
		return err
	}
	for _, rating := range append([]*int16{p.Effort}, effortsOf(p.People)...) {
		if rating == nil {
			continue
		}
		if err := practice.CheckEffort(int(*rating)); err != nil {
			return at("effort", err)
		}
	}
	p.Terms, err = part("terms", p.Terms, practice.Terms.Check, store.TermsJSON)
	return err
}

func effortsOf(people []Presence) (out []*int16) {
	for _, a := range people {
		out = append(out, a.Effort)
	}
	return out
}

func checkTemplate(t *Template) error {
	if err := shortText("name", t.Name, 1); err != nil {
		return err
	}
	return at("blocks", practice.CheckForm(int(t.Minutes), t.Blocks))
}

func checkGame(g *Game) error {
	if err := shortText("opponent", g.Opponent, 1); err != nil {
		return err
	}
	if err := longText("note", g.Note); err != nil {
		return err
	}
	if y := g.StartsAt.Year(); y < 2000 || y > 2200 {
		return at("startsAt", refusal.New("archive.year", y))
	}
	return at("mixes", game.CheckMixes(g.Mixes))
}

// maxShort is the length of a name, in characters, as the routes take it.
const maxShort = 80

func shortText(path, s string, least int) error {
	if n := utf8.RuneCountInString(strings.TrimSpace(s)); n < least || n > maxShort || !roster.Showable(s) {
		return at(path, refusal.New("archive.name", least, maxShort))
	}
	return nil
}

func longText(path, s string) error {
	if len(s) > maxNote || !utf8.ValidString(s) || strings.ContainsRune(s, 0) {
		return at(path, refusal.New("archive.note", maxNote))
	}
	return nil
}
