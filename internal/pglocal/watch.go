package pglocal

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"log/slog"
	"net"
	"os"
	"strconv"
	"syscall"
	"time"
)

// Watching a server (assumptions).
const (
	// watchEvery is how often it is looked for; it bounds how long a death goes unnoticed.
	watchEvery = 250 * time.Millisecond
	// restartPause lies between two attempts to start it again: children of a killed server
	// hold its shared memory for a moment.
	restartPause = 500 * time.Millisecond
	// burial is the longest that the parent of a dead server is waited for.
	burial = 10 * time.Second
)

// Watch starts the server again, on the same port, whenever it has died, until Close is called
// or the context is done. Every death and every failed attempt is logged.
func (c *Cluster) Watch(ctx context.Context) {
	ctx, cancel := context.WithCancel(ctx)
	done := make(chan struct{})
	c.stopWatching = func() {
		cancel()
		<-done
		c.stopWatching = func() {}
	}
	go func() {
		defer close(done)
		beats := time.NewTicker(watchEvery)
		defer beats.Stop()
		for {
			select {
			case <-ctx.Done():
				return
			case <-beats.C:
				if !c.alive() {
					c.revive(ctx)
				}
			}
		}
	}()
}

// revive starts a dead server again and tries until it runs or the context is done.
func (c *Cluster) revive(ctx context.Context) {
	slog.Error("the private database has died; starting it again", "directory", c.dir)
	for ctx.Err() == nil {
		err := c.startUnlessRunning(ctx, c.port)
		if err == nil {
			slog.Info("the private database runs again", "directory", c.dir)
			return
		}
		if ctx.Err() == nil {
			slog.Error("the private database could not be started; trying again", "error", err)
		}
		select {
		case <-ctx.Done():
		case <-time.After(restartPause):
		}
	}
}

// startUnlessRunning starts the server on a port; port 0 is any free one. Two processes may do
// it at once.
func (c *Cluster) startUnlessRunning(ctx context.Context, port int) error {
	starting, err := c.lock(ctx, startFile, syscall.LOCK_EX, lockPatience)
	if err != nil {
		return err
	}
	defer starting.Close()
	if _, at := c.running(); c.alive() && listens(at) {
		c.port = at
		return nil
	}
	c.waitUntilGone(ctx)
	return c.start(ctx, port)
}

// waitUntilGone waits a moment for a dead server's process to be collected by its parent: until
// then PostgreSQL takes it for a running one.
func (c *Cluster) waitUntilGone(ctx context.Context) {
	pid, _ := c.running()
	for end := time.Now().Add(burial); pid != 0 && processState(pid) == 'Z' && ctx.Err() == nil &&
		time.Now().Before(end); {
		time.Sleep(lockPause)
	}
}

// listens reports whether something answers at a port of this machine: the process id in an old
// note may be somebody else's by now.
func listens(port int) bool {
	conn, err := net.DialTimeout("tcp", net.JoinHostPort("127.0.0.1", strconv.Itoa(port)), time.Second)
	if err != nil {
		return false
	}
	conn.Close()
	return true
}

// alive reports whether the server's process exists. A dead one whose parent has not noticed
// yet does not count.
func (c *Cluster) alive() bool {
	pid, _ := c.running()
	if pid == 0 {
		return false
	}
	if err := syscall.Kill(pid, 0); err != nil && !errors.Is(err, syscall.EPERM) {
		return false
	}
	return processState(pid) != 'Z'
}

// Kill ends the server without warning, as a machine does that runs out of memory: for tests of what
// happens then.
func (c *Cluster) Kill() error {
	pid, _ := c.running()
	return syscall.Kill(pid, syscall.SIGKILL)
}

// processState is the kernel's letter for a process's state ('Z' is a dead one that its parent
// has not collected), or 0 where there is no telling.
func processState(pid int) byte {
	// "pid (name) state …"; the name may hold anything.
	status, err := os.ReadFile(fmt.Sprintf("/proc/%d/stat", pid))
	at := bytes.LastIndexByte(status, ')')
	if err != nil || at < 0 || at+2 >= len(status) {
		return 0
	}
	return status[at+2]
}
