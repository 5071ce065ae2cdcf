package server

import (
	"io"
	"log/slog"
	"net"
	"net/http"
	"runtime/debug"
	"slices"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"

	"bramblyacre/garden/identity"
	"bramblyacre/share"
)

// contentPolicy lets a page load from here alone and run no inline script.
// Inline styles are allowed: the component library writes its own.
const contentPolicy = "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"

var securityHeaders = map[string][]string{
	"Content-Security-Policy":      {contentPolicy},
	"X-Content-Type-Options":       {"nosniff"},
	"X-Frame-Options":              {"DENY"},
	"Referrer-Policy":              {"no-referrer"},
	"Cross-Origin-Opener-Policy":   {"same-origin"},
	"Cross-Origin-Resource-Policy": {"same-origin"},
	"Permissions-Policy":           {"camera=(), microphone=(), geolocation=()"},
}

var neverStored = []string{"no-store"}

func secured() gin.HandlerFunc {
	return func(c *gin.Context) {
		header := c.Writer.Header()
		for name, value := range securityHeaders {
			header[name] = value
		}
		if strings.HasPrefix(c.Request.URL.Path, "/api/") {
			header["Cache-Control"] = neverStored
		}
		c.Next()
	}
}

// onlyHost refuses requests that name another host than the server's own
// address or this machine, and changes asked for by a page from elsewhere. It
// keeps a foreign page from reaching the plot through a name that it points here. Where TLS
// vouches for it, the machine's name in the house is one of its own, too.
func onlyHost(address string, toHouse bool) gin.HandlerFunc {
	own, _, err := net.SplitHostPort(address)
	if err != nil {
		own = address
	}
	allowed := []string{own, "localhost", "127.0.0.1", "::1"}
	if name := share.LocalName(); toHouse && name != "" {
		allowed = append(allowed, name)
	}
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
		site := c.Request.Header.Get("Sec-Fetch-Site")
		if c.Request.Method != http.MethodGet && c.Request.Method != http.MethodHead &&
			(site == "cross-site" || site == "same-site") {
			problem(c, http.StatusForbidden, "Changes can only be asked for by this program's own pages.")
			return
		}
		if origin := c.Request.Header.Get(
			"Origin",
		); origin != "" && c.Request.Method != http.MethodGet &&
			origin != schemeOf(c.Request)+c.Request.Host {
			problem(c, http.StatusForbidden, "Changes can only be asked for by this program's own pages.")
			return
		}
		c.Next()
	}
}

func schemeOf(r *http.Request) string {
	if r.TLS != nil {
		return "https://"
	}
	return "http://"
}

// isUnder tells whether a path is another, or lies under it.
func isUnder(path, above string) bool { return path == above || strings.HasPrefix(path, above+"/") }

// plotHeader names the plot that a page was loaded from.
const plotHeader = "Acre-Plot"

// ofPlot refuses what was asked of another plot: a page, or what a device kept, may come
// back to the address when something else is served there.
func ofPlot(id string) gin.HandlerFunc {
	return func(c *gin.Context) {
		if of := c.Request.Header.Get(plotHeader); of != "" && of != id {
			const told = "Another plot is served at this address now. Nothing was noted in it: load the page anew."
			problem(c, http.StatusConflict, told, &huma.ErrorDetail{Location: "header." + plotHeader, Message: told})
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

// mostBodies are the largest bodies of operations that take more than mostBody, in bytes.
var mostBodies = map[string]int64{"/api/photographs": identity.MostPhotographBytes}

// limited refuses bodies that are larger than the operation takes.
func limited() gin.HandlerFunc {
	return func(c *gin.Context) {
		most, told := int64(mostBody), "This is too much at once; a megabyte is the most."
		if more, has := mostBodies[c.Request.URL.Path]; has {
			most, told = more, "This is too much at once; 12 MB are the most. Save the photograph smaller."
		}
		if c.Request.ContentLength > most {
			// What is on its way is read and thrown away, within bounds: a sender that is cut off
			// in the middle never reads why.
			_, _ = io.Copy(io.Discard, io.LimitReader(c.Request.Body, mostDrained))
			problem(c, http.StatusRequestEntityTooLarge, told)
			return
		}
		if c.Request.ContentLength != 0 {
			c.Request.Body = http.MaxBytesReader(c.Writer, c.Request.Body, most)
		}
		c.Next()
	}
}

func logged(log *slog.Logger) gin.HandlerFunc {
	return func(c *gin.Context) {
		began := time.Now()
		c.Next()
		log.LogAttrs(
			c.Request.Context(),
			slog.LevelInfo,
			"answered",
			slog.String("method", c.Request.Method),
			slog.String("path", c.Request.URL.Path),
			slog.Int("status", c.Writer.Status()),
			slog.Duration("took", time.Since(began).Round(time.Microsecond)),
		)
	}
}

func recovered(log *slog.Logger) gin.HandlerFunc {
	return gin.CustomRecoveryWithWriter(nil, func(c *gin.Context, fault any) {
		log.Error("a request failed", "path", c.Request.URL.Path, "fault", fault, "stack", string(debug.Stack()))
		problem(c, http.StatusInternalServerError, failed(c.Request.Method))
	})
}

// failed says what a fault of ours means to the one who asked. A change may have been
// written before its answer failed.
func failed(method string) string {
	if method == http.MethodGet {
		return "Something failed here. Nothing was changed."
	}
	return "Something failed here. The ledger tells whether it was noted."
}

// problem answers with an RFC 9457 problem and ends the request.
func problem(c *gin.Context, status int, detail string, faults ...*huma.ErrorDetail) {
	c.Header("Content-Type", "application/problem+json")
	c.AbortWithStatusJSON(
		status,
		huma.ErrorModel{Status: status, Title: http.StatusText(status), Detail: detail, Errors: faults},
	)
}
