// Package share lets the devices of a house in: an authority whose word a device takes for the
// address, codes that let a device in once, the devices that were let in, and the address that
// calendar programs read.
package share

import (
	"crypto/ecdsa"
	"crypto/elliptic"
	"crypto/rand"
	"crypto/sha256"
	"crypto/x509"
	"crypto/x509/pkix"
	"encoding/pem"
	"errors"
	"fmt"
	"io/fs"
	"math/big"
	"net"
	"os"
	"path/filepath"
	"runtime"
	"strings"
	"time"
)

// The files of the authority in the data folder.
const (
	AuthorityFile = "authority.crt"
	KeyFile       = "authority.key"
)

const (
	keyMode  = 0o600
	certMode = 0o600
	// authorityYears is how long an authority holds: a household trusts it once.
	authorityYears = 10
)

// Authority vouches for the addresses that this plot has in its house, and for nothing else:
// its certificate says so itself, and what checks it refuses any other name or address.
type Authority struct {
	cert  *x509.Certificate
	key   *ecdsa.PrivateKey
	clock func() time.Time
}

// OpenAuthority reads the authority of a data folder, or makes it where there is none. A key
// that others on the machine could have read, that does not fit its certificate, or that has
// run out, is an error that says what to do: nobody is left to trust it unknowing.
func OpenAuthority(dir string, clock func() time.Time) (*Authority, error) {
	at, keyAt := filepath.Join(dir, AuthorityFile), filepath.Join(dir, KeyFile)
	_, certErr := os.Stat(at)
	_, keyErr := os.Stat(keyAt)
	if errors.Is(certErr, fs.ErrNotExist) && errors.Is(keyErr, fs.ErrNotExist) {
		if err := makeAuthority(at, keyAt, clock()); err != nil {
			return nil, fmt.Errorf("make an authority of its own: %w", err)
		}
	}
	a, err := readAuthority(at, keyAt)
	if err != nil {
		return nil, fmt.Errorf(
			"the plot's own authority cannot be used: %w. Move %s and %s away, and a new one is made; every device has to trust it anew",
			err,
			at,
			keyAt,
		)
	}
	a.clock = clock
	if now := clock(); now.After(a.cert.NotAfter) || now.Before(a.cert.NotBefore) {
		return nil, fmt.Errorf(
			"the plot's own authority holds from %s to %s, and today is %s: set the clock right, or move %s and %s away for a new one",
			a.cert.NotBefore.Format(time.DateOnly),
			a.cert.NotAfter.Format(time.DateOnly),
			now.Format(time.DateOnly),
			at,
			keyAt,
		)
	}
	return a, nil
}

func makeAuthority(at, keyAt string, now time.Time) error {
	key, err := ecdsa.GenerateKey(elliptic.P256(), rand.Reader)
	if err != nil {
		return err
	}
	serial, err := newSerial()
	if err != nil {
		return err
	}
	template := &x509.Certificate{
		SerialNumber: serial,
		Subject: pkix.Name{
			CommonName:   "Brambly Acre at home",
			Organization: []string{fmt.Sprintf("Made on %s", now.UTC().Format(time.DateOnly))},
		},
		// An hour back: the clocks of a house differ.
		NotBefore:             now.Add(-time.Hour),
		NotAfter:              now.AddDate(authorityYears, 0, 0),
		IsCA:                  true,
		MaxPathLenZero:        true,
		BasicConstraintsValid: true,
		KeyUsage:              x509.KeyUsageCertSign,
		// For no name and no address outside a house: whoever stole the key could pass for none.
		PermittedDNSDomainsCritical: true,
		PermittedDNSDomains:         []string{localDomain},
		PermittedIPRanges:           houseRanges(),
		ExtKeyUsage:                 []x509.ExtKeyUsage{x509.ExtKeyUsageServerAuth},
	}
	cert, err := x509.CreateCertificate(rand.Reader, template, template, &key.PublicKey, key)
	if err != nil {
		return err
	}
	keyBytes, err := x509.MarshalPKCS8PrivateKey(key)
	if err != nil {
		return err
	}
	if err := writeNew(keyAt, keyMode, "PRIVATE KEY", keyBytes); err != nil {
		return err
	}
	return writeNew(at, certMode, "CERTIFICATE", cert)
}

