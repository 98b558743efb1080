import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank } from '#core/makeover/blank.ts'
import { roles, type Role } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { dropAt, inOrder, layTray, moved, moveOperations, type Laid } from './tray.ts'

const finish = fc.record({
  role: fc.constantFrom(...roles),
  m2: fc.oneof(fc.constant(0), fc.double({ min: 0.01, max: 400, noNaN: true })),
  place: fc.oneof(fc.constant(0), fc.integer({ min: 0, max: 9 })),
})
const rows = (list: readonly { role: Role; m2: number; place?: number }[]): Laid[] =>
  list.map(({ role, m2, place = 0 }, at) => ({
    m2,
    row: {
      ...blank.finish,
      role,
      place,
      id: String(at).padStart(3, '0'),
      version: '',
      roomId: '',
      name: `${at}`,
      family: 'paint',
      sheen: 'matt',
      labL: 50,
      labA: 0,
      labB: 0,
      colourSource: 'hex',
      usedFor: '',
      visibleM2: m2,
    } satisfies Row<'finish'>,
  }))
const ids = (finishes: readonly Laid[], role: Role): string[] => inOrder(finishes, role).map(({ row }) => row.id)
/** The finishes after the puts of a move. */
const after = (finishes: readonly Laid[], id: string, role: Role, index: number): Laid[] => {
  const puts = new Map(
    moveOperations(finishes, id, role, index).map((operation) => [
      operation.id,
      operation.op === 'put' ? operation.fields : {},
    ]),
  )
  return finishes.map((finish) => ({ ...finish, row: { ...finish.row, ...puts.get(finish.row.id) } }))
}

describe('the tray', () => {
  it('is filled by its finishes without gap or overlap, whatever their areas', () => {
    fc.assert(
      fc.property(
        fc.array(finish, { minLength: 1, maxLength: 24 }),
        fc.double({ min: 0.5, max: 3, noNaN: true }),
        (list, aspect) => {
          const { places, columns } = layTray(rows(list), aspect)
          expect(places).toHaveLength(list.length)
          expect(places.reduce((sum, place) => sum + place.width * place.height, 0)).toBeCloseTo(1, 6)
          expect(columns.reduce((sum, column) => sum + column.width, 0)).toBeCloseTo(1, 6)
          for (const [at, place] of places.entries()) {
            expect(place.left).toBeGreaterThan(-1e-9)
            expect(place.left + place.width).toBeLessThan(1 + 1e-9)
            expect(place.top + place.height).toBeLessThan(1 + 1e-9)
            for (const otherPlace of places.slice(at + 1)) {
              const across =
                Math.min(place.left + place.width, otherPlace.left + otherPlace.width) -
                Math.max(place.left, otherPlace.left)
              const down =
                Math.min(place.top + place.height, otherPlace.top + otherPlace.height) -
                Math.max(place.top, otherPlace.top)
              expect(Math.min(across, down)).toBeLessThan(1e-9)
            }
          }
        },
      ),
    )
  }, 60_000)
  it('shows finishes by their area, and says which are drawn larger than they are', () => {
    const { places, columns } = layTray(
      rows([
        { role: 'dominant', m2: 60 },
        { role: 'secondary', m2: 39.9 },
        { role: 'accent', m2: 0.1 },
      ]),
      2,
    )
    expect(places.map((place) => place.smallest)).toEqual([false, false, true])
    expect(columns.map((column) => Math.round(column.share * 1000))).toEqual([600, 399, 1])
    const [wide, narrow] = places
    expect((wide?.width ?? 0) / (narrow?.width ?? 1)).toBeCloseTo(60 / 39.9, 6)
  })
  it('a metre of the room is as long as its area says: 50 m² on a tray of 2 : 1 lie 10 m wide and 5 m high', () => {
    expect(layTray(rows([{ role: 'dominant', m2: 50 }]), 2).perM).toBeCloseTo(1 / 5, 9)
  })
})

describe('moving a finish', () => {
  it('puts it where it was let go, and leaves the others in their order, whatever their places were', () => {
    fc.assert(
      fc.property(
        fc.array(finish, { minLength: 1, maxLength: 12 }),
        fc.nat(),
        fc.constantFrom(...roles),
        fc.nat(12),
        (list, which, role, index) => {
          const finishes = rows(list)
          const id = finishes[which % finishes.length]?.row.id ?? ''
          const [others, before] = [
            finishes.filter(({ row }) => row.id !== id),
            roles.map((role) => ids(finishes, role)),
          ]
          const clock = after(finishes, id, role, index)
          const wanted = ids(others, role)
          wanted.splice(Math.min(index, wanted.length), 0, id)
          expect(ids(clock, role)).toEqual(wanted)
          expect(ids(moved(finishes, id, role, index), role)).toEqual(wanted) // the picture while it is dragged is what is kept
          for (const [at, name] of roles.entries())
            if (name !== role) expect(ids(clock, name)).toEqual(before[at]?.filter((otherId) => otherId !== id))
          for (const { row } of clock) expect(row.place >= 0 && row.place <= 1_000_000).toBe(true)
        },
      ),
    )
  })
  it('changes one row where there is room between its neighbours, and none where it lies there already', () => {
    const finishes = rows([
      { role: 'dominant', m2: 9, place: 1 },
      { role: 'dominant', m2: 5, place: 2 },
      { role: 'dominant', m2: 7, place: 3 },
    ])
    expect(moveOperations(finishes, '002', 'dominant', 1)).toMatchObject([
      { id: '002', fields: { role: 'dominant', place: 1.5 } },
    ])
    expect(moveOperations(finishes, '001', 'dominant', 1)).toEqual([])
  })
  it('falls before or after the finish it is held over, or at the end of the column', () => {
    const tray = layTray(
      rows([
        { role: 'dominant', m2: 40, place: 1 },
        { role: 'dominant', m2: 40, place: 2 },
        { role: 'accent', m2: 20, place: 1 },
      ]),
      1,
    )
    const first = tray.places[0]
    expect(first && dropAt(tray, first.left + 0.01, first.top + 0.01)).toEqual({ role: 'dominant', index: 0 })
    expect(first && dropAt(tray, first.left + first.width - 0.01, first.top + first.height - 0.01)).toEqual({
      role: 'dominant',
      index: 1,
    })
    expect(dropAt(tray, 0.99, 1.4)).toEqual({ role: 'accent', index: 1 })
    expect(dropAt(tray, 1.2, 0.5)?.role).toBe('accent')
    const tall = layTray(
      rows([
        { role: 'dominant', m2: 60 },
        { role: 'accent', m2: 40 },
      ]),
      0.5,
    )
    expect(tall.down).toBe(true)
    expect(dropAt(tall, 0.5, 0.9)?.role).toBe('accent') // one below the other where it is taller than wide
  })
})
