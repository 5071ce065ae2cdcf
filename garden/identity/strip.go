package identity

import (
	"bytes"
	"encoding/binary"
	"slices"
)

// What a camera writes beside a picture says where it was taken, with what and by whom. It is taken out before a
// picture is kept; of it stays only how the picture is to be turned. The picture itself is not touched: what is left
// is the same to the bit.

// stripped returns a picture of a kind without what was written beside it. It was read before: a picture that cannot be
// taken apart is returned as no picture.
func stripped(kind string, picture []byte) (clean []byte, whole bool) {
	switch kind {
	case "image/jpeg":
		return strippedJPEG(picture)
	case "image/png":
		return strippedPNG(picture)
	case "image/webp":
		return strippedWebP(picture)
	}
	return nil, false
}

// The parts of a JPEG, by the byte after 0xFF (ITU T.81, table B.1).
const (
	jpegSOI, jpegEOI, jpegSOS, jpegComment, jpegApp1, jpegAppLast = 0xd8, 0xd9, 0xda, 0xfe, 0xe1, 0xef
	jpegApp2, jpegApp14                                           = 0xe2, 0xee
)

// strippedJPEG leaves of the parts for applications only the picture's density (0), its colours (2, where they are a
// profile, and 14), and of Exif the turn; and no comment, nor anything after the picture's end.
func strippedJPEG(picture []byte) (clean []byte, whole bool) {
	if len(picture) < 4 || picture[0] != 0xff || picture[1] != jpegSOI {
		return nil, false
	}
	clean = append(clean, picture[:2]...)
	for at := 2; at+2 <= len(picture); {
		if picture[at] != 0xff {
			return nil, false
		}
		marker := picture[at+1]
		switch {
		case marker == 0xff: // filling
			at++
			continue
		case marker == jpegEOI: // what hangs behind it, as further pictures do, stays out
			return append(clean, picture[at:at+2]...), true
		case at+4 > len(picture):
			return nil, false
		}
		length := int(binary.BigEndian.Uint16(picture[at+2:]))
		if length < 2 || at+2+length > len(picture) {
			return nil, false
		}
		part := picture[at : at+2+length]
		at += 2 + length
		switch {
		case marker == jpegSOS:
			end := scanEnd(picture, at)
			clean = append(append(clean, part...), picture[at:end]...)
			at = end
		case marker == jpegApp1:
			if turn := turnOf(part[4:]); turn > 1 {
				clean = append(clean, exifOfTurn(turn)...)
			}
		case marker == jpegApp2 && !bytes.HasPrefix(part[4:], []byte("ICC_PROFILE")), marker == jpegComment:
		case marker > jpegApp1 && marker <= jpegAppLast && marker != jpegApp2 && marker != jpegApp14:
		default:
			clean = append(clean, part...)
		}
	}
	return nil, false
}

// scanEnd is where the coded picture that begins at a place ends: at the next mark that is none of its own.
func scanEnd(picture []byte, at int) int {
	const stuffing, firstRestart, lastRestart = 0x00, 0xd0, 0xd7
	for i := at; i+1 < len(picture); i++ {
		next := picture[i+1]
		if picture[i] == 0xff && next != stuffing && (next < firstRestart || next > lastRestart) {
			return i
		}
	}
	return len(picture)
}

// orientationTag is Exif's for how a picture is to be turned: 1 as it stands, 2 to 8 the others.
const orientationTag = 0x0112

// turnOf reads the turn of an Exif part; 1 where it says none.
func turnOf(exif []byte) uint16 {
	const head = "Exif\x00\x00"
	if !bytes.HasPrefix(exif, []byte(head)) {
		return 1
	}
	tiff := exif[len(head):]
	var order binary.ByteOrder
	switch {
	case bytes.HasPrefix(tiff, []byte("II*\x00")):
		order = binary.LittleEndian
	case bytes.HasPrefix(tiff, []byte("MM\x00*")):
		order = binary.BigEndian
	default:
		return 1
	}
	if len(tiff) < 8 {
		return 1
	}
	first := int(order.Uint32(tiff[4:]))
	if first < 8 || first+2 > len(tiff) {
		return 1
	}
	const entry = 12
	for i := range int(order.Uint16(tiff[first:])) {
		at := first + 2 + i*entry
		if at+entry > len(tiff) {
			return 1
		}
		if order.Uint16(tiff[at:]) == orientationTag {
			if turn := order.Uint16(tiff[at+8:]); turn >= 1 && turn <= 8 {
				return turn
			}
		}
	}
	return 1
}

// exifOfTurn is an Exif part that says the turn and nothing else.
func exifOfTurn(turn uint16) []byte {
	part := []byte{0xff, jpegApp1, 0, 34, 'E', 'x', 'i', 'f', 0, 0, 'M', 'M', 0, '*', 0, 0, 0, 8, 0, 1}
	part = binary.BigEndian.AppendUint16(part, orientationTag)
	part = append(part, 0, 3, 0, 0, 0, 1) // one short number
	part = binary.BigEndian.AppendUint16(part, turn)
	return append(part, 0, 0, 0, 0, 0, 0)
}

// pngKept are the chunks of a PNG that draw it or say its colours (PNG, third edition, 4.7).
var pngKept = []string{
	"IHDR", "PLTE", "IDAT", "IEND", "tRNS", "cHRM", "gAMA", "iCCP", "sBIT", "sRGB", "cICP", "bKGD", "hIST", "pHYs", "sPLT",
}

func strippedPNG(picture []byte) (clean []byte, whole bool) {
	const head, frame = 8, 12
	if len(picture) < head {
		return nil, false
	}
	clean = append(clean, picture[:head]...)
	for at := head; at+frame <= len(picture); {
		length := int(binary.BigEndian.Uint32(picture[at:]))
		if length < 0 || at+frame+length > len(picture) {
			return nil, false
		}
		chunk := picture[at : at+frame+length]
		name := string(chunk[4:8])
		if slices.Contains(pngKept, name) {
			clean = append(clean, chunk...)
		}
		if name == "IEND" {
			return clean, true
		}
		at += frame + length
	}
	return nil, false
}

// strippedWebP leaves the chunks that draw a WebP or say its colours, and takes the flags of the others out of its
// head.
func strippedWebP(picture []byte) (clean []byte, whole bool) {
	const head, frame = 12, 8
	const flagExif, flagXMP = 0x08, 0x04
	if len(picture) < head+frame {
		return nil, false
	}
	clean = append(clean, picture[:head]...)
	end := min(len(picture), frame+int(binary.LittleEndian.Uint32(picture[4:])))
	for at := head; at+frame <= end; {
		length := int(binary.LittleEndian.Uint32(picture[at+4:]))
		padded := length + length%2
		if length < 0 || at+frame+length > end {
			return nil, false
		}
		chunk := picture[at:min(end, at+frame+padded)]
		switch name := string(chunk[:4]); name {
		case "VP8X":
			chunk = slices.Clone(chunk)
			if length > 0 {
				chunk[frame] &^= flagExif | flagXMP
			}
			clean = append(clean, chunk...)
		case "VP8 ", "VP8L", "ALPH", "ICCP", "ANIM", "ANMF":
			clean = append(clean, chunk...)
		}
		at += frame + padded
	}
	binary.LittleEndian.PutUint32(clean[4:], uint32(len(clean)-frame))
	return clean, len(clean) > head
}
