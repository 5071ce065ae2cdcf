package server

import (
	"context"
	"crypto/x509"
	"net"
	"net/http"
	"testing"

	"bramblyacre/share"
)

// contextAt is a request's context as the standard library's server makes it: with the address that it came in at.
func contextAt(r *http.Request, at net.Addr) context.Context {
	return context.WithValue(r.Context(), http.LocalAddrContextKey, at)
}

func withCancel(t *testing.T) (context.Context, context.CancelFunc) {
	t.Helper()
	return context.WithCancel(context.WithoutCancel(t.Context()))
}

func rootsOf(t *testing.T, a *share.Authority) *x509.CertPool {
	t.Helper()
	roots := x509.NewCertPool()
	if !roots.AppendCertsFromPEM(a.Certificate()) {
		t.Fatal("the authority's certificate is none")
	}
	return roots
}
