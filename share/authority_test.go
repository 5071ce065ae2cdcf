package share

import (
	"crypto/tls"
	"crypto/x509"
	"net"
	"net/netip"
	"os"
	"path/filepath"
	"runtime"
	"strings"
	"testing"
	"time"
)

func check(t testing.TB, err error) {
	t.Helper()
	if err != nil {
		t.Fatal(err)
	}
}

var opened = time.Date(2031, 5, 27, 9, 0, 0, 0, time.UTC)

func at(moment *time.Time) func() time.Time { return func() time.Time { return *moment } }

func authority(t *testing.T, dir string) *Authority {
	t.Helper()
	moment := opened
	a, err := OpenAuthority(dir, at(&moment))
	check(t, err)
	return a
}

// verify has the standard library's checker, which knows nothing of ours, judge a certificate.
func verify(a *Authority, leaf *x509.Certificate, name string) error {
	roots := x509.NewCertPool()
	roots.AddCert(a.cert)
	_, err := leaf.Verify(x509.VerifyOptions{Roots: roots, DNSName: name, CurrentTime: opened})
	return err
}

func TestTheAuthorityIsMadeOnceAndItsKeyIsClosedToOthers(t *testing.T) {
	dir := t.TempDir()
	first, again := authority(t, dir), authority(t, dir)
	if first.Fingerprint() != again.Fingerprint() || len(first.Fingerprint()) != 32*3-1 {
		t.Errorf("its fingerprint is %q, and %q when it is opened again", first.Fingerprint(), again.Fingerprint())
	}
	info, err := os.Stat(filepath.Join(dir, KeyFile))
	check(t, err)
	if runtime.GOOS != "windows" && info.Mode().Perm() != 0o600 {
		t.Errorf("the key's file has the mode %04o", info.Mode().Perm())
	}
	if other := authority(t, t.TempDir()); other.Fingerprint() == first.Fingerprint() {
		t.Error("two plots have one authority")
	}
}

func TestAKeyThatOthersCouldReadIsNotUsed(t *testing.T) {
	if runtime.GOOS == "windows" {
		t.Skip("who may read a file is not in its mode there")
	}
	moment := opened
	for _, mode := range []os.FileMode{0o640, 0o604, 0o666, 0o660} {
		dir := t.TempDir()
		authority(t, dir)
		check(t, os.Chmod(filepath.Join(dir, KeyFile), mode))
		if _, err := OpenAuthority(dir, at(&moment)); err == nil || !strings.Contains(err.Error(), "could read") {
			t.Errorf("a key of mode %04o is answered with %v", mode, err)
		}
	}
}

func TestABrokenAuthorityIsRefusedAndSaysWhatToDo(t *testing.T) {
	other := t.TempDir()
	authority(t, other)
	for name, harm := range map[string]func(dir string) error{
		"the key is missing":         func(dir string) error { return os.Remove(filepath.Join(dir, KeyFile)) },
		"the certificate is missing": func(dir string) error { return os.Remove(filepath.Join(dir, AuthorityFile)) },
		"the key is empty":           func(dir string) error { return os.Truncate(filepath.Join(dir, KeyFile), 0) },
		"the certificate is cut off": func(dir string) error { return os.Truncate(filepath.Join(dir, AuthorityFile), 200) },
		"the key is another's": func(dir string) error {
			return os.Rename(filepath.Join(other, KeyFile), filepath.Join(dir, KeyFile))
		},
	} {
		dir := t.TempDir()
		authority(t, dir)
		check(t, harm(dir))
		moment := opened
		if _, err := OpenAuthority(dir, at(&moment)); err == nil || !strings.Contains(err.Error(), "Move ") {
			t.Errorf("%s: it is answered with %v", name, err)
		}
	}
	dir := t.TempDir()
	authority(t, dir)
	for _, moment := range []time.Time{opened.AddDate(11, 0, 0), opened.AddDate(-1, 0, 0)} {
		if _, err := OpenAuthority(dir, at(&moment)); err == nil {
			t.Errorf("an authority of %s is used on %s", opened, moment)
		}
	}
}

