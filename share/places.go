package share

import (
	"net"
	"net/netip"
	"os"
	"slices"
	"strings"
)

// localDomain is where the names of a house's own network stand (RFC 6762).
const localDomain = "local"

// house are the ranges of addresses that are not routed beyond a house or this machine: RFC 1918,
// RFC 3927, RFC 4193, RFC 4291, and loopback.
var house = []netip.Prefix{
	netip.MustParsePrefix("10.0.0.0/8"),
	netip.MustParsePrefix("172.16.0.0/12"),
	netip.MustParsePrefix("192.168.0.0/16"),
	netip.MustParsePrefix("169.254.0.0/16"),
	netip.MustParsePrefix("127.0.0.0/8"),
	netip.MustParsePrefix("fc00::/7"),
	netip.MustParsePrefix("fe80::/10"),
	netip.MustParsePrefix("::1/128"),
}

// OfTheHouse tells whether an address belongs to a house's own network, or to this machine.
func OfTheHouse(addr netip.Addr) bool {
	addr = addr.Unmap().WithZone("")
	return slices.ContainsFunc(house, func(p netip.Prefix) bool { return p.Contains(addr) })
}

// Addresses are the addresses that this machine has in its house, those that are easiest to type
// first, loopback left out.
func Addresses() ([]netip.Addr, error) {
	all, err := net.InterfaceAddrs()
	if err != nil {
		return nil, err
	}
	var found []netip.Addr
	for _, one := range all {
		prefix, err := netip.ParsePrefix(one.String())
		if err != nil {
			continue // of some other kind of network
		}
		addr := prefix.Addr().Unmap()
		// An address of one link needs its zone, which no certificate and no QR code carries.
		if addr.IsLoopback() || addr.IsLinkLocalUnicast() || !OfTheHouse(addr) {
			continue
		}
		found = append(found, addr)
	}
	slices.SortStableFunc(found, func(a, b netip.Addr) int { return rank(a) - rank(b) })
	return found, nil
}

// rank puts the addresses that routers of houses give out before those of containers and tunnels.
func rank(addr netip.Addr) int {
	switch {
	case house[2].Contains(addr):
		return 0
	case house[0].Contains(addr):
		return 1
	case addr.Is4():
		return 2
	}
	return 3
}

// LocalName is the name that this machine has in its house where something there tells names
// (RFC 6762); empty where it has none that can be said.
func LocalName() string {
	name, err := os.Hostname()
	if err != nil {
		return ""
	}
	name, _, _ = strings.Cut(strings.ToLower(name), ".")
	plain := func(r rune) bool { return r >= 'a' && r <= 'z' || r >= '0' && r <= '9' || r == '-' }
	if name == "" || name == "localhost" || strings.ContainsFunc(name, func(r rune) bool { return !plain(r) }) {
		return ""
	}
	return name + "." + localDomain
}
