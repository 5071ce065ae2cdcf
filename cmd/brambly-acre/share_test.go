package main

import (
	"bufio"
	"crypto/tls"
	"crypto/x509"
	"io"
	"net/http"
	"net/http/cookiejar"
	"net/url"
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"runtime"
	"strings"
	"testing"
	"time"

	"bramblyacre/share"
)

// shared is the program that shares a plot, and what it said at its start.
type shared struct {
	*process
	said, house string
}

func startShared(t *testing.T, dir string) *shared {
	t.Helper()
	path, err := program()
	check(t, err)
	s := &shared{process: &process{cmd: exec.Command(path, "serve", "--data", dir, "--addr", "127.0.0.1:0", "--share=127.0.0.1:0")}}
	out, err := s.cmd.StdoutPipe()
	check(t, err)
	check(t, s.cmd.Start())
	t.Cleanup(func() {
		_ = s.cmd.Process.Kill() // it may have ended already
		_ = s.cmd.Wait()
	})
	lines := bufio.NewReader(out)
	for !strings.Contains(s.said, "fingerprint (SHA-256):") {
		line, err := lines.ReadString('\n')
		check(t, err)
		s.said += line
	}
	fingerprint, err := lines.ReadString('\n')
	check(t, err)
	s.said += fingerprint
	s.url = regexp.MustCompile(`http://\S+`).FindString(s.said)
	s.house = regexp.MustCompile(`https://127\.0\.0\.1:\d+`).FindString(s.said)
	return s
}

// phoneOf is a client that trusts the plot's authority, and follows no redirect.
func phoneOf(t *testing.T, dir string) *http.Client {
	t.Helper()
	roots := x509.NewCertPool()
	text, err := os.ReadFile(filepath.Join(dir, share.AuthorityFile))
	check(t, err)
	if !roots.AppendCertsFromPEM(text) {
		t.Fatal("the authority's certificate is none")
	}
	jar, err := cookiejar.New(nil)
	check(t, err)
	return &http.Client{
		Jar: jar, Timeout: 20 * time.Second,
		Transport:     &http.Transport{TLSClientConfig: &tls.Config{RootCAs: roots}},
		CheckRedirect: func(*http.Request, []*http.Request) error { return http.ErrUseLastResponse },
	}
}

func statusOf(t *testing.T, answer *http.Response, err error) int {
	t.Helper()
	check(t, err)
	_, err = io.Copy(io.Discard, answer.Body)
	check(t, err)
	check(t, answer.Body.Close())
	return answer.StatusCode
}

// The program as a household starts it: it invites, a phone comes in, and is known after a restart, over the same authority.
func TestAPlotIsSharedFromTheTerminal(t *testing.T) {
	dir := t.TempDir()
	s := startShared(t, dir)
	authority, err := share.OpenAuthority(dir, time.Now)
	check(t, err)
	code := regexp.MustCompile(`[A-Z2-9]{4}-[A-Z2-9]{4}`).FindString(s.said)
	if code == "" || !strings.Contains(s.said, authority.Fingerprint()) || strings.Count(s.said, "▀") < 50 {
		t.Fatalf("it says %q", s.said)
	}
	info, err := os.Stat(filepath.Join(dir, share.KeyFile))
	check(t, err)
	if runtime.GOOS != "windows" && info.Mode().Perm() != 0o600 {
		t.Errorf("the key's file has the mode %04o", info.Mode().Perm())
	}
	phone := phoneOf(t, dir)
	answer, err := phone.Get(s.house + "/api/site")
	if status := statusOf(t, answer, err); status != http.StatusUnauthorized {
		t.Errorf("before it is paired the phone is answered %d", status)
	}
	answer, err = phone.PostForm(s.house+"/pair", url.Values{"code": {code}, "device": {"Phone"}, "person": {"Ida"}})
	if status := statusOf(t, answer, err); status != http.StatusSeeOther {
		t.Fatalf("pairing is answered %d", status)
	}
	answer, err = phone.Get(s.house + "/api/site")
	if status := statusOf(t, answer, err); status != http.StatusOK {
		t.Errorf("paired, the phone is answered %d", status)
	}
	cookies := phone.Jar.Cookies(must(url.Parse(s.house)))
	s.stop(t)

	again := startShared(t, dir)
	if !strings.Contains(again.said, authority.Fingerprint()) {
		t.Error("a restart makes another authority")
	}
	phone.Jar.SetCookies(must(url.Parse(again.house)), cookies)
	answer, err = phone.Get(again.house + "/api/site")
	if status := statusOf(t, answer, err); status != http.StatusOK {
		t.Errorf("after a restart the phone is answered %d", status)
	}
	answer, err = http.Get(again.url + "/api/site")
	if status := statusOf(t, answer, err); status != http.StatusOK {
		t.Errorf("the machine itself is answered %d", status)
	}
}

func must[T any](value T, err error) T {
	if err != nil {
		panic(err)
	}
	return value
}

// No address beyond the house is listened at, and none of the house without being asked to share.
func TestSharingIsForTheHouseAlone(t *testing.T) {
	for _, args := range [][]string{
		{"--share=198.51.100.7:0"}, {"--share=8.8.8.8:8443"}, {"--share=[2001:db8::1]:0"}, {"--share=plot.example:0"}, {"--share=8443"},
		{"--addr", "192.168.1.20:0", "--share"}, {"--addr", "0.0.0.0:0", "--share"},
	} {
		dir := filepath.Join(t.TempDir(), "plot")
		status, out, errs := run(t, append([]string{"serve", "--data", dir}, args...)...)
		if status != 2 || out != "" || strings.Count(errs, "\n") != 1 {
			t.Errorf("%v: %d, %q, %q", args, status, out, errs)
		}
		if _, err := os.Stat(dir); err == nil {
			t.Errorf("%v: the folder is made all the same", args)
		}
	}
	status, _, errs := run(t, "serve", "--data", t.TempDir(), "--addr", "192.168.1.20:0")
	if status != 2 || !strings.Contains(errs, "--share") {
		t.Errorf("an address of the house without --share: %d, %q", status, errs)
	}
}
