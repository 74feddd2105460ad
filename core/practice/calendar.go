package practice

import (
	"time"
)

// Slot is a time that is taken.
type Slot struct {
	Start   time.Time
	Minutes float64
}

func (s Slot) end() time.Time { return s.Start.Add(time.Duration(s.Minutes * float64(time.Minute))) }

// CheckTime refuses a practice that runs past midnight, through the hour in which
// the clocks change, or into another of the team's, in the team's own time. The
// error is of type Conflict and names the smallest change.
func CheckTime(s Slot, zone *time.Location, others []Slot) error {
	start, end := s.Start.In(zone), s.end().In(zone)
	midnight := time.Date(start.Year(), start.Month(), start.Day()+1, 0, 0, 0, 0, zone)
	if end.After(midnight) {
		over := end.Sub(midnight).Minutes()
		earlier := start.Add(-end.Sub(midnight))
		if fits := s.Minutes - over; fits >= MinPractice {
			return conflict("practice.past-midnight", end.Format(ClockFormat), earlier.Format(ClockFormat), fits)
		}
		return conflict("practice.past-midnight-earlier", end.Format(ClockFormat), earlier.Format(ClockFormat))
	}
	_, before := start.Zone()
	if _, after := end.Zone(); before != after {
		way, first := "forward", start
		if after < before {
			way = "back"
		}
		for first.Before(end) { // the first minute of the new time
			if _, now := first.Zone(); now == after {
				break
			}
			first = first.Add(time.Minute)
		}
		return conflict("practice.clock-change", way, first.Truncate(time.Minute).Format(ClockFormat))
	}
	for _, o := range others {
		if s.Start.Before(o.end()) && o.Start.Before(s.end()) {
			other := o.Start.In(zone)
			from, until := other.Format(ClockFormat), o.end().In(zone).Format(ClockFormat)
			if room := o.Start.Sub(s.Start).Minutes(); room >= MinPractice {
				return conflict("practice.overlaps-shorten", from, until, until, room)
			}
			return conflict("practice.overlaps", from, until, until)
		}
	}
	return nil
}
