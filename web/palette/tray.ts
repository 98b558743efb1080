import { hierarchy, treemap, treemapSquarify } from 'd3'
import { edit, type Operation } from '#core/makeover/change.ts'
import { roles, type Role } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'

/** A finish with the area that is seen of it, in m². */
export type Laid = { readonly row: Row<'finish'>; readonly m2: number }
export type Place = {
  readonly finish: Row<'finish'>
  readonly left: number
  readonly top: number
  readonly width: number
  readonly height: number
  readonly smallest: boolean
  /** How many times its share of the tray it is drawn; 1 where it is true to scale. */
  readonly larger: number
}
export type Column = { readonly role: Role; readonly left: number; readonly width: number; readonly share: number }
export type Tray = {
  readonly places: readonly Place[]
  readonly columns: readonly Column[]
  /** The roles lie one below the other, on a narrow screen. */ readonly down: boolean
  /** Pixels of one side of a square metre, for a tray one pixel high. */ readonly perM: number
}

/** No finish is drawn smaller than this share of the tray, or it could not be seen. */
const leastShare = 0.035
const leastColumn = 0.13
/** Narrower than this, width by height, a tray is laid out downwards. */
const tallest = 0.95

/** The finishes of each role in their own order: by place, where two share one by area. */
export const inOrder = (finishes: readonly Laid[], role: Role): Laid[] =>
  finishes
    .filter(({ row }) => row.role === role)
    .toSorted(
      (left, right) => left.row.place - right.row.place || right.m2 - left.m2 || (left.row.id < right.row.id ? -1 : 1),
    )

/**
 * The tray: each finish as large as it is in the room, grouped by role across the width, in the order of their places.
 * On a tray that is taller than it is wide the roles lie one below the other. Places are fractions of the tray. Finishes
 * too small to see get the smallest size and are marked so.
 */
export function layTray(finishes: readonly Laid[], aspect: number): Tray {
  if (aspect < tallest) {
    const { places, columns, perM } = layTray(finishes, 1 / aspect)
    return {
      down: true,
      columns,
      places: places.map((place) => ({
        ...place,
        left: place.top,
        top: place.left,
        width: place.height,
        height: place.width,
      })),
      perM: perM * aspect,
    }
  }
  const total = finishes.reduce((sum, finish) => sum + finish.m2, 0)
  const share = (laid: Laid): number => (total === 0 ? 1 / finishes.length : laid.m2 / total)
  const shown = (laid: Laid): number => Math.max(leastShare, share(laid))
  const groups = roles
    .map((role) => ({ role, members: inOrder(finishes, role) }))
    .filter(({ members }) => members.length > 0)
  const widths = groups.map(({ members }) =>
    Math.max(
      leastColumn,
      members.reduce((sum, member) => sum + shown(member), 0),
    ),
  )
  const whole = widths.reduce((sum, width) => sum + width, 0)
  let left = 0
  const columns: Column[] = []
  const places: Place[] = []
  for (const [at, { role, members }] of groups.entries()) {
    const width = (widths[at] ?? 0) / whole
    columns.push({
      role,
      left,
      width,
      share: members.reduce((sum, member) => sum + (total === 0 ? 0 : share(member)), 0),
    })
    const root = hierarchy<{ laid?: Laid; children?: { laid: Laid }[] }>({
      children: members.map((member) => ({ laid: member })),
    }).sum((node) => (node.laid ? shown(node.laid) : 0))
    for (const leaf of treemap<{ laid?: Laid }>()
      .tile(treemapSquarify.ratio(1.2))
      .size([width * aspect, 1])(root)
      .leaves()) {
      const { laid } = leaf.data
      if (laid)
        places.push({
          finish: laid.row,
          left: left + leaf.x0 / aspect,
          top: leaf.y0,
          width: (leaf.x1 - leaf.x0) / aspect,
          height: leaf.y1 - leaf.y0,
          smallest: share(laid) < leastShare && total > 0,
          larger:
            share(laid) < leastShare && share(laid) > 0
              ? (((leaf.x1 - leaf.x0) / aspect) * (leaf.y1 - leaf.y0)) / share(laid)
              : 1,
        })
    }
    left += width
  }
  return { places, columns, down: false, perM: total === 0 ? 0 : Math.sqrt(aspect / total) }
}

/** Where a pointer at fractions (x, y) of the tray would put a finish: into which role, before which of its finishes. */
export function dropAt(tray: Tray, x: number, y: number): { role: Role; index: number } | null {
  const along = tray.down ? y : x
  const column =
    tray.columns.find((column) => along >= column.left && along < column.left + column.width) ??
    (along < 0 ? tray.columns[0] : tray.columns.at(-1))
  if (!column) return null
  const places = tray.places.filter(({ finish }) => finish.role === column.role)
  const over = places.findIndex(
    (place) => x >= place.left && x <= place.left + place.width && y >= place.top && y <= place.top + place.height,
  )
  const place = places[over]
  if (!place) return { role: column.role, index: places.length }
  const [across, down] = [(x - place.left) / place.width, (y - place.top) / place.height]
  return { role: column.role, index: over + ((place.width > place.height ? across : down) > 0.5 ? 1 : 0) }
}

/** The finishes as they would lie with one of them moved. */
export function moved(finishes: readonly Laid[], id: string, role: Role, index: number): Laid[] {
  const finish = finishes.find(({ row }) => row.id === id)
  if (!finish) return [...finishes]
  const others = finishes.filter(({ row }) => row.id !== id)
  const column = inOrder(others, role)
  column.splice(Math.min(index, column.length), 0, { ...finish, row: { ...finish.row, role } })
  return [
    ...others.filter(({ row }) => row.role !== role),
    ...column.map((laid, at) => ({ ...laid, row: { ...laid.row, place: at + 1 } })),
  ]
}

/** What a move changes: its own place between its neighbours; where they leave no room between them, all of its column. */
export function moveOperations(finishes: readonly Laid[], id: string, role: Role, index: number): Operation[] {
  const finish = finishes.find(({ row }) => row.id === id)
  if (!finish) return []
  const column = inOrder(
    finishes.filter(({ row }) => row.id !== id),
    role,
  )
  const at = Math.max(0, Math.min(index, column.length))
  const ordered = inOrder(finishes, finish.row.role)
  if (finish.row.role === role && ordered[at]?.row.id === id) return []
  const [before, after] = [column[at - 1]?.row.place, column[at]?.row.place]
  const place =
    before === undefined
      ? after === undefined
        ? 1
        : after / 2
      : after === undefined
        ? before + 1
        : (before + after) / 2
  const distinct =
    (before === undefined || place > before) && (after === undefined || place < after) && place <= 1_000_000
  if (distinct) return [edit('finish', finish.row, { role, place })]
  column.splice(at, 0, finish)
  return column.flatMap(({ row }, order) =>
    row.id === id
      ? [edit('finish', row, { role, place: order + 1 })]
      : row.place === order + 1
        ? []
        : [edit('finish', row, { place: order + 1 })],
  )
}
