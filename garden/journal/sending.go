package journal

import (
	"context"
	"crypto/sha256"
	"database/sql"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"

	"bramblyacre/garden/say"
	"bramblyacre/store"
)

// Sending is what an entry was sent under: the sender's key, and a digest of what was sent.
// Without a key it may be sent as often as one likes.
type Sending struct{ key, digest string }

// SentAs is the sending of something with a key, to a planting or find.
func SentAs(key, kind string, to int64, content any) (Sending, error) {
	if key == "" {
		return Sending{}, nil
	}
	if len(key) > say.LongestKey {
		return Sending{}, say.Faults{{Field: "clientKey", Message: "The key is too long."}}
	}
	text, err := json.Marshal([]any{kind, to, content})
	sum := sha256.Sum256(text)
	return Sending{key, hex.EncodeToString(sum[:])}, err
}

type sendingKey struct{}

// WithSending says under which key the change that is asked for was sent, and a digest of
// what was sent. A change that is sent again under its key is answered with the entry that
// it made.
func WithSending(ctx context.Context, key, digest string) context.Context {
	return context.WithValue(ctx, sendingKey{}, Sending{key, digest})
}

// orOf is the sending itself, or where it has no key the one that the context carries.
func (s Sending) orOf(ctx context.Context) Sending {
	if carried, has := ctx.Value(sendingKey{}).(Sending); has && s.key == "" {
		return carried
	}
	return s
}

// before is the entry that was made when the same was sent before. The same key with
// something else in it is a conflict: one of the two would be lost unsaid.
func (s Sending) before(ctx context.Context, q *store.Queries) (entry Entry, known bool, err error) {
	if s.key == "" {
		return Entry{}, false, nil
	}
	row, err := q.GetSent(ctx, s.key)
	if errors.Is(err, sql.ErrNoRows) {
		return Entry{}, false, nil
	}
	if err != nil {
		return Entry{}, false, fmt.Errorf("look up what was sent: %w", err)
	}
	noted, err := q.GetLedgerEntry(ctx, row.EntryID)
	if err != nil {
		return Entry{}, false, fmt.Errorf("read what was sent: %w", err)
	}
	if row.Digest != "" && row.Digest != s.digest { // keys of old say nothing of their content
		return Entry{}, false, say.ConflictError{
			Why: fmt.Sprintf(
				"This was noted already, as it was first sent: %s. Nothing more was noted now. If it was wrong, take it back in the ledger; for something else close this and begin anew.",
				noted.Summary,
			),
		}
	}
	var changes []RowChange
	if err := json.Unmarshal([]byte(noted.Changes), &changes); err != nil {
		return Entry{}, false, fmt.Errorf("ledger entry %d: %w", noted.ID, err)
	}
	return Entry{noted.ID, noted.Summary, madeBy(changes)}, true, nil
}

// keep notes the entry that a sending made.
func (s Sending) keep(ctx context.Context, q *store.Queries, entry int64) error {
	if s.key == "" {
		return nil
	}
	if err := q.PutSent(ctx, store.PutSentParams{ClientKey: s.key, Digest: s.digest, EntryID: entry}); err != nil {
		return fmt.Errorf("note what was sent: %w", err)
	}
	return nil
}
