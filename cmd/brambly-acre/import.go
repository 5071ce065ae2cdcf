package main

import (
	"context"
	"errors"
	"fmt"
	"os"

	"github.com/spf13/cobra"

	"bramblyacre/format"
	"bramblyacre/garden"
)

// readers are what can be read into a plot, by the name it is asked for.
var readers = map[string]func(context.Context, *garden.Garden, []byte) (garden.Entry, error){
	"plan": func(ctx context.Context, g *garden.Garden, text []byte) (garden.Entry, error) {
		data, err := format.ReadPlan(text)
		if err != nil {
			return garden.Entry{}, err
		}
		return g.ImportPlan(ctx, data)
	},
	"plant": func(ctx context.Context, g *garden.Garden, text []byte) (garden.Entry, error) {
		entry, _, err := g.PutOwnPlant(ctx, garden.PlantFileInput{Text: string(text)})
		return entry, err
	},
}

// importCommand reads a plan's or a plant's file into a plot.
func importCommand() *cobra.Command {
	var p plot
	cmd := &cobra.Command{
		Use: "import plan|plant FILE --data DIR", Short: "Read a plan (GeoJSON) or a plant of your own (TOML), as export writes them, into the plot",
		Args: func(_ *cobra.Command, args []string) error {
			if len(args) != 2 || readers[args[0]] == nil {
				return usageError{errors.New("say what to read and from where: import plan FILE, or import plant FILE")}
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
			g, s, err := p.open(cmd.Context())
			if err != nil {
				return err
			}
			defer func() { err = errors.Join(err, s.Close()) }()
			entry, err := readers[args[0]](cmd.Context(), g, text)
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
