package kept_test

import (
	"fmt"

	"evrik/core/kept"
)

func ExampleCompare() {
	fmt.Println(kept.Compare("testdata/example.txt", []string{"a curl", "a fade"}))
	fmt.Println(kept.Compare("testdata/example.txt", []string{"a curl", "a pop"}))
	// Output:
	// <nil>
	// 1 of 2 lines of testdata/example.txt have changed; line 2 was
	// a fade
	// and is
	// a pop
}
