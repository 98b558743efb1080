/**
 * Wallpaper hung strip by strip round a room: what each strip is cut to, how many rolls that takes in the order of hanging, and the
 * fewest it can take. Lengths in mm; along the walls from the first corner to the right, heights above the floor.
 */
import type { Rules } from '../rulebook/rulebook.ts'
import { fewestRolls, leastRolls, placeOf, type PieceKind } from './roll-patterns.ts'

export type Match = 'free' | 'straight' | 'half-drop' | 'offset'
export type Roll = {
  readonly widthMm: number
  readonly lengthMm: number
  /** How far the pattern goes until it repeats; 0 where there is none. */
  readonly repeatMm: number
  readonly match: Match
  /** By how much each strip steps down against the one on its left, where the match is offset. */
  readonly offsetMm?: number
}
export type PaperWall = {
  readonly name: string
  readonly lengthMm: number
  readonly heightMm: number
  readonly holes: readonly { readonly u0: number; readonly u1: number; readonly z0: number; readonly z1: number }[]
}
/** A piece as it is cut: the strip it belongs to, where it hangs, and where in the repeat it begins. */
export type CutPiece = {
  readonly strip: number
  readonly part: 'whole' | 'over' | 'under'
  /** Where the left edge of its strip is, also where the strip is cut to begin further on. */
  readonly edgeMm: number
  readonly fromMm: number
  readonly toMm: number
  readonly bottomMm: number
  readonly topMm: number
  /** With its trim. */
  readonly lengthMm: number
  readonly phaseMm: number
}
export type Paper = {
  readonly strips: number
  readonly pieces: readonly CutPiece[]
  /** Cut one after the other as they are hung. */
  readonly inOrder: { readonly rolls: number; readonly plan: readonly (readonly CutPiece[])[] }
  /** The fewest rolls, by what is cut from each; \`proven\` where no fewer can do. */
  readonly fewest: { readonly rolls: number; readonly plan: readonly (readonly CutPiece[])[]; readonly proven: boolean }
  /** To lay by, of the same batch. */
  readonly spare: number
  /** What hangs, over what is bought, as a share. */
  readonly used: number
}
export type PaperResult = { readonly ok: true; readonly paper: Paper } | { readonly ok: false; readonly error: string }

const stepOf = ({ match, repeatMm, offsetMm = 0 }: Roll): number =>
  match === 'half-drop' ? repeatMm / 2 : match === 'offset' ? offsetMm : 0

/**
 * Hangs a run of walls from its first corner to the right. `startMm` moves the first edge of a strip along the run; `starts`: where along
 * the walls a stretch begins that does not follow the one before, and so begins with a strip of its own.
 */
export function hang(
  walls: readonly PaperWall[],
  roll: Roll,
  rules: Rules,
  startMm = 0,
  starts: readonly number[] = [0],
): PaperResult {
  const wrong = faultOf(walls, roll, rules)
  if (wrong !== null) return { ok: false, error: wrong }
  const pieces = piecesOf(walls, roll, rules, startMm, starts)
  const repeatMm = roll.match === 'free' ? 0 : roll.repeatMm
  const stock = { lengthMm: roll.lengthMm, repeatMm }
  const inOrder = cutInOrder(pieces, stock)
  const fewest = fewestOf(pieces, stock, inOrder)
  const hung = pieces.reduce((sum, { fromMm, toMm, bottomMm, topMm }) => sum + (toMm - fromMm) * (topMm - bottomMm), 0)
  return {
    ok: true,
    paper: {
      strips: new Set(pieces.map(({ strip }) => strip)).size,
      pieces,
      inOrder: { rolls: inOrder.length, plan: inOrder },
      fewest,
      spare: fewest.rolls >= rules['paper.spare-from'] ? 1 : 0,
      used: fewest.rolls === 0 ? 0 : hung / (fewest.rolls * roll.widthMm * roll.lengthMm),
    },
  }
}

/** What cannot be hung, in words; null where all is well. */
function faultOf(walls: readonly PaperWall[], roll: Roll, rules: Rules): string | null {
  const { widthMm, lengthMm, repeatMm, match } = roll
  if (!(widthMm > 0) || !(lengthMm > 0)) return 'a roll has a width and a length above nothing'
  if (match !== 'free' && !(repeatMm > 0))
    return 'a paper that is matched has a repeat: expected how far its pattern goes'
  if (match !== 'free' && repeatMm > lengthMm)
    return 'its repeat is longer than the roll: expected one that comes at least once'
  const hole = walls.find((wall) => wall.holes.some(({ u0, u1 }) => u1 - u0 > wall.lengthMm + 1e-6))
  if (hole) return `an opening on ${hole.name} is larger than its wall`
  const tall = walls.find(({ heightMm }) => heightMm + rules['paper.trim'] > lengthMm)
  if (tall)
    return `a strip for ${tall.name} is longer than the roll: expected a roll of more than ${Math.ceil(tall.heightMm + rules['paper.trim'])} mm`
  const run = walls.reduce((sum, wall) => sum + wall.lengthMm, 0)
  if (run / widthMm > rules['paper.most-strips'])
    return `more than ${rules['paper.most-strips']} strips: look at the width of the roll`
  return null
}

