//go:build !mutate

package practice

const thorough = true

// times is how often a test tries: fewer times where all tests run once for each of many changes to the code.
func times(whole, _ int) int { return whole }
