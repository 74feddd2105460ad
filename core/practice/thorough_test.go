//go:build !mutate

package practice

import "testing"

const thorough = true

// times is how often a test tries: fewer times in make test, and few where all tests run once for each of many changes
// to the code.
func times(whole, few int) int {
	if testing.Short() {
		return few + (whole-few)/4
	}
	return whole
}
