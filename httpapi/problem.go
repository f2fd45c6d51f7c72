package httpapi

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"log/slog"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"zestythicket/records"
	"zestythicket/store"
)

// problem is the one place where errors become problem+json. What the client
// sees is kept apart from the cause, which goes to the log.
func problem(err error) error {
	var bad *records.Invalid
	if errors.As(err, &bad) {
		var details []error
		for _, f := range bad.Fields {
			msg := f.What
			if f.Hint != "" {
				msg += " (" + f.Hint + ")"
			}
			details = append(details, &huma.ErrorDetail{Location: f.Path, Message: msg})
		}
		if bad.More > 0 {
			details = append(details, &huma.ErrorDetail{Message: fmt.Sprintf("and %d more", bad.More)})
		}
		return huma.NewError(http.StatusUnprocessableEntity, "What was sent does not hold together; nothing was stored.", details...)
	}
	var changed *records.Conflict
	if errors.As(err, &changed) {
		return huma.NewError(http.StatusConflict, changed.What+" Nothing was stored.", &huma.ErrorDetail{Message: changed.Hint, Location: "now", Value: changed.Now})
	}
	var e *store.Error
	if errors.As(err, &e) {
		switch {
		case errors.Is(e.Err, store.ErrNotFound):
			return huma.NewError(http.StatusNotFound, e.Hint)
		case errors.Is(e.Err, store.ErrInvalid):
			return huma.NewError(http.StatusUnprocessableEntity, e.Hint)
		case errors.Is(e.Err, store.ErrChanged):
			return huma.NewError(http.StatusConflict, e.Hint)
		case errors.Is(e.Err, store.ErrUnreadable):
			slog.Error("can't be read", "err", err)
			return huma.NewError(http.StatusInternalServerError, e.Hint)
		case errors.Is(e.Err, store.ErrNotStored), errors.Is(e.Err, store.ErrReadOnly), errors.Is(e.Err, store.ErrInUse):
			slog.Error("not stored", "err", err)
			return huma.NewError(http.StatusInsufficientStorage, e.Hint)
		}
	}
	slog.Error("request failed", "err", err)
	return huma.NewError(http.StatusInternalServerError, "Something went wrong here. What was stored before is untouched.")
}

// problemText is a problem as it is sent.
func problemText(status int, detail string) []byte {
	b, _ := json.Marshal(huma.ErrorModel{Title: http.StatusText(status), Status: status, Detail: detail})
	return b
}

// answer wraps what every handler does: call, map the error, wrap the body.
func answer[In, Out any](f func(*In) (Out, error)) func(context.Context, *In) (*struct{ Body Out }, error) {
	return func(_ context.Context, in *In) (*struct{ Body Out }, error) {
		out, err := f(in)
		if err != nil {
			return nil, problem(err)
		}
		return &struct{ Body Out }{out}, nil
	}
}
