package server

import (
	"context"
	"errors"
	"net/http"
	"net/netip"
	"strings"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"

	"bramblyacre/garden/journal"
	"bramblyacre/share"
)

// Sharing is how the devices of a house come in.
type Sharing struct {
	House *share.House
	// Authority vouches for the house's address; nil where the plot is served to this machine alone.
	Authority *share.Authority
	// Addresses are where devices reach it, the one that is shown first at the head: https://192.168.0.10:8443
	Addresses []string
}

// The cookies that a device is given. Browsers take one that begins so over TLS alone, and from no other address.
const (
	tokenCookie = "__Host-acre-device"
	// deviceCookie carries the device's id, no secret: its page knows by it whose entries it keeps.
	deviceCookie = "__Host-acre-device-id"
	// cookieSeconds is 400 days, the longest that browsers keep one. Each page gives it anew.
	cookieSeconds = 400 * 24 * 60 * 60
)

// deviceHeader names the device that a page believes to be: what one device kept is not taken in as another's.
const deviceHeader = "Acre-Device"

type pairedKey struct{}

// paired lets in only devices that were paired, and says whose they are. Pages are sent to the pairing page.
func paired(sharing *Sharing) gin.HandlerFunc {
	return func(c *gin.Context) {
		token, _ := c.Cookie(tokenCookie) // none is as good as a wrong one
		device, known, err := sharing.House.Known(c.Request.Context(), token, remote(c).String())
		if err != nil {
			_ = c.Error(err) // when it was last seen could not be noted: no reason to keep it out
		}
		if !known {
			if isPage(c) {
				if token != "" {
					takeCookies(c) // they are of a device that was put out
				}
				c.Redirect(http.StatusSeeOther, pairPath)
				c.Abort()
				return
			}
			problem(c, http.StatusUnauthorized, "This device is not paired with the plot, or was put out.")
			return
		}
		if as := c.Request.Header.Get(deviceHeader); as != "" && as != device.ID {
			const told = "This came from another device than the one that is paired here. Nothing was noted."
			problem(c, http.StatusForbidden, told, &huma.ErrorDetail{Location: "header." + deviceHeader, Message: told})
			return
		}
		if isPage(c) {
			giveCookies(c, token, device)
		}
		ctx := context.WithValue(c.Request.Context(), pairedKey{}, device)
		c.Request = c.Request.WithContext(
			journal.WithWriter(ctx, journal.Writer{Person: device.Person, Device: device.Name}),
		)
		c.Next()
	}
}

// isPage tells whether a page is opened, rather than something asked for by one. A page's worker that opens it says no
// more of it than what kind of answer it takes.
func isPage(c *gin.Context) bool {
	return c.Request.Method == http.MethodGet && !isUnder(c.Request.URL.Path, "/api") &&
		strings.Contains(c.Request.Header.Get("Accept"), "text/html")
}

// giveCookies gives a device its cookies, anew with each page: they end when it was not there for long.
func giveCookies(c *gin.Context, token string, device share.Device) {
	cookie := func(name, value string, hidden bool) {
		http.SetCookie(c.Writer, &http.Cookie{
			Name: name, Value: value, Path: "/", MaxAge: cookieSeconds,
			Secure: true, HttpOnly: hidden, SameSite: http.SameSiteStrictMode,
		})
	}
	cookie(tokenCookie, token, true)
	cookie(deviceCookie, device.ID, false)
}

// takeCookies takes a device's cookies away.
func takeCookies(c *gin.Context) {
	for _, name := range []string{tokenCookie, deviceCookie} {
		http.SetCookie(
			c.Writer,
			&http.Cookie{Name: name, Path: "/", MaxAge: -1, Secure: true, SameSite: http.SameSiteStrictMode},
		)
	}
}

// remote is the address that a request came from.
func remote(c *gin.Context) netip.Addr {
	from, err := netip.ParseAddrPort(c.Request.RemoteAddr)
	if err != nil {
		return netip.Addr{}
	}
	return from.Addr().Unmap()
}

// onlyTheHouse refuses whoever comes from beyond the house's network, as through a router that passes everything on.
func onlyTheHouse() gin.HandlerFunc {
	return func(c *gin.Context) {
		if !share.OfTheHouse(remote(c)) {
			problem(c, http.StatusForbidden, "Only devices in the house's own network are answered.")
			return
		}
		c.Next()
	}
}

// onlyHere refuses what is done at the machine itself alone: who is let in.
func onlyHere(toHouse bool) gin.HandlerFunc {
	return func(c *gin.Context) {
		if toHouse && isUnder(c.Request.URL.Path, "/api/sharing") {
			problem(c, http.StatusForbidden, "Who may come in is settled at the machine that serves the plot.")
			return
		}
		c.Next()
	}
}

// asShared turns what share refuses into the garden's kinds of refusal.
func asShared(err error) error {
	var name share.NameError
	switch {
	case err == nil:
		return nil
	case errors.As(err, &name):
		return huma.Error422UnprocessableEntity(
			"Something entered cannot be. Nothing was changed.",
			&huma.ErrorDetail{Location: "body." + name.Field, Message: name.Why},
		)
	case errors.Is(err, share.ErrNoDevice):
		return huma.Error404NotFound("There is no such device; it was put out already.")
	}
	return err
}
