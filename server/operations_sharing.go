package server

import (
	"context"
	"net/http"
	"net/url"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"bramblyacre/core/spelling"
	"bramblyacre/share"
)

// SharingView is how the plot is shared in the house.
type SharingView struct {
	Shared      bool          `json:"shared" doc:"Whether it listens on the house's network"`
	Addresses   []string      `json:"addresses" doc:"Where devices reach it; the first is the one to type"`
	Fingerprint string        `json:"fingerprint" doc:"SHA-256 of the authority's certificate"`
	Until       string        `json:"until" doc:"The day the authority runs out"`
	Devices     []DeviceView  `json:"devices"`
	People      []string      `json:"people" doc:"Whose a device may be: the household, and those that have one"`
	Feed        []AddressView `json:"feed" doc:"The calendar's addresses; none while there is no feed"`
}

// AddressView is an address, and the square that opens it on a phone.
type AddressView struct {
	Address string `json:"address"`
	// Square is a QR code: a row of it by its cells, # where it is dark.
	Square []string `json:"square"`
}

// DeviceView is a device that was let in.
type DeviceView struct {
	ID     string `json:"id"`
	Name   string `json:"name"`
	Person string `json:"person"`
	Paired string `json:"paired" doc:"The moment, RFC 3339"`
	Seen   string `json:"seen" doc:"The moment it was last seen, RFC 3339"`
	From   string `json:"from" doc:"The address it was last seen at"`
}

// CodeView is a code that lets one device in.
type CodeView struct {
	Code  string      `json:"code"`
	Until string      `json:"until" doc:"The moment it ends, RFC 3339"`
	Pair  AddressView `json:"pair" doc:"The address that opens the pairing page with the code filled in"`
}

// ByDevice is the id of a device in an address.
type ByDevice struct {
	ID string `path:"id" maxLength:"16"`
}

// ThisDevice is the device that asks.
type ThisDevice struct {
	Paired bool   `json:"paired" doc:"Whether it came in through the house's network"`
	ID     string `json:"id"`
	Name   string `json:"name"`
	Person string `json:"person"`
}

func (o operations) registerSharing(api huma.API) {
	operation(api, http.MethodGet, "/api/sharing", "getSharing", "How the plot is shared in the house",
		func(ctx context.Context, _ *nothing) (SharingView, error) { return o.sharing(ctx) })
	operation(api, http.MethodPost, "/api/sharing/codes", "makeCode", "Make a code that lets one device in, once",
		func(_ context.Context, in *struct {
			Body struct {
				Person string `json:"person" doc:"Whose device it will be; empty lets them say"`
			}
		}) (CodeView, error) {
			if o.shared.Authority == nil {
				return CodeView{}, huma.Error409Conflict("The plot is not shared: start it with --share.")
			}
			code, err := o.shared.House.Invite(in.Body.Person)
			if err != nil {
				return CodeView{}, asShared(err)
			}
			pair, err := addressView(PairAddress(o.shared.Addresses, code.Text))
			return CodeView{code.Text, code.Until.UTC().Format(time.RFC3339), pair}, err
		})
	operation(api, http.MethodPut, "/api/sharing/devices/{id}", "changeDevice", "Name a device, and say whose it is",
		func(ctx context.Context, in *struct {
			ByDevice
			Body struct {
				Device string `json:"device"`
				Person string `json:"person"`
			}
		}) (SharingView, error) {
			if err := o.shared.House.Change(ctx, in.ID, in.Body.Device, in.Body.Person); err != nil {
				return SharingView{}, asShared(err)
			}
			return o.sharing(ctx)
		})
	operation(api, http.MethodDelete, "/api/sharing/devices/{id}", "putDeviceOut", "Let a device in no more",
		func(ctx context.Context, in *ByDevice) (SharingView, error) {
			if err := o.shared.House.PutOut(ctx, in.ID); err != nil {
				return SharingView{}, asShared(err)
			}
			return o.sharing(ctx)
		})
	operation(api, http.MethodPost, "/api/sharing/feed", "renewFeed", "Give the calendar an address, or a new one",
		func(ctx context.Context, _ *nothing) (SharingView, error) {
			if err := o.shared.House.RenewFeed(ctx); err != nil {
				return SharingView{}, err
			}
			return o.sharing(ctx)
		})
	operation(api, http.MethodDelete, "/api/sharing/feed", "endFeed", "Take the calendar's address away",
		func(ctx context.Context, _ *nothing) (SharingView, error) {
			if err := o.shared.House.EndFeed(ctx); err != nil {
				return SharingView{}, err
			}
			return o.sharing(ctx)
		})
	operation(api, http.MethodGet, "/api/this-device", "getThisDevice", "The device that asks",
		func(ctx context.Context, _ *nothing) (ThisDevice, error) {
			device, is := deviceOf(ctx)
			return ThisDevice{is, device.ID, device.Name, device.Person}, nil
		})
	operation(api, http.MethodDelete, "/api/this-device", "leave", "Put this device out",
		func(ctx context.Context, _ *nothing) (ThisDevice, error) {
			device, is := deviceOf(ctx)
			if !is {
				return ThisDevice{}, huma.Error409Conflict("This is the machine itself; it needs no pairing.")
			}
			return ThisDevice{}, asShared(o.shared.House.PutOut(ctx, device.ID))
		})
}

// deviceOf is the paired device that a request came from.
func deviceOf(ctx context.Context) (share.Device, bool) {
	device, is := ctx.Value(pairedKey{}).(share.Device)
	return device, is
}

func (o operations) sharing(ctx context.Context) (SharingView, error) {
	v := SharingView{Addresses: []string{}, Devices: []DeviceView{}, People: []string{}, Feed: []AddressView{}}
	lives, err := o.garden.Household.Household(ctx)
	if err != nil {
		return v, err
	}
	for _, person := range lives.People {
		v.People = append(v.People, person.Name)
	}
	for _, d := range o.shared.House.Devices() {
		v.Devices = append(v.Devices, DeviceView{
			d.ID, d.Name, d.Person, d.Paired.Format(time.RFC3339), d.Seen.Format(time.RFC3339), d.From,
		})
		if d.Person != "" && !isAmong(v.People, d.Person) {
			v.People = append(v.People, d.Person)
		}
	}
	if a := o.shared.Authority; a != nil {
		v.Shared, v.Fingerprint, v.Until = true, a.Fingerprint(), a.Until().Format(time.DateOnly)
		v.Addresses = append(v.Addresses, o.shared.Addresses...)
	}
	if secret := o.shared.House.FeedSecret(); secret != "" {
		for _, at := range append([]string{"http://" + o.address}, v.Addresses...) {
			one, err := addressView(at + feedAddress(secret))
			if err != nil {
				return v, err
			}
			v.Feed = append(v.Feed, one)
		}
	}
	return v, nil
}

func isAmong(people []string, name string) bool {
	for _, one := range people {
		if spelling.SamePerson(one, name) {
			return true
		}
	}
	return false
}

func addressView(address string) (AddressView, error) {
	rows, err := Square(address)
	return AddressView{address, rows}, err
}

// PairAddress is where a device pairs, with a code filled in; empty where it cannot be reached.
func PairAddress(addresses []string, code string) string {
	if len(addresses) == 0 {
		return ""
	}
	return addresses[0] + pairPath + "?code=" + url.QueryEscape(code)
}
