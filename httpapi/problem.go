package httpapi

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"log/slog"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"zestythicket/app"
	"zestythicket/records"
	"zestythicket/words"
)

// problem is the one place where errors become problem+json. What the client
// sees is kept apart from the cause, which goes to the log.
func problem(err error) error {
	var bad *records.Invalid
	if errors.As(err, &bad) {
		var details []error
		for _, f := range bad.Fields {
			msg, do := words.Refusal(f.Code, f.Args)
			if do != "" {
				msg += " (" + do + ")"
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
		what, do := words.Conflict(changed.Code, changed.Args)
		return huma.NewError(http.StatusConflict, what+" Nothing was stored.", &huma.ErrorDetail{Message: do, Location: "now", Value: changed.Now})
	}
	if kind, hint, ok := records.Failed(err); ok {
		switch kind {
		case records.NotFound:
			return huma.NewError(http.StatusNotFound, hint)
		case records.Refused:
			return huma.NewError(http.StatusUnprocessableEntity, hint)
		case records.Changed:
			return huma.NewError(http.StatusConflict, hint)
		case records.Unreadable:
			slog.Error("can't be read", "err", err)
			return huma.NewError(http.StatusInternalServerError, hint)
		case records.NotStored:
			slog.Error("not stored", "err", err)
			return huma.NewError(http.StatusInsufficientStorage, hint)
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

// answer wraps what every handler does: call, map the error, wrap the body. What is read
// stops when the request is gone; what is written is written to its end.
func answer[In, Out any](s *Server, f func(*app.App, *In) (Out, error)) func(context.Context, *In) (*struct{ Body Out }, error) {
	return func(ctx context.Context, in *In) (*struct{ Body Out }, error) {
		out, err := f(s.book.With(ctx), in)
		if err != nil {
			return nil, problem(err)
		}
		return &struct{ Body Out }{out}, nil
	}
}

// toTheEnd lets what is written go on when the request is gone: a page that is closed
// right after a tap loses nothing.
func toTheEnd(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if r.Method != http.MethodGet && r.Method != http.MethodHead {
			r = r.WithContext(context.WithoutCancel(r.Context()))
		}
		next.ServeHTTP(w, r)
	})
}