// writeNew writes a file that is not there yet, closed to others from its first moment.
func writeNew(path string, mode fs.FileMode, kind string, content []byte) (err error) {
	file, err := os.OpenFile(path, os.O_WRONLY|os.O_CREATE|os.O_EXCL, mode)
	if err != nil {
		return err
	}
	defer func() { err = errors.Join(err, file.Close()) }()
	if err := pem.Encode(file, &pem.Block{Type: kind, Bytes: content}); err != nil {
		return err
	}
	return file.Sync()
}

func readAuthority(at, keyAt string) (*Authority, error) {
	info, err := os.Stat(keyAt)
	if err != nil {
		return nil, err
	}
	// Windows keeps who may read a file elsewhere than in its mode.
	if runtime.GOOS != "windows" && info.Mode().Perm()&0o077 != 0 {
		return nil, fmt.Errorf("others on this machine could read its key (mode %04o)", info.Mode().Perm())
	}
	keyBytes, err := readBlock(keyAt, "PRIVATE KEY")
	if err != nil {
		return nil, err
	}
	parsed, err := x509.ParsePKCS8PrivateKey(keyBytes)
	if err != nil {
		return nil, fmt.Errorf("%s: %w", keyAt, err)
	}
	certBytes, err := readBlock(at, "CERTIFICATE")
	if err != nil {
		return nil, err
	}
	cert, err := x509.ParseCertificate(certBytes)
	if err != nil {
		return nil, fmt.Errorf("%s: %w", at, err)
	}
	key, is := parsed.(*ecdsa.PrivateKey)
	if !is || !key.PublicKey.Equal(cert.PublicKey) {
		return nil, errors.New("its key and its certificate do not belong together")
	}
	if !cert.IsCA || !cert.PermittedDNSDomainsCritical || len(cert.PermittedIPRanges) == 0 {
		return nil, errors.New("it could vouch for more than this house")
	}
	return &Authority{cert: cert, key: key}, nil
}

func readBlock(path, kind string) ([]byte, error) {
	text, err := os.ReadFile(path)
	if err != nil {
		return nil, err
	}
	block, _ := pem.Decode(text)
	if block == nil || block.Type != kind {
		return nil, fmt.Errorf("%s holds no %s", path, strings.ToLower(kind))
	}
	return block.Bytes, nil
}

func newSerial() (*big.Int, error) {
	const serialBits = 127
	return rand.Int(rand.Reader, new(big.Int).Lsh(big.NewInt(1), serialBits))
}

// Certificate is the authority's own certificate, in PEM: what a device is told to trust.
func (a *Authority) Certificate() []byte {
	return pem.EncodeToMemory(&pem.Block{Type: "CERTIFICATE", Bytes: a.cert.Raw})
}

// DER is the same in the plain form that phones take.
func (a *Authority) DER() []byte { return a.cert.Raw }

// Fingerprint is the SHA-256 of the authority's certificate, in pairs of hexadecimal digits, as
// phones show it.
func (a *Authority) Fingerprint() string {
	sum := sha256.Sum256(a.cert.Raw)
	pairs := make([]string, len(sum))
	for i, b := range sum {
		pairs[i] = fmt.Sprintf("%02X", b)
	}
	return strings.Join(pairs, ":")
}

// Until is the day on which the authority runs out.
func (a *Authority) Until() time.Time { return a.cert.NotAfter }

func houseRanges() (ranges []*net.IPNet) {
	for _, prefix := range house {
		ranges = append(
			ranges,
			&net.IPNet{IP: prefix.Addr().AsSlice(), Mask: net.CIDRMask(prefix.Bits(), prefix.Addr().BitLen())},
		)
	}
	return ranges
}
