// Package suitability judges ground for plants. So far it knows the ground that
// must not be picked from.
package suitability

import "fmt"

// UnsafeGround is a reason why nothing that grows in a bed may be used. It
// forbids use, never the growing. The empty value is safe ground.
type UnsafeGround string

// UnsafeRow is one kind of unsafe ground and why.
type UnsafeRow struct {
	Kind UnsafeGround
	Why  string
}

var unsafeRows = []UnsafeRow{
	{"road verge", "dust and spray from the road settle on it"},
	{"sprayed strip", "it is sprayed, or spray drifts on to it"},
	{"pet ground", "animals relieve themselves there"},
	{"treated timber", "treated timber leaches into the soil"},
	{"old tip", "nobody knows what lies in the ground"},
	{"septic run-off", "waste water reaches it"},
}

// UnsafeKinds lists the kinds of unsafe ground with their reasons.
func UnsafeKinds() []UnsafeRow { return append([]UnsafeRow(nil), unsafeRows...) }

// Parse returns the kind of a word, the empty one for safe ground, or an error.
func Parse(word string) (UnsafeGround, error) {
	if word == "" {
		return "", nil
	}
	for _, row := range unsafeRows {
		if string(row.Kind) == word {
			return row.Kind, nil
		}
	}
	return "", fmt.Errorf("%q is not a kind of unsafe ground", word)
}

// Why returns the reason, empty for safe ground.
func (u UnsafeGround) Why() string {
	for _, row := range unsafeRows {
		if row.Kind == u {
			return row.Why
		}
	}
	return ""
}
