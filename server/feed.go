package server

import (
	"bytes"
	"log/slog"
	"net/http"
	"strings"

	"github.com/gin-gonic/gin"

	"bramblyacre/format"
	"bramblyacre/garden"
)

const (
	feedPath   = "/calendar/"
	feedEnding = ".ics"
)

func feedAddress(secret string) string { return feedPath + secret + feedEnding }

// serveFeed answers calendar programs, who cannot be paired, at an address that is a secret of its own.
func serveFeed(engine *gin.Engine, g *garden.Garden, sharing *Sharing) {
	answer := func(c *gin.Context) {
		secret, isFeed := strings.CutSuffix(c.Param("secret"), feedEnding)
		if !isFeed || !sharing.House.OpensFeed(secret) {
			problem(c, http.StatusNotFound, "There is no calendar at this address, or no longer.")
			return
		}
		file := format.Files["calendar"]
		var text bytes.Buffer
		if err := file.Write(c.Request.Context(), g, &text); err != nil {
			slog.ErrorContext(c.Request.Context(), "the calendar could not be made", "error", err)
			problem(c, http.StatusInternalServerError, failed(c.Request.Method))
			return
		}
		c.Header("Cache-Control", "private, no-cache")
		c.Data(http.StatusOK, file.Type, text.Bytes())
	}
	engine.GET(feedPath+":secret", answer)
	engine.HEAD(feedPath+":secret", answer)
}

// answersUnpaired tells which addresses answer without pairing: those alone that have a handler of their own, so
// that none comes to the pages by a way round.
func answersUnpaired(path string) bool {
	secret, isFeed := strings.CutPrefix(path, feedPath)
	return path == pairPath || path == authorityPath || isFeed && secret != "" && !strings.Contains(secret, "/")
}

// unlessUnpaired leaves out what answers without pairing.
func unlessUnpaired(judge gin.HandlerFunc) gin.HandlerFunc {
	return func(c *gin.Context) {
		if answersUnpaired(c.Request.URL.Path) {
			c.Next()
			return
		}
		judge(c)
	}
}
