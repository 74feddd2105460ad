package erasures

import (
	"os"
	"path/filepath"
	"slices"
	"testing"
	"time"

	"github.com/google/uuid"
)

func TestNoteAndList(t *testing.T) {
	file := filepath.Join(t.TempDir(), "home", "erasures.txt")
	if list, err := List(file); err != nil || len(list) != 0 {
		t.Fatalf("before anybody was erased: %v, %v", list, err)
	}
	at := time.Date(2026, 11, 28, 18, 0, 0, 0, time.UTC)
	want := []uuid.UUID{uuid.New(), uuid.New()}
	for _, id := range want {
		if err := Note(file, id, at); err != nil {
			t.Fatal(err)
		}
	}
	f, err := os.OpenFile(file, os.O_APPEND|os.O_WRONLY, 0)
	if err != nil {
		t.Fatal(err)
	}
	if _, err := f.WriteString("a broken line\n\n"); err != nil {
		t.Fatal(err)
	}
	f.Close()
	if list, err := List(file); err != nil || !slices.Equal(list, want) {
		t.Errorf("%v, %v; want %v", list, err, want)
	}
	if info, err := os.Stat(file); err != nil || info.Mode().Perm() != 0o600 {
		t.Errorf("others may read it: %v, %v", info.Mode(), err)
	}
}
