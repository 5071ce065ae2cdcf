package main

import (
	"context"
	"fmt"
	"io"
	"log/slog"
	"net"
	"net/netip"
	"time"

	"github.com/spf13/cobra"

	"bramblyacre/server"
	"bramblyacre/share"
	"bramblyacre/store"
)

// everyHouseAddress is where the plot is shared unless an address is said: on all networks of the house.
const everyHouseAddress = ":8443"

func (p *plotFolder) shareFlag(cmd *cobra.Command) {
	cmd.Flags().StringVar(&p.share, "share", "", "share it with paired devices of the house, over TLS, at this address")
	cmd.Flags().Lookup("share").NoOptDefVal = everyHouseAddress
}

// judgeAddresses refuses addresses before anything is touched: one for this machine alone, and one of the house.
func (p plotFolder) judgeAddresses() error {
	if err := onlyLoopback(p.address); err != nil {
		return err
	}
	if p.share == "" {
		return nil
	}
	host, _, err := net.SplitHostPort(p.share)
	if err != nil {
		return usageError{fmt.Errorf("--share=%s: write it as --share, or as --share=192.168.0.10:8443", p.share)}
	}
	if host == "" || host == "0.0.0.0" || host == "::" {
		return nil // who comes from beyond the house is refused one by one
	}
	addr, err := netip.ParseAddr(host)
	if err != nil || !share.OfTheHouse(addr) {
		return usageError{
			fmt.Errorf(
				"--share=%s: that is no address of a house's network; the plot is shared within the house alone",
				p.share,
			),
		}
	}
	return nil
}

// houseServer is the plot on the house's network; its listener is nil where it is not shared.
type houseServer struct {
	server.Sharing
	listener net.Listener
	places   []netip.Addr
	log      *slog.Logger
}

// openHouse begins to listen on the house's network, where the plot is shared.
func (p plotFolder) openHouse(ctx context.Context, s *store.Store, log *slog.Logger) (*houseServer, error) {
	known, err := share.OpenHouse(ctx, s, time.Now, log)
	if err != nil {
		return nil, err
	}
	h := &houseServer{Sharing: server.Sharing{House: known}, log: log}
	if p.share == "" {
		return h, nil
	}
	if h.Authority, err = share.OpenAuthority(p.dir, time.Now); err != nil {
		return nil, err
	}
	if h.listener, err = net.Listen("tcp", p.share); err != nil {
		return nil, fmt.Errorf("share it at %s: %w", p.share, err)
	}
	at, isTCP := h.listener.Addr().(*net.TCPAddr)
	if !isTCP {
		return nil, fmt.Errorf("share it at %s: that is no address of a network", p.share)
	}
	if at.IP.IsUnspecified() {
		if h.places, err = share.Addresses(); err != nil {
			return nil, fmt.Errorf("find this machine's addresses: %w", err)
		}
	} else if addr, is := netip.AddrFromSlice(at.IP); is {
		h.places = []netip.Addr{addr.Unmap()}
	}
	port := fmt.Sprint(at.Port)
	for _, place := range h.places {
		h.Addresses = append(h.Addresses, "https://"+net.JoinHostPort(place.String(), port))
	}
	if name := share.LocalName(); name != "" && at.IP.IsUnspecified() && len(h.Addresses) > 0 {
		h.Addresses = append(h.Addresses, "https://"+net.JoinHostPort(name, port))
	}
	return h, nil
}

// tell says where devices reach the plot, and makes a first code.
func (h *houseServer) tell(out io.Writer) error {
	if h.listener == nil {
		return nil
	}
	if len(h.Addresses) == 0 {
		_, err := fmt.Fprintln(out, "This machine has no address in a house's network now, so no device can reach the plot.")
		return err
	}
	code, err := h.House.Invite("")
	if err != nil {
		return err
	}
	pair := server.PairAddress(h.Addresses, code.Text)
	square, err := server.Square(pair)
	if err != nil {
		return err
	}
	_, err = fmt.Fprintf(
		out,
		"Devices of the house pair at %s/pair\n%sCode, for one device until %s: %s\nMore codes: Settings, At home. The authority's fingerprint (SHA-256):\n%s\n",
		h.Addresses[0],
		server.TextSquare(square),
		code.Until.Format("15:04"),
		code.Text,
		h.Authority.Fingerprint(),
	)
	return err
}

// serve answers the house until the context ends.
func (h *houseServer) serve(ctx context.Context, options server.Options) error {
	if h.listener == nil {
		<-ctx.Done()
		return nil
	}
	options.ToHouse = true
	handler, err := server.New(options)
	if err != nil {
		return err
	}
	h.log.Info("shared", "address", h.listener.Addr().String(), "places", h.Addresses)
	return server.ServeTLS(ctx, h.listener, handler, h.Authority.ServerTLS(h.places), h.log)
}

func (h *houseServer) close() error {
	if h.listener == nil {
		return nil
	}
	return h.listener.Close()
}
