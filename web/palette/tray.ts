import { hierarchy, treemap, treemapSquarify } from 'd3'
import { roles, type Role } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'

export type Place = { readonly finish: Row<'finish'>; readonly left: number; readonly top: number; readonly width: number; readonly height: number; readonly smallest: boolean }
export type Column = { readonly role: Role; readonly left: number; readonly width: number; readonly share: number }

/** No finish is drawn smaller than this share of the tray, or it could not be seen. */
const leastShare = 0.035
const leastColumn = 0.13

/**
 * The tray: each finish as large as it is in the room, grouped by role across the width. Places are fractions of the
 * tray. Finishes with no area, or one too small to see, get the smallest size and are marked so.
 */
export function layTray(finishes: readonly Row<'finish'>[], aspect: number): { places: Place[]; columns: Column[] } {
  const total = finishes.reduce((sum, finish) => sum + (finish.visibleM2 ?? 0), 0)
  const share = (finish: Row<'finish'>): number => (total === 0 ? 1 / finishes.length : (finish.visibleM2 ?? 0) / total)
  const shown = (finish: Row<'finish'>): number => Math.max(leastShare, share(finish))
  const groups = roles.map((role) => ({ role, members: finishes.filter((finish) => finish.role === role) })).filter(({ members }) => members.length > 0)
  const widths = groups.map(({ members }) => Math.max(leastColumn, members.reduce((sum, finish) => sum + shown(finish), 0)))
  const whole = widths.reduce((sum, width) => sum + width, 0)
  let left = 0
  const columns: Column[] = []
  const places: Place[] = []
  for (const [at, { role, members }] of groups.entries()) {
    const width = (widths[at] ?? 0) / whole
    columns.push({ role, left, width, share: members.reduce((sum, finish) => sum + (total === 0 ? 0 : share(finish)), 0) })
    const root = hierarchy<{ finish?: Row<'finish'>; children?: { finish: Row<'finish'> }[] }>({ children: members.map((finish) => ({ finish })) })
      .sum((node) => (node.finish ? shown(node.finish) : 0))
      .sort((one, other) => (other.value ?? 0) - (one.value ?? 0))
    for (const leaf of treemap<{ finish?: Row<'finish'> }>().tile(treemapSquarify.ratio(1.2)).size([width * aspect, 1])(root).leaves()) {
      const { finish } = leaf.data
      if (finish) places.push({ finish, left: left + leaf.x0 / aspect, top: leaf.y0, width: (leaf.x1 - leaf.x0) / aspect, height: leaf.y1 - leaf.y0, smallest: share(finish) < leastShare && total > 0 })
    }
    left += width
  }
  return { places, columns }
}
