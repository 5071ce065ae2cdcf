package identity

import (
	"bytes"
	"context"
	"crypto/sha256"
	"database/sql"
	"encoding/hex"
	"errors"
	"fmt"
	"image"
	"image/jpeg"
	"image/png"
	"io"

	"golang.org/x/image/webp"

	"bramblyacre/garden/say"
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

// mostPixels is how many pixels a photograph may have: what a phone takes, and what can be
// decoded without hurting a small machine.
const mostPixels = 40_000_000

// pictureKind is a kind of picture that is kept: how it begins, and how it is read.
type pictureKind struct {
	begins string
	size   func(io.Reader) (image.Config, error)
	whole  func(io.Reader) (image.Image, error)
}

// pictureKinds are the kinds of picture that are kept. Readers that other packages bring
// along are never asked.
var pictureKinds = map[string]pictureKind{
	"image/jpeg": {"\xff\xd8\xff", jpeg.DecodeConfig, jpeg.Decode},
	"image/png":  {"\x89PNG\r\n\x1a\n", png.DecodeConfig, png.Decode},
	"image/webp": {"RIFF", webp.DecodeConfig, webp.Decode},
}

// readPicture returns the kind of a picture once all of it could be read.
func readPicture(picture []byte) (kind string, err error) {
	for name, kind := range pictureKinds {
		if !bytes.HasPrefix(picture, []byte(kind.begins)) {
			continue
		}
		size, err := kind.size(bytes.NewReader(picture))
		if err != nil {
			break
		}
		if size.Width*size.Height > mostPixels {
			return "", say.Faults{
				{
					Field: "photo",
					Message: fmt.Sprintf(
						"The photograph is %d by %d pixels; %d million are the most. Save it smaller.",
						size.Width,
						size.Height,
						mostPixels/1_000_000,
					),
				},
			}
		}
		if _, err := kind.whole(bytes.NewReader(picture)); err != nil {
			return "", say.Faults{
				{Field: "photo", Message: "The photograph is broken: not all of it can be read. Save it anew."},
			}
		}
		return name, nil
	}
	return "", say.Faults{{Field: "photo", Message: "This is no JPEG, PNG or WebP picture."}}
}

// KeepPhotograph keeps a JPEG, PNG or WebP, without what the camera wrote beside it, and returns the name it is kept
// by, which is the same for the same picture.
func (u *Uses) KeepPhotograph(ctx context.Context, picture []byte) (id string, err error) {
	if len(picture) > MostPhotographBytes {
		return "", say.Faults{{Field: "photo", Message: "The photograph is larger than 12 MB. Save it smaller."}}
	}
	u.picturing.Lock() // one at a time: a decoded picture takes much room
	kind, err := readPicture(picture)
	u.picturing.Unlock()
	if err != nil {
		return "", err
	}
	picture, whole := stripped(kind, picture)
	if !whole {
		return "", say.Faults{
			{Field: "photo", Message: "The photograph is broken: not all of it can be read. Save it anew."},
		}
	}
	sum := sha256.Sum256(picture)
	id = hex.EncodeToString(sum[:])
	err = u.plot.Store.InTransaction(ctx, func(q *store.Queries) error {
		return q.KeepPhotograph(ctx, store.KeepPhotographParams{Sha256: id, Kind: kind, Bytes: picture})
	})
	if err != nil {
		return "", fmt.Errorf("keep the photograph: %w", err)
	}
	return id, nil
}

// Photograph returns a photograph by the name it is kept by.
func (u *Uses) Photograph(ctx context.Context, id string) (Photograph, error) {
	row, err := u.plot.Store.GetPhotograph(ctx, id)
	if errors.Is(err, sql.ErrNoRows) {
		return Photograph{}, say.NotFoundError{What: "photograph"}
	}
	if err != nil {
		return Photograph{}, fmt.Errorf("read the photograph: %w", err)
	}
	return Photograph{row.Sha256, row.Kind, row.Bytes}, nil
}
