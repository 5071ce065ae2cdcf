package identity

import (
	"bytes"
	"context"
	"database/sql"
	"errors"
	"fmt"
	"image"
	"image/jpeg"

	"golang.org/x/image/draw"

	"bramblyacre/garden/say"
	"bramblyacre/store"
)

const (
	// thumbnailPx is the longer side of a small picture, thumbnailQuality its JPEG quality.
	thumbnailPx, thumbnailQuality = 320, 80
)

// Thumbnail returns a photograph made small, as a JPEG. It is made once and kept beside it.
func (u *Uses) Thumbnail(ctx context.Context, id string) ([]byte, error) {
	small, err := u.plot.Store.GetThumbnail(ctx, id)
	if err == nil {
		return small, nil
	}
	if !errors.Is(err, sql.ErrNoRows) {
		return nil, fmt.Errorf("read the small picture: %w", err)
	}
	photo, err := u.Photograph(ctx, id)
	if err != nil {
		return nil, err
	}
	u.picturing.Lock() // one at a time: a decoded picture takes much room
	small, err = smallOf(photo.Kind, photo.Bytes)
	u.picturing.Unlock()
	if err != nil {
		return nil, say.NotFoundError{What: "picture that can be made small"}
	}
	// It is served whether or not it could be kept.
	_ = u.plot.Store.InTransaction(ctx, func(q *store.Queries) error {
		return q.KeepThumbnail(ctx, store.KeepThumbnailParams{Sha256: id, Bytes: small})
	})
	return small, nil
}

// smallOf makes a picture small and turns it upright.
func smallOf(kind string, picture []byte) ([]byte, error) {
	reader, known := pictureKinds[kind]
	if !known {
		return nil, fmt.Errorf("%q is no kind of picture", kind)
	}
	whole, err := reader.whole(bytes.NewReader(picture))
	if err != nil {
		return nil, err
	}
	from := whole.Bounds()
	scale := min(1, float64(thumbnailPx)/float64(max(from.Dx(), from.Dy(), 1)))
	small := image.NewRGBA(image.Rect(0, 0, max(1, int(float64(from.Dx())*scale)), max(1, int(float64(from.Dy())*scale))))
	draw.Draw(small, small.Bounds(), image.White, image.Point{}, draw.Src) // what is clear is drawn on white
	draw.CatmullRom.Scale(small, small.Bounds(), whole, from, draw.Over, nil)
	if kind == "image/jpeg" {
		small = turned(small, turnOfJPEG(picture))
	}
	var out bytes.Buffer
	err = jpeg.Encode(&out, small, &jpeg.Options{Quality: thumbnailQuality})
	return out.Bytes(), err
}

// turnOfJPEG is the turn that a JPEG's Exif says; 1 for none.
func turnOfJPEG(picture []byte) uint16 {
	if at := bytes.Index(picture[:min(len(picture), 64<<10)], []byte("Exif\x00\x00")); at >= 0 {
		return turnOf(picture[at:])
	}
	return 1
}

// turned is a picture as an Exif turn says it is to be seen: 1 as it is, 2 to 4 mirrored or upside down, 5 to 8 on its
// side.
func turned(from *image.RGBA, turn uint16) *image.RGBA {
	wide, high := from.Bounds().Dx(), from.Bounds().Dy()
	if turn <= 1 || turn > 8 {
		return from
	}
	to := image.NewRGBA(image.Rect(0, 0, wide, high))
	if turn >= 5 {
		to = image.NewRGBA(image.Rect(0, 0, high, wide))
	}
	for y := range high {
		for x := range wide {
			left, up := wide-1-x, high-1-y
			at := [...]image.Point{
				2: {left, y}, 3: {left, up}, 4: {x, up}, 5: {y, x}, 6: {up, x}, 7: {up, left}, 8: {y, left},
			}[turn]
			to.SetRGBA(at.X, at.Y, from.RGBAAt(x, y))
		}
	}
	return to
}
