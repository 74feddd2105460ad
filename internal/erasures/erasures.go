// Package erasures keeps a list of erased players beside the database, so that a backup from before
// an erasure, restored later, does not bring the player back. The list holds random ids and times
// alone: nothing in it tells who somebody was.
package erasures

import (
	"bufio"
	"errors"
	"fmt"
	"io/fs"
	"os"
	"path/filepath"
	"strings"
	"time"

	"github.com/google/uuid"
)

// Note adds an erased player to the list.
func Note(file string, player uuid.UUID, at time.Time) error {
	if err := os.MkdirAll(filepath.Dir(file), 0o755); err != nil {
		return err
	}
	f, err := os.OpenFile(file, os.O_APPEND|os.O_CREATE|os.O_WRONLY, 0o600)
	if err != nil {
		return err
	}
	_, err = fmt.Fprintf(f, "%s %s\n", at.UTC().Format(time.RFC3339), player)
	return errors.Join(err, f.Sync(), f.Close())
}

// List reads the ids of all erased players. A list that is not there is empty; a line that cannot be
// read is passed over.
func List(file string) ([]uuid.UUID, error) {
	f, err := os.Open(file)
	if errors.Is(err, fs.ErrNotExist) {
		return nil, nil
	}
	if err != nil {
		return nil, err
	}
	defer f.Close()
	var out []uuid.UUID
	lines := bufio.NewScanner(f)
	for lines.Scan() {
		_, id, _ := strings.Cut(lines.Text(), " ")
		if player, err := uuid.Parse(id); err == nil {
			out = append(out, player)
		}
	}
	return out, lines.Err()
}
