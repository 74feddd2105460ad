package web

import (
	"encoding/json"
	"errors"
	"fmt"
	"io/fs"
	"mime"
	"net/http"
	"net/url"
	"path"
	"strings"

	"github.com/labstack/echo/v5"
)

// playersFiles are the files of a player's page, as the build has written them down, for a
// Link header that has begun; none where it has not.
func playersFiles(assets fs.FS) string {
	var page struct{ Files, Styles []string }
	if assets == nil {
		return ""
	}
	data, err := fs.ReadFile(assets, "_app/quiz.json")
	if err != nil || json.Unmarshal(data, &page) != nil {
		return ""
	}
	var out strings.Builder
	for _, f := range page.Files {
		fmt.Fprintf(&out, ", </%s>; rel=modulepreload", f)
	}
	for _, f := range page.Styles {
		fmt.Fprintf(&out, ", </%s>; rel=preload; as=style", f)
	}
	return out.String()
}

// static serves a built file, or the application's page for every address
// inside it. Files under immutable/ carry their content's hash in the name.
func (s *Server) static(c *echo.Context) error {
	name := strings.TrimPrefix(path.Clean("/"+c.Request().URL.Path), "/")
	if strings.HasPrefix(name, "api/") || s.assets == nil {
		return echo.ErrNotFound
	}
	info, err := fs.Stat(s.assets, name)
	if name == "" || errors.Is(err, fs.ErrNotExist) || (err == nil && info.IsDir()) {
		if path.Ext(name) != "" {
			return echo.ErrNotFound
		}
		name = "index.html"
	}
	if key, old := strings.CutPrefix(c.Request().URL.Path, "/eyes/"); old && url.PathEscape(key) == key {
		return c.Redirect(http.StatusPermanentRedirect, "/quiz/"+key) // links that players were given before
	}
	cache := "no-cache"
	if strings.Contains(name, "/immutable/") {
		cache = "public, max-age=31536000, immutable"
	}
	c.Response().Header().Set("Cache-Control", cache)
	if key, ok := strings.CutPrefix(c.Request().URL.Path, "/quiz/"); ok && name == "index.html" &&
		url.PathEscape(key) == key {
		// A phone on a slow network fetches its questions, and the page's own files, while
		// it fetches what every page takes.
		c.Response().Header().Set("Link", fmt.Sprintf("</api/quiz/%s?size=%d>; rel=preload; as=fetch; crossorigin%s",
			key, firstPack, s.quizFiles))
	}
	return s.packed(c, name)
}

// packings are the forms in which the build has packed its files, the smallest first, by the end of their names.
var packings = []struct{ encoding, ending string }{{"br", ".br"}, {"gzip", ".gz"}}

// packed serves a built file in the smallest form that the browser takes.
func (s *Server) packed(c *echo.Context, name string) error {
	h := c.Response().Header()
	for _, p := range packings {
		if _, err := fs.Stat(s.assets, name+p.ending); err != nil {
			continue
		}
		h.Add("Vary", "Accept-Encoding")
		if !takes(c.Request().Header.Get("Accept-Encoding"), p.encoding) {
			continue
		}
		h.Set("Content-Encoding", p.encoding)
		h.Set("Content-Type", mime.TypeByExtension(path.Ext(name)))
		return c.FileFS(name+p.ending, s.assets)
	}
	return c.FileFS(name, s.assets)
}

// takes tells whether an Accept-Encoding header names an encoding and does not forbid it (RFC 9110, 12.5.3).
func takes(header, encoding string) bool {
	for part := range strings.SplitSeq(header, ",") {
		name, weight, _ := strings.Cut(part, ";")
		if strings.EqualFold(strings.TrimSpace(name), encoding) {
			return strings.TrimSpace(weight) != "q=0"
		}
	}
	return false
}

// ready tells what is not to be packed on its way: a stream, which must not wait for enough to pack, and the built
// files, which are packed already.
func ready(c *echo.Context) bool {
	p := c.Request().URL.Path
	stream := strings.HasSuffix(p, "/live") || strings.HasSuffix(p, "/feed")
	return stream || !strings.HasPrefix(p, "/api/") && !strings.HasPrefix(p, "/calendar/")
}
