package garden

import (
	"bytes"
	"context"
	"crypto/sha256"
	"database/sql"
	"encoding/hex"
	"errors"
	"fmt"
	"image"
	_ "image/jpeg" // a photograph is read as one of these
	_ "image/png"

	"bramblyacre/store"
)

// Photograph is a picture that was kept.
type Photograph struct {
	ID    string
	Kind  string
	Bytes []byte
}

// MostPhotographBytes is how large a photograph may be.
const MostPhotographBytes = 12 << 20

// KeepPhotograph keeps a JPEG or PNG and returns the name it is kept by, which is the
// same for the same picture.
func (g *Garden) KeepPhotograph(ctx context.Context, picture []byte) (id string, err error) {
	if len(picture) > MostPhotographBytes {
		return "", Faults{{"photo", "The photograph is larger than 12 MB. Save it smaller."}}
	}
	_, format, err := image.DecodeConfig(bytes.NewReader(picture))
	if err != nil {
		return "", Faults{{"photo", "This is no JPEG or PNG picture."}}
	}
	sum := sha256.Sum256(picture)
	id = hex.EncodeToString(sum[:])
	err = g.Store.InTransaction(ctx, func(q *store.Queries) error {
		return q.KeepPhotograph(ctx, store.KeepPhotographParams{Sha256: id, Kind: "image/" + format, Bytes: picture})
	})
	if err != nil {
		return "", fmt.Errorf("keep the photograph: %w", err)
	}
	return id, nil
}

// Photograph returns a photograph by the name it is kept by.
func (g *Garden) Photograph(ctx context.Context, id string) (Photograph, error) {
	row, err := g.Store.GetPhotograph(ctx, id)
	if errors.Is(err, sql.ErrNoRows) {
		return Photograph{}, NotFoundError{"photograph"}
	}
	if err != nil {
		return Photograph{}, fmt.Errorf("read the photograph: %w", err)
	}
	return Photograph{row.Sha256, row.Kind, row.Bytes}, nil
}
