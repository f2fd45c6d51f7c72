package spell

import "testing"

func TestDistance(t *testing.T) {
	for _, c := range []struct {
		a, b string
		want int
	}{{"", "", 0}, {"ring", "ring", 0}, {"ring", "rings", 1}, {"volva", "vovla", 1}, {"gills", "gulls", 1}, {"kitten", "sitting", 3}, {"", "abc", 3}, {"ärmel", "armel", 1}} {
		if got := Distance(c.a, c.b); got != c.want || Distance(c.b, c.a) != got {
			t.Errorf("%q to %q: %d, want %d", c.a, c.b, got, c.want)
		}
	}
}

func TestFold(t *testing.T) {
	for in, want := range map[string]string{"Lily-of-the-Valley": "lily of the valley", " Bear’s  garlic ": "bears garlic", "Jack-o'-lantern": "jack o lantern", "Bärlauch": "barlauch"} {
		if got := Fold(in); got != want {
			t.Errorf("%q folds to %q, want %q", in, got, want)
		}
	}
}

// A word is no distance from itself, and as far there as back.
func FuzzDistance(f *testing.F) {
	f.Add("ring", "rim", "ram")
	f.Fuzz(func(t *testing.T, a, b, c string) {
		if len(a)+len(b)+len(c) > 60 {
			t.Skip()
		}
		if Distance(a, a) != 0 || Distance(a, b) != Distance(b, a) {
			t.Fatalf("%q %q", a, b)
		}
	})
}
