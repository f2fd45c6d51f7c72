package casefile

import (
	"strings"
	"testing"
)

// What a case expects of thorns is read by entry; what older files expect of steps is
// still read, so that it can be said that steps are no longer counted.
func TestExpectations(t *testing.T) {
	ix := index(t)
	c, err := Read("a.yaml", []byte(good+"expect:\n  thorns: {aesculus-hippocastanum: 3}\n  depths: {daphne-mezereum: 2}\n"), ix)
	if err != nil {
		t.Fatal(err)
	}
	if c.Expect.Thorns["aesculus-hippocastanum"] != 3 || c.Expect.Depths["daphne-mezereum"] != 2 {
		t.Errorf("%+v", c.Expect)
	}
	if _, err := Read("a.yaml", []byte(good+"expect:\n  thorns: {aesculus-hipocastanum: 3}\n"), ix); err == nil || !strings.Contains(err.Error(), "aesculus-hippocastanum") {
		t.Errorf("an unknown entry: %v", err)
	}
}

// A sign-off names the dangers that were shown.
func TestSignOffDangers(t *testing.T) {
	ix := index(t)
	profile := func(danger string) string {
		return good + "profile:\n  sign-offs: [{group: bulbs-lily-leaves, by: Hedda, dangers: [" + danger + "]}]\n"
	}
	c, err := Read("a.yaml", []byte(profile("convallaria-majalis")), ix)
	if err != nil {
		t.Fatal(err)
	}
	if s := c.Find.Profile.SignOffs; len(s) != 1 || len(s[0].Dangers) != 1 || s[0].Dangers[0] != "convallaria-majalis" {
		t.Errorf("%+v", s)
	}
	if _, err := Read("a.yaml", []byte(profile("convallaria-majals")), ix); err == nil || !strings.Contains(err.Error(), "convallaria-majalis") {
		t.Errorf("an unknown danger: %v", err)
	}
}
