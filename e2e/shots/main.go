// Command shots takes the pictures of docs/screenshots from a running demo.
//
//	go run ./e2e/shots -base http://127.0.0.1:8417 -out docs/screenshots [name ...]
package main

import (
	"flag"
	"fmt"
	"os"
	"path/filepath"
	"slices"
	"strings"

	"evrik/e2e/browser"
)

var (
	base = flag.String("base", "http://127.0.0.1:8417", "address of a running demo")
	out  = flag.String("out", "docs/screenshots", "where the pictures go")
)

type shot struct {
	name          string
	width, height int64
	take          func(p *browser.Page, team string)
}

const desk, deskHigh = 1280, 800

var shots = []shot{
	{"now", desk, deskHigh, func(p *browser.Page, team string) {
		p.Open("/" + team + "/now")
		p.See("heading", "What holds the team back")
		p.See("link", "practice")
	}},
	{"teach", desk, deskHigh, func(p *browser.Page, team string) {
		p.Open("/" + team + "/teach?cue=under")
		p.Text("on the far side of the screen")
	}},
	{"drill", desk, deskHigh, func(p *browser.Page, team string) {
		p.Open("/" + team + "/drills/slot-twos")
		p.Text("As cutter, each")
		p.Click("button", "Run it")
		p.Says("status", "Finish")
		browser.Eval[bool](p, "(scrollTo(0, 0), true)")
	}},
	{"run-tablet", 1024, 768, logging},
	{"run-phone", 390, 844, onTheFloor},
	{"display", 1280, 720, func(p *browser.Page, team string) {
		onTheFloor(p, team)
		p.Click("button", "More")
		p.Click("tab", "Second screen")
		p.Click("button", "Code for a screen")
		p.See("status", "Code")
		code := browser.Eval[string](p, "document.querySelector('.code').innerText")
		p.Open("/display")
		p.Fill("Code", code)
		p.Click("button", "Show the practice")
		p.See("timer", "Time left")
	}},
	{"squad", desk, deskHigh, func(p *browser.Page, team string) {
		p.Open("/" + team + "/squad")
		p.Text("Tap a cell to see why")
	}},
	{"card", desk, deskHigh, func(p *browser.Page, team string) {
		p.Open("/" + team + "/squad")
		p.Click("link", "Bram, Curl")
		p.Text("Last reps")
		p.See("button", "Make a private link") // the answers are here
	}},
	{"help", desk, deskHigh, func(p *browser.Page, team string) {
		p.Open("/" + team + "/help")
		p.FillRole("searchbox", "Search words", "hedge")
		p.Click("button", "Show Hard hedge")
		p.Text("Open in Teach")
		p.See("button", "Play")
		browser.Eval[bool](p, "(scrollTo(0, 0), true)")
	}},
	{"read", desk, deskHigh, func(p *browser.Page, team string) {
		p.Open("/" + team + "/squad/read/backcut")
		p.See("heading", "What they do instead")
	}},
	{"game", desk, deskHigh, func(p *browser.Page, team string) {
		game(p, team, "Fernhollow", "What they will do")
		p.See("heading", "What they will ask")
	}},
	{"lineup", desk, 1000, func(p *browser.Page, team string) {
		game(p, team, "Fernhollow", "Who plays")
		p.Click("button", "Suggest lineups")
		p.See("article", "Lineup 1")
	}},
	{"bench", 1024, 768, func(p *browser.Page, team string) {
		game(p, team, "Fernhollow", "What they will do")
		p.Click("link", "Log from the bench")
		p.See("region", "Who it was")
		p.Click("button", "Trail: made the read")
		p.Click("button", "Odile")
		p.Click("button", "Jump: did not")
		p.Text("All sent")
	}},
	{"motion", desk, deskHigh, func(p *browser.Page, team string) {
		offense(p, team)
		p.Click("button", "Run it")
		p.Says("status", "Screen")
	}},
	{"offense-own", desk, deskHigh, func(p *browser.Page, team string) {
		offense(p, team)
		p.Click("tab", "Our offense")
		p.Fill("Name", "Screen, then drive")
		p.Choose("Add a part", "Ball screen for the catcher")
		p.Choose("From when: Ball screen", "Once a screen has brought nothing")
		p.See("link", "Ball screen")
		p.Settle()
	}},
	{"compare", desk, deskHigh, func(p *browser.Page, team string) {
		offense(p, team)
		p.Click("tab", "Compare")
		p.Click("button", "Compare them")
		p.See("table", "Compared")
	}},
	{"principles", desk, deskHigh, func(p *browser.Page, team string) {
		p.Open("/" + team + "/teach/principles")
		p.See("heading", "Our principles")
		p.Settle()
	}},
	{"quiz-phone", 390, 844, func(p *browser.Page, team string) {
		p.Open("/" + team + "/squad")
		p.Click("link", "Bram, Curl")
		p.Text("Last reps")
		p.Click("button", "Make a private link")
		p.Text("/quiz/")
		p.Open(browser.Eval[string](p, "document.body.innerText.match(/\\/quiz\\/[\\w-]+/)[0]"))
		p.Click("button", "Start")
		p.Text("Now!")
		for _, read := range []string{"Straight", "Slip", "Pass to the cutter"} { // whoever is asked
			if p.Has("button", read) {
				p.Click("button", read)
				break
			}
		}
		p.See("button", "See it again")
	}},
	// This changes tonight's plan, so it comes last.
	{"plan", desk, deskHigh, fillTonight},
}

