package main

import (
	"context"
	"crypto/rand"
	"errors"
	"fmt"
	"log/slog"
	"net"
	"os"
	"path/filepath"
	"runtime/debug"
	"strings"

	"evrik/internal/mail"
	"evrik/internal/store"
	"evrik/internal/web"
	assets "evrik/web"
)

// release is set when a package is built.
var release string

// version tells what runs: the release, or the commit that it was built from.
func version() string {
	info, ok := debug.ReadBuildInfo()
	if release != "" || !ok {
		return "evrik " + release
	}
	commit, changed := "unknown", ""
	for _, s := range info.Settings {
		switch {
		case s.Key == "vcs.revision":
			commit = s.Value[:min(12, len(s.Value))]
		case s.Key == "vcs.modified" && s.Value == "true":
			changed = ", changed"
		}
	}
	return fmt.Sprintf("evrik development version (commit %s%s, %s)", commit, changed, info.GoVersion)
}

// settings are a server's options, from the environment. Errors are sentences.
func settings(ctx context.Context, db *store.Store, at net.Addr) (web.Options, error) {
	o := web.Options{Assets: assets.Assets(), HTTPS: os.Getenv("EVRIK_HTTPS") != "",
		Outbox: filepath.Join(home(), "outbox"), Erasures: erasuresFile(), Version: version()}
	o.PublicURL = strings.TrimSuffix(envOr("EVRIK_PUBLIC_URL", "http://"+at.String()), "/")
	for _, proxy := range strings.FieldsFunc(os.Getenv("EVRIK_TRUSTED_PROXIES"),
		func(r rune) bool { return r == ',' || r == ' ' }) {
		if !strings.Contains(proxy, "/") {
			proxy += map[bool]string{true: "/128", false: "/32"}[strings.Contains(proxy, ":")]
		}
		_, network, err := net.ParseCIDR(proxy)
		if err != nil {
			return o,
				fmt.Errorf(
					"EVRIK_TRUSTED_PROXIES cannot be read at %q. Write addresses or networks, such as 10.0.0.7 or "+
						"10.0.0.0/24.", proxy)
		}
		o.Proxies = append(o.Proxies, network)
	}
	if address := os.Getenv("EVRIK_SMTP"); address != "" {
		server, err := mail.NewSMTP(address)
		if err != nil {
			return o, err
		}
		o.Mail = server
	}
	if n, err := db.CountPrograms(ctx); err != nil {
		return o, err
	} else if n == 0 {
		o.SetupCode = setupCode()
	}
	var err error
	o.Log, err = logger(os.Getenv("EVRIK_LOG"))
	return o, err
}

// setupCode is easy to read and to type: eight letters and digits.
func setupCode() string {
	text := rand.Text()
	return text[:4] + "-" + text[4:8]
}

// logger is how requests, and everything else, are logged: as text, as JSON, or only what went
// wrong, which is the default at a terminal.
func logger(how string) (*slog.Logger, error) {
	var handler slog.Handler
	switch how {
	case "":
		handler = slog.NewTextHandler(os.Stderr, &slog.HandlerOptions{Level: slog.LevelWarn})
	case "text":
		handler = slog.NewTextHandler(os.Stderr, nil)
	case "json":
		handler = slog.NewJSONHandler(os.Stderr, nil)
	default:
		return nil, errors.New("EVRIK_LOG is text or json; without it only what went wrong is logged.")
	}
	log := slog.New(handler)
	slog.SetDefault(log)
	return log, nil
}

// erasuresFile lists who was erased, beside the database.
func erasuresFile() string { return filepath.Join(home(), "erasures.txt") }
