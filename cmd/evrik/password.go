package main

import (
	"context"
	"crypto/rand"
	"errors"
	"fmt"
	"strings"

	"github.com/alexedwards/argon2id"

	"evrik/internal/store"
	"evrik/internal/store/gen"
)

// newPassword makes a new password for an account and prints it, for whoever runs the server: the
// way back in where there is no mail.
func newPassword(ctx context.Context, email string, ofDemo bool) error {
	if email == "" {
		return errors.New("Name the account: evrik password EMAIL.")
	}
	from, err := database(ctx, lookMode(ofDemo), "")
	if err != nil {
		return err
	}
	defer from.close()
	db, err := current(ctx, from.url)
	if err != nil {
		return err
	}
	defer db.Close()
	who, err := db.StaffByEmail(ctx, strings.TrimSpace(email))
	if store.NotFound(err) {
		return fmt.Errorf("There is no account with the email %s. Nothing was changed.", email)
	}
	if err != nil {
		return err
	}
	password := strings.ToLower(rand.Text()[:16])
	hash, err := argon2id.CreateHash(password, argon2id.DefaultParams)
	if err != nil {
		return err
	}
	if err := db.Tx(ctx, func(q *gen.Queries) error { return store.SetPassword(ctx, q, who, hash) }); err != nil {
		return err
	}
	fmt.Printf(
		"The new password of %s is %s\nEverybody who was signed in with the old one is signed out. Change it under "+
			"Settings.\n", who.Email, password)
	return nil
}
