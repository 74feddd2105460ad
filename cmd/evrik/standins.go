package main

import (
	"fmt"
	"net"
	"net/http"
	"os"
	"time"

	"evrik/internal/standin"
	"evrik/internal/web/api"
)

const defaultScoreboard = "127.0.0.1:8427"

// standIns starts the simulated devices that run beside the demo; EVRIK_STANDINS=off
// leaves them out. The address of a scoreboard that is taken is passed over.
func standIns(evrik net.Addr) (*api.StandIns, func(), error) {
	if os.Getenv("EVRIK_STANDINS") == "off" {
		return nil, func() {}, nil
	}
	board, err := standin.NewScoreboard("http://" + evrik.String())
	if err != nil {
		return nil, nil, err
	}
	l, err := net.Listen("tcp", envOr("EVRIK_SCOREBOARD_ADDR", defaultScoreboard))
	if err != nil {
		if l, err = net.Listen("tcp", "127.0.0.1:0"); err != nil {
			return nil, nil,
				fmt.Errorf("The simulated scoreboard finds no address (%v). Leave it out with EVRIK_STANDINS=off.",
					reason(err))
		}
	}
	server := &http.Server{Handler: board.Handler(), ReadHeaderTimeout: 10 * time.Second}
	go func() { _ = server.Serve(l) }()
	at := "http://" + l.Addr().String()
	return &api.StandIns{Clicker: true, Scoreboard: &at}, func() {
		board.Close()
		_ = server.Close()
	}, nil
}
