package drill

import "evrik/core/reads"

// Group is what a drill teaches.
type Group string

// Groups in the order in which they are taught (common practice, no source).
const (
	Spacing  Group = "spacing"
	OffBall  Group = "off-ball"
	OnBall   Group = "ball"
	Handoffs Group = "handoff"
	PostPlay Group = "post"
	Drives   Group = "closeout"
	Zone     Group = "zone"
	Skills   Group = "skill"
	Games    Group = "game"
)

// groups are every group with the name that people read.
var groups = [][2]string{
	{string(Spacing), "Spacing and cutting"}, {string(OffBall), "Off-ball screens"}, {string(OnBall), "Ball screens"},
	{string(Handoffs), "Handoffs and two-man game"}, {string(PostPlay), "Post"},
	{string(Drives), "Closeouts and drives"},
	{string(Zone), "Against a zone"}, {string(Skills), "Skills and warm-ups"}, {string(Games), "Competitive games"},
}

// Groups lists the groups, ids and names.
func Groups() [][2]string { return append([][2]string(nil), groups...) }

// LeftOut lists the groups that a team of an age band leaves out besides the drills of the
// actions it leaves out.
func LeftOut(rules reads.TeamRules, ages string) []string {
	if rules.PlayerToPlayer(ages) {
		return []string{string(Zone)}
	}
	return []string{}
}

// MostLevel is the highest level of a drill.
const MostLevel = 3

// familyGroups are the groups of drills that say none, by their action's family.
var familyGroups = map[reads.Family]Group{
	reads.OffBall: OffBall, reads.BallUp: OnBall, reads.Handoffs: Handoffs, reads.PostPlay: PostPlay,
	reads.Catches: Drives, reads.AgainstZone: Zone,
}

// Shelf is the group under which a drill is listed: its own, or that of its action, or
// skills where it teaches none.
func (d *Drill) Shelf() Group {
	if d.Group != "" {
		return d.Group
	}
	if a, ok := reads.ActionByID(d.Action); ok {
		return familyGroups[a.Family]
	}
	return Skills
}
