package identity

import (
	"bytes"
	"encoding/binary"
	"hash/crc32"
	"image"
	"image/color"
	"image/jpeg"
	"image/png"
	"testing"
)

// secret is what nobody may read out of a picture: a camera's place and name.
const secret = "GPS 46.6 N, taken by Ida"

// drawn is a picture with a red corner at its top left, so that its turn can be told.
func drawn(wide, high int) *image.RGBA {
	picture := image.NewRGBA(image.Rect(0, 0, wide, high))
	for y := range high {
		for x := range wide {
			picture.Set(x, y, color.White)
			if x < wide/2 && y < high/2 {
				picture.Set(x, y, color.RGBA{220, 0, 0, 255})
			}
		}
	}
	return picture
}

func jpegPart(marker byte, body []byte) []byte {
	part := binary.BigEndian.AppendUint16([]byte{0xff, marker}, uint16(len(body)+2))
	return append(part, body...)
}

// exif is an Exif part with a turn and a secret in its bytes, in either order of bytes.
func exif(order binary.AppendByteOrder, turn uint16) []byte {
	body := []byte("Exif\x00\x00MM\x00*")
	if order == binary.AppendByteOrder(binary.LittleEndian) {
		body = []byte("Exif\x00\x00II*\x00")
	}
	body = order.AppendUint32(body, 8)
	body = order.AppendUint16(body, 2)
	body = order.AppendUint16(body, 0x010f) // the maker, which comes before
	body = append(order.AppendUint32(order.AppendUint16(body, 2), 4), "abc\x00"...)
	body = order.AppendUint16(body, 0x0112)
	body = order.AppendUint16(order.AppendUint32(order.AppendUint16(body, 3), 1), turn)
	body = append(body, 0, 0, 0, 0, 0, 0)
	return jpegPart(0xe1, append(body, secret...))
}

func pngChunk(name, body string) []byte {
	chunk := binary.BigEndian.AppendUint32(nil, uint32(len(body)))
	chunk = append(append(chunk, name...), body...)
	return binary.BigEndian.AppendUint32(chunk, crc32.ChecksumIEEE([]byte(name+body)))
}

func sameDrawing(t *testing.T, a, b image.Image) {
	t.Helper()
	if a.Bounds() != b.Bounds() {
		t.Fatalf("it is %v, and was %v", b.Bounds(), a.Bounds())
	}
	for y := range a.Bounds().Dy() {
		for x := range a.Bounds().Dx() {
			if a.At(x, y) != b.At(x, y) {
				t.Fatalf("at %d, %d it is %v, and was %v", x, y, b.At(x, y), a.At(x, y))
			}
		}
	}
}

// What a camera wrote beside a JPEG is gone, the picture is the same to the last dot, and how it is to be turned stays.
func TestAJPEGIsKeptWithoutWhereItWasTaken(t *testing.T) {
	var plain bytes.Buffer
	if err := jpeg.Encode(&plain, drawn(48, 32), nil); err != nil {
		t.Fatal(err)
	}
	for _, order := range []binary.AppendByteOrder{binary.BigEndian, binary.LittleEndian} {
		for turn := uint16(1); turn <= 8; turn++ {
			told := append([]byte{}, plain.Bytes()[:2]...)
			told = append(told, exif(order, turn)...)
			told = append(told, jpegPart(0xe1, []byte("http://ns.adobe.com/xap/1.0/\x00"+secret))...)
			told = append(told, jpegPart(0xed, []byte(secret))...)
			told = append(told, jpegPart(0xfe, []byte(secret))...)
			told = append(told, jpegPart(0xe2, []byte("MPF\x00"+secret))...)
			told = append(told, jpegPart(0xe2, []byte("ICC_PROFILE\x00colours"))...)
			told = append(told, plain.Bytes()[2:]...)
			told = append(told, "\xff\xd8"+secret+"\xff\xd9"...) // another picture behind it
			clean, whole := stripped("image/jpeg", told)
			if !whole || bytes.Contains(clean, []byte("GPS")) || bytes.Contains(clean, []byte("abc")) {
				t.Fatalf("turn %d: whole %v, or it still says %q", turn, whole, secret)
			}
			if !bytes.Contains(clean, []byte("colours")) {
				t.Error("its colours are gone")
			}
			if got := turnOfJPEG(clean); got != turn {
				t.Errorf("turned %d, it says %d", turn, got)
			}
			before, err := jpeg.Decode(bytes.NewReader(plain.Bytes()))
			if err != nil {
				t.Fatal(err)
			}
			after, err := jpeg.Decode(bytes.NewReader(clean))
			if err != nil {
				t.Fatal(err)
			}
			sameDrawing(t, before, after)
			again, _ := stripped("image/jpeg", clean)
			if !bytes.Equal(again, clean) {
				t.Error("stripped twice it is another")
			}
		}
	}
}

