// Package core_test holds the arrows of docs/architecture.md: which part may
// import which.
package core_test

import (
	"encoding/json"
	"errors"
	"io"
	"os/exec"
	"slices"
	"strings"
	"testing"
)

const module = "bramblyacre"

// mayImport lists, for each part, the parts that it may import besides itself.
var mayImport = map[string][]string{
	"core":    {},
	"library": {"core"},
	"station": {"core"},
	"store":   {"core"},
	"garden":  {"core", "library", "store", "station"},
	"format":  {"core", "garden"},
	"server":  {"core", "garden", "format"},
	"demo":    {"core", "garden", "library", "store"},
	"web":     {},
	"cmd":     {"core", "library", "station", "store", "garden", "format", "server", "demo", "web"},
}

// impure are the packages of the standard library that core may not use: it
// reads no file, no clock of the system's, no network and no database.
var impure = []string{"os", "net", "database", "io/fs", "io/ioutil", "log", "syscall", "plugin", "embed", "testing/fstest"}

// coreMayUse are the modules from outside that core may use: numbers, and Unicode's rules.
var coreMayUse = []string{"gonum.org/v1/gonum/", "golang.org/x/text/"}

type goPackage struct {
	ImportPath string
	Imports    []string
}

func packages(t *testing.T) []goPackage {
	t.Helper()
	out, err := exec.Command("go", "list", "-json=ImportPath,Imports", module+"/...").Output()
	if err != nil {
		t.Fatal(err)
	}
	var all []goPackage
	for decoder := json.NewDecoder(strings.NewReader(string(out))); ; {
		var p goPackage
		if err := decoder.Decode(&p); errors.Is(err, io.EOF) {
			return all
		} else if err != nil {
			t.Fatal(err)
		}
		all = append(all, p)
	}
}

func partOf(path string) string {
	part, _, _ := strings.Cut(strings.TrimPrefix(path, module+"/"), "/")
	return part
}

func within(path, folder string) bool { return path == folder || strings.HasPrefix(path, folder+"/") }

func TestArrowsPointTheAgreedWay(t *testing.T) {
	seen := map[string]bool{}
	for _, p := range packages(t) {
		part := partOf(p.ImportPath)
		if part == "e2e" || part == "tools" {
			continue
		}
		allowed, known := mayImport[part]
		if !known {
			t.Errorf("%s belongs to no part of the architecture", p.ImportPath)
		}
		seen[part] = true
		for _, imported := range p.Imports {
			if within(imported, module) && partOf(imported) != part && !slices.Contains(allowed, partOf(imported)) {
				t.Errorf("%s imports %s, which its part may not", p.ImportPath, imported)
			}
		}
	}
	for part := range mayImport {
		if !seen[part] {
			t.Errorf("there is no part %q", part)
		}
	}
}

func TestCoreIsPure(t *testing.T) {
	for _, p := range packages(t) {
		if partOf(p.ImportPath) != "core" {
			continue
		}
		for _, imported := range p.Imports {
			for _, bad := range impure {
				if within(imported, bad) {
					t.Errorf("%s imports %s", p.ImportPath, imported)
				}
			}
			outside := strings.Contains(strings.SplitN(imported, "/", 2)[0], ".")
			if outside && !slices.ContainsFunc(coreMayUse, func(m string) bool { return strings.HasPrefix(imported, m) }) {
				t.Errorf("%s imports %s from outside", p.ImportPath, imported)
			}
		}
	}
}
