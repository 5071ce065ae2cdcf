package main

import (
	"io/fs"
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"testing"
)

// The page on what could hurt a plot names a test for each line: every one of them exists.
func TestEveryTestThatTheDocumentsNameExists(t *testing.T) {
	root := filepath.Join("..", "..")
	page, err := os.ReadFile(filepath.Join(root, "docs", "security.md"))
	check(t, err)
	written := map[string]bool{}
	function := regexp.MustCompile(`(?m)^func ((?:Test|Fuzz)\w+)\(`)
	check(t, filepath.WalkDir(root, func(path string, entry fs.DirEntry, err error) error {
		switch {
		case err != nil:
			return err
		case entry.IsDir() && (entry.Name() == "node_modules" || entry.Name() == ".git"):
			return filepath.SkipDir
		case !strings.HasSuffix(path, "_test.go"):
			return nil
		}
		text, err := os.ReadFile(path)
		for _, found := range function.FindAllSubmatch(text, -1) {
			written[string(found[1])] = true
		}
		return err
	}))
	named := regexp.MustCompile("`((?:Test|Fuzz)\\w+)`").FindAllSubmatch(page, -1)
	if len(named) < 40 {
		t.Errorf("only %d tests are named", len(named))
	}
	for _, name := range named {
		if !written[string(name[1])] {
			t.Errorf("there is no test %s", name[1])
		}
	}
}
