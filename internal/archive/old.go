package archive

import (
	"bytes"
	"encoding/json"
)

// renamed is what version 1 calls the members of an item, by part and by the list inside the
// item; "" is the item itself.
var renamed = map[string]map[string]map[string]string{
	"players":   {"answers": {"screen": "action"}},
	"drills":    {"drill": {"screen": "action"}},
	"plans":     {"blocks": {"end": "basket"}},
	"practices": {"blocks": {"end": "basket"}, "dropped": {"end": "basket"}},
	"kept":      {"": {"right": "correct"}},
	"events":    {"": {"screen": "action", "right": "correct", "corrections": "tags"}},
}

// upgrade is an item of version 1 as this version writes it. What has none of the old names
// stays as it is.
func upgrade(part string, item json.RawMessage) (json.RawMessage, error) {
	in := json.NewDecoder(bytes.NewReader(item))
	in.UseNumber() // seeds are longer than a float
	var value map[string]any
	if err := in.Decode(&value); err != nil {
		return item, err
	}
	for list, names := range renamed[part] {
		if list == "" {
			rename(value, names)
			continue
		}
		rename(value[list], names)
	}
	return json.Marshal(value)
}

// rename gives the members of an object, or of every object of a list, other names.
func rename(value any, names map[string]string) {
	switch v := value.(type) {
	case []any:
		for _, each := range v {
			rename(each, names)
		}
	case map[string]any:
		for old, name := range names {
			if was, ok := v[old]; ok {
				v[name] = was
				delete(v, old)
			}
		}
	}
}
