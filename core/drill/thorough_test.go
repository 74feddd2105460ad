//go:build !mutate

package drill

// thorough is false where the tests run once for each of many changes to the code.
const thorough = true