// offense opens the motion view at the team's continuity.
func offense(p *browser.Page, team string) {
	p.Open("/" + team + "/teach/motion")
	p.See("heading", "Rules broken")
	p.Choose("Offense", "Screen-away continuity")
	p.Text("The passer screens away")
}

// game opens a game at one of its parts.
func game(p *browser.Page, team, opponent, part string) {
	p.Open("/" + team + "/games")
	p.Click("link", opponent)
	p.Click("tab", part)
}

// fillTonight lets the planner fill tonight's practice.
func fillTonight(p *browser.Page, team string) {
	p.Open("/" + team + "/now")
	p.Click("link", "Change the plan")
	p.Text("rules kept")
	p.Click("button", "Build practice")
	p.Text("Best practice")
}

// onTheFloor opens tonight's practice at its first drill.
func onTheFloor(p *browser.Page, team string) {
	p.Open("/" + team + "/run")
	p.See("timer", "Time left")
	for !p.Has("button", "No read") { // to the first drill that a coach shows
		p.Click("button", "Next block")
		p.Settle()
	}
}

// logging is the floor in the middle of a block, with its clock running.
func logging(p *browser.Page, team string) {
	onTheFloor(p, team)
	p.Click("button", "Start clock")
	for i := range 26 {
		p.Press([]string{"1", "1", "2", "1", "1", "3"}[i%6])
	}
	p.Press("2")
	p.Text(" logged")
	p.Text("All sent")
}

func main() {
	flag.Parse()
	fatal := func(args ...any) {
		fmt.Fprintln(os.Stderr, args...)
		os.Exit(1)
	}
	p, stop := browser.Start(*base, fatal)
	defer stop()
	p.Watch(func(line string) { fmt.Fprintln(os.Stderr, "page:", line) })
	p.Viewport(desk, deskHigh)
	p.Open("/")
	p.Click("button", "Sign in")
	p.See("heading", "What holds the team back")
	team := strings.Split(p.Path(), "/")[1]
	for _, s := range shots {
		if flag.NArg() > 0 && !slices.Contains(flag.Args(), s.name) {
			continue
		}
		p.Viewport(s.width, s.height)
		p.Scheme("light")
		s.take(p, team)
		p.Settle()
		p.Shot(filepath.Join(*out, s.name+".png"))
		fmt.Println(s.name)
	}
}
