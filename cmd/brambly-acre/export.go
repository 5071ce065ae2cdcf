package main

import (
	"context"
	"errors"
	"fmt"
	"io"
	"os"
	"slices"
	"strings"

	"github.com/spf13/cobra"

	"bramblyacre/core/calendar"
	"bramblyacre/format"
	"bramblyacre/server"
	"bramblyacre/store"
)

func exportCommand() *cobra.Command {
	var p plotFolder
	var out, today string
	var names []string
	for name := range format.Files {
		names = append(names, name)
	}
	slices.Sort(names)
	cmd := &cobra.Command{
		Use: "export NAME --data DIR", Short: "Write the plot's data as a file: " + strings.Join(names, ", ") + ", plant ID",
		Args: func(_ *cobra.Command, args []string) error {
			if len(args) == 2 && args[0] == "plant" {
				return nil
			}
			if len(args) != 1 || !slices.Contains(names, args[0]) {
				return usageError{fmt.Errorf("say what to write: %s, or plant and its id", strings.Join(names, ", "))}
			}
			return nil
		},
		RunE: func(cmd *cobra.Command, args []string) (err error) {
			if err := p.needsFolder(); err != nil {
				return err
			}
			if today != "" {
				day, err := calendar.Parse(today)
				if err != nil {
					return usageError{fmt.Errorf("--today: %w", err)}
				}
				p.today = &day
			}
			if out == "" {
				return p.export(cmd.Context(), args, cmd.OutOrStdout())
			}
			if err := store.RefuseDataFile(out, p.dir); err != nil {
				return err
			}
			return store.Replace(out, func(temporary string) error {
				file, err := os.Create(temporary)
				if err != nil {
					return err
				}
				return errors.Join(p.export(cmd.Context(), args, file), file.Close())
			})
		},
	}
	p.dataFlag(cmd)
	cmd.Flags().StringVar(&out, "out", "", "file to write; standard output where it is left out")
	cmd.Flags().StringVar(&today, "today", "", "the day that windows count from, 2031-05-27")
	return cmd
}

func (p plotFolder) export(ctx context.Context, what []string, to io.Writer) (err error) {
	g, s, err := p.openToRead(ctx)
	if err != nil {
		return err
	}
	defer func() { err = errors.Join(err, s.Close()) }()
	if len(what) == 2 { // a plant and its id
		file, err := g.Plants.PlantFile(ctx, what[1])
		if err != nil {
			return err
		}
		_, err = io.WriteString(to, file.Text)
		return err
	}
	return format.Files[what[0]].Write(ctx, g, to)
}

// openAPICommand prints the description that the front end's types are made of.
func openAPICommand() *cobra.Command {
	return &cobra.Command{
		Use: "openapi", Short: "Print the description of the server's operations", Hidden: true, Args: noArguments,
		RunE: func(cmd *cobra.Command, _ []string) error {
			// The version stays out of the file that is kept, or every build would change it.
			text, err := server.OpenAPI("1")
			if err != nil {
				return err
			}
			_, err = fmt.Fprintf(cmd.OutOrStdout(), "%s\n", text)
			return err
		},
	}
}
