package main

import (
	"context"
	"errors"
	"fmt"
	"log/slog"
	"net"
	"os"
	"path/filepath"
	"sync"

	"github.com/spf13/cobra"

	"bramblyacre/core/calendar"
	"bramblyacre/demo"
	"bramblyacre/garden"
	"bramblyacre/garden/plot"
	"bramblyacre/library"
	"bramblyacre/server"
	"bramblyacre/store"
	"bramblyacre/web"
)

// The addresses that a plot of one's own and the sample plot are served at: two, so that
// a page, or what a device kept, of the one never meets the other.
const (
	ownAddress    = "127.0.0.1:8420"
	sampleAddress = "127.0.0.1:8421"
)

// plot is what is served.
type plotFolder struct {
	dir, address string
	// share is the address on the house's network, or empty where it is not shared.
	share  string
	today  *calendar.Date
	sample bool
}

func serveCommand() *cobra.Command {
	var p plotFolder
	var today string
	cmd := &cobra.Command{
		Use: "serve --data DIR", Short: "Serve the plot kept in a folder", Args: noArguments,
		RunE: func(cmd *cobra.Command, _ []string) error {
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
			return p.serve(cmd.Context())
		},
	}
	p.dataFlag(cmd)
	cmd.Flags().StringVar(&p.address, "addr", ownAddress, "address to listen on")
	cmd.Flags().StringVar(&today, "today", "", "fix today to a date, 2031-05-27")
	p.shareFlag(cmd)
	return cmd
}

func demoCommand() *cobra.Command {
	p := plotFolder{sample: true, today: &demo.Today}
	cmd := &cobra.Command{
		Use: "demo", Short: "Serve a fresh copy of the sample plot", Args: noArguments,
		RunE: func(cmd *cobra.Command, _ []string) (err error) {
			// Before the folder is touched: a slip in the address leaves everything as it was.
			if err := p.judgeAddresses(); err != nil {
				return err
			}
			if p.dir == "" {
				if p.dir, err = os.MkdirTemp("", "brambly-acre-*"); err != nil {
					return fmt.Errorf("make a folder for the sample plot: %w", err)
				}
				defer func() { err = errors.Join(err, os.RemoveAll(p.dir)) }()
			} else if err := clearSample(p.dir); err != nil {
				return err
			}
			return p.serve(cmd.Context())
		},
	}
	cmd.Flags().StringVar(&p.dir, "data", "", "folder for the sample plot; a temporary one where it is left out")
	cmd.Flags().StringVar(&p.address, "addr", sampleAddress, "address to listen on")
	p.shareFlag(cmd)
	return cmd
}

// sampleMark is a file that marks a folder as holding a sample plot.
const sampleMark = "sample-plot"

// clearSample takes an older sample plot out of a folder. A folder that holds
// anything else is left alone: it might be somebody's own plot.
func clearSample(dir string) error {
	if err := os.MkdirAll(dir, 0o700); err != nil {
		return fmt.Errorf("make %s: %w", dir, err)
	}
	mark := filepath.Join(dir, sampleMark)
	if _, err := os.Stat(mark); errors.Is(err, os.ErrNotExist) {
		if _, err := os.Stat(filepath.Join(dir, store.FileName)); err == nil {
			return fmt.Errorf("%s holds a plot that is not the sample; give the demo another folder", dir)
		}
		return os.WriteFile(mark, []byte("A copy of the sample plot; made anew at every start.\n"), 0o600)
	}
	return store.Clear(dir)
}

// adopt takes the mark of a sample off a folder that is used in earnest: the sample is
// never made anew over it.
func adopt(dir string) (note string, err error) {
	err = os.Remove(filepath.Join(dir, sampleMark))
	if errors.Is(err, os.ErrNotExist) {
		return "", nil
	}
	return fmt.Sprintf("The sample plot in %s is your own from now on: demo leaves it alone.", dir), err
}

// onlyLoopback refuses an address that other machines could reach.
func onlyLoopback(address string) error {
	host, _, err := net.SplitHostPort(address)
	if err != nil {
		return usageError{fmt.Errorf("--addr %s: write it as 127.0.0.1:8420", address)}
	}
	if ip := net.ParseIP(host); host != "localhost" && (ip == nil || !ip.IsLoopback()) {
		return usageError{
			fmt.Errorf(
				"--addr %s: other machines could reach it, and nobody is asked who they are: they would read what is noted of the household's health, and could write. Serve it on 127.0.0.1, and share it with the devices of the house by --share",
				address,
			),
		}
	}
	return nil
}

// serve opens the plot and answers until the context ends.
func (p plotFolder) serve(ctx context.Context) (err error) {
	if err := p.judgeAddresses(); err != nil {
		return err
	}
	log := slog.New(slog.NewTextHandler(os.Stderr, nil))
	slog.SetDefault(log)
	g, s, err := p.open(ctx)
	if err != nil {
		return err
	}
	defer func() { err = errors.Join(err, s.Close()) }()
	front, err := web.Front()
	if err != nil {
		return err
	}
	listener, err := net.Listen("tcp", p.address)
	if err != nil {
		return fmt.Errorf("listen on %s: %w", p.address, err)
	}
	address := listener.Addr().String()
	house, err := p.openHouse(ctx, s, log)
	if err != nil {
		return errors.Join(err, listener.Close())
	}
	options := server.Options{
		Garden: g, Front: front, Address: address, Version: version, Log: log, Sharing: &house.Sharing,
	}
	handler, err := server.New(options)
	if err != nil {
		return errors.Join(err, listener.Close(), house.close())
	}
	for _, note := range s.Notes {
		fmt.Println(note)
	}
	fmt.Printf("Brambly Acre is at http://%s\n", address)
	if err := house.tell(os.Stdout); err != nil {
		return errors.Join(err, listener.Close(), house.close())
	}
	log.Info("listening", "address", address, "data", p.dir, "today", g.Plot.Today().String(), "sample", p.sample)
	serving, stop := context.WithCancel(ctx)
	var kept sync.WaitGroup
	kept.Go(func() { newKeeper(g, s, p.sample, log).run(serving) })
	var toHouse error
	kept.Go(func() {
		defer stop() // neither is served without the other
		toHouse = house.serve(serving, options)
	})
	err = server.Serve(serving, listener, handler)
	stop()
	kept.Wait()
	log.Info("stopped")
	return errors.Join(err, toHouse)
}

func (p plotFolder) open(ctx context.Context) (*garden.Garden, *store.Store, error) {
	shipped, err := library.Shipped()
	if err != nil {
		return nil, nil, err
	}
	s, err := store.Open(ctx, p.dir)
	if err != nil {
		return nil, nil, err
	}
	if !p.sample {
		note, err := adopt(p.dir)
		if err != nil {
			return nil, nil, errors.Join(err, s.Close())
		}
		if note != "" {
			s.Notes = append(s.Notes, note)
		}
	} else {
		s.Notes = nil // it is made anew at every start
		if err := demo.Build(ctx, s, shipped); err != nil {
			return nil, nil, errors.Join(err, s.Close())
		}
	}
	g, err := garden.Open(ctx, plot.Options{Store: s, Library: shipped, PinnedTo: p.today, Sample: p.sample})
	if err != nil {
		return nil, nil, errors.Join(err, s.Close())
	}
	return g, s, nil
}

func noArguments(_ *cobra.Command, args []string) error {
	if len(args) > 0 {
		return usageError{fmt.Errorf("%q is one argument too many; --help says what is known", args[0])}
	}
	return nil
}
