package practice

import (
	"encoding/csv"
	"fmt"
	"io"
	"strconv"
	"strings"
	"time"

	"evrik/core/csvcell"
	"evrik/core/drill"
)

// FileSchema is the version of the plan file that this product writes.
const FileSchema = 2

// WriteCSV writes a run sheet as RFC 4180: a line per block, times in a zone.
func WriteCSV(w io.Writer, start time.Time, zone *time.Location, lib drill.Library, blocks []Block, s Sheet) error {
	out := csv.NewWriter(w)
	out.UseCRLF = true
	if err := out.Write([]string{"from", "to", "minutes", "basket", "kind", "title", "stage", "baskets", "reps",
		"cuts each", "pinned"}); err != nil {
		return err
	}
	number := func(v float64) string { return strconv.FormatFloat(v, 'f', -1, 64) }
	for i, b := range blocks {
		t := s.Blocks[i]
		stage, baskets, reps, each := "", "", "", ""
		if _, st, err := StageOf(lib, b); b.Kind == DrillBlock && err == nil {
			stage, baskets, reps, each = st.Name, fmt.Sprint(b.Baskets), fmt.Sprint(t.Reps),
				strconv.FormatFloat(t.PerPlayer, 'f', 1, 64)
		}
		basket := ""
		if b.Basket > 0 {
			basket = fmt.Sprint(b.Basket)
		}
		pin := ""
		if b.Pin {
			pin = "yes"
		}
		if err := out.Write([]string{clockAt(start, t.Start, zone).Format(tableClock),
			clockAt(start, t.End, zone).Format(tableClock), number(b.Minutes),
			basket, string(b.Kind),
			csvcell.Harmless(b.Title), csvcell.Harmless(stage), baskets, reps, each, pin}); err != nil {
			return err
		}
	}
	out.Flush()
	return out.Error()
}

// Lines is a run sheet in plain words, a line per block; no player is named.
func Lines(start time.Time, zone *time.Location, lib drill.Library, blocks []Block, s Sheet) string {
	var out strings.Builder
	for i, b := range blocks {
		t := s.Blocks[i]
		fmt.Fprintf(&out, "%s  %s", clockAt(start, t.Start, zone).Format(ClockFormat), b.Title)
		if _, st, err := StageOf(lib, b); b.Kind == DrillBlock && err == nil {
			fmt.Fprintf(&out, ", %s", st.Name)
		}
		if b.Basket > 0 {
			fmt.Fprintf(&out, " (basket %d)", b.Basket)
		}
		fmt.Fprintf(&out, ", %g min\n", b.Minutes)
	}
	return out.String()
}

// tableClock writes a time of day that spreadsheets sort.
const tableClock = "15:04"

func clockAt(start time.Time, minutes float64, zone *time.Location) time.Time {
	return start.Add(time.Duration(minutes * float64(time.Minute))).In(zone)
}

// NotRun are the drill blocks of a practice in which nothing was logged and whose
// stage's reads are watched; they may be carried over to the next.
func NotRun(lib drill.Library, blocks []Block, reps map[string]int) []Block {
	out := []Block{}
	for _, b := range blocks {
		_, st, err := StageOf(lib, b)
		if b.Kind != DrillBlock || err != nil || reps[b.ID] > 0 {
			continue
		}
		if rung, _ := drill.RungByID(st.Rung); rung.Reads {
			out = append(out, b)
		}
	}
	return out
}
