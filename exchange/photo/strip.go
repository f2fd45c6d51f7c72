package photo

import (
	"bytes"
	"compress/zlib"
	"encoding/binary"
	"hash/crc32"
	"io"
)

// jpeg copies the segments that make the picture: JFIF and Adobe heads, colour
// profile, tables, frames, scans. Exif, XMP, IPTC and comments stay behind; see
// ITU-T T.81, annex B, for the markers.
func jpeg(b []byte) ([]byte, error) {
	out := append(make([]byte, 0, len(b)), b[:2]...)
	turn := uint16(1)
	head := len(out)
	var profile []byte // of all its pieces
	for at := 2; ; {
		if at+4 > len(b) || b[at] != 0xff {
			return nil, broken("a segment is missing at byte %d", at)
		}
		mark := b[at+1]
		if mark == 0xff { // fill byte
			at++
			continue
		}
		size := int(binary.BigEndian.Uint16(b[at+2:]))
		if size < 2 || at+2+size > len(b) {
			return nil, broken("a segment runs past the end at byte %d", at)
		}
		body := b[at+4 : at+2+size]
		switch {
		case mark == 0xe1:
			if t, ok := orientation(body); ok {
				turn = t
			}
		case mark == 0xe0 && bytes.HasPrefix(body, []byte("JFIF\x00")):
			// JFIF with its thumbnail left out.
			out = append(out, 0xff, 0xe0, 0, 16)
			out = append(out, pad(body, 12)...)
			out = append(out, 0, 0)
			head = len(out)
		case mark == 0xee && bytes.HasPrefix(body, []byte("Adobe")) && len(body) >= 12:
			// Version, flags and transform; nothing behind them.
			out = append(append(out, 0xff, 0xee, 0, 14), body[:12]...)
		case mark == 0xe2 && bytes.HasPrefix(body, iccHead) && len(body) > len(iccHead)+2:
			if len(profile)+len(body) > maxFrame {
				return nil, broken("its colour profile is larger than any")
			}
			profile = append(profile, body[len(iccHead)+2:]...)
		case mark < 0xe0 || mark > 0xef && mark != 0xfe:
			out = append(out, b[at:at+2+size]...)
		}
		at += 2 + size
		if mark != 0xda {
			continue
		}
		// Scans go on to the end of the image; stray bytes behind it stay behind.
		end := bytes.LastIndex(b[at:], []byte{0xff, 0xd9})
		if end < 0 {
			return nil, broken("it ends in the middle")
		}
		rest, err := scans(b[at : at+end+2])
		if err != nil {
			return nil, err
		}
		out = append(out, rest...)
		var more []byte
		if turn != 1 {
			more = exifOf(turn)
		}
		if icc := cleanProfile(profile); icc != nil {
			more = append(more, iccSegments(icc)...)
		}
		return append(out[:head:head], append(more, out[head:]...)...), nil
	}
}

// scans copies entropy-coded data up to the first end of image, leaving out
// segments with text that stand between scans.
func scans(b []byte) ([]byte, error) {
	out := make([]byte, 0, len(b))
	for at := 0; at < len(b); {
		if b[at] != 0xff || at+1 >= len(b) {
			out = append(out, b[at])
			at++
			continue
		}
		switch mark := b[at+1]; {
		case mark == 0xd9:
			return append(out, 0xff, 0xd9), nil
		case mark == 0 || mark == 0xff || mark >= 0xd0 && mark <= 0xd7:
			n := 2
			if mark == 0xff {
				n = 1
			}
			out = append(out, b[at:at+n]...)
			at += n
		default:
			if at+4 > len(b) {
				return nil, broken("it ends in the middle")
			}
			size := 2 + int(binary.BigEndian.Uint16(b[at+2:]))
			if at+size > len(b) {
				return nil, broken("a segment runs past the end")
			}
			if mark < 0xe0 || mark > 0xef && mark != 0xfe {
				out = append(out, b[at:at+size]...)
			}
			at += size
		}
	}
	return nil, broken("it ends in the middle")
}

func pad(b []byte, n int) []byte {
	out := make([]byte, n)
	copy(out, b)
	return out
}

var exifHead = []byte("Exif\x00\x00")

// orientation reads tag 0x0112 of the first directory; 1 to 8.
func orientation(b []byte) (uint16, bool) {
	if !bytes.HasPrefix(b, exifHead) || len(b) < 14 {
		return 0, false
	}
	b = b[6:]
	var o binary.ByteOrder = binary.BigEndian
	if string(b[:2]) == "II" {
		o = binary.LittleEndian
	}
	at := int(o.Uint32(b[4:]))
	if at < 8 || at+2 > len(b) {
		return 0, false
	}
	for i, n := 0, int(o.Uint16(b[at:])); i < n; i++ {
		e := at + 2 + 12*i
		if e+12 > len(b) {
			return 0, false
		}
		if o.Uint16(b[e:]) == 0x0112 {
			v := o.Uint16(b[e+8:])
			return v, v >= 1 && v <= 8
		}
	}
	return 0, false
}

// exifOf is a segment that says the orientation and nothing else.
func exifOf(turn uint16) []byte {
	b := append([]byte{0xff, 0xe1, 0, 34}, exifHead...)
	b = append(b, "MM\x00\x2a\x00\x00\x00\x08\x00\x01\x01\x12\x00\x03\x00\x00\x00\x01"...)
	b = binary.BigEndian.AppendUint16(b, turn)
	return append(b, 0, 0, 0, 0, 0, 0)
}

