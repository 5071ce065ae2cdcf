package identity

import (
	"iter"
	"math/bits"
)

// marks are a set of characters: a bit for each by its place in the vocabulary, which
// has fewer than 64.
type marks uint64

func mark(character string) marks {
	if at, known := characterAt[character]; known {
		return 1 << at
	}
	return 0
}

func markAll(characters []string) (all marks) {
	for _, c := range characters {
		all |= mark(c)
	}
	return all
}

// marked are the characters that a set holds.
func marked(set map[string]bool) (all marks) {
	for c, in := range set {
		if in {
			all |= mark(c)
		}
	}
	return all
}

func (m marks) count() int { return bits.OnesCount64(uint64(m)) }

// each goes through the set: the place of each character, and it alone.
func (m marks) each() iter.Seq2[int, marks] {
	return func(yield func(int, marks) bool) {
		for ; m != 0; m &= m - 1 {
			if at := bits.TrailingZeros64(uint64(m)); !yield(at, 1<<at) {
				return
			}
		}
	}
}

// sorted are the characters' ids in the order of the vocabulary.
func (m marks) sorted() []string {
	var ids []string
	for at := range m.each() {
		ids = append(ids, vocabulary[at].ID)
	}
	return ids
}

func (m marks) set() map[string]bool {
	set := make(map[string]bool, m.count())
	for at := range m.each() {
		set[vocabulary[at].ID] = true
	}
	return set
}
