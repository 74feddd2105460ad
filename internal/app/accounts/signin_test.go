package accounts_test

import (
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"

	"evrik/internal/app/accounts"
	"evrik/internal/app/apptest"
	"evrik/internal/app/tries"
	"evrik/internal/store/gen"
)

// Guesses close an address and a place; a device that is known has a count of its own, and a right answer forgives.
func TestSignIn(t *testing.T) {
	c := apptest.Open(t)
	l := newLetters(c.DB)
	_, err := c.DB.Pool.Exec(t.Context(), "UPDATE staff SET password_hash = 'hash of right'")
	apptest.Must(t, err)
	key, err := l.Remember(t.Context(), c.Head, "")
	apptest.Must(t, err)
	home, away := accounts.From{Place: "gym", Device: key}, accounts.From{Place: "far"}
	for range 2 {
		for range tries.Most - 1 {
			_, err := l.SignIn(t.Context(), c.Head.Email, "guess", away)
			apptest.Refused(t, err, "signin.no-match")
		}
		who, err := l.SignIn(t.Context(), " "+strings.ToUpper(c.Head.Email), "right", accounts.From{Place: "elsewhere"})
		if err != nil || who.ID != c.Head.ID {
			t.Fatalf("%+v, %v", who, err)
		}
		away.Place += "ther"
	}
	for range tries.Most {
		_, err := l.SignIn(t.Context(), c.Head.Email, "guess", accounts.From{Place: "farthest", Device: "unknown"})
		apptest.Refused(t, err, "signin.no-match")
	}
	_, err = l.SignIn(t.Context(), c.Head.Email, "right", accounts.From{Place: "gym"})
	apptest.Refused(t, err, "signin.too-many-tries")
	_, err = l.SignIn(t.Context(), c.Head.Email, "right", home)
	apptest.Must(t, err)
	_, err = l.SignIn(t.Context(), "nobody@club.example", "", accounts.From{Place: "gym", Device: key})
	apptest.Refused(t, err, "signin.no-match")

	// A device's old key, and one whose time is over, are known no more.
	next, err := l.Remember(t.Context(), c.Head, key)
	apptest.Must(t, err)
	_, err = l.SignIn(t.Context(), c.Head.Email, "right", home)
	apptest.Refused(t, err, "signin.too-many-tries")
	l.now = l.now.Add(accounts.DeviceLife - time.Second)
	_, err = l.SignIn(t.Context(), c.Head.Email, "right", accounts.From{Place: "gym", Device: next})
	apptest.Must(t, err)
	l.now = l.now.Add(time.Second)
	_, err = l.SignIn(t.Context(), c.Head.Email, "right", accounts.From{Place: "gym", Device: next})
	apptest.Refused(t, err, "signin.too-many-tries")
}

// A session holds for its epoch; a new password, and signing out everywhere, end those before.
func TestSigned(t *testing.T) {
	c := apptest.Open(t)
	l := newLetters(c.DB)
	epoch := int(c.Head.SessionEpoch)
	if who, err := l.Signed(t.Context(), c.Head.ID, epoch); err != nil || who == nil || who.ID != c.Head.ID {
		t.Fatalf("%v, %v", who, err)
	}
	apptest.Must(t, l.SignOut(t.Context(), c.Head))
	for _, of := range []uuid.UUID{c.Head.ID, uuid.New()} {
		if who, err := l.Signed(t.Context(), of, epoch); err != nil || who != nil {
			t.Errorf("%v, %v", who, err)
		}
	}
	me, err := l.Signed(t.Context(), c.Head.ID, epoch+1)
	apptest.Must(t, err)
	me.PasswordHash = "hash of right"
	for range tries.Most - 1 {
		_, err := l.ChangePassword(t.Context(), *me, "guess", "a new password")
		apptest.Refused(t, err, "password.old-wrong")
	}
	who, err := l.ChangePassword(t.Context(), *me, "right", "a new password")
	if err != nil || who.PasswordHash != "hash of a new password" || int(who.SessionEpoch) != epoch+2 {
		t.Errorf("%+v, %v", who, err)
	}
	for range tries.Most {
		_, err = l.ChangePassword(t.Context(), *me, "guess", "a new password")
		apptest.Refused(t, err, "password.old-wrong")
	}
	_, err = l.ChangePassword(t.Context(), *me, "right", "a new password")
	apptest.Refused(t, err, "signin.too-many-tries")
}

// A head coach changes what others may do, and stays one.
func TestRoles(t *testing.T) {
	c := apptest.Open(t)
	l := newLetters(c.DB)
	staff, err := l.Staff(t.Context(), c.Head.ProgramID)
	apptest.Must(t, err)
	var other gen.Staff
	for _, who := range staff {
		if who.ID != c.Head.ID {
			other = who
		}
	}
	_, err = l.SetRole(t.Context(), c.Head, c.Head.ID, "viewer")
	apptest.Refused(t, err, "coach.own-role")
	apptest.Refused(t, l.Remove(t.Context(), c.Head, c.Head.ID), "coach.own-account")
	_, err = l.SetRole(t.Context(), c.Head, other.ID, "owner")
	apptest.Refused(t, err, "coach.role")
	_, err = l.SetRole(t.Context(), c.Head, uuid.New(), "viewer")
	apptest.Refused(t, err, "coach.missing")
	who, err := l.SetRole(t.Context(), c.Head, other.ID, accounts.Head)
	if err != nil || who.Role != accounts.Head {
		t.Fatalf("%+v, %v", who, err)
	}
	// Both take the other's place: only the first change holds.
	_, err = l.SetRole(t.Context(), who, c.Head.ID, accounts.Assistant)
	apptest.Must(t, err)
	_, err = l.SetRole(t.Context(), c.Head, other.ID, accounts.Assistant)
	apptest.Refused(t, err, "coach.role-just-changed")
	apptest.Refused(t, l.Remove(t.Context(), c.Head, other.ID), "coach.role-just-changed")
	apptest.Must(t, l.Remove(t.Context(), who, c.Head.ID))
	apptest.Refused(t, l.Remove(t.Context(), who, c.Head.ID), "coach.missing")
	apptest.Refused(t, l.Remove(t.Context(), c.Head, other.ID), "coach.role-just-changed")

	i, err := l.Invite(t.Context(), who, "bo@club.example", "viewer")
	apptest.Must(t, err)
	open, err := l.Open(t.Context(), who.ProgramID)
	if err != nil || len(open) != 1 || open[0].ID != i.ID {
		t.Errorf("%+v, %v", open, err)
	}
	apptest.Refused(t, l.Withdraw(t.Context(), uuid.New(), i.ID), "coach.invitation-closed")
	apptest.Must(t, l.Withdraw(t.Context(), who.ProgramID, i.ID))
	apptest.Refused(t, l.Withdraw(t.Context(), who.ProgramID, i.ID), "coach.invitation-closed")
}
