package offense

import (
	"unicode/utf8"

	"evrik/core/court"
	"evrik/core/refusal"
)

// Principle is a rule of the team in the coach's own words, with a picture of the core's.
type Principle struct {
	Title   string `json:"title"`
	Text    string `json:"text"`
	Picture string `json:"picture"`
}

// Pictures a principle may have.
const (
	Spacing     = "spacing"
	AfterPass   = "pass"
	AfterScreen = "screen"
	TwoOnBall   = "two"
	NoPicture   = ""
)

// Picture is what a principle shows: who stands where, and the ways they take.
type Picture struct {
	ID       string          `json:"id"`
	At       []court.Point   `json:"at"`
	Defense  []court.Point   `json:"defense"`
	Ball     int             `json:"ball"`
	Ways     [][]court.Point `json:"ways"`
	Distance []Gauge         `json:"distance"` // distances that are written in
}

// Gauge is a distance between two places, in feet.
type Gauge struct {
	From court.Point `json:"from"`
	To   court.Point `json:"to"`
	Feet float64     `json:"feet"`
}

// FirstPrinciples are what a team begins with; the coach writes them anew.
func FirstPrinciples() []Principle {
	return []Principle{
		{"Space", "Every spot is filled, twelve feet and more between neighbors, a step behind the line.", Spacing},
		{"After a pass", "Whoever passes goes somewhere: cut, or screen for somebody.", AfterPass},
		{"After a screen", "Set it, hold it, then go to the ball. Read your defender before you use it.", AfterScreen},
		{"Two on the ball", "Two on the ball means that somebody is open. Pass out early, and play four on three.",
			TwoOnBall},
	}
}

// Limits of the page (assumptions).
const (
	maxPrinciples = 12
	maxTitle      = 60
	maxWords      = 400
)

// CheckPrinciples refuses what does not fit on the page. The error is a refusal.
func CheckPrinciples(list []Principle) error {
	if len(list) > maxPrinciples {
		return refusal.New("offense.too-many-principles", maxPrinciples)
	}
	for i, p := range list {
		switch {
		case p.Title == "" || utf8.RuneCountInString(p.Title) > maxTitle:
			return refusal.New("offense.principle-title", i+1, maxTitle)
		case utf8.RuneCountInString(p.Text) > maxWords:
			return refusal.New("offense.principle-too-long", p.Title, maxWords)
		}
		switch p.Picture {
		case Spacing, AfterPass, AfterScreen, TwoOnBall, NoPicture:
		default:
			return refusal.New("offense.picture")
		}
	}
	return nil
}

// Pictures are the pictures of an offense on a floor.
func (f Floor) Pictures(o Offense) []Picture {
	p := o.Start()
	place := f.places(o, p)
	base := func(id string) Picture {
		return Picture{ID: id, At: append([]court.Point{}, place[:]...), Defense: []court.Point{}, Ball: p.Ball(),
			Ways: [][]court.Point{}, Distance: []Gauge{}}
	}
	space := base(Spacing)
	for i := 1; i < len(p.Ring); i++ {
		a, b := place[p.Ring[i-1]], place[p.Ring[i]]
		space.Distance = append(space.Distance, Gauge{a, b, a.Dist(b)})
	}
	pass, screen := base(AfterPass), base(AfterScreen)
	to := p.ball - 1
	first := opening(p, place)
	show := func(of *Picture, a Answer) {
		c, err := f.cycle(o, &first, a, to)
		if err != nil {
			return
		}
		of.Ball = p.Ring[to]
		for _, l := range c.legs {
			of.Ways = append(of.Ways, l.path)
		}
	}
	if allowed := p.answers(o, to, false, 0); len(allowed) > 0 {
		show(&pass, allowed[0])
	}
	show(&screen, partByID("away")) // every offense screens away now and then
	two := base(TwoOnBall)
	ball := place[two.Ball]
	two.Defense = append(two.Defense, ball.Add(court.Point{X: -2.5, Y: -2.5}), ball.Add(court.Point{X: 2.5, Y: -2.5}))
	for i, at := range place {
		if i != two.Ball && len(two.Defense) < five {
			two.Defense = append(two.Defense, guard(at, at.Dist(ball)))
		}
	}
	return []Picture{space, pass, screen, two}
}
