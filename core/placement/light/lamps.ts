/** The lamps of a room where they stand and hang, with what each gives. Lengths in mm, light in lumens, colour in kelvin. */
import { rowsOf, type Makeover } from '../../makeover/document.ts'
import type { Row } from '../../makeover/kinds.ts'
import { thingOf } from '../../makeover/thing-names.ts'
import { pointOn } from '../../survey/index.ts'
import type { Body } from '../bodies.ts'
import type { Hung } from '../hung/works.ts'
import type { Spread } from './spread.ts'

export type Lamp = Spread & {
  /** Of the row that says where it stands or hangs. */
  readonly id: string
  readonly pieceId: string
  readonly name: string
  readonly x: number
  readonly y: number
  /** Of its light, above the floor. */
  readonly z: number
  readonly lumens: number
  /** Null where nobody read it. */
  readonly kelvin: number | null
  readonly dims: boolean
  /** The second figure of its IP mark: what water it bears. Null where nobody read it. */
  readonly water: number | null
  /** Of what gives the light: a panel is no point. */
  readonly wideMm: number
  readonly deepMm: number
  readonly turnDeg: number
  /** Wired in: it hangs from the ceiling or on a wall. */
  readonly isFixed: boolean
}

/** What a lamp gives, of the candidate that is chosen, else of the first that says so. */
export function lampRowsOf(makeover: Makeover): ReadonlyMap<string, Row<'lamp'>> {
  const found = new Map<string, Row<'lamp'>>()
  for (const row of rowsOf(makeover, 'lamp')) {
    const candidate = makeover.rows.candidate[row.candidateId]
    const piece = candidate && makeover.rows.piece[candidate.pieceId]
    if (!piece || (candidate.turnedDown !== null && piece.chosenId !== candidate.id)) continue
    if (piece.chosenId === candidate.id || !found.has(piece.id)) found.set(piece.id, row)
  }
  return found
}

/** Nothing stands on furniture so high: what begins there hangs from above, and is wired in. */
export const hangsFromMm = 1200
/** Where the light is of a lamp nobody measured: in its shade, near its top; hanging, in its middle. Common practice. */
const shadeShare = 0.85

export type Lit = { readonly lamps: readonly Lamp[]; readonly unknown: readonly { id: string; name: string }[] }
/** The lamps among what stands and hangs, and those of which nobody read what they give. */
export function lampsIn(makeover: Makeover, bodies: readonly Body[], works: readonly Hung[]): Lit {
  const rows = lampRowsOf(makeover)
  const lamps: Lamp[] = []
  const unknown: { id: string; name: string }[] = []
  const take = (id: string, name: string, piece: Row<'piece'>, at: (row: Row<'lamp'>) => Place): void => {
    const row = rows.get(piece.id)
    if (row) lamps.push({ id, pieceId: piece.id, name, ...given(row), ...at(row) })
    else if (thingOf(piece) === 'light' && !/\b(candle|candlestick)/i.test(name)) unknown.push({ id, name })
  }
  for (const body of bodies)
    if (body.thing)
      take(body.id, body.name, body.thing.piece, ({ sourceMm }) => {
        const { heightMm, widthMm, depthMm } = body.thing ?? { heightMm: 0, widthMm: 0, depthMm: 0 }
        const isOver = body.low >= hangsFromMm
        return {
          x: body.at.xMm,
          y: body.at.yMm,
          z: body.low + (sourceMm ?? heightMm * (isOver ? 0.5 : shadeShare)),
          wideMm: widthMm,
          deepMm: depthMm,
          turnDeg: body.at.turnDeg,
          isFixed: isOver,
        }
      })
  for (const work of works)
    take(work.id, work.name, work.thing.piece, ({ sourceMm }) => {
      const { x, y } = pointOn(work.wall, work.along, Math.max(20, work.thing.depthMm / 2))
      const z = sourceMm === null ? work.centre : work.low + sourceMm
      return { x, y, z, wideMm: 0, deepMm: 0, turnDeg: 0, isFixed: true }
    })
  return { lamps, unknown }
}
type Place = Pick<Lamp, 'x' | 'y' | 'z' | 'wideMm' | 'deepMm' | 'turnDeg' | 'isFixed'>
const given = (row: Row<'lamp'>) => ({
  lumens: row.lumens,
  kelvin: row.kelvin,
  spread: row.spread,
  beamDeg: row.beamDeg,
  dims: row.dims,
  water: row.water,
})

/** The reciprocal of a colour temperature: equal steps of it look about equally large. */
export const mired = (kelvin: number): number => 1e6 / kelvin
