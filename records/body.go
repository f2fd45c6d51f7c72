package records

import (
	"encoding/json"
	"fmt"
)

func Decode(text string, v any) error {
	if err := json.Unmarshal([]byte(text), v); err != nil {
		return fmt.Errorf("a stored record can't be read: %w", err)
	}
	return nil
}
