//go:build mutate

package practice

const thorough = false

// times is how often a test tries: here all tests run once for each of many changes to the code.
func times(_, few int) int { return few }
