package main

import (
	"errors"
	"fmt"
	"io"
	"os"

	"github.com/spf13/cobra"

	"bramblyacre/core/harvest/season"
	"bramblyacre/format"
)

// planCommand plans a season's pickings from a file, so that anyone can check what the plan of the season says.
func planCommand() *cobra.Command {
	var how season.How
	cmd := &cobra.Command{
		Use: "plan FILE", Short: "Plan the pickings of a season from a JSON file (docs/formats.md); - reads what is piped in",
		Args: func(_ *cobra.Command, args []string) error {
			if len(args) != 1 {
				return usageError{errors.New("plan takes one file")}
			}
			return nil
		},
		RunE: func(cmd *cobra.Command, args []string) error {
			var from io.Reader = cmd.InOrStdin()
			if args[0] != "-" {
				file, err := os.Open(args[0])
				if err != nil {
					return err
				}
				defer func() { _ = file.Close() }() // it was only read
				from = file
			}
			problem, err := format.ReadSeason(from)
			if err != nil {
				return fmt.Errorf("%s: %w", args[0], err)
			}
			unkept := problem.Settle()
			plan := season.Make(cmd.Context(), problem, how)
			return format.WriteSeason(cmd.OutOrStdout(), problem, plan, unkept)
		},
	}
	cmd.Flags().Uint64Var(&how.Seed, "seed", 1, "the seed of the search")
	cmd.Flags().IntVar(&how.Rounds, "rounds", 0, "how often part of the plan is made anew; 0 for the usual number")
	return cmd
}