// What checks a certificate refuses whatever the authority might sign for beyond a house.
func TestTheAuthorityVouchesForNothingOutsideAHouse(t *testing.T) {
	a := authority(t, t.TempDir())
	for _, place := range []string{"192.168.1.20", "10.3.4.5", "172.31.255.1", "127.0.0.1", "169.254.7.7", "fd00::7"} {
		leaf, err := a.issue([]netip.Addr{netip.MustParseAddr(place)})
		check(t, err)
		if err := verify(a, leaf.Leaf, place); err != nil {
			t.Errorf("%s: %v", place, err)
		}
		if err := verify(a, leaf.Leaf, "192.168.1.99"); err == nil {
			t.Errorf("what was made for %s holds for another address", place)
		}
	}
	for _, place := range []string{"8.8.8.8", "172.32.0.1", "193.168.1.1", "2001:db8::1"} {
		leaf, err := a.issue([]netip.Addr{netip.MustParseAddr(place)})
		check(t, err)
		if err := verify(a, leaf.Leaf, place); err == nil {
			t.Errorf("it vouches for %s", place)
		}
		if OfTheHouse(netip.MustParseAddr(place)) {
			t.Errorf("%s is taken for an address of a house", place)
		}
	}
}

// shake lets a device and the house shake hands, the device by TLS of some versions.
func shake(t *testing.T, serving *tls.Config, device *tls.Config) error {
	t.Helper()
	listener, err := net.Listen("tcp", "127.0.0.1:0")
	check(t, err)
	defer func() { check(t, listener.Close()) }()
	served := make(chan error, 1)
	go func() {
		conn, err := listener.Accept()
		if err == nil {
			err = tls.Server(conn, serving).Handshake()
			_ = conn.Close()
		}
		served <- err
	}()
	conn, err := tls.Dial("tcp", listener.Addr().String(), device)
	if err == nil {
		_ = conn.Close()
	}
	<-served
	return err
}

func TestTLSBelow12IsRefused(t *testing.T) {
	a := authority(t, t.TempDir())
	roots := x509.NewCertPool()
	roots.AddCert(a.cert)
	for _, c := range []struct {
		least, most uint16
		meets       bool
	}{
		{tls.VersionTLS10, tls.VersionTLS10, false},
		{tls.VersionTLS10, tls.VersionTLS11, false},
		{tls.VersionTLS12, tls.VersionTLS12, true},
		{tls.VersionTLS13, tls.VersionTLS13, true},
	} {
		err := shake(t, a.ServerTLS(nil), &tls.Config{
			RootCAs: roots, MinVersion: c.least, MaxVersion: c.most, Time: func() time.Time { return opened },
		})
		if (err == nil) != c.meets {
			t.Errorf("TLS from %x to %x is answered with %v", c.least, c.most, err)
		}
	}
}

// A machine that is given another address meanwhile is vouched for there, and no certificate is served when it runs out.
func TestTheAddressIsVouchedForWhereADeviceCameIn(t *testing.T) {
	moment := opened
	a, err := OpenAuthority(t.TempDir(), at(&moment))
	check(t, err)
	l := &leaves{authority: a, places: []netip.Addr{netip.MustParseAddr("192.168.1.20")}}
	first, err := l.forDevice(&tls.ClientHelloInfo{})
	check(t, err)
	same, err := l.forDevice(&tls.ClientHelloInfo{Conn: cameInAt("192.168.1.20")})
	check(t, err)
	if same != first {
		t.Error("a certificate is made anew for each device")
	}
	moved, err := l.forDevice(&tls.ClientHelloInfo{Conn: cameInAt("192.168.1.77")})
	check(t, err)
	check(t, verify(a, moved.Leaf, "192.168.1.77"))
	check(t, verify(a, moved.Leaf, "192.168.1.20"))
	if _, err := l.forDevice(&tls.ClientHelloInfo{Conn: cameInAt("198.51.100.7")}); err == nil {
		t.Error("an address beyond the house is served")
	}
	moment = opened.AddDate(0, 0, leafDays-1)
	later, err := l.forDevice(&tls.ClientHelloInfo{Conn: cameInAt("192.168.1.77")})
	check(t, err)
	if !later.Leaf.NotAfter.After(moment.AddDate(0, 0, leafDays-1)) {
		t.Errorf("on its last day it holds until %s", later.Leaf.NotAfter)
	}
}

type conn struct {
	net.Conn
	local net.Addr
}

func (c conn) LocalAddr() net.Addr { return c.local }

func cameInAt(ip string) net.Conn { return conn{local: &net.TCPAddr{IP: net.ParseIP(ip), Port: 8443}} }
