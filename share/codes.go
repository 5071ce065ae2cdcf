package share

import (
	"crypto/rand"
	"crypto/sha256"
	"crypto/subtle"
	"strings"
	"sync"
	"time"
)

const (
	// CodeHolds is how long a code lets a device in.
	CodeHolds = 10 * time.Minute
	// codeSigns leaves out what is misread on a screen: I, L, O, U, 0 and 1. Thirty signs, eight of
	// them: 6.6 * 10^11 codes.
	codeSigns  = "ABCDEFGHJKMNPQRSTVWXYZ23456789"
	codeLength = 8
	// mostCodes is how many codes hold at once; the oldest goes when there are more.
	mostCodes = 8
)

// Code is what lets one device in, once.
type Code struct {
	// Text is the code as it is shown: two groups of four signs.
	Text  string
	Until time.Time
}

// codes are those that hold. Only their hashes are kept, in memory.
type codes struct {
	clock func() time.Time
	mutex sync.Mutex // guards held
	held  []heldCode
}

type heldCode struct {
	hash   [sha256.Size]byte
	until  time.Time
	person string
}

// make gives out a code for somebody's device, or for anybody's where person is empty.
func (c *codes) make(person string) Code {
	text := make([]byte, 0, codeLength+1)
	for len(text) < codeLength+1 {
		if len(text) == codeLength/2 {
			text = append(text, '-')
			continue
		}
		text = append(text, codeSigns[below(len(codeSigns))])
	}
	until := c.clock().Add(CodeHolds)
	c.mutex.Lock()
	defer c.mutex.Unlock()
	c.sweep()
	if len(c.held) >= mostCodes {
		c.held = c.held[1:]
	}
	c.held = append(c.held, heldCode{sha256.Sum256([]byte(plainCode(string(text)))), until, person})
	return Code{string(text), until}
}

// below is a number from nothing to below n, each as likely: bytes that would favour some are drawn again.
func below(n int) int {
	fair := 256 - 256%n
	var one [1]byte
	for {
		_, _ = rand.Read(one[:]) // never fails: crypto/rand
		if int(one[0]) < fair {
			return int(one[0]) % n
		}
	}
}

// use tells whether a code lets in, and whose it was made for. It lets in nobody after that.
func (c *codes) use(typed string) (person string, lets bool) {
	asked := sha256.Sum256([]byte(plainCode(typed)))
	c.mutex.Lock()
	defer c.mutex.Unlock()
	c.sweep()
	found := -1
	for i, one := range c.held {
		if subtle.ConstantTimeCompare(one.hash[:], asked[:]) == 1 {
			found = i
		}
	}
	if found < 0 {
		return "", false
	}
	person = c.held[found].person
	c.held = append(c.held[:found:found], c.held[found+1:]...)
	return person, true
}

// sweep drops what no longer holds.
func (c *codes) sweep() {
	now := c.clock()
	still := c.held[:0:0]
	for _, one := range c.held {
		if now.Before(one.until) {
			still = append(still, one)
		}
	}
	c.held = still
}

// plainCode is a code as it is compared: without the stroke, blanks, and whether it was typed large.
func plainCode(typed string) string {
	return strings.Map(func(r rune) rune {
		if strings.ContainsRune(codeSigns, r) {
			return r
		}
		return -1
	}, strings.ToUpper(typed))
}
