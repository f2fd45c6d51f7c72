package cli

import (
	"context"
	"errors"
	"flag"
	"fmt"
	"io"
	"net"
	"net/http"
	"os/signal"
	"path/filepath"
	"syscall"
	"time"

	"zestythicket/app"
	"zestythicket/demo"
	"zestythicket/evidence"
	"zestythicket/httpapi"
	"zestythicket/people"
	"zestythicket/store"
	"zestythicket/web"
)

func serve(args []string, stdout, stderr io.Writer) error {
	fs := flag.NewFlagSet("serve", flag.ContinueOnError)
	path := fs.String("db", "data/zesty-thicket.db", "the database")
	port := fs.Int("port", 7878, "the port on 127.0.0.1; 0 takes a free one")
	demo := fs.Bool("demo", false, "fill an empty database with demo finds")
	dir := fs.String("guide", "", "directory of a guide")
	overlay := fs.String("overlay", "", "directory of your own entries; by default the folder guide next to the database")
	if rest, err := parse(fs, args, stderr); err != nil || len(rest) > 0 {
		return errUsage
	}
	if *overlay == "" {
		*overlay = filepath.Join(filepath.Dir(*path), "guide")
	}
	e, problems, err := newEngine(*dir, *overlay, stderr)
	if err != nil {
		return err
	}
	s, err := store.Open(*path)
	if err != nil {
		return explain(err)
	}
	defer func() { _ = s.Close() }()
	book := app.New(s, e)
	book.Overlay = app.Overlay{Dir: *overlay, Problems: problems}
	if err := firstPerson(book, *demo); err != nil {
		return explain(err)
	}
	l, err := net.Listen("tcp", fmt.Sprintf("127.0.0.1:%d", *port))
	if err != nil {
		return fmt.Errorf("the port %d is taken; choose another with --port: %w", *port, err)
	}
	srv := &http.Server{Handler: httpapi.New(book, web.FS()), ReadHeaderTimeout: 5 * time.Second, IdleTimeout: 2 * time.Minute}
	ctx, stop := signal.NotifyContext(context.Background(), syscall.SIGINT, syscall.SIGTERM)
	defer stop()
	fmt.Fprintf(stdout, "Zesty Thicket is at http://%s\n", l.Addr())
	checked := make(chan struct{})
	go func() {
		defer close(checked)
		found := book.Upkeep.Check(50)
		book.Upkeep.KeepCheck(found)
		book.Finds.JudgeAnew()
		if !found.Whole {
			fmt.Fprintln(stderr, "Not all of the database can be read; everything else works. Make a backup, and open the page of your data.")
			for _, line := range found.Report() {
				fmt.Fprintln(stderr, " ", line)
			}
		}
	}()
	defer func() { <-checked }()
	done := make(chan error, 1)
	go func() { done <- srv.Serve(l) }()
	select {
	case err = <-done:
	case <-ctx.Done():
		late, cancel := context.WithTimeout(context.Background(), 3*time.Second)
		defer cancel()
		err = srv.Shutdown(late)
	}
	if errors.Is(err, http.ErrServerClosed) {
		return nil
	}
	return err
}

// firstPerson makes sure that somebody is known: finds belong to people.
func firstPerson(book *app.App, asDemo bool) error {
	if asDemo {
		return demo.Fill(book)
	}
	known, err := book.Store.People()
	if err != nil || len(known) > 0 {
		return err
	}
	return book.People.SavePerson("me", "Me", &people.Profile{Facts: []string{}, Answered: []string{}, SignOffs: []people.SignOff{}}, 0)
}

// explain puts a store error's hint in front of its cause.
func explain(err error) error {
	var e *store.Error
	if errors.As(err, &e) && e.Hint != "" {
		return fmt.Errorf("%s %s (%w)", e.Path, e.Hint, err)
	}
	return err
}

func openapi(args []string, stdout, _ io.Writer) error {
	if len(args) > 0 {
		return errUsage
	}
	doc, err := httpapi.OpenAPI()
	if err != nil {
		return err
	}
	_, err = fmt.Fprintf(stdout, "%s\n", doc)
	return err
}

func version(_ []string, stdout, _ io.Writer) error {
	e, _, err := newEngine("", "", io.Discard)
	if err != nil {
		return err
	}
	b := e.Index().Book
	_, err = fmt.Fprintf(stdout, "zesty-thicket %s\nguide %s (%d taxa), defaults %+v\n", stamp(), b.Version, len(b.Taxa), evidence.StandardDefaults())
	return err
}
