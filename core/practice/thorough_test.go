//go:build !mutate

package practice

// thorough is false where the tests run once for each of many changes to the code.
const thorough = true
