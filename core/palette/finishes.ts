import { deltaE } from '../colour/difference.ts'
import { chroma, showable, toneOf, type Tone } from '../colour/lab.ts'
import type { Role } from '../makeover/choices.ts'
import { groupBy, type Makeover } from '../makeover/document.ts'
import { paletteFinishes } from '../makeover/laid.ts'
import type { Row } from '../makeover/kinds.ts'
import type { Practice } from '../makeover/practice.ts'
import { nowhere, type Whereabouts } from '../makeover/whereabouts.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { FinishArea } from '../surfaces/index.ts'
import type { Room } from '../survey/index.ts'
import { balanceOf, colourAreas, seenAreas, type Balance, type SeenArea } from './balance.ts'
import { asSwatch, labOf, lrvOf } from './colour-of.ts'
import { clash, type Clash } from './compare.ts'
import { colouredPieces } from './coloured.ts'
import { standings, tellApart, type Apart, type Standing } from './contrast.ts'
import { readTold, toldByNames, type Told } from './told.ts'
import { spreadsOf, type Spread } from './places.ts'
import { nearTones } from './near.ts'
import { appearances, tieOfTones, tieTable, type PieceTies } from './ties.ts'
import { groupOf, undertone, type Undertone } from './undertone.ts'
import { varietyOf, type Variety } from './variety.ts'

export type FinishReckoning = {
  readonly id: string
  readonly name: string
  readonly role: Role
  readonly lrv: number
  readonly undertone: Undertone
  readonly showable: boolean
  readonly area: SeenArea
  /** Share of all that is seen, 0 to 1; ceilings count apart. A pattern's parts count with their own colours. */
  readonly share: number
  /** In how many things it appears. */
  readonly appears: number
}

export type PairClash = Clash & { readonly left: string; readonly right: string }

export type Palette = {
  readonly finishes: readonly FinishReckoning[]
  readonly clashes: readonly PairClash[]
  readonly balance: Balance
  /** How many finishes have an area that was measured or judged, of how many. */
  readonly judged: number
  readonly ties: readonly PieceTies[]
  /** How well the places are spread where each colour appears; the places themselves by `placesOf`. */
  readonly spreads: readonly Spread[]
  /** What stands before a wall, and how it reads. */
  readonly standings: readonly Standing[]
  /** Surfaces that people must tell apart. */
  readonly apart: readonly Apart[]
  readonly variety: readonly Variety[]
  /** Groups that are seen as one colour, woods, metals and greenery apart: of finishes, and of pieces that bring in one of their own. */
  readonly colours: readonly (readonly string[])[]
  /** Those of them that are no near-neutrals. */
  readonly strong: readonly (readonly string[])[]
  /** What the pieces' names tell of them. */
  readonly told: ReadonlyMap<string, Told>
}

/** The palette: each finish read by itself, each pair of one family whose undertones part, and how the room holds together. */
export function reckonPalette(
  makeover: Makeover,
  { rules, schools }: Practice,
  known: ReadonlyMap<string, FinishArea>,
  rooms: readonly Room[] = [],
  names: string = toldByNames(makeover),
  stands: Whereabouts = nowhere,
): Palette {
  const told = readTold(names)
  const rows = paletteFinishes(makeover)
  const areas = seenAreas(makeover, known, rules, stands)
  const colourArea = colourAreas(makeover, areas)
  const area = [...colourArea.values()].reduce((total, value) => total + value, 0)
  const ties = tieTable(makeover, rules)
  const places = appearances(makeover, ties, rules)
  const finishes = rows.map((row) => ({
    id: row.id,
    name: row.name,
    role: row.role,
    lrv: lrvOf(row),
    undertone: undertone(row.family, labOf(row), rules),
    showable: showable(labOf(row)),
    area: areas.get(row.id) ?? nothing,
    share: area === 0 ? 0 : (colourArea.get(row.id) ?? 0) / area,
    appears: places.get(row.id)?.length ?? 0,
  }))
  const roomOf = new Map(rooms.map((room) => [room.id, room]))
  const colours = colourGroups(rows, rules)
  const brought = colouredPieces(makeover, ties, rows, told, rules)
  return {
    finishes,
    clashes: clashesAmong(rows, rules, schools.scheme === 'home'),
    balance: balanceOf(finishes, areas, rules),
    judged: rows.filter((row) => areas.get(row.id)?.basis !== 'typical').length,
    ties: ties.map(({ pieceId, tied, clashes }) => ({ pieceId, tied, clashes })),
    spreads: spreadsOf(makeover, rows, places, { rooms: roomOf, stands }, rules),
    standings: standings(makeover, ties, rules, told, stands),
    apart: tellApart(makeover, rules),
    variety: varietyOf(makeover, areas, rules),
    colours: [...colours, ...brought],
    strong: [
      ...colours.filter((group) =>
        group.some(
          (id) =>
            !isNaturalFibre(makeover.rows.finish[id]) &&
            chroma(labOf(makeover.rows.finish[id] ?? { labL: 0, labA: 0, labB: 0 })) >= rules['colour.near-neutral'],
        ),
      ),
      ...brought,
    ],
    told,
  }
}
/** Undyed jute, sisal, rattan and their like are materials rather than colours, as wood is. */
const isNaturalFibre = (row: Row<'finish'> | undefined): boolean =>
  row !== undefined &&
  (row.family === 'cane' ||
    ((row.family === 'textile' || row.family === 'plush') &&
      /\b(jute|sisal|rattan|seagrass|coir|wicker|raffia|hemp|abaca)\b/i.test(`${row.name} ${row.usedFor}`)))
