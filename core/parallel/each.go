// Package parallel runs work on all processors and keeps its faults with the one who asked.
package parallel

import (
	"fmt"
	"runtime"
	"runtime/debug"
	"sync"
	"sync/atomic"
)

// Until is Each that ends early: once done is closed no further call begins, and it returns
// false, since not all of the work was done.
func Until(done <-chan struct{}, n int, work func(i int)) (all bool) {
	var stopped atomic.Bool
	Each(n, func(i int) {
		select {
		case <-done:
			stopped.Store(true)
		default:
			work(i)
		}
	})
	return !stopped.Load()
}

// Each calls work for every index below n, as many at a time as the machine has
// processors, and returns when all are done. A panic in work ends that call alone; once the
// others are done the first is raised again where Each was called, with the stack of where it
// happened. In a goroutine of its own it would end the whole program instead.
func Each(n int, work func(i int)) {
	var next atomic.Int64
	var all sync.WaitGroup
	var first error
	var once sync.Once
	call := func(i int) {
		defer func() {
			if fault := recover(); fault != nil {
				stack := debug.Stack()
				once.Do(func() { first = fmt.Errorf("%v\n%s", fault, stack) })
			}
		}()
		work(i)
	}
	for range min(runtime.GOMAXPROCS(0), n) {
		all.Go(func() {
			for i := next.Add(1) - 1; i < int64(n); i = next.Add(1) - 1 {
				call(int(i))
			}
		})
	}
	all.Wait()
	if first != nil {
		panic(first)
	}
}
