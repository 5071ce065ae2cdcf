package share

import (
	"crypto/ecdsa"
	"crypto/elliptic"
	"crypto/rand"
	"crypto/tls"
	"crypto/x509"
	"crypto/x509/pkix"
	"fmt"
	"net"
	"net/netip"
	"slices"
	"sync"
	"time"
)

const (
	// leafDays is how long a certificate of an address holds: phones refuse those that hold
	// longer than 398 days. It is made anew in the last week, and at every start.
	leafDays   = 90
	leafAgain  = 7 * 24 * time.Hour
	mostPlaces = 64
)

// leaves are the certificates of the addresses that the plot is reached at. They live in memory
// alone.
type leaves struct {
	authority *Authority
	mutex     sync.Mutex // guards what follows
	places    []netip.Addr
	current   *tls.Certificate
}

// ServerTLS is how the house's address is served: TLS 1.2 or later, with a certificate for the
// address that a device came in at. A machine that is given another address meanwhile is vouched
// for there, too, as long as it is one of a house.
func (a *Authority) ServerTLS(places []netip.Addr) *tls.Config {
	l := &leaves{authority: a, places: slices.Clone(places)}
	return &tls.Config{
		MinVersion:     tls.VersionTLS12,
		NextProtos:     []string{"h2", "http/1.1"},
		GetCertificate: l.forDevice,
	}
}

// forDevice is the certificate for the address that a device came in at.
func (l *leaves) forDevice(hello *tls.ClientHelloInfo) (*tls.Certificate, error) {
	l.mutex.Lock()
	defer l.mutex.Unlock()
	reached, isKnown := localAddr(hello.Conn)
	if isKnown && !OfTheHouse(reached) {
		return nil, fmt.Errorf("%s is no address of a house", reached)
	}
	isNew := isKnown && !slices.Contains(l.places, reached)
	if l.current != nil && !isNew && l.authority.clock().Before(l.current.Leaf.NotAfter.Add(-leafAgain)) {
		return l.current, nil
	}
	if isNew {
		if len(l.places) >= mostPlaces {
			l.places = l.places[1:]
		}
		l.places = append(l.places, reached)
	}
	made, err := l.authority.issue(l.places)
	if err != nil {
		return nil, err
	}
	l.current = made
	return made, nil
}

func localAddr(conn net.Conn) (netip.Addr, bool) {
	if conn == nil {
		return netip.Addr{}, false
	}
	at, isTCP := conn.LocalAddr().(*net.TCPAddr)
	if !isTCP {
		return netip.Addr{}, false
	}
	addr, isAddr := netip.AddrFromSlice(at.IP)
	return addr.Unmap().WithZone(""), isAddr
}

// issue vouches for addresses of the house, and for the machine's name there.
func (a *Authority) issue(places []netip.Addr) (*tls.Certificate, error) {
	key, err := ecdsa.GenerateKey(elliptic.P256(), rand.Reader)
	if err != nil {
		return nil, err
	}
	serial, err := newSerial()
	if err != nil {
		return nil, err
	}
	now := a.clock()
	until := now.AddDate(0, 0, leafDays)
	if until.After(a.cert.NotAfter) {
		until = a.cert.NotAfter
	}
	template := &x509.Certificate{
		SerialNumber: serial,
		Subject:      pkix.Name{CommonName: "Brambly Acre"},
		NotBefore:    now.Add(-time.Hour),
		NotAfter:     until,
		KeyUsage:     x509.KeyUsageDigitalSignature,
		ExtKeyUsage:  []x509.ExtKeyUsage{x509.ExtKeyUsageServerAuth},
	}
	if name := LocalName(); name != "" {
		template.DNSNames = []string{name}
	}
	for _, place := range places {
		template.IPAddresses = append(template.IPAddresses, place.AsSlice())
	}
	raw, err := x509.CreateCertificate(rand.Reader, template, a.cert, &key.PublicKey, a.key)
	if err != nil {
		return nil, fmt.Errorf("vouch for %v: %w", places, err)
	}
	leaf, err := x509.ParseCertificate(raw)
	if err != nil {
		return nil, err
	}
	return &tls.Certificate{Certificate: [][]byte{raw, a.cert.Raw}, PrivateKey: key, Leaf: leaf}, nil
}
