package server

import (
	"bytes"
	"crypto/sha256"
	"encoding/hex"
	"io"
	"net/http"

	"github.com/gin-gonic/gin"

	"bramblyacre/garden/journal"
)

// keyHeader names the key that a change is sent under: sent again, as after a lost answer,
// it counts once.
const keyHeader = "Idempotency-Key"

// longestSendingKey is how long such a key may be.
const longestSendingKey = 64

// sentOnce tells the garden under which key a change was sent, with a digest of all that
// was sent.
func sentOnce() gin.HandlerFunc {
	return func(c *gin.Context) {
		key := c.Request.Header.Get(keyHeader)
		if key == "" || c.Request.Method == http.MethodGet || mostBodies[c.Request.URL.Path] > 0 {
			c.Next()
			return
		}
		if len(key) > longestSendingKey {
			problem(c, http.StatusBadRequest, "The key that this was sent under is too long.")
			return
		}
		body, err := io.ReadAll(c.Request.Body) // no longer than limited lets through
		if err != nil {
			problem(c, http.StatusRequestEntityTooLarge, "This is too much at once; a megabyte is the most.")
			return
		}
		c.Request.Body = io.NopCloser(bytes.NewReader(body))
		sum := sha256.Sum256(append([]byte(c.Request.Method+" "+c.Request.URL.Path+"\n"), body...))
		c.Request = c.Request.WithContext(journal.WithSending(c.Request.Context(), key, hex.EncodeToString(sum[:])))
		c.Next()
	}
}
