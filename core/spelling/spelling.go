// Package spelling tells how near a written name is to a name that is meant.
package spelling

import "strings"

// Distance returns how many letters have to be put in, left out, changed or
// swapped with their neighbour to turn one text into the other.
//
// Source: the optimal string alignment distance, after Damerau 1964,
// Communications of the ACM 7(3), 171–176.
func Distance(a, b string) int {
	from, to := []rune(a), []rune(b)
	before, last, now := make([]int, len(to)+1), make([]int, len(to)+1), make([]int, len(to)+1)
	for j := range last {
		last[j] = j
	}
	for i := 1; i <= len(from); i++ {
		now[0] = i
		for j := 1; j <= len(to); j++ {
			change := last[j-1]
			if from[i-1] != to[j-1] {
				change++
			}
			now[j] = min(change, last[j]+1, now[j-1]+1)
			if i > 1 && j > 1 && from[i-1] == to[j-2] && from[i-2] == to[j-1] {
				now[j] = min(now[j], before[j-2]+1)
			}
		}
		before, last, now = last, now, before
	}
	return last[len(to)]
}

// leastLikeness is how like a word must be to count as meant: up to two letters of
// five may be wrong.
const leastLikeness = 0.6

// Likeness returns how like a written text is to a name, 0 for not at all to 1 for
// the same: each written word against the word of the name that is nearest to it,
// or the beginning of that word. A text with a word that is like none is not like the name.
// Both are given without accents and case.
func Likeness(written, name string) float64 {
	words := strings.Fields(written)
	if len(words) == 0 {
		return 0
	}
	named := strings.Fields(name)
	sum := 0.0
	for _, word := range words {
		best := 0.0
		for _, other := range named {
			best = max(best, wordLikeness(word, other))
		}
		if best < leastLikeness {
			return 0
		}
		sum += best
	}
	likeness := sum / float64(len(words))
	// Of two names that hold all the words, the shorter is nearer.
	return likeness * (0.9 + 0.1*float64(len(words))/float64(max(len(words), len(named))))
}

// wordLikeness compares two words; a written beginning of a word counts nearly as
// the whole.
func wordLikeness(word, other string) float64 {
	whole := 1 - float64(Distance(word, other))/float64(max(len([]rune(word)), len([]rune(other))))
	const beginning = 0.92
	if strings.HasPrefix(other, word) {
		return max(whole, beginning)
	}
	if letters := []rune(other); len(letters) > len([]rune(word)) && len([]rune(word)) >= 4 {
		start := string(letters[:len([]rune(word))])
		return max(whole, beginning*(1-float64(Distance(word, start))/float64(len([]rune(word)))))
	}
	return whole
}
