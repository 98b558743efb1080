/**
 * The hooks of a work at full size on paper: a strip from above its top edge to below its hooks, in pages that are taped together and then
 * to the wall. All in mm; along the wall to the right, above the floor upwards.
 */
import { marksOf, type HookMark } from './drill-list.ts'
import type { Hung } from './works.ts'

export type TemplatePage = {
  /** From 1, in the order of reading. */
  readonly number: number
  readonly last: number
  /** What of the wall it shows. */
  readonly left: number
  readonly right: number
  readonly low: number
  readonly top: number
  readonly hooks: readonly HookMark[]
  /** Whether a page is taped to its right, and one below it. */
  readonly goesOn: { readonly right: boolean; readonly below: boolean }
}
/** Round the hooks, and what two pages share. */
const aboutMm = 40
const overlapMm = 10

/** `paper`: what of a page can be printed on. No page where it has no hook. */
export function templateOf(work: Hung, paper: { readonly width: number; readonly height: number }): TemplatePage[] {
  const hooks = marksOf(work)
  if (hooks.length === 0) return []
  const left = Math.min(...hooks.map(({ along }) => along)) - aboutMm
  const right = Math.max(...hooks.map(({ along }) => along)) + aboutMm
  const top = work.top + aboutMm / 2
  const low = Math.min(...hooks.map(({ height }) => height)) - aboutMm
  const many = (long: number, page: number): number => Math.max(1, Math.ceil((long - overlapMm) / (page - overlapMm)))
  const [columns, rows] = [many(right - left, paper.width), many(top - low, paper.height)]
  return Array.from({ length: columns * rows }, (_, at): TemplatePage => {
    const [row, column] = [Math.floor(at / columns), at % columns]
    const x = left + column * (paper.width - overlapMm)
    const y = top - row * (paper.height - overlapMm)
    const box = { left: x, right: x + paper.width, low: y - paper.height, top: y }
    return {
      number: at + 1,
      last: columns * rows,
      ...box,
      hooks: hooks.filter(
        ({ along, height }) => along >= box.left && along <= box.right && height >= box.low && height <= box.top,
      ),
      goesOn: { right: column < columns - 1, below: row < rows - 1 },
    }
  })
}
