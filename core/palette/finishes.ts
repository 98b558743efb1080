import { deltaE } from '../colour/difference.ts'
import { chroma, lrv, showable, type Lab } from '../colour/lab.ts'
import { roles, type Role } from '../makeover/choices.ts'
import { groupBy, type Makeover, paletteFinishes, rowsOf } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import type { Practice } from '../rulebook/practice.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { FinishArea } from '../survey/index.ts'
import { clash, type Clash } from './compare.ts'
import { appearances, tieOf, tieTable, wallContrasts, type Appearance, type PieceColours, type WallContrast } from './ties.ts'
import { groupOf, undertone, type Undertone } from './undertone.ts'

export const labOf = (finish: Pick<Row<'finish'>, 'labL' | 'labA' | 'labB'>): Lab => ({ L: finish.labL, a: finish.labA, b: finish.labB })

export type FinishReckoning = {
  readonly id: string
  readonly name: string
  readonly role: Role
  readonly lrv: number
  readonly undertone: Undertone
  readonly showable: boolean
  /** Share of the area that has been judged, 0 to 1; null while this finish has no area. A pattern's parts count with their own colours. */
  readonly share: number | null
  readonly appears: readonly Appearance[]
}

export type PairClash = Clash & { readonly one: string; readonly other: string }

export type Palette = {
  readonly finishes: readonly FinishReckoning[]
  readonly clashes: readonly PairClash[]
  /** Share of the judged area by role, 0 to 1; ceilings count apart. */
  readonly shares: Readonly<Record<Role, number>>
  /** How many finishes have an area, of how many. */
  readonly judged: number
  readonly ties: readonly PieceColours[]
  readonly walls: readonly WallContrast[]
  /** Groups of finishes that are seen as one colour, woods, metals and greenery apart. */
  readonly colours: readonly (readonly string[])[]
  /** Those of them that are no near-neutrals. */
  readonly strong: readonly (readonly string[])[]
}

/** The palette: each finish read by itself, each pair of one family whose undertones part, and how the pieces hold to it. */
export function reckonPalette(makeover: Makeover, { rules, schools }: Practice, known: ReadonlyMap<string, FinishArea>): Palette {
  const rows = paletteFinishes(makeover)
  const areas = visibleAreas(makeover, known)
  const area = [...areas.values()].reduce((total, one) => total + one, 0)
  const ties = tieTable(makeover, rules)
  const places = appearances(makeover, ties, rules)
  const finishes = rows.map((row) => ({
    id: row.id,
    name: row.name,
    role: row.role,
    lrv: lrv(labOf(row)),
    undertone: undertone(row.family, labOf(row), rules),
    showable: showable(labOf(row)),
    share: (!known.has(row.id) && !areas.get(row.id)) || area === 0 ? null : (areas.get(row.id) ?? 0) / area,
    appears: places.get(row.id) ?? [],
  }))
  const share = (role: Role): number => finishes.reduce((total, one) => total + (one.role === role ? (one.share ?? 0) : 0), 0)
  const shares = Object.fromEntries(roles.map((role) => [role, share(role)])) as Record<Role, number>
  const colours = colourGroups(rows, rules)
  const strong = colours.filter((group) => group.some((id) => chroma(labOf(makeover.rows.finish[id] ?? { labL: 0, labA: 0, labB: 0 })) >= rules['colour.near-neutral']))
  return { finishes, clashes: clashesAmong(rows, rules, schools.scheme === 'home'), shares, judged: rows.filter((row) => known.has(row.id)).length, ties, walls: wallContrasts(makeover, ties, rules), colours, strong }
}

/** Visible area of each colour in m²: a pattern gives its parts their share and keeps the rest; ceilings are left out. */
function visibleAreas(makeover: Makeover, known: ReadonlyMap<string, FinishArea>): Map<string, number> {
  const parts = groupBy(rowsOf(makeover, 'patternPart'), (row) => row.finishId)
  const areas = new Map<string, number>()
  const add = (id: string, area: number): void => void areas.set(id, (areas.get(id) ?? 0) + area)
  for (const row of paletteFinishes(makeover)) {
    const own = known.get(row.id)?.m2
    if (own === undefined || row.surface === 'ceiling') continue
    const given = parts.get(row.id) ?? []
    for (const part of given) add(part.partId, (own * part.sharePpm) / 1_000_000)
    add(row.id, own * Math.max(0, 1 - given.reduce((total, part) => total + part.sharePpm, 0) / 1_000_000))
  }
  return areas
}

// only finishes of one room and one family can clash, so only those are held against each other
function clashesAmong(rows: readonly Row<'finish'>[], rules: Rules, wholeHome: boolean): PairClash[] {
  const families = groupBy(rows, (row) => {
    const group = groupOf(row.family, labOf(row), rules)
    return group === null ? row.id : `${wholeHome ? '' : row.roomId} ${group}`
  })
  const pairs = [...families.values()].flatMap((family) => family.flatMap((one, at) => family.slice(at + 1).map((other) => [one, other] as const)))
  return pairs.flatMap(([one, other]) => {
    const found = clash({ family: one.family, lab: labOf(one) }, { family: other.family, lab: labOf(other) }, rules)
    return found ? [{ ...found, one: one.id, other: other.id }] : []
  })
}

const ownRules = new Set(['wood', 'metal', 'greenery'])
/** Finishes that are one colour to the eye, or one hue at several depths; materials with rules of their own are left out. */
function colourGroups(rows: readonly Row<'finish'>[], rules: Rules): string[][] {
  const groups: Row<'finish'>[][] = []
  for (const row of rows) {
    if (ownRules.has(row.family)) continue
    const near = chroma(labOf(row)) < rules['colour.near-neutral']
    const home = groups.find((group) =>
      group.some((one) => tieOf(labOf(one), labOf(row), rules) !== null || (near && chroma(labOf(one)) < rules['colour.near-neutral'] && deltaE(labOf(one), labOf(row)) <= 2 * rules['colour.at-a-glance'] && clash(asSwatch(one), asSwatch(row), rules) === null)),
    )
    if (home) home.push(row)
    else groups.push([row])
  }
  return groups.map((group) => group.map((row) => row.id))
}
const asSwatch = (row: Row<'finish'>) => ({ family: row.family, lab: labOf(row) })
