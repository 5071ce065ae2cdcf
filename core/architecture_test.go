// Package core_test holds the arrows of docs/architecture.md: which part may
// import which.
package core_test

import (
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"os"
	"path"
	"path/filepath"
	"slices"
	"strconv"
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
	"format":  {"core", "garden", "store"},
	"share":   {"store"},
	"server":  {"core", "garden", "format", "share"},
	"demo":    {"core", "garden", "library", "store"},
	"web":     {},
	"cmd":     {"core", "library", "station", "store", "garden", "format", "share", "server", "demo", "web"},
}

// withinCore lists, for each subject of core, the subjects that it may import.
var withinCore = map[string][]string{
	"agenda":         {"calendar"},
	"calendar":       {},
	"care":           {"flora"},
	"climate":        {"calendar", "parallel"},
	"flora":          {"calendar", "spelling"},
	"geometry":       {},
	"ground":         {"flora"},
	"harvest":        {"calendar", "climate", "flora", "geometry", "identity", "keeping", "phenology", "suitability"},
	"keeping":        {"flora"},
	"harvest/season": {"parallel"},
	"listing":        {"calendar", "flora"},
	"identity":       {"calendar", "flora", "spelling"},
	"parallel":       {},
	"phenology":      {"calendar", "climate", "flora"},
	"plan":           {"geometry", "sun"},
	"propagation":    {"calendar", "climate", "flora", "geometry"},
	"water":          {"flora"},
	"practice":       {"calendar", "flora", "identity"},
	"spelling":       {},
	"spread":         {"calendar", "climate", "flora", "geometry", "parallel", "phenology", "plan", "propagation"},
	"suitability":    {"flora", "ground", "phenology"},
	"sun":            {"calendar", "geometry", "parallel"},
	"unit":           {},
}

// belowAreas lists the parts of garden that areas stand on, with the parts of garden that
// each may import. Every other folder of garden is an area: it may import these, and
// never another area.
var belowAreas = map[string][]string{
	"say":     {},
	"journal": {"say"},
	"plot":    {"say", "journal"},
	"view":    {"say", "plot"},
	"input":   {"say", "plot"},
	"area":    {"say", "journal", "plot"},
}

// impure are the packages of the standard library that core may not use: it
// reads no file, no clock of the system's, no network and no database.
var impure = []string{"os", "net", "database", "io/fs", "io/ioutil", "log", "syscall", "plugin", "embed", "testing/fstest"}

// clocks are the functions of package time that read the system's clock.
var clocks = []string{"Now", "Since", "Until", "After", "AfterFunc", "Tick", "NewTimer", "NewTicker", "Sleep"}

// ownSources are what core may use of math/rand/v2: sources that are seeded, and their
// types. All its other functions draw from the global source.
var ownSources = []string{"New", "NewPCG", "NewChaCha8", "NewZipf", "Rand", "PCG", "ChaCha8", "Source", "Zipf"}

// coreMayUse are the modules from outside that core may use: numbers, and Unicode's rules.
var coreMayUse = []string{"gonum.org/v1/gonum/", "golang.org/x/text/"}

// source is one Go file, without the tests.
type source struct {
	// folder is its package's folder under the module, with slashes.
	folder string
	file   *ast.File
}

// imports are the paths that a file imports.
func (s source) imports() (paths []string) {
	for _, spec := range s.file.Imports {
		imported, err := strconv.Unquote(spec.Path.Value)
		if err == nil {
			paths = append(paths, imported)
		}
	}
	return paths
}

// sources reads every Go file but the tests. It reads the files themselves, so that a result
// of the test is never kept over a change of them.
func sources(t *testing.T) (all []source) {
	t.Helper()
	root := ".."
	err := filepath.WalkDir(root, func(name string, entry fs.DirEntry, err error) error {
		if err != nil {
			return err
		}
		if entry.IsDir() && name != root && (strings.HasPrefix(entry.Name(), ".") || entry.Name() == "node_modules") {
			return filepath.SkipDir
		}
		if entry.IsDir() || !strings.HasSuffix(name, ".go") || strings.HasSuffix(name, "_test.go") {
			return nil
		}
		text, err := os.ReadFile(name)
		if err != nil {
			return err
		}
		file, err := parser.ParseFile(token.NewFileSet(), name, text, parser.SkipObjectResolution)
		if err != nil {
			return err
		}
		folder, err := filepath.Rel(root, filepath.Dir(name))
		all = append(all, source{filepath.ToSlash(folder), file})
		return err
	})
	if err != nil {
		t.Fatal(err)
	}
	return all
}

