package main

import (
	"errors"
	"fmt"
	"os"

	"github.com/spf13/cobra"

	"bramblyacre/format"
)

// importCommand reads a plan's file into a plot.
func importCommand() *cobra.Command {
	var p plot
	cmd := &cobra.Command{
		Use: "import plan FILE --data DIR", Short: "Read a plan (GeoJSON, as export writes it) into the plot",
		Args: func(_ *cobra.Command, args []string) error {
			if len(args) != 2 || args[0] != "plan" {
				return usageError{errors.New("say what to read and from where: import plan FILE")}
			}
			return nil
		},
		RunE: func(cmd *cobra.Command, args []string) (err error) {
			if p.dir == "" {
				return usageError{errors.New("say where the plot is kept: --data DIR")}
			}
			text, err := os.ReadFile(args[1])
			if err != nil {
				return err
			}
			data, err := format.ReadPlan(text)
			if err != nil {
				return fmt.Errorf("%s: %w", args[1], err)
			}
			g, s, err := p.open(cmd.Context())
			if err != nil {
				return err
			}
			defer func() { err = errors.Join(err, s.Close()) }()
			entry, err := g.ImportPlan(cmd.Context(), data)
			if err != nil {
				return fmt.Errorf("%s: %w", args[1], err)
			}
			_, err = fmt.Fprintln(cmd.OutOrStdout(), entry.Summary)
			return err
		},
	}
	cmd.Flags().StringVar(&p.dir, "data", "", "folder that the plot is kept in")
	return cmd
}
