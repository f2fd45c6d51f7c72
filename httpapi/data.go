package httpapi

import (
	"context"
	"errors"
	"io"
	"net/http"
	"os"
	"sync"

	"github.com/danielgtaylor/huma/v2"

	"zestythicket/app"

	"zestythicket/upkeep"
)

// dataState is what the page of the data waits for.
type dataState struct {
	sync.Mutex
	running bool
	problem string
	done    string
	target  string // the file being written
}

// Data is what the page of one's own data shows.
type Data struct {
	upkeep.DataInfo
	Running bool    `json:"running" doc:"A backup is being written"`
	Share   float64 `json:"share" doc:"How much of it is written, 0 to 1, by size"`
	Done    string  `json:"done,omitempty" doc:"The backup that was written last here"`
	Problem string  `json:"problem,omitempty" doc:"Why the last one was not"`
}

// BackupName names a backup of the folder beside the database.
type BackupName struct {
	Name string `path:"name" pattern:"^[a-z0-9-]{1,80}[.]db$"`
}

// Restored says what was put in place, and where what was there is kept.
type Restored struct {
	From string `json:"from"`
	Kept string `json:"kept"`
}

// maxBackup is the greatest backup that is taken in through the page.
const maxBackup = 4 << 30

// turn lets every request wait while the database is replaced.
func (s *Server) turn(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if r.Method == http.MethodPost && restores(r.URL.Path) {
			next.ServeHTTP(w, r) // it takes the lock itself
			return
		}
		s.restoring.RLock()
		defer s.restoring.RUnlock()
		next.ServeHTTP(w, r)
	})
}

func restores(path string) bool {
	const from, to = "/api/data/backups/", "/restore"
	return len(path) > len(from)+len(to) && path[:len(from)] == from && path[len(path)-len(to):] == to
}

func (s *Server) dataRoutes(api huma.API) {
	ok := func(o *huma.Operation) { o.DefaultStatus = http.StatusOK }
	huma.Get(api, "/api/data", answer(s, func(_ *app.App, _ *struct{}) (*Data, error) { return s.dataNow() }))
	huma.Post(api, "/api/data/check", answer(s, func(_ *app.App, _ *struct{}) (*Data, error) {
		s.book.Upkeep.KeepCheck(s.book.Upkeep.Check(50))
		return s.dataNow()
	}), ok)
	huma.Post(api, "/api/data/backups", answer(s, func(_ *app.App, _ *struct{}) (*Data, error) {
		s.beginBackup()
		return s.dataNow()
	}), ok)
	huma.Get(api, "/api/data/backups/{name}", func(_ context.Context, in *BackupName) (*huma.StreamResponse, error) {
		f, err := os.Open(s.book.Upkeep.BackupPath(in.Name))
		if err != nil {
			return nil, huma.NewError(http.StatusNotFound, "There is no backup of this name.")
		}
		return &huma.StreamResponse{Body: func(ctx huma.Context) {
			defer func() { _ = f.Close() }()
			ctx.SetHeader("Content-Type", "application/octet-stream")
			ctx.SetHeader("Content-Disposition", `attachment; filename="`+in.Name+`"`)
			_, _ = io.Copy(ctx.BodyWriter(), f)
		}}, nil
	})
	huma.Post(api, "/api/data/backups/{name}/restore", answer(s, func(_ *app.App, in *BackupName) (*Restored, error) {
		s.restoring.Lock()
		defer s.restoring.Unlock()
		kept, err := s.book.Upkeep.Restore(in.Name)
		return &Restored{in.Name, kept}, err
	}), ok)
}

func (s *Server) dataNow() (*Data, error) {
	d := &Data{DataInfo: *s.book.Upkeep.Data()}
	s.data.Lock()
	defer s.data.Unlock()
	d.Running, d.Problem, d.Done = s.data.running, s.data.problem, s.data.done
	if d.Running && d.Bytes > 0 {
		if info, err := os.Stat(s.data.target + ".part"); err == nil {
			d.Share = min(1, float64(info.Size())/float64(d.Bytes))
		}
	}
	return d, nil
}

// beginBackup writes a backup beside the requests that go on.
func (s *Server) beginBackup() {
	s.data.Lock()
	defer s.data.Unlock()
	if s.data.running {
		return
	}
	name, path := s.book.Upkeep.NextBackup()
	s.data.running, s.data.problem, s.data.target = true, "", path
	go func() {
		s.restoring.RLock()
		err := s.book.Upkeep.Backup(path)
		s.restoring.RUnlock()
		s.data.Lock()
		defer s.data.Unlock()
		s.data.running = false
		if err != nil {
			s.data.problem = err.Error()
			var he huma.StatusError
			if errors.As(problem(err), &he) {
				s.data.problem = he.Error()
			}
			return
		}
		s.data.done = name
	}()
}

// putBackup takes in a backup file sent by the page: it is checked, and stored in
// the folder of the backups under a name of its own.
func (s *Server) putBackup(w http.ResponseWriter, r *http.Request) {
	name, err := s.book.Upkeep.TakeBackup(http.MaxBytesReader(w, r.Body, maxBackup))
	if err != nil {
		var he huma.StatusError
		status, text := http.StatusInternalServerError, err.Error()
		if errors.As(problem(err), &he) {
			status, text = he.GetStatus(), he.Error()
		}
		w.Header().Set("Content-Type", "application/problem+json")
		w.WriteHeader(status)
		_, _ = w.Write(problemText(status, text))
		return
	}
	w.Header().Set("Content-Type", "application/json")
	_, _ = w.Write([]byte(`{"id":"` + name + `"}`))
}
