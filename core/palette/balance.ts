/** How much of the room each colour is: measured, judged by eye, or typical of an ordinary room, and always said which. */
import { roles, type Role, type Surface } from '../makeover/choices.ts'
import { groupBy, type Makeover, rowsOf } from '../makeover/document.ts'
import { paletteFinishes, type LaidFinish, liesOn } from '../makeover/laid.ts'
import type { Whereabouts } from '../makeover/whereabouts.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { FinishArea } from '../surfaces/index.ts'

/** A visible area in m². */
export type SeenArea = {
  readonly m2: number
  readonly basis: 'survey' | 'eye' | 'size' | 'typical'
  readonly how: string
}

/**
 * The area of every finish. Where neither tape nor eye said, a finish on a piece is as large as the silhouette of its
 * piece, W × H, and where it stands, as what of that is seen; any other is taken from an ordinary room, its surface shared by those that say no more.
 */
export function seenAreas(
  makeover: Makeover,
  known: ReadonlyMap<string, FinishArea>,
  rules: Rules,
  { pieces }: Whereabouts,
): Map<string, SeenArea> {
  const areas = new Map<string, SeenArea>()
  const open: LaidFinish[] = []
  for (const row of paletteFinishes(makeover)) {
    const found = known.get(row.id)
    const stands = row.pieceId === null ? undefined : pieces.get(row.pieceId)
    const size = found ? null : silhouette(makeover, row.pieceId)
    if (found) areas.set(row.id, found)
    else if (stands)
      areas.set(row.id, {
        m2: stands.m2 * stands.seen,
        basis: 'size',
        how: `as large as its piece is ${stands.flat ? 'as it lies' : 'from the front'}, ${Math.round(100 * stands.seen)} % of it seen where it stands`,
      })
    else if (size !== null)
      areas.set(row.id, { m2: size, basis: 'size', how: 'as large as its piece is from the front' })
    else open.push(row)
  }
  for (const group of groupBy(open, (row) => `${row.roomId} ${row.surface}`).values()) {
    const surface = group[0]?.surface ?? 'other'
    const shared = sharedSurfaces.has(surface) ? group.length : 1
    const taken = sharedSurfaces.has(surface)
      ? paletteFinishes(makeover).reduce(
          (sum, row) =>
            sum + (liesOn(row, surface) && row.roomId === group[0]?.roomId ? (areas.get(row.id)?.m2 ?? 0) : 0),
          0,
        )
      : 0
    const whole = typicalOf(surface, rules)
    for (const row of group)
      areas.set(row.id, {
        m2: Math.max(typicalOf('other', rules), whole - taken) / shared,
        basis: 'typical',
        how: `typical of an ordinary room: ${whole} m² of ${surface}`,
      })
  }
  return areas
}

/** Surfaces that finishes part among them; of the others each has its own. */
const sharedSurfaces: ReadonlySet<Surface> = new Set(['walls', 'ceiling', 'floor', 'trim', 'door', 'window'])

function typicalOf(surface: Surface, rules: Rules): number {
  if (surface === 'ceiling') return rules['typical.floor']
  return surface === 'walls' ||
    surface === 'floor' ||
    surface === 'trim' ||
    surface === 'door' ||
    surface === 'window' ||
    surface === 'piece'
    ? rules[`typical.${surface}`]
    : rules['typical.other']
}

/** W × H of a piece in m², as many as are wanted of it; null where its size is not known. */
function silhouette(makeover: Makeover, pieceId: string | null): number | null {
  const piece = pieceId === null ? undefined : makeover.rows.piece[pieceId]
  if (!piece) return null
  const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
  const [width, height] = [chosen?.widthMm ?? piece.widthMm, chosen?.heightMm ?? piece.heightMm]
  return width && height ? (width * height * Math.max(1, Math.round(piece.quantity))) / 1e6 : null
}

/** Visible area of each colour in m²: a pattern gives its parts their share and keeps the rest; ceilings are left out. */
export function colourAreas(makeover: Makeover, areas: ReadonlyMap<string, SeenArea>): Map<string, number> {
  const parts = groupBy(rowsOf(makeover, 'patternPart'), (row) => row.finishId)
  const seen = new Map<string, number>()
  const add = (id: string, area: number): void => void seen.set(id, (seen.get(id) ?? 0) + area)
  for (const row of paletteFinishes(makeover)) {
    const own = areas.get(row.id)?.m2
    if (own === undefined || row.surface === 'ceiling') continue
    const given = parts.get(row.id) ?? []
    for (const part of given) add(part.partId, (own * part.sharePpm) / 1_000_000)
    add(row.id, own * Math.max(0, 1 - given.reduce((total, part) => total + part.sharePpm, 0) / 1_000_000))
  }
  return seen
}

/** The share a role has of what is seen, against what the school wants of it; 0 to 100. */
export type RoleBalance = {
  readonly role: Role
  readonly share: number
  readonly target: number
  readonly grace: number
  readonly off: number
}
export type Balance = {
  readonly roles: readonly RoleBalance[]
  /** Does the chosen school hold shares against targets? */
  readonly held: boolean
  /** How much of the area rests on the tape, the eye, sizes and on what is typical, 0 to 1. */
  readonly rests: Readonly<Record<SeenArea['basis'], number>>
}

export function balanceOf(
  finishes: readonly { readonly id: string; readonly role: Role; readonly share: number | null }[],
  areas: ReadonlyMap<string, SeenArea>,
  rules: Rules,
): Balance {
  const shares = roles.map((role) => {
    const share = 100 * finishes.reduce((total, finish) => total + (finish.role === role ? (finish.share ?? 0) : 0), 0)
    const [target, grace] = [rules[`balance.${role}`], rules[`balance.grace-${role}`]]
    return { role, share, target, grace, off: Math.max(0, Math.abs(share - target) - grace) }
  })
  const total = [...areas.values()].reduce((sum, area) => sum + area.m2, 0)
  const shareFrom = (name: SeenArea['basis']): number =>
    total === 0 ? 0 : [...areas.values()].reduce((sum, area) => sum + (area.basis === name ? area.m2 : 0), 0) / total
  return {
    roles: shares,
    held: rules['balance.held'] !== 0,
    rests: {
      survey: shareFrom('survey'),
      eye: shareFrom('eye'),
      size: shareFrom('size'),
      typical: shareFrom('typical'),
    },
  }
}
