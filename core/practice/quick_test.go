//go:build mutate

package practice

const thorough = false
