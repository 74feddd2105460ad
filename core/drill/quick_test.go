//go:build mutate

package drill

const thorough = false
