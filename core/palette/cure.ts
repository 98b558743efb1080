/** What to change least to cure a clash or a balance; what is kept, sentimental or bought stays as it is. */
import { isInHand } from '../makeover/choices.ts'
import { deltaE } from '../colour/difference.ts'
import { chroma, hue, labFromLch, type Lab } from '../colour/lab.ts'
import { edit, type Operation } from '../makeover/change.ts'
import { type Role } from '../makeover/choices.ts'
import { type Makeover, rowsOf } from '../makeover/document.ts'
import { paletteFinishes } from '../makeover/laid.ts'
import type { Row } from '../makeover/kinds.ts'
import type { Practice } from '../makeover/practice.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { asSwatch, labOf } from './colour-of.ts'
import { clash } from './compare.ts'
import type { Palette } from './finishes.ts'
import { library } from './library.ts'
import { groupOf } from './undertone.ts'

export type Cure = {
  /** What to do, as one says it. */
  readonly title: string
  readonly detail: string
  readonly finishIds: readonly string[]
  /** How much it changes: ΔE00 of a colour, or points of the area. */
  readonly moves: number
  readonly operations: readonly Operation[]
}

/** Why a finish stays as it is; null where it may be changed. */
export function staysBecause(makeover: Makeover, finish: Row<'finish'>): string | null {
  if (finish.fate === 'keep') return 'it is there and is kept'
  if (finish.fate === 'camouflage') return 'it is there, and only camouflaged'
  const piece = finish.pieceId === null ? undefined : makeover.rows.piece[finish.pieceId]
  const chosen = piece?.chosenId == null ? undefined : makeover.rows.candidate[piece.chosenId]
  if (chosen?.keepReason === 'sentimental') return 'it is sentimental'
  if (chosen && (chosen.keepReason !== null || isInHand(chosen.source))) return 'its piece is in hand already'
  if (piece && rowsOf(makeover, 'purchase').some((row) => row.pieceId === piece.id)) return 'its piece is ordered'
  return null
}

/**
 * Ways to cure a clash, the least change first: one of the two moved towards the other's undertone at the same depth,
 * just so far that they agree without another clash; or the nearest finish of the library that agrees with all.
 */
export function clashCures(
  makeover: Makeover,
  pair: { readonly left: string; readonly right: string },
  { rules, schools }: Practice,
): Cure[] {
  const [left, right] = [makeover.rows.finish[pair.left], makeover.rows.finish[pair.right]]
  if (!left || !right) return []
  const cures = [
    [left, right],
    [right, left],
  ].flatMap(([moved, towards]) => {
    if (!moved || !towards || staysBecause(makeover, moved) !== null) return []
    const others = paletteFinishes(makeover).filter(
      (row) => row.id !== moved.id && (schools.scheme === 'home' || row.roomId === moved.roomId),
    )
    const agrees = (lab: Lab, family = moved.family): boolean =>
      others.every(
        (row) =>
          clash({ family, lab }, asSwatch(row), rules) === null ||
          (row.id !== towards.id && clash(asSwatch(moved), asSwatch(row), rules) !== null),
      )
    const because = staysBecause(makeover, towards)
    const stays = `${towards.name} stays as it is${because === null ? '' : `: ${because}`}.`
    return [
      ...(asFound.has(moved.family) ? [] : bent(moved, towards, agrees, rules)),
      ...fromShelf(moved, agrees, rules),
    ].map((cure) => ({ ...cure, detail: `${cure.detail} ${stays}` }))
  })
  return cures.sort((a, b) => a.moves - b.moves)
}
/** What comes in no colour of one's own: it is chosen anew, or it stays. */
const asFound = new Set(['ceramic', 'stone', 'glass'])

const steps = 200
/** The same depth and strength, its undertone moved towards the other's. */
function bent(moved: Row<'finish'>, towards: Row<'finish'>, agrees: (lab: Lab) => boolean, rules: Rules): Cure[] {
  const [start, to] = [labOf(moved), labOf(towards)]
  const neutral = groupOf(moved.family, start, rules) === 'neutrals'
  const turn = ((hue(to) - hue(start) + 540) % 360) - 180
  const at = (share: number): Lab =>
    neutral
      ? { L: start.L, a: start.a + (to.a - start.a) * share, b: start.b + (to.b - start.b) * share }
      : labFromLch(start.L, chroma(start), hue(start) + turn * share)
  for (let step = 1; step <= steps; step++) {
    const lab = rounded(at(step / steps))
    if (!agrees(lab)) continue
    const moves = deltaE(start, lab)
    return [
      {
        title: `${moved.name}: ${neutral ? 'its cast' : 'its hue'} towards ${towards.name}`,
        detail: `The same depth, ${neutral ? `a* ${lab.a.toFixed(1)}, b* ${lab.b.toFixed(1)}` : `from ${Math.round(hue(start))}° to ${Math.round(hue(lab))}°`}; ΔE ${moves.toFixed(1)} from what it is.`,
        finishIds: [moved.id],
        moves,
        operations: [edit('finish', moved, { labL: lab.L, labA: lab.a, labB: lab.b, colourSource: 'lab' })],
      },
    ]
  }
  return []
}
const rounded = ({ L, a, b }: Lab): Lab => ({ L: round2(L), a: round2(a), b: round2(b) })
const round2 = (value: number): number => Math.round(value * 100) / 100

