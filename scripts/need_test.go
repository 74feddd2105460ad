// Package scripts tests the shell scripts of the two commands.
package scripts

import (
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"
)

// Another program is installing: the package manager is told to wait for its lock, and the lists,
// for whose lock it does not wait, are asked for again.
func TestInstallWaitsForOthers(t *testing.T) {
	bin := t.TempDir()
	for _, tool := range []string{"bash", "id", "seq", "sleep", "env", "cat"} {
		path, err := exec.LookPath(tool)
		if err != nil {
			t.Fatal(err)
		}
		if err := os.Symlink(path, filepath.Join(bin, tool)); err != nil {
			t.Fatal(err)
		}
	}
	said := filepath.Join(bin, "said")
	write := func(name, script string) {
		t.Helper()
		if err := os.WriteFile(filepath.Join(bin, name), []byte("#!/usr/bin/env bash\n"+script), 0o755); err != nil {
			t.Fatal(err)
		}
	}
	write("sudo", `shift; "$@"`)
	write("apt-get", `
echo "$*" >> `+said+`
case "$*" in
*update*)
	if [ ! -e `+said+`.once ]; then : > `+said+`.once; echo "E: Could not get lock /var/lib/apt/lists/lock" >&2; exit 100; fi ;;
*install*) : > `+filepath.Join(bin, "glpsol")+` ;;
esac`)
	cmd := exec.Command(filepath.Join(bin, "bash"), "need.sh", "glpk")
	cmd.Env = []string{"PATH=" + bin, "HOME=" + bin}
	if out, err := cmd.CombinedOutput(); err != nil {
		t.Fatalf("%v: %s", err, out)
	}
	calls, err := os.ReadFile(said)
	if err != nil {
		t.Fatal(err)
	}
	lines := strings.Split(strings.TrimSpace(string(calls)), "\n")
	if len(lines) != 3 || !strings.Contains(lines[1], "update") || !strings.Contains(lines[2], "install") {
		t.Errorf("the package manager was called %q, want the lists twice and one install", lines)
	}
	for _, call := range lines {
		if !strings.Contains(call, "DPkg::Lock::Timeout=") {
			t.Errorf("%q does not wait for the lock", call)
		}
	}
}
