package pglocal

import (
	"context"
	"errors"
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"

	"github.com/jackc/pgx/v5"
)

// Tables whose rows a backup leaves out: nobody should be signed in by restoring it.
var fleeting = []string{"sessions", "sign_in_tries", "known_devices", "password_resets"}

// Dump writes a database to a file in pg_dump's own format. The file is there whole or
// not at all. Errors are sentences.
func Dump(ctx context.Context, url, file string) error {
	if _, err := os.Stat(file); err == nil {
		return fmt.Errorf("%s is there already. Nothing was written; choose another name.", file)
	}
	part := file + ".part"
	defer os.Remove(part)
	args := []string{"--format=custom", "--no-owner", "--no-privileges", "--file=" + part}
	for _, table := range fleeting {
		args = append(args, "--exclude-table-data="+table)
	}
	if err := tool(ctx, "pg_dump", url, args...); err != nil {
		return fmt.Errorf("The backup could not be written: %w", err)
	}
	if err := os.Chmod(part, 0o600); err != nil {
		return err
	}
	return os.Rename(part, file)
}

// Restore reads a file that Dump has written into a database that holds nothing, whole
// or not at all. Errors are sentences.
func Restore(ctx context.Context, url, file string) error {
	if _, err := os.Stat(file); err != nil {
		return fmt.Errorf("%s cannot be read (%v). Nothing was restored.", file, err)
	}
	conn, err := pgx.Connect(ctx, url)
	if err != nil {
		return err
	}
	defer conn.Close(context.WithoutCancel(ctx))
	var tables, programs int
	if err := conn.QueryRow(ctx, "SELECT count(*) FROM pg_tables WHERE schemaname = 'public'").Scan(
		&tables); err != nil {
		return err
	}
	if tables > 0 {
		if err := conn.QueryRow(ctx, "SELECT count(*) FROM programs").Scan(&programs); err != nil || programs > 0 {
			return errors.New(
				"This database is not empty. Nothing was restored; name an empty one with EVRIK_DATABASE_URL or " +
					"EVRIK_HOME.")
		}
		// Made by a start that nobody went on with.
		if _, err := conn.Exec(ctx, "DROP SCHEMA public CASCADE; CREATE SCHEMA public"); err != nil {
			return err
		}
	}
	if err := tool(ctx, "pg_restore", url, "--exit-on-error", "--single-transaction", "--no-owner", "--no-privileges",
		file); err != nil {
		return fmt.Errorf("The backup could not be restored, and nothing of it was kept: %w", err)
	}
	return nil
}

// tool runs one of PostgreSQL's client programs on a database. The password goes by the
// environment, where other users of the machine do not see it.
func tool(ctx context.Context, name, url string, args ...string) error {
	bin, err := findServer()
	if err != nil {
		return err
	}
	c, err := pgx.ParseConfig(url)
	if err != nil {
		return err
	}
	if name == "pg_restore" {
		args = append([]string{"--dbname=" + c.Database}, args...)
	}
	cmd := exec.CommandContext(ctx, filepath.Join(bin, name), args...)
	cmd.Env = append(os.Environ(), "PGHOST="+c.Host, "PGPORT="+strconv.Itoa(int(c.Port)), "PGUSER="+c.User,
		"PGPASSWORD="+c.Password, "PGDATABASE="+c.Database)
	if out, err := cmd.CombinedOutput(); err != nil {
		return fmt.Errorf("%s (%w)", lastLine(out), err)
	}
	return nil
}
