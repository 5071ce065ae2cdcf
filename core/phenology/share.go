package phenology

import "fmt"

// Share says how many of a planting's plants have reached the stage seen, in a
// grower's words.
type Share string

// The shares a grower tells apart at a glance.
const (
	AFew   Share = "a few"
	AThird Share = "a third"
	Half   Share = "half"
	Most   Share = "most"
)

// shareRows bound each word: a grower who says "a third" means something
// between a fifth and two fifths.
var shareRows = []struct {
	share           Share
	low, high, near float64
}{
	{AFew, 0.02, 0.20, 0.10},
	{AThird, 0.20, 0.42, 0.33},
	{Half, 0.42, 0.70, 0.50},
	{Most, 0.70, 1, 0.85},
}

// Shares lists the words in rising order.
func Shares() []Share {
	all := make([]Share, len(shareRows))
	for i, row := range shareRows {
		all[i] = row.share
	}
	return all
}

// ParseShare returns the share of a word, or an error listing the words.
func ParseShare(word string) (Share, error) {
	for _, row := range shareRows {
		if string(row.share) == word {
			return row.share, nil
		}
	}
	return "", fmt.Errorf("%q is not a share; say a few, a third, half or most", word)
}

// Near returns the share as a number, 0–1.
func (s Share) Near() float64 {
	for _, row := range shareRows {
		if row.share == s {
			return row.near
		}
	}
	return 0
}

// bounds returns the range that the word stands for.
func (s Share) bounds() (low, high float64) {
	for _, row := range shareRows {
		if row.share == s {
			return row.low, row.high
		}
	}
	return 0, 1
}

// ShareOf returns the word nearest to a share of plants, 0–1.
func ShareOf(share float64) Share {
	for _, row := range shareRows {
		if share < row.high {
			return row.share
		}
	}
	return Most
}
