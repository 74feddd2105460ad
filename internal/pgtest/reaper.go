package pgtest

import (
	"fmt"
	"io"
	"os"
	"os/exec"
	"sync"
	"syscall"
)

// janitor waits, apart from the tests, for the tests' end. Where they were killed, it ends the
// processes and removes the directories that they have told it of; the kernel closes its input
// however they end.
const janitor = `
trap '' INT TERM HUP
while read -r what arg rest; do
	case "$what" in
	done) exit 0 ;;
	process) [ -z "$processes" ] && processes="$arg $rest" || processes="$processes
$arg $rest" ;;
	server) servers="$servers $arg" ;;
	directory) directories="$directories $arg" ;;
	esac
done
echo "$processes" | while read -r pid exe; do
	[ -n "$pid" ] && [ "$(readlink "/proc/$pid/exe")" = "$exe" ] && kill -9 "$pid"
done
for data in $servers; do
	# A server that was stopped has removed this file.
	read -r pid < "$data/postmaster.pid" && kill -QUIT "$pid" && while [ -e "/proc/$pid" ]; do sleep 0.1; done
done
[ -n "$directories" ] && rm -rf $directories
`

var (
	reaperMu sync.Mutex
	reaper   io.WriteCloser
)

// startJanitor starts it once per test binary, out of reach of the terminal's Ctrl-C.
func startJanitor() error {
	reaperMu.Lock()
	defer reaperMu.Unlock()
	if reaper != nil {
		return nil
	}
	cmd := exec.Command("sh", "-c", janitor)
	cmd.Dir = "/"
	cmd.SysProcAttr = &syscall.SysProcAttr{Setsid: true}
	in, err := cmd.StdinPipe()
	if err == nil {
		err = cmd.Start()
	}
	if err == nil {
		reaper = in
	}
	return err
}

func tellJanitor(format string, args ...any) {
	err := startJanitor()
	reaperMu.Lock()
	defer reaperMu.Unlock()
	if err == nil {
		_, err = fmt.Fprintf(reaper, format+"\n", args...)
	}
	if err != nil {
		fmt.Fprintln(os.Stderr, "what a killed run leaves behind is not cleaned up:", err)
	}
}

// KillOnDeath ends a process of this program file if the tests are killed. Process ids are used
// again; the file tells whether it is still the same.
func KillOnDeath(pid int, file string) { tellJanitor("process %d %s", pid, file) }

// StopOnDeath stops the PostgreSQL server of a data directory if the tests are killed.
func StopOnDeath(data string) { tellJanitor("server %s", data) }

// RemoveOnDeath removes a directory if the tests are killed.
func RemoveOnDeath(dir string) { tellJanitor("directory %s", dir) }
