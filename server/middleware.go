package server

import (
	"log/slog"
	"net"
	"net/http"
	"runtime/debug"
	"slices"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"
)

// contentPolicy lets a page load from here alone and run no inline script.
// Inline styles are allowed: the component library writes its own.
const contentPolicy = "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; font-src 'self'; connect-src 'self'; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"

var securityHeaders = map[string]string{
	"Content-Security-Policy":      contentPolicy,
	"X-Content-Type-Options":       "nosniff",
	"X-Frame-Options":              "DENY",
	"Referrer-Policy":              "no-referrer",
	"Cross-Origin-Opener-Policy":   "same-origin",
	"Cross-Origin-Resource-Policy": "same-origin",
	"Permissions-Policy":           "camera=(), microphone=(), geolocation=()",
}

func secured() gin.HandlerFunc {
	return func(c *gin.Context) {
		for name, value := range securityHeaders {
			c.Header(name, value)
		}
		if strings.HasPrefix(c.Request.URL.Path, "/api/") {
			c.Header("Cache-Control", "no-store")
		}
		c.Next()
	}
}

// onlyHost refuses requests that name another host than the server's own
// address or this machine, and changes asked for by a page from elsewhere. It
// keeps a foreign page from reaching the plot through a name that it points here.
func onlyHost(address string) gin.HandlerFunc {
	own, _, err := net.SplitHostPort(address)
	if err != nil {
		own = address
	}
	allowed := []string{own, "localhost", "127.0.0.1", "::1"}
	return func(c *gin.Context) {
		host := c.Request.Host
		if name, _, err := net.SplitHostPort(host); err == nil {
			host = name
		}
		host = strings.Trim(host, "[]")
		local, known := reachedAt(c.Request)
		if !slices.Contains(allowed, host) && !(known && host == local) {
			problem(c, http.StatusMisdirectedRequest, "This server answers only to its own address.")
			return
		}
		if origin := c.Request.Header.Get("Origin"); origin != "" && c.Request.Method != http.MethodGet && origin != "http://"+c.Request.Host {
			problem(c, http.StatusForbidden, "Changes can only be asked for by this program's own pages.")
			return
		}
		c.Next()
	}
}

// reachedAt is the address of this machine that a request came in at: its own,
// too, where the server listens at all of them.
func reachedAt(r *http.Request) (address string, known bool) {
	local, known := r.Context().Value(http.LocalAddrContextKey).(*net.TCPAddr)
	if !known {
		return "", false
	}
	return local.IP.String(), true
}

func limited(most int64) gin.HandlerFunc {
	return func(c *gin.Context) {
		if c.Request.ContentLength > most {
			problem(c, http.StatusRequestEntityTooLarge, "This is too much at once; a megabyte is the most.")
			return
		}
		c.Request.Body = http.MaxBytesReader(c.Writer, c.Request.Body, most)
		c.Next()
	}
}

func logged(log *slog.Logger) gin.HandlerFunc {
	return func(c *gin.Context) {
		began := time.Now()
		c.Next()
		log.Info("answered", "method", c.Request.Method, "path", c.Request.URL.Path, "status", c.Writer.Status(), "took", time.Since(began).Round(time.Microsecond))
	}
}

func recovered(log *slog.Logger) gin.HandlerFunc {
	return gin.CustomRecoveryWithWriter(nil, func(c *gin.Context, fault any) {
		log.Error("a request failed", "path", c.Request.URL.Path, "fault", fault, "stack", string(debug.Stack()))
		problem(c, http.StatusInternalServerError, "Something failed here. Nothing was changed.")
	})
}

// problem answers with an RFC 9457 problem and ends the request.
func problem(c *gin.Context, status int, detail string) {
	c.Header("Content-Type", "application/problem+json")
	c.AbortWithStatusJSON(status, huma.ErrorModel{Status: status, Title: http.StatusText(status), Detail: detail})
}
