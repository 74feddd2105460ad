package web

import (
	"bufio"
	"context"
	"errors"
	"fmt"
	"io"
	"net/http"
	"os"
	"slices"
	"time"

	"evrik/core/refusal"
	"evrik/internal/archive"
	"evrik/internal/store/gen"
	"evrik/internal/web/api"
)

// GetKeeping tells for how long single reps are kept.
func (s *Server) GetKeeping(ctx context.Context, _ api.GetKeepingRequestObject) (api.GetKeepingResponseObject, error) {
	p, err := s.db.Program(ctx, caller(ctx).ProgramID)
	out := api.GetKeeping200JSONResponse{}
	if p.KeepMonths != nil {
		out.KeepMonths = int(*p.KeepMonths)
	}
	return out, err
}

// leastMonths is the shortest time for which reps are kept: less than a season tells
// nothing (assumption).
const leastMonths = 6

// SetKeeping changes for how long single reps are kept, and drops what is older at once.
func (s *Server) SetKeeping(ctx context.Context, r api.SetKeepingRequestObject) (api.SetKeepingResponseObject, error) {
	program, months := caller(ctx).ProgramID, int32(r.Body.KeepMonths)
	in := gen.SetKeepMonthsParams{ProgramID: program}
	if months > 0 {
		if months < leastMonths {
			return nil, invalid("program.keep-months", leastMonths)
		}
		in.KeepMonths = &months
	}
	if err := s.db.SetKeepMonths(ctx, in); err != nil {
		return nil, err
	}
	if months > 0 {
		if err := s.db.ForgetBefore(ctx, program, s.now().AddDate(0, -int(months), 0)); err != nil {
			return nil, err
		}
	}
	return api.SetKeeping200JSONResponse{KeepMonths: int(months)}, nil
}

// ExportArchive writes the caller's program as one document while it is read.
func (s *Server) ExportArchive(ctx context.Context, _ api.ExportArchiveRequestObject) (api.ExportArchiveResponseObject,
	error) {
	program, now := caller(ctx).ProgramID, s.now()
	out, in := io.Pipe()
	go func() { in.CloseWithError(archive.Write(ctx, s.db, program, now, in)) }()
	name := fmt.Sprintf(`attachment; filename="archive-%s.json"`, now.Format(time.DateOnly))
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
	me := caller(ctx)
	got, err := archive.Read(ctx, s.db, me.ProgramID, me.Name, s.now(), bufio.NewReader(file))
	if refusal.CodeOf(err) != "" {
		return nil, invalidBy(err, "")
	}
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
	program := caller(ctx).ProgramID
	rows, err := s.db.ImportsOfProgram(ctx, program)
	if err != nil {
		return nil, err
	}
	teams, err := s.db.TeamsOfProgram(ctx, program)
	out := api.ListImports200JSONResponse{}
	for _, r := range rows {
		in := api.Imported{Id: r.ID, At: r.At, Who: r.Who, Teams: []string{}, Players: int(r.Players),
			Practices: int(r.Practices), Games: int(r.Games), Events: int(r.Events)}
		for _, t := range teams {
			if slices.Contains(r.Teams, t.ID) {
				in.Teams = append(in.Teams, t.Name)
			}
		}
		out = append(out, in)
	}
	return out, err
}

// UndoImport removes what an archive has added.
func (s *Server) UndoImport(ctx context.Context, r api.UndoImportRequestObject) (api.UndoImportResponseObject, error) {
	there, err := archive.Undo(ctx, s.db, caller(ctx).ProgramID, r.ImportId)
	if err == nil && !there {
		err = missing("program.import-gone")
	}
	return api.UndoImport204Response{}, err
}

// archivePath takes bodies of any size: seasons of reps on a slow line.
const archivePath = "/api/program/archive"