// split cuts the first name off a path.
func split(folder string) (first, rest string) {
	first, rest, _ = strings.Cut(folder, "/")
	return first, rest
}

func within(path, folder string) bool { return path == folder || strings.HasPrefix(path, folder+"/") }

func TestArrowsPointTheAgreedWay(t *testing.T) {
	seen := map[string]bool{}
	for _, s := range sources(t) {
		part, _ := split(s.folder)
		if part == "e2e" || part == "tools" {
			continue
		}
		allowed, known := mayImport[part]
		if !known {
			t.Errorf("%s belongs to no part of the architecture", s.folder)
		}
		seen[part] = true
		for _, imported := range s.imports() {
			if !within(imported, module) {
				continue
			}
			other, _ := split(strings.TrimPrefix(imported, module+"/"))
			if other != part && !slices.Contains(allowed, other) {
				t.Errorf("%s imports %s, which its part may not", s.folder, imported)
			}
		}
	}
	for part := range mayImport {
		if !seen[part] {
			t.Errorf("there is no part %q", part)
		}
	}
}

// Subjects of core and parts of garden know of each other only as agreed, and an area knows
// of no other area.
func TestArrowsWithinCoreAndGarden(t *testing.T) {
	seen := map[string]bool{}
	for _, s := range sources(t) {
		part, inner := split(s.folder)
		if part != "core" && part != "garden" || inner == "" {
			continue // garden itself puts the areas together
		}
		seen[s.folder] = true
		allowed, known := withinCore[inner]
		if part == "garden" {
			if allowed, known = belowAreas[inner]; !known {
				known = true
				for below := range belowAreas {
					allowed = append(allowed, below)
				}
			}
		}
		if !known {
			t.Errorf("%s is in no list of arrows", s.folder)
		}
		for _, imported := range s.imports() {
			other, is := strings.CutPrefix(imported, path.Join(module, part)+"/")
			if imported == path.Join(module, part) || is && other != inner && !slices.Contains(allowed, other) {
				t.Errorf("%s imports %s, which it may not", s.folder, imported)
			}
		}
	}
	for subject := range withinCore {
		if !seen["core/"+subject] {
			t.Errorf("there is no subject %q", subject)
		}
	}
	for below := range belowAreas {
		if !seen["garden/"+below] {
			t.Errorf("there is no part %q of garden", below)
		}
	}
}

func TestCoreIsPure(t *testing.T) {
	for _, s := range sources(t) {
		if !within(s.folder, "core") {
			continue
		}
		for _, imported := range s.imports() {
			for _, bad := range impure {
				if within(imported, bad) {
					t.Errorf("%s imports %s", s.folder, imported)
				}
			}
			outside := strings.Contains(strings.SplitN(imported, "/", 2)[0], ".")
			if outside && !slices.ContainsFunc(coreMayUse, func(m string) bool { return strings.HasPrefix(imported, m) }) {
				t.Errorf("%s imports %s from outside", s.folder, imported)
			}
		}
		ast.Inspect(s.file, func(n ast.Node) bool {
			selector, is := n.(*ast.SelectorExpr)
			if !is {
				return true
			}
			from, is := selector.X.(*ast.Ident)
			if !is {
				return true
			}
			name := selector.Sel.Name
			if from.Name == "time" && slices.Contains(clocks, name) {
				t.Errorf("%s reads the clock: time.%s", s.folder, name)
			}
			if from.Name == "rand" && !slices.Contains(ownSources, name) {
				t.Errorf("%s draws from the global source: rand.%s", s.folder, name)
			}
			return true
		})
	}
}

// Views and journal speak through say; the plot itself says nothing and knows no JSON of
// the API.
func TestThePlotHoldsNoViews(t *testing.T) {
	for _, s := range sources(t) {
		if s.folder != "garden/plot" {
			continue
		}
		for _, decl := range s.file.Decls {
			general, is := decl.(*ast.GenDecl)
			if !is || general.Tok != token.TYPE {
				continue
			}
			for _, spec := range general.Specs {
				if name := spec.(*ast.TypeSpec).Name.Name; strings.HasSuffix(name, "View") {
					t.Errorf("the plot holds the view %s", name)
				}
			}
		}
	}
}
