package main

import (
	"context"
	"errors"
	"fmt"

	"github.com/spf13/cobra"

	"bramblyacre/garden"
	"bramblyacre/garden/plot"
	"bramblyacre/library"
	"bramblyacre/store"
)

// backupCommand copies a plot into one file, while others may write to it.
func backupCommand() *cobra.Command {
	var p plotFolder
	cmd := &cobra.Command{
		Use: "backup FILE --data DIR", Short: "Copy the whole plot into one file, also while it is served", Args: oneFile,
		RunE: func(cmd *cobra.Command, args []string) (err error) {
			if err := p.needsFolder(); err != nil {
				return err
			}
			s, err := store.OpenToRead(cmd.Context(), p.dir)
			if err != nil {
				return err
			}
			defer func() { err = errors.Join(err, s.Close()) }()
			if err := store.RefuseDataFile(args[0], p.dir); err != nil {
				return err
			}
			if err := s.BackUp(cmd.Context(), args[0]); err != nil {
				return err
			}
			_, err = fmt.Fprintf(cmd.OutOrStdout(), "The plot in %s was copied to %s, and the copy is whole.\n", p.dir, args[0])
			return err
		},
	}
	p.dataFlag(cmd)
	return cmd
}

// restoreCommand puts a copy in the place of a plot, which is kept.
func restoreCommand() *cobra.Command {
	var p plotFolder
	cmd := &cobra.Command{
		Use:   "restore FILE --data DIR",
		Short: "Put a copy in the place of the plot; the copy is checked first, and what was there is kept",
		Args:  oneFile,
		RunE: func(cmd *cobra.Command, args []string) error {
			if err := p.needsFolder(); err != nil {
				return err
			}
			kept, err := store.Restore(cmd.Context(), args[0], p.dir)
			if err != nil {
				return err
			}
			told := fmt.Sprintf("%s is the plot in %s now.", args[0], p.dir)
			if kept != "" {
				told += fmt.Sprintf(" What was there is kept as %s.", kept)
			}
			_, err = fmt.Fprintln(cmd.OutOrStdout(), told)
			return err
		},
	}
	p.dataFlag(cmd)
	return cmd
}

// checkCommand looks a plot through: its file, its references, and its rows against the
// ledger.
func checkCommand() *cobra.Command {
	var p plotFolder
	cmd := &cobra.Command{
		Use:   "check --data DIR",
		Short: "Look the whole plot through: its file, and every row against the ledger",
		Args:  noArguments,
		RunE: func(cmd *cobra.Command, _ []string) (err error) {
			if err := p.needsFolder(); err != nil {
				return err
			}
			g, s, err := p.openToRead(cmd.Context())
			if err != nil {
				return err
			}
			defer func() { err = errors.Join(err, s.Close()) }()
			if err := s.WholeCheck(cmd.Context()); err != nil {
				return s.Damaged(cmd.Context(), err)
			}
			replayed, err := g.ReplayLedger(cmd.Context())
			if err != nil {
				return err
			}
			if len(replayed.Apart) > 0 {
				return fmt.Errorf(
					"the file is whole, but %d of %d rows are not as the ledger says: %v",
					len(replayed.Apart),
					replayed.Rows,
					replayed.Apart,
				)
			}
			_, err = fmt.Fprintf(
				cmd.OutOrStdout(),
				"The plot in %s is whole: %d rows are as the %d entries of the ledger say.\n",
				p.dir,
				replayed.Rows,
				replayed.Entries,
			)
			return err
		},
	}
	p.dataFlag(cmd)
	return cmd
}

func (p *plotFolder) dataFlag(cmd *cobra.Command) {
	cmd.Flags().StringVar(&p.dir, "data", "", "folder that the plot is kept in")
}

func (p *plotFolder) needsFolder() error {
	if p.dir == "" {
		return usageError{errors.New("say where the plot is kept: --data DIR")}
	}
	return nil
}

func oneFile(_ *cobra.Command, args []string) error {
	if len(args) != 1 {
		return usageError{errors.New("say which file")}
	}
	return nil
}

// openToRead opens a plot beside a program that may write to it.
func (p plotFolder) openToRead(ctx context.Context) (*garden.Garden, *store.Store, error) {
	shipped, err := library.Shipped()
	if err != nil {
		return nil, nil, err
	}
	s, err := store.OpenToRead(ctx, p.dir)
	if err != nil {
		return nil, nil, err
	}
	g, err := garden.Open(ctx, plot.Options{Store: s, Library: shipped, PinnedTo: p.today})
	if err != nil {
		return nil, nil, errors.Join(err, s.Close())
	}
	return g, s, nil
}
