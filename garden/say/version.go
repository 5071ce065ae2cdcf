package say

import (
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"strings"
)

// Version tells one reading of something from another: a form that was open while the
// plot moved on is known by it. It follows from what is noted, so that something changed
// and changed back is what it was.
type Version string

// AsItStands is for changes that were not made from a form: whatever stands is changed.
const AsItStands Version = "*"

// StaleError says that something was changed since the sender saw it. Nothing was written.
type StaleError struct {
	What string
	// Why says what changed, where that can be said in sentences.
	Why []string
}

// Error says what was changed meanwhile.
func (e StaleError) Error() string {
	if len(e.Why) > 0 {
		return Capital(e.What) + " was changed meanwhile. Nothing was noted. " + strings.Join(e.Why, " ")
	}
	return Capital(e.What) + " was changed meanwhile. Nothing was noted: look at both readings, and choose."
}

// VersionOf is the version of something noted; nil is that nothing is noted.
func VersionOf(noted any) Version {
	text, err := json.Marshal(noted)
	if err != nil {
		panic(err) // rows and texts can always be written
	}
	sum := sha256.Sum256(text)
	return Version(hex.EncodeToString(sum[:8]))
}

// IsOf makes sure that what was seen is what stands.
func (v Version) IsOf(standing Version, what string) error {
	if v != AsItStands && v != standing {
		return StaleError{What: what}
	}
	return nil
}
