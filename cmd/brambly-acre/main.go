// Command brambly-acre keeps one living plan of a plot of wild medicinal and
// edible plants.
package main

import (
	"context"
	"errors"
	"fmt"
	"os"
	"os/signal"
	"syscall"

	"github.com/spf13/cobra"
)

// version is set when the program is built.
var version = "development"

// usageError is a wrong argument: it ends the program with status 2.
type usageError struct{ error }

func main() {
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	err := command().ExecuteContext(ctx)
	stop()
	if err != nil {
		fmt.Fprintln(os.Stderr, "brambly-acre:", err)
		var usage usageError
		if errors.As(err, &usage) {
			os.Exit(2)
		}
		os.Exit(1)
	}
}

// command returns the program's command line.
func command() *cobra.Command {
	root := &cobra.Command{
		Use: "brambly-acre", Short: "One living plan of a plot of wild medicinal and edible plants", Version: version,
		SilenceErrors: true, SilenceUsage: true,
		Args: func(_ *cobra.Command, args []string) error {
			if len(args) > 0 {
				return usageError{fmt.Errorf("there is no command %q; --help lists them", args[0])}
			}
			return nil
		},
		RunE: func(cmd *cobra.Command, _ []string) error { return cmd.Help() },
	}
	root.SetFlagErrorFunc(func(_ *cobra.Command, err error) error { return usageError{err} })
	root.AddCommand(
		serveCommand(),
		demoCommand(),
		calcCommand(),
		exportCommand(),
		importCommand(),
		backupCommand(),
		restoreCommand(),
		checkCommand(),
		planCommand(),
		openAPICommand(),
	)
	return root
}
