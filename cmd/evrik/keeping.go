package main

import (
	"bufio"
	"context"
	"errors"
	"fmt"
	"log/slog"
	"os"
	"strings"
	"time"

	"github.com/google/uuid"

	"evrik/internal/archive"
	"evrik/internal/erasures"
	"evrik/internal/pglocal"
	"evrik/internal/store"
)

// Modes of looking into a database of our own that may be serving.
const (
	dataLook = "look"
	demoLook = "demo look"
)

// keeping writes or reads a file that holds what the database does.
func keeping(ctx context.Context, what, file string, ofDemo bool, program, erase string) error {
	if file == "" {
		return fmt.Errorf("Name the file: evrik %s FILE.", what)
	}
	if erase != "yes" && erase != "no" && erase != "ask" {
		return errors.New("-erase is yes, no or ask.")
	}
	from, err := database(ctx, lookMode(ofDemo), "")
	if err != nil {
		return err
	}
	defer from.close()
	url := from.url
	switch what {
	case "backup":
		if err := pglocal.Dump(ctx, url, file); err != nil {
			return err
		}
		fmt.Printf("Everything is in %s. Keep it as carefully as the database: it names children.\n", file)
		return nil
	case "restore":
		if err := pglocal.Restore(ctx, url, file); err != nil {
			return err
		}
	}
	db, err := current(ctx, url)
	if err != nil {
		return err
	}
	defer db.Close()
	if what == "restore" {
		fmt.Printf("%s is restored. Everybody has to sign in again.\n", file)
		return eraseAgain(ctx, db, erase)
	}
	id, err := programOf(ctx, db, program)
	if err != nil {
		return err
	}
	if what == "export" {
		return export(ctx, db, id, file)
	}
	in, err := os.Open(file)
	if err != nil {
		return fmt.Errorf("%s cannot be read (%v). Nothing was imported.", file, err)
	}
	defer in.Close()
	got, err := archive.Read(ctx, db, id, "the server's own machine", time.Now(), bufio.NewReader(in))
	if err == nil {
		fmt.Printf("Imported %d players, %d practices, %d games and %d lines of the log.\n", got.Players, got.Practices,
			got.Games, got.Events)
	}
	return err
}

func lookMode(ofDemo bool) string {
	if ofDemo {
		return demoLook
	}
	return dataLook
}

// eraseAgain erases those players of a restored database who were erased after its backup was made.
// how is yes, no, or ask.
func eraseAgain(ctx context.Context, db *store.Store, how string) error {
	erased, err := erasures.List(erasuresFile())
	if err != nil {
		return fmt.Errorf(
			"The list of who was erased, %s, cannot be read (%v). Look whether somebody is back who was erased.",
			erasuresFile(), err)
	}
	back, err := db.StillThere(ctx, erased)
	if err != nil || len(back) == 0 {
		return err
	}
	say := fmt.Sprintf("%d players were erased after this backup was made and are back with it.", len(back))
	if len(back) == 1 {
		say = "One player was erased after this backup was made and is back with it."
	}
	if how == "ask" {
		fmt.Printf("%s Erase again? [Y/n] ", say)
		// Without anybody to answer they are erased: that is what was asked for at the time.
		answer, _ := bufio.NewReader(os.Stdin).ReadString('\n')
		if how = "yes"; strings.HasPrefix(strings.ToLower(strings.TrimSpace(answer)), "n") {
			how = "no"
		}
	}
	if how == "no" {
		fmt.Println(say + " They were left.")
		return nil
	}
	for _, p := range back {
		if _, err := db.Erase(ctx, p.ProgramID, p.TeamID, p.ID); err != nil {
			return err
		}
	}
	fmt.Printf("%s Erased again.\n", say)
	return nil
}

// export writes an archive, whole or not at all.
func export(ctx context.Context, db *store.Store, program uuid.UUID, file string) error {
	out, err := os.OpenFile(file, os.O_WRONLY|os.O_CREATE|os.O_EXCL, 0o600)
	if err != nil {
		return fmt.Errorf("%s cannot be written (%v). Choose another name.", file, err)
	}
	if err := errors.Join(archive.Write(ctx, db, program, time.Now(), out), out.Close()); err != nil {
		os.Remove(file)
		return err
	}
	fmt.Printf("The archive is in %s.\n", file)
	return nil
}

// programOf finds the program that is meant.
func programOf(ctx context.Context, db *store.Store, named string) (uuid.UUID, error) {
	all, err := db.Programs(ctx)
	if err != nil {
		return uuid.Nil, err
	}
	var names []string
	for _, p := range all {
		if named == p.Name || named == p.ID.String() || named == "" && len(all) == 1 {
			return p.ID, nil
		}
		names = append(names, p.Name)
	}
	if len(all) == 0 {
		return uuid.Nil, errors.New("There is no program yet. Set one up in the browser first, then import into it.")
	}
	return uuid.Nil, fmt.Errorf("Say which program with -program: %s.", strings.Join(names, ", "))
}

// forgetEvery is how often it is looked for what is older than a program keeps it.
const forgetEvery = 24 * time.Hour

// forget drops what programs do not want kept any longer, now and every day.
func forget(ctx context.Context, db *store.Store) {
	for {
		now := time.Now()
		if err := errors.Join(db.Forget(ctx, now), db.ForgetOld(ctx, now)); err != nil && ctx.Err() == nil {
			slog.Error("what is older than programs keep it was not dropped", "error", err)
		}
		select {
		case <-ctx.Done():
			return
		case <-time.After(forgetEvery):
		}
	}
}
