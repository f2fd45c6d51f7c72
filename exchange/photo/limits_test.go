package photo

import (
	"bytes"
	"compress/zlib"
	"encoding/binary"
	"errors"
	"image"
	"image/color"
	jpegenc "image/jpeg"
	pngenc "image/png"
	"strings"
	"testing"
)

func drawing(w, h int) *image.RGBA {
	m := image.NewRGBA(image.Rect(0, 0, w, h))
	for x := range w {
		m.Set(x, x%h, color.RGBA{uint8(x), 90, 30, 255})
	}
	return m
}

func jpegOf(t *testing.T, w, h int) []byte {
	t.Helper()
	var b bytes.Buffer
	if err := jpegenc.Encode(&b, drawing(w, h), nil); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

func pngOf(t *testing.T, m image.Image) []byte {
	t.Helper()
	var b bytes.Buffer
	if err := pngenc.Encode(&b, m); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

// profile is a colour profile with a table and with text that names a camera.
func profile() []byte {
	tags := []struct{ name, data string }{{"desc", "desc\x00\x00\x00\x00Camera of A. Maker, model 9"}, {"cprt", "text\x00\x00\x00\x00Somebody 2026"}, {"rXYZ", "XYZ \x00\x00\x00\x000123456789ab"}, {"dmnd", "desc\x00\x00\x00\x00A. Maker"}}
	head := make([]byte, 128)
	copy(head[4:], "MAKR")
	copy(head[36:], "acsp")
	copy(head[48:], "MAKRMOD9")
	out := binary.BigEndian.AppendUint32(head, uint32(len(tags)))
	at := 128 + 4 + 12*len(tags)
	for _, tag := range tags {
		out = append(out, tag.name...)
		out = binary.BigEndian.AppendUint32(out, uint32(at))
		out = binary.BigEndian.AppendUint32(out, uint32(len(tag.data)))
		at += len(tag.data)
	}
	for _, tag := range tags {
		out = append(out, tag.data...)
	}
	binary.BigEndian.PutUint32(out, uint32(len(out)))
	return out
}

// A picture that is small as a file and huge in memory, and one that takes hours to
// be decoded, are refused before they are.
func TestPicturesThatCostTooMuch(t *testing.T) {
	head := pngOf(t, image.NewNRGBA64(image.Rect(0, 0, 1, 1)))
	big := append([]byte{}, head...)
	binary.BigEndian.PutUint32(big[16:], 7000)
	binary.BigEndian.PutUint32(big[20:], 7000)
	copy(big[8:], pngChunk("IHDR", big[16:29]))
	var e *Error
	if _, err := Clean(big); !errors.Is(err, ErrTooLarge) || !errors.As(err, &e) || e.Hint == "" {
		t.Errorf("7000 × 7000 with 16 bits a colour: %v", err)
	}
	j := jpegOf(t, 64, 64)
	at := bytes.LastIndex(j, []byte{0xff, 0xda})
	scan := j[at : len(j)-2]
	many := append([]byte{}, j[:at]...)
	for range maxScans + 1 {
		many = append(many, scan...)
	}
	if _, err := Clean(append(many, 0xff, 0xd9)); !errors.Is(err, ErrTooLarge) {
		t.Errorf("%d scans: %v", maxScans+1, err)
	}
	if _, err := Clean(j); err != nil {
		t.Errorf("a plain one: %v", err)
	}
}

// A JPEG keeps the colours of its profile and none of its text, and nothing behind
// the fixed part of the Adobe segment.
func TestJPEGKeepsNoText(t *testing.T) {
	j := jpegOf(t, 40, 30)
	icc := profile()
	seg := func(mark byte, body []byte) []byte {
		out := []byte{0xff, mark}
		out = binary.BigEndian.AppendUint16(out, uint16(len(body)+2))
		return append(out, body...)
	}
	half := len(icc) / 2
	in := append([]byte{}, j[:2]...)
	in = append(in, seg(0xee, []byte("Adobe\x00\x64\x00\x00\x00\x00\x01seen by A. Maker"))...)
	in = append(in, seg(0xe2, append(append([]byte{}, iccHead...), append([]byte{1, 2}, icc[:half]...)...))...)
	in = append(in, seg(0xe2, append(append([]byte{}, iccHead...), append([]byte{2, 2}, icc[half:]...)...))...)
	in = append(in, j[2:]...)
	in = append(in, "behind the end, A. Maker"...)
	p, err := Clean(in)
	if err != nil {
		t.Fatal(err)
	}
	if out := string(p.Bytes); strings.Contains(out, "Maker") || strings.Contains(out, "MAKR") || strings.Contains(out, "Somebody") {
		t.Error("text of the profile or of the Adobe segment is kept")
	} else if !strings.Contains(out, "0123456789ab") {
		t.Error("the colours of the profile are gone")
	}
	if _, err := Clean(p.Bytes); err != nil {
		t.Errorf("what is kept can't be taken in again: %v", err)
	}
}

// A PNG keeps no text of its profile, no palette that no pixel uses, and nothing
// behind the compressed pixels.
func TestPNGKeepsNoText(t *testing.T) {
	b := pngOf(t, drawing(20, 20))
	var packed bytes.Buffer
	z := zlib.NewWriter(&packed)
	_, _ = z.Write(profile())
	_ = z.Close()
	out := append([]byte{}, b[:33]...) // signature and IHDR
	out = append(out, pngChunk("iCCP", append([]byte("Profile of A. Maker\x00\x00"), packed.Bytes()...))...)
	out = append(out, pngChunk("PLTE", []byte("A. Maker "))...)
	for at := 33; at < len(b); {
		size := int(binary.BigEndian.Uint32(b[at:]))
		kind, body := string(b[at+4:at+8]), b[at+8:at+8+size]
		if kind == "IDAT" {
			body = append(append([]byte{}, body...), "behind the pixels, A. Maker"...)
		}
		out = append(out, pngChunk(kind, body)...)
		at += 12 + size
	}
	p, err := Clean(out)
	if err != nil {
		t.Fatal(err)
	}
	if strings.Contains(string(p.Bytes), "Maker") || bytes.Contains(p.Bytes, []byte("PLTE")) {
		t.Error("text, an unused palette, or bytes behind the pixels are kept")
	}
	if !bytes.Contains(p.Bytes, []byte("iCCP")) {
		t.Error("the colours of the profile are gone")
	}
	was, _, err := image.Decode(bytes.NewReader(b))
	if err != nil {
		t.Fatal(err)
	}
	now, _, err := image.Decode(bytes.NewReader(p.Bytes))
	if err != nil {
		t.Fatal(err)
	}
	for x := range 20 {
		if was.At(x, x) != now.At(x, x) {
			t.Fatalf("pixel %d: %v, was %v", x, now.At(x, x), was.At(x, x))
		}
	}
}
