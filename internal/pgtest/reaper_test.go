package pgtest

import (
	"bufio"
	"os"
	"os/exec"
	"testing"
	"time"
)

func TestMain(m *testing.M) {
	switch {
	case os.Getenv("EVRIK_TEST_HOLDS") != "":
		StopOnDeath("/nowhere/data") // as of a server that was stopped
		os.Exit(Main(m))
	case os.Getenv("EVRIK_TEST_SHARES") != "" && os.Getenv(given) == "":
		os.Exit(Together(os.Args))
	}
	os.Exit(m.Run())
}

// A run that is killed leaves no database and no directory behind.
func TestKilledRunLeavesNothing(t *testing.T) {
	cmd := exec.Command(os.Args[0], "-test.run=^TestHoldsACluster$", "-test.v")
	cmd.Env = append(os.Environ(), "EVRIK_TEST_HOLDS=1", given+"=")
	out, err := cmd.StdoutPipe()
	if err == nil {
		err = cmd.Start()
	}
	if err != nil {
		t.Fatal(err)
	}
	dir := ""
	for scan := bufio.NewScanner(out); dir == "" && scan.Scan(); {
		if info, err := os.Stat(scan.Text()); err == nil && info.IsDir() {
			dir = scan.Text()
		}
	}
	if dir == "" {
		t.Fatal("no cluster was started")
	}
	note, err := os.ReadFile(dir + "/data/postmaster.pid")
	if err != nil {
		t.Fatal(err)
	}
	if err := cmd.Process.Kill(); err != nil {
		t.Fatal(err)
	}
	_ = cmd.Wait()
	for end := time.Now().Add(30 * time.Second); ; time.Sleep(50 * time.Millisecond) {
		if _, err := os.Stat(dir); os.IsNotExist(err) {
			return
		}
		if time.Now().After(end) {
			t.Fatalf("%s is still there half a minute later, with the server %s", dir, note)
		}
	}
}

// TestHoldsACluster is the run that is killed; alone it does nothing.
func TestHoldsACluster(t *testing.T) {
	if clusterDir == "" {
		return
	}
	os.Stdout.WriteString(clusterDir + "\n")
	time.Sleep(time.Minute)
}
