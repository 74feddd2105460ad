package web

import (
	"context"
	"errors"
	"fmt"
	"io"
	"net/http"
	"time"

	"github.com/labstack/echo/v5"

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
			return nil, invalid(fmt.Sprintf("Reps are kept for %d months at least, or a season tells nothing. The old setting was kept.", leastMonths))
		}
		in.KeepMonths = &months
	}
	if err := s.db.SetKeepMonths(ctx, in); err != nil {
		return nil, err
	}
	if months > 0 {
		if err := s.db.ForgetBefore(ctx, s.policy, program, s.now().AddDate(0, -int(months), 0)); err != nil {
			return nil, err
		}
	}
	return api.SetKeeping200JSONResponse{KeepMonths: int(months)}, nil
}

// ExportArchive writes the caller's program as one document while it is read.
func (s *Server) ExportArchive(ctx context.Context, _ api.ExportArchiveRequestObject) (api.ExportArchiveResponseObject, error) {
	program, now := caller(ctx).ProgramID, s.now()
	out, in := io.Pipe()
	go func() { in.CloseWithError(archive.Write(ctx, s.db, program, now, in)) }()
	name := fmt.Sprintf(`attachment; filename="archive-%s.json"`, now.Format(time.DateOnly))
	return api.ExportArchive200ApplicationoctetStreamResponse{Body: out, Headers: api.ExportArchive200ResponseHeaders{ContentDisposition: &name}}, nil
}

// ImportArchive adds what an archive holds to the caller's program.
func (s *Server) ImportArchive(ctx context.Context, r api.ImportArchiveRequestObject) (api.ImportArchiveResponseObject, error) {
	got, err := archive.Read(ctx, s.db, s.policy, caller(ctx).ProgramID, r.Body)
	var p archive.Problem
	if errors.As(err, &p) {
		return nil, invalid(p.Error())
	}
	return api.ImportArchive200JSONResponse{Players: got.Players, Practices: got.Practices, Games: got.Games, Events: got.Events}, err
}

// archivePath takes bodies and time of any size: seasons of reps on a slow line.
const archivePath = "/api/program/archive"

// unhurried lifts the limits of time from archives.
func unhurried(next echo.HandlerFunc) echo.HandlerFunc {
	return func(c *echo.Context) error {
		if c.Request().URL.Path == archivePath {
			if err := http.NewResponseController(c.Response()).SetReadDeadline(time.Time{}); err != nil && !errors.Is(err, http.ErrNotSupported) {
				return err
			}
		}
		return next(c)
	}
}