var pngHead = []byte("\x89PNG\r\n\x1a\n")

// pngKept are the chunks that change how the picture looks.
var pngKept = map[string]bool{"IHDR": true, "PLTE": true, "IDAT": true, "IEND": true, "tRNS": true, "gAMA": true, "cHRM": true, "sRGB": true, "sBIT": true, "pHYS": true}

// png copies the chunks that make the picture, up to IEND. What lies behind the end
// of the compressed pixels, a palette that no pixel uses, and the text of a colour
// profile stay behind.
func png(b []byte) ([]byte, error) {
	out := append(make([]byte, 0, len(b)), pngHead...)
	var pixels []byte
	palette := true
	flushed := false
	for at := len(pngHead); ; {
		if at+12 > len(b) {
			return nil, broken("it ends in the middle")
		}
		size := int(binary.BigEndian.Uint32(b[at:]))
		if size < 0 || size > len(b)-at-12 {
			return nil, broken("a chunk runs past the end at byte %d", at)
		}
		chunk := b[at : at+12+size]
		kind, body := string(chunk[4:8]), chunk[8:8+size]
		if crc32.ChecksumIEEE(chunk[4:8+size]) != binary.BigEndian.Uint32(chunk[8+size:]) {
			return nil, broken("the check sum of %q does not fit", kind)
		}
		switch {
		case kind == "IHDR" && size == 13:
			palette = body[9] == 3
			out = append(out, chunk...)
		case kind == "iCCP":
			if icc := profileOfPNG(body); icc != nil {
				out = append(out, pngChunk("iCCP", icc)...)
			}
		case kind == "PLTE" && !palette:
		case kind == "IDAT":
			pixels = append(pixels, body...)
		case pngKept[kind]:
			if kind == "IEND" && !flushed {
				end, err := endOfStream(pixels)
				if err != nil {
					return nil, err
				}
				out = append(out, pngChunk("IDAT", pixels[:end])...)
				flushed = true
			}
			out = append(out, chunk...)
		}
		if at += len(chunk); kind == "IEND" {
			return out, nil
		}
	}
}

// pngChunk writes a chunk with its check sum.
func pngChunk(kind string, body []byte) []byte {
	out := binary.BigEndian.AppendUint32(nil, uint32(len(body)))
	out = append(append(out, kind...), body...)
	return binary.BigEndian.AppendUint32(out, crc32.ChecksumIEEE(out[4:]))
}

// endOfStream is where the compressed pixels end.
func endOfStream(b []byte) (int, error) {
	in := bytes.NewReader(b)
	z, err := zlib.NewReader(in)
	if err != nil {
		return 0, broken("its pixels can't be read (%v)", err)
	}
	// As much as the largest picture that is taken in, and its filter bytes.
	n, err := io.Copy(io.Discard, io.LimitReader(z, maxMemory+MaxSide+1))
	if err != nil {
		return 0, broken("its pixels can't be read (%v)", err)
	}
	if n > maxMemory+MaxSide {
		return 0, &Error{ErrTooLarge, "its pixels unpack to more than its size says", "save it again"}
	}
	return len(b) - in.Len(), nil
}

// webpKept are the chunks of a still picture (WebP container specification).
var webpKept = map[string]bool{"VP8 ": true, "VP8L": true, "ALPH": true, "VP8X": true}

// webp copies the chunks of a still picture and clears the flags of those that
// are left out. An animation is refused: it is no photograph.
func webp(b []byte) ([]byte, error) {
	out := append(make([]byte, 0, len(b)), b[:12]...)
	end := int(binary.LittleEndian.Uint32(b[4:])) + 8
	if end > len(b) {
		return nil, broken("it ends in the middle")
	}
	extended, profiled := -1, false // where VP8X stands, and whether a profile was kept
	for at := 12; at < end; {
		if at+8 > end {
			return nil, broken("a chunk is cut short at byte %d", at)
		}
		kind, size := string(b[at:at+4]), int(binary.LittleEndian.Uint32(b[at+4:]))
		padded := size + size&1
		if size < 0 || padded > end-at-8 {
			return nil, broken("a chunk runs past the end at byte %d", at)
		}
		if kind == "ANIM" || kind == "ANMF" {
			return nil, &Error{ErrKind, "it is an animation", "save one picture of it"}
		}
		if kind == "ICCP" {
			icc := cleanProfile(b[at+8 : at+8+size])
			if profiled = icc != nil; profiled {
				out = append(append(out, "ICCP"...), binary.LittleEndian.AppendUint32(nil, uint32(len(icc)))...)
				out = append(append(out, icc...), make([]byte, len(icc)&1)...)
			}
		} else if webpKept[kind] {
			from := len(out)
			out = append(out, b[at:at+8+padded]...)
			if kind == "VP8X" && size > 0 {
				out[from+8] &^= 0b00001100 // Exif, XMP
				extended = from + 8
			}
		}
		at += 8 + padded
	}
	if extended >= 0 && !profiled {
		out[extended] &^= 0b00100000
	}
	binary.LittleEndian.PutUint32(out[4:], uint32(len(out)-8))
	return out, nil
}
