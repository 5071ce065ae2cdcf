package main

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"os"
	"strings"

	"github.com/spf13/cobra"

	"bramblyacre/format"
	"bramblyacre/garden"
	"bramblyacre/garden/journal"
	"bramblyacre/garden/plants"
	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// readers are what can be read into a plot, by the name it is asked for.
var readers = map[string]func(context.Context, *garden.Garden, []byte) (journal.Entry, error){
	"plan": func(ctx context.Context, g *garden.Garden, text []byte) (journal.Entry, error) {
		data, err := format.ReadPlan(text)
		if err != nil {
			return journal.Entry{}, err
		}
		return g.Place.ImportPlan(ctx, data)
	},
	"plant": func(ctx context.Context, g *garden.Garden, text []byte) (journal.Entry, error) {
		entry, _, err := g.Plants.PutOwnPlant(ctx, say.AsItStands, plants.PlantFileInput{Text: string(text)})
		return entry, err
	},
	"weather": func(ctx context.Context, g *garden.Garden, text []byte) (journal.Entry, error) {
		lines, err := format.ReadDailyWeather(bytes.NewReader(text))
		if err != nil {
			return journal.Entry{}, err
		}
		brought, err := g.Weather.BringFile(ctx, lines, true, false)
		if err != nil {
			for _, line := range brought.Lines {
				if len(line.Wrong) > 0 {
					err = fmt.Errorf("%w Line %d, %s: %s", err, line.Line, line.Words, strings.Join(line.Wrong, " "))
					break
				}
			}
			return journal.Entry{}, err
		}
		return *brought.Entry, nil
	},
}

// importCommand reads a file of a plan, a plant or daily weather into a plot, or a whole plot into a folder.
func importCommand() *cobra.Command {
	var p plotFolder
	var preview bool
	cmd := &cobra.Command{
		Use:   "import plan|plant|weather|archive FILE --data DIR",
		Short: "Read a plan (GeoJSON), a plant of your own (TOML) or daily weather (CSV) into the plot, or an archive in place of it; all as export writes them",
		Args: func(_ *cobra.Command, args []string) error {
			if len(args) != 2 || readers[args[0]] == nil && args[0] != "archive" {
				return usageError{
					errors.New(
						"say what to read and from where: import plan FILE, import plant FILE, import weather FILE, or import archive FILE",
					),
				}
			}
			return nil
		},
		RunE: func(cmd *cobra.Command, args []string) (err error) {
			if err := p.needsFolder(); err != nil {
				return err
			}
			if args[0] == "archive" {
				return p.importArchive(cmd.Context(), args[1], preview, cmd.OutOrStdout())
			}
			text, err := os.ReadFile(args[1])
			if err != nil {
				return err
			}
			g, s, err := p.open(cmd.Context())
			var held store.HeldError
			if errors.As(err, &held) {
				return fmt.Errorf(
					"%w, or bring the file on its page: a plan under Plot, a plant under Plants, weather under Weather",
					held,
				)
			}
			if err != nil {
				return err
			}
			for _, note := range s.Notes {
				if _, err := fmt.Fprintln(cmd.ErrOrStderr(), note); err != nil {
					return err
				}
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
	p.dataFlag(cmd)
	cmd.Flags().BoolVar(&preview, "preview", false, "say what an archive holds, and read nothing")
	return cmd
}
