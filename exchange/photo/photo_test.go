package photo

import (
	"bytes"
	"encoding/base64"
	"encoding/binary"
	"errors"
	"hash/crc32"
	"image"
	"image/color"
	stdjpeg "image/jpeg"
	stdpng "image/png"
	"testing"
)

// secret stands for what must not be stored: a place, a name, a device.
const secret = "N 51 17.3400 W 003 26.9120 taken by somebody"

func picture() *image.RGBA {
	m := image.NewRGBA(image.Rect(0, 0, 24, 16))
	for y := range 16 {
		for x := range 24 {
			m.Set(x, y, color.RGBA{uint8(x * 10), uint8(y * 15), 90, 255})
		}
	}
	return m
}

func encode(t testing.TB, f func(*bytes.Buffer) error) []byte {
	t.Helper()
	var b bytes.Buffer
	if err := f(&b); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

func segment(mark byte, body string) []byte {
	out := []byte{0xff, mark}
	out = binary.BigEndian.AppendUint16(out, uint16(len(body)+2))
	return append(out, body...)
}

// exif is a little-endian directory with an orientation and a text.
func exif(turn uint16) string {
	b := []byte("Exif\x00\x00II\x2a\x00\x08\x00\x00\x00")
	b = binary.LittleEndian.AppendUint16(b, 1)
	b = binary.LittleEndian.AppendUint16(b, 0x0112)
	b = binary.LittleEndian.AppendUint16(b, 3)
	b = binary.LittleEndian.AppendUint32(b, 1)
	b = binary.LittleEndian.AppendUint32(b, uint32(turn))
	b = binary.LittleEndian.AppendUint32(b, 0)
	return string(b) + secret
}

func chunk(kind, body string) []byte {
	out := binary.BigEndian.AppendUint32(nil, uint32(len(body)))
	out = append(append(out, kind...), body...)
	return binary.BigEndian.AppendUint32(out, crc32.ChecksumIEEE(out[4:]))
}

func riff(kind, body string) []byte {
	out := append([]byte(kind), 0, 0, 0, 0)
	binary.LittleEndian.PutUint32(out[4:], uint32(len(body)))
	out = append(out, body...)
	if len(body)%2 == 1 {
		out = append(out, 0)
	}
	return out
}

// samples are pictures with a secret wherever their format has room for one.
func samples(t testing.TB) map[string][]byte {
	j := encode(t, func(b *bytes.Buffer) error { return stdjpeg.Encode(b, picture(), nil) })
	jpg := append([]byte{0xff, 0xd8}, segment(0xe0, "JFIF\x00\x01\x02\x00\x00\x01\x00\x01\x00\x00")...)
	jpg = append(jpg, segment(0xe1, exif(6))...)
	jpg = append(jpg, segment(0xe1, "http://ns.adobe.com/xap/1.0/\x00"+secret)...)
	jpg = append(jpg, segment(0xed, "Photoshop 3.0\x00"+secret)...)
	jpg = append(jpg, segment(0xfe, secret)...)
	jpg = append(append(jpg, j[2:]...), secret...) // and behind the end
	p := encode(t, func(b *bytes.Buffer) error { return stdpng.Encode(b, picture()) })
	head := len(pngHead) + 25
	png := append(append([]byte{}, p[:head]...), chunk("tEXt", "Comment\x00"+secret)...)
	png = append(png, chunk("eXIf", exif(6)[6:])...)
	png = append(append(png, p[head:]...), secret...)
	one, err := base64.StdEncoding.DecodeString("UklGRhoAAABXRUJQVlA4TA0AAAAvAAAAEAcQERGIiP4HAA==")
	if err != nil {
		t.Fatal(err)
	}
	body := append([]byte("WEBP"), riff("VP8X", "\x0c\x00\x00\x00\x00\x00\x00\x00\x00\x00")...)
	body = append(append(append(body, one[12:]...), riff("EXIF", exif(6))...), riff("XMP ", secret)...)
	w := append([]byte("RIFF"), 0, 0, 0, 0)
	binary.LittleEndian.PutUint32(w[4:], uint32(len(body)))
	return map[string][]byte{"image/jpeg": jpg, "image/png": png, "image/webp": append(w, body...)}
}

func pixels(t testing.TB, b []byte) []color.Color {
	t.Helper()
	m, _, err := image.Decode(bytes.NewReader(b))
	if err != nil {
		t.Fatal(err)
	}
	var out []color.Color
	for y := m.Bounds().Min.Y; y < m.Bounds().Max.Y; y++ {
		for x := m.Bounds().Min.X; x < m.Bounds().Max.X; x++ {
			out = append(out, m.At(x, y))
		}
	}
	return out
}

// The secret goes, the picture stays as it is, dot for dot.
func TestCleanTakesTheSecretOut(t *testing.T) {
	for mime, b := range samples(t) {
		if !bytes.Contains(b, []byte(secret)) {
			t.Fatalf("%s: the sample holds no secret", mime)
		}
		p, err := Clean(b)
		if err != nil {
			t.Errorf("%s: %v", mime, err)
			continue
		}
		if p.MIME != mime {
			t.Errorf("%s is stored as %s", mime, p.MIME)
		}
		if bytes.Contains(p.Bytes, []byte("51 17")) || bytes.Contains(p.Bytes, []byte("somebody")) {
			t.Errorf("%s: the secret is still there", mime)
		}
		was, now := pixels(t, b), pixels(t, p.Bytes)
		if len(was) != len(now) || len(was) == 0 {
			t.Fatalf("%s: %d pixels became %d", mime, len(was), len(now))
		}
		for i := range was {
			if was[i] != now[i] {
				t.Fatalf("%s: pixel %d changed", mime, i)
			}
		}
		again, err := Clean(p.Bytes)
		if err != nil || !bytes.Equal(again.Bytes, p.Bytes) {
			t.Errorf("%s: cleaned twice is not cleaned once: %v", mime, err)
		}
	}
}

// A picture taken with the camera on its side is still shown upright.
func TestOrientationIsKept(t *testing.T) {
	p, err := Clean(samples(t)["image/jpeg"])
	if err != nil {
		t.Fatal(err)
	}
	at := bytes.Index(p.Bytes, exifHead)
	if at < 0 {
		t.Fatal("no orientation is left")
	}
	if turn, ok := orientation(p.Bytes[at:]); !ok || turn != 6 {
		t.Errorf("orientation %d %v, want 6", turn, ok)
	}
}

func TestRefused(t *testing.T) {
	s := samples(t)
	wide := image.NewGray(image.Rect(0, 0, MaxSide+1, 1))
	anim := append([]byte("WEBP"), riff("VP8X", "\x02\x00\x00\x00\x00\x00\x00\x00\x00\x00")...)
	anim = append(anim, riff("ANIM", "\x00\x00\x00\x00\x00\x00")...)
	for _, c := range []struct {
		name string
		file []byte
		want error
	}{
		{"nothing", nil, ErrKind},
		{"a text called .jpg", []byte("hello"), ErrKind},
		{"a GIF", []byte("GIF89a\x01\x00\x01\x00\x00\x00\x00;"), ErrKind},
		{"a page behind a JPEG head", []byte("\xff\xd8\xff<script>alert(1)</script>"), ErrBroken},
		{"too many bytes", make([]byte, MaxBytes+1), ErrTooLarge},
		{"too wide", encode(t, func(b *bytes.Buffer) error { return stdpng.Encode(b, wide) }), ErrTooLarge},
		{"half a JPEG", s["image/jpeg"][:len(s["image/jpeg"])/2], ErrBroken},
		{"half a PNG", s["image/png"][:120], ErrBroken},
		{"half a WebP", s["image/webp"][:40], ErrBroken},
		{"an animation", append([]byte("RIFF\x24\x00\x00\x00"), anim...), nil},
	} {
		_, err := Clean(c.file)
		if c.want == nil && err == nil || c.want != nil && !errors.Is(err, c.want) {
			t.Errorf("%s: %v, want %v", c.name, err, c.want)
		}
		var e *Error
		if !errors.As(err, &e) || e.What == "" || e.Hint == "" {
			t.Errorf("%s: no word of what to do: %v", c.name, err)
		}
	}
}

// Whatever comes in, nothing panics; what is let through is a picture, cleaning
// it again changes nothing, and of its metadata nothing is left but what was
// written here.
func FuzzClean(f *testing.F) {
	for _, b := range samples(f) {
		f.Add(b)
	}
	f.Add([]byte("\xff\xd8\xff"))
	f.Fuzz(func(t *testing.T, b []byte) {
		p, err := Clean(b)
		if err != nil {
			return
		}
		again, err := Clean(p.Bytes)
		if err != nil {
			t.Fatalf("what was let through is refused: %v", err)
		}
		if !bytes.Equal(again.Bytes, p.Bytes) {
			t.Fatal("cleaned twice is not cleaned once")
		}
	})
}
