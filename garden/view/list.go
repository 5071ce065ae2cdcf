package view

import "strings"

// ListOf are the words of a list as a row keeps it, with commas; none of an empty one.
func ListOf(kept string) []string {
	words := []string{}
	for word := range strings.SplitSeq(kept, ",") {
		if word != "" {
			words = append(words, word)
		}
	}
	return words
}
