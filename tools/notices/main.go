// Command notices gathers the licences of all fonts and libraries that ship with the program: the Go modules that it is
// linked from on any machine that it is built for, and the packages that its pages and their worker are bundled from.
//
//	notices ROOT BUNDLED OUT
//
// ROOT is the project's folder, BUNDLED what the bundler wrote of its packages, OUT the file to write.
package main

import (
	"bytes"
	"cmp"
	"encoding/json"
	"errors"
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"runtime"
	"slices"
	"strings"
)

// notice is a part that others made.
type notice struct {
	Name    string `json:"name"`
	Version string `json:"version"`
	Licence string `json:"licence"`
	Text    string `json:"text"`
}

// systems are those that the program is built for: each may link modules that the others do not.
var systems = []string{"linux", "darwin", "windows"}

// apart are packages that ship without passing through the bundler of the pages: fonts, by their styles, and
// the worker's.
var apart = []string{
	"@fontsource-variable/atkinson-hyperlegible-next", "@fontsource/brygada-1918",
	"workbox-core", "workbox-precaching", "workbox-routing", "workbox-strategies",
}

func main() {
	if len(os.Args) != 4 {
		fmt.Fprintln(os.Stderr, "notices ROOT BUNDLED OUT")
		os.Exit(2)
	}
	if err := write(os.Args[1], os.Args[2], os.Args[3]); err != nil {
		fmt.Fprintln(os.Stderr, "notices:", err)
		os.Exit(1)
	}
}

func write(root, bundled, out string) error {
	var all []notice
	for _, gather := range []func() ([]notice, error){
		func() ([]notice, error) { return ofModules(root) },
		func() ([]notice, error) { return ofBundle(bundled) },
		func() ([]notice, error) { return ofPackages(filepath.Join(root, "web", "node_modules"), apart) },
		ofGo,
	} {
		found, err := gather()
		if err != nil {
			return err
		}
		all = append(all, found...)
	}
	slices.SortFunc(all, func(a, b notice) int {
		return cmp.Or(cmp.Compare(strings.ToLower(a.Name), strings.ToLower(b.Name)), cmp.Compare(a.Version, b.Version))
	})
	all = slices.Compact(all)
	for _, one := range all {
		if strings.TrimSpace(one.Text) == "" {
			return fmt.Errorf("%s %s has no text of a licence: it may not ship", one.Name, one.Version)
		}
	}
	text, err := json.MarshalIndent(all, "", " ")
	if err != nil {
		return err
	}
	return os.WriteFile(out, append(text, '\n'), 0o644)
}

// module is what go list tells of a module.
type module struct {
	Path, Version, Dir string
	Main               bool
}

// ofModules are the modules that the program is linked from.
func ofModules(root string) (found []notice, err error) {
	known := map[module]bool{}
	for _, system := range systems {
		list := exec.Command("go", "list", "-deps", "-json=Module", "./cmd/brambly-acre")
		list.Dir = root
		list.Env = append(os.Environ(), "GOOS="+system, "CGO_ENABLED=0")
		list.Stderr = os.Stderr
		text, err := list.Output()
		if err != nil {
			return nil, fmt.Errorf("list what the program is linked from: %w", err)
		}
		for decoder := json.NewDecoder(bytes.NewReader(text)); decoder.More(); {
			var linked struct{ Module module }
			if err := decoder.Decode(&linked); err != nil {
				return nil, err
			}
			m := linked.Module
			if m.Main || m.Path == "" || known[m] { // the program itself, or Go's own
				continue
			}
			known[m] = true
			one, err := read(m.Dir, m.Path, m.Version, "")
			if err != nil {
				return nil, err
			}
			found = append(found, one)
		}
	}
	return found, nil
}

// ofGo is Go itself, whose standard library is linked.
func ofGo() ([]notice, error) {
	one, err := read(runtime.GOROOT(), "Go's standard library", strings.TrimPrefix(runtime.Version(), "go"), "")
	return []notice{one}, err
}

// ofBundle are the packages that the bundler says it took.
func ofBundle(bundled string) (found []notice, err error) {
	text, err := os.ReadFile(bundled)
	if err != nil {
		return nil, err
	}
	var told []struct{ Name, Version, Identifier, Text string }
	if err := json.Unmarshal(text, &told); err != nil {
		return nil, fmt.Errorf("read %s: %w", bundled, err)
	}
	for _, one := range told {
		found = append(found, notice{one.Name, one.Version, one.Identifier, one.Text})
	}
	return found, nil
}

func ofPackages(modules string, names []string) (found []notice, err error) {
	for _, name := range names {
		dir := filepath.Join(modules, filepath.FromSlash(name))
		text, err := os.ReadFile(filepath.Join(dir, "package.json"))
		if err != nil {
			return nil, err
		}
		var told struct{ Version, License string }
		if err := json.Unmarshal(text, &told); err != nil {
			return nil, fmt.Errorf("read what %s is: %w", name, err)
		}
		one, err := read(dir, name, told.Version, told.License)
		if err != nil {
			return nil, err
		}
		found = append(found, one)
	}
	return found, nil
}

// licenceFile are the names that licences and notices go by.
var licenceFile = regexp.MustCompile(`(?i)^(licen[cs]e|copying|notice|patents|authors)([-._].*)?$`)

// read reads the licence of a part from its folder, with whatever notices lie beside it.
func read(dir, name, version, licence string) (notice, error) {
	entries, err := os.ReadDir(dir)
	if err != nil {
		return notice{}, err
	}
	var text strings.Builder
	for _, entry := range entries {
		if entry.IsDir() || !licenceFile.MatchString(entry.Name()) || strings.EqualFold(filepath.Ext(entry.Name()), ".go") {
			continue
		}
		words, err := os.ReadFile(filepath.Join(dir, entry.Name()))
		if err != nil {
			return notice{}, err
		}
		text.Write(bytes.TrimSpace(words))
		text.WriteString("\n\n")
	}
	if text.Len() == 0 {
		return notice{}, errors.New(name + " has no licence beside it: it may not ship")
	}
	if licence == "" {
		licence = kindOf(text.String())
	}
	return notice{name, version, licence, strings.TrimSpace(text.String())}, nil
}

// kindOf names the usual licences by a sentence of theirs, the more special first. Of another the text alone speaks.
func kindOf(text string) string {
	plain := strings.Join(strings.Fields(text), " ")
	for _, kind := range []struct{ sentence, name string }{
		{"Apache License Version 2.0", "Apache-2.0"},
		{"SIL OPEN FONT LICENSE", "OFL-1.1"},
		{"Mozilla Public License Version 2.0", "MPL-2.0"},
		{"Mozilla Public License, version 2.0", "MPL-2.0"},
		{"Neither the name", "BSD-3-Clause"},
		{"Redistribution and use in source and binary forms", "BSD-2-Clause"},
		{"Permission is hereby granted, free of charge", "MIT"},
		{"Permission to use, copy, modify, and", "ISC"},
		{"This is free and unencumbered software", "Unlicense"},
	} {
		if strings.Contains(strings.ToLower(plain), strings.ToLower(kind.sentence)) {
			return kind.name
		}
	}
	return ""
}
