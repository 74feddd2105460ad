package browser

import (
	"errors"
	"fmt"

	"github.com/chromedp/cdproto/dom"
	"github.com/chromedp/cdproto/input"
	"github.com/chromedp/cdproto/runtime"
	"github.com/chromedp/chromedp"
)

// Click clicks the first thing of a role with this name, once it stands still
// and nothing lies over it: a hand would wait for that too.
func (p *Page) Click(role, name string) {
	var x, y float64
	p.wait(fmt.Sprintf("%s %q to lie open", role, name), func() bool {
		x, y = p.Middle(role, name)
		return Eval[bool](p,
			fmt.Sprintf(
				"(() => { const e = document.elementFromPoint(%f, %f); return Boolean(e) && "+
					"getComputedStyle(e).pointerEvents !== 'none' && (!e.closest('.notice') || "+
					"e.closest('button')?.innerText === %q); })()", x, y, name))
	})
	if err := chromedp.Do(p.ctx, chromedp.MouseClickXY(x, y)); err != nil {
		p.Fatal(err)
	}
}

// middle scrolls a node into view and returns its middle, if it can be hit there.
func (p *Page) middle(n Node) (x, y float64, ok bool) {
	if _, err := chromedp.Call(p.ctx, dom.ScrollIntoViewIfNeeded,
		dom.ScrollIntoViewIfNeededParams{BackendNodeID: n.id}); err != nil {
		return 0, 0, false
	}
	res, err := chromedp.Call(p.ctx, dom.GetContentQuads, dom.GetContentQuadsParams{BackendNodeID: n.id})
	if err != nil || len(res.Quads) == 0 || len(res.Quads[0]) != 8 {
		return 0, 0, false
	}
	q := res.Quads[0]
	return (q[0] + q[2] + q[4] + q[6]) / 4, (q[1] + q[3] + q[5] + q[7]) / 4, true
}

// Middle is where a thing stands still on the page, in CSS pixels: at the same
// place in two looks.
func (p *Page) Middle(role, name string) (x, y float64) {
	var at *Node
	seen := false
	p.wait(fmt.Sprintf("%s %q to stand still", role, name), func() bool {
		if at == nil {
			list, err := p.find(role, name)
			if err != nil || len(list) == 0 {
				return false
			}
			at = &list[0]
		}
		nx, ny, ok := p.middle(*at)
		if !ok { // it has gone since, or was drawn anew
			at, seen = nil, false
			return false
		}
		still := seen && nx == x && ny == y
		x, y, seen = nx, ny, true
		return still
	})
	return x, y
}

// Fill replaces the text of a field.
func (p *Page) Fill(name, value string) { p.FillRole("textbox", name, value) }

// FillRole replaces the text of a field of another role, such as spinbutton.
func (p *Page) FillRole(role, name, value string) {
	n := p.See(role, name)
	obj, err := chromedp.Call(p.ctx, dom.ResolveNode, dom.ResolveNodeParams{BackendNodeID: n.id})
	if err != nil {
		p.Fatal(err)
	}
	p.callOn(obj.Object.ObjectID, "function(){ this.focus(); this.select && this.select(); }")
	if _, err := chromedp.Call(p.ctx, input.InsertText, input.InsertTextParams{Text: value}); err != nil {
		p.Fatal(err)
	}
	p.callOn(obj.Object.ObjectID, "function(){ this.dispatchEvent(new Event('change', {bubbles: true})); }")
}

// Choose picks an option of a list by its visible text.
func (p *Page) Choose(name, option string) {
	n := p.See("combobox", name)
	obj, err := chromedp.Call(p.ctx, dom.ResolveNode, dom.ResolveNodeParams{BackendNodeID: n.id})
	if err != nil {
		p.Fatal(err)
	}
	p.callOn(obj.Object.ObjectID, fmt.Sprintf(`function(){
		const o = [...this.options].find((o) => o.text.trim() === %q);
		if (!o) throw new Error('no such option: ' + [...this.options].map((o) => o.text).join(', '));
		this.value = o.value; this.dispatchEvent(new Event('change', {bubbles: true})); }`, option))
}

func (p *Page) callOn(id runtime.RemoteObjectID, function string) {
	res, err := chromedp.Call(p.ctx, runtime.CallFunctionOn,
		runtime.CallFunctionOnParams{ObjectID: id, FunctionDeclaration: function})
	if err == nil && res.ExceptionDetails != nil {
		err = errors.New(res.ExceptionDetails.Exception.Description)
	}
	if err != nil {
		p.Fatal(err)
	}
}

// Focus puts the keyboard on a thing.
func (p *Page) Focus(role, name string) {
	n := p.See(role, name)
	if _, err := chromedp.Call(p.ctx, dom.Focus, dom.FocusParams{BackendNodeID: n.id}); err != nil {
		p.Fatal(err)
	}
}

// Press sends keys to whatever has the keyboard.
func (p *Page) Press(keys string, opts ...chromedp.KeyOption) { p.do(chromedp.KeyEvent(keys, opts...)) }

// Mouse sends one mouse event with the left button.
func (p *Page) Mouse(kind input.DispatchMouseEventType, x, y float64) {
	p.do(chromedp.MouseEvent(kind, x, y, chromedp.ButtonLeft, chromedp.ClickCount(1)))
}

// Upload chooses a file for the page's file field.
func (p *Page) Upload(file string) {
	root, err := chromedp.Call(p.ctx, dom.GetDocument, dom.GetDocumentParams{})
	if err != nil {
		p.Fatal(err)
	}
	field, err := chromedp.Call(p.ctx, dom.QuerySelector,
		dom.QuerySelectorParams{NodeID: root.Root.NodeID, Selector: "input[type=file]"})
	if err == nil {
		_, err = chromedp.Call(p.ctx, dom.SetFileInputFiles,
			dom.SetFileInputFilesParams{NodeID: field.NodeID, Files: []string{file}})
	}
	if err != nil {
		p.Fatal(err)
	}
}
