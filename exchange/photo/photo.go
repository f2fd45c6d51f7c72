// Package photo takes in photographs: JPEG, PNG or WebP, told by their content
// and never by their name. What it lets through is the same picture without
// anything that says where, when, by whom or with what it was taken.
//
// The three formats are alike in that the picture and what is said about it lie
// in separate pieces (JPEG markers, PNG chunks, RIFF chunks). Clean copies the
// pieces that make the picture and leaves the others out; pixels are not encoded
// anew. Of a JPEG's metadata only the orientation is kept, written into a fresh
// piece that holds nothing else.
package photo

import (
	"bytes"
	"errors"
	"fmt"
	"image"
	"image/color"
	_ "image/jpeg" // decoders, for the check of the content
	_ "image/png"
	"time"

	_ "golang.org/x/image/webp"
)

// Limits of what is taken in.
const (
	MaxBytes  = 12 << 20
	MaxSide   = 12000     // pixels
	MaxPixels = 50 << 20  // width × height
	maxMemory = 256 << 20 // bytes of the decoded picture
	maxScans  = 64        // of a JPEG; cameras write one, or some ten
	// maxWork bounds scans × pixels: each scan of a progressive JPEG goes over all.
	maxWork  = 400 << 20
	maxTime  = 20 * time.Second
	atATime  = 2       // pictures that are decoded at once
	maxFrame = 1 << 20 // of a colour profile
)

// decoding lets as many pictures be decoded at once as there is memory for.
var decoding = make(chan struct{}, atATime)

// Reasons for refusing a file; an Error matches one of them.
var (
	ErrKind     = errors.New("not a JPEG, PNG or WebP picture")
	ErrTooLarge = errors.New("the picture is too large")
	ErrBroken   = errors.New("the picture is damaged")
)

// Error says why a file was refused, for the person who chose it.
type Error struct {
	Err  error  // one of the reasons
	What string // what is wrong, with figures
	Hint string // what to do
}

// Error gives the reason and what is wrong.
func (e *Error) Error() string { return e.Err.Error() + ": " + e.What }

// Unwrap gives the reason.
func (e *Error) Unwrap() error { return e.Err }

// Photo is a picture that was taken in.
type Photo struct {
	MIME          string
	Width, Height int // as stored; orientation is left to whoever shows it
	Bytes         []byte
}

// Clean checks a file and returns the picture without location and other data.
func Clean(b []byte) (*Photo, error) {
	if len(b) > MaxBytes {
		return nil, &Error{ErrTooLarge, fmt.Sprintf("%.1f MB, at most %d MB", float64(len(b))/(1<<20), MaxBytes>>20), "make it smaller, or take it at a lower setting"}
	}
	var strip func([]byte) ([]byte, error)
	var mime string
	switch {
	case bytes.HasPrefix(b, []byte{0xff, 0xd8, 0xff}):
		mime, strip = "image/jpeg", jpeg
	case bytes.HasPrefix(b, pngHead):
		mime, strip = "image/png", png
	case len(b) >= 12 && string(b[:4]) == "RIFF" && string(b[8:12]) == "WEBP":
		mime, strip = "image/webp", webp
	default:
		return nil, &Error{ErrKind, "its content is something else, whatever its name says", "save it as JPEG, PNG or WebP"}
	}
	cfg, _, err := image.DecodeConfig(bytes.NewReader(b))
	if err != nil {
		return nil, broken("its head can't be read (%v)", err)
	}
	if cfg.Width > MaxSide || cfg.Height > MaxSide || cfg.Width*cfg.Height > MaxPixels {
		return nil, &Error{ErrTooLarge, fmt.Sprintf("%d × %d pixels", cfg.Width, cfg.Height), fmt.Sprintf("at most %d a side and %d million in all", MaxSide, MaxPixels>>20)}
	}
	if need := int64(cfg.Width) * int64(cfg.Height) * bytesPerPixel(cfg.ColorModel); need > maxMemory {
		return nil, &Error{ErrTooLarge, fmt.Sprintf("%d × %d pixels need %d MB when they are opened", cfg.Width, cfg.Height, need>>20), "save it smaller, or with 8 bits a colour"}
	}
	if n := countScans(b, mime); n > maxScans || int64(n)*int64(cfg.Width)*int64(cfg.Height) > maxWork {
		return nil, &Error{ErrTooLarge, fmt.Sprintf("it is written in %d scans", n), "save it again as a plain JPEG"}
	}
	out, err := strip(b)
	if err != nil {
		return nil, err
	}
	// What is stored is decoded once: nothing that is not a picture goes further.
	decoding <- struct{}{}
	defer func() { <-decoding }()
	if _, _, err := image.Decode(&timed{bytes.NewReader(out), time.Now().Add(maxTime)}); err != nil {
		if errors.Is(err, errSlow) {
			return nil, &Error{ErrTooLarge, "it takes too long to be opened", "save it again as a plain JPEG or PNG"}
		}
		return nil, broken("its pixels can't be read (%v)", err)
	}
	return &Photo{mime, cfg.Width, cfg.Height, out}, nil
}

func broken(format string, args ...any) error {
	return &Error{ErrBroken, fmt.Sprintf(format, args...), "open it and save it again, or take another"}
}

// errSlow: a picture took longer to decode than any photograph does.
var errSlow = errors.New("too slow")

// timed stops giving bytes when its time is over.
type timed struct {
	in    *bytes.Reader
	until time.Time
}

func (t *timed) Read(p []byte) (int, error) {
	if time.Now().After(t.until) {
		return 0, errSlow
	}
	return t.in.Read(p[:min(len(p), 1024)])
}

func bytesPerPixel(m color.Model) int64 {
	switch m {
	case color.RGBA64Model, color.NRGBA64Model:
		return 8
	case color.Gray16Model:
		return 2
	case color.GrayModel:
		return 1
	case color.YCbCrModel:
		return 3
	}
	return 4
}

// countScans counts the scans of a JPEG; other kinds have one.
func countScans(b []byte, mime string) int {
	if mime != "image/jpeg" {
		return 1
	}
	return max(1, bytes.Count(b, []byte{0xff, 0xda}))
}
