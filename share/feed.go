package share

import (
	"context"
	"crypto/rand"
	"crypto/subtle"
	"database/sql"
	"encoding/base64"
	"errors"
	"fmt"
	"sync"
	"time"

	"bramblyacre/store"
)

// feed is the secret part of the address that calendar programs read; empty while there is none.
// It is kept as it is, since the address is shown again: it opens the calendar alone.
type feed struct {
	store  *store.Store
	clock  func() time.Time
	mutex  sync.Mutex // guards secret and writes to the table
	secret string
}

func openFeed(ctx context.Context, s *store.Store, clock func() time.Time) (*feed, error) {
	secret, err := s.GetCalendarFeed(ctx)
	if err != nil && !errors.Is(err, sql.ErrNoRows) {
		return nil, fmt.Errorf("read the calendar's address: %w", err)
	}
	return &feed{store: s, clock: clock, secret: secret}, nil
}

// FeedSecret is the secret part of the calendar's address; empty while there is none.
func (h *House) FeedSecret() string {
	h.feed.mutex.Lock()
	defer h.feed.mutex.Unlock()
	return h.feed.secret
}

// RenewFeed gives the calendar a new address: what read the old one reads nothing more.
func (h *House) RenewFeed(ctx context.Context) error {
	raw := make([]byte, tokenBytes)
	_, _ = rand.Read(raw) // never fails: crypto/rand
	secret := base64.RawURLEncoding.EncodeToString(raw)
	h.feed.mutex.Lock()
	defer h.feed.mutex.Unlock()
	err := h.feed.store.PutCalendarFeed(
		ctx,
		store.PutCalendarFeedParams{Secret: secret, RenewedAt: h.feed.clock().UTC().Format(time.RFC3339)},
	)
	if err != nil {
		return fmt.Errorf("note the calendar's address: %w", err)
	}
	h.feed.secret = secret
	return nil
}

// EndFeed takes the calendar's address away.
func (h *House) EndFeed(ctx context.Context) error {
	h.feed.mutex.Lock()
	defer h.feed.mutex.Unlock()
	if err := h.feed.store.DropCalendarFeed(ctx); err != nil {
		return fmt.Errorf("take the calendar's address away: %w", err)
	}
	h.feed.secret = ""
	return nil
}

// OpensFeed tells whether a text is the calendar's secret.
func (h *House) OpensFeed(typed string) bool {
	secret := h.FeedSecret()
	return secret != "" && subtle.ConstantTimeCompare([]byte(typed), []byte(secret)) == 1
}
