/** Every hook and strip with its distance from the floor and from a corner or a door edge. Lengths in mm. */
import type { Wall } from '../../survey/index.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import type { Hung } from './works.ts'

export type HookMark = {
  readonly workId: string
  readonly name: string
  readonly method: string
  readonly drills: boolean
  /** Along the wall from its first corner, and above the floor. */
  readonly along: number
  readonly height: number
  /** The corner or the edge it is measured from, and how far. */
  readonly from: { readonly name: string; readonly mm: number }
}

const drilled: ReadonlySet<string> = new Set(['nail', 'screw', 'anchor', 'not said'])
export const drills = ({ thing: { fixing } }: Hung): boolean => drilled.has(fixing?.method ?? 'not said')

/** Hook height = centre + half the height − the drop of the wire; several hooks are spread evenly about the middle. */
export function marksOf(work: Hung): HookMark[] {
  const { fixing, widthMm } = work.thing
  if (fixing?.method === 'leans' || fixing?.method === 'rail') return []
  const hooks = fixing?.hooks ?? 1
  const spread = hooks > 1 ? (fixing?.spreadMm ?? widthMm * usualSpread) : 0
  return Array.from({ length: hooks }, (_, at): HookMark => {
    const along = work.along + (hooks > 1 ? (at / (hooks - 1) - 0.5) * spread : 0)
    return {
      workId: work.id,
      name: work.name,
      method: fixing?.method ?? 'not said',
      drills: drills(work),
      along,
      height: work.top - (fixing?.dropMm ?? 0),
      from: measuredFromEdge(work.wall, along),
    }
  })
}
/** Two hooks stand so far apart where nobody measured, of the width; common practice. */
const usualSpread = 0.5

/** The nearest corner of the wall, or edge of a door or a window beside it. */
function measuredFromEdge(wall: Wall, along: number): HookMark['from'] {
  const edges = [
    { name: 'the left corner', at: 0 },
    { name: 'the right corner', at: wall.lengthMm },
    ...wall.openings.flatMap(({ name, u0, u1 }) => [
      { name: `the left edge of ${name}`, at: u0 },
      { name: `the right edge of ${name}`, at: u1 },
    ]),
  ]
  const [nearest] = edges
    .map(({ name, at }) => ({ name, mm: Math.abs(at - along), at }))
    .toSorted((left, right) => left.mm - right.mm)
  return nearest ? { name: nearest.name, mm: nearest.mm } : { name: 'the left corner', mm: along }
}

/**
 * What a mark is too near to: cables run up, down and beside from sockets and switches, to the next of them or so far, and pipes are where
 * they were noted. Local rules first.
 */
export function runsUnder(wall: Wall, { along, height }: HookMark, rules: Rules): string | null {
  const half = rules['hang.cable']
  const points = wall.fixtures.filter(({ row }) => ['socket', 'switch', 'light point'].includes(row.what))
  for (const { name, u0, u1, z0, z1 } of points) {
    const [x, z] = [(u0 + u1) / 2, (z0 + z1) / 2]
    if (Math.abs(along - x) <= half) return name
    if (Math.abs(height - z) <= half && Math.abs(along - x) <= rules['hang.cable-beside']) return name
  }
  for (const { row, name, u0, u1, z0, z1 } of wall.fixtures)
    if (row.what === 'pipe' && along >= u0 - half && along <= u1 + half && height >= z0 - half && height <= z1 + half)
      return name
  return null
}
