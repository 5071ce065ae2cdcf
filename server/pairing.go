package server

import (
	_ "embed"
	"errors"
	"html"
	"log/slog"
	"math"
	"net/http"
	"strconv"
	"strings"

	"github.com/gin-gonic/gin"

	"bramblyacre/share"
)

// The addresses that answer without pairing.
const (
	pairPath      = "/pair"
	authorityPath = "/pair/authority.crt"
)

// pairingPage is the page with its gaps, each between two percent signs. It is filled in by hand: html/template
// looks methods up by their names, and a program that is linked with it drags along every method there is, a
// fifth of its size.
//
//go:embed pairing.html
var pairingPage string

// pairingView is what the pairing page shows.
type pairingView struct {
	Code, Device, Person string
	// Faults are by field.
	Faults map[string]string
}

// servePairing registers the pairing page: the one thing that answers without pairing.
func servePairing(engine *gin.Engine, sharing *Sharing) {
	engine.GET(pairPath, func(c *gin.Context) {
		showPairing(
			c,
			sharing,
			http.StatusOK,
			pairingView{Code: shortened(c.Query("code")), Device: deviceKind(c.Request.UserAgent())},
		)
	})
	engine.POST(pairPath, func(c *gin.Context) { pair(c, sharing) })
	engine.GET(authorityPath, func(c *gin.Context) {
		c.Header("Cache-Control", "no-store")
		c.Header("Content-Disposition", `attachment; filename="brambly-acre-authority.crt"`)
		c.Data(http.StatusOK, "application/x-x509-ca-cert", sharing.Authority.DER())
	})
}

func showPairing(c *gin.Context, sharing *Sharing, status int, view pairingView) {
	c.Header("Cache-Control", "no-store")
	// A page that never says where it is sends its form without saying whose it is.
	c.Header("Referrer-Policy", "same-origin")
	c.Data(status, "text/html; charset=utf-8", []byte(view.page(sharing.Authority.Fingerprint())))
}

// page is the page with its gaps filled in. Whatever was typed is text, never markup.
func (v pairingView) page(fingerprint string) string {
	gaps := []string{"%authority%", authorityPath, "%fingerprint%", html.EscapeString(fingerprint)}
	for field, typed := range map[string]string{"code": v.Code, "device": v.Device, "person": v.Person} {
		invalid, fault := "", ""
		if why := v.Faults[field]; why != "" {
			invalid = ` aria-invalid="true" aria-describedby="` + field + `-fault"`
			fault = `<p class="fault" id="` + field + `-fault" role="alert">` + html.EscapeString(why) + "</p>\n"
		}
		gaps = append(gaps,
			"%"+field+"%", html.EscapeString(typed), "%"+field+"-invalid%", invalid, "%"+field+"-fault%", fault)
	}
	return strings.NewReplacer(gaps...).Replace(pairingPage)
}

// pair lets a device in by what was typed on the pairing page.
func pair(c *gin.Context, sharing *Sharing) {
	view := pairingView{
		Code:   c.PostForm("code"),
		Device: c.PostForm("device"),
		Person: c.PostForm("person"),
		Faults: map[string]string{},
	}
	token, device, err := sharing.House.Pair(c.Request.Context(), view.Code, view.Device, view.Person, remote(c))
	var name share.NameError
	var wait share.WaitError
	status := http.StatusUnprocessableEntity
	switch {
	case err == nil:
		giveCookies(c, token, device)
		c.Redirect(http.StatusSeeOther, "/")
		return
	case errors.As(err, &wait):
		seconds := int(math.Ceil(wait.Wait.Seconds()))
		status = http.StatusTooManyRequests
		c.Header("Retry-After", strconv.Itoa(seconds))
		view.Faults["code"] = "There were too many wrong codes. Try again in " + strconv.Itoa(seconds) + " seconds."
	case errors.As(err, &name):
		view.Faults[name.Field] = name.Why
	case errors.Is(err, share.ErrTooMany):
		status = http.StatusConflict
		view.Faults["device"] = "As many devices are paired as may be: one has to be put out first, at the machine that serves the plot."
	default:
		slog.ErrorContext(c.Request.Context(), "a device could not be paired", "error", err)
		status = http.StatusInternalServerError
		view.Faults["code"] = "Something failed here, and the device was not paired. Try again."
	}
	view.Code, view.Device, view.Person = shortened(view.Code), shortened(view.Device), shortened(view.Person)
	showPairing(c, sharing, status, view)
}

// shortened is a text as it is shown again: no page grows by what is typed into it.
func shortened(text string) string {
	const most = 80
	if runes := []rune(text); len(runes) > most {
		return string(runes[:most])
	}
	return text
}

// deviceKind proposes a name for a device by what its browser says of it.
func deviceKind(agent string) string {
	for _, kind := range []struct{ sign, name string }{
		{"iPad", "Tablet"}, {"Tablet", "Tablet"}, {"Mobile", "Phone"}, {"Android", "Tablet"},
	} {
		if strings.Contains(agent, kind.sign) {
			return kind.name
		}
	}
	return ""
}
