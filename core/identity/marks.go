package identity

import (
	"iter"
	"math/bits"
)

// marks are a set of characters: a bit for each by its place in the vocabulary.
type marks [markWords]uint64

// markWords is how many words of 64 bits hold the vocabulary; characterAt makes sure of it.
const (
	markWords  = 2
	wordBits   = 64
	mostMarked = markWords * wordBits
)

func markAt(at int) (m marks) {
	m[at/wordBits] = 1 << (at % wordBits)
	return m
}

func mark(character string) marks {
	if at, known := characterAt[character]; known {
		return markAt(at)
	}
	return marks{}
}

func markAll(characters []string) (all marks) {
	for _, c := range characters {
		all = all.with(mark(c))
	}
	return all
}

// marked are the characters that a set holds.
func marked(set map[string]bool) (all marks) {
	for c, in := range set {
		if in {
			all = all.with(mark(c))
		}
	}
	return all
}

// with, and and without are the union, the intersection and the difference of two sets.
func (m marks) with(other marks) marks {
	for i := range m {
		m[i] |= other[i]
	}
	return m
}

func (m marks) and(other marks) marks {
	for i := range m {
		m[i] &= other[i]
	}
	return m
}

func (m marks) without(other marks) marks {
	for i := range m {
		m[i] &^= other[i]
	}
	return m
}

func (m marks) none() bool { return m == marks{} }

func (m marks) count() (n int) {
	for _, word := range m {
		n += bits.OnesCount64(word)
	}
	return n
}

// each goes through the set: the place of each character, and it alone.
func (m marks) each() iter.Seq2[int, marks] {
	return func(yield func(int, marks) bool) {
		for i, word := range m {
			for ; word != 0; word &= word - 1 {
				at := i*wordBits + bits.TrailingZeros64(word)
				if !yield(at, markAt(at)) {
					return
				}
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
