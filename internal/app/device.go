package app

import "time"

// SeenAt is when something happened by a device's clock; one that runs ahead does not date it in the future.
func SeenAt(at, now time.Time) time.Time {
	if at.After(now) {
		return now
	}
	return at
}

// Value is what is pointed at, the zero value for nil.
func Value[T any](p *T) (v T) {
	if p != nil {
		v = *p
	}
	return v
}
