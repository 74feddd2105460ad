// Package archive writes a whole program as one JSON document and reads it back: an
// open format with a schema and a version, streamed, so that ten seasons of reps need
// no more memory than one.
package archive

import (
	_ "embed"
	"encoding/json"
	"time"

	"github.com/google/uuid"

	"evrik/core/evidence"
	"evrik/core/game"
	"evrik/core/practice"
)

// Format and Version of what is written. A reader takes every version up to its own.
const (
	Format  = "evrik-archive"
	Version = 2
)

// Schema is the JSON schema of the format.
//
//go:embed archive.schema.json
var Schema []byte

// Program says whose archive it is.
type Program struct {
	Name       string `json:"name"`
	KeepMonths *int32 `json:"keepMonths,omitempty"`
}

// Coach is somebody who logged. No address and no password leaves the program.
type Coach struct {
	ID   uuid.UUID `json:"id"`
	Name string    `json:"name"`
}

// Team with its settings; what the core reads itself is kept as it is.
type Team struct {
	ID           uuid.UUID       `json:"id"`
	Name         string          `json:"name"`
	Season       string          `json:"season"`
	Ages         string          `json:"ages"`
	Zone         string          `json:"zone"`
	Court        json.RawMessage `json:"court"`
	Metric       bool            `json:"metric"`
	FadeToCorner bool            `json:"fadeToCorner"`
	FlareFirst   bool            `json:"flareFirst"`
	ShootFirst   bool            `json:"shootFirst"`
	AllActions   bool            `json:"allActions,omitempty"`
	HomeDrills   []string        `json:"homeDrills,omitempty"`
	Position     int32           `json:"position"`
	Pace         json.RawMessage `json:"pace,omitempty"`
	LocalRule    json.RawMessage `json:"localRule,omitempty"`
	SeasonAim    json.RawMessage `json:"seasonAim,omitempty"`
	Offense      json.RawMessage `json:"offense,omitempty"`
	// OffenseFollows is the team whose offense this one plays with its changes.
	OffenseFollows *uuid.UUID      `json:"offenseFollows,omitempty"`
	Principles     json.RawMessage `json:"principles,omitempty"`
}

// Player is all that is kept of a child.
type Player struct {
	ID      uuid.UUID `json:"id"`
	Team    uuid.UUID `json:"team"`
	Jersey  string    `json:"jersey"`
	Name    string    `json:"name"`
	Handler bool      `json:"handler"`
	Wing    bool      `json:"wing"`
	Big     bool      `json:"big"`
	Shooter bool      `json:"shooter"`
	Answers []Answer  `json:"answers,omitempty"`
	Home    []Home    `json:"home,omitempty"`
}

// Home is what a player told of shooting at home.
type Home struct {
	ID    uuid.UUID     `json:"id"`
	Drill string        `json:"drill"`
	At    time.Time     `json:"at"`
	Right evidence.Side `json:"right"`
	Left  evidence.Side `json:"left"`
}

// Answer of a player to a question away from the floor; right where the choice is what
// was expected and not late.
type Answer struct {
	ID       uuid.UUID `json:"id"`
	Action   string    `json:"action"`
	Cue      string    `json:"cue"`
	Step     int32     `json:"step"`
	Seed     int64     `json:"seed"`
	Expected string    `json:"expected"`
	Choice   string    `json:"choice"`
	Late     bool      `json:"late"`
	Seconds  float64   `json:"seconds"`
	At       time.Time `json:"at"`
}

// Drill of the program's own, as a drill file holds it.
type Drill struct {
	ID       uuid.UUID       `json:"id"`
	Archived bool            `json:"archived"`
	Drill    json.RawMessage `json:"drill"`
}

// Template is a plan kept for another evening.
type Template struct {
	ID      uuid.UUID        `json:"id"`
	Name    string           `json:"name"`
	Minutes int32            `json:"minutes"`
	Blocks  []practice.Block `json:"blocks"`
}

