package finds

import (
	"errors"
	"slices"

	"zestythicket/exchange/photo"
	"zestythicket/guide"
	"zestythicket/records"
	"zestythicket/store"
)

// MostPhotos is how many pictures one find takes.
const MostPhotos = 60

// Photo is a picture of a specimen. It is a record, never evidence.
type Photo struct {
	ID       string `json:"id"`
	Specimen string `json:"specimen"`
	Part     string `json:"part,omitempty"`
	Width    int    `json:"width"`
	Height   int    `json:"height"`
	MIME     string `json:"mime"`
	AtMS     int64  `json:"atMs"`
}

// AddPhoto checks a file by its content, takes location and other data out of
// it, and stores it with a specimen and a part ("" for the whole).
func (c *Service) AddPhoto(id, photoID, specimen, part string, file []byte) (*View, error) {
	if _, err := c.Store.Find(id); err != nil {
		return nil, err
	}
	bad := &records.Invalid{}
	specimens, err := c.Store.Specimens(id)
	if err != nil {
		return nil, err
	}
	if !slices.ContainsFunc(specimens, func(s store.Specimen) bool { return s.ID == specimen }) {
		bad.Add("query.specimen", "no-such-specimen", specimen)
	}
	if part != "" {
		c.CheckOneOf(part, guide.Words("part"), "query.part", -1, "part", bad)
	}
	have, err := c.Store.Photos(id)
	if err != nil {
		return nil, err
	}
	if len(have) >= MostPhotos && !slices.ContainsFunc(have, func(p store.Photo) bool { return p.ID == photoID }) {
		bad.Add("body", "too-many-pictures", MostPhotos)
	}
	p, err := photo.Clean(file)
	var refused *photo.Error
	if errors.As(err, &refused) {
		bad.Add("body", "said", refused, refused.Hint)
	} else if err != nil {
		return nil, err
	}
	if err := bad.OrNil(); err != nil {
		return nil, err
	}
	err = c.Store.AddPhoto(&store.Photo{ID: photoID, FindID: id, Specimen: specimen, Part: part, MIME: p.MIME, Width: p.Width, Height: p.Height, Bytes: p.Bytes, AtMS: c.Now().UnixMilli()})
	if err != nil {
		return nil, err
	}
	return c.View(id)
}

// RemovePhoto removes a picture.
func (c *Service) RemovePhoto(id, photoID string) (*View, error) {
	if _, err := c.Store.Find(id); err != nil {
		return nil, err
	}
	if err := c.Store.RemovePhoto(id, photoID); err != nil {
		return nil, err
	}
	return c.View(id)
}

func (c *Service) photos(id string) ([]Photo, error) {
	rows, err := c.Store.Photos(id)
	if err != nil {
		return nil, err
	}
	out := []Photo{}
	for _, r := range rows {
		out = append(out, Photo{r.ID, r.Specimen, r.Part, r.Width, r.Height, r.MIME, r.AtMS})
	}
	return out, nil
}

// Photo is a picture with its bytes and what kind of file it is.
func (c *Service) Photo(id, photoID string) (mime string, file []byte, err error) {
	p, err := c.Store.Photo(id, photoID)
	if err != nil {
		return "", nil, err
	}
	return p.MIME, p.Bytes, nil
}
