// Package motion moves people: how long a cut, a recovery or a pass takes.
package motion

import "math"

// Runner is how a player moves.
type Runner struct {
	// Accel is the acceleration in ft/s².
	Accel float64
	// Top is the top speed in ft/s.
	Top float64
}

// Braking is how fast a player slows down, in ft/s². It is a figure of its own, less
// than a sprint's acceleration (assumption: 15 to 18).
const Braking = 16.0

// TimeTo is the time in seconds to cover d feet from rest: constant
// acceleration up to top speed (textbook kinematics).
func (r Runner) TimeTo(d float64) float64 {
	if d <= 0 {
		return 0
	}
	if ramp := r.Top * r.Top / (2 * r.Accel); d > ramp {
		return r.Top/(2*r.Accel) + d/r.Top
	}
	return math.Sqrt(2 * d / r.Accel)
}

// Covered is the distance in feet covered t seconds after a start from rest.
func (r Runner) Covered(t float64) float64 {
	if t <= 0 {
		return 0
	}
	if ramp := r.Top / r.Accel; t > ramp {
		return r.Top*ramp/2 + r.Top*(t-ramp)
	}
	return r.Accel * t * t / 2
}
