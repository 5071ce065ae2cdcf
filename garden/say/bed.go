package say

import (
	"strings"
)

// OrList lists choices: "dry, fresh, moist or wet".
func OrList(words []string) string {
	if len(words) < 2 {
		return strings.Join(words, "")
	}
	return strings.Join(words[:len(words)-1], ", ") + " or " + words[len(words)-1]
}
