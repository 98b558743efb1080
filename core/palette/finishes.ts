import { lrv, showable, type Lab } from '../colour/lab.ts'
import { groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import { roles, type Role, type Row } from '../makeover/kinds.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { clash, type Clash } from './compare.ts'
import { groupOf, undertone, type Undertone } from './undertone.ts'

export const labOf = (finish: Pick<Row<'finish'>, 'labL' | 'labA' | 'labB'>): Lab => ({ L: finish.labL, a: finish.labA, b: finish.labB })

export type FinishReckoning = {
  readonly id: string
  readonly name: string
  readonly role: Role
  readonly lrv: number
  readonly undertone: Undertone
  readonly showable: boolean
  /** Share of the area that has been judged, 0 to 1; null while this finish has no area. */
  readonly share: number | null
}

export type PairClash = Clash & { readonly one: string; readonly other: string }

export type Palette = {
  readonly finishes: readonly FinishReckoning[]
  readonly clashes: readonly PairClash[]
  /** Share of the judged area by role, 0 to 1. */
  readonly shares: Readonly<Record<Role, number>>
}

/** The palette: each finish read by itself, and each pair of one family whose undertones part. */
export function reckonPalette(makeover: Makeover, rules: Rules): Palette {
  const rows = rowsOf(makeover, 'finish')
  const area = rows.reduce((total, row) => total + (row.visibleM2 ?? 0), 0)
  const finishes = rows.map((row) => ({
    id: row.id,
    name: row.name,
    role: row.role,
    lrv: lrv(labOf(row)),
    undertone: undertone(row.family, labOf(row), rules),
    showable: showable(labOf(row)),
    share: row.visibleM2 === null || area === 0 ? null : row.visibleM2 / area,
  }))
  // only finishes of one room and one family can clash, so only those are held against each other
  const families = groupBy(rows, (row) => {
    const group = groupOf(row.family, labOf(row), rules)
    return group === null ? row.id : `${row.roomId} ${group}`
  })
  const pairs = [...families.values()].flatMap((family) => family.flatMap((one, at) => family.slice(at + 1).map((other) => [one, other] as const)))
  const clashes = pairs.flatMap(([one, other]) => {
    const found = clash({ family: one.family, lab: labOf(one) }, { family: other.family, lab: labOf(other) }, rules)
    return found ? [{ ...found, one: one.id, other: other.id }] : []
  })
  const share = (role: Role): number => finishes.reduce((total, one) => total + (one.role === role ? (one.share ?? 0) : 0), 0)
  const shares = Object.fromEntries(roles.map((role) => [role, share(role)])) as Record<Role, number>
  return { finishes, clashes, shares }
}
