package main

import "evrik/e2e/browser"

func init() {
	page := func(name, path, text string) {
		shots = append(shots, shot{name, desk, deskHigh, func(p *browser.Page, team string) { p.Open("/" + team + path); p.Text(text) }})
	}
	shots = append(shots, shot{"x-chooser", desk, deskHigh, func(p *browser.Page, team string) {
		p.Open("/" + team + "/teach")
		p.Click("button", "Down screen")
		p.See("button", "Hammer")
	}}, shot{"x-glyphs", desk, 1000, func(p *browser.Page, team string) {
		p.Open("/" + team + "/teach/cards?family=post")
		p.Text("Fronted, help")
	}})
	page("x-ball", "/teach?screen=ball&cue=tag", "paired side")
	page("x-hedge", "/teach?screen=ball&cue=hedge", "paired side")
	page("x-cross", "/teach?screen=cross&cue=low", "below you")
	page("x-stagger", "/teach?screen=stagger&cue=under", "pop back")
	page("x-after", "/teach?screen=afterfeed&cue=dig", "He digs")
	page("x-feed", "/teach?screen=feedpost&cue=helped", "Fronted with help")
	page("x-show", "/show?screen=flare&cue=under", "What do you do?")
	page("x-double", "/teach?screen=doublehigh&cue=tag-low", "The popper is left")
	page("x-ballcards", "/teach/cards?screen=ball", "Reject it!")
}
