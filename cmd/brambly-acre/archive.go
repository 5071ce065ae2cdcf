package main

import (
	"context"
	"errors"
	"fmt"
	"io"
	"os"
	"path/filepath"

	"bramblyacre/format"
	"bramblyacre/garden/plot"
	"bramblyacre/store"
)

// importArchive reads an archive into a folder: all of it, or nothing. What was there is
// kept.
func (p plotFolder) importArchive(ctx context.Context, path string, preview bool, out io.Writer) (err error) {
	a, err := readArchive(path)
	if err != nil {
		return fmt.Errorf("%s: %w", path, err)
	}
	if preview {
		return p.tellArchive(a, out)
	}
	scratch, err := store.Scratch(p.dir)
	if err != nil {
		return err
	}
	defer func() { err = errors.Join(err, os.RemoveAll(scratch)) }()
	if err := a.BuildPlot(ctx, scratch); err != nil {
		return fmt.Errorf("%s cannot be read: %w", path, err)
	}
	if err := workedOut(ctx, scratch); err != nil {
		return fmt.Errorf("%s cannot be read: %w", path, err)
	}
	kept, err := store.Restore(ctx, filepath.Join(scratch, store.FileName), p.dir)
	if err != nil {
		return err
	}
	told := fmt.Sprintf("Read the plot %q of %s into %s.", a.Manifest.Name, a.Manifest.Made, p.dir)
	if kept != "" {
		told += fmt.Sprintf(" What was there is kept as %s.", kept)
	}
	_, err = fmt.Fprintln(out, told)
	return err
}

func readArchive(path string) (a format.Archive, err error) {
	file, err := os.Open(path)
	if err != nil {
		return a, err
	}
	defer func() { err = errors.Join(err, file.Close()) }()
	info, err := file.Stat()
	if err != nil {
		return a, err
	}
	return format.ReadArchive(file, info.Size())
}

// tellArchive says what an archive holds and what reading it would do, and does nothing.
func (p plotFolder) tellArchive(a format.Archive, out io.Writer) error {
	m := a.Manifest
	lines := fmt.Sprintf("The plot %q, as it was on %s (%s):\n", m.Name, m.Made, m.PlotID)
	for _, table := range m.Tables {
		if table.Rows > 0 {
			lines += fmt.Sprintf("  %6d in %s\n", table.Rows, table.Name)
		}
	}
	lines += fmt.Sprintf("%d files, each as its hash says.\n", len(m.Files))
	if _, err := os.Stat(filepath.Join(p.dir, store.FileName)); err == nil {
		lines += fmt.Sprintf("In %s lies a plot already; it would be kept beside the one that is read.\n", p.dir)
	}
	_, err := io.WriteString(out, lines+"Nothing was read in.\n")
	return err
}

// workedOut makes sure that a plot can be shown, and that its rows are as its ledger says.
func workedOut(ctx context.Context, dir string) (err error) {
	g, s, err := plotFolder{dir: dir}.openToRead(ctx)
	if err != nil {
		return err
	}
	defer func() { err = errors.Join(err, s.Close()) }()
	if _, err := g.Now.Now(ctx, plot.NoDay); err != nil {
		return err
	}
	replayed, err := g.ReplayLedger(ctx)
	if err == nil && len(replayed.Apart) > 0 {
		return fmt.Errorf(
			"%d of its rows are not as its ledger says: %v",
			len(replayed.Apart),
			replayed.Apart[:min(len(replayed.Apart), 5)],
		)
	}
	return err
}
