package store

import (
	"bytes"
	"encoding/json"
	"fmt"

	"evrik/core/refusal"
)

// documentVersion is the version of the documents in jsonb columns: terms, kept plans, what a
// practice dropped, a game's coverages and line-ups, offenses, principles, seasons and local
// rules. Documents without a version are of before there was one, version 0; they have the
// same members, some of them fewer.
const documentVersion = 1

// document is how a value is stored.
type document struct {
	Version int             `json:"version"`
	Value   json.RawMessage `json:"value"`
}

// jsonOf is a value as it is stored in a column of its own kind. Values of the core are plain
// data that their Check has seen, so that writing them cannot fail.
func jsonOf(v any) []byte {
	b, err := json.Marshal(v)
	if err != nil {
		panic(err)
	}
	return b
}

// documentOf is a value as it is stored with its version.
func documentOf(v any) []byte { return jsonOf(document{documentVersion, jsonOf(v)}) }

// open returns the value of a stored document, and its version.
func open(column []byte) (json.RawMessage, int) {
	var d document
	strict := json.NewDecoder(bytes.NewReader(column))
	strict.DisallowUnknownFields()
	if err := strict.Decode(&d); err != nil || d.Version == 0 || d.Value == nil {
		return column, 0
	}
	return d.Value, d.Version
}

// Plain is a stored document without its version, for what leaves the database; nil for an
// empty column.
func Plain(column []byte) json.RawMessage {
	if column == nil {
		return nil
	}
	value, _ := open(column)
	return value
}

// read fills a value from a stored document; an empty column leaves it as it is.
func read(what string, column []byte, into any) error {
	if column == nil {
		return nil
	}
	value, version := open(column)
	if version > documentVersion {
		return refusal.New("store.newer", version, documentVersion)
	}
	if err := json.Unmarshal(value, into); err != nil {
		return fmt.Errorf("%s cannot be read: %w", what, err)
	}
	return nil
}