// Practice with its plan, who was there and what was done to its clock.
type Practice struct {
	ID       uuid.UUID        `json:"id"`
	Team     uuid.UUID        `json:"team"`
	StartsAt time.Time        `json:"startsAt"`
	Minutes  int32            `json:"minutes"`
	Note     string           `json:"note"`
	Review   string           `json:"review"`
	Effort   *int16           `json:"effort,omitempty"`
	Status   string           `json:"status"`
	BeganAt  *time.Time       `json:"beganAt,omitempty"`
	Terms    json.RawMessage  `json:"terms,omitempty"`
	Blocks   []practice.Block `json:"blocks"`
	Dropped  []practice.Block `json:"dropped"`
	People   []Presence       `json:"people"`
	Clock    []ClockEvent     `json:"clock"`
	Changes  []Change         `json:"changes"`
	Counts   []FloorCount     `json:"counts,omitempty"`
}

// FloorCount is what was counted in a live block.
type FloorCount struct {
	ID       uuid.UUID `json:"id"`
	Block    uuid.UUID `json:"block"`
	Rep      int32     `json:"rep"`
	At       time.Time `json:"at"`
	What     string    `json:"what"`
	By       int32     `json:"by"`
	Observer uuid.UUID `json:"observer"`
	Device   string    `json:"device"`
}

// Presence is who was at a practice.
type Presence struct {
	Player  uuid.UUID `json:"player"`
	Limited bool      `json:"limited"`
	Gone    string    `json:"gone"`
	Effort  *int16    `json:"effort,omitempty"`
}

// ClockEvent is what was done to a clock.
type ClockEvent struct {
	At     time.Time  `json:"at"`
	Action string     `json:"action"`
	Block  *uuid.UUID `json:"block,omitempty"`
}

// Change is who came or went, or a swap of the sides.
type Change struct {
	ID     uuid.UUID  `json:"id"`
	At     time.Time  `json:"at"`
	Kind   string     `json:"kind"`
	Block  *uuid.UUID `json:"block,omitempty"`
	After  int32      `json:"after"`
	Player *uuid.UUID `json:"player,omitempty"`
	Was    string     `json:"was"`
	State  string     `json:"state"`
}

// Game with what was expected and what the bench counted.
type Game struct {
	ID       uuid.UUID   `json:"id"`
	Team     uuid.UUID   `json:"team"`
	StartsAt time.Time   `json:"startsAt"`
	Opponent string      `json:"opponent"`
	Away     bool        `json:"away"`
	Note     string      `json:"note"`
	Mixes    []game.Mix  `json:"mixes"`
	Terms    game.Terms  `json:"terms"`
	Counts   []GameCount `json:"counts"`
}

// GameCount is one count of a bench.
type GameCount struct {
	ID       uuid.UUID `json:"id"`
	At       time.Time `json:"at"`
	What     string    `json:"what"`
	By       int32     `json:"by"`
	Observer uuid.UUID `json:"observer"`
	Device   string    `json:"device"`
}

// Kept is what is left of reps without a player.
type Kept struct {
	Team     uuid.UUID `json:"team"`
	Role     string    `json:"role"`
	Expected string    `json:"expected"`
	Made     string    `json:"made"`
	Rung     string    `json:"rung"`
	Reps     int32     `json:"reps"`
	Correct  bool      `json:"correct,omitempty"`
}

// Event is a line of the log: a rep, or one taken back.
type Event struct {
	ID        uuid.UUID  `json:"id"`
	Team      uuid.UUID  `json:"team"`
	Practice  uuid.UUID  `json:"practice"`
	Block     uuid.UUID  `json:"block"`
	Kind      string     `json:"kind"`
	Voids     *uuid.UUID `json:"voids,omitempty"`
	No        int32      `json:"no"`
	At        time.Time  `json:"at"`
	Player    uuid.UUID  `json:"player"`
	Role      string     `json:"role"`
	Drill     string     `json:"drill"`
	Rung      string     `json:"rung"`
	Action    string     `json:"action"`
	Side      string     `json:"side"`
	Cue       string     `json:"cue"`
	Expected  string     `json:"expected"`
	Made      string     `json:"made"`
	Correct   bool       `json:"correct"`
	Late      bool       `json:"late"`
	Outcome   string     `json:"outcome"`
	Tags      []string   `json:"tags"`
	Observer  uuid.UUID  `json:"observer"`
	Device    string     `json:"device"`
	SecondCue string     `json:"secondCue,omitempty"`
}

// End closes a document: who reads it knows that nothing is missing.
type End struct {
	Players   int `json:"players"`
	Practices int `json:"practices"`
	Games     int `json:"games"`
	Events    int `json:"events"`
}
