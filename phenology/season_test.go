package phenology

import "testing"

func months(list ...int) (m uint16) {
	for _, x := range list {
		m |= 1 << (x - 1)
	}
	return m
}

func TestOf(t *testing.T) {
	winter, spring := months(11, 12, 1, 2), months(3, 4, 5)
	for _, c := range []struct {
		month  int
		months uint16
		want   Fit
	}{
		{4, spring, In}, {2, spring, NextTo}, {6, spring, NextTo}, {9, spring, Out},
		{1, winter, In}, {12, winter, In}, {3, winter, NextTo}, {10, winter, NextTo}, {6, winter, Out},
		{12, months(1), NextTo}, {1, months(12), NextTo}, {0, spring, Unknown}, {13, spring, Unknown}, {5, 0, Unknown},
	} {
		if got := Of(c.month, c.months); got != c.want {
			t.Errorf("month %d of %012b: %d, want %d", c.month, c.months, got, c.want)
		}
	}
}
