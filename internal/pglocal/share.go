package pglocal

import (
	"context"
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"syscall"
	"time"
)

// Several processes may use one cluster: a server, the one that takes over from it, a backup.
// Locks in the cluster's directory tell who does. The kernel drops them with the process, so
// nothing is left behind by one that was killed.
const (
	inUseFile   = "in-use.lock"   // shared by everybody who uses the cluster
	servingFile = "serving.lock"  // held by the process that serves
	startFile   = "starting.lock" // held while somebody starts the server or stops it
	// ownedFile names the process id of a server that Evrik started.
	ownedFile = "started-by-evrik"
)

// Waiting for locks.
const (
	// handOver is how long a second server waits for the first to say that it is stopping.
	handOver = 2 * time.Second
	// lockPatience covers a server that is being started or stopped by somebody else.
	lockPatience = 60 * time.Second
	lockPause    = 50 * time.Millisecond
)

var errLocked = errors.New("locked")

// lock opens a file of the cluster's directory and locks it; how is LOCK_SH or LOCK_EX. It
// tries until the patience is over and then returns errLocked. Closing the file unlocks it.
func (c *Cluster) lock(ctx context.Context, name string, how int, patience time.Duration) (*os.File, error) {
	f, err := os.OpenFile(filepath.Join(c.dir, name), os.O_RDWR|os.O_CREATE, 0o600)
	if err != nil {
		return nil, fmt.Errorf("The file %s cannot be opened (%v). Nothing was started.", filepath.Join(c.dir, name),
			err)
	}
	for end := time.Now().Add(patience); ; {
		err := syscall.Flock(int(f.Fd()), how|syscall.LOCK_NB)
		if err == nil {
			return f, nil
		}
		if !errors.Is(err, syscall.EWOULDBLOCK) || time.Now().After(end) {
			f.Close()
			if errors.Is(err, syscall.EWOULDBLOCK) {
				err = errLocked
			}
			return nil, err
		}
		select {
		case <-ctx.Done():
			f.Close()
			return nil, ctx.Err()
		case <-time.After(lockPause):
		}
	}
}

// serve makes this process the one that serves from the directory, or says who does.
func (c *Cluster) serve(ctx context.Context, at string) error {
	f, err := c.lock(ctx, servingFile, syscall.LOCK_EX, handOver)
	if errors.Is(err, errLocked) {
		who, _ := os.ReadFile(filepath.Join(c.dir, servingFile))
		return fmt.Errorf(
			"Another Evrik (%s) serves from %s. Stop it first, or choose another place with EVRIK_HOME. Nothing "+
				"was started.", strings.TrimSpace(string(who)), c.dir)
	}
	if err != nil {
		return err
	}
	c.serving = f
	note := fmt.Sprintf("process %d at %s\n", os.Getpid(), at)
	if err := f.Truncate(0); err != nil {
		return err
	}
	_, err = f.WriteAt([]byte(note), 0)
	return err
}

// Leaving says that this process serves no more, so that the next one need not wait until it
// has answered its last requests. The cluster goes on.
func (c *Cluster) Leaving() {
	if c.serving != nil {
		c.serving.Close()
		c.serving = nil
	}
}

// Close ends this process's use of the cluster. The last process to close stops the server, if
// Evrik started it; a server that somebody else started keeps running.
func (c *Cluster) Close(ctx context.Context) error {
	c.stopWatching()
	c.Leaving()
	defer func() {
		if c.inUse != nil {
			c.inUse.Close()
			c.inUse = nil
		}
	}()
	starting, err := c.lock(ctx, startFile, syscall.LOCK_EX, lockPatience)
	if err != nil {
		return fmt.Errorf("The database in %s was left running (%v).", c.dir, err)
	}
	defer starting.Close()
	if c.inUse != nil && syscall.Flock(int(c.inUse.Fd()), syscall.LOCK_EX|syscall.LOCK_NB) != nil {
		return nil // somebody else uses it
	}
	if !c.startedByEvrik() {
		return nil
	}
	return c.Stop(ctx)
}

// startedByEvrik reports whether the running server is one that Evrik started.
func (c *Cluster) startedByEvrik() bool {
	noted, err := os.ReadFile(filepath.Join(c.dir, ownedFile))
	pid, _ := c.running()
	return err == nil && pid != 0 && strings.TrimSpace(string(noted)) == strconv.Itoa(pid)
}

func (c *Cluster) noteStarted() error {
	pid, _ := c.running()
	return os.WriteFile(filepath.Join(c.dir, ownedFile), []byte(strconv.Itoa(pid)+"\n"), 0o600)
}
