package server

import (
	_ "embed"
	"errors"
	"html/template"
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

//go:embed pairing.html
var pairingText string

var pairingPage = template.Must(template.New("pairing").Parse(pairingText))

// pairingView is what the pairing page shows.
type pairingView struct {
	Code, Device, Person string
	// Faults are by field.
	Faults      map[string]string
	Fingerprint string
	Authority   string
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
	view.Fingerprint, view.Authority = sharing.Authority.Fingerprint(), authorityPath
	c.Header("Cache-Control", "no-store")
	c.Header("Content-Type", "text/html; charset=utf-8")
	c.Status(status)
	if err := pairingPage.Execute(c.Writer, view); err != nil {
		slog.ErrorContext(c.Request.Context(), "the pairing page could not be written", "error", err)
	}
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