const nothing: SeenArea = { m2: 0, basis: 'typical', how: '' }

// only finishes of one room and one family can clash, so only those are held against each other
function clashesAmong(rows: readonly Row<'finish'>[], rules: Rules, wholeHome: boolean): PairClash[] {
  const families = groupBy(rows, (row) => {
    const group = groupOf(row.family, labOf(row), rules)
    return group === null ? row.id : `${wholeHome ? '' : row.roomId} ${group}`
  })
  const pairs = [...families.values()].flatMap((family) =>
    family.flatMap((finish, at) => family.slice(at + 1).map((otherFinish) => [finish, otherFinish] as const)),
  )
  return pairs.flatMap(([left, right]) => {
    const strict = onOneFitting(left, right)
      ? { ...rules, 'clash.metal': Math.min(rules['clash.metal'], rules['metals.one-fitting']) }
      : rules
    const found = clash(asSwatch(left), asSwatch(right), strict)
    return found ? [{ ...found, left: left.id, right: right.id }] : []
  })
}

const fittings = /\b(basin|sink|bath|shower|tap|bidet|hob|cooker|lamp|pendant|handle)s?\b/gi
/** Two metals on one thing: carried by one piece, or used for the same fitting. */
function onOneFitting(left: Row<'finish'>, right: Row<'finish'>): boolean {
  if (left.family !== 'metal' || right.family !== 'metal') return false
  if (left.pieceId !== null && left.pieceId === right.pieceId) return true
  const words = ({ usedFor }: Row<'finish'>): string[] => (usedFor.toLowerCase().match(fittings) ?? []).map(String)
  return words(left).some((word) => words(right).includes(word))
}

const ownRules = new Set(['wood', 'metal', 'greenery'])
/**
 * Finishes that are one colour to the eye, or one hue at several depths; materials with rules of their own are left out.
 * What is linked by others is one colour too, so that the groups do not depend on the order of entry.
 */
function colourGroups(rows: readonly Row<'finish'>[], rules: Rules): string[][] {
  const shown = rows.filter((row) => !ownRules.has(row.family)).map((row) => ({ row, tone: toneOf(labOf(row)) }))
  const groupAt = shown.map((_, at) => at)
  const root = (at: number): number => {
    const above = groupAt[at] ?? at
    return above === at ? at : root(above)
  }
  const near = nearTones(shown, rules)
  const neutrals = shown.filter(({ tone }) => tone.C < rules['colour.near-neutral'])
  const order = new Map(shown.map((toned, at) => [toned, at]))
  for (const [at, left] of shown.entries())
    for (const right of [...near(left.tone), ...(neutrals.includes(left) ? neutrals : [])]) {
      const earlier = order.get(right) ?? at
      const [mine, theirs] = [root(at), root(earlier)]
      if (earlier < at && mine !== theirs && isOneColour(left, right, rules))
        groupAt[Math.max(mine, theirs)] = Math.min(mine, theirs)
    }
  return [...groupBy(shown.keys(), root).values()].map((group) => group.flatMap((at) => shown[at]?.row.id ?? []))
}

type Toned = { readonly row: Row<'finish'>; readonly tone: Tone }
const isOneColour = (left: Toned, right: Toned, rules: Rules): boolean =>
  tieOfTones(left.tone, right.tone, rules) !== null ||
  (left.tone.C < rules['colour.near-neutral'] &&
    right.tone.C < rules['colour.near-neutral'] &&
    deltaE(left.tone, right.tone) <= 2 * rules['colour.at-a-glance'] &&
    clash(asSwatch(left.row), asSwatch(right.row), rules) === null)
