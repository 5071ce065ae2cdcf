package share

import (
	"context"
	"crypto/rand"
	"crypto/sha256"
	"database/sql"
	"encoding/base64"
	"encoding/hex"
	"errors"
	"fmt"
	"strings"
	"sync"
	"time"
	"unicode/utf8"

	"bramblyacre/store"
)

const (
	tokenBytes    = 32
	deviceIDBytes = 8
	longestName   = 40
	// MostDevices is how many devices may be let in.
	MostDevices = 50
	// seenEvery is how exactly it is noted when a device was last seen: reading writes no more often.
	seenEvery = 5 * time.Minute
)

// Device is one that was let in.
type Device struct {
	ID     string
	Name   string
	Person string
	Paired time.Time
	Seen   time.Time
	// From is the address that it was last seen at.
	From string
}

// NameError is a name that cannot be; Field tells which.
type NameError struct{ Field, Why string }

func (e NameError) Error() string { return e.Why }

// ErrTooMany is that no more devices are let in.
var ErrTooMany = fmt.Errorf("%d devices are paired, and that is the most: put one out first", MostDevices)

// devices are those that were let in: the hashes of their tokens in the database, and in memory by hash.
type devices struct {
	store *store.Store
	clock func() time.Time
	mutex sync.Mutex // guards known and writes to the table
	known map[[sha256.Size]byte]Device
}

func openDevices(ctx context.Context, s *store.Store, clock func() time.Time) (*devices, error) {
	rows, err := s.ListDevices(ctx)
	if err != nil {
		return nil, fmt.Errorf("read the devices: %w", err)
	}
	d := &devices{store: s, clock: clock, known: map[[sha256.Size]byte]Device{}}
	for _, row := range rows {
		hash, err := hex.DecodeString(row.TokenHash)
		if err != nil || len(hash) != sha256.Size {
			return nil, fmt.Errorf("device %s: what is kept of its token is none", row.ID)
		}
		one := Device{ID: row.ID, Name: row.Name, Person: row.Person, From: row.SeenFrom}
		one.Paired, _ = time.Parse(time.RFC3339, row.PairedAt) // written by us; only shown
		one.Seen, _ = time.Parse(time.RFC3339, row.SeenAt)
		d.known[[sha256.Size]byte(hash)] = one
	}
	return d, nil
}

// let lets a device in and gives it its token, which is kept nowhere else.
func (d *devices) let(ctx context.Context, name, person, from string) (token string, one Device, err error) {
	d.mutex.Lock()
	defer d.mutex.Unlock()
	if len(d.known) >= MostDevices {
		return "", one, ErrTooMany
	}
	raw, id := make([]byte, tokenBytes), make([]byte, deviceIDBytes)
	_, _ = rand.Read(raw) // never fails: crypto/rand
	_, _ = rand.Read(id)
	token = base64.RawURLEncoding.EncodeToString(raw)
	now := d.clock().UTC().Truncate(time.Second)
	one = Device{hex.EncodeToString(id), name, person, now, now, from}
	hash := sha256.Sum256([]byte(token))
	if err := d.store.AddDevice(ctx, store.AddDeviceParams{
		ID: one.ID, TokenHash: hex.EncodeToString(hash[:]), Name: name, Person: person,
		PairedAt: now.Format(time.RFC3339), SeenAt: now.Format(time.RFC3339), SeenFrom: from,
	}); err != nil {
		return "", one, fmt.Errorf("note the device: %w", err)
	}
	d.known[hash] = one
	return token, one, nil
}

// of is the device whose token this is. It is seen by that.
func (d *devices) of(ctx context.Context, token, from string) (one Device, is bool, err error) {
	if token == "" {
		return one, false, nil
	}
	hash := sha256.Sum256([]byte(token))
	d.mutex.Lock()
	defer d.mutex.Unlock()
	// The map is asked by the hash: how long that takes tells nothing of the token.
	one, is = d.known[hash]
	if !is {
		return Device{}, false, nil
	}
	now := d.clock().UTC().Truncate(time.Second)
	if from == one.From && now.Sub(one.Seen).Abs() < seenEvery {
		return one, true, nil
	}
	one.Seen, one.From = now, from
	d.known[hash] = one
	return one, true, d.store.SeeDevice(
		ctx,
		store.SeeDeviceParams{SeenAt: now.Format(time.RFC3339), SeenFrom: from, ID: one.ID},
	)
}

// list lists the devices, the one let in first at the head.
func (d *devices) list() []Device {
	d.mutex.Lock()
	defer d.mutex.Unlock()
	var all []Device
	for _, one := range d.known {
		all = append(all, one)
	}
	return all
}

// change notes another name or person of a device.
func (d *devices) change(ctx context.Context, id, name, person string) error {
	d.mutex.Lock()
	defer d.mutex.Unlock()
	for hash, one := range d.known {
		if one.ID != id {
			continue
		}
		if err := d.store.RenameDevice(ctx, store.RenameDeviceParams{Name: name, Person: person, ID: id}); err != nil {
			return fmt.Errorf("note the device: %w", err)
		}
		one.Name, one.Person = name, person
		d.known[hash] = one
		return nil
	}
	return ErrNoDevice
}

// ErrNoDevice is that there is no such device, or no longer.
var ErrNoDevice = errors.New("there is no such device; it was put out already")

// putOut lets a device in no more.
func (d *devices) putOut(ctx context.Context, id string) error {
	d.mutex.Lock()
	defer d.mutex.Unlock()
	for hash, one := range d.known {
		if one.ID == id {
			if err := d.store.DropDevice(ctx, id); err != nil && !errors.Is(err, sql.ErrNoRows) {
				return fmt.Errorf("put the device out: %w", err)
			}
			delete(d.known, hash)
			return nil
		}
	}
	return ErrNoDevice
}

// readName reads a name as it is typed; a device has one, a person may have none.
func readName(field, typed string, needed bool) (string, error) {
	name := strings.Join(strings.Fields(typed), " ")
	switch {
	case name == "" && needed:
		return "", NameError{field, "Give it a name, for example: kitchen tablet."}
	case utf8.RuneCountInString(name) > longestName:
		return "", NameError{field, fmt.Sprintf("This is too long; %d signs are the most.", longestName)}
	case !utf8.ValidString(name) || strings.ContainsFunc(name, isNoSign):
		return "", NameError{field, "There are signs in it that cannot be read."}
	}
	return name, nil
}
