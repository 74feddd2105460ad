package browser

import (
	"os"
	"path/filepath"

	"github.com/chromedp/cdproto/emulation"
	"github.com/chromedp/cdproto/page"
	"github.com/chromedp/chromedp"
)

// Paper is a sheet's width and height in inches.
type Paper [2]float64

// The papers of the world.
var (
	A4     = Paper{8.27, 11.69}
	Letter = Paper{8.5, 11}
)

// PDF prints the page as a coach would.
func (p *Page) PDF(on Paper) []byte {
	res, err := chromedp.Call(p.ctx, page.PrintToPDF,
		page.PrintToPDFParams{PrintBackground: new(true), PreferCSSPageSize: new(true), PaperWidth: on[0],
			PaperHeight: on[1]})
	if err != nil {
		p.Fatal(err)
	}
	return res.Data
}

// Scheme asks the page for its light or dark colors.
func (p *Page) Scheme(name string) {
	if _, err := chromedp.Call(p.ctx, emulation.SetEmulatedMedia, emulation.SetEmulatedMediaParams{
		Features: []*emulation.MediaFeature{{Name: "prefers-color-scheme", Value: name}}}); err != nil {
		p.Fatal(err)
	}
}

// Settle waits until fonts are there and the page has been painted.
func (p *Page) Settle() {
	Eval[bool](p,
		"document.fonts.ready.then(() => new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(() => "+
			"r(true)))))")
}

// Shot writes a picture of the window.
func (p *Page) Shot(file string) {
	b, err := chromedp.Run(p.ctx, chromedp.CaptureScreenshot())
	if err == nil {
		err = os.MkdirAll(filepath.Dir(file), 0o755)
	}
	if err == nil {
		err = os.WriteFile(file, b, 0o644)
	}
	if err != nil {
		p.Fatal(err)
	}
}
