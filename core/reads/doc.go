// Package reads is the referee: it judges an action from where everybody stands and
// moves. It says which cue the defense shows, which answers are right, by how many
// feet the call holds, and what cannot be told from the picture.
//
// Every action is a table of cues and answers (see table.go) that one engine
// interprets: it builds the action's own frame, measures the conditions of every row
// and looks the answers up. Lesson, drill, log, quiz and simulator ask the same
// tables. Nothing here draws or stores anything.
package reads
