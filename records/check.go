package records

import (
	"strconv"
)

func Itoa(i int) string { return strconv.Itoa(i) }