func TestAPNGIsKeptWithoutItsTexts(t *testing.T) {
	var plain bytes.Buffer
	if err := png.Encode(&plain, drawn(20, 10)); err != nil {
		t.Fatal(err)
	}
	const head = 8 + 25 // the signature and the first chunk
	told := append([]byte{}, plain.Bytes()[:head]...)
	for _, name := range []string{"tEXt", "zTXt", "iTXt", "eXIf", "tIME"} {
		told = append(told, pngChunk(name, secret)...)
	}
	told = append(append(told, plain.Bytes()[head:]...), secret...)
	clean, whole := stripped("image/png", told)
	if !whole || !bytes.Equal(clean, plain.Bytes()) {
		t.Errorf("%d bytes are kept of %d, %d without its texts", len(clean), len(told), plain.Len())
	}
}

func TestAWebPIsKeptWithoutItsTexts(t *testing.T) {
	chunk := func(name, body string) string {
		text := name + string(binary.LittleEndian.AppendUint32(nil, uint32(len(body)))) + body
		if len(body)%2 == 1 {
			text += "\x00"
		}
		return text
	}
	file := func(chunks string) []byte {
		return []byte("RIFF" + string(binary.LittleEndian.AppendUint32(nil, uint32(4+len(chunks)))) + "WEBP" + chunks)
	}
	told := file(chunk("VP8X", "\x2c\x00\x00\x00\x00\x00\x00\x00\x00\x00") + chunk("ICCP", "col") + chunk("VP8L", "picture") +
		chunk("EXIF", secret) + chunk("XMP ", secret))
	want := file(chunk("VP8X", "\x20\x00\x00\x00\x00\x00\x00\x00\x00\x00") + chunk("ICCP", "col") + chunk("VP8L", "picture"))
	if clean, whole := stripped("image/webp", told); !whole || !bytes.Equal(clean, want) {
		t.Errorf("kept as %q, want %q", clean, want)
	}
}

// Whatever the bytes, taking a picture apart ends without harm, and never says more than was there.
func FuzzStripped(f *testing.F) {
	var j, p bytes.Buffer
	_ = jpeg.Encode(&j, drawn(8, 8), nil)
	_ = png.Encode(&p, drawn(8, 8))
	f.Add("image/jpeg", append(append(j.Bytes()[:2:2], exif(binary.BigEndian, 6)...), j.Bytes()[2:]...))
	f.Add("image/png", p.Bytes())
	f.Add("image/webp", []byte("RIFF\x10\x00\x00\x00WEBPVP8X\x04\x00\x00\x00abcd"))
	f.Fuzz(func(t *testing.T, kind string, picture []byte) {
		clean, whole := stripped(kind, picture)
		if whole && len(clean) > len(picture)+64 {
			t.Errorf("%d bytes became %d", len(picture), len(clean))
		}
		turnOf(picture)
	})
}

// The corner that was drawn red is where each of the eight turns says, by the table of the Exif standard: turn 1 has the
// picture's first row at the top and its first column at the left, and so on.
func TestASmallPictureStandsUpright(t *testing.T) {
	corners := map[uint16][2]bool{ // right, bottom
		1: {false, false}, 2: {true, false}, 3: {true, true}, 4: {false, true},
		5: {false, false}, 6: {true, false}, 7: {true, true}, 8: {false, true},
	}
	for turn, corner := range corners {
		got := turned(drawn(40, 20), turn)
		wide, high := got.Bounds().Dx(), got.Bounds().Dy()
		if sideways := turn >= 5; sideways != (high > wide) {
			t.Errorf("turn %d is %d by %d", turn, wide, high)
		}
		for _, right := range []bool{false, true} {
			for _, bottom := range []bool{false, true} {
				x, y := 2, 2
				if right {
					x = wide - 3
				}
				if bottom {
					y = high - 3
				}
				_, g, _, _ := got.At(x, y).RGBA()
				if red := g < 0x8000; red != (right == corner[0] && bottom == corner[1]) {
					t.Errorf("turn %d: right %v, bottom %v is red: %v", turn, right, bottom, red)
				}
			}
		}
	}
}
