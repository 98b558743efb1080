/** Text that nobody can read: cut off by its box, lying on other text, or beyond the edge of the page. */
import type { Page } from '@playwright/test'

/** Each fault in words; none where all of the page can be read. Runs in the page. */
export const unreadable = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const said = (text: string): string => `“${text.trim().replace(/\s+/g, ' ').slice(0, 40)}”`
    const faults: string[] = []
    window.scrollTo(0, 0)
    // what is out of sight is laid out only when it comes into sight: here all of it is
    const whole = new CSSStyleSheet()
    whole.replaceSync('* { content-visibility: visible !important }')
    document.adoptedStyleSheets = [...document.adoptedStyleSheets, whole]
    /** Text of a drawing that runs aslant: its box says little of where its letters are. */
    const aslant = (element: Element): boolean => {
      const turn = element instanceof SVGGraphicsElement ? element.getScreenCTM() : null
      return (
        turn !== null &&
        Math.min(Math.abs(turn.a), Math.abs(turn.b)) > 0.05 * Math.max(Math.abs(turn.a), Math.abs(turn.b))
      )
    }
    type Piece = { text: string; element: Element; box: DOMRect }
    const pieces: Piece[] = []
    const floats = (element: Element): boolean => {
      for (let at: Element | null = element; at; at = at.parentElement)
        if (/fixed|sticky/.test(getComputedStyle(at).position)) return true
      return false
    }
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    while (walker.nextNode()) {
      const node = walker.currentNode
      const element = node.parentElement
      const text = node.textContent ?? ''
      if (
        !element ||
        text.trim() === '' ||
        element.closest('.visually-hidden, script, style, option, [inert], datalist')
      )
        continue
      if (aslant(element) || !element.checkVisibility({ visibilityProperty: true, opacityProperty: true })) continue
      const range = document.createRange()
      range.selectNodeContents(node)
      for (const box of range.getClientRects()) {
        if (box.width < 1 || box.height < 1) continue
        // the line of a drawn text is taller than its letters
        const spare = element instanceof SVGElement ? 2 : 0
        let seen = new DOMRect(box.x + spare, box.y + spare, box.width - 2 * spare, box.height - 2 * spare)
        for (let at: Element | null = element; at && at !== document.body; at = at.parentElement) {
          const style = getComputedStyle(at)
          if (style.position === 'fixed') break
          if (!/hidden|clip|auto|scroll/.test(`${style.overflowX} ${style.overflowY}`)) continue
          const frame = at.getBoundingClientRect()
          const scrolls = /auto|scroll/.test(style.overflowX) || /auto|scroll/.test(style.overflowY)
          const cut =
            seen.left < frame.left - 1.5 ||
            seen.right > frame.right + 1.5 ||
            seen.top < frame.top - 3 ||
            seen.bottom > frame.bottom + 3
          if (cut && !scrolls && style.textOverflow !== 'ellipsis') faults.push(`cut off: ${said(text)}`)
          const left = Math.max(seen.left, frame.left)
          const top = Math.max(seen.top, frame.top)
          seen = new DOMRect(
            left,
            top,
            Math.max(0, Math.min(seen.right, frame.right) - left),
            Math.max(0, Math.min(seen.bottom, frame.bottom) - top),
          )
        }
        if (seen.width < 1 || seen.height < 1 || floats(element)) continue
        if (seen.right > document.documentElement.clientWidth + 1) faults.push(`beyond the edge: ${said(text)}`)
        pieces.push({ text, element, box: seen })
      }
    }
    pieces.sort((left, right) => left.box.top - right.box.top)
    for (const [at, piece] of pieces.entries())
      for (let next = at + 1; next < pieces.length; next++) {
        const under = pieces[next]
        // a line may stand a little into the next: letters rarely do
        if (!under || under.box.top > piece.box.bottom - 4) break
        const across = Math.min(piece.box.right, under.box.right) - Math.max(piece.box.left, under.box.left)
        const down = Math.min(piece.box.bottom, under.box.bottom) - under.box.top
        if (across > 2 && down > 4 && piece.element !== under.element)
          faults.push(`${said(piece.text)} lies on ${said(under.text)}`)
      }
    return [...new Set(faults)]
  })
