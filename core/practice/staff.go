package practice

import (
	"slices"
	"strings"
	"unicode"
	"unicode/utf8"

	"evrik/core/drill"
	"evrik/core/refusal"
)

// Job is what a grown-up does in a block.
type Job string

// jobs are the jobs with the words that follow a name (common practice, no source).
var jobs = [][2]string{
	{"passes", "passes"}, {"defends", "plays defense"}, {"screens", "screens"}, {"rebounds", "rebounds"},
	{"logs", "logs"},
}

// Jobs lists the jobs, each with its id and its words.
func Jobs() [][2]string { return slices.Clone(jobs) }

// Duty is one person's job in a block. Who is a name, not an account, so that a parent who
// helps can have one. The account with that name sees it as "Your job".
type Duty struct {
	Who string `json:"who"`
	Job Job    `json:"job"`
	// Basket is where, from 1; 0 for all of them.
	Basket int `json:"basket,omitempty"`
}

// mostDuties is how many jobs a block can have (assumption).
const mostDuties = 12

// checkStaff refuses jobs that cannot be done. The error is a refusal.
func checkStaff(nth int, b Block) error {
	if len(b.Staff) > mostDuties {
		return refusal.New("practice.too-many-jobs", nth, len(b.Staff), mostDuties)
	}
	for _, d := range b.Staff {
		switch who := strings.TrimSpace(d.Who); {
		case who == "" || utf8.RuneCountInString(who) > MaxTitle || strings.ContainsFunc(who, unicode.IsControl):
			return refusal.New("practice.job-nobody", nth, MaxTitle)
		case !slices.ContainsFunc(jobs, func(j [2]string) bool { return j[0] == string(d.Job) }):
			return refusal.New("practice.job-kind", nth, d.Job)
		case d.Basket < 0 || d.Basket > drill.MaxBaskets:
			return refusal.New("practice.job-basket", nth, d.Basket, drill.MaxBaskets)
		}
	}
	return nil
}
