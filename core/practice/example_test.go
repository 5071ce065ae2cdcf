package practice_test

import (
	"fmt"
	"time"

	"bramblyacre/core/calendar"
	"bramblyacre/core/practice"
)

func ExampleCard_After() {
	today := calendar.Must(2031, time.May, 27)
	card := practice.New(today).After(practice.Right, today)
	fmt.Println(card.Box, card.Due)
	card = card.After(practice.Wrong, card.Due)
	fmt.Println(card.Box, card.Due)
	// Output:
	// 2 2031-05-30
	// 1 2031-05-31
}
