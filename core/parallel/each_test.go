package parallel

import (
	"fmt"
	"strings"
	"sync/atomic"
	"testing"
)

func TestEachCallsEveryIndexOnce(t *testing.T) {
	for _, n := range []int{0, 1, 2, 1000} {
		calls := make([]atomic.Int32, n)
		Each(n, func(i int) { calls[i].Add(1) })
		for i := range calls {
			if got := calls[i].Load(); got != 1 {
				t.Errorf("of %d, %d was called %d times", n, i, got)
			}
		}
	}
}

// A fault in one call is the caller's to recover, and the other calls are done all the same.
func TestAFaultInOneCallReachesTheCallerAfterTheOthers(t *testing.T) {
	var done atomic.Int32
	fault := func() (fault any) {
		defer func() { fault = recover() }()
		Each(50, func(i int) {
			if i == 7 {
				panic("seven")
			}
			done.Add(1)
		})
		return nil
	}()
	if told := fmt.Sprint(fault); !strings.Contains(told, "seven") || !strings.Contains(told, "each_test.go") {
		t.Errorf("the caller is told %q", told)
	}
	if done.Load() != 49 {
		t.Errorf("%d of the other 49 were done", done.Load())
	}
}
