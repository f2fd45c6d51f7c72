package photo

import (
	"bytes"
	"compress/zlib"
	"encoding/binary"
	"io"
)

// A colour profile (ICC.1:2022, section 7) is a head of 128 bytes, a table of tags,
// and what the tags point to. Some tags are tables of colour; others are text that
// may name the camera, its maker, and whoever made the profile.

var iccHead = []byte("ICC_PROFILE\x00")

// profileKept are the tags that change how colours look.
var profileKept = map[string]bool{"rXYZ": true, "gXYZ": true, "bXYZ": true, "wtpt": true, "bkpt": true, "chad": true, "rTRC": true, "gTRC": true, "bTRC": true, "kTRC": true,
	"A2B0": true, "A2B1": true, "A2B2": true, "B2A0": true, "B2A1": true, "B2A2": true, "cicp": true}

// cleanProfile gives a profile with its tables of colour and nothing else; nil where
// there is none, or none that can be read.
func cleanProfile(b []byte) []byte {
	const head, entry = 128, 12
	if len(b) < head+4 || string(b[36:40]) != "acsp" {
		return nil
	}
	n := int(binary.BigEndian.Uint32(b[head:]))
	if n < 1 || n > 100 || head+4+n*entry > len(b) {
		return nil
	}
	type tag struct {
		name string
		data []byte
	}
	var kept []tag
	for i := range n {
		e := b[head+4+i*entry:]
		from, size := int(binary.BigEndian.Uint32(e[4:])), int(binary.BigEndian.Uint32(e[8:]))
		if name := string(e[:4]); profileKept[name] && from >= head && size > 0 && size <= len(b) && from <= len(b)-size {
			kept = append(kept, tag{name, b[from : from+size]})
		}
	}
	if len(kept) == 0 {
		return nil
	}
	out := append([]byte{}, b[:head]...)
	// What made it, when, for which device, and its own number: nothing of it is needed.
	clear(out[4:8])
	clear(out[24:36])
	clear(out[40:44])
	clear(out[48:64])
	clear(out[80:128])
	out = binary.BigEndian.AppendUint32(out, uint32(len(kept)))
	at := head + 4 + len(kept)*entry
	for _, t := range kept {
		out = append(out, t.name...)
		out = binary.BigEndian.AppendUint32(out, uint32(at))
		out = binary.BigEndian.AppendUint32(out, uint32(len(t.data)))
		at += (len(t.data) + 3) &^ 3
	}
	for _, t := range kept {
		out = append(append(out, t.data...), make([]byte, (4-len(t.data)&3)&3)...)
	}
	binary.BigEndian.PutUint32(out, uint32(len(out)))
	return out
}

// iccSegments writes a profile into as many pieces of a JPEG as it takes.
func iccSegments(icc []byte) []byte {
	const most = 65_000
	var out []byte
	pieces := (len(icc) + most - 1) / most
	for i := range pieces {
		part := icc[i*most : min(len(icc), (i+1)*most)]
		out = append(out, 0xff, 0xe2)
		out = binary.BigEndian.AppendUint16(out, uint16(2+len(iccHead)+2+len(part)))
		out = append(append(out, iccHead...), byte(i+1), byte(pieces))
		out = append(out, part...)
	}
	return out
}

// profileOfPNG cleans the profile of a PNG: a name, a method, and the profile packed.
func profileOfPNG(body []byte) []byte {
	name, rest, ok := bytes.Cut(body, []byte{0})
	if !ok || len(name) == 0 || len(rest) < 2 || rest[0] != 0 {
		return nil
	}
	z, err := zlib.NewReader(bytes.NewReader(rest[1:]))
	if err != nil {
		return nil
	}
	raw, err := io.ReadAll(io.LimitReader(z, maxFrame+1))
	icc := cleanProfile(raw)
	if err != nil || len(raw) > maxFrame || icc == nil {
		return nil
	}
	var packed bytes.Buffer
	w := zlib.NewWriter(&packed)
	_, _ = w.Write(icc)
	_ = w.Close()
	return append([]byte("icc\x00\x00"), packed.Bytes()...)
}