/** Every strip of the run, whole, or in short pieces where it lies wholly within the width of an opening. */
function piecesOf(
  walls: readonly PaperWall[],
  roll: Roll,
  rules: Rules,
  startMm: number,
  starts: readonly number[],
): CutPiece[] {
  const [width, trim] = [roll.widthMm, rules['paper.trim']]
  const repeat = roll.match === 'free' ? 0 : roll.repeatMm
  const run = walls.reduce((sum, wall) => sum + wall.lengthMm, 0)
  const first = ((startMm % width) + width) % width
  const edges = starts.flatMap((begins, index) => {
    const [end, shift] = [starts[index + 1] ?? run, index === 0 ? first : 0]
    const count = Math.ceil((end - begins - shift) / width - 1e-9)
    return [
      ...(shift > 0 ? [{ edge: begins + shift - width, begins, end, step: -1 }] : []),
      ...Array.from({ length: count }, (_, at) => ({ edge: begins + shift + at * width, begins, end, step: at })),
    ]
  })
  // patterns are met at one height round the room: where a wall is lower, its strips begin so much further down the repeat
  const tallest = Math.max(...walls.map(({ heightMm }) => heightMm))
  const along = walls.map((wall, at) => ({
    wall,
    begins: walls.slice(0, at).reduce((sum, { lengthMm }) => sum + lengthMm, 0),
  }))
  return edges.flatMap(({ edge, begins, end: last, step }, strip) => {
    const [start, end] = [Math.max(begins, edge), Math.min(last, edge + width)]
    if (end - start < 1e-6) return []
    const met = along.filter(({ wall, begins }) => begins < end - 1e-6 && begins + wall.lengthMm > start + 1e-6)
    const height = Math.max(...met.map(({ wall }) => wall.heightMm))
    const phase = repeat === 0 ? 0 : (((step * stepOf(roll)) % repeat) + repeat) % repeat
    const piece = (part: CutPiece['part'], bottomMm: number, topMm: number, below: number): CutPiece => ({
      strip,
      part,
      edgeMm: edge,
      fromMm: start,
      toMm: end,
      bottomMm,
      topMm,
      lengthMm: topMm - bottomMm + trim,
      phaseMm: repeat === 0 ? 0 : (phase + below + tallest - height) % repeat,
    })
    const hole = met
      .flatMap(({ wall, begins }) =>
        wall.holes.map((hole) => ({ ...hole, u0: hole.u0 + begins, u1: hole.u1 + begins })),
      )
      .find(({ u0, u1 }) => u0 <= start + 1e-6 && u1 >= end - 1e-6)
    if (!hole) return [piece('whole', 0, height, 0)]
    return [
      ...(height - hole.z1 > 1e-6 ? [piece('over', hole.z1, height, 0)] : []),
      ...(hole.z0 > 1e-6 ? [piece('under', 0, hole.z0, height - hole.z0)] : []),
    ]
  })
}

/** One after the other from the roll in hand; a new one, whose first phase is taken for 0, where it does not reach. */
function cutInOrder(
  pieces: readonly CutPiece[],
  { lengthMm, repeatMm }: { readonly lengthMm: number; readonly repeatMm: number },
): CutPiece[][] {
  const rolls: CutPiece[][] = []
  let at = Infinity
  for (const piece of pieces) {
    const place = placeOf(at, piece.phaseMm, repeatMm)
    if (rolls.length > 0 && place + piece.lengthMm <= lengthMm + 1e-6) {
      rolls.at(-1)?.push(piece)
      at = place + piece.lengthMm
    } else {
      rolls.push([piece])
      at = placeOf(0, piece.phaseMm, repeatMm) + piece.lengthMm
    }
  }
  return rolls
}

function fewestOf(
  pieces: readonly CutPiece[],
  stock: { readonly lengthMm: number; readonly repeatMm: number },
  inOrder: readonly CutPiece[][],
): Paper['fewest'] {
  const groups = new Map<string, CutPiece[]>()
  for (const piece of pieces) {
    const key = `${piece.lengthMm.toFixed(3)} ${piece.phaseMm.toFixed(3)}`
    groups.set(key, [...(groups.get(key) ?? []), piece])
  }
  const kinds = [...groups.values()].map((same): PieceKind => ({
    lengthMm: same[0]?.lengthMm ?? 0,
    phaseMm: same[0]?.phaseMm ?? 0,
    wanted: same.length,
  }))
  const found = fewestRolls(kinds, stock)
  const sorted = found
    ? null
    : cutInOrder(
        pieces.toSorted((left, right) => right.lengthMm - left.lengthMm),
        stock,
      )
  if (!found || found.length > inOrder.length) {
    const plan = sorted && sorted.length < inOrder.length ? sorted : inOrder
    return { rolls: plan.length, plan, proven: plan.length === leastRolls(kinds, stock) }
  }
  const left = [...groups.values()].map((same) => [...same])
  return {
    rolls: found.length,
    plan: found.map(({ order }) => order.flatMap((at) => left[at]?.shift() ?? [])),
    proven: true,
  }
}