/** The nearest finish of the library of the same make that agrees with all the others. */
function fromShelf(moved: Row<'finish'>, agrees: (lab: Lab) => boolean, rules: Rules): Cure[] {
  const lab = labOf(moved)
  const found = library
    .filter((libraryFinish) => libraryFinish.family === moved.family && agrees(libraryFinish.lab))
    .map((libraryFinish) => ({ libraryFinish, moves: deltaE(lab, libraryFinish.lab) }))
    .sort((a, b) => a.moves - b.moves)[0]
  if (!found || found.moves < rules['colour.unseen']) return []
  const { libraryFinish: thisLibraryFinish, moves } = found
  return [
    {
      title: `${moved.name}: take “${thisLibraryFinish.name}” from the library`,
      detail: `The nearest ${moved.family} that agrees with all; ΔE ${moves.toFixed(1)} from what it is.`,
      finishIds: [moved.id],
      moves,
      operations: [
        edit('finish', moved, {
          name: thisLibraryFinish.name,
          labL: round2(thisLibraryFinish.lab.L),
          labA: round2(thisLibraryFinish.lab.a),
          labB: round2(thisLibraryFinish.lab.b),
          colourSource: 'library',
          texture: thisLibraryFinish.texture,
          sheen: thisLibraryFinish.sheen,
          suits: thisLibraryFinish.suits,
        }),
      ],
    },
  ]
}

const recoloured = new Set(['paint', 'textile', 'plush', 'paper', 'leather', 'ceramic'])
const mostBalanceCures = 4

/**
 * Ways to bring the shares of the roles to what the school wants: one finish, or two, taken in the leading colour of a
 * role that is short. First those that cure it, by how little of the room changes; then those that bring it nearest.
 */
export function balanceCures(makeover: Makeover, palette: Palette, { rules }: Practice): Cure[] {
  const before = palette.balance.roles.reduce((sum, role) => sum + role.off, 0)
  if (before === 0) return []
  const rows = paletteFinishes(makeover)
  const share = new Map(palette.finishes.map((finish) => [finish.id, 100 * finish.share]))
  const leaders = new Map<Role, Row<'finish'>>()
  for (const row of rows) {
    const lead = leaders.get(row.role)
    if (recoloured.has(row.family) && (!lead || (share.get(row.id) ?? 0) > (share.get(lead.id) ?? 0)))
      leaders.set(row.role, row)
  }
  type Move = { readonly row: Row<'finish'>; readonly to: Row<'finish'>; readonly points: number }
  const moves = rows.flatMap((row): Move[] => {
    const points = share.get(row.id) ?? 0
    if (
      points === 0 ||
      row.surface === 'ceiling' ||
      row.pattern !== 'plain' ||
      !recoloured.has(row.family) ||
      staysBecause(makeover, row) !== null
    )
      return []
    // in its new colour it must not clash with anything in the room
    const agrees = (lab: Lab): boolean =>
      rows.every(
        (finish) =>
          finish.id === row.id ||
          finish.roomId !== row.roomId ||
          clash({ family: row.family, lab }, asSwatch(finish), rules) === null,
      )
    return [...leaders]
      .filter(
        ([role, lead]) => role !== row.role && lead.id !== row.id && lead.roomId === row.roomId && agrees(labOf(lead)),
      )
      .map(([, to]) => ({ row, to, points }))
  })
  const offAfter = (made: readonly Move[]): number =>
    palette.balance.roles.reduce((sum, { role, share: own, target }) => {
      const after =
        own +
        made.reduce(
          (by, move) => by + (move.to.role === role ? move.points : 0) - (move.row.role === role ? move.points : 0),
          0,
        )
      return sum + Math.max(0, Math.abs(after - target) - rules[`balance.grace-${role}`])
    }, 0)
  const singles = moves.map((move) => [move])
  const pairs = moves.flatMap((move, at) =>
    moves
      .slice(at + 1)
      .filter(
        (otherMove) =>
          otherMove.row.id !== move.row.id && otherMove.to.id !== move.row.id && move.to.id !== otherMove.row.id,
      )
      .map((otherMove) => [move, otherMove]),
  )
  return [...singles, ...pairs]
    .map((made) => ({ made, off: offAfter(made), points: made.reduce((sum, move) => sum + move.points, 0) }))
    .filter(({ off }) => off < before - 0.05)
    .sort(
      (left, right) =>
        Math.round(left.off * 10) - Math.round(right.off * 10) ||
        left.made.length - right.made.length ||
        left.points - right.points,
    )
    .slice(0, mostBalanceCures)
    .map(({ made, off, points }) => ({
      title: made.map(({ row, to }) => `${row.name} in the colour of ${to.name}`).join(', and '),
      detail: `${points.toFixed(0)} points of the room change; ${off < 0.05 ? 'the shares are then as the school wants them' : `the shares are then ${off.toFixed(0)} points off, ${before.toFixed(0)} before`}.`,
      finishIds: made.map(({ row }) => row.id),
      moves: points,
      operations: made.map(({ row, to }) =>
        edit('finish', row, {
          role: to.role,
          labL: to.labL,
          labA: to.labA,
          labB: to.labB,
          colourSource: to.colourSource,
        }),
      ),
    }))
}
