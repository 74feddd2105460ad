package web

import (
	"bufio"
	"context"
	"errors"
	"fmt"
	"io"
	"net/http"
	"os"
	"time"

	"evrik/internal/app"
	"evrik/internal/web/api"
)

// GetKeeping tells for how long single reps are kept.
func (s *Server) GetKeeping(ctx context.Context, _ api.GetKeepingRequestObject) (api.GetKeepingResponseObject, error) {
	p, err := s.programs.Of(ctx, caller(ctx).ProgramID)
	return api.GetKeeping200JSONResponse{KeepMonths: int(app.Value(p.KeepMonths))}, err
}

// SetKeeping changes for how long single reps are kept, and drops what is older at once.
func (s *Server) SetKeeping(ctx context.Context, r api.SetKeepingRequestObject) (api.SetKeepingResponseObject, error) {
	err := s.programs.Keep(ctx, caller(ctx).ProgramID, r.Body.KeepMonths)
	return api.SetKeeping200JSONResponse{KeepMonths: r.Body.KeepMonths}, err
}

// ExportArchive writes the caller's program as one document while it is read.
func (s *Server) ExportArchive(ctx context.Context, _ api.ExportArchiveRequestObject) (api.ExportArchiveResponseObject,
	error) {
	program := caller(ctx).ProgramID
	out, in := io.Pipe()
	go func() { in.CloseWithError(s.programs.Export(ctx, program, in)) }()
	name := fmt.Sprintf(`attachment; filename="archive-%s.json"`, s.now().Format(time.DateOnly))
	return api.ExportArchive200ApplicationoctetStreamResponse{Body: patient{out, controllerOf(ctx)},
		Headers: api.ExportArchive200ResponseHeaders{ContentDisposition: &name}}, nil
}

// Reading archives (assumptions).
const (
	importsAtOnce = 2
	// maxArchive is the largest archive in bytes: ten seasons of reps are some hundred MB.
	maxArchive = 4 << 30
	// chunkPatience is how long a part of an upload or a download may take; a line that is slower
	// than that has stalled.
	chunkPatience = 20 * time.Second
	chunk         = 256 << 10 // bytes
)

// ImportArchive adds what an archive holds to the caller's program. The whole of it is on the disk
// before the database is touched.
func (s *Server) ImportArchive(ctx context.Context, r api.ImportArchiveRequestObject) (api.ImportArchiveResponseObject,
	error) {
	select {
	case s.imports <- struct{}{}:
		defer func() { <-s.imports }()
	default:
		return nil, refused(http.StatusTooManyRequests, "program.archives-busy")
	}
	file, err := spool(ctx, r.Body)
	if err != nil {
		return nil, err
	}
	defer os.Remove(file.Name())
	defer file.Close()
	// The answer may take as long as the reading does.
	if c := controllerOf(ctx); c != nil {
		if err := c.SetWriteDeadline(time.Time{}); err != nil {
			return nil, err
		}
	}
	got, err := s.programs.Import(ctx, caller(ctx), bufio.NewReader(file))
	return api.ImportArchive200JSONResponse{Id: got.ID, Players: got.Players, Practices: got.Practices,
		Games: got.Games, Events: got.Events}, err
}

// spool copies an upload to a file. Every part of it has to come in time.
func spool(ctx context.Context, from io.Reader) (*os.File, error) {
	file, err := os.CreateTemp("", "evrik-upload-")
	if err != nil {
		return nil, err
	}
	fail := func(err error) (*os.File, error) {
		file.Close()
		os.Remove(file.Name())
		return nil, err
	}
	for total := int64(0); ; {
		if c := controllerOf(ctx); c != nil {
			if err := c.SetReadDeadline(time.Now().Add(chunkPatience)); err != nil {
				return fail(err)
			}
		}
		n, err := io.CopyN(file, from, chunk)
		total += n
		switch {
		case total > maxArchive:
			return fail(refused(http.StatusRequestEntityTooLarge, "program.archive-too-large"))
		case errors.Is(err, io.EOF):
			_, err = file.Seek(0, io.SeekStart)
			return file, err
		case errors.Is(err, os.ErrDeadlineExceeded):
			return fail(refused(http.StatusRequestTimeout, "program.archive-stopped"))
		case err != nil:
			return fail(refused(http.StatusBadRequest, "program.archive-cut"))
		}
	}
}

// patient gives every part of a long answer its own time.
type patient struct {
	io.Reader
	connection *http.ResponseController
}

func (p patient) Read(b []byte) (int, error) {
	if p.connection != nil {
		if err := p.connection.SetWriteDeadline(time.Now().Add(chunkPatience)); err != nil {
			return 0, err
		}
	}
	return p.Reader.Read(b)
}

// ListImports lists archives that were imported and not undone, newest first.
func (s *Server) ListImports(ctx context.Context, _ api.ListImportsRequestObject) (api.ListImportsResponseObject,
	error) {
	rows, err := s.programs.Imports(ctx, caller(ctx).ProgramID)
	out := api.ListImports200JSONResponse{}
	for _, r := range rows {
		out = append(out, api.Imported{Id: r.ID, At: r.At, Who: r.Who, Teams: r.Names, Players: int(r.Players),
			Practices: int(r.Practices), Games: int(r.Games), Events: int(r.Events)})
	}
	return out, err
}

// UndoImport removes what an archive has added.
func (s *Server) UndoImport(ctx context.Context, r api.UndoImportRequestObject) (api.UndoImportResponseObject, error) {
	return api.UndoImport204Response{}, s.programs.UndoImport(ctx, caller(ctx).ProgramID, r.ImportId)
}

// archivePath takes bodies of any size: seasons of reps on a slow line.
const archivePath = "/api/program/archive"
